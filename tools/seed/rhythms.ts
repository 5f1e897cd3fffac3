import { weekday } from "@keel-round/core/calendar";
import { evenPair, ruleOf } from "@keel-round/core/series";

/** The rhythms of the demo's sites. */
export type Rhythm = "weekly" | "twice-weekly" | "fortnightly" | "four-weekly";

const WEEKS: Readonly<Record<Rhythm, number>> = { weekly: 1, "twice-weekly": 1, fortnightly: 2, "four-weekly": 4 };

/** The days of the week on which a rhythm falls whose visit is on a day. */
export function weekdaysOf(rhythm: Rhythm, day: string): readonly number[] {
  return rhythm === "twice-weekly" ? evenPair(weekday(day)) : [weekday(day)];
}

/** The rule of a rhythm of which one visit falls on a day. */
export function ruleOn(rhythm: Rhythm, day: string): string {
  const first = weekday(day);
  return ruleOf({
    kind: "weeks",
    every: WEEKS[rhythm],
    weekdays: rhythm === "twice-weekly" ? evenPair(first) : [first],
  });
}
