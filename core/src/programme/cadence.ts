import { addDays, addMonths } from "../calendar/civil.ts";
import { andList, counted } from "../text/index.ts";
import type { Parameter } from "../units/index.ts";

/** How far from its day a job may come. */
export interface Window {
  /** Days late; days early too, unless those are told. */
  readonly giveDays: number;
  /** Days early, where they are others than the days late. */
  readonly earlyDays?: number | undefined;
}

/** Days that a job may come before its day. */
export const earlyDaysOf = (window: Window): number => window.earlyDays ?? window.giveDays;

/** Days that a day lies outside of a window, `offDays` after the due one or, negative, before it. */
export const beyondWindowDays = (window: Window, offDays: number): number =>
  Math.max(0, offDays < 0 ? -offDays - earlyDaysOf(window) : offDays - window.giveDays);

/** A window as far as it fits into a cadence. */
export function windowWithin({ giveDays, earlyDays }: Window, mostDays: number): Window {
  const late = Math.min(giveDays, mostDays);
  return earlyDays === undefined ? { giveDays: late } : { giveDays: late, earlyDays: Math.min(earlyDays, mostDays) };
}

/** Units of time that a cadence counts in. */
export const CADENCE_UNITS = ["day", "week", "month", "year"] as const;
export type CadenceUnit = (typeof CADENCE_UNITS)[number];

/** What a tank lives through that calls for jobs of its own. */
export const CADENCE_EVENTS = ["stocking", "treatment", "new-lamp"] as const;
export type CadenceEvent = (typeof CADENCE_EVENTS)[number];

/** Equipment whose hours are counted. */
export const CADENCE_GEAR = ["uv", "light", "return-pump", "wave-maker", "heater", "chiller", "skimmer"] as const;
export type CadenceGear = (typeof CADENCE_GEAR)[number];

/** What is seen that calls for a job. */
export type Sign =
  /** The measured flow fell by this share of what it was after the last service, 0 to 1. */
  | { readonly of: "flow"; readonly lostShare: number }
  /** Dissolved matter of the purified water, mg/L. */
  | { readonly of: "tds"; readonly aboveMgL: number }
  /** Another job of the tank was rated this dirty or worse, 1 to 5. */
  | { readonly of: "dirt"; readonly job: string; readonly atLeast: number }
  /** A reading outside the tank's ideal band. */
  | { readonly of: "band"; readonly parameter: Parameter };

/** When a job falls due. */
export type Cadence =
  | {
      readonly by: "time";
      readonly every: number;
      readonly unit: CadenceUnit;
      /** Counted from a fixed grid, whenever it was done; else from the day it was done. */
      readonly grid?: boolean | undefined;
    }
  | { readonly by: "hours"; readonly hours: number; readonly of: CadenceGear }
  | { readonly by: "sign"; readonly sign: Sign; readonly atLatestDays: number | null }
  /** Civil days after it, in their order. */
  | { readonly by: "event"; readonly after: CadenceEvent; readonly onDays: readonly number[] }
  /** While a part of the year lasts, "MM-DD" to "MM-DD", which may run over New Year. */
  | {
      readonly by: "season";
      readonly from: string;
      readonly to: string;
      readonly every: number;
      readonly unit: CadenceUnit;
    };

/** Average days of a unit, for windows and for what is compared. */
const UNIT_DAYS: Record<CadenceUnit, number> = { day: 1, week: 7, month: 30.4375, year: 365.25 };

const whole = (every: number, unit: CadenceUnit): number => Math.max(1, Math.round(every * UNIT_DAYS[unit]));

/** Days that a cadence comes to where it can be told without looking at the tank; null where it cannot. */
export function daysOf(cadence: Cadence): number | null {
  switch (cadence.by) {
    case "time":
      return whole(cadence.every, cadence.unit);
    case "sign":
      return cadence.atLatestDays;
    case "season":
      return whole(cadence.every, cadence.unit);
    default:
      return null;
  }
}

/** The day some units of time after another: months and years by the calendar, a day that does not exist becomes the month's last. */
export function afterUnits(date: string, every: number, unit: CadenceUnit): string {
  if (unit === "day" || unit === "week") return addDays(date, every * UNIT_DAYS[unit]);
  return addMonths(date, unit === "year" ? every * 12 : every);
}

/** Whether a day lies in a part of the year, "MM-DD" to "MM-DD", both included. */
export function inSeason(date: string, { from, to }: { readonly from: string; readonly to: string }): boolean {
  const day = date.slice(5);
  return from <= to ? day >= from && day <= to : day >= from || day <= to;
}

/** The first day of a season that is not before a date: the date itself while the season lasts. */
export function nextInSeason(date: string, season: { readonly from: string; readonly to: string }): string {
  if (inSeason(date, season)) return date;
  const year = Number(date.slice(0, 4));
  return date.slice(5) < season.from ? `${year}-${season.from}` : `${year + 1}-${season.from}`;
}

const UNIT_WORD: Record<CadenceUnit, string> = { day: "day", week: "week", month: "month", year: "year" };
const EVENT_WORD: Record<CadenceEvent, string> = {
  stocking: "stocking",
  treatment: "a treatment",
  "new-lamp": "a new lamp",
};
const GEAR_WORD: Record<CadenceGear, string> = {
  uv: "UV lamp",
  light: "light",
  "return-pump": "return pump",
  "wave-maker": "wave-maker",
  heater: "heater",
  chiller: "chiller",
  skimmer: "skimmer",
};
const MONTHS = [
  "January",
  "February",
  "March",
  "April",
  "May",
  "June",
  "July",
  "August",
  "September",
  "October",
  "November",
  "December",
];

const everyWords = (every: number, unit: CadenceUnit) =>
  every === 1 ? `every ${UNIT_WORD[unit]}` : `every ${every} ${UNIT_WORD[unit]}s`;
const monthDay = (text: string) => `${Number(text.slice(3))} ${MONTHS[Number(text.slice(0, 2)) - 1] ?? text}`;
const latest = (days: number | null) => (days === null ? "" : `, at the latest every ${daysWords(days)}`);

/** Days in the largest unit that holds them whole: "3 weeks", "10 days". */
export function daysWords(days: number): string {
  const [n, unit] = days % 7 === 0 && days >= 7 ? [days / 7, "week"] : [days, "day"];
  return counted(n, unit);
}

const dayCount = (days: number) => counted(days, "day");

/** A window in words, with the comma before it; nothing where there is none. */
function windowWords(window: Window): string {
  const { giveDays: late } = window;
  const early = earlyDaysOf(window);
  if (early === late) return late === 0 ? "" : `, give or take ${dayCount(late)}`;
  if (early === 0) return `, never early, up to ${dayCount(late)} late`;
  if (late === 0) return `, up to ${dayCount(early)} early, never late`;
  return `, up to ${dayCount(early)} early or ${late} late`;
}

/**
 * A cadence as a person says it; what `parseCadence` reads back.
 *
 * @example
 * sayCadence({ by: "time", every: 3, unit: "week" }, { giveDays: 4 }); // "every 3 weeks, give or take 4 days"
 * sayCadence({ by: "time", every: 3, unit: "week" }, { giveDays: 6, earlyDays: 2 }); // "every 3 weeks, up to 2 days early or 6 late"
 */
export function sayCadence(cadence: Cadence, window: Window = { giveDays: 0 }): string {
  const give = windowWords(window);
  switch (cadence.by) {
    case "time":
      return `${everyWords(cadence.every, cadence.unit)}${cadence.grid ? " on the grid" : ""}${give}`;
    case "hours":
      return `after ${cadence.hours} hours of the ${GEAR_WORD[cadence.of]}${give}`;
    case "event":
      return `${andList(cadence.onDays.map(String))} day${cadence.onDays.length === 1 && cadence.onDays[0] === 1 ? "" : "s"} after ${EVENT_WORD[cadence.after]}${give}`;
    case "season":
      return `${everyWords(cadence.every, cadence.unit)} from ${monthDay(cadence.from)} to ${monthDay(cadence.to)}${give}`;
    case "sign":
      return `${signWords(cadence.sign)}${latest(cadence.atLatestDays)}${give}`;
  }
}

function signWords(sign: Sign): string {
  switch (sign.of) {
    case "flow":
      return `when the flow is down ${Math.round(sign.lostShare * 100)} %`;
    case "tds":
      return `when TDS is above ${sign.aboveMgL}`;
    case "dirt":
      return `when ${sign.job} is rated ${sign.atLeast}`;
    case "band":
      return `when ${sign.parameter} is out of band`;
  }
}

/** Whether days in use are what a cadence comes to: nothing has been learnt from how dirty it was. */
export function everyDaysMatch(cadence: Cadence, everyDays: number): boolean {
  return daysOf(cadence) === everyDays;
}
