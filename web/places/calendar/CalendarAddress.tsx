"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import type { Feed } from "@/data/calendar/feed";
import { answered } from "@/kit/answered";
import { Notice, QuietButton, TextInput } from "@/kit/controls";
import { useHydrated } from "@/kit/useHydrated";
import { makeCalendarAction, revokeCalendarAction } from "./actions";

/** The address of a calendar: made, copied, taken back. Whoever has it reads the calendar without signing in. */
export function CalendarAddress({
  kind,
  ofId,
  feed,
  what,
}: {
  kind: "person" | "site";
  ofId: string;
  feed: Feed | null;
  /** Whose visits it shows, in a sentence: "the visits of Ilves Dental". */
  what: string;
}) {
  const hydrated = useHydrated();
  const [shown, setShown] = useState(feed);
  const [said, setSaid] = useState<{ text: string; wrong: boolean } | null>(null);
  const [busy, setBusy] = useState(false);
  const make = async () => {
    setBusy(true);
    const answer = await answered(makeCalendarAction({ kind, ofId }));
    setBusy(false);
    if (answer.ok) setShown(answer.value);
    setSaid(answer.ok ? null : { text: answer.message, wrong: true });
  };
  const revoke = async (id: string) => {
    setBusy(true);
    const answer = await answered(revokeCalendarAction({ feedId: id }));
    setBusy(false);
    if (answer.ok) setShown(null);
    setSaid(
      answer.ok ? { text: "The address does not work any more.", wrong: false } : { text: answer.message, wrong: true },
    );
  };
  const copy = async (address: string) => {
    // A browser may refuse: the address stands in the field to be copied by hand.
    const copied = await navigator.clipboard.writeText(address).then(
      () => true,
      () => false,
    );
    setSaid({ text: copied ? "Copied." : "Copy it from the field.", wrong: false });
  };
  // The browser alone knows under which name the application was opened.
  const address = shown && hydrated ? `${window.location.origin}${shown.path}` : "";
  return (
    <Box data-calendar="">
      <Box color="soft" fontSize="14.5px" mb="8px" maxW="60ch">
        A calendar program that is given this address shows {what} and follows every change. Whoever has the address can
        read it.
      </Box>
      {shown ? (
        <Flex gap="10px" wrap="wrap" align="center">
          <TextInput readOnly value={address} aria-label="Address of the calendar" w="420px" maxW="100%" />
          <QuietButton type="button" onClick={() => copy(address)}>
            Copy address
          </QuietButton>
          <QuietButton type="button" disabled={busy} onClick={() => revoke(shown.id)}>
            Take address back
          </QuietButton>
          <Box color="soft" fontSize="13.5px">
            {shown.readAt ? "It has been read." : "Nobody has read it yet."}
          </Box>
        </Flex>
      ) : (
        <QuietButton type="button" disabled={!hydrated || busy} onClick={make}>
          Make a calendar address
        </QuietButton>
      )}
      {said && (
        <Box mt="8px" role={said.wrong ? "alert" : "status"}>
          <Notice tone={said.wrong ? "danger" : "plain"}>{said.text}</Notice>
        </Box>
      )}
    </Box>
  );
}
