"use client";

import { addDays, sayDay } from "@keel-round/core/calendar";
import {
  BIOLOGICAL_REST_DAYS,
  earlyDaysOf,
  type MergePlacement,
  type MergeTask,
  type RotationTurn,
} from "@keel-round/core/programme";
import type { ReactNode } from "react";
import { Line, Path, Rect, SvgText } from "@/kit/elements";
import { type FriezeScale, NAME_WIDTH, ROW, WIDTH } from "./scale";

/** Of a lane's name in front of it. */
const MOST_LETTERS = 37;
const SQUARE = 11;

const short = (name: string) => (name.length > MOST_LETTERS ? `${name.slice(0, MOST_LETTERS - 1)}…` : name);

/** A lane with its name; what happens on it is drawn over its line. */
export function Lane({ name, y, children }: { name: string; y: number; children: ReactNode }) {
  const middle = y + ROW / 2;
  return (
    <g>
      <Line x1={NAME_WIDTH} x2={WIDTH} y1={middle} y2={middle} stroke="rule" strokeWidth="1" />
      <SvgText x={0} y={middle + 4} fontSize="13px" fill="ink">
        <title>{name}</title>
        {short(name)}
      </SvgText>
      {children}
    </g>
  );
}

/** A square on a lane. */
function Square({ x, y, fill, outline }: { x: number; y: number; fill: string; outline?: string }) {
  return (
    <Rect
      x={x - SQUARE / 2}
      y={y + ROW / 2 - SQUARE / 2}
      width={SQUARE}
      height={SQUARE}
      fill={fill}
      {...(outline ? { stroke: outline, strokeWidth: 2 } : {})}
    />
  );
}

/** A stretch of a lane with words in it where they fit. */
export function Stretch({
  scale,
  from,
  to,
  y,
  fill,
  text,
  color,
}: {
  scale: FriezeScale;
  from: string;
  to: string;
  y: number;
  fill: string;
  text: string;
  color: string;
}) {
  const [x1, x2] = [scale.x(from), scale.x(to)];
  if (x2 - x1 < 1) return null;
  const fits = (x2 - x1) / 6.1;
  return (
    <g>
      <Rect x={x1} y={y + 6} width={x2 - x1} height={ROW - 12} fill={fill} />
      {fits > 6 && (
        <SvgText x={(x1 + x2) / 2} y={y + ROW / 2 + 4} fontSize="11.5px" textAnchor="middle" fill={color}>
          {text.length > fits ? `${text.slice(0, Math.floor(fits) - 1)}…` : text}
        </SvgText>
      )}
    </g>
  );
}

/** A long job: its window, the visit it rides with, where it would have ridden, and the rest it asks of others. */
export function JobLane({
  task,
  turns,
  name,
  others,
  y,
  scale,
  handle,
}: {
  task: MergeTask;
  turns: readonly MergePlacement[];
  name: string;
  /** Names of the other units of bacteria, which rest four weeks after a turn. */
  others: string;
  y: number;
  scale: FriezeScale;
  /** Draws a turn that can be moved; null for one that is only shown. */
  handle: (turn: MergePlacement, index: number) => ReactNode | null;
}) {
  const middle = y + ROW / 2;
  return (
    <Lane name={name} y={y}>
      {turns.map((p) => {
        const [x1, x2] = [
          scale.x(addDays(p.targetOn, -earlyDaysOf(task))),
          scale.x(addDays(p.targetOn, task.giveDays)),
        ];
        return x2 > x1 ? (
          <Line key={p.on} x1={x1} x2={x2} y1={middle} y2={middle} stroke="ruleStrong" strokeWidth="4" />
        ) : null;
      })}
      {task.unit &&
        others &&
        turns.map((p) => (
          <Stretch
            key={p.on}
            scale={scale}
            from={p.on}
            to={addDays(p.on, BIOLOGICAL_REST_DAYS)}
            y={y}
            fill="vermilionWash"
            color="vermilion"
            text={`${task.advisory ? "better leave" : "leave"} ${others} alone until ${sayDay(addDays(p.on, BIOLOGICAL_REST_DAYS))}`}
          />
        ))}
      {turns.map((p, index) => (
        <g key={index}>
          {p.cause && scale.shows(p.nearestOn) && (
            <Path
              d={`M${scale.x(p.nearestOn) - 5} ${middle - 5} h10 v10 h-10 Z`}
              fill="none"
              stroke="faint"
              strokeWidth="1.3"
            />
          )}
          {handle(p, index) ?? <Square x={scale.x(p.on)} y={y} fill={p.lateDays > 0 ? "ochre" : "ink"} />}
        </g>
      ))}
    </Lane>
  );
}

/** Which part of the bed, or half of the filter, comes with which visit. */
export function PartLane({
  name,
  turns,
  y,
  scale,
}: {
  name: string;
  turns: readonly RotationTurn[];
  y: number;
  scale: FriezeScale;
}) {
  const drawn = turns.filter((t) => scale.shows(t.on));
  const apart = drawn.length > 1 ? scale.x(drawn[1]?.on ?? "") - scale.x(drawn[0]?.on ?? "") : ROW;
  return (
    <Lane name={name} y={y}>
      {drawn.map((t) => (
        <g key={t.on}>
          <Square x={scale.x(t.on)} y={y} fill="ruleStrong" />
          {apart > 16 && (
            <SvgText
              className="num"
              x={scale.x(t.on)}
              y={y + ROW / 2 + 4}
              fontSize="11px"
              fontWeight="600"
              textAnchor="middle"
              fill="ink"
            >
              {t.part}
            </SvgText>
          )}
        </g>
      ))}
    </Lane>
  );
}

/** A piece of equipment: its life runs out to a day. */
export function WearLane({
  name,
  on,
  says,
  y,
  scale,
  today,
}: {
  name: string;
  on: string;
  says: string;
  y: number;
  scale: FriezeScale;
  today: string;
}) {
  const over = on < today;
  const x = scale.x(over ? today : on);
  return (
    <Lane name={name} y={y}>
      <Line x1={scale.x(today)} x2={x} y1={y + ROW / 2} y2={y + ROW / 2} stroke="ochreWash" strokeWidth="5" />
      {(over || scale.shows(on)) && <Square x={x} y={y} fill="ochre" />}
      <SvgText
        x={over || scale.shows(on) ? Math.min(x + 12, WIDTH - 190) : WIDTH - 14}
        y={y + ROW / 2 + 4}
        fontSize="11.5px"
        fill="ochre"
        textAnchor={over || scale.shows(on) ? "start" : "end"}
      >
        {says}
      </SvgText>
    </Lane>
  );
}
