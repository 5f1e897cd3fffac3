"use client";

// What must not be done is said in the guide's words.
import "@keel-round/core/guide";
import { Box, Flex } from "@chakra-ui/react";
import { say } from "@keel-round/core/say";
import { conditionerNow, stepDoing, stepOfAction } from "@keel-round/core/steps";
import { neverHere, todayFor } from "@keel-round/core/trouble";
import { useState } from "react";
import { v7 } from "uuid";
import type { LiveVisit } from "@/device/useVisit";
import { BarButton, Notice, Problem, QuietButton } from "@/kit/controls";
import { B, H2 } from "@/kit/elements";
import { useClocks } from "../clocks/useClocks";
import { PartHeading } from "../PartHeading";
import { PhaseRow } from "../PhaseRow";
import { refusalSentence } from "../refusals";
import { ThumbBar } from "../ThumbBar";

/** After so many minutes of air and conditioner the fish are looked at again. */
const AGAIN_MINUTES = 10;
const AIR = stepOfAction("air-now");

/** Fish gasp: air first, then what tells why, while what goes in is worked out for the litres that stand in the tank. */
export default function Gasping({ visit, onBack }: { visit: LiveVisit; onBack: () => void }) {
  const [error, setError] = useState<string | null>(null);
  const clocks = useClocks();
  const { state, plan, input, kept } = visit;
  const begun = state.troubles.some((t) => t.trouble === "gasping");
  const steps = todayFor(["gasping"], input).flatMap((code) => stepDoing(plan.steps, code) ?? []);
  const airIsOn = async () => {
    const refusal =
      (await visit.say({ type: "trouble", id: v7(), trouble: "gasping", seen: ["gasping-fish"], unseen: [] })) ??
      (await visit.say({ type: "tick", step: AIR }));
    setError(refusal ? refusalSentence(refusal) : null);
    if (!refusal) clocks.start({ id: "gasping", label: "Look at the fish again", minutes: AGAIN_MINUTES });
  };
  return (
    <>
      <Box px="18px" py="12px" flex="1" data-gasping="">
        <PartHeading>Fish gasp</PartHeading>
        {!begun && (
          <Box fontSize="20px" lineHeight="1.35">
            Air in at once: a stone, or the jet turned to the surface.
          </Box>
        )}
        <Box mt="12px" fontSize="18px">
          <B>Conditioner for the whole tank: </B>
          {say(conditionerNow(input), kept.units)}.
        </Box>
        {begun && (
          <>
            <H2 fontSize="17px" fontWeight="640" mt="16px">
              In this order
            </H2>
            {steps.map((s) => (
              <PhaseRow
                key={s.id}
                visit={visit}
                step={s}
                settled={state.ticked[s.id] !== undefined || state.skipped[s.id] !== undefined}
              />
            ))}
          </>
        )}
        {neverHere("gasping", input).map((message) => (
          <Box key={say(message, kept.units)} mt="10px">
            <Notice tone="care">{say(message, kept.units)}</Notice>
          </Box>
        ))}
        <Problem says={error} />
      </Box>
      <ThumbBar>
        <Flex direction="column" gap="8px">
          {!begun && <BarButton onClick={airIsOn}>Air is on</BarButton>}
          <QuietButton type="button" minH="48px" w="100%" onClick={onBack}>
            Back to the visit
          </QuietButton>
        </Flex>
      </ThumbBar>
    </>
  );
}
