import type { ConditionState } from "@keel-round/core/readings";
import { CONDITION_WORD } from "@keel-round/core/words";
import { Span, Svg } from "@/kit/elements";

export const CONDITION_COLOUR: Record<ConditionState, string> = {
  steady: "ink",
  drifting: "ochre",
  off: "vermilion",
  unknown: "soft",
};

/** Degrees that the keel line leans. */
const TILT: Record<ConditionState, number> = { steady: 0, unknown: 0, drifting: 10, off: 24 };

/** The keel line: level, leaning, heeled; broken where the condition is not known. */
function ConditionGlyph({ state, size = 1 }: { state: ConditionState; size?: number }) {
  return (
    <Svg
      width={`${26 * size}px`}
      height={`${16 * size}px`}
      viewBox="0 0 26 16"
      color={CONDITION_COLOUR[state]}
      aria-hidden="true"
      display="inline-block"
      verticalAlign="-2px"
      flexShrink={0}
      overflow="visible"
    >
      <g
        transform={`rotate(${TILT[state]} 13 7)`}
        stroke="currentColor"
        strokeWidth="2.2"
        fill="none"
        strokeLinecap="round"
        strokeDasharray={state === "unknown" ? "3 4.5" : undefined}
      >
        <path d="M2.5 7 H23.5" />
        <path d="M10 7 L13 12.5 L16 7" fill={state === "unknown" ? "none" : "currentColor"} strokeWidth="1" />
      </g>
    </Svg>
  );
}

/** Condition in word and glyph, never in colour alone. */
export function ConditionMark({ state, size = 1 }: { state: ConditionState; size?: number }) {
  return (
    <Span color={CONDITION_COLOUR[state]} fontWeight="600" whiteSpace="nowrap">
      <ConditionGlyph state={state} size={size} /> {CONDITION_WORD[state]}
    </Span>
  );
}
