"use client";

import { Box, Flex } from "@chakra-ui/react";
import { exceptionSentence } from "@keel-round/core/given";
import { counted } from "@keel-round/core/text";
import type { VisitPlace } from "@keel-round/core/visit";
import { useState } from "react";
import type { LiveVisit } from "@/device/useVisit";
import { answered, NO_ANSWER } from "@/kit/answered";
import { Notice, Problem, QuietButton, WordButton } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { doorCodesAction } from "./actions";

/** What somebody needs in front of the door: where it is, whom to ring, how to get in, what is odd about this tank. */
export function Arrival({ visit }: { visit: LiveVisit }) {
  const { kept } = visit;
  const { facts } = kept.input;
  const { place } = kept;
  const said = [...(facts.exceptions ?? []).map(exceptionSentence), ...facts.notes];
  return (
    <Box data-arrival="" mb="8px">
      <Box fontSize="16px">{[kept.access, ...entrance(place)].filter((s) => s !== "").join(" ")}</Box>
      {place?.hasCodes && <DoorCodes siteId={place.siteId} />}
      {said.map((n) => (
        <Box key={n} mt="8px">
          <Notice tone="care">{n}</Notice>
        </Box>
      ))}
      <Box mt="10px">
        <Line says={kept.address} copy={kept.address}>
          {place && (
            <QuietButton asChild minH="48px" minW="72px">
              <a href={`geo:${place.lat},${place.lon}?q=${place.lat},${place.lon}`} aria-label="Open in maps">
                Map
              </a>
            </QuietButton>
          )}
        </Line>
        {place && (
          <Line
            says={`${place.lat.toFixed(5)}, ${place.lon.toFixed(5)}`}
            copy={`${place.lat.toFixed(5)}, ${place.lon.toFixed(5)}`}
            quiet
          />
        )}
        {place?.phones.map(({ who, phone }) => (
          <Line key={`${who} ${phone}`} says={`${who}, ${phone}`} copy={phone}>
            <QuietButton asChild minH="48px" minW="72px">
              <a href={`tel:${phone.replaceAll(/[^\d+]/g, "")}`} aria-label={`Call ${who}`}>
                Call
              </a>
            </QuietButton>
          </Line>
        ))}
      </Box>
    </Box>
  );
}

const entrance = (place: VisitPlace | undefined): string[] =>
  place
    ? [
        ...(place.askFor ? [`Ask for ${place.askFor}.`] : []),
        ...(place.parking ? [`Parking: ${place.parking}.`] : []),
        ...(place.stairs ? [`${counted(place.stairs, "step")} up.`] : []),
      ]
    : [];

/** One thing to go by, what to do with it, and a way to copy it; where copying is refused it can be marked by hand. */
function Line({
  says,
  copy,
  quiet = false,
  children,
}: {
  says: string;
  copy: string;
  quiet?: boolean;
  children?: React.ReactNode;
}) {
  const [told, setTold] = useState("");
  const take = async () => {
    try {
      await navigator.clipboard.writeText(copy);
      setTold("Copied.");
    } catch (error) {
      // Refused by a setting, or a page without a lock on its address.
      if (!(error instanceof DOMException || error instanceof TypeError)) throw error;
      setTold("It cannot be copied here: mark it by hand.");
    }
  };
  return (
    <Flex gap="8px" align="center" borderTopWidth="1px" borderColor="rule" py="3px" wrap="wrap">
      <Span flex="1" minW="0" fontSize={quiet ? "15px" : "16px"} color={quiet ? "soft" : "ink"}>
        {says}
      </Span>
      {children}
      <WordButton type="button" aria-label={`Copy ${says}`} onClick={take}>
        Copy
      </WordButton>
      <Span role="status" color="soft" fontSize="14px" _empty={{ display: "none" }}>
        {told}
      </Span>
    </Flex>
  );
}

const NO_CODES = "The codes cannot be fetched now, and none are kept on a phone. Try again, or ring the office.";

/** The door codes, asked for by a press: the look is written down, and nothing of them stays on the device. */
function DoorCodes({ siteId }: { siteId: string }) {
  const [shown, setShown] = useState("");
  const [problem, setProblem] = useState("");
  const look = async () => {
    setProblem("");
    const answer = await answered(doorCodesAction({ siteId }));
    if (answer.ok) setShown(answer.value.codes || "No codes are kept for this site.");
    else setProblem(answer.code === NO_ANSWER ? NO_CODES : answer.message);
  };
  return (
    <Box mt="10px">
      <QuietButton type="button" minH="48px" onClick={look}>
        Show the door codes
      </QuietButton>
      <Span role="status" ml="10px" fontFamily="mono" fontSize="22px" _empty={{ display: "none" }}>
        {shown}
      </Span>
      <Problem says={problem} />
    </Box>
  );
}
