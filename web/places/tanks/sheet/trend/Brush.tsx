"use client";

import { type PointerEvent, useRef, useState } from "react";
import { Rect } from "@/kit/elements";
import { type Frame, type Period, SIZE } from "./frame";

/** Less than this is a slip of the hand, days. */
const LEAST_DAYS = 5;

/** Drawn over with the pointer, a stretch of days is looked at by itself. */
export function Brush({ frame, onPeriod }: { frame: Frame; onPeriod: (period: Period) => void }) {
  const ground = useRef<SVGRectElement>(null);
  const [drawn, setDrawn] = useState<readonly [number, number] | null>(null);
  const xOf = (e: PointerEvent<SVGRectElement>): number => {
    const svg = ground.current?.ownerSVGElement;
    const box = svg?.getBoundingClientRect();
    if (!box) return SIZE.left;
    const x = ((e.clientX - box.left) * SIZE.width) / box.width;
    return Math.min(SIZE.right, Math.max(SIZE.left, x));
  };
  const end = () => {
    if (!drawn) return;
    const [from, to] = drawn.map((x) => frame.x.invert(x)).sort((a, b) => a - b) as [number, number];
    setDrawn(null);
    if (to - from >= LEAST_DAYS) onPeriod({ from, to });
  };
  return (
    <>
      <rect
        ref={ground}
        x={SIZE.left}
        y={SIZE.top}
        width={SIZE.right - SIZE.left}
        height={SIZE.bottom - SIZE.top}
        fill="transparent"
        cursor="crosshair"
        data-brush=""
        onPointerDown={(e) => {
          // A finger moves the drawing along.
          if (e.pointerType === "touch") return;
          e.currentTarget.setPointerCapture(e.pointerId);
          const x = xOf(e);
          setDrawn([x, x]);
        }}
        onPointerMove={(e) => drawn && setDrawn([drawn[0], xOf(e)])}
        onPointerUp={end}
        onPointerCancel={() => setDrawn(null)}
      />
      {drawn && (
        <Rect
          x={Math.min(...drawn)}
          y={SIZE.top}
          width={Math.abs(drawn[1] - drawn[0])}
          height={SIZE.bottom - SIZE.top}
          fill="coralline"
          opacity="0.12"
          pointerEvents="none"
        />
      )}
    </>
  );
}
