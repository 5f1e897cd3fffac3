import { and, asc, eq, isNull } from "drizzle-orm";
import { db } from "../database/connection";
import { equipment } from "../schema";

export type Equipment = typeof equipment.$inferSelect;

/** The equipment of a tank. The caller has checked that the tank is in the scope. */
export async function equipmentOfTank(businessId: string, tankId: string): Promise<Equipment[]> {
  return db()
    .select()
    .from(equipment)
    .where(and(eq(equipment.businessId, businessId), eq(equipment.tankId, tankId), isNull(equipment.archivedAt)))
    .orderBy(asc(equipment.name));
}
