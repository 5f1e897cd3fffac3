import {
  type Entity,
  emptyValue,
  type Field,
  FieldError,
  type FieldIssues,
  type FieldValue,
  factsWith,
  missingSentence,
  recordKinds,
  sameValue,
  usualValues,
  type Values,
  valuesOfFacts,
} from "@keel-round/core/desk";
import { recordSchema } from "@keel-round/core/desk/schema";
import { plainText } from "@keel-round/core/find";
import type { SourceFacts } from "@keel-round/core/given";
import { OutOfRangeError } from "@keel-round/core/issues";
import { quickStart, type TankKind } from "@keel-round/core/tank";
import { andList, inSentence } from "@keel-round/core/text";
import { readCell } from "@keel-round/core/transfer";
import { type VesselShape, vesselOf, vesselShapes } from "@keel-round/core/vessel";
import { and, eq, isNull } from "drizzle-orm";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { wrongWaterSentence } from "../desk/rightWater";
import { type BookRow, stores } from "../desk/stores";
import { client, site, source, tank } from "../schema";
import { NameIndex } from "./names";
import { type ImportFile, type ImportRow, rowChunks, type Verdict, writeVerdicts } from "./rows";

interface Context {
  readonly scope: Scope;
  readonly entity: Entity;
  readonly file: ImportFile;
  readonly fields: ReadonlyMap<string, Field>;
  readonly links: ReadonlyMap<string, NameIndex>;
  readonly waters: ReadonlyMap<string, { readonly name: string; readonly facts: Pick<SourceFacts, "kind"> }>;
  readonly byId: ReadonlyMap<string, BookRow>;
  /** Records by what makes them the same in a file and here. */
  readonly byKey: ReadonlyMap<string, BookRow>;
  /** Keys of earlier rows of the file. */
  readonly seen: Map<string, number>;
}

/** The link that a record's name is unique within. */
const WITHIN: Readonly<Partial<Record<Entity, string>>> = {
  tank: "siteId",
  animal: "tankId",
  equipment: "tankId",
};

const keyOf = (entity: Entity, values: Values) => {
  const within = WITHIN[entity];
  return `${within ? values[within] : ""}|${plainText(String(values.name ?? "")).trim()}`;
};

async function contextOf(scope: Scope, file: ImportFile): Promise<Context> {
  const entity = file.kind as Entity;
  const store = stores[entity];
  const of = eq(store.table.businessId, scope.businessId);
  const [clients, sites, tanks, sources, rows] = await Promise.all([
    db()
      .select({ id: client.id, name: client.name })
      .from(client)
      .where(and(eq(client.businessId, scope.businessId), isNull(client.archivedAt))),
    db()
      .select({ id: site.id, name: site.name })
      .from(site)
      .where(and(eq(site.businessId, scope.businessId), isNull(site.archivedAt))),
    db()
      .select({ id: tank.id, name: tank.name, within: site.name })
      .from(tank)
      .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
      .where(and(eq(tank.businessId, scope.businessId), isNull(tank.archivedAt))),
    db()
      .select({ id: source.id, name: source.name, within: site.name, facts: source.facts })
      .from(source)
      .leftJoin(site, and(eq(site.businessId, source.businessId), eq(site.id, source.siteId)))
      .where(and(eq(source.businessId, scope.businessId), isNull(source.archivedAt))),
    db().select().from(store.table).where(of),
  ]);
  const index = {
    client: new NameIndex(clients, "client"),
    site: new NameIndex(sites, "site"),
    tank: new NameIndex(tanks, "tank"),
    source: new NameIndex(
      sources.map(({ id, name, within }) => (within ? { id, name, within } : { id, name })),
      "water",
    ),
  };
  const links = new Map(
    recordKinds[entity].fields.flatMap((f) =>
      f.type.kind === "link" && f.type.to in index ? [[f.key, index[f.type.to as keyof typeof index]] as const] : [],
    ),
  );
  const known = rows as unknown as BookRow[];
  return {
    scope,
    entity,
    file,
    fields: new Map(recordKinds[entity].fields.map((f) => [f.key, f])),
    links,
    waters: new Map(sources.map((s) => [s.id, s])),
    byId: new Map(known.map((r) => [r.id, r])),
    byKey: new Map(known.filter((r) => r.archivedAt === null).map((r) => [keyOf(entity, store.valuesOf(r)), r])),
    seen: new Map(),
  };
}

/** Checks every row of a file of records, and writes what becomes of each. */
export async function checkRecords(scope: Scope, file: ImportFile): Promise<void> {
  const context = await contextOf(scope, file);
  for await (const rows of rowChunks(file))
    await writeVerdicts(
      file.id,
      rows,
      rows.map((row) => checkRow(context, row)),
    );
}

function checkRow(context: Context, row: ImportRow): Verdict {
  const { entity, file } = context;
  const issues: Record<string, string> = {};
  const given: Record<string, FieldValue> = {};
  let id: string | null = null;
  if (row.cells.length > file.headings.length && row.cells.slice(file.headings.length).some((c) => c.trim() !== ""))
    issues.row = `This row has ${row.cells.length} cells, the headings ${file.headings.length}. A delimiter inside a text must be quoted.`;
  if (row.cells.length < file.headings.length)
    issues.row = `This row ends after ${row.cells.length} of ${file.headings.length} cells: the file may have been cut off here.`;
  for (const [column, meaning] of file.meanings.entries()) {
    const text = row.cells[column] ?? "";
    if (meaning.key === "id") {
      id = context.byId.has(text.trim()) ? text.trim() : null;
      continue;
    }
    const field = meaning.key ? context.fields.get(meaning.key) : undefined;
    if (!field) continue;
    try {
      const value = readCell(field, text, meaning.unit, file.style);
      given[field.key] = field.type.kind === "link" && value !== null ? resolve(context, field, String(value)) : value;
    } catch (error) {
      if (!(error instanceof FieldError)) throw error;
      issues[String(column)] = error.message;
    }
  }
  const verdict = (state: Verdict["state"], more: Partial<Verdict> = {}): Verdict => ({
    rowNo: row.rowNo,
    state,
    issues: null,
    values: null,
    targetId: null,
    ...more,
  });
  if (Object.keys(issues).length > 0) return verdict("error", { issues });

  const known = (id ? context.byId.get(id) : undefined) ?? context.byKey.get(keyOf(entity, given));
  const earlier = context.seen.get(known ? known.id : keyOf(entity, given));
  if (earlier !== undefined)
    return verdict("error", {
      issues: { row: `The same ${recordKinds[entity].one} stands in row ${earlier} already.` },
    });
  context.seen.set(known ? known.id : keyOf(entity, given), row.rowNo);
  return known ? changed(context, row, known, given, verdict) : made(context, row, given, verdict);
}

/** The id behind a link's name. */
function resolve(context: Context, field: Field, name: string): string {
  const found = context.links.get(field.key)?.find(name);
  if (found === undefined) return name;
  if (typeof found === "string") throw new FieldError(found);
  return found.id;
}

type Say = (state: Verdict["state"], more?: Partial<Verdict>) => Verdict;

function changed(context: Context, _row: ImportRow, known: BookRow, given: Values, say: Say): Verdict {
  const store = stores[context.entity];
  const before = store.valuesOf(known);
  const values = Object.fromEntries(
    Object.entries(given).filter(
      ([key, value]) => !context.fields.get(key)?.once && !sameAsWritten(before[key], value),
    ),
  );
  if (Object.keys(values).length === 0) return say("same", { targetId: known.id });
  const row = { ...known, ...store.columnsOf(values, known) };
  const issues = byColumn(context, { ...store.misfits(row, context.scope.units), ...wrongWaterIn(context, row) });
  return Object.keys(issues).length > 0 ? say("error", { issues }) : say("change", { values, targetId: known.id });
}

/** What is wrong with the new water of a tank of the file. */
function wrongWaterIn({ entity, waters }: Context, row: Record<string, unknown>): Record<string, string> {
  const water = entity === "tank" && typeof row.sourceId === "string" ? waters.get(row.sourceId) : undefined;
  const said = water && wrongWaterSentence(row as { facts?: { targetPsu?: number } }, water);
  return said ? { sourceId: said } : {};
}

/** The same, as far as a file can tell: figures are written with ten digits. */
function sameAsWritten(before: FieldValue | undefined, value: FieldValue): boolean {
  if (typeof before === "number" && typeof value === "number")
    return Math.abs(before - value) <= 1e-9 * Math.max(1, Math.abs(before));
  return sameValue(before, value);
}

function made(context: Context, _row: ImportRow, given: Values, say: Say): Verdict {
  const { entity } = context;
  const values = entity === "tank" ? tankValues(given) : { ...usualValues(entity), ...withoutBlanks(given) };
  if ("problem" in values) return say("error", { issues: { row: String(values.problem) } });
  const complete = Object.fromEntries(
    recordKinds[entity].fields.map((f) => [f.key, (values as Values)[f.key] ?? emptyValue(f)]),
  );
  // A list of places says nothing of the tap: it is asked at the first visit.
  const parsed = recordSchema(entity).safeParse(
    entity === "site" && complete.hotWater === null ? { ...complete, hotWater: false } : complete,
  );
  const issues: Record<string, string> = {};
  if (!parsed.success)
    for (const issue of parsed.error.issues) {
      const field = context.fields.get(String(issue.path[0]));
      issues[String(issue.path[0])] =
        complete[String(issue.path[0])] === null && field ? missingSentence(field) : issue.message;
    }
  else {
    const row = stores[entity].columnsOf(complete, null);
    Object.assign(issues, stores[entity].misfits(row, context.scope.units), wrongWaterIn(context, row));
  }
  return Object.keys(issues).length > 0
    ? say("error", { issues: byColumn(context, issues) })
    : say("new", { values: complete });
}

const withoutBlanks = (values: Values): Values =>
  Object.fromEntries(
    Object.entries(values).filter(([, v]) => v !== null && v !== "" && !(Array.isArray(v) && v.length === 0)),
  );

/** A tank of a file: what stands there over what is usual for its kind. */
function tankValues(given: Values): Values | { problem: string } {
  const kind = given.kind as TankKind | null | undefined;
  const shape = given["display.vessel.shape"] as VesselShape | null | undefined;
  if (!kind) return { problem: "Enter the kind of tank." };
  if (!shape) return { problem: "Enter the shape, and the inside dimensions." };
  const sides = Object.fromEntries(
    vesselShapes[shape].dimensions.map(({ key }) => [key, Number(given[`display.vessel.${key}`] ?? 0)]),
  );
  const missing = vesselShapes[shape].dimensions.filter(({ key }) => !sides[key]);
  if (missing.length > 0)
    return {
      problem: `Enter the ${andList(missing.map((d) => inSentence(d.label)))} of the ${inSentence(vesselShapes[shape].label)}.`,
    };
  try {
    const facts = quickStart({
      kind,
      vessel: vesselOf(shape, sides),
      sump: given["sump.lengthM"] !== null && given["sump.lengthM"] !== undefined,
      startedOn: String(given.startedOn ?? "2000-01-01"),
    });
    const told = withoutBlanks(given);
    const full = valuesOfFacts(factsWith(facts, told));
    return {
      ...full,
      ...Object.fromEntries(["name", "siteId", "kind", "sourceId"].map((k) => [k, given[k] ?? null])),
      topUpSourceId: given.topUpSourceId ?? given.sourceId ?? null,
    };
  } catch (error) {
    if (!(error instanceof OutOfRangeError)) throw error;
    return { problem: "These dimensions make no vessel." };
  }
}

/** Issues by field as issues by the column that holds it; a field without a column is told of the row. */
function byColumn(context: Context, issues: FieldIssues): Record<string, string> {
  const out: Record<string, string> = {};
  for (const [key, message] of Object.entries(issues)) {
    const column = context.file.meanings.findIndex((m) => m.key === key);
    const label = context.fields.get(key)?.label;
    if (column >= 0) out[String(column)] = message;
    else out.row = label && !message.startsWith(label) ? `${label}: ${message}` : message;
  }
  return out;
}
