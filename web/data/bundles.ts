import type { VisitBundle } from "@keel-round/core/visit";
import { and, eq } from "drizzle-orm";
import { db } from "./connection";
import { notFound } from "./define";
import { appliedOps } from "./operations";
import { loadPlanInputs } from "./planInputs";
import { loadRound } from "./round";
import { client, site, stop, tank, visit } from "./schema";
import type { Scope } from "./scope";
import { requireVisit } from "./sight";

/** The bundle of one visit. */
export async function visitBundle(scope: Scope, visitId: string): Promise<VisitBundle> {
  await requireVisit(scope, visitId);
  const q = db();
  const [row] = await q
    .select({ visit, stop, site, tank, clientName: client.name })
    .from(visit)
    .innerJoin(stop, and(eq(stop.businessId, visit.businessId), eq(stop.id, visit.stopId)))
    .innerJoin(site, and(eq(site.businessId, stop.businessId), eq(site.id, stop.siteId)))
    .innerJoin(client, and(eq(client.businessId, site.businessId), eq(client.id, site.clientId)))
    .innerJoin(tank, and(eq(tank.businessId, visit.businessId), eq(tank.id, visit.tankId)))
    .where(and(eq(visit.businessId, scope.businessId), eq(visit.id, visitId)));
  if (!row) throw notFound("visit");
  const input = (
    await loadPlanInputs(q, scope.businessId, [{ visitId, tankId: row.tank.id, on: row.visit.onDate }])
  ).get(visitId);
  if (!input) throw notFound("visit");
  return {
    visitId,
    stopId: row.stop.id,
    on: row.visit.onDate,
    siteName: row.site.name,
    address: row.site.address,
    access: row.site.access,
    clientName: row.clientName,
    tankName: row.tank.name,
    startMinute: null,
    input,
    ops: await appliedOps(q, scope.businessId, visitId),
    units: scope.units,
  };
}

/** The bundles of a technician's own day, in the order of the round. */
export async function dayBundles(scope: Scope, on: string): Promise<VisitBundle[]> {
  const round = await loadRound(scope, scope.personId, on);
  const bundles: VisitBundle[] = [];
  for (const timed of round.day.stops) {
    const s = round.stops.find((x) => x.id === timed.stop.id);
    for (const t of s?.tanks ?? []) {
      if (!s) continue;
      bundles.push({
        visitId: t.visitId,
        stopId: s.id,
        on,
        siteName: s.site.name,
        address: s.site.address,
        access: s.site.access,
        clientName: s.clientName,
        tankName: t.tank.name,
        startMinute: Math.round(timed.start),
        input: t.input,
        ops: await appliedOps(db(), scope.businessId, t.visitId),
        units: scope.units,
      });
    }
  }
  return bundles;
}
