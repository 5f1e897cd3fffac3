export { type BuildUp, fitBuildUp, type TimedChange, type TimedValue } from "./buildUp.ts";
export { placeInBand, standing } from "./place.ts";
export { judgeTrim, type LatestReading, type Trim, type TrimInput, type TrimReason, type TrimState } from "./trim.ts";
