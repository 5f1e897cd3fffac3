import { type DueTask, jobOf, tasksFor } from "../programme/index.ts";
import type { PlanInput } from "./inputs.ts";
import { markPlace } from "./levels.ts";
import { BED_JOBS, programmeOn } from "./programmeOn.ts";
import { stepMinutes } from "./stepMinutes.ts";

/** The floor's cleaning on a visit, as the drain sees it. */
export interface BedWork {
  readonly codes: readonly string[];
  /** Of somebody's hands, all of them together. */
  readonly minutes: number;
}

/** The jobs of a visit that changes water. */
export const dueWithChange = (input: PlanInput): readonly DueTask[] =>
  tasksFor(
    programmeOn(input, true),
    { on: input.on, nextOn: input.nextVisitOn, overridden: input.overridden },
    input.book,
  ).due;

/** What of the bed is cleaned while the display is drained; null for nothing. */
export function bedWorkOf(input: PlanInput, due?: readonly DueTask[]): BedWork | null {
  if (markPlace(input.book) !== "display" || !input.tasks.some((t) => BED_JOBS.includes(t.code))) return null;
  const bed = (due ?? dueWithChange(input)).filter((d) => BED_JOBS.includes(d.task.code));
  if (bed.length === 0) return null;
  return {
    codes: bed.map((d) => d.task.code),
    minutes: bed.reduce((sum, d) => sum + stepMinutes(input, d.task.code, jobOf(d.task).minutes).minutes, 0),
  };
}
