import type { Entity, Values } from "@keel-round/core/desk";
import { type KeptFacts, quickStart, type TankKind } from "@keel-round/core/tank";
import { and, eq, sql } from "drizzle-orm";
import { v5 } from "uuid";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { inTransaction, type Queries } from "../database/transaction";
import { insertRecord, Later, lockRow, updateRow } from "../desk/records";
import { stores } from "../desk/stores";
import { purifierAtSite } from "../programme/follow";
import { giveProgramme } from "../programme/save";
import { importFile, importReading, reading } from "../schema";
import { Cancelled, type ImportFile, type ImportRow, progress, rowChunks } from "./rows";

/**
 * Publishes a checked file, all of it or nothing: one transaction, undone as one by the file's id.
 *
 * That it is done is written in the same transaction: a process that ends at any moment publishes nothing or all of it, and
 * none publishes it twice. A person who cancels, a record that changed since the check, or a cut
 * connection leaves everything as it was.
 */
export async function applyFile(scope: Scope, file: ImportFile, when: When): Promise<void> {
  await inTransaction(async (tx) => {
    const later = new Later();
    if (file.kind === "reading") await publishReadings(tx, scope, file, later);
    else await publishRecords(tx, scope, file, file.kind, when, later);
    await later.settle(tx, scope.businessId, when.today);
    // Last, so that whoever asks how far it is or wants it to stop is not kept waiting.
    const [done] = await tx
      .update(importFile)
      .set({ state: "done", doneAt: when.now })
      .where(
        and(
          eq(importFile.businessId, scope.businessId),
          eq(importFile.id, file.id),
          eq(importFile.state, "applying"),
          eq(importFile.cancelAsked, false),
        ),
      );
    if (done.affectedRows !== 1) throw new Cancelled();
  });
}

async function publishRecords(
  tx: Queries,
  scope: Scope,
  file: ImportFile,
  entity: Entity,
  when: When,
  later: Later,
): Promise<void> {
  for (const state of ["new", "change"] as const)
    for await (const rows of rowChunks(file, state))
      for (const row of rows) {
        const values = row.values as Values;
        if (state === "change" && row.targetId) {
          const target = await lockRow(tx, scope, entity, row.targetId);
          await updateRow(tx, scope, entity, target, values, when, file.id, [], later);
          continue;
        }
        const kept = entity === "tank" ? assumedFacts(file, row, values) : null;
        const more = kept ? { facts: kept } : {};
        // The same row of the same file is the same record, whoever publishes it.
        const id = v5(String(row.rowNo), file.id);
        await insertRecord(tx, scope, entity, values, more, when, file.id, later, id);
        if (kept) {
          const filled = values as { siteId: string; sourceId: string; topUpSourceId: string };
          const facts = {
            ...kept,
            kind: values.kind as TankKind,
            purifierAtSite: await purifierAtSite(tx, scope.businessId, filled),
          };
          await giveProgramme(tx, scope.businessId, { id, facts }, when.today);
        }
      }
}

/** Facts of a tank of a file: what no cell told is as usual for its kind, and marked as assumed. */
function assumedFacts(file: ImportFile, row: ImportRow, values: Values): KeptFacts {
  const told = new Set(file.meanings.flatMap((m, i) => (m.key && (row.cells[i] ?? "").trim() !== "" ? [m.key] : [])));
  const facts = stores.tank.columnsOf(values, null).facts as KeptFacts;
  const usual = quickStart({
    kind: values.kind as TankKind,
    vessel: facts.display.vessel,
    sump: facts.sump !== undefined,
    startedOn: facts.startedOn,
  });
  return { ...facts, assumed: (usual.assumed ?? []).filter((key) => !told.has(key)) };
}

async function publishReadings(tx: Queries, scope: Scope, file: ImportFile, later: Later): Promise<void> {
  await tx.execute(sql`
    insert into reading (id, business_id, tank_id, parameter, entered, unit, method, item, value, sigma, taken_at, on_date, import_id)
    select i.id, ${scope.businessId}, i.tank_id, i.parameter, i.entered, i.unit, i.method, i.item, i.value, i.sigma, i.taken_at,
      i.on_date, i.import_id
    from import_reading i join import_row r on r.import_id = i.import_id and r.row_no = i.row_no and r.state = 'new'
    where i.import_id = ${file.id} and not i.known`);
  const touched = await tx
    .selectDistinct({ tankId: importReading.tankId })
    .from(importReading)
    .where(and(eq(importReading.importId, file.id), eq(importReading.known, false)));
  for (const { tankId } of touched) later.tankIds.add(tankId);
  // One statement has no middle: whether it is to stop is asked when it is done, while all of it can still be undone.
  await progress(file.id, file.rowsTotal);
}

/** Takes the readings of a file back. They are not edited, so nothing can have changed since. */
export async function takeBackReadings(scope: Scope, importId: string, { today }: When): Promise<number> {
  const of = and(eq(reading.businessId, scope.businessId), eq(reading.importId, importId));
  const touched = await db().selectDistinct({ tankId: reading.tankId }).from(reading).where(of);
  return inTransaction(async (tx) => {
    const [gone] = await tx.delete(reading).where(of);
    const later = new Later();
    for (const { tankId } of touched) later.tankIds.add(tankId);
    await later.settle(tx, scope.businessId, today);
    return gone.affectedRows;
  });
}
