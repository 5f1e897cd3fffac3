export {
  adaptInterval,
  BIOLOGICAL_REST_DAYS,
  type DirtRating,
  type DueTask,
  dueOn,
  type HeldTask,
  learnMinutes,
  type TankTask,
  tasksFor,
} from "./due.ts";
export { kindProgramme, type LibraryTask, libraryTask, type Phase, type TaskCode, taskLibrary } from "./library.ts";
export {
  type MergeCause,
  type MergePlacement,
  type MergePlan,
  type MergeTask,
  type MergeVisit,
  mergeTasks,
} from "./merge.ts";
export { codeOfMergeId, mergeId, seldomTasks } from "./yearAhead.ts";
