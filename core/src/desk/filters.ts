import type { UnitPreference } from "../units/index.ts";
import { type Entity, type Field, FieldError, type FieldValue, fieldUnit, readField, sayField } from "./fields.ts";
import { recordKinds } from "./records.ts";

/** How a field is held against a value: the same, with a word in it, no less, no more. */
const FILTER_TESTS = ["is", "has", "from", "to"] as const;
export type FilterTest = (typeof FILTER_TESTS)[number];

/** One condition of a list. */
export interface Filter {
  readonly field: Field;
  readonly test: FilterTest;
  /** Canonical. */
  readonly value: FieldValue;
}

/** How a field may be filtered; empty for what cannot be. */
export function testsOf({ type }: Field): readonly FilterTest[] {
  switch (type.kind) {
    case "choice":
    case "link":
    case "yes-no":
      return ["is"];
    case "text":
    case "email":
      return ["has"];
    case "date":
    case "number":
    case "length":
    case "volume":
    case "temperature":
    case "share":
      return ["from", "to"];
    default:
      return [];
  }
}

/**
 * The conditions that an address asks for, as `test.key=value` in the person's units.
 *
 * What no field of the record is called is no condition; what cannot be read is told beside its name.
 */
export function readFilters(
  entity: Entity,
  address: Readonly<Record<string, unknown>>,
  units: UnitPreference,
): { readonly filters: readonly Filter[]; readonly issues: Readonly<Record<string, string>> } {
  const filters: Filter[] = [];
  const issues: Record<string, string> = {};
  for (const field of recordKinds[entity].fields)
    for (const test of testsOf(field)) {
      const name = `${test}.${field.key}`;
      const text = address[name];
      if (typeof text !== "string" || text.trim() === "") continue;
      try {
        // Outside of what a field may hold is a condition that holds for none or for all; it is no mistake.
        const value = readField({ ...field, type: unbounded(field.type) }, text, units);
        filters.push({ field, test, value });
      } catch (error) {
        if (!(error instanceof FieldError)) throw error;
        issues[name] = error.message;
      }
    }
  return { filters, issues };
}

const unbounded = (type: Field["type"]): Field["type"] =>
  "low" in type
    ? { ...type, low: Number.NEGATIVE_INFINITY, high: Number.POSITIVE_INFINITY }
    : type.kind === "email"
      ? { kind: "text", max: 190 }
      : type;

const SAYS: Readonly<Record<FilterTest, string>> = { is: "", has: "with", from: "from", to: "up to" };

/** A condition in words and the person's units: "depth of the bed from 4 cm". */
export function sayFilter(
  { field, test, value }: Filter,
  units: UnitPreference,
  nameOf?: (id: string) => string,
): string {
  const says =
    field.type.kind === "yes-no"
      ? value
        ? "yes"
        : "no"
      : sayField(field, value, units, nameOf) || fieldUnit(field.type, units);
  return [field.label.toLowerCase(), SAYS[test], test === "has" ? `“${says}”` : says].filter(Boolean).join(" ");
}
