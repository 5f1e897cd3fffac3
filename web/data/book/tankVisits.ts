import { and, eq, gte } from "drizzle-orm";
import { newId } from "../ids";
import { stop, tank, visit } from "../schema";
import type { Queries } from "../transaction";

/** Gives a tank a visit at every stop of its site that is laid out from a day on. */
export async function layTankVisits(tx: Queries, businessId: string, tankId: string, today: string): Promise<void> {
  const stops = await tx
    .select({ id: stop.id, onDate: stop.onDate })
    .from(stop)
    .innerJoin(tank, and(eq(tank.businessId, stop.businessId), eq(tank.siteId, stop.siteId)))
    .where(and(eq(stop.businessId, businessId), eq(tank.id, tankId), gte(stop.onDate, today)));
  if (stops.length === 0) return;
  await tx
    .insert(visit)
    .ignore()
    .values(stops.map((s) => ({ id: newId(), businessId, stopId: s.id, tankId, onDate: s.onDate })));
}
