import { and, eq } from "drizzle-orm";
import type { Queries } from "../database/transaction";
import { site, tank } from "../schema";
import { notFound } from "./define";
import type { Scope } from "./scope";
import { clientsInSight, inSight } from "./sight";

/**
 * Locks a site that a person may see, until the transaction ends.
 *
 * @throws a refusal for any other site.
 */
export async function lockSite(tx: Queries, scope: Scope, siteId: string): Promise<typeof site.$inferSelect> {
  const [row] = await tx
    .select()
    .from(site)
    .where(
      and(
        eq(site.businessId, scope.businessId),
        eq(site.id, siteId),
        inSight(site.clientId, await clientsInSight(scope, tx)),
      ),
    )
    .for("update");
  if (!row) throw notFound("site");
  return row;
}

/** Locks a tank of the scope. */
export async function lockTank(
  tx: Queries,
  scope: Scope,
  tankId: string,
): Promise<{ readonly id: string; readonly siteId: string; readonly kind: string }> {
  const [row] = await tx
    .select({ id: tank.id, siteId: tank.siteId, kind: tank.kind })
    .from(tank)
    .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
    .where(
      and(
        eq(tank.businessId, scope.businessId),
        eq(tank.id, tankId),
        inSight(site.clientId, await clientsInSight(scope, tx)),
      ),
    )
    .for("update");
  if (!row) throw notFound("tank");
  return row;
}
