import { daysBetween, instantOf } from "@keel-round/core/calendar";
import {
  calledTask,
  dueOn,
  isWaiting,
  type Job,
  NO_EVIDENCE,
  sayCadence,
  type TankTask,
  taskLibrary,
} from "@keel-round/core/programme";
import { byText } from "@keel-round/core/text";
import { and, asc, eq, isNull } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { inTransaction, type Queries } from "../database/transaction";
import { loadFirmJobs } from "../library/firmJobs";
import { deskChange, purifierJob, source } from "../schema";
import { bookUses } from "../stores/book";

/** The test that calls for cartridges and resin. */
const TDS_CHECK = "tds-check";
const JOBS = Object.entries(taskLibrary).flatMap(([code, job]: [string, Job]) => (job.needs?.purifier ? [code] : []));

export const PurifierDoneSchema = z.object({
  sourceId: z.uuid("Reload the room and try again."),
  code: z.enum(JOBS as [string, ...string[]], "Reload the room and try again."),
  on: z.iso.date("That day does not exist."),
  tdsMgL: z
    .number("Enter the TDS as a number.")
    .min(0, "TDS is never below 0.")
    .max(2000, "No water for a tank has that much.")
    .optional(),
});

/** One job of a purifier. */
export interface PurifierJob {
  readonly code: string;
  readonly name: string;
  readonly when: string;
  readonly reason: string;
  readonly caution: string | null;
  /** Null where nobody is known to have done it: it is due until somebody says when. */
  readonly lastDoneOn: string | null;
  /** Null while nothing calls for it. */
  readonly dueOn: string | null;
  readonly calledBy: string | null;
  /** What was measured with it last; undefined for a job that measures nothing. */
  readonly tdsMgL?: number | null;
}

/** A purifier of the firm with its jobs, what is due first. */
export interface PurifierUpkeep {
  readonly sourceId: string;
  readonly name: string;
  readonly jobs: readonly PurifierJob[];
}

/** The jobs of the firm's own purifiers: they come once, and not with every tank that is filled from them. */
export async function loadPurifierUpkeep(scope: Scope, today: string): Promise<PurifierUpkeep[]> {
  if (scope.role === "tankOwner") throw notFound("page");
  const [waters, done, firm] = await Promise.all([
    db()
      .select()
      .from(source)
      .where(and(eq(source.businessId, scope.businessId), isNull(source.siteId), isNull(source.archivedAt)))
      .orderBy(asc(source.name)),
    db().select().from(purifierJob).where(eq(purifierJob.businessId, scope.businessId)),
    loadFirmJobs(db(), scope.businessId),
  ]);
  const rests = new Set(firm.rows.filter((r) => r.rests).map((r) => r.code));
  return waters
    .filter((w) => w.facts.kind === "purified")
    .map(({ id, name }) => {
      const rows = new Map(done.filter((d) => d.sourceId === id).map((d) => [d.code, d]));
      const jobs = JOBS.filter((code) => !rests.has(code)).map((code) =>
        lineOf(code, firm.jobOf(code) ?? taskLibrary[code as keyof typeof taskLibrary], rows, today),
      );
      return {
        sourceId: id,
        name,
        jobs: jobs.sort((a, b) => byText(a.dueOn ?? "9999", b.dueOn ?? "9999")),
      };
    });
}

type Row = typeof purifierJob.$inferSelect;

function lineOf(code: string, job: Job, rows: ReadonlyMap<string, Row>, today: string): PurifierJob {
  const row = rows.get(code);
  const said = {
    code,
    name: job.name,
    when: sayCadence(job.cadence, job),
    reason: job.reason,
    caution: job.caution ?? null,
    ...(code === TDS_CHECK ? { tdsMgL: row?.tdsMgL ?? null } : {}),
  };
  if (!row) return { ...said, lastDoneOn: null, dueOn: today, calledBy: null };
  const measured = rows.get(TDS_CHECK);
  const readings =
    measured?.tdsMgL == null ? [] : [{ parameter: "tds" as const, value: measured.tdsMgL, on: measured.lastDoneOn }];
  const { everyDays, giveDays, earlyDays } = job;
  const begun: TankTask = {
    code,
    job,
    everyDays,
    giveDays,
    earlyDays,
    lastDoneOn: row.lastDoneOn,
    slips: 0,
    lastSector: 0,
  };
  const task = calledTask(begun, { ...NO_EVIDENCE, readings }, today);
  return {
    ...said,
    lastDoneOn: row.lastDoneOn,
    dueOn: isWaiting(task) ? null : dueOn(task),
    calledBy: task.calledBy ?? null,
  };
}

/**
 * Keeps the day a job of the firm's purifier was done, with who said so; a day told before is corrected by it.
 *
 * @throws a refusal for a day to come, and for a test without its figure.
 */
export async function purifierDone(
  scope: Scope,
  { sourceId, code, on, tdsMgL }: z.infer<typeof PurifierDoneSchema>,
  { now, today }: When,
): Promise<void> {
  if (on > today)
    throw new Refused(422, "invalid", "That day has not come yet.", { on: ["That day has not come yet."] });
  if (code === TDS_CHECK && tdsMgL === undefined)
    throw new Refused(422, "invalid", "Enter what the meter says.", { tdsMgL: ["Enter what the meter says."] });
  await inTransaction(async (tx) => {
    const [water] = await tx
      .select({ id: source.id })
      .from(source)
      .where(and(eq(source.businessId, scope.businessId), eq(source.id, sourceId), isNull(source.siteId)))
      .for("update");
    if (!water) throw notFound("water");
    const which = and(
      eq(purifierJob.businessId, scope.businessId),
      eq(purifierJob.sourceId, sourceId),
      eq(purifierJob.code, code),
    );
    const [before] = await tx.select().from(purifierJob).where(which);
    const measured = { lastDoneOn: on, tdsMgL: tdsMgL ?? null };
    if (before) await tx.update(purifierJob).set(measured).where(which);
    else
      await tx.insert(purifierJob).values({ id: newId(), businessId: scope.businessId, sourceId, code, ...measured });
    await tx.insert(deskChange).values({
      id: newId(),
      businessId: scope.businessId,
      personId: scope.personId,
      batchId: newId(),
      entity: "source",
      entityId: sourceId,
      at: now,
      field: `job:${code}:last done`,
      old: before?.lastDoneOn ?? null,
      new: on,
    });
    await takeParts(tx, scope, { sourceId, code, on, before: before?.lastDoneOn ?? null }, { now, today });
  });
}

/** A day told within so many days of the one told before puts that right: the parts went in once. */
const SAME_DAYS = 7;

/** Takes what a job uses up off the stores, on the day it was done. */
async function takeParts(
  tx: Queries,
  scope: Scope,
  { sourceId, code, on, before }: { sourceId: string; code: string; on: string; before: string | null },
  { now, today }: When,
): Promise<void> {
  const job = (await loadFirmJobs(tx, scope.businessId)).jobOf(code) ?? taskLibrary[code as keyof typeof taskLibrary];
  const uses = job.uses.map((name) => ({ name, unit: "times" as const, amount: 1 }));
  const book = (day: string, taken: typeof uses) =>
    bookUses(tx, scope.businessId, {
      ...{ cause: `upkeep ${sourceId} ${code} ${day}`, on: day, visitId: null, personId: scope.personId, van: null },
      at: day === today ? now : new Date(instantOf(day, NOON, scope.zone)),
      ...{ uses: taken, planned: taken },
    });
  if (before !== null && before !== on && daysBetween(before, on) <= SAME_DAYS) await book(before, []);
  await book(on, uses);
}

const NOON = 12 * 60;
