import { type Entity, emptyValue, type FieldValue, recordKinds, sameValue, type Values } from "@keel-round/core/desk";
import { changeSchema, recordSchema } from "@keel-round/core/desk/schema";
import { and, count, desc, eq, gte, inArray, isNull, or, sql } from "drizzle-orm";
import { notFound, Refused } from "../access/define";
import { type Role, type Scope, STAFF } from "../access/scope";
import { clientsInSight } from "../access/sight";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { groupBy } from "../database/groupBy";
import { newId } from "../database/ids";
import { inTransaction, type Queries } from "../database/transaction";
import { type Which, writeEntries } from "../find/entries";
import { OWN_CODE, settleJob } from "../library/firmJobs";
import { asksAnew, followTank } from "../programme/follow";
import { deskChange, type firmJob, person, quay, site, tank, visit } from "../schema";
import { followNames } from "../stores/names";
import { refreshStatus } from "../tanks/status";
import { recordsInSight } from "./inSight";
import { brokenLinks } from "./links";
import { wrongForTanks, wrongWaters } from "./rightWater";
import { type BookRow, stores } from "./stores";
import { layTankVisits } from "./tankVisits";

/** Who may edit what: clients and their mail are the office's. */
export const EDITORS: Readonly<Record<Entity, readonly Role[]>> = {
  client: ["office"],
  site: STAFF,
  tank: STAFF,
  animal: STAFF,
  equipment: STAFF,
  source: STAFF,
  kind: ["office"],
  barrel: STAFF,
  quay: STAFF,
  seaLot: STAFF,
  product: STAFF,
  doser: STAFF,
  kit: STAFF,
  remedy: STAFF,
  item: STAFF,
  job: ["office"],
};

/** Pseudo-fields of the history: that a record was made, and that it rests in the archive. */
export const MADE = "*";
export const ARCHIVED = "archived";

/** What follows from many changes and is done once at their end, instead of after each. */
export class Later {
  readonly tankIds = new Set<string>();
  private entries = 0;
  note(tankIds: readonly string[]): void {
    for (const id of tankIds) this.tankIds.add(id);
    this.entries += 1;
  }
  /** Writes the status of every tank that was touched, and what can be found. */
  async settle(tx: Queries, businessId: string, today: string): Promise<void> {
    await refreshAll(tx, businessId, [...this.tankIds], today);
    if (this.entries > 0) await writeEntries(tx, businessId, { all: true });
  }
}

const STATUS_CHUNK = 300;

/** A save that came too late: what somebody else changed meanwhile, by field. */
interface Stale {
  readonly version: number;
  readonly by: string;
  readonly at: Date;
  /** The values as they stand now, of every field that differs from what the form was opened with. */
  readonly theirs: Values;
}

export type SaveResult =
  | { readonly kind: "saved"; readonly id: string; readonly version: number; readonly batchId: string }
  | { readonly kind: "stale"; readonly stale: Stale };

/** Refuses whom the record is none of the business of. An owner of tanks edits nothing. */
function requireEditor(scope: Scope, entity: Entity): void {
  if (!EDITORS[entity].includes(scope.role)) throw notFound(recordKinds[entity].one);
}

export async function lockRow(tx: Queries, scope: Scope, entity: Entity, id: string): Promise<BookRow> {
  const { table } = stores[entity];
  const [row] = await tx
    .select()
    .from(table)
    .where(
      and(
        eq(table.businessId, scope.businessId),
        eq(table.id, id),
        recordsInSight(entity, await clientsInSight(scope, tx)),
      ),
    )
    .for("update");
  if (!row) throw notFound(recordKinds[entity].one);
  return row as unknown as BookRow;
}

/** One line of the history, written in the transaction of its change. */
interface Change {
  readonly entity: Entity;
  readonly entityId: string;
  readonly field: string;
  readonly old: unknown;
  readonly new: unknown;
}

async function writeChanges(
  tx: Queries,
  scope: Scope,
  batchId: string,
  at: Date,
  changes: readonly Change[],
): Promise<void> {
  if (changes.length === 0) return;
  await tx
    .insert(deskChange)
    .values(
      changes.map((c) => ({ id: newId(), businessId: scope.businessId, personId: scope.personId, batchId, at, ...c })),
    );
}

function refuseIssues(issues: Readonly<Record<string, string>>): void {
  const first = Object.values(issues)[0];
  if (first === undefined) return;
  throw new Refused(422, "invalid", first, Object.fromEntries(Object.entries(issues).map(([k, v]) => [k, [v]])));
}

/** What can be found by its name. */
const FOUND = ["client", "site", "tank", "animal", "equipment"] as const satisfies readonly Entity[];
const isFound = (entity: Entity): entity is (typeof FOUND)[number] => FOUND.some((e) => e === entity);

/** Writes what is to be found under other words now: the record, and what is told by its name. */
async function find(tx: Queries, businessId: string, entity: Entity, id: string): Promise<void> {
  if (!isFound(entity)) return;
  const which: Which =
    entity === "client"
      ? { clientId: id }
      : entity === "site"
        ? { siteId: id }
        : entity === "tank"
          ? { tankId: id }
          : { entity, ids: [id] };
  await writeEntries(tx, businessId, which);
}

/** The tanks whose plans follow from a record. */
async function tanksOf(
  tx: Queries,
  businessId: string,
  entity: Entity,
  id: string,
  ...states: readonly Record<string, unknown>[]
): Promise<string[]> {
  if (entity === "tank") return [id];
  if (entity === "animal") return [...new Set(states.map((s) => s.tankId as string))];
  const waters = await watersOf(tx, businessId, entity, id, states);
  if (waters.length === 0) return [];
  const rows = await tx
    .select({ id: tank.id })
    .from(tank)
    .where(
      and(
        eq(tank.businessId, businessId),
        isNull(tank.archivedAt),
        or(inArray(tank.sourceId, waters), inArray(tank.topUpSourceId, waters)),
      ),
    );
  return rows.map((r) => r.id);
}

/** The waters that a record is of: itself, or the sea water of a collecting place. */
async function watersOf(
  tx: Queries,
  businessId: string,
  entity: Entity,
  id: string,
  states: readonly Record<string, unknown>[],
): Promise<string[]> {
  if (entity === "source") return [id];
  if (entity === "quay") return [...new Set(states.map((s) => s.sourceId as string))];
  if (entity !== "seaLot") return [];
  const ids = [...new Set(states.map((s) => s.quayId as string))];
  const rows = await tx
    .select({ id: quay.sourceId })
    .from(quay)
    .where(and(eq(quay.businessId, businessId), inArray(quay.id, ids)));
  return rows.map((r) => r.id);
}

/** Writes the status of tanks again, some hundred at a time. */
async function refreshAll(tx: Queries, businessId: string, ids: readonly string[], today: string): Promise<void> {
  for (let i = 0; i < ids.length; i += STATUS_CHUNK)
    await refreshStatus(tx, businessId, ids.slice(i, i + STATUS_CHUNK), today);
}

/**
 * Makes a record from all of its values.
 *
 * @throws a refusal with what is wrong beside each field.
 */
export async function createRecord(
  scope: Scope,
  entity: Entity,
  given: Values,
  when: When,
): Promise<{ readonly id: string; readonly batchId: string }> {
  requireEditor(scope, entity);
  if (entity === "kind") throw new Refused(409, "fixed", "The kinds of tank are given; each can be changed.");
  const complete = checkedValues(entity, given);
  const batchId = newId();
  const id = await inTransaction((tx) => insertRecord(tx, scope, entity, complete, {}, when, batchId));
  return { id, batchId };
}

/**
 * All values of a new record, what was not given empty.
 *
 * @throws a refusal with what is wrong beside each field.
 */
export function checkedValues(entity: Entity, given: Values): Values {
  const complete = Object.fromEntries(
    recordKinds[entity].fields.map((f) => [
      f.key,
      // What is chosen from a few is as usual where nobody said; everything else is not known.
      given[f.key] ?? (f.type.kind === "choice" ? f.usual : undefined) ?? emptyValue(f),
    ]),
  );
  const parsed = recordSchema(entity).safeParse(complete);
  if (!parsed.success) refuseIssues(Object.fromEntries(parsed.error.issues.map((i) => [i.path.join("."), i.message])));
  return complete;
}

/** Writes a new record whose values were checked; `more` are columns that are no fields. */
export async function insertRecord(
  tx: Queries,
  scope: Scope,
  entity: Entity,
  values: Values,
  more: Record<string, unknown>,
  { now, today }: When,
  batchId: string,
  later?: Later,
  id = newId(),
): Promise<string> {
  const store = stores[entity];
  refuseIssues(await brokenLinks(tx, scope, entity, values));
  const columns = {
    ...store.columnsOf(values, null),
    ...(entity === "job" ? { code: `${OWN_CODE}${newId()}` } : {}),
    ...more,
  };
  refuseIssues(store.misfits(columns, scope.units));
  if (entity === "tank") refuseIssues(await wrongWaters(tx, scope.businessId, columns));
  await tx.insert(store.table).values({ id, businessId: scope.businessId, ...columns } as never);
  await writeChanges(tx, scope, batchId, now, [{ entity, entityId: id, field: MADE, old: null, new: values.name }]);
  if (entity === "tank") await layTankVisits(tx, scope.businessId, id, today);
  if (entity === "job") await settleJob(tx, scope, null, id);
  const tankIds = await tanksOf(tx, scope.businessId, entity, id, columns);
  if (later) {
    later.note(tankIds);
    return id;
  }
  await find(tx, scope.businessId, entity, id);
  await refreshAll(tx, scope.businessId, tankIds, today);
  return id;
}

/**
 * Saves some fields of a record, with who, what, old and new in the same transaction.
 *
 * A save that was opened before somebody else's is not made: the answer says who changed what meanwhile.
 *
 * @param input `confirmed` names fields of a tank that were assumed and are right as they stand.
 */
export async function changeRecord(
  scope: Scope,
  entity: Entity,
  input: {
    readonly id: string;
    readonly version: number;
    readonly values: Values;
    readonly confirmed?: readonly string[];
  },
  when: When,
): Promise<SaveResult> {
  requireEditor(scope, entity);
  const parsed = changeSchema(entity).safeParse(input.values);
  if (!parsed.success) refuseIssues(Object.fromEntries(parsed.error.issues.map((i) => [i.path.join("."), i.message])));
  return inTransaction(async (tx) => {
    const row = await lockRow(tx, scope, entity, input.id);
    if (row.version !== input.version)
      return { kind: "stale", stale: await staleOf(tx, scope, entity, row, input.version) };
    const batchId = newId();
    const version = await updateRow(tx, scope, entity, row, input.values, when, batchId, input.confirmed ?? []);
    return { kind: "saved", id: row.id, version, batchId };
  });
}

/** Writes changed values to a locked row and its history; answers the new version. Nothing changed, nothing written. */
export async function updateRow(
  tx: Queries,
  scope: Scope,
  entity: Entity,
  row: BookRow,
  values: Values,
  { now, today }: When,
  batchId: string,
  confirmed: readonly string[] = [],
  later?: Later,
): Promise<number> {
  const store = stores[entity];
  const before = store.valuesOf(row);
  const changed = Object.fromEntries(
    Object.entries(values).filter(([key, value]) => key in before && !sameValue(before[key], value)),
  );
  const confirmations = confirmed.filter((key) => !(key in changed) && key in before);
  if (Object.keys(changed).length === 0 && confirmations.length === 0) return row.version;
  refuseIssues(await brokenLinks(tx, scope, entity, changed));
  // Its ledger is counted in it.
  if (entity === "item" && "unit" in changed) refuseIssues({ unit: "What it is counted in stays as it was made." });
  const touched = { ...changed, ...Object.fromEntries(confirmations.map((key) => [key, before[key] ?? null])) };
  const columns = store.columnsOf(touched, row);
  refuseIssues(store.misfits({ ...row, ...columns }, scope.units));
  if (entity === "tank" && ("sourceId" in changed || "targetPsu" in changed))
    refuseIssues(await wrongWaters(tx, scope.businessId, { ...row, ...columns }));
  if (entity === "source" && "kind" in changed)
    refuseIssues(await wrongForTanks(tx, scope.businessId, { ...row, ...columns }));
  await tx
    .update(store.table)
    .set({ ...columns, version: row.version + 1 } as never)
    .where(and(eq(store.table.businessId, scope.businessId), eq(store.table.id, row.id)));
  const after = store.valuesOf({ ...row, ...columns });
  // A new shape takes the old one's dimensions away: they are part of the change.
  const keys = Object.keys(before).filter((key) => !sameValue(before[key], after[key]));
  await writeChanges(tx, scope, batchId, now, [
    ...keys.map((key) => ({ entity, entityId: row.id, field: key, old: before[key] ?? null, new: after[key] ?? null })),
    ...confirmations.map((key) => ({ entity, entityId: row.id, field: `confirmed:${key}`, old: false, new: true })),
  ]);
  await followNames(tx, scope.businessId, entity, row.id, before, after);
  if (entity === "job") await settleJob(tx, scope, row as unknown as typeof firmJob.$inferSelect, row.id);
  if (entity === "tank" && asksAnew(keys)) {
    const tankRow = row as unknown as typeof tank.$inferSelect;
    const followed = await followTank(
      tx,
      scope.businessId,
      row.id,
      tankRow,
      { ...tankRow, ...columns },
      { now, today },
    );
    await writeChanges(
      tx,
      scope,
      batchId,
      now,
      followed.map(({ code, active }) => ({
        entity,
        entityId: row.id,
        field: `job:${code}`,
        old: !active,
        new: active,
      })),
    );
  }
  const tankIds = await tanksOf(tx, scope.businessId, entity, row.id, row, { ...row, ...columns });
  if (later) {
    later.note(tankIds);
    return row.version + 1;
  }
  await find(tx, scope.businessId, entity, row.id);
  await refreshAll(tx, scope.businessId, tankIds, today);
  return row.version + 1;
}

async function staleOf(tx: Queries, scope: Scope, entity: Entity, row: BookRow, opened: number): Promise<Stale> {
  const since = await tx
    .select({ by: person.name, at: deskChange.at, field: deskChange.field, batchId: deskChange.batchId })
    .from(deskChange)
    .innerJoin(person, eq(person.id, deskChange.personId))
    .where(and(eq(deskChange.businessId, scope.businessId), eq(deskChange.entityId, row.id)))
    .orderBy(desc(deskChange.at))
    .limit(200);
  // A version is one batch: as many of the newest ones as the form is behind.
  const batches = [...new Set(since.map((c) => c.batchId))].slice(0, row.version - opened);
  const fields = new Set(since.filter((c) => batches.includes(c.batchId)).map((c) => c.field));
  const now = stores[entity].valuesOf(row);
  return {
    version: row.version,
    by: since[0]?.by ?? "Somebody",
    at: since[0]?.at ?? new Date(0),
    theirs: Object.fromEntries(Object.entries(now).filter(([key]) => fields.has(key))),
  };
}

/** Puts records into the archive or brings them back. Nothing is deleted. */
export async function setArchived(
  scope: Scope,
  entity: Entity,
  id: string,
  archived: boolean,
  when: When,
): Promise<{ batchId: string }> {
  requireEditor(scope, entity);
  const batchId = newId();
  await inTransaction(async (tx) =>
    archiveRow(tx, scope, entity, await lockRow(tx, scope, entity, id), archived, when, batchId),
  );
  return { batchId };
}

async function archiveRow(
  tx: Queries,
  scope: Scope,
  entity: Entity,
  row: BookRow,
  archived: boolean,
  { now, today }: When,
  batchId: string,
): Promise<void> {
  if ((row.archivedAt !== null) === archived) return;
  if (archived) await refuseWhileInUse(tx, scope.businessId, entity, row);
  const { table } = stores[entity];
  await tx
    .update(table)
    .set({ archivedAt: archived ? now : null, version: row.version + 1 })
    .where(and(eq(table.businessId, scope.businessId), eq(table.id, row.id)));
  await writeChanges(tx, scope, batchId, now, [
    { entity, entityId: row.id, field: ARCHIVED, old: !archived, new: archived },
  ]);
  if (entity === "tank" && archived)
    // Visits that were only laid out go with it; what was done at the tank stays.
    await tx
      .delete(visit)
      .where(
        and(
          eq(visit.businessId, scope.businessId),
          eq(visit.tankId, row.id),
          gte(visit.onDate, today),
          inArray(visit.state, ["planned", "off"]),
          sql`not exists (select 1 from operation o where o.visit_id = ${visit.id})`,
        ),
      );
  if (entity === "tank" && !archived) await layTankVisits(tx, scope.businessId, row.id, today);
  await find(tx, scope.businessId, entity, row.id);
  await refreshAll(tx, scope.businessId, await tanksOf(tx, scope.businessId, entity, row.id, row), today);
}

/** A client with sites, a site with tanks, or water that tanks are filled with is not archived over their heads. */
async function refuseWhileInUse(tx: Queries, businessId: string, entity: Entity, row: BookRow): Promise<void> {
  if (entity === "kind") throw new Refused(409, "in-use", "A kind of tank stays: change what it begins with instead.");
  const uses = {
    client: eq(site.clientId, row.id),
    site: eq(tank.siteId, row.id),
    source: or(eq(tank.sourceId, row.id), eq(tank.topUpSourceId, row.id)),
  };
  if (!(entity in uses)) return;
  const below = entity === "client" ? site : tank;
  const [used] = await tx
    .select({ n: count() })
    .from(below)
    .where(and(eq(below.businessId, businessId), uses[entity as keyof typeof uses], isNull(below.archivedAt)));
  const n = used?.n ?? 0;
  if (n > 0)
    throw new Refused(
      409,
      "in-use",
      entity === "source"
        ? `${n} ${n === 1 ? "tank is" : "tanks are"} filled with ${row.name}. Give ${n === 1 ? "it" : "them"} another water first.`
        : `${row.name} still has ${n} ${entity === "client" ? (n === 1 ? "site" : "sites") : n === 1 ? "tank" : "tanks"}. Archive ${n === 1 ? "it" : "them"} first.`,
    );
}

/** Sets the same fields of several records at once: one batch, undone as one. */
export async function bulkChange(
  scope: Scope,
  entity: Entity,
  ids: readonly string[],
  values: Values,
  when: When,
): Promise<{ batchId: string; changed: number }> {
  requireEditor(scope, entity);
  const parsed = changeSchema(entity).safeParse(values);
  if (!parsed.success) refuseIssues(Object.fromEntries(parsed.error.issues.map((i) => [i.path.join("."), i.message])));
  const batchId = newId();
  const changed = await inTransaction(async (tx) => {
    let n = 0;
    for (const id of ids) {
      const row = await lockRow(tx, scope, entity, id);
      if ((await updateRow(tx, scope, entity, row, values, when, batchId)) !== row.version) n += 1;
    }
    return n;
  });
  return { batchId, changed };
}

/** Sets one field back to what it was before a change of the history. */
export async function restoreField(scope: Scope, changeId: string, when: When): Promise<{ batchId: string }> {
  const [change] = await db()
    .select()
    .from(deskChange)
    .where(and(eq(deskChange.businessId, scope.businessId), eq(deskChange.id, changeId)));
  if (!change) throw notFound("change");
  const entity = change.entity as Entity;
  requireEditor(scope, entity);
  if (change.field === ARCHIVED) return setArchived(scope, entity, change.entityId, change.old === true, when);
  const batchId = newId();
  await inTransaction(async (tx) => {
    const row = await lockRow(tx, scope, entity, change.entityId);
    await updateRow(tx, scope, entity, row, { [change.field]: change.old as FieldValue }, when, batchId);
  });
  return { batchId };
}

/**
 * Takes back one save, bulk edit or import: changed fields get their old value, made records go to the archive.
 *
 * @throws a refusal that names the records which were edited since; then nothing is taken back.
 */
export async function undoBatch(
  scope: Scope,
  batchId: string,
  when: When,
): Promise<{ batchId: string; undone: number }> {
  const changes = await db()
    .select()
    .from(deskChange)
    .where(and(eq(deskChange.businessId, scope.businessId), eq(deskChange.batchId, batchId)));
  if (changes.length === 0) throw notFound("change");
  const undo = newId();
  const byRecord = groupBy(changes, (c) => `${c.entity}:${c.entityId}`);
  await inTransaction(async (tx) => {
    const edited: string[] = [];
    for (const group of byRecord.values()) {
      const first = group[0];
      if (!first) continue;
      const entity = first.entity as Entity;
      requireEditor(scope, entity);
      const row = await lockRow(tx, scope, entity, first.entityId);
      const now = stores[entity].valuesOf(row);
      const fields = group.filter((c) => c.field in now);
      if (fields.some((c) => !sameValue(now[c.field], c.new as FieldValue))) {
        edited.push(row.name);
        continue;
      }
      if (group.some((c) => c.field === MADE)) {
        if (row.version > 1) edited.push(row.name);
        else await archiveRow(tx, scope, entity, row, true, when, undo);
        continue;
      }
      const rest = group.find((c) => c.field === ARCHIVED);
      if (rest) await archiveRow(tx, scope, entity, row, rest.old === true, when, undo);
      const old = Object.fromEntries(fields.map((c) => [c.field, c.old as FieldValue]));
      if (fields.length > 0) await updateRow(tx, scope, entity, row, old, when, undo);
    }
    if (edited.length > 0)
      throw new Refused(
        409,
        "edited-since",
        `${edited.slice(0, 5).join(", ")}${edited.length > 5 ? ` and ${edited.length - 5} more` : ""} changed since. Nothing was taken back; restore single fields in their history.`,
      );
  });
  return { batchId: undo, undone: byRecord.size };
}
