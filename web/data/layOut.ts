import { addDays, occurrences } from "@keel-round/core/calendar";
import { and, eq, isNull, sql } from "drizzle-orm";
import { db } from "./connection";
import { newId } from "./ids";
import { business, series, stop, tank, visit } from "./schema";
import { inTransaction } from "./transaction";

/** Stops are laid out this far ahead. */
export const HORIZON_DAYS = 70;

/**
 * Lays recurring stops and their visits out up to a horizon.
 *
 * An occurrence is unique by series and original date, so laying the same days out twice, or twice at once, makes no
 * second stop, and one that was moved stays moved.
 */
export async function layOut(businessId: string, today: string): Promise<number> {
  const to = addDays(today, HORIZON_DAYS);
  const [firm] = await db().select({ laidOutTo: business.laidOutTo }).from(business).where(eq(business.id, businessId));
  if (!firm || (firm.laidOutTo && firm.laidOutTo >= to)) return 0;
  const from = firm.laidOutTo ? addDays(firm.laidOutTo, 1) : today;

  const all = await db().select().from(series).where(eq(series.businessId, businessId));
  const tanks = await db()
    .select({ id: tank.id, siteId: tank.siteId })
    .from(tank)
    .where(and(eq(tank.businessId, businessId), isNull(tank.archivedAt)));
  const stops = all.flatMap((s) =>
    occurrences(s.rule, s.startOn, from < s.startOn ? s.startOn : from, to).map((on) => ({
      id: newId(),
      businessId,
      siteId: s.siteId,
      personId: s.personId,
      seriesId: s.id,
      originalOn: on,
      onDate: on,
    })),
  );
  await inTransaction(async (tx) => {
    for (let i = 0; i < stops.length; i += 500)
      await tx
        .insert(stop)
        .ignore()
        .values(stops.slice(i, i + 500));
    const bare = await tx
      .select({ id: stop.id, siteId: stop.siteId, onDate: stop.onDate })
      .from(stop)
      .leftJoin(visit, eq(visit.stopId, stop.id))
      .where(and(eq(stop.businessId, businessId), isNull(visit.id), sql`${stop.originalOn} >= ${from}`));
    const visits = bare.flatMap((s) =>
      tanks
        .filter((t) => t.siteId === s.siteId)
        .map((t) => ({ id: newId(), businessId, stopId: s.id, tankId: t.id, onDate: s.onDate })),
    );
    for (let i = 0; i < visits.length; i += 500)
      await tx
        .insert(visit)
        .ignore()
        .values(visits.slice(i, i + 500));
    await tx.update(business).set({ laidOutTo: to }).where(eq(business.id, businessId));
  });
  return stops.length;
}
