export {
  type AnimalGroup,
  type Band,
  type DrainHose,
  EXCEPTION_KINDS,
  type FilterUnit,
  isSalt,
  type Landmark,
  type RefillPump,
  type Schools,
  type StandingException,
  systemVolumeL,
  TANK_KINDS,
  type TankBook,
  type TankKind,
  type TimedBucket,
  type Treatment,
} from "./book.ts";
export { type TankMisfit, tankMisfits } from "./check.ts";
export { type KindFacts, kindFacts } from "./kinds.ts";
export { type QuickAnswers, quickStart, volumeRelative95 } from "./quickStart.ts";
export type { TankFacts } from "./schema.ts";
export { schooled } from "./schooled.ts";
export {
  type ChoiceOf,
  choicesOf,
  FILTER_KINDS,
  gearName,
  LANDMARK_KINDS,
  SWITCH_GEAR,
  type SwitchGear,
  WAY_NAMES,
  WAYS,
  type Way,
} from "./vocabulary.ts";
