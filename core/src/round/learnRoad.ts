/** How long a way takes by the log. */
export interface LearntRoad {
  /** Minutes; the estimate where no drive was kept. */
  readonly minutes: number;
  /** Drives that were kept. */
  readonly drives: number;
  /** Minutes that several refused drives agree on: a ferry, a bridge that is closed. Null where there are none. */
  readonly askMinutes: number | null;
}

/** What the estimate weighs against drives. */
const ESTIMATE_DRIVES = 3;
/** Drives that count, the newest. */
const NEWEST = 12;
/** A drive this much longer than the estimate had a break, an errand or a mistake in it. */
const MOST_TIMES = 2;
const MOST_MORE_MINUTES = 20;
/** So many refused drives within a fifth of each other are no accident. */
const ALIKE_DRIVES = 3;
const ALIKE = 0.2;

/** Whether a drive is believed beside its estimate, minutes each. */
const isKept = (driven: number, estimate: number): boolean =>
  driven > 0 && driven < MOST_TIMES * estimate + MOST_MORE_MINUTES;

/**
 * Learns a way from drives, cautiously: ln t = (3 ln estimate + Σ ln driven) / (3 + n), of the newest twelve that are
 * believed.
 *
 * @param estimate Minutes by distance and speed, above 0.
 * @param driven Minutes from one close to the next arrival, the newest last.
 * @example
 * learnRoad(10, [20, 20, 20]).minutes; // about 14.1
 */
export function learnRoad(estimate: number, driven: readonly number[]): LearntRoad {
  const least = Math.max(1, estimate);
  const kept = driven.filter((d) => isKept(d, least)).slice(-NEWEST);
  const logs = kept.reduce((sum, d) => sum + Math.log(d), ESTIMATE_DRIVES * Math.log(least));
  return {
    minutes: kept.length === 0 ? least : Math.exp(logs / (ESTIMATE_DRIVES + kept.length)),
    drives: kept.length,
    askMinutes: agreed(driven.filter((d) => d > 0 && !isKept(d, least)).slice(-ALIKE_DRIVES)),
  };
}

/** The middle of some drives that lie within a fifth of each other. */
function agreed(refused: readonly number[]): number | null {
  if (refused.length < ALIKE_DRIVES) return null;
  const sorted = [...refused].sort((a, b) => a - b);
  const [low, middle, high] = [sorted[0] ?? 0, sorted[Math.floor(sorted.length / 2)] ?? 0, sorted.at(-1) ?? 0];
  return high <= low * (1 + ALIKE) ? middle : null;
}
