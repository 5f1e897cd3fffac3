import { describe, expect, test } from "vitest";
import { forecastOf } from "../change/index.ts";
import { factsOf, inputOf, reading } from "../given/sample.fixture.ts";
import { said } from "./said.fixture.ts";

const climbing = {
  nitrate: { enough: true, perDay: 2, perDaySigma: 0.1, now: 34, nowSigma: 1, readings: 8 },
} as const;

describe("where a figure is going", () => {
  test("with the change as planned, and on to the next visit", () => {
    const input = inputOf(factsOf("community"), { rates: climbing, readings: [reading("nitrate", 36, 1)] });
    const { water } = said(input);
    const [nitrate, ...others] = forecastOf(input, water);
    expect(others).toEqual([]);
    const expected = water.after.find((e) => e.parameter === "nitrate")?.after;
    expect(nitrate?.before).toEqual({ value: 36, sigma: 1 });
    expect(nitrate?.after?.value).toBe(expected?.value);
    // Seven days at 2 a day, no doser and no machine.
    expect(nitrate?.next.value).toBeCloseTo((expected?.value ?? Number.NaN) + 14, 9);
    expect(nitrate?.next.sigma).toBeCloseTo(Math.hypot(nitrate?.after?.sigma ?? Number.NaN, 0.7), 9);
    expect(nitrate?.nextOn).toBe(input.nextVisitOn);
    expect(nitrate?.own).toBeNull();
  });
  test("without a change it goes on from what it is", () => {
    const input = inputOf(factsOf("community"), { rates: climbing });
    const [nitrate] = forecastOf(input, { after: [], litres: { ...said(input).water.litres, value: 0 } });
    expect(nitrate).toMatchObject({ before: { value: 34 }, after: null, next: { value: 48 } });
  });
  test("a doser goes on dosing: what the tank uses is told beside it", () => {
    const facts = factsOf("stony-coral", { dosedDkhPerDay: 1.5 });
    const rates = {
      alkalinity: {
        enough: true,
        perDay: -0.2,
        ownPerDay: -1.7,
        perDaySigma: 0.02,
        now: 8,
        nowSigma: 0.1,
        readings: 9,
      },
    } as const;
    const input = inputOf(facts, { rates });
    const [alkalinity] = forecastOf(input, { after: [], litres: { ...said(input).water.litres, value: 0 } });
    expect(alkalinity?.own).toEqual({ perDay: -1.7, dosedPerDay: 1.5, machine: false });
    expect(alkalinity?.next.value).toBeCloseTo(8 - 0.2 * 7, 9);
  });
  test("nothing is foretold of what was not fitted", () =>
    expect(
      forecastOf(inputOf(factsOf("community"), { rates: { nitrate: { enough: false, reason: "few-readings" } } }), {
        after: [],
        litres: said(inputOf(factsOf("community"))).water.litres,
      }),
    ).toEqual([]));
});
