import { type Entity, type Filter, recordKinds, type Values } from "@keel-round/core/desk";
import { byName } from "@keel-round/core/text";
import { and, asc, count, desc, eq, isNotNull, isNull, like, or, type SQL, sql } from "drizzle-orm";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import { clientsInSight } from "../access/sight";
import { db } from "../database/connection";
import { client, site, tank } from "../schema";
import { recordsInSight } from "./inSight";
import { linkNames, namesOf } from "./links";
import { EDITORS } from "./records";
import { type BookRow, type BookTable, stores } from "./stores";

/** A record as lists and forms show it. */
export interface Kept {
  readonly id: string;
  readonly name: string;
  readonly version: number;
  readonly archived: boolean;
  readonly values: Values;
}

/** What the address bar holds of a list. */
interface ListQuery {
  readonly q?: string | undefined;
  /** Key of the field it is sorted by, with a minus in front for the other way round. */
  readonly sort?: string | undefined;
  readonly archived?: boolean | undefined;
  readonly filters?: readonly Filter[] | undefined;
  readonly page?: number | undefined;
}

export const PAGE_ROWS = 50;

/** Office sees all of its business, a technician what they work with; an owner of tanks sees no desk. */
function requireReader(scope: Scope, entity: Entity): void {
  if (scope.role === "tankOwner") throw notFound(recordKinds[entity].one);
}

const escapeLike = (text: string) => text.replace(/[\\%_]/g, (c) => `\\${c}`);

const toKept = (entity: Entity, row: BookRow): Kept => ({
  id: row.id,
  name: row.name,
  version: row.version,
  archived: row.archivedAt !== null,
  values: stores[entity].valuesOf(row),
});

/** A page of records with the names of what they point at. */
export async function listRecords(
  scope: Scope,
  entity: Entity,
  query: ListQuery,
): Promise<{ readonly rows: Kept[]; readonly names: Map<string, string>; readonly total: number }> {
  requireReader(scope, entity);
  const { table } = stores[entity];
  const clients = await clientsInSight(scope);
  const words = (query.q ?? "").split(/\s+/).filter(Boolean);
  const where = and(
    eq(table.businessId, scope.businessId),
    recordsInSight(entity, clients),
    query.archived ? isNotNull(table.archivedAt) : isNull(table.archivedAt),
    ...words.map((word) =>
      or(...textColumns(entity).map((c) => like(c, `%${escapeLike(word)}%`)), parentLike(entity, word)),
    ),
    ...(query.filters ?? []).map((filter) => conditionOf(entity, filter)),
  );
  const [key = "name", down] = query.sort?.startsWith("-")
    ? [query.sort.slice(1), true]
    : [query.sort ?? "name", false];
  const known = recordKinds[entity].fields.some((f) => f.key === key && f.type.kind !== "list");
  const order: SQL = down ? desc(sortKey(entity, known ? key : "name")) : asc(sortKey(entity, known ? key : "name"));
  const [rows, [all]] = await Promise.all([
    db()
      .select()
      .from(table)
      .where(where)
      .orderBy(order, asc(table.name))
      .limit(PAGE_ROWS)
      .offset(PAGE_ROWS * Math.max(0, (query.page ?? 1) - 1)),
    db().select({ n: count() }).from(table).where(where),
  ]);
  const kept = rows.map((r) => toKept(entity, r as unknown as BookRow));
  return {
    rows: kept,
    names: await linkNames(
      db(),
      scope.businessId,
      entity,
      kept.map((r) => r.values),
    ),
    total: all?.n ?? 0,
  };
}

function textColumns(entity: Entity) {
  const columns = stores[entity].table as unknown as Record<string, BookTable["name"]>;
  return recordKinds[entity].fields.flatMap((f) => {
    const column = columns[f.key];
    return column && (f.type.kind === "text" || f.type.kind === "email") ? [column] : [];
  });
}

/** A word that is in the name of what the record belongs to. */
function parentLike(entity: Entity, word: string): SQL | undefined {
  const pattern = `%${escapeLike(word)}%`;
  if (entity === "site")
    return sql`exists (select 1 from ${client} c where c.id = ${site.clientId} and c.name like ${pattern})`;
  if (entity === "tank")
    return sql`exists (select 1 from ${site} s where s.id = ${tank.siteId} and s.name like ${pattern})`;
  if (entity !== "animal" && entity !== "equipment") return undefined;
  const { tankId } = stores[entity].table as unknown as { tankId: typeof tank.id };
  return sql`exists (select 1 from ${tank} t join ${site} s on s.business_id = t.business_id and s.id = t.site_id where t.id = ${tankId} and (t.name like ${pattern} or s.name like ${pattern}))`;
}

/** A field as the database has it: a column, or a path into the facts. */
function expressionOf(entity: Entity, key: string): SQL {
  const { table } = stores[entity] as unknown as { table: Record<string, BookTable["name"]> };
  const column = table[key];
  return column ? sql`${column}` : sql`json_value(${table.facts}, ${`$.${key}`})`;
}

/** A condition of a list. What is not known of a record fits no condition on it. */
function conditionOf(entity: Entity, { field, test, value }: Filter): SQL {
  const held = expressionOf(entity, field.key);
  if (test === "has") return sql`${held} like ${`%${escapeLike(String(value))}%`}`;
  if (field.type.kind === "yes-no")
    return value ? sql`${held} in ('true', '1')` : sql`(${held} is null or ${held} in ('false', '0'))`;
  if (test === "is") return sql`${held} = ${value}`;
  // As numbers, with room for what a conversion leaves behind; dates compare as texts.
  const slack = typeof value === "number" ? 1e-9 * Math.max(1, Math.abs(value)) : 0;
  if (typeof value !== "number") return test === "from" ? sql`${held} >= ${value}` : sql`${held} <= ${value}`;
  return test === "from" ? sql`${held} + 0 >= ${value - slack}` : sql`${held} + 0 <= ${value + slack}`;
}

/** What a list is ordered by: a column, the name behind a link, or a path into a tank's facts. */
function sortKey(entity: Entity, key: string): SQL {
  const { table } = stores[entity];
  const column = (table as unknown as Record<string, BookTable["name"]>)[key];
  const link = recordKinds[entity].fields.find((f) => f.key === key)?.type;
  if (column && link?.kind === "link" && link.to !== "source" && link.to !== "tank")
    return sql`(select p.name from ${stores[link.to].table} p where p.id = ${column})`;
  if (column && link?.kind === "link" && link.to === "tank")
    return sql`(select concat(s.name, ' ', t.name) from ${tank} t join ${site} s on s.id = t.site_id where t.id = ${column})`;
  return expressionOf(entity, key);
}

/** One record, with names for its links. */
export async function loadRecord(
  scope: Scope,
  entity: Entity,
  id: string,
): Promise<{ readonly record: Kept; readonly names: Map<string, string> }> {
  requireReader(scope, entity);
  const { table } = stores[entity];
  const [row] = await db()
    .select()
    .from(table)
    .where(
      and(
        eq(table.businessId, scope.businessId),
        eq(table.id, id),
        recordsInSight(entity, await clientsInSight(scope)),
      ),
    );
  if (!row) throw notFound(recordKinds[entity].one);
  const record = toKept(entity, row as unknown as BookRow);
  return { record, names: await linkNames(db(), scope.businessId, entity, [record.values]) };
}

/** What each link of a record may be set to: id and name, by name. */
export async function linkOptions(scope: Scope, entity: Entity): Promise<Record<string, [id: string, name: string][]>> {
  const options: Record<string, [string, string][]> = {};
  const clients = await clientsInSight(scope);
  for (const field of recordKinds[entity].fields) {
    if (field.type.kind !== "link") continue;
    const names = await namesOf(db(), scope.businessId, field.type.to, undefined, clients);
    options[field.key] = [...names].sort(([, a], [, b]) => byName(a, b));
  }
  return options;
}

/** Whether a person may edit a kind of record. */
export const mayEdit = (scope: Scope, entity: Entity): boolean => EDITORS[entity].includes(scope.role);

/** What belongs to a record, by name: a client's sites, a site's tanks. */
export async function belowRecord(
  scope: Scope,
  entity: Entity,
  id: string,
): Promise<{
  readonly entity: "site" | "tank";
  readonly rows: { readonly id: string; readonly name: string }[];
} | null> {
  if (entity !== "client" && entity !== "site") return null;
  const [below, table] = entity === "client" ? (["site", site] as const) : (["tank", tank] as const);
  const rows = await db()
    .select({ id: table.id, name: table.name })
    .from(table)
    .where(
      and(
        eq(table.businessId, scope.businessId),
        entity === "client" ? eq(site.clientId, id) : eq(tank.siteId, id),
        isNull(table.archivedAt),
      ),
    )
    .orderBy(asc(table.name));
  return { entity: below, rows };
}

/** Whether the business has a site at all. */
export async function anySite(scope: Scope): Promise<boolean> {
  const [one] = await db().select({ id: site.id }).from(site).where(eq(site.businessId, scope.businessId)).limit(1);
  return one !== undefined;
}
