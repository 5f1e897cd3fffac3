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
export { placeInBand, standing } from "./place.ts";
export { judgeTrim, type LatestReading, type Trim, type TrimInput, type TrimReason, type TrimState } from "./trim.ts";
