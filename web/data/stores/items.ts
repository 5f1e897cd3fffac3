import type { StoreItem } from "@keel-round/core/stores";
import { and, asc, eq, isNull } from "drizzle-orm";
import type { Queries } from "../database/transaction";
import { storeItem } from "../schema";

type Row = typeof storeItem.$inferSelect;

/** An item as the core knows it. */
export const itemOf = ({ businessId: _, knownAs, notes: __, version: ___, archivedAt: ____, ...row }: Row) => ({
  ...row,
  knownAs: knownAs.map((k) => k.name),
});

/** What a firm keeps, in the order of the names. */
export async function firmItems(q: Queries, businessId: string): Promise<(StoreItem & { supplierEmail: string })[]> {
  const rows = await q
    .select()
    .from(storeItem)
    .where(and(eq(storeItem.businessId, businessId), isNull(storeItem.archivedAt)))
    .orderBy(asc(storeItem.name), asc(storeItem.id));
  return rows.map(itemOf);
}
