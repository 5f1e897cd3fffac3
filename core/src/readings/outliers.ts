import { type CourseFit, scatterOf, type TimedValue } from "./fitCourse.ts";

/** Further off than so many of its sigmas a reading is set aside, unless one beside it says the same. */
const OUTLIER_SIGMAS = 4;
/** Two that lie no further from each other, in sigmas, say the same: something happened. */
const AGREE_SIGMAS = 3 * Math.SQRT2;

/** Readings far off the fit that no reading beside them bears out, oldest first. */
export function outliersOf(readings: readonly TimedValue[], fit: CourseFit): TimedValue[] {
  // Where all of them miss it is the course that is wrong, not a reading.
  const scatter = scatterOf(fit);
  const misses = fit.misses.map((m) => m / scatter);
  return readings.filter((_, i) => {
    const miss = misses[i] ?? 0;
    const beside = [misses[i - 1], misses[i + 1]].filter((m) => m !== undefined);
    return Math.abs(miss) > OUTLIER_SIGMAS && beside.every((m) => Math.abs(m - miss) > AGREE_SIGMAS);
  });
}
