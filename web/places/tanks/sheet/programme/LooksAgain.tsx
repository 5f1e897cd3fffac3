"use client";

import { Box, Flex } from "@chakra-ui/react";
import { addDays, sayDay } from "@keel-round/core/calendar";
import type { LookAgain } from "@/data/visit/told";
import { Problem, QuietButton, SubHead } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { useAsk } from "@/kit/useAsk";
import type { endTroubleAction } from "../../actions";

/** Troubles that are looked at again, each with its window; what nobody looked at in time warns. */
export function LooksAgain({
  tankId,
  looks,
  today,
  end,
}: {
  tankId: string;
  looks: readonly LookAgain[];
  today: string;
  end: typeof endTroubleAction | null;
}) {
  if (looks.length === 0) return null;
  return (
    <Box mb="18px" maxW="72ch">
      <SubHead>Looked at again</SubHead>
      {looks.map((look) => (
        <One key={look.id} tankId={tankId} look={look} today={today} end={end} />
      ))}
    </Box>
  );
}

function One({
  tankId,
  look,
  today,
  end,
}: {
  tankId: string;
  look: LookAgain;
  today: string;
  end: typeof endTroubleAction | null;
}) {
  const { disabled, problem, ask } = useAsk();
  const late = look.dueOn !== null && addDays(look.dueOn, look.giveDays) < today;
  return (
    <Box borderBottomWidth="1px" borderColor="rule" py="8px" data-look-again={look.trouble}>
      <Flex align="baseline" gap="12px" wrap="wrap">
        <Span flex="1" minW="200px" fontWeight="600">
          {look.text}
          <Span color="soft" fontWeight="400">
            , seen on {sayDay(look.seenOn)}
          </Span>
        </Span>
        <Span color={late ? "ochre" : "soft"} fontWeight={late ? "600" : "400"}>
          {windowOf(look)}
          {late ? ": nobody has looked again" : ""}
        </Span>
        {end && (
          <QuietButton
            type="button"
            disabled={disabled}
            aria-label={`Over: ${look.text}`}
            onClick={() => ask(end({ tankId, findingId: look.id }))}
          >
            Over
          </QuietButton>
        )}
      </Flex>
      <Problem says={problem} />
    </Box>
  );
}

function windowOf({ dueOn, giveDays }: LookAgain): string {
  if (dueOn === null) return "on the next visit";
  return giveDays === 0
    ? sayDay(dueOn)
    : `${sayDay(dueOn)}, between ${sayDay(addDays(dueOn, -giveDays))} and ${sayDay(addDays(dueOn, giveDays))}`;
}
