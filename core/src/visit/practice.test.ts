import { describe, expect, test } from "vitest";
import { tankFields } from "../desk/practiceFields.fixture.ts";
import type { PlanInput, WaterSource } from "../given/index.ts";
import { factsOf, inputOf, mix, reading, tap } from "../given/sample.fixture.ts";
import { practised, type TankFacts, type TankKind } from "../tank/index.ts";
import { said } from "./said.fixture.ts";

/** Every choice of a way, as the desk offers it. */
const choices = (way: keyof TankFacts["practice"]): string[] => tankFields.get(`practice.${way}`) ?? [];

const sump = {
  lengthM: 0.8,
  widthM: 0.4,
  heightM: 0.4,
  runningLevelM: 0.25,
  lowestLevelM: 0.1,
  pipesL: 4,
  weirM: 0.38,
};

/** A tank on which a way has something to decide, with the rest of its day the same. */
function input(kind: TankKind, facts: Partial<TankFacts> = {}, more: Partial<PlanInput> = {}): PlanInput {
  const base = factsOf(kind, { gear: ["skimmer", "heater", "return"], ...facts });
  return inputOf(base, {
    readings: [reading("temperature", 25), reading("nitrate", 18), reading("salinity", 34)],
    tasks: inputOf(base).tasks.map((t) => ({ ...t, lastDoneOn: "2026-05-01" })),
    ...more,
  });
}

const withPractice = (of: PlanInput, way: string, choice: unknown): PlanInput => ({
  ...of,
  facts: { ...of.facts, practice: { ...of.facts.practice, [way]: choice } },
});

/** What a technician would see of a plan. */
function seen(of: PlanInput): string {
  const { steps, water, kit, minutes, load } = said(of);
  return JSON.stringify({ steps, water, kit, minutes, load, bands: practised(of.facts).bands });
}

/** Where each way has something to decide. */
const rows: readonly [way: keyof TankFacts["practice"], PlanInput][] = [
  ["policy", input("marine-fish", { sump })],
  ["how", input("jellyfish", { sump })],
  ["feeding", input("soft-coral")],
  ["pumpsAtSiphon", input("stony-coral", { sump })],
  ["panels", input("community")],
  ["substrate", input("community", { display: { ...factsOf().display, substrate: "gravel", substrateDepthM: 0.05 } })],
  ["heater", input("soft-coral", { sump })],
  ["outside", input("planted")],
  ["media", input("soft-coral")],
  ["mediaWhen", input("soft-coral")],
  ["bubbles", input("soft-coral")],
  ["testMethod", input("soft-coral")],
  ["salinity", input("marine-fish", { sump })],
  ["temperatureMatch", input("community", {}, { source: { ...tap, coldC: 12 } })],
  ["saltAge", input("soft-coral")],
  ["acidSoak", input("marine-fish", { sump })],
  // Nothing is changed on this day: the nitrate is right, and the tank is changed only when a reading asks for it.
  ["fertiliser", withPractice(input("planted"), "policy", "test-led")],
];

describe("each way changes the plan, the order or the bands", () => {
  for (const [way, of] of rows) {
    const all = choices(way);
    test(`${way}: ${all.length} choices, no two alike where only the choice differs`, () => {
      expect(all.length).toBeGreaterThan(1);
      const plans = all.map((choice) => seen(withPractice(of, way, choice)));
      for (const [i, a] of plans.entries())
        for (const [j, b] of plans.entries())
          if (i < j) expect(a === b, `${all[i]} and ${all[j]} give the same`).toBe(false);
    });
  }
  test("every way that the desk offers stands above", () => {
    const offered = [...tankFields.keys()].map((key) => key.slice("practice.".length));
    expect(rows.map(([way]) => way).sort()).toEqual(offered.sort());
  });
  test("water: tap, purified, remineralised, from the sea and ready-made give five plans", () => {
    const sources: WaterSource[] = [
      tap,
      { ...tap, id: "p", kind: "purified", name: "Purified", chemistry: { nitrate: 0 } },
      { ...tap, id: "r", kind: "remineralised", name: "Remineralised", chemistry: { nitrate: 0, gh: 6 } },
    ];
    const fresh = sources.map((source) => seen(input("shrimp", {}, { source })));
    expect(new Set(fresh).size).toBe(3);
    const salt = [mix, { ...mix, id: "s", kind: "natural-sea" as const, name: "From the quay" }];
    expect(new Set(salt.map((source) => seen(input("soft-coral", {}, { source })))).size).toBe(2);
  });
});

describe("what a way says", () => {
  const steps = (of: PlanInput) => said(of).steps;
  const at = (of: PlanInput, id: string) => steps(of).findIndex((s) => s.id === id);
  test("clean media goes in before the flow comes back, or after the cloud has gone", () => {
    const of = input("soft-coral");
    const before = withPractice(of, "mediaWhen", "before-cloud");
    expect(at(before, "floss")).toBeLessThan(at(before, "power-up"));
    const after = withPractice(of, "mediaWhen", "after-cloud");
    expect(at(after, "floss")).toBeGreaterThan(at(after, "power-up"));
  });
  test("media that is swapped every three days asks for as many pieces until the next visit", () => {
    const of = withPractice(input("soft-coral"), "media", "every-2-3-days");
    // Seven days to the next visit: one now, and two that the owner swaps.
    expect(steps(of).find((s) => s.id === "floss")?.kit).toEqual(["floss, 3"]);
    expect(at(withPractice(of, "media", "none"), "floss")).toBe(-1);
  });
  test("bubbles are barred for jellyfish and seahorses whatever is chosen", () => {
    for (const kind of ["jellyfish", "seahorse"] as const)
      expect(at(withPractice(input(kind), "bubbles", "on-purpose"), "bubbles")).toBe(-1);
    expect(at(withPractice(input("soft-coral"), "bubbles", "on-purpose"), "bubbles")).toBeGreaterThan(0);
  });
  test("cooler water leaves the tank at its floor, not under it", () => {
    const of = withPractice(
      input("community", {}, { source: { ...tap, coldC: 5 } }),
      "temperatureMatch",
      "above-floor",
    );
    const { water } = said(of);
    const share = water.share.value;
    const refill = water.refillC?.value ?? Number.NaN;
    expect(refill).toBeLessThan(25);
    // The tank at 25 °C, its ideal from 24 °C: mixed by share it ends at 24.
    expect(25 + share * (refill - 25)).toBeCloseTo(24, 3);
  });
  test("the lower salinity is 1.022 to 1.024 at 25/25, for fish alone", () => {
    // 33.19 PSU is 1.025 as 25/25 (EOS-80); a thousandth is about 1.3 PSU, so the band lies below it.
    const facts = practised(withPractice(input("marine-fish"), "salinity", "lower").facts);
    const band = facts.bands.find((b) => b.parameter === "salinity");
    expect(Math.abs((band?.idealHigh ?? 0) - (33.19 - 1.31))).toBeLessThan(0.15);
    expect(Math.abs((band?.idealLow ?? 0) - (33.19 - 3 * 1.31))).toBeLessThan(0.15);
    expect(facts.targetPsu).toBeGreaterThan(band?.idealLow ?? 99);
    expect(practised(facts)).toEqual(facts);
    const reef = withPractice(input("soft-coral"), "salinity", "lower").facts;
    expect(practised(reef)).toBe(reef);
  });
});
