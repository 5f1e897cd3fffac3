import { type CellStyle, type ColumnMeaning, targetsOf } from "@keel-round/core/transfer";
import { and, asc, desc, eq, inArray, sql } from "drizzle-orm";
import { notFound, Refused } from "../access/define";
import { type Scope, scopeOfUser } from "../access/scope";
import type { When } from "../access/when";
import { forgetGivenUp } from "../background/jobs";
import { db } from "../database/connection";
import { enqueue } from "../database/enqueue";
import { inTransaction } from "../database/transaction";
import { undoBatch } from "../desk/records";
import { importFile, importReading, importRow, person, type SampleFacts } from "../schema";
import { applyFile, takeBackReadings } from "./apply";
import { checkReadings } from "./checkReadings";
import { checkRecords } from "./checkRecords";
import { Cancelled, countRows, type ImportFile, type ImportRow } from "./rows";

const mine = (scope: Scope, id: string) => and(eq(importFile.businessId, scope.businessId), eq(importFile.id, id));

/** An import of the business. */
export async function loadImport(scope: Scope, id: string): Promise<ImportFile> {
  const [file] = await db().select().from(importFile).where(mine(scope, id));
  if (!file || scope.role !== "office") throw notFound("import");
  return file;
}

/** The imports of the business, the newest first. */
export async function listImports(scope: Scope) {
  if (scope.role !== "office") throw notFound("import");
  return db()
    .select({
      id: importFile.id,
      kind: importFile.kind,
      fileName: importFile.fileName,
      state: importFile.state,
      counts: importFile.counts,
      at: importFile.at,
      by: person.name,
    })
    .from(importFile)
    .innerJoin(person, and(eq(person.businessId, importFile.businessId), eq(person.id, importFile.personId)))
    .where(eq(importFile.businessId, scope.businessId))
    .orderBy(desc(importFile.at))
    .limit(30);
}

const SHOWN_ROWS = 60;

/** Rows to show of an import, those with errors first. */
export async function rowsToShow(id: string): Promise<ImportRow[]> {
  return db()
    .select()
    .from(importRow)
    .where(eq(importRow.importId, id))
    .orderBy(sql`field(${importRow.state}, 'error', 'change', 'new', 'same', 'raw')`, asc(importRow.rowNo))
    .limit(SHOWN_ROWS);
}

/** States in which nothing runs and nothing is published: the columns may be set and the rows mended. */
const OPEN: readonly ImportFile["state"][] = ["staged", "checked", "cancelled", "failed"];

async function change(
  scope: Scope,
  id: string,
  from: readonly ImportFile["state"][],
  set: Partial<typeof importFile.$inferInsert>,
  work?: "import-check" | "import-apply",
): Promise<void> {
  await loadImport(scope, id);
  // Asked for and queued as one: nothing waits for work that nobody has.
  await inTransaction(async (tx) => {
    const [done] = await tx
      .update(importFile)
      .set(set)
      .where(and(mine(scope, id), inArray(importFile.state, [...from])));
    if (done.affectedRows !== 1) throw new Refused(409, "busy", "This import is at work or finished. Reload the page.");
    if (!work) return;
    await forgetGivenUp(tx, scope.businessId, id);
    await enqueue(tx, scope.businessId, work, { importId: id });
  });
}

/** Sets what the columns mean and how cells are read, and asks for a check of every row. */
export async function checkImport(
  scope: Scope,
  id: string,
  how: {
    readonly meanings: readonly ColumnMeaning[];
    readonly style: CellStyle;
    readonly zone: string | null;
    readonly sample?: SampleFacts | null;
  },
): Promise<void> {
  const file = await loadImport(scope, id);
  const known = new Set(targetsOf(file.kind).map((t) => t.key));
  const keys = how.meanings.flatMap((m) => (m.key ? [m.key] : []));
  if (how.meanings.length !== file.headings.length || keys.some((k) => !known.has(k)))
    throw new Refused(422, "invalid", "The columns do not fit this file. Reload the page.");
  if (new Set(keys).size < keys.length)
    throw new Refused(422, "twice", "Two columns mean the same. Let one of them be left out.");
  if (file.kind === "reading" && !keys.includes("tank") && !how.sample?.tankId)
    throw new Refused(422, "no-tank", "Say which column names the tank, or choose the one tank it is all of.");
  if (file.kind === "reading" && !keys.includes("at"))
    throw new Refused(422, "no-day", "Say which column holds the day.");
  if (file.kind !== "reading" && !keys.includes("name") && !keys.includes("id"))
    throw new Refused(422, "no-name", "Say which column holds the name.");
  const set = { ...how, state: "checking" as const, rowsDone: 0, cancelAsked: false, error: null };
  await change(scope, id, OPEN, set, "import-check");
}

/** Asks for the file to be published. Rows with errors stay out only if the person says so. */
export async function applyImport(scope: Scope, id: string, leaveOutErrors: boolean): Promise<void> {
  const file = await loadImport(scope, id);
  if (file.counts.error > 0 && !leaveOutErrors)
    throw new Refused(
      422,
      "errors",
      `${file.counts.error} rows are not right yet. Mend them, or say that they stay out.`,
    );
  if (file.counts.new + file.counts.change === 0)
    throw new Refused(422, "nothing", "Nothing in this file is new or different.");
  const set = { state: "applying" as const, rowsDone: 0, cancelAsked: false, leaveOutErrors, error: null };
  await change(scope, id, ["checked"], set, "import-apply");
}

/** Asks what is at work on a file to stop: nothing of it is kept. */
export async function cancelImport(scope: Scope, id: string): Promise<void> {
  await change(scope, id, ["checking", "applying"], { cancelAsked: true });
}

/** Sets a cell: of one row, or of every row that says the same in that column. The file is checked again after it. */
export async function mendCell(
  scope: Scope,
  id: string,
  cell: { readonly rowNo: number; readonly column: number; readonly text: string; readonly everywhere: boolean },
): Promise<number> {
  const file = await loadImport(scope, id);
  if (!OPEN.includes(file.state)) throw new Refused(409, "busy", "This import is at work or finished.");
  if (cell.column >= file.headings.length) throw notFound("column");
  const path = `$[${cell.column}]`;
  return inTransaction(async (tx) => {
    const [row] = await tx
      .select()
      .from(importRow)
      .where(and(eq(importRow.importId, id), eq(importRow.rowNo, cell.rowNo)));
    if (!row) throw notFound("row");
    const cells = file.headings.map((_, i) => (i === cell.column ? cell.text : (row.cells[i] ?? "")));
    if (!cell.everywhere) {
      await tx
        .update(importRow)
        .set({ cells, state: "raw" })
        .where(and(eq(importRow.importId, id), eq(importRow.rowNo, cell.rowNo)));
      return 1;
    }
    const [done] = await tx
      .update(importRow)
      .set({ cells: sql`json_set(${importRow.cells}, ${path}, ${cell.text})`, state: "raw" })
      .where(
        and(eq(importRow.importId, id), sql`json_value(${importRow.cells}, ${path}) = ${row.cells[cell.column] ?? ""}`),
      );
    return done.affectedRows;
  });
}

/** Takes a published file back as one step. */
export async function undoImport(scope: Scope, id: string, when: When): Promise<void> {
  const file = await loadImport(scope, id);
  if (file.state !== "done") throw new Refused(409, "not-done", "Only an import that was published can be taken back.");
  if (file.kind === "reading") await takeBackReadings(scope, id, when);
  else await undoBatch(scope, id, when);
  await db().update(importFile).set({ state: "undone" }).where(mine(scope, id));
}

/** Runs the work that was asked for on a file: the jobs process calls this. */
export async function runImport(scope: Scope, id: string, work: "check" | "apply", when: When): Promise<void> {
  const file = await loadImport(scope, id);
  // A job that was given back after its end, or one that nobody waits for any more.
  if (file.state !== (work === "check" ? "checking" : "applying")) return;
  try {
    if (work === "check") {
      await (file.kind === "reading" ? checkReadings(scope, file) : checkRecords(scope, file));
      await db()
        .update(importFile)
        .set({ state: "checked", counts: await countRows(id) })
        .where(mine(scope, id));
    } else {
      await applyFile(scope, file, when);
      await db().delete(importReading).where(eq(importReading.importId, id));
    }
  } catch (error) {
    if (error instanceof Cancelled) {
      // Only what was at work: another process may have published it meanwhile.
      await db()
        .update(importFile)
        .set({ state: "cancelled" })
        .where(and(mine(scope, id), inArray(importFile.state, ["checking", "applying"])));
      return;
    }
    if (!(error instanceof Refused)) throw error;
    await db().update(importFile).set({ state: "failed", error: error.message }).where(mine(scope, id));
  }
}

/** The scope of whoever brought a file in; null once they are gone. */
export async function importScope(id: string): Promise<Scope | null> {
  const [row] = await db()
    .select({ userId: person.userId })
    .from(importFile)
    .innerJoin(person, and(eq(person.businessId, importFile.businessId), eq(person.id, importFile.personId)))
    .where(eq(importFile.id, id));
  return row?.userId ? scopeOfUser(row.userId) : null;
}
