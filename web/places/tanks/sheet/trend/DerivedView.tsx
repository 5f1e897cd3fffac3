import { Box } from "@chakra-ui/react";
import { daysBetween } from "@keel-round/core/calendar";
import { type Derived, type DerivedPoint, runningSaid } from "@keel-round/core/readings";
import { counted, inSentence } from "@keel-round/core/text";
import type { Parameter } from "@keel-round/core/units";
import { figure, parameterFacts, showLength, showVolume, type UnitPreference, withUnit } from "@keel-round/core/units";
import { scaleLinear } from "d3-scale";
import type { DerivedSeries } from "@/data/tanks/derived";
import { Circle, Line, Path, Svg, SvgText, Table } from "@/kit/elements";
import { Cell, Head } from "@/kit/table";
import { dayLabel } from "@/kit/words";

const DERIVED_NAME: Readonly<Record<Derived, string>> = {
  "free-ammonia": "Free ammonia",
  co2: "CO2",
  evaporation: "Evaporation",
  running: "Running hours",
};

/** "Running hours of Chiller". */
export const derivedName = ({ of, item }: { readonly of: Derived; readonly item: string | null }): string =>
  item === null ? DERIVED_NAME[of] : `${DERIVED_NAME[of]} of ${item}`;
const SAYS: Readonly<Record<Derived, string>> = {
  "free-ammonia": "Worked out from total ammonia, pH, temperature and salinity of the same day, as NH3.",
  co2: "Worked out from KH and pH of the same day, within 30 %: tannins, phosphate and buffer salts mislead it.",
  evaporation: "Worked out from how far it stood below its mark on arrival, since the visit before.",
  running: "Worked out from its hour meter, since the reading before.",
};
const DECIMALS: Readonly<Record<Derived, number>> = { "free-ammonia": 4, co2: 0, evaporation: 2, running: 1 };
const [WIDTH, HEIGHT, LEFT, EDGE] = [1080, 220, 60, 18];
const FEWEST_DAYS = 42;
const SHOWN = 40;

const unitOf = (of: Derived, units: UnitPreference): string =>
  of === "evaporation" ? `${units.volume} a day` : of === "running" ? "h a day" : "mg/L";

/** Litres a day in the reader's volumes. */
const inVolumes = (p: DerivedPoint, { volume }: UnitPreference): DerivedPoint => ({
  ...p,
  ...{ value: showVolume(p.value, volume), low: showVolume(p.low, volume), high: showVolume(p.high, volume) },
});

function workedFrom({ from, assumed, stood, meter }: DerivedPoint, units: UnitPreference): string {
  if (meter) return `${figure(meter.hours, 0)} h, ${counted(meter.days, "day")} after the reading before`;
  if (stood)
    return `${figure(showLength(stood.belowCm, units.length), 1)} ${units.length} below its mark after ${counted(stood.days, "day")}`;
  return (Object.entries(from) as [Parameter, number][])
    .map(([parameter, value]) => {
      const part = `${inSentence(parameterFacts[parameter].label)} ${withUnit(parameter, value, units)}`;
      return assumed.includes(parameter) ? `${part}, not read that day` : part;
    })
    .join("; ");
}

function runningSentences(points: readonly DerivedPoint[]): string {
  const said = runningSaid(points);
  if (!said) return "";
  const hours = (perDay: number) => `${figure(perDay, DECIMALS.running)} h a day`;
  const now = `It runs ${hours(said.nowPerDay)} now, ${hours(said.usualPerDay)} as a rule.`;
  return said.most ? `${now} It ran most up to ${dayLabel(said.most.on)}: ${hours(said.most.perDay)}.` : now;
}

/** A figure that is worked out of what was logged: its days with their ranges, its limit, and a table of them. */
export function DerivedView({ series, units }: { series: DerivedSeries; units: UnitPreference }) {
  const { of, limit, on } = series;
  const points = of === "evaporation" ? series.points.map((p) => inVolumes(p, units)) : series.points;
  const name = derivedName(series);
  const said = (value: number) => `${figure(value, DECIMALS[of])} ${unitOf(of, units)}`;
  if (points.length === 0)
    return (
      <Box color="soft" mb="20px">
        {SAYS[of]} {of === "running" ? "It was read on one day so far." : "It was logged on no day yet."}
      </Box>
    );
  return (
    <Box as="section" aria-label={`${name} over its days`} mb="20px">
      <Box color="soft" mb="8px">
        {SAYS[of]}
      </Box>
      {of === "running" && <Box mb="8px">{runningSentences(series.points)}</Box>}
      <Course series={{ ...series, points }} />
      <Box overflowX="auto" mt="12px">
        <Table borderCollapse="collapse" fontSize="14px" minW="560px">
          <thead>
            <tr>
              {["Day", name, "Between", "Worked out from"].map((h) => (
                <Head key={h}>{h}</Head>
              ))}
            </tr>
          </thead>
          <tbody>
            {[...points]
              .reverse()
              .slice(0, SHOWN)
              .map((p) => (
                <tr key={p.on}>
                  <Cell whiteSpace="nowrap">{dayLabel(p.on)}</Cell>
                  <Cell fontFamily="mono" color={limit !== null && p.value > limit ? "vermilion" : "ink"}>
                    {said(p.value)}
                  </Cell>
                  <Cell fontFamily="mono" color="soft">
                    {figure(p.low, DECIMALS[of])} to {figure(p.high, DECIMALS[of])}
                  </Cell>
                  <Cell color="soft">{workedFrom(p, units)}</Cell>
                </tr>
              ))}
          </tbody>
        </Table>
      </Box>
      {limit !== null && (
        <Box color="soft" mt="8px" fontSize="14px">
          Over {said(limit)} it harms: since {dayLabel(points[0]?.on ?? on)} that was on{" "}
          {points.filter((p) => p.value > limit).length} of {points.length} days.
        </Box>
      )}
    </Box>
  );
}

/** The days, joined, each with its range, and the limit. */
function Course({ series: { of, points, limit, on } }: { series: DerivedSeries }) {
  const days = points.map((p) => ({ ...p, day: daysBetween(on, p.on) }));
  const x = scaleLinear([Math.min(-FEWEST_DAYS, days[0]?.day ?? 0), 0], [LEFT, WIDTH - EDGE]);
  const y = scaleLinear([0, Math.max(limit ?? 0, ...days.map((d) => d.high), 1e-9) * 1.05], [HEIGHT - EDGE, EDGE]);
  return (
    <Svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width="100%"
      display="block"
      aria-hidden="true"
      fontSize="12px"
      data-derived={of}
    >
      {y.ticks(4).map((v) => (
        <SvgText key={v} x={LEFT - 8} y={y(v) + 4} textAnchor="end" className="num" fill="soft">
          {figure(v, DECIMALS[of])}
        </SvgText>
      ))}
      <Line x1={LEFT} x2={WIDTH - EDGE} y1={HEIGHT - EDGE} y2={HEIGHT - EDGE} stroke="ruleStrong" />
      {limit !== null && (
        <>
          <Line x1={LEFT} x2={WIDTH - EDGE} y1={y(limit)} y2={y(limit)} stroke="ochre" strokeDasharray="5 4" />
          <SvgText x={LEFT + 6} y={y(limit) - 5} fill="ochre">
            harms from here on
          </SvgText>
        </>
      )}
      <Path
        d={days.map((d, i) => `${i === 0 ? "M" : "L"}${x(d.day).toFixed(1)} ${y(d.value).toFixed(1)}`).join("")}
        fill="none"
        stroke="water"
        strokeWidth="1.5"
      />
      {days.map((d) => (
        <g key={d.on}>
          <Line x1={x(d.day)} x2={x(d.day)} y1={y(d.high)} y2={y(d.low)} stroke="ink" />
          <Circle
            cx={x(d.day)}
            cy={y(d.value)}
            r="3.5"
            fill={limit !== null && d.value > limit ? "vermilion" : "ink"}
          />
        </g>
      ))}
    </Svg>
  );
}
