import type { Entity, Values } from "@keel-round/core/desk";
import { itemFinder } from "@keel-round/core/stores";
import { and, eq, isNull } from "drizzle-orm";
import type { Queries } from "../database/transaction";
import { storeItem } from "../schema";
import { itemOf } from "./items";

/** Fields whose text plans and logs know an item by. */
const NAMES: Readonly<Partial<Record<Entity, readonly string[]>>> = {
  product: ["name"],
  remedy: ["name"],
  kit: ["name"],
  source: ["salt.name", "conditioner.name", "minerals.name"],
};

/**
 * A new name of a salt, a kit or a product is one more name of its item, and an item that is renamed keeps its old one: what was
 * logged before, and what is still on a phone, goes on being taken off it.
 */
export async function followNames(
  tx: Queries,
  businessId: string,
  entity: Entity,
  id: string,
  before: Values,
  after: Values,
): Promise<void> {
  if (entity === "item") {
    if (before.name !== after.name) await alsoKnownAs(tx, businessId, id, String(before.name));
    return;
  }
  for (const key of NAMES[entity] ?? []) {
    const [old, name] = [before[key], after[key]];
    if (typeof old !== "string" || typeof name !== "string" || old === name || name === "") continue;
    const rows = await tx
      .select()
      .from(storeItem)
      .where(and(eq(storeItem.businessId, businessId), isNull(storeItem.archivedAt)));
    const item = itemFinder(rows.map(itemOf))(old);
    if (item) await alsoKnownAs(tx, businessId, item.id, name);
  }
}

/** Adds names to those an item is known by, each once. */
export async function alsoKnownAs(tx: Queries, businessId: string, id: string, ...names: string[]): Promise<void> {
  const of = and(eq(storeItem.businessId, businessId), eq(storeItem.id, id));
  const [row] = await tx.select().from(storeItem).where(of).for("update");
  if (!row) return;
  const known = new Set([row.name, ...row.knownAs.map((k) => k.name)].map((n) => n.toLowerCase()));
  const added = names.filter((n) => n !== "" && !known.has(n.toLowerCase()));
  if (added.length > 0)
    await tx
      .update(storeItem)
      .set({ knownAs: [...row.knownAs, ...added.map((name) => ({ name }))] })
      .where(of);
}
