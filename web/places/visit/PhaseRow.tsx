"use client";

import { Box, Flex } from "@chakra-ui/react";
import { mayWait } from "@keel-round/core/given";
import { type SaidStep, testOf } from "@keel-round/core/steps";
import { memo, startTransition, useOptimistic, useState } from "react";
import type { LiveVisit } from "@/device/useVisit";
import { Button, Details, Path, Span, Summary, Svg } from "@/kit/elements";
import { duration } from "@/kit/words";
import { drains } from "./drainGate";
import { insteadOf, NotMeasured } from "./NotMeasured";
import { Overrule } from "./Overrule";
import { goesOnAlone, isOpenAtOnce, waitsFor } from "./phaseModel";
import { refusalSentence } from "./refusals";
import { Decide, SkipReasons, slipsAgain } from "./SkipReasons";
import { StepBody } from "./StepBody";
import { isGated, tickStep } from "./tickStep";

interface Row {
  readonly visit: LiveVisit;
  readonly step: SaidStep;
  readonly settled: boolean;
}

/** What a row shows of a visit: its own tick, the plan, and, where something is entered or switched, what was. */
function shows({ visit, step, settled }: Row): readonly unknown[] {
  const { state, plan, photos, kept } = visit;
  // Beside what runs by itself stands what else is open; a drain waits for what other steps measure.
  if (drains(step) || goesOnAlone(step)) return [step, settled, plan, kept, photos, state];
  const more =
    step.enters || step.confirms || step.figure
      ? [
          state.readings,
          state.litres,
          state.doses,
          state.gear,
          state.dirt,
          state.counts,
          state.findings,
          state.belowMarkCm,
          state.batch,
        ]
      : [];
  return [step, settled, plan, kept, photos, state.photos, state.skipped[step.id], state.ticked[step.id], ...more];
}

/** One step in the list of its phase: a tick, its title, and behind the title all there is about it. */
export const PhaseRow = memo(OneRow, (before, now) => {
  const [old, shown] = [shows(before), shows(now)];
  return old.length === shown.length && old.every((value, i) => value === shown[i]);
});

function OneRow({ visit, step, settled }: Row) {
  const [open, setOpen] = useState(isOpenAtOnce(step));
  const [error, setError] = useState<string | null>(null);
  const { ticked, skipped } = visit.state;
  // The mark answers the press at once; what is kept decides what it stays at.
  const [on, press] = useOptimistic(ticked[step.id] !== undefined);
  const write = async (undoing: boolean) => {
    if (undoing) {
      await visit.say({ type: "untick", step: step.id });
      return;
    }
    const waits = waitsFor(step, await visit.latest());
    if (waits) {
      setOpen(true);
      return setError(waits);
    }
    setError(await tickStep(visit, step));
  };
  const toggle = () =>
    startTransition(async () => {
      setError(null);
      // What is seen decides what a press means: a second one takes the first back, also before that is kept.
      const undoing = settled || on;
      press(!undoing && !waitsFor(step, visit.state) && !isGated(visit, step));
      await write(undoing);
    });
  const leaveOut = async (why: string) => {
    const refusal = await visit.say({ type: "skip", step: step.id, reason: why });
    setError(refusal ? refusalSentence(refusal) : null);
  };
  return (
    <Box borderBottomWidth="1px" borderColor="rule" py="4px" data-step={step.id}>
      <Flex align="center" gap="10px">
        {step.held ? (
          <Box w="48px" flexShrink={0} />
        ) : (
          <Tick on={on} left={skipped[step.id] !== undefined} title={step.title} onPress={toggle} />
        )}
        <Title step={step} settled={settled} reason={skipped[step.id]} open={open} onPress={() => setOpen(!open)} />
        <Span color="soft" fontSize="13.5px" whiteSpace="nowrap">
          {step.minutes >= 1 ? duration(step.minutes) : ""}
        </Span>
      </Flex>
      {error && (
        <Box role="alert" color="vermilion" fontWeight="600" fontSize="15px" pl="58px" pb="6px">
          {error}
        </Box>
      )}
      {open && <Opened visit={visit} step={step} settled={settled} onLeave={leaveOut} />}
    </Box>
  );
}

/** The title opens and closes all there is about a step. */
function Title({
  step,
  settled,
  reason,
  open,
  onPress,
}: {
  step: SaidStep;
  settled: boolean;
  /** Why it was left out, where it was. */
  reason: string | undefined;
  open: boolean;
  onPress: () => void;
}) {
  return (
    <Button
      type="button"
      aria-expanded={open}
      flex="1"
      minW="0"
      minH="48px"
      textAlign="left"
      bg="transparent"
      cursor="pointer"
      py="6px"
      onClick={onPress}
    >
      <Box fontSize="17px" fontWeight="560" lineHeight="1.25" color={settled && !step.held ? "soft" : "ink"}>
        {step.title}
      </Box>
      {reason !== undefined && (
        <Box fontSize="14.5px" color="ochre">
          left out: {reason}
        </Box>
      )}
      {step.slips ? (
        <Box fontSize="14.5px" color="ochre">
          slipped {step.slips === 1 ? "once" : `${step.slips} times`}
        </Box>
      ) : null}
    </Button>
  );
}

/** All there is about a step, and the ways to leave it out. */
function Opened({ visit, step, settled, onLeave }: Row & { readonly onLeave: (why: string) => Promise<void> }) {
  const instead = insteadOf(visit, step);
  return (
    <Box pl={isOpenAtOnce(step) ? "0" : "58px"} pb="12px">
      <StepBody visit={visit} step={step} />
      {instead && !settled && <NotMeasured instead={instead} onLeave={() => onLeave("not measured")} />}
      {step.held && <Overrule visit={visit} held={step.held} />}
      {(step.task || step.figure === "dose") && !testOf(step) && !settled && !step.held && (
        <Details mt="8px" fontSize="16px">
          <Summary color="soft" minH="48px">
            Leave it out
          </Summary>
          {!mayWait(visit.kept.input) && (
            <Box color="ochre" mb="6px">
              A reading of this tank drifts: what is left out now works against it.
            </Box>
          )}
          {slipsAgain(step) ? <Decide visit={visit} step={step} onDone={() => {}} /> : <SkipReasons onSkip={onLeave} />}
        </Details>
      )}
    </Box>
  );
}

/** The mark of a step: empty, done, or left out. */
function Tick({ on, left, title, onPress }: { on: boolean; left: boolean; title: string; onPress: () => void }) {
  return (
    <Button
      type="button"
      role="checkbox"
      aria-checked={on}
      aria-label={title}
      w="48px"
      h="48px"
      flexShrink={0}
      bg="transparent"
      cursor="pointer"
      onClick={onPress}
    >
      <Svg viewBox="0 0 48 48" w="48px" h="48px" aria-hidden="true">
        <Path
          d="M11 11 H37 V37 H11 Z"
          fill={on ? "corallineSolid" : "none"}
          stroke={on ? "corallineSolid" : "ruleStrong"}
          strokeWidth="2"
        />
        {on && <Path d="M17 24 L22 30 L32 18" fill="none" stroke="white" strokeWidth="3.5" />}
        {left && <Path d="M17 24 H31" stroke="ochre" strokeWidth="3.5" />}
      </Svg>
    </Button>
  );
}
