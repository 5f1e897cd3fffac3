"use client";

import { Box, Flex } from "@chakra-ui/react";
import { sayDay } from "@keel-round/core/calendar";
import { type SaidStep, testOf } from "@keel-round/core/steps";
import { litresText, parameterFacts, withUnit } from "@keel-round/core/units";
import type { LiveVisit } from "@/device/useVisit";
import { QuietButton } from "@/kit/controls";
import { readsLevel } from "./phaseModel";

/** What the plan goes on with where nobody measures what the step asks for; null where it asks for nothing, or has it. */
export function insteadOf({ kept, state, plan }: LiveVisit, step: SaidStep): string | null {
  const parameter = testOf(step);
  if (parameter) {
    if (state.readings.some((r) => r.parameter === parameter)) return null;
    const last = kept.input.readings.findLast((r) => r.parameter === parameter);
    return last
      ? `The plan then goes on with ${withUnit(parameter, last.value, kept.units)} of ${sayDay(last.on)}.`
      : `The plan then goes on without a figure for ${parameterFacts[parameter].label}.`;
  }
  if (!readsLevel(step) || state.belowMarkCm !== null) return null;
  const { missingL } = plan.water;
  return missingL > 0.05
    ? `The plan then takes ${litresText(missingL, kept.units)} to be missing: what evaporated since the last visit.`
    : "The plan then takes it to stand at its fill line.";
}

/** Leaves a measurement out: nobody took it, and what the plan goes on with instead is said. */
export function NotMeasured({ instead, onLeave }: { instead: string; onLeave: () => void }) {
  return (
    <Flex gap="10px" mt="14px" align="center" wrap="wrap">
      <QuietButton type="button" minH="48px" fontWeight="400" onClick={onLeave}>
        Not measured
      </QuietButton>
      <Box flex="1" minW="180px" color="soft" fontSize="14.5px">
        {instead}
      </Box>
    </Flex>
  );
}
