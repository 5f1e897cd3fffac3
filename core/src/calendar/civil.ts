import { Temporal } from "temporal-polyfill";
import { OutOfRangeError } from "../issues/index.ts";

const DAY_MS = 86_400_000;

/** Every plan asks for the same few dates again. What is kept never changes; it is dropped when it grows. */
const MOST_KEPT = 20_000;
const dates = new Map<number, string>();

const ZERO = 48;
/** Two digits of a text as a number. Faster than cutting them out, and a plan reads some hundred dates. */
const two = (text: string, at: number): number => (text.charCodeAt(at) - ZERO) * 10 + text.charCodeAt(at + 1) - ZERO;
const yearOf = (date: string): number => two(date, 0) * 100 + two(date, 2);

/**
 * Days of a civil date since 1970. A year is counted from March, so that its last day is the one that leap years add.
 *
 * Source: E. M. Reingold, N. Dershowitz, Calendrical Calculations, 4th ed. 2018, chapter 2.
 */
function dayNumber(date: string): number {
  const month = two(date, 5);
  const year = month > 2 ? yearOf(date) : yearOf(date) - 1;
  const ofYear = Math.floor((153 * ((month + 9) % 12) + 2) / 5) + two(date, 8) - 1;
  return 365 * year + Math.floor(year / 4) - Math.floor(year / 100) + Math.floor(year / 400) + ofYear - DAYS_TO_1970;
}

/** From 1 March of the year 0. */
const DAYS_TO_1970 = 719_468;

/** The civil date so many days after 1970. */
function dateOf(day: number): string {
  const known = dates.get(day);
  if (known !== undefined) return known;
  const date = new Date(day * DAY_MS).toISOString().slice(0, 10);
  if (dates.size >= MOST_KEPT) dates.clear();
  dates.set(day, date);
  return date;
}

/**
 * Whole days from one civil date to another; negative if the second is earlier.
 *
 * @example
 * daysBetween("2026-11-25", "2026-12-02"); // 7
 */
export function daysBetween(from: string, to: string): number {
  return dayNumber(to) - dayNumber(from);
}

/**
 * A civil date some days later.
 *
 * @example
 * addDays("2026-12-30", 3); // "2027-01-02"
 */
export function addDays(date: string, days: number): string {
  return dateOf(dayNumber(date) + days);
}

const BRITISH = "en-GB";
const formats = new Map<string, Intl.DateTimeFormat>();

/** The format of a locale: making one takes longer than using it. */
function formatOf(locale: string, weekday: boolean): Intl.DateTimeFormat {
  const key = `${locale} ${weekday}`;
  const known = formats.get(key);
  if (known) return known;
  const made = new Intl.DateTimeFormat(locale, {
    ...(weekday ? { weekday: "long" } : {}),
    ...{ day: "numeric", month: "long", timeZone: "UTC" },
  });
  formats.set(key, made);
  return made;
}

/**
 * "25 November" of a civil date.
 *
 * @example
 * sayDay("2026-11-25"); // "25 November"
 * sayDay("2026-11-25", "en-US"); // "November 25"
 */
export function sayDay(date: string, locale = BRITISH): string {
  return formatOf(locale, false).format(new Date(`${date}T12:00:00Z`));
}

/**
 * "Wednesday 25 November" of a civil date.
 *
 * @example
 * longDate("2026-11-25"); // "Wednesday 25 November"
 */
export function longDate(date: string, locale = BRITISH): string {
  const said = formatOf(locale, true).format(new Date(`${date}T12:00:00Z`));
  return locale === BRITISH ? said.replace(",", "") : said;
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
  const month = two(date, 5) - 1 + months;
  const firstOf = Date.UTC(yearOf(date), month, 1) / DAY_MS;
  const lastDay = Date.UTC(yearOf(date), month + 1, 0) / DAY_MS;
  return dateOf(Math.min(firstOf + two(date, 8) - 1, lastDay));
}
