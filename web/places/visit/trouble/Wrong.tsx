"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { ClueCode } from "@keel-round/core/guide";
import { m, say } from "@keel-round/core/say";
import { stepDoing } from "@keel-round/core/steps";
import { type TroubleCode, todayFor } from "@keel-round/core/trouble";
import { planVisit, sayPlan } from "@keel-round/core/visit";
import { useMemo, useState } from "react";
import { v7 } from "uuid";
import type { LiveVisit } from "@/device/useVisit";
import { BarButton, Problem, QuietButton } from "@/kit/controls";
import { B, H2, Span } from "@/kit/elements";
import { GuideView } from "@/kit/trouble/GuideView";
import { duration } from "@/kit/words";
import { PartHeading } from "../PartHeading";
import { refusalSentence } from "../refusals";
import { ThumbBar } from "../ThumbBar";
import { Treat } from "./Treat";

/** "Something is wrong": what it may be, what is done about it today, and what the visit comes to with it. */
export default function Wrong({ visit, onBack }: { visit: LiveVisit; onBack: () => void }) {
  const changed = (visit.state.litres?.inL ?? 0) > 0;
  return (
    <>
      <Box px="18px" pt="12px">
        <PartHeading>Something is wrong</PartHeading>
        <Box color="soft" mb="10px">
          Tap what you see.
        </Box>
        <Found visit={visit} />
      </Box>
      <GuideView
        input={visit.input}
        units={visit.kept.units}
        changedToday={changed}
        footer={(trouble, seen, unseen) => (
          <Today key={trouble} visit={visit} trouble={trouble} seen={seen} unseen={unseen} onAdded={onBack} />
        )}
        below={<Treat visit={visit} onBegun={onBack} />}
        bar={(best) => (
          <ThumbBar>
            <Flex gap="8px">
              <QuietButton type="button" minH="48px" flexShrink={0} onClick={onBack}>
                Back
              </QuietButton>
              {best}
            </Flex>
          </ThumbBar>
        )}
      />
    </>
  );
}

/** What was found on this visit already; each may be taken back. */
function Found({ visit }: { visit: LiveVisit }) {
  return visit.state.troubles.map(({ id, trouble }) => {
    const name = say(m(`trouble.${trouble}`), visit.kept.units);
    return (
      <Flex key={id} align="center" gap="10px" py="6px" borderBottomWidth="1px" borderColor="rule" data-found={trouble}>
        <B flex="1">{name}</B>
        <QuietButton
          type="button"
          minH="48px"
          fontWeight="400"
          aria-label={`Take back: ${name}`}
          onClick={() => visit.say({ type: "trouble-back", id })}
        >
          Take back
        </QuietButton>
      </Flex>
    );
  });
}

interface Chosen {
  readonly visit: LiveVisit;
  readonly trouble: TroubleCode;
  readonly seen: readonly ClueCode[];
  readonly unseen: readonly ClueCode[];
  readonly onAdded: () => void;
}

/** What would be done today, with what it takes, and the press that puts it into the visit. */
function Today({ visit, trouble, seen, unseen, onAdded }: Chosen) {
  const [error, setError] = useState<string | null>(null);
  const known = visit.state.troubles.some((t) => t.trouble === trouble);
  const { steps, moreMinutes } = useMemo(() => {
    const plan = planVisit({ ...visit.input, troubles: [...(visit.input.troubles ?? []), { id: "tried", trouble }] });
    const said = sayPlan(plan, visit.kept.units);
    return {
      // What the visit does anyway is named too: nobody wonders where it is.
      steps: todayFor([trouble], visit.input).flatMap((code) => stepDoing(said.steps, code) ?? []),
      moreMinutes: Math.max(0, plan.minutes - visit.plan.minutes),
    };
  }, [visit.input, visit.plan.minutes, visit.kept.units, trouble]);
  const add = async () => {
    const refusal = await visit.say({ type: "trouble", id: v7(), trouble, seen: [...seen], unseen: [...unseen] });
    setError(refusal ? refusalSentence(refusal) : null);
    if (!refusal) onAdded();
  };
  return (
    <Box mt="14px" data-today-for={trouble}>
      <Flex justify="space-between" align="baseline" borderBottomWidth="1px" borderColor="ruleStrong" pb="4px">
        <H2 fontSize="17px" fontWeight="640">
          Today
        </H2>
        {!known && moreMinutes >= 1 && <Span color="soft">{duration(moreMinutes)} more</Span>}
      </Flex>
      {steps.map((s) => (
        <Flex key={s.id} gap="10px" py="7px" borderBottomWidth="1px" borderColor="rule" fontSize="16px">
          <Span flex="1">{s.title}</Span>
          <Span color="soft" whiteSpace="nowrap">
            {s.minutes >= 1 ? duration(s.minutes) : ""}
          </Span>
        </Flex>
      ))}
      <Problem says={error} />
      <Box mt="12px">
        {known ? <Box color="soft">It is in this visit.</Box> : <BarButton onClick={add}>Add to this visit</BarButton>}
      </Box>
    </Box>
  );
}
