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
  personAway: t.personAway,
  site: t.site,
  source: t.source,
  saltBatch: t.saltBatch,
  quay: t.quay,
  seaLot: t.seaLot,
  product: t.product,
  kit: t.kit,
  remedy: t.remedy,
  storeItem: t.storeItem,
  storeOrder: t.storeOrder,
  barrel: t.barrel,
  tankKind: t.tankKind,
  firmJob: t.firmJob,
  purifierJob: t.purifierJob,
  tank: t.tank,
  animal: t.animal,
  animalEvent: t.animalEvent,
  equipment: t.equipment,
  doser: t.doser,
  photo: t.photo,
  accessLook: t.accessLook,
  audit: t.audit,
  task: t.task,
  deskChange: t.deskChange,
  series: t.series,
  seriesTank: t.seriesTank,
  stop: t.stop,
  visit: t.visit,
  operation: t.operation,
  storeMove: t.storeMove,
  reading: t.reading,
  readingCorrection: t.readingCorrection,
  waterChange: t.waterChange,
  dose: t.dose,
  finding: t.finding,
  stepLog: t.stepLog,
  levelLog: t.levelLog,
  tankEvent: t.tankEvent,
  letter: t.letter,
  notice: t.notice,
  ownerDay: t.ownerDay,
  dayRequest: t.dayRequest,
  proposal: t.proposal,
  road: t.road,
} as const satisfies Record<string, MySqlTable>;

export type ArchivedName = keyof typeof ARCHIVED;
export const ARCHIVED_NAMES = Object.keys(ARCHIVED) as ArchivedName[];

/** Columns that stay behind: whose business it is, who signs in, an import's mark, and what is derived from a secret. */
const LEFT_BEHIND: Readonly<Record<string, readonly string[]>> = {
  person: ["userId"],
  reading: ["importId"],
  letter: ["tokenHash", "tokenHashBefore"],
};

/** The columns of a table that an archive holds, in their order. */
function archivedColumns(name: ArchivedName) {
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
  /** Nor had any before version 8 these two. */
  holidays: z.array(z.strictObject({ on: z.iso.date(), name: z.string() })).default([]),
  map: z.string().nullable().default(null),
  weights: z.json().default(null),
  /** Nor any before version 9 a voice in its letters. */
  voice: z.json().default(null),
  phrases: z.json().default([]),
  letterWay: z.enum(["by-hand", "by-itself"]).default("by-hand"),
  letterHour: z.number().int().min(0).max(23).nullable().default(null),
  /** Nor any before version 10 a mark. */
  mark: z.base64().nullable().default(null),
  /** Nor any before version 11 these two. */
  asksSecondFactor: z.boolean().default(false),
  retention: z.json().default(null),
});

export const ARCHIVE_FORMAT = "keel-round-archive";
/**
 * 2: photos with their files, kinds of tank, waters over time, several contacts, and a checksum at the end. 3: changes
 * planned by hand. 4: the firm's own jobs, and what a tank's job has of its own. 5: series as people say them, and
 * visits that are moved, skipped or beside a series. 6: a tank's ways of working are called so. 7: so are tank owners. 8: sea water, a
 * site's own dates, the litres of a van, messages about visits that were moved, and roads. 9: products, dosing pumps, doses, kits, what a reading was made
 * with, and what stood there before it was corrected; what goes to and fro with owners, and letters that were worded anew. 10: reports
 * among the letters, the firm's mark, how a client is written to, what was done about a loss, and who agreed that a picture is shown,
 * troubles that are looked at again, remedies, and the stores. 11: who came in and took data out, how long that is kept, and whose
 * name was erased.
 */
export const ARCHIVE_VERSION = 11;

/** That somebody's name can be erased came with version 11. */
const UNERASED = { person: { erasedAt: null } };

/** Reports, remedies, how a client is written to, and whether a picture may be shown came with version 10. */
const UNREPORTED = {
  ...UNERASED,
  letter: { fromOn: null, untilOn: null, returnedAt: null, report: null },
  client: { letterWay: "as-firm", locale: "en-GB" },
  animalEvent: { remedy: "" },
  photo: { useAgreedBy: null, useAgreedOn: null },
  finding: { trouble: null, giveDays: null },
};

/** What a reading was made with came with version 9. */
const UNKITTED = { item: null, kitId: null, kitOffset: null, kitOffsetSigma: null };

/** So did letters that were worded anew, and who told a finding. */
const UNWORDED = {
  ...UNREPORTED,
  letter: {
    ...UNREPORTED.letter,
    ...{ content: null, original: null, editedBy: null, editedAt: null, setAt: null },
  },
  finding: { ...UNREPORTED.finding, minutes: null, toldBy: null },
  client: { ...UNREPORTED.client, opensNoted: false },
};

/** A site's own dates, and what a van takes beside its weight, came with version 8. */
const UNLOCKED = { locked: false };
const UNDATED = {
  stop: UNLOCKED,
  site: { dates: [], busy: [], holidays: null },
  person: { ...UNERASED.person, vanL: null, vanBarrels: null },
};

/** Days of work and what somebody does came with version 7. */
const UNSCHEDULED = { workdays: null, knows: null, ...UNDATED.person };

const PLAIN = {
  ...UNWORDED,
  site: UNDATED.site,
  /** Who entered a reading outside of a visit was not kept before version 6. */
  reading: { personId: null, ...UNKITTED },
  /** Counts of a visit came with version 7. */
  animalEvent: { ...UNREPORTED.animalEvent, countBefore: null, visitId: null },
  /** So did pictures of a visit. */
  photo: { ...UNREPORTED.photo, visitId: null, spot: "tank", spotId: "" },
  person: { leftAt: null, ...UNSCHEDULED },
  task: { earlyDays: null },
  series: { fromOn: null, untilOn: null, spells: null },
  stop: (row: Row) => ({
    moved: row.onDate !== row.originalOn,
    off: null,
    offWhy: null,
    ...UNLOCKED,
  }),
  visit: { tasksBefore: null },
};
const UNPROGRAMMED = {
  ...PLAIN,
  task: { ...PLAIN.task, cadence: null, performer: null, minutes: null, pin: null, plannedOn: null },
  person: { ...PLAIN.person, vanKit: [], pace: 1 },
};
const UNPLANNED = { ...UNPROGRAMMED, visit: { ...PLAIN.visit, chosen: null } };

type Row = Readonly<Record<string, unknown>>;
type Upcast = object | ((row: Row) => object);

/** What rows of earlier versions did not say yet, by version. */
export const UPCASTS: Readonly<Record<number, Partial<Record<ArchivedName, Upcast>>>> = {
  1: {
    ...UNPLANNED,
    client: { contacts: [], ...UNWORDED.client },
    equipment: { meterHours: null, meterOn: null },
    source: { siteId: null, version: 1, archivedAt: null },
  },
  2: UNPLANNED,
  3: UNPROGRAMMED,
  4: PLAIN,
  5: {
    ...UNWORDED,
    stop: UNLOCKED,
    ...{ site: UNDATED.site, reading: PLAIN.reading, animalEvent: PLAIN.animalEvent },
    ...{ photo: PLAIN.photo, person: UNSCHEDULED },
  },
  6: {
    ...UNWORDED,
    stop: UNLOCKED,
    ...{ site: UNDATED.site, animalEvent: PLAIN.animalEvent, photo: PLAIN.photo, person: UNSCHEDULED },
    reading: UNKITTED,
  },
  7: { ...UNWORDED, ...UNDATED, reading: UNKITTED },
  8: { ...UNWORDED, reading: UNKITTED },
  9: UNREPORTED,
  10: UNERASED,
};

const PRACTICE_VERSION = 6;
const TANK_OWNER_VERSION = 7;

/** A row under the names of today: before version 7 a tank owner was an owner, before 6 a tank's ways of working were its schools. */
export function underNamesOfToday(name: ArchivedName, version: number, row: Row): Row {
  if (version < TANK_OWNER_VERSION && name === "person" && row.role === "owner") return { ...row, role: "tankOwner" };
  if (version >= PRACTICE_VERSION) return row;
  if (name === "deskChange") return { ...row, field: String(row.field).replace(/^schools\./, "practice.") };
  const facts = row.facts as Row | undefined;
  if ((name !== "tank" && name !== "tankKind") || !facts || !("schools" in facts)) return row;
  const { schools, ...others } = facts;
  return { ...row, facts: { ...others, practice: schools } };
}

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
