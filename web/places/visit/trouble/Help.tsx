"use client";

import { Box, Flex } from "@chakra-ui/react";
import { inSentence } from "@keel-round/core/text";
import dynamic from "next/dynamic";
import { memo } from "react";
import type { LiveVisit } from "@/device/useVisit";
import { PageTitle, QuietButton } from "@/kit/controls";
import { H1 } from "@/kit/elements";

/** What somebody calls for in the middle of a visit. */
export type Called = "wrong" | "gasping";

const Opening = () => (
  <Box px="18px" py="12px" role="status" color="soft">
    Opening the guide
  </Box>
);
// Its words and drawings are loaded by whoever opens it; the service worker has them off line.
const Wrong = dynamic(() => import("./Wrong"), { ssr: false, loading: Opening });
const Gasping = dynamic(() => import("./Gasping"), { ssr: false, loading: Opening });

/** The guide, in the place of the step. */
export function Help({ called, visit, onBack }: { called: Called; visit: LiveVisit; onBack: () => void }) {
  const { tankName, siteName } = visit.kept;
  return (
    <>
      <PageTitle>{`${tankName}, ${called === "wrong" ? "something is wrong" : "fish gasp"}`}</PageTitle>
      <H1 px="18px" pt="10px" fontSize="14.5px" fontWeight="400" color="soft">
        {siteName}, {inSentence(tankName)}
      </H1>
      {called === "wrong" ? <Wrong visit={visit} onBack={onBack} /> : <Gasping visit={visit} onBack={onBack} />}
    </>
  );
}

/** The two ways into it, on every screen of a visit. */
export const HelpBar = memo(function HelpBar({ gasps, onCall }: { gasps: boolean; onCall: (called: Called) => void }) {
  return (
    <Flex gap="6px" px="18px" mt="6px">
      <QuietButton
        type="button"
        minH="48px"
        flex="1"
        fontSize="14px"
        px="4px"
        data-key="wrong"
        onClick={() => onCall("wrong")}
      >
        Something is wrong
      </QuietButton>
      {gasps && (
        <QuietButton
          type="button"
          minH="48px"
          flex="1"
          fontSize="14px"
          px="4px"
          color="vermilion"
          borderColor="vermilion"
          onClick={() => onCall("gasping")}
        >
          Fish gasp: air now
        </QuietButton>
      )}
    </Flex>
  );
});
