import { describe, expect, test } from "vitest";
import { factsOf, inputOf, reading } from "../given/sample.fixture.ts";
import { gaussian, seeded } from "../numeric/index.ts";
import { type Needed, neededRange } from "./needed.ts";
import { planWater } from "./water.ts";

const known: Needed = {
  before: 40,
  beforeSigma: 1.5,
  target: 20,
  refill: 5,
  refillSigma: 0.5,
  systemL: 200,
  volumeRelative: 0.025,
  mode: "batch",
};

/** The same by brute force, with a generator and a count of its own. */
function drawn(n: Needed, count = 40_000): { low: number; high: number } {
  const random = seeded(99);
  const litres = Array.from({ length: count }, () => {
    const [c0, cr] = [n.before + n.beforeSigma * gaussian(random), n.refill + n.refillSigma * gaussian(random)];
    const volume = n.systemL * (1 + n.volumeRelative * gaussian(random));
    if (c0 <= n.target) return 0;
    const share = (c0 - n.target) / (c0 - cr);
    if (share > 1) return Number.POSITIVE_INFINITY;
    return n.mode === "batch" ? share * volume : -Math.log(1 - share) * volume;
  }).sort((a, b) => a - b);
  return { low: litres[Math.floor(0.025 * count)] ?? 0, high: litres[Math.floor(0.975 * count)] ?? 0 };
}

describe("the range of the litres that a reading asks for", () => {
  test.each([
    ["a reading that is well known, by first order", known],
    ["a strip that is right within four tenths, drawn", { ...known, beforeSigma: 8 }],
    ["a change in and out together, drawn", { ...known, mode: "in-and-out" } as Needed],
  ] as const)("is that of forty thousand draws: %s", (_, needed) => {
    const [mine, brute] = [neededRange(needed), drawn(needed)];
    const width = brute.high - brute.low;
    expect(Math.abs(mine.low - brute.low)).toBeLessThan(0.06 * width);
    expect(Math.abs(mine.high - brute.high)).toBeLessThan(0.06 * width);
  });
  test("says at its end that a target near the new water may not be reached at all", () =>
    expect(neededRange({ ...known, target: 6, beforeSigma: 8, refillSigma: 2 }).high).toBe(Number.POSITIVE_INFINITY));
  test("begins at none where the reading may be inside already", () =>
    expect(neededRange({ ...known, before: 22, beforeSigma: 4 }).low).toBe(0));
  test("stands beside the decision of a plan that a reading raised, and beside no other", () => {
    const high = inputOf(factsOf(), { readings: [reading("nitrate", 40, 2), reading("temperature", 25, 0.1)] });
    const { needed, litres } = planWater(high);
    // To the middle of the band in all: 200·(40 − 15)/(40 − 5).
    expect(needed?.value).toBeCloseTo(142.86, 1);
    expect(needed?.range?.low).toBeLessThan(142);
    expect(needed?.range?.high).toBeGreaterThan(143);
    // More than these animals bear at once: the first of two.
    expect(litres.value).toBe(93);
    expect(planWater(inputOf(factsOf())).needed).toBeNull();
  });
});
