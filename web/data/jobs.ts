import { and, asc, eq, isNull, lt, lte, or, sql } from "drizzle-orm";
import { db } from "./connection";
import { newId } from "./ids";
import { job } from "./schema";
import type { Queries } from "./transaction";

export type Job = typeof job.$inferSelect;

const LEASE_MS = 60_000;
const MOST_ATTEMPTS = 6;

/** Puts work into the queue. */
export async function enqueue(
  q: Queries,
  businessId: string,
  kind: Job["kind"],
  payload: Job["payload"],
  runAt: Date,
): Promise<void> {
  await q.insert(job).values({ id: newId(), businessId, kind, payload, runAt });
}

/** Claims the next job that is due, by a conditional update; null if there is none or another process was quicker. */
export async function claimJob(owner: string, now: Date): Promise<Job | null> {
  const free = and(
    isNull(job.doneAt),
    isNull(job.failedAt),
    lte(job.runAt, now),
    or(isNull(job.leaseUntil), lt(job.leaseUntil, now)),
  );
  const [next] = await db().select().from(job).where(free).orderBy(asc(job.runAt)).limit(1);
  if (!next) return null;
  const [claimed] = await db()
    .update(job)
    .set({ owner, leaseUntil: new Date(now.getTime() + LEASE_MS), attempts: sql`${job.attempts} + 1` })
    .where(and(eq(job.id, next.id), free));
  return claimed.affectedRows === 1 ? { ...next, attempts: next.attempts + 1 } : null;
}

/** Keeps a job that takes longer than its lease. */
export async function renewJob(id: string, owner: string, now: Date): Promise<void> {
  await db()
    .update(job)
    .set({ leaseUntil: new Date(now.getTime() + LEASE_MS) })
    .where(and(eq(job.id, id), eq(job.owner, owner)));
}

/** Marks a job as done. */
export async function finishJob(id: string, now: Date): Promise<void> {
  await db().update(job).set({ doneAt: now, error: null }).where(eq(job.id, id));
}

/** Gives a job back to be tried again later, or up after six tries. The error is kept for people to read. */
export async function failJob(failed: Job, error: string, now: Date): Promise<void> {
  const givesUp = failed.attempts >= MOST_ATTEMPTS;
  const delayMs = Math.min(15 * 60_000, 2_000 * 3 ** failed.attempts);
  await db()
    .update(job)
    .set({
      error: error.slice(0, 2000),
      leaseUntil: null,
      owner: null,
      runAt: new Date(now.getTime() + delayMs),
      ...(givesUp ? { failedAt: now } : {}),
    })
    .where(eq(job.id, failed.id));
}
