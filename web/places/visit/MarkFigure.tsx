"use client";

import { Box, Flex } from "@chakra-ui/react";
import { planChange } from "@keel-round/core/change";
import { markCmOf, tankOnDay } from "@keel-round/core/given";
import type { SaidStep } from "@keel-round/core/steps";
import { inSentence } from "@keel-round/core/text";
import { litresText, parameterFacts, quantity, quantityText, withUnit } from "@keel-round/core/units";
import { limitSentence } from "@keel-round/core/words";
import { useMemo, useState } from "react";
import type { LiveVisit } from "@/device/useVisit";
import { Problem, QuietButton } from "@/kit/controls";
import { B } from "@/kit/elements";
import { Exposed, MarkedSection } from "@/kit/MarkedSection";
import { fallenL } from "./clocks/clockModel";
import { clockId, useClocks } from "./clocks/useClocks";
import { Figure, Opened } from "./Figure";
import { refusalSentence } from "./refusals";

/** The mark to drain to, on a section whose mark can be moved: what it would be at another one, and the choice of it. */
export function MarkFigure({ visit, step }: { visit: LiveVisit; step: SaidStep }) {
  const { input, kept, plan, state } = visit;
  const { units } = kept;
  const [trial, setTrial] = useState<number | null>(null);
  const [error, setError] = useState<string | null>(null);
  const falling = useFalling(visit, step);
  const water = useMemo(() => (trial === null ? plan.water : planChange(input, trial)), [input, plan.water, trial]);
  if (!water.mark && trial === null) return null;
  const choose = async (litres: number | null) => {
    const refusal = await visit.say({ type: "choose", litres });
    setError(refusal ? refusalSentence(refusal) : null);
    if (!refusal) setTrial(null);
  };
  return (
    <>
      <Figure
        of={quantity(water.mark?.value ?? 0, "cm", units)}
        after={` from the rim${water.markOn === "sump" ? " of the return chamber" : ""}`}
      />
      <Box fontSize="18px" mt="6px">
        <B fontFamily="mono">{quantityText(water.litres.value, "L", units, 0)}</B>, {water.fills?.value ?? 1} fills,
        about {Math.max(1, Math.round(water.drainMinutes))} min
      </Box>
      <Opened of={[water.mark, water.litres]} units={units} />
      <Box mt="12px">
        <MarkedSection
          input={input}
          water={water}
          units={units}
          width={354}
          small
          nowCm={falling?.cm ?? null}
          onLitres={setTrial}
        />
      </Box>
      {falling && (
        <Box mt="6px" fontSize="16px" data-falling="">
          By the clock {litresText(falling.litres, units)} are out; the water should stand{" "}
          {quantityText(falling.cm, "cm", units)} from the rim. Look whether it does.
        </Box>
      )}
      <Exposed bare={water.exposed} />
      {trial !== null && (
        <Box mt="8px" fontSize="16px" role="status">
          {water.after.slice(0, 3).map((e) => (
            <Box key={e.parameter}>
              {inSentence(parameterFacts[e.parameter].label)} {withUnit(e.parameter, e.after.value, units)} after
            </Box>
          ))}
          {water.binding && (
            <Box color="vermilion" fontWeight="620">
              Too far: {limitSentence(water.binding, units)}
            </Box>
          )}
          <Flex gap="8px" mt="8px">
            <QuietButton
              type="button"
              minH="48px"
              flex="1"
              disabled={water.binding !== null}
              onClick={() => choose(Math.round(trial * 10) / 10)}
            >
              Drain to this line
            </QuietButton>
            <QuietButton type="button" minH="48px" onClick={() => setTrial(null)}>
              As planned
            </QuietButton>
          </Flex>
        </Box>
      )}
      {trial === null && state.chosenL !== undefined && state.chosenL !== null && (
        <QuietButton type="button" minH="48px" mt="8px" onClick={() => choose(null)}>
          Back to the plan's own line
        </QuietButton>
      )}
      <Problem says={error} />
    </>
  );
}

/** Where the water stands by the drain's running clock; null while none runs, or where it does not fall. */
function useFalling({ input, plan, kept }: LiveVisit, step: SaidStep): { litres: number; cm: number } | null {
  const { running, now } = useClocks();
  const tank = useMemo(() => tankOnDay(input), [input]);
  const clock = running.find((c) => c.id === clockId(kept.visitId, step.id));
  if (!clock) return null;
  const litres = fallenL(clock, now, plan.water.litres.value - plan.water.pumpsOnL);
  const cm = markCmOf(tank.facts, tank.standing, litres);
  return cm === null ? null : { litres, cm };
}
