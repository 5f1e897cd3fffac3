import { addDays } from "@keel-round/core/calendar";
import { type Recurrence, ruleOf, seriesDates } from "@keel-round/core/series";

/** A visit as a calendar has it, civil. */
export interface Appointment {
  readonly on: string;
  readonly startMinute: number;
  readonly minutes: number;
}

/** A stop of a calendar. */
export interface FeedStop extends Appointment {
  readonly id: string;
  readonly seriesId: string | null;
  readonly originalOn: string;
  /** Nobody comes, or somebody whose calendar this is not. */
  readonly off: boolean;
  readonly summary: string;
  readonly location: string;
  readonly description: string;
}

/** A series of a calendar. */
export interface FeedSeries {
  readonly id: string;
  readonly recurrence: Recurrence;
  /** When a visit that is not laid out yet begins, and how long it takes. */
  readonly usual: Pick<Appointment, "startMinute" | "minutes">;
  readonly summary: string;
  readonly location: string;
  readonly description: string;
}

/** One event of a calendar, civil; its times are in the firm's zone. */
export interface FeedEvent extends Appointment {
  readonly uid: string;
  /** RFC 5545 rule with its last day, and the starts that do not happen; null of a single event. */
  readonly repeats: {
    readonly rule: string;
    readonly untilOn: string | null;
    readonly excluded: readonly string[];
  } | null;
  /** Of a visit that is otherwise than its series: the day that it had there. */
  readonly insteadOf: string | null;
  readonly summary: string;
  readonly location: string;
  readonly description: string;
}

/** A series goes back so far, and one with seasons so far ahead, day by day. */
const BACK_DAYS = 60;
const AHEAD_DAYS = 400;

interface Span {
  /** First and last day of which the stops are laid out. */
  readonly from: string;
  readonly to: string;
}

/**
 * The events of some series and stops: a series with its exceptions where RFC 5545 can say it, else each visit by itself.
 *
 * An event keeps its name whatever becomes of it: `series-…` for a series and all its visits, `stop-…` for others.
 */
export function eventsOf(
  series: readonly FeedSeries[],
  stops: readonly FeedStop[],
  { from, to }: Span,
  today: string,
): FeedEvent[] {
  const known = new Set(series.map((s) => s.id));
  const own = series.flatMap((s) => {
    const mine = stops.filter((x) => x.seriesId === s.id);
    return s.recurrence.spells.length > 0
      ? dayByDay(s, mine, { from, to }, today)
      : asRule(s, mine, { from, to }, today);
  });
  const others = stops
    .filter((s) => !s.off && (s.seriesId === null || !known.has(s.seriesId)))
    .map((s): FeedEvent => ({ ...told(s), uid: `stop-${s.id}`, repeats: null, insteadOf: null }));
  return [...own, ...others];
}

const told = ({ on, startMinute, minutes, summary, location, description }: FeedStop) => ({
  ...{ on, startMinute, minutes, summary, location, description },
});

function asRule(s: FeedSeries, stops: readonly FeedStop[], { from, to }: Span, today: string): FeedEvent[] {
  const { recurrence, usual } = s;
  const dates = seriesDates(recurrence, addDays(today, -BACK_DAYS), addDays(today, AHEAD_DAYS));
  const [first] = dates;
  if (first === undefined) return [];
  const byDay = new Map(stops.map((x) => [x.originalOn, x]));
  // Within what is laid out a visit that has no stop does not happen.
  const gone = dates.filter((on) => {
    const stop = byDay.get(on);
    return stop ? stop.off : on >= from && on <= to;
  });
  const base = { summary: s.summary, location: s.location, description: s.description };
  const master: FeedEvent = {
    ...{ uid: `series-${s.id}`, on: first, ...usual, ...base, insteadOf: null },
    repeats: { rule: ruleOf(recurrence.rhythm), untilOn: recurrence.untilOn, excluded: gone },
  };
  const moved = stops
    .filter((x) => !x.off && dates.includes(x.originalOn) && otherwise(x, usual))
    .map((x): FeedEvent => ({ ...told(x), uid: master.uid, repeats: null, insteadOf: x.originalOn }));
  return [master, ...moved];
}

const otherwise = (s: FeedStop, usual: FeedSeries["usual"]): boolean =>
  s.on !== s.originalOn || s.startMinute !== usual.startMinute || s.minutes !== usual.minutes;

function dayByDay(s: FeedSeries, stops: readonly FeedStop[], { from, to }: Span, today: string): FeedEvent[] {
  const byDay = new Map(stops.map((x) => [x.originalOn, x]));
  return seriesDates(s.recurrence, addDays(today, -BACK_DAYS), addDays(today, AHEAD_DAYS)).flatMap(
    (on): FeedEvent[] => {
      const stop = byDay.get(on);
      if (stop ? stop.off : on >= from && on <= to) return [];
      const base = { summary: s.summary, location: s.location, description: s.description };
      const at = stop ? told(stop) : { on, ...s.usual, ...base };
      return [{ ...at, uid: `series-${s.id}-${on}`, repeats: null, insteadOf: null }];
    },
  );
}
