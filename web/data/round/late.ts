import { addDays } from "@keel-round/core/calendar";
import { type WayOut, waysOut } from "@keel-round/core/weeks";
import type { Scope } from "../access/scope";
import type { Round } from "./round";
import { loadWeeks } from "./weeks";

/** Later than this is told. */
const TOLD_MINUTES = 10;
/** A stop is offered today and so many days after. */
const OFFERED_DAYS = 6;

/** A day that runs late, or cannot be done as it stands any more, with the best ways out. */
export interface Late {
  readonly behindMinutes: number;
  readonly ways: readonly (WayOut & { readonly by: string })[];
}

/** Whether a day under way runs late, and what to do about it; null where all goes as planned. */
export async function lateDay(scope: Scope, round: Round, on: string): Promise<Late | null> {
  const { under, day, behindMinutes } = round;
  if (!under) return null;
  const trouble = day.leftOver.length > 0 || day.overtimeMinutes >= 1;
  if (behindMinutes < TOLD_MINUTES && !trouble) return null;
  if (!trouble) return { behindMinutes, ways: [] };
  const days = Array.from({ length: OFFERED_DAYS + 1 }, (_, i) => addDays(on, i));
  const { board } = await loadWeeks(scope, on, days.at(-1) ?? on);
  const ways = waysOut(board, { personId: round.person.id, on }, day, under, days);
  return {
    behindMinutes,
    ways: ways.map((w) => ({ ...w, by: board.people.find((p) => p.id === w.to.personId)?.name ?? "" })),
  };
}
