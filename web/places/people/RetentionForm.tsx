"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { Retention } from "@keel-round/core/desk";
import { useState } from "react";
import { FieldRow, Problem, QuietButton, SubHead, TextInput } from "@/kit/controls";
import { Form } from "@/kit/elements";
import { useAsk } from "@/kit/useAsk";
import { saveRetentionAction } from "./actions";

const FIELDS: readonly (readonly [keyof Retention, label: string, hint: string])[] = [
  ["auditMonths", "Who came in and looked", "At least 3. Empty keeps it for ever."],
  ["changeMonths", "What stood before a change", "At least 12. Empty keeps it for ever."],
  ["leftMonths", "Names of who has left", "Then they are erased. Empty waits until you erase them."],
];

/** For how long the firm keeps what is about people. */
export function RetentionForm({ retention }: { retention: Retention }) {
  const { ask, problem, said, fields, disabled } = useAsk();
  const [typed, setTyped] = useState(() =>
    Object.fromEntries(FIELDS.map(([key]) => [key, retention[key]?.toString() ?? ""])),
  );
  const months = (text: string | undefined) => (text?.trim() ? Number(text) : null);
  return (
    <Box mt="28px" maxW="1040px">
      <SubHead>How long it is kept, in months</SubHead>
      <Form
        method="post"
        noValidate
        pt="12px"
        onSubmit={(e) => {
          e.preventDefault();
          const next = Object.fromEntries(FIELDS.map(([key]) => [key, months(typed[key])]));
          void ask(saveRetentionAction(next), () => "Saved. What is older goes with the next night.");
        }}
      >
        <Flex gap="0 24px" wrap="wrap" align="flex-start">
          {FIELDS.map(([key, label, hint]) => (
            <Box key={key} w="280px">
              <FieldRow label={label} hint={hint} error={fields[key]?.[0]}>
                <TextInput
                  inputMode="numeric"
                  value={typed[key] ?? ""}
                  onChange={(e) => setTyped({ ...typed, [key]: e.target.value })}
                />
              </FieldRow>
            </Box>
          ))}
        </Flex>
        <QuietButton type="submit" disabled={disabled}>
          Keep it so long
        </QuietButton>
        <Box role="status" color="soft" pt="8px">
          {said}
        </Box>
        {Object.keys(fields).length === 0 && <Problem says={problem} />}
      </Form>
    </Box>
  );
}
