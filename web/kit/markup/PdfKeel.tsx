import { G, Path, Svg } from "@react-pdf/renderer";
import { TILT, TONE } from "./ink";

/** The keel line of a condition on paper. */
export function PdfKeel({ state, width = 26 }: { state: keyof typeof TILT; width?: number }) {
  const colour = TONE[state];
  return (
    <Svg width={width} height={(16 * width) / 26} viewBox="0 0 26 16" style={{ marginRight: 6 }}>
      <G transform={`rotate(${TILT[state]}, 13, 7)`}>
        <Path d="M2.5 7 H23.5" stroke={colour} strokeWidth={2.2} />
        <Path d="M10 7 L13 12.5 L16 7 Z" fill={colour} />
      </G>
    </Svg>
  );
}
