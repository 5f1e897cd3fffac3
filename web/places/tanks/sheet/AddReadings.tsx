"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { Parameter } from "@keel-round/core/units";
import { useState } from "react";
import { FieldRow, GoButton, Notice, QuietButton, SubHead, TextInput } from "@/kit/controls";
import { Form } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { figureLabel } from "../figureLabel";
import { EntryRow } from "./EntryRow";
import { type Entries, useEntries } from "./useEntries";

interface AddReadingsProps extends Entries {
  /** Stands open from the start: the page is for nothing else. */
  readonly always?: boolean;
}

/** Readings that were taken outside of a visit: one row for each parameter of the tank, and only what is typed is kept. */
export function AddReadings({ tankId, due, parameters, known, units, now, always = false }: AddReadingsProps) {
  const hydrated = useHydrated();
  const [open, setOpen] = useState(always);
  const entries = useEntries({ tankId, due, parameters, known, units, now }, () => setOpen(always));
  const { of, others, wrong, saved, busy } = entries;
  if (!open)
    return (
      <QuietButton type="button" disabled={!hydrated} data-key="new-reading" mb="14px" onClick={() => setOpen(true)}>
        Add readings
      </QuietButton>
    );
  const row = (p: Parameter) => (
    <EntryRow
      key={p}
      parameter={p}
      label={figureLabel(p, known.facts)}
      known={known}
      row={of(p)}
      units={units}
      today={entries.on === now.on}
      wrong={wrong?.at === p ? wrong.message : undefined}
      onType={(change) => entries.type(p, change)}
    />
  );
  return (
    <Form
      method="post"
      mb="20px"
      maxW="660px"
      onSubmit={(e) => {
        e.preventDefault();
        void entries.save();
      }}
    >
      <Flex gap="12px">
        <FieldRow label="Day">
          <TextInput type="date" max={now.on} value={entries.on} onChange={(e) => entries.setOn(e.target.value)} />
        </FieldRow>
        <FieldRow label="Hour">
          <TextInput type="time" value={entries.at} onChange={(e) => entries.setAt(e.target.value)} />
        </FieldRow>
      </Flex>
      {wrong && wrong.at === null && (
        <Box role="alert" mb="12px">
          <Notice tone="danger">{wrong.message}</Notice>
        </Box>
      )}
      {due.length > 0 && (
        <Box mt="8px" mb="8px">
          <SubHead>Due at the next visit</SubHead>
        </Box>
      )}
      {due.map(row)}
      {due.length > 0 && others.length > 0 && (
        <Box mt="18px" mb="8px">
          <SubHead>Its other figures</SubHead>
        </Box>
      )}
      {others.map(row)}
      <Flex gap="10px" align="center">
        <GoButton type="submit" disabled={busy || !hydrated}>
          {busy ? "Saving" : "Save readings"}
        </GoButton>
        {!always && (
          <QuietButton type="button" onClick={() => setOpen(false)}>
            Leave
          </QuietButton>
        )}
        {saved !== null && <Box role="status">{saved === 1 ? "1 reading saved." : `${saved} readings saved.`}</Box>}
      </Flex>
    </Form>
  );
}
