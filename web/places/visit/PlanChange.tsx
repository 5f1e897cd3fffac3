"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { WaterPlan } from "@keel-round/core/change";
import { useCallback, useState } from "react";
import type { LiveVisit } from "@/device/useVisit";
import { Notice, QuietButton } from "@/kit/controls";
import { B } from "@/kit/elements";
import { planChangeLine } from "./planChange";

/** What of a plan somebody was told last: a change is said once, against what they knew. */
export function usePlanChange({ plan, kept }: LiveVisit) {
  const [known, setKnown] = useState<WaterPlan>(plan.water);
  const line = planChangeLine(plan.water, known, kept.units);
  const seen = useCallback(() => setKnown(plan.water), [plan.water]);
  return { line, seen, forbidden: plan.water.decision === "forbid" };
}

/** A changed plan in one line. Its place is there before anything is said in it, so that it is heard. */
export function PlanChange({
  change,
}: {
  change: { line: ReturnType<typeof planChangeLine>; seen: () => void; forbidden: boolean };
}) {
  const { line, seen, forbidden } = change;
  return (
    <Box role="status" data-plan-change={line ? "" : undefined}>
      {line && (
        <Box px="18px" py="10px">
          <Notice tone={forbidden ? "danger" : "care"}>
            <Flex gap="10px" align="center">
              <Box flex="1">
                <B fontWeight="640">{line.head}</B> {line.why}
              </Box>
              <QuietButton type="button" minH="48px" onClick={seen}>
                Seen
              </QuietButton>
            </Flex>
          </Notice>
        </Box>
      )}
    </Box>
  );
}
