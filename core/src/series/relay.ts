/** A stop of a series as it is laid out. */
export interface LaidStop {
  readonly id: string;
  /** The day that its series gave it, by which it is known. */
  readonly originalOn: string;
  readonly onDate: string;
  /** Moved, skipped, begun, or something was written into it: it stays as it is whatever becomes of its series. */
  readonly settled: boolean;
  /** Not planned any more, since its series changed: kept so that it can come back. */
  readonly withdrawn: boolean;
}

/** What a change of a series does to its stops. */
export interface Relaid {
  /** Days that are laid anew. */
  readonly added: readonly string[];
  /** Stops that had been withdrawn and are planned again. */
  readonly back: readonly LaidStop[];
  /** Stops that are not planned any more. */
  readonly gone: readonly LaidStop[];
  /** Stops that the new rhythm would not give, and that stay, because somebody moved, skipped, began or wrote them. */
  readonly stay: readonly LaidStop[];
}

/**
 * What lays a series out anew: its stops as they are against the days it should have.
 *
 * @param days of the series from the first day that changes on, in the days by which stops are known
 */
export function relay(stops: readonly LaidStop[], days: readonly string[]): Relaid {
  const wanted = new Set(days);
  const known = new Set(stops.map((s) => s.originalOn));
  const live = stops.filter((s) => !s.withdrawn);
  return {
    added: days.filter((d) => !known.has(d)),
    back: stops.filter((s) => s.withdrawn && wanted.has(s.originalOn)),
    gone: live.filter((s) => !s.settled && !wanted.has(s.originalOn)),
    stay: live.filter((s) => s.settled && !wanted.has(s.originalOn)),
  };
}
