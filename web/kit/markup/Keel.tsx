import { TILT, TONE } from "./ink";

/** The keel line of a condition, in markup without a theme: level, leaning, heeled, or broken where it is not known. */
export function Keel({ state, width = 33 }: { state: keyof typeof TILT; width?: number }) {
  const colour = TONE[state];
  return (
    <svg width={width} height={(20 * width) / 33} viewBox="0 0 26 16" aria-hidden="true">
      <g
        transform={`rotate(${TILT[state]} 13 7)`}
        stroke={colour}
        strokeWidth="2.2"
        fill="none"
        strokeLinecap="round"
        strokeDasharray={state === "unknown" ? "3 4" : undefined}
      >
        <path d="M2.5 7 H23.5" />
        <path d="M10 7 L13 12.5 L16 7" fill={colour} strokeWidth="1" />
      </g>
    </svg>
  );
}
