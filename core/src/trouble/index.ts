export { type Action, type ActionCode, actionOf } from "./actions.ts";
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
