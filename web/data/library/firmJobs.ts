import { recordKinds, sameValue, type Values, valuesOfJob } from "@keel-round/core/desk";
import {
  type CodeOfName,
  codesByName,
  earlyDaysOf,
  type FirmJob,
  firmJobMisfits,
  firmJobOf,
  isLibraryTask,
  type Job,
  jobOfFirm,
  kindProgramme,
  libraryNames,
  libraryTask,
  type TaskCode,
  taskLibrary,
} from "@keel-round/core/programme";
import { OrderCycleError, orderSteps, rulesFor } from "@keel-round/core/steps";
import { kindFacts, type TankKind } from "@keel-round/core/tank";
import { and, eq, gt, inArray, isNotNull, isNull, like, or, sql } from "drizzle-orm";
import { Refused } from "../access/define";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import type { Queries } from "../database/transaction";
import { firmJob, task } from "../schema";
import { windowColumns } from "./window";

/** Jobs that the firm thought of itself. */
export const OWN_CODE = "own-";

/**
 * Gives a business its own copy of each job of the library; a copy that nobody has edited follows the library.
 *
 * Runs when the library is opened: a firm that began with an earlier version gets what is new.
 */
export async function fillJobs(q: Queries, businessId: string): Promise<void> {
  const codes = Object.keys(taskLibrary) as TaskCode[];
  await q
    .insert(firmJob)
    .values(
      codes.map((code) => ({ id: newId(), businessId, code, name: libraryTask(code).name, facts: firmJobOf(code) })),
    )
    .onDuplicateKeyUpdate({
      set: {
        name: sql`if(${firmJob.version} = 1, values(name), ${firmJob.name})`,
        facts: sql`if(${firmJob.version} = 1, values(facts), ${firmJob.facts})`,
      },
    });
}

/** The firm's jobs where they are not the library's own. */
export interface FirmJobs {
  /** Undefined where the firm has the job as the library has it. */
  readonly jobOf: (code: string) => Job | undefined;
  readonly rows: readonly {
    readonly code: string;
    readonly name: string;
    readonly facts: FirmJob;
    readonly rests: boolean;
  }[];
}

type Row = typeof firmJob.$inferSelect;

function madeOf(rows: readonly Row[]): FirmJobs {
  const codeOf = codesOf(rows);
  const jobs = new Map(rows.map((r) => [r.code, jobOfFirm(r.code, r.name, r.facts, codeOf)]));
  return {
    jobOf: (code) => jobs.get(code),
    rows: rows.map(({ code, name, facts, archivedAt }) => ({ code, name, facts, rests: archivedAt !== null })),
  };
}

const codesOf = (rows: readonly { readonly code: string; readonly name: string }[]): CodeOfName =>
  codesByName([...libraryNames(taskLibrary), ...rows]);

/** Reads what a firm has of its own: edited copies and jobs it thought of itself. */
export async function loadFirmJobs(q: Queries, businessId: string): Promise<FirmJobs> {
  const rows = await q
    .select()
    .from(firmJob)
    .where(
      and(
        eq(firmJob.businessId, businessId),
        or(gt(firmJob.version, 1), isNotNull(firmJob.archivedAt), like(firmJob.code, `${OWN_CODE}%`)),
      ),
    );
  return madeOf(rows);
}

/** Jobs that a firm begins a tank of a kind with, with what they are there. */
export async function jobsOfKind(
  q: Queries,
  businessId: string,
  kind: TankKind,
): Promise<{ readonly code: string; readonly job: Job }[]> {
  const firm = await loadFirmJobs(q, businessId);
  const edited = new Map(firm.rows.map((r) => [r.code, r]));
  const library = kindProgramme[kind].filter((code) => !edited.has(code));
  const own = firm.rows.filter((r) => !r.rests && (r.facts.kinds ?? []).includes(kind)).map((r) => r.code);
  return [...library, ...own].map((code) => ({ code, job: firm.jobOf(code) ?? libraryTask(code as TaskCode) }));
}

/** Every job that a firm may put into a programme, and whether it belongs to a kind of tank. */
export async function firmLibrary(
  q: Queries,
  businessId: string,
  kind: TankKind,
): Promise<{ readonly code: string; readonly job: Job; readonly ofKind: boolean }[]> {
  const firm = await loadFirmJobs(q, businessId);
  const rests = new Set(firm.rows.filter((r) => r.rests).map((r) => r.code));
  const codes = [...new Set([...Object.keys(taskLibrary), ...firm.rows.map((r) => r.code)])];
  const ofKind = new Set((await jobsOfKind(q, businessId, kind)).map((j) => j.code));
  return codes
    .filter((code) => !rests.has(code))
    .map((code) => ({ code, job: firm.jobOf(code) ?? libraryTask(code as TaskCode), ofKind: ofKind.has(code) }));
}

/** A library job as the values of a form, for the firm's own copy to be held against; null for a job of its own. */
function libraryValues(code: string): Values | null {
  return isLibraryTask(code) ? { name: libraryTask(code).name, ...valuesOfJob(firmJobOf(code)) } : null;
}

/** The library's own of a job that the firm has a copy of; null for one that it thought of itself. */
export async function libraryOf(scope: Scope, id: string): Promise<Values | null> {
  const [row] = await db()
    .select({ code: firmJob.code })
    .from(firmJob)
    .where(and(eq(firmJob.businessId, scope.businessId), eq(firmJob.id, id)));
  return row ? libraryValues(row.code) : null;
}

/** A job that the firm does not have as the library has it. */
export interface DifferingJob {
  readonly id: string;
  readonly name: string;
  /** Null for a job that it thought of itself. */
  readonly fields: readonly string[] | null;
}

/** Jobs of the firm that are not as the library has them, with the fields that differ; own ones have none. */
export async function differingJobs(scope: Scope): Promise<DifferingJob[]> {
  const rows = await db()
    .select()
    .from(firmJob)
    .where(and(eq(firmJob.businessId, scope.businessId), isNull(firmJob.archivedAt)));
  return rows.flatMap((row): DifferingJob[] => {
    const library = libraryValues(row.code);
    if (!library) return [{ id: row.id, name: row.name, fields: null }];
    const own: Values = { name: row.name, ...valuesOfJob(row.facts) };
    const fields = recordKinds.job.fields.filter((f) => !sameValue(own[f.key], library[f.key])).map((f) => f.label);
    return fields.length > 0 ? [{ id: row.id, name: row.name, fields }] : [];
  });
}

/**
 * What follows once a job of the firm was written: its names and its place in the order are checked, and programmes that
 * have it as the firm has it follow.
 *
 * @throws a refusal beside the field that is wrong, with every job on the circle where rules contradict each other.
 */
export async function settleJob(tx: Queries, scope: Scope, before: Row | null, id: string): Promise<void> {
  const rows = await tx.select().from(firmJob).where(eq(firmJob.businessId, scope.businessId));
  const row = rows.find((r) => r.id === id);
  if (!row) return;
  const [field, message] = Object.entries(firmJobMisfits(row.facts, codesOf(rows)))[0] ?? [];
  if (field && message) throw new Refused(422, "invalid", message, { [field]: [message] });
  const firm = madeOf(rows);
  requireOrder(firm, row);
  const job = firm.jobOf(row.code);
  if (!job || !before) return;
  const was = madeOf([before]).jobOf(row.code);
  if (
    !was ||
    (was.everyDays === job.everyDays && was.giveDays === job.giveDays && earlyDaysOf(was) === earlyDaysOf(job))
  )
    return;
  // What dirt has moved stays where it was moved to.
  await tx
    .update(task)
    .set({ everyDays: job.everyDays, ...windowColumns(job) })
    .where(
      and(
        eq(task.businessId, scope.businessId),
        eq(task.code, row.code),
        isNull(task.cadence),
        inArray(task.everyDays, [was.everyDays]),
      ),
    );
}

/** Jobs that each have to come before another are named; the first rule that closes the circle is the one being saved. */
function requireOrder(firm: FirmJobs, row: Row): void {
  const tasks = firm.rows.filter((r) => !r.rests).map(({ code }) => ({ code, job: firm.jobOf(code) as Job }));
  const steps = tasks.map(({ code, job }, number) => ({ id: code, phase: job.phase, number, name: job.name }));
  // Phases without a job of their own stand for themselves, so that a circle through them is found.
  const phases = [...new Set(rulesFor(kindFacts.community.practice).flatMap((r) => [r.before, r.after]))]
    .filter((name) => !steps.some((s) => s.id === name || s.phase === name))
    .map((name, i) => ({ id: name, phase: name, number: steps.length + i, name }));
  try {
    orderSteps([...steps, ...phases], rulesFor(kindFacts.community.practice, tasks));
  } catch (error) {
    if (!(error instanceof OrderCycleError)) throw error;
    const nameOf = new Map([...steps, ...phases].map((s) => [s.id, s.name]));
    const names = error.steps.map((s) => nameOf.get(s) ?? s).join(", ");
    const message = `With this each of these would have to come before another: ${names}.`;
    throw new Refused(422, "cycle", message, { [row.facts.after ? "after" : "before"]: [message] });
  }
}
