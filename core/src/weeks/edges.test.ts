import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { addDays } from "../calendar/index.ts";
import { openDays, seriesDates, weeklyOn } from "../series/index.ts";
import { boardOf, ines, MONDAY, stopOf } from "./board.fixture.ts";
import {
  type Board,
  judgeDay,
  judgeMove,
  moved,
  placesFor,
  type Settled,
  settle,
  settleSeeds,
  weekOf,
  weighed,
} from "./index.ts";

const days = weekOf(MONDAY);
const closedOn = (on: string) =>
  openDays({ 1: { from: 480, to: 1020 } }, [], [on]) as Readonly<Partial<Record<string, unknown>>>;
const last = (told: Iterable<Settled>): Settled => [...told].at(-1) as Settled;

describe("edges of the weeks", () => {
  test("a person without a working day gets nothing, and keeps what somebody gave them, told", () => {
    const of = boardOf([stopOf("a")], { people: [{ ...ines, workdays: [] }] });
    expect(placesFor(of, of.stops[0] as Board["stops"][number], days)).toEqual([]);
    const day = judgeDay(of, { personId: "ines", on: MONDAY });
    expect(day?.breaks.get("a")?.map((b) => b.code)).toContain("workday");
    expect(last(settle(of, { days, locked: [], seed: 1, tries: 50 })).moves.size).toBe(0);
  });
  test("a day that begins when it ends leaves its stops out or late, and never throws", () => {
    const of = boardOf([stopOf("a")], { people: [{ ...ines, startMinute: 600, endMinute: 600 }] });
    expect(judgeDay(of, { personId: "ines", on: MONDAY })?.over.length).toBeGreaterThan(0);
  });
  test("a locked stop on a holiday stays, and says that it is closed then", () => {
    const of = boardOf([stopOf("a", { locked: true, windows: closedOn(MONDAY) })]);
    const day = judgeDay(of, { personId: "ines", on: MONDAY });
    expect(day?.breaks.get("a")?.map((b) => b.says)).toContainEqual(
      expect.objectContaining({ say: "weeks.closed-then" }),
    );
    expect(last(settle(of, { days, locked: [], seed: 1, tries: 50 })).moves.size).toBe(0);
  });
  test("two series of one site on one day are told on both", () => {
    const of = boardOf([stopOf("a", { siteId: "s" }), stopOf("b", { siteId: "s", seriesId: "other" })]);
    const day = judgeDay(of, { personId: "ines", on: MONDAY });
    for (const id of ["a", "b"]) expect(day?.breaks.get(id)?.map((b) => b.code)).toContain("twice");
  });
  test("200 stops in one week are settled without an end in sight being needed, and none gets lost", () => {
    const stops = Array.from({ length: 200 }, (_, i) =>
      stopOf(`s${i}`, { on: days[i % 5] as string, lat: 50 + (i % 20) / 200, lon: ((i * 7) % 30) / 200, minutes: 20 }),
    );
    const of = boardOf(stops);
    const told = last(settle(of, { days, locked: [], seed: 1, tries: 30 }));
    expect(told.tried).toBe(30);
    const where = new Map(of.stops.map((s) => [s.id, told.moves.get(s.id)?.on ?? s.on]));
    expect(where.size).toBe(200);
    for (const on of where.values()) expect(days).toContain(on);
  });
  test("a solver that is stopped at once has changed nothing", () => {
    const run = settleSeeds(boardOf([stopOf("a")]), { days, locked: [], tries: 100, seeds: [1, 2] });
    expect(run.return(undefined as never).done).toBe(true);
    expect([...run]).toEqual([]);
  });
  test("a year of 53 weeks: every second week goes on in its step", () => {
    // 2026 has 53 ISO weeks.
    const dates = seriesDates(
      { rhythm: weeklyOn("2026-12-21"), startOn: "2026-12-21", fromOn: null, untilOn: null, spells: [] },
      "2026-12-21",
      "2027-01-20",
    );
    expect(dates).toEqual(["2026-12-21", "2026-12-28", "2027-01-04", "2027-01-11", "2027-01-18"]);
    const fortnight = seriesDates(
      {
        ...{ rhythm: { kind: "weeks", every: 2, weekdays: [1] }, startOn: "2026-12-21" },
        ...{ fromOn: null, untilOn: null, spells: [] },
      },
      "2026-12-21",
      "2027-02-02",
    );
    expect(fortnight).toEqual(["2026-12-21", "2027-01-04", "2027-01-18", "2027-02-01"]);
  });
  test("a site at base, without a way to it, is served all the same", () => {
    const of = boardOf([stopOf("a", { lat: 50, lon: 0 })]);
    expect(judgeDay(of, { personId: "ines", on: MONDAY })?.plan.leftOver).toEqual([]);
  });
  test("other hours on a date count for that date alone", () => {
    const windows = openDays(
      { 1: { from: 480, to: 1020 } },
      [{ fromOn: addDays(MONDAY, 7), untilOn: null, opensH: 12, closesH: 12.5, why: "late" }],
      [],
    );
    const of = boardOf([stopOf("a", { windows })]);
    expect(judgeMove(of, ["a"], { personId: "ines", on: MONDAY }).breaks).toEqual([]);
    // An hour of work does not fit between noon and half past.
    expect(judgeMove(of, ["a"], { personId: "ines", on: addDays(MONDAY, 7) }).breaks).toContainEqual(
      expect.objectContaining({ say: "weeks.too-long" }),
    );
  });
});

test("whatever the weeks: no stop that is moved breaks a rule where it is put that it did not break before", () => {
  const anyStop = fc.record({
    day: fc.integer({ min: 0, max: 6 }),
    who: fc.constantFrom("ines", "tobiah"),
    north: fc.integer({ min: -5, max: 5 }),
    minutes: fc.integer({ min: 20, max: 200 }),
    gap: fc.constantFrom(7, 14, null),
    needs: fc.constantFrom<readonly ("salt" | "fresh")[]>([], ["salt"], ["fresh"]),
    closed: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { maxLength: 3 }),
    condition: fc.constantFrom("steady", "drifting", "unknown"),
    locked: fc.boolean(),
    keptLast: fc.boolean(),
    wasteL: fc.constantFrom(0, 0, 400),
  });
  fc.assert(
    fc.property(fc.array(anyStop, { minLength: 1, maxLength: 9 }), fc.integer({ min: 1, max: 99 }), (drawn, seed) => {
      const hours = { from: 480, to: 1020 };
      const of = boardOf(
        drawn.map((d, i) =>
          stopOf(`s${i}`, {
            ...{ on: days[d.day] as string, personId: d.who, lat: 50 + d.north / 100, minutes: d.minutes },
            ...{ gapDays: d.gap, seriesId: d.gap === null ? null : `series${i}`, needs: d.needs, locked: d.locked },
            ...{ condition: d.condition as "steady", keptLast: d.keptLast, carriesSalt: d.wasteL > 0 },
            load: { mixL: 0, seaL: 0, purifiedL: 0, wasteL: d.wasteL },
            windows: Object.fromEntries(
              [1, 2, 3, 4, 5, 6, 7].filter((w) => !d.closed.includes(w)).map((w) => [String(w), hours]),
            ),
          }),
        ),
      );
      const told = last(settle(of, { days, locked: [], seed, tries: 60 }));
      const after = moved(of, told.moves);
      for (const [id, to] of told.moves) {
        const stop = of.stops.find((s) => s.id === id);
        expect(stop?.locked).toBe(false);
        expect(placesFor(of, stop as Board["stops"][number], days)).toContainEqual(to);
        const codes =
          judgeDay(after, to)
            ?.breaks.get(id)
            ?.map((b) => b.code) ?? [];
        for (const code of ["knows", "septic", "away", "workday", "closed", "spacing", "slips", "twice"] as const)
          expect(codes, `${id} ${code}`).not.toContain(code);
      }
      // Nothing is told that is not better, each day laid out exactly.
      expect(weighed(of, days, told.moves)).toBeLessThanOrEqual(weighed(of, days, new Map()) + 1e-6);
      const kept = [...new Set(days.flatMap((on) => of.people.map((p) => ({ personId: p.id, on }))))];
      for (const slot of kept) {
        const order = judgeDay(after, slot)?.plan.stops.map((s) => s.stop.keptLast) ?? [];
        expect(order).toEqual([...order].sort((a, b) => Number(a) - Number(b)));
      }
    }),
    { numRuns: 60 },
  );
});
