"use client";

import { Box } from "@chakra-ui/react";
import { daysBetween, sayDay } from "@keel-round/core/calendar";
import type { Preview } from "@keel-round/core/programme";
import { Line, Rect, Svg } from "@/kit/elements";

const WIDTH = 900;
const HEIGHT = 26;
const MOST_NAMED = 8;

/** A job's coming year: a square on each visit it would ride with, and its days in words. */
export function PreviewStrip({ preview, visits }: { preview: Preview; visits: readonly string[] }) {
  if (preview.kind === "waits")
    return <Box fontSize="14px">It comes when it is called for; nothing calls for it now.</Box>;
  if (preview.kind === "owner")
    return <Box fontSize="14px">The owner does it, {preview.times} times in the coming year.</Box>;
  const [first, last] = [visits[0] ?? "", visits.at(-1) ?? ""];
  const x = (on: string) => 4 + (daysBetween(first, on) / Math.max(1, daysBetween(first, last))) * (WIDTH - 8);
  const { on, late } = preview;
  const named = on
    .slice(0, MOST_NAMED)
    .map((day) => sayDay(day))
    .join(", ");
  const words =
    on.length === 0
      ? "No visit of the coming year takes it."
      : on.length === visits.length
        ? "It comes with every visit."
        : `${on.length === 1 ? "Once" : `${on.length} times`} in the coming year: ${named}${on.length > MOST_NAMED ? " and so on" : ""}.`;
  return (
    <Box>
      <Svg
        width="100%"
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={words}
        display="block"
        preserveAspectRatio="none"
        h="26px"
      >
        <Line x1="0" x2={WIDTH} y1={HEIGHT / 2} y2={HEIGHT / 2} stroke="ruleStrong" strokeWidth="1" />
        {visits.map((v) => (
          <Line
            key={v}
            x1={x(v)}
            x2={x(v)}
            y1={HEIGHT / 2 - 4}
            y2={HEIGHT / 2 + 4}
            stroke="ruleStrong"
            strokeWidth="1"
          />
        ))}
        {on.map((v) => (
          <Rect key={v} x={x(v) - 4} y={HEIGHT / 2 - 6} width="8" height="12" fill="coralline" />
        ))}
      </Svg>
      <Box fontSize="14px" aria-live="polite" data-preview="">
        {words}
        {late > 0 && ` ${late === 1 ? "One of them is" : `${late} of them are`} later than the window allows.`}
      </Box>
    </Box>
  );
}
