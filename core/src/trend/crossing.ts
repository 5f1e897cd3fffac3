import { type CourseFit, type Events, valuesOn } from "../readings/index.ts";
import type { Band } from "../tank/index.ts";
import { type Drawn, withOff } from "./resampled.ts";

/** When a figure reaches the edge at which it is acted on, days from today. */
export interface Crossing {
  readonly limit: number;
  readonly side: "low" | "high";
  readonly day: number;
  /** 19 times in 20 not before, and not after; null where it may well never be. */
  readonly earliest: number;
  readonly latest: number | null;
}

/** The first day on which a course with its planned changes passes an edge of its band; null where none is passed. */
export function crossingOf(
  fit: CourseFit,
  samples: readonly Drawn[],
  events: Events,
  { actLow, actHigh }: Band,
  daysAhead: number,
): Crossing | null {
  const days = Array.from({ length: Math.floor(daysAhead) + 1 }, (_, i) => i);
  const passed = (of: CourseFit, limit: number, side: Crossing["side"], off = 0): number | null => {
    const at = valuesOn(of, days, withOff(events, off)).findIndex(({ value }) =>
      side === "high" ? value > limit : value < limit,
    );
    return at < 0 ? null : at;
  };
  for (const [limit, side] of [
    [actHigh, "high"],
    [actLow, "low"],
  ] as const) {
    // Beyond it today is no forecast.
    const day = limit < 0 ? null : passed(fit, limit, side);
    if (day === null || day === 0) continue;
    const many = samples
      .map((s) => passed(s.ahead, limit, side, s.off) ?? Number.POSITIVE_INFINITY)
      .sort((a, b) => a - b);
    const at = (part: number) => many[Math.round(part * (many.length - 1))] ?? day;
    const latest = at(0.975);
    return {
      ...{ limit, side, day },
      earliest: Math.min(day, at(0.025)),
      latest: Number.isFinite(latest) ? Math.max(day, latest) : null,
    };
  }
  return null;
}
