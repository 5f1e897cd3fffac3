import type { ReportTank } from "@keel-round/core/report";

/** The jobs of a tank, as they are read; only what there is. */
export const listsOf = ({ done, left }: ReportTank): { readonly title: string; readonly lines: readonly string[] }[] =>
  [
    { title: "Done", lines: done },
    { title: "Not done", lines: left },
  ].filter((l) => l.lines.length > 0);
