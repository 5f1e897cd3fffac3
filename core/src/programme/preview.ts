import { windowWithin } from "./cadence.ts";
import { type MergeTask, type MergeVisit, mergeTasks } from "./merge.ts";
import { rotationOf } from "./rotation.ts";
import { cadenceOf, dueOn, isWaiting, performerOf, type TankTask } from "./task.ts";
import { isSeldom, mergeId } from "./yearAhead.ts";

/** A job's coming year as it would be. */
export type Preview =
  | { readonly kind: "visits"; readonly on: readonly string[]; readonly late: number }
  /** Done by the owner, so many times a year. */
  | { readonly kind: "owner"; readonly times: number }
  | { readonly kind: "waits" };

const YEAR_DAYS = 364;

/**
 * The visits of the coming year that a job would ride with, changed as somebody is about to change it, among the long jobs
 * of its site.
 *
 * @param board The site's visits and long jobs as they stand.
 */
export function previewOf(
  tankId: string,
  task: TankTask,
  board: { readonly visits: readonly MergeVisit[]; readonly tasks: readonly MergeTask[] },
): Preview {
  if (isWaiting(task)) return { kind: "waits" };
  if (performerOf(task) === "owner") return { kind: "owner", times: Math.floor(YEAR_DAYS / task.everyDays) };
  const days = board.visits.map((v) => v.on);
  if (!isSeldom(task)) {
    const turns =
      cadenceOf(task).by === "time" ? rotationOf(task, 1, days).map((t) => t.on) : firstFrom(days, dueOn(task));
    return { kind: "visits", on: turns, late: 0 };
  }
  const id = mergeId(tankId, task.code);
  const known = board.tasks.find((t) => t.id === id);
  const changed: MergeTask = {
    ...(known ?? { id, tankId, minutes: 10 }),
    everyDays: task.everyDays,
    ...windowWithin(task, task.everyDays),
    lastDoneOn: task.lastDoneOn,
    firstOn: dueOn(task),
  };
  const tasks = known ? board.tasks.map((t) => (t === known ? changed : t)) : [...board.tasks, changed];
  const turns = mergeTasks(board.visits, tasks).placements.filter((p) => p.taskId === id);
  return { kind: "visits", on: turns.map((p) => p.on), late: turns.filter((p) => p.lateDays > 0).length };
}

const firstFrom = (days: readonly string[], from: string): string[] => days.filter((on) => on >= from).slice(0, 1);
