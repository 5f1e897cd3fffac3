import type { Parameter } from "../units/index.ts";
import { Z95 } from "../worked/index.ts";

/** Litres moved are known to about 3 % (95 %); one sigma, relative. */
export const LITRES_RELATIVE = 0.03 / Z95;

/** Parameters that build up and are held under a ceiling by changes. */
export const CEILINGS: readonly Parameter[] = ["nitrate", "phosphate", "ammonia", "nitrite"];

/** Parameters that are used up and are lifted over a floor by changes, where the new water holds more. */
export const FLOORS: readonly Parameter[] = ["alkalinity", "calcium", "magnesium", "gh"];
