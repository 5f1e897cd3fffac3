import { Box } from "@chakra-ui/react";
import { addDays, sayDay } from "@keel-round/core/calendar";
import type { Forecast } from "@keel-round/core/change";
import type { Carried, Fitted } from "@keel-round/core/readings";
import {
  type Parameter,
  parameterFacts,
  quantity,
  showReading,
  type UnitPreference,
  withUnit,
} from "@keel-round/core/units";
import { Span, Table, Td } from "@/kit/elements";

const Z95 = 1.96;

/** How one figure moves, what that is made of, and what it will probably be at the visits to come. */
export function Course({
  of: { parameter, before, after, next, nextOn, own },
  fit,
  on,
  units,
}: {
  of: Forecast;
  fit: Fitted;
  on: string;
  units: UnitPreference;
}) {
  const { label, unit } = parameterFacts[parameter];
  const moved = (perDay: number) =>
    quantity(Math.abs(perDay), ["ppt", "dKH"].includes(unit) ? `${unit} moved` : unit, units);
  const said = (perDay: number) => `${moved(perDay).figure} ${moved(perDay).unit} a day`;
  const half = Z95 * fit.perDaySigma;
  const size = Math.abs(fit.perDay);
  return (
    <Box borderLeftWidth="1px" borderColor="ruleStrong" pl="14px" maxW="300px">
      <Box color="soft" fontSize="13px">
        {label} {fit.perDay >= 0 ? "builds up" : "is used"}
      </Box>
      <Span fontFamily="mono" fontSize="22px" fontWeight="560">
        {moved(fit.perDay).figure}
      </Span>{" "}
      <Span color="soft">{moved(fit.perDay).unit} a day</Span>
      <Box color="soft" fontSize="13px">
        {moved(Math.max(0, size - half)).figure} to {moved(size + half).figure}; {fit.readings} readings
      </Box>
      {own && (
        <Box color="soft" fontSize="13px">
          The tank itself {own.perDay >= 0 ? "makes" : "uses"} {said(own.perDay)}
          {own.dosedPerDay > 0 && `; the doser adds ${said(own.dosedPerDay)}`}
          {own.machine && "; the machine that changes its water takes out the rest"}.
        </Box>
      )}
      <Table fontSize="13px" mt="6px" borderCollapse="collapse">
        <tbody>
          <Stage name={sayDay(on)} of={before} parameter={parameter} units={units} />
          {after && <Stage name="after its change" of={after} parameter={parameter} units={units} />}
          <Stage name={`${sayDay(nextOn)}, on arrival`} of={next} parameter={parameter} units={units} />
        </tbody>
      </Table>
      {fit.outliers?.map((o) => (
        <Box key={o.day} color="ochre" fontSize="13px">
          Not leant on: {withUnit(parameter, o.value, units)} on {sayDay(addDays(on, Math.round(o.day)))}. It lies far
          off, and the readings beside it agree without it.
        </Box>
      ))}
    </Box>
  );
}

/** What a figure will probably be at one moment, with the range that holds it nineteen times in twenty. */
function Stage({
  name,
  of: { value, sigma },
  parameter,
  units,
}: {
  name: string;
  of: Carried;
  parameter: Parameter;
  units: UnitPreference;
}) {
  const figure = (x: number) => showReading(parameter, Math.max(0, x), units);
  return (
    <tr>
      <Td pr="12px" py="1px" color="soft">
        {name}
      </Td>
      <Td pr="8px" fontFamily="mono" textAlign="right">
        {figure(value)}
      </Td>
      <Td color="soft">
        {figure(value - Z95 * sigma)} to {figure(value + Z95 * sigma)}
      </Td>
    </tr>
  );
}
