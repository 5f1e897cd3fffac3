import { isSeldom, jobOf, tasksFor } from "../programme/index.ts";
import type { PlanInput } from "./inputs.ts";
import { programmeOn } from "./programmeOn.ts";

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
  input: Pick<PlanInput, "tasks" | "facts" | "readings" | "evidence" | "on" | "nextVisitOn">,
  windowMinutes: number,
  setUpMinutes: number,
  tanks: number,
): number {
  const { due } = tasksFor(programmeOn(input, true), { on: input.on, nextOn: input.nextVisitOn }, input.facts);
  // What comes seldom gives way to the water, not the water to it.
  const work = due.filter((d) => !isSeldom(d.task)).reduce((sum, d) => sum + jobOf(d.task).minutes, AROUND_MINUTES);
  return Math.max(0, (windowMinutes - setUpMinutes) / Math.max(1, tanks) - work);
}
