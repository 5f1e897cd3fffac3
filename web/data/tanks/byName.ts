import { and, eq, isNull } from "drizzle-orm";
import type { Scope } from "../access/scope";
import { clientsInSight, inSight } from "../access/sight";
import { db } from "../database/connection";
import { site, tank } from "../schema";

/** The tanks somebody may see, by site and name. */
export async function tanksByName(scope: Scope): Promise<{ id: string; name: string; siteName: string }[]> {
  const q = db();
  const clients = await clientsInSight(scope, q);
  return q
    .select({ id: tank.id, name: tank.name, siteName: site.name })
    .from(tank)
    .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
    .where(
      and(
        eq(tank.businessId, scope.businessId),
        isNull(tank.archivedAt),
        clients === null ? undefined : inSight(site.clientId, clients),
      ),
    )
    .orderBy(site.name, tank.name);
}
