"use client";

import { Box } from "@chakra-ui/react";
import { Choice, FieldRow } from "@/kit/controls";

/** Chooses who comes. */
export function WhoComes({
  people,
  personId,
  change,
  error,
}: {
  people: readonly { readonly id: string; readonly name: string }[];
  personId: string;
  change: (personId: string) => void;
  error: string | undefined;
}) {
  return (
    <Box w="200px">
      <FieldRow label="Who comes" error={error}>
        <Choice value={personId} onChange={(e) => change(e.currentTarget.value)}>
          {people.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Choice>
      </FieldRow>
    </Box>
  );
}
