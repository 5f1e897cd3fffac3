import { addDays, weekday } from "../calendar/index.ts";
import type { Rhythm } from "./rhythm.ts";

const WEEK = 7;

/**
 * A rhythm whose every visit comes some days earlier or later, and the first day from which it counts so.
 *
 * @param firstOn The first visit that is shifted, on its day before.
 * @returns null where no rhythm says it: a day of the month, or a fortnight that would change its week.
 * @example
 * shiftRhythm({ kind: "weeks", every: 2, weekdays: [2] }, 1, "2026-12-01"); // { rhythm: { kind: "weeks", every: 2, weekdays: [3] }, fromOn: "2026-12-01" }
 */
export function shiftRhythm(
  rhythm: Rhythm,
  days: number,
  firstOn: string,
): { readonly rhythm: Rhythm; readonly fromOn: string } | null {
  if (days === 0) return { rhythm, fromOn: firstOn };
  // From the earlier of the two days on: neither the old day nor the new one stands twice.
  const fromOn = days < 0 ? addDays(firstOn, days) : firstOn;
  if (rhythm.kind === "days") return days < 0 ? { rhythm, fromOn } : null;
  if (rhythm.kind !== "weeks" || Math.abs(days) >= WEEK) return null;
  const crosses = rhythm.weekdays.some((d) => d + days < 1 || d + days > WEEK);
  if (crosses && (rhythm.every > 1 || weekday(firstOn) + days < 1)) return null;
  const weekdays = rhythm.weekdays.map((d) => ((((d + days - 1) % WEEK) + WEEK) % WEEK) + 1).sort((a, b) => a - b);
  return { rhythm: { ...rhythm, weekdays }, fromOn };
}
