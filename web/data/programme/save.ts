import { addDays } from "@keel-round/core/calendar";
import {
  asksFor,
  cadenceOf,
  countsFrom,
  everyDaysOf,
  isLibraryTask,
  type Job,
  jobOf,
  libraryTask,
  PERFORMERS,
  parseCadence,
  performerOf,
  sayCadence,
  windowWithin,
  youngProgramme,
} from "@keel-round/core/programme";
import type { TankKind } from "@keel-round/core/tank";
import { and, eq } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import { lockTank } from "../access/locks";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { newId } from "../database/ids";
import { inTransaction, type Queries } from "../database/transaction";
import { type FirmJobs, jobsOfKind, loadFirmJobs } from "../library/firmJobs";
import { windowColumns } from "../library/window";
import { taskOf } from "../plan/asCore";
import { deskChange, task } from "../schema";
import { refreshStatus } from "../tanks/status";
import { laySite } from "./layJobs";

/** What somebody changed in a tank's programme. What is not named stays. */
export const ProgrammeSchema = z.object({
  tankId: z.uuid("Reload the sheet and try again."),
  jobs: z
    .array(
      z.object({
        code: z.string().min(1).max(60),
        active: z.boolean().optional(),
        /** In plain words; empty for as the firm has it. */
        when: z.string().max(160).optional(),
        by: z.enum(PERFORMERS).optional(),
        minutes: z.number().positive("A job takes some time.").max(480).nullable().optional(),
        /** The day it was last done, as somebody tells it. */
        lastDoneOn: z.iso.date("That day does not exist.").optional(),
        /** Back to what was agreed, whatever dirt has made of it. */
        forget: z.boolean().optional(),
      }),
    )
    .min(1, "Nothing was changed."),
});
type Change = z.infer<typeof ProgrammeSchema>["jobs"][number];
type TaskRow = typeof task.$inferSelect;

/**
 * Saves changes to a tank's programme, all of them or none, with who changed what; long jobs are laid out anew.
 *
 * @throws a refusal with what is wrong beside each job.
 */
export async function saveProgramme(
  scope: Scope,
  { tankId, jobs }: z.infer<typeof ProgrammeSchema>,
  { now, today }: When,
): Promise<void> {
  await inTransaction(async (tx) => {
    const tank = await lockTank(tx, scope, tankId);
    const firm = await loadFirmJobs(tx, scope.businessId);
    const rows = await tx
      .select()
      .from(task)
      .where(and(eq(task.businessId, scope.businessId), eq(task.tankId, tank.id)));
    const issues: Record<string, string[]> = {};
    const lines: { field: string; old: unknown; new: unknown }[] = [];
    for (const change of jobs) {
      const row =
        rows.find((r) => r.code === change.code) ??
        (await begin(tx, scope, tank.id, change.code, firm, { now, today }));
      const { set, said, problem } = changedTo(row, change, firm, { now, today });
      if (problem) issues[change.code] = [problem];
      lines.push(...said.map((l) => ({ ...l, field: `job:${change.code}${l.field}` })));
      if (Object.keys(set).length > 0) await tx.update(task).set(set).where(eq(task.id, row.id));
    }
    const [first] = Object.values(issues).flat();
    if (first) throw new Refused(422, "invalid", first, issues);
    if (lines.length === 0) return;
    const batchId = newId();
    await tx.insert(deskChange).values(
      lines.map((l) => ({
        id: newId(),
        businessId: scope.businessId,
        personId: scope.personId,
        batchId,
        entity: "tank",
        entityId: tank.id,
        at: now,
        ...l,
      })),
    );
    await laySite(tx, scope.businessId, tank.siteId, today);
    await refreshStatus(tx, scope.businessId, [tank.id], today);
  });
}

/** What a job is set to, and how the history tells it. */
function changedTo(row: TaskRow, change: Change, firm: FirmJobs, { now, today }: When) {
  const before = taskOf(row, firm);
  const job = firm.jobOf(row.code) ?? jobOf({ code: row.code });
  const set: Partial<typeof task.$inferInsert> = {};
  const said: { field: string; old: unknown; new: unknown }[] = [];
  if (change.active !== undefined && change.active !== (row.removedAt === null)) {
    set.removedAt = change.active ? null : now;
    said.push({ field: "", old: !change.active, new: change.active });
  }
  if (change.by !== undefined && change.by !== performerOf(before)) {
    set.performer = change.by === job.by ? null : change.by;
    said.push({ field: ":done by", old: performerOf(before), new: change.by });
  }
  if (change.minutes !== undefined && change.minutes !== row.minutes) {
    set.minutes = change.minutes;
    said.push({ field: ":minutes", old: row.minutes ?? job.minutes, new: change.minutes ?? job.minutes });
  }
  if (change.lastDoneOn !== undefined && (row.begun || change.lastDoneOn !== row.lastDoneOn)) {
    if (change.lastDoneOn > today) return { set, said, problem: "That day has not come yet." };
    set.lastDoneOn = change.lastDoneOn;
    set.begun = false;
    said.push({ field: ":last done", old: row.begun ? null : row.lastDoneOn, new: change.lastDoneOn });
  }
  const was = sayCadence(cadenceOf(before), before);
  if (change.forget) {
    set.everyDays = daysAgreed(before, job);
    said.push({ field: ":learnt interval", old: `${row.everyDays} days`, new: `${set.everyDays} days` });
  }
  if (change.when === undefined || change.when.trim() === was) return { set, said, problem: null };
  const usual = sayCadence(job.cadence, job);
  const words = change.when.trim() || usual;
  const read = parseCadence(words);
  if (!read.ok) return { set, said, problem: read.problem };
  const own = words !== usual;
  const everyDays = own ? daysAgreed({ ...before, cadence: read.cadence }, job) : job.everyDays;
  set.cadence = own ? read.cadence : null;
  set.everyDays = everyDays;
  // A window that was not named is the firm's, as far as it fits in.
  Object.assign(set, windowColumns(read.window ?? windowWithin(job, Math.floor((everyDays - 1) / 2))));
  said.push({ field: ":when", old: was, new: words });
  return { set, said, problem: null };
}

const daysAgreed = (before: Parameters<typeof cadenceOf>[0], job: Job): number =>
  before.cadence ? everyDaysOf(before.cadence) : job.everyDays;

/** Puts a job into a programme that never had it: a test is due at once, everything else counts from the day. */
async function begin(
  tx: Queries,
  scope: Scope,
  tankId: string,
  code: string,
  firm: FirmJobs,
  { now, today }: When,
): Promise<TaskRow> {
  const job = firm.jobOf(code) ?? (isLibraryTask(code) ? libraryTask(code) : null);
  if (!job) throw notFound("job");
  const row = { id: newId(), businessId: scope.businessId, tankId, ...begun(code, job, today) };
  // It rests until what was changed says that it is to be done.
  await tx.insert(task).values({ ...row, removedAt: now });
  const [written] = await tx.select().from(task).where(eq(task.id, row.id));
  if (!written) throw new Error(`The job ${code} was not written`);
  return written;
}

/** A job as a programme begins with it. */
export function begun(code: string, job: Job, today: string) {
  const test = typeof job.result === "object" && job.cadence.by === "time";
  return {
    code,
    everyDays: job.everyDays,
    ...windowColumns(job),
    lastDoneOn: test ? addDays(today, -job.everyDays) : today,
    begun: true,
  };
}

type NewBook = Parameters<typeof asksFor>[1] & Parameters<typeof youngProgramme>[0] & { readonly kind: TankKind };

/** Gives a tank the jobs of its kind that what stands there asks for, and those of its first months. */
export async function giveProgramme(
  tx: Queries,
  businessId: string,
  { id, facts }: { readonly id: string; readonly facts: NewBook },
  today: string,
): Promise<void> {
  const firm = await loadFirmJobs(tx, businessId);
  const young = youngProgramme(facts, today).map((code) => ({ code, job: firm.jobOf(code) ?? jobOf({ code }) }));
  const jobs = [...(await jobsOfKind(tx, businessId, facts.kind)), ...young];
  const given = jobs.filter(({ job }) => asksFor(job, facts));
  const from = countsFrom(given, facts.startedOn, today);
  await tx.insert(task).values(
    given.map(({ code, job }) => ({
      id: newId(),
      businessId,
      tankId: id,
      code,
      everyDays: job.everyDays,
      ...windowColumns(job),
      lastDoneOn: from.get(code) ?? today,
      begun: true,
    })),
  );
}
