import { balanceBetween, type Events } from "./balance.ts";

/** A reading on a day axis (days since any origin), canonical unit. */
export interface TimedValue {
  readonly day: number;
  readonly value: number;
  readonly sigma: number;
}

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
    }
  | { readonly enough: false; readonly reason: "few-readings" | "within-kit-error" };

/** A rate that was found. */
export type Fitted = Extract<BuildUp, { readonly enough: true }>;

/** Huber 1964: 95 % efficiency for normal errors. */
const HUBER_K = 1.345;
const FEWEST_READINGS = 4;
/** Further off than so many of its sigmas, between two that are not, a reading is named as an outlier. */
const OUTLIER_SIGMAS = 4;
const AGREES_SIGMAS = 2;

/**
 * Rate at which a substance builds up or is consumed, and its value now.
 *
 * Mass balance between readings and known events is linear in (start value, rate); solved by weighted least
 * squares with Huber weights, eight rounds. Readings at the same moment as an event count as taken before it.
 *
 * Source: Huber, Robust estimation of a location parameter, 1964.
 */
export function fitBuildUp(readings: readonly TimedValue[], events: Events, nowDay: number): BuildUp {
  const first = readings[0];
  if (!first || readings.length < FEWEST_READINGS) return { enough: false, reason: "few-readings" };
  const firstDay = first.day;
  const rows = readings.map((r) => {
    const { ofStart: x0, ofRate: x1, known } = balanceBetween(firstDay, r.day, events);
    return { x0, x1, y: r.value - known, sigma: Math.max(r.sigma, 1e-9) };
  });

  let weights = rows.map(() => 1);
  let [start, rate, v00, v01, v11] = [0, 0, 0, 0, 0];
  for (let round = 0; round < 8; round++) {
    let [s00, s01, s11, t0, t1] = [0, 0, 0, 0, 0];
    rows.forEach((r, i) => {
      const w = (weights[i] ?? 1) / r.sigma ** 2;
      s00 += w * r.x0 * r.x0;
      s01 += w * r.x0 * r.x1;
      s11 += w * r.x1 * r.x1;
      t0 += w * r.x0 * r.y;
      t1 += w * r.x1 * r.y;
    });
    const determinant = s00 * s11 - s01 * s01;
    if (!(determinant > 1e-12 * s00 * s11)) return { enough: false, reason: "few-readings" };
    start = (s11 * t0 - s01 * t1) / determinant;
    rate = (s00 * t1 - s01 * t0) / determinant;
    [v00, v01, v11] = [s11 / determinant, -s01 / determinant, s00 / determinant];
    weights = rows.map((r) => {
      const miss = Math.abs(r.y - start * r.x0 - rate * r.x1) / r.sigma;
      return miss <= HUBER_K ? 1 : HUBER_K / miss;
    });
  }

  // Kits are often worse than they say: a fit that misses by more than the stated error widens its own.
  const chi2 = rows.reduce(
    (sum, r, i) => sum + (weights[i] ?? 1) * ((r.y - start * r.x0 - rate * r.x1) / r.sigma) ** 2,
    0,
  );
  const inflate = Math.max(1, Math.sqrt(chi2 / Math.max(1, rows.length - 2)));
  const last = readings[readings.length - 1] ?? first;
  const typicalSigma = rows.reduce((sum, r) => sum + r.sigma, 0) / rows.length;
  if (Math.abs(rate + (events.dosedPerDay ?? 0)) * (last.day - firstDay) < 2 * typicalSigma)
    return { enough: false, reason: "within-kit-error" };

  const rateSigma = Math.sqrt(v11) * inflate;
  const { ofStart: n0, ofRate: n1, known } = balanceBetween(firstDay, nowDay, events);
  const fitted = {
    now: start * n0 + rate * n1 + known,
    nowSigma: Math.sqrt(Math.max(0, v00 * n0 * n0 + 2 * v01 * n0 * n1 + v11 * n1 * n1)) * inflate,
  };
  const today = shifted(readings, events, nowDay, { rate, rateSigma, ...fitted }) ?? fitted;
  return {
    enough: true,
    ...movesOf(rate, today.now, events),
    perDaySigma: rateSigma,
    readings: readings.length,
    ...outliersOf(
      readings,
      rows.map((r) => Math.abs(r.y - start * r.x0 - rate * r.x1) / r.sigma),
    ),
    ...today,
  };
}

/** What the tank makes or uses by itself, and how the water moves at a value with what doses it and changes it. */
const movesOf = (ownPerDay: number, now: number, { dosedPerDay = 0, machine }: Events) =>
  dosedPerDay || machine
    ? { perDay: ownPerDay + dosedPerDay - (machine ? machine.sharePerDay * (now - machine.refill) : 0), ownPerDay }
    : { perDay: ownPerDay };

/** What the tank itself makes or uses a day, whatever a doser and a machine do. */
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
 */
export function carriedOn(fit: Fitted, days: number, planned: Events): Carried {
  const { ofStart, ofRate, known } = balanceBetween(0, days, planned);
  return {
    value: Math.max(0, ofStart * fit.now + ofRate * ownPerDayOf(fit) + known),
    sigma: Math.hypot(ofStart * fit.nowSigma, ofRate * fit.perDaySigma),
  };
}

/** Readings far off the fit whose neighbours agree with it. */
function outliersOf(
  readings: readonly TimedValue[],
  misses: readonly number[],
): { readonly outliers?: readonly Pick<TimedValue, "day" | "value">[] } {
  const far = readings.filter((_, i) => {
    const neighbours = [misses[i - 1], misses[i + 1]].filter((m) => m !== undefined);
    return (misses[i] ?? 0) > OUTLIER_SIGMAS && neighbours.every((m) => m <= AGREES_SIGMAS);
  });
  return far.length > 0 ? { outliers: far.map(({ day, value }) => ({ day, value })) } : {};
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
