import { daysBetween, sayDay } from "@keel-round/core/calendar";
import type { PlanInput } from "@keel-round/core/given";

/** The newest reading of each parameter in a plan's input, with when it was taken. */
export function latestOf(
  input: Pick<PlanInput, "readings" | "on">,
): Map<string, { value: number; sigma: number; note: string }> {
  const latest = new Map<string, { value: number; sigma: number; note: string }>();
  for (const r of input.readings) {
    const age = daysBetween(r.on, input.on);
    latest.set(r.parameter, {
      value: r.value,
      sigma: r.sigma,
      note: age === 0 ? "Measured on the day." : `Measured on ${sayDay(r.on)}.`,
    });
  }
  return latest;
}
