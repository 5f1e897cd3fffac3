"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { WaterPlan } from "@keel-round/core/change";
import { litresText } from "@keel-round/core/units";
import type { OpBody } from "@keel-round/core/visit";
import type { LiveVisit } from "@/device/useVisit";
import { QuietButton } from "@/kit/controls";
import { Amount } from "./Amount";
import { DIRT } from "./lastTime";
import { refusalSentence } from "./refusals";

/** Says an amount to the visit's log; a refusal as a sentence. */
const saying =
  (visit: LiveVisit, body: (canonical: number) => OpBody) =>
  async (canonical: number): Promise<string | null> => {
    const refusal = await visit.say(body(canonical));
    return refusal ? refusalSentence(refusal) : null;
  };

/** How far the water stands below its fill line. */
export function LevelEntry({ visit }: { visit: LiveVisit }) {
  const { units } = visit.kept;
  return (
    <Amount
      label="Below the fill line"
      unit="cm"
      logged={visit.state.belowMarkCm}
      expected={0}
      expectedWord="it stands at its fill line"
      units={units}
      onSay={saying(visit, (belowCm) => ({ type: "level", belowCm }))}
    >
      {visit.state.belowMarkCm !== null && visit.plan.water.missingL > 0.05 && (
        <Box color="soft" mt="6px">
          {litresText(visit.plan.water.missingL, units)} are missing
        </Box>
      )}
    </Amount>
  );
}

/** What each amount of a change is called, and what it should come to. */
const AMOUNTS = {
  outL: { label: "Litres taken out", of: (w: WaterPlan) => w.litres.value },
  inL: { label: "Litres put in", of: (w: WaterPlan) => w.pourL?.value ?? 0 },
  topUpL: { label: "Litres topped up", of: (w: WaterPlan) => w.freshL?.value ?? 0 },
} as const;

/** What was counted of a change. */
export function LitresEntry({ visit, which }: { visit: LiveVisit; which: keyof typeof AMOUNTS }) {
  const { units } = visit.kept;
  const { label, of } = AMOUNTS[which];
  return (
    <Amount
      label={label.replace("Litres", units.volume === "L" ? "Litres" : "Gallons")}
      unit="L"
      logged={visit.state.litres?.[which] ?? null}
      expected={of(visit.plan.water)}
      expectedWord="as planned"
      units={units}
      onSay={saying(visit, (litres) => ({ type: "litres", [which]: litres }))}
    />
  );
}

/** How dirty it was, from clean to filthy. */
export function DirtEntry({ visit, step }: { visit: LiveVisit; step: string }) {
  const now = visit.state.dirt[step];
  return (
    <Box mt="14px">
      <Box color="soft" mb="6px">
        How dirty was it? {now ? DIRT[now - 1] : ""}
      </Box>
      <Flex gap="6px">
        {DIRT.map((word, i) => (
          <QuietButton
            key={word}
            type="button"
            aria-label={word}
            aria-pressed={now === i + 1}
            flex="1"
            minH="52px"
            fontFamily="mono"
            fontSize="20px"
            px="0"
            {...(now === i + 1 ? { bg: "corallineWash", borderColor: "coralline" } : {})}
            onClick={() => visit.say({ type: "dirt", step, dirt: i + 1 })}
          >
            {i + 1}
          </QuietButton>
        ))}
      </Flex>
    </Box>
  );
}
