"use client";

import { Box } from "@chakra-ui/react";
import { type SaidStep, testOf } from "@keel-round/core/steps";
import type { LiveVisit } from "@/device/useVisit";
import { Notice } from "@/kit/controls";
import { insteadOf, NotMeasured } from "./NotMeasured";
import { ReadingEntry } from "./ReadingEntry";

/** What has to be measured, or said not to be, before water leaves: it is done here. */
export function DrainGate({ visit, missing }: { visit: LiveVisit; missing: readonly SaidStep[] }) {
  return (
    <Box data-gate="">
      <Notice tone="danger">Before anything leaves the tank: today's water depends on what is not measured yet.</Notice>
      {missing.map((s) => {
        const parameter = testOf(s);
        const instead = insteadOf(visit, s);
        return parameter ? (
          <Box key={s.id} mt="12px">
            <Box fontWeight="560">{s.title}</Box>
            <ReadingEntry visit={visit} parameter={parameter} />
            {instead && (
              <NotMeasured
                instead={instead}
                onLeave={() => void visit.say({ type: "skip", step: s.id, reason: "not measured" })}
              />
            )}
          </Box>
        ) : null;
      })}
    </Box>
  );
}
