import { describe, expect, test } from "vitest";
import { say } from "../say/index.ts";
import { METRIC } from "../units/index.ts";
import { doserSentence, doserStep } from "./index.ts";

/** A tank that uses so much a day, known to a tenth of a dKH either way. */
const ask = (used: number, change: object = {}) =>
  doserStep({
    ...{ perDay: { value: -used, low: -used - 0.1, high: -used + 0.1 }, dosedDkhPerDay: 1 },
    ...{ setDaysAgo: null, readSince: 9, fromOn: "2026-11-30" },
    ...change,
  });

describe("a doser is turned towards what the tank uses", () => {
  test("by a tenth at most", () => {
    expect(ask(1.5)).toMatchObject({ ok: true, setTo: 1.1, now: 1, used: 1.5 });
    expect(ask(0.4)).toMatchObject({ ok: true, setTo: 0.9 });
    expect(ask(1.08)).toMatchObject({ ok: false, reason: "right" });
  });
  test("all the way where that is less than a tenth and known", () => {
    const sure = { perDay: { value: -1.06, low: -1.07, high: -1.05 } };
    expect(ask(0, sure)).toMatchObject({ ok: true, setTo: 1.06 });
  });
  test("what it leaves is 0.0204 ppt of salt a dKH", () => {
    const step = ask(1.5);
    expect(step.ok && step.leavesPptPerDay).toBeCloseTo(1.1 * 0.0204, 4);
  });
  test("not within a week of the last step, and not before it was read again", () => {
    expect(ask(1.5, { setDaysAgo: 6, fromOn: "2026-12-01" })).toMatchObject({ ok: false, reason: "measure-first" });
    expect(ask(1.5, { setDaysAgo: 9, readSince: 0 })).toMatchObject({ ok: false, reason: "measure-first" });
    expect(ask(1.5, { setDaysAgo: 7, readSince: 1 })).toMatchObject({ ok: true });
  });
  test("a tank that uses none is given a tenth less each time", () => {
    expect(ask(0, { perDay: { value: 0.2, low: 0.1, high: 0.3 } })).toMatchObject({ ok: true, setTo: 0.9 });
  });
  test("it is said with what is used, what is given and what it leaves behind", () => {
    const told = (step: Parameters<typeof doserSentence>[0]) =>
      say(doserSentence(step), METRIC).replaceAll("\u00a0", " ");
    expect(told(ask(1.5))).toBe(
      "The tank uses 1.50 dKH a day and the doser gives 1 dKH: turn it up to 1.10 dKH, a tenth at most, and measure again in a week. It leaves 0.022 ppt of salt a day.",
    );
    expect(told(ask(1.5, { setDaysAgo: 2, fromOn: "2026-12-05" }))).toBe(
      "The setting of the doser is new: measure from 5 December on before you change it again.",
    );
    expect(told(ask(1.02))).toMatch(
      /^The doser gives 1 dKH a day, and the tank uses the same, within the error of its tests\./,
    );
  });
});
