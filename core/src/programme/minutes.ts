/** Weight of the library's figure against logged ones. */
const LIBRARY_WEIGHT = 3;
const NEWEST = 12;
/** How far the same work spreads before anything was logged, on a logarithmic scale. */
const USUAL_SPREAD = 0.35;
/** 80 of 100 take no longer: the normal distribution's quantile. */
const Z_80 = 0.8416;
/** Weight of "as quick as anybody" against a person's own times. */
const PERSON_WEIGHT = 10;

/** What a piece of work takes: the middle, and how far it spreads on a logarithmic scale. */
export interface LearntMinutes {
  readonly minutes: number;
  readonly spread: number;
}

/**
 * Minutes of a job on a tank: (3 × library + logged) ÷ (3 + n) on a logarithmic scale, the newest twelve. Its spread is
 * learnt the same way from a usual one, so that little data gives a cautious estimate.
 *
 * @param libraryMinutes above 0.
 * @param logged minutes, oldest first; those not above 0 are left out.
 */
export function learnFrom(libraryMinutes: number, logged: readonly number[]): LearntMinutes {
  const logs = logged
    .slice(-NEWEST)
    .filter((m) => m > 0)
    .map(Math.log);
  const n = LIBRARY_WEIGHT + logs.length;
  const middle = logs.reduce((total, m) => total + m, LIBRARY_WEIGHT * Math.log(libraryMinutes)) / n;
  const variance = logs.reduce((total, m) => total + (m - middle) ** 2, LIBRARY_WEIGHT * USUAL_SPREAD ** 2) / n;
  return { minutes: Math.exp(middle), spread: Math.sqrt(variance) };
}

/** The middle of what `learnFrom` says. */
export function learnMinutes(libraryMinutes: number, logged: readonly number[]): number {
  return learnFrom(libraryMinutes, logged).minutes;
}

/**
 * How much slower (above 1) or quicker a person is than the tanks' own times, on a logarithmic scale, drawn to 1 by ten
 * visits' worth of the usual.
 *
 * @param ratios of minutes logged to minutes planned, each above 0.
 */
export function personFactor(ratios: readonly number[]): number {
  const logs = ratios.filter((r) => r > 0).map(Math.log);
  return Math.exp(logs.reduce((sum, r) => sum + r, 0) / (PERSON_WEIGHT + logs.length));
}

/** Minutes that eight visits in ten keep to: the sum of the middles and the spreads of independent pieces of work. */
export function cautiousMinutes(parts: readonly LearntMinutes[], total: number): number {
  return total + Z_80 * Math.sqrt(parts.reduce((sum, p) => sum + (p.minutes * p.spread) ** 2, 0));
}
