import { civilOf, instantOf } from "@keel-round/core/calendar";
import { FieldError } from "@keel-round/core/desk";
import { inSentence } from "@keel-round/core/text";
import {
  type DateOrder,
  isFormula,
  parameterNamed,
  readMoment,
  readNumber,
  unguardText,
  unitNamed,
} from "@keel-round/core/transfer";
import { figure, type Parameter, parameterFacts, parseReading } from "@keel-round/core/units";
import { and, eq, isNull, sql } from "drizzle-orm";
import type { Scope } from "../access/scope";
import { bulkInsert } from "../database/bulk";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { importFile, importReading, site, tank } from "../schema";
import { NameIndex } from "./names";
import { type ImportFile, type ImportRow, rowChunks, type Verdict, writeVerdicts } from "./rows";

type Staged = typeof importReading.$inferInsert;

const QUARTER_MS = 900_000;

/** Civil days of instants in a zone, each quarter of an hour asked once: no zone's midnight lies within one. */
function daysIn(zone: string): (ms: number) => string {
  const known = new Map<number, string>();
  return (ms) => {
    const quarter = Math.floor(ms / QUARTER_MS);
    const day = known.get(quarter) ?? civilOf(quarter * QUARTER_MS, zone).date;
    if (known.size >= MOST_QUARTERS) known.clear();
    known.set(quarter, day);
    return day;
  };
}

/** As many as a year has; more would let the memory grow with the file. */
const MOST_QUARTERS = 35_040;

interface Context {
  readonly file: ImportFile;
  /** Names that nobody knows, as they come up. */
  readonly strangers: Set<string>;
  /** Tanks of the firm. */
  readonly known: ReadonlySet<string>;
  readonly zone: string;
  /** The civil day of an instant in the business's zone. */
  readonly dayOf: (ms: number) => string;
  readonly tanks: NameIndex;
  readonly column: ReadonlyMap<string, number>;
  /** Columns of a wide table: one parameter each. */
  readonly wide: readonly { readonly column: number; readonly parameter: Parameter; readonly unit: string }[];
}

/** Checks every row of a file of readings, and stages what is right of it for one statement. */
export async function checkReadings(scope: Scope, file: ImportFile): Promise<void> {
  await db().delete(importReading).where(eq(importReading.importId, file.id));
  const tanks = await db()
    .select({ id: tank.id, name: tank.name, within: site.name })
    .from(tank)
    .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
    .where(and(eq(tank.businessId, scope.businessId), isNull(tank.archivedAt)));
  const strangers = new Set<string>();
  const context: Context = {
    file,
    strangers,
    known: new Set(tanks.map((t) => t.id)),
    zone: file.zone ?? scope.zone,
    dayOf: daysIn(scope.zone),
    tanks: new NameIndex(tanks, "tank"),
    column: new Map(file.meanings.flatMap((m, i) => (m.key ? [[m.key, i] as const] : []))),
    wide: file.meanings.flatMap((m, column) =>
      m.key?.startsWith("of:")
        ? [
            {
              column,
              parameter: m.key.slice(3) as Parameter,
              unit: m.unit ?? parameterFacts[m.key.slice(3) as Parameter].unit,
            },
          ]
        : [],
    ),
  };
  for await (const rows of rowChunks(file)) {
    const staged: Staged[] = [];
    const verdicts = rows.map((row) => checkRow(context, row, staged));
    await bulkInsert(
      "import_reading",
      STAGED_COLUMNS,
      staged.map((r) => [
        r.id,
        r.importId,
        r.rowNo,
        r.tankId,
        r.parameter,
        r.entered,
        r.unit,
        r.method,
        r.item ?? null,
        r.value,
        r.sigma,
        r.takenAt,
        r.onDate,
      ]),
    );
    await writeVerdicts(file.id, rows, verdicts);
  }
  await db()
    .update(importFile)
    .set({ strangers: [...strangers].slice(0, MOST_STRANGERS) })
    .where(eq(importFile.id, file.id));
  await markKnown(scope, file.id);
}

/** As many as a person says one by one who each of them is. */
const MOST_STRANGERS = 40;

const STAGED_COLUMNS =
  "id import_id row_no tank_id parameter entered unit method item value sigma taken_at on_date".split(" ");

/** Readings that are here already, or twice in the file, are left as they are: rows that hold nothing else are the same. */
async function markKnown(scope: Scope, importId: string): Promise<void> {
  const q = db();
  await q.execute(sql`
    update import_reading i
    join reading r on r.business_id = ${scope.businessId} and r.tank_id = i.tank_id and r.taken_at = i.taken_at
      and r.parameter = i.parameter and r.entered = i.entered and r.unit = i.unit and r.item <=> i.item
    set i.known = true where i.import_id = ${importId}`);
  await q.execute(sql`
    update import_reading i
    join (
      select tank_id, taken_at, parameter, entered, unit, item, min(row_no) as first_row
      from import_reading where import_id = ${importId}
      group by tank_id, taken_at, parameter, entered, unit, item having count(*) > 1
    ) twice on twice.tank_id = i.tank_id and twice.taken_at = i.taken_at and twice.parameter = i.parameter
      and twice.entered = i.entered and twice.unit = i.unit and twice.item <=> i.item
    set i.known = true where i.import_id = ${importId} and i.row_no > twice.first_row`);
  await q.execute(sql`
    update import_row r set state = 'same'
    where r.import_id = ${importId} and r.state = 'new'
      and not exists (select 1 from import_reading i where i.import_id = r.import_id and i.row_no = r.row_no and not i.known)`);
}

const cellOf = (context: Context, row: ImportRow, key: string): string | null => {
  const column = context.column.get(key);
  return column === undefined ? null : unguardText((row.cells[column] ?? "").trim());
};

function checkRow(context: Context, row: ImportRow, staged: Staged[]): Verdict {
  const { file } = context;
  const issues: Record<string, string> = {};
  const at = (key: string, work: () => void) => {
    try {
      work();
    } catch (error) {
      if (!(error instanceof FieldError)) throw error;
      issues[String(context.column.get(key) ?? "row")] = error.message;
    }
  };
  if (row.cells.length < file.headings.length)
    issues.row = `This row ends after ${row.cells.length} of ${file.headings.length} cells: the file may have been cut off here.`;
  let tankId = "";
  at("tank", () => {
    tankId = tankOf(context, row);
  });
  let takenAt = new Date(0);
  at("at", () => {
    takenAt = momentOf(context, row);
  });
  const method = cellOf(context, row, "method") || (file.sample?.method ?? "");
  const named = (cellOf(context, row, "item") ?? "").slice(0, 120);
  const mine: Staged[] = [];
  const add = (column: number, parameter: Parameter, text: string, unit: string) => {
    try {
      mine.push({
        id: newId(),
        importId: file.id,
        rowNo: row.rowNo,
        tankId,
        parameter,
        unit,
        method: method.slice(0, 40),
        item: itemOf(parameter, named),
        ...readingOf(context, parameter, text, unit, method),
        takenAt,
        onDate: context.dayOf(takenAt.getTime()),
      });
    } catch (error) {
      if (!(error instanceof FieldError)) throw error;
      issues[String(column)] = error.message;
    }
  };
  for (const { column, parameter, unit } of context.wide) {
    const text = (row.cells[column] ?? "").trim();
    if (text !== "" && !isDash(text)) add(column, parameter, text, unit);
  }
  if (context.column.has("parameter")) longReading(context, row, issues, add);
  if (mine.length === 0 && Object.keys(issues).length === 0) issues.row = "This row holds no reading.";
  const wrong = Object.keys(issues).length > 0;
  if (!wrong) staged.push(...mine);
  return {
    rowNo: row.rowNo,
    state: wrong ? "error" : "new",
    issues: wrong ? issues : null,
    values: null,
    targetId: null,
  };
}

/** Whose a figure is: a flow's filter where one is named, and never an hour meter of nothing. */
function itemOf(parameter: Parameter, named: string): string | null {
  if (parameter === "hours" && named === "") throw new FieldError("Say in the column “Of” whose hour meter it is.");
  return (parameter === "hours" || parameter === "flow") && named !== "" ? named : null;
}

/** Whose water a row is: by the name in it, by who that name was said to be, else the one tank of the whole file. */
function tankOf(context: Context, row: ImportRow): string {
  const { sample } = context.file;
  const name = cellOf(context, row, "tank");
  if (!name) {
    if (sample?.tankId && context.known.has(sample.tankId)) return sample.tankId;
    throw new FieldError("Enter the tank.");
  }
  const said = sample?.names[name];
  if (said && context.known.has(said)) return said;
  const found = context.tanks.find(name, cellOf(context, row, "site") ?? undefined);
  if (typeof found !== "string") return found.id;
  context.strangers.add(name);
  throw new FieldError(found);
}

const isDash = (text: string) => /^[-–—]+$|^n\/?a$/i.test(text);

/** The reading of a long table: parameter, value and unit each in a cell. */
function longReading(
  context: Context,
  row: ImportRow,
  issues: Record<string, string>,
  add: (column: number, parameter: Parameter, text: string, unit: string) => void,
): void {
  const named = cellOf(context, row, "parameter") ?? "";
  const parameter = parameterNamed(named);
  if (!parameter) {
    issues[String(context.column.get("parameter"))] = named
      ? `“${named}” is no parameter that is kept here.`
      : "Enter the parameter.";
    return;
  }
  const said = cellOf(context, row, "unit") ?? "";
  const units = parameterFacts[parameter].units.map((u) => u.unit);
  const unit = units.find((u) => u === said) ?? unitNamed(said) ?? (said === "" ? (units[0] ?? "") : said);
  if (!units.includes(unit)) {
    issues[String(context.column.get("unit"))] =
      `“${said}” is no unit of ${inSentence(parameterFacts[parameter].label)}: use ${units.join(", ")}.`;
    return;
  }
  add(context.column.get("value") ?? 0, parameter, cellOf(context, row, "value") ?? "", unit);
}

function momentOf(context: Context, row: ImportRow): Date {
  const text = cellOf(context, row, "at");
  if (!text) throw new FieldError("Enter the day.");
  const order: DateOrder | null = context.file.style.dateOrder;
  const day = readMoment(text, order);
  const clock = cellOf(context, row, "time");
  const minute = day.minute ?? (clock ? readMoment(`${day.date} ${clock}`, "ymd").minute : null) ?? NOON;
  if (day.offsetMinutes !== null)
    return new Date(Date.parse(`${day.date}T00:00:00Z`) + Math.round((minute - day.offsetMinutes) * 60_000));
  const whole = Math.floor(minute);
  return new Date(instantOf(day.date, whole, context.zone) + Math.round((minute - whole) * 60_000));
}

/** "<0.02" of a laboratory, "0–0.5" of a card. */
const IN_BETWEEN = /^<|\d\s*[-–—]\s*\d/;

/** A reading of a day without a time is taken to be from its middle. */
const NOON = 720;

function readingOf(
  context: Context,
  parameter: Parameter,
  text: string,
  unit: string,
  method: string,
): Pick<Staged, "entered" | "value" | "sigma"> {
  if (isFormula(text)) throw new FieldError("This cell holds a formula. Paste its value instead.");
  const { decimal } = context.file.style;
  if (IN_BETWEEN.test(text.trim())) {
    const between = parseReading({ parameter, text, unit, method, decimal });
    if (between.ok) return { entered: text.trim().slice(0, 20), value: between.value, sigma: between.sigma };
  }
  const number = readNumber(text, decimal);
  // As it stands in the file, zeros at its end too, unless it is written in another style than ours.
  const plain = text.trim();
  const entered =
    /^-?\d+(\.\d+)?$/.test(plain) && Number(plain) === number ? plain : number.toFixed(6).replace(/\.?0+$/, "");
  const parsed = parseReading({ parameter, text: entered, unit, method });
  if (parsed.ok) return { entered, value: parsed.value, sigma: parsed.sigma };
  const { problem } = parsed;
  const label = inSentence(parameterFacts[parameter].label);
  switch (problem.code) {
    case "other-unit":
      throw new FieldError(`${text} ${unit} is no ${label}; it looks like ${problem.unit}. Set the column's unit.`);
    case "implausible":
      throw new FieldError(
        `${text} ${unit} is no ${label}: figures lie between ${figure(problem.low, 1)} and ${figure(problem.high, 1)} ${problem.unit}.`,
      );
    case "unknown-unit":
      throw new FieldError(`“${unit}” is no unit of ${label}.`);
    case "not-a-number":
      throw new FieldError(`“${text}” is not a number.`);
  }
}
