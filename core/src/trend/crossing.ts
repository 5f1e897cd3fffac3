import { type CourseFit, type Events, meansOn } from "../readings/index.ts";
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

/** What lies on either side of a range that holds 19 of 20. */
const TAIL = 0.025;

/**
 * The range of whole days that holds 19 of 20 of some, ascending: on either side as nearly one in forty as whole days allow. One
 * that held no less would hold more than it says where all lie within a day or two.
 */
function rangeOfDays(days: readonly number[]): readonly [number, number] {
  const different = [...new Set(days)];
  const nearest = (outside: (day: number) => number): number => {
    const off = (day: number) => Math.abs(outside(day) / days.length - TAIL);
    return different.reduce((best, day) => (off(day) < off(best) ? day : best), different[0] ?? 0);
  };
  return [
    nearest((day) => days.findIndex((d) => d >= day)),
    nearest((day) => days.length - 1 - days.findLastIndex((d) => d <= day)),
  ];
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
    const at = meansOn(of, days, withOff(events, off)).findIndex((value) =>
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
    const [earliest, latest] = rangeOfDays(many);
    return {
      ...{ limit, side, day },
      earliest: Math.min(day, earliest),
      latest: Number.isFinite(latest) ? Math.max(day, latest) : null,
    };
  }
  return null;
}
