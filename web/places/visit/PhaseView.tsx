"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { SaidStep } from "@keel-round/core/steps";
import type { PhaseOfVisit } from "@keel-round/core/visit";
import { useRef, useState } from "react";
import type { LiveVisit } from "@/device/useVisit";
import { GoButton, Problem, QuietButton } from "@/kit/controls";
import { Arrival } from "./Arrival";
import { DraftsProvider, useDrafts } from "./drafts";
import { HeaterOn } from "./HeaterOn";
import { PartHeading } from "./PartHeading";
import { PhaseRow } from "./PhaseRow";
import { heaterStillOn, isSettled, openIn, waitsFor } from "./phaseModel";
import { ThumbBar } from "./ThumbBar";
import { tickStep } from "./tickStep";

/** Taps this close after a phase came up were meant for the one before it. */
const SECOND_TAP_MS = 350;

/** One part of a visit: its steps in a list, what was not touched ticked together, never a figure or a count. */
export function PhaseView({
  visit,
  phase,
  last,
  onBack,
  onDone,
}: {
  visit: LiveVisit;
  phase: PhaseOfVisit<SaidStep>;
  last: boolean;
  onBack: (() => void) | null;
  /** Goes on, with what was ticked together just now, and what stays empty. */
  onDone: (ticked: readonly SaidStep[], empty: readonly SaidStep[]) => void;
}) {
  const [error, setError] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const { drafts, saveAll } = useDrafts();
  const shownAt = useRef(Date.now());
  const { plain, waiting, empty } = openIn(phase.steps, visit.state);
  const heaterOn = plain.concat(waiting).some((s) => heaterStillOn(s, visit.plan.steps, visit.state));

  const goOn = async (sure = false) => {
    // A second tap of the same thumb is not for the phase that came up under it.
    if (Date.now() - shownAt.current < SECOND_TAP_MS) return;
    if (heaterOn && !sure) return setAsking(true);
    setAsking(false);
    // What was typed goes along; what cannot be kept says so beside its field.
    if (!(await saveAll())) return;
    const rest = openIn(phase.steps, await visit.latest()).plain;
    for (const step of rest) {
      const refusal = await tickStep(visit, step);
      if (refusal) return setError(refusal);
    }
    const { waiting: held, empty: left } = openIn(phase.steps, await visit.latest());
    const [first] = held;
    if (!first) return onDone(rest, left);
    setError(`${first.title}: ${waitsFor(first, await visit.latest()) ?? ""}`);
  };
  return (
    <>
      <Box px="18px" pt="14px" flex="1">
        <PartHeading>{phase.title}</PartHeading>
        {phase.id === "arrive" && <Arrival visit={visit} />}
        <DraftsProvider drafts={drafts}>
          {phase.steps.map((step) => (
            <PhaseRow key={step.id} visit={visit} step={step} settled={isSettled(visit.state, step)} />
          ))}
        </DraftsProvider>
        {asking && (
          <HeaterOn
            onOff={async () => {
              await visit.say({ type: "switch", gear: "heater", state: "off" });
              setAsking(false);
            }}
            onStays={() => goOn(true)}
          />
        )}
      </Box>
      <ThumbBar>
        <Problem says={error} mb="10px" />
        <Flex gap="10px">
          {onBack && (
            <QuietButton type="button" h="60px" flex="1" fontSize="17px" onClick={onBack}>
              Back
            </QuietButton>
          )}
          <GoButton type="button" h="60px" flex="2.4" fontSize="17px" data-key="tick" onClick={() => goOn()}>
            {plain.length > 0
              ? waiting.length + empty.length > 0
                ? "The rest is normal"
                : plain.length === phase.steps.length
                  ? "All done"
                  : "The rest is normal"
              : last
                ? "To the end"
                : "Next"}
          </GoButton>
        </Flex>
      </ThumbBar>
    </>
  );
}
