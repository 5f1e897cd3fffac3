import { daysBetween, weekday } from "../calendar/index.ts";
import { type Message, m } from "../say/index.ts";
import { weekdayName, windowOn } from "../series/index.ts";
import { type Board, type BoardStop, moved, runDay, type Slot, stopsIn } from "./board.ts";
import type { RefillStop } from "./refills.ts";
import { placesFor } from "./settle.ts";

/** A day shorter by less is not told. */
const WORTH_MINUTES = 3;

/** Why a stop is better where it is put than where it was: what its old day gains by its going. */
export function whyMoved(settled: Board, stopId: string, was: Slot): Message {
  const stop = settled.stops.find((s) => s.id === stopId);
  const back = moved(settled, new Map([[stopId, was]]));
  const [with_, without] = [runDay(back, was, stopsIn(back, was)), runDay(settled, was, stopsIn(settled, was))];
  const day = weekdayName(weekday(was.on));
  if (!stop || !with_ || !without) return m("weeks.why.even");
  if (with_.leftOver.length > without.leftOver.length) return m("weeks.why.hours", { day });
  const earlier = with_.overtimeMinutes - without.overtimeMinutes;
  if (earlier >= WORTH_MINUTES) return m("weeks.why.earlier", { day, time: { minutes: earlier } });
  if (!with_.fits && with_.peakKg > without.peakKg)
    return m("weeks.why.lighter", { day, less: { kg: with_.peakKg - without.peakKg } });
  const there = { personId: stop.personId, on: stop.on };
  const [here, gone] = [runDay(settled, there, stopsIn(settled, there)), runDay(back, there, stopsIn(back, there))];
  const drive =
    with_.homeAt -
    with_.leaveAt +
    (gone ? gone.homeAt - gone.leaveAt : 0) -
    (without.homeAt - without.leaveAt) -
    (here ? here.homeAt - here.leaveAt : 0);
  return drive >= WORTH_MINUTES ? m("weeks.why.less", { time: { minutes: drive } }) : m("weeks.why.even");
}

/** Why a day goes back to base after a stop: what it carries less at once, and what that takes. */
export function whyRefill(settled: Board, { siteId, personId, on }: RefillStop): Message {
  const slot = { personId, on };
  const stops = stopsIn(settled, slot);
  const without = runDay(
    settled,
    slot,
    stops.map((s) => (s.siteId === siteId ? { ...s, refillAfter: false } : s)),
  );
  const day = runDay(settled, slot, stops);
  if (!day || !without) return m("weeks.why.even");
  const minutes = day.homeAt - day.leaveAt - (without.homeAt - without.leaveAt);
  return m("weeks.why.refill", { less: { kg: without.peakKg - day.peakKg }, time: { minutes: Math.max(0, minutes) } });
}

/** Why a stop that does not fit, or makes its day too long, stays where it is. */
export function whyStays(board: Board, stopId: string, days: readonly string[]): Message {
  const stop = board.stops.find((s) => s.id === stopId);
  if (!stop) return m("weeks.stays.best");
  if (stop.begun) return m("weeks.stays.begun");
  const van = board.people.find((p) => p.id === stop.personId);
  const alone = runDay(board, { personId: stop.personId, on: stop.on }, [stop]);
  // No day and no order makes one visit lighter.
  if (van && alone && alone.peakKg > van.vanKg + 1e-6)
    return m("weeks.stays.heavy", { water: { kg: alone.peakKg }, van: { kg: van.vanKg } });
  const open = days.map((on) => windowOn(stop.windows, on)).filter((w) => w !== null);
  if (open.length > 0 && open.every((w) => w.to - w.from < stop.minutes)) return m("weeks.stays.hours");
  const places = placesFor(board, stop, days).filter((p) => p.on !== stop.on || p.personId !== stop.personId);
  if (places.length > 0) return m("weeks.stays.best");
  if (stop.condition === "drifting" || stop.condition === "off") return m("weeks.stays.drifts");
  const others = days.some(
    (on) => Math.abs(daysBetween(stop.originalOn, on)) <= (stop.gapDays ?? 3) / 3 && on !== stop.on,
  );
  return others ? m("weeks.stays.nobody") : m("weeks.stays.spacing");
}

/** A stop that a settled round could not help, and why it stays where it is. */
export interface Unmended {
  readonly stopId: string;
  readonly name: string;
  readonly says: Message;
}

/** Stops that still do not fit, or stand on a day that is still too long or too heavy for its van. */
export function unmended(board: Board, days: readonly string[]): Unmended[] {
  return board.people
    .flatMap((p) => days.map((on) => ({ person: p, slot: { personId: p.id, on } })))
    .flatMap(({ person, slot }) => {
      const stops = stopsIn(board, slot);
      const plan = runDay(board, slot, stops);
      if (!plan) return [];
      const left = plan.leftOver.map((l) => l.stop.id);
      const heaviest = plan.peakKg > person.vanKg + 1e-6 ? heaviestOf(board, slot, stops) : null;
      return stops.filter(
        (s) => left.includes(s.id) || s.id === heaviest?.id || (plan.overtimeMinutes > 1 && s.condition !== "steady"),
      );
    })
    .map((s) => ({ stopId: s.id, name: s.name, says: whyStays(board, s.id, days) }));
}

function heaviestOf(board: Board, slot: Slot, stops: readonly BoardStop[]): BoardStop | null {
  const alone = (s: BoardStop) => runDay(board, slot, [s])?.peakKg ?? 0;
  return [...stops].sort((a, b) => alone(b) - alone(a))[0] ?? null;
}
