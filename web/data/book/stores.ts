import { type Entity, factsWith, recordKinds, TANK_COLUMNS, type Values, valuesOfFacts } from "@keel-round/core/book";
import { type TankFacts, tankMisfits } from "@keel-round/core/tank";
import { TankFactsSchema } from "@keel-round/core/tank/schema";
import type { UnitPreference } from "@keel-round/core/units";
import { misfitSentence } from "@keel-round/core/words";
import type { MySqlTable } from "drizzle-orm/mysql-core";
import { animal, client, equipment, site, tank } from "../schema";

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

const tankStore: Store = {
  table: tank as unknown as BookTable,
  valuesOf: (row) => ({
    ...Object.fromEntries(TANK_COLUMNS.map((key) => [key, row[key] as never])),
    ...valuesOfFacts(row.facts as object),
  }),
  columnsOf: (values, row) => ({
    ...Object.fromEntries(Object.entries(values).filter(([key]) => TANK_COLUMNS.includes(key))),
    facts: factsWith((row?.facts ?? { notes: [] }) as object, values),
  }),
  misfits: ({ facts }, units) => {
    const parsed = TankFactsSchema.safeParse(facts);
    if (parsed.success)
      return Object.fromEntries(tankMisfits(parsed.data as TankFacts).map((m) => [m.field, misfitSentence(m, units)]));
    return Object.fromEntries(
      parsed.error.issues.map((issue) => [
        issue.path.join("."),
        issue.message.startsWith("Invalid input") ? "This is needed, as a number above nothing." : issue.message,
      ]),
    );
  },
};

/** Where each kind of record lies. */
export const stores: Readonly<Record<Entity, Store>> = {
  client: plain("client", client),
  site: plain("site", site),
  tank: tankStore,
  animal: plain("animal", animal),
  equipment: plain("equipment", equipment),
};
