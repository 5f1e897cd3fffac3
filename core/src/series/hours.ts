import { addDays, daysBetween, weekday } from "../calendar/index.ts";

/**
 * When a site may be entered, by weekday ("1" Monday), and by date where that differs: null on a date when it is
 * closed. No weekday at all: at any time.
 */
export type OpenDays = Readonly<Partial<Record<string, unknown>>>;

/** Days on which a site keeps other hours than its week says, or is closed. */
export interface OpenDate {
  readonly fromOn: string;
  /** Last day, included; null for the one day. */
  readonly untilOn: string | null;
  /** Hours of the day, 13.5 for half past one; both null where it is closed. */
  readonly opensH: number | null;
  readonly closesH: number | null;
  readonly why: string;
}

/** Hours of a weekday in which somebody else works at a site: nobody comes then. */
export interface BusyHours {
  /** "1" Monday to "7" Sunday. */
  readonly weekday: string;
  readonly fromH: number;
  readonly toH: number;
  readonly who: string;
}

/** When a site may be entered on a day, minutes; not in the hours that are taken. */
export interface Hours {
  readonly from: number;
  readonly to: number;
  readonly taken?: readonly { readonly from: number; readonly to: number }[];
}

/** A year of days at most for one line. */
const MOST_DAYS = 400;

/**
 * When a site may be entered: its week, its own dates, and the public holidays on which it is closed. What the site
 * says of a date counts before a holiday.
 *
 * @example
 * openDays({ "1": 8 }, [{ fromOn: "2026-11-30", untilOn: null, opensH: 9, closesH: 10, why: "" }], [])["2026-11-30"]; // { from: 540, to: 600 }
 */
export function openDays(
  windows: OpenDays,
  dates: readonly OpenDate[],
  holidays: readonly string[],
  busy: readonly BusyHours[] = [],
): OpenDays {
  const days: Record<string, unknown> = withBusy(windows, busy);
  for (const on of holidays) days[on] = null;
  for (const { fromOn, untilOn, opensH, closesH } of dates) {
    const last = Math.min(untilOn === null ? 0 : daysBetween(fromOn, untilOn), MOST_DAYS);
    const span = opensH === null || closesH === null ? null : { from: opensH * 60, to: closesH * 60 };
    for (let i = 0; i <= last; i++) days[addDays(fromOn, i)] = span;
  }
  return days;
}

/** The week with the hours that somebody else has taken; where it may be entered at any time, on every day of it. */
function withBusy(windows: OpenDays, busy: readonly BusyHours[]): Record<string, unknown> {
  if (busy.length === 0) return { ...windows };
  const week = ["1", "2", "3", "4", "5", "6", "7"];
  const always = !week.some((day) => windows[day] !== undefined);
  const days: Record<string, unknown> = { ...windows };
  for (const day of week) {
    const hours = (days[day] ?? (always ? { from: 0, to: 1440 } : undefined)) as Hours | undefined;
    if (!hours) continue;
    const taken = busy.filter((b) => b.weekday === day).map((b) => ({ from: b.fromH * 60, to: b.toH * 60 }));
    days[day] = taken.length > 0 ? { ...hours, taken } : hours;
  }
  return days;
}

const WEEKDAY = /^[1-7]$/;

/** The hours of a site on a day: null for any time, undefined where it is closed. */
function hoursOn(days: OpenDays, on: string): unknown {
  if (days[on] !== undefined) return days[on] ?? undefined;
  const ofDay = days[String(weekday(on))];
  return ofDay !== undefined || Object.keys(days).some((key) => WEEKDAY.test(key)) ? ofDay : null;
}

/** Whether a site may be entered on a day at all. */
export const isOpen = (days: OpenDays, on: string): boolean => hoursOn(days, on) !== undefined;

/** The minutes of a day between which a site may be entered; null at any time, or where it is closed all day. */
export function windowOn(days: OpenDays, on: string): Hours | null {
  return (hoursOn(days, on) as Hours | null | undefined) ?? null;
}

/** Whether a site has hours of its own on a date, or is closed on it, whatever its week says. */
export const isSpecial = (days: OpenDays, on: string): boolean => days[on] !== undefined;
