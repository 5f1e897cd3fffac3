import type { Band } from "../tank/facts.ts";

/**
 * Where a value stands against its band: −1 and 1 are the act limits, within ±0.5 is ideal. Clamped to ±1.15.
 *
 * @example
 * placeInBand({ parameter: "nitrate", idealLow: 0, idealHigh: 20, actLow: 0, actHigh: 40 }, 30); // 0.75
 */
export function placeInBand(band: Band, value: number): number {
  const middle = (Math.max(0, band.idealLow) + band.idealHigh) / 2;
  const place =
    value > band.idealHigh
      ? 0.5 + (0.5 * (value - band.idealHigh)) / (band.actHigh - band.idealHigh)
      : value < band.idealLow
        ? -0.5 - (0.5 * (band.idealLow - value)) / (band.idealLow - band.actLow)
        : (value - middle) / (band.idealHigh - Math.max(0, band.idealLow));
  return Math.min(1.15, Math.max(-1.15, place));
}

/**
 * In words: whether a value is ideal, to be watched, or to be acted on.
 *
 * @example
 * standing({ parameter: "nitrate", idealLow: 0, idealHigh: 20, actLow: 0, actHigh: 40 }, 30); // "watch"
 */
export function standing(band: Band, value: number): "ideal" | "watch" | "act" {
  if (value > band.actHigh || value < band.actLow) return "act";
  return value > band.idealHigh || value < band.idealLow ? "watch" : "ideal";
}
