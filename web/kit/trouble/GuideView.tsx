"use client";

import { Box, Flex, Grid } from "@chakra-ui/react";
import { sayDay } from "@keel-round/core/calendar";
import type { PlanInput } from "@keel-round/core/given";
import type { ClueCode, Ranked } from "@keel-round/core/guide";
import { m, type PlainCode, say } from "@keel-round/core/say";
import { inSentence } from "@keel-round/core/text";
import { lookAgainOn, neverHere, type TroubleCode, troubleOf } from "@keel-round/core/trouble";
import type { UnitPreference } from "@keel-round/core/units";
import { memo, useDeferredValue, useRef, useState } from "react";
import { Notice, QuietButton } from "@/kit/controls";
import { B, Button, H2, Span } from "@/kit/elements";
import { LookPicture } from "./LookPicture";
import { type Guide, useGuide } from "./useGuide";

interface Asked {
  readonly input: PlanInput;
  readonly units: UnitPreference;
  /** Whether new water went in on this visit. */
  readonly changedToday?: boolean;
  /** What may be done with the trouble that is chosen. */
  readonly footer: (trouble: TroubleCode, seen: readonly ClueCode[], unseen: readonly ClueCode[]) => React.ReactNode;
  /** What stands below it all. */
  readonly below?: React.ReactNode;
  /** What stands at the thumb: with what is likeliest so far, and the way down to it. */
  readonly bar?: (best: React.ReactNode) => React.ReactNode;
}

/** What may be wrong with a tank: pictures to tap, what follows from them and from its own data, and what to do. */
export function GuideView({ input, units, changedToday = false, footer, below, bar }: Asked) {
  const result = useRef<HTMLDivElement>(null);
  const guide = useGuide(input, changedToday);
  const [chosen, setChosen] = useState<TroubleCode | null>(null);
  const open = guide.ranked.find((r) => r.trouble === chosen) ?? guide.ranked[0];
  // What it is comes at once, what is done about it with the next frame: nobody reads the second before the first.
  const told = useDeferredValue(open?.trouble ?? null, null);
  const said = (yes: boolean) =>
    (Object.entries(guide.answers) as [ClueCode, boolean][]).flatMap(([clue, is]) => (is === yes ? [clue] : []));
  return (
    <>
      <Box px="18px" pb="14px" flex="1">
        <Pictures guide={guide} units={units} />
        <Box ref={result} role="status" aria-live="polite" mt="14px" scrollMarginTop="12px" data-ranked="">
          {guide.ranked.map((r, i) => (
            <Row
              key={r.trouble}
              place={i + 1}
              ranked={r}
              open={r === open}
              guide={guide}
              units={units}
              onOpen={() => setChosen(r.trouble)}
            />
          ))}
        </Box>
        {told && <WhatToDo trouble={told} input={input} units={units} />}
        {told && footer(told, said(true), said(false))}
        {below}
      </Box>
      {bar?.(
        guide.ranked[0] && (
          <QuietButton
            type="button"
            minH="48px"
            w="100%"
            borderColor="coralline"
            onClick={() => result.current?.scrollIntoView({ block: "start" })}
            data-best=""
          >
            {say(m(`trouble.${guide.ranked[0].trouble}`), units)}: {CHANCE[guide.ranked[0].chance]}
          </QuietButton>
        ),
      )}
    </>
  );
}

/** What can be seen, as pictures: one tap each, and a second one takes it back. */
function Pictures({ guide, units }: { guide: Guide; units: UnitPreference }) {
  return (
    <Grid templateColumns="repeat(auto-fill, minmax(104px, 1fr))" gap="8px" role="group" aria-label="What is seen">
      {guide.pictures.map((clue) => (
        <Picture key={clue} clue={clue} on={guide.answers[clue] === true} units={units} onTell={guide.say} />
      ))}
    </Grid>
  );
}

/** One of them; drawn anew only where its own answer is another one. */
const Picture = memo(function Picture({
  clue,
  on,
  units,
  onTell,
}: {
  clue: ClueCode;
  on: boolean;
  units: UnitPreference;
  onTell: Guide["say"];
}) {
  return (
    <Button
      type="button"
      aria-pressed={on}
      onClick={() => onTell(clue, on ? undefined : true)}
      p="5px 4px 6px"
      rounded="s"
      borderWidth={on ? "3px" : "1px"}
      m={on ? "0" : "2px"}
      borderColor={on ? "coralline" : "ruleStrong"}
      bg={on ? "corallineWash" : "sheet"}
      cursor="pointer"
      textAlign="center"
      fontSize="14px"
      fontWeight={on ? "640" : "480"}
      lineHeight="1.15"
      data-look={clue}
    >
      <LookPicture clue={clue} />
      {say(m(`clue.${clue}` as PlainCode), units)}
    </Button>
  );
});

const CHANCE = { likely: "likely", possible: "possible", unlikely: "less likely" } as const;
/** Of what speaks for and against so much is shown at once. */
const MOST_TOLD = 4;

function Row({
  place,
  ranked,
  open,
  guide,
  units,
  onOpen,
}: {
  place: number;
  ranked: Ranked;
  open: boolean;
  guide: Guide;
  units: UnitPreference;
  onOpen: () => void;
}) {
  const words = (clue: ClueCode) => say(guide.words(clue), units);
  const against = ranked.cons[0];
  // The order comes with the tap, its reasons with the next frame.
  const detail = useDeferredValue(open ? ranked : null, null);
  return (
    <Box borderBottomWidth="1px" borderColor="rule" py="8px" data-trouble={ranked.trouble}>
      <Button
        type="button"
        aria-expanded={open}
        onClick={onOpen}
        w="100%"
        minH="44px"
        bg="transparent"
        cursor="pointer"
        textAlign="left"
      >
        <Flex gap="10px" align="baseline">
          <Span fontFamily="mono" fontSize="18px" color={open ? "ink" : "soft"}>
            {place}
          </Span>
          <Span flex="1" fontSize={open ? "20px" : "17px"} fontWeight={open ? "660" : "480"} lineHeight="1.2">
            {say(m(`trouble.${ranked.trouble}`), units)}
          </Span>
          <Span fontSize="14.5px" fontWeight={open ? "640" : "400"} color={open ? "ink" : "soft"}>
            {open || !against ? CHANCE[ranked.chance] : `− ${inSentence(words(against))}`}
          </Span>
        </Flex>
      </Button>
      {detail && <Reasons place={place} ranked={detail} guide={guide} units={units} words={words} />}
    </Box>
  );
}

/** What speaks for and against it, and the question that would tell most. */
function Reasons({
  place,
  ranked,
  guide,
  units,
  words,
}: {
  place: number;
  ranked: Ranked;
  guide: Guide;
  units: UnitPreference;
  words: (clue: ClueCode) => string;
}) {
  return (
    <Box mt="2px" fontSize="16px">
      {ranked.pros.slice(0, MOST_TOLD).map((clue) => (
        <Evidence key={clue} sign="+" label="speaks for it">
          {words(clue)}
        </Evidence>
      ))}
      {ranked.cons.slice(0, MOST_TOLD).map((clue) => (
        <Evidence key={clue} sign="−" label="speaks against it">
          {words(clue)}
        </Evidence>
      ))}
      {place === 1 && guide.next && <Question clue={guide.next} guide={guide} units={units} />}
    </Box>
  );
}

function Evidence({ sign, label, children }: { sign: string; label: string; children: React.ReactNode }) {
  return (
    <Flex gap="12px" color={sign === "+" ? "ink" : "soft"} py="2px">
      <Span fontWeight="700" w="12px" aria-hidden="true">
        {sign}
      </Span>
      <Span>
        <Span className="sr-only">{label}: </Span>
        {children}
      </Span>
    </Flex>
  );
}

/** The one look or test that would tell most, with its two answers. */
function Question({ clue, guide, units }: { clue: ClueCode; guide: Guide; units: UnitPreference }) {
  return (
    <Box mt="6px" data-tells={clue}>
      <Flex gap="12px">
        <Span fontWeight="700" color="coralline" w="12px" aria-hidden="true">
          ?
        </Span>
        <Span>
          <B color="coralline">Tells most:</B> {say(m(`clue.${clue}.ask` as PlainCode), units)}
        </Span>
      </Flex>
      <Flex gap="8px" mt="6px" pl="24px">
        <QuietButton type="button" minH="48px" flex="1" onClick={() => guide.say(clue, true)}>
          Yes
        </QuietButton>
        <QuietButton type="button" minH="48px" flex="1" onClick={() => guide.say(clue, false)}>
          No
        </QuietButton>
      </Flex>
    </Box>
  );
}

/** Why it comes, what must not be done, when it is looked at again, and who is asked where a technician's knowledge ends. */
const WhatToDo = memo(function WhatToDo({
  trouble,
  input,
  units,
}: {
  trouble: TroubleCode;
  input: PlanInput;
  units: UnitPreference;
}) {
  const { refer, owner } = troubleOf(trouble);
  const words = (code: string) => say(m(code as PlainCode), units);
  const never = neverHere(trouble, input);
  const again = lookAgainOn(trouble, input.on);
  return (
    <Box mt="10px" fontSize="16px">
      <Box>{words(`trouble.${trouble}.why`)}</Box>
      {never.map((message) => (
        <Box key={say(message, units)} mt="8px">
          <Notice tone="care">{say(message, units)}</Notice>
        </Box>
      ))}
      {owner && (
        <Box mt="8px">
          <B>The owner: </B>
          {words(`trouble.${trouble}.owner`)}
        </Box>
      )}
      <Box mt="8px" color="coralline" fontWeight="600" data-again="">
        Look again {again.map((a) => sayDay(a.on)).join(" and ")}.
      </Box>
      {refer && (
        <Box mt="8px" color="soft">
          {words(`refer.${refer}`)}
        </Box>
      )}
      <H2 className="sr-only">{words(`trouble.${trouble}`)}</H2>
    </Box>
  );
});
