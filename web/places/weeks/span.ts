import { addDays, addMonths, daysBetween, isCivilDate } from "@keel-round/core/calendar";
import { mondayOf } from "@keel-round/core/weeks";

/** How much of the calendar is shown: a week of everybody, four of them, or a month of one person. */
export type Span = "week" | "cycle" | "month";

/** The weeks that an address asks for. */
export interface Asked {
  readonly span: Span;
  readonly from: string;
  readonly to: string;
  /** The Mondays of the weeks shown. */
  readonly mondays: readonly string[];
}

const WEEKS: Readonly<Record<Exclude<Span, "month">, number>> = { week: 1, cycle: 4 };

/** Reads an address; a day that is none means today. */
export function askedFor(
  { from, span }: { from?: string | undefined; span?: string | undefined },
  today: string,
): Asked {
  const day = from !== undefined && isCivilDate(from) ? from : today;
  const wanted: Span = span === "cycle" || span === "month" ? span : "week";
  const monday = mondayOf(wanted === "month" ? `${day.slice(0, 8)}01` : day);
  const last = wanted === "month" ? addDays(addMonths(`${day.slice(0, 8)}01`, 1), -1) : null;
  const weeks = last ? Math.floor(daysBetween(monday, last) / 7) + 1 : WEEKS[wanted as "week"];
  const mondays = Array.from({ length: weeks }, (_, i) => addDays(monday, 7 * i));
  return { span: wanted, from: monday, to: addDays(monday, 7 * weeks - 1), mondays };
}

/** The day to ask for to see the time before or after the one shown. */
export function stepFrom({ span, mondays }: Asked, by: 1 | -1): string {
  const [first] = mondays as [string];
  if (span === "month") return addMonths(`${addDays(first, 6).slice(0, 8)}01`, by);
  return addDays(first, 7 * by * WEEKS[span]);
}
