"use client";

import { Box, Flex } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";
import { FieldRow, GoButton, QuietButton, TextInput } from "@/kit/controls";
import { Form } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { type Change, useAfterwards } from "./useAfterwards";

/**
 * A line of the record with its way to put it right: what it really was, and why.
 *
 * @param change What is typed as a change of the log, or a sentence that says what to enter.
 */
export function Correcting({
  visitId,
  of,
  fields,
  change,
  others = [],
}: {
  visitId: string;
  /** What is corrected, for whoever hears the button. */
  of: string;
  fields: ReactNode;
  change: () => Change | string;
  /** Other ways to put it right, each a button. */
  others?: readonly { readonly label: string; readonly change: Change }[];
}) {
  const hydrated = useHydrated();
  const [open, setOpen] = useState(false);
  const [why, setWhy] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const { add, busy, problem } = useAfterwards(visitId);
  if (!open)
    return (
      <QuietButton
        type="button"
        disabled={!hydrated}
        py="4px"
        aria-label={`Correct ${of}`}
        onClick={() => setOpen(true)}
      >
        Correct
      </QuietButton>
    );
  const save = async (as: Change | string) => {
    if (typeof as === "string") return setWrong(as);
    if (why.trim() === "") return setWrong("Enter why: it stands beside both figures.");
    setWrong(null);
    if (await add({ type: "correct", why: why.trim(), change: as })) setOpen(false);
  };
  return (
    <Form
      method="post"
      onSubmit={(e) => {
        e.preventDefault();
        void save(change());
      }}
    >
      <Box maxW="460px" borderLeftWidth="3px" borderColor="coralline" pl="12px" my="6px">
        {fields}
        <FieldRow label="Why" error={wrong ?? problem ?? undefined}>
          <TextInput
            value={why}
            placeholder="misread, typed into the wrong field …"
            onChange={(e) => setWhy(e.target.value)}
          />
        </FieldRow>
        <Flex gap="8px" wrap="wrap">
          <GoButton type="submit" disabled={busy}>
            {busy ? "Saving" : "Save correction"}
          </GoButton>
          {others.map((other) => (
            <QuietButton key={other.label} type="button" disabled={busy} onClick={() => save(other.change)}>
              {other.label}
            </QuietButton>
          ))}
          <QuietButton type="button" disabled={busy} onClick={() => setOpen(false)}>
            Leave as it is
          </QuietButton>
        </Flex>
      </Box>
    </Form>
  );
}
