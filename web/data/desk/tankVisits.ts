import { and, eq, gte, isNotNull, isNull } from "drizzle-orm";
import type { Queries } from "../database/transaction";
import { stop, tank } from "../schema";
import { fitVisits } from "../series/lay";

/** Gives a tank a visit at every stop of its site that is laid out from a day on, where its series serves it. */
export async function layTankVisits(tx: Queries, businessId: string, tankId: string, today: string): Promise<void> {
  const stops = await tx
    .select({ id: stop.id })
    .from(stop)
    .innerJoin(tank, and(eq(tank.businessId, stop.businessId), eq(tank.siteId, stop.siteId)))
    .where(
      and(
        eq(stop.businessId, businessId),
        eq(tank.id, tankId),
        gte(stop.onDate, today),
        isNull(stop.off),
        isNotNull(stop.seriesId),
      ),
    );
  await fitVisits(
    tx,
    businessId,
    stops.map((s) => s.id),
  );
}
