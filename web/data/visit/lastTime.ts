import type { LastTime } from "@keel-round/core/visit";
import { and, eq, inArray, lt, sql } from "drizzle-orm";
import type { Queries } from "../database/transaction";
import { person, stepLog, stop, visit } from "../schema";

/**
 * What became of each step when somebody was last at each tank with it, before a day.
 *
 * @returns By tank, then by step.
 */
export async function lastTimes(
  q: Queries,
  businessId: string,
  tankIds: readonly string[],
  before: string,
): Promise<Map<string, Record<string, LastTime>>> {
  const found = new Map<string, Record<string, LastTime>>();
  if (tankIds.length === 0) return found;
  const newest = q
    .select({
      tankId: stepLog.tankId,
      step: stepLog.step,
      visitId: stepLog.visitId,
      on: stepLog.onDate,
      outcome: stepLog.outcome,
      reason: stepLog.reason,
      dirt: stepLog.dirt,
      nth: sql<number>`row_number() over (partition by ${stepLog.tankId}, ${stepLog.step} order by ${stepLog.onDate} desc, ${stepLog.id} desc)`.as(
        "nth",
      ),
    })
    .from(stepLog)
    .where(and(eq(stepLog.businessId, businessId), inArray(stepLog.tankId, [...tankIds]), lt(stepLog.onDate, before)))
    .as("newest");
  const rows = await q
    .select({
      tankId: newest.tankId,
      step: newest.step,
      on: newest.on,
      outcome: newest.outcome,
      reason: newest.reason,
      dirt: newest.dirt,
      by: person.name,
    })
    .from(newest)
    .leftJoin(visit, and(eq(visit.businessId, businessId), eq(visit.id, newest.visitId)))
    .leftJoin(stop, and(eq(stop.businessId, businessId), eq(stop.id, visit.stopId)))
    .leftJoin(person, and(eq(person.businessId, businessId), eq(person.id, stop.personId)))
    .where(eq(newest.nth, 1));
  for (const { tankId, step, on, outcome, reason, dirt, by } of rows) {
    const steps = found.get(tankId) ?? {};
    steps[step] = {
      on,
      by: by?.split(" ")[0] ?? "",
      outcome,
      ...(reason ? { reason } : {}),
      ...(dirt === null ? {} : { dirt }),
    };
    found.set(tankId, steps);
  }
  return found;
}
