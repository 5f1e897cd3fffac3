import { Box, Flex } from "@chakra-ui/react";
import { addDays } from "@keel-round/core/calendar";
import type { Trend } from "@keel-round/core/trend";
import { showReading, type UnitPreference, unitFor } from "@keel-round/core/units";
import type { TankTrend } from "@/data/tanks/trend";
import { Span } from "@/kit/elements";
import { dayLabel } from "@/kit/words";

/** What the next visits will probably read, before anything is done there. */
export function NextVisits({ trend, fitted, units }: { trend: TankTrend; fitted: Trend; units: UnitPreference }) {
  const read = (x: number) => showReading(trend.parameter, x, units);
  const points = trend.plannedDays.flatMap((day) => {
    // Of the two points of a day the first is before its change.
    const at = fitted.ahead.find((p) => p.day === day);
    return at ? [{ day, at }] : [];
  });
  if (points.length === 0) return null;
  return (
    <Flex gap="6px 22px" wrap="wrap" mt="10px" fontSize="14px" align="baseline" data-next-visits="">
      <Span color="soft">Will probably read, {unitFor(trend.parameter, units) || "pH"}</Span>
      {points.map(({ day, at }) => (
        <Box key={day}>
          {dayLabel(addDays(trend.on, day))}{" "}
          <Span fontFamily="mono" fontWeight="600">
            {read(at.value)}
          </Span>{" "}
          <Span color="soft">
            {read(at.low)} to {read(at.high)}
          </Span>
        </Box>
      ))}
    </Flex>
  );
}
