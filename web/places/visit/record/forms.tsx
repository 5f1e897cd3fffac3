"use client";

import { Box, Flex } from "@chakra-ui/react";
import {
  fromShown,
  parameterFacts,
  parseNumber,
  parseReading,
  readingLabel,
  toShown,
  type UnitPreference,
  unitShown,
} from "@keel-round/core/units";
import type { VisitState } from "@keel-round/core/visit";
import { useState } from "react";
import { FieldRow, GoButton, QuietButton, TextInput } from "@/kit/controls";
import { Form } from "@/kit/elements";
import { ReallyWas } from "@/kit/ReallyWas";
import { useHydrated } from "@/kit/useHydrated";
import { Correcting } from "./Correcting";
import { type Change, useAfterwards } from "./useAfterwards";

/** A reading as it was entered, and as it really was. */
export function CorrectReading({
  visitId,
  reading,
  units,
}: {
  visitId: string;
  reading: VisitState["readings"][number];
  units: UnitPreference;
}) {
  const { id, parameter, method, kit, item } = reading;
  const { units: scales } = parameterFacts[parameter];
  const label = readingLabel(parameter, item);
  const [text, setText] = useState(reading.text);
  const [unit, setUnit] = useState(reading.unit);
  const change = (): Change | string => {
    const { decimal } = units;
    // Read with the same kit, whatever became of that since.
    const entered = {
      parameter,
      text,
      unit,
      method,
      ...(decimal ? { decimal } : {}),
      ...(kit ? { kit } : {}),
      ...(item ? { item } : {}),
    };
    const parsed = parseReading(entered);
    if (parsed.ok) return { type: "reading", id, ...entered };
    return parsed.problem.code === "other-unit"
      ? `Choose the unit: is this in ${parsed.problem.unit}?`
      : `Enter a figure that ${label} can have.`;
  };
  return (
    <Correcting
      visitId={visitId}
      of={label}
      change={change}
      others={[{ label: "It was not measured", change: { type: "reading-back", id } }]}
      fields={<ReallyWas {...{ label, scales, text, unit }} onText={setText} onUnit={setUnit} />}
    />
  );
}

const AMOUNTS = { outL: "L", inL: "L", topUpL: "L", belowCm: "cm" } as const;

/** Litres that moved, or how far the water stood below its line. */
export function CorrectAmount({
  visitId,
  label,
  field,
  value,
  units,
}: {
  visitId: string;
  label: string;
  field: keyof typeof AMOUNTS;
  value: number | null;
  units: UnitPreference;
}) {
  const unit = AMOUNTS[field];
  const [text, setText] = useState(value === null ? "" : String(Number(toShown(value, unit, units).toPrecision(4))));
  const change = (): Change | string => {
    const typed = parseNumber(text, units.decimal);
    if (typed === null || typed < 0) return `Enter ${unitShown(unit, units)} as a number from 0.`;
    const canonical = fromShown(typed, unit, units);
    return field === "belowCm" ? { type: "level", belowCm: canonical } : { type: "litres", [field]: canonical };
  };
  return (
    <Correcting
      visitId={visitId}
      of={label}
      change={change}
      fields={
        <FieldRow label={`${label} really was, ${unitShown(unit, units)}`}>
          <TextInput value={text} inputMode="decimal" onChange={(e) => setText(e.target.value)} />
        </FieldRow>
      }
    />
  );
}

/** A dose as it really was; 0 of it is none. */
export function CorrectDose({
  visitId,
  dose,
  units,
}: {
  visitId: string;
  dose: VisitState["doses"][number];
  units: UnitPreference;
}) {
  const { parameter, product, name, unit, perUnit } = dose;
  const [text, setText] = useState(String(Number(dose.amount.toPrecision(4))));
  const change = (): Change | string => {
    const amount = parseNumber(text, units.decimal);
    if (amount === null || amount < 0) return `Enter ${unit} as a number from 0.`;
    return { type: "dose", parameter, product, name, amount, unit, perUnit };
  };
  return (
    <Correcting
      visitId={visitId}
      of={`the dose of ${name}`}
      change={change}
      fields={
        <FieldRow label={`${name} really was, ${unit}`}>
          <TextInput value={text} inputMode="decimal" onChange={(e) => setText(e.target.value)} />
        </FieldRow>
      }
    />
  );
}

const animalsIn = (text: string): number | null => {
  const number = parseNumber(text);
  return number !== null && Number.isInteger(number) && number >= 0 ? number : null;
};

/** Animals that were counted wrong: how many were seen, and how many of them were dead. */
export function CorrectCount({ visitId, count }: { visitId: string; count: VisitState["counts"][number] }) {
  const { animal, name, of } = count;
  const [seen, setSeen] = useState(String(count.seen));
  const [dead, setDead] = useState(String(count.dead));
  const change = (): Change | string => {
    const [alive, lost] = [animalsIn(seen), animalsIn(dead)];
    if (alive === null || lost === null) return "Enter whole animals, from 0.";
    return { type: "count", animal, name, of, seen: alive, dead: lost };
  };
  return (
    <Correcting
      visitId={visitId}
      of={`the count of ${name}`}
      change={change}
      others={[{ label: "They were not counted", change: { type: "count-back", animal } }]}
      fields={
        <Flex gap="10px">
          <FieldRow label={`${name}, seen`}>
            <TextInput value={seen} inputMode="numeric" onChange={(e) => setSeen(e.target.value)} />
          </FieldRow>
          <FieldRow label="Found dead">
            <TextInput value={dead} inputMode="numeric" onChange={(e) => setDead(e.target.value)} />
          </FieldRow>
        </Flex>
      }
    />
  );
}

/** A job that was ticked and not done, or done and not ticked. */
export function CorrectStep({
  visitId,
  step,
  title,
  done,
}: {
  visitId: string;
  step: string;
  title: string;
  done: boolean;
}) {
  return (
    <Correcting
      visitId={visitId}
      of={title}
      fields={<Box mb="10px">{done ? "It was not done." : "It was done."}</Box>}
      change={() => ({ type: done ? "untick" : "tick", step })}
    />
  );
}

/** A trouble that was none, or a course that did not begin. */
export function TakeBack({ visitId, of, change }: { visitId: string; of: string; change: Change }) {
  return <Correcting visitId={visitId} of={of} fields={<Box mb="10px">It was none.</Box>} change={() => change} />;
}

/** A note that should not stand in the letter. */
export function TakeNoteBack({ visitId, id, text }: { visitId: string; id: string; text: string }) {
  return (
    <Correcting visitId={visitId} of={`the note “${text}”`} fields={null} change={() => ({ type: "note-back", id })} />
  );
}

/** A visit that was closed too early goes on. */
export function Reopen({ visitId }: { visitId: string }) {
  const hydrated = useHydrated();
  const [open, setOpen] = useState(false);
  const [why, setWhy] = useState("");
  const { add, busy, problem, setProblem } = useAfterwards(visitId);
  if (!open)
    return (
      <QuietButton type="button" disabled={!hydrated} onClick={() => setOpen(true)}>
        Reopen the visit
      </QuietButton>
    );
  return (
    <Form
      method="post"
      onSubmit={(e) => {
        e.preventDefault();
        if (why.trim() === "") return setProblem("Enter why it goes on.");
        void add({ type: "reopen", why: why.trim() });
      }}
    >
      <FieldRow label="Why it goes on" error={problem ?? undefined}>
        <TextInput value={why} onChange={(e) => setWhy(e.target.value)} />
      </FieldRow>
      <Flex gap="8px">
        <GoButton type="submit" disabled={busy}>
          Reopen the visit
        </GoButton>
        <QuietButton type="button" onClick={() => setOpen(false)}>
          Leave it closed
        </QuietButton>
      </Flex>
    </Form>
  );
}
