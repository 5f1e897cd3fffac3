import type { DayInput, DayStop } from "./day.ts";
import { kilograms } from "./load.ts";
import { type Piece, pieceFor, piecesOf } from "./pieces.ts";
import { travel } from "./travel.ts";

/** Minutes of a break; a day over six hours has one, where it costs least. */
export const BREAK_MINUTES = 30;
/** The break begins between half past eleven and two, minutes of the day. */
export const BREAK_FROM = 690;
const BREAK_BY = 840;
const LONG_DAY_MINUTES = 360;
/** A break that comes only before the drive home is as bad as so many minutes of driving. */
const LATE_BREAK_MINUTES = 20;
/** Minutes at base to fill up and give the waste away. */
export const REFILL_MINUTES = 25;
/** Up to so many stops a day is searched whole. */
const EXACT_STOPS = 12;
/** Partial days kept, stop by stop, where a day is not searched whole. */
const BEAM = 60;
const NEARLY = 1e-9;

/** One thing of a day, in its order. */
export interface Move {
  readonly kind: "rest" | "serve" | "refill";
  /** Which stop; of a refill the one before it; -1 of a rest. */
  readonly index: number;
}

/** A day's order: what is served, what is not, and when to leave. */
export interface DayOrder {
  readonly moves: readonly Move[];
  /** Stops that fit into no window left, by their index. */
  readonly left: readonly number[];
  /** Minutes by which to leave base later than the day begins: nothing ends later for it. */
  readonly leaveLater: number;
}

/** A stop as the search needs it, minutes of the day and kilograms. */
interface Call {
  readonly pieces: readonly Piece[];
  /** When the last of them opens. */
  readonly opensLast: number;
  readonly minutes: number;
  readonly downKg: number;
  /** Waste that comes up, and sea water where it is collected; less where that goes down again. */
  readonly upKg: number;
  /** Of `upKg`, the sea water. */
  readonly seaKg: number;
  /** Stops that come before it, as bits: sea water is collected before the tank that takes it. */
  readonly after: number;
  readonly keptLast: boolean;
  readonly refill: boolean;
  /** Those that may not slip count for more than all others together. */
  readonly worth: number;
}

/** A day worked out once: its calls, and minutes and kilometres between them; then base, then where it begins. */
interface Day {
  readonly calls: readonly Call[];
  readonly minutes: readonly (readonly number[])[];
  readonly km: readonly (readonly number[])[];
  /** Least minutes to reach a stop from anywhere, by its index; of base to come home. */
  readonly nearest: readonly number[];
  readonly start: number;
  readonly began: number;
  readonly end: number;
  readonly vanKg: number;
  /** The van carries all of it at once, in any order. */
  readonly light: boolean;
  readonly allWorth: number;
}

/**
 * A part of a day that leaves base at its start: where it is and when it is ready to go on.
 *
 * Leaving later by d makes it ready at `minute + max(0, d - gain)`, and is possible up to `room`: waiting in front of
 * closed doors is spent at home.
 */
interface Part {
  readonly minute: number;
  readonly gain: number;
  readonly room: number;
  /** Of the room, what waiting that is still to come may use. */
  readonly useful: number;
  readonly km: number;
  readonly rested: boolean;
  /** Kilograms carried down since base, brought up since, the most above the start, and the most too heavy before. */
  readonly downKg: number;
  readonly upKg: number;
  readonly highKg: number;
  readonly overKg: number;
  readonly worth: number;
  readonly served: number;
  readonly servedMinutes: number;
  /** Where it is: a stop, or base. */
  readonly at: number;
  readonly before: Part | null;
  /** What it did last: a stop, with or without a break before it. */
  readonly did: number;
  readonly restedFirst: boolean;
}

function dayOf(input: DayInput): Day {
  const { stops, base, roads, vanKg } = input;
  // Whoever is under way begins where they are.
  const places = [...stops, base, input.from ?? base];
  const ways = places.map((a) => places.map((b) => travel(a, b, roads)));
  const minutes = ways.map((row) => row.map((w) => w.minutes));
  const calls = stops.map((s) => callOf(s, input));
  const sum = (of: (c: Call) => number) => calls.reduce((total, c) => total + of(c), 0);
  return {
    calls,
    minutes,
    km: ways.map((row) => row.map((w) => w.km)),
    nearest: places.map((_, to) =>
      Math.min(...minutes.flatMap((row, from) => (from === to ? [] : [row[to] ?? 0])), 1e9),
    ),
    start: input.startMinute,
    began: input.beganMinute ?? input.startMinute,
    end: input.endMinute,
    vanKg,
    light: sum((c) => c.downKg + Math.abs(c.upKg)) <= vanKg,
    allWorth: sum((c) => c.worth),
  };
}

function callOf(stop: DayStop, { stops, refillAfter }: DayInput): Call {
  const kg = kilograms(stop.load);
  const pieces = piecesOf(stop.window);
  const quay = stops.findIndex((s) => s.collectsL !== undefined);
  const collected = kilograms({ mixL: 0, seaL: stop.collectsL ?? 0, purifiedL: 0, wasteL: 0 }).seaKg;
  const seaKg = quay < 0 ? 0 : collected - kg.seaKg;
  return {
    pieces,
    opensLast: pieces.at(-1)?.opens ?? 0,
    minutes: stop.minutes,
    downKg: kg.mixKg + kg.purifiedKg + (quay < 0 ? kg.seaKg : 0),
    upKg: kg.wasteKg + seaKg,
    seaKg,
    after: quay >= 0 && quay < MOST_STOPS && kg.seaKg > 0 ? 1 << quay : 0,
    keptLast: stop.keptLast,
    refill: refillAfter.includes(stop.id),
    worth: stop.maySlip ? 1 : stops.length + 1,
  };
}

/** The part that serves one more stop, after a break or without; null where that cannot be. */
function serve(day: Day, part: Part, restFirst: boolean, next: number): Part | null {
  const call = day.calls[next] as Call;
  const base = day.calls.length;
  let { minute, gain, room } = part;
  if (restFirst) {
    if (part.rested || minute > BREAK_BY + NEARLY) return null;
    const wait = Math.max(0, BREAK_FROM - minute);
    gain = Math.min(gain + wait, room);
    minute += wait;
    room = Math.min(room, gain + BREAK_BY - minute);
    minute += BREAK_MINUTES;
  }
  minute += day.minutes[part.at]?.[next] ?? 0;
  const piece = pieceFor(call.pieces, minute, call.minutes);
  if (!piece) return null;
  const wait = Math.max(0, piece.opens - minute);
  minute += wait + call.minutes;
  gain = Math.min(gain + wait, room);
  room = Math.min(room, gain + piece.closes - minute);
  let km = part.km + (day.km[part.at]?.[next] ?? 0);
  let downKg = part.downKg + (day.light ? 0 : call.downKg);
  let upKg = part.upKg + (day.light ? 0 : call.upKg);
  let highKg = Math.max(part.highKg, upKg - downKg);
  let overKg = part.overKg;
  if (call.refill) {
    minute += (day.minutes[next]?.[base] ?? 0) + REFILL_MINUTES;
    km += day.km[next]?.[base] ?? 0;
    overKg = Math.max(overKg, downKg + highKg - day.vanKg);
    const seaKg = day.light ? 0 : seaOnBoard(day, part.served | (1 << next));
    [downKg, upKg, highKg] = [0, seaKg, seaKg];
  }
  const served = part.served | (1 << next);
  const rested = part.rested || restFirst;
  const useful = Math.min(room, gain + Math.max(0, latestOpening(day, served, rested) - minute));
  return {
    minute,
    gain,
    room,
    useful,
    km,
    rested,
    downKg,
    upKg,
    highKg,
    overKg,
    served,
    worth: part.worth + call.worth,
    servedMinutes: part.servedMinutes + call.minutes,
    at: call.refill ? base : next,
    before: part,
    did: next,
    restedFirst: restFirst,
  };
}

/** Sea water that was collected and not yet given, kg. */
const seaOnBoard = (day: Day, served: number): number =>
  day.calls.reduce((sum, call, i) => (served & (1 << i) ? sum + call.seaKg : sum), 0);

/** Until when there may be waiting: the last door that opens, or the earliest break. */
function latestOpening(day: Day, served: number, rested: boolean): number {
  let latest = rested ? 0 : BREAK_FROM;
  day.calls.forEach((call, i) => {
    if (!(served & (1 << i)) && call.opensLast > latest) latest = call.opensLast;
  });
  return latest;
}

/** Whether a part is at least as good as another of the same stops, whatever comes after. */
const covers = (a: Part, b: Part): boolean =>
  a.minute <= b.minute + NEARLY &&
  a.minute - a.gain <= b.minute - b.gain + NEARLY &&
  a.room >= b.useful - NEARLY &&
  a.rested === b.rested &&
  a.overKg <= b.overKg + NEARLY &&
  a.downKg <= b.downKg + NEARLY &&
  a.upKg - a.downKg <= b.upKg - b.downKg + NEARLY &&
  a.highKg <= b.highKg + NEARLY;

function keepBest(parts: Part[], one: Part): void {
  if (parts.some((p) => covers(p, one))) return;
  for (let i = parts.length - 1; i >= 0; i--) if (covers(one, parts[i] as Part)) parts.splice(i, 1);
  parts.push(one);
}

/** A day that came home, as it is weighed against others: each figure only where those before it are equal. */
interface Home {
  readonly part: Part;
  /** A break before the drive home: a day over six hours that had none in its time. */
  readonly restedLast: boolean;
  readonly worth: number;
  readonly overKg: number;
  readonly overtime: number;
  /** Minutes from base to base beside the work at the stops, and what a break too late counts for. */
  readonly cost: number;
  readonly km: number;
}

function goHome(day: Day, part: Part): Home {
  const base = day.calls.length;
  const straight = part.minute + (day.minutes[part.at]?.[base] ?? 0);
  const restedLast = !part.rested && straight - day.began - part.gain > LONG_DAY_MINUTES;
  const at = straight + (restedLast ? Math.max(0, BREAK_FROM - part.minute) + BREAK_MINUTES : 0);
  return {
    part,
    restedLast,
    worth: part.worth,
    overKg: Math.max(part.overKg, part.downKg + part.highKg - day.vanKg, 0),
    overtime: Math.max(0, at - day.end),
    cost: at - day.start - part.gain - part.servedMinutes + (restedLast ? LATE_BREAK_MINUTES : 0),
    km: part.km + (day.km[part.at]?.[base] ?? 0),
  };
}

function better(a: Home, b: Home): boolean {
  for (const by of [b.worth - a.worth, a.overKg - b.overKg, a.overtime - b.overtime, a.cost - b.cost, a.km - b.km])
    if (Math.abs(by) > NEARLY) return by < 0;
  return false;
}

const bestHome = (day: Day, parts: Iterable<Part>, known: Home): Home => {
  let best = known;
  for (const part of parts) {
    const home = goHome(day, part);
    if (better(home, best)) best = home;
  }
  return best;
};

/** Whether a part may still come to something better than a day that is known to serve every stop. */
function mayBeat(day: Day, part: Part, known: Home): boolean {
  if (known.worth < day.allWorth) return true;
  let [travelLeft, workLeft] = [day.nearest[day.calls.length] ?? 0, 0];
  day.calls.forEach((call, i) => {
    if (part.served & (1 << i)) return;
    travelLeft += day.nearest[i] ?? 0;
    workLeft += call.minutes;
  });
  const overtime = Math.max(0, part.minute + travelLeft + workLeft - day.end);
  if (known.overKg > 0 || overtime < known.overtime - NEARLY) return true;
  return overtime <= known.overtime + NEARLY && costOf(day, part) + travelLeft <= known.cost + NEARLY;
}

const costOf = (day: Day, part: Part): number => part.minute - day.start - part.gain - part.servedMinutes;

/** All parts that serve one stop more; what is kept last comes after every other. */
function* onward(day: Day, part: Part): Generator<Part> {
  const keptBegun = part.did >= 0 && day.calls[part.did]?.keptLast === true;
  for (let next = 0; next < day.calls.length; next++) {
    const { keptLast, after } = day.calls[next] as Call;
    if (part.served & (1 << next) || (keptBegun && !keptLast) || (part.served & after) !== after) continue;
    for (const restFirst of [false, true]) {
      const reached = serve(day, part, restFirst, next);
      if (reached) yield reached;
    }
  }
}

/** Every set of stops with every last one: all parts of it that none other covers. */
function searchAll(day: Day, begin: Part, known: Home): Home {
  const size = day.calls.length + 1;
  const parts: Part[][] = [];
  parts[0] = [begin];
  let best = known;
  for (let set = 0; set < 1 << day.calls.length; set++)
    for (let last = 0; last < size; last++)
      for (const part of parts[set * size + last] ?? []) {
        if (!mayBeat(day, part, best)) continue;
        for (const reached of onward(day, part)) {
          const slot = reached.served * size + reached.did;
          parts[slot] ??= [];
          keepBest(parts[slot], reached);
        }
      }
  for (const some of parts) if (some) best = bestHome(day, some, best);
  return best;
}

/** The best parts of each length, by what they cost until then. */
function searchBest(day: Day, begin: Part): Home {
  let best = goHome(day, begin);
  let beam = [begin];
  while (beam.length > 0) {
    const next = beam.flatMap((part) => [...onward(day, part)]);
    beam = next
      .sort(
        (a, b) => b.worth - a.worth || a.overKg - b.overKg || costOf(day, a) - costOf(day, b) || a.minute - b.minute,
      )
      .slice(0, BEAM);
    best = bestHome(day, beam, best);
  }
  return best;
}

function movesOf(day: Day, home: Home): Move[] {
  const moves: Move[] = home.restedLast ? [{ kind: "rest", index: -1 }] : [];
  for (let part = home.part; part.before; part = part.before) {
    if (day.calls[part.did]?.refill) moves.unshift({ kind: "refill", index: part.did });
    moves.unshift({ kind: "serve", index: part.did });
    if (part.restedFirst) moves.unshift({ kind: "rest", index: -1 });
  }
  return moves;
}

/**
 * The order of a day: as many stops as fit into their windows, those that may not slip first; then the least weight
 * above what the van carries; then the least minutes past the day's end; then the least driving, waiting and refilling;
 * then the shortest way.
 *
 * Up to twelve stops every order is weighed (dynamic programming over the sets of stops: of each set and last stop all
 * parts that none other covers); of a longer day, at most 30, the best partial days are kept, stop by stop.
 *
 * @example
 * orderDay({ stops: [{ id: "late", name: "late", lat: 0, lon: 0, window: { from: 840, to: 1020 }, minutes: 30, load: { mixL: 0, seaL: 0, purifiedL: 0, wasteL: 0 }, keptLast: false, maySlip: true }, { id: "early", name: "early", lat: 0, lon: 0, window: { from: 480, to: 600 }, minutes: 30, load: { mixL: 0, seaL: 0, purifiedL: 0, wasteL: 0 }, keptLast: false, maySlip: true }], base: { lat: 0, lon: 0 }, startMinute: 480, endMinute: 1020, roads: { roadFactor: 1.3, speedKmH: 30 }, vanKg: 500, refillAfter: [] }).left; // []
 */
export function orderDay(input: DayInput, exactStops = EXACT_STOPS): DayOrder {
  const day = dayOf({ ...input, stops: input.stops.slice(0, MOST_STOPS) });
  const zero = { gain: 0, km: 0, downKg: 0, upKg: 0, highKg: 0, overKg: 0, worth: 0, served: 0, servedMinutes: 0 };
  const begin: Part = {
    ...zero,
    minute: day.start,
    room: Number.POSITIVE_INFINITY,
    useful: Number.POSITIVE_INFINITY,
    rested: input.rested ?? false,
    at: day.calls.length + 1,
    before: null,
    did: -1,
    restedFirst: false,
  };
  const good = searchBest(day, begin);
  const home = day.calls.length <= exactStops ? searchAll(day, begin, good) : good;
  const left = input.stops.flatMap((_, i) => (i < MOST_STOPS && home.part.served & (1 << i) ? [] : [i]));
  return { moves: movesOf(day, home), left, leaveLater: home.part.before ? home.part.gain : 0 };
}

/** Nobody serves more in a day; the rest is left over. */
const MOST_STOPS = 30;
