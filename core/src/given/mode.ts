import type { TankFacts } from "../tank/index.ts";
import type { ExchangeMode } from "../water/index.ts";

/** How water goes out and in on a tank, for the share that takes effect. */
export const modeOf = (facts: TankFacts): ExchangeMode =>
  facts.practice.policy === "continuous" || facts.practice.how === "in-and-out" ? "in-and-out" : "batch";
