import { describe, expect, test } from "vitest";
import { isOpen, openDays, windowOn } from "./index.ts";

const MONDAY = "2026-11-30";
const week = { 1: { from: 480, to: 1020 }, 3: { from: 480, to: 720 } };
const date = (fromOn: string, untilOn: string | null, opensH: number | null = null, closesH: number | null = null) => ({
  ...{ fromOn, untilOn, opensH, closesH },
  why: "",
});

describe("the hours of a site", () => {
  test("are those of its week, on any day where it names none", () => {
    expect(windowOn(openDays(week, [], []), MONDAY)).toEqual({ from: 480, to: 1020 });
    expect(isOpen(openDays(week, [], []), "2026-12-01")).toBe(false);
    expect(isOpen(openDays({}, [], []), "2026-12-01")).toBe(true);
    expect(windowOn(openDays({}, [], []), "2026-12-01")).toBeNull();
  });
  test("on a date are that date's: closed, or others, also on a day that is closed as a rule", () => {
    const days = openDays(week, [date(MONDAY, "2026-12-01"), date("2026-12-03", null, 9, 10.5)], []);
    expect([MONDAY, "2026-12-01", "2026-12-02"].map((on) => isOpen(days, on))).toEqual([false, false, true]);
    expect(windowOn(days, "2026-12-03")).toEqual({ from: 540, to: 630 });
    // A site that is open at any time is closed on that date alone.
    const always = openDays({}, [date(MONDAY, null)], []);
    expect([MONDAY, "2026-12-01"].map((on) => isOpen(always, on))).toEqual([false, true]);
  });
  test("what a site says of a date counts before a holiday", () => {
    expect(isOpen(openDays(week, [], [MONDAY]), MONDAY)).toBe(false);
    expect(windowOn(openDays(week, [date(MONDAY, null, 8, 9)], [MONDAY]), MONDAY)).toEqual({ from: 480, to: 540 });
  });
  test("that somebody else has are taken out of them, on that weekday alone", () => {
    const busy = [{ weekday: "1", fromH: 10, toH: 12, who: "cleaners" }];
    expect(windowOn(openDays(week, [], [], busy), MONDAY)).toEqual({
      from: 480,
      to: 1020,
      taken: [{ from: 600, to: 720 }],
    });
    expect(windowOn(openDays(week, [], [], busy), "2026-12-02")).toEqual({ from: 480, to: 720 });
    // Open at any time: still on every other day.
    const always = openDays({}, [], [], busy);
    expect(windowOn(always, MONDAY)).toEqual({ from: 0, to: 1440, taken: [{ from: 600, to: 720 }] });
    expect(isOpen(always, "2026-12-01")).toBe(true);
  });
});
