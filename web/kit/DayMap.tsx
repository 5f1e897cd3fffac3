import { Box } from "@chakra-ui/react";
import type { AreaMap } from "@keel-round/core/desk";
import { geoMercator, geoPath } from "d3-geo";
import { Line, Path, Svg, SvgText } from "./elements";

/** A place of the day, in the order in which it is gone to. */
export interface MapStop {
  readonly id: string;
  /** 1 for the first; null where the day has no time for it. */
  readonly order: number | null;
  readonly name: string;
  readonly lat: number;
  readonly lon: number;
}

const [W, H, EDGE] = [560, 360, 34];
/** A town is not drawn larger than this, degrees: two stops in one house still lie in it. */
const LEAST_DEGREES = 0.012;

const FILL = { water: "waterPale", road: "none", other: "none" } as const;
const STROKE = { water: "none", road: "ruleStrong", other: "rule" } as const;

/** The day on a map that is drawn from coordinates: base, stops by their order, the way between them; no tiles. */
export function DayMap({
  base,
  stops,
  map,
}: {
  base: { readonly lat: number; readonly lon: number };
  stops: readonly MapStop[];
  /** The firm's own lines and areas; null without. */
  map: AreaMap | null;
}) {
  const points = [base, ...stops].map((p): [number, number] => [p.lon, p.lat]);
  const around: [number, number][] = [
    [base.lon - LEAST_DEGREES, base.lat - LEAST_DEGREES],
    [base.lon + LEAST_DEGREES, base.lat + LEAST_DEGREES],
  ];
  const projection = geoMercator().fitExtent(
    [
      [EDGE, EDGE],
      [W - EDGE, H - EDGE],
    ],
    { type: "MultiPoint", coordinates: [...points, ...around] },
  );
  const at = ([lon, lat]: [number, number]): [number, number] => projection([lon, lat]) ?? [0, 0];
  const path = geoPath(projection);
  const gone = stops.filter((s) => s.order !== null).sort((a, b) => (a.order ?? 0) - (b.order ?? 0));
  const way = [base, ...gone, base].map((p) => at([p.lon, p.lat]));
  const [bx, by] = at([base.lon, base.lat]);
  const told = gone.map((s) => `${s.order} ${s.name}`).join(", ");
  return (
    <Box borderWidth="1px" borderColor="rule" bg="sheet" maxW={`${W}px`} data-map="">
      <Svg viewBox={`0 0 ${W} ${H}`} width="100%" display="block" role="img" aria-label={`Map of the day: ${told}`}>
        {(map?.features ?? []).map((f, i) => {
          const d = path(f.geometry as GeoJSON.Geometry);
          const { kind } = f.properties;
          // A feature has no name of its own that is sure to differ.
          return d ? <Path key={i} d={d} fill={FILL[kind]} stroke={STROKE[kind]} strokeWidth="1.5" /> : null;
        })}
        {way.slice(1).map(([x2, y2], i) => {
          const [x1, y1] = way[i] ?? [0, 0];
          return (
            <Line key={`${x1} ${y1} ${x2} ${y2}`} x1={x1} y1={y1} x2={x2} y2={y2} stroke="soft" strokeDasharray="2 4" />
          );
        })}
        <Path d={`M${bx - 7} ${by - 7}h14v14h-14z`} fill="ink" />
        <SvgText x={bx + 11} y={by + 16} fontSize="12px" fill="ink" stroke="sheet" strokeWidth={3} paintOrder="stroke">
          Base
        </SvgText>
        {stops.map((s) => {
          const [x, y] = at([s.lon, s.lat]);
          return (
            <g key={s.id}>
              <Path
                d={`M${x - 11} ${y - 11}h22v22h-22z`}
                fill={s.order === null ? "sheet" : "coralline"}
                stroke={s.order === null ? "vermilion" : "sheet"}
              />
              <SvgText
                x={x}
                y={y + 5}
                textAnchor="middle"
                fontSize="13px"
                className="num"
                fontWeight={640}
                fill={s.order === null ? "vermilion" : "#fff"}
              >
                {s.order ?? "–"}
              </SvgText>
              <SvgText
                x={x > W - 130 ? x - 16 : x + 16}
                y={y + 4}
                textAnchor={x > W - 130 ? "end" : "start"}
                fontSize="12px"
                fill="ink"
                stroke="sheet"
                strokeWidth={3}
                paintOrder="stroke"
              >
                {s.name}
              </SvgText>
            </g>
          );
        })}
      </Svg>
    </Box>
  );
}
