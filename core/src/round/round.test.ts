import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { type DayInput, type DayStop, distanceKm, orderStops, planDay, travel } from "./index.ts";

const roads = { roadFactor: 1, speedKmH: 60 };
/** One hundredth of a degree of latitude is 1.112 km. */
const stop = (id: string, north: number, change: Partial<DayStop> = {}): DayStop => ({
  id,
  name: id,
  lat: 50 + north / 100,
  lon: 0,
  window: null,
  minutes: 30,
  load: { mixL: 0, seaL: 0, purifiedL: 0, wasteL: 0 },
  keptLast: false,
  maySlip: true,
  ...change,
});
const day = (stops: DayStop[], change: Partial<DayInput> = {}): DayInput => ({
  stops,
  base: { lat: 50, lon: 0 },
  startMinute: 420,
  endMinute: 1020,
  roads,
  vanKg: 400,
  refillAfter: [],
  ...change,
});
const mix = (mixL: number) => ({ load: { mixL, seaL: 0, purifiedL: 0, wasteL: 0 } });

describe("travel", () => {
  test("a degree of latitude, and a quarter of the earth", () => {
    expect(distanceKm({ lat: 0, lon: 0 }, { lat: 1, lon: 0 })).toBeCloseTo(111.195, 2);
    expect(distanceKm({ lat: 0, lon: 0 }, { lat: 0, lon: 90 })).toBeCloseTo(10007.56, 1);
    expect(travel({ lat: 50, lon: 0 }, { lat: 50.1, lon: 0 }, { roadFactor: 1.5, speedKmH: 30 }).minutes).toBeCloseTo(
      (11.1195 * 1.5 * 60) / 30,
      2,
    );
  });
});

describe("order of a day", () => {
  test("windows come before distance", () => {
    const stops = [
      stop("near", 1, { window: { from: 600, to: 720 } }),
      stop("far", 5, { window: { from: 420, to: 480 } }),
    ];
    expect(planDay(day(stops)).stops.map((s) => s.stop.id)).toEqual(["far", "near"]);
  });
  test("a tank under treatment is last, even if it lies on the way", () => {
    expect(planDay(day([stop("ill", 1, { keptLast: true }), stop("b", 5), stop("c", 6)])).stops.at(-1)?.stop.id).toBe(
      "ill",
    );
  });
  test("a window that cannot be met is reported with its minutes", () => {
    const plan = planDay(day([stop("early", 1, { window: { from: 400, to: 430 } })]));
    // Starts at 07:00, arrives 1.1 min later, works until 07:31: 21 min past 07:10.
    expect(plan.stops[0]?.lateMinutes).toBeCloseTo(21.1, 1);
  });
  test("waits for a window to open, and takes a break after midday", () => {
    const plan = planDay(
      day([
        stop("a", 1, { window: { from: 540, to: 780 }, minutes: 200 }),
        stop("b", 2, { window: { from: 745, to: 900 } }),
      ]),
    );
    expect(plan.legs.map((l) => l.kind)).toEqual(["travel", "wait", "break", "travel", "travel"]);
  });
  test("the best order of small days, against trying them all", () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            north: fc.integer({ min: -9, max: 9 }),
            from: fc.integer({ min: 420, max: 600 }),
            minutes: fc.integer({ min: 10, max: 40 }),
          }),
          { minLength: 2, maxLength: 5 },
        ),
        (rows) => {
          const stops = rows.map((r, i) =>
            stop(`s${i}`, r.north, { minutes: r.minutes, window: { from: r.from, to: r.from + 120 } }),
          );
          const permutations = (left: number[]): number[][] =>
            left.length === 0
              ? [[]]
              : left.flatMap((x) => permutations(left.filter((y) => y !== x)).map((p) => [x, ...p]));
          const late = (order: readonly number[]) => {
            // The rule written out once more: travel, wait, work.
            let [minute, at, total] = [420, { lat: 50, lon: 0 }, 0];
            for (const i of order) {
              const s = stops[i] as DayStop;
              minute = Math.max(minute + travel(at, s, roads).minutes, s.window?.from ?? 0) + s.minutes;
              total += Math.max(0, minute - (s.window?.to ?? 0));
              at = s;
            }
            return total;
          };
          const best = Math.min(...permutations(stops.map((_, i) => i)).map(late));
          expect(late(orderStops(day(stops)))).toBeCloseTo(best, 6);
        },
      ),
      { numRuns: 60 },
    ));
});

describe("water on board", () => {
  test("falls by what each stop takes, and waste comes up", () => {
    const plan = planDay(
      day([stop("a", 1, { load: { mixL: 100, seaL: 0, purifiedL: 20, wasteL: 100 } }), stop("b", 2, mix(50))]),
    );
    expect(plan.onBoard[0]).toMatchObject({ mixKg: expect.closeTo(153.75, 9), purifiedKg: 20, wasteKg: 0 });
    expect(plan.onBoard.at(-1)).toMatchObject({
      mixKg: expect.closeTo(0, 9),
      purifiedKg: 0,
      wasteKg: expect.closeTo(102.5, 9),
    });
    expect(plan.peakKg).toBeCloseTo(150 * 1.025 + 20, 9);
    expect(plan.fits).toBe(true);
  });
  test("a day that does not fit says what would", () => {
    const plan = planDay(day([stop("a", 1, mix(250)), stop("b", 2, mix(200)), stop("c", 3, { maySlip: false })]));
    expect(plan.fits).toBe(false);
    expect(plan.remedies.map((r) => [r.kind, r.fits])).toEqual([
      ["refill", true],
      ["mix-on-site", true],
      ["other-day", true],
    ]);
    // Mixing the smaller one on site leaves 250 L: 256 kg; half an hour longer.
    expect(plan.remedies[1]).toMatchObject({ extraMinutes: 30 });
  });
  test("an agreed refill is in the day: the van goes home in between and carries less", () => {
    const stops = [stop("a", 1, mix(250)), stop("b", 2, mix(200))];
    const plan = planDay(day(stops, { refillAfter: ["a", "b"] }));
    expect(plan.peakKg).toBeLessThanOrEqual(250 * 1.025 + 1e-9);
    expect(plan.legs.some((l) => l.kind === "refill")).toBe(true);
    expect(plan.fits).toBe(true);
  });
  test("a tank that drifts is never offered for another day", () => {
    const plan = planDay(
      day([stop("a", 1, { ...mix(250), maySlip: false }), stop("b", 2, { ...mix(200), maySlip: false })]),
    );
    expect(plan.remedies.map((r) => r.kind)).not.toContain("other-day");
  });
  test("an empty day is a day", () =>
    expect(planDay(day([]))).toMatchObject({ stops: [], legs: [], peakKg: 0, fits: true, homeAt: 420 }));
});
