export { coursesTo, type Events, type TimedChange, type TimedDose } from "./balance.ts";
export { type LoggedEvent, type RateBreak, unloggedBreak, withBreaks } from "./breaks.ts";
export {
  type BuildUp,
  type Carried,
  carriedOn,
  type Fitted,
  fitBuildUp,
  ownPerDayOf,
} from "./buildUp.ts";
export {
  type Condition,
  type ConditionInput,
  type ConditionReason,
  type ConditionState,
  judgeCondition,
  type LatestReading,
  worstCondition,
} from "./condition.ts";
export {
  co2Series,
  type DatedReading,
  type Derived,
  type DerivedPoint,
  evaporationSeries,
  freeAmmoniaSeries,
  type LoggedLevel,
  type RunningSaid,
  runningSaid,
  runningSeries,
} from "./derived.ts";
export { type CourseFit, courseFitter, meansOn, type TimedValue, valuesOn } from "./fitCourse.ts";
export { placeInBand, standing } from "./place.ts";
