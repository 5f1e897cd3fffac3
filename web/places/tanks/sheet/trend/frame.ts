import { addDays, addMonths } from "@keel-round/core/calendar";
import type { Band } from "@keel-round/core/tank";
import { scaleLinear } from "d3-scale";
import type { TankTrend } from "@/data/tanks/trend";

/** The drawing's own units: it is as wide as its place, and keeps its shape. */
export const SIZE = { width: 1080, height: 400, left: 46, right: 1070, top: 26, bottom: 356 } as const;
/** A short history is drawn over so many days at the least. */
const FEWEST_DAYS = 42;
/** Drawn back so far at first: a longer one would hide what goes on now. */
export const DRAWN_BACK_DAYS = 150;
const ROOM = 1.08;

/** What is looked at: so far back, or the days between two. */
export type Period = { readonly back: number | null } | { readonly from: number; readonly to: number };

/** How days and values become places on the drawing. */
export function frameOf(trend: TankTrend, band: Band | null, period: Period) {
  const { answer, readings, daysAhead } = trend;
  const { from, to } = "from" in period ? period : { from: fromOf(readings, period.back), to: daysAhead };
  const within = ({ day }: { readonly day: number }) => day >= from && day <= to;
  const shown = readings.filter(within);
  const course = answer?.enough ? [...answer.trend.past, ...answer.trend.ahead].filter(within) : [];
  const values = [
    ...shown.flatMap((r) => [r.value + r.sigma, r.value - r.sigma]),
    ...course.flatMap((p) => [p.value, p.high, p.low]),
    ...(band ? [band.idealHigh, Math.max(0, band.idealLow), band.actHigh] : []),
  ];
  const [low, high] = [
    Math.max(0, Math.min(...values, values.length > 0 ? Number.POSITIVE_INFINITY : 0)),
    Math.max(...values, 1e-9),
  ];
  // A figure that never comes near nothing is not drawn down to it.
  const floor = low > (high - low) * 0.6 ? low - (high - low) * 0.12 : 0;
  const x = scaleLinear([from, to], [SIZE.left, SIZE.right]);
  const y = scaleLinear([floor, floor + (high - floor) * ROOM], [SIZE.bottom, SIZE.top]);
  return { x, y, from, to, within, shown };
}

function fromOf(readings: TankTrend["readings"], back: number | null): number {
  const oldest = readings[0]?.day ?? 0;
  return Math.min(-FEWEST_DAYS, Math.max(oldest, -(back ?? DRAWN_BACK_DAYS))) - 3;
}

export type Frame = ReturnType<typeof frameOf>;

/** The first of each month within the days shown. */
export function monthsOf(
  { on }: Pick<TankTrend, "on">,
  { from, to }: Pick<Frame, "from" | "to">,
): { day: number; on: string }[] {
  const months: { day: number; on: string }[] = [];
  let first = `${addDays(on, Math.ceil(from)).slice(0, 8)}01`;
  const dayOf = (date: string) => Math.round((Date.parse(date) - Date.parse(on)) / 86_400_000);
  for (; dayOf(first) <= to; first = addMonths(first, 1))
    if (dayOf(first) >= from) months.push({ day: dayOf(first), on: first });
  return months;
}

/** A path through points of the drawing. */
export const pathOf = (points: readonly { readonly day: number; readonly value: number }[], { x, y }: Frame): string =>
  points.map((p, i) => `${i === 0 ? "M" : "L"}${x(p.day).toFixed(1)} ${y(p.value).toFixed(1)}`).join("");
