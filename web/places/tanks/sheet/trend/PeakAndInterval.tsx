"use client";

import { Line } from "@/kit/elements";
import { SIZE } from "./frame";
import { Handle } from "./Handle";

/** Nobody comes more often, or lives with less. */
export const INTERVAL_DAYS = { least: 1, most: 60 } as const;

/** Where the saw-tooth settles just before a change: taken hold of, it says what share holds it there. Higher is less changed. */
export function PeakHandle({
  says,
  share,
  most,
  y,
  shareAt,
  onShare,
}: {
  says: string;
  share: number;
  /** What the animals bear at one time: no more is offered. */
  most: number;
  /** Of the settled peak, in the drawing. */
  y: number;
  /** The share that settles at a height of the drawing. */
  shareAt: (y: number) => number;
  onShare: (share: number) => void;
}) {
  return (
    <Handle
      label="Share of a change"
      along="y"
      x={SIZE.right - 12}
      value={share}
      least={0.01}
      step={0.01}
      longStep={0.05}
      valueAt={shareAt}
      onValue={(s) => onShare(Number(s.toFixed(2)))}
      told={(s) => Math.round(100 * s)}
      {...{ says, y, most }}
    >
      <Line x1={SIZE.right - 230} x2={SIZE.right} y1={y} y2={y} stroke="coralline" strokeDasharray="2 3" />
    </Handle>
  );
}

/** The days between two changes: the second of them is taken hold of on the line of days. */
export function IntervalHandle({
  says,
  days,
  x,
  daysAt,
  onDays,
}: {
  says: string;
  days: number;
  /** Of the change after the next one, in the drawing. */
  x: number;
  /** The interval that puts it at a place of the drawing. */
  daysAt: (x: number) => number;
  onDays: (days: number) => void;
}) {
  return (
    <Handle
      label="Days between changes"
      along="x"
      y={SIZE.bottom + 4}
      value={days}
      step={1}
      longStep={7}
      valueAt={daysAt}
      onValue={(d) => onDays(Math.round(d))}
      {...{ says, x, ...INTERVAL_DAYS }}
    >
      <Line x1={x} x2={x} y1={SIZE.bottom - 60} y2={SIZE.bottom} stroke="coralline" strokeDasharray="2 3" />
    </Handle>
  );
}
