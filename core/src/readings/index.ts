export type { Events, TimedChange } from "./balance.ts";
export {
  type BuildUp,
  type Carried,
  carriedOn,
  type Fitted,
  fitBuildUp,
  ownPerDayOf,
  type TimedValue,
} from "./buildUp.ts";
export {
  type Condition,
  type ConditionInput,
  type ConditionReason,
  type ConditionState,
  judgeCondition,
  type LatestReading,
} from "./condition.ts";
export { placeInBand, standing } from "./place.ts";
