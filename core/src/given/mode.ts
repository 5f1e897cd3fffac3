import type { TankBook } from "../tank/index.ts";
import type { ExchangeMode } from "../water/index.ts";

/** How water goes out and in on a tank, for the share that takes effect. */
export const modeOf = (book: TankBook): ExchangeMode =>
  book.schools.policy === "continuous" || book.schools.how === "in-and-out" ? "in-and-out" : "batch";
