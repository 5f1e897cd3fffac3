import type { WaterPlan } from "../change/index.ts";
import { gearOff } from "../change/index.ts";
import type { PlanInput } from "../given/index.ts";
import { type DueTask, type HeldTask, jobOf } from "../programme/index.ts";
import { METRIC, type UnitPreference } from "../units/index.ts";
import { sayIn } from "./say.ts";
import type { Making, Step } from "./step.ts";
import { stepsAfter, stepsBefore } from "./stepsAround.ts";
import { heldStep, jobStep } from "./stepsJobs.ts";
import { stepsOfWater } from "./stepsWater.ts";

/**
 * Makes the steps of a visit from its due jobs and its water plan; `orderSteps` puts them in order.
 *
 * @param units What quantities inside the sentences are told in.
 */
export function buildSteps(
  input: PlanInput,
  water: WaterPlan,
  due: readonly DueTask[],
  held: readonly HeldTask[],
  units: UnitPreference = METRIC,
): Step[] {
  const making: Making = {
    input,
    water,
    changing: water.litres.value > 0,
    off: gearOff(input.book, water),
    units,
    say: sayIn(units),
  };
  // A job that feeds is the feeding of the visit.
  const fed = due.some((d) => jobOf(d.task).phase === "feed-after");
  return [
    ...stepsBefore(making),
    ...due.map((d) => jobStep(making, d)),
    ...stepsOfWater(making),
    ...stepsAfter(making).filter((s) => !(fed && s.id === "feed-after")),
    ...held.map((h) => heldStep(making, h)),
  ];
}
