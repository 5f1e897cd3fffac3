import fc from "fast-check";
import { beforeAll, describe, expect, inject, test } from "vitest";
import { allowedMinutesOf, bringsOf, holdsWater, refillSigmaOf } from "../../change/index.ts";
import { conditionOf, limitsOfKind, type PlanInput, tankOnDay } from "../../given/index.ts";
import type { Dosed, DoseProduct, ReagentName } from "../../mixing/index.ts";
import { gaussian, type Random, seeded } from "../../numeric/index.ts";
import type { Parameter } from "../../units/index.ts";
import { sumpVolumeL } from "../../vessel/index.ts";
import { planVisit, type VisitPlan } from "../planVisit.ts";
import { anyVisit, volumeSigma } from "./anyTank.fixture.ts";
import { carryOut, DRAWS_AIR, type Outcome, type Truth } from "./executor.fixture.ts";

declare module "vitest" {
  interface ProvidedContext {
    readonly plansCarriedOut: number;
  }
}

/** Many under `npm run proof`, enough for every commit here. */
const RUNS = inject("plansCarriedOut");
const EVERY_COMMIT = 3000;
const LITRES_SIGMA = 0.03 / 1.959964;

/** The tank exactly as it is believed to be. */
function asBelieved(input: PlanInput): Truth {
  const tank = tankOnDay(input);
  const values: Partial<Record<Parameter, number>> = {
    temperature: tank.known.temperature?.value ?? input.facts.targetC,
  };
  if (input.facts.targetPsu > 0) values.salinity = tank.known.salinity?.value ?? input.facts.targetPsu;
  for (const [p, k] of Object.entries(tank.known)) if (k) values[p as Parameter] = k.value;
  const waters = (source: PlanInput["source"]) =>
    Object.fromEntries(
      Object.entries(values).map(([p, v]) => [p, bringsOf(source, p as Parameter, v as number)]),
    ) as Truth["source"];
  return {
    missingL: tank.missing.litres,
    volumeTimes: 1,
    movedTimes: 1,
    pouredTimes: 1,
    tank: values,
    source: { ...waters(input.source), ...(input.facts.targetPsu > 0 ? { salinity: 0 } : {}) },
    topUp: waters(input.topUpSource),
  };
}

/** A tank drawn from what is stated to be known of it: readings, volume, litres, missing water, new water. */
function drawn(input: PlanInput, plan: VisitPlan, random: Random): Truth {
  const believed = asBelieved(input);
  const tank = tankOnDay(input);
  const off = (sigma: number) => sigma * gaussian(random);
  const values: Partial<Record<Parameter, number>> = { ...believed.tank };
  const source: Partial<Record<Parameter, number>> = { ...believed.source };
  for (const [p, k] of Object.entries(tank.known) as [Parameter, { value: number; sigma: number }][]) {
    values[p] = k.value + off(k.sigma);
    // Salt water is measured before it is poured; its figure here is what the meter is off.
    const refill = p === "salinity" && tank.salt ? (plan.water.mixPsu ?? 0) : (source[p] ?? 0);
    source[p] = (source[p] ?? 0) + off(refillSigmaOf(tank, p, refill));
  }
  return {
    ...believed,
    missingL: Math.min(mostMissingL(input), Math.max(0, tank.missing.litres + off(tank.missing.sigmaL))),
    volumeTimes: 1 + off(volumeSigma(input.facts)),
    movedTimes: 1 + off(LITRES_SIGMA),
    pouredTimes: 1 + off(LITRES_SIGMA),
    tank: values,
    source,
  };
}

/**
 * Over a sump no more can be missing than stood in its return chamber, and above the wall before it: long before that the
 * pump would have run dry.
 */
function mostMissingL({ facts: { sump } }: PlanInput): number {
  if (!sump) return Number.POSITIVE_INFINITY;
  const { lengthM, widthM, runningLevelM, returnLengthM = lengthM, baffleM = 0 } = sump;
  const chamberL = returnLengthM * widthM * runningLevelM * 1000;
  const aboveWallL = (lengthM - returnLengthM) * widthM * Math.max(0, runningLevelM - baffleM) * 1000;
  return Math.min(sumpVolumeL(sump, runningLevelM), chamberL + aboveWallL);
}

const stepIds = (plan: VisitPlan) => plan.steps.map((s) => s.id);
const codes = (plan: VisitPlan) => plan.water.reasons.map((r) => r.code);

/** Everything that is wrong with a plan that was carried out on the tank as it is believed to be. */
function wrongs(input: PlanInput, plan: VisitPlan, outcome: Outcome): string[] {
  const found: string[] = [];
  const { water } = plan;
  const { facts } = input;
  const tank = tankOnDay(input);
  const moves = water.litres.value > 0 || water.freshL !== null;
  if (moves && Math.abs(outcome.levelM) > 0.003)
    found.push(`level ends ${(outcome.levelM * 100).toFixed(1)} cm off its line`);
  if (Math.abs(outcome.drainedL - water.litres.value) > 0.01 * tank.systemL + 0.3)
    found.push(`${outcome.drainedL.toFixed(1)} L drained for ${water.litres.value.toFixed(1)}`);
  const warned = codes(plan).includes("overflow");
  for (const flood of outcome.floods) if (!(warned && flood.startsWith("sump"))) found.push(`flood: ${flood}`);
  for (const [i, mark] of facts.landmarks.entries()) {
    const minutes = outcome.bareMinutes[i] ?? 0;
    // What stood in air when the tank was found is no matter of the drain; what the pumps leave bare is.
    const foundM = facts.sump ? facts.display.runningLevelM : tank.standing.foundM;
    if (!holdsWater(mark, facts) || minutes <= 0 || mark.heightM >= foundM) continue;
    if (minutes > allowedMinutesOf(mark) + 0.05)
      found.push(`${mark.name} bare ${minutes.toFixed(1)} of ${allowedMinutesOf(mark)} min`);
    const told = water.exposed.find((e) => e.name === mark.name);
    const longer = told !== undefined && told.minutes > 1.05 * minutes + 2 && !outcome.touched[i];
    if (!told || minutes > told.minutes + 0.5 || longer)
      found.push(`${mark.name} bare ${minutes.toFixed(1)} min, told ${told?.minutes.toFixed(1)}`);
  }
  const day = limitsOfKind(facts.kind, input.limits);
  const before = asBelieved(input).tank;
  const moved = (p: Parameter) => (outcome.after[p] ?? 0) - (before[p] ?? 0);
  const within = (p: Parameter, up: number | null, down = up) => {
    if (before[p] === undefined || up === null || down === null || input.chosen) return;
    if (moved(p) > up + 0.02 * up || -moved(p) > down + 0.02 * down)
      found.push(`${p} moved ${moved(p).toFixed(2)}, may ${up}/${down}`);
  };
  if (moves) {
    within("alkalinity", day.alkalinityDkh);
    within("calcium", day.calciumMgL);
    within("magnesium", day.magnesiumMgL);
    within("gh", day.ghDgh);
    if (tank.salt) within("salinity", day.salinityUpPpt, day.salinityDownPpt);
    within("temperature", day.temperatureC);
  }
  for (const e of water.after) {
    const really = outcome.after[e.parameter];
    if (moves && really !== undefined && Math.abs(really - e.after.value) > 0.01 * Math.abs(e.after.value) + 0.02)
      found.push(`${e.parameter} ends at ${really.toFixed(2)}, told ${e.after.value.toFixed(2)}`);
  }
  return found;
}

/** Products whose gifts the executor knows by molar masses of its own. */
const dosedWith = (id: string, raises: Dosed, reagent: ReagentName | null, strengthLPerMl: number | null) => ({
  ...{ id, name: id, raises, reagent, strengthLPerMl },
  ...{ purity: 1, mostADay: null, ownerGives: false },
});
const PRODUCTS: readonly DoseProduct[] = [
  dosedWith("bicarbonate", "alkalinity", "sodium bicarbonate", null),
  dosedWith("calcium chloride", "calcium", "calcium chloride dihydrate", null),
  dosedWith("magnesium chloride", "magnesium", "magnesium chloride hexahydrate", null),
  dosedWith("hardness", "gh", null, 40),
];

/** Everything that is wrong with the doses of a visit that was carried out. */
function wrongDoses(input: PlanInput, plan: VisitPlan, { dosed, after, doses }: Outcome): string[] {
  const day = limitsOfKind(input.facts.kind, input.limits);
  const most = { alkalinity: day.alkalinityDkh, calcium: day.calciumMgL, magnesium: day.magnesiumMgL, gh: day.ghDgh };
  const before = asBelieved(input).tank;
  const found = (plan.corrections ?? []).flatMap((c) => {
    const [was, changed, is] = [before[c.parameter] ?? 0, after[c.parameter] ?? 0, dosed[c.parameter] ?? 0];
    const band = input.facts.bands.find((b) => b.parameter === c.parameter);
    if (!c.ok) return Math.abs(is - changed) > 1e-9 ? [`${c.parameter} is refused and dosed`] : [];
    const limit = most[c.parameter];
    return [
      ...(is <= changed ? [`${c.parameter} is not raised`] : []),
      ...(is > (band?.idealHigh ?? 0) ? [`${c.parameter} is raised over its band`] : []),
      ...(limit !== null && is - Math.min(was, changed) > 1.02 * limit
        ? [`${c.parameter} moved ${(is - Math.min(was, changed)).toFixed(2)} of ${limit}`]
        : []),
      ...(Math.abs(is - c.to.value) > 0.01 * c.to.value + 0.02
        ? [`${c.parameter} ends at ${is}, told ${c.to.value}`]
        : []),
    ];
  });
  const at = (parameter: Parameter) => doses.find((d) => d.parameter === parameter)?.at;
  const [magnesium, alkalinity, calcium] = [at("magnesium"), at("alkalinity"), at("calcium")];
  if (magnesium !== undefined && (alkalinity ?? magnesium) < magnesium) found.push("magnesium is not first");
  if (magnesium !== undefined && calcium !== undefined) found.push("magnesium and calcium on one visit");
  return found;
}

/** What contradicts itself in a plan, whatever the tank. */
function contradictions(input: PlanInput, plan: VisitPlan): string[] {
  const found: string[] = [];
  const { water } = plan;
  const ids = stepIds(plan);
  const litres = water.litres.value;
  const drains = ids.includes("drain") || ids.includes("exchange");
  if (water.decision === "change" && !(litres > 0 && drains)) found.push("a change without litres or drain");
  if (["none", "forbid", "unknown"].includes(water.decision) && (litres > 0 || drains))
    found.push(`${water.decision} with ${litres} L`);
  if (litres > 0 && water.markOn !== "none" && !ids.includes("refill")) found.push("a drain without a refill");
  const condition = conditionOf(input);
  const all = [condition.reason, ...condition.others];
  const poisonous = all.some((r) => r?.code === "free-ammonia");
  const told = codes(plan).some((c) => ["ammonia-emergency", "ammonia-would-rise", "wrong-water"].includes(c));
  if (poisonous && !told) found.push("condition tells of ammonia, the plan does not");
  if (codes(plan).includes("ammonia-emergency") && !poisonous)
    found.push("the plan tells of ammonia, the condition does not");
  if (
    codes(plan).includes("within-bands") &&
    input.facts.bands.some((b) => {
      const value = tankOnDay(input).known[b.parameter]?.value;
      return value !== undefined && (value > b.idealHigh || value < b.idealLow);
    })
  )
    found.push("every reading is inside its band, and one is not");
  for (const e of water.after) if (e.after.value < -1e-9) found.push(`${e.parameter} below nothing`);
  const text = JSON.stringify(plan, (_, v) => (typeof v === "number" && !Number.isFinite(v) ? "not a number" : v));
  if (text.includes("not a number")) found.push("a figure that is none");
  return found;
}

describe("a plan that is carried out on the tank as it is believed to be", () => {
  test("ends at its line, keeps its limits and its promises, and contradicts nothing", () =>
    fc.assert(
      fc.property(anyVisit, (input) => {
        const plan = planVisit(input);
        expect(contradictions(input, plan)).toEqual([]);
        expect(wrongs(input, plan, carryOut(input, plan, asBelieved(input)))).toEqual([]);
      }),
      // The same plans at every commit; others, and more, under `npm run proof`.
      { numRuns: RUNS, ...(RUNS <= EVERY_COMMIT ? { seed: 20_261_128 } : {}) },
    ));
});

/** How a tank is changed, as far as what is uncertain differs: each made from any visit. */
const CLASSES: Readonly<Record<string, (input: PlanInput) => PlanInput>> = {
  "at its line": (input) => ({ ...drained(input), belowMarkCm: 0 }),
  "low, and read": (input) => ({ ...drained(input), belowMarkCm: input.belowMarkCm || 3 }),
  "low, and only assumed": (input) => {
    const low = drained(input);
    return { ...low, facts: { ...low.facts, topUp: "technician" }, belowMarkCm: null, lastVisitOn: "2026-11-18" };
  },
  "over a sump": (input) =>
    input.facts.sump
      ? withHow(input, input.facts.practice.how === "from-sump" ? "from-sump" : "drain-then-fill")
      : input,
  "in and out together": (input) => withHow(input, "in-and-out"),
};

const withHow = (input: PlanInput, how: "in-and-out" | "from-sump" | "drain-then-fill"): PlanInput => ({
  ...input,
  facts: {
    ...input.facts,
    practice: {
      ...input.facts.practice,
      how,
      policy:
        input.facts.practice.policy === "continuous" && how !== "in-and-out"
          ? "fixed-share"
          : input.facts.practice.policy,
    },
  },
});

/** A display without a sump, drained and filled. */
function drained(input: PlanInput): PlanInput {
  const { sump: _, ...facts } = input.facts;
  const { heater } = facts.practice;
  return withHow(
    { ...input, facts: { ...facts, practice: { ...facts.practice, heater: heater === "in-sump" ? "off" : heater } } },
    "drain-then-fill",
  );
}

/** Truths drawn for each plan. */
const DRAWS = 4;
/** Visits tried for each class: one of two changes water. */
const TRIED = Math.max(700, Math.round(RUNS / 4));

describe("doses of a plan that is carried out", () => {
  test("stay in what a day may move and in the band, come to what is told, and never where they are refused", () => {
    let given = 0;
    fc.assert(
      fc.property(anyVisit, (any) => {
        const input = { ...any, products: PRODUCTS };
        const plan = planVisit(input);
        given += (plan.corrections ?? []).filter((c) => c.ok).length;
        expect(wrongDoses(input, plan, carryOut(input, plan, asBelieved(input)))).toEqual([]);
      }),
      { numRuns: RUNS, ...(RUNS <= EVERY_COMMIT ? { seed: 20_261_130 } : {}) },
    );
    expect(given).toBeGreaterThan(RUNS / 100);
  });
});

describe("a plan that is carried out on a tank with hidden figures", () => {
  const random = seeded(20_261_128);
  const inside = new Map<string, { hit: number; of: number }>();
  const plans = new Map<string, number>();
  const broken = new Set<string>();
  let changes = 0;
  let poisoned = 0;
  let dry = 0;
  const count = (key: string, hit: boolean) => {
    const so = inside.get(key) ?? { hit: 0, of: 0 };
    inside.set(key, { hit: so.hit + Number(hit), of: so.of + 1 });
  };

  /** Carries one plan out on some hidden truths and counts what became of its figures. */
  function tryOut(kind: string, input: PlanInput): void {
    const plan = planVisit(input);
    if (plan.water.litres.value <= 0 || (kind === "over a sump" && !input.facts.sump)) return;
    const tank = tankOnDay(input);
    const day = limitsOfKind(input.facts.kind, input.limits);
    const most: Partial<Record<Parameter, number | null>> = {
      alkalinity: day.alkalinityDkh,
      calcium: day.calciumMgL,
      magnesium: day.magnesiumMgL,
      gh: day.ghDgh,
      salinity: Math.max(day.salinityUpPpt, day.salinityDownPpt),
    };
    plans.set(kind, (plans.get(kind) ?? 0) + DRAWS);
    for (let i = 0; i < DRAWS; i++) {
      const truth = drawn(input, plan, random);
      const outcome = carryOut(input, plan, truth, MENDED);
      changes++;
      // Left low on purpose, a tank that was less low than believed already stands above that line.
      const above = plan.water.leftLowL > 0 && outcome.levelM > 0;
      if (Math.abs(outcome.levelM) > 0.003 && !above) broken.add(`level ${(outcome.levelM * 100).toFixed(1)} cm off`);
      const warned = codes(plan).includes("overflow");
      for (const f of outcome.floods)
        if (f === DRAWS_AIR) dry++;
        else if (!(warned && f.startsWith("sump"))) broken.add(f);
      for (const e of plan.water.after) {
        const { range, value } = e.after;
        const really = outcome.after[e.parameter];
        if (!range || really === undefined) continue;
        count(`${kind}: ${e.parameter}`, really >= range.low && really <= range.high);
        const limit = most[e.parameter];
        const sigma = (range.high - value) / 1.959964;
        const moved = Math.abs(really - (truth.tank[e.parameter] ?? 0));
        if (limit && tank.known[e.parameter] && !input.chosen)
          count(`day: ${e.parameter}`, moved <= limit + 2 * sigma + 0.02 * limit);
      }
      if (!codes(plan).includes("ammonia-emergency") && tank.known.ammonia && !input.chosen)
        poisoned += Number(poisonous(input, plan, truth, outcome, random));
    }
  }

  beforeAll(() => {
    const visits = fc.sample(anyVisit, { numRuns: TRIED, seed: 11 });
    for (const [kind, of] of Object.entries(CLASSES)) for (const visit of visits) tryOut(kind, of(visit));
    // Few of any visits stand over a sump: more of them, until there are enough.
    for (let seed = 12; (plans.get("over a sump") ?? 0) < 1000; seed++)
      for (const visit of fc.sample(anyVisit, { numRuns: 200, seed }))
        tryOut("over a sump", CLASSES["over a sump"]?.(visit) ?? visit);
  });

  test("level and edges hold, whatever the figures hide", () => expect([...broken]).toEqual([]));

  test("the return pump draws air at most once in a thousand, where far more was missing than anybody could believe", () =>
    expect(dry / changes).toBeLessThanOrEqual(0.001));

  test.each(Object.keys(CLASSES))("there are enough plans of a tank that is %s", (name) =>
    expect(plans.get(name) ?? 0).toBeGreaterThanOrEqual(1000),
  );

  test("each figure lies in its stated 95 % as often as that says, class by class", () => {
    const off = [...inside]
      .filter(([key, { of }]) => !key.startsWith("day:") && of >= 250)
      .map(([key, { hit, of }]) => ({ key, share: hit / of }))
      .filter(({ share }) => share < 0.9 || share > 0.98)
      .map(({ key, share }) => `${key} ${share.toFixed(3)}`);
    expect(off).toEqual([]);
  });

  test("what a day may change is passed only by what the figures hide", () => {
    const off = [...inside]
      .filter(([key, { of }]) => key.startsWith("day:") && of >= 100)
      .filter(([, { hit, of }]) => hit / of < 0.95)
      .map(([key, { hit, of }]) => `${key} ${(hit / of).toFixed(3)}`);
    expect(off).toEqual([]);
  });

  test("free ammonia is decided on the unfavourable end: at most one change in forty poisons", () => {
    expect(changes).toBeGreaterThan(5000);
    expect(poisoned / changes).toBeLessThanOrEqual(0.025);
  });
});

/** Hidden figures leave the level a little off; the check at the end puts that right. */
const MENDED = 0.2;

/** Whether free ammonia really rose over its limit, at a pH that the waters may really come to. */
function poisonous(input: PlanInput, plan: VisitPlan, truth: Truth, outcome: Outcome, random: Random): boolean {
  const { facts, source, limits } = input;
  const salt = facts.targetPsu > 0;
  const ph = truth.tank.ph ?? 6.5 + random() * ((facts.bands.find((b) => b.parameter === "ph")?.actHigh ?? 8.6) - 6.5);
  // Between the tank's own and the highest of what the waters could bring it to once they stood.
  const kh = outcome.after.alkalinity ?? 4;
  const highest = Math.max(ph, source.chemistry.ph ?? 7.5, salt || kh <= 0.05 ? ph : 7 + Math.log10(5 * kh));
  const phAfter = ph + random() * (highest - ph);
  const nh3 = (tan: number, p: number, c: number) => {
    const psu = truth.tank.salinity ?? facts.targetPsu;
    const pKa = psu < 1 ? 0.09018 + 2729.92 / (c + 273.15) : 10.0423 - 0.0315536 * c + 0.003071 * psu;
    return (Math.max(0, tan) / (1 + 10 ** (pKa - p))) * 1.2159;
  };
  const before = nh3(truth.tank.ammonia ?? 0, ph, truth.tank.temperature ?? facts.targetC);
  const after = nh3(outcome.after.ammonia ?? 0, phAfter, outcome.after.temperature ?? facts.targetC);
  return after > limits.freeAmmoniaMgL && after > before && plan.water.decision === "change";
}
