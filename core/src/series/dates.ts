import { addDays, occurrences } from "../calendar/index.ts";
import { isOpen, type OpenDays } from "./hours.ts";
import { boundTo, countsFrom, type Rhythm, ruleOf } from "./rhythm.ts";

/** A time in which a series keeps another rhythm, or none. */
export interface Spell {
  /** First and last day, both included. */
  readonly fromOn: string;
  readonly untilOn: string;
  /** Null where nobody comes. */
  readonly rhythm: Rhythm | null;
  /** Every year between the same two days, from the year of `fromOn` on. */
  readonly yearly: boolean;
  /** Why, as the office said it; empty where it did not. */
  readonly why: string;
}

/** How the visits of a series recur. */
export interface Recurrence {
  readonly rhythm: Rhythm;
  /** Where it counts its weeks and days from; it falls on no earlier day. */
  readonly startOn: string;
  /** First day on which it may fall, where that is later than where it counts from: it goes on from another series. */
  readonly fromOn: string | null;
  /** Last day; null for no end. */
  readonly untilOn: string | null;
  /** Where two meet, the later in the list counts. */
  readonly spells: readonly Spell[];
}

/**
 * Days of a series between two dates, both included, in their order.
 *
 * A spell counts its weeks and days from its own first day; after it the series goes on in its old step, as if there
 * had been none ("weekly for two months, then back").
 */
export function seriesDates(of: Recurrence, from: string, to: string): string[] {
  const first = later(from, later(of.startOn, of.fromOn ?? of.startOn));
  const last = of.untilOn && of.untilOn < to ? of.untilOn : to;
  if (last < first) return [];
  const spells = of.spells.flatMap((s) => timesOf(s, first, last));
  /** Of the spells that hold a day, the one that counts; -1 for the series' own rhythm. */
  const spellOn = (on: string) => spells.findLastIndex((s) => s.fromOn <= on && on <= s.untilOn);
  const own = occurrences(ruleOf(of.rhythm), of.startOn, first, last).filter((on) => spellOn(on) === -1);
  const others = spells.flatMap((s, i) =>
    s.rhythm === null
      ? []
      : occurrences(
          ruleOf(s.rhythm),
          countsFrom(s.rhythm, s.fromOn),
          later(s.fromOn, first),
          earlier(s.untilOn, last),
        ).filter((on) => spellOn(on) === i),
  );
  return [...own, ...others].sort();
}

const later = (a: string, b: string): string => (a > b ? a : b);
const earlier = (a: string, b: string): string => (a < b ? a : b);

interface Time {
  readonly fromOn: string;
  readonly untilOn: string;
  readonly rhythm: Rhythm | null;
}

/** When a spell is, once or in each year that meets the dates. */
function timesOf(spell: Spell, from: string, to: string): Time[] {
  if (!spell.yearly) return [spell];
  const years = yearOf(spell.untilOn) - yearOf(spell.fromOn);
  const begun = Math.max(yearOf(spell.fromOn), yearOf(from) - years);
  return Array.from({ length: Math.max(0, yearOf(to) - begun + 1) }, (_, i) => ({
    fromOn: inYear(spell.fromOn, begun + i),
    untilOn: inYear(spell.untilOn, begun + i + years),
    rhythm: spell.rhythm,
  }));
}

const yearOf = (on: string): number => Number(on.slice(0, 4));

/** The same day of another year; 29 February is the 28th where there is none. */
function inYear(on: string, year: number): string {
  const leap = year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0);
  return `${year}-${on.endsWith("02-29") && !leap ? "02-28" : on.slice(5)}`;
}

/** Days within which a visit that falls on a closed day is looked for another one. */
const NEAR_DAYS = 6;

/**
 * The day on which a visit is really laid: its own, or the nearest on which the site is open, later before earlier.
 *
 * @returns null where none is within six days.
 */
export function landOn(windows: OpenDays, on: string): string | null {
  for (let days = 0; days <= NEAR_DAYS; days++)
    for (const near of [addDays(on, days), addDays(on, -days)]) if (isOpen(windows, near)) return near;
  return null;
}

/** The first day from one on, it included, on which somebody may come. */
export function firstOpen(windows: OpenDays, from: string): string {
  for (let days = 0; days <= NEAR_DAYS; days++) if (isOpen(windows, addDays(from, days))) return addDays(from, days);
  return from;
}

/** The weekdays of a rhythm on which the site is closed: it would never fall on a day on which somebody may come. */
export function closedDays(rhythm: Rhythm, windows: OpenDays): number[] {
  if (!["1", "2", "3", "4", "5", "6", "7"].some((day) => windows[day] !== undefined)) return [];
  return (boundTo(rhythm) ?? []).filter((d) => windows[String(d)] === undefined);
}
