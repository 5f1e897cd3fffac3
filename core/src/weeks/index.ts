export {
  type Away,
  type Board,
  type BoardPerson,
  type BoardStop,
  mondayOf,
  moved,
  type Quay,
  runDay,
  type Slot,
  stopsIn,
  weekOf,
} from "./board.ts";
export { type Break, besideOf, refusedTo } from "./breaks.ts";
export { type JudgedDay, type Judgement, judgeDay, judgeMove } from "./judge.ts";
export { EVERY_DAY, KNOWS, KNOWS_NAME, type Knows, watersOf } from "./knows.ts";
export { type Offer, offersFor, stopsAway, stopsClosed, withAway, withClosed } from "./offer.ts";
export { type OneMore, oneMoreAt } from "./oneMore.ts";
export { type SeriesMove, seriesMoves } from "./patterns.ts";
export { type RefillStop, refilled } from "./refills.ts";
export { placesFor, type Settled, settle, settleSeeds, weighed } from "./settle.ts";
export type { BoardCost } from "./settleCost.ts";
export { type UnderWay, type WayOut, waysByItself, waysOut } from "./waysOut.ts";
export { WEIGHT_FACTS, WEIGHTS, type Weights } from "./weights.ts";
export { type Unmended, unmended, whyMoved, whyRefill, whyStays } from "./why.ts";
