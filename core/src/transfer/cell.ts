import { FieldError } from "../desk/index.ts";

/** Which sign a file writes decimals with. */
export type DecimalSign = "." | ",";
/** Which part of a date stands first in a file. */
export type DateOrder = "ymd" | "dmy" | "mdy";

/** A cell that a spreadsheet would compute instead of showing. A sign before a digit is a number. */
export function isFormula(text: string): boolean {
  return /^\s*(=|[+\-@][\p{L}(])/u.test(text);
}

/** A text as it is written to a file, so that no spreadsheet takes it for a formula. */
export function guardText(text: string): string {
  return /^['=+\-@\t\r]/.test(text) ? `'${text}` : text;
}

/** The inverse of `guardText`. */
export function unguardText(text: string): string {
  return /^'['=+\-@\t\r]/.test(text) ? text.slice(1) : text;
}

/** The decimal sign of a column, from some of its cells; a point where nothing tells. */
export function guessDecimal(cells: readonly string[]): DecimalSign {
  for (const cell of cells) {
    const comma = cell.lastIndexOf(",");
    const point = cell.lastIndexOf(".");
    if (comma >= 0 && point >= 0) return comma > point ? "," : ".";
    // "1,234" may be thousands; anything else after one comma is a decimal.
    if (comma >= 0 && /^\s*[+-]?\d+,\d+\s*$/.test(cell) && !/,\d{3}\s*$/.test(cell)) return ",";
  }
  return cells.some((c) => /\d,\d{3}\s*$/.test(c)) &&
    !cells.some((c) => /\d\.\d/.test(c)) &&
    cells.every((c) => !/^\d{1,3}(,\d{3})+$/.test(c.trim()))
    ? ","
    : ".";
}

/**
 * A number in a file's style.
 *
 * @throws {FieldError} for anything else, a formula among them.
 */
export function readNumber(text: string, sign: DecimalSign): number {
  if (isFormula(text)) throw new FieldError("This cell holds a formula. Paste its value instead.");
  const other = sign === "." ? "," : ".";
  const plain = text.trim().replace(/[\s\u00a0\u2009\u202f']/g, "");
  const whole = plain.split(other).join("").replace(sign, ".");
  if (!/^[+-]?(\d+(\.\d*)?|\.\d+)$/.test(whole)) throw new FieldError(`“${text.trim().slice(0, 40)}” is not a number.`);
  return Number(whole);
}

const MONTHS = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];

/** A civil date with the time and the offset that stood beside it, if any did. */
export interface Moment {
  readonly date: string;
  /** Of the day, with its seconds as a fraction. */
  readonly minute: number | null;
  /** Minutes east of Greenwich; null for a local time. */
  readonly offsetMinutes: number | null;
}

/** Year, month and day of a text, before it is known which number is which. */
function dateParts(
  text: string,
): { readonly numbers: readonly [number, number, number]; readonly order: DateOrder | null } | null {
  const named = /^(\d{1,2})\.?[\s-]+(\p{L}{3,})\.?,?[\s-]+(\d{2,4})$/u.exec(text) ?? null;
  if (named) {
    const month = MONTHS.indexOf((named[2] ?? "").slice(0, 3).toLowerCase()) + 1;
    return month > 0 ? { numbers: [Number(named[1]), month, Number(named[3])], order: "dmy" } : null;
  }
  const american = /^(\p{L}{3,})\.?\s+(\d{1,2}),?\s+(\d{2,4})$/u.exec(text);
  if (american) {
    const month = MONTHS.indexOf((american[1] ?? "").slice(0, 3).toLowerCase()) + 1;
    return month > 0 ? { numbers: [Number(american[2]), month, Number(american[3])], order: "dmy" } : null;
  }
  const plain = /^(\d{1,4})[./-](\d{1,2})[./-](\d{1,4})$/.exec(text);
  if (!plain) return null;
  const numbers = [Number(plain[1]), Number(plain[2]), Number(plain[3])] as const;
  return { numbers, order: (plain[1] ?? "").length === 4 ? "ymd" : null };
}

/** Splits "2026-03-01 09:30", "1.3.26 9.30 pm" or "2026-03-01T09:30:00Z" into its date, time and zone. */
function splitMoment(text: string): { date: string; time: string | null; zone: string | null } {
  const match =
    /^(.*?)(?:[T,\s]+(\d{1,2}[:.]\d{2}(?::\d{2}(?:\.\d+)?)?\s*(?:[ap]\.?m\.?)?))?\s*(Z|[+-]\d{2}:?\d{2})?$/i.exec(
      text.trim(),
    );
  return { date: match?.[1]?.trim() ?? text.trim(), time: match?.[2] ?? null, zone: match?.[3] ?? null };
}

/** The order of a file's dates, from some of its cells; null where every one of them could be read both ways. */
export function guessDateOrder(cells: readonly string[]): DateOrder | null {
  let seen: DateOrder | null = null;
  for (const cell of cells) {
    const parts = dateParts(splitMoment(cell).date);
    if (!parts) continue;
    if (parts.order === "ymd") return "ymd";
    if (parts.order) {
      seen ??= "dmy";
      continue;
    }
    if (parts.numbers[0] > 12) return "dmy";
    if (parts.numbers[1] > 12) return "mdy";
  }
  return seen;
}

/** Two figures of a year: up to this year's and one more they are of this century. */
const CENTURY_TURN = 70;

function readTime(text: string): number {
  const match = /^(\d{1,2})[:.](\d{2})(?::(\d{2}(?:\.\d+)?))?\s*([ap])?/i.exec(text.trim());
  const half = match?.[4]?.toLowerCase();
  const second = Number(match?.[3] ?? 0);
  const hour = (Number(match?.[1]) % (half ? 12 : 24)) + (half === "p" ? 12 : 0);
  const minute = Number(match?.[2]);
  if (!match || Number(match[1]) > (half ? 12 : 23) || minute > 59 || second >= 60)
    throw new FieldError(`“${text}” is not a time of day.`);
  return hour * 60 + minute + second / 60;
}

/**
 * A date, or a date and a time, as a file writes it.
 *
 * @throws {FieldError} for a day that does not exist, or one that could be read both ways while `order` is null.
 */
export function readMoment(text: string, order: DateOrder | null): Moment {
  const { date, time, zone } = splitMoment(text);
  const parts = dateParts(date);
  if (!parts) throw new FieldError(`“${text.trim().slice(0, 40)}” is not a date.`);
  const which = parts.order ?? order;
  if (!which) throw new FieldError(`“${date}” could be read with the day or the month first. Say which it is.`);
  const [a, b, c] = parts.numbers;
  const [year, month, day] = which === "ymd" ? [a, b, c] : which === "dmy" ? [c, b, a] : [c, a, b];
  const full = year >= 100 ? year : year + (year >= CENTURY_TURN ? 1900 : 2000);
  const iso = `${String(full).padStart(4, "0")}-${String(month).padStart(2, "0")}-${String(day).padStart(2, "0")}`;
  const at = new Date(`${iso}T00:00:00Z`);
  if (Number.isNaN(at.getTime()) || at.toISOString().slice(0, 10) !== iso)
    throw new FieldError(`“${date}” does not exist as a day.`);
  const offset = zone === null ? null : /^z$/i.test(zone) ? 0 : zoneMinutes(zone);
  return { date: iso, minute: time === null ? null : readTime(time), offsetMinutes: offset };
}

function zoneMinutes(zone: string): number {
  const match = /^([+-])(\d{2}):?(\d{2})$/.exec(zone);
  const minutes = Number(match?.[2]) * 60 + Number(match?.[3]);
  return match?.[1] === "-" ? -minutes : minutes;
}
