import { sayDay } from "@keel-round/core/calendar";
import { and, asc, desc, eq, inArray, isNotNull, isNull, lt, lte, or, type SQL, sql } from "drizzle-orm";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { inTransaction, type Queries } from "../database/transaction";
import { importFile, job, letter, reportRun, site, stop } from "../schema";

export type Job = typeof job.$inferSelect;
export type JobKind = Job["kind"];

/** The database's own clock: leases are about no other one. */
const NOW = sql`utc_timestamp(3)`;
const after = (ms: number): SQL => sql`utc_timestamp(3) + interval ${ms * 1000} microsecond`;

const LEASE_MS = 60_000;
/** A first try is repeated after some seconds, a later one after a quarter of an hour at most. */
const LONGEST_WAIT_MS = 15 * 60_000;
/** Tries until somebody has to look: a mail server may be away for three days. */
const MOST_ATTEMPTS: Readonly<Record<JobKind, number>> = {
  letter: 6,
  mail: 300,
  entry: 300,
  "import-check": 6,
  "import-apply": 6,
  ring: 4,
  notice: 300,
  told: 300,
  report: 4,
  order: 300,
};

/** Work of one kind that waits, that was given up, and how long the oldest has been due, s. */
export interface QueueState {
  readonly kind: JobKind;
  readonly waiting: number;
  readonly givenUp: number;
  readonly oldestS: number;
}

/** What waits in the queue of the whole installation. */
export async function queueState(): Promise<QueueState[]> {
  const rows = await db()
    .select({
      kind: job.kind,
      waiting: sql<number>`sum(${job.failedAt} is null)`.mapWith(Number),
      givenUp: sql<number>`sum(${job.failedAt} is not null)`.mapWith(Number),
      oldestS: sql<number>`coalesce(max(case when ${job.failedAt} is null
        then greatest(0, timestampdiff(second, ${job.runAt}, ${NOW})) end), 0)`.mapWith(Number),
    })
    .from(job)
    .where(isNull(job.doneAt))
    .groupBy(job.kind);
  return rows;
}

/** Claims the next job that is due, by a conditional update; null if there is none or another process was quicker. */
export async function claimJob(owner: string): Promise<Job | null> {
  const free = and(
    isNull(job.doneAt),
    isNull(job.failedAt),
    lte(job.runAt, NOW as never),
    or(isNull(job.leaseUntil), lt(job.leaseUntil, NOW as never)),
  );
  const [next] = await db().select().from(job).where(free).orderBy(asc(job.runAt)).limit(1);
  if (!next) return null;
  const [claimed] = await db()
    .update(job)
    .set({ owner, leaseUntil: after(LEASE_MS) as never, attempts: sql`${job.attempts} + 1` })
    .where(and(eq(job.id, next.id), free));
  return claimed.affectedRows === 1 ? { ...next, owner, attempts: next.attempts + 1 } : null;
}

const held = (of: Job) => and(eq(job.id, of.id), eq(job.owner, of.owner ?? ""), isNull(job.doneAt));

/** Keeps a job that takes longer than its lease; false where somebody else has it by now. */
export async function renewJob(of: Job): Promise<boolean> {
  const [done] = await db()
    .update(job)
    .set({ leaseUntil: after(LEASE_MS) as never })
    .where(held(of));
  return done.affectedRows === 1;
}

/** Marks a job as done; false where somebody else has it by now. */
export async function finishJob(of: Job): Promise<boolean> {
  const [done] = await db()
    .update(job)
    .set({ doneAt: NOW as never, error: null })
    .where(held(of));
  return done.affectedRows === 1;
}

/**
 * Gives a job back to be tried again later, or up after the last try. The error is kept for people to read.
 *
 * @returns whether it was given up.
 */
export async function failJob(of: Job, error: string): Promise<boolean> {
  const givesUp = of.attempts >= MOST_ATTEMPTS[of.kind];
  const waitMs = Math.min(LONGEST_WAIT_MS, 2_000 * 3 ** Math.min(of.attempts, 10));
  const [done] = await db()
    .update(job)
    .set({
      error: error.slice(0, 2000),
      leaseUntil: null,
      owner: null,
      runAt: after(waitMs) as never,
      ...(givesUp ? { failedAt: NOW as never } : {}),
    })
    .where(held(of));
  const given = givesUp && done.affectedRows === 1;
  if (given && of.payload.runId)
    await db()
      .update(reportRun)
      .set({ state: "failed", error: error.slice(0, 400) })
      .where(and(eq(reportRun.businessId, of.businessId), eq(reportRun.id, of.payload.runId)));
  // Nobody waits for what has stopped.
  if (given && of.payload.importId)
    await db()
      .update(importFile)
      .set({ state: "failed", error: error.slice(0, 400) })
      .where(and(eq(importFile.businessId, of.businessId), eq(importFile.id, of.payload.importId)));
  return given;
}

/** Work that was given up, as the office reads it. */
export interface GivenUp {
  readonly id: string;
  readonly kind: JobKind;
  /** The letter's subject, the file's name, or the site and day of a letter that is not written yet. */
  readonly about: string | null;
  readonly letterId: string | null;
  readonly importId: string | null;
  readonly stopId: string | null;
  readonly error: string;
  readonly attempts: number;
  readonly failedAt: Date;
}

const ofBusiness = (scope: Scope) =>
  and(eq(job.businessId, scope.businessId), isNotNull(job.failedAt), isNull(job.doneAt));

/** What was given up in a business, the newest first. */
export async function listGivenUp(scope: Scope): Promise<GivenUp[]> {
  const rows = await db().select().from(job).where(ofBusiness(scope)).orderBy(desc(job.failedAt)).limit(200);
  const letters = await db()
    .select({ id: letter.id, subject: letter.subject })
    .from(letter)
    .where(and(eq(letter.businessId, scope.businessId), isNull(letter.sentAt)));
  const stops = await db()
    .select({ id: stop.id, on: stop.onDate, name: site.name })
    .from(stop)
    .innerJoin(site, and(eq(site.businessId, stop.businessId), eq(site.id, stop.siteId)))
    .where(
      and(
        eq(stop.businessId, scope.businessId),
        inArray(
          stop.id,
          rows.flatMap((r) => r.payload.stopId ?? []),
        ),
      ),
    );
  const visited = new Map(stops.map((s) => [s.id, `${s.name}, ${sayDay(s.on)}`]));
  const files = await db()
    .select({ id: importFile.id, name: importFile.fileName })
    .from(importFile)
    .where(eq(importFile.businessId, scope.businessId));
  return rows.map(({ id, kind, payload, error, attempts, failedAt }) => ({
    id,
    kind,
    about:
      letters.find((l) => l.id === payload.letterId)?.subject ??
      files.find((f) => f.id === payload.importId)?.name ??
      visited.get(payload.stopId ?? "") ??
      null,
    letterId: payload.letterId ?? null,
    importId: payload.importId ?? null,
    stopId: payload.stopId ?? null,
    error: error ?? "",
    attempts,
    failedAt: failedAt ?? new Date(0),
  }));
}

/** How much was given up: what the office is told on every page. */
export async function countGivenUp(scope: Scope): Promise<number> {
  const [row] = await db()
    .select({ n: sql<number>`count(*)`.mapWith(Number) })
    .from(job)
    .where(ofBusiness(scope));
  return row?.n ?? 0;
}

/** What was given up of a file is over once somebody asks for it anew. */
export async function forgetGivenUp(q: Queries, businessId: string, importId: string): Promise<void> {
  await q
    .update(job)
    .set({ doneAt: NOW as never })
    .where(
      and(
        eq(job.businessId, businessId),
        isNotNull(job.failedAt),
        isNull(job.doneAt),
        sql`json_value(${job.payload}, '$.importId') = ${importId}`,
      ),
    );
}

/** Tries work again that was given up, from the first try on. */
export async function tryAgain(scope: Scope, jobId: string): Promise<void> {
  await inTransaction(async (tx) => {
    const [row] = await tx
      .select({ kind: job.kind, payload: job.payload })
      .from(job)
      .where(and(ofBusiness(scope), eq(job.id, jobId)));
    const [done] = await tx
      .update(job)
      .set({ failedAt: null, attempts: 0, owner: null, leaseUntil: null, runAt: NOW as never })
      .where(and(ofBusiness(scope), eq(job.id, jobId)));
    if (!row || done.affectedRows !== 1) throw notFound("piece of work");
    if (row.payload.runId)
      await tx
        .update(reportRun)
        .set({ state: "making", error: null, cancelAsked: false })
        .where(
          and(
            ...[eq(reportRun.businessId, scope.businessId), eq(reportRun.id, row.payload.runId)],
            eq(reportRun.state, "failed"),
          ),
        );
    if (row.payload.importId)
      await tx
        .update(importFile)
        .set({ state: row.kind === "import-apply" ? "applying" : "checking", error: null, cancelAsked: false })
        .where(
          and(
            eq(importFile.businessId, scope.businessId),
            eq(importFile.id, row.payload.importId),
            eq(importFile.state, "failed"),
          ),
        );
  });
}
