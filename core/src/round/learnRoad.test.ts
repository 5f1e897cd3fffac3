import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { learnRoad, planDay, travel, wayKey } from "./index.ts";

describe("a way learnt from drives", () => {
  test("is the estimate until somebody drove it", () => {
    expect(learnRoad(12, [])).toEqual({ minutes: 12, drives: 0, askMinutes: null });
  });
  test("moves towards the drives, on the log scale, three parts estimate", () => {
    // (3 ln 10 + 3 ln 20) / 6 = ln √200
    expect(learnRoad(10, [20, 20, 20]).minutes).toBeCloseTo(Math.sqrt(200), 9);
    // One drive is a quarter of it: (3 ln 10 + ln 16) / 4.
    expect(learnRoad(10, [16]).minutes).toBeCloseTo(10 ** 0.75 * 16 ** 0.25, 9);
  });
  test("looks at the newest twelve, and leaves out a drive with a lunch in it", () => {
    const drives = [...Array(20).fill(39), ...Array(12).fill(10)];
    expect(learnRoad(10, drives).minutes).toBeCloseTo(10, 9);
    expect(learnRoad(10, [10, 55, 10])).toMatchObject({ drives: 2, askMinutes: null });
  });
  test("asks about three long drives that agree, and about none that do not", () => {
    expect(learnRoad(10, [48, 50, 52])).toEqual({ minutes: 10, drives: 0, askMinutes: 50 });
    expect(learnRoad(10, [45, 50, 70]).askMinutes).toBeNull();
    expect(learnRoad(10, [48, 50]).askMinutes).toBeNull();
  });
  test("never leaves the range of the estimate and the drives it kept", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 90, noNaN: true }),
        fc.array(fc.double({ min: 0.1, max: 300, noNaN: true })),
        (e, driven) => {
          const { minutes } = learnRoad(e, driven);
          const kept = driven.filter((d) => d < 2 * e + 20);
          expect(minutes).toBeGreaterThanOrEqual(Math.min(e, ...kept) - 1e-9);
          expect(minutes).toBeLessThanOrEqual(Math.max(e, ...kept) + 1e-9);
        },
      ),
    );
  });
});

test("a known way counts before distance, in its own direction alone, and moves the day", () => {
  const [a, b] = [
    { lat: 50, lon: 0, key: "a" },
    { lat: 50.1, lon: 0, key: "b" },
  ];
  const roads = { roadFactor: 1, speedKmH: 60, known: { [wayKey("a", "b")]: 45 } };
  expect(travel(a, b, roads).minutes).toBe(45);
  expect(travel(b, a, roads).minutes).toBeCloseTo(11.12, 2);
  const day = planDay({
    stops: [
      {
        ...{ id: "s", name: "s", ...b, window: null, minutes: 30, keptLast: false, maySlip: true },
        load: { mixL: 0, seaL: 0, purifiedL: 0, wasteL: 0 },
      },
    ],
    ...{ base: a, startMinute: 480, endMinute: 1020, roads, vanKg: 100, refillAfter: [] },
  });
  expect(day.homeAt).toBeCloseTo(480 + 45 + 30 + 11.12, 1);
});
