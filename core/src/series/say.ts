import { longDate, sayDay } from "../calendar/index.ts";
import type { Recurrence, Spell } from "./dates.ts";
import { sayRhythm } from "./rhythm.ts";

/** "Wednesday 25 November", with its year where that is not the one of `today`. */
export function sayOn(on: string, today: string): string {
  return on.slice(0, 4) === today.slice(0, 4) ? longDate(on) : `${longDate(on)} ${on.slice(0, 4)}`;
}

/**
 * How visits recur, a sentence a line: the rhythm, then each time in which it is another.
 *
 * @example
 * // rhythm every second Tuesday from 8 December, paused over the holidays:
 * // ["Every second Tuesday, from Tuesday 8 December.",
 * //  "No visits from Monday 21 December to Sunday 3 January 2027: school holidays."]
 */
export function sayRecurrence(of: Recurrence, today: string): string[] {
  const first = of.fromOn && of.fromOn > of.startOn ? of.fromOn : of.startOn;
  const from = first > today ? `, from ${sayOn(first, today)}` : "";
  const until = of.untilOn ? `, until ${sayOn(of.untilOn, today)}` : "";
  const spells = of.spells.filter((s) => s.yearly || s.untilOn >= today).map((s) => saySpell(s, today));
  return [`${capital(sayRhythm(of.rhythm))}${from}${until}.`, ...spells];
}

function saySpell({ fromOn, untilOn, rhythm, yearly, why }: Spell, today: string): string {
  const what = rhythm ? capital(sayRhythm(rhythm)) : "No visits";
  const when = yearly
    ? `from ${sayDay(fromOn)} to ${sayDay(untilOn)} every year`
    : `from ${sayOn(fromOn, today)} to ${sayOn(untilOn, today)}`;
  return `${what} ${when}${why ? `: ${why}` : ""}.`;
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
