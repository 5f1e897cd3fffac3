import { createHash } from "node:crypto";
import { Readable } from "node:stream";
import { JSONParser } from "@streamparser/json-node";
import { count, eq } from "drizzle-orm";
import type { MySqlTable } from "drizzle-orm/mysql-core";
import type { z } from "zod";
import { notFound, Refused } from "../access/define";
import type { Scope } from "../access/scope";
import { encrypt, openUnder } from "../access/secrets";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { driverError, inTransaction, type Queries } from "../database/transaction";
import { fillKinds } from "../desk/kinds";
import { writeEntries } from "../find/entries";
import { letterTokenHash } from "../letters/letters";
import { fillJobs } from "../library/firmJobs";
import { photoStore } from "../photos/store";
import { archiveImport, business, client, firmJob, site, tank, tankKind } from "../schema";
import { refreshStatus } from "../tanks/status";
import { idMap, mapIds } from "./ids";
import {
  ARCHIVE_FORMAT,
  ARCHIVE_VERSION,
  ARCHIVED,
  ARCHIVED_NAMES,
  type ArchivedName,
  BusinessSchema,
  fromArchive,
  rowSchemas,
  TAIL_BYTES,
  UPCASTS,
  underNamesOfToday,
} from "./tables";

const BATCH = 500;
const STATUS_CHUNK = 300;

interface Part {
  readonly key: string | number | undefined;
  readonly value: unknown;
  readonly stack: readonly { readonly key: string | number | undefined }[];
}

/**
 * Brings an archive into a business that is still empty, all of it or nothing.
 *
 * Every row gets a new id, the same wherever it is named. Rows are checked one by one against the published schema;
 * what points at nothing, or a file that ends too early, leaves the business as it was.
 *
 * @param read the file from its beginning, as often as it is asked
 * @throws a refusal that says which row is wrong, or that the business is not empty.
 */
export async function readArchive(
  scope: Scope,
  read: () => AsyncIterable<Uint8Array>,
  passphrase: string | null,
  { now, today }: When,
): Promise<Readonly<Record<string, number>>> {
  if (scope.role !== "office") throw notFound("archive");
  await requireEmpty(scope.businessId);
  let reader = new Reader(scope, passphrase);
  try {
    await inTransaction(async (tx) => {
      // Tried again after a deadlock or a lost connection, it begins again with the file too.
      reader = new Reader(scope, passphrase);
      const summed = summing(read());
      const [before] = await tx.select().from(business).where(eq(business.id, scope.businessId));
      // The library's kinds and jobs stand in every business; the archive brings its own copies.
      await tx.delete(tankKind).where(eq(tankKind.businessId, scope.businessId));
      await tx.delete(firmJob).where(eq(firmJob.businessId, scope.businessId));
      const parser = new JSONParser({
        paths: ["$.format", "$.version", "$.codesSalt", "$.business", "$.tables.*.*", "$.photos.*", "$.sha256"],
        keepStack: false,
      });
      const source = Readable.from(summed.bytes);
      // A file that cannot be read on ends the reading; a pipe alone would wait for it for ever.
      source.once("error", (error) => parser.destroy(error));
      const parts = source.pipe(parser);
      try {
        for await (const part of parts as AsyncIterable<Part>) await reader.take(tx, part);
      } catch (error) {
        throw error instanceof Refused || driverError(error) ? error : wrongFile(error as Error);
      }
      await reader.flush(tx);
      reader.requireWhole(summed.sha256());
      await fillKinds(tx, scope.businessId);
      await fillJobs(tx, scope.businessId);
      await settle(tx, scope.businessId, today);
      await tx.insert(archiveImport).values({
        id: newId(),
        businessId: scope.businessId,
        personId: scope.personId,
        at: now,
        settingsBefore: before,
        counts: reader.counts,
      });
    });
  } catch (error) {
    await reader.dropPhotos();
    throw error;
  }
  return reader.counts;
}

/** Bytes as they pass, and the checksum of all but the last line of them. */
function summing(bytes: AsyncIterable<Uint8Array>) {
  const hash = createHash("sha256");
  let held = Buffer.alloc(0);
  async function* passed(): AsyncIterable<Buffer> {
    for await (const chunk of bytes) {
      const all = Buffer.concat([held, chunk]);
      const sure = Math.max(0, all.length - TAIL_BYTES);
      hash.update(all.subarray(0, sure));
      held = all.subarray(sure);
      yield Buffer.from(chunk);
    }
  }
  return { bytes: passed(), sha256: () => hash.digest("hex") };
}

/** Parse errors are the file's; anything else is ours and stays thrown. */
function wrongFile(error: Error): Error {
  if (!/token|parse|unexpected|ended|state/i.test(error.message)) return error;
  return new Refused(
    422,
    "not-whole",
    `This is no whole archive: ${error.message.slice(0, 160)}. It may have been cut off.`,
  );
}

async function requireEmpty(businessId: string): Promise<void> {
  for (const table of [client, site, tank]) {
    const [row] = await db().select({ n: count() }).from(table).where(eq(table.businessId, businessId));
    if ((row?.n ?? 0) > 0)
      throw new Refused(
        409,
        "not-empty",
        "An archive is brought into an empty business. This one has clients already; bring lists in as CSV instead.",
      );
  }
}

class Reader {
  readonly counts: Record<string, number> = {};
  private format = false;
  private version = 0;
  private sha256: string | null = null;
  /** Checksums that the rows of photos ask for, by their new id; a file takes its own away. */
  private readonly photos = new Map<string, string>();
  private readonly written: string[] = [];
  private settings = false;
  private salt: string | null = null;
  private table: ArchivedName | null = null;
  private batch: Record<string, unknown>[] = [];
  private readonly map: (old: string) => string;

  constructor(
    private readonly scope: Scope,
    private readonly passphrase: string | null,
  ) {
    this.map = idMap(scope.businessId);
  }

  async take(tx: Queries, { key, value, stack }: Part): Promise<void> {
    const depth = stack.length;
    if (depth === 1 && key === "format") {
      if (value !== ARCHIVE_FORMAT) throw new Refused(422, "not-archive", "This file is no archive of Keel Round.");
      this.format = true;
      return;
    }
    if (depth === 1 && key === "version") {
      if (value !== ARCHIVE_VERSION && !(typeof value === "number" && value in UPCASTS))
        throw new Refused(
          422,
          "version",
          `This archive is of version ${String(value)}; versions up to ${ARCHIVE_VERSION} are read.`,
        );
      this.version = Number(value);
      return;
    }
    if (depth === 1 && key === "codesSalt") {
      this.salt = typeof value === "string" ? value : null;
      return;
    }
    if (depth === 1 && key === "business") {
      const settings = checked(BusinessSchema, value, "business", 1);
      await tx
        .update(business)
        .set({ ...settings, mark: settings.mark ? Buffer.from(String(settings.mark), "base64") : null } as never)
        .where(eq(business.id, this.scope.businessId));
      this.settings = true;
      return;
    }
    if (!this.format || !this.version)
      throw new Refused(
        422,
        "not-archive",
        "This file is no archive of Keel Round: it does not begin with its format.",
      );
    if (depth === 1 && key === "sha256") {
      this.sha256 = String(value);
      return;
    }
    if (stack[1]?.key === "photos") return this.photo(String(key), value);
    await this.row(tx, String(stack[2]?.key ?? ""), value);
  }

  /** A photo's file: it must be the one that its row speaks of. */
  private async photo(oldId: string, value: unknown): Promise<void> {
    const id = this.map(oldId);
    const bytes = Buffer.from(String(value), "base64");
    const asked = this.photos.get(id);
    if (asked === undefined || createHash("sha256").update(bytes).digest("hex") !== asked)
      throw new Refused(422, "broken", "A photo is not the one that its row speaks of. The archive was altered.");
    await photoStore().put(this.scope.businessId, id, bytes);
    this.written.push(id);
    this.photos.delete(id);
  }

  /** Files are outside of the transaction: what was written goes when it fails. */
  async dropPhotos(): Promise<void> {
    for (const id of this.written) await photoStore().remove(this.scope.businessId, id);
  }

  private async row(tx: Queries, name: string, value: unknown): Promise<void> {
    const table = ARCHIVED_NAMES.find((n) => n === name);
    if (!table) throw new Refused(422, "unknown-table", `An archive holds no “${name.slice(0, 40)}”.`);
    if (table !== this.table) {
      await this.flush(tx);
      if (table in this.counts) throw new Refused(422, "twice", `“${table}” stands in the archive twice.`);
      this.table = table;
      this.counts[table] = 0;
    }
    const number = (this.counts[table] ?? 0) + 1;
    this.counts[table] = number;
    const unsaid = UPCASTS[this.version]?.[table] ?? {};
    const said = underNamesOfToday(table, this.version, value as Readonly<Record<string, unknown>>);
    const whole = { ...(typeof unsaid === "function" ? unsaid(said) : unsaid), ...said };
    const row = fromArchive(table, checked(rowSchemas[table], whole, table, number));
    const mapped = mapIds(row, this.map) as Record<string, unknown>;
    if (table === "photo") this.photos.set(String(mapped.id), String(row.sha256));
    this.batch.push({ ...mapped, businessId: this.scope.businessId, ...this.own(table, row, mapped) });
    if (this.batch.length >= BATCH) await this.flush(tx);
  }

  /** What is derived here: codes under our own secret, the hash of a letter's link. */
  private own(table: ArchivedName, row: Record<string, unknown>, mapped: Record<string, unknown>): object {
    if (table === "letter") return { tokenHash: letterTokenHash(String(mapped.id)) };
    if (table !== "site" || typeof row.accessCodes !== "string") return {};
    if (!this.passphrase || !this.salt)
      throw new Refused(
        422,
        "passphrase",
        "This archive holds door codes under a passphrase. Type it to bring them in.",
      );
    return { accessCodes: encrypt(openUnder(row.accessCodes, this.passphrase, this.salt), String(mapped.id)) };
  }

  async flush(tx: Queries): Promise<void> {
    if (!this.table || this.batch.length === 0) return;
    const rows = this.batch;
    this.batch = [];
    try {
      await tx.insert(ARCHIVED[this.table] as MySqlTable).values(rows as never);
    } catch (error) {
      const errno = (error as { cause?: { errno?: number } }).cause?.errno;
      // 1452: a row that points at nothing; 1062: one that stands there twice.
      if (errno === 1452 || errno === 1062)
        throw new Refused(
          422,
          "broken",
          `A row of “${this.table}” ${errno === 1452 ? "points at something that is not in the archive" : "stands there twice"}. The archive was altered.`,
        );
      throw error;
    }
  }

  requireWhole(sha256: string): void {
    if (this.photos.size > 0)
      throw new Refused(422, "no-photo", `${this.photos.size} photos of this archive have no file in it.`);
    if (this.version >= 2 && this.sha256 !== sha256)
      throw new Refused(
        422,
        "altered",
        this.sha256 === null
          ? "This is no whole archive: it ends before its checksum. It may have been cut off."
          : "The archive was altered: its checksum does not fit.",
      );
    const missing = ARCHIVED_NAMES.filter((name) => !(name in this.counts));
    // A table without rows leaves no trace while streaming; a business without people or clients is none.
    if (!this.settings || missing.includes("person"))
      throw new Refused(
        422,
        "not-whole",
        "This is no whole archive: it ends before its people. It may have been cut off.",
      );
  }
}

function checked<T extends z.ZodType>(schema: T, value: unknown, name: string, number: number): z.infer<T> {
  const parsed = schema.safeParse(value);
  if (parsed.success) return parsed.data;
  const issue = parsed.error.issues[0];
  throw new Refused(
    422,
    "invalid",
    `Row ${number} of “${name}”, ${issue?.path.join(".") || "as a whole"}: ${issue?.message ?? "not right"}.`,
  );
}

/** Status and finds follow from what was brought in. */
async function settle(tx: Queries, businessId: string, today: string): Promise<void> {
  const tanks = await tx.select({ id: tank.id }).from(tank).where(eq(tank.businessId, businessId));
  for (let i = 0; i < tanks.length; i += STATUS_CHUNK)
    await refreshStatus(
      tx,
      businessId,
      tanks.slice(i, i + STATUS_CHUNK).map((t) => t.id),
      today,
    );
  await writeEntries(tx, businessId, { all: true });
}
