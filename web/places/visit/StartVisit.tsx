"use client";

import { Box } from "@chakra-ui/react";
import { inSentence } from "@keel-round/core/text";
import { useEffect, useState } from "react";
import type { SyncState } from "@/device/ask";
import type { LiveVisit } from "@/device/useVisit";
import { BarButton, Notice, PageTitle } from "@/kit/controls";
import { H1 } from "@/kit/elements";
import { duration } from "@/kit/words";
import { Arrival } from "./Arrival";
import { notAsPlanned } from "./notAsPlanned";
import { ThumbBar } from "./ThumbBar";
import { VisitFrame, VisitTop } from "./VisitFrame";

/** Before a visit: where it is, what to bring in, and the one press that starts it. */
export function StartVisit({ visit, sync, begin }: { visit: LiveVisit; sync: SyncState; begin: boolean }) {
  const { kept, plan, state } = visit;
  const otherwise = useNotAsPlanned(kept.on, kept.startMinute);
  const { say } = visit;
  // Whoever pressed "Start" at the stop has started, unless there is something to be told first.
  const atOnce = begin && otherwise === null && state.discarded === null;
  useEffect(() => {
    if (atOnce) void say({ type: "start" });
  }, [atOnce, say]);
  if (otherwise === undefined || atOnce)
    return (
      <VisitFrame busy>
        <PageTitle>{`${kept.tankName}, visit`}</PageTitle>
      </VisitFrame>
    );
  return (
    <VisitFrame>
      <VisitTop kept={visit.kept} waiting={visit.waiting} sync={sync} />
      <Box px="18px" pb="18px" flex="1">
        <PageTitle>{`${kept.tankName}, visit`}</PageTitle>
        <H1 fontSize="27px" fontWeight="660" lineHeight="1.15">
          {kept.siteName}, {inSentence(kept.tankName)}
        </H1>
        <Box mt="4px" mb="12px" fontSize="17px">
          {plan.steps.length} steps, {duration(plan.minutes)}
        </Box>
        {otherwise && (
          <Box mb="12px" data-not-as-planned="">
            <Notice tone="care">{otherwise}</Notice>
          </Box>
        )}
        {state.discarded && (
          <Box mb="12px" color="soft">
            Begun before and discarded: {state.discarded.why}.
          </Box>
        )}
        <Arrival visit={visit} />
        {kept.input.facts.access && (
          <Box mt="10px">
            <Notice tone="care">{kept.input.facts.access}</Notice>
          </Box>
        )}
        <Box mt="16px" fontWeight="620">
          To bring in
        </Box>
        <Box columns={2} fontSize="15px">
          {plan.kit.map((k) => (
            <Box key={k}>{k}</Box>
          ))}
        </Box>
      </Box>
      <ThumbBar>
        <BarButton type="button" data-key="tick" onClick={() => say({ type: "start" })}>
          Start
        </BarButton>
      </ThumbBar>
    </VisitFrame>
  );
}

/**
 * Whether the clock of the device says another day or hour than the plan: a sentence, null where all is as planned, and
 * undefined until the clock was looked at. Its zone is where the tank stands.
 */
function useNotAsPlanned(on: string, minute: number | null): string | null | undefined {
  const [said, setSaid] = useState<string | null>();
  useEffect(() => {
    const now = new Date();
    const two = (n: number) => String(n).padStart(2, "0");
    const today = `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
    setSaid(notAsPlanned({ on, minute }, { on: today, minute: now.getHours() * 60 + now.getMinutes() }));
  }, [on, minute]);
  return said;
}
