import type { ShelfLine } from "@keel-round/core/load";
import { placeKey } from "@keel-round/core/stores";
import { db } from "../database/connection";
import { firmItems } from "./items";
import { stockNow } from "./ledger";
import { loadBarrels } from "./overview";

/** What somebody's van and the base hold, for the load list on a phone. */
export async function shelfFor(businessId: string, personId: string): Promise<ShelfLine[]> {
  const items = await firmItems(db(), businessId);
  const stock = items.length > 0 ? await stockNow(db(), businessId) : new Map();
  return items.map(({ id, name, knownAs, unit, perUse, shelf, instead }) => ({
    ...{ name, knownAs, unit, perUse, shelf, instead },
    van: stock.get(id)?.get(personId) ?? 0,
    base: stock.get(id)?.get(placeKey(null)) ?? 0,
  }));
}

/** The barrels at the base with what stands in them. */
export const barrelsFor = (businessId: string) => loadBarrels(db(), businessId);
