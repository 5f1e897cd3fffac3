import { Box } from "@chakra-ui/react";
import { daysBetween } from "@keel-round/core/calendar";
import { standing } from "@keel-round/core/readings";
import type { Band } from "@keel-round/core/tank";
import { type Parameter, type UnitPreference, withUnit } from "@keel-round/core/units";
import { scaleLinear } from "d3-scale";
import { AppLink } from "@/kit/AppLink";
import { STANDING_COLOUR } from "@/kit/BandStrip";
import { Circle, Path, Rect, Span, Svg } from "@/kit/elements";
import { DRAWN_BACK_DAYS } from "./frame";

/** A reading as a small drawing shows it, canonical. */
export interface SmallReading {
  readonly parameter: string;
  readonly value: number;
  readonly onDate: string;
}

const [WIDTH, HEIGHT, EDGE] = [220, 64, 5];

/** All figures of a tank beside each other, each on its own band over the same days; each opens its own drawing. */
export function Multiples({
  bands,
  readings,
  today,
  units,
  labelOf,
  hrefOf,
}: {
  bands: readonly Band[];
  /** In any order. */
  readings: readonly SmallReading[];
  today: string;
  units: UnitPreference;
  labelOf: (parameter: Parameter) => string;
  hrefOf: (parameter: Parameter) => string;
}) {
  return (
    <Box as="section" aria-label="All figures of the tank" {...BESIDE}>
      {bands.map((band) => {
        const own = readings
          .filter((r) => r.parameter === band.parameter)
          .map((r) => ({ day: daysBetween(today, r.onDate), value: r.value }))
          .sort((a, b) => a.day - b.day);
        return (
          <SmallFigure
            key={band.parameter}
            href={hrefOf(band.parameter)}
            name={labelOf(band.parameter)}
            {...{ band, points: own, units }}
          />
        );
      })}
    </Box>
  );
}

/** Small drawings beside each other, as many as there is room for. */
export const BESIDE = {
  display: "grid",
  gridTemplateColumns: "repeat(auto-fill, minmax(220px, 1fr))",
  gap: "14px 22px",
  mb: "22px",
} as const;

interface Point {
  readonly day: number;
  readonly value: number;
}

interface SmallFigureProps {
  readonly href: string;
  readonly name: string;
  readonly band: Band;
  /** Oldest first. */
  readonly points: readonly Point[];
  readonly units: UnitPreference;
  /** What else the scale has to hold, where several stand on one. */
  readonly alsoHolds?: readonly number[];
}

/** A figure in small with what was read last; it opens its own drawing. */
export function SmallFigure({ href, name, band, points, units, alsoHolds = [] }: SmallFigureProps) {
  const last = points.at(-1);
  const says = last ? withUnit(band.parameter, last.value, units) : "not read yet";
  return (
    <AppLink href={href} aria-label={`${name}, ${says}`}>
      <Span display="flex" justifyContent="space-between" gap="8px" fontSize="13.5px" data-figure={band.parameter}>
        <Span color="soft">{name}</Span>
        <Span className="num" whiteSpace="nowrap" color={last ? STANDING_COLOUR[standing(band, last.value)] : "soft"}>
          {says}
        </Span>
      </Span>
      <Small band={band} points={points.filter((p) => p.day >= -DRAWN_BACK_DAYS)} alsoHolds={alsoHolds} />
    </AppLink>
  );
}

/** One figure over five months: its band, and what was read, joined. */
function Small({ band, points, alsoHolds }: { band: Band; points: readonly Point[]; alsoHolds: readonly number[] }) {
  const low = Math.max(0, band.idealLow);
  const values = [low, band.idealHigh, ...points.map((p) => p.value), ...alsoHolds];
  const x = scaleLinear([-DRAWN_BACK_DAYS, 0], [EDGE, WIDTH - EDGE]);
  const y = scaleLinear([Math.min(...values), Math.max(...values, low + 1e-9)], [HEIGHT - EDGE, EDGE]);
  const last = points.at(-1);
  return (
    <Svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width="100%" display="block" aria-hidden="true" mt="3px">
      <Rect x="0" y={y(band.idealHigh)} width={WIDTH} height={Math.max(1, y(low) - y(band.idealHigh))} fill="band" />
      <Path
        d={points.map((p, i) => `${i === 0 ? "M" : "L"}${x(p.day).toFixed(1)} ${y(p.value).toFixed(1)}`).join("")}
        fill="none"
        stroke="soft"
        strokeWidth="1.3"
      />
      {last && <Circle cx={x(last.day)} cy={y(last.value)} r="3" fill={STANDING_COLOUR[standing(band, last.value)]} />}
    </Svg>
  );
}
