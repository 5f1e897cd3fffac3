import { astro, constituents } from "@neaps/tide-predictor";
import type { TideStation } from "./schema.ts";

const RADIANS = Math.PI / 180;
const HOUR_MS = 3_600_000;
const MINUTE_MS = 60_000;

/** Metres above a station's datum at a moment, ms since 1970. */
export type Level = (atMs: number) => number;

/**
 * The tide of a station: h(t) = z0 + Σ f·A·cos(V(t) + u − g).
 *
 * V, f and u are the library's, at the moment itself; f is 1 and u is 0 where the file's amplitudes are those of its
 * own year, and plain phases run by speed alone from the file's moment.
 *
 * Source: P. Schureman, Manual of Harmonic Analysis and Prediction of Tides, US Coast and Geodetic Survey 98, 1958.
 */
export function levelOf(station: TideStation): Level {
  const parts = station.constituents.flatMap(({ name, amplitudeM, phaseDeg }) => {
    const of = constituents[name];
    return of ? [{ of, amplitudeM, phaseDeg }] : [];
  });
  const epochMs = Date.parse(station.epoch ?? "");
  return (atMs) => {
    const sky = station.phases === "plain" ? null : astro(new Date(atMs));
    let metres = station.z0M;
    for (const { of, amplitudeM, phaseDeg } of parts) {
      const degrees = sky ? of.value(sky) : (of.speed * (atMs - epochMs)) / HOUR_MS;
      const { f, u } = sky && station.phases === "nodal" ? of.correction(sky) : { f: 1, u: 0 };
      metres += f * amplitudeM * Math.cos((degrees + u - phaseDeg) * RADIANS);
    }
    return metres;
  };
}

/** A high or a low water. */
export interface Extreme {
  readonly kind: "high" | "low";
  /** To the minute, ms since 1970. */
  readonly atMs: number;
  readonly heightM: number;
}

/** Between two looks a tide does not turn twice. */
const STEP_MS = 10 * MINUTE_MS;

/** High and low waters from one moment to another, in their order. */
export function extremesOf(level: Level, fromMs: number, toMs: number): Extreme[] {
  const found: Extreme[] = [];
  // From whole steps, so that the same water is found whatever was asked for.
  const first = Math.floor(fromMs / STEP_MS) * STEP_MS;
  let [before, here] = [level(first - STEP_MS), level(first)];
  for (let at = first; at <= toMs; at += STEP_MS) {
    const after = level(at + STEP_MS);
    const kind = here >= before && here > after ? "high" : here <= before && here < after ? "low" : null;
    if (kind) {
      const sign = kind === "high" ? 1 : -1;
      const exact = highest((t) => sign * level(t), at - STEP_MS, at + STEP_MS);
      const atMs = Math.round(exact / MINUTE_MS) * MINUTE_MS;
      if (atMs >= fromMs && atMs <= toMs) found.push({ kind, atMs, heightM: level(atMs) });
    }
    [before, here] = [here, after];
  }
  return found;
}

/** Where a function with one peak is highest, to a second: ternary search. */
function highest(of: (t: number) => number, fromMs: number, toMs: number): number {
  let [low, high] = [fromMs, toMs];
  while (high - low > 1000) {
    const third = (high - low) / 3;
    if (of(low + third) < of(high - third)) low += third;
    else high -= third;
  }
  return (low + high) / 2;
}

/** When a tide passes a height between two moments, between which it only rises or only falls. */
export function passesAt(level: Level, heightM: number, fromMs: number, toMs: number): number {
  const rising = level(toMs) > level(fromMs);
  let [low, high] = [fromMs, toMs];
  while (high - low > 1000) {
    const middle = (low + high) / 2;
    if (level(middle) > heightM === rising) high = middle;
    else low = middle;
  }
  return Math.round(high / MINUTE_MS) * MINUTE_MS;
}
