import { daysBetween } from "../calendar/civil.ts";
import { type PlanInput, steadyOf } from "../given/index.ts";
import { type Carried, carriedOn, ownPerDayOf } from "../readings/index.ts";
import { PARAMETERS, type Parameter } from "../units/index.ts";
import { type Worked, Z95 } from "../worked/index.ts";
import type { Correction } from "./correction.ts";
import type { WaterPlan } from "./waterPlan.ts";

/** Where a fitted figure is going, with this visit's change and doses done as planned. */
export interface Forecast {
  readonly parameter: Parameter;
  /** On the day of the visit, before and after what is done to its water; after it null where nothing is. */
  readonly before: Carried;
  readonly after: Carried | null;
  /** On the day of the next visit, before anything is done there. */
  readonly next: Carried;
  readonly nextOn: string;
  /** What the tank itself makes or uses a day, and what a doser adds, where something else moves it too. */
  readonly own: { readonly perDay: number; readonly dosedPerDay: number; readonly machine: boolean } | null;
}

/** A worked value with the standard deviation that its range comes from. */
const carriedOf = ({ value, range }: Worked): Carried => ({ value, sigma: range ? (range.high - value) / Z95 : 0 });

/** The course of every parameter that was fitted, over this visit and up to the next. */
export function forecastOf(
  input: PlanInput,
  water: Pick<WaterPlan, "after" | "litres">,
  corrections: readonly Correction[] = [],
): Forecast[] {
  const days = Math.max(0, daysBetween(input.on, input.nextVisitOn));
  return PARAMETERS.flatMap((parameter) => {
    const fit = input.rates[parameter];
    if (!fit?.enough) return [];
    const steady = steadyOf(input.facts, input.source, parameter);
    const expected = water.litres.value > 0 ? water.after.find((e) => e.parameter === parameter) : undefined;
    const before = expected
      ? { value: expected.before, sigma: expected.beforeSigma }
      : { value: fit.now, sigma: fit.nowSigma };
    // A dose follows the change: what it comes to is what both come to.
    const dose = corrections.find((c) => c.ok && c.parameter === parameter);
    const after = dose?.ok ? carriedOf(dose.to) : expected ? carriedOf(expected.after) : null;
    const from = after ?? before;
    return [
      {
        parameter,
        before,
        after,
        next: carriedOn({ ...fit, now: from.value, nowSigma: from.sigma }, days, { changes: [], ...steady }),
        nextOn: input.nextVisitOn,
        own:
          steady.dosedPerDay || steady.machine
            ? { perDay: ownPerDayOf(fit), dosedPerDay: steady.dosedPerDay ?? 0, machine: steady.machine !== undefined }
            : null,
      },
    ];
  });
}
