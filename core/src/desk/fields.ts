import { clockText } from "../calendar/index.ts";
import { inSentence } from "../text/index.ts";
import {
  type DecimalSign,
  figure,
  fromShown,
  PARAMETERS,
  type Parameter,
  parameterFacts,
  parseNumber,
  showLength,
  showVolume,
  toShown,
  type UnitPreference,
  unitFor,
  unitShown,
} from "../units/index.ts";
import { missingSentence } from "./missing.ts";

/** Minutes of the day that a site may be worked in, by weekday 1 Monday to 7 Sunday; a missing day is closed. */
export type Windows = Readonly<Partial<Record<string, { readonly from: number; readonly to: number }>>>;

/** One line of a list, by the keys of its columns. */
export type ListRow = Readonly<Record<string, string | number | boolean | null>>;

/** What a field may hold, canonical: lengths in m, volumes in L, temperatures in °C, shares from 0 to 1. */
export type FieldValue = string | number | boolean | null | Windows | readonly string[] | readonly ListRow[];

/** The entities of the desk that are edited as records. */
export const ENTITIES = [
  ...(["client", "site", "tank", "animal", "equipment", "source", "kind", "barrel", "job"] as const),
  ...(["quay", "seaLot", "product", "doser", "kit", "remedy", "item"] as const),
] as const;
export type Entity = (typeof ENTITIES)[number];

export type FieldType =
  | { readonly kind: "text"; readonly max: number; readonly lines?: number }
  | { readonly kind: "email" }
  | { readonly kind: "date" }
  | { readonly kind: "yes-no" }
  | { readonly kind: "choice"; readonly options: readonly (readonly [value: string, label: string])[] }
  /** A figure in a fixed unit. */
  | {
      readonly kind: "number";
      readonly unit: string;
      readonly low: number;
      readonly high: number;
      readonly decimals: number;
    }
  /** A figure in the person's unit. */
  | {
      readonly kind: "length" | "volume" | "temperature" | "share";
      readonly low: number;
      readonly high: number;
      readonly decimals: number;
    }
  /** Several of the options, in the order they are given. */
  | { readonly kind: "many"; readonly options: readonly (readonly [value: string, label: string])[] }
  /** A figure of the row's own parameter, in the unit the person reads it in. */
  | {
      readonly kind: "reading";
      /** What an empty cell stands for: a limit that does not exist. */
      readonly blank?: number;
    }
  /** Lines of the same columns. */
  | { readonly kind: "list"; readonly columns: readonly Field[] }
  | { readonly kind: "windows" }
  | { readonly kind: "link"; readonly to: Entity };

/** One thing that is known of a record. Its key is the path of its value. */
export interface Field {
  readonly key: string;
  readonly label: string;
  readonly type: FieldType;
  readonly required?: boolean;
  readonly hint?: string;
  /** What a new record says until somebody says something else. */
  readonly usual?: FieldValue;
  /** Heading it stands under in the form. */
  readonly group: string;
  /** Set when the record is made and by events of its own afterwards. */
  readonly once?: boolean;
}

/** What is wrong with an entry, in words that stand beside it. */
export class FieldError extends Error {}

/**
 * A number as a person writes one, see `parseNumber`.
 *
 * @throws {FieldError} for anything else.
 */
export function parseDecimal(text: string, decimal?: DecimalSign): number {
  const number = parseNumber(text, decimal);
  if (number === null) throw new FieldError(`“${text.trim().slice(0, 40)}” is not a number. Write it like 7.4.`);
  return number;
}

/** The unit a field's figures are shown in, empty without one. */
export function fieldUnit(type: FieldType, units: UnitPreference): string {
  if (type.kind === "number") return unitShown(type.unit, units);
  if (type.kind === "length") return units.length;
  if (type.kind === "volume") return units.volume;
  if (type.kind === "share") return "%";
  return type.kind === "temperature" ? units.temperature : "";
}

function toCanonical(type: FieldType, shown: number, units: UnitPreference): number {
  if (type.kind === "number") return fromShown(shown, type.unit, units);
  if (type.kind === "length") return shown / showLength(100, units.length);
  if (type.kind === "volume") return shown / showVolume(1, units.volume);
  if (type.kind === "share") return shown / 100;
  return type.kind === "temperature" && units.temperature === "°F" ? (shown - 32) / 1.8 : shown;
}

function fromCanonical(type: FieldType, value: number, units: UnitPreference): number {
  if (type.kind === "number") return toShown(value, type.unit, units);
  if (type.kind === "length") return showLength(value * 100, units.length);
  if (type.kind === "volume") return showVolume(value, units.volume);
  if (type.kind === "share") return value * 100;
  return type.kind === "temperature" && units.temperature === "°F" ? value * 1.8 + 32 : value;
}

/** Decimals of a figure of its kind; of a fixed unit that a person reads as another, as many more as that is larger. */
function decimalsIn(type: Extract<FieldType, { readonly decimals: number }>, units: UnitPreference): number {
  if (type.kind !== "number") return type.decimals;
  const step = Math.abs(toShown(1, type.unit, units) - toShown(0, type.unit, units));
  return Math.max(0, type.decimals + Math.round(-Math.log10(step > 0 ? step : 1)));
}

/** Twelve significant digits: what a conversion there and back leaves behind is cut off. */
const tidy = (value: number) => Number(value.toPrecision(12));

const WEEKDAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

function parseClock(text: string): number {
  const match = /^(\d{1,2})(?:[:.h](\d{2})?)?\s*(am|pm)?$/i.exec(text);
  const [, typed = "", past = "0", half = ""] = match ?? [];
  // Noon is 12 pm, midnight 12 am.
  const hour = half === "" ? Number(typed) : (Number(typed) % 12) + (half.toLowerCase() === "pm" ? 12 : 0);
  const minute = match && !(half !== "" && Number(typed) > 12) ? hour * 60 + Number(past) : Number.NaN;
  if (!(minute >= 0 && minute <= 24 * 60 && Number(past) < 60))
    throw new FieldError(`“${text}” is not a time of day, such as 07:30.`);
  return minute;
}

const WORKING_WEEK = "Mon–Fri";

/** Windows in words: "Mon–Fri 07:00–09:00; Sat 08:00–12:00". */
function writeWindows(windows: Windows): string {
  const days = WEEKDAYS.map((name, i) => {
    const w = windows[String(i + 1)];
    return { name, span: w ? `${clockText(w.from)}–${clockText(w.to)}` : null };
  });
  const runs: { first: string; last: string; span: string }[] = [];
  for (const [i, { name, span }] of days.entries()) {
    if (span === null) continue;
    const run = runs.at(-1);
    if (run && run.span === span && days[i - 1]?.span === span) run.last = name;
    else runs.push({ first: name, last: name, span });
  }
  return runs.map((r) => `${r.first === r.last ? r.first : `${r.first}–${r.last}`} ${r.span}`).join("; ");
}

/**
 * The inverse of `writeWindows`; an empty text closes every day. Hours without a day are those of a working week, and days
 * that are told one by one may share theirs: "8-10", "Mon, Wed 8-10".
 */
function parseWindows(text: string): Windows {
  const windows: Record<string, { from: number; to: number }> = {};
  const dayOf = (name: string) => {
    const i = WEEKDAYS.findIndex((d) => d.toLowerCase() === name.slice(0, 3).toLowerCase());
    if (i < 0) throw new FieldError(`“${name}” is not a day: write Mon, Tue, Wed, Thu, Fri, Sat or Sun.`);
    return i;
  };
  for (const part of text.split(";").map((p) => p.trim())) {
    if (part === "") continue;
    const match = /^([a-z][a-z\s,–-]*?)?\s*(\d\S*?(?:\s*[ap]m)?)\s*(?:[–-]|to)\s*(\d\S*(?:\s*[ap]m)?)$/i.exec(part);
    if (!match) throw new FieldError(`“${part}” is not understood. Enter days and hours, such as Mon–Fri 07:00–09:00.`);
    const [, named = WORKING_WEEK, from = "", to = ""] = match;
    const span = { from: parseClock(from), to: parseClock(to) };
    if (span.to <= span.from) throw new FieldError(`${part}: it closes before it opens.`);
    for (const days of named.split(",")) {
      const [first = "", last = first] = days.split(/[–-]|\bto\b/).map((d) => d.trim());
      for (let i = dayOf(first); i <= dayOf(last); i++) windows[String(i + 1)] = span;
    }
  }
  return windows;
}

/** A date that exists, as YYYY-MM-DD. */
function parseDate(text: string): string {
  const at = new Date(`${text}T00:00:00Z`);
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text) || Number.isNaN(at.getTime()) || at.toISOString().slice(0, 10) !== text)
    throw new FieldError("That day does not exist.");
  return text;
}

/** Converts figures of a parameter between its canonical unit and the one a person reads in. */
function readingScale(parameter: string | undefined, units: UnitPreference) {
  const known = PARAMETERS.find((p) => p === parameter) as Parameter | undefined;
  const facts = known ? parameterFacts[known] : undefined;
  const unit = known ? unitFor(known, units) : "";
  const option = facts?.units.find((u) => u.unit === unit);
  return {
    unit,
    decimals: option?.decimals ?? facts?.decimals ?? 2,
    toCanonical: (x: number) => (option ? option.toCanonical(x, 25) : x),
    fromCanonical: (x: number) => (option ? option.fromCanonical(x) : x),
  };
}

/**
 * The rows of a list from what was typed in its cells; an empty line is no row.
 *
 * @throws {FieldError} that says in which line something is wrong.
 */
export function readList(
  columns: readonly Field[],
  lines: readonly Readonly<Record<string, string>>[],
  units: UnitPreference,
): ListRow[] {
  return lines.flatMap((line, i) => {
    if (columns.every((c) => (line[c.key] ?? "").trim() === "" || c.type.kind === "yes-no")) return [];
    const row: Record<string, string | number | boolean | null> = {};
    for (const column of columns)
      try {
        const text = line[column.key] ?? "";
        row[column.key] =
          column.type.kind === "reading"
            ? text.trim() === "" && column.type.blank !== undefined
              ? column.type.blank
              : tidy(readingScale(line.parameter, units).toCanonical(parseDecimal(text, units.decimal)))
            : (readField(column, text, units) as string | number | boolean | null);
      } catch (error) {
        if (!(error instanceof FieldError)) throw error;
        throw new FieldError(`Line ${i + 1}, ${inSentence(column.label)}: ${error.message}`);
      }
    return [row];
  });
}

/** The cells of a list as they are typed. */
export function writeList(
  columns: readonly Field[],
  rows: readonly ListRow[],
  units: UnitPreference,
): Record<string, string>[] {
  return rows.map((row) =>
    Object.fromEntries(
      columns.map((c) => {
        const value = row[c.key] ?? null;
        if (c.type.kind !== "reading" || typeof value !== "number") return [c.key, writeField(c, value, units)];
        if (value === c.type.blank) return [c.key, ""];
        return [c.key, plainNumber(readingScale(String(row.parameter), units).fromCanonical(value), 7)];
      }),
    ),
  );
}

/** What a field holds when nothing is known of it. */
export function emptyValue({ type, required }: Field): FieldValue {
  switch (type.kind) {
    case "text":
    case "email":
      return "";
    case "yes-no":
      // What has to be answered is not answered with "no" by nobody.
      return required ? null : false;
    case "windows":
      return {};
    case "many":
    case "list":
      return [];
    default:
      return null;
  }
}

const YES = new Set(["yes", "y", "true", "1"]);
const NO = new Set(["no", "n", "false", "0", ""]);

/**
 * The canonical value of what a person typed in a field.
 *
 * @throws {FieldError} with words that say what is accepted.
 */
export function readField(field: Field, text: string, units: UnitPreference): FieldValue {
  const { type } = field;
  const typed = text.trim();
  if (type.kind === "windows") return parseWindows(typed);
  if (type.kind === "yes-no") {
    const word = typed.toLowerCase();
    if (word === "" && field.required) throw new FieldError(missingSentence(field));
    if (YES.has(word)) return true;
    if (NO.has(word)) return false;
    throw new FieldError(`“${typed}” is neither yes nor no.`);
  }
  if (type.kind === "many" && typed === "") return [];
  if (typed === "") {
    if (field.required) throw new FieldError(missingSentence(field));
    return type.kind === "text" || type.kind === "email" ? "" : null;
  }
  switch (type.kind) {
    case "text":
      if (typed.length > type.max) throw new FieldError(`At most ${type.max} characters; this has ${typed.length}.`);
      return typed;
    case "email":
      if (!/^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(typed)) throw new FieldError(`“${typed}” is not an e-mail address.`);
      return typed;
    case "date":
      return parseDate(typed);
    case "choice": {
      const word = typed.toLowerCase();
      const option = type.options.find(([value, label]) => value === typed || label.toLowerCase() === word);
      if (!option) throw new FieldError(`“${typed}” is not one of ${type.options.map(([, l]) => l).join(", ")}.`);
      return option[0];
    }
    case "link":
      return typed;
    case "many":
      return typed.split(/\s*[,;]\s*/).map((word) => {
        const option = type.options.find(([value, label]) => value === word || label === word.toLowerCase());
        if (!option) throw new FieldError(`“${word}” is not one of ${type.options.map(([, l]) => l).join(", ")}.`);
        return option[0];
      });
    case "list":
    case "reading":
      throw new FieldError("This is edited line by line.");
    default: {
      const value = tidy(toCanonical(type, parseDecimal(typed, units.decimal), units));
      // A limit as it was shown, in a unit that is no round number of ours, is still within it.
      const slack = 1e-9 * Math.max(1, Math.abs(value));
      if (value < type.low - slack || value > type.high + slack) {
        const limit = (v: number) => figure(fromCanonical(type, v, units), decimalsIn(type, units));
        throw new FieldError(
          `${field.label} lies between ${limit(type.low)} and ${limit(type.high)} ${fieldUnit(type, units)}.`.replace(
            " .",
            ".",
          ),
        );
      }
      return value;
    }
  }
}

/** A number with so many significant digits, never in powers of ten: what is smaller than a billionth is nothing. */
function plainNumber(value: number, digits: number): string {
  const rounded = Number(value.toPrecision(digits));
  return Math.abs(rounded) < 1e-9 ? "0" : String(rounded).includes("e") ? rounded.toFixed(12) : String(rounded);
}

/** A value as it is typed, so that reading it again gives the same value. */
export function writeField(field: Field, value: FieldValue | undefined, units: UnitPreference): string {
  const { type } = field;
  if (value === null || value === undefined) return "";
  if (type.kind === "windows") return writeWindows(value as Windows);
  if (type.kind === "many") return (value as readonly string[]).join(", ");
  if (type.kind === "list") return JSON.stringify(value);
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (typeof value === "number") return plainNumber(fromCanonical(type, value, units), 10);
  return String(value);
}

/** A value in words and the person's units, for histories and comparisons. `nameOf` says what a link points at. */
export function sayField(
  field: Field,
  value: FieldValue | undefined,
  units: UnitPreference,
  nameOf: (id: string) => string = (id) => id,
): string {
  const { type } = field;
  if (value === null || value === undefined || value === "") return "nothing";
  if (type.kind === "choice") return type.options.find(([v]) => v === value)?.[1] ?? String(value);
  if (type.kind === "link") return nameOf(String(value));
  if (type.kind === "windows") return writeWindows(value as Windows) || "closed";
  if (type.kind === "many") {
    const labels = (value as readonly string[]).map((v) => type.options.find(([o]) => o === v)?.[1] ?? v);
    return labels.join(", ") || "nothing";
  }
  if (type.kind === "list") return sayList(type.columns, value as readonly ListRow[], units);
  if (typeof value === "number" && type.kind === "number" && decimalsIn(type, units) !== type.decimals)
    return `${figure(fromCanonical(type, value, units), decimalsIn(type, units))} ${fieldUnit(type, units)}`;
  if (typeof value === "number" && "decimals" in type) {
    const unit = fieldUnit(type, units);
    return `${figure(fromCanonical(type, value, units), type.decimals)}${unit ? ` ${unit}` : ""}`;
  }
  return writeField(field, value, units);
}

/** Lines of a list in words, each by its columns, one after the other. */
function sayList(columns: readonly Field[], rows: readonly ListRow[], units: UnitPreference): string {
  if (rows.length === 0) return "nothing";
  return rows
    .map((row) => {
      const scale = readingScale(typeof row.parameter === "string" ? row.parameter : undefined, units);
      return columns
        .map((c) => {
          const value = row[c.key] ?? null;
          if (c.type.kind === "yes-no") return value ? inSentence(c.label) : "";
          if (c.type.kind === "reading" && value === c.type.blank) return "—";
          return c.type.kind === "reading" && typeof value === "number"
            ? figure(scale.fromCanonical(value), scale.decimals)
            : sayField(c, value, units);
        })
        .filter((word) => word !== "" && word !== "nothing")
        .join(" ");
    })
    .join("; ");
}
