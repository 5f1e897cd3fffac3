import { addDays, addMonths } from "../calendar/index.ts";
import { m, say } from "../say/index.ts";
import { METRIC, type UnitPreference } from "../units/index.ts";

/** How long a report reaches. */
export const PERIOD_KINDS = ["month", "quarter", "year"] as const;
export type PeriodKind = (typeof PERIOD_KINDS)[number];

/** Whole months, both days among them. */
export interface Period {
  readonly kind: PeriodKind;
  /** Civil date. */
  readonly fromOn: string;
  /** Civil date. */
  readonly untilOn: string;
}

const MONTHS: Readonly<Record<PeriodKind, number>> = { month: 1, quarter: 3, year: 12 };

const nameOfMonth = (date: string, locale: string, year: boolean): string =>
  new Intl.DateTimeFormat(locale, { month: "long", timeZone: "UTC", ...(year ? { year: "numeric" } : {}) }).format(
    new Date(`${date}T12:00:00Z`),
  );

/**
 * "March 2027" of a civil date.
 *
 * @example
 * monthName("2027-03-14"); // "March 2027"
 */
export const monthName = (date: string, { locale = "en-GB" }: Pick<UnitPreference, "locale"> = {}): string =>
  nameOfMonth(date, locale, true);

/**
 * The period that a day lies in.
 *
 * @example
 * periodWith("quarter", "2026-11-30"); // { kind: "quarter", fromOn: "2026-10-01", untilOn: "2026-12-31" }
 */
export function periodWith(kind: PeriodKind, on: string): Period {
  const months = MONTHS[kind];
  const first = Math.floor((Number(on.slice(5, 7)) - 1) / months) * months + 1;
  const fromOn = `${on.slice(0, 4)}-${String(first).padStart(2, "0")}-01`;
  return { kind, fromOn, untilOn: addDays(addMonths(fromOn, months), -1) };
}

/**
 * The last periods that are over on a day, the newest first.
 *
 * @example
 * periodsBefore("month", "2026-11-30", 1); // [{ kind: "month", fromOn: "2026-10-01", untilOn: "2026-10-31" }]
 */
export function periodsBefore(kind: PeriodKind, on: string, count: number): Period[] {
  const periods: Period[] = [];
  for (let at = periodWith(kind, on); periods.length < count; ) {
    at = periodWith(kind, addDays(at.fromOn, -1));
    periods.push(at);
  }
  return periods;
}

/**
 * A period as people call it.
 *
 * @example
 * periodName({ kind: "quarter", fromOn: "2026-07-01", untilOn: "2026-09-30" }); // "July to September 2026"
 */
export function periodName({ kind, fromOn, untilOn }: Period, units: UnitPreference = METRIC): string {
  if (kind === "year") return fromOn.slice(0, 4);
  if (kind === "month") return monthName(fromOn, units);
  const first = nameOfMonth(fromOn, units.locale ?? "en-GB", false);
  return say(m("report.quarter", { first, last: monthName(untilOn, units) }), units);
}
