import { type SaidStep, testOf } from "@keel-round/core/steps";
import { decidesWater } from "@keel-round/core/visit";
import type { LiveVisit } from "@/device/useVisit";
import { isSettled } from "./phaseModel";

/** Whether water leaves the tank at a step. */
export const drains = (step: SaidStep): boolean =>
  step.enters?.some((e) => "litres" in e && e.litres === "outL" && e.needed) === true;

/** Readings that today's water depends on and that nobody has taken or left out: they come before anything leaves the tank. */
export function beforeTheDrain(visit: LiveVisit): readonly SaidStep[] {
  const { plan, state, input } = visit;
  return plan.steps.filter((s) => {
    const parameter = testOf(s);
    return (
      parameter !== undefined &&
      !isSettled(state, s) &&
      !state.readings.some((r) => r.parameter === parameter) &&
      decidesWater(input, parameter)
    );
  });
}
