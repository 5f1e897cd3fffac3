import { type Entity, type Field, recordKinds, type Values } from "@keel-round/core/desk";
import { inSentence } from "@keel-round/core/text";
import { and, eq, inArray, isNull } from "drizzle-orm";
import type { Scope } from "../access/scope";
import { clientsInSight } from "../access/sight";
import type { Queries } from "../database/transaction";
import { site, source, tank } from "../schema";
import { recordsInSight } from "./inSight";
import { stores } from "./stores";

const linkFields = (entity: Entity): Field[] => recordKinds[entity].fields.filter((f) => f.type.kind === "link");

/** Links of a record that point at nothing the person may see, by field. */
export async function brokenLinks(
  q: Queries,
  scope: Scope,
  entity: Entity,
  values: Values,
): Promise<Record<string, string>> {
  const issues: Record<string, string> = {};
  const clients = await clientsInSight(scope, q);
  for (const field of linkFields(entity)) {
    const id = values[field.key];
    if (typeof id !== "string" || field.type.kind !== "link") continue;
    const names = await namesOf(q, scope.businessId, field.type.to, [id], clients);
    if (!names.has(id))
      issues[field.key] = `There is no such ${inSentence(field.label)} here. Choose one from the list.`;
  }
  return issues;
}

/** Names of rows of one kind, by id; a tank is told with its site. */
export async function namesOf(
  q: Queries,
  businessId: string,
  to: Entity,
  ids?: readonly string[],
  /** Clients whose things are named; null for all. */
  clients: readonly string[] | null = null,
): Promise<Map<string, string>> {
  if (ids && ids.length === 0) return new Map();
  const seen = recordsInSight(to, clients);
  if (to === "tank") {
    const rows = await q
      .select({ id: tank.id, name: tank.name, site: site.name })
      .from(tank)
      .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
      .where(and(eq(tank.businessId, businessId), seen, ids ? inArray(tank.id, [...ids]) : isNull(tank.archivedAt)));
    return new Map(rows.map((r) => [r.id, `${r.name}, ${r.site}`]));
  }
  if (to === "source") {
    const rows = await q
      .select({ id: source.id, name: source.name, site: site.name })
      .from(source)
      .leftJoin(site, and(eq(site.businessId, source.businessId), eq(site.id, source.siteId)))
      .where(and(eq(source.businessId, businessId), ids ? inArray(source.id, [...ids]) : isNull(source.archivedAt)));
    return new Map(rows.map((r) => [r.id, r.site ? `${r.name}, ${r.site}` : r.name]));
  }
  const { table } = stores[to];
  const rows = await q
    .select({ id: table.id, name: table.name })
    .from(table)
    .where(and(eq(table.businessId, businessId), seen, ids ? inArray(table.id, [...ids]) : isNull(table.archivedAt)));
  return new Map(rows.map((r) => [r.id, r.name]));
}

/** What the links of some values may be called, by id. */
export async function linkNames(
  q: Queries,
  businessId: string,
  entity: Entity,
  many: readonly Values[],
): Promise<Map<string, string>> {
  const names = new Map<string, string>();
  for (const field of linkFields(entity)) {
    if (field.type.kind !== "link") continue;
    const ids = [...new Set(many.map((v) => v[field.key]).filter((id): id is string => typeof id === "string"))];
    for (const [id, name] of await namesOf(q, businessId, field.type.to, ids)) names.set(id, name);
  }
  return names;
}
