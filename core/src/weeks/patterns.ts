import { addDays, daysBetween } from "../calendar/index.ts";
import type { Board, BoardStop, Slot } from "./board.ts";

/** A series that is settled as a whole: each of its visits so many days later, by one person. */
export interface SeriesMove {
  readonly seriesId: string;
  readonly siteId: string;
  readonly name: string;
  readonly shiftDays: number;
  readonly personId: string;
  /** Its first visit that moves, on the day its rhythm gave it. */
  readonly firstOn: string;
  readonly stopIds: readonly string[];
}

/** Fewer visits say nothing of a rhythm. */
const LEAST_VISITS = 2;

/**
 * Of some moves those that are a series moving as a whole: every visit of it that stands in the days goes the same number
 * of days and to the same person, none was moved by hand, and it is visited more than once.
 */
export function seriesMoves(board: Board, moves: ReadonlyMap<string, Slot>, days: readonly string[]): SeriesMove[] {
  const bySeries = new Map<string, BoardStop[]>();
  for (const s of board.stops)
    if (s.seriesId !== null && s.setAside === null && days.includes(s.on))
      bySeries.set(s.seriesId, [...(bySeries.get(s.seriesId) ?? []), s]);
  return [...bySeries].flatMap(([seriesId, unsorted]): SeriesMove[] => {
    const stops = [...unsorted].sort((a, b) => (a.on < b.on ? -1 : 1));
    const [first] = stops;
    const to = first && moves.get(first.id);
    if (!first || !to || stops.length < LEAST_VISITS) return [];
    const shiftDays = daysBetween(first.on, to.on);
    const alike = stops.every((s) => {
      const slot = moves.get(s.id);
      return s.on === s.originalOn && slot?.personId === to.personId && slot.on === addDays(s.on, shiftDays);
    });
    if (!alike) return [];
    const { siteId, name } = first;
    const stopIds = stops.map((s) => s.id);
    return [{ seriesId, siteId, name, shiftDays, personId: to.personId, firstOn: first.on, stopIds }];
  });
}
