export { COLLECT, type Collection } from "./collect.ts";
export type { Collecting, DayInput, DayStop } from "./day.ts";
export { type DayBundle, ownWays } from "./dayBundle.ts";
export { REFILL_MINUTES } from "./dayOrder.ts";
export { type LearntRoad, learnRoad } from "./learnRoad.ts";
export { type LiveDay, type LoggedStop, type LoggedVisit, liveDay, loggedStops } from "./liveDay.ts";
export { kilograms, type OnBoard, type StopLoad } from "./load.ts";
export { pieceFor, piecesOf } from "./pieces.ts";
export {
  type DayPlan,
  draftDay,
  type LeftOver,
  type Leg,
  planDay,
  type Remedy,
  type TimedStop,
} from "./planDay.ts";
export { distanceKm, type Place, type Roads, travel, wayKey } from "./travel.ts";
