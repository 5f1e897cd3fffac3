import { addDays, daysBetween } from "../calendar/index.ts";
import type { ConditionState } from "../readings/index.ts";
import { type Message, m } from "../say/index.ts";
import { openDays } from "../series/index.ts";
import { type Away, type Board, type BoardStop, moved, type Slot } from "./board.ts";
import { SLACK } from "./breaks.ts";
import { judgeMove } from "./judge.ts";
import { placesFor } from "./settle.ts";

/** Where a stop could go that cannot stand where it is; null where there is nowhere. */
export interface Offer {
  readonly stopId: string;
  readonly to: Slot | null;
  /** What it would break there, or why there is nowhere. */
  readonly says: readonly Message[];
}

/** What is kept before all else comes first. */
const FIRST: readonly ConditionState[] = ["off", "drifting", "unknown", "steady"];
/** Minutes that a broken rule, and a day more or less, are worth. */
const BREAK_MINUTES = 60;
const DAY_MINUTES = 15;
/** A stop without a rhythm of its own is offered so many days later at most. */
const FREE_DAYS = 7;

/** A board on which somebody is away, or everybody. */
export function withAway(board: Board, personIds: readonly string[], away: Away): Board {
  return {
    ...board,
    people: board.people.map((p) => (personIds.includes(p.id) ? { ...p, away: [...p.away, away] } : p)),
  };
}

/** A board on which a site is closed on some days. */
export function withClosed(board: Board, siteId: string, { fromOn, untilOn }: Away): Board {
  const line = { fromOn, untilOn, opensH: null, closesH: null, why: "" };
  return {
    ...board,
    stops: board.stops.map((s) => (s.siteId === siteId ? { ...s, windows: openDays(s.windows, [line], []) } : s)),
  };
}

/** The stops of a site on days when it is closed: those that have begun stay. */
export function stopsClosed(board: Board, siteId: string, { fromOn, untilOn }: Away): BoardStop[] {
  return board.stops.filter(
    (s) => s.siteId === siteId && s.on >= fromOn && s.on <= untilOn && s.setAside === null && !s.begun,
  );
}

/** The stops of some people on days when they are away: those that have begun stay. */
export function stopsAway(board: Board, personIds: readonly string[], { fromOn, untilOn }: Away): BoardStop[] {
  return board.stops.filter(
    (s) => personIds.includes(s.personId) && s.on >= fromOn && s.on <= untilOn && s.setAside === null && !s.begun,
  );
}

/**
 * Offers colleagues and other days for stops that cannot stand where they are, those that must not slip first; each
 * offer takes the room that the ones before it left.
 */
export function offersFor(board: Board, stops: readonly BoardStop[], days: readonly string[]): Offer[] {
  const order = [...stops].sort(
    (a, b) => FIRST.indexOf(a.condition) - FIRST.indexOf(b.condition) || (a.id < b.id ? -1 : 1),
  );
  let now = board;
  const offers = new Map<string, Offer>();
  for (const stop of order) {
    const offer = bestOffer(now, stop, days);
    offers.set(stop.id, offer);
    if (offer.to) now = moved(now, new Map([[stop.id, offer.to]]));
  }
  return stops.flatMap((s) => offers.get(s.id) ?? []);
}

function bestOffer(board: Board, stop: BoardStop, days: readonly string[]): Offer {
  const near = placesFor(board, stop, days);
  const found = cheapest(board, stop, near) ?? cheapest(board, stop, late(board, stop, days));
  return found ?? { stopId: stop.id, to: null, says: [m("weeks.offer.none")] };
}

/** Later days, also where that is late for a tank that drifts, or near its next visit: better so than not at all. */
function late(board: Board, stop: BoardStop, days: readonly string[]): Slot[] {
  const reach = stop.gapDays === null ? FREE_DAYS : Math.ceil(stop.gapDays) - 1;
  const until = addDays(stop.originalOn, reach);
  const patient = { ...stop, condition: "steady", gapDays: reach / SLACK + 1 } as const;
  return placesFor(board, patient, days).filter((p) => p.on > stop.on && p.on <= until);
}

function cheapest(board: Board, stop: BoardStop, places: readonly Slot[]): Offer | null {
  let best: { offer: Offer; cost: number } | null = null;
  for (const to of places) {
    const { refused, breaks, extraMinutes } = judgeMove(board, [stop.id], to);
    // A day that would leave a stop out is no way out.
    if (refused.length > 0 || extraMinutes === null) continue;
    const cost = extraMinutes + BREAK_MINUTES * breaks.length + DAY_MINUTES * Math.abs(daysBetween(stop.on, to.on));
    if (!best || cost < best.cost) best = { offer: { stopId: stop.id, to, says: breaks }, cost };
  }
  return best?.offer ?? null;
}
