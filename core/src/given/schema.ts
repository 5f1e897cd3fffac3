import { z } from "zod";
import { PARAMETERS } from "../units/parameters.ts";

/** A source of water as it is kept. */
export const SourceFactsSchema = z.object({
  kind: z.enum(["tap", "tap-minerals", "purified", "remineralised", "natural-sea", "mix"]),
  chemistry: z.partialRecord(z.enum(PARAMETERS), z.number()),
  coldC: z.number().min(0).max(40),
  canWarm: z.boolean(),
  conditioner: z
    .object({
      name: z.string().min(1, "Enter the conditioner's name."),
      mlPer100L: z.number().positive(),
      maximumMlPer100L: z.number().positive(),
      bindsAmmonia: z.boolean(),
      removesMgL: z.number().min(0.1).max(20).optional(),
    })
    .optional(),
  chloramineFactor: z.number().positive(),
  salt: z
    .object({
      name: z.string().min(1, "Enter the salt's name."),
      labelGramsPerLitre: z.number().positive(),
      gramsPerLitre: z.number().positive(),
      batches: z.number().int().min(0),
      readyMinutes: z.number().min(0).optional(),
      keepsDays: z.number().positive().optional(),
      scoopGrams: z.number().min(1).max(20_000).optional(),
    })
    .optional(),
  purifier: z
    .object({
      litresPerDayAt25: z.number().positive("Enter what the purifier makes a day, above 0."),
      ratedBar: z.number().positive(),
      bar: z.number().positive().max(30).optional(),
      wasteRatio: z.number().min(0),
      flushMinutes: z.number().min(0),
    })
    .optional(),
  minerals: z
    .object({ name: z.string().min(1, "Enter the name of the minerals."), gramsPer100L: z.number().positive() })
    .optional(),
  heaterW: z.number().min(10).max(20_000).optional(),
  measured: z.array(z.object({ on: z.iso.date(), parameter: z.enum(PARAMETERS), value: z.number() })).optional(),
});
