import { getTableColumns } from "drizzle-orm";
import type { MySqlTable } from "drizzle-orm/mysql-core";
import { z } from "zod";
import * as t from "../schema";

/**
 * What an archive of a business holds, in an order in which nothing points at what comes later.
 *
 * Left out is what follows from the rest (status, finds), what is at work (jobs, imports) and who may sign in.
 */
export const ARCHIVED = {
  client: t.client,
  person: t.person,
  site: t.site,
  source: t.source,
  saltBatch: t.saltBatch,
  barrel: t.barrel,
  tankKind: t.tankKind,
  firmJob: t.firmJob,
  purifierJob: t.purifierJob,
  tank: t.tank,
  animal: t.animal,
  animalEvent: t.animalEvent,
  equipment: t.equipment,
  photo: t.photo,
  accessLook: t.accessLook,
  task: t.task,
  deskChange: t.deskChange,
  series: t.series,
  seriesTank: t.seriesTank,
  stop: t.stop,
  visit: t.visit,
  operation: t.operation,
  reading: t.reading,
  waterChange: t.waterChange,
  finding: t.finding,
  stepLog: t.stepLog,
  levelLog: t.levelLog,
  tankEvent: t.tankEvent,
  letter: t.letter,
} as const satisfies Record<string, MySqlTable>;

export type ArchivedName = keyof typeof ARCHIVED;
export const ARCHIVED_NAMES = Object.keys(ARCHIVED) as ArchivedName[];

/** Columns that stay behind: whose business it is, who signs in, an import's mark, and what is derived from a secret. */
const LEFT_BEHIND: Readonly<Record<string, readonly string[]>> = {
  person: ["userId"],
  reading: ["importId"],
  letter: ["tokenHash"],
};

/** The columns of a table that an archive holds, in their order. */
export function archivedColumns(name: ArchivedName) {
  const columns = Object.entries(getTableColumns(ARCHIVED[name] as MySqlTable));
  return columns.filter(([key]) => key !== "businessId" && !LEFT_BEHIND[name]?.includes(key));
}

type Column = ReturnType<typeof archivedColumns>[number][1];

const isInstant = (column: Column) => column.getSQLType().startsWith("datetime");
const isBytes = (column: Column) => column.getSQLType() === "mediumblob";

/** What a column's value is in JSON. */
function columnSchema(column: Column): z.ZodType {
  const sql = column.getSQLType();
  const base = (): z.ZodType => {
    if (sql === "uuid") return z.uuid();
    if (isInstant(column)) return z.iso.datetime();
    if (sql === "date") return z.iso.date();
    if (isBytes(column)) return z.base64();
    if (sql.startsWith("json")) return z.json();
    if (sql === "boolean") return z.boolean();
    if (sql === "int") return z.number().int();
    if (sql === "double") return z.number();
    if (column.enumValues && column.enumValues.length > 0) return z.enum(column.enumValues as [string, ...string[]]);
    return z.string();
  };
  return column.notNull ? base() : base().nullable();
}

/** The schema of a table's rows in an archive. */
export const rowSchemas = Object.fromEntries(
  ARCHIVED_NAMES.map((name) => [
    name,
    z.strictObject(Object.fromEntries(archivedColumns(name).map(([key, column]) => [key, columnSchema(column)]))),
  ]),
) as Record<ArchivedName, z.ZodObject>;

/** What the business sets for itself. */
export const BusinessSchema = z.strictObject({
  name: z.string(),
  zone: z.string(),
  phone: z.string(),
  mailFrom: z.string(),
  lat: z.number(),
  lon: z.number(),
  roadFactor: z.number(),
  speedKmH: z.number(),
  limits: z.json(),
  laidOutTo: z.iso.date().nullable(),
  /** Earlier versions had no rule of their own. */
  letterDays: z.number().int().min(1).max(3650).default(365),
});

export const ARCHIVE_FORMAT = "keel-round-archive";
/**
 * 2: photos with their files, kinds of tank, waters over time, several contacts, and a checksum at the end. 3: changes
 * planned by hand. 4: the firm's own jobs, and what a tank's job has of its own. 5: series as people say them, and
 * visits that are moved, skipped or beside a series.
 */
export const ARCHIVE_VERSION = 5;

const PLAIN = {
  person: { leftAt: null },
  task: { earlyDays: null },
  series: { fromOn: null, untilOn: null, spells: null },
  stop: (row: Readonly<Record<string, unknown>>) => ({
    moved: row.onDate !== row.originalOn,
    off: null,
    offWhy: null,
  }),
  visit: { tasksBefore: null },
};
const UNPROGRAMMED = {
  ...PLAIN,
  task: { ...PLAIN.task, cadence: null, performer: null, minutes: null, pin: null, plannedOn: null },
  person: { ...PLAIN.person, vanKit: [], pace: 1 },
};
const UNPLANNED = { ...UNPROGRAMMED, visit: { ...PLAIN.visit, chosen: null } };

type Upcast = object | ((row: Readonly<Record<string, unknown>>) => object);

/** What rows of earlier versions did not say yet, by version. */
export const UPCASTS: Readonly<Record<number, Partial<Record<ArchivedName, Upcast>>>> = {
  1: {
    client: { contacts: [] },
    equipment: { meterHours: null, meterOn: null },
    source: { siteId: null, version: 1, archivedAt: null },
    ...UNPLANNED,
  },
  2: UNPLANNED,
  3: UNPROGRAMMED,
  4: PLAIN,
};

/** An archive as a whole. Never parsed at once: its rows are, one by one. */
export const ArchiveSchema = z.strictObject({
  format: z.literal(ARCHIVE_FORMAT),
  version: z.literal(ARCHIVE_VERSION),
  madeAt: z.iso.datetime(),
  /** Salt of the passphrase that the access codes are sealed under; null if they stayed behind. */
  codesSalt: z.base64().nullable(),
  business: BusinessSchema,
  tables: z.strictObject(Object.fromEntries(ARCHIVED_NAMES.map((name) => [name, z.array(rowSchemas[name])]))),
  /** The files of the photos, JPEG, by the id of their row. */
  photos: z.record(z.uuid(), z.base64()),
  /** Of every byte before the comma's line of this key: the file is whole and unaltered. */
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
});

/** Bytes of the last line, which holds the checksum of those before it. */
export const tailOf = (sha256: string) => `"sha256":"${sha256}"}\n`;
export const TAIL_BYTES = tailOf("0".repeat(64)).length;

/** A row of the database as it stands in an archive. */
export function toArchive(name: ArchivedName, row: Record<string, unknown>): Record<string, unknown> {
  return Object.fromEntries(
    archivedColumns(name).map(([key, column]) => {
      const value = row[key];
      if (value instanceof Date) return [key, value.toISOString()];
      return [key, isBytes(column) && Buffer.isBuffer(value) ? value.toString("base64") : (value ?? null)];
    }),
  );
}

/** A row of an archive as the database takes it. */
export function fromArchive(name: ArchivedName, row: Record<string, unknown>): Record<string, unknown> {
  return Object.fromEntries(
    archivedColumns(name).map(([key, column]) => {
      const value = row[key];
      if (typeof value !== "string") return [key, value];
      return [key, isInstant(column) ? new Date(value) : isBytes(column) ? Buffer.from(value, "base64") : value];
    }),
  );
}
