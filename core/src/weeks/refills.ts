import { type Board, type BoardStop, runDay, type Slot, stopsIn } from "./board.ts";
import { type DayCost, dayCost } from "./settleCost.ts";
import type { Weights } from "./weights.ts";

/** A return to base on the way of somebody's day: full barrels, waste given away. */
export interface RefillStop extends Slot {
  /** The stop after which the van goes back. */
  readonly siteId: string;
}

/** Nobody goes back to base more often than that in a day. */
const MOST_REFILLS = 2;
/** While refills are weighed a day is searched whole up to so many stops. */
const WEIGHED_STOPS = 8;
const NEARLY = 1e-6;

/**
 * The stops after which a day goes back to base so that its van carries what it has to, where that is cheaper than going
 * too heavy: one after the other, each where it costs least. Empty where the day fits, or no return helps.
 */
function refillsOf(board: Board, slot: Slot, stops: readonly BoardStop[], weights: Weights): string[] {
  const found: string[] = [];
  let best = dayCost(board, slot, runDay(board, slot, stops), weights).minutes;
  while (found.length < MOST_REFILLS && heavy(board, slot, withRefills(stops, found))) {
    let next: { id: string; minutes: number } | null = null;
    for (const { id, refillAfter } of stops) {
      if (refillAfter || found.includes(id)) continue;
      const plan = runDay(board, slot, withRefills(stops, [...found, id]), WEIGHED_STOPS);
      const { minutes } = dayCost(board, slot, plan, weights);
      if (!next || minutes < next.minutes - NEARLY) next = { id, minutes };
    }
    if (!next || next.minutes >= best - NEARLY) return found;
    found.push(next.id);
    best = next.minutes;
  }
  return found;
}

/** What a day costs with the returns to base that it is better for. */
export function costRefilled(board: Board, slot: Slot, stops: readonly BoardStop[], weights: Weights): DayCost {
  const plain = dayCost(board, slot, runDay(board, slot, stops), weights);
  const refills = refillsOf(board, slot, stops, weights);
  if (refills.length === 0) return plain;
  const refilled = dayCost(board, slot, runDay(board, slot, withRefills(stops, refills)), weights);
  return refilled.minutes < plain.minutes ? refilled : plain;
}

/** All returns to base that some days are better for. */
export function refillStops(board: Board, slots: readonly Slot[], weights: Weights): RefillStop[] {
  return slots.flatMap((slot) => {
    const stops = stopsIn(board, slot);
    return refillsOf(board, slot, stops, weights).flatMap((id) => {
      const stop = stops.find((s) => s.id === id);
      return stop ? [{ ...slot, siteId: stop.siteId }] : [];
    });
  });
}

/** A board on which those days go back to base; nothing else of it changes. */
export function refilled(board: Board, refills: readonly RefillStop[]): Board {
  if (refills.length === 0) return board;
  const after = (s: BoardStop) =>
    refills.some((r) => r.siteId === s.siteId && r.personId === s.personId && r.on === s.on && s.setAside === null);
  return { ...board, stops: board.stops.map((s) => (after(s) ? { ...s, refillAfter: true } : s)) };
}

function heavy(board: Board, slot: Slot, stops: readonly BoardStop[]): boolean {
  const person = board.people.find((p) => p.id === slot.personId);
  const plan = runDay(board, slot, stops);
  return person !== undefined && plan !== null && plan.peakKg > person.vanKg + NEARLY;
}

const withRefills = (stops: readonly BoardStop[], ids: readonly string[]): BoardStop[] =>
  stops.map((s) => (ids.includes(s.id) ? { ...s, refillAfter: true } : s));
