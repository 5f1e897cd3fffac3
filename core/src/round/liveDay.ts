import { civilOf } from "../calendar/index.ts";
import type { DayInput } from "./day.ts";
import { peakOf } from "./load.ts";
import { type DayPlan, type Leg, planDay, type TimedStop, waterOnBoard } from "./planDay.ts";
import { travel } from "./travel.ts";

/** When a stop was really begun and left, minutes of the day; `end` is null while somebody is there. */
export interface LoggedStop {
  readonly stopId: string;
  readonly start: number;
  readonly end: number | null;
}

/** When a visit of a stop was begun and closed, instants in ms; null while it was not. */
export interface LoggedVisit {
  readonly stopId: string;
  readonly startedAt: number | null;
  readonly closedAt: number | null;
}

/**
 * When each stop of a day was begun, and left once all of its visits are closed.
 *
 * What was begun on another day and is still open says nothing of this one.
 */
export function loggedStops(visits: readonly LoggedVisit[], on: string, zone: string): LoggedStop[] {
  const minutes = (instants: readonly (number | null)[]) =>
    instants.flatMap((at) => {
      const civil = at === null ? null : civilOf(at, zone);
      return civil?.date === on ? [civil.minute] : [];
    });
  return [...new Set(visits.map((v) => v.stopId))].flatMap((stopId) => {
    const of = visits.filter((v) => v.stopId === stopId);
    const begun = minutes(of.map((v) => v.startedAt));
    if (begun.length === 0) return [];
    const closed = minutes(of.map((v) => v.closedAt));
    return [{ stopId, start: Math.min(...begun), end: closed.length === of.length ? Math.max(...closed) : null }];
  });
}

/** A day as it goes: what was done when it was done, what is left as it can still be done. */
export interface LiveDay {
  readonly day: DayPlan;
  /** Minutes by which it ends later than it was planned; below 0 earlier. */
  readonly behindMinutes: number;
}

/** A gap this long about noon was the break. */
const RESTED = { minutes: 25, from: 660, to: 870 };

/**
 * Lays what is left of a day from where its person is, and when they will be ready: the ribbon moves with the log.
 *
 * @returns the day as planned while nothing of it has begun.
 */
export function liveDay(input: DayInput, log: readonly LoggedStop[], nowMinute: number): LiveDay {
  const planned = planDay(input);
  const begun = log
    .flatMap((l) => {
      const stop = input.stops.find((s) => s.id === l.stopId);
      return stop ? [{ ...l, stop }] : [];
    })
    .sort((a, b) => a.start - b.start || (a.stopId < b.stopId ? -1 : 1));
  const [first] = begun;
  const last = begun.at(-1);
  if (!first || !last) return { day: planned, behindMinutes: 0 };
  const done = begun.map(({ stop, start, end }): TimedStop => {
    // Whoever is still there needs what was planned for it, or a little longer than until now.
    const ends = end ?? Math.max(nowMinute, start + stop.minutes);
    return { stop, arrive: start, start, end: Math.max(start, ends) };
  });
  const [here, leftBase] = [
    done.at(-1) as TimedStop,
    first.start - travel(input.base, first.stop, input.roads).minutes,
  ];
  const ready = last.end === null ? here.end : Math.max(here.end, nowMinute);
  const left = input.stops.filter((s) => !begun.some((b) => b.stop === s));
  const rest = planDay({
    ...input,
    stops: left,
    from: here.stop,
    startMinute: ready,
    beganMinute: leftBase,
    rested: rested(done),
    // Sea water that a tank took already was collected before.
    collecting: begun.some((b) => b.stop.load.seaL > 0) ? null : (input.collecting ?? null),
  });
  const legs = [...between(input, done, leftBase), ...rest.legs];
  const stops = [...done, ...rest.stops];
  if (rest.stops.length === 0) legs.push(homeward(input, here));
  const homeAt = legs.at(-1)?.to ?? here.end;
  const onBoard = waterOnBoard(input, stops, legs);
  const day: DayPlan = {
    ...rest,
    ...{ stops, legs, onBoard, homeAt, ...peakOf(onBoard, input) },
    leaveAt: leftBase,
    overtimeMinutes: Math.max(0, homeAt - input.endMinute),
    km: legs.reduce((sum, l) => sum + l.km, 0),
    collection: rest.collection ?? planned.collection,
  };
  return { day, behindMinutes: homeAt - planned.homeAt };
}

/** The ways between what was done: whatever lay between is driving, and waiting. */
function between(input: DayInput, done: readonly TimedStop[], leftBase: number): Leg[] {
  return done.map((s, i): Leg => {
    const before = done[i - 1];
    const { km } = travel(before?.stop ?? input.base, s.stop, input.roads);
    return { kind: "travel", from: before?.end ?? leftBase, to: Math.max(s.start, before?.end ?? leftBase), km };
  });
}

function homeward(input: DayInput, { stop, end }: TimedStop): Leg {
  const way = travel(stop, input.base, input.roads);
  return { kind: "travel", from: end, to: end + way.minutes, km: way.km };
}

const rested = (done: readonly TimedStop[]): boolean =>
  done.some((s, i) => {
    const before = done[i - 1];
    if (!before) return false;
    const gap = s.start - before.end;
    return gap >= RESTED.minutes && s.start > RESTED.from && before.end < RESTED.to;
  });
