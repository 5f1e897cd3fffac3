"use client";

import { Box, Flex } from "@chakra-ui/react";
import { sayDay } from "@keel-round/core/calendar";
import { oddOf } from "@keel-round/core/given";
import { type Parameter, parameterFacts, parseReading, showReading, unitFor } from "@keel-round/core/units";
import { totalAmmoniaForMgL } from "@keel-round/core/water";
import { checkSentence, offerSentence, withUnit } from "@keel-round/core/words";
import { useState } from "react";
import { v7 } from "uuid";
import type { LiveVisit } from "@/device/useVisit";
import { Choice, Notice, QuietButton } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { useDraft } from "./drafts";
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

/** How a tank's way of testing is called among the methods of a parameter. */
const USUAL_METHOD = { strips: "strip", liquid: "liquid kit", photometer: "photometer" } as const;

/**
 * Enters a reading: figure, unit and method. The field starts empty; the last and the expected value stand beside it in grey, and
 * only what is typed is logged. One that does not fit is questioned, with other ways to read it.
 */
export function ReadingEntry({ visit, parameter }: { visit: LiveVisit; parameter: Parameter }) {
  const facts = parameterFacts[parameter];
  const { units, input } = visit.kept;
  const { decimal } = units;
  const taken = visit.state.readings.filter((r) => r.parameter === parameter);
  const after = visit.plan.water.after.find((e) => e.parameter === parameter);
  const refilled = ["refill", "exchange"].some((step) => visit.state.ticked[step] !== undefined);
  const expected = refilled ? after?.after.value : after?.before;
  const last = input.readings.findLast((r) => r.parameter === parameter);
  const preferred = facts.units.find((u) => u.unit === unitFor(parameter, units)) ?? facts.units[0];
  const [unit, setUnit] = useState(preferred?.unit ?? facts.unit);
  const option = facts.units.find((u) => u.unit === unit) ?? facts.units[0];
  const [text, setText] = useState("");
  const usual = USUAL_METHOD[input.book.schools.testMethod];
  const [method, setMethod] = useState(
    (facts.methods.find((m) => m.method === usual) ?? facts.methods[0])?.method ?? "",
  );
  const [error, setError] = useState<string | null>(null);
  const temperatureC = visit.state.readings.findLast((r) => r.parameter === "temperature")?.value ?? input.book.targetC;

  /** Logs what stands in the field and empties it; an empty field is nothing. */
  const enter = async (): Promise<boolean> => {
    if (text.trim() === "") return true;
    const entered = { parameter, text: text.trim(), unit, method, temperatureC, ...(decimal ? { decimal } : {}) };
    const parsed = parseReading(entered);
    if (!parsed.ok) {
      setError(problemSentence(parsed.problem, text));
      return false;
    }
    const refusal = await visit.say({ type: "reading", id: v7(), ...entered });
    setError(refusal ? refusalSentence(refusal) : null);
    if (!refusal) setText("");
    return refusal === null;
  };
  useDraft(enter);
  const check = visit.plan.water.checks.find((c) => c.parameter === parameter);
  const step = option && option.unit !== facts.unit ? 10 ** -option.decimals : facts.step;
  const inUnit = (canonical: number) => (option ? option.fromCanonical(canonical) : canonical);
  const parsed = text ? parseReading({ parameter, text, unit, method, temperatureC, decimal }) : null;
  const odd = parsed?.ok
    ? oddOf(input, { parameter, value: parsed.value, sigma: parsed.sigma })
    : taken.length === 1 && taken[0]
      ? oddOf(input, taken[0])
      : null;
  const shown = (value: number) => withUnit(parameter, value, units);
  return (
    <Box>
      <Stepper
        label={facts.label}
        unit={unit}
        value={text}
        step={step}
        decimals={option?.decimals ?? 1}
        start={inUnit(expected ?? last?.value ?? facts.plausible[0])}
        onChange={setText}
      />
      {(last || expected !== undefined) && (
        <Box color="soft" mt="6px" data-expected="">
          {last && `last ${shown(last.value)} on ${sayDay(last.on)}`}
          {last && expected !== undefined && ", "}
          {expected !== undefined && `expected about ${shown(expected)}`}
        </Box>
      )}
      {parameter === "ammonia" && <MostAmmonia visit={visit} />}
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
        <QuietButton type="button" onClick={() => void enter()} minH="48px" px="20px" data-key="new-reading">
          Enter
        </QuietButton>
      </Flex>
      {error && (
        <Box role="alert" mt="8px">
          <Notice tone="danger">{error}</Notice>
        </Box>
      )}
      {parsed?.ok && (unit !== facts.unit || /[,.]\d{3}$/.test(text)) && (
        <Box color="soft" mt="6px" role="status">
          is {shown(parsed.value)}
        </Box>
      )}
      {odd && (
        <Box mt="8px" role="status" data-odd="">
          <Notice tone="care">
            {shown(odd.value)} does not fit: about {shown(odd.expected)} was expected.{" "}
            {odd.offers.length > 0
              ? `Was it ${odd.offers.map((o) => offerSentence(o, parameter, units)).join("; or ")}?`
              : "Measure it once more before you lean on it."}
          </Notice>
        </Box>
      )}
      {check && (
        <Box mt="8px" role="status" data-check="">
          <Notice tone={check.fits ? "plain" : "care"}>{checkSentence(check, units)}</Notice>
        </Box>
      )}
      {taken.map((r) => (
        <Flex key={r.id} align="center" gap="10px" mt="8px" borderBottomWidth="1px" borderColor="rule" pb="6px">
          <Span fontFamily="mono" fontSize="20px" fontWeight="600">
            {shown(r.value)}
          </Span>
          <Span color="soft" flex="1">
            {r.text} {r.unit}, {r.method}
            {r.after ? ", after the change" : ""}
          </Span>
          <QuietButton type="button" minH="44px" onClick={() => visit.say({ type: "reading-back", id: r.id })}>
            Take back
          </QuietButton>
        </Flex>
      ))}
    </Box>
  );
}

/** What total ammonia may be today, so that no more than its limit is free: by the pH, which is measured first. */
function MostAmmonia({ visit }: { visit: LiveVisit }) {
  const { input, units } = visit.kept;
  const read = (parameter: Parameter) =>
    visit.state.readings.findLast((r) => r.parameter === parameter)?.value ??
    input.readings.findLast((r) => r.parameter === parameter)?.value;
  const ph = read("ph");
  if (ph === undefined) return null;
  const most = totalAmmoniaForMgL(input.limits.freeAmmoniaMgL, {
    ph,
    temperatureC: Math.min(50, Math.max(-2, read("temperature") ?? input.book.targetC)),
    salinityPsu: Math.min(60, Math.max(0, read("salinity") ?? input.book.targetPsu)),
  });
  return (
    <Box color="soft" mt="4px">
      at pH {showReading("ph", ph, units)} it may be {withUnit("ammonia", most, units)}: then{" "}
      {input.limits.freeAmmoniaMgL} mg/L of it is free
    </Box>
  );
}
