import { describe, expect, test } from "vitest";
import { addDays } from "../calendar/index.ts";
import type { PlanInput } from "../given/index.ts";
import { factsOf, inputOf, reading, TODAY } from "../given/sample.fixture.ts";
import { type Message, say } from "../say/index.ts";
import { sentence } from "../text/index.ts";
import { METRIC } from "../units/index.ts";
import { attentionAdvice, attentionOf, attentionSentence } from "./index.ts";

const band = (change: object = {}) => ({
  ...{ parameter: "nitrate" as const, idealLow: 0, idealHigh: 20, actLow: Number.NEGATIVE_INFINITY, actHigh: 50 },
  ...{ validDays: 30, required: false },
  ...change,
});
const facts = (change: object = {}) => factsOf("community", { bands: [band(change)] });
const days = (back: number) => addDays(TODAY, -back);
/** A fit of nitrate: 14 now, 1 a day, without its own uncertainty unless told. */
const rate = (change: object = {}) => ({
  nitrate: { enough: true as const, perDay: 1, perDaySigma: 0, now: 14, nowSigma: 0, readings: 9, ...change },
});
const tank = (change: Partial<PlanInput>): PlanInput => ({
  ...inputOf(facts(), { readings: [reading("nitrate", 14)], tasks: [], findings: [] }),
  ...change,
});
const NEXT = addDays(TODAY, 7);
const codes = (input: PlanInput) => attentionOf(input, NEXT).map((i) => i.code);
const when = { on: TODAY, nextVisitOn: NEXT };
/** As it is read: a space that must not break is a space. */
const text = (message: Message) => say(message, METRIC).replaceAll("\u00a0", " ");
const told = (input: PlanInput) => attentionOf(input, NEXT).map((i) => text(attentionSentence(i, when)));

describe("an edge that is reached before somebody comes", () => {
  test("6 mg/L at one a day are six days: told, with the visit and its slack of nine", () => {
    const [item] = attentionOf(tank({ rates: rate() }), NEXT);
    expect(item).toMatchObject({
      code: "crosses",
      edge: "ideal",
      limit: 20,
      inDays: 6,
      earliestDays: 6,
      latestDays: 6,
    });
    expect(told(tank({ rates: rate() }))).toEqual([
      "Nitrate reaches 20.0 mg/L, the end of its ideal range, about 1 December: between 1 December and 1 December.",
    ]);
  });
  test("in ten days, after the visit and its slack, it is nobody's business yet", () => {
    expect(codes(tank({ rates: rate({ now: 10 }) }))).toEqual([]);
  });
  test("its range is by both uncertainties at their worst: (6 - 1.96) / 1.49 to (6 + 1.96) / 0.51 days", () => {
    const [item] = attentionOf(tank({ rates: rate({ nowSigma: 1, perDaySigma: 0.25 }) }), NEXT);
    expect(item).toMatchObject({ code: "crosses", inDays: 6 });
    if (item?.code !== "crosses") throw new Error("no crossing");
    expect(item.earliestDays).toBeCloseTo(4.04 / 1.49, 2);
    expect(item.latestDays).toBeCloseTo(7.96 / 0.51, 1);
  });
  test("where it may as well stand still there is no last day", () => {
    const [item] = attentionOf(tank({ rates: rate({ perDaySigma: 0.6 }) }), NEXT);
    expect(item).toMatchObject({ latestDays: null });
    expect(text(attentionSentence(item as never, when))).toMatch(/, not before \d+\s\w+\.$/);
  });
  test("of two edges before the visit the worse one is told; with a visit today only what is reached now", () => {
    const fast = tank({ rates: rate({ perDay: 6 }) });
    expect(attentionOf(fast, NEXT)).toMatchObject([{ code: "crosses", edge: "act", limit: 50, inDays: 6 }]);
    expect(attentionOf(fast, TODAY)).toMatchObject([{ code: "crosses", edge: "ideal", limit: 20, inDays: 1 }]);
    expect(attentionOf(tank({ rates: rate() }), TODAY)).toEqual([]);
  });
  test("without a visit that is planned the tank's rhythm counts", () => {
    const on = addDays(TODAY, 3);
    expect(attentionOf(tank({ rates: rate(), nextVisitOn: on }), null)).toEqual([]);
    expect(attentionOf(tank({ rates: rate(), nextVisitOn: addDays(TODAY, 4) }), null)).toHaveLength(1);
  });
  test("past the ideal the limit is next, and stands once: the condition says the same", () => {
    const input = tank({ rates: rate({ now: 46 }), readings: [reading("nitrate", 46)] });
    const items = attentionOf(input, NEXT);
    expect(items[0]).toMatchObject({ code: "crosses", edge: "act", limit: 50, inDays: 4 });
    expect(items.filter((i) => i.code === "condition").map((i) => i.reason.code)).toEqual(["outside-ideal"]);
    expect(text(attentionAdvice(items[0] as never, when))).toBe(
      "Nobody is there before 2 December: come earlier, or have the owner test it.",
    );
    expect(text(attentionAdvice(items[0] as never, { ...when, nextVisitOn: null }))).toBe(
      "No visit is planned: plan one.",
    );
  });
  test("what is used up is watched at its lower edge; below nothing there is none", () => {
    const falling = (idealLow: number) =>
      tank({
        facts: facts({ idealLow, actLow: Number.NEGATIVE_INFINITY }),
        rates: rate({ perDay: -1 }),
      });
    expect(attentionOf(falling(8), NEXT)[0]).toMatchObject({ code: "crosses", limit: 8, inDays: 6 });
    expect(codes(falling(-1))).toEqual([]);
  });
  test("a rate of nothing reaches nothing", () => {
    expect(codes(tank({ rates: rate({ perDay: 0 }) }))).toEqual([]);
  });
});

describe("readings that cannot be right", () => {
  const outliers = (day: number, value: number) => rate({ now: 5, perDay: 0.01, outliers: [{ day, value }] });
  test("the newest one that fits nothing is to be tested again", () => {
    const readings = [reading("nitrate", 5, 0.5, days(14)), reading("nitrate", 18, 0.5, days(3))];
    const input = tank({ readings, rates: outliers(-3.2, 18) });
    expect(codes(input)).toEqual(["outlier"]);
    expect(told(input)).toEqual(["Nitrate of 18.0 mg/L on 22 November does not fit the readings before."]);
  });
  test("an older one was settled by what was read since", () => {
    const readings = [reading("nitrate", 18, 0.5, days(14)), reading("nitrate", 5, 0.5, days(3))];
    expect(codes(tank({ readings, rates: outliers(-14, 18) }))).toEqual([]);
  });
  test("two of one day further apart than three deviations of their difference are told; nearer they are kits", () => {
    const two = (high: number) =>
      tank({ rates: {}, readings: [reading("nitrate", 5, 0.5, days(3)), reading("nitrate", high, 0.5, days(3))] });
    // 3 · √(0.5² + 0.5²) = 2.12
    expect(codes(two(7.1))).toEqual([]);
    expect(codes(two(7.2))).toEqual(["disagree"]);
    expect(told(two(7.2))).toEqual([
      "Nitrate was read twice on 22 November, as 5.0 mg/L and as 7.2 mg/L: one of them is wrong.",
    ]);
  });
  test("before and after the new water are two waters; a later pair that agrees settles an earlier one", () => {
    const after = { ...reading("nitrate", 3, 0.5, days(3)), after: true as const };
    expect(codes(tank({ rates: {}, readings: [reading("nitrate", 12, 0.5, days(3)), after] }))).toEqual([]);
    const readings = [
      ...[reading("nitrate", 5, 0.5, days(9)), reading("nitrate", 12, 0.5, days(9))],
      ...[reading("nitrate", 6, 0.5, days(2)), reading("nitrate", 6.5, 0.5, days(2))],
    ];
    expect(codes(tank({ rates: {}, readings }))).toEqual([]);
  });
  test("what did not agree a long time ago is over", () => {
    const readings = [61, 61].map((back, i) => reading("nitrate", 5 + 9 * i, 0.5, days(back)));
    expect(codes(tank({ rates: {}, readings, facts: facts({ validDays: 90 }) }))).toEqual([]);
  });
});

test("a name keeps its letters where a sentence begins with it", () => {
  expect(sentence("pH 6.2, ideal from 6.6")).toBe("pH 6.2, ideal from 6.6.");
  expect(sentence("nitrate 60")).toBe("Nitrate 60.");
});

test("alkalinity and calcium that cannot both be right are told, with the doubted one's test", () => {
  const fit = (perDay: number, perDaySigma: number) => ({ ...rate().nitrate, perDay, perDaySigma, now: 8 });
  const rates = { alkalinity: fit(-0.5, 0.02), calcium: fit(-10, 1) };
  const reef = tank({ rates, facts: factsOf("stony-coral", { bands: [] }) });
  expect(attentionOf(reef, NEXT)).toMatchObject([{ code: "together", parameter: "calcium", doubt: "calcium" }]);
  expect(told(reef)[0]).toMatch(/Test calcium again, with another kit\.$/);
  // Fresh water builds no skeletons.
  expect(codes(tank({ rates, facts: factsOf("community", { bands: [] }) }))).toEqual([]);
});

describe("the rest of a tank's condition", () => {
  test("off course stands first, what is due at the visit last; each says what to do", () => {
    const input = tank({
      facts: factsOf("community", {
        bands: [band(), band({ parameter: "phosphate", idealHigh: 1, actHigh: 2, required: true })],
      }),
      readings: [reading("nitrate", 60)],
      rates: {},
      findings: [],
    });
    const items = attentionOf(input, NEXT);
    expect(items.map((i) => (i.code === "condition" ? i.reason.code : i.code))).toEqual(["beyond-act", "no-reading"]);
    expect(items.map((i) => i.withinDays)).toEqual([0, 7]);
    expect(told(input)).toEqual(["nitrate 60.0 mg/L, above its limit of 50.0", "no phosphate reading yet"]);
    expect(items.map((i) => text(attentionAdvice(i, when)))).toEqual([
      "Open its plan: it says how to put this right.",
      "Test it at the next visit.",
    ]);
  });
  test("where the programme has a job that measures it, that is named", () => {
    const input = inputOf(facts(), { readings: [reading("nitrate", 60)] });
    expect(attentionOf({ ...input, rates: {} }, NEXT).find((i) => i.code === "condition")).toMatchObject({
      test: expect.stringMatching(/nitrate/),
    });
  });
  test("a steady tank needs nothing", () => {
    expect(attentionOf(tank({ rates: {} }), NEXT)).toEqual([]);
  });
});
