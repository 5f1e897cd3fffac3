import { libraryTask, tasksFor } from "../programme/index.ts";
import type { PlanInput } from "./inputs.ts";
import { schoolTasks } from "./schoolTasks.ts";

/** Arriving, looking, measuring, and the last look: before and after any work. */
const AROUND_MINUTES = 12;

/**
 * Minutes of a site's open hours that one tank's other work leaves for moving water, at least none.
 *
 * @param windowMinutes How long the site is open on the day.
 * @param setUpMinutes To carry in and out.
 * @param tanks That share the stop.
 */
export function minutesForWater(
  input: Pick<PlanInput, "tasks" | "book" | "on" | "nextVisitOn">,
  windowMinutes: number,
  setUpMinutes: number,
  tanks: number,
): number {
  const { due } = tasksFor(schoolTasks(input, true), input.on, input.nextVisitOn);
  const work = due.reduce((sum, d) => sum + libraryTask(d.task.code).minutes, AROUND_MINUTES);
  return Math.max(0, (windowMinutes - setUpMinutes) / Math.max(1, tanks) - work);
}
