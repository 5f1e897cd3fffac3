import { and, eq, inArray } from "drizzle-orm";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { newId } from "../database/ids";
import type { Queries } from "../database/transaction";
import { deskChange, roundChange, series, seriesTank, stop, visit } from "../schema";
import type { RoundBefore } from "../schema/round";
import { refreshSite } from "../tanks/status";

/** Series and stops as they stand before a change, so that it can be undone. */
export async function asTheyStand(
  tx: Queries,
  businessId: string,
  { seriesIds, stopIds }: { readonly seriesIds: readonly string[]; readonly stopIds: readonly string[] },
): Promise<RoundBefore> {
  const some = <T>(ids: readonly string[], read: (ids: string[]) => Promise<T[]>) =>
    ids.length === 0 ? Promise.resolve<T[]>([]) : read([...ids]);
  const [rows, tanks, stops, visits] = await Promise.all([
    some(seriesIds, (ids) =>
      tx
        .select()
        .from(series)
        .where(and(eq(series.businessId, businessId), inArray(series.id, ids))),
    ),
    some(seriesIds, (ids) =>
      tx
        .select()
        .from(seriesTank)
        .where(and(eq(seriesTank.businessId, businessId), inArray(seriesTank.seriesId, ids))),
    ),
    some(stopIds, (ids) =>
      tx
        .select()
        .from(stop)
        .where(and(eq(stop.businessId, businessId), inArray(stop.id, ids))),
    ),
    some(stopIds, (ids) =>
      tx
        .select({ id: visit.id, stopId: visit.stopId, state: visit.state })
        .from(visit)
        .where(and(eq(visit.businessId, businessId), inArray(visit.stopId, ids))),
    ),
  ]);
  return {
    series: rows.map(({ businessId: _, ...s }) => s),
    seriesTanks: tanks.map(({ seriesId, tankId }) => ({ seriesId, tankId })),
    stops: stops.map(({ businessId: _, ...s }) => s),
    visits: visits.flatMap(({ state, ...v }) => (state === "planned" || state === "off" ? [{ ...v, state }] : [])),
  };
}

/** What a change made: gone again when it is undone. */
export interface Made {
  readonly seriesIds: readonly string[];
  readonly stopIds: readonly string[];
}

/** Keeps what a change of the round was, in the site's history and so that it can be undone. */
export async function keepChange(
  tx: Queries,
  scope: Scope,
  { siteId, said, before, made }: { siteId: string; said: string; before: RoundBefore; made: Made },
  { now, today }: When,
): Promise<string> {
  const id = newId();
  const base = { businessId: scope.businessId, personId: scope.personId, at: now };
  await tx.insert(roundChange).values({ id, ...base, siteId, said: said.slice(0, 400), before, made });
  await tx.insert(deskChange).values({
    id: newId(),
    ...base,
    batchId: id,
    entity: "site",
    entityId: siteId,
    field: "visits",
    old: null,
    new: said,
  });
  await refreshSite(tx, scope.businessId, siteId, today);
  return id;
}
