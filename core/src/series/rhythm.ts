import { addDays, weekday } from "../calendar/index.ts";
import { andList } from "../text/index.ts";

/** The last one of the month, as the second Tuesday counts from its beginning. */
export const LAST = -1;

/** Which of a weekday in a month. */
export type Nth = 1 | 2 | 3 | 4 | typeof LAST;

/** How visits recur, as people say it. Weekdays are 1 Monday to 7 Sunday. */
export type Rhythm =
  /** Every `every` weeks (1 to 12) on each of the weekdays, of which there is at least one. */
  | { readonly kind: "weeks"; readonly every: number; readonly weekdays: readonly number[] }
  /** Every `every` days (1 to 60). */
  | { readonly kind: "days"; readonly every: number }
  /** The first to fourth of a weekday in a month, or its last. */
  | { readonly kind: "month-weekday"; readonly nth: Nth; readonly weekday: number }
  /** A day of the month (1 to 31, the last one where the month is shorter), or its last. */
  | { readonly kind: "month-day"; readonly day: number };

const CODES = ["MO", "TU", "WE", "TH", "FR", "SA", "SU"];
const NAMES = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];

/** "Tuesday" of 2. */
export const weekdayName = (day: number): string => NAMES[day - 1] ?? "";

/**
 * RFC 5545 rule of a rhythm.
 *
 * A day that a month does not have is its last one: RFC 5545 would leave the month out, so all days up to it are named
 * and the last that exists is taken.
 *
 * @example
 * ruleOf({ kind: "weeks", every: 2, weekdays: [3] }); // "FREQ=WEEKLY;INTERVAL=2;BYDAY=WE"
 */
export function ruleOf(rhythm: Rhythm): string {
  switch (rhythm.kind) {
    case "weeks":
      return `FREQ=WEEKLY;${interval(rhythm.every)}BYDAY=${[...rhythm.weekdays]
        .sort((a, b) => a - b)
        .map((d) => CODES[d - 1])
        .join(",")}`;
    case "days":
      return `FREQ=DAILY;INTERVAL=${rhythm.every}`;
    case "month-weekday":
      return `FREQ=MONTHLY;BYDAY=${rhythm.nth}${CODES[rhythm.weekday - 1]}`;
    case "month-day":
      return rhythm.day <= SHORTEST_MONTH
        ? `FREQ=MONTHLY;BYMONTHDAY=${rhythm.day}`
        : `FREQ=MONTHLY;BYMONTHDAY=${range(SHORTEST_MONTH, rhythm.day).join(",")};BYSETPOS=-1`;
  }
}

/** Days that every month has. */
const SHORTEST_MONTH = 28;

const interval = (every: number): string => (every > 1 ? `INTERVAL=${every};` : "");

const range = (from: number, to: number): number[] => Array.from({ length: to - from + 1 }, (_, i) => from + i);

/**
 * The rhythm of a rule: the inverse of `ruleOf`.
 *
 * @returns null for a rule that `ruleOf` does not write.
 */
export function rhythmOf(rule: string): Rhythm | null {
  const parts = new Map(rule.split(";").map((part) => part.split("=") as [string, string]));
  const every = Number(parts.get("INTERVAL") ?? 1);
  const days = (parts.get("BYDAY") ?? "").split(",");
  const made = ((): Rhythm | null => {
    switch (parts.get("FREQ")) {
      case "WEEKLY":
        return { kind: "weeks", every, weekdays: days.map((d) => CODES.indexOf(d) + 1) };
      case "DAILY":
        return { kind: "days", every };
      case "MONTHLY":
        return parts.has("BYDAY")
          ? {
              kind: "month-weekday",
              nth: Number.parseInt(days[0] ?? "", 10) as Nth,
              weekday: CODES.indexOf(days[0]?.slice(-2) ?? "") + 1,
            }
          : { kind: "month-day", day: Number((parts.get("BYMONTHDAY") ?? "").split(",").at(-1)) };
      default:
        return null;
    }
  })();
  return made && ruleOf(made) === rule ? made : null;
}

/**
 * Two weekdays that halve the week as evenly as it goes, 3 and 4 days apart, of which one is given.
 *
 * @example
 * evenPair(1); // [1, 4]: Monday and Thursday
 */
export const evenPair = (day: number): readonly [number, number] => [day, ((day + 2) % 7) + 1];

const ORDINALS = ["", "first", "second", "third", "fourth"];

/**
 * A rhythm in words, as it stands in a sentence.
 *
 * @example
 * sayRhythm({ kind: "weeks", every: 2, weekdays: [2] }); // "every second Tuesday"
 */
export function sayRhythm(rhythm: Rhythm): string {
  switch (rhythm.kind) {
    case "weeks":
      return sayWeeks(rhythm.every, [...rhythm.weekdays].sort((a, b) => a - b).map(weekdayName));
    case "days":
      if (rhythm.every === 1) return "every day";
      return rhythm.every === 2 ? "every other day" : `every ${rhythm.every} days`;
    case "month-weekday":
      return `the ${rhythm.nth === LAST ? "last" : ORDINALS[rhythm.nth]} ${weekdayName(rhythm.weekday)} of the month`;
    case "month-day":
      if (rhythm.day === LAST) return "the last day of the month";
      return `the ${ordinal(rhythm.day)} of the month${rhythm.day > SHORTEST_MONTH ? ", or its last day" : ""}`;
  }
}

function sayWeeks(every: number, days: readonly string[]): string {
  const list = andList(days);
  if (every === 1) return days.length === 7 ? "every day" : `every ${list}`;
  const nth = ORDINALS[every];
  if (!nth) return `every ${every} weeks on ${list}`;
  return days.length === 1 ? `every ${nth} ${list}` : `every ${nth} week on ${list}`;
}

const plural = new Intl.PluralRules("en-GB", { type: "ordinal" });
const SUFFIX: Readonly<Record<string, string>> = { one: "st", two: "nd", few: "rd" };
const ordinal = (n: number): string => `${n}${SUFFIX[plural.select(n)] ?? "th"}`;

/** Days between two visits of a rhythm, as they usually are. */
export function usualGapDays(rhythm: Rhythm): number {
  switch (rhythm.kind) {
    case "weeks":
      return (rhythm.every * 7) / rhythm.weekdays.length;
    case "days":
      return rhythm.every;
    default:
      return 30;
  }
}

/** The weekdays a rhythm is bound to; null where it falls on any. */
export function boundTo(rhythm: Rhythm): readonly number[] | null {
  if (rhythm.kind === "weeks") return rhythm.weekdays;
  return rhythm.kind === "month-weekday" ? [rhythm.weekday] : null;
}

/**
 * Where a rhythm that begins on a day counts from: the first of its own weekdays from then on.
 *
 * RFC 5545 counts weeks from Monday: "every second Monday" from a Sunday on would leave the very next one out.
 */
export function countsFrom(rhythm: Rhythm, on: string): string {
  if (rhythm.kind !== "weeks") return on;
  for (let days = 0; days < 7; days++)
    if (rhythm.weekdays.includes(weekday(addDays(on, days)))) return addDays(on, days);
  return on;
}

/** The weekly rhythm of a day: what a form begins with. */
export const weeklyOn = (date: string): Rhythm => ({ kind: "weeks", every: 1, weekdays: [weekday(date)] });
