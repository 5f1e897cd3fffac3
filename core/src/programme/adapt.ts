/** Interval factor by how dirty it was, 1 clean to 5 filthy. */
const DIRT_FACTOR = [1.25, 1.1, 1, 0.85, 0.7] as const;

/** A service with the rating it ended in. */
export interface DirtRating {
  readonly intervalDays: number;
  /** 1 clean to 5 filthy. */
  readonly dirt: number;
}

/**
 * The next interval of a cleaning job from how dirty it was, whole days.
 *
 * Lengthens only after two ratings that agree, shortens after one; a rating from an interval more than half off the
 * plan is kept but not used. Clamped to half and twice the library's interval.
 *
 * @param ratings oldest first.
 */
export function adaptInterval(everyDays: number, libraryDays: number, ratings: readonly DirtRating[]): number {
  const used = ratings.filter((r) => Math.abs(r.intervalDays / everyDays - 1) <= 0.5);
  const [last, previous] = [used.at(-1), used.at(-2)];
  if (!last) return everyDays;
  const factor = DIRT_FACTOR[Math.min(5, Math.max(1, Math.round(last.dirt))) - 1] ?? 1;
  if (factor > 1 && !(previous && previous.dirt <= 2)) return everyDays;
  if (factor === 1) return everyDays;
  const next = Math.round(last.intervalDays * factor);
  return Math.min(Math.round(libraryDays * 2), Math.max(1, Math.ceil(libraryDays / 2), next));
}
