import { balanceBetween, type Events } from "./balance.ts";
import { type LoggedEvent, type RateBreak, withBreaks } from "./breaks.ts";
import { type TimedValue, valuesOn } from "./fitCourse.ts";

/** A fitted saw-tooth, or why there is none. */
export type BuildUp =
  | {
      readonly enough: true;
      /** Canonical units a day as it moves now with nothing done at a visit; negative for what is consumed. */
      readonly perDay: number;
      /** What the tank itself makes or, below zero, uses; absent where neither a doser nor a machine moves it too. */
      readonly ownPerDay?: number | undefined;
      readonly perDaySigma: number;
      /** Value now, at the day asked for. */
      readonly now: number;
      readonly nowSigma: number;
      readonly readings: number;
      /** Readings that the fit does not lean on, oldest first; absent where there are none. */
      readonly outliers?: readonly Pick<TimedValue, "day" | "value">[];
      /** Logged events with which the rate changed, oldest first; absent where there are none. */
      readonly breaks?: readonly RateBreak[];
    }
  | { readonly enough: false; readonly reason: "few-readings" | "within-kit-error" };

/** A rate that was found. */
export type Fitted = Extract<BuildUp, { readonly enough: true }>;

const FEWEST_READINGS = 4;

/**
 * Rate at which a substance builds up or is consumed, and its value now.
 *
 * Mass balance between readings and known events is linear in the start value and the rate of each stretch; solved by
 * weighted least squares with Huber weights. Another stretch begins where a logged event earns it. Readings at the same
 * moment as an event count as taken before it.
 *
 * Source: Huber, Robust estimation of a location parameter, 1964.
 * @param logged What may have changed the rate, by the day.
 * @example
 * fitBuildUp([0, 7, 14, 21].map((day) => ({ day, value: 10 + day, sigma: 1 })), { changes: [] }, 21); // { "enough": true }
 */
export function fitBuildUp(
  readings: readonly TimedValue[],
  events: Events,
  nowDay: number,
  logged: readonly LoggedEvent[] = [],
): BuildUp {
  const [first, last] = [readings[0], readings.at(-1)];
  if (!first || !last || readings.length < FEWEST_READINGS) return { enough: false, reason: "few-readings" };
  const found = withBreaks(readings, events, logged);
  if (!found) return { enough: false, reason: "few-readings" };
  const { fit, breaks, aside } = found;
  const rate = fit.rates.at(-1) as number;
  const rateSigma = Math.sqrt(fit.covariance.at(-1)?.at(-1) ?? 0);
  const typicalSigma = readings.reduce((sum, r) => sum + r.sigma, 0) / readings.length;
  const lastStretch = last.day - (fit.breaks.at(-1) ?? first.day);
  if (Math.abs(rate + (events.dosedPerDay ?? 0)) * lastStretch < 2 * typicalSigma)
    return { enough: false, reason: "within-kit-error" };
  const [now] = valuesOn(fit, [nowDay], events);
  const fitted = { now: now?.value ?? last.value, nowSigma: now?.sigma ?? last.sigma };
  const today = shifted(readings, events, nowDay, { rate, rateSigma, ...fitted }) ?? fitted;
  return {
    enough: true,
    ...movesOf(rate, today.now, events),
    perDaySigma: rateSigma,
    readings: readings.length,
    ...(aside.length > 0 ? { outliers: aside.map(({ day, value }) => ({ day, value })) } : {}),
    ...(breaks.length > 0 ? { breaks } : {}),
    ...today,
  };
}

/** What the tank makes or uses by itself, and how the water moves at a value with what doses it and changes it. */
const movesOf = (ownPerDay: number, now: number, { dosedPerDay = 0, machine }: Events) =>
  dosedPerDay || machine
    ? { perDay: ownPerDay + dosedPerDay - (machine ? machine.sharePerDay * (now - machine.refill) : 0), ownPerDay }
    : { perDay: ownPerDay };

/**
 * What the tank itself makes or uses a day, whatever a doser and a machine do.
 *
 * @example
 * ownPerDayOf({ perDay: 2, ownPerDay: 3 }); // 3
 */
export const ownPerDayOf = (fit: Fitted): number => fit.ownPerDay ?? fit.perDay;

/** A value with its standard deviation. */
export interface Carried {
  readonly value: number;
  readonly sigma: number;
}

/**
 * What a fitted value will probably be some days from now, with the changes that are planned until then; now is day 0.
 *
 * @param days From 0.
 * @example
 * carriedOn({ now: 10, nowSigma: 1, perDay: 1, perDaySigma: 0.1 }, 7, { changes: [] }).value; // 17
 */
export function carriedOn(fit: Fitted, days: number, planned: Events): Carried {
  const { ofStart, ofRate, known } = balanceBetween(0, days, planned);
  return {
    value: Math.max(0, ofStart * fit.now + ofRate * ownPerDayOf(fit) + known),
    sigma: Math.hypot(ofStart * fit.nowSigma, ofRate * fit.perDaySigma),
  };
}

/** Readings this close together are of one visit, days. */
const SAME_VISIT_DAYS = 1;
const SHIFT_SIGMAS = 3;

/**
 * Today's value carried on from the last reading, where two readings of the last visit agree with each other and not
 * with the fit: the level has moved, and a robust fit would take both for outliers. Null otherwise.
 */
function shifted(
  readings: readonly TimedValue[],
  events: Events,
  nowDay: number,
  fit: { readonly rate: number; readonly rateSigma: number; readonly now: number; readonly nowSigma: number },
): { readonly now: number; readonly nowSigma: number } | null {
  const [last, other] = [readings.at(-1), readings.at(-2)];
  if (!last || !other || last.day - other.day > SAME_VISIT_DAYS) return null;
  if (Math.abs(last.value - other.value) > SHIFT_SIGMAS * Math.hypot(last.sigma, other.sigma)) return null;
  const { ofStart: c, ofRate: a, known } = balanceBetween(last.day, nowDay, events);
  const now = last.value * c + fit.rate * a + known;
  const nowSigma = Math.hypot(c * last.sigma, a * fit.rateSigma);
  return Math.abs(now - fit.now) > SHIFT_SIGMAS * Math.hypot(nowSigma, fit.nowSigma) ? { now, nowSigma } : null;
}
