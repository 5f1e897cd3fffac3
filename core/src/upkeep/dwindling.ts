import { daysBetween } from "../calendar/civil.ts";
import { byText } from "../text/index.ts";

/** What happened to a group of animals, as far as its size is concerned. */
export interface CountEvent {
  readonly onDate: string;
  readonly kind: "added" | "born" | "lost" | "moved-out" | "counted";
  readonly number: number;
  readonly countAfter: number;
}

/** Losses are looked at over this many days. */
const WINDOW_DAYS = 90;
/** A group dwindles when it lost this share of itself, and at least two animals. */
const SHARE = 0.2;
const LEAST = 2;

/**
 * Whether a group of animals dwindles: how many went for no reason of ours in the last 90 days, and out of how many.
 *
 * Losses count, and counts that found fewer than there should have been; animals that were moved do not. Null for a
 * group that holds its own.
 * @example
 * dwindling([{ kind: "lost", number: 3, countAfter: 7, onDate: "2026-03-01" }], "2026-03-10"); // { "lost": 3, "of": 10 }
 */
export function dwindling(
  events: readonly CountEvent[],
  today: string,
): { readonly lost: number; readonly of: number; readonly days: number } | null {
  const recent = events
    .filter((e) => e.onDate <= today && daysBetween(e.onDate, today) <= WINDOW_DAYS)
    .sort((a, b) => byText(a.onDate, b.onDate));
  let lost = 0;
  let most = 0;
  let before: number | null = null;
  for (const e of recent) {
    const had: number =
      before ?? (e.kind === "lost" || e.kind === "moved-out" ? e.countAfter + e.number : e.countAfter);
    if (e.kind === "lost") lost += e.number;
    if (e.kind === "counted" && before !== null && e.countAfter < before) lost += before - e.countAfter;
    most = Math.max(most, had, e.countAfter);
    before = e.countAfter;
  }
  return lost >= LEAST && lost >= SHARE * most ? { lost, of: most, days: WINDOW_DAYS } : null;
}
