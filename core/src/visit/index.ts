export type { VisitBundle } from "./bundle.ts";
export { modeOf } from "./change.ts";
export { DECISIONS, type Decision } from "./decisions.ts";
export { type DrawnPlan, drawChange } from "./draws.ts";
export { exceptionSentence } from "./exceptions.ts";
export {
  type Basis,
  CORE_VERSION,
  type DailyLimits,
  DEFAULT_LIMITS,
  inputHash,
  type OpenFinding,
  type PlanInput,
  type PlanReading,
  type WaterSource,
  withToday,
} from "./inputs.ts";
export { litresAboveM, litresOfMark, markCmOf, markPlace, missingL, startLevelM } from "./levels.ts";
export { type Exposure, exposures } from "./limits.ts";
export {
  DECIDE_AFTER_SLIPS,
  type LoggedFinding,
  type LoggedReading,
  type Refusal,
  refuseOp,
  seenToday,
  type VisitOp,
  type VisitState,
  visitState,
} from "./log.ts";
export {
  drainFlowLPerMinute,
  drainMinutesOf,
  hoseLimitL,
  minutesBelow,
  pumpFlowOf,
  refillFlowLPerMinute,
  refillMinutesOf,
} from "./moving.ts";
export { type Orderable, OrderCycleError, type OrderRule, orderReasons, orderSteps } from "./order.ts";
export { missingIn, planVisit, type VisitLoad, type VisitPlan } from "./planVisit.ts";
export { bestPolicy, comparePolicies, type Forward, forwardOf, POLICIES, type PolicyPlan } from "./policies.ts";
export { programmeOn } from "./programmeOn.ts";
export { rulesFor } from "./rules.ts";
export type { OpBody } from "./schema.ts";
export {
  basisOf,
  type SourceFacts,
  type SourceMeasurement,
  type SourceTest,
  sourceOn,
  sourceTest,
} from "./sourceOn.ts";
export { gearName, type Step } from "./steps.ts";
export { type TimedStep, type Timeline, timelineOf } from "./timeline.ts";
export { minutesForWater } from "./timeOnSite.ts";
export { latestReadings, mayWait, trimOf } from "./trimOf.ts";
export { planChange, planWater } from "./water.ts";
export type { Expected, Limit, WaterPlan, WaterReason } from "./waterPlan.ts";
