import { isSalt } from "../tank/index.ts";
import type { PlanInput } from "./inputs.ts";

/** Salt water goes into a sewer or away, never into a septic tank or a garden. */
export const mustCarryAway = ({ book, site }: PlanInput): boolean => isSalt(book) && site.drain !== "sewer";
