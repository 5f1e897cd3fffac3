import { learnSalt } from "@keel-round/core/water";
import { and, asc, eq, isNull } from "drizzle-orm";
import { newId } from "../database/ids";
import type { Queries } from "../database/transaction";
import { saltBatch, source, tank } from "../schema";
import { refreshStatus } from "../tanks/status";

/** A batch of salt water that was weighed, mixed and measured. */
export interface VerifiedBatch {
  /** Its own id where it may be measured again; a visit's batch goes by its visit. */
  readonly id?: string;
  readonly visitId: string | null;
  readonly at: Date;
  readonly litres: number;
  readonly grams: number;
  readonly measuredPsu: number;
  readonly confirmed: boolean;
}

/** What a batch did to the salt's figure, g/L at 35 ppt. */
export interface BatchLesson {
  readonly batchGPerL: number;
  readonly before: number;
  readonly after: number;
  readonly questioned: boolean;
}

/**
 * Stores a verified batch and folds the salt's figure anew over all of them, from the label, oldest first.
 *
 * @returns what this batch taught; null for a water without salt.
 */
export async function recordBatch(
  tx: Queries,
  businessId: string,
  sourceId: string,
  batch: VerifiedBatch,
  today: string,
): Promise<BatchLesson | null> {
  const [row] = await tx
    .select()
    .from(source)
    .where(and(eq(source.businessId, businessId), eq(source.id, sourceId)))
    .for("update");
  const salt = row?.facts.salt;
  if (!row || !salt) return null;
  const { visitId, id = newId(), ...measured } = batch;
  await tx.delete(saltBatch).where(visitId ? eq(saltBatch.visitId, visitId) : eq(saltBatch.id, id));
  await tx.insert(saltBatch).values({
    id,
    businessId,
    sourceId,
    visitId,
    ...measured,
    batchGPerL: 0,
    learntGPerL: 0,
    questioned: false,
  });
  const all = await tx
    .select()
    .from(saltBatch)
    .where(and(eq(saltBatch.businessId, businessId), eq(saltBatch.sourceId, sourceId)))
    .orderBy(asc(saltBatch.at), asc(saltBatch.id));
  let gramsPerLitre = salt.labelGramsPerLitre;
  let own: BatchLesson | null = null;
  for (const b of all) {
    const before = gramsPerLitre;
    const lesson = learnSalt(before, b);
    gramsPerLitre = lesson.gramsPerLitre;
    if (b.id === id)
      own = { batchGPerL: lesson.batchGramsPerLitre, before, after: gramsPerLitre, questioned: lesson.questioned };
    await tx
      .update(saltBatch)
      .set({ batchGPerL: lesson.batchGramsPerLitre, learntGPerL: gramsPerLitre, questioned: lesson.questioned })
      .where(eq(saltBatch.id, b.id));
  }
  await tx
    .update(source)
    .set({ facts: { ...row.facts, salt: { ...salt, gramsPerLitre, batches: all.length } } })
    .where(eq(source.id, sourceId));
  // What their next visits take of it is another amount now.
  if (gramsPerLitre !== salt.gramsPerLitre) await judgeTanksOf(tx, businessId, sourceId, today);
  return own;
}

async function judgeTanksOf(tx: Queries, businessId: string, sourceId: string, today: string): Promise<void> {
  const tanks = await tx
    .select({ id: tank.id })
    .from(tank)
    .where(and(eq(tank.businessId, businessId), eq(tank.sourceId, sourceId), isNull(tank.archivedAt)));
  await refreshStatus(
    tx,
    businessId,
    tanks.map((t) => t.id),
    today,
  );
}
