import { daysBetween } from "../calendar/civil.ts";
import type { PlanInput } from "../given/index.ts";
import { twoPartResiduePpt } from "../mixing/index.ts";
import { isSalt, systemVolumeL } from "../tank/index.ts";
import { settledPeak, topUpPsuOf } from "../water/index.ts";
import type { WaterReason } from "./waterPlan.ts";

/** A rise is believed from this many standard deviations on, and from this much on it matters, ppt a day. */
const SURE = 2;
const MATTERS_PPT = 0.02;

/**
 * Salt that creeps into a tank between changes: by a top-up that is not pure, seen in the readings, and by balanced
 * two-part dosing, reckoned from what is dosed.
 *
 * @param share Effective share of the change, 0 to 1.
 */
export function saltCreep(input: PlanInput, share: number): WaterReason[] {
  const { facts, rates } = input;
  if (!isSalt(facts)) return [];
  const reasons: WaterReason[] = [];
  const rate = rates.salinity;
  if (
    rate?.enough &&
    rate.perDay > MATTERS_PPT &&
    rate.perDay > SURE * rate.perDaySigma &&
    facts.evaporationLPerDay > 0
  )
    reasons.push({
      code: "salinity-creeps",
      perDay: rate.perDay,
      topUpPsu: topUpPsuOf(rate.perDay, facts.evaporationLPerDay, systemVolumeL(facts)),
    });
  const interval = daysBetween(input.on, input.nextVisitOn);
  if (facts.dosedDkhPerDay && share > 0 && interval > 0) {
    const perDay = twoPartResiduePpt(facts.dosedDkhPerDay);
    reasons.push({ code: "dosing-leaves-salt", perDay, settles: settledPeak(0, perDay, interval, share) });
  }
  return reasons;
}
