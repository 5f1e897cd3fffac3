"use client";

import { Box, Flex } from "@chakra-ui/react";
import { addDays, sayDay } from "@keel-round/core/calendar";
import { useState } from "react";
import type { LiveVisit } from "@/device/useVisit";
import { Problem, QuietButton, TextInput } from "@/kit/controls";
import { refusalSentence } from "./refusals";

type How = "fixed" | "carried" | "owner";

const OUTCOME: Record<How, string> = { fixed: "Fixed", carried: "Put off", owner: "For the owner" };

/** What is known of a finding here: what it says, and what became of it. */
function findingOf({ kept, state }: LiveVisit, id: string) {
  const logged = state.findings.find((f) => f.id === id);
  return {
    text: logged?.text || kept.input.findings.find((f) => f.id === id)?.text || "",
    outcome: logged?.outcome ?? null,
  };
}

/** What became of a finding: fixed, for the owner, or put off to a day. */
export function FindingAnswer({ visit, id }: { visit: LiveVisit; id: string }) {
  const { text, outcome } = findingOf(visit, id);
  const [on, setOn] = useState(visit.kept.input.nextVisitOn ?? addDays(visit.kept.on, 7));
  const [again, setAgain] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const answer = async (how: How) => {
    const refusal = await visit.say({ type: "resolve", id, how, text, ...(how === "carried" ? { on } : {}) });
    setError(refusal ? refusalSentence(refusal) : null);
    if (!refusal) setAgain(false);
  };
  if (outcome && !again)
    return (
      <Flex gap="10px" align="center" mt="6px">
        <Box flex="1" color="soft">
          {OUTCOME[outcome.how]}
          {outcome.on ? ` to ${sayDay(outcome.on)}` : ""}
        </Box>
        <QuietButton type="button" minH="48px" fontWeight="400" onClick={() => setAgain(true)}>
          Change
        </QuietButton>
      </Flex>
    );
  return (
    <>
      <Flex gap="6px" mt="6px" wrap="wrap" align="center">
        {(["fixed", "owner"] as const).map((how) => (
          <QuietButton key={how} type="button" minH="48px" onClick={() => answer(how)}>
            {OUTCOME[how]}
          </QuietButton>
        ))}
        <QuietButton type="button" minH="48px" onClick={() => answer("carried")}>
          Put off to
        </QuietButton>
        <TextInput
          type="date"
          aria-label={`Day for ${text}`}
          value={on}
          min={visit.kept.on}
          onChange={(e) => setOn(e.target.value)}
          w="150px"
          minH="48px"
        />
      </Flex>
      <Problem says={error} />
    </>
  );
}
