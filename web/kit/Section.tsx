import { markPlace, pumpsOffLevelM, runBackOf } from "@keel-round/core/given";
import type { TankFacts } from "@keel-round/core/tank";
import { figure, quantity, quantityText, showLength, type UnitPreference } from "@keel-round/core/units";
import {
  frontWidthM,
  heapsOf,
  sumpLevelM,
  sumpVolumeL,
  type Vessel,
  vesselHeightM,
  wallsLean,
} from "@keel-round/core/vessel";
import { type ReactNode, useId } from "react";
import { Line, Path, Rect, Svg, SvgText } from "@/kit/elements";

interface SectionProps {
  readonly facts: TankFacts;
  /** Today's drain mark, cm from the rim of the vessel it is on; null for none. */
  readonly markCm: number | null;
  readonly sector?: number;
  readonly units: UnitPreference;
  readonly width: number;
  /** Small: no words but the mark. */
  readonly small?: boolean;
  /** The mark that the nearest limit allows, cm from the rim of the vessel with the mark, with its name. */
  readonly limit?: { readonly cm: number; readonly name: string } | null;
  /** Drawn on top, in the drawing's own units: what can be taken hold of. */
  readonly overlay?: (frame: SectionFrame) => ReactNode;
}

/** Where things stand on a section: heights above the floor, m, to the drawing's units and back. */
export interface SectionFrame {
  readonly y: (m: number) => number;
  readonly mOf: (y: number) => number;
  readonly left: number;
  readonly right: number;
  /** The same of the sump below, where there is one. */
  readonly sump?: Omit<SectionFrame, "sump">;
}

const line = { vectorEffect: "non-scaling-stroke" } as const;

/** Heights at which the front view is taken between two of them: both ends, and more where walls lean. */
function heights(vessel: Vessel, lowM: number, highM: number): number[] {
  const steps = wallsLean(vessel) ? 32 : 1;
  return Array.from({ length: steps + 1 }, (_, i) => lowM + ((highM - lowM) * i) / steps);
}

/**
 * The tank cut open, to scale. Every line is a number of its facts: glass, running level, bed with today's sector,
 * rock, landmarks, sump with its run-back, and the drain mark.
 */
export function Section({ facts, markCm, sector, units, width, small = false, limit = null, overlay }: SectionProps) {
  const { vessel, runningLevelM, substrateDepthM, substrate } = facts.display;
  const heaps = heapsOf(facts.display).filter((h) => h.rockKg > 0);
  const heightM = vesselHeightM(vessel);
  const widthM = Math.max(...heights(vessel, 0, heightM).map((h) => frontWidthM(vessel, h)));
  const left = small ? 10 : 84;
  const right = small ? 10 : 46;
  const sumpRoom = facts.sump && (!small || markPlace(facts) === "sump") ? 1 : 0;
  const scale = Math.min((width - left - right) / widthM, (small ? 120 : sumpRoom ? 215 : 330) / heightM);
  const top = 16;
  const middle = left + (width - left - right) / 2;
  const y = (m: number) => top + (heightM - m) * scale;
  /** The left wall upwards or the right wall downwards between two heights. */
  const wall = (side: -1 | 1, lowM: number, highM: number) =>
    heights(vessel, lowM, highM).map((h) => `${middle + (side * frontWidthM(vessel, h) * scale) / 2} ${y(h)}`);
  const slice = (lowM: number, highM: number) =>
    `M${[...wall(-1, lowM, highM), ...wall(1, lowM, highM).reverse()].join(" L")} Z`;
  const onDisplay = markPlace(facts) === "display";
  const markM = markCm !== null && onDisplay ? heightM - markCm / 100 : null;
  const levelM = markM === null ? runningLevelM : Math.min(markM, runningLevelM);
  const start = facts.sump ? pumpsOffLevelM(facts) : runningLevelM;
  const bedShape = useId();
  const bedWidth = frontWidthM(vessel, Math.max(0.001, substrateDepthM)) * scale;
  const sectors = substrate !== "bare" && facts.practice.substrate === "sectors" ? facts.sectors : 1;
  const displayBottom = y(0);
  const sumpFrame =
    facts.sump && sumpRoom > 0
      ? sumpFrameOf(facts.sump, left + 30, displayBottom + 34, width - left - right - 60)
      : null;
  const height = sumpFrame ? sumpFrame.y(0) + 12 : displayBottom + (small ? 12 : 30);
  const label = `${facts.name} to scale, water stands ${quantityText((heightM - runningLevelM) * 100, "cm", units)} below the rim${markCm !== null ? `, drain line ${quantityText(markCm, "cm", units)} from the rim${onDisplay ? "" : " of the sump"}` : ""}`;

  return (
    <Svg
      width="100%"
      maxW={`${width}px`}
      viewBox={`0 0 ${width} ${Math.ceil(height)}`}
      role={overlay ? "group" : "img"}
      aria-label={label}
      display="block"
    >
      <defs>
        <pattern id="kr-today" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <Line x1="0" x2="0" y1="0" y2="7" stroke="coralline" strokeWidth="2.4" />
        </pattern>
        {/* Where walls come in below, so does the bed. */}
        <clipPath id={bedShape}>
          <path d={slice(0, substrateDepthM)} />
        </clipPath>
      </defs>
      <Path d={slice(0, levelM)} fill="waterPale" />
      {markM !== null && markM < start && <Path d={slice(markM, start)} fill="waterLeaving" />}
      {start < runningLevelM && <Path d={slice(start, runningLevelM)} fill="waterLeaving" />}
      {heaps.length > 0 && (
        <Rock
          middle={middle}
          widthPx={frontWidthM(vessel, substrateDepthM) * scale}
          bottom={y(substrateDepthM)}
          tops={heaps.map((h) => y(h.rockTopM))}
        />
      )}
      {substrateDepthM > 0 && (
        <g>
          {Array.from({ length: sectors }, (_, i) => {
            const x = middle - bedWidth / 2 + (bedWidth * i) / sectors;
            const rect = { x, y: y(substrateDepthM), width: bedWidth / sectors, height: substrateDepthM * scale };
            return (
              <g key={x} clipPath={`url(#${bedShape})`}>
                <Rect {...rect} fill="bed" stroke="ruleStrong" strokeWidth="0.6" />
                {sector === i + 1 && <rect {...rect} fill="url(#kr-today)" />}
              </g>
            );
          })}
          {sector !== undefined && !small && (
            <SvgText
              x={middle - bedWidth / 2 + (bedWidth * (sector - 0.5)) / sectors}
              y={displayBottom + 17}
              textAnchor="middle"
              fontSize="12px"
              fontWeight="600"
              fill="coralline"
            >
              {`sector ${sector} of ${sectors} today`}
            </SvgText>
          )}
        </g>
      )}
      <Path
        d={`M${[...wall(-1, 0, heightM).reverse(), ...wall(1, 0, heightM)].join(" L")}${vessel.shape === "drum" ? " Z" : ""}`}
        fill="none"
        stroke="ink"
        strokeWidth="2.4"
        {...line}
      />
      <Level
        x1={middle - (frontWidthM(vessel, runningLevelM) * scale) / 2}
        x2={middle + (frontWidthM(vessel, runningLevelM) * scale) / 2}
        y={y(runningLevelM)}
        label={small ? "" : "fill line"}
      />
      {!small && <Landmarks facts={facts} y={y} middle={middle} scale={scale} />}
      {markM !== null && (
        <Mark
          y={y(markM)}
          top={y(heightM)}
          x1={middle - (widthM * scale) / 2 - 12}
          x2={middle + (widthM * scale) / 2 + 12}
          cm={markCm ?? 0}
          units={units}
          small={small}
        />
      )}
      {limit && onDisplay && (
        <LimitLine
          y={y(heightM - limit.cm / 100)}
          x1={middle - (widthM * scale) / 2}
          x2={middle + (widthM * scale) / 2}
          name={limit.name}
        />
      )}
      {sumpFrame && (
        <SumpBox
          facts={facts}
          markCm={onDisplay ? null : markCm}
          frame={sumpFrame}
          limit={onDisplay ? null : limit}
          units={units}
          small={small}
        />
      )}
      {overlay?.({
        y,
        mOf: (at) => heightM - (at - top) / scale,
        left: middle - (widthM * scale) / 2,
        right: middle + (widthM * scale) / 2,
        ...(sumpFrame ? { sump: sumpFrame } : {}),
      })}
    </Svg>
  );
}

/** Two heaps as high as the rock is said to stand. */
/** One heap is drawn with a smaller one beside it; several each at its own height, side by side. */
function Rock({
  middle,
  widthPx,
  bottom,
  tops,
}: {
  middle: number;
  widthPx: number;
  bottom: number;
  tops: readonly number[];
}) {
  const h = bottom - (tops[0] ?? bottom);
  const heap = (cx: number, w: number, peak: number) =>
    `M${cx - w / 2} ${bottom} L${cx - w * 0.42} ${bottom - peak * 0.55} L${cx - w * 0.18} ${bottom - peak * 0.82} L${cx} ${bottom - peak} L${cx + w * 0.2} ${bottom - peak * 0.78} L${cx + w * 0.36} ${bottom - peak * 0.42} L${cx + w / 2} ${bottom} Z`;
  const each = (widthPx * 0.9) / tops.length;
  const d =
    tops.length > 1
      ? tops.map((top, i) => heap(middle - widthPx * 0.45 + each * (i + 0.5), each * 0.86, bottom - top)).join(" ")
      : `${heap(middle - widthPx * 0.2, widthPx * 0.36, h)} ${heap(middle + widthPx * 0.24, widthPx * 0.26, h * 0.68)}`;
  return <Path d={d} fill="rock" />;
}

function Level({ x1, x2, y, label }: { x1: number; x2: number; y: number; label: string }) {
  return (
    <g>
      <Line x1={x1} x2={x2} y1={y} y2={y} stroke="water" strokeWidth="1.6" />
      {label && (
        <SvgText x={x2 - 6} y={y - 5} textAnchor="end" fontSize="12px" fill="water">
          {label}
        </SvgText>
      )}
    </g>
  );
}

function Landmarks({
  facts,
  y,
  middle,
  scale,
}: {
  facts: TankFacts;
  y: (m: number) => number;
  middle: number;
  scale: number;
}) {
  const { vessel } = facts.display;
  return (
    <g>
      {facts.landmarks.map((mark, i) => {
        const half = (frontWidthM(vessel, mark.heightM) * scale) / 2;
        const from = i % 2 === 0 ? middle - half + 6 : middle + 6;
        const to = i % 2 === 0 ? middle - 6 : middle + half - 6;
        return (
          <g key={mark.name}>
            <Line x1={from} x2={to} y1={y(mark.heightM)} y2={y(mark.heightM)} stroke="soft" strokeDasharray="2 3" />
            <SvgText
              x={from + 2}
              y={y(mark.heightM) - 4}
              fontSize="11.5px"
              fill="ink"
              stroke="sheet"
              strokeWidth="2.5"
              paintOrder="stroke"
            >
              {mark.name}
            </SvgText>
          </g>
        );
      })}
    </g>
  );
}

function Mark({
  y,
  top,
  x1,
  x2,
  cm,
  units,
  small,
}: {
  y: number;
  top: number;
  x1: number;
  x2: number;
  cm: number;
  units: UnitPreference;
  small: boolean;
}) {
  return (
    <g>
      <Line x1={x1} x2={x2} y1={y} y2={y} stroke="coralline" strokeWidth={small ? 3 : 2.6} />
      {!small && (
        <g>
          <Path d={`M${x1 - 14} ${top} V${y} M${x1 - 19} ${top} h10 M${x1 - 19} ${y} h10`} stroke="ink" fill="none" />
          <SvgText
            x={x1 - 24}
            y={(top + y) / 2 + 1}
            textAnchor="end"
            fontSize="15px"
            className="num"
            fontWeight="600"
            fill="ink"
          >
            {figure(showLength(cm, units.length), 1)}
          </SvgText>
          <SvgText x={x1 - 24} y={(top + y) / 2 + 15} textAnchor="end" fontSize="11.5px" fill="soft">
            {units.length}
          </SvgText>
        </g>
      )}
    </g>
  );
}

/** Where a sump stands under its display, to a scale of its own. */
function sumpFrameOf(sump: NonNullable<TankFacts["sump"]>, x: number, top: number, width: number) {
  const scale = Math.min(width / sump.lengthM, 120 / sump.heightM);
  return {
    left: x,
    right: x + sump.lengthM * scale,
    y: (m: number) => top + (sump.heightM - m) * scale,
    mOf: (at: number) => sump.heightM - (at - top) / scale,
  };
}

/** How far down the nearest limit lets the water go. */
function LimitLine({ y, x1, x2, name }: { y: number; x1: number; x2: number; name: string }) {
  return (
    <g>
      <Line x1={x1} x2={x2} y1={y} y2={y} stroke="vermilion" strokeWidth="1.6" strokeDasharray="7 4" />
      <SvgText
        x={x2 - 6}
        y={y + 13}
        textAnchor="end"
        fontSize="12px"
        fill="vermilion"
        stroke="sheet"
        strokeWidth="3"
        paintOrder="stroke"
      >
        {`not below: ${name}`}
      </SvgText>
    </g>
  );
}

function SumpBox({
  facts,
  markCm,
  frame,
  limit,
  units,
  small,
}: {
  facts: TankFacts;
  markCm: number | null;
  frame: Omit<SectionFrame, "sump">;
  limit: { readonly cm: number; readonly name: string } | null;
  units: UnitPreference;
  small: boolean;
}) {
  const { sump } = facts;
  if (!sump) return null;
  const { left: x, y: at } = frame;
  const w = frame.right - frame.left;
  const y = at(sump.heightM);
  const back = runBackOf(facts) ?? { litres: 0, roomL: 0 };
  const backLevelM = sumpLevelM(sump, sumpVolumeL(sump, sump.runningLevelM) + back.litres);
  const tight = back.litres > 0.9 * back.roomL;
  return (
    <g>
      <Rect x={x} y={at(sump.runningLevelM)} width={w} height={at(0) - at(sump.runningLevelM)} fill="waterPale" />
      <Line
        x1={x}
        x2={x + w}
        y1={at(sump.runningLevelM)}
        y2={at(sump.runningLevelM)}
        stroke="water"
        strokeWidth="1.4"
      />
      <Line
        x1={x}
        x2={x + w}
        y1={at(backLevelM)}
        y2={at(backLevelM)}
        stroke={tight ? "vermilion" : "water"}
        strokeDasharray="3 3"
      />
      <SvgText x={x + 6} y={at(backLevelM) - 4} fontSize="11.5px" fill={tight ? "vermilion" : "water"}>
        {`run-back ${quantityText(back.litres, "L", units, 0)}; room for ${quantity(back.roomL, "L", units, 0).figure}`}
      </SvgText>
      <Path d={`M${x} ${y} V${at(0)} H${x + w} V${y}`} fill="none" stroke="ink" strokeWidth="2" />
      <SvgText x={x - 8} y={at(sump.heightM / 2)} textAnchor="end" fontSize="12px" fill="soft">
        sump
      </SvgText>
      <Line
        x1={x}
        x2={x + w}
        y1={at(sump.lowestLevelM)}
        y2={at(sump.lowestLevelM)}
        stroke="soft"
        strokeDasharray="2 3"
      />
      <SvgText x={x + 6} y={at(sump.lowestLevelM) - 4} fontSize="11.5px" fill="soft">
        return pump runs dry below
      </SvgText>
      {limit && <LimitLine y={at(sump.heightM - limit.cm / 100)} x1={x} x2={x + w} name={limit.name} />}
      {markCm !== null && (
        <g>
          <Line
            x1={x - 8}
            x2={x + w + 8}
            y1={at(sump.heightM - markCm / 100)}
            y2={at(sump.heightM - markCm / 100)}
            stroke="coralline"
            strokeWidth="2.6"
          />
          {/* Beside the grip; where the drawing is small the figure stands above it. */}
          {!small && (
            <SvgText
              x={x + w + 32}
              y={at(sump.heightM - markCm / 100) + 5}
              fontSize="14px"
              className="num"
              fontWeight="600"
              fill="coralline"
            >
              {figure(showLength(markCm, units.length), 1)}
            </SvgText>
          )}
        </g>
      )}
    </g>
  );
}
