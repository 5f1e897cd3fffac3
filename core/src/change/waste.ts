import type { PlanInput } from "../given/index.ts";
import { isSalt } from "../tank/index.ts";

/** Salt water goes into a sewer or away, never into a septic tank or a garden. */
export const mustCarryAway = ({ book, site }: PlanInput): boolean => isSalt(book) && site.drain !== "sewer";
