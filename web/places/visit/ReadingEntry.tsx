"use client";

import { Box, Flex } from "@chakra-ui/react";
import { type Parameter, parameterFacts, parseReading, unitFor } from "@keel-round/core/units";
import { withUnit } from "@keel-round/core/words";
import { useState } from "react";
import { v7 } from "uuid";
import type { LiveVisit } from "@/device/useVisit";
import { Choice, Notice, QuietButton } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { refusalSentence } from "./refusals";
import { Stepper } from "./Stepper";

function problemSentence(
  problem: Extract<ReturnType<typeof parseReading>, { ok: false }>["problem"],
  text: string,
): string {
  switch (problem.code) {
    case "not-a-number":
      return `“${text}” is not a number. Write it like 7.4.`;
    case "unknown-unit":
      return "Choose a unit.";
    case "implausible":
      return `${text} cannot be right: it lies between ${Number(problem.low.toFixed(3))} and ${Number(problem.high.toFixed(3))} ${problem.unit}.`;
    case "other-unit":
      return `${text} looks like ${problem.unit}. Choose that unit if it is.`;
  }
}

/** What a tank's school of tests is called among the methods of a parameter. */
const USUAL_METHOD = { strips: "strip", liquid: "liquid kit", photometer: "photometer" } as const;

/** Enters a reading: figure, unit and method; shows it back in the canonical unit before it counts. */
export function ReadingEntry({ visit, parameter }: { visit: LiveVisit; parameter: Parameter }) {
  const facts = parameterFacts[parameter];
  const { units } = visit.kept;
  const taken = visit.state.readings.filter((r) => r.parameter === parameter);
  const expected =
    visit.plan.water.after.find((e) => e.parameter === parameter)?.before ??
    visit.kept.input.readings.findLast((r) => r.parameter === parameter)?.value;
  const preferred = facts.units.find((u) => u.unit === unitFor(parameter, units)) ?? facts.units[0];
  const [unit, setUnit] = useState(preferred?.unit ?? facts.unit);
  const option = facts.units.find((u) => u.unit === unit) ?? facts.units[0];
  const [text, setText] = useState(
    expected !== undefined && option ? option.fromCanonical(expected).toFixed(option.decimals) : "",
  );
  const usual = USUAL_METHOD[visit.kept.input.book.schools.testMethod];
  const [method, setMethod] = useState(
    (facts.methods.find((m) => m.method === usual) ?? facts.methods[0])?.method ?? "",
  );
  const [error, setError] = useState<string | null>(null);
  const temperatureC =
    visit.state.readings.findLast((r) => r.parameter === "temperature")?.value ?? visit.kept.input.book.targetC;

  const enter = async () => {
    const entered = { parameter, text, unit, method, temperatureC };
    const parsed = parseReading(entered);
    if (!parsed.ok) return setError(problemSentence(parsed.problem, text));
    const refusal = await visit.say({ type: "reading", id: v7(), ...entered });
    setError(refusal ? refusalSentence(refusal) : null);
  };
  const step = option && option.unit !== facts.unit ? 10 ** -option.decimals : facts.step;
  const parsed = text ? parseReading({ parameter, text, unit, method, temperatureC }) : null;
  return (
    <Box>
      <Stepper
        label={facts.label}
        unit={unit}
        value={text}
        step={step}
        decimals={option?.decimals ?? 1}
        onChange={setText}
      />
      <Flex gap="8px" mt="10px">
        {facts.units.length > 1 && (
          <Choice value={unit} onChange={(e) => setUnit(e.target.value)} aria-label="Unit" minH="48px">
            {facts.units.map((u) => (
              <option key={u.unit}>{u.unit}</option>
            ))}
          </Choice>
        )}
        <Choice value={method} onChange={(e) => setMethod(e.target.value)} aria-label="Method" minH="48px">
          {facts.methods.map((m) => (
            <option key={m.method}>{m.method}</option>
          ))}
        </Choice>
        <QuietButton type="button" onClick={enter} minH="48px" px="20px" data-key="new-reading">
          Enter
        </QuietButton>
      </Flex>
      {error && (
        <Box role="alert" mt="8px">
          <Notice tone="danger">{error}</Notice>
        </Box>
      )}
      {parsed?.ok && unit !== facts.unit && (
        <Box color="soft" mt="6px">
          is {withUnit(parameter, parsed.value)}
        </Box>
      )}
      {taken.map((r) => (
        <Flex key={r.id} align="center" gap="10px" mt="8px" borderBottomWidth="1px" borderColor="rule" pb="6px">
          <Span fontFamily="mono" fontSize="20px" fontWeight="600">
            {withUnit(parameter, r.value, units)}
          </Span>
          <Span color="soft" flex="1">
            {r.text} {r.unit}, {r.method}
          </Span>
          <QuietButton type="button" minH="44px" onClick={() => visit.say({ type: "reading-back", id: r.id })}>
            Take back
          </QuietButton>
        </Flex>
      ))}
    </Box>
  );
}
