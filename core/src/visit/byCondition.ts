import type { Parameter } from "../units/index.ts";
import type { PlanInput } from "./inputs.ts";
import { freeAmmoniaNow, isBound } from "./poison.ts";
import { tankOnDay } from "./tankOnDay.ts";

/**
 * The input with the way of changing that its tank asks for today, where that is chosen by condition.
 *
 * With a figure beyond its limits, or free ammonia over its own, the old water leaves first, because more of it leaves so; else
 * it is changed in and out together, which bares nothing. Applied twice it changes nothing more.
 */
export function asFound(input: PlanInput): PlanInput {
  const { book } = input;
  if (book.schools.how !== "by-condition") return input;
  const bad = badValues(input);
  const how = bad.length > 0 ? ("drain-then-fill" as const) : ("in-and-out" as const);
  return { ...input, book: { ...book, schools: { ...book.schools, how } }, byCondition: bad };
}

/** Figures that are beyond the limits of their bands. */
function badValues(input: PlanInput): Parameter[] {
  const tank = tankOnDay(input, { due: [] });
  const beyond = input.book.bands
    .filter(({ parameter, actLow, actHigh }) => {
      const value = tank.known[parameter]?.value;
      return value !== undefined && (value > actHigh || value < actLow);
    })
    .map((b) => b.parameter);
  const ammonia = isBound(tank) ? null : freeAmmoniaNow(tank);
  const poison = ammonia !== null && ammonia.mgL > input.limits.freeAmmoniaMgL && !beyond.includes("ammonia");
  return poison ? [...beyond, "ammonia"] : beyond;
}
