import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { OutOfRangeError } from "../issues/index.ts";
import { type BarrelContents, batchState, type Demand, ifLate, MIXING_STEPS, scheduleMixing } from "./index.ts";

const demand = (id: string, neededAt: number, more: Partial<Demand> = {}): Demand => ({
  id,
  name: id,
  neededAt,
  purifyMinutes: 120,
  heatMinutes: 60,
  dissolveMinutes: 30,
  ageMinutes: 0,
  loadMinutes: 10,
  ...more,
});

describe("the making of water", () => {
  test("is laid out backwards from when it is needed, each step as late as it may be", () => {
    const { slots, late } = scheduleMixing([demand("reef", 480)], 0);
    expect(slots).toEqual([
      { demandId: "reef", step: "purify", from: 260, to: 380 },
      { demandId: "reef", step: "heat", from: 380, to: 440 },
      { demandId: "reef", step: "dissolve", from: 440, to: 470 },
      { demandId: "reef", step: "load", from: 470, to: 480 },
    ]);
    expect(late).toEqual([]);
  });
  test("shares a machine: the one that is needed last is made last", () => {
    const { slots } = scheduleMixing([demand("a", 480), demand("b", 500)], -1000);
    const at = (id: string, step: string) => slots.find((s) => s.demandId === id && s.step === step);
    expect(at("b", "heat")).toMatchObject({ from: 400, to: 460 });
    // The heater is taken from 400 on: a is heated before.
    expect(at("a", "heat")).toMatchObject({ from: 340, to: 400 });
    expect(at("b", "purify")).toMatchObject({ from: 280, to: 400 });
    expect(at("a", "purify")).toMatchObject({ from: 160, to: 280 });
  });
  test("that should have begun already is late by as much as is missing", () => {
    const { late } = scheduleMixing([demand("reef", 480)], 300);
    expect(late).toEqual([{ demandId: "reef", minutes: 40 }]);
  });
  test("one late start pulls along what waits for it, and says what", () => {
    const demands = [demand("a", 480), demand("b", 500)];
    const schedule = scheduleMixing(demands, -1000);
    const first = schedule.slots.find((s) => s.demandId === "a" && s.step === "purify");
    if (!first) throw new Error("no step");
    const late = ifLate(demands, schedule, first, 25);
    // b waits for the purifier behind a, and a for nothing in between.
    expect(late.get("b")).toBeCloseTo(25, 9);
    expect(late.has("a")).toBe(false);
    expect(ifLate(demands, schedule, first, 0).size).toBe(0);
  });
  test("without any work is only loaded", () =>
    expect(
      scheduleMixing([demand("x", 100, { purifyMinutes: 0, heatMinutes: 0, dissolveMinutes: 0 })], 0).slots,
    ).toEqual([{ demandId: "x", step: "load", from: 90, to: 100 }]));
  test("is not begun at night: it is moved to the evening before, and a late start waits for the morning", () => {
    // It is 14:00; the van is loaded at 06:30, and somebody is there from 06:00 to 20:00.
    const hands = { minuteNow: 840, from: 360, to: 1200 };
    const loadedAt = 1440 - 840 + 390;
    const slow = demand("reef", loadedAt, { purifyMinutes: 0, heatMinutes: 300, dissolveMinutes: 0, loadMinutes: 15 });
    const schedule = scheduleMixing([slow], 0, hands);
    // The latest would be 01:15; the evening before ends at 20:00, six hours from now.
    expect(schedule.slots[0]).toEqual({ demandId: "reef", step: "heat", from: 360, to: 660 });
    expect(schedule.late).toEqual([]);
    // An hour later nobody is there: it begins at 06:00 and is ready at 11:00 instead of 06:15.
    const [heat] = schedule.slots;
    if (!heat) throw new Error("no step");
    expect(ifLate([slow], schedule, heat, 60, hands).get("reef")).toBeCloseTo(285, 9);
    // By day it stands where it stood.
    expect(scheduleMixing([slow], 0).slots[0]).toMatchObject({ from: loadedAt - 315 });
  });
  test("of minutes below nothing is refused", () =>
    expect(() => scheduleMixing([demand("x", 100, { heatMinutes: -1 })], 0)).toThrow(OutOfRangeError));
  test("never lets a machine serve two, keeps the order of steps, and is in time when there is time", () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            neededAt: fc.integer({ min: 300, max: 900 }),
            purifyMinutes: fc.integer({ min: 0, max: 200 }),
            heatMinutes: fc.integer({ min: 0, max: 120 }),
            ageMinutes: fc.integer({ min: 0, max: 600 }),
          }),
          { minLength: 1, maxLength: 6 },
        ),
        (many) => {
          const demands = many.map((m, i) => demand(String(i), m.neededAt, m));
          const { slots, late } = scheduleMixing(demands, -100_000);
          expect(late).toEqual([]);
          for (const step of ["purify", "heat"]) {
            const own = slots.filter((s) => s.step === step).sort((a, b) => a.from - b.from);
            for (let i = 1; i < own.length; i++)
              expect(own[i]?.from ?? 0).toBeGreaterThanOrEqual((own[i - 1]?.to ?? 0) - 1e-9);
          }
          for (const d of demands) {
            const own = slots.filter((s) => s.demandId === d.id);
            const order = [...own].sort((a, b) => a.from - b.from).map((s) => MIXING_STEPS.indexOf(s.step));
            expect(order).toEqual([...order].sort((a, b) => a - b));
            expect(Math.max(...own.map((s) => s.to))).toBeLessThanOrEqual(d.neededAt + 1e-9);
          }
        },
      ),
    ));
  test("begins no machine's first work earlier than any other order would have to", () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 300, max: 900 }), fc.integer({ min: 1, max: 200 })), {
          minLength: 1,
          maxLength: 5,
        }),
        (many) => {
          const only = { heatMinutes: 0, dissolveMinutes: 0, loadMinutes: 0 };
          const demands = many.map(([neededAt, purifyMinutes], i) =>
            demand(String(i), neededAt, { ...only, purifyMinutes }),
          );
          const first = Math.min(...scheduleMixing(demands, -1e5).slots.map((s) => s.from));
          const orders = permutations(demands).map((order) =>
            order.reduce((free, d) => Math.min(free, d.neededAt) - d.purifyMinutes, Number.POSITIVE_INFINITY),
          );
          expect(first).toBeCloseTo(Math.max(...orders), 9);
        },
      ),
      { numRuns: 60 },
    ));
});

function permutations<T>(all: readonly T[]): T[][] {
  if (all.length === 0) return [[]];
  return all.flatMap((one, i) => permutations([...all.slice(0, i), ...all.slice(i + 1)]).map((rest) => [one, ...rest]));
}

describe("a batch in its barrel", () => {
  const HOUR = 3_600_000;
  const age = { readyMinutes: 120, keepsDays: 14 };
  const batch: BarrelContents = { sourceId: "reef", litres: 180, startedAt: 0, targetPsu: 35, grams: 6600 };
  test("stands, is measured, is ready, and grows old", () => {
    expect(batchState(batch, age, HOUR)).toEqual({ state: "standing", readyAt: 2 * HOUR });
    expect(batchState(batch, age, 3 * HOUR)).toEqual({ state: "unverified" });
    expect(batchState({ ...batch, psu: 35.3 }, age, 3 * HOUR)).toEqual({ state: "ready", until: 14 * 24 * HOUR });
    expect(batchState({ ...batch, psu: 35.3 }, age, 15 * 24 * HOUR).state).toBe("too-old");
  });
  test("that is off says by how much", () =>
    expect(batchState({ ...batch, psu: 33.2 }, age, 3 * HOUR)).toEqual({
      state: "off",
      byPsu: expect.closeTo(-1.8, 9),
    }));
  test("of purified water is ready at once", () =>
    expect(batchState({ sourceId: "ro", litres: 100, startedAt: 0 }, { readyMinutes: 0, keepsDays: 30 }, 1).state).toBe(
      "ready",
    ));
});
