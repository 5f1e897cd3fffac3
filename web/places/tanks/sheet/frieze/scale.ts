import { addDays, daysBetween } from "@keel-round/core/calendar";

/** How far a frieze looks ahead. */
export const SPANS = [
  [84, "12 weeks"],
  [182, "half a year"],
  [364, "a year"],
] as const;
export type SpanDays = (typeof SPANS)[number][0];

/** Units of the drawing. */
export const WIDTH = 1092;
export const NAME_WIDTH = 244;
export const ROW = 27;
export const TOP = 34;
const RIGHT = 14;
/** Room that a day's label takes. */
const LABEL = 62;

/** Days as places across the drawing. */
export interface FriezeScale {
  readonly x: (on: string) => number;
  /** Whether a day lies on the drawing. */
  readonly shows: (on: string) => boolean;
  readonly last: string;
  /** Visits that are named at the top, as far apart as their names need. */
  readonly labels: readonly { readonly on: string; readonly text: string }[];
}

const DAY = new Intl.DateTimeFormat("en-GB", { day: "numeric", timeZone: "UTC" });
const DAY_MONTH = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", timeZone: "UTC" });

/** Lays some days from today across the drawing. */
export function friezeScale(today: string, days: SpanDays, visits: readonly string[]): FriezeScale {
  const last = addDays(today, days);
  const x = (on: string) =>
    NAME_WIDTH + (Math.min(days, Math.max(0, daysBetween(today, on))) / days) * (WIDTH - NAME_WIDTH - RIGHT);
  const labels: { on: string; text: string }[] = [];
  let month = "";
  for (const on of visits) {
    const before = labels.at(-1);
    if (on > last || (before && x(on) - x(before.on) < LABEL)) continue;
    const date = new Date(`${on}T12:00:00Z`);
    labels.push({ on, text: (on.slice(0, 7) === month ? DAY : DAY_MONTH).format(date) });
    month = on.slice(0, 7);
  }
  return { x, shows: (on) => on >= today && on <= last, last, labels };
}
