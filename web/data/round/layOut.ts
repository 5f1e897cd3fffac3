import { addDays } from "@keel-round/core/calendar";
import { eq } from "drizzle-orm";
import { db } from "../database/connection";
import { inTransaction } from "../database/transaction";
import { business } from "../schema";
import { layStops } from "../series/lay";

/** Stops are laid out this far ahead. */
export const HORIZON_DAYS = 70;

/**
 * Lays recurring stops and their visits out up to a horizon.
 */
export async function layOut(businessId: string, today: string): Promise<number> {
  const to = addDays(today, HORIZON_DAYS);
  const [firm] = await db().select({ laidOutTo: business.laidOutTo }).from(business).where(eq(business.id, businessId));
  if (!firm || (firm.laidOutTo && firm.laidOutTo >= to)) return 0;
  const from = firm.laidOutTo ? addDays(firm.laidOutTo, 1) : today;

  return inTransaction(async (tx) => {
    const stops = await layStops(tx, businessId, { from, to });
    await tx.update(business).set({ laidOutTo: to }).where(eq(business.id, businessId));
    return stops.length;
  });
}
