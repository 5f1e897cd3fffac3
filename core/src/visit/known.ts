import { daysBetween } from "../calendar/civil.ts";
import { PARAMETERS, type Parameter } from "../units/index.ts";
import type { PlanInput, PlanReading } from "./inputs.ts";
import type { Knowns } from "./waterPlan.ts";

/** A reading this many standard deviations from what fits is measured again before it is acted on. */
const SURPRISE = 3;

/** The value of a parameter on the day: today's last reading, else the fitted value, else the last valid reading. */
export function knownValues(input: PlanInput, readings: readonly PlanReading[]): Knowns {
  const known: Knowns = {};
  for (const parameter of PARAMETERS) {
    const last = readings.findLast((r) => r.parameter === parameter);
    if (last && last.on === input.on) {
      known[parameter] = { value: last.value, sigma: last.sigma, today: true };
      continue;
    }
    const rate = input.rates[parameter];
    if (rate?.enough) {
      known[parameter] = { value: Math.max(0, rate.now), sigma: rate.nowSigma, today: false };
      continue;
    }
    const validDays = input.book.bands.find((b) => b.parameter === parameter)?.validDays ?? 21;
    if (last && daysBetween(last.on, input.on) <= validDays)
      known[parameter] = { value: last.value, sigma: last.sigma, today: false };
  }
  return known;
}

/** Today's reading that does not fit what is expected and has not been confirmed by a second one. */
export function surprise(input: PlanInput): { parameter: Parameter; value: number; expected: number } | null {
  for (const [parameter, rate] of Object.entries(input.rates) as [Parameter, PlanInput["rates"][Parameter]][]) {
    const today = input.readings.filter((r) => r.parameter === parameter && r.on === input.on);
    const last = today.at(-1);
    if (!last || !rate?.enough) continue;
    const spread = Math.hypot(last.sigma, rate.nowSigma, 0.05 * Math.abs(rate.now));
    const confirmed = today.length > 1 && Math.abs((today.at(-2)?.value ?? 0) - last.value) <= 3 * last.sigma;
    if (Math.abs(last.value - rate.now) > SURPRISE * spread && !confirmed)
      return { parameter, value: last.value, expected: rate.now };
  }
  return null;
}
