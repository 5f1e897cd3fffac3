import { isAscii } from "node:buffer";
import { Readable } from "node:stream";
import {
  type FileKind,
  findHeadings,
  guessDateOrder,
  guessDecimal,
  guessMeanings,
  splitHeading,
} from "@keel-round/core/transfer";
import chardet from "chardet";
import { CsvError, parse } from "csv-parse";
import { and, desc, eq } from "drizzle-orm";
import iconv from "iconv-lite";
import { Refused } from "../access/define";
import type { Scope } from "../access/scope";
import { bulkInsert } from "../database/bulk";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { importFile, importRow, type SampleFacts } from "../schema";
import { toldTable, wholeFileForm } from "./cards";

/** Limits of one file; of one that is read whole, as cards and places are. They are stated on the page. */
export const IMPORT_LIMITS = { bytes: 64_000_000, rows: 250_000, columns: 120, wholeBytes: 16_000_000 } as const;

const PEEK_BYTES = 64_000;
const BATCH_ROWS = 1000;
const SAMPLE_ROWS = 400;
const DELIMITERS = [",", ";", "\t", "|"] as const;

/** Western one-byte texts are often taken for a neighbour's: as long as this one is nearly as likely, it is meant. */
const USUAL = "windows-1252";
const NEARLY = 0.5;

/** What stands where bytes were no letters of the encoding. */
const NO_LETTER = "\uFFFD";

/** The encoding of a file's beginning; what the decoder does not know, and plain ASCII, is read as UTF-8. */
function encodingOf(head: Buffer): string {
  if (isAscii(head)) return "UTF-8";
  const guesses = chardet.analyse(head);
  const best = guesses[0];
  if (!best || !iconv.encodingExists(best.name)) return "UTF-8";
  const western = guesses.find((g) => g.name === USUAL || g.name === "ISO-8859-1");
  const oneByte = /^(ISO-8859|windows-125)/i.test(best.name);
  return oneByte && western && western.confidence >= NEARLY * best.confidence ? USUAL : best.name;
}

/** The sign that cuts the lines of a text into the same number of cells, the most of them. */
function delimiterOf(text: string): string {
  const lines = text
    .split(/\r?\n/)
    .filter((l) => l.trim() !== "")
    .slice(0, 20);
  const scores = DELIMITERS.map((d) => {
    // Quoted cells may hold any sign.
    const counts = lines.map((l) => l.replace(/"[^"]*"/g, "").split(d).length - 1);
    const usual = [...counts].sort((a, b) => a - b)[Math.floor(counts.length / 2)] ?? 0;
    return { d, score: usual > 0 ? usual + counts.filter((c) => c === usual).length / counts.length : 0 };
  });
  return scores.sort((a, b) => b.score - a.score)[0]?.d ?? ",";
}

/** The first bytes of a stream, and the stream from its beginning again. */
async function peek(stream: AsyncIterable<Uint8Array>): Promise<{ head: Buffer; whole: AsyncIterable<Buffer> }> {
  const iterator = stream[Symbol.asyncIterator]();
  const chunks: Buffer[] = [];
  let size = 0;
  while (size < PEEK_BYTES) {
    const { value, done } = await iterator.next();
    if (done) break;
    chunks.push(Buffer.from(value));
    size += value.length;
  }
  async function* whole(): AsyncIterable<Buffer> {
    let bytes = 0;
    const count = (chunk: Buffer) => {
      bytes += chunk.length;
      if (bytes > IMPORT_LIMITS.bytes)
        throw new Refused(
          413,
          "too-large",
          `A file may have ${IMPORT_LIMITS.bytes / 1_000_000} MB. Cut it into parts.`,
        );
      return chunk;
    };
    for (const chunk of chunks) yield count(chunk);
    for (;;) {
      const { value, done } = await iterator.next();
      if (done) return;
      yield count(Buffer.from(value));
    }
  }
  return { head: Buffer.concat(chunks), whole: whole() };
}

/** A file that is read whole, as text. */
async function wholeText(whole: AsyncIterable<Buffer>, encoding: string): Promise<string> {
  const chunks: Buffer[] = [];
  let bytes = 0;
  for await (const chunk of whole) {
    bytes += chunk.length;
    if (bytes > IMPORT_LIMITS.wholeBytes)
      throw new Refused(
        413,
        "too-large",
        `A file of cards or places may have ${IMPORT_LIMITS.wholeBytes / 1_000_000} MB. Cut it into parts.`,
      );
    chunks.push(chunk);
  }
  return iconv.decode(Buffer.concat(chunks), encoding);
}

/** The rows of cards or places, headings first; refused where something else was meant to come in. */
function toldRecords(form: "card" | "json", kind: FileKind, text: string): string[][] {
  const told = toldTable(form, text);
  if (told.kind !== kind)
    throw new Refused(
      422,
      "other-kind",
      form === "card"
        ? "A file of cards holds clients. Choose clients and send it again."
        : "A file of places holds sites. Choose sites and send it again.",
    );
  return [[...told.headings], ...told.rows.map((r) => [...r])];
}

/** What a broken file is told, in words. */
function refuseCsv(error: CsvError): Refused {
  const line = typeof error.lines === "number" ? ` near line ${error.lines}` : "";
  if (error.code === "CSV_QUOTE_NOT_CLOSED")
    return new Refused(
      422,
      "cut-off",
      `The file ends inside a quoted cell${line}: it was cut off, or a quotation mark is missing. Export it again whole.`,
    );
  return new Refused(422, "not-csv", `The file cannot be read as a table${line}: ${error.message}`);
}

/**
 * Takes a file in as rows of text: its encoding, delimiter and headings are found, its columns are guessed.
 *
 * Streams: only some rows are in memory at a time. A file that cannot be read leaves nothing behind.
 *
 * @throws a refusal that says what is wrong with the file and where.
 */
export async function stageFile(
  scope: Scope,
  file: { readonly kind: FileKind; readonly fileName: string; readonly bytes: AsyncIterable<Uint8Array> },
  now: Date,
): Promise<{ id: string }> {
  const id = newId();
  const { head, whole } = await peek(file.bytes);
  if (head.length === 0) throw new Refused(422, "empty", "The file is empty.");
  if (head.subarray(0, 4).toString("latin1") === "PK\u0003\u0004")
    throw new Refused(422, "not-csv", "This is a spreadsheet's own file. Save it as CSV and bring that in.");
  const encoding = encodingOf(head);
  const top0 = iconv.decode(head, encoding);
  const form = wholeFileForm(top0);
  const delimiter = form ?? delimiterOf(top0);
  const records = form
    ? toldRecords(form, file.kind, await wholeText(whole, encoding))
    : (Readable.from(whole)
        .pipe(iconv.decodeStream(encoding) as unknown as NodeJS.ReadWriteStream)
        .pipe(
          parse({ delimiter, bom: true, relax_column_count: true, skip_empty_lines: true, max_record_size: 200_000 }),
        ) as unknown as AsyncIterable<string[]>);
  const top: string[][] = [];
  const samples: string[][] = [];
  let headings: { names: string[]; dataFrom: number } | null = null;
  let batch: [importId: string, rowNo: number, cells: string][] = [];
  let rows = 0;
  const flush = async () => {
    await bulkInsert("import_row", ["import_id", "row_no", "cells"], batch);
    batch = [];
  };
  const take = async (cells: string[]) => {
    rows += 1;
    const broken = encoding === "UTF-8" ? cells.findIndex((c) => c.includes(NO_LETTER)) : -1;
    if (broken >= 0)
      throw new Refused(
        422,
        "odd-letters",
        `Row ${rows} holds letters that are not UTF-8, though the file begins so: “${cells[broken]?.slice(0, 60)}”. Save it as UTF-8 and send it again.`,
      );
    if (rows > IMPORT_LIMITS.rows)
      throw new Refused(413, "too-many-rows", `A file may have ${IMPORT_LIMITS.rows} rows. Cut it into parts.`);
    if (samples.length < SAMPLE_ROWS) samples.push(cells);
    batch.push([id, rows, JSON.stringify(cells)]);
    if (batch.length >= BATCH_ROWS) await flush();
  };
  const begin = async () => {
    headings = findHeadings(top);
    if (!headings)
      throw new Refused(422, "no-headings", "The first rows hold no headings. Name the columns in the first row.");
    if (headings.names.length > IMPORT_LIMITS.columns)
      throw new Refused(413, "too-many-columns", `A file may have ${IMPORT_LIMITS.columns} columns.`);
    for (const cells of top.slice(headings.dataFrom)) await take(cells);
  };
  try {
    for await (const record of records) {
      if (headings) await take(record);
      else if (top.push(record) === TOP_ROWS) await begin();
    }
    if (!headings) await begin();
    await flush();
    if (rows === 0) throw new Refused(422, "no-rows", "The file has headings and no rows under them.");
    const names = (headings as { names: string[] } | null)?.names ?? [];
    const column = (i: number) => samples.map((s) => s[i] ?? "").filter((c) => c.trim() !== "");
    const cells = names.flatMap((_, i) => column(i));
    const before = await lastLike(scope.businessId, file.kind, names);
    await db()
      .insert(importFile)
      .values({
        id,
        businessId: scope.businessId,
        personId: scope.personId,
        kind: file.kind,
        fileName: file.fileName.slice(0, 190),
        encoding,
        delimiter,
        headings: names,
        meanings: before?.meanings ?? guessMeanings(file.kind, names.map(splitHeading)),
        zone: before?.zone ?? null,
        sample: file.kind === "reading" ? await sampleBefore(scope.businessId, before) : null,
        style: before?.style ?? {
          decimal: guessDecimal(cells.filter((c) => /^\s*[+-]?[\d.,\s]+%?\s*$/.test(c))),
          dateOrder: guessDateOrder(cells.filter((c) => /\d/.test(c) && /[./-]|\p{L}{3}/u.test(c))),
        },
        state: "staged",
        rowsTotal: rows,
        counts: { new: 0, change: 0, same: 0, error: 0 },
        at: now,
      });
    return { id };
  } catch (error) {
    await db().delete(importRow).where(eq(importRow.importId, id));
    throw error instanceof CsvError ? refuseCsv(error) : error;
  }
}

/** The last file that was brought in under the same headings: its columns mean the same. */
async function lastLike(businessId: string, kind: FileKind, headings: readonly string[]) {
  const rows = await db()
    .select()
    .from(importFile)
    .where(and(eq(importFile.businessId, businessId), eq(importFile.kind, kind), eq(importFile.state, "done")))
    .orderBy(desc(importFile.at))
    .limit(REMEMBERED);
  return rows.find((r) => JSON.stringify(r.headings) === JSON.stringify(headings)) ?? null;
}

/** What the last file like it did not say either; the names of samples are remembered from any. */
async function sampleBefore(
  businessId: string,
  before: typeof importFile.$inferSelect | null,
): Promise<SampleFacts | null> {
  const rows = await db()
    .select({ sample: importFile.sample })
    .from(importFile)
    .where(and(eq(importFile.businessId, businessId), eq(importFile.kind, "reading"), eq(importFile.state, "done")))
    .orderBy(desc(importFile.at))
    .limit(REMEMBERED);
  const names = Object.assign({}, ...rows.map((r) => r.sample?.names ?? {}).reverse()) as SampleFacts["names"];
  if (!before?.sample && Object.keys(names).length === 0) return null;
  return { tankId: null, method: before?.sample?.method ?? null, names };
}

/** So many files back columns and names are remembered. */
const REMEMBERED = 30;

/** Rows that are looked at for headings. */
const TOP_ROWS = 6;
