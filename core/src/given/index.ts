export { FINDING_KINDS, type FindingKind, kindOfNote, soundsUrgent } from "../trouble/findingKinds.ts";
export { freeAmmoniaNow, freeAt, isBound, worstNow } from "./ammonia.ts";
export { withBed } from "./bedWork.ts";
export { conditionOf, latestReadings, mayWait } from "./conditionOf.ts";
export { limitsOfKind } from "./dayLimits.ts";
export { leftByConditioner } from "./disinfected.ts";
export { exceptedStep, exceptionSentence, fedBefore } from "./exceptions.ts";
export {
  CORE_VERSION,
  type DailyLimits,
  DEFAULT_LIMITS,
  type Given,
  inputHash,
  type OpenFinding,
  type PlanInput,
  type PlanReading,
  type WaterSource,
  withToday,
} from "./inputs.ts";
export { jobsOn } from "./jobsOn.ts";
export { tankC } from "./known.ts";
export {
  belowLineCm,
  drainableL,
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
export { modeOf } from "./mode.ts";
export { meantBy, type Offer, oddOf, oddToday, slipsTo } from "./odd.ts";
export { BED_JOBS, followsChange, MECHANICAL, mediaToBring, programmeOn } from "./programmeOn.ts";
export { wrongKindOfWater } from "./rightWater.ts";
export {
  basisOf,
  type SourceFacts,
  sourceOn,
  sourceRelative,
  sourceTest,
} from "./sourceOn.ts";
export { type DoseBefore, steadyOf } from "./steady.ts";
export { type StepMinutes, stepMinutes } from "./stepMinutes.ts";
export { leaningOn, type Missing, type TankOnDay, tankOnDay } from "./tankOnDay.ts";
export { minutesForWater } from "./timeOnSite.ts";
