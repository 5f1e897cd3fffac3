import {
  type Entity,
  factsWith,
  JOB_COLUMNS,
  jobWith,
  KIND_COLUMNS,
  kindWith,
  recordKinds,
  SOURCE_COLUMNS,
  sourceWith,
  TANK_COLUMNS,
  type Values,
  valuesOfFacts,
  valuesOfJob,
  valuesOfKind,
  valuesOfSource,
} from "@keel-round/core/book";
import type { SourceFacts } from "@keel-round/core/given";
import { SourceFactsSchema } from "@keel-round/core/given/schema";
import { FirmJobSchema } from "@keel-round/core/programme/schema";
import { type TankFacts, tankMisfits } from "@keel-round/core/tank";
import { KindFactsSchema, TankFactsSchema } from "@keel-round/core/tank/schema";
import type { UnitPreference } from "@keel-round/core/units";
import { misfitSentence } from "@keel-round/core/words";
import type { MySqlTable } from "drizzle-orm/mysql-core";
import type { z } from "zod";
import { animal, barrel, client, equipment, firmJob, site, source, tank, tankKind } from "../schema";

/** What every table of the book has; queries that serve all of them are written against this one. */
export type BookTable = typeof client;
export type BookRow = Record<string, unknown> & {
  readonly id: string;
  readonly businessId: string;
  readonly name: string;
  readonly version: number;
  readonly archivedAt: Date | null;
};

/** How a kind of record lies in the database. */
export interface Store {
  readonly table: BookTable;
  /** The fields' values of a row. */
  readonly valuesOf: (row: BookRow) => Values;
  /** The columns to write for some values; `row` is what they change, null for a new one. */
  readonly columnsOf: (values: Values, row: BookRow | null) => Record<string, unknown>;
  /** What does not fit together once the columns are written, by field. */
  readonly misfits: (columns: Record<string, unknown>, units: UnitPreference) => Readonly<Record<string, string>>;
}

/** A record whose fields are its columns. */
function plain(entity: Entity, table: MySqlTable): Store {
  const keys = recordKinds[entity].fields.map((f) => f.key);
  return {
    table: table as unknown as BookTable,
    valuesOf: (row) => Object.fromEntries(keys.map((key) => [key, (row[key] ?? null) as never])),
    columnsOf: (values) =>
      Object.fromEntries(
        Object.entries(values).map(([key, value]) => [key, value === "" && isNullable(entity, key) ? null : value]),
      ),
    misfits: () => ({}),
  };
}

/** A field that may be empty and is not a text holds null, not an empty text. */
function isNullable(entity: Entity, key: string): boolean {
  const field = recordKinds[entity].fields.find((f) => f.key === key);
  return field !== undefined && !field.required && field.type.kind !== "text" && field.type.kind !== "email";
}

/** A record that keeps most of what is known as one document beside a few columns. */
function document<Facts>(
  table: MySqlTable,
  columns: readonly string[],
  schema: z.ZodType<Facts>,
  form: {
    readonly read: (facts: never) => Values;
    readonly write: (facts: object, values: Values) => object;
    readonly empty: object;
    readonly misfits?: (facts: Facts, units: UnitPreference) => Readonly<Record<string, string>>;
  },
): Store {
  return {
    table: table as unknown as BookTable,
    valuesOf: (row) => ({
      ...Object.fromEntries(columns.map((key) => [key, row[key] as never])),
      ...form.read(row.facts as never),
    }),
    columnsOf: (values, row) => ({
      ...Object.fromEntries(Object.entries(values).filter(([key]) => columns.includes(key))),
      facts: form.write((row?.facts ?? form.empty) as object, values),
    }),
    misfits: ({ facts }, units) => {
      const parsed = schema.safeParse(facts);
      if (parsed.success) return form.misfits?.(parsed.data, units) ?? {};
      return Object.fromEntries(
        parsed.error.issues.map((issue) => [
          issue.path.join("."),
          issue.message.startsWith("Invalid input") ? "This is needed, as a number above nothing." : issue.message,
        ]),
      );
    },
  };
}

const tankStore = document(tank, TANK_COLUMNS, TankFactsSchema, {
  read: valuesOfFacts,
  write: factsWith,
  empty: { notes: [] },
  misfits: (facts, units) =>
    Object.fromEntries(tankMisfits(facts as TankFacts).map((m) => [m.field, misfitSentence(m, units)])),
});

const sourceStore = document(source, SOURCE_COLUMNS, SourceFactsSchema, {
  read: (facts: SourceFacts) => valuesOfSource(facts),
  write: sourceWith,
  empty: { chemistry: {} },
});

const kindStore = document(tankKind, KIND_COLUMNS, KindFactsSchema, {
  read: valuesOfKind,
  write: kindWith,
  empty: {},
});

const jobStore = document(firmJob, JOB_COLUMNS, FirmJobSchema, {
  read: valuesOfJob,
  write: jobWith,
  empty: {},
});

/** Where each kind of record lies. */
export const stores: Readonly<Record<Entity, Store>> = {
  client: plain("client", client),
  site: plain("site", site),
  tank: tankStore,
  animal: plain("animal", animal),
  equipment: plain("equipment", equipment),
  source: sourceStore,
  kind: kindStore,
  barrel: plain("barrel", barrel),
  job: jobStore,
};
