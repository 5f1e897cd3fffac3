import { Box, Flex } from "@chakra-ui/react";
import { addDays, sayDay } from "@keel-round/core/calendar";
import { textOf } from "@keel-round/core/say";
import { isHeld, rateOf, type Trend } from "@keel-round/core/trend";
import { showReading, type UnitPreference, unitFor } from "@keel-round/core/units";
import type { TankTrend } from "@/data/tanks/trend";
import { Span } from "@/kit/elements";

/** The four things that are asked of a trend. */
export function Answers({ trend, fitted, units }: { trend: TankTrend; fitted: Trend; units: UnitPreference }) {
  const { parameter, on, steady } = trend;
  const { perDay, movesPerDay, settled, crosses, outliers } = fitted;
  const day = (days: number) => sayDay(addDays(on, Math.round(days)));
  const figureOf = (x: number) => textOf(rateOf(parameter, x), units);
  const read = (x: number) => showReading(parameter, x, units);
  const days = Math.round(steady?.intervalDays ?? 0);
  const ends = [perDay.low, perDay.high].map(Math.abs).sort((a, b) => a - b) as [number, number];
  const dosed = movesPerDay - perDay.value;
  const lacks = dosed > 0 && movesPerDay < 0;
  const hold = settled && !lacks && !isHeld(settled, movesPerDay) ? settled.hold : null;
  return (
    <Flex gap="18px 0" wrap="wrap" mt="10px" data-answers="">
      <Answer
        asks={perDay.value >= 0 ? "Builds up" : "Is used"}
        says={figureOf(perDay.value)}
        unit="a day"
        note={`${perDay.low < 0 && perDay.high > 0 ? "0" : figureOf(ends[0])} to ${figureOf(ends[1])}; ${fitted.readings} readings${outliers.length > 0 ? `, ${outliers.length} set aside` : ""}`}
      />
      {settled && steady && (
        <Answer
          asks={`${Math.round(100 * steady.share)} % every ${days} days settles at`}
          says={read(settled.before.value)}
          unit={`${unitFor(parameter, units)} before a change`}
          note={`${read(settled.before.low)} to ${read(settled.before.high)}; ${read(settled.after)} after it`}
        />
      )}
      {hold && (
        <Answer
          asks={`To hold ${read(hold.limit)}`}
          says={hold.share === null ? "–" : String(Math.round(100 * hold.share))}
          unit={hold.share === null ? "no change alone does" : `% every ${days} days`}
          note={
            hold.intervalDays === null
              ? ""
              : `or ${Math.round(100 * (steady?.share ?? 0))} % every ${hold.intervalDays}`
          }
        />
      )}
      {lacks && (
        <Answer
          asks="To keep it, the doser has to give"
          says={figureOf(perDay.value)}
          unit="a day"
          note={`it gives ${figureOf(dosed)} now`}
        />
      )}
      {crosses && (
        <Answer
          asks={`Reaches ${read(crosses.limit)} with the planned changes`}
          says={day(crosses.day)}
          unit=""
          note={
            crosses.latest === null
              ? `not before ${day(crosses.earliest)}`
              : `between ${day(crosses.earliest)} and ${day(crosses.latest)}`
          }
        />
      )}
    </Flex>
  );
}

function Answer({ asks, says, unit, note }: { asks: string; says: string; unit: string; note: string }) {
  return (
    <Box borderLeftWidth="1px" borderColor="ruleStrong" pl="14px" pr="22px" minW="220px" maxW="280px">
      <Box color="soft" fontSize="13.5px">
        {asks}
      </Box>
      <Span fontFamily="mono" fontSize="24px" fontWeight="600">
        {says}
      </Span>{" "}
      <Span color="soft">{unit}</Span>
      <Box color="soft" fontSize="13.5px">
        {note}
      </Box>
    </Box>
  );
}
