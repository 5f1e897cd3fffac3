"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { SaidStep } from "@keel-round/core/steps";
import type { LiveVisit } from "@/device/useVisit";
import { QuietButton } from "@/kit/controls";

const OVERRULE_REASONS = ["it is blocked", "it is broken", "the flow has nearly stopped"] as const;

/** A job that a rule keeps from today, done all the same with a reason. */
export function Overrule({ visit, held }: { visit: LiveVisit; held: NonNullable<SaidStep["held"]> }) {
  if (held.final) return null;
  return (
    <Box mt="14px">
      <Box color="soft" mb="6px">
        {held.strict
          ? "Little else is left alone here. Do it today only if:"
          : "Enough else is left alone here. Do it today because:"}
      </Box>
      <Flex gap="6px" wrap="wrap">
        {[...OVERRULE_REASONS, ...(held.strict ? [] : ["it suits today"])].map((reason) => (
          <QuietButton
            key={reason}
            type="button"
            minH="48px"
            onClick={() => visit.say({ type: "override", task: held.code, reason })}
          >
            {reason}
          </QuietButton>
        ))}
      </Flex>
    </Box>
  );
}
