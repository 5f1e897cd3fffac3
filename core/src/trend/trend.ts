import { seeded } from "../numeric/index.ts";
import {
  type Events,
  type LoggedEvent,
  meansOn,
  type RateBreak,
  type TimedChange,
  type TimedDose,
  type TimedValue,
  unloggedBreak,
  valuesOn,
  withBreaks,
} from "../readings/index.ts";
import type { Band } from "../tank/index.ts";
import { type Crossing, crossingOf } from "./crossing.ts";
import type { Ranged } from "./ranged.ts";
import { resampled, withOff } from "./resampled.ts";
import { type Settled, type Steady, settledOf } from "./settled.ts";

/** One figure of a tank over its days; day 0 is today. */
export interface TrendInput {
  /** Oldest first, none after today. */
  readonly readings: readonly TimedValue[];
  /** What is known to have happened: changes oldest first, none after today. */
  readonly events: Events;
  /** What may have changed the rate. */
  readonly logged: readonly LoggedEvent[];
  /** Changes that are planned, the next first. */
  readonly planned: readonly TimedChange[];
  /** Doses by hand that are planned. */
  readonly plannedDoses?: readonly TimedDose[];
  /** So many days are looked ahead. */
  readonly daysAhead: number;
  readonly band: Band | null;
  /** How the tank is changed from now on; null where it is not. */
  readonly steady: Steady | null;
}

/** A day of a drawn course. */
export interface CoursePoint extends Ranged {
  readonly day: number;
}

/** Where a figure is going, how sure that is, and what it leans on. */
export interface Trend {
  /** Canonical units a day of the tank itself, now. */
  readonly perDay: Ranged;
  /** How it moves now, with what a doser adds. */
  readonly movesPerDay: number;
  readonly readings: number;
  readonly breaks: readonly RateBreak[];
  /** A change of rate that nobody logged: to be asked about. */
  readonly asked: Omit<RateBreak, "text"> | null;
  /** Readings it does not lean on, with what fits there. */
  readonly outliers: readonly { readonly day: number; readonly value: number; readonly expected: number }[];
  /** The fitted course, a drop as two points of one day. */
  readonly past: readonly CoursePoint[];
  /** The same from today on, with the planned changes. */
  readonly ahead: readonly CoursePoint[];
  /** When the band's edge is reached, with the planned changes; null where it is not in the days ahead. */
  readonly crosses: Crossing | null;
  readonly settled: Settled | null;
}

/** Why there is no trend. */
export type NoTrend =
  | { readonly reason: "few-readings"; readonly readings: number }
  | { readonly reason: "within-kit-error" }
  /** It neither builds up nor is used: at most so much a day. */
  | { readonly reason: "none"; readonly atMostPerDay: number }
  /** It stays where it is, by what is dosed every day. */
  | { readonly reason: "dosed"; readonly dosedPerDay: number };

export type TrendAnswer = { readonly enough: true; readonly trend: Trend } | ({ readonly enough: false } & NoTrend);

const FEWEST_READINGS = 4;
/** From so many on, none is an answer. */
const ENOUGH_FOR_NONE = 8;
const NONE_OF_BAND = 0.1;
/** A visit's days, where nothing is known of the rhythm. */
const USUAL_DAYS = 14;
const SAMPLES = 200;
/** Of many readings fewer samples do. */
const FEWEST_SAMPLES = 25;
const FITTED_IN_ALL = 30_000;
/** Just after a change, days. */
const JUST_AFTER = 1e-6;

/**
 * The trend of a figure: the mass balance through what is known to have happened, robust, its rate broken only by logged
 * events that earn it; its range from residuals drawn again (seeded: the same readings give the same range).
 */
export function trendOf(input: TrendInput): TrendAnswer {
  const { readings, events, logged, planned, plannedDoses = [], daysAhead, band, steady } = input;
  const found = readings.length < FEWEST_READINGS ? null : withBreaks(readings, events, logged);
  const [first, last] = [readings[0], readings.at(-1)];
  if (!found || !first || !last) return { enough: false, reason: "few-readings", readings: readings.length };
  const { fit, breaks, kept, aside } = found;
  const samples = resampled(kept, events, fit, samplesOf(kept.length), seeded(kept.length));
  const rate = fit.rates.at(-1) as number;
  const perDay = rangeOf(
    rate,
    samples.map((s) => s.fit.rates.at(-1) as number),
  );
  const moves = rate + (events.dosedPerDay ?? 0);
  const span = last.day - (fit.breaks.at(-1) ?? first.day);
  const still = standingStill(input, perDay, Math.abs(moves) * span);
  if (still) return still;
  const all = {
    ...events,
    changes: [...events.changes, ...planned],
    given: [...(events.given ?? []), ...plannedDoses],
  };
  const steps = [...all.changes, ...all.given].map((s) => s.day);
  const days = (from: number, to: number) => daysDrawn(from, to, steps, fit.breaks);
  const drawn = (on: readonly number[], coming: boolean): CoursePoint[] => {
    const mean = meansOn(fit, on, all);
    const many = samples.map((s) => (coming ? meansOn(s.ahead, on, withOff(all, s.off)) : meansOn(s.fit, on, all)));
    return on.map((day, i) => {
      const { value, low, high } = rangeOf(
        mean[i] ?? 0,
        many.map((m) => m[i] as number),
      );
      return { day, value: Math.max(0, value), low: Math.max(0, low), high: Math.max(0, high) };
    });
  };
  const past = days(fit.firstDay, 0);
  return {
    enough: true,
    trend: {
      perDay,
      movesPerDay: moves,
      readings: readings.length,
      breaks,
      asked: unloggedBreak(kept, events, fit),
      outliers: aside.map((r) => ({
        day: r.day,
        value: r.value,
        expected: valuesOn(fit, [Math.max(r.day, fit.firstDay)], events)[0]?.value ?? r.value,
      })),
      past: drawn(past, false),
      ahead: drawn(days(0, daysAhead), true),
      crosses: band ? crossingOf(fit, samples, all, band, daysAhead) : null,
      settled: steady ? settledOf(moves, perDay, steady, band) : null,
    },
  };
}

/** What is said of a figure that moved no further than its kit can tell; null where it did. */
function standingStill(
  { readings, events, band, steady }: TrendInput,
  perDay: Ranged,
  moved: number,
): Extract<TrendAnswer, { enough: false }> | null {
  const typicalSigma = readings.reduce((sum, r) => sum + r.sigma, 0) / readings.length;
  if (moved >= 2 * typicalSigma) return null;
  const half = (perDay.high - perDay.low) / 2;
  const little = Math.max(typicalSigma, band ? NONE_OF_BAND * (band.idealHigh - Math.max(0, band.idealLow)) : 0);
  const none = readings.length >= ENOUGH_FOR_NONE && half * (steady?.intervalDays ?? USUAL_DAYS) < little;
  if (!none) return { enough: false, reason: "within-kit-error" };
  const dosed = events.dosedPerDay ?? 0;
  return dosed > 0
    ? { enough: false, reason: "dosed", dosedPerDay: dosed }
    : { enough: false, reason: "none", atMostPerDay: Math.max(Math.abs(perDay.low), Math.abs(perDay.high)) };
}

const samplesOf = (readings: number): number =>
  Math.round(Math.min(SAMPLES, Math.max(FEWEST_SAMPLES, FITTED_IN_ALL / readings)));

/** The days on which a course bends or drops, each drop with the moment after it. */
function daysDrawn(from: number, to: number, changes: readonly number[], breaks: readonly number[]): number[] {
  const bends = [...changes.flatMap((d) => [d, d + JUST_AFTER]), ...breaks];
  return [from, ...bends.filter((d) => d > from && d < to).sort((a, b) => a - b), to];
}

/** The middle of a value with the range that holds 19 of 20 of its samples. */
function rangeOf(value: number, samples: readonly number[]): Ranged {
  const sorted = [...samples].sort((a, b) => a - b);
  const at = (part: number) => sorted[Math.round(part * (sorted.length - 1))] ?? value;
  return { value, low: Math.min(value, at(0.025)), high: Math.max(value, at(0.975)) };
}
