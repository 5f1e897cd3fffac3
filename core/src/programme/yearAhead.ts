import type { TankTask } from "./due.ts";
import { libraryTask, type TaskCode } from "./library.ts";
import type { MergeTask } from "./merge.ts";

/** Jobs that come this seldom ride where there is room; what comes more often is part of every visit. */
const SELDOM_DAYS = 21;
/** Fresh media would take up a medication, and a deep clean would load it at once. */
const KIND: Readonly<Partial<Record<TaskCode, NonNullable<MergeTask["kind"]>>>> = {
  carbon: "media",
  "phosphate-media": "media",
  "sump-clean": "deep-clean",
};

/** How a job of one tank is called among those of a stop, and back. */
export const mergeId = (tankId: string, code: TaskCode): string => `${tankId} ${code}`;
export const codeOfMergeId = (id: string): TaskCode => id.slice(id.indexOf(" ") + 1) as TaskCode;

/**
 * The long and rare jobs of a tank as merging takes them.
 *
 * @param minutesOf What a job takes here, learnt or of the library.
 */
export function seldomTasks(
  tankId: string,
  tasks: readonly TankTask[],
  minutesOf: (code: TaskCode) => number,
): MergeTask[] {
  return tasks
    .filter((t) => t.everyDays >= SELDOM_DAYS)
    .map((t) => {
      const kind = KIND[t.code];
      return {
        id: mergeId(tankId, t.code),
        tankId,
        everyDays: t.everyDays,
        giveDays: Math.min(t.giveDays, t.everyDays),
        minutes: minutesOf(t.code),
        lastDoneOn: t.lastDoneOn,
        ...(libraryTask(t.code).biological ? { unit: t.code } : {}),
        ...(kind ? { kind } : {}),
      };
    });
}
