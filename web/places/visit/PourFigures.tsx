"use client";

import { Box } from "@chakra-ui/react";
import { inSentence } from "@keel-round/core/text";
import { figure, quantity, quantityText } from "@keel-round/core/units";
import type { LiveVisit } from "@/device/useVisit";
import { B } from "@/kit/elements";
import { Figure, Opened } from "./Figure";

/** What is poured: litres, conditioner, temperature. */
export function RefillFigure({ visit }: { visit: LiveVisit }) {
  const { water } = visit.plan;
  const { units } = visit.kept;
  return (
    <Box>
      <Figure of={quantity(water.pourL?.value ?? 0, "L", units)} after=" to pour" />
      {water.conditionerMl && (
        <Box fontSize="18px" mt="6px">
          {water.conditionerParts.length > 1 ? "conditioner in portions, in all " : "first "}
          <B fontFamily="mono">{figure(water.conditionerMl.value, 0)}</B> mL
          {water.conditionerParts.length > 1 ? "" : " of conditioner"}
        </Box>
      )}
      {water.refillC && <Box fontSize="18px">at {quantityText(water.refillC.value, "°C", units)}</Box>}
      <Opened of={[water.pourL, water.conditionerMl, water.refillC]} units={units} />
    </Box>
  );
}

/** What tops the tank up, after the new water or before it. */
export function TopUpFigure({ visit }: { visit: LiveVisit }) {
  const { water } = visit.plan;
  const { units, input } = visit.kept;
  if (!water.freshL) return null;
  return (
    <Box>
      <Figure of={quantity(water.freshL.value, "L", units)} after={` of ${inSentence(input.topUpSource.name)}`} />
      {water.topUpConditionerMl && (
        <Box fontSize="18px" mt="6px">
          with <B fontFamily="mono">{figure(water.topUpConditionerMl.value, 1)}</B> mL of conditioner
        </Box>
      )}
      <Opened of={[water.freshL, water.topUpConditionerMl]} units={units} />
    </Box>
  );
}
