import type { FieldIssues, Values } from "@keel-round/core/desk";
import type { CellStyle, ColumnMeaning, FileKind } from "@keel-round/core/transfer";
import {
  boolean,
  double,
  foreignKey,
  index,
  int,
  json,
  mysqlEnum,
  mysqlTable,
  primaryKey,
  text,
  varchar,
} from "drizzle-orm/mysql-core";
import { civilDate, instant, uuid } from "./columns";
import { person } from "./desk";

/** What a file of readings does not say: whose water it is where no column does, how it was measured, who its names are. */
export interface SampleFacts {
  readonly tankId: string | null;
  readonly method: string | null;
  /** The tank that a name of the file stands for, by the name as it is written there. */
  readonly names: Readonly<Record<string, string>>;
}

/** A file that is being brought in: staged, checked, then published as a whole or not at all. */
export const importFile = mysqlTable(
  "import_file",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    personId: uuid("person_id").notNull(),
    kind: varchar("kind", { length: 24 }).$type<FileKind>().notNull(),
    fileName: varchar("file_name", { length: 190 }).notNull(),
    encoding: varchar("encoding", { length: 40 }).notNull(),
    delimiter: varchar("delimiter", { length: 4 }).notNull(),
    headings: json("headings").$type<readonly string[]>().notNull(),
    meanings: json("meanings").$type<readonly ColumnMeaning[]>().notNull(),
    style: json("style").$type<CellStyle>().notNull(),
    /** Zone of local times that say none; null until it is asked. */
    zone: varchar("zone", { length: 60 }),
    /** Of readings: what the file itself does not say. */
    sample: json("sample").$type<SampleFacts | null>(),
    /** Names of tanks in it that nobody knows here. */
    strangers: json("strangers").$type<readonly string[] | null>(),
    state: mysqlEnum("state", [
      "staged",
      "checking",
      "checked",
      "applying",
      "done",
      "cancelled",
      "failed",
      "undone",
    ]).notNull(),
    rowsTotal: int("rows_total").notNull(),
    rowsDone: int("rows_done").notNull().default(0),
    counts: json("counts").$type<ImportCounts>().notNull(),
    /** Rows with errors stay out, on the person's word. */
    leaveOutErrors: boolean("leave_out_errors").notNull().default(false),
    cancelAsked: boolean("cancel_asked").notNull().default(false),
    error: text("error"),
    at: instant("at").notNull(),
    doneAt: instant("done_at"),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("import_file_time_ix").on(t.businessId, t.at),
    foreignKey({
      name: "import_file_person_fk",
      columns: [t.businessId, t.personId],
      foreignColumns: [person.businessId, person.id],
    }),
  ],
);

/** An archive that was brought in: until somebody works on what it brought, it can be taken back. */
export const archiveImport = mysqlTable(
  "archive_import",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    personId: uuid("person_id").notNull(),
    at: instant("at").notNull(),
    /** What the business had set for itself before. */
    settingsBefore: json("settings_before").$type<unknown>().notNull(),
    counts: json("counts").$type<Readonly<Record<string, number>>>().notNull(),
    undoneAt: instant("undone_at"),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("archive_import_time_ix").on(t.businessId, t.at),
    foreignKey({
      name: "archive_import_person_fk",
      columns: [t.businessId, t.personId],
      foreignColumns: [person.businessId, person.id],
    }),
  ],
);

/** How many rows of a file are what. */
export interface ImportCounts {
  readonly new: number;
  readonly change: number;
  readonly same: number;
  readonly error: number;
}

/** A row of a file as it stood there, and what became of it. */
export const importRow = mysqlTable(
  "import_row",
  {
    importId: uuid("import_id").notNull(),
    rowNo: int("row_no").notNull(),
    cells: json("cells").$type<readonly string[]>().notNull(),
    state: mysqlEnum("state", ["raw", "new", "change", "same", "error"]).notNull().default("raw"),
    /** What is wrong, by the number of the column; "row" for the row as a whole. */
    issues: json("issues").$type<FieldIssues | null>(),
    /** Of a record: its values, and the one it changes. */
    values: json("values").$type<Values | null>(),
    targetId: uuid("target_id"),
  },
  (t) => [
    primaryKey({ columns: [t.importId, t.rowNo] }),
    index("import_row_state_ix").on(t.importId, t.state, t.rowNo),
  ],
);

/** A reading of a file, ready to be published by one statement. */
export const importReading = mysqlTable(
  "import_reading",
  {
    id: uuid("id").notNull(),
    importId: uuid("import_id").notNull(),
    rowNo: int("row_no").notNull(),
    tankId: uuid("tank_id").notNull(),
    parameter: varchar("parameter", { length: 24 }).notNull(),
    entered: varchar("entered", { length: 20 }).notNull(),
    unit: varchar("unit", { length: 20 }).notNull(),
    method: varchar("method", { length: 40 }).notNull(),
    /** Whose it is, of a flow or of an hour meter. */
    item: varchar("item", { length: 120 }),
    value: double("value").notNull(),
    sigma: double("sigma").notNull(),
    takenAt: instant("taken_at").notNull(),
    onDate: civilDate("on_date").notNull(),
    known: boolean("known").notNull().default(false),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("import_reading_same_ix").on(t.importId, t.tankId, t.takenAt, t.parameter),
    index("import_reading_row_ix").on(t.importId, t.rowNo),
  ],
);
