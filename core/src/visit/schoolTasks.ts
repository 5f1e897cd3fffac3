import { daysBetween } from "../calendar/civil.ts";
import type { TankTask, TaskCode } from "../programme/index.ts";
import { cleanMediaLasts, MEDIA_DAYS } from "../upkeep/index.ts";
import { withoutExcepted } from "./exceptions.ts";
import type { PlanInput } from "./inputs.ts";

/** Jobs that swap mechanical media. */
export const MECHANICAL: readonly TaskCode[] = ["socks", "floss"];

/** Lean dosing is half as often on a weekly round. */
const LEAN_FERTILISER_DAYS = 14;

/** The programme as the tank's schools and exceptions change it: cadences of media and fertiliser, and what is left out. */
export function schoolTasks(input: Pick<PlanInput, "tasks" | "book">, changing: boolean): TankTask[] {
  const { media, fertiliser } = input.book.schools;
  const mediaDays = MEDIA_DAYS[media];
  return withoutExcepted(input.tasks, input.book).flatMap((task) => {
    if (MECHANICAL.includes(task.code)) return mediaDays === null ? [] : [{ ...task, everyDays: mediaDays }];
    if (task.code !== "fertiliser") return [task];
    if (fertiliser === "after-change") return changing ? [task] : [];
    return fertiliser === "lean" ? [{ ...task, everyDays: Math.max(task.everyDays, LEAN_FERTILISER_DAYS) }] : [task];
  });
}

/** Clean media for a visit. */
export interface MediaToBring {
  /** Pieces that are used from now until the next visit: one at once, then what the owner swaps. */
  readonly pieces: number;
  /** The day the site's own stock runs out; null where none was counted. */
  readonly washBy: string | null;
  /** Whether that stock carries over the next visit, so that none need be brought. */
  readonly onShelf: boolean;
}

/** Pieces of clean media that a visit needs, and whether they lie on the site's shelf. */
export function mediaToBring(input: Pick<PlanInput, "book" | "on" | "nextVisitOn">): MediaToBring | null {
  const days = MEDIA_DAYS[input.book.schools.media];
  if (days === null) return null;
  const interval = daysBetween(input.on, input.nextVisitOn);
  const stock = cleanMediaLasts(input.book, interval);
  return {
    pieces: Math.max(1, Math.ceil(interval / days)),
    washBy: stock?.washBy ?? null,
    onShelf: stock !== null && stock.washBy >= input.nextVisitOn,
  };
}
