import { asksFor, jobOf, kindProgramme, libraryTask, type TankTask } from "../programme/index.ts";
import { kindFacts, type TankFacts, type TankKind } from "../tank/index.ts";
import type { Parameter } from "../units/index.ts";
import { DEFAULT_LIMITS, type PlanInput, type PlanReading, type WaterSource } from "./inputs.ts";

export const TODAY = "2026-11-25";

export const tap: WaterSource = {
  id: "tap",
  kind: "tap",
  name: "Tap",
  chemistry: { nitrate: 5, ph: 7.6, alkalinity: 6, ammonia: 0 },
  coldC: 12,
  canWarm: true,
  chloramineFactor: 1,
  conditioner: { name: "Conditioner A", mlPer100L: 10, maximumMlPer100L: 30, bindsAmmonia: true },
};

export const mix: WaterSource = {
  id: "mix",
  kind: "mix",
  name: "Mix",
  chemistry: { salinity: 35, nitrate: 0, alkalinity: 8.6, ph: 8.2, ammonia: 0 },
  coldC: 16,
  canWarm: true,
  chloramineFactor: 1,
  salt: { name: "Standard reef salt", labelGramsPerLitre: 36, gramsPerLitre: 38, batches: 2 },
};

/** A box of 200 L net: 100 × 50 cm, water 40 cm deep, bare, with a heater and a filter. */
export function factsOf(kind: TankKind = "community", change: Partial<TankFacts> = {}): TankFacts {
  const facts = kindFacts[kind];
  return {
    id: "tank",
    name: "Test tank",
    kind,
    display: {
      vessel: { shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.5 },
      runningLevelM: 0.4,
      substrate: "bare",
      substrateDepthM: 0,
      rockKg: 0,
      rockTopM: 0,
    },
    material: "glass",
    lidded: false,
    sectors: 4,
    landmarks: [],
    gear: ["heater", "filter"],
    filterUnits: [],
    animals: [{ name: "tetras", count: 12 }],
    startedOn: "2024-01-01",
    evaporationLPerDay: 0.5,
    topUp: "technician",
    practice: facts.practice,
    bands: facts.bands,
    targetPsu: facts.targetPsu,
    targetC: facts.targetC,
    drainLPerMinute: 10,
    refillLPerMinute: 10,
    notes: [],
    mostShare: facts.mostShare,
    ...change,
  };
}

export const reading = (parameter: Parameter, value: number, sigma = 0.5, on = TODAY): PlanReading => ({
  parameter,
  value,
  sigma,
  on,
});

export function programmeOf(kind: TankKind, lastDoneOn = "2026-11-01"): TankTask[] {
  return kindProgramme[kind].map((code) => ({
    code,
    everyDays: libraryTask(code).everyDays,
    giveDays: libraryTask(code).giveDays,
    lastDoneOn,
    slips: 0,
    lastSector: 0,
  }));
}

export function inputOf(facts: TankFacts = factsOf(), change: Partial<PlanInput> = {}): PlanInput {
  return {
    facts,
    readings: [],
    rates: {},
    tasks: programmeOf(facts.kind).filter((t) => asksFor(jobOf(t), facts)),
    source: facts.targetPsu > 0 ? mix : tap,
    topUpSource: tap,
    limits: DEFAULT_LIMITS,
    findings: [],
    on: TODAY,
    nextVisitOn: "2026-12-02",
    lastVisitOn: "2026-11-18",
    // It stands at its fill line.
    belowMarkCm: 0,
    litresOnBoard: null,
    loggedMinutes: {},
    site: { drain: "sewer", bucketL: 20, hygieneLast: false },
    ...change,
  };
}
