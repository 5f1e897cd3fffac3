export type { VisitBundle } from "./bundle.ts";
export { limitsOfKind } from "./dayLimits.ts";
export { DECISIONS, type Decision } from "./decisions.ts";
export { type DrawnPlan, drawChange } from "./draws.ts";
export { exceptionSentence } from "./exceptions.ts";
export { exposures } from "./exposure.ts";
export { type Forecast, forecastOf } from "./forecast.ts";
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
export {
  belowLineCm,
  litresAboveM,
  litresOfMark,
  type MarkPlace,
  markCmOf,
  markPlace,
  missingL,
  pumpsOffLevelM,
  runBackOf,
  type Standing,
  standingOf,
} from "./levels.ts";
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
export { modeOf } from "./mode.ts";
export {
  drainFlowLPerMinute,
  drainMinutesOf,
  hoseLimitL,
  pumpFlowOf,
  refillFlowLPerMinute,
  refillMinutesOf,
} from "./moving.ts";
export { type OddReading, type Offer, oddOf } from "./odd.ts";
export { type Orderable, OrderCycleError, type OrderRule, orderReasons, orderSteps } from "./order.ts";
export { PLAN_SIZE, planSize, planToKeep } from "./planToKeep.ts";
export { missingIn, planVisit, type VisitLoad, type VisitPlan } from "./planVisit.ts";
export { bestPolicy, comparePolicies, type Forward, forwardOf, POLICIES, type PolicyPlan } from "./policies.ts";
export { programmeOn } from "./programmeOn.ts";
export { wrongKindOfWater } from "./rightWater.ts";
export { rulesFor } from "./rules.ts";
export type { OpBody } from "./schema.ts";
export { asPlan } from "./snapshot.ts";
export {
  basisOf,
  type SourceFacts,
  type SourceMeasurement,
  type SourceTest,
  sourceOn,
  sourceTest,
} from "./sourceOn.ts";
export { steadyOf } from "./steady.ts";
export { gearName, type Step } from "./step.ts";
export { type Missing, type TankOnDay, tankOnDay } from "./tankOnDay.ts";
export { type TimedStep, type Timeline, timelineOf } from "./timeline.ts";
export { minutesForWater } from "./timeOnSite.ts";
export { latestReadings, mayWait, trimOf } from "./trimOf.ts";
export { planChange, planWater } from "./water.ts";
export type { AfterCheck, Expected, Exposure, Limit, WaterPlan, WaterReason } from "./waterPlan.ts";
