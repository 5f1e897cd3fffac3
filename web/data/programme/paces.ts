import { isLibraryTask, libraryTask, personFactor } from "@keel-round/core/programme";
import { and, desc, eq, isNotNull } from "drizzle-orm";
import { db } from "../database/connection";
import { groupBy } from "../database/groupBy";
import { person, stepLog, stop, visit } from "../schema";

/** Newest jobs of the firm that are compared. */
const COMPARED = 4000;

/**
 * How much slower or quicker than the firm's usual each person works, from the newest jobs that were timed.
 *
 * Each time is held against the library's, and the firm's own mean of that is taken out: it is the library that is wrong there.
 */
export async function refreshPaces(businessId: string): Promise<void> {
  const rows = await db()
    .select({ personId: stop.personId, step: stepLog.step, minutes: stepLog.minutes })
    .from(stepLog)
    .innerJoin(visit, and(eq(visit.businessId, stepLog.businessId), eq(visit.id, stepLog.visitId)))
    .innerJoin(stop, and(eq(stop.businessId, visit.businessId), eq(stop.id, visit.stopId)))
    .where(and(eq(stepLog.businessId, businessId), isNotNull(stepLog.minutes)))
    .orderBy(desc(stepLog.onDate))
    .limit(COMPARED);
  const ratios = rows.flatMap((r) =>
    r.minutes !== null && r.minutes > 0 && isLibraryTask(r.step)
      ? [{ personId: r.personId, ratio: r.minutes / libraryTask(r.step).minutes }]
      : [],
  );
  if (ratios.length === 0) return;
  const usual = Math.exp(ratios.reduce((sum, r) => sum + Math.log(r.ratio), 0) / ratios.length);
  for (const [personId, own] of groupBy(ratios, (r) => r.personId))
    await db()
      .update(person)
      .set({ pace: personFactor(own.map((r) => r.ratio / usual)) })
      .where(and(eq(person.businessId, businessId), eq(person.id, personId)));
}
