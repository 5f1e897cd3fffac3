export type { LastPhoto, LastTime, VisitBundle, VisitPlace } from "./bundle.ts";
export { decidesWater } from "./decides.ts";
export { DECISIONS, type Decision } from "./decisions.ts";
export {
  type Correction,
  DECIDE_AFTER_SLIPS,
  type Handover,
  type LoggedCount,
  type LoggedDose,
  type LoggedTrouble,
  type Refusal,
  refuseOp,
  seenToday,
  type VisitOp,
  type VisitState,
  visitState,
} from "./log.ts";
export { type PhaseOfVisit, phasesOf } from "./phases.ts";
export { PLAN_SIZE, planToKeep } from "./planToKeep.ts";
export { missingIn, planVisit, type VisitLoad, type VisitPlan } from "./planVisit.ts";
export { countText, doseText, type SaidCorrection, sayCorrection } from "./sayCorrection.ts";
export { type SaidPlan, sayPlan } from "./sayPlan.ts";
export { type OpBody, PHOTO_SPOTS, type PhotoSpot } from "./schema.ts";
export { asPlan } from "./snapshot.ts";
