"use client";

import { Box } from "@chakra-ui/react";
import type { LiveVisit } from "@/device/useVisit";
import { QuietButton } from "@/kit/controls";
import { Button, Span } from "@/kit/elements";
import { duration } from "@/kit/words";
import type { Pace } from "./usePace";

/** Every step of the visit, each to be opened by itself; and the pace somebody likes to be led at. */
export function AllSteps({
  visit,
  pace,
  onPace,
  onStep,
}: {
  visit: LiveVisit;
  pace: Pace;
  onPace: (pace: Pace) => void;
  onStep: (id: string) => void;
}) {
  const { ticked, skipped } = visit.state;
  return (
    <Box px="18px" pb="18px" flex="1">
      <QuietButton
        type="button"
        minH="48px"
        w="100%"
        fontWeight="400"
        my="10px"
        onClick={() => onPace(pace === "phases" ? "steps" : "phases")}
      >
        {pace === "phases" ? "Show one step at a time" : "Show a whole phase at a time"}
      </QuietButton>
      {visit.plan.steps.map((s) => (
        <Button
          key={s.id}
          type="button"
          display="flex"
          w="100%"
          gap="10px"
          textAlign="left"
          py="10px"
          minH="48px"
          borderBottomWidth="1px"
          borderColor="rule"
          bg="transparent"
          cursor="pointer"
          onClick={() => onStep(s.id)}
        >
          <Span w="70px" color={skipped[s.id] ? "ochre" : "soft"} flexShrink={0}>
            {ticked[s.id] ? "done" : skipped[s.id] ? "left out" : duration(s.minutes)}
          </Span>
          <span>{s.title}</span>
        </Button>
      ))}
    </Box>
  );
}
