import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { type DayInput, type DayStop, liveDay, loggedStops, ownWays, planDay, wayKey } from "./index.ts";

const stop = (id: string, north: number, change: Partial<DayStop> = {}): DayStop => ({
  ...{ id, name: id, lat: 50 + north / 100, lon: 0, window: null, minutes: 30 },
  load: { mixL: 0, seaL: 0, purifiedL: 0, wasteL: 0 },
  ...{ keptLast: false, maySlip: true },
  ...change,
});
const day = (stops: DayStop[], change: Partial<DayInput> = {}): DayInput => ({
  stops,
  ...{ base: { lat: 50, lon: 0 }, startMinute: 480, endMinute: 1020, vanKg: 400, refillAfter: [] },
  roads: { roadFactor: 1, speedKmH: 60 },
  ...change,
});
/** One hundredth of a degree at a kilometre a minute. */
const WAY = 1.1119;

describe("a day as it goes", () => {
  const input = day([stop("a", 1), stop("b", 2), stop("c", 3, { window: { from: 480, to: 600 } })]);
  test("is as planned while nothing has begun", () => {
    expect(liveDay(input, [], 700)).toEqual({ day: planDay(input), behindMinutes: 0 });
  });
  test("what was done stands at its own time, what is left follows from where somebody is", () => {
    const { day: live } = liveDay(input, [{ stopId: "a", start: 490, end: 530 }], 531);
    expect(live.stops[0]).toMatchObject({ stop: { id: "a" }, start: 490, end: 530 });
    // Ready at 8:51; b lies on the way, and c closes at ten: one hundredth, half an hour, one more.
    expect(live.stops.map((s) => s.stop.id)).toEqual(["a", "b", "c"]);
    expect(live.stops.find((s) => s.stop.id === "c")?.start).toBeCloseTo(531 + 30 + 2 * WAY, 1);
    expect(live.homeAt).toBeCloseTo(531 + 60 + 5 * WAY, 1);
  });
  test("whoever is still there gets what was planned, or until now", () => {
    const early = liveDay(input, [{ stopId: "a", start: 490, end: null }], 500).day;
    expect(early.stops[0]?.end).toBe(520);
    const late = liveDay(input, [{ stopId: "a", start: 490, end: null }], 560).day;
    expect(late.stops[0]?.end).toBe(560);
  });
  test("what no longer fits is named while there is time", () => {
    const { day: live, behindMinutes } = liveDay(input, [{ stopId: "a", start: 490, end: null }], 585);
    expect(live.leftOver.map((l) => l.stop.id)).toEqual(["c"]);
    expect(live.stops.map((s) => s.stop.id)).toEqual(["a", "b"]);
    expect(behindMinutes).toBeLessThan(60);
  });
  test("with everything done the way home is left", () => {
    const log = ["a", "b", "c"].map((stopId, i) => ({ stopId, start: 490 + 60 * i, end: 520 + 60 * i }));
    const { day: live } = liveDay(input, log, 700);
    expect(live.homeAt).toBeCloseTo(640 + 3 * WAY, 1);
    expect(live.leftOver).toEqual([]);
  });
  test("where nothing of what is left fits any more the way home is left", () => {
    const two = day([stop("a", 1), stop("c", 3, { window: { from: 480, to: 600 } })]);
    const { day: live } = liveDay(two, [{ stopId: "a", start: 490, end: null }], 595);
    expect(live.leftOver.map((l) => l.stop.id)).toEqual(["c"]);
    expect(live.homeAt).toBeCloseTo(595 + WAY, 1);
  });
  test("a break that was taken is not asked for again, one that was not still is", () => {
    const long = day([stop("a", 1, { minutes: 200 }), stop("b", 2, { minutes: 60 }), stop("c", 3, { minutes: 120 })]);
    const kinds = (log: Parameters<typeof liveDay>[1]) =>
      liveDay(long, log, 790).day.legs.filter((l) => l.kind === "break").length;
    expect(
      kinds([
        { stopId: "a", start: 482, end: 682 },
        { stopId: "b", start: 684, end: 744 },
      ]),
    ).toBe(1);
    expect(
      kinds([
        { stopId: "a", start: 482, end: 682 },
        { stopId: "b", start: 730, end: 790 },
      ]),
    ).toBe(0);
  });
  test("whatever was logged: nothing is done twice, nothing before its turn, nobody is in two places", () => {
    const logs = fc.array(
      fc.record({
        stop: fc.integer({ min: 0, max: 3 }),
        gap: fc.integer({ min: 0, max: 60 }),
        took: fc.integer({ min: 1, max: 90 }),
      }),
      { maxLength: 4 },
    );
    fc.assert(
      fc.property(logs, fc.integer({ min: 0, max: 200 }), fc.boolean(), (drawn, more, open) => {
        const stops = ["a", "b", "c", "d"].map((id, i) => stop(id, i - 2));
        let at = 485;
        const log = drawn.flatMap((d, i) => {
          const stopId = stops[d.stop]?.id ?? "";
          if (drawn.slice(0, i).some((x) => x.stop === d.stop)) return [];
          const start = at + d.gap;
          at = start + d.took;
          return [{ stopId, start, end: at as number | null }];
        });
        if (open && log.length > 0) log[log.length - 1] = { ...(log.at(-1) as (typeof log)[number]), end: null };
        const { day: live } = liveDay(day(stops), log, at + more);
        const ids = [...live.stops.map((s) => s.stop.id), ...live.leftOver.map((l) => l.stop.id)];
        expect([...ids].sort()).toEqual(["a", "b", "c", "d"]);
        for (const [i, s] of live.stops.slice(1).entries())
          expect(s.start).toBeGreaterThanOrEqual((live.stops[i]?.end ?? 0) - 1e-6);
        expect(live.homeAt).toBeGreaterThanOrEqual(live.stops.at(-1)?.end ?? 0);
        for (const l of log) expect(live.stops.find((s) => s.stop.id === l.stopId)?.start).toBe(l.start);
      }),
      { numRuns: 200 },
    );
  });
});

describe("what was logged of a stop", () => {
  const at = (time: string) => Date.parse(`2026-07-01T${time}:00Z`);
  const logged = (visits: [stopId: string, startedAt: number | null, closedAt: number | null][]) =>
    loggedStops(
      visits.map(([stopId, startedAt, closedAt]) => ({ stopId, startedAt, closedAt })),
      "2026-07-01",
      "Europe/London",
    );
  test("it begins with its first visit, and is left when the last one is closed; minutes are those of the firm's clock", () => {
    expect(
      logged([
        ["a", at("08:00"), at("08:40")],
        ["a", at("07:50"), at("08:30")],
      ]),
    ).toEqual([{ stopId: "a", start: 530, end: 580 }]);
    expect(
      logged([
        ["a", at("08:00"), at("08:40")],
        ["a", null, null],
        ["b", null, null],
      ]),
    ).toEqual([{ stopId: "a", start: 540, end: null }]);
  });
  test("what was begun the day before and is still open says nothing of this one", () => {
    expect(logged([["a", at("08:00") - 86_400_000, null]])).toEqual([]);
  });
});

test("a phone is given the ways between the day's own places, each way, and no others", () => {
  const known = {
    [wayKey("base", "a")]: 7,
    [wayKey("a", "base")]: 9,
    [wayKey("a", "b")]: 4,
    [wayKey("a", "elsewhere")]: 5,
    [wayKey("elsewhere", "b")]: 6,
  };
  const input = day([stop("a", 1, { key: "a" }), stop("b", 2, { key: "b" }), stop("c", 3)], {
    base: { lat: 50, lon: 0, key: "base" },
    roads: { roadFactor: 1, speedKmH: 60, known },
  });
  const own = ownWays(input);
  expect(own.roads.known).toEqual({ "base a": 7, "a base": 9, "a b": 4 });
  expect(planDay(own)).toEqual(planDay(input));
});
