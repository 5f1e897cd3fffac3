"use client";

import { Box } from "@chakra-ui/react";
import type { Exposure, WaterPlan } from "@keel-round/core/change";
import { litresOfMark, markCmOf, markPlace, type PlanInput, type TankOnDay, tankOnDay } from "@keel-round/core/given";
import { figure, litresText, showLength, type UnitPreference } from "@keel-round/core/units";
import { vesselHeightM } from "@keel-round/core/vessel";
import { limitSentence } from "@keel-round/core/words";
import { useMemo } from "react";
import { Line, Span, SvgText } from "./elements";
import { HeightHandle } from "./HeightHandle";
import { Section, type SectionFrame } from "./Section";

/** The section with its drain mark to be taken hold of and the nearest limit drawn as a line with its name. */
export function MarkedSection({
  input,
  water,
  sector,
  units,
  width,
  small = false,
  nowCm = null,
  onLitres,
}: {
  input: PlanInput;
  water: WaterPlan;
  sector?: number;
  units: UnitPreference;
  width: number;
  small?: boolean;
  /** Where the water stands by the clock while it runs out, cm from the rim of the vessel it falls in. */
  nowCm?: number | null;
  onLitres: (litres: number) => void;
}) {
  const tank = useMemo(() => tankOnDay(input), [input]);
  const { facts, standing } = tank;
  const limit = water.limits[0];
  const limitCm = limit && limit.maxL < water.systemL.value ? markCmOf(facts, standing, limit.maxL) : null;
  return (
    <Section
      facts={facts}
      markCm={water.mark?.value ?? null}
      limit={limitCm === null || !limit ? null : { cm: limitCm, name: limit.name ?? LIMIT_NAME[limit.code] }}
      {...(sector ? { sector } : {})}
      units={units}
      width={width}
      small={small}
      overlay={(frame) => (
        <>
          {nowCm !== null && <LevelNow frame={frame} tank={tank} cm={nowCm} />}
          <MarkHandle frame={frame} tank={tank} water={water} units={units} onLitres={onLitres} />
        </>
      )}
    />
  );
}

/** The surface as it falls. */
function LevelNow({ frame, tank, cm }: { frame: SectionFrame; tank: TankOnDay; cm: number }) {
  const { facts } = tank;
  const place = markPlace(facts);
  const vessel = place === "sump" ? frame.sump : frame;
  if (!vessel) return null;
  const heightM = place === "sump" ? (facts.sump?.heightM ?? 0) : vesselHeightM(facts.display.vessel);
  const y = vessel.y(Math.max(0, heightM - cm / 100));
  return (
    <g data-level-now={cm.toFixed(1)}>
      <Line x1={vessel.left} x2={vessel.right} y1={y} y2={y} stroke="coralline" strokeWidth="3" strokeDasharray="6 4" />
      <SvgText x={vessel.left + 6} y={y + 15} fontSize="13px" fontWeight="600" fill="coralline">
        by the clock
      </SvgText>
    </g>
  );
}

const LIMIT_NAME: Readonly<Record<WaterPlan["limits"][number]["code"], string>> = {
  landmark: "a landmark",
  floor: "the bed",
  "sump-level": "the return pump",
  hose: "the drain hose",
  animals: "what the animals bear",
  "alkalinity-a-day": "alkalinity a day",
  "calcium-a-day": "calcium a day",
  "magnesium-a-day": "magnesium a day",
  "gh-a-day": "GH a day",
  "salinity-a-day": "salinity a day",
  "temperature-a-day": "temperature a day",
  "on-board": "water on board",
  "time-on-site": "time on site",
  "drain-rule": "waste to carry",
  "free-ammonia": "free ammonia",
};

/** The handle on the drain mark: on the glass, or on the sump while the return pump runs. */
function MarkHandle({
  frame,
  tank,
  water,
  units,
  onLitres,
}: {
  frame: SectionFrame;
  tank: TankOnDay;
  water: WaterPlan;
  units: UnitPreference;
  onLitres: (litres: number) => void;
}) {
  const { facts, standing } = tank;
  const place = markPlace(facts);
  if (place === "none") return null;
  const vessel = place === "sump" ? frame.sump : frame;
  if (!vessel) return null;
  const heightM = place === "sump" ? (facts.sump?.heightM ?? 0) : vesselHeightM(facts.display.vessel);
  const highM = place === "sump" ? (standing.sumpM ?? 0) : standing.startM;
  const cm = water.mark?.value ?? (heightM - highM) * 100;
  return (
    <HeightHandle
      name="Drain line"
      says={heard(water, cm, units)}
      heightM={Math.max(0, heightM - cm / 100)}
      lowM={0.005}
      highM={highM}
      x1={vessel.left}
      x2={vessel.right + 26}
      y={vessel.y}
      mOf={vessel.mOf}
      onMove={(m) => onLitres(litresOfMark(facts, standing, (heightM - m) * 100) + water.pumpsOnL)}
    />
  );
}

/** What the drawing shows, as it is heard: the mark, what leaves, what is too far, what dries. */
function heard(water: WaterPlan, cm: number, units: UnitPreference): string {
  const bare = water.exposed.map((e) => `${e.name} in air ${Math.round(e.minutes)} min`);
  return [
    `${figure(showLength(cm, units.length), 1)} ${units.length} from the rim`,
    litresText(water.litres.value, units),
    `${figure(water.share.value * 100, 0)} %`,
    ...(water.binding ? [`too far: ${limitSentence(water.binding, units)}`] : []),
    ...bare,
  ].join(", ");
}

/** What stands in air at this mark, and for how long. */
export function Exposed({ bare }: { bare: readonly Exposure[] }) {
  if (bare.length === 0) return null;
  return (
    <Box mt="8px" fontSize="14px">
      In air:{" "}
      {bare.map((e, i) => (
        <Span key={e.name} color={e.minutes > e.allowedMinutes ? "vermilion" : "ink"} fontWeight="560">
          {i > 0 ? "; " : ""}
          {e.name} {Math.round(e.minutes)} min
          {e.minutes > e.allowedMinutes ? `, may ${Math.round(e.allowedMinutes)}` : ""}
        </Span>
      ))}
    </Box>
  );
}
