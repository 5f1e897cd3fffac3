import { asPlan, type VisitPlan } from "@keel-round/core/visit";
import { PlanShapeSchema } from "@keel-round/core/visit/schema";
import type { PlanSnapshot } from "../schema/round";

/**
 * The plan that a visit was given, as today's plans are; null where none was kept, or where what was kept is none: a visit is
 * then planned anew, and nobody's day is lost over it.
 */
export function keptPlan(kept: PlanSnapshot | null): VisitPlan | null {
  return kept && PlanShapeSchema.safeParse(kept.plan).success ? asPlan(kept.plan) : null;
}
