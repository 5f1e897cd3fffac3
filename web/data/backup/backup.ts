import { createHash } from "node:crypto";
import { createReadStream, createWriteStream, readdirSync } from "node:fs";
import { createInterface } from "node:readline";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { createGunzip, createGzip } from "node:zlib";
import { is } from "drizzle-orm";
import { getTableConfig, MySqlTable } from "drizzle-orm/mysql-core";
import { createConnection, type Connection as PlainConnection } from "mysql2";
import mysql, { type Connection, type RowDataPacket } from "mysql2/promise";
import { migrateDatabase } from "../database/migrate";
import type { PhotoStore } from "../photos/store";
import * as schema from "../schema";

const FORMAT = "keel-round-backup";
/** 2: with the photos. */
const VERSION = 2;
const BATCH = 500;

/** Every table there is, by its name in the database. */
export const TABLES = Object.values<unknown>(schema)
  .filter((value): value is MySqlTable => is(value, MySqlTable))
  .map((table) => getTableConfig(table).name);

interface Head {
  readonly format?: string;
  readonly version?: number;
  readonly migrations?: number;
}

/** A backup that was cut, altered or made by a later version. Nothing was touched. */
export class BadBackup extends Error {}

/** How the line of a photo begins. */
const PHOTO = '{"photo":';

type Cell = string | { readonly base64: string } | null;

/** Values as the server writes them, so that nothing is lost on the way: no number passes through a float. */
const asText = {
  typeCast: (field: { type: string; string: () => string | null; buffer: () => Buffer | null }): Cell => {
    if (!field.type.endsWith("BLOB")) return field.string();
    const bytes = field.buffer();
    return bytes === null ? null : { base64: bytes.toString("base64") };
  },
} as never;

const migrationsIn = (folder: string) => readdirSync(folder).filter((f) => f.endsWith(".sql")).length;

/** What a backup holds. */
interface Contents {
  readonly rows: number;
  readonly photos: number;
}

/** The lines of a backup, without the last one: a head, each table with its columns and rows, then the photos. */
async function* linesOf(
  plain: PlainConnection,
  photos: PhotoStore,
  migrations: number,
  now: Date,
): AsyncIterable<string> {
  const connection = plain.promise();
  yield JSON.stringify({ format: FORMAT, version: VERSION, madeAt: now.toISOString(), migrations });
  for (const table of TABLES) {
    const [columns] = await connection.query<RowDataPacket[]>(`show columns from \`${table}\``);
    const names = columns.map((c) => String(c.Field));
    yield JSON.stringify({ table, columns: names });
    const list = names.map((n) => `\`${n}\``).join(", ");
    // In the order of the primary key, which the server keeps for us: the same data give the same file.
    const sql = `select ${list} from \`${table}\` order by ${await keyOf(connection, table)}`;
    for await (const row of rowsOf(plain, sql)) yield JSON.stringify(row);
  }
  const [files] = await connection.query<RowDataPacket[]>("select business_id, id from photo order by id");
  for (const { business_id: businessId, id } of files) {
    const bytes = await photos.get(String(businessId), String(id));
    // A file that is missing is missing in the backup too: the rows are worth keeping all the same.
    if (bytes) yield JSON.stringify({ photo: id, of: businessId, base64: bytes.toString("base64") });
  }
}

/** Rows one by one as the server sends them: each is read once, however long the table. */
const rowsOf = (plain: PlainConnection, sql: string): AsyncIterable<readonly Cell[]> =>
  plain.query({ ...(asText as object), sql, rowsAsArray: true } as never).stream();

const keys = new Map<string, string>();
async function keyOf(connection: Connection, table: string): Promise<string> {
  const known = keys.get(table);
  if (known) return known;
  const [rows] = await connection.query<RowDataPacket[]>(`show keys from \`${table}\` where key_name = 'PRIMARY'`);
  const key = rows.map((r) => `\`${String(r.Column_name)}\``).join(", ") || "1";
  keys.set(table, key);
  return key;
}

/**
 * Writes everything of a database to one compressed file, as it stands at one moment.
 *
 * @returns rows by table, and the SHA-256 of the text, which also ends the file.
 */
export async function writeBackup(
  url: string,
  file: string,
  migrationsFolder: string,
  photos: PhotoStore,
  now: Date,
): Promise<Contents & { readonly sha256: string }> {
  const plain = createConnection({ uri: url, timezone: "Z" });
  const connection = plain.promise();
  const hash = createHash("sha256");
  let [rows, pictures] = [0, 0];
  async function* text(): AsyncIterable<string> {
    for await (const line of linesOf(plain, photos, migrationsIn(migrationsFolder), now)) {
      if (line.startsWith("[")) rows += 1;
      if (line.startsWith(PHOTO)) pictures += 1;
      hash.update(`${line}\n`);
      yield `${line}\n`;
    }
    yield `${JSON.stringify({ end: true, rows, sha256: hash.copy().digest("hex") })}\n`;
  }
  try {
    await connection.query("set transaction isolation level repeatable read");
    await connection.query("start transaction with consistent snapshot");
    await pipeline(Readable.from(text()), createGzip(), createWriteStream(file, { mode: 0o600 }));
    return { rows, photos: pictures, sha256: hash.digest("hex") };
  } finally {
    await connection.end();
  }
}

async function* linesIn(file: string): AsyncIterable<string> {
  const unzip = createReadStream(file).pipe(createGunzip());
  try {
    for await (const line of createInterface({ input: unzip, crlfDelay: Number.POSITIVE_INFINITY })) yield line;
  } catch (error) {
    // What the unpacker cannot read is the file's fault; anything else is ours.
    if (!String((error as { code?: string }).code).startsWith("Z_")) throw error;
    throw new BadBackup(`The file is not whole: ${(error as Error).message}. Nothing was touched.`);
  }
}

/**
 * Reads a backup to its end and checks that nothing is missing or altered.
 *
 * @throws {BadBackup} with what is wrong.
 */
export async function verifyBackup(file: string): Promise<Contents & { readonly migrations: number }> {
  const hash = createHash("sha256");
  // Declared wide: the compiler does not see that the loop sets them.
  let head = null as Head | null;
  let end = null as { rows: number; sha256: string } | null;
  let [rows, photos] = [0, 0];
  for await (const line of linesIn(file)) {
    if (end) throw new BadBackup("The file goes on after its end. Nothing was touched.");
    if (!head) {
      head = parse(line) as Head;
      if (head.format !== FORMAT) throw new BadBackup("This file is no backup of Keel Round. Nothing was touched.");
      if (head.version !== VERSION && head.version !== 1)
        throw new BadBackup("This backup was made by a later version. Nothing was touched.");
    }
    if (line.startsWith('{"end":true')) {
      end = parse(line) as typeof end;
      continue;
    }
    if (line.startsWith("[")) rows += 1;
    if (line.startsWith(PHOTO)) photos += 1;
    hash.update(`${line}\n`);
  }
  if (!head || !end) throw new BadBackup("The file ends too early: it was cut off. Nothing was touched.");
  if (end.sha256 !== hash.digest("hex") || end.rows !== rows)
    throw new BadBackup("The file was altered: its checksum does not fit. Nothing was touched.");
  return { rows, photos, migrations: head.migrations ?? 0 };
}

function parse(line: string): unknown {
  try {
    return JSON.parse(line);
  } catch {
    throw new BadBackup("This file is no backup of Keel Round. Nothing was touched.");
  }
}

/**
 * Restores a verified backup into a database that does not exist yet or has no tables.
 *
 * @throws {BadBackup} before anything is touched, for a file that is not right or a database that is not empty.
 */
export async function restoreBackup(
  file: string,
  url: string,
  migrationsFolder: string,
  photos: PhotoStore,
): Promise<Contents> {
  const { rows, photos: pictures, migrations } = await verifyBackup(file);
  if (migrations > migrationsIn(migrationsFolder))
    throw new BadBackup(
      "This backup was made by a later version. Bring Keel Round up to date first. Nothing was touched.",
    );
  if (migrations < migrationsIn(migrationsFolder))
    throw new BadBackup(
      "This backup was made by an earlier version. Restore it with that version, then bring Keel Round up to date. Nothing was touched.",
    );
  const { pathname, href } = new URL(url);
  const name = pathname.slice(1);
  const admin = await mysql.createConnection(href.slice(0, -pathname.length));
  await admin.query(`create database if not exists \`${name}\``);
  const [tables] = await admin.query<RowDataPacket[]>(
    "select count(*) as n from information_schema.tables where table_schema = ?",
    [name],
  );
  await admin.end();
  if (Number(tables[0]?.n) > 0)
    throw new BadBackup(`The database ${name} is not empty. Restore into a new one. Nothing was touched.`);
  await migrateDatabase(url, migrationsFolder);
  const connection = await mysql.createConnection({ uri: url, timezone: "Z" });
  try {
    await connection.query("set foreign_key_checks = 0");
    await connection.beginTransaction();
    await fill(connection, file, photos);
    await connection.commit();
  } finally {
    await connection.end();
  }
  return { rows, photos: pictures };
}

/** A line that is no row: where rows belong from here on, or a photo. */
interface Line {
  readonly table?: string;
  readonly columns?: string[];
  readonly photo?: string;
  readonly of?: string;
  readonly base64?: string;
}

async function fill(connection: Connection, file: string, photos: PhotoStore): Promise<void> {
  let into: { table: string; columns: string[] } | null = null;
  let batch: unknown[][] = [];
  const flush = async () => {
    if (!into || batch.length === 0) return;
    if (!TABLES.includes(into.table)) throw new BadBackup(`There is no table ${into.table}.`);
    const list = into.columns.map((c) => `\`${c.replaceAll("`", "")}\``).join(", ");
    await connection.query(`insert into \`${into.table}\` (${list}) values ?`, [batch]);
    batch = [];
  };
  for await (const line of linesIn(file)) {
    const value = JSON.parse(line) as Cell[] | Line;
    if (Array.isArray(value)) {
      batch.push(value.map((c) => (c !== null && typeof c === "object" ? Buffer.from(c.base64, "base64") : c)));
      if (batch.length >= BATCH) await flush();
    } else if (value.photo && value.of && value.base64)
      await photos.put(value.of, value.photo, Buffer.from(value.base64, "base64"));
    else {
      await flush();
      into = value.table && value.columns ? { table: value.table, columns: value.columns } : null;
    }
  }
  await flush();
}
