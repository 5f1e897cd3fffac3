export { type TankMisfit, tankMisfits } from "./check.ts";
export { type CourseDay, courseDays } from "./courseDays.ts";
export {
  type AnimalGroup,
  type Band,
  COURSE_GROUPS,
  type CourseGroup,
  type DrainHose,
  EXCEPTION_KINDS,
  type FilterUnit,
  isSalt,
  type Landmark,
  type Practice,
  type RefillPump,
  type RemedyUnit,
  type StandingException,
  systemVolumeL,
  TANK_KINDS,
  type TankFacts,
  type TankKind,
  type TimedBucket,
  type Treatment,
} from "./facts.ts";
export { type KindFacts, kindFacts } from "./kinds.ts";
export { practised } from "./practised.ts";
export { type QuickAnswers, quickStart, volumeRelative95 } from "./quickStart.ts";
export type { KeptFacts } from "./schema.ts";
export {
  type ChoiceOf,
  FILTER_KINDS,
  gearName,
  LANDMARK_KINDS,
  SWITCH_GEAR,
  type SwitchGear,
  WAY_NAMES,
  WAYS,
  type Way,
} from "./vocabulary.ts";
