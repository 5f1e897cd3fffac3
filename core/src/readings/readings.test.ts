import { describe, expect, test } from "vitest";
import type { Band } from "../tank/index.ts";
import { type ConditionInput, carriedOn, fitBuildUp, judgeCondition, placeInBand, standing } from "./index.ts";

const nitrate: Band = {
  parameter: "nitrate",
  idealLow: 0,
  idealHigh: 30,
  actLow: -1,
  actHigh: 40,
  validDays: 21,
  required: true,
};
const alkalinity: Band = {
  parameter: "alkalinity",
  idealLow: 7.6,
  idealHigh: 8.8,
  actLow: 6.8,
  actHigh: 11,
  validDays: 21,
  required: false,
};

describe("build-up", () => {
  /** A saw-tooth lived through in quarter days: no formula of the fit is used. */
  function sawTooth(perDay: number, share: number, refill: number, weeks: number) {
    const readings: { day: number; value: number; sigma: number }[] = [];
    const changes: { day: number; share: number; refill: number }[] = [];
    let value = 20;
    for (let week = 0; week < weeks; week++) {
      for (let step = 0; step < 28; step++) value += perDay / 4;
      readings.push({ day: (week + 1) * 7 - 0.01, value, sigma: 1 });
      changes.push({ day: (week + 1) * 7, share, refill });
      value = value * (1 - share) + refill * share;
    }
    return { readings, changes, value };
  }

  test("finds the rate and today's value behind a saw-tooth", () => {
    const { readings, changes, value } = sawTooth(1.2, 0.3, 8, 8);
    const fit = fitBuildUp(readings, { changes }, 56 + 3);
    expect(fit.enough && fit.perDay).toBeCloseTo(1.2, 1);
    expect(fit.enough && fit.now).toBeCloseTo(value + 3 * 1.2, 0);
  });

  test("one absurd reading hardly moves it", () => {
    const { readings, changes } = sawTooth(1.2, 0.3, 8, 8);
    const spoilt = readings.map((r, i) => (i === 4 ? { ...r, value: r.value + 30 } : r));
    const fit = fitBuildUp(spoilt, { changes }, 56);
    expect(fit.enough && Math.abs(fit.perDay - 1.2)).toBeLessThan(0.2);
  });

  test("two readings of one visit that agree move today's value, one does not", () => {
    const { readings, changes, value } = sawTooth(1.2, 0.3, 8, 8);
    const odd = { day: 56.1, value: 70, sigma: 1 };
    const one = fitBuildUp([...readings, odd], { changes }, 57);
    expect(one.enough && Math.abs(one.now - value)).toBeLessThan(6);
    const two = fitBuildUp([...readings, odd, { ...odd, day: 56.2, value: 71 }], { changes }, 57);
    expect(two.enough && two.now).toBeGreaterThan(70);
  });

  /** A tank lived through minute by minute, with a doser, a machine that changes water, and changes by hand. */
  function march({
    days,
    own,
    dosed = 0,
    share = 0,
    refill = 0,
    start,
    changes = [],
  }: {
    days: number;
    own: number;
    dosed?: number | ((day: number) => number);
    share?: number;
    refill?: number;
    start: number;
    changes?: { day: number; share: number; refill: number }[];
  }) {
    const minutes = 1440;
    const at: number[] = [start];
    let value = start;
    for (let i = 1; i <= days * minutes; i++) {
      const given = typeof dosed === "number" ? dosed : dosed((i - 1) / minutes);
      value += (own + given - share * (value - refill)) / minutes;
      // A reading of the minute of a change was taken before it.
      const change = changes.find((c) => Math.round(c.day * minutes) === i - 1);
      if (change) value = value * (1 - change.share) + change.refill * change.share;
      at.push(value);
    }
    return (day: number) => at[Math.round(day * minutes)] ?? Number.NaN;
  }

  test("a doser that was turned up twice gave less before: what the tank uses is found all the same", () => {
    const dosed = (day: number) => (day < 17 ? 0.8 : day < 30 ? 1 : 1.3);
    const changes = [10, 24, 38].map((day) => ({ day, share: 0.2, refill: 8 }));
    const value = march({ days: 42, own: -1.4, dosed, share: 0.02, refill: 7, start: 9, changes });
    const readings = [0, 7, 14, 21, 28, 35, 42].map((day) => ({ day, value: value(day), sigma: 0.1 }));
    const dosedBefore = [
      { untilDay: 17, perDay: 0.8 },
      { untilDay: 30, perDay: 1 },
    ];
    const events = { changes, dosedPerDay: 1.3, dosedBefore, machine: { sharePerDay: 0.02, refill: 7 } };
    expect(fitBuildUp(readings, events, 42)).toMatchObject({ enough: true, ownPerDay: expect.closeTo(-1.4, 2) });
    // Taken for what it gives now all along, it would seem to use a fifth more.
    const forgotten = fitBuildUp(readings, { ...events, dosedBefore: [] }, 42);
    expect(forgotten.enough && (forgotten.ownPerDay ?? 0)).toBeLessThan(-1.6);
  });

  test("with a doser running, what is used is what it doses and what is left over", () => {
    const value = march({ days: 49, own: -1.4, dosed: 1.3, start: 9 });
    const readings = [0, 7, 14, 21, 28, 35, 42].map((day) => ({ day, value: value(day), sigma: 0.1 }));
    const fit = fitBuildUp(readings, { changes: [], dosedPerDay: 1.3 }, 42);
    expect(fit).toMatchObject({ enough: true, perDay: expect.closeTo(-0.1, 3), ownPerDay: expect.closeTo(-1.4, 3) });
    if (!fit.enough) return;
    expect(carriedOn(fit, 7, { changes: [], dosedPerDay: 1.3 }).value).toBeCloseTo(value(49), 3);
    // The doser stops: what is used goes on.
    expect(carriedOn(fit, 2, { changes: [] }).value).toBeCloseTo(value(42) - 2.8, 3);
  });

  test("with a machine that changes water, the tank's own build-up is found behind what settles", () => {
    const life = { days: 63, own: 2, share: 0.05, refill: 5, start: 20, changes: [{ day: 30, share: 0.4, refill: 5 }] };
    const value = march(life);
    const events = { changes: life.changes, machine: { sharePerDay: 0.05, refill: 5 } };
    const readings = [0, 7, 14, 21, 28, 35, 42, 49].map((day) => ({ day, value: value(day), sigma: 0.5 }));
    const fit = fitBuildUp(readings, events, 49);
    expect(fit).toMatchObject({ enough: true, ownPerDay: expect.closeTo(2, 2), now: expect.closeTo(value(49), 1) });
    if (!fit.enough) return;
    // 2 a day less 5 % of what stands above the new water.
    expect(fit.perDay).toBeCloseTo(2 - 0.05 * (value(49) - 5), 2);
    expect(carriedOn(fit, 14, { changes: [], machine: events.machine }).value).toBeCloseTo(value(63), 1);
    // A planned change on the way is carried through as it would be lived through.
    const planned = march({ ...life, changes: [...life.changes, { day: 52, share: 0.25, refill: 5 }] });
    const ahead = { changes: [{ day: 3, share: 0.25, refill: 5 }], machine: events.machine };
    expect(carriedOn(fit, 14, ahead).value).toBeCloseTo(planned(63), 1);
  });

  test("what is known less well is carried on less well, and nothing falls below nothing", () => {
    const { readings, changes } = sawTooth(1.2, 0.3, 8, 8);
    const fit = fitBuildUp(readings, { changes }, 56);
    if (!fit.enough) throw new Error("no fit");
    const [soon, late] = [carriedOn(fit, 1, { changes: [] }), carriedOn(fit, 30, { changes: [] })];
    expect(carriedOn(fit, 0, { changes: [] })).toEqual({ value: fit.now, sigma: fit.nowSigma });
    expect(late.sigma).toBeGreaterThan(soon.sigma);
    expect(carriedOn({ ...fit, perDay: -3 }, 30, { changes: [] }).value).toBe(0);
  });

  test("says why there is no rate", () => {
    const { readings, changes } = sawTooth(1.2, 0.3, 8, 3);
    expect(fitBuildUp(readings, { changes }, 21)).toEqual({ enough: false, reason: "few-readings" });
    const flat = Array.from({ length: 6 }, (_, i) => ({ day: i * 7, value: 10, sigma: 2 }));
    expect(fitBuildUp(flat, { changes: [] }, 42)).toEqual({ enough: false, reason: "within-kit-error" });
  });
});

describe("condition", () => {
  const base: ConditionInput = {
    bands: [nitrate, alkalinity],
    latest: { nitrate: { value: 15, sigma: 2, ageDays: 1 } },
    perDay: {},
    daysToNextVisit: 9,
    seriousFindings: [],
    slippedTwice: [],
  };
  const judge = (change: Partial<ConditionInput>) => judgeCondition({ ...base, ...change });

  test("steady: inside its bands and every required reading young", () =>
    expect(judge({})).toEqual({ state: "steady", others: [] }));

  test("off course beyond act, and within kit error of it: re-test", () => {
    expect(judge({ latest: { nitrate: { value: 60, sigma: 2, ageDays: 1 } } })).toMatchObject({
      state: "off",
      reason: { code: "beyond-act", side: "high", retest: false },
    });
    expect(judge({ latest: { nitrate: { value: 41, sigma: 2, ageDays: 1 } } })).toMatchObject({
      state: "off",
      reason: { retest: true },
    });
    expect(judge({ freeAmmonia: { value: 0.05, act: 0.02 } })).toMatchObject({
      state: "off",
      reason: { code: "free-ammonia" },
    });
    expect(judge({ seriousFindings: ["leak at the weir"] })).toMatchObject({
      state: "off",
      reason: { code: "open-finding" },
    });
  });

  test("drifting outside ideal by more than one standard deviation only", () => {
    expect(judge({ latest: { nitrate: { value: 31.5, sigma: 2, ageDays: 1 } } }).state).toBe("steady");
    expect(judge({ latest: { nitrate: { value: 33, sigma: 2, ageDays: 1 } } })).toMatchObject({
      state: "drifting",
      reason: { code: "outside-ideal" },
    });
  });

  test("drifting when act is crossed before the next visit and its slack", () => {
    expect(judge({ latest: { nitrate: { value: 29, sigma: 2, ageDays: 0 } }, perDay: { nitrate: 1.5 } })).toMatchObject(
      { state: "drifting", reason: { code: "will-cross", limit: 40 } },
    );
    expect(judge({ latest: { nitrate: { value: 29, sigma: 2, ageDays: 0 } }, perDay: { nitrate: 1 } }).state).toBe(
      "steady",
    );
    const falling = {
      latest: { nitrate: { value: 10, sigma: 1, ageDays: 0 }, alkalinity: { value: 7.7, sigma: 0.2, ageDays: 0 } },
      perDay: { alkalinity: -0.12 },
    };
    expect(judge(falling)).toMatchObject({
      state: "drifting",
      reason: { code: "will-cross", parameter: "alkalinity", limit: 6.8 },
    });
  });

  test("not known without a young required reading, in words of which", () => {
    expect(judge({ latest: { nitrate: { value: 15, sigma: 2, ageDays: 30 } } })).toMatchObject({
      state: "unknown",
      reason: { code: "no-reading", ageDays: 30 },
    });
    expect(judge({ latest: {} })).toMatchObject({ state: "unknown", reason: { ageDays: null } });
  });

  test("the worst decides and carries the others", () => {
    const condition = judge({
      latest: { nitrate: { value: 60, sigma: 2, ageDays: 1 } },
      slippedTwice: ["Soak the pump"],
    });
    expect(condition.state).toBe("off");
    expect(condition.others).toEqual([{ code: "slipped-twice", task: "Soak the pump" }]);
  });
});

test("a value's place on its band: act at one, ideal within a half", () => {
  expect(placeInBand(nitrate, 40)).toBeCloseTo(1, 9);
  expect(placeInBand(nitrate, 30)).toBeCloseTo(0.5, 9);
  expect(placeInBand(nitrate, 15)).toBeCloseTo(0, 9);
  expect(placeInBand(alkalinity, 6.8)).toBeCloseTo(-1, 9);
  expect(placeInBand(alkalinity, 0)).toBe(-1.15);
  expect(standing(alkalinity, 7)).toBe("watch");
  expect(standing(alkalinity, 12)).toBe("act");
});

describe("a reading that does not fit the others", () => {
  const line = (values: readonly number[]) => values.map((value, i) => ({ day: i * 7, value, sigma: 0.5 }));
  test("is named, and hardly moves the rate", () => {
    const fit = fitBuildUp(line([5, 7, 9, 30, 13, 15, 17]), { changes: [] }, 42);
    expect(fit.enough && fit.outliers).toEqual([{ day: 21, value: 30 }]);
    expect(fit.enough && fit.perDay).toBeCloseTo(2 / 7, 1);
  });
  test("two that agree with each other are none: something happened", () => {
    const fit = fitBuildUp(line([5, 7, 9, 11, 30, 32, 17, 19]), { changes: [] }, 49);
    expect(fit.enough && fit.outliers).toBe(fit.enough ? undefined : false);
  });
  test("none is named where all fit", () => {
    const fit = fitBuildUp(line([5, 7, 9, 11, 13, 15]), { changes: [] }, 35);
    expect(fit.enough && "outliers" in fit).toBe(false);
  });
});
