import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { addDays } from "../calendar/index.ts";
import { CADENCE_EVENTS, CADENCE_GEAR, CADENCE_UNITS, type Cadence } from "./cadence.ts";
import { dueOn, parseCadence, sayCadence, type TankTask, taskLibrary } from "./index.ts";

const read = (text: string) => parseCadence(text);
const task = (lastDoneOn: string, cadence: Cadence, everyDays: number): TankTask => ({
  code: "photo",
  cadence,
  everyDays,
  giveDays: 0,
  lastDoneOn,
  slips: 0,
  lastSector: 0,
});

describe("a cadence in plain words", () => {
  test.each([
    ["every 3 weeks, give or take 4 days", { by: "time", every: 3, unit: "week" }, 4],
    ["Fortnightly", { by: "time", every: 2, unit: "week" }, null],
    ["every month, give or take 1 week", { by: "time", every: 1, unit: "month" }, 7],
    ["every 2 years on the grid", { by: "time", every: 2, unit: "year", grid: true }, null],
    ["after 8000 hours of the UV lamp", { by: "hours", hours: 8000, of: "uv" }, null],
    ["2, 7 and 14 days after stocking", { by: "event", after: "stocking", onDays: [2, 7, 14] }, null],
    ["1 day after a treatment", { by: "event", after: "treatment", onDays: [1] }, null],
    ["when the flow is down 30 %", { by: "sign", sign: { of: "flow", lostShare: 0.3 }, atLatestDays: null }, null],
    [
      "when TDS is above 10, at the latest every 6 months, give or take 30 days",
      { by: "sign", sign: { of: "tds", aboveMgL: 10 }, atLatestDays: 183 },
      30,
    ],
    [
      "when prefilter is rated 4",
      { by: "sign", sign: { of: "dirt", job: "prefilter", atLeast: 4 }, atLatestDays: null },
      null,
    ],
    [
      "when phosphate is out of band",
      { by: "sign", sign: { of: "band", parameter: "phosphate" }, atLatestDays: null },
      null,
    ],
    [
      "every 2 weeks from 1 October to 31 March",
      { by: "season", from: "10-01", to: "03-31", every: 2, unit: "week" },
      null,
    ],
  ])("%s", (text, cadence, giveDays) =>
    expect(read(text)).toEqual({ ok: true, cadence, window: giveDays === null ? null : { giveDays } }),
  );

  test.each([
    ["every 3 weeks, up to 2 days early or 6 late", { earlyDays: 2, giveDays: 6 }],
    ["every 3 weeks, up to 1 week early or 3 days late", { earlyDays: 7, giveDays: 3 }],
    ["every 3 weeks, never early, up to 6 days late", { earlyDays: 0, giveDays: 6 }],
    ["every 3 weeks, up to 2 days early, never late", { earlyDays: 2, giveDays: 0 }],
    ["every 3 weeks, up to 4 days early or 4 late", { giveDays: 4 }],
    [
      "when the flow is down 30 %, at the latest every 3 weeks, never early, up to 1 day late",
      { earlyDays: 0, giveDays: 1 },
    ],
  ])("a window with two sides: %s", (text, window) => {
    const got = read(text);
    expect(got).toMatchObject({ ok: true, window });
    if (got.ok) expect(parseCadence(sayCadence(got.cadence, got.window ?? undefined))).toEqual(got);
  });

  test.each([
    ["every 0 weeks", /no cadence/],
    ["every 1.5 weeks", /whole number/],
    ["every 20 years", /ten years/],
    ["every 2 weeks, give or take 14 days", /as wide as its cadence/],
    ["every 2 weeks, up to 14 days early or 2 late", /as wide as its cadence/],
    ["every 2 weeks, up to 2 days early", /Say it like/],
    ["after 100 hours of the moon", /Hours are counted of/],
    ["3 days after breakfast", /It can follow/],
    ["every 2 weeks from 31 June to 1 July", /like 1 June/],
    ["when cheese is out of band", /nothing that is measured/],
    ["when the flow is down 100 %", /between 1 and 99/],
    ["now and then", /Say it like/],
  ])("%s is refused with what would do", (text, why) => {
    const answer = read(text);
    expect(answer.ok ? "" : answer.problem).toMatch(why);
  });

  test("what is said is read back as it was, for any cadence", () => {
    const days = fc.uniqueArray(fc.integer({ min: 0, max: 60 }), { minLength: 1, maxLength: 4 });
    const any = fc.oneof(
      fc.record({
        by: fc.constant("time" as const),
        every: fc.integer({ min: 1, max: 9 }),
        unit: fc.constantFrom(...CADENCE_UNITS),
      }),
      fc.record({
        by: fc.constant("hours" as const),
        hours: fc.integer({ min: 1, max: 50_000 }),
        of: fc.constantFrom(...CADENCE_GEAR),
      }),
      fc.record({
        by: fc.constant("event" as const),
        after: fc.constantFrom(...CADENCE_EVENTS),
        onDays: days.map((d) => [...d].sort((a, b) => a - b)),
      }),
      fc.record({
        by: fc.constant("sign" as const),
        sign: fc.record({
          of: fc.constant("flow" as const),
          lostShare: fc.integer({ min: 1, max: 99 }).map((n) => n / 100),
        }),
        atLatestDays: fc.option(fc.integer({ min: 1, max: 400 })),
      }),
    );
    fc.assert(
      fc.property(any, (cadence) => {
        expect(read(sayCadence(cadence))).toMatchObject({ ok: true, cadence });
      }),
    );
  });
});

describe("due by the calendar", () => {
  test("a month that lacks the day takes its last one", () =>
    expect(dueOn(task("2027-01-31", { by: "time", every: 1, unit: "month" }, 30))).toBe("2027-02-28"));
  test("a year from the 29th of February is the 28th", () =>
    expect(dueOn(task("2028-02-29", { by: "time", every: 1, unit: "year" }, 365))).toBe("2029-02-28"));
  test("weeks run over the clocks' change and a year of 53 weeks", () => {
    expect(dueOn(task("2026-10-22", { by: "time", every: 1, unit: "week" }, 7))).toBe("2026-10-29");
    // 2026 has 53 weeks by ISO 8601: from Thursday of the first to Thursday of the 53rd.
    expect(dueOn(task("2026-01-01", { by: "time", every: 52, unit: "week" }, 364))).toBe("2026-12-31");
  });
  test("what dirt has moved counts in its own days", () =>
    expect(dueOn(task("2027-01-31", { by: "time", every: 1, unit: "month" }, 38))).toBe(addDays("2027-01-31", 38)));
});

test("every cadence of the library can be said and read back", () => {
  for (const [code, job] of Object.entries(taskLibrary))
    expect(parseCadence(sayCadence(job.cadence, job)), code).toMatchObject({ ok: true, cadence: job.cadence });
});
