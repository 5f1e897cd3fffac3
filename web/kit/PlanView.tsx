import { type Vessel, vesselPlanPoints, widestAtM } from "@keel-round/core/vessel";
import { Path, Svg, SvgText } from "@/kit/elements";

/** A vessel seen from above, to scale, front pane below: where the front view does not say what its plan is. */
export function PlanView({ vessel, width }: { vessel: Vessel; width: number }) {
  if (vessel.shape === "box" || vessel.shape === "drum" || vessel.shape === "sloping") return null;
  const points = vesselPlanPoints(vessel, widestAtM(vessel));
  const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)];
  const [left, low] = [Math.min(...xs), Math.min(...ys)];
  const [wide, deep] = [Math.max(...xs) - left, Math.max(...ys) - low];
  const scale = Math.min((width - 8) / wide, 120 / deep);
  const height = deep * scale + 26;
  const path = points.map((p) => `${4 + (p.x - left) * scale} ${4 + (deep - (p.y - low)) * scale}`).join(" L");
  return (
    <Svg
      width={`${width}px`}
      height={`${height}px`}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label="From above, to scale"
    >
      <Path d={`M${path} Z`} fill="waterPale" stroke="ink" strokeWidth="1.8" />
      <SvgText x="4" y={height - 4} fontSize="11.5px" fill="soft">
        from above
      </SvgText>
    </Svg>
  );
}
