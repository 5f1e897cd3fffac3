"use client";

import { Flex } from "@chakra-ui/react";
import type { UnitPreference } from "@keel-round/core/units";
import type { RefObject } from "react";
import type { TankTrend } from "@/data/tanks/trend";
import { QuietButton } from "@/kit/controls";
import { csvOf, handOver, pngOf, svgText } from "./files";

/** The drawing and its readings as files. */
export function TakeAway({
  trend,
  units,
  drawing,
}: {
  trend: TankTrend;
  units: UnitPreference;
  drawing: RefObject<HTMLDivElement | null>;
}) {
  const name = `${trend.parameter}-${trend.on}`;
  const drawn = (): SVGSVGElement | null => drawing.current?.querySelector("svg") ?? null;
  const svg = () => {
    const one = drawn();
    if (one) handOver(`${name}.svg`, new Blob([svgText(one)], { type: "image/svg+xml" }));
  };
  const png = async () => {
    const one = drawn();
    if (one) handOver(`${name}.png`, await pngOf(one));
  };
  const csv = () => handOver(`${name}.csv`, new Blob([csvOf(trend, units)], { type: "text/csv;charset=utf-8" }));
  const ways = [
    ["SVG", svg],
    ["PNG", () => void png()],
    ["CSV", csv],
  ] as const;
  return (
    <Flex gap="6px" role="group" aria-label="Take it away as a file">
      {ways.map(([kind, take]) => (
        <QuietButton key={kind} type="button" py="3px" px="10px" fontSize="13px" onClick={take}>
          {kind}
        </QuietButton>
      ))}
    </Flex>
  );
}
