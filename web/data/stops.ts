import { civilOf } from "@keel-round/core/calendar";
import { and, eq } from "drizzle-orm";
import { db } from "./connection";
import { notFound } from "./define";
import { loadRound, type Round, type RoundStop } from "./round";
import { stop } from "./schema";
import type { Scope } from "./scope";
import { requireStop } from "./sight";

/** A stop with the round it belongs to. */
export async function loadStop(
  scope: Scope,
  stopId: string,
): Promise<{ readonly stop: RoundStop; readonly round: Round; readonly on: string; readonly today: string }> {
  await requireStop(scope, stopId);
  const [row] = await db()
    .select()
    .from(stop)
    .where(and(eq(stop.businessId, scope.businessId), eq(stop.id, stopId)));
  if (!row) throw notFound("stop");
  const round = await loadRound(scope, row.personId, row.onDate);
  const found = round.stops.find((s) => s.id === stopId);
  if (!found) throw notFound("stop");
  return { stop: found, round, on: row.onDate, today: civilOf(Date.now(), scope.zone).date };
}
