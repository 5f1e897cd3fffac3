import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { addDays, daysBetween, weekday } from "../calendar/index.ts";
import {
  closedDays,
  countsFrom,
  evenPair,
  firstOpen,
  isOpen,
  LAST,
  landOn,
  type Nth,
  type Recurrence,
  type Rhythm,
  relay,
  rhythmOf,
  ruleOf,
  type Spell,
  sayRecurrence,
  sayRhythm,
  seriesDates,
} from "./index.ts";
import { RecurrenceSchema } from "./schema.ts";

const weeks = (every: number, ...weekdays: number[]): Rhythm => ({ kind: "weeks", every, weekdays });
const plain = (rhythm: Rhythm, startOn: string, more: Partial<Recurrence> = {}): Recurrence => ({
  rhythm,
  startOn,
  fromOn: null,
  untilOn: null,
  spells: [],
  ...more,
});
const spell = (fromOn: string, untilOn: string, rhythm: Rhythm | null, more: Partial<Spell> = {}): Spell => ({
  fromOn,
  untilOn,
  rhythm,
  yearly: false,
  why: "",
  ...more,
});

/** By hand, on a calendar of 2026 and 2027: 1 December 2026 is a Tuesday. */
const spoken: readonly [Rhythm, string, readonly string[]][] = [
  [weeks(1, 2), "every Tuesday", ["2026-12-01", "2026-12-08", "2026-12-15"]],
  [weeks(1, 4, 1), "every Monday and Thursday", ["2026-12-03", "2026-12-07", "2026-12-10"]],
  [weeks(2, 2), "every second Tuesday", ["2026-12-01", "2026-12-15", "2026-12-29"]],
  [weeks(2, 2, 5), "every second week on Tuesday and Friday", ["2026-12-01", "2026-12-04", "2026-12-15"]],
  [weeks(6, 2), "every 6 weeks on Tuesday", ["2026-12-01", "2027-01-12", "2027-02-23"]],
  [{ kind: "days", every: 2 }, "every other day", ["2026-12-01", "2026-12-03", "2026-12-05"]],
  [{ kind: "days", every: 10 }, "every 10 days", ["2026-12-01", "2026-12-11", "2026-12-21"]],
  [
    { kind: "month-weekday", nth: 2, weekday: 2 },
    "the second Tuesday of the month",
    ["2026-12-08", "2027-01-12", "2027-02-09"],
  ],
  [
    { kind: "month-weekday", nth: LAST, weekday: 5 },
    "the last Friday of the month",
    ["2026-12-25", "2027-01-29", "2027-02-26"],
  ],
  [{ kind: "month-day", day: LAST }, "the last day of the month", ["2026-12-31", "2027-01-31", "2027-02-28"]],
  [{ kind: "month-day", day: 22 }, "the 22nd of the month", ["2026-12-22", "2027-01-22", "2027-02-22"]],
  [
    { kind: "month-day", day: 30 },
    "the 30th of the month, or its last day",
    ["2026-12-30", "2027-01-30", "2027-02-28"],
  ],
];

describe("a rhythm", () => {
  for (const [rhythm, words, days] of spoken)
    test(`${words} is said so, falls on its days, and comes back out of its rule`, () => {
      expect(sayRhythm(rhythm)).toBe(words);
      expect(seriesDates(plain(rhythm, "2026-12-01"), "2026-12-01", "2027-03-01").slice(0, 3)).toEqual(days);
      const back = rhythmOf(ruleOf(rhythm));
      expect(back && ruleOf(back)).toBe(ruleOf(rhythm));
      expect(back && sayRhythm(back)).toBe(words);
    });

  test("a rule that somebody else wrote is none of ours", () => {
    for (const rule of ["", "FREQ=YEARLY", "FREQ=WEEKLY;BYDAY=XX", "FREQ=WEEKLY;COUNT=3;BYDAY=MO", "FREQ=MONTHLY"])
      expect(rhythmOf(rule)).toBeNull();
  });

  test("twice a week is three and four days apart, whatever the first day", () => {
    for (let day = 1; day <= 7; day++) {
      const days = seriesDates(plain(weeks(1, ...evenPair(day)), "2026-11-02"), "2026-11-02", "2026-12-27");
      const gaps = days.slice(1).map((d, i) => daysBetween(days[i] ?? d, d));
      expect([...new Set(gaps)].sort()).toEqual([3, 4]);
    }
  });
});

describe("a series", () => {
  test("weekly for two months, then back in the old step", () => {
    // Fortnightly from 1 December: 1, 15, 29 December, 12, 26 January, 9 February.
    const of = plain(weeks(2, 2), "2026-12-01", { spells: [spell("2026-12-10", "2027-01-20", weeks(1, 2))] });
    expect(seriesDates(of, "2026-12-01", "2027-02-10")).toEqual([
      "2026-12-01",
      "2026-12-15",
      "2026-12-22",
      "2026-12-29",
      "2027-01-05",
      "2027-01-12",
      "2027-01-19",
      "2027-01-26",
      "2027-02-09",
    ]);
  });

  test("a pause leaves its days out, both ends included, and shifts nothing", () => {
    const of = plain(weeks(1, 2), "2026-12-01", { spells: [spell("2026-12-15", "2026-12-29", null)] });
    expect(seriesDates(of, "2026-12-01", "2027-01-12")).toEqual([
      "2026-12-01",
      "2026-12-08",
      "2027-01-05",
      "2027-01-12",
    ]);
  });

  test("a pause within a time of its own counts more where it was said later", () => {
    const often = spell("2026-12-01", "2026-12-31", { kind: "days", every: 2 });
    const away = spell("2026-12-05", "2026-12-27", null);
    const of = plain(weeks(1, 2), "2026-12-01", { spells: [often, away] });
    expect(seriesDates(of, "2026-12-01", "2026-12-31")).toEqual([
      "2026-12-01",
      "2026-12-03",
      "2026-12-29",
      "2026-12-31",
    ]);
  });

  test("weekly from May to September and fortnightly otherwise, every year", () => {
    const summer = spell("2026-05-01", "2026-09-30", weeks(1, 2), { yearly: true });
    const of = plain(weeks(2, 2), "2026-01-06", { spells: [summer] });
    const inMonth = (month: string) => seriesDates(of, `${month}-01`, `${month}-28`).map((d) => Number(d.slice(8)));
    expect(inMonth("2027-04")).toEqual([13, 27]);
    expect(inMonth("2027-06")).toEqual([1, 8, 15, 22]);
    expect(inMonth("2029-06")).toEqual([5, 12, 19, 26]);
    expect(inMonth("2029-11").length).toBe(2);
  });

  test("a winter that goes over the new year is there on both sides of it", () => {
    const winter = spell("2026-12-20", "2027-01-06", null, { yearly: true });
    const of = plain(weeks(1, 2), "2026-01-06", { spells: [winter] });
    expect(seriesDates(of, "2028-12-10", "2029-01-10")).toEqual(["2028-12-12", "2028-12-19", "2029-01-09"]);
    expect(seriesDates(of, "2029-01-01", "2029-01-10")).toEqual(["2029-01-09"]);
  });

  test("a 29 February of a season is the 28th in a year without one", () => {
    const of = plain({ kind: "days", every: 1 }, "2028-01-01", {
      spells: [spell("2028-02-29", "2028-03-02", null, { yearly: true })],
    });
    expect(seriesDates(of, "2029-02-26", "2029-03-04")).toEqual([
      "2029-02-26",
      "2029-02-27",
      "2029-03-03",
      "2029-03-04",
    ]);
  });

  test("that begins on a Sunday does not leave its first Monday out", () => {
    expect(countsFrom(weeks(2, 1), "2026-11-29")).toBe("2026-11-30");
    expect(countsFrom(weeks(2, 7, 1), "2026-11-29")).toBe("2026-11-29");
    expect(countsFrom({ kind: "days", every: 3 }, "2026-11-29")).toBe("2026-11-29");
    const often = spell("2026-11-29", "2026-12-31", weeks(2, 1));
    expect(seriesDates(plain(weeks(4, 1), "2026-11-30", { spells: [often] }), "2026-11-29", "2026-12-31")).toEqual([
      "2026-11-30",
      "2026-12-14",
      "2026-12-28",
    ]);
  });

  test("that goes on from another counts from where that one did", () => {
    const of = plain(weeks(2, 2), "2026-12-01", { fromOn: "2026-12-20" });
    expect(seriesDates(of, "2026-01-01", "2027-01-31")).toEqual(["2026-12-29", "2027-01-12", "2027-01-26"]);
  });

  test("falls on no day before it begins or after it ends", () => {
    const of = plain(weeks(1, 2), "2026-12-08", { untilOn: "2026-12-22" });
    expect(seriesDates(of, "2026-01-01", "2027-12-31")).toEqual(["2026-12-08", "2026-12-15", "2026-12-22"]);
    expect(seriesDates(of, "2027-01-01", "2027-12-31")).toEqual([]);
    expect(seriesDates(of, "2026-12-23", "2026-12-01")).toEqual([]);
  });

  const rhythm = fc.oneof(
    fc.record({
      kind: fc.constant("weeks" as const),
      every: fc.integer({ min: 1, max: 12 }),
      weekdays: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1 }),
    }),
    fc.record({ kind: fc.constant("days" as const), every: fc.integer({ min: 1, max: 60 }) }),
    fc.record({
      kind: fc.constant("month-weekday" as const),
      nth: fc.constantFrom<Nth[]>(1, 2, 3, 4, LAST),
      weekday: fc.integer({ min: 1, max: 7 }),
    }),
    fc.record({
      kind: fc.constant("month-day" as const),
      day: fc.oneof(fc.integer({ min: 1, max: 31 }), fc.constant(LAST)),
    }),
  );
  const day = fc.integer({ min: 0, max: 1500 }).map((n) => addDays("2026-01-01", n));
  const series = fc
    .record({
      rhythm,
      startOn: day,
      until: fc.option(fc.integer({ min: 0, max: 900 }), { nil: null }),
      spells: fc.array(
        fc.record({
          fromOn: day,
          length: fc.integer({ min: 0, max: 300 }),
          rhythm: fc.option(rhythm, { nil: null }),
          yearly: fc.boolean(),
        }),
        { maxLength: 3 },
      ),
    })
    .map(({ until, spells, ...r }) => ({
      ...r,
      fromOn: null,
      untilOn: until === null ? null : addDays(r.startOn, until),
      spells: spells.map(({ length, ...s }) => ({ ...s, untilOn: addDays(s.fromOn, length), why: "" })),
    }));

  test("any part of its days is the same as cut out of the whole: laying out in pieces makes none twice, and misses none", () => {
    fc.assert(
      fc.property(series, day, fc.integer({ min: 0, max: 200 }), fc.integer({ min: 0, max: 200 }), (of, from, a, b) => {
        expect(RecurrenceSchema.safeParse(of).success).toBe(true);
        const [mid, to] = [addDays(from, a), addDays(from, a + b)];
        const whole = seriesDates(of, from, to);
        expect([...seriesDates(of, from, mid), ...seriesDates(of, addDays(mid, 1), to)]).toEqual(whole);
        expect(new Set(whole).size).toBe(whole.length);
        for (const on of whole) expect(on >= of.startOn && (!of.untilOn || on <= of.untilOn)).toBe(true);
      }),
      { numRuns: 400 },
    );
  });
});

describe("a site that is closed", () => {
  const office = { "1": 1, "2": 1, "3": 1, "4": 1, "5": 1 };
  test("is entered on no such day; one without hours is open always", () => {
    expect(isOpen(office, "2026-12-06")).toBe(false);
    expect(isOpen(office, "2026-12-07")).toBe(true);
    expect(isOpen({}, "2026-12-06")).toBe(true);
    // A Sunday: the office opens on Monday, a site without hours at once.
    expect(firstOpen(office, "2026-12-06")).toBe("2026-12-07");
    expect(firstOpen({}, "2026-12-06")).toBe("2026-12-06");
  });
  test("a visit that falls on one is laid on the nearest open day, later before earlier", () => {
    expect(landOn(office, "2026-12-06")).toBe("2026-12-07");
    expect(landOn(office, "2026-12-05")).toBe("2026-12-04");
    expect(landOn({ "1": 1, "5": 1 }, "2026-12-09")).toBe("2026-12-11");
    expect(landOn(office, "2026-12-08")).toBe("2026-12-08");
  });
  test("a rhythm bound to closed days is told which", () => {
    expect(closedDays(weeks(1, 5, 6, 7), office)).toEqual([6, 7]);
    expect(closedDays({ kind: "month-weekday", nth: 1, weekday: 7 }, office)).toEqual([7]);
    expect(closedDays({ kind: "days", every: 3 }, office)).toEqual([]);
    expect(closedDays(weeks(1, 7), {})).toEqual([]);
  });
});

test("a change of a series lays, takes away and brings back, and leaves what somebody decided", () => {
  const laid = (originalOn: string, more: object = {}) => ({
    id: originalOn,
    originalOn,
    onDate: originalOn,
    settled: false,
    withdrawn: false,
    ...more,
  });
  const stops = [
    laid("2026-12-01"),
    laid("2026-12-08", { settled: true, onDate: "2026-12-09" }),
    laid("2026-12-15"),
    laid("2026-12-17", { withdrawn: true }),
    laid("2026-12-24", { withdrawn: true }),
  ];
  const made = relay(stops, ["2026-12-03", "2026-12-15", "2026-12-17"]);
  expect(made.added).toEqual(["2026-12-03"]);
  expect(made.back.map((s) => s.id)).toEqual(["2026-12-17"]);
  expect(made.gone.map((s) => s.id)).toEqual(["2026-12-01"]);
  expect(made.stay.map((s) => s.id)).toEqual(["2026-12-08"]);
});

test("a series is told in sentences, with its times and why", () => {
  const of = plain(weeks(2, 2), "2026-12-08", {
    untilOn: "2027-06-29",
    spells: [
      spell("2026-01-05", "2026-02-05", weeks(1, 2)),
      spell("2026-12-21", "2027-01-03", null, { why: "school holidays" }),
      spell("2026-05-01", "2026-09-30", weeks(1, 2), { yearly: true }),
    ],
  });
  expect(weekday("2026-12-08")).toBe(2);
  expect(sayRecurrence(of, "2026-11-29")).toEqual([
    "Every second Tuesday, from Tuesday 8 December, until Tuesday 29 June 2027.",
    "No visits from Monday 21 December to Sunday 3 January 2027: school holidays.",
    "Every Tuesday from 1 May to 30 September every year.",
  ]);
});
