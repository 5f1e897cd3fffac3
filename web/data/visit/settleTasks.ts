import { addDays, daysBetween } from "@keel-round/core/calendar";
import { adaptInterval, cadenceOf, everyDaysOf, jobOf } from "@keel-round/core/programme";
import type { Decision, VisitState } from "@keel-round/core/visit";
import { and, asc, eq, gt, inArray } from "drizzle-orm";
import type { Queries } from "../database/transaction";
import { type FirmJobs, loadFirmJobs } from "../library/firmJobs";
import { taskOf } from "../plan/asCore";
import { stepLog, task, visit } from "../schema";
import type { TaskBefore } from "../schema/round";

export type TaskRow = typeof task.$inferSelect;
type StepRow = typeof stepLog.$inferSelect;
type VisitOf = { readonly businessId: string; readonly tankId: string; readonly visitId: string };

/** What the log says of a job that was decided on. */
export const DECIDED: Record<Decision, string> = {
  must: "it comes at the next visit, whatever else",
  rarer: "it is done less often from now on",
  owner: "the owner does it from now on",
  rest: "it is taken out of the programme",
};
/** A job that keeps being left out is set to this much longer. */
const RARER = 1.5;

/** The jobs of a tank as they stood before a visit moved them, by their code. */
export const beforeOf = (tasks: readonly TaskRow[]): Record<string, TaskBefore> =>
  Object.fromEntries(
    tasks.map(({ code, everyDays, cadence, performer, pin, lastDoneOn, begun, lastSector, removedAt }) => [
      code,
      { everyDays, cadence, performer, pin, lastDoneOn, begun, lastSector, removed: removedAt?.toISOString() ?? null },
    ]),
  );

/** Days since a job was last done before a visit; null where nobody is known to have done it. */
export const intervalBefore = (before: TaskBefore | undefined, on: string): number | null =>
  before && !before.begun ? Math.max(0, daysBetween(before.lastDoneOn, on)) : null;

type Rating = { readonly dirt: number; readonly intervalDays: number };
type Settled = Pick<TaskBefore, "everyDays" | "cadence" | "performer" | "pin" | "removed">;

/** What a visit's log makes of one job: a function of the job before it and of the log alone. */
function settled(
  code: string,
  before: TaskBefore,
  state: VisitState,
  { ratings, agreed, on }: { readonly ratings: readonly Rating[]; readonly agreed: number; readonly on: string },
): Settled {
  const { everyDays, cadence, performer, pin, removed } = before;
  const as: Settled = { everyDays, cadence, performer, pin, removed };
  if (!state.closedAt) return as;
  if (state.ticked[code] !== undefined) {
    const intervalDays = intervalBefore(before, on);
    const dirt = state.dirt[code];
    // Done, it is laid out anew.
    const done = { ...as, pin: null };
    return dirt === undefined || !intervalDays
      ? done
      : { ...done, everyDays: adaptInterval(everyDays, agreed, [...ratings, { dirt: dirt as never, intervalDays }]) };
  }
  switch (state.decided[code]) {
    case "must":
      return { ...as, pin: { on: addDays(on, 1), by: DECIDED.must } };
    case "rarer": {
      const days = Math.round(everyDays * RARER);
      return { ...as, everyDays: days, cadence: { by: "time", every: days, unit: "day" } };
    }
    case "owner":
      return { ...as, performer: "owner" };
    case "rest":
      return { ...as, removed: state.closedAt };
    default:
      return as;
  }
}

const sameIn = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/**
 * Sets the jobs of a tank as the log of a closed visit and of all others says.
 *
 * What the log made of a job is compared with what it made of it before this batch: a late entry writes what it changes
 * and leaves alone what somebody has set since. The same log leaves the same jobs, however it was cut into batches.
 */
export async function settleTasks(
  tx: Queries,
  of: VisitOf,
  tasks: readonly TaskRow[],
  {
    before,
    was,
    state,
    on,
  }: {
    readonly before: Readonly<Record<string, TaskBefore>>;
    readonly was: VisitState;
    readonly state: VisitState;
    readonly on: string;
  },
): Promise<void> {
  const log = await stepsOf(tx, of, tasks);
  const firm = await loadFirmJobs(tx, of.businessId);
  const [later] = await tx
    .select({ id: visit.id })
    .from(visit)
    .where(
      and(
        eq(visit.businessId, of.businessId),
        eq(visit.tankId, of.tankId),
        eq(visit.state, "closed"),
        gt(visit.onDate, on),
      ),
    )
    .limit(1);
  for (const t of tasks) {
    const from = before[t.code];
    const set: Partial<typeof task.$inferInsert> = counted(t, from, log, coverers(t.code, tasks, firm), on);
    if (from) {
      const ratings = log.flatMap((r) =>
        r.visitId !== of.visitId && r.onDate <= on && r.step === t.code && r.dirt !== null && r.intervalDays
          ? [{ dirt: r.dirt as never, intervalDays: r.intervalDays }]
          : [],
      );
      const how = { ratings, agreed: everyDaysOf(cadenceOf(taskOf(t, firm))), on };
      const [then, now] = [settled(t.code, from, was, how), settled(t.code, from, state, how)];
      // A later visit has moved it on from there.
      if (!later && !sameIn(then.everyDays, now.everyDays)) set.everyDays = now.everyDays;
      if (!sameIn(then.cadence, now.cadence)) set.cadence = now.cadence;
      if (!sameIn(then.performer, now.performer)) set.performer = now.performer;
      if (!sameIn(then.pin, now.pin)) set.pin = now.pin;
      // Out of the programme it is laid on no day.
      if (!sameIn(then.removed, now.removed))
        Object.assign(set, { removedAt: now.removed ? new Date(now.removed) : null, plannedOn: null });
    }
    if (Object.keys(set).length > 0) await tx.update(task).set(set).where(eq(task.id, t.id));
  }
}

/** Steps of all visits of a tank that are its jobs, in the order of their days. */
const stepsOf = (tx: Queries, of: VisitOf, tasks: readonly TaskRow[]): Promise<StepRow[]> =>
  tx
    .select()
    .from(stepLog)
    .where(
      and(
        eq(stepLog.businessId, of.businessId),
        eq(stepLog.tankId, of.tankId),
        inArray(
          stepLog.step,
          tasks.map((t) => t.code),
        ),
      ),
    )
    .orderBy(asc(stepLog.onDate), asc(stepLog.id));

/** Codes of the jobs that do another one with them. */
const coverers = (code: string, tasks: readonly TaskRow[], firm: FirmJobs): ReadonlySet<string> =>
  new Set(tasks.filter((c) => jobOf(taskOf(c, firm)).covers?.includes(code)).map((c) => c.code));

/** Last day done, slips and sector of a job from the log; where no log says that it was done, as it stood before this visit. */
function counted(
  t: TaskRow,
  before: TaskBefore | undefined,
  log: readonly StepRow[],
  doneWith: ReadonlySet<string>,
  on: string,
): Partial<typeof task.$inferInsert> {
  const mine = log.filter((r) => r.step === t.code || (r.outcome === "done" && doneWith.has(r.step)));
  const lastDone = mine.findLast((r) => r.outcome === "done");
  const takenBack = !lastDone && before !== undefined && !t.begun && t.lastDoneOn === on;
  if (mine.length === 0 && !takenBack) return {};
  const skips = mine.slice(1 + mine.findLastIndex((r) => r.outcome !== "skipped"));
  return {
    ...(lastDone ? { lastDoneOn: lastDone.onDate, begun: false } : {}),
    ...(takenBack ? { lastDoneOn: before.lastDoneOn, begun: before.begun } : {}),
    slips: skips.length,
    lastSkipReason: skips.at(-1)?.reason ?? null,
    lastSector:
      mine.findLast((r) => r.step === t.code && r.sector !== null)?.sector ?? before?.lastSector ?? t.lastSector,
  };
}
