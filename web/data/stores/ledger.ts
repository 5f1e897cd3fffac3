import { lotsOf, placeKey, type Stock, type StoreMove, stockOf } from "@keel-round/core/stores";
import { and, eq, inArray, isNull, sql } from "drizzle-orm";
import { groupBy } from "../database/groupBy";
import type { Queries } from "../database/transaction";
import { storeMove } from "../schema";

/** What lies where now, by item and place, without reading what was before the last count. */
export async function stockNow(
  q: Queries,
  businessId: string,
  itemIds?: readonly string[],
): Promise<Map<string, Map<string, number>>> {
  if (itemIds?.length === 0) return new Map();
  const [rows] = (await q.execute(sql`
    select m.item_id as itemId, m.place, sum(m.amount) as amount
    from store_move m
    left join (
      select item_id, place, max(at) as at from store_move
      where business_id = ${businessId} and kind = 'counted' and taken_back_at is null
      group by item_id, place
    ) c on c.item_id = m.item_id and c.place <=> m.place
    where m.business_id = ${businessId} and m.taken_back_at is null
      and (c.at is null or m.at > c.at or (m.at = c.at and m.kind = 'counted'))
      ${
        itemIds
          ? sql`and m.item_id in (${sql.join(
              [...itemIds].map((id) => sql`${id}`),
              sql`, `,
            )})`
          : sql``
      }
    group by m.item_id, m.place
  `)) as unknown as [readonly { itemId: string; place: string | null; amount: number }[]];
  const all = new Map<string, Map<string, number>>();
  for (const { itemId, place, amount } of rows) {
    const places = all.get(itemId) ?? new Map<string, number>();
    places.set(placeKey(place), amount);
    all.set(itemId, places);
  }
  return all;
}

interface Epoch {
  readonly itemId: string;
  readonly place: string | null;
  readonly epoch: number;
  readonly isUse: number;
  readonly amount: number;
  readonly planned: number | null;
  readonly on: string;
}

/**
 * The ledgers of all items as far as stock, counts, loss and lots follow from them: what happened between two counts is one line of
 * uses and one of everything else, so that years of visits are a few lines.
 */
export async function stocks(q: Queries, businessId: string): Promise<Map<string, Stock>> {
  const [[epochs], single] = await Promise.all([
    q.execute(sql`
      select item_id as itemId, place, epoch, kind = 'used' as isUse, sum(amount) as amount, sum(planned) as planned,
        cast(min(on_date) as char) as ${sql.raw("`on`")}
      from (
        select item_id, place, kind, amount, planned, on_date,
          sum(kind = 'counted') over (partition by item_id, place order by at, kind = 'counted', id) as epoch
        from store_move
        where business_id = ${businessId} and taken_back_at is null
      ) m
      where kind <> 'counted'
      group by item_id, place, epoch, kind = 'used'
    `) as unknown as Promise<[readonly Epoch[]]>,
    q
      .select()
      .from(storeMove)
      .where(
        and(
          ...[eq(storeMove.businessId, businessId), isNull(storeMove.takenBackAt)],
          inArray(storeMove.kind, ["counted", "delivered"]),
        ),
      ),
  ]);
  const counts = groupBy(
    single.filter((m) => m.kind === "counted"),
    (m) => `${m.itemId} ${placeKey(m.place)}`,
  );
  for (const rows of counts.values()) rows.sort((a, b) => a.at.getTime() - b.at.getTime() || (a.id < b.id ? -1 : 1));
  const between = epochs.map((e): StoreMove & { itemId: string } => {
    const before = counts.get(`${e.itemId} ${placeKey(e.place)}`)?.[Number(e.epoch) - 1];
    return {
      ...{ id: `${e.epoch} ${e.isUse}`, itemId: e.itemId, place: e.place },
      kind: Number(e.isUse) === 1 ? "used" : "moved",
      ...{ amount: Number(e.amount), planned: e.planned === null ? null : Number(e.planned) },
      // After the count that it follows, and before the next.
      atMs: before ? before.at.getTime() + 1 : 0,
      ...{ on: e.on, lot: "", expiresOn: null },
    };
  });
  const counted = single.filter((m) => m.kind === "counted").map((m) => ({ ...asMove(m), itemId: m.itemId }));
  const came = groupBy(
    single.filter((m) => m.kind === "delivered"),
    (m) => m.itemId,
  );
  return new Map(
    [...groupBy([...between, ...counted], (m) => m.itemId)].map(([itemId, moves]) => {
      const { lots: _, ...stock } = stockOf(moves);
      return [itemId, { ...stock, lots: lotsOf((came.get(itemId) ?? []).map(asMove), stock.total) }];
    }),
  );
}

/** A row as the core knows it. */
const asMove = (m: typeof storeMove.$inferSelect): StoreMove => ({
  ...{ id: m.id, kind: m.kind, place: m.place, amount: m.amount, planned: m.planned },
  ...{ atMs: m.at.getTime(), on: m.onDate, lot: m.lot, expiresOn: m.expiresOn },
});
