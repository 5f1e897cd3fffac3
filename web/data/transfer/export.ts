import { type ListRow, recordKinds, sayField, writeField } from "@keel-round/core/desk";
import { type FileEntity, type FileKind, guardText, headingOf, writeListCell } from "@keel-round/core/transfer";
import { METRIC } from "@keel-round/core/units";
import { stringify } from "csv-stringify/sync";
import { and, asc, eq, gt, isNull, or } from "drizzle-orm";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { linkNames } from "../desk/links";
import { type BookRow, stores } from "../desk/stores";
import { reading, site, tank } from "../schema";

const CHUNK = 2000;

/** Lines of a CSV file, a chunk at a time; texts are guarded so that no spreadsheet computes them. */
const lines = (rows: readonly (readonly string[])[]) => stringify(rows.map((r) => r.map(guardNumberOrText)));

/** Numbers stay numbers: a minus sign in front of digits is no formula. */
const guardNumberOrText = (cell: string) => (/^-?\d+(\.\d+)?$/.test(cell) ? cell : guardText(cell));

/**
 * A kind of record, or all readings, as CSV with units in the headings, in our own units whoever asks.
 *
 * Streams in chunks by key. What it writes, the import reads: bringing it in again changes nothing.
 */
export async function* exportCsv(scope: Scope, kind: FileKind): AsyncIterable<string> {
  if (scope.role !== "office") throw notFound("export");
  // The mark tells spreadsheets that this is UTF-8.
  yield "\ufeff";
  yield* kind === "reading" ? readingLines(scope) : recordLines(scope, kind);
}

async function* recordLines(scope: Scope, entity: FileEntity): AsyncIterable<string> {
  const { fields } = recordKinds[entity];
  yield lines([["Keel Round's own id", ...fields.map(headingOf)]]);
  const { table, valuesOf } = stores[entity];
  let last = "00000000-0000-0000-0000-000000000000";
  for (;;) {
    const rows = (await db()
      .select()
      .from(table)
      .where(and(eq(table.businessId, scope.businessId), isNull(table.archivedAt), gt(table.id, last)))
      .orderBy(asc(table.id))
      .limit(CHUNK)) as unknown as BookRow[];
    if (rows.length === 0) return;
    const values = rows.map(valuesOf);
    const names = await linkNames(db(), scope.businessId, entity, values);
    yield lines(
      rows.map((row, i) => [
        row.id,
        ...fields.map((f) => {
          const value = values[i]?.[f.key];
          if (f.type.kind === "link") return names.get(String(value)) ?? "";
          if (f.type.kind === "choice") return value === null ? "" : sayField(f, value, METRIC);
          if (f.type.kind === "list") return writeListCell(f.type.columns, (value ?? []) as readonly ListRow[]);
          return writeField(f, value, METRIC);
        }),
      ]),
    );
    last = rows.at(-1)?.id ?? last;
  }
}

async function* readingLines(scope: Scope): AsyncIterable<string> {
  yield lines([["Site", "Tank", "Day and time", "Parameter", "Value", "Unit", "Method", "Of"]]);
  let last: { at: Date; id: string } = { at: new Date(0), id: "" };
  for (;;) {
    const rows = await db()
      .select({ reading, tankName: tank.name, siteName: site.name })
      .from(reading)
      .innerJoin(tank, and(eq(tank.businessId, reading.businessId), eq(tank.id, reading.tankId)))
      .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
      .where(
        and(
          eq(reading.businessId, scope.businessId),
          last.id === ""
            ? undefined
            : or(gt(reading.takenAt, last.at), and(eq(reading.takenAt, last.at), gt(reading.id, last.id))),
        ),
      )
      .orderBy(asc(reading.takenAt), asc(reading.id))
      .limit(CHUNK);
    if (rows.length === 0) return;
    yield lines(
      rows.map(({ reading: r, tankName, siteName }) => [
        siteName,
        tankName,
        r.takenAt.toISOString(),
        r.parameter,
        r.entered,
        r.unit,
        r.method,
        r.item ?? "",
      ]),
    );
    const end = rows.at(-1)?.reading;
    if (end) last = { at: end.takenAt, id: end.id };
  }
}
