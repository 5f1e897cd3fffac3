import type { Parameter } from "../units/index.ts";
import { type FoundWater, freeAmmoniaNow, isBound } from "./ammonia.ts";
import type { PlanInput } from "./inputs.ts";

/**
 * The input with the way of changing that its tank asks for today, where that is chosen by condition.
 *
 * With a figure beyond its limits, or free ammonia over its own, the old water leaves first, because more of it leaves so; else
 * it is changed in and out together, which bares nothing. Applied twice it changes nothing more.
 */
export function asFound(input: PlanInput, water: Omit<FoundWater, "facts">): PlanInput {
  const { facts } = input;
  if (facts.practice.how !== "by-condition") return input;
  const bad = badValues(input, water);
  const how = bad.length > 0 ? ("drain-then-fill" as const) : ("in-and-out" as const);
  return { ...input, facts: { ...facts, practice: { ...facts.practice, how } }, byCondition: bad };
}

/** Figures that are beyond the limits of their bands. */
function badValues(input: PlanInput, { known, salt }: Omit<FoundWater, "facts">): Parameter[] {
  const beyond = input.facts.bands
    .filter(({ parameter, actLow, actHigh }) => {
      const value = known[parameter]?.value;
      return value !== undefined && (value > actHigh || value < actLow);
    })
    .map((b) => b.parameter);
  const ammonia = isBound({ input }) ? null : freeAmmoniaNow({ facts: input.facts, known, salt });
  const poison = ammonia !== null && ammonia.mgL > input.limits.freeAmmoniaMgL && !beyond.includes("ammonia");
  return poison ? [...beyond, "ammonia"] : beyond;
}
