import type { ConditionState } from "@keel-round/core/readings";
import type { DayPlan } from "@keel-round/core/round";
import { TIDE_STEP_MINUTES, type TideDay } from "@keel-round/core/tide";
import { quantityText, type UnitPreference } from "@keel-round/core/units";
import { area } from "d3-shape";
import { A, Line, Path, Rect, Svg, SvgText } from "@/kit/elements";
import { CONDITION_COLOUR } from "./Condition";
import { clock } from "./words";

/** What the ribbon shows of a stop beside its times. */
export interface RibbonStop {
  readonly id: string;
  readonly name: string;
  readonly condition: ConditionState;
  readonly closed: boolean;
}

interface RibbonProps {
  readonly day: DayPlan;
  readonly stops: readonly RibbonStop[];
  readonly vanKg: number;
  readonly nowMinute: number | null;
  readonly units: UnitPreference;
  /** The tide of the day, where sea water is collected. */
  readonly tide?: TideDay | null;
}

const W = 1090;
const H = 268;
const LEFT = 44;
const RIGHT = 22;
const BAR = { top: 34, height: 54 };
const WATER = { top: 116, bottom: 246 };

/** The range of the clock that a day is drawn on, whole hours. */
function span(day: DayPlan): readonly [from: number, to: number] {
  const first = Math.min(...day.legs.map((l) => l.from), ...day.stops.map((s) => s.start));
  const last = Math.max(day.homeAt, ...day.stops.map((s) => s.end));
  return [Math.floor(first / 60) * 60, Math.ceil((last + 5) / 60) * 60];
}

/** A narrower block is named by its link alone. */
const LEAST_NAMED = 30;

/** A name in at most two lines that fit a block. */
function twoLines(name: string, widthPx: number): readonly string[] {
  const fits = Math.max(5, Math.floor((widthPx - 12) / 6.6));
  const words = name.split(" ");
  const lines: string[] = [""];
  for (const word of words) {
    const current = lines.at(-1) ?? "";
    if (current && `${current} ${word}`.length > fits && lines.length < 2) lines.push(word);
    else lines[lines.length - 1] = current ? `${current} ${word}` : word;
  }
  return lines.map((l) => (l.length > fits ? `${l.slice(0, Math.max(3, fits - 1))}…` : l));
}

/** The hours that are drawn, in minutes of the day, and where a minute stands. */
interface Clock {
  readonly from: number;
  readonly to: number;
  readonly x: (minute: number) => number;
}

/** The day drawn to the clock: stops with their windows, travel dotted, and the water on board under it. */
export function DayRibbon({ day, stops, vanKg, nowMinute, units, tide }: RibbonProps) {
  const [from, to] = span(day);
  const x = (minute: number) => LEFT + ((minute - from) / (to - from)) * (W - LEFT - RIGHT);
  const byId = new Map(stops.map((s) => [s.id, s]));
  const kg = (value: number) => quantityText(value, "kg", units, 0);
  const label = day.stops.map((s) => `${clock(s.start)} ${s.stop.name}`).join(", ");

  return (
    <Svg
      width="100%"
      viewBox={`0 0 ${W} ${H}`}
      role="group"
      aria-label={`The day: ${label}. At most ${kg(day.peakKg)} of water on board, the van carries ${kg(vanKg)}.`}
      display="block"
    >
      <Hours from={from} to={to} x={x} />
      {tide && <Tide tide={tide} x={x} from={from} to={to} />}
      <Legs legs={day.legs} x={x} />
      {day.stops.map((placed) => (
        <Block key={placed.stop.id} placed={placed} shown={byId.get(placed.stop.id)} x={x} from={from} to={to} />
      ))}
      <WaterOnBoard day={day} vanKg={vanKg} x={x} from={from} to={to} units={units} />
      {nowMinute !== null && nowMinute >= from && nowMinute <= to && (
        <Line x1={x(nowMinute)} x2={x(nowMinute)} y1="20" y2={WATER.bottom} stroke="coralline" strokeWidth="2" />
      )}
    </Svg>
  );
}

/** The clock that the day is drawn on. */
function Hours({ from, to, x }: Clock) {
  const hours = Array.from({ length: (to - from) / 60 + 1 }, (_, i) => from + i * 60);
  return (
    <>
      {hours.map((minute) => (
        <g key={minute}>
          <Line
            x1={x(minute)}
            x2={x(minute)}
            y1="22"
            y2={WATER.bottom + 16}
            stroke="rule"
            strokeDasharray={minute % 120 ? "1 4" : undefined}
          />
          <SvgText x={x(minute)} y="13" textAnchor="middle" fontSize="11.5px" className="num" fill="faint">
            {clock(minute)}
          </SvgText>
        </g>
      ))}
    </>
  );
}

/** The ways between the stops, and where the day pauses. */
function Legs({ legs, x }: { legs: DayPlan["legs"]; x: Clock["x"] }) {
  return (
    <>
      {legs.map((leg) => (
        <g key={`${leg.kind}${leg.from}`}>
          {leg.kind === "travel" && (
            <Path
              d={`M${x(leg.from)} ${BAR.top + BAR.height / 2} H${x(leg.to)}`}
              stroke="soft"
              strokeWidth="1.4"
              strokeDasharray="2 3"
            />
          )}
          {(leg.kind === "break" || leg.kind === "refill") && (
            <SvgText
              x={(x(leg.from) + x(leg.to)) / 2}
              y={BAR.top + BAR.height / 2 - 8}
              textAnchor="middle"
              fontSize="11.5px"
              fill={leg.kind === "refill" ? "water" : "faint"}
            >
              {leg.kind === "refill" ? "refill" : "break"}
            </SvgText>
          )}
        </g>
      ))}
    </>
  );
}

interface BlockProps extends Clock {
  readonly placed: DayPlan["stops"][number];
  readonly shown: RibbonStop | undefined;
}

/** One stop with its window, its condition and its name. */
function Block({ placed: { stop, start, end }, shown, x, from, to }: BlockProps) {
  const [x1, width] = [x(start), Math.max(6, x(end) - x(start))];
  return (
    <A href={`#stop-${stop.id}`} aria-label={stop.name}>
      {stop.window && (
        <Path
          d={`M${x(Math.max(from, stop.window.from))} ${BAR.top + BAR.height + 8} v-4 H${x(Math.min(to, stop.window.to))} v4`}
          stroke="ruleStrong"
          fill="none"
        />
      )}
      <Rect x={x1} y={BAR.top} width={width} height={BAR.height} fill="sheet" stroke="ruleStrong" />
      <Rect
        x={x1}
        y={BAR.top}
        width="4"
        height={BAR.height}
        fill={stop.collectsL === undefined ? CONDITION_COLOUR[shown?.condition ?? "unknown"] : "water"}
      />
      {(width > LEAST_NAMED ? twoLines(stop.name, width) : []).map((text, i) => (
        <SvgText
          key={text}
          x={x1 + 9}
          y={BAR.top + 18 + i * 15}
          fontSize="12px"
          fontWeight="620"
          fill={shown?.closed ? "faint" : "ink"}
        >
          {text}
        </SvgText>
      ))}
      {width > 42 && (
        <SvgText x={x1 + 9} y={BAR.top + 48} fontSize="10.5px" className="num" fill="soft">
          {clock(start)}
        </SvgText>
      )}
    </A>
  );
}

/** The tide behind the stops: its windows as bands, its level as a line, high water named. */
function Tide({ tide, x, from, to }: { tide: TideDay; x: (minute: number) => number; from: number; to: number }) {
  const { heightsM, windows, turns } = tide;
  const [low, high] = [Math.min(...heightsM), Math.max(...heightsM)];
  const y = (m: number) => BAR.top + BAR.height - ((m - low) / Math.max(0.1, high - low)) * BAR.height;
  const level = heightsM
    .map((m, i) => ({ minute: i * TIDE_STEP_MINUTES, m }))
    .filter(({ minute }) => minute >= from && minute <= to);
  return (
    <g data-tide="">
      {windows
        .filter((w) => w.to > from && w.from < to)
        .map((w) => (
          <Rect
            key={w.highAt}
            x={x(Math.max(from, w.from))}
            y={BAR.top}
            width={x(Math.min(to, w.to)) - x(Math.max(from, w.from))}
            height={BAR.height}
            fill="waterPale"
            opacity="0.45"
          />
        ))}
      <Path
        d={level.map(({ minute, m }, i) => `${i === 0 ? "M" : "L"}${x(minute)} ${y(m)}`).join(" ")}
        stroke="water"
        strokeWidth="1.2"
        fill="none"
      />
      {turns
        .filter((t) => t.kind === "high" && t.minute > from + 20 && t.minute < to - 20)
        .map((t) => (
          <SvgText key={t.minute} x={x(t.minute)} y="29" textAnchor="middle" fontSize="11.5px" fill="water">
            high water {clock(t.minute)}
          </SvgText>
        ))}
    </g>
  );
}

function WaterOnBoard({
  day,
  vanKg,
  x,
  from,
  to,
  units,
}: {
  day: DayPlan;
  vanKg: number;
  x: (minute: number) => number;
  from: number;
  to: number;
  units: UnitPreference;
}) {
  const says = (kg: number) => quantityText(kg, "kg", units, 0);
  const most = Math.max(vanKg, day.peakKg, 1) * 1.06;
  const y = (kg: number) => WATER.bottom - (kg / most) * (WATER.bottom - WATER.top);
  const first = day.onBoard[0];
  const points = first
    ? [{ ...first, minute: from }, ...day.onBoard, { ...(day.onBoard.at(-1) ?? first), minute: to }]
    : [];
  const layers = [
    { key: "mix", fill: "waterDeep", of: (p: (typeof points)[number]) => p.mixKg },
    { key: "sea water", fill: "waterMid", of: (p: (typeof points)[number]) => p.seaKg },
    { key: "purified", fill: "waterPale", of: (p: (typeof points)[number]) => p.purifiedKg },
    { key: "waste", fill: "url(#kr-waste)", of: (p: (typeof points)[number]) => p.wasteKg },
  ] as const;
  const below = (index: number, p: (typeof points)[number]) =>
    layers.slice(0, index).reduce((sum, l) => sum + l.of(p), 0);
  const over = day.peakKg > vanKg + 1e-6;
  const peak = day.onBoard.reduce(
    (best, p) => (total(p) > total(best) ? p : best),
    day.onBoard[0] ?? { minute: from, mixKg: 0, seaKg: 0, purifiedKg: 0, wasteKg: 0 },
  );
  return (
    <g>
      <defs>
        <pattern id="kr-waste" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <Line x1="0" y1="0" x2="0" y2="6" stroke="waste" strokeWidth="2" />
        </pattern>
      </defs>
      {layers.map((layer, i) => {
        const path = area<(typeof points)[number]>(
          (p) => x(p.minute),
          (p) => y(below(i, p)),
          (p) => y(below(i, p) + layer.of(p)),
        )(points);
        return path ? <Path key={layer.key} d={path} fill={layer.fill} /> : null;
      })}
      <LayerNames points={points} layers={layers} below={below} y={y} x={x} />
      <Line
        x1={x(from)}
        x2={x(to)}
        y1={y(vanKg)}
        y2={y(vanKg)}
        stroke={over ? "vermilion" : "ink"}
        strokeDasharray="6 3"
      />
      <SvgText
        x={x(to)}
        y={y(vanKg) - 5}
        textAnchor="end"
        fontSize="11.5px"
        fill={over ? "vermilion" : "soft"}
        fontWeight={over ? 600 : 400}
      >
        {over
          ? `${says(day.peakKg - vanKg)} more than the van's ${says(vanKg)}`
          : `the van carries ${says(vanKg)} of water`}
      </SvgText>
      {day.peakKg > 1 && (
        <SvgText x={Math.min(x(peak.minute) + 6, W - 260)} y={y(day.peakKg) - 5} fontSize="11.5px" fill="ink">
          <tspan className="num">{says(day.peakKg)}</tspan> at most
        </SvgText>
      )}
      <Line x1={x(from)} x2={x(to)} y1={WATER.bottom} y2={WATER.bottom} stroke="ink" />
    </g>
  );
}

const total = (p: { mixKg: number; seaKg: number; purifiedKg: number; wasteKg: number }) =>
  p.mixKg + p.seaKg + p.purifiedKg + p.wasteKg;

type Point = DayPlan["onBoard"][number];

/** Names each layer where it is thick enough to hold its name. */
function LayerNames({
  points,
  layers,
  below,
  y,
  x,
}: {
  points: readonly Point[];
  layers: readonly { key: string; of: (p: Point) => number }[];
  below: (i: number, p: Point) => number;
  y: (kg: number) => number;
  x: (m: number) => number;
}) {
  return (
    <g>
      {layers.map((layer, i) => {
        const candidates = layer.key === "waste" ? [...points].reverse() : points;
        const at = candidates.find((p) => y(0) - y(layer.of(p)) > 12);
        if (!at) return null;
        const kg = below(i, at) + layer.of(at) / 2;
        const end = layer.key === "waste";
        return (
          <SvgText
            key={layer.key}
            x={end ? x(at.minute) - 6 : x(at.minute) + 6}
            y={y(kg) + 4}
            textAnchor={end ? "end" : "start"}
            fontSize="12px"
            fill={i < 2 ? "#fff" : "ink"}
            stroke={end ? "sheet" : undefined}
            strokeWidth={end ? 3 : undefined}
            paintOrder="stroke"
          >
            {end ? "waste carried away" : layer.key}
          </SvgText>
        );
      })}
    </g>
  );
}

/** Today's ribbon in small, for the header of every screen. */
export function SmallRibbon({ day, stops, nowMinute }: Omit<RibbonProps, "vanKg" | "units">) {
  if (day.stops.length === 0) return null;
  const [from, to] = span(day);
  const x = (minute: number) => ((minute - from) / (to - from)) * 700;
  const byId = new Map(stops.map((s) => [s.id, s]));
  return (
    <Svg
      width="100%"
      height="34px"
      viewBox="0 0 700 34"
      preserveAspectRatio="none"
      role="img"
      aria-label={`Today: ${day.stops.filter((s) => s.stop.collectsL === undefined).length} stops, home at ${clock(day.homeAt)}`}
    >
      <Line x1="0" x2="700" y1="17" y2="17" stroke="ruleStrong" />
      {day.stops.map(({ stop, start, end }) => (
        <Rect
          key={stop.id}
          x={x(start)}
          y="11"
          width={Math.max(3, x(end) - x(start))}
          height="12"
          fill={stop.collectsL === undefined ? CONDITION_COLOUR[byId.get(stop.id)?.condition ?? "unknown"] : "water"}
          opacity={byId.get(stop.id)?.closed ? 0.28 : 0.9}
        />
      ))}
      {nowMinute !== null && nowMinute >= from && nowMinute <= to && (
        <Line x1={x(nowMinute)} x2={x(nowMinute)} y1="3" y2="31" stroke="coralline" strokeWidth="2" />
      )}
    </Svg>
  );
}
