import { daysBetween } from "../calendar/civil.ts";
import type { TankTask, TaskCode } from "../programme/index.ts";
import type { Schools } from "../tank/index.ts";
import type { PlanInput } from "./inputs.ts";

/** Jobs that swap mechanical media. */
export const MECHANICAL: readonly TaskCode[] = ["socks", "floss"];

/** Days that mechanical media stays in, by school (field practice); null where there is none. */
const MEDIA_DAYS: Readonly<Record<Schools["media"], number | null>> = {
  daily: 1,
  "every-2-3-days": 3,
  weekly: 7,
  none: null,
};

/** Lean dosing is half as often on a weekly round. */
const LEAN_FERTILISER_DAYS = 14;

/** The programme as the tank's schools change it: cadences of media and fertiliser, and what is left out. */
export function schoolTasks(input: Pick<PlanInput, "tasks" | "book">, changing: boolean): TankTask[] {
  const { media, fertiliser } = input.book.schools;
  const mediaDays = MEDIA_DAYS[media];
  return input.tasks.flatMap((task) => {
    if (MECHANICAL.includes(task.code)) return mediaDays === null ? [] : [{ ...task, everyDays: mediaDays }];
    if (task.code !== "fertiliser") return [task];
    if (fertiliser === "after-change") return changing ? [task] : [];
    return fertiliser === "lean" ? [{ ...task, everyDays: Math.max(task.everyDays, LEAN_FERTILISER_DAYS) }] : [task];
  });
}

/** Pieces of clean media to bring: one for now, and what the owner swaps until the next visit. */
export function cleanMedia(input: Pick<PlanInput, "book" | "on" | "nextVisitOn">): number {
  const days = MEDIA_DAYS[input.book.schools.media];
  return days === null ? 0 : Math.max(1, Math.ceil(daysBetween(input.on, input.nextVisitOn) / days));
}
