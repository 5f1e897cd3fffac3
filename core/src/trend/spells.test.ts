import { describe, expect, test } from "vitest";
import { say } from "../say/index.ts";
import type { Band } from "../tank/index.ts";
import { METRIC } from "../units/index.ts";
import { fallSentence, spellSentences, spellsOf } from "./index.ts";

const band: Band = {
  ...{ parameter: "temperature", actLow: 10, idealLow: 13, idealHigh: 17, actHigh: 20 },
  ...{ validDays: 21, required: true },
};
const weekly = (...values: readonly number[]) =>
  values.map((value, i) => ({ day: 7 * (i - values.length + 1), value, sigma: 0.2 }));
const told = (...values: readonly number[]) =>
  spellSentences("temperature", spellsOf(weekly(...values), band), "2026-11-30").map((m) =>
    say(m, METRIC).replaceAll("\u00a0", " "),
  );

describe("the stretches in which a figure stood beyond its band", () => {
  test("are readings of one side in a row, with the furthest of them", () => {
    expect(spellsOf(weekly(15, 18, 19.2, 18, 15, 12, 15), band)).toEqual([
      { side: "high", from: -35, to: -21, worst: 19.2, lasts: false },
      { side: "low", from: -7, to: -7, worst: 12, lasts: false },
    ]);
  });
  test("within the error of a reading it is not beyond; on the edge neither", () => {
    expect(spellsOf(weekly(17, 17.15, 12.9, 13), band)).toEqual([]);
    expect(spellsOf(weekly(17.3), band)).toHaveLength(1);
  });
  test("from high to low is two of them, and what cannot be too low never is", () => {
    expect(spellsOf(weekly(19, 11), band).map((s) => s.side)).toEqual(["high", "low"]);
    expect(spellsOf(weekly(0), { ...band, idealLow: -1 })).toEqual([]);
    expect(spellsOf([], band)).toEqual([]);
  });
  test("are told with their days: over, once, or lasting", () => {
    expect(told(15, 18, 19.2, 18, 15)).toEqual([
      "It stood too high from 9 November to 23 November, 19.2 °C at the furthest.",
    ]);
    expect(told(15, 12, 15)).toEqual(["It was too low on 23 November: 12.0 °C."]);
    expect(told(15, 18, 18.5)).toEqual(["It has stood too high since 23 November, 18.5 °C at the furthest."]);
    expect(told(19, 15, 19, 15, 19, 15)).toHaveLength(2);
  });
});

describe("a flow that fell", () => {
  const flow = (...values: readonly number[]) => {
    const message = fallSentence(
      values.map((value, i) => ({ day: 30 * (i - values.length + 1), value, sigma: 50 })),
      "2026-11-30",
    );
    return message && say(message, METRIC).replaceAll(/[\u00a0\u202f]/g, " ");
  };
  test("is held against the best that was ever read", () => {
    expect(flow(3300, 3400, 2900, 2200)).toBe("65 % of its best is left: 2 200 L/h, and 3 400 L/h on 1 October.");
  });
  test("is nobody's matter within a seventh, after a cleaning, or without readings", () => {
    expect(flow(3400, 3000)).toBeNull();
    expect(flow(2000, 3400)).toBeNull();
    expect(flow()).toBeNull();
  });
});
