import type { FieldIssues, Values } from "@keel-round/core/desk";
import { and, asc, between, count, eq, gt, sql } from "drizzle-orm";
import { db } from "../database/connection";
import { type ImportCounts, importFile, importRow } from "../schema";

export type ImportFile = typeof importFile.$inferSelect;
export type ImportRow = typeof importRow.$inferSelect;

/** What became of a row. */
export interface Verdict {
  readonly rowNo: number;
  readonly state: "new" | "change" | "same" | "error";
  readonly issues: FieldIssues | null;
  readonly values: Values | null;
  readonly targetId: string | null;
}

/** A person asked for it to stop. */
export class Cancelled extends Error {}

const CHUNK = 1000;

/** The rows of a file in chunks, in their order; stops where a person asked for it, and says how far it is. */
export async function* rowChunks(file: Pick<ImportFile, "id">, only?: "new" | "change"): AsyncIterable<ImportRow[]> {
  let last = 0;
  let done = 0;
  for (;;) {
    const rows = await db()
      .select()
      .from(importRow)
      .where(
        and(eq(importRow.importId, file.id), gt(importRow.rowNo, last), only ? eq(importRow.state, only) : undefined),
      )
      .orderBy(asc(importRow.rowNo))
      .limit(CHUNK);
    if (rows.length === 0) return;
    yield rows;
    last = rows.at(-1)?.rowNo ?? last;
    done += rows.length;
    await progress(file.id, done);
  }
}

/** Notes how many rows are done. */
export async function progress(importId: string, done: number): Promise<void> {
  const [state] = await db()
    .select({ cancelAsked: importFile.cancelAsked })
    .from(importFile)
    .where(eq(importFile.id, importId));
  if (state?.cancelAsked) throw new Cancelled();
  await db().update(importFile).set({ rowsDone: done }).where(eq(importFile.id, importId));
}

/** Writes what became of a chunk of rows: most are alike and take one statement, the others one more. */
export async function writeVerdicts(
  importId: string,
  rows: readonly ImportRow[],
  verdicts: readonly Verdict[],
): Promise<void> {
  const [first, last] = [rows[0]?.rowNo, rows.at(-1)?.rowNo];
  if (first === undefined || last === undefined) return;
  await db()
    .update(importRow)
    .set({ state: "new", issues: null, values: null, targetId: null })
    .where(and(eq(importRow.importId, importId), between(importRow.rowNo, first, last)));
  const special = verdicts.filter((v) => v.state !== "new" || v.values !== null);
  if (special.length === 0) return;
  const cells = new Map(rows.map((r) => [r.rowNo, r.cells]));
  await db()
    .insert(importRow)
    .values(special.map((v) => ({ importId, cells: cells.get(v.rowNo) ?? [], ...v })))
    .onDuplicateKeyUpdate({
      set: {
        state: sql`values(state)`,
        issues: sql`values(issues)`,
        values: sql.raw("values(`values`)"),
        targetId: sql`values(target_id)`,
      },
    });
}

/** How many rows are what. */
export async function countRows(importId: string): Promise<ImportCounts> {
  const rows = await db()
    .select({ state: importRow.state, n: count() })
    .from(importRow)
    .where(eq(importRow.importId, importId))
    .groupBy(importRow.state);
  const of = (state: string) => rows.find((r) => r.state === state)?.n ?? 0;
  return { new: of("new"), change: of("change"), same: of("same"), error: of("error") };
}
