import { z } from "zod";
import { TANK_KINDS } from "../tank/facts.ts";
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
