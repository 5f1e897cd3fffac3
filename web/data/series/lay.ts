import { addDays } from "@keel-round/core/calendar";
import { landOn, seriesDates } from "@keel-round/core/series";
import { and, asc, eq, gte, inArray, isNull, lte, ne } from "drizzle-orm";
import { groupBy } from "../database/groupBy";
import { newId } from "../database/ids";
import { firmHolidays, siteOpenDays } from "../database/openDays";
import type { Queries } from "../database/transaction";
import { series, seriesTank, site, stop, tank, visit } from "../schema";
import { recurrenceOf } from "./rows";

const BATCH = 500;
/** A visit on a closed day is laid at most so many days beside it. */
const BESIDE_DAYS = 6;

/**
 * Lays the stops of series and their visits between two days, both included; of all series, or of some.
 *
 * A stop is unique by series and original date, so laying the same days twice, or twice at once, makes no second one;
 * one that was moved stays moved, one that was skipped stays skipped. A stop whose tanks all have a visit that day by
 * another series is not laid: nobody comes twice.
 *
 * @returns the ids of the stops that are new
 */
export async function layStops(
  tx: Queries,
  businessId: string,
  { from, to, only }: { readonly from: string; readonly to: string; readonly only?: readonly string[] },
): Promise<string[]> {
  const all = await tx
    .select({ series, hours: { windows: site.windows, dates: site.dates, busy: site.busy, holidays: site.holidays } })
    .from(series)
    .innerJoin(site, and(eq(site.businessId, series.businessId), eq(site.id, series.siteId)))
    .where(and(eq(series.businessId, businessId), only ? inArray(series.id, [...only]) : undefined))
    .orderBy(asc(series.id));
  const tanksOf = await seriesTanks(tx, businessId);
  const taken = await visitedDays(tx, businessId, addDays(from, -BESIDE_DAYS), addDays(to, BESIDE_DAYS));
  const holidays = await firmHolidays(tx, businessId);
  const stops = all.flatMap(({ series: s, hours }) => {
    const open = siteOpenDays(hours, holidays);
    return seriesDates(recurrenceOf(s), from, to).flatMap((originalOn) => {
      const onDate = landOn(open, originalOn);
      if (!onDate) return [];
      const tanks = tanksOf(s);
      if (tanks.length > 0 && tanks.every((t) => taken.has(`${t} ${onDate}`))) return [];
      for (const t of tanks) taken.add(`${t} ${onDate}`);
      const { id: seriesId, siteId, personId } = s;
      return [{ id: newId(), businessId, siteId, personId, seriesId, originalOn, onDate }];
    });
  });
  for (let i = 0; i < stops.length; i += BATCH)
    await tx
      .insert(stop)
      .ignore()
      .values(stops.slice(i, i + BATCH));
  const there = await idsOf(
    tx,
    businessId,
    stops.map((s) => s.id),
  );
  await fitVisits(tx, businessId, there);
  return there;
}

/** Of ids that were to be inserted, those that were: another may have laid the same day first. */
async function idsOf(tx: Queries, businessId: string, ids: readonly string[]): Promise<string[]> {
  const there: string[] = [];
  for (let i = 0; i < ids.length; i += BATCH)
    there.push(
      ...(
        await tx
          .select({ id: stop.id })
          .from(stop)
          .where(and(eq(stop.businessId, businessId), inArray(stop.id, ids.slice(i, i + BATCH))))
      ).map((s) => s.id),
    );
  return there;
}

/** The tanks a series serves: those it names, or all of its site. */
async function seriesTanks(
  tx: Queries,
  businessId: string,
): Promise<(s: { readonly id: string; readonly siteId: string }) => readonly string[]> {
  const [named, tanks] = await Promise.all([
    tx.select().from(seriesTank).where(eq(seriesTank.businessId, businessId)),
    tx
      .select({ id: tank.id, siteId: tank.siteId })
      .from(tank)
      .where(and(eq(tank.businessId, businessId), isNull(tank.archivedAt)))
      .orderBy(asc(tank.id)),
  ]);
  const bySeries = groupBy(named, (r) => r.seriesId);
  const bySite = groupBy(tanks, (t) => t.siteId);
  return ({ id, siteId }) => {
    const here = (bySite.get(siteId) ?? []).map((t) => t.id);
    const only = bySeries.get(id)?.map((r) => r.tankId);
    return only ? here.filter((t) => only.includes(t)) : here;
  };
}

/** Tank and day of each visit that is planned or was made, as "tank day". */
async function visitedDays(tx: Queries, businessId: string, from: string, to: string): Promise<Set<string>> {
  const rows = await tx
    .select({ tankId: visit.tankId, on: visit.onDate })
    .from(visit)
    .where(
      and(eq(visit.businessId, businessId), gte(visit.onDate, from), lte(visit.onDate, to), ne(visit.state, "off")),
    );
  return new Set(rows.map((r) => `${r.tankId} ${r.on}`));
}

/**
 * Gives stops the visits their series asks for: a tank that is new gets one, one that is not served any more has none.
 *
 * Visits that were begun stay as they are. A stop that is off has none planned.
 */
export async function fitVisits(tx: Queries, businessId: string, stopIds: readonly string[]): Promise<void> {
  const tanksOf = await seriesTanks(tx, businessId);
  for (let i = 0; i < stopIds.length; i += BATCH) await fitSome(tx, businessId, stopIds.slice(i, i + BATCH), tanksOf);
}

async function fitSome(
  tx: Queries,
  businessId: string,
  stopIds: readonly string[],
  tanksOf: Awaited<ReturnType<typeof seriesTanks>>,
): Promise<void> {
  const stops = await tx
    .select()
    .from(stop)
    .where(and(eq(stop.businessId, businessId), inArray(stop.id, [...stopIds])))
    .orderBy(asc(stop.onDate), asc(stop.id));
  const [first, last] = [stops[0]?.onDate, stops.at(-1)?.onDate];
  if (!first || !last) return;
  const near = await tx
    .select({ id: visit.id, stopId: visit.stopId, tankId: visit.tankId, on: visit.onDate, state: visit.state })
    .from(visit)
    .where(and(eq(visit.businessId, businessId), gte(visit.onDate, first), lte(visit.onDate, last)));
  const byStop = groupBy(near, (v) => v.stopId);
  const here = new Set(stops.map((s) => s.id));
  const taken = new Set(near.filter((v) => v.state !== "off" && !here.has(v.stopId)).map((v) => `${v.tankId} ${v.on}`));
  const made: (typeof visit.$inferInsert)[] = [];
  const turned: Record<"off" | "planned", string[]> = { off: [], planned: [] };
  for (const s of stops) {
    const visits = byStop.get(s.id) ?? [];
    // One beside any series keeps the tanks it was made for.
    const served = s.seriesId ? tanksOf({ id: s.seriesId, siteId: s.siteId }) : visits.map((v) => v.tankId);
    const wanted = s.off ? [] : served.filter((t) => !taken.has(`${t} ${s.onDate}`));
    for (const t of wanted) taken.add(`${t} ${s.onDate}`);
    for (const v of visits) {
      if (v.state === "planned" && !wanted.includes(v.tankId)) turned.off.push(v.id);
      if (v.state === "off" && wanted.includes(v.tankId)) turned.planned.push(v.id);
    }
    made.push(
      ...wanted
        .filter((t) => !visits.some((v) => v.tankId === t))
        .map((tankId) => ({ id: newId(), businessId, stopId: s.id, tankId, onDate: s.onDate })),
    );
  }
  for (let i = 0; i < made.length; i += BATCH)
    await tx
      .insert(visit)
      .ignore()
      .values(made.slice(i, i + BATCH));
  for (const state of ["off", "planned"] as const)
    if (turned[state].length > 0) await tx.update(visit).set({ state }).where(inArray(visit.id, turned[state]));
}
