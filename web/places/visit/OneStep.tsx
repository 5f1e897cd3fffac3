"use client";

import { Box } from "@chakra-ui/react";
import { mayWait } from "@keel-round/core/given";
import type { SaidStep } from "@keel-round/core/steps";
import { gearName, type SwitchGear } from "@keel-round/core/tank";
import { useRef, useState } from "react";
import type { LiveVisit } from "@/device/useVisit";
import { GoButton, Problem, QuietButton } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { Arrival } from "./Arrival";
import { DraftsProvider, useDrafts } from "./drafts";
import { HeaterOn } from "./HeaterOn";
import { insteadOf, NotMeasured } from "./NotMeasured";
import { Overrule } from "./Overrule";
import { PartHeading } from "./PartHeading";
import { heaterStillOn, waitsFor } from "./phaseModel";
import { Decide, SkipReasons, slipsAgain } from "./SkipReasons";
import { StepBody } from "./StepBody";
import { ThumbBar } from "./ThumbBar";
import { tickStep } from "./tickStep";

/** Taps this close after a step came up were meant for the one before it. */
const SECOND_TAP_MS = 350;

/** One step of a visit: its figure, its fields, and what becomes of it. */
export function OneStep({
  visit,
  step,
  off,
  settled,
  onSettled,
}: {
  visit: LiveVisit;
  step: SaidStep;
  off: readonly SwitchGear[];
  settled: boolean;
  /** Goes on; `done` where it was ticked just now. */
  onSettled: (done: boolean) => void;
}) {
  const [skipping, setSkipping] = useState(false);
  const [asking, setAsking] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const { drafts, saveAll } = useDrafts();
  const instead = insteadOf(visit, step);
  const shownAt = useRef(Date.now());
  const heaterOn = heaterStillOn(step, visit.plan.steps, visit.state);
  const tick = async (sure = false) => {
    // A second tap of the same thumb is not for the step that came up under it.
    if (Date.now() - shownAt.current < SECOND_TAP_MS) return;
    if (heaterOn && !sure) return setAsking(true);
    // What was typed goes with the tick; what cannot be kept says so beside its field.
    if (!(await saveAll())) return;
    const waits = waitsFor(step, await visit.latest());
    if (waits) return setError(waits);
    const refusal = await tickStep(visit, step);
    if (refusal) return setError(refusal);
    onSettled(true);
  };
  const skip = async (reason: string) => {
    const refusal = await visit.say({ type: "skip", step: step.id, reason });
    if (!refusal) onSettled(false);
  };
  return (
    <>
      <Box px="18px" pt="16px" flex="1">
        <PartHeading>{step.title}</PartHeading>
        {step.slips ? <Box color="ochre">slipped {step.slips === 1 ? "once" : `${step.slips} times`}</Box> : null}
        {step === visit.plan.steps[0] && (
          <Box mt="10px">
            <Arrival visit={visit} />
          </Box>
        )}
        <DraftsProvider drafts={drafts}>
          <StepBody visit={visit} step={step} />
        </DraftsProvider>
        {instead && !settled && <NotMeasured instead={instead} onLeave={() => skip("not measured")} />}
        {step.held && !settled && <Overrule visit={visit} held={step.held} />}
        {asking && (
          <HeaterOn
            onOff={async () => {
              await visit.say({ type: "switch", gear: "heater", state: "off" });
              setAsking(false);
            }}
            onStays={() => tick(true)}
          />
        )}
        <Problem says={error} mt="12px" />
        {skipping && (
          <Box mt="12px">
            {step.task && !mayWait(visit.kept.input) && (
              <Box color="ochre" mb="6px">
                A reading of this tank drifts: what is left out now works against it.
              </Box>
            )}
            {slipsAgain(step) ? (
              <Decide visit={visit} step={step} onDone={() => onSettled(false)} />
            ) : (
              <SkipReasons onSkip={skip} />
            )}
          </Box>
        )}
      </Box>
      {off.length > 0 && (
        <Box px="18px" pb="8px" pt="10px">
          <Span
            borderWidth="1px"
            borderColor="vermilion"
            color="vermilion"
            rounded="s"
            px="8px"
            py="3px"
            fontWeight="600"
            fontSize="14px"
            display="inline-block"
          >
            Off: {off.map(gearName).join(", ")}
          </Span>
        </Box>
      )}
      <ThumbBar>
        <Box display="grid" gridTemplateColumns="1fr 2.1fr" gap="10px">
          {settled ? (
            <QuietButton
              type="button"
              h="60px"
              fontSize="17px"
              onClick={() => visit.say({ type: "untick", step: step.id })}
            >
              Undo
            </QuietButton>
          ) : (
            <QuietButton
              type="button"
              h="60px"
              fontSize="17px"
              onClick={() => setSkipping(!skipping)}
              aria-expanded={skipping}
            >
              Skip…
            </QuietButton>
          )}
          <GoButton
            type="button"
            h="60px"
            fontSize="17px"
            data-key="tick"
            onClick={() => (settled ? onSettled(false) : tick())}
          >
            {settled ? "Next" : (step.pressed ?? "Done")}
          </GoButton>
        </Box>
      </ThumbBar>
    </>
  );
}
