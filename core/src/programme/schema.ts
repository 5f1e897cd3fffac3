import { z } from "zod";
import { TANK_KINDS } from "../tank/book.ts";
import { PARAMETERS } from "../units/parameters.ts";
import { CADENCE_EVENTS, CADENCE_GEAR, CADENCE_UNITS } from "./cadence.ts";
import { RESULTS } from "./firmJob.ts";
import { PERFORMERS, PHASES, SKILLS } from "./job.ts";

/** A firm's job as it is kept. */
export const FirmJobSchema = z.object({
  when: z.string(),
  by: z.enum(PERFORMERS),
  phase: z.enum(PHASES),
  minutes: z.number().positive("A job takes some time.").max(480),
  aloneMinutes: z.number().min(0).max(480).optional(),
  reason: z.string().min(1, "Say why it is done: a beginner reads it."),
  caution: z.string().optional(),
  kit: z.string().optional(),
  uses: z.string().optional(),
  result: z.enum(RESULTS),
  skills: z.array(z.enum(SKILLS)).optional(),
  kinds: z.array(z.enum(TANK_KINDS)).optional(),
  after: z.string().optional(),
  before: z.string().optional(),
  media: z.enum(["media", "deep-clean"]).optional(),
});

const monthDay = z.string().regex(/^\d\d-\d\d$/);
const every = z.number().int().min(1, "Every 0 is no cadence: enter 1 or more.");
const unit = z.enum(CADENCE_UNITS);

/** A cadence as it is kept. */
export const CadenceSchema = z.discriminatedUnion("by", [
  z.object({ by: z.literal("time"), every, unit, grid: z.boolean().optional() }),
  z.object({ by: z.literal("hours"), hours: z.number().positive(), of: z.enum(CADENCE_GEAR) }),
  z.object({
    by: z.literal("sign"),
    sign: z.discriminatedUnion("of", [
      z.object({ of: z.literal("flow"), lostShare: z.number().gt(0).lt(1) }),
      z.object({ of: z.literal("tds"), aboveMgL: z.number().min(0) }),
      z.object({ of: z.literal("dirt"), job: z.string(), atLeast: z.number().int().min(1).max(5) }),
      z.object({ of: z.literal("band"), parameter: z.enum(PARAMETERS) }),
    ]),
    atLatestDays: z.number().int().positive().nullable(),
  }),
  z.object({ by: z.literal("event"), after: z.enum(CADENCE_EVENTS), onDays: z.array(z.number().int().min(0)) }),
  z.object({ by: z.literal("season"), from: monthDay, to: monthDay, every, unit }),
]);
