"use client";

import { Box, Flex } from "@chakra-ui/react";
import { planChange, planWater, type WaterPlan } from "@keel-round/core/change";
import { FieldError, parseDecimal } from "@keel-round/core/desk";
import { litresOfMark, markPlace, type PlanInput, tankOnDay } from "@keel-round/core/given";
import { practised } from "@keel-round/core/tank";
import { figure, litresText, showLength, showVolume, type UnitPreference } from "@keel-round/core/units";
import { limitSentence } from "@keel-round/core/words";
import { type ReactNode, useMemo, useState } from "react";
import { QuietButton, SubHead, TextInput } from "./controls";
import { Label, Span } from "./elements";
import { latestOf } from "./latest";
import { Exposed, MarkedSection } from "./MarkedSection";
import { PlanView } from "./PlanView";
import { useHydrated } from "./useHydrated";
import { ReadingsOnBands, WaterFigures } from "./WaterFigures";

/**
 * The section with its drain mark to be moved, and everything that follows from where it stands: litres, share, fills,
 * readings after, what meets the air and for how long, and the limit that binds.
 */
export function WaterAtMark({
  input: given,
  heading,
  sector,
  units,
  children,
  foot,
}: {
  input: PlanInput;
  heading: string;
  sector?: number | undefined;
  units: UnitPreference;
  /** What else is to be seen under the drawing. */
  children?: ReactNode;
  /** What may be done with the change that the mark stands for. */
  foot?: (water: WaterPlan, input: PlanInput) => ReactNode;
}) {
  const [pumpOn, setPumpOn] = useState(given.facts.practice.how === "from-sump");
  const [trial, setTrial] = useState<number | null>(null);
  const input = useMemo(() => tankOnDay(withPump(given, pumpOn)).input, [given, pumpOn]);
  const planned = useMemo(() => planWater(input), [input]);
  const water = useMemo(() => (trial === null ? planned : planChange(input, trial)), [input, planned, trial]);
  const { facts } = input;
  const place = markPlace(facts);
  return (
    <Flex gap="26px" direction={{ base: "column", xl: "row" }} align="flex-start">
      <Box flex="1" minW="0" w="100%">
        <MarkedSection
          input={input}
          water={water}
          {...(sector ? { sector } : {})}
          units={units}
          width={620}
          onLitres={setTrial}
        />
        <Controls
          input={input}
          water={water}
          units={units}
          tried={trial !== null}
          onLitres={setTrial}
          onPlanned={() => setTrial(null)}
        />
        {facts.sump && place !== "none" && (
          <Label display="flex" gap="8px" fontSize="14px" mt="6px">
            <input
              type="checkbox"
              checked={pumpOn}
              onChange={(e) => {
                setPumpOn(e.target.checked);
                setTrial(null);
              }}
            />
            Return pump runs: the display stays at its weir, and the drain line is on the return chamber
          </Label>
        )}
        <Exposed bare={water.exposed} />
        <PlanView vessel={facts.display.vessel} width={150} />
        {children}
      </Box>
      <Box w={{ base: "100%", xl: "447px" }} flexShrink={0} data-figures="">
        <SubHead>{trial === null ? heading : "At this line"}</SubHead>
        {trial !== null && water.binding && (
          <Box color="vermilion" fontWeight="620" fontSize="14px" pt="8px">
            Too far: {limitSentence(water.binding, units)}
          </Box>
        )}
        <WaterFigures water={water} units={units} />
        <ReadingsOnBands facts={facts} water={water} latest={latestOf(input)} units={units} />
        {foot?.(water, input)}
      </Box>
    </Flex>
  );
}

/** The plan's input with the return pump running or stopped while the water is taken. */
function withPump(input: PlanInput, on: boolean): PlanInput {
  const { how } = input.facts.practice;
  if (!input.facts.sump || (how === "from-sump") === on) return input;
  const next = on ? ("from-sump" as const) : how === "from-sump" ? ("drain-then-fill" as const) : how;
  return { ...input, facts: practised({ ...input.facts, practice: { ...input.facts.practice, how: next } }) };
}

/** The mark and the litres as they are typed; what is typed moves the mark. */
function Controls({
  input,
  water,
  units,
  tried,
  onLitres,
  onPlanned,
}: {
  input: PlanInput;
  water: WaterPlan;
  units: UnitPreference;
  tried: boolean;
  onLitres: (litres: number) => void;
  onPlanned: () => void;
}) {
  const hydrated = useHydrated();
  const [typed, setTyped] = useState<{ readonly field: "mark" | "litres"; readonly text: string } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const perCm = showLength(1, units.length);
  const perLitre = showVolume(1, units.volume);
  const shown = {
    mark: water.mark ? figure(water.mark.value * perCm, 1) : "",
    litres: figure(water.litres.value * perLitre, 1),
  };
  const take = (field: "mark" | "litres", text: string) => {
    setTyped({ field, text });
    try {
      const value = parseDecimal(text, units.decimal);
      const litres =
        field === "litres"
          ? value / perLitre
          : litresOfMark(input.facts, tankOnDay(input).standing, value / perCm) + water.pumpsOnL;
      if (litres < 0 || litres > water.systemL.value)
        return setProblem(`The system holds ${litresText(water.systemL.value, units)}.`);
      setProblem(null);
      onLitres(litres);
    } catch (error) {
      if (!(error instanceof FieldError)) throw error;
      setProblem(error.message);
    }
  };
  const input_ = (field: "mark" | "litres", label: string, unit: string) => (
    <Flex gap="8px" align="center">
      <Label htmlFor={`trial-${field}`} color="soft" fontSize="14px">
        {label}
      </Label>
      <TextInput
        id={`trial-${field}`}
        inputMode="decimal"
        w="92px"
        fontFamily="mono"
        disabled={!hydrated}
        value={typed?.field === field ? typed.text : shown[field]}
        onChange={(e) => take(field, e.target.value)}
        onBlur={() => {
          setTyped(null);
          setProblem(null);
        }}
        aria-invalid={problem !== null && typed?.field === field}
      />
      <Span color="soft">{unit}</Span>
    </Flex>
  );
  return (
    <Box mt="10px">
      <Flex gap="10px 22px" wrap="wrap" align="center">
        {markPlace(input.facts) !== "none" && input_("mark", "Drain line from the rim", units.length)}
        {input_("litres", "Take out", units.volume)}
        {tried && (
          <QuietButton type="button" onClick={onPlanned}>
            As planned
          </QuietButton>
        )}
      </Flex>
      {problem && (
        <Box role="alert" color="vermilion" fontWeight="600" fontSize="13.5px" mt="4px">
          {problem}
        </Box>
      )}
    </Box>
  );
}
