"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { SaidStep } from "@keel-round/core/steps";
import { gearName, type SwitchGear } from "@keel-round/core/tank";
import { counted } from "@keel-round/core/text";
import { useState } from "react";
import type { LiveVisit } from "@/device/useVisit";
import { BarButton, Problem, QuietButton } from "@/kit/controls";
import { Details, Summary } from "@/kit/elements";
import { Discard } from "./Discard";
import { Findings } from "./Findings";
import { LeaveGear } from "./Gear";
import { Handover } from "./Handover";
import { PartHeading } from "./PartHeading";
import { refusalSentence } from "./refusals";
import { Decide, SKIP_REASONS, SkipReasons, slipsAgain } from "./SkipReasons";
import { ThumbBar } from "./ThumbBar";

/** What keeps a visit from being closed, each answered here, and the closing. */
export function Close({
  visit,
  unsettled,
  led,
}: {
  visit: LiveVisit;
  unsettled: readonly SaidStep[];
  /** Come to by going on, not by its tab. */
  led: boolean;
}) {
  const [error, setError] = useState<string | null>(null);
  const { state, kept, say } = visit;
  const off = Object.entries(state.gear).flatMap(([gear, g]) => (g?.state === "off" ? [gear as SwitchGear] : []));
  const answered = new Set(state.findings.filter((f) => f.outcome).map((f) => f.id));
  const open = [
    ...state.findings.filter((f) => !f.outcome),
    ...kept.input.findings.filter((f) => !answered.has(f.id) && !state.findings.some((x) => x.id === f.id)),
  ];
  const close = async () => {
    if (unsettled.length > 0)
      return setError(`${counted(unsettled.length, "job")} neither done nor left out: say why, above.`);
    const refusal = await say({ type: "close" });
    setError(refusal ? refusalSentence(refusal) : null);
  };
  return (
    <>
      <Box px="18px" py="16px" flex="1">
        <PartHeading takesFocus={led}>Close the visit</PartHeading>
        {off.map((gear) => (
          <Flex key={gear} align="center" gap="8px" py="8px" borderBottomWidth="1px" borderColor="rule">
            <Box flex="1" color="vermilion" fontWeight="600">
              {gearName(gear)} is still off
            </Box>
            <QuietButton type="button" minH="48px" onClick={() => say({ type: "switch", gear, state: "on" })}>
              On
            </QuietButton>
            <LeaveGear visit={visit} gear={gear} turn="on" />
          </Flex>
        ))}
        <NotDone visit={visit} unsettled={unsettled} />
        {open.length > 0 && (
          <Box py="10px">
            <Findings visit={visit} />
          </Box>
        )}
        {off.length + unsettled.length + open.length === 0 && (
          <Box mt="8px" color="soft">
            Everything is on, every job is done or has its reason, and nothing that was seen is left open. Look back
            once at the floor, the plugs and the valves.
          </Box>
        )}
        <Handover visit={visit} />
        <Discard visit={visit} />
      </Box>
      <ThumbBar>
        <Problem says={error} mb="10px" />
        <BarButton type="button" onClick={close}>
          Close the visit
        </BarButton>
      </ThumbBar>
    </>
  );
}

/** Jobs that are neither done nor left out: one reason for all of them, or each by itself. */
function NotDone({ visit, unsettled }: { visit: LiveVisit; unsettled: readonly SaidStep[] }) {
  // What was left out twice already is decided, one by one.
  const [again, rest] = [unsettled.filter(slipsAgain), unsettled.filter((s) => !slipsAgain(s))];
  const leaveOut = async (steps: readonly SaidStep[], reason: string) => {
    for (const s of steps) await visit.say({ type: "skip", step: s.id, reason });
  };
  const one = (s: SaidStep) => (
    <Box key={s.id} py="8px" borderBottomWidth="1px" borderColor="rule">
      <Box fontWeight="560">Not done: {s.title}</Box>
      <Box mt="6px">
        {slipsAgain(s) ? (
          <Decide visit={visit} step={s} onDone={() => {}} />
        ) : (
          <SkipReasons onSkip={(reason) => void leaveOut([s], reason)} />
        )}
      </Box>
    </Box>
  );
  return (
    <>
      {again.map(one)}
      {rest.length === 1 && rest.map(one)}
      {rest.length > 1 && (
        <Box py="10px" borderBottomWidth="1px" borderColor="rule">
          <Box fontWeight="620">{rest.length} jobs are not done. One reason for all of them:</Box>
          <Flex gap="6px" wrap="wrap" mt="8px">
            {SKIP_REASONS.map((reason) => (
              <QuietButton
                key={reason}
                type="button"
                minH="48px"
                aria-label={`All of them: ${reason}`}
                onClick={() => leaveOut(rest, reason)}
              >
                {reason}
              </QuietButton>
            ))}
          </Flex>
          <Details mt="8px">
            <Summary minH="48px" color="coralline" fontWeight="600">
              One by one
            </Summary>
            {rest.map(one)}
          </Details>
        </Box>
      )}
    </>
  );
}
