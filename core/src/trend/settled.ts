import type { TimedChange } from "../readings/index.ts";
import type { Band } from "../tank/index.ts";
import { intervalToHold, settledPeak, settledTrough, shareToHold } from "../water/index.ts";
import type { Ranged } from "./ranged.ts";

/** How a tank is changed from now on. */
export interface Steady {
  /** Effective share of a change. */
  readonly share: number;
  readonly intervalDays: number;
  /** What the new water holds of it. */
  readonly refill: number;
  /** The most that the tank's animals bear at one time, 0 to 1. */
  readonly mostShare: number;
}

/** What a steady rate and a steady change come to in the end, and what would hold a limit. */
export interface Settled {
  /** Just before a change, and just after it. */
  readonly before: Ranged;
  readonly after: number;
  /** What to hold it at, and the share or the days that do; null where no change does. */
  readonly hold: {
    readonly limit: number;
    readonly share: number | null;
    readonly intervalDays: number | null;
  } | null;
}

/** A day between visits is the least that anybody keeps. */
const FEWEST_DAYS = 1;

/**
 * The saw-tooth in the long run. A figure that falls is held above the low edge, one that climbs below the high one.
 *
 * @param movesPerDay As it moves between changes, canonical units.
 */
export function settledOf(movesPerDay: number, own: Ranged, steady: Steady, band: Band | null): Settled | null {
  const { share, intervalDays, refill } = steady;
  if (!(share > 0) || share > 1 || !(intervalDays > 0)) return null;
  const dosed = movesPerDay - own.value;
  const peak = (rate: number) => Math.max(0, settledPeak(refill, rate, intervalDays, share));
  const ends = [peak(own.low + dosed), peak(own.high + dosed)];
  const limit = band ? (movesPerDay > 0 ? band.idealHigh : band.idealLow) : null;
  return {
    before: { value: peak(movesPerDay), low: Math.min(...ends), high: Math.max(...ends) },
    after: Math.max(0, settledTrough(refill, movesPerDay, intervalDays, share)),
    hold: limit === null || limit < 0 ? null : holding(limit, movesPerDay, steady),
  };
}

function holding(limit: number, perDay: number, { share, intervalDays, refill, mostShare }: Steady): Settled["hold"] {
  const needs = shareToHold(limit, refill, perDay, intervalDays);
  // New water that is no better than the limit holds nothing.
  const better = perDay > 0 ? refill < limit : refill > limit;
  const days = better ? Math.floor(intervalToHold(limit, refill, perDay, share)) : 0;
  return {
    limit,
    share: better && needs > 0 && needs <= mostShare ? needs : null,
    intervalDays: days >= FEWEST_DAYS ? days : null,
  };
}

/**
 * A value played forward: at a steady rate between changes, each of which replaces a share of it, and doses, each of which
 * raises it. A drop or a rise is two points of one day.
 *
 * @param changes None before day 0.
 * @param doses By hand, none before day 0; of one day after its change.
 * @example
 * playedForward(10, 1, [{ day: 7, share: 0.5, refill: 0 }], 8).map((p) => p.value); // [10, 17, 8.5, 9.5]
 */
export function playedForward(
  now: number,
  perDay: number,
  changes: readonly TimedChange[],
  daysAhead: number,
  doses: readonly { readonly day: number; readonly rise: number }[] = [],
): { readonly day: number; readonly value: number }[] {
  const points = [{ day: 0, value: now }];
  let [day, value] = [0, now];
  const wait = (until: number) => {
    value = Math.max(0, value + perDay * (until - day));
    day = until;
    points.push({ day, value });
  };
  const steps = [
    ...changes.map(({ day, share, refill }) => ({ day, put: (x: number) => x * (1 - share) + refill * share })),
    ...doses.map(({ day, rise }) => ({ day, put: (x: number) => x + rise })),
  ].sort((a, b) => a.day - b.day);
  for (const step of steps.filter((s) => s.day <= daysAhead)) {
    wait(step.day);
    value = step.put(value);
    points.push({ day, value });
  }
  wait(daysAhead);
  return points;
}
