"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { SaidStep } from "@keel-round/core/steps";
import { inSentence } from "@keel-round/core/text";
import { DECIDE_AFTER_SLIPS, DECISIONS, type Decision } from "@keel-round/core/visit";
import type { LiveVisit } from "@/device/useVisit";
import { QuietButton } from "@/kit/controls";

export const SKIP_REASONS = ["no time left", "part is missing", "owner asked", "not needed today"] as const;

/** Left out twice already: the third time somebody decides. */
export const slipsAgain = (step: SaidStep) => step.task !== undefined && (step.slips ?? 0) >= DECIDE_AFTER_SLIPS;

export function SkipReasons({ onSkip }: { onSkip: (reason: string) => void }) {
  return (
    <>
      <Box color="soft" mb="6px">
        Why is it left out?
      </Box>
      <Flex gap="6px" wrap="wrap">
        {SKIP_REASONS.map((r) => (
          <QuietButton key={r} type="button" minH="48px" fontWeight="400" onClick={() => onSkip(r)}>
            {r}
          </QuietButton>
        ))}
      </Flex>
    </>
  );
}

const DECISION_WORD: Record<Decision, string> = {
  must: "At the next visit, first of all",
  rarer: "Half as often again is enough",
  owner: "The owner does it",
  rest: "Out of the programme",
};

/** A job that is left out for the third time: what becomes of it. */
export function Decide({ visit, step, onDone }: { visit: LiveVisit; step: SaidStep; onDone: () => void }) {
  const decide = async (what: Decision) => {
    await visit.say({ type: "decide", task: step.id, what });
    const refusal = await visit.say({ type: "skip", step: step.id, reason: inSentence(DECISION_WORD[what]) });
    if (!refusal) onDone();
  };
  return (
    <Box>
      <Box color="ochre" mb="6px">
        It was left out {step.slips} times already. What becomes of it?
      </Box>
      <Flex gap="6px" wrap="wrap">
        {DECISIONS.map((what) => (
          <QuietButton key={what} type="button" minH="48px" onClick={() => decide(what)}>
            {DECISION_WORD[what]}
          </QuietButton>
        ))}
      </Flex>
    </Box>
  );
}
