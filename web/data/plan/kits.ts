import { type KitFacts, type KitOnDay, kitOnDay } from "@keel-round/core/kits";
import { calibrates } from "@keel-round/core/steps";
import { and, eq, gt, inArray, isNull, or, sql } from "drizzle-orm";
import { db } from "../database/connection";
import type { Queries } from "../database/transaction";
import { kit, reading, stepLog } from "../schema";

type Row = typeof kit.$inferSelect;

/** When each kit was calibrated on a visit last, by the tick of its step. */
async function calibratedOnVisits(
  q: Queries,
  businessId: string,
  ids: readonly string[],
): Promise<Map<string, string>> {
  const rows = await q
    .select({ step: stepLog.step, on: sql<string>`cast(max(${stepLog.onDate}) as char)` })
    .from(stepLog)
    .where(
      and(eq(stepLog.businessId, businessId), inArray(stepLog.step, ids.map(calibrates)), eq(stepLog.outcome, "done")),
    )
    .groupBy(stepLog.step);
  return new Map(rows.map((r) => [r.step, r.on]));
}

/** Tests that were made with each kit since the day after it was counted. */
async function testsMade(q: Queries, businessId: string, rows: readonly Row[]): Promise<Map<string, number>> {
  const counted = rows.filter((r) => r.testsLeft !== null && r.countedOn !== null);
  if (counted.length === 0) return new Map();
  const made = await q
    .select({ kitId: reading.kitId, n: sql<number>`count(*)`.mapWith(Number) })
    .from(reading)
    .where(
      and(
        eq(reading.businessId, businessId),
        or(...counted.map((r) => and(eq(reading.kitId, r.id), gt(reading.onDate, r.countedOn ?? "")))),
      ),
    )
    .groupBy(reading.kitId);
  return new Map(made.flatMap((m) => (m.kitId ? [[m.kitId, m.n]] : [])));
}

const later = (a: string | null, b: string | undefined): string | null =>
  b !== undefined && (a === null || b > a) ? b : a;

/** What a firm measures with, in the order of the names: what the register says, and what the log says since. */
export async function firmKits(q: Queries, businessId: string): Promise<KitFacts[]> {
  const rows = await q
    .select()
    .from(kit)
    .where(and(eq(kit.businessId, businessId), isNull(kit.archivedAt)))
    .orderBy(kit.name, kit.id);
  if (rows.length === 0) return [];
  const [calibrated, made] = await Promise.all([
    calibratedOnVisits(
      q,
      businessId,
      rows.map((r) => r.id),
    ),
    testsMade(q, businessId, rows),
  ]);
  return rows.map((r) => ({
    ...{ id: r.id, name: r.name, parameter: r.parameter, method: r.method, resolution: r.resolution },
    ...{ openedOn: r.openedOn, goodDaysOpen: r.goodDaysOpen, expiresOn: r.expiresOn },
    calibratedOn: later(r.calibratedOn, calibrated.get(calibrates(r.id))),
    ...{ calibrateEveryDays: r.calibrateEveryDays, comparisons: r.comparisons },
    referenceHalfWidth: r.referenceHalfWidth,
    testsLeft: r.testsLeft === null ? null : r.testsLeft - (made.get(r.id) ?? 0),
  }));
}

/** The same as it is on a day. */
export const kitsOn = async (businessId: string, on: string): Promise<KitOnDay[]> =>
  (await firmKits(db(), businessId)).map((k) => kitOnDay(k, on));
