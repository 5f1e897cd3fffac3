import { type DueTask, jobOf } from "../programme/index.ts";
import { jobsOn } from "./jobsOn.ts";
import { BED_JOBS } from "./programmeOn.ts";
import { stepMinutes } from "./stepMinutes.ts";
import type { TankOnDay } from "./tankOnDay.ts";

/**
 * The tank with what of its bed is cleaned while the display is drained.
 *
 * @param due The jobs of a visit that changes water, where they are known already.
 */
export function withBed(tank: TankOnDay, due?: readonly DueTask[]): TankOnDay {
  const { input, place } = tank;
  if (place !== "display" || !input.tasks.some((t) => BED_JOBS.includes(t.code))) return tank;
  const bed = (due ?? jobsOn(tank, true).due).filter((d) => BED_JOBS.includes(d.task.code));
  if (bed.length === 0) return tank;
  return {
    ...tank,
    bed: {
      codes: bed.map((d) => d.task.code),
      minutes: bed.reduce((sum, d) => sum + stepMinutes(input, d.task.code, jobOf(d.task).minutes).minutes, 0),
    },
  };
}
