import { type DayInput, type DayPlan, type LoggedStop, liveDay } from "../round/index.ts";
import type { Message } from "../say/index.ts";
import type { Board, Slot } from "./board.ts";
import { offersFor, withAway } from "./offer.ts";

/** A day under way: what it was laid from, and what was logged of it. */
export interface UnderWay {
  readonly input: DayInput;
  readonly log: readonly LoggedStop[];
  readonly nowMinute: number;
}

/** A way to end a late day: a stop that goes elsewhere, and what that leaves. */
export interface WayOut extends Without {
  readonly to: Slot;
  /** What it breaks there. */
  readonly says: readonly Message[];
}

/** Told so many. */
const BEST = 2;

/** What a day is without one of its stops. */
interface Without {
  readonly stopId: string;
  readonly name: string;
  /** Home so many minutes earlier. */
  readonly earlierMinutes: number;
  /** Every stop that stays is done within its hours. */
  readonly allFit: boolean;
}

function without(day: DayPlan, under: UnderWay, { id, name }: { readonly id: string; readonly name: string }): Without {
  const left = liveDay(
    { ...under.input, stops: under.input.stops.filter((s) => s.id !== id) },
    under.log,
    under.nowMinute,
  ).day;
  return {
    ...{ stopId: id, name },
    earlierMinutes: Math.round(day.homeAt - left.homeAt),
    allFit: left.leftOver.length === 0 && left.overtimeMinutes < 1,
  };
}

const byHelp = (a: Without, b: Without) => b.earlierMinutes - a.earlierMinutes || (a.stopId < b.stopId ? -1 : 1);

/**
 * The best ways out that a day knows by itself, where nobody else's is at hand: the stop without which all others fit,
 * and those without which it ends earliest. Where it goes instead is chosen later.
 */
export function waysByItself(day: DayPlan, under: UnderWay): Without[] {
  const begun = new Set(under.log.map((l) => l.stopId));
  const noRoom = new Set(day.leftOver.map((l) => l.stop.id));
  return under.input.stops
    .filter((s) => !begun.has(s.id) && (s.maySlip || noRoom.has(s.id)))
    .map((s) => without(day, under, s))
    .sort((a, b) => Number(b.allFit) - Number(a.allFit) || byHelp(a, b))
    .slice(0, BEST);
}

/**
 * The best ways out of a day that does not work any more: one stop that may still be moved, to a colleague or another day.
 * Those after which all others fit come first, then those that break least there, then those that end the day earliest.
 */
export function waysOut(board: Board, slot: Slot, day: DayPlan, under: UnderWay, days: readonly string[]): WayOut[] {
  const begun = new Set(under.log.map((l) => l.stopId));
  const elsewhere = withAway(board, [slot.personId], { id: "", fromOn: slot.on, untilOn: slot.on, why: "" });
  const ways = elsewhere.stops
    .filter(
      (s) => s.personId === slot.personId && s.on === slot.on && s.setAside === null && !begun.has(s.id) && !s.begun,
    )
    .flatMap((stop): WayOut[] => {
      const [offer] = offersFor(elsewhere, [stop], days);
      if (!offer?.to) return [];
      return [{ ...without(day, under, stop), to: offer.to, says: offer.says }];
    });
  return ways
    .sort((a, b) => Number(b.allFit) - Number(a.allFit) || a.says.length - b.says.length || byHelp(a, b))
    .slice(0, BEST);
}
