import { and, eq, exists, gte, inArray, isNull, notExists, or, type SQL, sql } from "drizzle-orm";
import { type AnyMySqlColumn, alias } from "drizzle-orm/mysql-core";
import { db } from "../database/connection";
import type { Queries } from "../database/transaction";
import { client, series, site, stop, visit } from "../schema";
import { notFound } from "./define";
import { type Scope, seesAll } from "./scope";

/** How long a technician keeps seeing where they stood in, days. */
const STOOD_IN_DAYS = 60;

/**
 * The clients of whom a person sees anything; null for all of the business.
 *
 * The office sees all. An owner of tanks sees their own. A technician sees those whose sites they serve, or stand in
 * at from sixty days ago on, and those whom nobody serves yet: a new client has to be set up by somebody.
 */
export async function clientsInSight(scope: Scope, q: Queries = db()): Promise<readonly string[] | null> {
  if (seesAll(scope.role)) return null;
  if (scope.role === "tankOwner") return scope.clientId ? [scope.clientId] : [];
  const place = alias(site, "place");
  const anyPlace = alias(site, "any_place");
  const one = { one: sql`1` };
  const goesOn = or(isNull(series.untilOn), gte(series.untilOn, sql`utc_date()` as never));
  const serves = exists(
    q
      .select(one)
      .from(series)
      .where(and(eq(series.siteId, place.id), eq(series.personId, scope.personId), goesOn)),
  );
  const standsIn = exists(
    q
      .select(one)
      .from(stop)
      .where(
        and(
          eq(stop.businessId, scope.businessId),
          eq(stop.siteId, place.id),
          eq(stop.personId, scope.personId),
          gte(stop.onDate, sql`utc_date() - interval ${STOOD_IN_DAYS} day` as never),
        ),
      ),
  );
  const mine = exists(
    q
      .select(one)
      .from(place)
      .where(and(eq(place.businessId, scope.businessId), eq(place.clientId, client.id), or(serves, standsIn))),
  );
  const nobodys = notExists(
    q
      .select(one)
      .from(anyPlace)
      .innerJoin(series, eq(series.siteId, anyPlace.id))
      .where(and(eq(anyPlace.businessId, scope.businessId), eq(anyPlace.clientId, client.id), goesOn)),
  );
  const rows = await q
    .select({ id: client.id })
    .from(client)
    .where(and(eq(client.businessId, scope.businessId), or(mine, nobodys)));
  return rows.map((r) => r.id);
}

/** The condition that a column names a client in sight; none where all are. */
export function inSight(column: AnyMySqlColumn, clients: readonly string[] | null): SQL | undefined {
  if (clients === null) return undefined;
  return clients.length === 0 ? sql`false` : inArray(column, [...clients]);
}

/**
 * Refuses a stop of a client whom the person has no business with, as one that does not exist.
 *
 * @throws "not found".
 */
export async function requireStop(scope: Scope, stopId: string): Promise<void> {
  const [row] = await db()
    .select({ id: stop.id })
    .from(stop)
    .innerJoin(site, and(eq(site.businessId, stop.businessId), eq(site.id, stop.siteId)))
    .where(
      and(
        eq(stop.businessId, scope.businessId),
        eq(stop.id, stopId),
        inSight(site.clientId, await clientsInSight(scope)),
      ),
    );
  if (!row) throw notFound("stop");
}

/**
 * Refuses a visit of a client whom the person has no business with, as one that does not exist.
 *
 * @throws "not found".
 */
export async function requireVisit(scope: Scope, visitId: string): Promise<{ tankId: string }> {
  const [row] = await db()
    .select({ stopId: visit.stopId, tankId: visit.tankId })
    .from(visit)
    .where(and(eq(visit.businessId, scope.businessId), eq(visit.id, visitId)));
  if (!row) throw notFound("visit");
  // The office sees all, and has no list to be looked up in.
  if (!seesAll(scope.role)) await requireStop(scope, row.stopId);
  return row;
}
