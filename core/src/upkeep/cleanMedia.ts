import { addDays } from "../calendar/civil.ts";
import type { TankFacts } from "../tank/index.ts";
import { lastsDays } from "./reservoir.ts";

/** Days that a piece of mechanical media stays in, by way of working (field practice); null where there is none. */
export const MEDIA_DAYS: Readonly<Record<TankFacts["practice"]["media"], number | null>> = {
  daily: 1,
  "every-2-3-days": 3,
  weekly: 7,
  none: null,
};

/** Clean pieces that a water change takes beside the ordinary ones: the cloud fills one at once. */
const EXTRA_EACH_CHANGE = 1;

/** How long the clean media on the site's shelf lasts. */
export interface CleanMedia {
  /** The day the last clean piece goes in: wash before it. */
  readonly washBy: string;
  readonly days: number;
}

/**
 * Until when the counted stock of clean media lasts; null where nothing was counted or nothing is swapped.
 *
 * Pieces ÷ (1/days each + one extra ÷ days between changes). Eight at three days last 24 days without changes.
 *
 * @param changeEveryDays Days between water changes; null without any.
 * @example
 * cleanMediaLasts({ practice: { media: "every-2-3-days" }, cleanMedia: 8, cleanMediaOn: "2026-03-01" }, null); // { "days": 24, "washBy": "2026-03-25" }
 */
export function cleanMediaLasts(
  facts: Pick<TankFacts, "practice" | "cleanMedia" | "cleanMediaOn">,
  changeEveryDays: number | null,
): CleanMedia | null {
  const daysEach = MEDIA_DAYS[facts.practice.media];
  if (daysEach === null || facts.cleanMedia === undefined || facts.cleanMediaOn === undefined) return null;
  const extra = changeEveryDays !== null && changeEveryDays > 0 ? EXTRA_EACH_CHANGE / changeEveryDays : 0;
  const days = lastsDays(facts.cleanMedia, 1 / daysEach + extra) ?? 0;
  return { days, washBy: addDays(facts.cleanMediaOn, days) };
}
