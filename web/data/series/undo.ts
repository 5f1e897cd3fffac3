import { and, desc, eq, inArray, isNull } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import { lockSite } from "../access/locks";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { newId } from "../database/ids";
import { inTransaction, type Queries } from "../database/transaction";
import { withdrawNotices } from "../notices/notices";
import { deskChange, roundChange, series, seriesTank, stop, visit } from "../schema";
import type { RoundBefore } from "../schema/round";
import { refreshSite } from "../tanks/status";

export const UndoSchema = z.object({ changeId: z.uuid("Reload the page and try again.") });

/** What undoing left as it is: it was begun meanwhile. */
export interface Undone {
  readonly siteId: string;
  readonly begun: number;
}

/**
 * Undoes a change of the round: series, stops and visits stand as before. What was begun meanwhile stays begun.
 *
 * @throws a refusal where a later change of the same site was made on top of it.
 */
export async function undoChange(scope: Scope, changeId: string, when: When): Promise<Undone> {
  return inTransaction((tx) => undoChangeIn(tx, scope, changeId, when));
}

/** The same as a part of a larger transaction. */
export async function undoChangeIn(tx: Queries, scope: Scope, changeId: string, { now, today }: When): Promise<Undone> {
  const { businessId } = scope;
  const [change] = await tx
    .select()
    .from(roundChange)
    .where(and(eq(roundChange.businessId, businessId), eq(roundChange.id, changeId)))
    .for("update");
  if (!change) throw notFound("change");
  await lockSite(tx, scope, change.siteId);
  if (change.undoneAt) throw new Refused(409, "undone", "This change is undone already.");
  const [last] = await tx
    .select({ id: roundChange.id, said: roundChange.said })
    .from(roundChange)
    .where(
      and(eq(roundChange.businessId, businessId), eq(roundChange.siteId, change.siteId), isNull(roundChange.undoneAt)),
    )
    .orderBy(desc(roundChange.at), desc(roundChange.id))
    .limit(1);
  if (last && last.id !== changeId)
    throw new Refused(409, "changed-since", `Undo the later change of this site first: ${last.said}`);

  const { before, made } = change;
  const touched = [...before.stops.map((s) => s.id), ...made.stopIds];
  const begun = new Set(
    touched.length === 0
      ? []
      : (
          await tx
            .select({ stopId: visit.stopId })
            .from(visit)
            .where(
              and(
                eq(visit.businessId, businessId),
                inArray(visit.stopId, touched),
                inArray(visit.state, ["open", "closed"]),
              ),
            )
        ).map((v) => v.stopId),
  );
  for (const { id, ...was } of before.series) await tx.update(series).set(was).where(eq(series.id, id));
  const served = [...before.series.map((s) => s.id), ...made.seriesIds];
  if (served.length > 0) await tx.delete(seriesTank).where(inArray(seriesTank.seriesId, served));
  if (before.seriesTanks.length > 0)
    await tx.insert(seriesTank).values(before.seriesTanks.map((t) => ({ id: newId(), businessId, ...t })));
  for (const { id, ...was } of before.stops) {
    if (begun.has(id)) continue;
    await tx.update(stop).set(was).where(eq(stop.id, id));
    await tx.update(visit).set({ onDate: was.onDate }).where(eq(visit.stopId, id));
  }
  for (const v of before.visits)
    if (!begun.has(v.stopId))
      await tx
        .update(visit)
        .set({ state: v.state })
        .where(and(eq(visit.id, v.id), inArray(visit.state, ["planned", "off"])));
  // What the change made is not taken out of the books: it is not planned any more, and a series of it never runs.
  const extra = made.stopIds.filter((id) => !begun.has(id));
  if (extra.length > 0) {
    await tx.update(stop).set({ off: "withdrawn", offWhy: null }).where(inArray(stop.id, extra));
    await tx.update(visit).set({ state: "off" }).where(inArray(visit.stopId, extra));
  }
  await offBeside(tx, before);
  if (made.seriesIds.length > 0)
    await tx
      .update(series)
      .set({ untilOn: NEVER })
      .where(inArray(series.id, [...made.seriesIds]));
  await tx.update(roundChange).set({ undoneAt: now }).where(eq(roundChange.id, changeId));
  await withdrawNotices(tx, businessId, changeId, now);
  await tx.insert(deskChange).values({
    id: newId(),
    businessId,
    personId: scope.personId,
    at: now,
    batchId: changeId,
    entity: "site",
    entityId: change.siteId,
    field: "visits",
    old: change.said,
    new: null,
  });
  await refreshSite(tx, businessId, change.siteId, today);
  return { siteId: change.siteId, begun: begun.size };
}

/** A last day before any series begins: a series that was undone never runs. */
const NEVER = "1970-01-01";

/** Visits that the change gave to stops which were there before are not planned any more. */
async function offBeside(tx: Queries, before: RoundBefore): Promise<void> {
  if (before.stops.length === 0) return;
  const known = new Set(before.visits.map((v) => v.id));
  const rows = await tx
    .select({ id: visit.id })
    .from(visit)
    .where(
      and(
        inArray(
          visit.stopId,
          before.stops.map((s) => s.id),
        ),
        eq(visit.state, "planned"),
      ),
    );
  const beside = rows.map((r) => r.id).filter((id) => !known.has(id));
  if (beside.length > 0) await tx.update(visit).set({ state: "off" }).where(inArray(visit.id, beside));
}
