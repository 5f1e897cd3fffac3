"use client";

import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import { G, Line, Rect } from "@/kit/elements";

/** One arrow key moves a millimetre, with Shift a centimetre. */
const STEP_M = 0.001;
const LONG_STEP_M = 0.01;
/** Half the height of what a finger may take hold of, in units of the drawing. */
const REACH = 14;

/**
 * A line on a drawing that is moved up and down: by pointer, by arrow keys, and heard by a screen reader as a slider.
 *
 * `y` and `mOf` turn heights above the floor, m, into the drawing's units and back.
 */
export function HeightHandle({
  name,
  says,
  heightM,
  lowM,
  highM,
  x1,
  x2,
  y,
  mOf,
  onMove,
}: {
  name: string;
  /** The height in words and the person's units. */
  says: string;
  heightM: number;
  lowM: number;
  highM: number;
  x1: number;
  x2: number;
  y: (m: number) => number;
  mOf: (y: number) => number;
  onMove: (heightM: number) => void;
}) {
  const group = useRef<SVGGElement>(null);
  const move = (m: number) => onMove(Number(Math.min(highM, Math.max(lowM, m)).toFixed(3)));
  const drag = (e: PointerEvent<SVGGElement>) => {
    const svg = group.current?.ownerSVGElement;
    if (!svg || !e.currentTarget.hasPointerCapture(e.pointerId)) return;
    const box = svg.getBoundingClientRect();
    move(mOf(((e.clientY - box.top) * svg.viewBox.baseVal.height) / box.height));
  };
  const key = (e: KeyboardEvent<SVGGElement>) => {
    const step = e.shiftKey ? LONG_STEP_M : STEP_M;
    const to = { ArrowUp: heightM + step, ArrowDown: heightM - step, Home: lowM, End: highM }[e.key];
    if (to === undefined) return;
    e.preventDefault();
    move(to);
  };
  return (
    <G
      ref={group}
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-orientation="vertical"
      aria-valuemin={Math.round(lowM * 1000)}
      aria-valuemax={Math.round(highM * 1000)}
      aria-valuenow={Math.round(heightM * 1000)}
      aria-valuetext={says}
      cursor="ns-resize"
      touchAction="none"
      css={{ "&:focus-visible": { outline: "none" }, "&:focus-visible .grip": { stroke: "coralline", strokeWidth: 3 } }}
      onKeyDown={key}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        e.currentTarget.focus();
      }}
      onPointerMove={drag}
    >
      <rect x={x1} y={y(heightM) - REACH} width={x2 - x1} height={2 * REACH} fill="transparent" />
      <Line x1={x1} x2={x2} y1={y(heightM)} y2={y(heightM)} stroke="transparent" strokeWidth="8" />
      <Rect
        className="grip"
        x={x2 - 16}
        y={y(heightM) - 4}
        width="16"
        height="8"
        rx="2"
        fill="sheet"
        stroke="ink"
        strokeWidth="1.2"
      />
    </G>
  );
}
