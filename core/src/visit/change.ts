import { isSalt } from "../tank/index.ts";
import type { Parameter } from "../units/index.ts";
import type { ExchangeMode } from "../water/index.ts";
import { Z95 } from "../worked/index.ts";
import type { PlanInput } from "./inputs.ts";

/** Litres moved are known to about 3 % (95 %). */
export const LITRES_RELATIVE = 0.03 / Z95;

/** Parameters that build up and are held under a ceiling by changes. */
export const CEILINGS: readonly Parameter[] = ["nitrate", "phosphate", "ammonia", "nitrite"];

/** Parameters that are used up and are lifted over a floor by changes, where the new water holds more. */
export const FLOORS: readonly Parameter[] = ["alkalinity", "calcium", "magnesium", "gh"];

/** How water goes out and in on a tank, for the share that takes effect. */
export const modeOf = (book: PlanInput["book"]): ExchangeMode =>
  book.schools.policy === "continuous" || book.schools.how === "in-and-out" ? "in-and-out" : "batch";

/** Salt water goes into a sewer or away, never into a septic tank or a garden. */
export const mustCarryAway = ({ book, site }: PlanInput): boolean => isSalt(book) && site.drain !== "sewer";
