export { type Action, type ActionCode, actionOf, COOLED_A_DAY_K, WARMED_AN_HOUR_K } from "./actions.ts";
export { type Advice, harms, neverHere } from "./harms.ts";
export { lookAgainOn, todayFor } from "./today.ts";
export {
  type Again,
  type Refer,
  TROUBLE_CODES,
  type Trouble,
  type TroubleCode,
  troubleOf,
} from "./troubles.ts";
