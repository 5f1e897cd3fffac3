import { addDays } from "../calendar/civil.ts";
import type { TankOnDay } from "../given/index.ts";
import { Z95 } from "../worked/index.ts";
import { CEILINGS, LITRES_RELATIVE } from "./mends.ts";
import type { Target } from "./target.ts";
import type { AfterCheck, Limit, WaterPlan } from "./waterPlan.ts";

/** A reading above the trough by more than this asks for the rest. */
const OVER_SIGMAS = 2;
/** What a day does not allow is done so many days later. */
const LATER_DAYS = 3;

/**
 * Holds what was read after the change against what the plan said, and asks for the rest where the water is still above its
 * target: today as far as the day's limits allow, else on another day.
 */
export function afterChecks(
  tank: TankOnDay,
  plan: Pick<WaterPlan, "after" | "litres" | "limits">,
  target: Target | undefined,
  goal: number | undefined,
): AfterCheck[] {
  const { input, systemL } = tank;
  return plan.after.flatMap((expected): AfterCheck[] => {
    const read = input.readings.findLast((r) => r.on === input.on && r.after && r.parameter === expected.parameter);
    if (!read) return [];
    const { value, sigma } = read;
    const range = expected.after.range;
    const spread = Math.hypot(sigma, range ? (range.high - range.low) / 2 / Z95 : 0);
    const fits = Math.abs(value - expected.after.value) <= OVER_SIGMAS * spread;
    const common = { parameter: expected.parameter, expected: expected.after, read: value, sigma, fits };
    const aimed = target?.parameter === expected.parameter ? goal : undefined;
    if (aimed === undefined || !CEILINGS.includes(expected.parameter) || value - aimed <= OVER_SIGMAS * sigma)
      return [{ ...common, againL: null, againOn: null }];
    if (expected.refill >= aimed) return [{ ...common, againL: null, againOn: addDays(input.on, LATER_DAYS) }];
    const wantedL = (systemL * (value - aimed)) / (value - expected.refill);
    const allowedL = Math.max(0, secondMost(plan));
    const againL = Math.min(wantedL, allowedL);
    // Less than a litres' error is no second change.
    if (againL < 2 * LITRES_RELATIVE * systemL)
      return [{ ...common, againL: null, againOn: addDays(input.on, LATER_DAYS) }];
    return [{ ...common, againL, againOn: againL < wantedL - 1e-6 ? addDays(input.on, LATER_DAYS) : null }];
  });
}

/** Limits that hold for both changes of a day together. */
const OF_A_DAY: readonly Limit["code"][] = [
  "animals",
  "alkalinity-a-day",
  "calcium-a-day",
  "magnesium-a-day",
  "gh-a-day",
  "salinity-a-day",
  "temperature-a-day",
  "on-board",
  "drain-rule",
  "time-on-site",
  "free-ammonia",
];

/** What both changes of a day may still take, L: the smallest of what is shared less what was done, and of what is not. */
function secondMost({ limits, litres }: Pick<WaterPlan, "limits" | "litres">): number {
  return limits.reduce(
    (most, l) => Math.min(most, OF_A_DAY.includes(l.code) ? l.maxL - litres.value : l.maxL),
    Number.POSITIVE_INFINITY,
  );
}
