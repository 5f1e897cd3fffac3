"use client";

import { Box } from "@chakra-ui/react";
import type { Band } from "@keel-round/core/tank";
import type { Trend } from "@keel-round/core/trend";
import { readingLabel, showReading, type UnitPreference, unitFor } from "@keel-round/core/units";
import { type RefObject, useId } from "react";
import type { TankTrend } from "@/data/tanks/trend";
import { Path } from "@/kit/elements";
import { Brush } from "./Brush";
import { Drawing } from "./Drawing";
import { type Frame, type Period, pathOf, SIZE } from "./frame";
import { IntervalHandle, PeakHandle } from "./PeakAndInterval";
import type { Tried } from "./useTried";

/** A settled peak in the reader's unit. */
export const peakText = ({ parameter }: TankTrend, peak: number, units: UnitPreference): string =>
  `${showReading(parameter, peak, units)} ${unitFor(parameter, units)}`.trim();

/** The drawing with what is taken hold of on it: the days that are looked at, the share and the days between changes. */
export function Curve({
  trend,
  frame,
  band,
  units,
  fitted,
  tried,
  drawing,
  onPeriod,
}: {
  trend: TankTrend;
  frame: Frame;
  band: Band | null;
  units: UnitPreference;
  fitted: Trend | null;
  tried: Tried | null;
  drawing: RefObject<HTMLDivElement | null>;
  onPeriod: (period: Period) => void;
}) {
  const inside = useId();
  // What is tried lies ahead: where only the past is looked at there is nothing to take hold of.
  const ahead = tried !== null && frame.to >= tried.secondDay;
  return (
    // On a phone it is wider than the screen: what goes on now lies at its end.
    <Box
      overflowX="auto"
      display={trend.readings.length === 0 ? "none" : "block"}
      ref={(box: HTMLDivElement | null) => {
        if (box && box !== drawing.current) box.scrollLeft = box.scrollWidth;
        drawing.current = box;
      }}
    >
      <Box minW="980px">
        <Drawing
          trend={trend}
          frame={frame}
          band={band}
          units={units}
          label={`${readingLabel(trend.parameter, trend.item)} of the tank over its days: ${trend.readings.length} readings`}
          ground={<Brush frame={frame} onPeriod={onPeriod} />}
        >
          {fitted && tried && ahead && (
            <>
              <clipPath id={inside}>
                <rect x={SIZE.left} y={SIZE.top} width={SIZE.right - SIZE.left} height={SIZE.bottom - SIZE.top} />
              </clipPath>
              {tried.changed && (
                <Path
                  d={pathOf(tried.course, frame)}
                  clipPath={`url(#${inside})`}
                  fill="none"
                  stroke="coralline"
                  strokeWidth="2"
                  data-course="tried"
                />
              )}
              <PeakHandle
                share={tried.share}
                most={Math.max(tried.share, trend.steady?.mostShare ?? 1)}
                says={`${Math.round(100 * tried.share)} %, settles at ${peakText(trend, tried.peak, units)}`}
                y={Math.min(Math.max(frame.y(tried.peak), 20), 356)}
                shareAt={(y) => tried.shareFor(frame.y.invert(y))}
                onShare={tried.setShare}
              />
              <IntervalHandle
                days={tried.intervalDays}
                says={`every ${tried.intervalDays} days, settles at ${peakText(trend, tried.peak, units)}`}
                x={frame.x(tried.secondDay)}
                daysAt={(x) => tried.daysAt(frame.x.invert(x))}
                onDays={tried.setInterval}
              />
            </>
          )}
        </Drawing>
      </Box>
    </Box>
  );
}
