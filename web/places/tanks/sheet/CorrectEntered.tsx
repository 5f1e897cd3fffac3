"use client";

import { Box, Flex } from "@chakra-ui/react";
import { type Parameter, parameterFacts, readingLabel, type UnitPreference } from "@keel-round/core/units";
import { useState } from "react";
import { FieldRow, GoButton, QuietButton, TextInput } from "@/kit/controls";
import { Form } from "@/kit/elements";
import { ReallyWas } from "@/kit/ReallyWas";
import { useAsk } from "@/kit/useAsk";
import { correctReadingAction } from "../actions";

/** Puts a reading right that was entered outside of a visit: what it really was, and why. */
export function CorrectEntered({
  reading,
  of,
  units,
}: {
  reading: {
    readonly id: string;
    readonly parameter: Parameter;
    readonly item: string | null;
    readonly entered: string;
    readonly unit: string;
  };
  /** What is corrected, for whoever hears the button. */
  of: string;
  units: UnitPreference;
}) {
  const { ask, problem, disabled } = useAsk();
  const [open, setOpen] = useState(false);
  const [text, setText] = useState(reading.entered);
  const [unit, setUnit] = useState(reading.unit);
  const [why, setWhy] = useState("");
  const { units: scales } = parameterFacts[reading.parameter];
  const label = readingLabel(reading.parameter, reading.item);
  if (!open)
    return (
      <QuietButton
        type="button"
        py="3px"
        disabled={disabled}
        aria-label={`Correct ${of}`}
        onClick={() => setOpen(true)}
      >
        Correct
      </QuietButton>
    );
  const save = async (really: { text: string; unit: string } | null) => {
    const typed = really && { ...really, ...(units.decimal ? { decimal: units.decimal } : {}) };
    await ask(correctReadingAction({ readingId: reading.id, really: typed, why }), () => {
      setOpen(false);
      return undefined;
    });
  };
  return (
    <Form
      method="post"
      onSubmit={(e) => {
        e.preventDefault();
        void save({ text, unit });
      }}
    >
      <Box minW="300px" borderLeftWidth="3px" borderColor="coralline" pl="12px" my="6px">
        <ReallyWas {...{ label, scales, text, unit }} onText={setText} onUnit={setUnit} />
        <FieldRow label="Why" error={problem ?? undefined}>
          <TextInput value={why} placeholder="misread, typed twice …" onChange={(e) => setWhy(e.target.value)} />
        </FieldRow>
        <Flex gap="8px" wrap="wrap">
          <GoButton type="submit" disabled={disabled}>
            Save correction
          </GoButton>
          <QuietButton type="button" disabled={disabled} onClick={() => void save(null)}>
            Nobody measured it
          </QuietButton>
          <QuietButton type="button" onClick={() => setOpen(false)}>
            Leave as it is
          </QuietButton>
        </Flex>
      </Box>
    </Form>
  );
}
