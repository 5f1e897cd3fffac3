import { Temporal } from "temporal-polyfill";
import { OutOfRangeError } from "../issues/index.ts";

const DAY_MS = 86_400_000;
/** A plan asks for the same few dates thousands of times. What is kept is what never changes; it is dropped when it grows. */
const MOST_KEPT = 20_000;

function kept<K, V>(known: Map<K, V>, key: K, make: () => V): V {
  const found = known.get(key);
  if (found !== undefined) return found;
  const made = make();
  if (known.size >= MOST_KEPT) known.clear();
  known.set(key, made);
  return made;
}

const numbers = new Map<string, number>();
const dates = new Map<number, string>();
const later = new Map<string, string>();

/** Days of a civil date since 1970. */
const dayNumber = (date: string): number => kept(numbers, date, () => Date.parse(`${date}T00:00:00Z`) / DAY_MS);

/**
 * Whole days from one civil date to another; negative if the second is earlier.
 *
 * @example
 * daysBetween("2026-11-25", "2026-12-02"); // 7
 */
export function daysBetween(from: string, to: string): number {
  return Math.round(dayNumber(to) - dayNumber(from));
}

/**
 * A civil date some days later.
 *
 * @example
 * addDays("2026-12-30", 3); // "2027-01-02"
 */
export function addDays(date: string, days: number): string {
  return kept(dates, dayNumber(date) + days, () =>
    new Date((dayNumber(date) + days) * DAY_MS).toISOString().slice(0, 10),
  );
}

const dayAndMonth = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "long", timeZone: "UTC" });

/**
 * "25 November" of a civil date.
 *
 * @example
 * sayDay("2026-11-25"); // "25 November"
 */
export function sayDay(date: string): string {
  return dayAndMonth.format(new Date(`${date}T12:00:00Z`));
}

const weekdayAndDay = new Intl.DateTimeFormat("en-GB", {
  weekday: "long",
  day: "numeric",
  month: "long",
  timeZone: "UTC",
});

/**
 * "Wednesday 25 November" of a civil date.
 *
 * @example
 * longDate("2026-11-25"); // "Wednesday 25 November"
 */
export function longDate(date: string): string {
  return weekdayAndDay.format(new Date(`${date}T12:00:00Z`)).replace(",", "");
}

/**
 * Weekday of a civil date, 1 Monday to 7 Sunday.
 *
 * @example
 * weekday("2026-11-25"); // 3
 */
export function weekday(date: string): number {
  return ((new Date(`${date}T00:00:00Z`).getUTCDay() + 6) % 7) + 1;
}

/**
 * Whether a text is a civil date that exists.
 *
 * @example
 * isCivilDate("2026-02-30"); // false
 */
export function isCivilDate(text: string): boolean {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false;
  const time = Date.parse(`${text}T00:00:00Z`);
  return Number.isFinite(time) && new Date(time).toISOString().startsWith(text);
}

/**
 * The civil date and minute of the day of an instant in a zone.
 *
 * @example
 * civilOf(Date.UTC(2026, 10, 25, 9), "Europe/Berlin"); // { date: "2026-11-25", minute: 600 }
 */
export function civilOf(instantMs: number, zone: string): { readonly date: string; readonly minute: number } {
  const local = Temporal.Instant.fromEpochMilliseconds(instantMs).toZonedDateTimeISO(zone);
  return { date: local.toPlainDate().toString(), minute: local.hour * 60 + local.minute };
}

/**
 * The instant of a civil date and minute in a zone, ms.
 *
 * A time that does not exist moves forward by the gap, one that exists twice is the first (RFC 5545 practice).
 *
 * @throws {OutOfRangeError} for a minute outside the day.
 * @example
 * civilOf(instantOf("2026-03-29", 150, "Europe/Berlin"), "Europe/Berlin"); // { date: "2026-03-29", minute: 210 }
 */
export function instantOf(date: string, minute: number, zone: string): number {
  if (!(minute >= 0 && minute < 1440))
    throw new OutOfRangeError({ code: "out-of-range", field: "minute", value: minute, low: 0, high: 1439 });
  const time = Temporal.PlainTime.from({ hour: Math.floor(minute / 60), minute: Math.floor(minute % 60) });
  const local = Temporal.PlainDate.from(date).toPlainDateTime(time);
  return local.toZonedDateTime(zone, { disambiguation: "compatible" }).epochMilliseconds;
}

/**
 * A civil date some calendar months later; a day that the month does not have becomes its last one.
 *
 * @example
 * addMonths("2026-01-31", 1); // "2026-02-28"
 */
export function addMonths(date: string, months: number): string {
  return kept(later, `${date} ${months}`, () =>
    Temporal.PlainDate.from(date).add({ months }, { overflow: "constrain" }).toString(),
  );
}
