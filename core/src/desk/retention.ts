import { z } from "zod";

const months = (least: number) =>
  z
    .number("Enter whole months, or leave it empty.")
    .int("Enter whole months.")
    .min(least, `Enter at least ${least} months.`)
    .max(600, "Enter at most 600 months.")
    .nullable();

/** Whole months for which what is about people is kept; null for as long as the firm is. */
export const RetentionSchema = z.object({
  /** Who signed in, looked at door codes and took data out: 3 to 600. */
  auditMonths: months(3),
  /** What stood at the desk before it was changed: 12 to 600. */
  changeMonths: months(12),
  /** After somebody left, until their name and their words are erased: 1 to 600. */
  leftMonths: months(1),
});
export type Retention = z.infer<typeof RetentionSchema>;

/** What is kept for how long until the firm says otherwise: a year of who looked, the rest for as long as the firm is. */
export const USUAL_RETENTION: Retention = { auditMonths: 12, changeMonths: null, leftMonths: null };

/**
 * The instant before which something kept for so many months goes, in UTC.
 *
 * @param months Whole months; null keeps it for ever.
 * @returns null where nothing goes. The 31st of a month that is shorter counts as its last day.
 * @example
 * keptSince(1, new Date("2026-03-31T12:00:00Z"))?.toISOString(); // "2026-02-28T12:00:00.000Z"
 */
export function keptSince(months: number | null, now: Date): Date | null {
  if (months === null) return null;
  const since = new Date(now);
  const day = since.getUTCDate();
  since.setUTCDate(1);
  since.setUTCMonth(since.getUTCMonth() - months);
  const last = new Date(Date.UTC(since.getUTCFullYear(), since.getUTCMonth() + 1, 0)).getUTCDate();
  since.setUTCDate(Math.min(day, last));
  return since;
}
