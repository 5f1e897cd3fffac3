import {
  type Entity,
  emptyValue,
  type Field,
  FieldError,
  type FieldType,
  type FieldValue,
  readField,
  recordKinds,
  writeField,
} from "../desk/index.ts";
import { fit, wordsOf } from "../find/index.ts";
import { METRIC, OF_WATER, PARAMETERS, type Parameter, parameterFacts } from "../units/index.ts";
import { type DateOrder, type DecimalSign, isFormula, readMoment, readNumber, unguardText } from "./cell.ts";
import type { Heading } from "./heading.ts";
import { readListCell } from "./listCell.ts";

/** What a file may hold. */
export type FileEntity = Exclude<
  Entity,
  "source" | "kind" | "barrel" | "job" | "quay" | "seaLot" | "product" | "doser" | "kit" | "remedy" | "item"
>;
export type FileKind = FileEntity | "reading";

/** Kinds of file that can be brought in and out. */
export const FILE_KINDS = [
  "client",
  "site",
  "tank",
  "animal",
  "equipment",
  "reading",
] as const satisfies readonly FileKind[];

/** What a column of a file may mean. */
export interface Target {
  readonly key: string;
  readonly label: string;
  /** Other names it goes by. */
  readonly also: readonly string[];
  /** Units its figures may be in, the first where none is said. */
  readonly units: readonly string[];
  readonly field: Field | null;
}

const METRES: Readonly<Record<string, number>> = { cm: 0.01, m: 1, mm: 0.001, in: 0.0254 };
const LITRES: Readonly<Record<string, number>> = { L: 1, "US gal": 3.785411784, "imp gal": 4.54609 };

function unitsOf(type: FieldType): readonly string[] {
  switch (type.kind) {
    case "length":
      return Object.keys(METRES);
    case "volume":
      return Object.keys(LITRES);
    case "temperature":
      return ["°C", "°F"];
    case "share":
      return ["%"];
    case "number":
      return type.unit ? [type.unit] : [];
    default:
      return [];
  }
}

/** Names that lists in use give to our fields. */
const ALSO: Readonly<Record<string, readonly string[]>> = {
  clientId: ["customer", "owner", "account"],
  siteId: ["location", "place", "premises"],
  tankId: ["aquarium", "system"],
  contact: ["contact person", "attention"],
  email: ["mail", "e mail address"],
  phone: ["telephone", "tel", "mobile"],
  address: ["street", "street address"],
  lat: ["lat", "y"],
  lon: ["lng", "long", "x"],
  count: ["number", "quantity", "qty"],
  "display.vessel.widthM": ["width", "depth"],
  "display.runningLevelM": ["water level", "level"],
  "display.measuredNetL": ["volume", "net volume", "litres"],
  startedOn: ["set up", "start date"],
  installedOn: ["install date", "fitted"],
  bucketL: ["bucket", "barrel"],
  sourceId: ["water", "source"],
};

/** What a record's own name is called beside "name". */
const NAMES: Readonly<Record<FileEntity, readonly string[]>> = {
  client: ["client", "client name", "customer name"],
  site: ["site", "site name", "location name"],
  tank: ["tank", "tank name", "aquarium"],
  animal: ["animal", "species", "common name", "livestock"],
  equipment: ["equipment", "device", "item"],
};

const recordTargets = (entity: FileEntity): Target[] =>
  recordKinds[entity].fields.map((field) => ({
    key: field.key,
    label: field.label,
    also: field.key === "name" ? NAMES[entity] : (ALSO[field.key] ?? []),
    units: unitsOf(field.type),
    field,
  }));

const plainTarget = (key: string, label: string, also: readonly string[] = []): Target => ({
  key,
  label,
  also,
  units: [],
  field: null,
});

/** Short names of parameters in readings of the trade. */
const PARAMETER_ALSO: Readonly<Record<(typeof OF_WATER)[number], readonly string[]>> = {
  temperature: ["temp"],
  salinity: ["sal", "sg", "specific gravity", "conductivity"],
  ph: [],
  alkalinity: ["alk", "kh", "carbonate hardness"],
  gh: ["general hardness", "total hardness"],
  calcium: ["ca"],
  magnesium: ["mg"],
  ammonia: ["nh3", "nh4", "tan", "ammonium"],
  nitrite: ["no2"],
  nitrate: ["no3"],
  phosphate: ["po4"],
  flow: ["flow rate", "return flow"],
  tds: ["dissolved solids"],
  chlorine: ["cl2", "free cl"],
  chloramine: ["combined chlorine", "combined cl", "monochloramine"],
};

const readingTargets: readonly Target[] = [
  plainTarget("site", "Site", ["location", "client", "place"]),
  plainTarget("tank", "Tank", ["aquarium", "system", "tank name"]),
  plainTarget("at", "Day and time", ["date", "taken", "datetime", "timestamp", "day", "when"]),
  plainTarget("time", "Time alone", ["hour", "clock"]),
  plainTarget("parameter", "Parameter", ["test", "measurement"]),
  plainTarget("value", "Value", ["result", "reading", "entered"]),
  plainTarget("unit", "Unit", ["units"]),
  plainTarget("method", "Method", ["kit", "instrument"]),
  plainTarget("item", "Of", ["filter", "equipment", "piece"]),
  ...OF_WATER.map((p) => ({
    key: `of:${p}`,
    label: parameterFacts[p].label,
    also: PARAMETER_ALSO[p],
    units: parameterFacts[p].units.map((u) => u.unit),
    field: null,
  })),
];

/** What the columns of a kind of file may mean, in the order they are offered. */
export function targetsOf(kind: FileKind): readonly Target[] {
  return kind === "reading"
    ? readingTargets
    : [plainTarget("id", "Keel Round's own id", ["keel round id"]), ...recordTargets(kind)];
}

const alsoOf = (p: Parameter): readonly string[] => (p === "hours" ? [] : PARAMETER_ALSO[p]);

/** Every name of every parameter, plain. */
const PARAMETER_BY_NAME = new Map(
  PARAMETERS.flatMap((p) =>
    [p, parameterFacts[p].label, parameterFacts[p].freshLabel ?? p, ...alsoOf(p)].map(
      (name) => [wordsOf(name).join(" "), p] as const,
    ),
  ),
);

/** The parameter that a word names, in a cell or a heading. */
export function parameterNamed(text: string): Parameter | null {
  return PARAMETER_BY_NAME.get(wordsOf(text).join(" ")) ?? null;
}

/** What one column is taken for. */
export interface ColumnMeaning {
  readonly key: string | null;
  readonly unit: string | null;
}

const singular = (word: string) => (word.length > 3 ? word.replace(/s$/, "") : word);

/** How well a heading fits a target, 0 to 1: every word of the target's name must stand in the heading or nearly. */
function fitName(name: string, target: Target): number {
  const asked = wordsOf(name).map(singular);
  if (asked.length === 0) return 0;
  const best = [target.label, ...target.also].map((label) => {
    const words = wordsOf(label).map(singular);
    if (words.join(" ") === asked.join(" ")) return 1;
    const fits = words.map((w) => Math.max(...asked.map((a) => fit(a, w))));
    const covered = fits.reduce((sum, f) => sum + f, 0) / Math.max(words.length, asked.length);
    return 0.9 * covered;
  });
  return Math.max(...best);
}

const LEAST_FIT = 0.5;

/** What each column of a file probably means: the best fitting target, each taken once. */
export function guessMeanings(kind: FileKind, headings: readonly Heading[]): ColumnMeaning[] {
  const targets = targetsOf(kind);
  const pairs = headings
    .flatMap((heading, column) =>
      targets.map((target) => ({
        column,
        target,
        score: Math.max(fitName(heading.name, target), fitName(heading.text, target)),
      })),
    )
    .filter((p) => p.score >= LEAST_FIT)
    .sort((a, b) => b.score - a.score);
  const meanings: ColumnMeaning[] = headings.map(() => ({ key: null, unit: null }));
  const taken = new Set<string>();
  for (const { column, target } of pairs) {
    if (meanings[column]?.key !== null || taken.has(target.key)) continue;
    taken.add(target.key);
    const said = headings[column]?.unit ?? null;
    meanings[column] = {
      key: target.key,
      unit: said && target.units.includes(said) ? said : (target.units[0] ?? null),
    };
  }
  return meanings;
}

/** How the cells of a file are to be read. */
export interface CellStyle {
  readonly decimal: DecimalSign;
  readonly dateOrder: DateOrder | null;
}

/**
 * The canonical value of a cell of a record's file. Links come back as the name that stood there.
 *
 * @throws {FieldError} with words that say what is wrong.
 */
export function readCell(field: Field, text: string, unit: string | null, style: CellStyle): FieldValue {
  const { type } = field;
  const cell = unguardText(text.trim());
  if (cell !== "" && cell === text.trim() && isFormula(cell))
    throw new FieldError("This cell holds a formula. Paste its value instead.");
  if (cell === "")
    return type.kind === "list" || type.kind === "yes-no" ? emptyValue(field) : readField(field, "", METRIC);
  if (type.kind === "list") return readListCell(type.columns, cell);
  if (type.kind === "date") return readMoment(cell, style.dateOrder).date;
  if (!("low" in type)) return readField(field, cell, METRIC);
  const number = readNumber(cell.replace(/\s*%$/, ""), style.decimal);
  const canonical =
    type.kind === "length"
      ? number * (METRES[unit ?? "cm"] ?? 1)
      : type.kind === "volume"
        ? number * (LITRES[unit ?? "L"] ?? 1)
        : type.kind === "temperature" && unit === "°F"
          ? (number - 32) / 1.8
          : type.kind === "share"
            ? number / 100
            : number;
  // Through the form's own reader, so that a file and a form accept the same.
  return readField(field, writeField(field, canonical, METRIC), METRIC);
}

/** A heading of our own export for a field, with its unit. */
export function headingOf(field: Field): string {
  const unit = unitsOf(field.type)[0];
  return unit ? `${field.label} (${unit})` : field.label;
}
