import fc from "fast-check";
import { describe, expect, test } from "vitest";
import type { PlanInput } from "../given/index.ts";
import { factsOf, inputOf, mix, reading, tap } from "../given/sample.fixture.ts";
import { pointsOf } from "../numeric/index.ts";
import type { Parameter } from "../units/index.ts";
import { type DrawnPlan, drawChange } from "./draws.ts";
import { planChange } from "./water.ts";
import type { WaterPlan } from "./waterPlan.ts";

const all = (input: PlanInput, water: WaterPlan, draws = 10_000, seed = 7): DrawnPlan => {
  const parts = [...drawChange(input, water, draws, seed)];
  const last = parts.at(-1);
  if (!last) throw new Error("nothing drawn");
  return last;
};

/** Fresh, marine and brackish, each with what its bands ask for read today. */
const CASES: readonly (readonly [string, PlanInput, number])[] = [
  [
    "fresh, drained and filled",
    inputOf(factsOf("community"), {
      readings: [reading("nitrate", 38, 3), reading("gh", 14, 0.6), reading("alkalinity", 5, 0.3)],
    }),
    60,
  ],
  [
    "fresh, in and out together",
    inputOf(factsOf("community", { practice: { ...factsOf("community").practice, how: "in-and-out" } }), {
      readings: [reading("nitrate", 38, 3)],
    }),
    120,
  ],
  [
    "a reef that stands low and runs salt",
    inputOf(factsOf("soft-coral"), {
      source: mix,
      belowMarkCm: 2,
      readings: [reading("salinity", 36.1, 0.25), reading("nitrate", 12, 1.2), reading("alkalinity", 7.1, 0.15)],
    }),
    50,
  ],
  [
    "a reef known by its volume measured and by a photometer",
    inputOf(factsOf("soft-coral", { display: { ...factsOf("soft-coral").display, measuredNetL: 180 } }), {
      source: mix,
      readings: [reading("salinity", 34.2, 0.25), reading("nitrate", 12, 0.6)],
    }),
    40,
  ],
];

describe("ten thousand draws of a change", () => {
  test.each(CASES)("agree with the range of first order at both ends: %s", (_, input, litres) => {
    const water = planChange(input, litres);
    const drawn = all(input, water);
    expect(water.after.length).toBeGreaterThan(0);
    for (const { parameter, after } of water.after) {
      const range = after.range;
      const points = drawn.after[parameter];
      if (!range || !points) throw new Error(parameter);
      // The ends of 10 000 draws are themselves off by about 2 % of the width (binomial order statistics).
      const slack = 0.05 * (range.high - range.low);
      expect(Math.abs(points.low - range.low)).toBeLessThan(slack);
      expect(Math.abs(points.high - range.high)).toBeLessThan(slack);
      expect(Math.abs(points.middle - after.value)).toBeLessThan(slack);
    }
  });
  test("are the same for the same seed and others for another", () => {
    const [, input, litres] = CASES[0] ?? [];
    if (!input || !litres) throw new Error("no case");
    const water = planChange(input, litres);
    expect(all(input, water, 500, 3)).toEqual(all(input, water, 500, 3));
    expect(all(input, water, 500, 3).after).not.toEqual(all(input, water, 500, 4).after);
  });
  test("tell how far they are, part by part", () => {
    const [, input, litres] = CASES[0] ?? [];
    if (!input || !litres) throw new Error("no case");
    const counts = [...drawChange(input, planChange(input, litres), 1000, 1, 4)].map((d) => d.draws);
    expect(counts).toEqual([250, 500, 750, 1000]);
  });
});

describe("a range", () => {
  const width = (input: PlanInput, parameter: Parameter) => {
    const after = planChange(input, 50).after.find((e) => e.parameter === parameter)?.after.range;
    return after ? after.high - after.low : Number.NaN;
  };
  const given = inputOf(factsOf("community"), { readings: [reading("nitrate", 38, 3)], source: tap });
  test("narrows with a better kit", () => {
    const better = { ...given, readings: [reading("nitrate", 38, 1)] };
    expect(width(better, "nitrate")).toBeLessThan(width(given, "nitrate"));
  });
  test("narrows with a volume that was measured, and widens with one that is assumed", () => {
    const measured = { ...given, facts: { ...given.facts, display: { ...given.facts.display, measuredNetL: 200 } } };
    const assumed = { ...given, facts: { ...given.facts, assumed: ["display.rockKg"] } };
    expect(width(measured, "nitrate")).toBeLessThan(width(given, "nitrate"));
    expect(width(assumed, "nitrate")).toBeGreaterThan(width(given, "nitrate"));
  });
});

describe("points of some draws", () => {
  test("lie where the order statistics lie", () => {
    const values = Float64Array.from({ length: 1001 }, (_, i) => 1000 - i);
    expect(pointsOf(values)).toEqual({ low: 25, middle: 500, high: 975 });
    expect(pointsOf(Float64Array.of(4))).toEqual({ low: 4, middle: 4, high: 4 });
  });
  test("are in order whatever was drawn", () =>
    fc.assert(
      fc.property(fc.array(fc.double({ min: -1e6, max: 1e6, noNaN: true }), { minLength: 1 }), (values) => {
        const { low, middle, high } = pointsOf(Float64Array.from(values));
        expect(low).toBeLessThanOrEqual(middle);
        expect(middle).toBeLessThanOrEqual(high);
      }),
    ));
});
