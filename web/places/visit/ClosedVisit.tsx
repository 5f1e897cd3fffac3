"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { SyncState } from "@/device/ask";
import type { LiveVisit } from "@/device/useVisit";
import { GoButton, PageTitle, QuietButton } from "@/kit/controls";
import { H1 } from "@/kit/elements";
import { RefusedEntries, VisitFrame, VisitTop } from "./VisitFrame";

/** After a visit: what becomes of what was entered, and the ways back into it. */
export function ClosedVisit({ visit, sync }: { visit: LiveVisit; sync: SyncState }) {
  return (
    <VisitFrame>
      <VisitTop kept={visit.kept} waiting={visit.waiting} sync={sync} />
      <Box px="18px" pb="18px">
        <PageTitle>{`${visit.kept.tankName}, closed`}</PageTitle>
        <H1 fontSize="27px" fontWeight="660">
          Closed
        </H1>
        <Box mt="8px">
          {visit.kept.tankName}, {visit.kept.siteName}.
        </Box>
        <Box mt="10px" color="soft">
          {visit.waiting > 0
            ? "Everything is on this phone and goes up by itself when there is a network."
            : "The letter is being made; it waits under Letters to be read and sent."}
        </Box>
        <Flex gap="10px" mt="18px" wrap="wrap">
          <GoButton asChild minH="48px">
            <a href="/round">To the round</a>
          </GoButton>
          <QuietButton
            type="button"
            minH="48px"
            onClick={() => visit.say({ type: "reopen", why: "closed by mistake" })}
          >
            Undo: it goes on
          </QuietButton>
          <QuietButton asChild minH="48px">
            <a href={`/visits/${visit.kept.visitId}`}>Correct or reopen</a>
          </QuietButton>
          <QuietButton asChild minH="48px">
            <a href="/letters">Letters</a>
          </QuietButton>
        </Flex>
      </Box>
      <RefusedEntries visit={visit} />
    </VisitFrame>
  );
}
