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
 * plan is kept but not used. Held between half and twice the library's interval; three ratings that agree there move that
 * bound by a step, up to a quarter and four times of it.
 *
 * @param ratings oldest first.
 */
export function adaptInterval(everyDays: number, libraryDays: number, ratings: readonly DirtRating[]): number {
  const used = ratings.filter((r) => Math.abs(r.intervalDays / everyDays - 1) <= 0.5);
  const [last, previous] = [used.at(-1), used.at(-2)];
  if (!last) return everyDays;
  const [low, high] = [Math.max(1, Math.ceil(libraryDays / 2)), Math.round(libraryDays * 2)];
  const persists = (agrees: (r: DirtRating) => boolean) => {
    const newest = used.slice(-PERSISTS);
    return (
      newest.length === PERSISTS &&
      newest.every((r) => agrees(r) && Math.abs(r.intervalDays / everyDays - 1) <= AT_BOUND)
    );
  };
  if (everyDays >= high && persists((r) => r.dirt <= 2))
    return Math.max(everyDays, Math.min(Math.round(libraryDays * FURTHEST), Math.round(everyDays * 1.25)));
  if (everyDays <= low && persists((r) => r.dirt >= 4))
    return Math.min(everyDays, Math.max(1, Math.ceil(libraryDays / FURTHEST), Math.round(everyDays * 0.8)));
  const factor = DIRT_FACTOR[Math.min(5, Math.max(1, Math.round(last.dirt))) - 1] ?? 1;
  if (factor > 1 && !(previous && previous.dirt <= 2)) return everyDays;
  if (factor === 1) return everyDays;
  // Done early and clean it does not come sooner for it, done late and dirty not later.
  const next = (factor > 1 ? Math.max : Math.min)(everyDays, Math.round(last.intervalDays * factor));
  // A bound that evidence has moved stays where it was moved to.
  return Math.min(Math.max(high, everyDays), Math.max(Math.min(low, everyDays), next));
}

/** So many ratings that agree at a bound move it. */
const PERSISTS = 3;
/** They count where the interval was kept to within this part of it. */
const AT_BOUND = 0.25;
/** The furthest from the library's interval that evidence goes. */
const FURTHEST = 4;
