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
} from "@keel-round/core/desk";
import type { SourceFacts } from "@keel-round/core/given";
import { SourceFactsSchema } from "@keel-round/core/given/schema";
import { type Dosed, reagentsFor } from "@keel-round/core/mixing";
import { FirmJobSchema } from "@keel-round/core/programme/schema";
import type { BusyHours, OpenDate } from "@keel-round/core/series";
import { type KeptFacts, tankMisfits } from "@keel-round/core/tank";
import { KeptFactsSchema, KindFactsSchema } from "@keel-round/core/tank/schema";
import { readStation } from "@keel-round/core/tide/schema";
import { type Parameter, parameterFacts, type UnitPreference } from "@keel-round/core/units";
import { misfitSentence } from "@keel-round/core/words";
import type { MySqlTable } from "drizzle-orm/mysql-core";
import type { z } from "zod";
import {
  animal,
  barrel,
  type Comparison,
  client,
  doser,
  equipment,
  firmJob,
  kit,
  product,
  quay,
  remedy,
  seaLot,
  site,
  source,
  storeItem,
  tank,
  tankKind,
} from "../schema";

/** What every table of the desk has; queries that serve all of them are written against this one. */
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
          issue.message.startsWith("Invalid input") ? "Enter a number above 0." : issue.message,
        ]),
      );
    },
  };
}

const tankStore = document(tank, TANK_COLUMNS, KeptFactsSchema, {
  read: valuesOfFacts,
  write: factsWith,
  empty: { notes: [] },
  misfits: (facts, units) =>
    Object.fromEntries(tankMisfits(facts as KeptFacts).map((m) => [m.field, misfitSentence(m, units)])),
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

const NOTHING_WRONG: Readonly<Record<string, string>> = {};

/** What is wrong with a line of other hours; null where nothing is. */
function wrongHours({ fromOn, untilOn, opensH, closesH }: OpenDate): string | null {
  if (untilOn !== null && untilOn < fromOn) return "Enter a last day that is not before the first.";
  if ((opensH === null) !== (closesH === null)) return "Enter both hours, or neither where it is closed.";
  return opensH !== null && closesH !== null && closesH <= opensH
    ? "Enter a closing hour after the opening one."
    : null;
}

type Columns = Readonly<Record<string, unknown>>;

/** A powder is weighed by what it is made of, which has to give what it is to raise; a liquid has its strength. */
function wrongProduct({ reagent, strengthLPerMl, raises }: Columns): Readonly<Record<string, string>> {
  const gives = reagentsFor(raises as Dosed).some((name) => name === reagent);
  if (strengthLPerMl === null && !reagent)
    return { reagent: "Choose the powder it is, or enter the strength of a liquid." };
  if (reagent && !gives) return { reagent: "Choose a powder that gives some of what it is to raise." };
  return NOTHING_WRONG;
}

/** What a pump gave is held against what its scale said. */
const wrongDoser = ({ measuredMl, scaleMl }: Columns): Readonly<Record<string, string>> =>
  (measuredMl === null) === (scaleMl === null)
    ? NOTHING_WRONG
    : { [measuredMl === null ? "measuredMl" : "scaleMl"]: "Enter both figures, or neither." };

/** A product has a dose, a method none; a strength is told with that of the bottle. */
function wrongRemedy({ group, per100L, labelPercent, bottlePercent }: Columns): Readonly<Record<string, string>> {
  if (group !== "method" && per100L === null) return { per100L: "Enter the dose, or choose a method as its kind." };
  if ((labelPercent === null) !== (bottlePercent === null))
    return { [labelPercent === null ? "labelPercent" : "bottlePercent"]: "Enter both strengths, or neither." };
  return NOTHING_WRONG;
}

/** A method is one of its parameter's own, and every comparison is of that parameter. */
function wrongKit({ parameter, method, comparisons }: Columns): Readonly<Record<string, string>> {
  const { methods, label } = parameterFacts[parameter as Parameter];
  const first = methods.map((m) => m.method);
  if (!first.some((m) => m === method)) return { method: `Choose a method for ${label}: ${first.join(", ")}.` };
  const other = (comparisons as readonly Comparison[] | undefined)?.findIndex((c) => c.parameter !== parameter) ?? -1;
  return other >= 0 ? { comparisons: `Line ${other + 1}: choose ${label}, which this kit measures.` } : NOTHING_WRONG;
}

/** Where each kind of record lies. */
export const stores: Readonly<Record<Entity, Store>> = {
  client: plain("client", client),
  site: {
    ...plain("site", site),
    misfits: ({ dates, busy }) => {
      const problem = (dates as readonly OpenDate[] | undefined)?.map(wrongHours).find((p) => p !== null);
      if (problem) return { dates: problem };
      const empty = (busy as readonly BusyHours[] | undefined)?.some((b) => b.toH <= b.fromH);
      return empty ? { busy: "Enter an hour to that is after the hour from." } : NOTHING_WRONG;
    },
  },
  tank: tankStore,
  animal: plain("animal", animal),
  equipment: plain("equipment", equipment),
  source: sourceStore,
  kind: kindStore,
  barrel: plain("barrel", barrel),
  quay: {
    ...plain("quay", quay),
    misfits: ({ station }) => {
      const { problem } = readStation(String(station ?? ""));
      return problem === null ? NOTHING_WRONG : { station: problem };
    },
  },
  seaLot: plain("seaLot", seaLot),
  product: { ...plain("product", product), misfits: wrongProduct },
  doser: { ...plain("doser", doser), misfits: wrongDoser },
  kit: { ...plain("kit", kit), misfits: wrongKit },
  item: plain("item", storeItem),
  remedy: { ...plain("remedy", remedy), misfits: wrongRemedy },
  job: jobStore,
};
