import type { DayPlan } from "../round/index.ts";
import type { Message } from "../say/index.ts";
import { type Board, type BoardStop, moved, runDay, type Slot, stopsIn } from "./board.ts";
import { type Break, breaksOf, dayBreaks } from "./breaks.ts";

/** A person's day on the board, judged. */
export interface JudgedDay {
  readonly stops: readonly BoardStop[];
  readonly plan: DayPlan;
  /** What each stop breaks where it stands, by its id. */
  readonly breaks: ReadonlyMap<string, readonly Break[]>;
  /** What the day as a whole goes beyond. */
  readonly over: readonly Message[];
  readonly driveMinutes: number;
  /** From leaving base to coming home. */
  readonly dayMinutes: number;
}

/** A day as it stands: its order, what it breaks, how long it is. Stops come in their order, left over ones last. */
export function judgeDay(board: Board, slot: Slot): JudgedDay | null {
  const person = board.people.find((p) => p.id === slot.personId);
  const stops = stopsIn(board, slot);
  const plan = runDay(board, slot, stops);
  if (!person || !plan) return null;
  const order = [...plan.stops, ...plan.leftOver].map((s) => s.stop.id);
  return {
    stops: [...stops].sort((a, b) => order.indexOf(a.id) - order.indexOf(b.id)),
    plan,
    breaks: new Map(stops.map((stop) => [stop.id, breaksOf({ board, person, stop, on: slot.on, day: plan })])),
    over: dayBreaks(plan, person),
    driveMinutes: plan.legs.reduce((sum, l) => (l.kind === "travel" ? sum + l.to - l.from : sum), 0),
    dayMinutes: plan.homeAt - plan.leaveAt,
  };
}

/** What putting stops somewhere would break and cost. */
export interface Judgement {
  /** Why they cannot be put there at all. */
  readonly refused: readonly Message[];
  /** What they would break there, and what the day would go beyond that it does not now. */
  readonly breaks: readonly Message[];
  /** Minutes that all days touched would take more, less where below 0; null where a day would leave a stop out. */
  readonly extraMinutes: number | null;
}

/** Judges a move of one stop or several to a person's day, before anybody makes it. */
export function judgeMove(board: Board, stopIds: readonly string[], to: Slot): Judgement {
  const going = board.stops.filter((s) => stopIds.includes(s.id));
  const after = moved(board, new Map(stopIds.map((id) => [id, to])));
  const slots = new Map(
    [to, ...going.filter((s) => s.setAside === null)].map(({ personId, on }) => [
      `${personId} ${on}`,
      { personId, on },
    ]),
  );
  let extraMinutes = 0;
  for (const slot of slots.values())
    extraMinutes += (judgeDay(after, slot)?.dayMinutes ?? 0) - (judgeDay(board, slot)?.dayMinutes ?? 0);
  const [before, day] = [judgeDay(board, to), judgeDay(after, to)];
  const broken = stopIds.flatMap((id) => day?.breaks.get(id) ?? []);
  const known = new Set((before?.over ?? []).map((o) => JSON.stringify(o)));
  // Others of the day that fit until now.
  const crowded = (day?.stops ?? []).flatMap((s) =>
    stopIds.includes(s.id)
      ? []
      : (day?.breaks.get(s.id) ?? []).filter(
          (b) => b.code === "window" && !before?.breaks.get(s.id)?.some((x) => x.code === "window"),
        ),
  );
  return {
    refused: once(broken.filter((b) => b.refused).map((b) => b.says)),
    breaks: once([
      ...broken.filter((b) => !b.refused).map((b) => b.says),
      ...crowded.map((b) => b.says),
      ...(day?.over ?? []).filter((o) => !known.has(JSON.stringify(o))),
    ]),
    extraMinutes: (day?.plan.leftOver.length ?? 0) > 0 ? null : Math.round(extraMinutes),
  };
}

/** Each message once, in its order. */
function once(messages: readonly Message[]): Message[] {
  return [...new Map(messages.map((message) => [JSON.stringify(message), message])).values()];
}
