import { standing } from "@keel-round/core/readings";
import type { Band } from "@keel-round/core/tank";
import { G, Line, Path, Rect, Svg } from "@/kit/elements";
import { CONDITION_COLOUR } from "./Condition";

/** The colour of where a value stands against its band. */
export const STANDING_COLOUR = {
  ideal: CONDITION_COLOUR.steady,
  watch: CONDITION_COLOUR.drifting,
  act: CONDITION_COLOUR.off,
} as const;

/** A value on its band: the shaded middle is right for the tank, the bar its error, the coralline tick after a change. */
export function BandStrip({
  band,
  value,
  sigma,
  after,
  width = 250,
}: {
  band: Band;
  value: number;
  sigma: number;
  after?: number;
  width?: number;
}) {
  const from = Math.max(0, band.actLow);
  const margin = (band.actHigh - from) * 0.18;
  const [left, right] = [Math.max(0, from - margin), band.actHigh + margin];
  const x = (v: number) => 4 + Math.min(1, Math.max(0, (v - left) / (right - left))) * (width - 8);
  const colour = STANDING_COLOUR[standing(band, value)];
  return (
    <Svg width={`${width}px`} maxW="100%" height="22px" viewBox={`0 0 ${width} 22`} aria-hidden="true">
      <Line x1="4" x2={width - 4} y1="11" y2="11" stroke="ruleStrong" />
      <Rect
        x={x(Math.max(0, band.idealLow))}
        y="6"
        width={Math.max(2, x(band.idealHigh) - x(Math.max(0, band.idealLow)))}
        height="10"
        fill="band"
      />
      <G color={colour}>
        <line
          x1={x(value - 1.96 * sigma)}
          x2={x(value + 1.96 * sigma)}
          y1="11"
          y2="11"
          stroke="currentColor"
          strokeWidth="3"
        />
        <circle cx={x(value)} cy="11" r="4.6" fill="currentColor" />
      </G>
      {after !== undefined && <Path d={`M${x(after)} 3 v16`} stroke="coralline" strokeWidth="2" />}
    </Svg>
  );
}

/** A token as the style sheet knows it. Rows of a list are drawn with plain elements: hundreds of styled ones are slow. */
const colour = (token: string) => `var(--kr-colors-${token})`;

/** All readings of a tank against their bands at once, one dot a parameter. */
export function BandDots({
  dots,
}: {
  dots: readonly { readonly parameter: string; readonly place: number; readonly standing: "ideal" | "watch" | "act" }[];
}) {
  const shown = dots.slice(0, 8);
  const label =
    shown.length === 0
      ? "no valid readings"
      : shown
          .map((d) => `${d.parameter} ${d.standing === "ideal" ? "in its band" : d.place > 0 ? "high" : "low"}`)
          .join(", ");
  const step = 130 / Math.max(5, shown.length);
  return (
    <svg width="130px" height="24px" viewBox="0 0 130 24" role="img" aria-label={label}>
      <rect x="0" y="6" width="130" height="12" fill={colour("band")} />
      {shown.map((d, i) => (
        <circle
          key={d.parameter}
          cx={step * (i + 0.5)}
          cy={Math.min(21, Math.max(3, 12 - d.place * 11))}
          r="3.6"
          fill={colour(STANDING_COLOUR[d.standing])}
        />
      ))}
    </svg>
  );
}
