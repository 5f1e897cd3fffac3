export { adaptInterval, type DirtRating } from "./adapt.ts";
export { countsFrom } from "./begin.ts";
export { type BiologyLeft, biologyLeft, unitOf } from "./biology.ts";
export {
  beyondWindowDays,
  CADENCE_GEAR,
  type Cadence,
  type CadenceEvent,
  type CadenceGear,
  daysOf,
  daysWords,
  earlyDaysOf,
  sayCadence,
  type Window,
  windowWithin,
} from "./cadence.ts";
export { calledTask, type Evidence, NO_EVIDENCE } from "./called.ts";
export {
  type DueTask,
  type DueVisit,
  type HeldTask,
  type RestLimit,
  restLimit,
  tasksFor,
} from "./due.ts";
export {
  type CodeOfName,
  codesByName,
  type FirmJob,
  firmJobMisfits,
  firmJobOf,
  jobOfFirm,
  libraryNames,
  RESULTS,
  resultName,
} from "./firmJob.ts";
export { type KitItem, plain } from "./here.ts";
export { everyDaysOf, type Job, PERFORMERS, type Performer, PHASES, type Phase, SKILLS, type Skill } from "./job.ts";
export {
  isLibraryTask,
  jobHere,
  libraryJob,
  libraryTask,
  placeInLibrary,
  type TaskCode,
  taskLibrary,
} from "./library/index.ts";
export { asksFor, kindProgramme } from "./library/kinds.ts";
export {
  type MergeCause,
  type MergePlacement,
  type MergePlan,
  type MergeTask,
  type MergeVisit,
  mergeTasks,
} from "./merge.ts";
export { cautiousMinutes, type LearntMinutes, learnFrom, learnMinutes, personFactor } from "./minutes.ts";
export { HALVES, halfCleaned, taskDone, taskName } from "./names.ts";
export { type OwnerGroup, ownerList } from "./ownerList.ts";
export { type ParsedCadence, parseCadence } from "./parseCadence.ts";
export { type Preview, previewOf } from "./preview.ts";
export { partsOf, type RotationTurn, rotationOf } from "./rotation.ts";
export { cadenceOf, dueOn, isWaiting, jobOf, type Pin, performerOf, type TankTask } from "./task.ts";
export { BIOLOGICAL_REST_DAYS, type Nature } from "./together.ts";
export { codeOfMergeId, isSeldom, mergeId, seldomTasks } from "./yearAhead.ts";
export { type YoungPhase, youngJobs, youngNow, youngPhases, youngProgramme, youngShare } from "./young.ts";
