import type { UnitPreference } from "../units/index.ts";
import { type Field, FieldError, type FieldValue, readField, readList } from "./fields.ts";

/** Canonical values of a record by the key of their field. */
export type Values = Readonly<Record<string, FieldValue>>;

/** What is wrong with a record, by the key of the field it stands beside. */
export type FieldIssues = Readonly<Record<string, string>>;

/** What was typed in a form, by field: text, or the cells of a list. */
export type Entered = Readonly<Record<string, string | readonly Readonly<Record<string, string>>[] | undefined>>;

/** The canonical values of a form, or what is wrong with each entry. A field that is not in the form is left out. */
export function readValues(
  fields: readonly Field[],
  entered: Entered,
  units: UnitPreference,
): { readonly values: Values; readonly issues: FieldIssues } {
  const values: Record<string, FieldValue> = {};
  const issues: Record<string, string> = {};
  for (const field of fields) {
    const text = entered[field.key];
    if (text === undefined) continue;
    try {
      values[field.key] =
        typeof text === "string"
          ? readField(field, text, units)
          : readList(field.type.kind === "list" ? field.type.columns : [], text, units);
    } catch (error) {
      if (!(error instanceof FieldError)) throw error;
      issues[field.key] = error.message;
    }
  }
  return { values, issues };
}

/** Two values are the same if they say the same; the order of keys, empty fields and a "no" that nobody said do not count. */
export function sameValue(a: FieldValue | undefined, b: FieldValue | undefined): boolean {
  return plain(a) === plain(b);
}

function plain(value: unknown): string {
  if (value === undefined || value === null || value === "" || value === false) return "null";
  if (Array.isArray(value) && value.length === 0) return "null";
  if (Array.isArray(value)) return `[${value.map(plain).join(",")}]`;
  if (typeof value !== "object") return JSON.stringify(value);
  const parts = Object.entries(value)
    .map(([key, inner]) => [key, plain(inner)] as const)
    .filter(([, inner]) => inner !== "null")
    .sort(([a], [b]) => (a < b ? -1 : 1));
  return `{${parts.map(([key, inner]) => `${key}:${inner}`).join(",")}}`;
}

/** The value at a dotted path of an object. */
export function getPath(object: object, path: string): unknown {
  return path
    .split(".")
    .reduce<unknown>(
      (at, key) => (at && typeof at === "object" ? (at as Record<string, unknown>)[key] : undefined),
      object,
    );
}

/** A copy of an object with the value at a dotted path set; null or undefined takes it away. */
export function setPath<T extends object>(object: T, path: string, value: unknown): T {
  const [key = "", ...rest] = path.split(".");
  const copy = { ...(object as Record<string, unknown>) };
  if (rest.length > 0) {
    const inner = copy[key];
    const next = setPath(inner && typeof inner === "object" ? inner : {}, rest.join("."), value);
    if (Object.keys(next).length === 0) delete copy[key];
    else copy[key] = next;
  } else if (value === null || value === undefined) delete copy[key];
  else copy[key] = value;
  return copy as T;
}
