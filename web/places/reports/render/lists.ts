import type { ReportTank } from "@keel-round/core/report";

/** The jobs of a tank, as they are read; only what there is. */
export const listsOf = ({ done, left }: Pick<ReportTank, "done" | "left">): string[] =>
  [done.join(" "), left].filter((line) => line !== "");
