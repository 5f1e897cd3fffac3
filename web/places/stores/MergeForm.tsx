"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Choice, FieldRow, Problem, QuietButton } from "@/kit/controls";
import { useAsk } from "@/kit/useAsk";
import { mergeItemsAction } from "./actions";

/** Makes one item of two that are the same thing. */
export function MergeForm({
  itemId,
  others,
}: {
  itemId: string;
  others: readonly { readonly id: string; readonly name: string }[];
}) {
  const router = useRouter();
  const { ask, problem, fields, disabled } = useAsk();
  const [into, setInto] = useState("");
  const merge = () =>
    ask(mergeItemsAction({ itemId, intoId: into }), () => {
      router.push(`/stores/${into}`);
      return undefined;
    });
  return (
    <Flex gap="12px" align="end" wrap="wrap">
      <Box w="280px">
        <FieldRow label="It is the same as" error={fields.intoId?.[0]}>
          <Choice value={into} onChange={(e) => setInto(e.target.value)}>
            <option value="">Choose an item</option>
            {others.map((o) => (
              <option key={o.id} value={o.id}>
                {o.name}
              </option>
            ))}
          </Choice>
        </FieldRow>
      </Box>
      <Box pb="12px">
        <QuietButton type="button" disabled={disabled || into === ""} onClick={merge}>
          Make one of them
        </QuietButton>
      </Box>
      <Problem says={fields.intoId ? null : problem} />
    </Flex>
  );
}
