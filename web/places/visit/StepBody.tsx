"use client";

import { Box } from "@chakra-ui/react";
import type { Entry, SaidStep } from "@keel-round/core/steps";
import { quantity, quantityText } from "@keel-round/core/units";
import { useMemo } from "react";
import type { LiveVisit } from "@/device/useVisit";
import { Notice } from "@/kit/controls";
import { B, Details, Summary } from "@/kit/elements";
import { CountEntry } from "./CountEntry";
import { Photos } from "./camera/Photos";
import { StepClock } from "./clocks/StepClock";
import { DoseEntry, DoseFigure } from "./Dose";
import { DrainGate } from "./DrainGate";
import { beforeTheDrain, drains } from "./drainGate";
import { DirtEntry, LevelEntry, LitresEntry } from "./entries";
import { Figure, Opened } from "./Figure";
import { FindingAnswer } from "./FindingAnswer";
import { GearEntry } from "./Gear";
import { lastTimeLine } from "./lastTime";
import { MarkFigure } from "./MarkFigure";
import { MixFigure } from "./MixFigure";
import { RefillFigure, TopUpFigure } from "./PourFigures";
import { ReadingEntry } from "./ReadingEntry";

/** Everything of a step between its title and its buttons. */
export function StepBody({ visit, step }: { visit: LiveVisit; step: SaidStep }) {
  const missing = useMemo(() => (drains(step) ? beforeTheDrain(visit) : []), [visit, step]);
  return missing.length > 0 ? <DrainGate visit={visit} missing={missing} /> : <WholeStep visit={visit} step={step} />;
}

function WholeStep({ visit, step }: { visit: LiveVisit; step: SaidStep }) {
  const { plan, kept } = visit;
  const { units } = kept;
  const { water } = plan;
  return (
    <Box>
      {step.figure === "mark" && water.mark && <MarkFigure key={water.litres.value} visit={visit} step={step} />}
      {step.figure === "litres" && (
        <Figure of={quantity(water.litres.value, "L", units, 0)} after=", in and out together" />
      )}
      {step.figure === "bed" && water.bedL > 0 && (
        <Figure of={quantity(water.bedL, "L", units, 0)} after=" of the drain leave with the dirt" />
      )}
      {step.figure === "temperature" && water.refillC && (
        <>
          <Figure of={quantity(water.refillC.value, "°C", units)} />
          {water.halfWayC && (
            <Box fontSize="18px" mt="6px">
              half-way it reads <B fontFamily="mono">{quantityText(water.halfWayC.value, "°C", units)}</B>
            </Box>
          )}
          <Opened of={[water.refillC, water.halfWayC ?? null]} units={units} />
        </>
      )}
      {step.figure === "mix" && <MixFigure visit={visit} />}
      {step.figure === "refill" && <RefillFigure visit={visit} />}
      {step.figure === "dose" && <DoseFigure visit={visit} step={step} />}
      {step.figure === "top-up" && <TopUpFigure visit={visit} />}
      <StepClock visit={visit} step={step} />
      <Before visit={visit} step={step} />
      {step.craft && (
        <Box mt="10px" fontSize="17px" data-craft="">
          {step.craft}
        </Box>
      )}
      {step.caution && (
        <Box mt="12px" fontSize="16.5px">
          <Notice tone="care">{step.caution}</Notice>
        </Box>
      )}
      {step.enters?.map((entry) => (
        <EntryOf key={JSON.stringify(entry)} visit={visit} step={step.id} entry={entry} />
      ))}
      {step.confirms?.off && <GearEntry visit={visit} step={step} turn="off" />}
      {step.confirms?.on && <GearEntry visit={visit} step={step} turn="on" />}
      <Details mt="12px" fontSize="16px" color="soft" open={step.phase === "arrive" || step.held !== undefined}>
        <Summary fontWeight="600" color="coralline" minH="48px">
          Why
        </Summary>
        {step.reason}
        {step.kit.length > 0 && <Box mt="4px">Kit: {step.kit.join(", ")}.</Box>}
        {!step.held && <Photos visit={visit} spot={{ kind: "step", id: step.id }} name="this work" />}
      </Details>
    </Box>
  );
}

/** The field for what a step asks to be written down. */
function EntryOf({ visit, step, entry }: { visit: LiveVisit; step: string; entry: Entry }) {
  if ("reading" in entry) return <ReadingEntry visit={visit} parameter={entry.reading} />;
  if ("settles" in entry) return <FindingAnswer visit={visit} id={entry.settles} />;
  if ("dose" in entry) return <DoseEntry visit={visit} parameter={entry.dose} />;
  if ("litres" in entry) return <LitresEntry visit={visit} which={entry.litres} />;
  if (entry.noted === "level") return <LevelEntry visit={visit} />;
  if (entry.noted === "photo")
    return <Photos visit={visit} spot={{ kind: "tank", id: "" }} name="the tank from its place" />;
  return entry.noted === "dirt" ? <DirtEntry visit={visit} step={step} /> : <CountEntry visit={visit} />;
}

/** What became of it when somebody was last here with it. */
function Before({ visit, step }: { visit: LiveVisit; step: SaidStep }) {
  const last = visit.kept.lastTime?.[step.id];
  if (!last) return null;
  return (
    <Box mt="10px" fontSize="15px" color="soft" data-last-time="">
      {lastTimeLine(last)}
    </Box>
  );
}
