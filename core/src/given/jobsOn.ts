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
  const { input, facts } = tank;
  let drifting: boolean | undefined;
  return tasksFor(
    programmeOn(input, changing),
    {
      on: input.on,
      nextOn: input.nextVisitOn,
      treatmentUntil: facts.treatment && input.on < facts.treatment.followUpOn ? facts.treatment.followUpOn : undefined,
      drifting: () => {
        drifting ??= !waitsOn(tank);
        return drifting;
      },
      overridden: input.overridden,
    },
    facts,
  );
}
