"use client";

import { Box, Flex } from "@chakra-ui/react";
import { type Entity, type FieldValue, readValues, recordKinds } from "@keel-round/core/desk";
import type { UnitPreference } from "@keel-round/core/units";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { Choice, Notice, QuietButton } from "@/kit/controls";
import { Form, Span } from "@/kit/elements";
import { FieldInput, type LinkOptions } from "@/kit/record/FieldInput";
import { useHydrated } from "@/kit/useHydrated";
import { bulkAction, undoAction } from "./actions";

/** Sets one field of every record that is ticked in the table above; undone as one. */
export function BulkEdit({
  entity,
  options,
  units,
  one,
  many,
}: {
  entity: Entity;
  options: LinkOptions;
  units: UnitPreference;
  one: string;
  many: string;
}) {
  const router = useRouter();
  const hydrated = useHydrated();
  const fields = recordKinds[entity].fields.filter(
    (f) => f.key !== "name" && f.type.kind !== "list" && !f.once && !f.key.startsWith("display.vessel"),
  );
  const [key, setKey] = useState(fields[0]?.key ?? "");
  const [text, setText] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const [done, setDone] = useState<{ batchId: string; changed: number } | null>(null);
  const field = fields.find((f) => f.key === key);
  if (!field) return null;

  const submit = async (form: HTMLFormElement) => {
    setDone(null);
    const ids = new FormData(form).getAll("id").map(String);
    if (ids.length === 0) return setProblem(`Tick at least one ${one} in the table first.`);
    const { values, issues } = readValues([field], { [key]: text }, units);
    const wrong = issues[key];
    if (wrong) return setProblem(wrong);
    const answer = await answered(bulkAction({ entity, ids, values: values as Record<string, FieldValue> }));
    if (!answer.ok) return setProblem(answer.message);
    setProblem(null);
    setDone(answer.value);
    router.refresh();
  };
  const takeBack = async (batchId: string) => {
    const answer = await answered(undoAction({ batchId }));
    setProblem(answer.ok ? null : answer.message);
    setDone(null);
    router.refresh();
  };
  return (
    <Form
      id="bulk"
      method="post"
      mt="18px"
      pt="12px"
      borderTopWidth="1px"
      borderColor="rule"
      onSubmit={(e) => {
        e.preventDefault();
        void submit(e.currentTarget);
      }}
    >
      <Flex gap="10px" align="center" wrap="wrap" fontSize="14px">
        <Span color="soft">Of the ticked {many}, set</Span>
        <Box w="220px">
          <Choice
            aria-label="Field to set"
            value={key}
            onChange={(e) => {
              setKey(e.target.value);
              setText("");
            }}
          >
            {fields.map((f) => (
              <option key={f.key} value={f.key}>
                {f.label}
              </option>
            ))}
          </Choice>
        </Box>
        <Span color="soft">to</Span>
        <Box w="240px">
          <FieldInput
            field={field}
            id="bulk-value"
            called="New value"
            value={text}
            onChange={setText}
            units={units}
            options={options}
            invalid={problem !== null}
          />
        </Box>
        <QuietButton type="submit" disabled={!hydrated}>
          Set them
        </QuietButton>
      </Flex>
      {problem && (
        <Box role="alert" mt="10px" id="bulk-value-error">
          <Notice tone="danger">{problem}</Notice>
        </Box>
      )}
      {done && (
        <Box role="status" mt="10px">
          <Notice tone="plain">
            {done.changed} changed.
            <QuietButton type="button" py="3px" ml="10px" onClick={() => takeBack(done.batchId)}>
              Undo
            </QuietButton>
          </Notice>
        </Box>
      )}
    </Form>
  );
}
