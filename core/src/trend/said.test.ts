import { describe, expect, test } from "vitest";
import { say } from "../say/index.ts";
import type { Band } from "../tank/index.ts";
import { METRIC, type Parameter } from "../units/index.ts";
import { trendOf, trendSentences } from "./index.ts";

/** Sunday 29 November 2026; 56 days before it is 4 October. */
const ON = "2026-11-29";

/** A tank that is read and changed every few days, exactly as it is: its sentence was worked out by hand. */
interface Told {
  readonly of?: Parameter;
  /** What it makes or uses a day, and before the break 56 days ago. */
  readonly rate: number;
  readonly before?: number;
  readonly event?: string;
  readonly dosed?: number;
  readonly share: number;
  readonly every: number;
  readonly refill: number;
  /** What its animals bear at one time; all of it where nothing is said. */
  readonly mostShare?: number;
  readonly ideal: readonly [number, number];
  readonly says: string;
}

const NITRATE = { refill: 5, ideal: [5, 30] } as const;
const ALKALINITY = { of: "alkalinity", ideal: [7.6, 8.8] } as const;
const FISH = { share: 0.3, every: 7, event: "Six fish added" } as const;

const TOLD: readonly Told[] = [
  // 5 + 14 / 0.3; 14 / 25.
  {
    ...NITRATE,
    ...{ rate: 1, share: 0.3, every: 14 },
    says: "Nitrate climbs 1.0 mg/L a day. 30 % every 14 days settles at 51.7 mg/L; 56 % would hold 30.0 mg/L.",
  },
  {
    ...NITRATE,
    ...{ rate: 0.5, share: 0.3, every: 14 },
    says: "Nitrate climbs 0.50 mg/L a day. 30 % every 14 days settles at 28.3 mg/L.",
  },
  // 5 + 14 / 0.25; 14 / 25.
  {
    ...NITRATE,
    ...{ rate: 2, share: 0.25, every: 7 },
    says: "Nitrate climbs 2.0 mg/L a day. 25 % every 7 days settles at 61.0 mg/L; 56 % would hold 30.0 mg/L.",
  },
  // 28 / 25 is more than all of it; 0.25 · 25 / 4 is a day and a half.
  {
    ...NITRATE,
    ...{ rate: 4, share: 0.25, every: 7 },
    says: "Nitrate climbs 4.0 mg/L a day. 25 % every 7 days settles at 117.0 mg/L; every day it would hold 30.0 mg/L.",
  },
  // 56 % would hold it, and its animals bear half: 0.3 · 25 / 1 is seven days and a half.
  {
    ...NITRATE,
    ...{ rate: 1, share: 0.3, every: 14, mostShare: 0.5 },
    says: "Nitrate climbs 1.0 mg/L a day. 30 % every 14 days settles at 51.7 mg/L; every 7 days it would hold 30.0 mg/L.",
  },
  {
    ...NITRATE,
    ...{ rate: 3.9, share: 0.5, every: 7 },
    says: "Nitrate climbs 3.9 mg/L a day. 50 % every 7 days settles at 59.6 mg/L; every 3 days it would hold 30.0 mg/L.",
  },
  {
    ...{ rate: 0.2, share: 0.2, every: 7, refill: 0, ideal: [5, 30] },
    says: "Nitrate climbs 0.20 mg/L a day. 20 % every 7 days settles at 7.0 mg/L.",
  },
  // The tap holds more than the tank may.
  {
    ...{ rate: 0.5, share: 0.25, every: 7, refill: 40, ideal: [5, 30] },
    says: "Nitrate climbs 0.50 mg/L a day. 25 % every 7 days settles at 54.0 mg/L; no change of water alone holds 30.0 mg/L.",
  },
  {
    ...NITRATE,
    ...{ rate: 0.4, share: 0.4, every: 21 },
    says: "Nitrate climbs 0.40 mg/L a day. 40 % every 21 days settles at 26.0 mg/L.",
  },
  {
    ...NITRATE,
    ...{ rate: 0.5, share: 0.05, every: 1 },
    says: "Nitrate climbs 0.50 mg/L a day. 5 % every day settles at 15.0 mg/L.",
  },
  {
    ...NITRATE,
    ...{ rate: 12, share: 0.5, every: 7 },
    says: "Nitrate climbs 12 mg/L a day. 50 % every 7 days settles at 173.0 mg/L; every day it would hold 30.0 mg/L.",
  },
  // Uses more than it makes; the tap brings it.
  {
    ...{ rate: -0.3, share: 0.25, every: 7, refill: 20, ideal: [5, 30] },
    says: "Nitrate falls 0.30 mg/L a day. 25 % every 7 days settles at 11.6 mg/L.",
  },
  {
    ...{ of: "phosphate", rate: 0.01, share: 0.2, every: 7, refill: 0, ideal: [0.02, 0.1] },
    says: "Phosphate climbs 0.010 mg/L a day. 20 % every 7 days settles at 0.35 mg/L; 70 % would hold 0.10 mg/L.",
  },
  {
    ...{ of: "phosphate", rate: 0.002, share: 0.2, every: 7, refill: 0, ideal: [0.02, 0.1] },
    says: "Phosphate climbs 0.002 mg/L a day. 20 % every 7 days settles at 0.07 mg/L.",
  },
  // 8 − 0.7 / 0.15; 0.7 / 0.4 is more than all of it.
  {
    ...ALKALINITY,
    ...{ rate: -0.1, share: 0.15, every: 7, refill: 8 },
    says: "Alkalinity falls 0.10 dKH a day. 15 % every 7 days settles at 3.3 dKH; no change of water alone holds 7.6 dKH. Changes alone do not keep 7.6 dKH: start dosing, 0.10 dKH a day.",
  },
  {
    ...ALKALINITY,
    ...{ rate: -0.02, share: 0.2, every: 7, refill: 9 },
    says: "Alkalinity falls 0.020 dKH a day. 20 % every 7 days settles at 8.3 dKH.",
  },
  // 10 − 0.7 / 0.2; 0.7 / 2.4.
  {
    ...ALKALINITY,
    ...{ rate: -0.1, share: 0.2, every: 7, refill: 10 },
    says: "Alkalinity falls 0.10 dKH a day. 20 % every 7 days settles at 6.5 dKH; 29 % would hold 7.6 dKH.",
  },
  {
    ...ALKALINITY,
    ...{ rate: -0.7, dosed: 0.6, share: 0.15, every: 7, refill: 8 },
    says: "The tank uses 0.70 dKH of alkalinity a day and is given 0.60 dKH. It lacks 0.10 dKH a day: no change of water makes up for that, the doser has to. 15 % every 7 days settles at 3.3 dKH.",
  },
  // 8 + 0.56 / 0.15; 0.56 / 0.8.
  {
    ...ALKALINITY,
    ...{ rate: -0.52, dosed: 0.6, share: 0.15, every: 7, refill: 8 },
    says: "The tank uses 0.52 dKH of alkalinity a day and is given 0.60 dKH. That is 0.080 dKH a day more than it uses. 15 % every 7 days settles at 11.7 dKH; 70 % would hold 8.8 dKH.",
  },
  {
    ...{ of: "calcium", rate: -3, share: 0.2, every: 7, refill: 430, ideal: [400, 450] },
    says: "Calcium falls 3.0 mg/L a day. 20 % every 7 days settles at 325 mg/L; 70 % would hold 400 mg/L.",
  },
  {
    ...{ of: "calcium", rate: -0.5, share: 0.2, every: 7, refill: 430, ideal: [400, 450] },
    says: "Calcium falls 0.50 mg/L a day. 20 % every 7 days settles at 413 mg/L.",
  },
  {
    ...{ of: "magnesium", rate: -2, share: 0.2, every: 7, refill: 1300, ideal: [1250, 1400] },
    says: "Magnesium falls 2.0 mg/L a day. 20 % every 7 days settles at 1 230 mg/L; 28 % would hold 1 250 mg/L.",
  },
  // Topped up with salt water: 8 + 0.35 / 0.3; 0.35 / 1.
  {
    ...{ of: "salinity", rate: 0.05, share: 0.3, every: 7, refill: 8, ideal: [7, 9] },
    says: "Salinity climbs 0.050 ppt a day. 30 % every 7 days settles at 9.2 ppt; 35 % would hold 9.0 ppt.",
  },
  // 5 + 10.5 / 0.3; 10.5 / 25.
  {
    ...NITRATE,
    ...FISH,
    ...{ before: 0.8, rate: 1.5 },
    says: "Nitrate climbs 1.5 mg/L a day since 4 October, 0.80 mg/L before: six fish added. 30 % every 7 days settles at 40.0 mg/L; 42 % would hold 30.0 mg/L.",
  },
  {
    ...NITRATE,
    ...{ share: 0.3, every: 7, event: "Macroalgae planted", before: 0.8, rate: 0.3 },
    says: "Nitrate climbs 0.30 mg/L a day since 4 October, 0.80 mg/L before: macroalgae planted. 30 % every 7 days settles at 12.0 mg/L.",
  },
  // Logged, and nothing changed by it.
  {
    ...NITRATE,
    ...{ share: 0.3, every: 7, event: "Lamps changed", before: 0.5, rate: 0.5 },
    says: "Nitrate climbs 0.50 mg/L a day. 30 % every 7 days settles at 16.7 mg/L.",
  },
  // 10 − 1.4 / 0.2; 1.4 / 2.4.
  {
    ...ALKALINITY,
    ...{ share: 0.2, every: 7, refill: 10, event: "Corals added", before: -0.05, rate: -0.2 },
    says: "Alkalinity falls 0.20 dKH a day since 4 October, 0.050 dKH before: corals added. 20 % every 7 days settles at 3.0 dKH; 58 % would hold 7.6 dKH.",
  },
  // 8 − 0.77 / 0.15.
  {
    ...ALKALINITY,
    ...{ dosed: 0.6, share: 0.15, every: 7, refill: 8, event: "Two coral colonies added", before: -0.6, rate: -0.71 },
    says: "The tank uses 0.71 dKH of alkalinity a day since 4 October, 0.60 dKH before, and is given 0.60 dKH: two coral colonies added. It lacks 0.11 dKH a day: no change of water makes up for that, the doser has to. 15 % every 7 days settles at 2.9 dKH.",
  },
];

const DAYS = 168;

function said({
  of = "nitrate",
  rate,
  before = rate,
  event,
  dosed = 0,
  share,
  every,
  refill,
  ideal,
  mostShare = 1,
}: Told): string {
  const readings: { day: number; value: number; sigma: number }[] = [];
  const changes: { day: number; share: number; refill: number }[] = [];
  // High enough that nothing runs out on the way.
  let value = of === "nitrate" || of === "phosphate" ? ideal[1] : refill + 4;
  for (let day = -DAYS; day < 0; day += every) {
    readings.push({ day, value, sigma: ideal[1] / 1000 });
    changes.push({ day, share, refill });
    value = value * (1 - share) + refill * share + ((day < -56 ? before : rate) + dosed) * every;
  }
  const band: Band = {
    ...{ parameter: of, idealLow: ideal[0], idealHigh: ideal[1], actLow: -1, actHigh: 1e9 },
    ...{ validDays: 21, required: true },
  };
  const steady = { share, intervalDays: every, refill, mostShare };
  const answer = trendOf({
    ...{
      readings,
      events: { changes, ...(dosed > 0 ? { dosedPerDay: dosed } : {}) },
      planned: [],
      daysAhead: 0,
      band,
      steady,
    },
    logged: event ? [{ day: -56, text: event }] : [],
  });
  return trendSentences({ parameter: of, on: ON, steady }, answer)
    .map((m) => say(m, METRIC))
    .join(" ")
    .replaceAll(/\s/g, " ");
}

describe("the sentence under a curve", () => {
  for (const told of TOLD) test(told.says, () => expect(said(told)).toBe(told.says));

  const few = (count: number) => {
    const readings = Array.from({ length: count }, (_, i) => ({ day: 7 * (i - count), value: 9, sigma: 1 }));
    const answer = trendOf({
      ...{ readings, events: { changes: [] }, logged: [], planned: [], daysAhead: 0, band: null, steady: null },
    });
    return trendSentences({ parameter: "nitrate", on: ON, steady: null }, answer).map((m) => say(m, METRIC));
  };
  test("says what there is where that is too little", () => {
    expect(few(0)).toEqual(["It has not been read yet."]);
    expect(few(1)).toEqual(["A trend takes four readings: there is one."]);
    expect(few(3)).toEqual(["A trend takes four readings: there are 3."]);
    expect(few(5)).toEqual(["It moves less than the kit can tell."]);
    // 13 readings a week apart: σ of a rate is 1 / (7 · √182); 2.2 of it.
    const [none] = few(13);
    expect(
      Number(/^It neither builds up nor is used: at most ([\d.]+)\smg\/L a day\.$/.exec(none ?? "")?.[1]),
    ).toBeCloseTo(2.2 / (7 * Math.sqrt(182)), 2);
  });
});
