import { Box, Flex } from "@chakra-ui/react";
import { forecastOf } from "@keel-round/core/change";
import { isSalt } from "@keel-round/core/tank";
import { type Parameter, parameterFacts } from "@keel-round/core/units";
import { withUnit } from "@keel-round/core/words";
import type { Scope } from "@/data/scope";
import type { TankSheet as Sheet } from "@/data/tanks";
import { Table } from "@/kit/elements";
import { Cell, Head } from "@/kit/table";
import { dayLabel } from "@/kit/words";
import { Course } from "./Course";

/** What builds up, and every reading as it was entered. */
export function ReadingsTab({ scope, sheet }: { scope: Scope; sheet: Sheet }) {
  const { book, rates, on } = sheet.input;
  const courses = forecastOf(sheet.input, sheet.plan.water).flatMap((of) => {
    const fit = rates[of.parameter];
    return fit?.enough ? [{ of, fit }] : [];
  });
  return (
    <>
      {courses.length > 0 && (
        <Flex gap="28px" wrap="wrap" mb="16px">
          {courses.map(({ of, fit }) => (
            <Course key={of.parameter} of={of} fit={fit} on={on} units={scope.units} />
          ))}
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
