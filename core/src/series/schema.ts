import { z } from "zod";
import { isCivilDate } from "../calendar/index.ts";

const day = z.string().refine(isCivilDate, "Enter a day that exists.");
const weekday = z.number().int().min(1).max(7);

/** How visits recur, as a form or a kept series says it. */
export const RhythmSchema = z.discriminatedUnion("kind", [
  z.object({
    kind: z.literal("weeks"),
    every: z
      .number("Enter 1 to 12 weeks.")
      .int("Enter whole weeks.")
      .min(1, "Enter 1 to 12 weeks.")
      .max(12, "Enter 1 to 12 weeks."),
    weekdays: z
      .array(weekday)
      .min(1, "Choose at least one day of the week.")
      .refine((d) => new Set(d).size === d.length, "Choose each day of the week once.")
      .readonly(),
  }),
  z.object({
    kind: z.literal("days"),
    every: z
      .number("Enter 1 to 60 days.")
      .int("Enter whole days.")
      .min(1, "Enter 1 to 60 days.")
      .max(60, "Enter 1 to 60 days."),
  }),
  z.object({
    kind: z.literal("month-weekday"),
    nth: z.union([z.literal(1), z.literal(2), z.literal(3), z.literal(4), z.literal(-1)]),
    weekday,
  }),
  z.object({
    kind: z.literal("month-day"),
    day: z
      .number("Enter a day of the month, 1 to 31.")
      .int("Enter a day of the month, 1 to 31.")
      .refine((d) => d === -1 || (d >= 1 && d <= 31), "Enter a day of the month, 1 to 31."),
  }),
]);

/** Longest time in which a series keeps another rhythm, days: a year of it is a change of the series. */
const LONGEST_SPELL_MS = 370 * 86_400_000;

export const SpellSchema = z
  .object({
    fromOn: day,
    untilOn: day,
    rhythm: RhythmSchema.nullable(),
    yearly: z.boolean(),
    why: z.string().max(160, "Enter at most 160 characters."),
  })
  .refine((s) => s.untilOn >= s.fromOn, {
    path: ["untilOn"],
    message: "Enter a last day that is not before the first.",
  })
  .refine((s) => Date.parse(s.untilOn) - Date.parse(s.fromOn) <= LONGEST_SPELL_MS, {
    path: ["untilOn"],
    message: "Enter a time of a year at most, or change the rhythm itself.",
  });

export const RecurrenceSchema = z
  .object({
    rhythm: RhythmSchema,
    startOn: day,
    fromOn: day.nullable(),
    untilOn: day.nullable(),
    spells: z
      .array(SpellSchema)
      .max(40, "A series can have 40 such times at most: remove one that is over.")
      .readonly(),
  })
  .refine((r) => r.untilOn === null || r.untilOn >= r.startOn, {
    path: ["untilOn"],
    message: "Enter a last day that is not before the first.",
  });
