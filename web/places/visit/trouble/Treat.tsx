"use client";

import { Box, Flex } from "@chakra-ui/react";
import { say } from "@keel-round/core/say";
import { litresNow } from "@keel-round/core/steps";
import { mayBegin, type Remedy } from "@keel-round/core/treatment";
import { useState } from "react";
import { v7 } from "uuid";
import type { LiveVisit } from "@/device/useVisit";
import { BarButton, Choice, Notice, Problem, QuietButton } from "@/kit/controls";
import { B, Details, Summary } from "@/kit/elements";
import { CourseDays } from "@/kit/trouble/CourseDays";
import { refusalSentence } from "../refusals";

/** A course of treatment: chosen from what the firm treats with, told with its days, begun, and taken back. */
export function Treat({ visit, onBegun }: { visit: LiveVisit; onBegun: () => void }) {
  const { input, kept, state } = visit;
  const [id, setId] = useState("");
  const remedy = input.remedies?.find((r) => r.id === id);
  if (state.treated) return <Begun visit={visit} begun={state.treated} />;
  return (
    <Details mt="18px" data-treat="">
      <Summary fontSize="17px" fontWeight="640" minH="48px">
        Start a treatment
      </Summary>
      {(input.remedies ?? []).length === 0 ? (
        <Box color="soft">The firm has no remedies in its register yet. The office enters them at the desk.</Box>
      ) : (
        <Choice aria-label="Remedy" value={id} minH="48px" onChange={(e) => setId(e.target.value)}>
          <option value="">Choose a remedy</option>
          {input.remedies?.map((r) => (
            <option key={r.id} value={r.id}>
              {r.name}
            </option>
          ))}
        </Choice>
      )}
      {input.facts.treatment && input.on <= input.facts.treatment.followUpOn && (
        <Box mt="10px">
          <B>{input.facts.treatment.name}</B> runs already.
          <CourseDays course={input.facts.treatment} units={kept.units} today={input.on} />
        </Box>
      )}
      {remedy && <Begin key={id} visit={visit} remedy={remedy} onBegun={onBegun} />}
    </Details>
  );
}

function Begin({ visit, remedy, onBegun }: { visit: LiveVisit; remedy: Remedy; onBegun: () => void }) {
  const { input, kept } = visit;
  const [error, setError] = useState<string | null>(null);
  const litres = litresNow(input);
  const answer = mayBegin(remedy, { facts: input.facts, on: input.on, litresNow: litres });
  const begin = async () => {
    const refusal = await visit.say({ type: "treat", id: v7(), remedy, litres, on: input.on });
    setError(refusal ? refusalSentence(refusal) : null);
    if (!refusal) onBegun();
  };
  if (!answer.ok)
    return (
      <Box mt="10px" role="alert" data-must-not="">
        <Notice tone="danger">{answer.reasons.map((r) => say(r, kept.units)).join(" ")}</Notice>
      </Box>
    );
  return (
    <Box mt="12px">
      <CourseDays course={answer.course} units={kept.units} today={input.on} />
      {answer.cares.map((care) => (
        <Box key={say(care, kept.units)} mt="8px">
          <Notice tone="care">{say(care, kept.units)}</Notice>
        </Box>
      ))}
      <Problem says={error} />
      <BarButton mt="12px" onClick={begin}>
        Begin the course
      </BarButton>
    </Box>
  );
}

/** The course that began on this visit. */
function Begun({ visit, begun }: { visit: LiveVisit; begun: NonNullable<LiveVisit["state"]["treated"]> }) {
  const course = visit.input.facts.treatment;
  return (
    <Box mt="18px" data-begun={begun.remedy.name}>
      <Flex align="center" gap="10px">
        <B flex="1">{begun.remedy.name} began on this visit</B>
        <QuietButton
          type="button"
          minH="48px"
          fontWeight="400"
          aria-label={`Take back: ${begun.remedy.name}`}
          onClick={() => visit.say({ type: "treat-back", id: begun.id })}
        >
          Take back
        </QuietButton>
      </Flex>
      {course && <CourseDays course={course} units={visit.kept.units} today={visit.input.on} />}
    </Box>
  );
}
