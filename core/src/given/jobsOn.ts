import { type DueTask, type HeldTask, tasksFor } from "../programme/index.ts";
import { waitsOn } from "./conditionOf.ts";
import { programmeOn } from "./programmeOn.ts";
import type { TankOnDay } from "./tankOnDay.ts";

/** The jobs of a visit, and those that a rule keeps from it. */
export interface JobsOn {
  readonly due: readonly DueTask[];
  readonly held: readonly HeldTask[];
}

/** The jobs of a visit that changes water, or does not. */
export function jobsOn(tank: TankOnDay, changing: boolean): JobsOn {
  const { input, book } = tank;
  return tasksFor(
    programmeOn(input, changing),
    {
      on: input.on,
      nextOn: input.nextVisitOn,
      treatmentUntil: book.treatment && input.on < book.treatment.followUpOn ? book.treatment.followUpOn : undefined,
      drifting: !waitsOn(tank),
      overridden: input.overridden,
    },
    book,
  );
}
