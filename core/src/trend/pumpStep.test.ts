import { describe, expect, test } from "vitest";
import { broughtBy, containerLasts, type DoseProduct } from "../mixing/index.ts";
import { say } from "../say/index.ts";
import { METRIC } from "../units/index.ts";
import { pumpSentences, pumpStep } from "./index.ts";

/** 500 L of which a millilitre raises 100 L by one: 0.2 mg/L a millilitre; known to a twentieth either way. */
const ask = (usedMgL: number, change: object = {}) =>
  pumpStep({
    ...{ perDay: { value: -usedMgL, low: -usedMgL - 0.05, high: -usedMgL + 0.05 }, perMl: 0.2, setMlPerDay: 10 },
    ...{ setDaysAgo: null, readSince: 9, fromOn: "2026-11-30" },
    ...change,
  });
const told = (step: ReturnType<typeof ask>, brings: Parameters<typeof pumpSentences>[2] = null) =>
  pumpSentences("Magnesium pump", step, brings).map((m) => say(m, METRIC).replaceAll("\u00a0", " "));

describe("a dosing pump follows what the tank uses", () => {
  test("by a tenth at a time: 2.6 mg/L used are 13 mL, 10 are given, 11 come next", () => {
    expect(ask(2.6)).toMatchObject({ ok: true, now: 10, used: expect.closeTo(13, 9), setTo: expect.closeTo(11, 9) });
    expect(ask(1)).toMatchObject({ ok: true, setTo: expect.closeTo(9, 9) });
  });
  test("stays where the difference is within what is known, and within a week of the last step", () => {
    expect(ask(2.02)).toMatchObject({ ok: false, reason: "right", now: 10 });
    expect(ask(2.6, { setDaysAgo: 3 })).toMatchObject({ ok: false, reason: "measure-first" });
    expect(ask(2.6, { setDaysAgo: 12, readSince: 0 })).toMatchObject({ ok: false, reason: "measure-first" });
  });
  test("its container lasts by the new setting: 330 mL at 11 a day are 30 days", () => {
    expect(ask(2.6, { usableMl: 330 })).toMatchObject({ lastsDays: 30 });
    expect(ask(2.02, { usableMl: 0 })).toMatchObject({ lastsDays: 0 });
    expect(containerLasts({ leftMl: 480, mlPerDay: 12, sinceDays: 7 })).toBe(33);
    expect(containerLasts({ leftMl: 10, mlPerDay: 12, sinceDays: 7 })).toBe(-7);
    expect(containerLasts({ leftMl: 480, mlPerDay: 0, sinceDays: 7 })).toBeNull();
  });
  test("says what to turn it to, how long it lasts and what comes along", () => {
    expect(told(ask(2.6, { usableMl: 330 }), { Mg: 2.2, Cl: 12 })).toEqual([
      "Magnesium pump is set to 10.0 mL a day and the tank uses 13.0: turn it up to 11.0 mL, a tenth at most, and measure again in a week.",
      "Its container lasts 30 days more.",
      "It brings 2.2 mg/L of magnesium and 12 mg/L of chloride a day.",
    ]);
    expect(told(ask(2.02))).toEqual(["Magnesium pump gives what the tank uses: leave it at 10.0 mL a day."]);
  });
});

describe("what a dose brings along", () => {
  const product = (reagent: DoseProduct["reagent"], raises: DoseProduct["raises"]): DoseProduct => ({
    ...{ id: "", name: "", raises, reagent, purity: 1, strengthLPerMl: null, mostADay: null, ownerGives: false },
  });
  test("follows from molar masses: 24.305 mg/L of magnesium from its chloride bring 70.9 of chloride", () => {
    expect(broughtBy(product("magnesium chloride hexahydrate", "magnesium"), 24.305)).toMatchObject({
      Mg: expect.closeTo(24.305, 6),
      Cl: expect.closeTo(70.9, 6),
    });
    // 1 dKH is 0.357 meq/L: as much sodium by its 22.99 mg.
    expect(broughtBy(product("sodium bicarbonate", "alkalinity"), 1)?.Na).toBeCloseTo(8.2, 1);
  });
  test("is not known of what nobody named, and nothing without a rise", () => {
    expect(broughtBy(product(null, "alkalinity"), 1)).toBeNull();
    expect(broughtBy(product("sodium bicarbonate", "alkalinity"), 0)).toBeNull();
  });
});
