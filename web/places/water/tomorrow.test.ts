import type { WaterSource } from "@keel-round/core/given";
import { scheduleMixing } from "@keel-round/core/mixing";
import { worked } from "@keel-round/core/worked";
import { describe, expect, test } from "vitest";
import { demandsOf, type Need, needsOf, type RoomBarrel } from "./tomorrow";

const mix: WaterSource = {
  id: "mix",
  kind: "mix",
  name: "Reef mix",
  chemistry: { salinity: 35 },
  coldC: 14,
  canWarm: true,
  chloramineFactor: 1,
  salt: { name: "Salt", labelGramsPerLitre: 36, gramsPerLitre: 36, batches: 0, readyMinutes: 60, keepsDays: 14 },
};
const purified: WaterSource = {
  id: "ro",
  kind: "purified",
  name: "Purified",
  chemistry: {},
  coldC: 25,
  canWarm: true,
  chloramineFactor: 1,
  purifier: { litresPerDayAt25: 288, ratedBar: 4, wasteRatio: 3, flushMinutes: 5 },
};
const HOUR = 3_600_000;
const barrel = (id: string, sourceId: string, litres: number, startedAt: number, psu?: number): RoomBarrel => ({
  id,
  name: id,
  capacityL: 200,
  heaterW: 300,
  lossWPerK: 4,
  contents: {
    sourceId,
    litres,
    startedAt,
    ...(sourceId === "mix" ? { targetPsu: 35, grams: 36 * litres } : {}),
    ...(psu === undefined ? {} : { psu }),
  },
});

const takes = (sourceId: string, litres: number) => ({ sourceId, litres, of: [{ tank: "Reef, Clinic", litres }] });
const need = (source: WaterSource, wantedL: number, readyL: number): Need => ({
  source,
  wantedL,
  readyL,
  missingL: Math.max(0, wantedL - readyL),
  wanted: worked("demand", wantedL, "L", {}),
});

describe("tomorrow's water", () => {
  test("counts what will be ready when it is loaded, of the same water only", () => {
    const barrels = [
      barrel("a", "mix", 80, 0, 35.1),
      barrel("too weak", "mix", 60, 0, 32),
      barrel("too old", "mix", 60, -20 * 24 * HOUR, 35),
      barrel("other", "ro", 90, 0),
      { id: "empty", name: "empty", capacityL: 100, heaterW: 300, lossWPerK: 4, contents: null },
    ];
    expect(needsOf([takes("mix", 150)], barrels, [mix, purified], 10 * HOUR)).toEqual([
      {
        source: mix,
        wantedL: 150,
        readyL: 80,
        missingL: 70,
        wanted: expect.objectContaining({ value: 150, inputs: { "Reef, Clinic": { value: 150, unit: "L" } } }),
      },
    ]);
    expect(needsOf([takes("ro", 50)], barrels, [mix, purified], HOUR)[0]?.missingL).toBe(0);
    expect(needsOf([takes("gone", 50)], barrels, [mix, purified], HOUR)).toEqual([]);
  });
  test("takes the purifier its minutes, the heater its own, and stands as its salt asks", () => {
    const needs = [need(mix, 100, 0)];
    const [demand] = demandsOf(needs, [], purified, 1000);
    // 288 L a day are 0.2 L a minute: 100 L are 500 minutes after 5 of flushing.
    expect(demand?.purifyMinutes).toBeCloseTo(505, 6);
    // 100 L by 10 K are 1136 Wh; 300 W against losses take a little over 3.8 h.
    expect(demand?.heatMinutes).toBeGreaterThan((1136 / 300) * 60);
    expect(demand?.heatMinutes).toBeLessThan((1136 / 300) * 60 * 1.15);
    expect(demand).toMatchObject({ dissolveMinutes: 30, ageMinutes: 60, loadMinutes: 15, neededAt: 1000 });
  });
  test("that stands ready is not made, and purified water is neither warmed nor mixed", () => {
    expect(demandsOf([need(mix, 50, 80)], [], purified, 1000)).toEqual([]);
    const [demand] = demandsOf([need(purified, 20, 0)], [], purified, 1000);
    expect(demand).toMatchObject({ heatMinutes: 0, dissolveMinutes: 0, ageMinutes: 0 });
  });
  test("is made of purified water that stands ready, once what is taken as it is has been put aside", () => {
    const mixNeed = need(mix, 100, 0);
    const held = [barrel("ro", "ro", 150, 0)];
    const minutes = (needs: Parameters<typeof demandsOf>[0]) =>
      demandsOf(needs, held, purified, 1000).find((d) => d.id === "mix")?.purifyMinutes;
    expect(minutes([mixNeed])).toBe(0);
    // 80 of the 150 are taken as they are: 30 L are missing, 150 minutes after the flush.
    expect(minutes([need(purified, 80, 150), mixNeed])).toBeCloseTo(155, 6);
    // Two mixes share what stands there.
    const second = need({ ...mix, id: "second" }, 100, 0);
    expect(demandsOf([mixNeed, second], held, purified, 1000)[1]?.purifyMinutes).toBeCloseTo(255, 6);
  });
  test("is warmed by the heaters of the empty barrels that hold it", () => {
    const strong = { id: "e", name: "e", capacityL: 200, heaterW: 600, lossWPerK: 4, contents: null };
    const [usual] = demandsOf([need(mix, 100, 0)], [], purified, 1000);
    const [quick] = demandsOf([need(mix, 100, 0)], [strong], purified, 1000);
    expect(quick?.heatMinutes ?? 0).toBeLessThan((usual?.heatMinutes ?? 0) * 0.55);
    expect(quick?.workings.heat?.inputs.heaters).toEqual({ value: 600, unit: "W" });
    // What is made of purified water opens how, and how much goes down the drain for it: three litres for one, and the flush.
    expect(quick?.workings.purify?.inputs["rated at 25 °C"]).toEqual({ value: 288, unit: "L a day" });
    expect(quick?.wasteL).toBeCloseTo(300 + 5 * 0.2 * 4, 6);
  });
  test("that cannot be ready says by how much", () => {
    const demands = demandsOf([need(mix, 100, 0)], [], purified, 300);
    const { late } = scheduleMixing(demands, 0);
    const total = demands[0] ? demands[0].purifyMinutes + demands[0].heatMinutes + 30 + 60 + 15 : 0;
    expect(late).toEqual([{ demandId: "mix", minutes: expect.closeTo(total - 300, 6) }]);
  });
});
