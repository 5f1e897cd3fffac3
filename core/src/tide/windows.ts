import { getTimes } from "suncalc";
import { addDays, civilOf, instantOf } from "../calendar/index.ts";
import { type Extreme, extremesOf, type Level, passesAt } from "./level.ts";
import type { TideStation } from "./schema.ts";

type Place = Pick<TideStation, "lat" | "lon">;

/** What a collecting place asks of the tide. */
export interface Asks {
  /** Height that the water must have there, m above the datum; null: any. */
  readonly aboveM: number | null;
  /** Minutes before and after high water; null: any. */
  readonly withinMinutes: number | null;
  /** Only between sunrise and sunset. */
  readonly lightOnly: boolean;
}

/** A time in which sea water may be collected, minutes of the day at the firm. */
export interface TideWindow {
  readonly from: number;
  readonly to: number;
  readonly highAt: number;
  readonly highM: number;
}

/** The tide of a day at a place. */
export interface TideDay {
  readonly windows: readonly TideWindow[];
  /** High and low waters, minutes of the day. */
  readonly turns: readonly { readonly kind: Extreme["kind"]; readonly minute: number; readonly heightM: number }[];
  /** Heights along the day, m, one every `TIDE_STEP_MINUTES` from midnight to midnight. */
  readonly heightsM: readonly number[];
  /** Sunrise and sunset; null where the sun does neither. */
  readonly light: { readonly from: number; readonly to: number } | null;
}

export const TIDE_STEP_MINUTES = 20;
const MINUTE_MS = 60_000;
const DAY_MINUTES = 1440;
/** A high water lies within a day of any moment. */
const LOOK_MINUTES = 1000;

/** The tide of a civil day, and when sea water may be collected on it. */
export function tideOn(level: Level, place: Place, asks: Asks, on: string, zone: string): TideDay {
  const startMs = instantOf(on, 0, zone);
  const endMs = instantOf(addDays(on, 1), 0, zone);
  const minute = (ms: number) => minuteOf(ms, on, zone);
  const all = extremesOf(level, startMs - LOOK_MINUTES * MINUTE_MS, endMs + LOOK_MINUTES * MINUTE_MS);
  const light = lightOn(place, on, zone);
  const windows = all.flatMap((high, i): TideWindow[] => {
    const [before, after] = [all[i - 1], all[i + 1]];
    if (high.kind !== "high" || !before || !after) return [];
    const stands = standsAbove(level, high, before, after, asks.aboveM);
    if (!stands) return [];
    const near = (asks.withinMinutes ?? Number.POSITIVE_INFINITY) * MINUTE_MS;
    const fromMs = Math.max(stands.fromMs, high.atMs - near, startMs);
    const toMs = Math.min(stands.toMs, high.atMs + near, endMs);
    if (fromMs >= toMs) return [];
    const sun = asks.lightOnly ? light : { from: 0, to: DAY_MINUTES };
    const from = Math.max(minute(fromMs), sun?.from ?? DAY_MINUTES);
    const to = Math.min(toMs === endMs ? DAY_MINUTES : minute(toMs), sun?.to ?? 0);
    return from < to ? [{ from, to, highAt: minute(high.atMs), highM: high.heightM }] : [];
  });
  return {
    windows,
    turns: all
      .filter((e) => e.atMs >= startMs && e.atMs < endMs)
      .map((e) => ({ kind: e.kind, minute: minute(e.atMs), heightM: e.heightM })),
    heightsM: Array.from({ length: DAY_MINUTES / TIDE_STEP_MINUTES + 1 }, (_, i) =>
      level(startMs + ((endMs - startMs) * i * TIDE_STEP_MINUTES) / DAY_MINUTES),
    ),
    light,
  };
}

/** Around a high water: from when until when it stands above a height. */
function standsAbove(level: Level, high: Extreme, before: Extreme, after: Extreme, aboveM: number | null) {
  if (aboveM === null) return { fromMs: before.atMs, toMs: after.atMs };
  if (high.heightM < aboveM) return null;
  return {
    fromMs: before.heightM >= aboveM ? before.atMs : passesAt(level, aboveM, before.atMs, high.atMs),
    toMs: after.heightM >= aboveM ? after.atMs : passesAt(level, aboveM, high.atMs, after.atMs),
  };
}

/** The minute of a day's clock; one of the night before is below 0, one of the night after above 1440. */
function minuteOf(ms: number, on: string, zone: string): number {
  const at = civilOf(ms, zone);
  if (at.date === on) return at.minute;
  return at.date < on ? at.minute - DAY_MINUTES : at.minute + DAY_MINUTES;
}

/**
 * Sunrise and sunset, minutes of the day; null where the sun stays up or down.
 *
 * @example
 * lightOn({ lat: 51.48, lon: 0 }, "2026-06-21", "Europe/London"); // { from: 283, to: 1280 }
 */
export function lightOn(place: Place, on: string, zone: string): TideDay["light"] {
  const { sunrise, sunset, alwaysUp } = getTimes(new Date(instantOf(on, DAY_MINUTES / 2, zone)), place.lat, place.lon);
  if (!sunrise || !sunset) return alwaysUp ? { from: 0, to: DAY_MINUTES } : null;
  // Whole minutes of light: the one in which the sun rises is not, the one in which it sets is over.
  return { from: minuteOf(+sunrise + MINUTE_MS - 1, on, zone), to: minuteOf(+sunset, on, zone) };
}
