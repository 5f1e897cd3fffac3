import type { PlanInput } from "../given/index.ts";
import { isSalt } from "../tank/index.ts";

/** Salt water goes into a sewer or away, never into a septic tank or a garden. */
export const mustCarryAway = ({ facts, site }: PlanInput): boolean => isSalt(facts) && site.drain !== "sewer";
