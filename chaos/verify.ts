import type { VisitOp } from "@keel-round/core/visit";
import { and, eq, isNotNull, isNull, like } from "drizzle-orm";
import { db } from "@/data/database/connection";
import { client, job, letter, operation, person, tank, user, visit } from "@/data/schema";

/** What was acknowledged, and has to be there. */
export interface Promised {
  readonly businessId: string;
  /** The log of each visit that a phone was told was taken. */
  readonly logs: ReadonlyMap<string, readonly VisitOp[]>;
  /** Names of clients that files brought in, by file. */
  readonly files: readonly { readonly prefix: string; readonly rows: number }[];
  /** Businesses that an archive was brought into, by who signs in, and the tanks it holds. */
  readonly restored: { readonly emails: readonly string[]; readonly tanks: number };
  readonly mails: readonly { readonly messageId: string }[];
  /** Letters that had left before anything was killed: their mails are in no outbox. */
  readonly leftBefore: ReadonlySet<string>;
}

export interface Verdict {
  readonly lost: readonly string[];
  readonly doubled: readonly string[];
  readonly stuck: readonly string[];
}

/** Compares what was promised with what is there. */
export async function verify({ businessId, logs, files, restored, mails, leftBefore }: Promised): Promise<Verdict> {
  const lost: string[] = [];
  const doubled: string[] = [];
  const stuck: string[] = [];
  for (const [visitId, ops] of logs) {
    const kept = await db().select().from(operation).where(eq(operation.visitId, visitId));
    const applied = new Map(kept.filter((o) => o.status === "applied").map((o) => [o.opId, o]));
    for (const op of ops) if (!applied.has(op.opId)) lost.push(`entry ${op.seq} of visit ${visitId}`);
    if (kept.length !== new Set(kept.map((o) => `${o.device} ${o.seq}`)).size)
      doubled.push(`an entry of visit ${visitId}`);
    if (kept.length > ops.length) doubled.push(`${kept.length - ops.length} entries of visit ${visitId}`);
    const [row] = await db().select().from(visit).where(eq(visit.id, visitId));
    if (row?.state !== "closed") stuck.push(`visit ${visitId} is ${row?.state}`);
  }
  for (const { prefix, rows } of files) {
    const came = await db()
      .select({ name: client.name })
      .from(client)
      .where(and(eq(client.businessId, businessId), like(client.name, `${prefix} %`)));
    if (came.length < rows) lost.push(`${rows - came.length} rows of ${prefix}`);
    if (came.length > rows) doubled.push(`${came.length - rows} rows of ${prefix}`);
  }
  for (const email of restored.emails) {
    const tanks = await db()
      .select({ id: tank.id })
      .from(tank)
      .innerJoin(person, eq(person.businessId, tank.businessId))
      .innerJoin(user, and(eq(user.id, person.userId), eq(user.email, email)));
    if (tanks.length < restored.tanks) lost.push(`${restored.tanks - tanks.length} tanks of ${email}`);
    if (tanks.length > restored.tanks) doubled.push(`${tanks.length - restored.tanks} tanks of ${email}`);
  }
  const open = await db()
    .select({ kind: job.kind, error: job.error, failedAt: job.failedAt })
    .from(job)
    .where(and(eq(job.businessId, businessId), isNull(job.doneAt)));
  for (const j of open) stuck.push(`${j.kind}: ${j.failedAt ? "given up" : "waiting"} ${j.error ?? ""}`);
  const letters = await db()
    .select({ id: letter.id, sentAt: letter.sentAt })
    .from(letter)
    .where(and(eq(letter.businessId, businessId), isNotNull(letter.queuedAt)));
  const sent = new Map<string, number>();
  for (const m of mails) sent.set(m.messageId, (sent.get(m.messageId) ?? 0) + 1);
  for (const l of letters)
    if (l.sentAt && !leftBefore.has(l.id) && !sent.has(`<letter-${l.id}@keel-round.invalid>`))
      lost.push(`the mail of letter ${l.id}`);
  return { lost, doubled, stuck };
}
