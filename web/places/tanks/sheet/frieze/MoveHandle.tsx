"use client";

import { addDays, sayDay } from "@keel-round/core/calendar";
import { earlyDaysOf, type MergePlacement, type MergeTask, type MergeVisit } from "@keel-round/core/programme";
import { type KeyboardEvent, type PointerEvent, useEffect, useRef } from "react";
import { G, Rect } from "@/kit/elements";
import { PUT_ID } from "./MovePanel";
import { type FriezeScale, ROW } from "./scale";

/** Half of what a finger may take hold of, in units of the drawing. */
const REACH = 14;
/** Height that the panel takes at most. */
const PANEL_PX = 270;

/** The next turn of a job, to be taken to another visit: dragged, or moved by arrow keys. */
export function MoveHandle({
  turn,
  task,
  name,
  visits,
  scale,
  y,
  active,
  onMove,
  onLeave,
}: {
  turn: MergePlacement;
  task: MergeTask;
  name: string;
  visits: readonly MergeVisit[];
  scale: FriezeScale;
  y: number;
  active: boolean;
  onMove: (on: string) => void;
  onLeave: () => void;
}) {
  const group = useRef<SVGGElement>(null);
  const days = visits.map((v) => v.on);
  const [from, to] = [addDays(turn.targetOn, -earlyDaysOf(task)), addDays(turn.targetOn, task.giveDays)];
  const inside = days.filter((on) => on >= from && on <= to);
  // What is late already has no window left: any visit may take it.
  const open = inside.length > 0 ? inside : days;
  const nearest = (x: number) =>
    open.reduce(
      (best, on) => (Math.abs(scale.x(on) - x) < Math.abs(scale.x(best) - x) ? on : best),
      open[0] ?? turn.on,
    );
  const drag = (e: PointerEvent<SVGGElement>) => {
    const svg = group.current?.ownerSVGElement;
    if (!svg || !e.currentTarget.hasPointerCapture(e.pointerId)) return;
    const box = svg.getBoundingClientRect();
    const on = nearest(((e.clientX - box.left) * svg.viewBox.baseVal.width) / box.width);
    if (on !== turn.on) onMove(on);
  };
  const key = (e: KeyboardEvent<SVGGElement>) => {
    // With Shift a visit outside of the window is reached as well, which asks for a reason.
    const list = e.shiftKey ? days : open;
    const at = list.findIndex((on) => on >= turn.on);
    const step = { ArrowLeft: -1, ArrowRight: 1 }[e.key];
    if (e.key === "Escape") return onLeave();
    if (e.key === "Enter") {
      // Its own press would be taken by the button that gets the focus.
      e.preventDefault();
      return document.getElementById(PUT_ID)?.focus();
    }
    if (step === undefined) return;
    e.preventDefault();
    const on = list[Math.max(0, Math.min(list.length - 1, at + step))];
    if (on && on !== turn.on) onMove(on);
  };
  // What it does is told at the foot of the window: the lane is kept clear of that.
  useEffect(() => {
    if (!active) return;
    const below = (group.current?.getBoundingClientRect().bottom ?? 0) - (window.innerHeight - PANEL_PX);
    if (below > 0) window.scrollBy(0, below);
  }, [active]);
  const middle = y + ROW / 2;
  return (
    <G
      ref={group}
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-valuemin={0}
      aria-valuemax={Math.max(0, open.length - 1)}
      aria-valuenow={Math.max(0, open.indexOf(turn.on))}
      aria-valuetext={`on ${sayDay(turn.on)}, due ${sayDay(turn.targetOn)}`}
      cursor="ew-resize"
      touchAction="none"
      css={{ "&:focus-visible": { outline: "none" }, "&:focus-visible .grip": { stroke: "coralline", strokeWidth: 3 } }}
      onKeyDown={key}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        e.currentTarget.focus();
      }}
      onPointerMove={drag}
    >
      <rect x={scale.x(turn.on) - REACH} y={middle - REACH} width={2 * REACH} height={2 * REACH} fill="transparent" />
      <Rect
        className="grip"
        x={scale.x(turn.on) - 6.5}
        y={middle - 6.5}
        width="13"
        height="13"
        fill={active ? "coralline" : turn.lateDays > 0 ? "ochre" : "ink"}
        {...(turn.cause?.code === "pinned" && !active ? { stroke: "coralline", strokeWidth: 2 } : {})}
      />
    </G>
  );
}
