import { encode } from "uqr";
import { Path, Svg } from "@/kit/elements";

/** Modules that stay white around the code, so that a camera finds it. */
const QUIET = 4;

/** A text as a QR code, black on white in any room. */
export function QrCode({ says, label }: { says: string; label: string }) {
  const { data, size } = encode(says, { border: QUIET });
  const dark = data.flatMap((row, y) => row.flatMap((is, x) => (is ? [`M${x} ${y}h1v1h-1z`] : [])));
  return (
    <Svg role="img" aria-label={label} viewBox={`0 0 ${size} ${size}`} w="190px" h="190px" shapeRendering="crispEdges">
      <Path d={`M0 0h${size}v${size}h-${size}z`} fill="white" />
      <Path d={dark.join("")} fill="black" />
    </Svg>
  );
}
