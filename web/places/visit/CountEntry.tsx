"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { AnimalGroup } from "@keel-round/core/tank";
import { parseNumber } from "@keel-round/core/units";
import type { LoggedCount } from "@keel-round/core/visit";
import { memo, useState } from "react";
import type { LiveVisit } from "@/device/useVisit";
import { Notice, Problem, QuietButton } from "@/kit/controls";
import { B } from "@/kit/elements";
import { Photos } from "./camera/Photos";
import { useDraft } from "./drafts";
import { refusalSentence } from "./refusals";
import { Stepper } from "./Stepper";

/** Groups that can be counted: those that the book has with an id. */
const countable = (visit: LiveVisit): (AnimalGroup & { readonly id: string })[] =>
  visit.kept.input.facts.animals.flatMap((a) => (a.id ? [{ ...a, id: a.id }] : []));

/** The animals of the tank, each counted by itself; a group that nobody counted stays empty. */
export const CountEntry = memo(Counts, (before, now) => {
  const [old, shown] = [before.visit, now.visit];
  return (
    old.kept === shown.kept &&
    old.state.counts === shown.state.counts &&
    old.state.photos === shown.state.photos &&
    old.photos === shown.photos
  );
});

function Counts({ visit }: { visit: LiveVisit }) {
  const groups = countable(visit);
  if (groups.length === 0)
    return (
      <Box mt="10px" color="soft">
        This tank has no list of its animals yet. It is made at the desk.
      </Box>
    );
  return (
    <Box mt="10px">
      {groups.map((group) => (
        <Group key={group.id} visit={visit} group={group} />
      ))}
    </Box>
  );
}

/** Whole animals, or nothing. */
const whole = (text: string): number | null => {
  const number = parseNumber(text);
  return number !== null && Number.isInteger(number) && number >= 0 && number <= 100_000 ? number : null;
};

function Group({ visit, group }: { visit: LiveVisit; group: AnimalGroup & { readonly id: string } }) {
  const logged = visit.state.counts.find((c) => c.animal === group.id);
  const of = logged?.of ?? group.count;
  const [text, setText] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const shown = text ?? (logged ? String(logged.seen) : "");
  const say = async (seen: number, dead: number): Promise<string | null> => {
    const refusal = await visit.say({ type: "count", animal: group.id, name: group.name, of, seen, dead });
    return refusal ? refusalSentence(refusal) : null;
  };
  /** Keeps what was typed; an emptied field is nobody's count. */
  const save = async (typed: string): Promise<boolean> => {
    if (typed.trim() === "") {
      if (logged) await visit.say({ type: "count-back", animal: group.id });
      setText(null);
      setError(null);
      return true;
    }
    const seen = whole(typed);
    const problem = seen === null ? "Enter whole animals, from 0." : await say(seen, logged?.dead ?? 0);
    setError(problem);
    if (problem === null) setText(null);
    return problem === null;
  };
  useDraft(async () => text === null || save(text));
  return (
    <Box py="8px" borderBottomWidth="1px" borderColor="rule" data-count={group.name}>
      <Flex align="center" gap="10px" wrap="wrap">
        <Box flex="1" minW="120px" fontSize="17px">
          {group.name}
        </Box>
        {!logged && text === null && (
          <QuietButton
            type="button"
            minH="48px"
            color="soft"
            fontWeight="400"
            aria-label={`${group.name}: ${of}, as last time`}
            onClick={() => save(String(of))}
          >
            {of} last time
          </QuietButton>
        )}
      </Flex>
      <Stepper
        label={`${group.name}, seen`}
        unit={`of ${of}`}
        value={shown}
        step={1}
        decimals={0}
        start={of}
        onChange={(next) => {
          setText(next);
          setError(null);
        }}
        onBump={(next) => void save(next)}
        onLeave={() => void (text !== null && save(text))}
      />
      {logged && <Missing count={logged} onDead={(dead) => say(logged.seen, dead)} />}
      {logged && <Photos visit={visit} spot={{ kind: "animal", id: group.id }} name={group.name} />}
      <Problem says={error} />
    </Box>
  );
}

/** Fewer than there should be: dead ones are said, the others are looked for again. */
function Missing({ count, onDead }: { count: LoggedCount; onDead: (dead: number) => Promise<string | null> }) {
  const { of, seen, dead, name } = count;
  const missing = of - seen - dead;
  if (missing <= 0 && dead === 0)
    return seen > of ? (
      <Box mt="6px" color="soft">
        {seen - of} more than last time.
      </Box>
    ) : null;
  return (
    <Box mt="8px" role="status">
      <Notice tone="care">
        {missing > 0 && (
          <>
            <B>{missing} not seen.</B> The next visit looks for {missing === 1 ? "it" : "them"} again.{" "}
          </>
        )}
        {dead > 0 && `${dead} found dead.`}
      </Notice>
      <Flex gap="8px" mt="8px">
        {missing > 0 && (
          <QuietButton type="button" minH="48px" onClick={() => onDead(dead + 1)} aria-label={`${name}: one is dead`}>
            One is dead
          </QuietButton>
        )}
        {dead > 0 && (
          <QuietButton type="button" minH="48px" fontWeight="400" onClick={() => onDead(dead - 1)}>
            One fewer dead
          </QuietButton>
        )}
      </Flex>
    </Box>
  );
}
