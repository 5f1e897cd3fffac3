import { and, eq } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { newId } from "../database/ids";
import { inTransaction, type Queries } from "../database/transaction";
import { deskChange, storeItem, storeMove, storeOrder } from "../schema";
import { stockNow } from "./ledger";
import { alsoKnownAs } from "./names";
import { openOrders } from "./overview";

const id = z.uuid("Reload the page and try again.");
export const MergeSchema = z.object({ itemId: id, intoId: id });

/**
 * Makes one item of two that are the same: the ledger and the names of the first go to the second, and the first into the archive.
 *
 * @throws a refusal for the same item twice, or two that are counted in different units.
 */
export async function mergeItems(
  scope: Scope,
  { itemId, intoId }: z.infer<typeof MergeSchema>,
  { now, today }: When,
): Promise<void> {
  await inTransaction(async (tx) => {
    // Always in the same order: two merges at once do not wait for each other.
    const rows = new Map<string, typeof storeItem.$inferSelect>();
    for (const one of [...new Set([itemId, intoId])].sort()) {
      const [row] = await tx
        .select()
        .from(storeItem)
        .where(and(eq(storeItem.businessId, scope.businessId), eq(storeItem.id, one)))
        .for("update");
      if (row) rows.set(one, row);
    }
    const [item, into] = [rows.get(itemId), rows.get(intoId)];
    if (scope.role === "tankOwner" || !item || !into) throw notFound("item");
    refuse(item, into);
    const before = await stockNow(tx, scope.businessId, [item.id, into.id]);
    await tx
      .update(storeMove)
      .set({ itemId: into.id })
      .where(and(eq(storeMove.businessId, scope.businessId), eq(storeMove.itemId, item.id)));
    await redirectOrders(tx, scope, item.id, into);
    await evenOut(tx, scope, into.id, before, { now, today });
    await alsoKnownAs(tx, scope.businessId, into.id, item.name, ...item.knownAs.map((k) => k.name));
    await tx
      .update(storeItem)
      .set({ archivedAt: now, version: item.version + 1 })
      .where(and(eq(storeItem.businessId, scope.businessId), eq(storeItem.id, item.id)));
    await tx.insert(deskChange).values({
      ...{ id: newId(), businessId: scope.businessId, personId: scope.personId, batchId: newId(), at: now },
      ...{ entity: "item", entityId: item.id, field: "merged", old: item.name, new: into.name },
    });
  });
}

/** What is on its way of the one comes for the other: else it would be delivered into the archive. */
async function redirectOrders(tx: Queries, scope: Scope, from: string, into: Row): Promise<void> {
  for (const { id, lines } of await openOrders(tx, scope.businessId)) {
    if (!lines.some((l) => l.itemId === from)) continue;
    const redirected = lines.map((l) => (l.itemId === from ? { ...l, itemId: into.id, name: into.name } : l));
    await tx
      .update(storeOrder)
      .set({ lines: redirected })
      .where(and(eq(storeOrder.businessId, scope.businessId), eq(storeOrder.id, id)));
  }
}

/** A count of the one said nothing of the other: what lay there of both lies there still. */
async function evenOut(
  tx: Queries,
  scope: Scope,
  itemId: string,
  before: ReadonlyMap<string, ReadonlyMap<string, number>>,
  { now, today }: When,
): Promise<void> {
  const after = (await stockNow(tx, scope.businessId, [itemId])).get(itemId);
  const places = new Set([...before.values()].flatMap((at) => [...at.keys()]));
  for (const place of places) {
    const was = [...before.values()].reduce((sum, at) => sum + (at.get(place) ?? 0), 0);
    const more = was - (after?.get(place) ?? 0);
    if (Math.abs(more) < LEAST) continue;
    await tx.insert(storeMove).values({
      ...{ id: newId(), businessId: scope.businessId, itemId, kind: "moved", place: place || null, amount: more },
      ...{ at: now, onDate: today, cause: `merged ${itemId}`, personId: scope.personId, note: "two items made one" },
    });
  }
}

/** Less than this is a rounding error of a sum. */
const LEAST = 1e-6;

type Row = typeof storeItem.$inferSelect;

function refuse(item: Row, into: Row): void {
  const no = (message: string) => new Refused(422, "invalid", message, { intoId: [message] });
  if (item.id === into.id) throw no("Choose another item.");
  if (into.archivedAt) throw no(`${into.name} is in the archive. Bring it back first.`);
  if (item.unit !== into.unit) throw no(`${item.name} is counted in ${item.unit}, ${into.name} in ${into.unit}.`);
}
