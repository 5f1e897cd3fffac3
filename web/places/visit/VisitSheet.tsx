"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useCallback, useEffect, useState } from "react";
import { openStore } from "@/device/openStore";
import { keepForGood, registerWorker } from "@/device/register";
import { useVisit } from "@/device/useVisit";
import { Notice, PageTitle, QuietButton } from "@/kit/controls";
import { H1 } from "@/kit/elements";
import { ClosedVisit } from "./ClosedVisit";
import { ClocksProvider } from "./clocks/useClocks";
import { OpenVisit } from "./OpenVisit";
import { RunningVisit } from "./RunningVisit";
import { StartVisit } from "./StartVisit";
import { VisitFrame } from "./VisitFrame";

const MISSING = {
  offline:
    "There is no network, and this visit is not on this phone. Open the round once with a network and its visits are on the phone.",
  "signed-out": "Sign in to open this visit. Nothing that was entered on this device is lost.",
  trouble: "The server is in trouble, and this visit is not on this phone. Try again in a few minutes.",
  gap: "This visit is not on this phone. Open the round once with a network.",
  gone: "There is no such visit here.",
} as const;

// The store is opened while the page is still being put together: the sheet waits for both.
openStore();

/** What the address asks for: a visit, and whether it was started at its stop already. */
interface Asked {
  readonly visitId: string;
  readonly begin: boolean;
}

/** The visit on site. Reads the address itself: the page holds nothing of anybody. */
export function VisitSheet() {
  const [asked, setAsked] = useState<Asked | null>(null);
  useEffect(() => {
    registerWorker();
    void keepForGood();
    const { search, hash } = window.location;
    setAsked({ visitId: new URLSearchParams(search).get("visit") ?? "", begin: hash === "#start" });
    // Started once: a page that is opened again under this address starts nothing.
    if (hash === "#start") window.history.replaceState(null, "", `/visit${search}`);
  }, []);
  const open = useCallback((visitId: string) => {
    window.history.replaceState(null, "", `/visit?visit=${visitId}`);
    setAsked({ visitId, begin: false });
    window.scrollTo(0, 0);
  }, []);
  if (asked === null) return <Waiting />;
  if (asked.visitId === "") return <NotHere why="gone" />;
  return (
    <OpenVisit value={open}>
      <Loaded key={asked.visitId} {...asked} />
    </OpenVisit>
  );
}

function Waiting() {
  return (
    <VisitFrame busy>
      <PageTitle>A visit</PageTitle>
      <H1 p="18px" color="soft" fontSize="15px" fontWeight="400">
        Opening the visit
      </H1>
    </VisitFrame>
  );
}

function Loaded({ visitId, begin }: Asked) {
  const load = useVisit(visitId);
  if (load.status === "loading") return <Waiting />;
  if (load.status === "missing") return <NotHere why={load.why} />;
  const { visit, sync } = load;
  if (!visit.state.startedAt) return <StartVisit visit={visit} sync={sync} begin={begin} />;
  if (visit.state.closedAt) return <ClosedVisit visit={visit} sync={sync} />;
  return (
    <ClocksProvider visitId={visitId} tank={visit.kept.tankName}>
      <RunningVisit visit={visit} sync={sync} />
    </ClocksProvider>
  );
}

function NotHere({ why }: { why: keyof typeof MISSING }) {
  return (
    <VisitFrame>
      <Box p="18px">
        <PageTitle>A visit</PageTitle>
        <H1 fontSize="22px" fontWeight="640" mb="10px">
          Not on this device
        </H1>
        <Notice tone="care">{MISSING[why]}</Notice>
        <Flex gap="10px" mt="14px">
          <QuietButton asChild minH="48px">
            <a href={why === "signed-out" ? "/sign-in" : "/round"}>
              {why === "signed-out" ? "Sign in" : "To the round"}
            </a>
          </QuietButton>
          <QuietButton asChild minH="48px">
            <a href="/day">What is kept here</a>
          </QuietButton>
        </Flex>
      </Box>
    </VisitFrame>
  );
}
