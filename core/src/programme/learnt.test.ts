import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { adaptInterval, cautiousMinutes, type DirtRating, learnFrom, personFactor } from "./index.ts";

/** A filter that is just dirty enough (3 of 5) after so many days, and is rated by eye. */
function services(idealDays: number, libraryDays: number, count: number): { days: number; dirt: number }[] {
  let days = libraryDays;
  const ratings: DirtRating[] = [];
  return Array.from({ length: count }, () => {
    const dirt = Math.min(5, Math.max(1, Math.round((3 * days) / idealDays)));
    ratings.push({ intervalDays: days, dirt });
    const was = { days, dirt };
    days = adaptInterval(days, libraryDays, ratings);
    return was;
  });
}

describe("an interval on a filter whose fouling nobody knows", () => {
  test("settles within ten services, does not swing, and ends where it is just dirty enough", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.55, max: 1.9, noNaN: true }),
        fc.integer({ min: 14, max: 120 }),
        (factor, library) => {
          const all = services(factor * library, library, 20);
          const settled = all[10]?.days ?? 0;
          for (const s of all.slice(10)) expect(Math.abs(s.days / settled - 1)).toBeLessThanOrEqual(0.1);
          expect(all.at(-1)?.dirt).toBe(3);
          // One way only: it never turns back.
          const steps = all.slice(1).map((s, i) => Math.sign(s.days - (all[i]?.days ?? 0)));
          expect(steps.includes(1) && steps.includes(-1)).toBe(false);
        },
      ),
    );
  });
});

describe("an interval at its bound", () => {
  const same = (intervalDays: number, dirt: number) => Array.from({ length: 3 }, () => ({ intervalDays, dirt }));
  test("leaves it when the evidence persists, a step at a time", () => {
    // Twice the library's 30 days, clean three times: 60 · 1.25.
    expect(adaptInterval(60, 30, same(60, 1))).toBe(75);
    // Half of it, filthy three times: 15 · 0.8.
    expect(adaptInterval(15, 30, same(15, 5))).toBe(12);
  });
  test("does not leave it for two, nor for what was done early, and never goes past four times", () => {
    expect(adaptInterval(60, 30, same(60, 1).slice(1))).toBe(60);
    // 40 · 1.25 is less than the 60 it has; 90 · 0.85 more.
    expect(adaptInterval(60, 30, same(40, 1))).toBe(60);
    expect(adaptInterval(60, 30, same(90, 4))).toBe(60);
    expect(adaptInterval(118, 30, same(118, 1))).toBe(120);
    expect(adaptInterval(8, 30, same(8, 5))).toBe(8);
  });
});

describe("minutes", () => {
  test("little data is cautious: the spread shrinks as logs agree", () => {
    const of = (n: number) => learnFrom(10, Array(n).fill(10)).spread;
    expect(of(0)).toBeCloseTo(0.35, 9);
    // Three of the usual spread among fifteen: 0.35 × √(3/15).
    expect(of(12)).toBeCloseTo(0.35 * Math.sqrt(0.2), 9);
    expect(of(3)).toBeLessThan(of(1));
  });
  test("eight in ten keep to the cautious figure", () => {
    // One step of 10 minutes with a spread of a tenth: 10 + 0.8416.
    expect(cautiousMinutes([{ minutes: 10, spread: 0.1 }], 10)).toBeCloseTo(10.8416, 4);
    // Independent ones add in quadrature: 0.8416 × √2.
    expect(cautiousMinutes(Array(2).fill({ minutes: 10, spread: 0.1 }), 20)).toBeCloseTo(20 + 0.8416 * Math.SQRT2, 4);
  });
  test("a person's factor needs many visits to move", () => {
    expect(personFactor([])).toBe(1);
    // Ten visits at double: half way on a logarithmic scale, √2.
    expect(personFactor(Array(10).fill(2))).toBeCloseTo(Math.SQRT2, 9);
  });
});
