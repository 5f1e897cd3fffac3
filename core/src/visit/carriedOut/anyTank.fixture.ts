import fc from "fast-check";
import type { PlanInput, PlanReading, WaterSource } from "../../given/index.ts";
import { factsOf, inputOf, programmeOf, TODAY } from "../../given/sample.fixture.ts";
import { asksFor, jobOf } from "../../programme/index.ts";
import {
  type Landmark,
  type Practice,
  quickStart,
  type SwitchGear,
  TANK_KINDS,
  type TankFacts,
  tankMisfits,
  volumeRelative95,
} from "../../tank/index.ts";
import { methodSigma, type Parameter, parameterFacts } from "../../units/index.ts";
import { boundedVessel } from "../../vessel/bounded.fixture.ts";
import { VESSEL_SHAPES, vesselHeightM, vesselShapes } from "../../vessel/index.ts";

/** A vessel with less water over its floor is none that is changed by a line. */
const SHALLOWEST_M = 0.1;

/** Evenly between two figures: the library's own doubles crowd near nothing. */
const evenly = (low: number, high: number): fc.Arbitrary<number> =>
  fc.integer({ min: 0, max: 10_000 }).map((n) => low + ((high - low) * n) / 10_000);

const unit = evenly(0, 1);
const between = (low: number, high: number, part: number) => low + (high - low) * part;

/** Any vessel a tank is sold in: what another dimension bounds is drawn as a part of it. */
const vessel = fc
  .record({
    shape: fc.constantFrom(...VESSEL_SHAPES),
    sides: fc.array(evenly(0.3, 1.6), { minLength: 5, maxLength: 5 }),
    part: evenly(0.1, 0.9),
  })
  .map(({ shape, sides, part }) => {
    const free = Object.fromEntries(vesselShapes[shape].dimensions.map(({ key }, i) => [key, sides[i] ?? 1]));
    return boundedVessel(shape, free, part);
  });

const landmark = fc.record({
  kind: fc.constantFrom("heater", "media", "intake", "coral", "plant", "return", "animals"),
  part: evenly(0.05, 1.02),
  airMinutes: fc.constantFrom(0, 0, 3, 10, 25, 40),
  siphonBreak: fc.boolean(),
});

const sumpParts = fc.record({
  length: unit,
  running: evenly(0.3, 0.8),
  lowest: evenly(0.2, 0.9),
  chamber: evenly(0.2, 1),
  baffle: evenly(0.6, 1.15),
  weir: evenly(0.94, 1),
  pipes: evenly(0, 8),
});

const GEAR: readonly SwitchGear[] = [
  "top-up",
  "dosing",
  "skimmer",
  "uv",
  "chiller",
  "reactor",
  "co2",
  "heater",
  "filter",
  "return",
  "wave-maker",
];

/** A tank of any kind, shape and way of working that the forms would accept. */
const anyBook: fc.Arbitrary<TankFacts> = fc
  .record({
    kind: fc.constantFrom(...TANK_KINDS),
    vessel,
    sump: fc.option(sumpParts, { nil: null }),
    marks: fc.array(landmark, { maxLength: 3 }),
    gear: fc.subarray([...GEAR]),
    how: fc.constantFrom("drain-then-fill", "drain-then-fill", "in-and-out", "from-sump", "animals-out"),
    policy: fc.constantFrom("fixed-share", "test-led", "reset", "continuous"),
    share: evenly(0.05, 0.9),
    heater: fc.constantFrom("off", "lowered", "in-sump", "none"),
    pumpsAtSiphon: fc.constantFrom("on", "off"),
    substrate: fc.constantFrom("whole", "sectors", "surface", "never", "bare"),
    temperatureMatch: fc.constantFrom("exact", "above-floor"),
    saltAge: fc.constantFrom("when-clear", "hours", "weeks"),
    evaporation: evenly(0, 4),
    topUp: fc.constantFrom("reservoir", "owner", "technician"),
    measured: fc.option(evenly(0.6, 0.95), { nil: null }),
    dead: fc.option(evenly(0, 0.2), { nil: null }),
    started: fc.constantFrom("2022-01-01", "2026-10-20", "2026-07-01", "2026-04-01"),
    dry: fc.boolean(),
    rates: fc.record({ out: evenly(2, 30), back: evenly(2, 30) }),
  })
  .map((a) => {
    const usual = quickStart({ kind: a.kind, vessel: a.vessel, sump: false, startedOn: a.started });
    const heightM = vesselHeightM(a.vessel);
    const { runningLevelM } = usual.display;
    const sumpHeightM = 0.45;
    const sump = a.sump && {
      lengthM: between(0.3, 1.4, a.sump.length),
      widthM: 0.4,
      heightM: sumpHeightM,
      runningLevelM: sumpHeightM * a.sump.running,
      lowestLevelM: sumpHeightM * a.sump.running * a.sump.lowest,
      returnLengthM: between(0.3, 1.4, a.sump.length) * a.sump.chamber,
      baffleM: Math.min(sumpHeightM, sumpHeightM * a.sump.running * a.sump.baffle),
      weirM: runningLevelM * a.sump.weir,
      pipesL: a.sump.pipes,
    };
    const practice = {
      ...usual.practice,
      how: (a.how === "from-sump" && !sump ? "drain-then-fill" : a.how) as Practice["how"],
      policy: a.policy as Practice["policy"],
      share: a.share,
      heater: (a.heater === "in-sump" && !sump ? "off" : a.heater) as Practice["heater"],
      pumpsAtSiphon: a.pumpsAtSiphon as "on",
      substrate: a.substrate as "bare",
      temperatureMatch: a.temperatureMatch as "exact",
      saltAge: a.saltAge as "hours",
    };
    const landmarks: Landmark[] = a.marks.map((m, i) => ({
      name: `${m.kind} ${i + 1}`,
      kind: m.kind as Landmark["kind"],
      heightM: Math.min(heightM, m.part * runningLevelM),
      airMinutes: m.kind === "media" ? 0 : m.airMinutes,
      ...(m.kind === "return" ? { siphonBreak: m.siphonBreak } : {}),
    }));
    const facts: TankFacts = {
      ...factsOf(a.kind),
      ...usual,
      ...(sump ? { sump } : {}),
      landmarks,
      gear: GEAR.filter((g) => a.gear.includes(g) || (sump !== null && g === "return")),
      practice,
      evaporationLPerDay: a.evaporation,
      topUp: a.topUp as "owner",
      startedOn: a.started,
      ...(a.dry ? { startedWith: "dry-rock" as const } : {}),
      drainLPerMinute: a.rates.out,
      refillLPerMinute: a.rates.back,
      ...(a.dead === null ? {} : { deadL: 0 }),
      animals: [{ name: "animals", count: 5 }],
    };
    return facts;
  })
  .filter((facts) => tankMisfits(facts).length === 0);

/** Waters by the kind they are. */
const fresh = (
  kind: WaterSource["kind"],
  chemistry: WaterSource["chemistry"],
  more: Partial<WaterSource> = {},
): WaterSource => ({
  id: kind,
  kind,
  name: kind,
  chemistry,
  coldC: 12,
  canWarm: true,
  chloramineFactor: 1,
  ...more,
});
const conditioner = { name: "Conditioner A", mlPer100L: 10, maximumMlPer100L: 40, bindsAmmonia: true };
const salt = { name: "Salt", labelGramsPerLitre: 36, gramsPerLitre: 36, batches: 0 };

const FRESH_WATERS: readonly WaterSource[] = [
  fresh("tap", { nitrate: 5, ph: 7.6, alkalinity: 6, gh: 11, ammonia: 0 }, { conditioner }),
  fresh("tap", { nitrate: 20 }, { conditioner, coldC: 8, canWarm: false }),
  fresh("tap", { nitrate: 2, ph: 7.2, alkalinity: 3, ammonia: 0.1 }, { conditioner, coldC: 29, canWarm: false }),
  fresh("tap-minerals", { nitrate: 2, ph: 7.2, alkalinity: 3, gh: 8 }, { conditioner }),
  fresh("purified", {}),
  fresh("remineralised", { ph: 6.8, alkalinity: 1, gh: 6 }, { coldC: 18 }),
];
const saltWaters = (psu: number): readonly WaterSource[] => [
  fresh(
    "mix",
    { salinity: psu, ph: 8.2, alkalinity: 8.6, calcium: 430, magnesium: 1340, nitrate: 0 },
    { salt, coldC: 16 },
  ),
  fresh("mix", { salinity: psu, alkalinity: 11 }, { salt, coldC: 16, canWarm: false }),
  fresh("natural-sea", { salinity: 34, nitrate: 0.5, ph: 8.1, alkalinity: 7 }, { coldC: 13, canWarm: false }),
];
const TOP_UPS: readonly WaterSource[] = [
  fresh("purified", { nitrate: 0, alkalinity: 0, gh: 0, salinity: 0 }, { id: "top-purified", coldC: 15 }),
  fresh("tap", { nitrate: 5, ph: 7.6, alkalinity: 6, gh: 11 }, { id: "top-tap", conditioner, canWarm: false }),
];

const reading = fc.record({ read: evenly(0, 1), place: evenly(-0.6, 1.6), method: fc.nat(3), old: fc.boolean() });

/** Any visit of any tank: readings there or missing, water missing or not, each water, each hindrance. */
export const anyVisit: fc.Arbitrary<PlanInput> = fc
  .record({
    facts: anyBook,
    source: fc.nat(20),
    wrong: evenly(0, 1),
    topUp: fc.nat(2),
    readings: fc.array(reading, { minLength: 9, maxLength: 9 }),
    below: fc.constantFrom(null, null, 0, 0, 0.5, 2, 6, 15),
    lastVisit: fc.constantFrom("2026-11-18", "2026-11-18", "2026-11-11", "2026-08-01", null),
    onBoard: fc.constantFrom(null, null, 20, 200),
    minutes: fc.constantFrom(null, null, 20, 60),
    chosen: fc.constantFrom(null, null, null, 0.1, 0.6),
    treated: fc.constantFrom(false, false, false, true),
  })
  .map((a) => {
    const { facts } = a;
    const waters = facts.targetPsu > 0 ? saltWaters(facts.targetPsu) : FRESH_WATERS;
    const wrongly = a.wrong < 0.04;
    const pool = wrongly ? (facts.targetPsu > 0 ? FRESH_WATERS : saltWaters(35)) : waters;
    const source = pool[a.source % pool.length] ?? (pool[0] as WaterSource);
    const topUpSource = (
      a.topUp === 2 && facts.targetPsu === 0 && !wrongly ? source : TOP_UPS[a.topUp % 2]
    ) as WaterSource;
    const readings = facts.bands.flatMap((band, i): PlanReading[] => {
      const r = a.readings[i % a.readings.length];
      if (!r || r.read < 0.35) return [];
      const { methods, plausible } = parameterFacts[band.parameter];
      const width = band.idealHigh - Math.max(0, band.idealLow);
      const raw = Math.max(0, band.idealLow) + r.place * (width > 0 ? width : 1);
      const value = Math.min(plausible[1], Math.max(plausible[0], raw));
      const method = methods[r.method % methods.length]?.method ?? "";
      return [
        {
          parameter: band.parameter,
          value,
          sigma: methodSigma(band.parameter, method, value),
          on: r.old && r.read < 0.6 ? "2026-11-18" : TODAY,
        },
      ];
    });
    const treatment = { name: "Treatment B", startedOn: "2026-11-20", contactDays: 10, followUpOn: "2026-12-01" };
    const withTreatment = a.treated ? { ...facts, treatment } : facts;
    return inputOf(withTreatment, {
      source,
      topUpSource,
      readings,
      belowMarkCm: a.below,
      lastVisitOn: a.lastVisit,
      litresOnBoard: a.onBoard,
      minutesForWater: a.minutes,
      tasks: programmeOf(facts.kind).filter((t) => asksFor(jobOf(t), facts)),
      ...(a.chosen === null ? {} : { chosen: { litres: a.chosen * 100, by: "somebody" } }),
    });
  })
  // A level that was read cannot lie under the floor of what falls.
  .filter(
    ({ facts, belowMarkCm }) =>
      (belowMarkCm ?? 0) / 100 < 0.6 * (facts.sump?.runningLevelM ?? facts.display.runningLevelM),
  )
  // In a saucer a millimetre of the line is percents of its water.
  .filter(({ facts }) => facts.display.runningLevelM >= SHALLOWEST_M);

/** Relative one-sigma of a tank's net volume, as the planner states it. */
export const volumeSigma = (facts: TankFacts): number => volumeRelative95(facts) / 1.959964;

export type AnyParameter = Parameter;
