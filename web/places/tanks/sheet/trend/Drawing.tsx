import { sayDay } from "@keel-round/core/calendar";
import type { Band } from "@keel-round/core/tank";
import {
  figure,
  type Parameter,
  readingIn,
  readingOut,
  showReading,
  type UnitPreference,
  withUnit,
} from "@keel-round/core/units";
import { scaleLinear } from "d3-scale";
import { area } from "d3-shape";
import { memo, type ReactNode } from "react";
import type { TankTrend } from "@/data/tanks/trend";
import { G, Line, Path, Rect, Svg, SvgText } from "@/kit/elements";
import { type Frame, monthsOf, pathOf, SIZE } from "./frame";

const MONTH = new Intl.DateTimeFormat("en-GB", { month: "short", timeZone: "UTC" });
const Z95 = 1.96;

/** The saw-tooth: what was read, the course through it, where it goes, and what it is to keep to. */
export function Drawing({
  trend,
  frame,
  band,
  units,
  label,
  ground,
  children,
}: {
  trend: TankTrend;
  frame: Frame;
  band: Band | null;
  units: UnitPreference;
  label: string;
  /** Lies under what is drawn. */
  ground?: ReactNode;
  children?: ReactNode;
}) {
  return (
    <Svg
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      width="100%"
      display="block"
      role="group"
      aria-label={label}
      fontSize="12px"
      overflow="visible"
    >
      <Ground trend={trend} frame={frame} band={band} units={units} />
      {ground}
      <Lived trend={trend} frame={frame} units={units} />
      {children}
    </Svg>
  );
}

interface Lies {
  readonly trend: TankTrend;
  readonly frame: Frame;
  readonly units: UnitPreference;
}

// What does not move while a handle is dragged is not drawn again.
const Lived = memo(function Lived({ trend, frame, units }: Lies) {
  const fitted = trend.answer?.enough ? trend.answer.trend : null;
  return (
    <>
      {fitted && (
        <>
          <Path
            d={
              area<(typeof fitted.ahead)[number]>(
                (p) => frame.x(p.day),
                (p) => frame.y(p.low),
                (p) => frame.y(p.high),
              )(fitted.ahead.filter(frame.within)) ?? ""
            }
            fill="water"
            opacity="0.22"
          />
          <Path
            d={pathOf(fitted.past.filter(frame.within), frame)}
            fill="none"
            stroke="water"
            strokeWidth="2"
            data-course="past"
          />
          <Path
            d={pathOf(fitted.ahead.filter(frame.within), frame)}
            fill="none"
            stroke="water"
            strokeWidth="2"
            strokeDasharray="3 3"
            data-course="ahead"
          />
        </>
      )}
      <Marks trend={trend} frame={frame} />
      <Readings trend={trend} frame={frame} units={units} />
      {frame.within({ day: 0 }) && (
        <>
          <Line x1={frame.x(0)} x2={frame.x(0)} y1={SIZE.top - 8} y2={SIZE.bottom} stroke="coralline" strokeWidth="2" />
          <SvgText x={frame.x(0) + 5} y={SIZE.top} fill="coralline">
            today
          </SvgText>
        </>
      )}
    </>
  );
});

/** Round figures on the scale that the reader reads, canonical. */
function ticksOf({ y }: Frame, parameter: Parameter, units: UnitPreference): number[] {
  const shown = y.domain().map((v) => readingIn(parameter, v, units));
  return scaleLinear(shown, [0, 1])
    .ticks(6)
    .map((v) => readingOut(parameter, v, units));
}

/** Months and figures, what is right for the tank, and where it is acted on. */
const Ground = memo(function Ground({ trend, frame, band, units }: Lies & { band: Band | null }) {
  const { x, y } = frame;
  const within = (v: number) => v >= (y.domain()[0] ?? 0) && v <= (y.domain()[1] ?? 0);
  const edges = band ? [band.actHigh, band.actLow].filter((v) => v > 0 && within(v)) : [];
  const [top, bottom] = band
    ? [y(Math.min(band.idealHigh, y.domain()[1] ?? 0)), y(Math.max(band.idealLow, y.domain()[0] ?? 0))]
    : [0, 0];
  return (
    <>
      {band && (
        <>
          <Rect x={SIZE.left} y={top} width={SIZE.right - SIZE.left} height={Math.max(0, bottom - top)} fill="band" />
          <SvgText x={SIZE.left + 6} y={bottom - 6} fill="soft" stroke="band" strokeWidth="4" paintOrder="stroke">
            right for this tank: {showReading(trend.parameter, Math.max(0, band.idealLow), units)} to{" "}
            {showReading(trend.parameter, band.idealHigh, units)}
          </SvgText>
        </>
      )}
      {monthsOf(trend, frame).map(({ day, on }) => (
        <G key={on}>
          <Line x1={x(day)} x2={x(day)} y1={SIZE.top - 8} y2={SIZE.bottom} stroke="rule" />
          {x(day) < SIZE.right - 30 && (
            <SvgText x={x(day) + 3} y={SIZE.bottom + 20} fill="soft">
              {MONTH.format(new Date(on))}
            </SvgText>
          )}
        </G>
      ))}
      {ticksOf(frame, trend.parameter, units).map((v) => (
        <SvgText key={v} x={SIZE.left - 8} y={y(v) + 4} textAnchor="end" className="num" fill="soft">
          {showReading(trend.parameter, v, units).replace(/[.,]0+$/, "")}
        </SvgText>
      ))}
      {edges.map((v) => (
        <G key={v}>
          <Line x1={SIZE.left} x2={SIZE.right} y1={y(v)} y2={y(v)} stroke="ochre" strokeDasharray="5 4" />
          <SvgText x={SIZE.left + 6} y={y(v) - 5} fill="ochre">
            act at {showReading(trend.parameter, v, units)}
          </SvgText>
        </G>
      ))}
      <Line x1={SIZE.left} x2={SIZE.right} y1={SIZE.bottom} y2={SIZE.bottom} stroke="ruleStrong" />
    </>
  );
});

/** Water changes and doses by hand at the foot, and what was logged at the head: what changed the rate in ink, the rest in grey. */
function Marks({ trend, frame }: Pick<Lies, "trend" | "frame">) {
  const breaks = trend.answer?.enough ? trend.answer.trend.breaks : [];
  return (
    <>
      {trend.changes
        .filter((c) => frame.within(c) && c.day <= 0)
        .map((c) => (
          <Rect key={c.day} x={frame.x(c.day) - 2.5} y={SIZE.bottom} width="5" height="8" fill="water" data-change="">
            <title>{Math.round(100 * c.share)} % changed</title>
          </Rect>
        ))}
      {trend.given
        .filter((d) => frame.within(d) && d.rise > 0)
        .map((d) => (
          <Path key={d.day} d={`M${frame.x(d.day) - 5} ${SIZE.bottom - 2}h10l-5 -9z`} fill="coralline" data-dose="">
            <title>
              {figure(d.amount, 1)} {d.unit} of {d.product}
            </title>
          </Path>
        ))}
      {trend.logged.filter(frame.within).map((e) => {
        const broke = breaks.some((b) => b.day === e.day);
        return (
          <G key={`${e.day} ${e.text}`} data-event={broke ? "break" : ""}>
            <Line
              x1={frame.x(e.day)}
              x2={frame.x(e.day)}
              y1={SIZE.top - 6}
              y2={SIZE.top + 12}
              stroke={broke ? "ink" : "faint"}
            />
            <SvgText x={frame.x(e.day)} y={SIZE.top - 11} textAnchor="middle" fill={broke ? "ink" : "soft"}>
              {e.text}
            </SvgText>
          </G>
        );
      })}
    </>
  );
}

/** Each reading with its error; one that is set aside is hollow. Each is reached by Tab and says itself. */
function Readings({ trend, frame, units }: Lies) {
  const aside = trend.answer?.enough ? trend.answer.trend.outliers : [];
  return frame.shown.map((r) => {
    const odd = aside.some((o) => o.day === r.day && o.value === r.value);
    const says = `${sayDay(r.on)}: ${withUnit(trend.parameter, r.value, units)}${odd ? ", set aside" : ""}`;
    const [x, y] = [frame.x(r.day), frame.y(r.value)];
    return (
      <G
        key={r.id}
        role="img"
        tabIndex={0}
        aria-label={says}
        color={odd ? "soft" : "ink"}
        data-reading={odd ? "aside" : ""}
      >
        <title>{says}</title>
        <line
          x1={x}
          x2={x}
          y1={frame.y(r.value + Z95 * r.sigma)}
          y2={frame.y(Math.max(0, r.value - Z95 * r.sigma))}
          stroke="currentColor"
        />
        <circle
          cx={x}
          cy={y}
          r="4.4"
          fill={odd ? "var(--kr-colors-ground)" : "currentColor"}
          stroke="currentColor"
          strokeWidth="1.5"
        />
      </G>
    );
  });
}
