"use client";

import { Box } from "@chakra-ui/react";
import { meanwhile, type SaidStep } from "@keel-round/core/steps";
import { inSentence } from "@keel-round/core/text";
import type { LiveVisit } from "@/device/useVisit";
import { QuietButton } from "@/kit/controls";
import { duration } from "@/kit/words";
import { clockId, useClocks } from "./useClocks";

/** Minutes that a step goes on by itself, from the plan; null for one that only hands do. */
const minutesOf = (step: SaidStep): number | null =>
  step.aloneMinutes ?? (step.runsItself || step.runsWater ? step.minutes : null);

/** Starts the countdown of a step that goes on by itself, and says what the hands can do meanwhile. */
export function StepClock({ visit, step }: { visit: LiveVisit; step: SaidStep }) {
  const { running, visitId, start } = useClocks();
  const minutes = minutesOf(step);
  if (minutes === null || minutes < 1) return null;
  const runs = running.some((clock) => clock.id === clockId(visitId, step.id));
  return (
    <Box mt="10px">
      {!runs && (
        <QuietButton
          type="button"
          minH="48px"
          fontSize="16px"
          onClick={() => start({ id: step.id, label: step.title, minutes })}
        >
          Start the clock, {duration(Math.max(1, minutes))}
        </QuietButton>
      )}
      <Meanwhile visit={visit} step={step} />
      {step.runsWater && (
        <Box mt="6px" fontSize="15px" color="soft">
          A phone that sleeps cannot ring. Set the hose so that the water stops by itself at the line, or stay with it.
        </Box>
      )}
    </Box>
  );
}

/** What is open and can be done while it goes on. */
function Meanwhile({ visit, step }: { visit: LiveVisit; step: SaidStep }) {
  const { plan, state } = visit;
  const ids = meanwhile(plan.steps, step.id);
  const open = plan.steps.filter(
    (s) => ids.includes(s.id) && state.ticked[s.id] === undefined && state.skipped[s.id] === undefined,
  );
  if (open.length === 0) return null;
  return (
    <Box mt="6px" fontSize="15px" data-meanwhile="">
      Meanwhile: {open.map((s) => inSentence(s.title)).join("; ")}.
    </Box>
  );
}
