export type { VisitBundle } from "./bundle.ts";
export { DECISIONS, type Decision } from "./decisions.ts";
export {
  DECIDE_AFTER_SLIPS,
  type Refusal,
  refuseOp,
  seenToday,
  type VisitOp,
  type VisitState,
  visitState,
} from "./log.ts";
export { PLAN_SIZE, planToKeep } from "./planToKeep.ts";
export { missingIn, planVisit, type VisitLoad, type VisitPlan } from "./planVisit.ts";
export { type SaidPlan, sayPlan } from "./sayPlan.ts";
export type { OpBody } from "./schema.ts";
export { asPlan } from "./snapshot.ts";
