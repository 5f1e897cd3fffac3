"use client";

import { Box, Flex } from "@chakra-ui/react";
import { sayDay } from "@keel-round/core/calendar";
import { kitSentences } from "@keel-round/core/kits";
import { sayAll } from "@keel-round/core/say";
import { enteredText, type Parameter, readingLabel, showReading, withUnit } from "@keel-round/core/units";
import { totalAmmoniaForMgL } from "@keel-round/core/water";
import { checkSentence, offerSentence } from "@keel-round/core/words";
import type { LiveVisit } from "@/device/useVisit";
import { Choice, Notice, Problem, QuietButton } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { ReadingOf } from "@/kit/ReadingOf";
import { Stepper } from "./Stepper";
import { useReading } from "./useReading";

interface Part {
  readonly visit: LiveVisit;
  readonly parameter: Parameter;
  readonly field: ReturnType<typeof useReading>;
}

/**
 * Enters a reading: figure, unit and method. The field starts empty; the last and the expected value stand beside it in grey, and
 * only what is typed is logged. One that does not fit is questioned, with other ways to read it.
 */
export function ReadingEntry({ visit, parameter }: { visit: LiveVisit; parameter: Parameter }) {
  const field = useReading(visit, parameter);
  const { its, option, expected, last } = field;
  const start = expected ?? last?.value ?? its.plausible[0];
  const part = { visit, parameter, field };
  return (
    <Box>
      <Stepper
        label={readingLabel(parameter, field.item)}
        unit={field.unit}
        value={field.text}
        step={field.step}
        decimals={option?.decimals ?? 1}
        start={option ? option.fromCanonical(start) : start}
        onChange={field.setText}
      />
      <Grey {...part} />
      {parameter === "ammonia" && <MostAmmonia visit={visit} />}
      <How {...part} />
      <Problem says={field.error} />
      <Questioned {...part} />
      <Taken {...part} />
    </Box>
  );
}

/** What was read last and what is expected, in grey. */
function Grey({ visit, parameter, field: { last, expected } }: Part) {
  if (!last && expected === undefined) return null;
  const shown = (value: number) => withUnit(parameter, value, visit.kept.units);
  const says = [
    ...(last ? [`last ${shown(last.value)} on ${sayDay(last.on)}`] : []),
    ...(expected === undefined ? [] : [`expected about ${shown(expected)}`]),
  ];
  return (
    <Box color="soft" mt="6px" data-expected="">
      {says.join(", ")}
    </Box>
  );
}

/** The unit, the method, and the press that enters it. */
function How({ visit, parameter, field }: Part) {
  const { its, unit, kits, by, setBy } = field;
  const choose = (value: string) => {
    const kit = kits.find((k) => k.kit.id === value) ?? null;
    setBy(kit ? { kit, method: kit.method } : { kit: null, method: value });
  };
  const says = by.kit ? kitSentences(by.kit) : [];
  return (
    <>
      <Flex gap="8px" mt="10px">
        {its.units.length > 1 && (
          <Choice value={unit} onChange={(e) => field.setUnit(e.target.value)} aria-label="Unit" minH="48px">
            {its.units.map((u) => (
              <option key={u.unit}>{u.unit}</option>
            ))}
          </Choice>
        )}
        <Choice
          value={by.kit?.kit.id ?? by.method}
          onChange={(e) => choose(e.target.value)}
          aria-label="Method"
          minH="48px"
        >
          {kits.map(({ kit }) => (
            <option key={kit.id} value={kit.id}>
              {kit.name}
            </option>
          ))}
          {its.methods.map((m) => (
            <option key={m.method}>{m.method}</option>
          ))}
        </Choice>
        {(by.kit?.method ?? by.method) === "strip" && field.text !== "" && !field.text.includes("–") && (
          <QuietButton
            type="button"
            minH="48px"
            aria-label="It lies between this and the next field of the card"
            onClick={() => field.setText(`${field.text}–`)}
          >
            to
          </QuietButton>
        )}
        <QuietButton type="button" onClick={() => void field.enter()} minH="48px" px="20px" data-key="new-reading">
          Enter
        </QuietButton>
      </Flex>
      <ReadingOf
        mt="8px"
        minH="48px"
        parameter={parameter}
        filters={visit.kept.input.facts.filterUnits}
        meters={visit.kept.input.meters}
        value={field.item}
        onChoose={field.setItem}
      />
      {says.length > 0 && (
        <Box mt="8px" fontSize="15px" color={by.kit?.problems.length ? "ochre" : "soft"} data-kit="">
          {sayAll(says, visit.kept.units)}
        </Box>
      )}
    </>
  );
}

/** What the figure is on the person's own scale, whether it fits what is known, and whether the change did what was planned. */
function Questioned({ visit, parameter, field: { read, odd, check, takeOffer } }: Part) {
  const { units } = visit.kept;
  const shown = (value: number) => withUnit(parameter, value, units);
  return (
    <>
      {read !== null && (
        <Box color="soft" mt="6px" role="status">
          is {shown(read)}
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
          {takeOffer &&
            odd.offers.map((o) => (
              <QuietButton
                key={`${o.as} ${o.value}`}
                type="button"
                mt="8px"
                mr="8px"
                minH="48px"
                onClick={() => takeOffer(o)}
              >
                Make it {shown(o.value)}
              </QuietButton>
            ))}
        </Box>
      )}
      {check && (
        <Box mt="8px" role="status" data-check="">
          <Notice tone={check.fits ? "plain" : "care"}>{checkSentence(check, units)}</Notice>
        </Box>
      )}
    </>
  );
}

/** What was entered today, each to be taken back. */
function Taken({ visit, parameter, field: { taken } }: Part) {
  return taken.map((r) => (
    <Flex
      key={r.id}
      align="center"
      gap="10px"
      mt="8px"
      borderBottomWidth="1px"
      borderColor="rule"
      pb="6px"
      data-taken={r.text}
    >
      <Span fontFamily="mono" fontSize="20px" fontWeight="600">
        {withUnit(parameter, r.value, visit.kept.units)}
      </Span>
      <Span color="soft" flex="1">
        {r.item ? `${r.item}: ` : ""}
        {enteredText(r, visit.kept.units)}, {r.kit?.name ?? r.method}
        {r.after ? ", after the change" : ""}
      </Span>
      <QuietButton type="button" minH="48px" onClick={() => visit.say({ type: "reading-back", id: r.id })}>
        Take back
      </QuietButton>
    </Flex>
  ));
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
    temperatureC: Math.min(50, Math.max(-2, read("temperature") ?? input.facts.targetC)),
    salinityPsu: Math.min(60, Math.max(0, read("salinity") ?? input.facts.targetPsu)),
  });
  return (
    <Box color="soft" mt="4px">
      at pH {showReading("ph", ph, units)} it may be {withUnit("ammonia", most, units)}: then{" "}
      {input.limits.freeAmmoniaMgL} mg/L of it is free
    </Box>
  );
}
