import { addDays, weekday } from "../calendar/index.ts";
import type { ConditionState } from "../readings/index.ts";
import {
  type Collecting,
  type DayPlan,
  draftDay,
  type Place,
  planDay,
  type Roads,
  type StopLoad,
} from "../round/index.ts";
import { type OpenDays, type Rhythm, windowOn } from "../series/index.ts";
import type { TideWindow } from "../tide/index.ts";
import type { Knows } from "./knows.ts";
import type { Weights } from "./weights.ts";

/** When somebody is not there, both days included. */
export interface Away {
  readonly id: string;
  /** First and last day. */
  readonly fromOn: string;
  readonly untilOn: string;
  readonly why: string;
}

/** Somebody who drives rounds. */
export interface BoardPerson {
  readonly id: string;
  readonly name: string;
  readonly startMinute: number;
  readonly endMinute: number;
  readonly vanKg: number;
  readonly vanL?: number | null;
  readonly vanBarrels?: number | null;
  /** Days of the week on which they work, 1 for Monday. */
  readonly workdays: readonly number[];
  /** Null: all there is. */
  readonly knows: readonly Knows[] | null;
  readonly away: readonly Away[];
}

/** A stop on the board: what its day needs to know of it, and whose series it belongs to. */
export interface BoardStop extends Place {
  readonly id: string;
  readonly siteId: string;
  readonly name: string;
  readonly personId: string;
  readonly on: string;
  /** The day its series gave it. */
  readonly originalOn: string;
  readonly seriesId: string | null;
  /** How its series recurs, where it keeps one rhythm all year. */
  readonly rhythm?: Rhythm | null;
  /** Days between two visits of its series; null beside any. */
  readonly gapDays: number | null;
  readonly windows: OpenDays;
  readonly minutes: number;
  readonly load: StopLoad;
  readonly condition: ConditionState;
  /** When the lights of its reefs come on, minute of the day, the earliest; null without any. */
  readonly lightsOn?: number | null;
  readonly keptLast: boolean;
  readonly refillAfter: boolean;
  /** Salt water must not go into this site's drain: it is carried away. */
  readonly carriesSalt: boolean;
  readonly needs: readonly Knows[];
  /** Somebody has begun or closed a visit of it: it stays where it is. */
  readonly begun: boolean;
  /** Somebody said that it stays where it is, whatever is settled. */
  readonly locked?: boolean;
  /** Its owner asked for another day, and nobody has answered. */
  readonly asked?: boolean;
  /** Why it is set aside; null where it is planned. */
  readonly setAside: string | null;
}

/** All that the weeks are judged by. */
export interface Board {
  readonly people: readonly BoardPerson[];
  readonly stops: readonly BoardStop[];
  /** Days of visits near the ones shown, by their series. */
  readonly beside: readonly { readonly seriesId: string; readonly on: string }[];
  readonly base: Place;
  readonly roads: Roads;
  /** What the firm weighs a round by, where it has said so. */
  readonly weights?: Partial<Weights> | null;
  /** Where sea water is collected; null where the firm collects none. */
  readonly quay?: Quay | null;
}

/** A collecting place with its tides, by the day. */
export interface Quay extends Omit<Collecting, "windows"> {
  readonly windowsOn: Readonly<Record<string, readonly TideWindow[]>>;
}

/** The place on one day: no window where nothing is known of its tide. */
function collectingOn({ quay }: Pick<Board, "quay">, on: string): Collecting | null {
  return quay ? { ...quay, windows: quay.windowsOn[on] ?? [] } : null;
}

/** A person on a day. */
export interface Slot {
  readonly personId: string;
  readonly on: string;
}

/** The stops of a person on a day, planned ones only. */
export const stopsIn = (board: Board, { personId, on }: Slot): BoardStop[] =>
  board.stops
    .filter((s) => s.personId === personId && s.on === on && s.setAside === null)
    .sort((a, b) => (a.id < b.id ? -1 : 1));

/** Days that were run before, by the people they were run for: moving one stop leaves all other days as they are. */
const known = new WeakMap<Board["people"], Map<string, DayPlan | null>>();

/**
 * A person's day as it would run with some stops; null for somebody who is not on the board.
 *
 * @param exactStops Up to how many stops its order is searched whole; more quickly than as a rule, and without remedies.
 */
export function runDay(board: Board, slot: Slot, stops: readonly BoardStop[], exactStops?: number): DayPlan | null {
  const days = known.get(board.people) ?? new Map<string, DayPlan | null>();
  known.set(board.people, days);
  const key = `${exactStops ?? ""} ${slot.personId} ${slot.on} ${stops.map((s) => (s.refillAfter ? `${s.id}+` : s.id)).join(" ")}`;
  const before = days.get(key);
  if (before !== undefined) return before;
  const day = run(board, slot, stops, exactStops);
  days.set(key, day);
  return day;
}

function run(board: Board, slot: Slot, stops: readonly BoardStop[], exactStops: number | undefined): DayPlan | null {
  const person = board.people.find((p) => p.id === slot.personId);
  if (!person) return null;
  const input = {
    stops: stops.map((s) => ({
      id: s.id,
      name: s.name,
      lat: s.lat,
      lon: s.lon,
      key: s.siteId,
      window: windowOn(s.windows, slot.on),
      minutes: s.minutes,
      load: s.load,
      keptLast: s.keptLast,
      lightsOn: s.lightsOn ?? null,
      maySlip: s.condition === "steady" && !s.begun,
    })),
    base: board.base,
    startMinute: person.startMinute,
    endMinute: person.endMinute,
    roads: board.roads,
    vanKg: person.vanKg,
    vanL: person.vanL,
    vanBarrels: person.vanBarrels,
    refillAfter: stops.flatMap((s) => (s.refillAfter ? [s.id] : [])),
    collecting: collectingOn(board, slot.on),
  };
  return exactStops === undefined ? planDay(input) : draftDay(input, exactStops);
}

/** A board on which stops stand elsewhere; nothing else of it changes. */
export function moved(board: Board, moves: ReadonlyMap<string, Slot | "aside">): Board {
  return {
    ...board,
    stops: board.stops.map((s) => {
      const to = moves.get(s.id);
      if (!to) return s;
      return to === "aside" ? { ...s, setAside: s.setAside ?? "" } : { ...s, ...to, setAside: null };
    }),
  };
}

/** The days of a week that begins on its Monday. */
export const weekOf = (monday: string): string[] => Array.from({ length: 7 }, (_, i) => addDays(monday, i));

/** The Monday of the week of a day. */
export const mondayOf = (on: string): string => addDays(on, 1 - weekday(on));
