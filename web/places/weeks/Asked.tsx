"use client";

import { Box, Flex } from "@chakra-ui/react";
import { longDate, sayDay } from "@keel-round/core/calendar";
import { counted } from "@keel-round/core/text";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { DayRequest } from "@/data/series/dayRequests";
import { AppLink } from "@/kit/AppLink";
import { answered } from "@/kit/answered";
import { GoButton, Problem, QuietButton, SubHead, TextInput } from "@/kit/controls";
import { B, Span } from "@/kit/elements";
import { answerDayAction } from "./actions";

/** Owners who asked for another day of a visit, each to be answered; they read the answer on their page. */
export function Asked({ requests }: { requests: readonly DayRequest[] }) {
  if (requests.length === 0) return null;
  return (
    <Box mt="14px" maxW="860px" data-asked="">
      <SubHead>{counted(requests.length, "owner")} asked for another day</SubHead>
      {requests.map((r) => (
        <One key={r.id} of={r} />
      ))}
    </Box>
  );
}

function One({ of }: { of: DayRequest }) {
  const router = useRouter();
  const [text, setText] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const moved = of.on !== of.insteadOf;
  const answer = async (answer: "moved" | "kept") => {
    setBusy(true);
    const got = await answered(answerDayAction({ requestId: of.id, answer, text }));
    setBusy(false);
    setProblem(got.ok ? null : got.message);
    if (got.ok) router.refresh();
  };
  return (
    <Box py="8px" borderBottomWidth="1px" borderColor="rule" role="group" aria-label={of.siteName}>
      <B fontWeight="620">{of.siteName}</B>{" "}
      <Span>
        {of.wishedOn ? `asks for ${longDate(of.wishedOn)}` : "asks for another day"} instead of {longDate(of.insteadOf)}
        {of.why && `: “${of.why}”`}
      </Span>{" "}
      <Span color="soft" fontSize="13.5px">
        {of.by}
        {moved && `; it stands on ${sayDay(of.on)} now`}
      </Span>
      <Flex gap="10px" mt="6px" wrap="wrap" align="center">
        {(moved || of.wishedOn) && (
          <GoButton type="button" disabled={busy} onClick={() => answer("moved")}>
            {moved ? `Tell them ${sayDay(of.on)}` : `Move to ${sayDay(of.wishedOn ?? "")}`}
          </GoButton>
        )}
        <QuietButton asChild>
          <AppLink href={`/weeks?from=${of.on}&stop=${of.stopId}`}>Choose another day</AppLink>
        </QuietButton>
        <TextInput
          aria-label={`A word to ${of.by}`}
          placeholder="A word to them"
          maxLength={400}
          value={text}
          onChange={(e) => setText(e.target.value)}
          w="260px"
        />
        <QuietButton type="button" disabled={busy} onClick={() => answer("kept")}>
          Leave it on its day
        </QuietButton>
      </Flex>
      <Problem says={problem} mt="6px" />
    </Box>
  );
}
