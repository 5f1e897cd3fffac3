import { withMeter } from "@keel-round/core/upkeep";
import { and, asc, eq, isNull, lte } from "drizzle-orm";
import { db } from "../database/connection";
import { equipment, reading } from "../schema";

export type Equipment = typeof equipment.$inferSelect;

/**
 * The equipment of a tank, each with its hour meter as it was read last. The caller has checked that the tank is in the
 * scope.
 */
export async function equipmentOfTank(businessId: string, tankId: string, today: string): Promise<Equipment[]> {
  const [pieces, hours] = await Promise.all([
    db()
      .select()
      .from(equipment)
      .where(and(eq(equipment.businessId, businessId), eq(equipment.tankId, tankId), isNull(equipment.archivedAt)))
      .orderBy(asc(equipment.name)),
    db()
      .select({ item: reading.item, value: reading.value, on: reading.onDate })
      .from(reading)
      .where(
        and(
          ...[eq(reading.businessId, businessId), eq(reading.tankId, tankId)],
          ...[eq(reading.parameter, "hours"), lte(reading.onDate, today)],
        ),
      )
      .orderBy(asc(reading.takenAt), asc(reading.id)),
  ]);
  return pieces.map((p) => withMeter(p, hours, today));
}
