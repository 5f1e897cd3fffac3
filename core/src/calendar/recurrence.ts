import * as rrule from "rrule";
import { addDays } from "./civil.ts";

// Node sees the library as CommonJS, with everything on the default export; bundlers see its named exports.
const { rrulestr } = "rrulestr" in rrule ? rrule : (rrule as unknown as { default: typeof rrule }).default;

/**
 * Civil dates of a series between two dates, both included.
 *
 * The rule is expanded as floating dates: zones and daylight saving play no part in which day it is.
 *
 * @throws if the rule is not RFC 5545 text.
 * @example
 * occurrences("FREQ=WEEKLY;INTERVAL=2;BYDAY=WE", "2026-11-25", "2026-11-26", "2026-12-31"); // ["2026-12-09", "2026-12-23"]
 */
export function occurrences(rule: string, startDate: string, from: string, to: string): string[] {
  const start = startDate.replaceAll("-", "");
  const series = rrulestr(`DTSTART:${start}T000000Z\nRRULE:${rule}`);
  return series
    .between(new Date(`${from}T00:00:00Z`), new Date(`${addDays(to, 1)}T00:00:00Z`), true)
    .map((d) => d.toISOString().slice(0, 10))
    .filter((d) => d <= to);
}
