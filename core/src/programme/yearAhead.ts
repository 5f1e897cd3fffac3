import type { TankFacts } from "../tank/index.ts";
import { biologyLeft, unitOf } from "./biology.ts";
import { daysOf, windowWithin } from "./cadence.ts";
import type { Job } from "./job.ts";
import type { MergeTask } from "./merge.ts";
import { cadenceOf, dueOn, isWaiting, jobOf, performerOf, type TankTask } from "./task.ts";
import { natureOf, restApart, waitsForRemedy } from "./together.ts";

/** Jobs that come this seldom ride where there is room; what comes more often is part of every visit. */
const SELDOM_DAYS = 14;
/** What something called for is not known to come again. */
const ONCE_DAYS = 3650;

/** How a job of one tank is called among those of a stop, and back. */
export const mergeId = (tankId: string, code: string): string => `${tankId} ${code}`;
export const codeOfMergeId = (id: string): string => id.slice(id.indexOf(" ") + 1);

/** Whether a job comes so seldom that it is laid where there is room. */
export function isSeldom(task: TankTask): boolean {
  if (performerOf(task) !== "technician" || isWaiting(task)) return false;
  const cadence = cadenceOf(task);
  return cadence.by === "time" || cadence.by === "season" ? task.everyDays >= SELDOM_DAYS : cadence.by !== "event";
}

/**
 * The long and rare jobs of a tank as merging takes them, those that wait for something left out.
 *
 * @param minutesOf What a job takes here, learnt or of the library.
 */
export function seldomTasks(
  tankId: string,
  tasks: readonly TankTask[],
  facts: Parameters<typeof biologyLeft>[0] & Pick<TankFacts, "treatment">,
  minutesOf: (code: string, job: Job) => number,
): MergeTask[] {
  return tasks.filter(isSeldom).map((t) => {
    const job = jobOf(t);
    const cadence = cadenceOf(t);
    const unit = unitOf(t);
    const left = unit === null ? null : biologyLeft(facts, unit);
    const comesAgain = cadence.by === "time" || cadence.by === "season" || daysOf(cadence) !== null;
    const everyDays = comesAgain ? t.everyDays : ONCE_DAYS;
    const kind = natureOf(t, facts);
    return {
      id: mergeId(tankId, t.code),
      tankId,
      everyDays,
      ...windowWithin(t, everyDays),
      minutes: minutesOf(t.code, job),
      lastDoneOn: t.lastDoneOn,
      firstOn: dueOn(t),
      ...(t.pin ? { pinnedOn: t.pin.on } : {}),
      ...(cadence.by === "time" && cadence.grid ? { onGrid: true } : {}),
      ...(left && unit !== null
        ? { unit: `unit ${unit}`, advisory: !left.strict, ...servicedBefore(tankId, tasks, unit) }
        : {}),
      ...(kind ? { kind } : {}),
      // Services and media wait for a remedy; its own end calls for what comes after it.
      ...(facts.treatment && waitsForRemedy(t, unit, kind) ? { notBefore: facts.treatment.followUpOn } : {}),
    };
  });
}

/** The latest service of another unit of the tank, also by a job that waits to be called for again. */
function servicedBefore(tankId: string, tasks: readonly TankTask[], unit: number): Pick<MergeTask, "serviced"> {
  const others = tasks.filter((t) => restApart(unitOf(t), unit));
  const last = others.reduce<TankTask | null>((l, t) => (l && l.lastDoneOn >= t.lastDoneOn ? l : t), null);
  return last ? { serviced: { taskId: mergeId(tankId, last.code), on: last.lastDoneOn } } : {};
}
