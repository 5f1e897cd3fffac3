import { z } from "zod";
import { REMEDY_UNITS } from "../tank/facts.ts";
import { SWITCH_GEAR } from "../tank/vocabulary.ts";
import { HARMED_CODES, REMEDY_GROUPS, type Remedy } from "./remedy.ts";

/** A remedy as it goes into the log: as its label was then. */
export const RemedySchema: z.ZodType<Remedy> = z.object({
  id: z.uuid(),
  name: z.string().min(1).max(120),
  group: z.enum(REMEDY_GROUPS),
  per100L: z.number().positive().max(1e5).nullable(),
  unit: z.enum(REMEDY_UNITS),
  labelPercent: z.number().positive().max(100).nullable(),
  bottlePercent: z.number().positive().max(100).nullable(),
  doses: z.number().int().min(1).max(60),
  everyDays: z.number().int().min(1).max(60),
  contactDays: z.number().int().min(0).max(120),
  contactMinutes: z.number().min(1).max(600).nullable(),
  harms: z.array(z.enum(HARMED_CODES)).max(20),
  off: z.array(z.enum(SWITCH_GEAR)).max(20),
  carbonOut: z.boolean(),
  changeShare: z.number().gt(0).max(1).nullable(),
  followUpDays: z.number().int().min(0).max(120),
  prescription: z.boolean(),
});
