import { byText } from "../text/index.ts";
import { daysWords } from "./cadence.ts";
import { cadenceOf, isWaiting, jobOf, performerOf, type TankTask } from "./task.ts";

/** What the owner does at one rhythm. */
export interface OwnerGroup {
  readonly when: string;
  readonly jobs: readonly {
    readonly code: string;
    readonly name: string;
    readonly reason: string;
    readonly caution: string | null;
    readonly needs: readonly string[];
  }[];
}

const ONCE_CALLED = "Now";

function whenWords(task: TankTask): string {
  if (cadenceOf(task).by !== "time") return ONCE_CALLED;
  if (task.everyDays === 1) return "Every day";
  return task.everyDays === 7 ? "Every week" : `Every ${daysWords(task.everyDays)}`;
}

/**
 * What the owner of a tank does between visits, what comes often first; what waits for something to call for it is left out.
 *
 * @param tasks The programme as it stands on the day.
 */
export function ownerList(tasks: readonly TankTask[]): OwnerGroup[] {
  const own = tasks
    .filter((t) => performerOf(t) === "owner" && !isWaiting(t))
    .sort((a, b) => rank(a) - rank(b) || byText(a.code, b.code));
  const groups = new Map<string, OwnerGroup["jobs"]>();
  for (const task of own) {
    const { name, reason, caution, kit, uses } = jobOf(task);
    const when = whenWords(task);
    const line = { code: task.code, name, reason, caution: caution ?? null, needs: [...kit, ...uses] };
    groups.set(when, [...(groups.get(when) ?? []), line]);
  }
  return [...groups].map(([when, jobs]) => ({ when, jobs }));
}

/** What something called for comes first, then by how often. */
const rank = (task: TankTask): number => (cadenceOf(task).by === "time" ? task.everyDays : 0);
