"use client";

import { type KeyboardEvent, type PointerEvent, type ReactNode, useRef } from "react";
import { Circle, G } from "@/kit/elements";
import { SIZE } from "./frame";

interface HandleProps {
  readonly label: string;
  readonly says: string;
  /** Which way it is moved in the drawing. */
  readonly along: "x" | "y";
  /** Where it lies in the drawing. */
  readonly x: number;
  readonly y: number;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  /** Of one press of an arrow key, and of one with Shift. */
  readonly step: number;
  readonly longStep: number;
  /** The value that puts it at a place of the drawing, along its way. */
  readonly valueAt: (place: number) => number;
  readonly onValue: (value: number) => void;
  /** As it is told to who hears it. */
  readonly told?: (value: number) => number;
  /** Lies under it. */
  readonly children?: ReactNode;
}

/** Something that is taken hold of in the drawing: dragged one way, or moved by the arrow keys. */
export function Handle({ label, says, along, x, y, value, least, most, told = (v) => v, ...how }: HandleProps) {
  const group = useRef<SVGGElement>(null);
  const set = (v: number) => {
    if (Number.isFinite(v)) how.onValue(Math.min(most, Math.max(least, v)));
  };
  const drag = (e: PointerEvent<SVGGElement>) => {
    const box = group.current?.ownerSVGElement?.getBoundingClientRect();
    if (!box || !e.currentTarget.hasPointerCapture(e.pointerId)) return;
    const across = ((e.clientX - box.left) * SIZE.width) / box.width;
    const down = ((e.clientY - box.top) * SIZE.height) / box.height;
    set(how.valueAt(along === "x" ? across : down));
  };
  const key = (e: KeyboardEvent<SVGGElement>) => {
    const by = e.shiftKey ? how.longStep : how.step;
    const [less, more] = along === "x" ? ["ArrowLeft", "ArrowRight"] : ["ArrowUp", "ArrowDown"];
    const to = { [less]: value - by, [more]: value + by, Home: least, End: most }[e.key];
    if (to === undefined) return;
    e.preventDefault();
    set(to);
  };
  return (
    <G
      ref={group}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-orientation={along === "x" ? "horizontal" : "vertical"}
      aria-valuemin={told(least)}
      aria-valuemax={told(most)}
      aria-valuenow={told(value)}
      aria-valuetext={says}
      cursor={along === "x" ? "ew-resize" : "ns-resize"}
      touchAction="none"
      css={{ "&:focus-visible": { outline: "none" }, "&:focus-visible circle": { stroke: "ink", strokeWidth: 3 } }}
      onKeyDown={key}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        e.currentTarget.focus();
      }}
      onPointerMove={drag}
    >
      {how.children}
      <circle cx={x} cy={y} r="22" fill="transparent" />
      <Circle cx={x} cy={y} r="9" fill="coralline" />
      <path
        transform={`translate(${x} ${y})${along === "y" ? " rotate(90)" : ""}`}
        d="M-2 -4l-4 4l4 4M2 -4l4 4l-4 4"
        stroke="white"
        strokeWidth="1.5"
        fill="none"
      />
    </G>
  );
}
