import type { Events } from "./balance.ts";
import { type CourseFit, fitCourse, huberLoss, scatterOf, type TimedValue } from "./fitCourse.ts";
import { outliersOf } from "./outliers.ts";

/** Something that was logged and may have changed a rate: animals in or out, feeding, media, lights, a dose. */
export interface LoggedEvent {
  readonly day: number;
  readonly text: string;
}

/** A rate that changed with something that was logged. */
export interface RateBreak extends LoggedEvent {
  /** Canonical units a day of the tank itself, before and since. */
  readonly before: number;
  readonly since: number;
}

/** So many readings lie on each side of a break. */
const FEWEST_EACH_SIDE = 3;
const READINGS_A_BREAK = 6;
const CLEAR_SIGMAS = 2;
const MOST_ROUNDS = 3;
/** Nobody logged it: it has to show so much more clearly. */
const UNLOGGED_TIMES = 3;
/** Of many readings not every gap is tried. */
const MOST_DAYS_TRIED = 50;

/** A course, the breaks of its rate, and the readings it was fitted to and those that were set aside. */
export interface Fitting {
  readonly fit: CourseFit;
  readonly breaks: readonly RateBreak[];
  readonly kept: readonly TimedValue[];
  readonly aside: readonly TimedValue[];
}

/**
 * The course with the breaks of its rate that earn their keep: one of the logged events after the other, each time the one
 * that explains most, as long as twice the loss falls by at least ln n + 2 ln m (n readings, m events), three readings lie on
 * each side, and the rates differ by more than two of their sigmas; one break for six readings. Readings far off it
 * that none beside them bears out are set aside, and it is fitted anew without them.
 */
export function withBreaks(
  readings: readonly TimedValue[],
  events: Events,
  logged: readonly LoggedEvent[],
): Fitting | null {
  let kept = readings;
  let found = chosen(kept, events, logged);
  // One that is set aside pulls at the course no more: others may show then.
  for (let round = 0; found && round < MOST_ROUNDS; round++) {
    const far = outliersOf(kept, found.fit);
    const fewer = kept.filter((r) => !far.includes(r));
    const again = far.length > 0 ? chosen(fewer, events, logged) : null;
    if (!again) break;
    [kept, found] = [fewer, again];
  }
  return found && { ...found, kept, aside: readings.filter((r) => !kept.includes(r)) };
}

function chosen(
  readings: readonly TimedValue[],
  events: Events,
  logged: readonly LoggedEvent[],
): Pick<Fitting, "fit" | "breaks"> | null {
  const plain = fitCourse(readings, events, []);
  if (!plain) return null;
  const penalty = Math.log(readings.length) + 2 * Math.log(Math.max(1, logged.length));
  const fit = greedy(
    readings,
    events,
    plain,
    logged.map((e) => e.day),
    penalty,
  );
  return {
    fit,
    breaks: fit.breaks.flatMap((day, i) => {
      const { text } = logged.find((e) => e.day === day) ?? {};
      return text === undefined
        ? []
        : [{ day, text, before: fit.rates[i] as number, since: fit.rates[i + 1] as number }];
    }),
  };
}

/**
 * A day on which the rate seems to have changed though nothing was logged, between two readings; null where none shows. It
 * is asked about, never asserted.
 */
export function unloggedBreak(
  readings: readonly TimedValue[],
  events: Events,
  fit: CourseFit,
): Omit<RateBreak, "text"> | null {
  const between = readings.slice(1).map((r, i) => ((readings[i]?.day ?? r.day) + r.day) / 2);
  const apart = Math.max(1, Math.ceil(between.length / MOST_DAYS_TRIED));
  const days = between.filter((_, i) => i % apart === 0);
  const penalty = UNLOGGED_TIMES * (Math.log(readings.length) + 2 * Math.log(Math.max(1, days.length)));
  const better = best(readings, events, fit, days, penalty);
  if (!better) return null;
  const at = better.breaks.findIndex((day) => !fit.breaks.includes(day));
  return {
    day: better.breaks[at] as number,
    before: better.rates[at] as number,
    since: better.rates[at + 1] as number,
  };
}

function greedy(
  readings: readonly TimedValue[],
  events: Events,
  plain: CourseFit,
  days: readonly number[],
  penalty: number,
): CourseFit {
  let fit = plain;
  while (fit.breaks.length < Math.floor(readings.length / READINGS_A_BREAK)) {
    const next = best(readings, events, fit, days, penalty);
    if (!next) break;
    fit = next;
  }
  return fit;
}

/** The fit with one break more that explains most; null where none earns its keep. */
function best(
  readings: readonly TimedValue[],
  events: Events,
  fit: CourseFit,
  days: readonly number[],
  penalty: number,
): CourseFit | null {
  let found: { fit: CourseFit; gain: number } | null = null;
  for (const day of new Set(days)) {
    if (fit.breaks.includes(day)) continue;
    const breaks = [...fit.breaks, day].sort((a, b) => a - b);
    if (!enoughBetween(readings, breaks)) continue;
    const tried = fitCourse(readings, events, breaks);
    if (!tried || !differs(tried, breaks.indexOf(day))) continue;
    // By how far the readings scatter when it is explained: a real change would look like a bad kit otherwise.
    const scatter = scatterOf(tried);
    const loss = ({ misses }: CourseFit) => misses.reduce((sum, miss) => sum + 2 * huberLoss(miss / scatter), 0);
    const gain = loss(fit) - loss(tried);
    if (gain >= penalty && (!found || gain > found.gain)) found = { fit: tried, gain };
  }
  return found?.fit ?? null;
}

function enoughBetween(readings: readonly TimedValue[], breaks: readonly number[]): boolean {
  const edges = [Number.NEGATIVE_INFINITY, ...breaks, Number.POSITIVE_INFINITY];
  return edges
    .slice(1)
    .every((to, i) => readings.filter((r) => r.day > (edges[i] as number) && r.day <= to).length >= FEWEST_EACH_SIDE);
}

/** Whether the rates on both sides of a break differ by more than their errors. */
function differs({ rates, covariance }: CourseFit, at: number): boolean {
  const [a, b] = [at + 1, at + 2];
  const variance = (covariance[a]?.[a] ?? 0) + (covariance[b]?.[b] ?? 0) - 2 * (covariance[a]?.[b] ?? 0);
  const step = Math.abs((rates[at + 1] as number) - (rates[at] as number));
  return step > CLEAR_SIGMAS * Math.sqrt(Math.max(0, variance));
}
