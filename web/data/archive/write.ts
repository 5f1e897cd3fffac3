import { createHash, randomBytes } from "node:crypto";
import { and, asc, eq, gt } from "drizzle-orm";
import type { AnyMySqlColumn, MySqlTable } from "drizzle-orm/mysql-core";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import { decrypt, sealUnder } from "../access/secrets";
import { db } from "../database/connection";
import { photoStore } from "../photos/store";
import { business } from "../schema";
import {
  ARCHIVE_FORMAT,
  ARCHIVE_VERSION,
  ARCHIVED,
  ARCHIVED_NAMES,
  type ArchivedName,
  tailOf,
  toArchive,
} from "./tables";

const CHUNK = 1000;
const FIRST = "00000000-0000-0000-0000-000000000000";

/**
 * Everything of a business as one JSON text, a row a line, in chunks by key; the last line is the checksum of the rest.
 *
 * @param passphrase Door and alarm codes leave only under one; without it they stay behind.
 */
export async function* writeArchive(scope: Scope, passphrase: string | null, now: Date): AsyncIterable<string> {
  if (scope.role !== "office") throw notFound("archive");
  const hash = createHash("sha256");
  for await (const text of bodyOf(scope, passphrase, now)) {
    hash.update(text);
    yield text;
  }
  yield tailOf(hash.digest("hex"));
}

async function* bodyOf(scope: Scope, passphrase: string | null, now: Date): AsyncIterable<string> {
  const [firm] = await db().select().from(business).where(eq(business.id, scope.businessId));
  if (!firm) throw notFound("business");
  const { id: _, mark, ...rest } = firm;
  const settings = { ...rest, mark: mark?.toString("base64") ?? null };
  const salt = passphrase ? randomBytes(16).toString("base64") : null;
  yield `{"format":${JSON.stringify(ARCHIVE_FORMAT)},"version":${ARCHIVE_VERSION},"madeAt":${JSON.stringify(now.toISOString())},\n`;
  yield `"codesSalt":${JSON.stringify(salt)},"business":${JSON.stringify(settings)},\n"tables":{\n`;
  for (const [i, name] of ARCHIVED_NAMES.entries()) {
    yield `${i > 0 ? ",\n" : ""}${JSON.stringify(name)}:[`;
    let first = true;
    for await (const rows of rowsOf(scope.businessId, name)) {
      const lines = rows.map((row) => JSON.stringify(sealed(name, toArchive(name, row), passphrase, salt)));
      yield `${first ? "\n" : ",\n"}${lines.join(",\n")}`;
      first = false;
    }
    yield "]";
  }
  yield '\n},\n"photos":{';
  let first = true;
  for await (const rows of rowsOf(scope.businessId, "photo"))
    for (const { id } of rows) {
      const bytes = await photoStore().get(scope.businessId, String(id));
      // A missing file is said by what brings the archive in, not papered over here.
      if (!bytes) continue;
      yield `${first ? "\n" : ",\n"}${JSON.stringify(id)}:"${bytes.toString("base64")}"`;
      first = false;
    }
  yield "\n},\n";
}

async function* rowsOf(businessId: string, name: ArchivedName): AsyncIterable<Record<string, unknown>[]> {
  const table = ARCHIVED[name] as unknown as MySqlTable & Record<string, AnyMySqlColumn>;
  const key = table[name === "operation" ? "opId" : "id"] as AnyMySqlColumn;
  let last = FIRST;
  for (;;) {
    const rows = (await db()
      .select()
      .from(table as MySqlTable)
      .where(and(eq(table.businessId as AnyMySqlColumn, businessId), gt(key, last)))
      .orderBy(asc(key))
      // Letters carry their pages: few at a time.
      .limit(name === "letter" ? 20 : CHUNK)) as Record<string, unknown>[];
    if (rows.length === 0) return;
    yield rows;
    last = String(rows.at(-1)?.[name === "operation" ? "opId" : "id"]);
  }
}

/** A site's codes, under the passphrase instead of this installation's own secret. */
function sealed(
  name: ArchivedName,
  row: Record<string, unknown>,
  passphrase: string | null,
  salt: string | null,
): Record<string, unknown> {
  if (name !== "site" || typeof row.accessCodes !== "string") return row;
  if (!passphrase || !salt) return { ...row, accessCodes: null };
  return { ...row, accessCodes: sealUnder(decrypt(row.accessCodes, String(row.id)), passphrase, salt) };
}
