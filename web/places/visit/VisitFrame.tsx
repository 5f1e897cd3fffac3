"use client";

import { Box, chakra, Flex } from "@chakra-ui/react";
import type { VisitBundle } from "@keel-round/core/visit";
import { memo, useContext } from "react";
import type { SyncState } from "@/device/ask";
import { useStop } from "@/device/useStop";
import type { LiveVisit } from "@/device/useVisit";
import { Notice } from "@/kit/controls";
import { A, Nav, Span } from "@/kit/elements";
import { Keys } from "@/kit/shell/Keys";
import { OpenVisit } from "./OpenVisit";
import { refusalSentence } from "./refusals";

const Page = chakra("main", {
  base: { maxW: "560px", mx: "auto", minH: "100dvh", bg: "sheet", display: "flex", flexDirection: "column" },
});

/** What every screen of the sheet stands in: its keys, and room for one thumb. */
export function VisitFrame({ busy = false, children }: { busy?: boolean; children: React.ReactNode }) {
  return (
    <Page aria-busy={busy}>
      <Keys />
      {children}
    </Page>
  );
}

/** The way out, where this is, and how the device stands with the server; under it the tanks of the stop. */
export const VisitTop = memo(function VisitTop({
  kept,
  waiting,
  sync,
}: {
  kept: VisitBundle;
  waiting: number;
  sync: SyncState;
}) {
  return (
    <Box px="18px" pt="4px">
      <Flex justify="space-between" align="center" fontSize="14.5px" color="soft" gap="10px" wrap="wrap">
        <WayOut online={sync === "online"} />
        <Net waiting={waiting} sync={sync} />
      </Flex>
      <Tanks kept={kept} />
    </Box>
  );
});

const WayOut = memo(function WayOut({ online }: { online: boolean }) {
  return (
    <A
      href={online ? "/round" : "/day"}
      data-key="leave"
      minH="48px"
      pr="10px"
      display="inline-flex"
      alignItems="center"
      fontWeight="600"
      color="ink"
    >
      {online ? "To the round" : "To the kept day"}
    </A>
  );
});

/** The tanks of the stop: water runs here, the glass is done there. */
const Tanks = memo(function Tanks({ kept }: { kept: VisitBundle }) {
  const tanks = useStop(kept);
  const open = useContext(OpenVisit);
  if (tanks.length < 2) return null;
  return (
    <Nav aria-label="Tanks of this stop" display="flex" gap="6px" flexWrap="wrap" pb="8px">
      {tanks.map((t) => {
        const here = t.visitId === kept.visitId;
        return (
          <A
            key={t.visitId}
            href={`/visit?visit=${t.visitId}`}
            aria-current={here ? "page" : undefined}
            minH="48px"
            px="12px"
            display="inline-flex"
            flexDirection="column"
            justifyContent="center"
            lineHeight="1.2"
            rounded="s"
            borderWidth="1px"
            borderColor={here ? "coralline" : "ruleStrong"}
            bg={here ? "corallineWash" : "sheet"}
            textDecoration="none"
            onClick={(e) => {
              e.preventDefault();
              open(t.visitId);
            }}
          >
            <Span fontWeight="600" fontSize="15px">
              {t.tankName}
            </Span>
            <Span fontSize="13.5px" color="soft">
              {t.state}
            </Span>
          </A>
        );
      })}
    </Nav>
  );
});

/** How this device stands with the server, in a few words. */
function Net({ waiting, sync }: { waiting: number; sync: SyncState }) {
  const text =
    sync === "signed-out"
      ? `signed out, ${waiting} kept`
      : sync === "offline"
        ? `no network, ${waiting} kept`
        : sync === "trouble" && waiting > 0
          ? `server trouble, ${waiting} kept and tried again`
          : sync === "gap" && waiting > 0
            ? `an earlier entry is missing, ${waiting} kept`
            : waiting > 0
              ? `sending ${waiting}`
              : "all sent";
  return (
    <Span role="status" color={sync === "online" ? "soft" : "ochre"} data-sync={sync} data-waiting={waiting}>
      {text}
    </Span>
  );
}

/** Entries that the server refused, each with its reason. */
export function RefusedEntries({ visit }: { visit: LiveVisit }) {
  if (visit.refused.length === 0) return null;
  return (
    <Box px="18px" py="8px" role="alert">
      <Notice tone="danger">
        {visit.refused.map((o) => (
          <Box key={o.opId}>
            Not taken: {o.body.type}. {refusalSentence({ code: o.code ?? "", ...(o.items ? { items: o.items } : {}) })}
          </Box>
        ))}
      </Notice>
    </Box>
  );
}
