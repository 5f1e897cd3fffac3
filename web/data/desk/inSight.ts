import type { Entity } from "@keel-round/core/desk";
import { inArray, type SQL } from "drizzle-orm";
import { inSight } from "../access/sight";
import { db } from "../database/connection";
import { animal, client, equipment, site, tank } from "../schema";

/** The condition that a record belongs to a client in sight. Waters and kinds of tank are the whole firm's. */
export function recordsInSight(entity: Entity, clients: readonly string[] | null): SQL | undefined {
  if (clients === null) return undefined;
  const sites = db().select({ id: site.id }).from(site).where(inSight(site.clientId, clients));
  const tanks = db().select({ id: tank.id }).from(tank).where(inArray(tank.siteId, sites));
  switch (entity) {
    case "client":
      return inSight(client.id, clients);
    case "site":
      return inSight(site.clientId, clients);
    case "tank":
      return inArray(tank.siteId, sites);
    case "animal":
      return inArray(animal.tankId, tanks);
    case "equipment":
      return inArray(equipment.tankId, tanks);
    default:
      return undefined;
  }
}
