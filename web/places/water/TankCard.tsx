import { Box, Flex } from "@chakra-ui/react";
import { longDate } from "@keel-round/core/calendar";
import { planChange } from "@keel-round/core/change";
import type { PlanInput } from "@keel-round/core/given";
import {
  figure,
  litresText,
  parameterFacts,
  quantityText,
  showLength,
  type UnitPreference,
  withUnit,
} from "@keel-round/core/units";
import { limitSentence } from "@keel-round/core/words";
import type { ReactNode } from "react";
import { Span, Table } from "@/kit/elements";
import { Paper } from "@/kit/Paper";
import { Section } from "@/kit/Section";
import { Cell } from "@/kit/table";

/** A change on one sheet of paper: it stands at the tank with a strip of tape, where no screen may get wet. */
export function TankCard({
  name,
  siteName,
  input,
  litres,
  units,
  by,
}: {
  name: string;
  siteName: string;
  input: PlanInput;
  litres: number;
  units: UnitPreference;
  by: string;
}) {
  const water = planChange(input, litres);
  const volume = (l: number) => quantityText(l, "L", units, l < 100 ? 1 : 0);
  const temperature = (c: number) => withUnit("temperature", c, units);
  const rows: readonly (readonly [string, ReactNode])[] = [
    ["Take out", `${volume(water.litres.value)}, ${figure(water.share.value * 100, 0)} %`],
    ...(water.fills
      ? [
          [
            "To carry",
            `${water.fills.value} ${water.fills.value === 1 ? "fill" : "fills"} of ${volume(input.site.bucketL)}`,
          ] as const,
        ]
      : []),
    ...(water.saltWaterL
      ? [
          [
            "Salt water",
            `${volume(water.saltWaterL.value)} at ${quantityText(water.mixPsu ?? 0, "ppt", units)}`,
          ] as const,
        ]
      : []),
    ...(water.saltG
      ? [["Salt", `${figure(water.saltG.value, 0)} g of ${input.source.salt?.name ?? ""}`] as const]
      : []),
    ...(water.freshL ? [["Top up, to the line", volume(water.freshL.value)] as const] : []),
    ...(water.conditionerMl ? [["Conditioner, first", `${figure(water.conditionerMl.value, 0)} mL`] as const] : []),
    ...(water.refillC ? [["Bring to", temperature(water.refillC.value)] as const] : []),
    ...(water.halfWayC ? [["Half-way it reads", temperature(water.halfWayC.value)] as const] : []),
    [
      "Out and in",
      `${Math.max(1, Math.round(water.drainMinutes))} and ${Math.max(1, Math.round(water.refillMinutes))} min`,
    ],
  ];
  return (
    <Paper
      title={`${name}, ${siteName}`}
      aside={longDate(input.on)}
      back={{ href: `/water?tank=${input.facts.id}`, label: "Back to planning" }}
    >
      {water.mark && (
        <Box mt="14px">
          <Span fontFamily="mono" fontSize="76px" fontWeight="600" letterSpacing="-3px" lineHeight="1">
            {figure(showLength(water.mark.value, units.length), 1)}
          </Span>{" "}
          <Span fontSize="20px">
            {units.length} from the rim{water.markOn === "sump" ? " of the sump, return pump running" : ""}: tape here
          </Span>
        </Box>
      )}
      {water.binding && (
        <Box mt="10px" fontWeight="640" color="vermilion">
          Too far: {limitSentence(water.binding, units)}
        </Box>
      )}
      <Box mt="12px">
        <Section facts={input.facts} markCm={water.mark?.value ?? null} units={units} width={700} />
      </Box>
      <Flex gap="36px" mt="14px" wrap="wrap">
        <Table flex="1" minW="280px" borderCollapse="collapse" fontSize="16px">
          <tbody>
            {rows.map(([label, says]) => (
              <tr key={label}>
                <Cell color="soft">{label}</Cell>
                <Cell className="num" fontWeight="600">
                  {says}
                </Cell>
              </tr>
            ))}
          </tbody>
        </Table>
        <Table flex="1" minW="280px" borderCollapse="collapse" fontSize="15px">
          <tbody>
            {water.after.map(({ parameter, before, after }) => (
              <tr key={parameter}>
                <Cell color="soft">{parameterFacts[parameter].label}</Cell>
                <Cell className="num">
                  {withUnit(parameter, before, units)} → {withUnit(parameter, after.value, units)}
                  {after.range && (
                    <Box color="soft" fontSize="13px">
                      {withUnit(parameter, Math.max(0, after.range.low), units)} to{" "}
                      {withUnit(parameter, after.range.high, units)}
                    </Box>
                  )}
                </Cell>
              </tr>
            ))}
          </tbody>
        </Table>
      </Flex>
      <Box mt="16px" fontSize="15px">
        Power off at the plug before hands or hoses go in; heater off until the water is back above it.
        {water.wasteL > 0 &&
          ` All ${litresText(water.wasteL, units)} are carried away: no salt water goes down this drain.`}
        {input.facts.animals.some((a) => a.hazard) && " Something in this tank harms a hand: gloves and tools."}
      </Box>
      <Box mt="10px" color="soft" fontSize="13.5px">
        Planned by {by}, with {input.source.name}. What is measured at the tank goes before this card.
      </Box>
    </Paper>
  );
}
