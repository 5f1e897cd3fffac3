import { type Correction, gearOff, type WaterPlan } from "../change/index.ts";
import type { PlanInput } from "../given/index.ts";
import { type DueTask, type HeldTask, jobOf } from "../programme/index.ts";
import { arriveAndLook } from "./arrive.ts";
import { correctionSteps } from "./doses.ts";
import { drainToLine } from "./drain.ts";
import { heldStep, jobStep } from "./jobs.ts";
import { fedAfter, lastLook, vessels } from "./leave.ts";
import { bubbles, calibrations, fedFirst, retests } from "./measure.ts";
import { switchedOff } from "./powerDown.ts";
import { switchedOn } from "./powerUp.ts";
import { preparation } from "./prepare.ts";
import { exchange, refillByLitres, topsUpAlone } from "./refill.ts";
import type { Making, Step } from "./step.ts";
import { courseSteps } from "./treatment.ts";
import { troubleSteps } from "./troubles.ts";

/** Makes the steps of a visit from its due jobs and its water plan, as the visit goes; `orderSteps` puts them in order. */
export function buildSteps(
  input: PlanInput,
  water: WaterPlan,
  due: readonly DueTask[],
  held: readonly HeldTask[],
  corrections: readonly Correction[] = [],
): Step[] {
  const making: Making = { input, water, changing: water.litres.value > 0, off: gearOff(input.facts, water) };
  // A job that feeds is the feeding of the visit.
  const fed = due.some((d) => jobOf(d.task).phase === "feed-after");
  const retested = retests(making);
  const jobs = due.map((d) => jobStep(making, d));
  const doses = correctionSteps(making, corrections, [...retested, ...jobs]);
  const looked = arriveAndLook(making);
  return [
    ...looked,
    ...troubleSteps(making, [...looked, ...retested, ...jobs, ...doses]),
    ...retested,
    ...fedFirst(making),
    ...bubbles(making),
    ...jobs,
    ...doses,
    ...courseSteps(making),
    ...calibrations(making, [...retested, ...jobs, ...doses]),
    ...(making.changing ? change(making) : topsUpAlone(making)),
    ...(fed ? [] : fedAfter(making)),
    ...vessels(making),
    ...lastLook(making),
    ...held.map((h) => heldStep(making, h)),
  ];
}

/** Everything that moves water. */
const change = (making: Making): Step[] => [
  ...preparation(making),
  ...switchedOff(making),
  ...(making.water.markOn === "none" ? exchange(making) : [...drainToLine(making), ...refillByLitres(making)]),
  ...switchedOn(making),
];
