export {
  type DayInput,
  type DayPlan,
  type DayStop,
  type Leg,
  type OnBoard,
  orderStops,
  planDay,
  type Remedy,
  type StopLoad,
  type TimedStop,
} from "./planDay.ts";
export { distanceKm, type Place, type Roads, travel } from "./travel.ts";
