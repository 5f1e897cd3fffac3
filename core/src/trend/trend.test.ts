import { describe, expect, test } from "vitest";
import { gaussian, seeded } from "../numeric/index.ts";
import type { Band } from "../tank/index.ts";
import { playedForward, settledOf, type Trend, type TrendInput, trendOf } from "./index.ts";

const nitrate: Band = {
  ...{ parameter: "nitrate", idealLow: 5, idealHigh: 30, actLow: -1, actHigh: 40, validDays: 21, required: true },
};
const rounds = { share: 0.3, intervalDays: 14, refill: 5, mostShare: 1 };

/** What a tank lives through, in quarter days, read just before each change: no formula of the fit is used. */
function lived(life: {
  perDay: (day: number) => number;
  days: number;
  start?: number;
  sigma?: number;
  seed?: number;
  share?: number;
}): Pick<TrendInput, "readings" | "events"> {
  const { perDay, days, start = 20, sigma = 1, seed = 1, share = rounds.share } = life;
  const random = seeded(seed);
  const readings: { day: number; value: number; sigma: number }[] = [];
  const changes: { day: number; share: number; refill: number }[] = [];
  let value = start;
  for (let step = 0; step <= days * 4; step++) {
    const day = step / 4 - days;
    if (step > 0 && step % (rounds.intervalDays * 4) === 0) {
      readings.push({ day, value: value + sigma * gaussian(random), sigma });
      changes.push({ day, share, refill: rounds.refill });
      value = value * (1 - share) + rounds.refill * share;
    }
    value += perDay(day) / 4;
  }
  return { readings, events: { changes } };
}

const asked = (life: Parameters<typeof lived>[0], change: Partial<TrendInput> = {}): TrendInput => ({
  ...lived(life),
  ...{ logged: [], planned: [], daysAhead: 60, band: nitrate, steady: rounds },
  ...change,
});

function found(input: TrendInput): Trend {
  const answer = trendOf(input);
  if (!answer.enough) throw new Error(answer.reason);
  return answer.trend;
}

describe("a trend", () => {
  test("finds the rate with a range that holds it, and says the same each time", () => {
    const input = asked({ perDay: () => 1, days: 168, sigma: 1.5 });
    const trend = found(input);
    expect(trend.perDay.low).toBeLessThan(1);
    expect(trend.perDay.high).toBeGreaterThan(1);
    expect(trend.perDay.value).toBeCloseTo(1, 1);
    expect(trendOf(input)).toEqual({ enough: true, trend });
  });

  test("breaks at a logged event that earned it, and not at one that changed nothing", () => {
    const life = { perDay: (day: number) => (day < -56 ? 0.8 : 1.5), days: 168, sigma: 1 };
    const logged = [
      { day: -120, text: "Lamps changed" },
      { day: -56, text: "Six fish added" },
    ];
    const trend = found(asked(life, { logged }));
    expect(trend.breaks.map((b) => b.text)).toEqual(["Six fish added"]);
    expect(trend.breaks[0]?.before).toBeCloseTo(0.8, 0);
    expect(trend.perDay.value).toBeCloseTo(1.5, 0);
    expect(trend.asked).toBeNull();
    const even = found(asked({ ...life, perDay: () => 1 }, { logged }));
    expect(even.breaks).toEqual([]);
  });

  test("asks about a change of rate that nobody logged, and does not assert it", () => {
    const trend = found(asked({ perDay: (day) => (day < -84 ? 0.4 : 2), days: 224, sigma: 0.8 }));
    expect(trend.breaks).toEqual([]);
    expect(trend.asked?.day).toBeGreaterThan(-112);
    expect(trend.asked?.day).toBeLessThan(-56);
    expect(trend.asked?.since).toBeGreaterThan(trend.asked?.before ?? 9);
  });

  test("sets a far reading aside, with what fits there", () => {
    const input = asked({ perDay: () => 1, days: 168, sigma: 1 });
    const readings = input.readings.map((r, i) => (i === 6 ? { ...r, value: r.value + 30 } : r));
    const trend = found({ ...input, readings });
    expect(trend.outliers).toHaveLength(1);
    expect(trend.outliers[0]?.expected).toBeCloseTo(input.readings[6]?.value ?? 0, -1);
    expect(trend.perDay.value).toBeCloseTo(1, 0);
  });

  test("says too few, within the kit's error, or none with at most so much: never a rate that is not there", () => {
    const few = asked({ perDay: () => 1, days: 42 });
    expect(trendOf(few)).toEqual({ enough: false, reason: "few-readings", readings: 3 });
    const flat = (count: number) => ({
      ...asked({ perDay: () => 0, days: 14, share: 0 }),
      readings: Array.from({ length: count }, (_, i) => ({
        day: (i - count) * 14,
        value: 10 + (i % 2) / 10,
        sigma: 2,
      })),
      events: { changes: [] },
    });
    expect(trendOf(flat(5))).toEqual({ enough: false, reason: "within-kit-error" });
    const none = trendOf(flat(13));
    expect(none).toMatchObject({ enough: false, reason: "none" });
    expect(!none.enough && none.reason === "none" && none.atMostPerDay * 14).toBeLessThan(2.5);
    expect(trendOf({ ...few, readings: [] })).toEqual({ enough: false, reason: "few-readings", readings: 0 });
  });

  test("is carried on through the planned changes, and names the day on which the edge is reached", () => {
    const planned = [14, 28, 42, 56].map((day) => ({ day: day - 0.01, share: 0.3, refill: 5 }));
    const trend = found(asked({ perDay: () => 1.2, days: 168, sigma: 0.5 }, { planned }));
    // 5 + 1.2 · 14 / 0.3 = 61: above 40 again and again.
    expect(trend.settled?.before.value).toBeCloseTo(61, 0);
    expect(trend.settled?.after).toBeCloseTo(61 - 0.3 * 56, 0);
    // (40 − x) / 1.2 days with nothing done.
    const calm = found(asked({ perDay: () => 1.2, days: 63, share: 0.5, sigma: 0.2 }, { daysAhead: 90 }));
    const now = calm.ahead[0]?.value ?? 0;
    expect(now).toBeLessThan(40);
    expect(Math.abs((calm.crosses?.day ?? 0) - (40 - now) / 1.2)).toBeLessThan(1.01);
    expect(calm.crosses?.earliest).toBeLessThanOrEqual(calm.crosses?.day ?? 0);
    expect(calm.crosses?.latest ?? 999).toBeGreaterThanOrEqual(calm.crosses?.day ?? 0);
    // Changed enough it never comes there.
    expect(found(asked({ perDay: () => 0.4, days: 168, sigma: 0.2 }, { planned })).crosses).toBeNull();
  });

  test("its course drops where water was changed, and its range widens ahead", () => {
    const trend = found(asked({ perDay: () => 1, days: 84, sigma: 1 }));
    const [drop] = trend.past.flatMap((p, i) => {
      const next = trend.past[i + 1];
      return next && next.day - p.day < 1e-3 ? [{ p, next }] : [];
    });
    expect(drop?.next.value).toBeCloseTo((drop?.p.value ?? 0) * 0.7 + 1.5, 3);
    const [now, then] = [trend.ahead[0], trend.ahead.at(-1)];
    expect((then?.high ?? 0) - (then?.low ?? 0)).toBeGreaterThan((now?.high ?? 0) - (now?.low ?? 0));
    for (const p of [...trend.past, ...trend.ahead]) {
      expect(p.low).toBeLessThanOrEqual(p.value);
      expect(p.high).toBeGreaterThanOrEqual(p.value);
      expect(p.low).toBeGreaterThanOrEqual(0);
    }
  });
});

describe("never NaN, whatever was read", () => {
  const line = (values: readonly number[]) => values.map((value, i) => ({ day: i * 7 - 70, value, sigma: 1 }));
  const cases: Record<string, Partial<TrendInput>> = {
    "all of one minute": { readings: Array.from({ length: 9 }, () => ({ day: -3, value: 9, sigma: 1 })) },
    "a constant zero": { readings: line([0, 0, 0, 0, 0, 0, 0, 0, 0]) },
    "all outliers": { readings: line([1, 900, 3, 700, 5, 0, 800, 2, 600]) },
    "a full emptying": {
      readings: line([5, 12, 19, 26, 2, 9, 16, 23]),
      events: { changes: [{ day: -45, share: 1, refill: 0 }] },
    },
    "two of one minute": { readings: line([5, 7, 9, 11, 13, 15]).flatMap((r) => [r, r]) },
    "years apart": { readings: line([5, 7, 9, 11]).map((r) => ({ ...r, day: r.day * 100 })) },
    "a sigma of nothing": { readings: line([5, 7, 9, 11, 13]).map((r) => ({ ...r, sigma: 0 })) },
    "an event on the day of a reading": {
      readings: line([5, 7, 9, 11, 20, 29, 38, 47, 56]),
      logged: [{ day: -49, text: "Fed more" }],
    },
    "an event before the tank": { readings: line([5, 7, 9, 11, 13]), logged: [{ day: -9999, text: "Made" }] },
  };
  for (const [name, change] of Object.entries(cases))
    test(name, () => {
      const answer = trendOf({ ...asked({ perDay: () => 1, days: 14 }), events: { changes: [] }, ...change });
      const numbers = JSON.stringify(answer, (_, v) => (typeof v === "number" && !Number.isFinite(v) ? "NOT" : v));
      expect(numbers).not.toContain("NOT");
    });
  test("ten thousand readings are fitted", () => {
    const readings = Array.from({ length: 10_000 }, (_, i) => ({ day: i / 10 - 1000, value: 5 + i / 1000, sigma: 1 }));
    const trend = found({ ...asked({ perDay: () => 1, days: 14 }), readings, events: { changes: [] } });
    expect(trend.perDay.value).toBeCloseTo(0.01, 4);
  });
});

describe("what a steady change settles at", () => {
  const own = { value: 1, low: 0.9, high: 1.1 };
  test("and the share or the days that hold the band's edge", () => {
    // 5 + 1 · 14 / 0.3 = 51.7; 14 / (30 − 5) = 56 %; 0.3 · 25 / 1 = 7.5 days.
    expect(settledOf(1, own, rounds, nitrate)).toMatchObject({
      before: { value: expect.closeTo(51.67, 2), low: expect.closeTo(47, 2), high: expect.closeTo(56.33, 2) },
      hold: { limit: 30, share: expect.closeTo(0.56, 6), intervalDays: 7 },
    });
  });
  test("where no change holds it, none is named", () => {
    expect(settledOf(3, own, rounds, nitrate)?.hold?.share).toBeNull();
    // Never more at one time than its animals bear.
    expect(settledOf(1, own, { ...rounds, mostShare: 0.5 }, nitrate)?.hold).toMatchObject({
      share: null,
      intervalDays: 7,
    });
    expect(settledOf(1, own, { ...rounds, refill: 31 }, nitrate)?.hold).toEqual({
      ...{ limit: 30, share: null, intervalDays: null },
    });
    expect(settledOf(1, own, { ...rounds, share: 0 }, nitrate)).toBeNull();
  });
  test("a figure that is used is held from below, and never settles under nothing", () => {
    const used = { value: -0.5, low: -0.6, high: -0.4 };
    const alkalinity = { ...nitrate, idealLow: 7, idealHigh: 9, actLow: 6, actHigh: 11 };
    const settled = settledOf(-0.5, used, { share: 0.2, intervalDays: 7, refill: 9, mostShare: 1 }, alkalinity);
    // 9 − 0.5 · 7 / 0.2 is below nothing.
    expect(settled?.before.value).toBe(0);
    expect(settled?.hold).toMatchObject({ limit: 7, share: null, intervalDays: null });
  });
});

test("a value is played forward through changes and doses: of one day the change comes first", () => {
  const changes = [{ day: 7, share: 0.5, refill: 2 }];
  const doses = [
    { day: 2, rise: 3 },
    { day: 7, rise: 1 },
    { day: 30, rise: 9 },
  ];
  // 10 less 1 a day: 8 and 3 more on the second day; 6 on the seventh, half of it and of 2 kept, 1 more; a day on.
  expect(playedForward(10, -1, changes, 8, doses).map((p) => [p.day, p.value])).toEqual([
    [0, 10],
    [2, 8],
    [2, 11],
    [7, 6],
    [7, 4],
    [7, 4],
    [7, 5],
    [8, 4],
  ]);
});
