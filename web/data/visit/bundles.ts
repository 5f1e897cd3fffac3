import { worstCondition } from "@keel-round/core/readings";
import { type DayBundle, ownWays } from "@keel-round/core/round";
import type { VisitBundle } from "@keel-round/core/visit";
import { and, eq } from "drizzle-orm";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import { requireVisit } from "../access/sight";
import { db } from "../database/connection";
import { lastPhotos } from "../photos/photos";
import { loadPlanInputs } from "../plan/planInputs";
import { loadRound } from "../round/round";
import { client, site, stop, tank, visit } from "../schema";
import { barrelsFor, shelfFor } from "../stores/shelf";
import { lastTimes } from "./lastTime";
import { appliedOps } from "./operations";
import { placeOf } from "./place";

/** The bundle of one visit. */
export async function visitBundle(scope: Scope, visitId: string): Promise<VisitBundle> {
  await requireVisit(scope, visitId);
  const q = db();
  const [row] = await q
    .select({ visit, stop, site, tank, client })
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
    clientName: row.client.name,
    tankName: row.tank.name,
    startMinute: null,
    place: placeOf(row.site, row.client),
    lastPhotos: (await lastPhotos(q, scope.businessId, [row.tank.id])).get(row.tank.id) ?? [],
    lastTime: (await lastTimes(q, scope.businessId, [row.tank.id], row.visit.onDate)).get(row.tank.id) ?? {},
    input,
    ops: await appliedOps(q, scope.businessId, visitId),
    units: scope.units,
  };
}

/** A technician's own day: what it is laid from, and the bundles of its visits in the order of the round. */
export async function dayBundles(
  scope: Scope,
  on: string,
): Promise<{ readonly day: DayBundle; readonly bundles: readonly VisitBundle[] }> {
  const round = await loadRound(scope, scope.personId, on);
  const tankIds = round.stops.flatMap((s) => s.tanks.map((t) => t.tank.id));
  const before = await lastTimes(db(), scope.businessId, tankIds, on);
  const pictures = await lastPhotos(db(), scope.businessId, tankIds);
  const [shelf, barrels] = await Promise.all([
    shelfFor(scope.businessId, scope.personId),
    barrelsFor(scope.businessId),
  ]);
  const bundles: VisitBundle[] = [];
  // A stop that fits into no window is on the phone too: what to do about it is for people to decide.
  const hours = new Map(round.day.stops.map((s) => [s.stop.id, Math.round(s.start)]));
  const inOrder = [...round.day.stops, ...round.day.leftOver].flatMap(
    ({ stop }) => round.stops.find((s) => s.id === stop.id) ?? [],
  );
  for (const s of inOrder) {
    for (const t of s.tanks) {
      bundles.push({
        visitId: t.visitId,
        stopId: s.id,
        on,
        siteName: s.site.name,
        address: s.site.address,
        access: s.site.access,
        clientName: s.client.name,
        tankName: t.tank.name,
        startMinute: hours.get(s.id) ?? null,
        place: placeOf(s.site, s.client),
        lastPhotos: pictures.get(t.tank.id) ?? [],
        lastTime: before.get(t.tank.id) ?? {},
        input: t.input,
        ops: await appliedOps(db(), scope.businessId, t.visitId),
        units: scope.units,
      });
    }
  }
  const conditions = round.stops.map((s) => [
    s.id,
    worstCondition(s.tanks.map((t) => t.status?.condition ?? "unknown")),
  ]);
  return {
    day: {
      ...{ on, zone: scope.zone, units: scope.units },
      input: ownWays(round.input),
      conditions: Object.fromEntries(conditions),
      van: round.person.vanKit,
      ...{ shelf, barrels },
    },
    bundles,
  };
}
