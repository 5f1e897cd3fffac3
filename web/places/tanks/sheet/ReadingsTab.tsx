import { Box, Flex } from "@chakra-ui/react";
import { addDays, sayDay } from "@keel-round/core/calendar";
import { isSalt } from "@keel-round/core/tank";
import { type Parameter, parameterFacts, quantity } from "@keel-round/core/units";
import { withUnit } from "@keel-round/core/words";
import type { Scope } from "@/data/scope";
import type { TankSheet as Sheet } from "@/data/tanks";
import { Span, Table } from "@/kit/elements";
import { Cell, Head } from "@/kit/table";
import { dayLabel } from "@/kit/words";

/** What builds up, and every reading as it was entered. */
export function ReadingsTab({ scope, sheet }: { scope: Scope; sheet: Sheet }) {
  const { book, rates } = sheet.input;
  const fitted = Object.entries(rates).flatMap(([parameter, rate]) =>
    rate?.enough ? [{ parameter: parameter as Parameter, rate }] : [],
  );
  return (
    <>
      {fitted.length > 0 && (
        <Flex gap="28px" wrap="wrap" mb="16px">
          {fitted.map(({ parameter, rate }) => {
            const { label, unit } = parameterFacts[parameter];
            const moved = (perDay: number) =>
              quantity(perDay, ["ppt", "dKH"].includes(unit) ? `${unit} moved` : unit, scope.units);
            const a = moved(Math.abs(rate.perDay));
            const half = 1.96 * rate.perDaySigma;
            return (
              <Box key={parameter} borderLeftWidth="1px" borderColor="ruleStrong" pl="14px">
                <Box color="soft" fontSize="13px">
                  {label} {rate.perDay >= 0 ? "builds up" : "is used"}
                </Box>
                <Span fontFamily="mono" fontSize="22px" fontWeight="560">
                  {a.figure}
                </Span>{" "}
                <Span color="soft">{a.unit} a day</Span>
                <Box color="soft" fontSize="13px">
                  {moved(Math.max(0, Math.abs(rate.perDay) - half)).figure} to{" "}
                  {moved(Math.abs(rate.perDay) + half).figure}; {rate.readings} readings
                </Box>
                {rate.outliers?.map((o) => (
                  <Box key={o.day} color="ochre" fontSize="13px" maxW="240px">
                    Not leant on: {withUnit(parameter, o.value, scope.units)} on{" "}
                    {sayDay(addDays(sheet.input.on, Math.round(o.day)))}. It lies far off, and the readings beside it
                    agree without it.
                  </Box>
                ))}
              </Box>
            );
          })}
        </Flex>
      )}
      <Box overflowX="auto">
        <Table borderCollapse="collapse" fontSize="14px" minW="620px">
          <thead>
            <tr>
              {["Day", "Parameter", "Value", "As entered", "Method"].map((h) => (
                <Head key={h}>{h}</Head>
              ))}
            </tr>
          </thead>
          <tbody>
            {sheet.readings.slice(0, 120).map((r) => {
              const facts = parameterFacts[r.parameter as Parameter];
              return (
                <tr key={r.id}>
                  <Cell whiteSpace="nowrap">{dayLabel(r.onDate)}</Cell>
                  <Cell>{isSalt(book) ? facts.label : (facts.freshLabel ?? facts.label)}</Cell>
                  <Cell fontFamily="mono">{withUnit(r.parameter as Parameter, r.value, scope.units)}</Cell>
                  <Cell fontFamily="mono" color="soft" data-entered="">
                    {r.entered} {r.unit}
                  </Cell>
                  <Cell color="soft">{r.method}</Cell>
                </tr>
              );
            })}
          </tbody>
        </Table>
      </Box>
      {sheet.readings.length === 0 && <Box color="soft">No reading yet. The first visit takes them.</Box>}
    </>
  );
}
