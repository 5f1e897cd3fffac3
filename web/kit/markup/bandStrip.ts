import type { LetterReading } from "@keel-round/core/letter";

/** Where a reading, the one before it and the ideal band lie on a strip, 0 to 1. */
export interface StripPlaces {
  readonly low: number;
  readonly high: number;
  readonly now: number;
  readonly before: number | null;
}

/** Lays a reading out on a strip that reaches from act to act, with a margin. */
export function stripPlaces({
  band,
  value,
  before = null,
}: Pick<LetterReading, "band" | "value"> & Partial<Pick<LetterReading, "before">>): StripPlaces {
  const from = band.actLow < 0 ? 0 : band.actLow;
  const margin = (band.actHigh - from) * 0.15;
  const [left, right] = [Math.max(0, from - margin), band.actHigh + margin];
  const place = (x: number) => Math.min(1, Math.max(0, (x - left) / (right - left)));
  return {
    low: place(Math.max(0, band.idealLow)),
    high: place(band.idealHigh),
    now: place(value),
    before: before === null ? null : place(before),
  };
}
