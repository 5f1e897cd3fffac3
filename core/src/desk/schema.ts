import { z } from "zod";
import { ENTITIES, type Entity, type Field, type FieldValue } from "./fields.ts";
import { missingSentence } from "./missing.ts";
import { recordKinds } from "./records.ts";

const window = z
  .object({ from: z.number().int().min(0).max(1440), to: z.number().int().min(0).max(1440) })
  .refine((w) => w.to > w.from, "It closes before it opens.");

/** What a field accepts, canonical. Forms, actions, imports and the archive all ask this. */
function schemaOf(field: Field): z.ZodType<FieldValue> {
  const { type } = field;
  const base = (): z.ZodType<FieldValue> => {
    switch (type.kind) {
      case "text":
        return z.string().trim().max(type.max, `At most ${type.max} characters.`);
      case "email":
        return field.required ? z.email(missingSentence(field)) : z.email(missingSentence(field)).or(z.literal(""));
      case "date":
        return z.iso.date("That day does not exist.");
      case "yes-no":
        return z.boolean(missingSentence(field));
      case "choice":
        return z.enum(type.options.map(([value]) => value) as [string, ...string[]], missingSentence(field));
      case "many":
        return z.array(
          z.enum(type.options.map(([value]) => value) as [string, ...string[]]),
        ) as unknown as z.ZodType<FieldValue>;
      case "reading":
        return z.number();
      case "list":
        return z.array(
          z.strictObject(Object.fromEntries(type.columns.map((c) => [c.key, columnSchema(c)]))),
        ) as unknown as z.ZodType<FieldValue>;
      case "windows":
        return z.partialRecord(z.enum(["1", "2", "3", "4", "5", "6", "7"]), window) as unknown as z.ZodType<FieldValue>;
      case "link":
        return z.uuid(missingSentence(field));
      default:
        return z
          .number(missingSentence(field))
          .min(type.low, `Enter a number from ${type.low} to ${type.high}.`)
          .max(type.high, `Enter a number from ${type.low} to ${type.high}.`);
    }
  };
  if (field.required && type.kind === "text") return z.string().trim().min(1, missingSentence(field)).max(type.max);
  return field.required || ["yes-no", "windows", "many", "list", "reading"].includes(type.kind)
    ? base()
    : base().nullable();
}

/** A column of a list: a line that was kept before the column was there says "no" in it. */
const columnSchema = (column: Field) => (column.type.kind === "yes-no" ? z.boolean().default(false) : schemaOf(column));

/** The schema of a whole record, by the keys of its fields. */
export function recordSchema(entity: Entity): z.ZodType<Record<string, FieldValue>> {
  return z.strictObject(Object.fromEntries(recordKinds[entity].fields.map((f) => [f.key, schemaOf(f)])));
}

/** The schema of some fields of a record. */
export function changeSchema(entity: Entity): z.ZodType<Partial<Record<string, FieldValue>>> {
  return z.strictObject(
    Object.fromEntries(recordKinds[entity].fields.map((f) => [f.key, schemaOf(f).optional()])),
  ) as z.ZodType<Partial<Record<string, FieldValue>>>;
}

export const EntitySchema = z.enum(ENTITIES);
