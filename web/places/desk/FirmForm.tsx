"use client";

import { Box, Flex } from "@chakra-ui/react";
import { FIRM_FIELDS, type Firm, type FirmField, type FirmTyped, readFirm, writeFirm } from "@keel-round/core/desk";
import { type UnitPreference, unitShown } from "@keel-round/core/units";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { answered } from "@/kit/answered";
import { FieldRow, GoButton, Notice, SubHead, TextInput } from "@/kit/controls";
import { Form } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { saveFirmAction } from "./actions";

const PARTS = [
  ["firm", "The business"],
  ["roads", "On the road"],
  ["limits", "A day may change at most"],
] as const;
const FIELDS = Object.entries(FIRM_FIELDS) as [FirmField, (typeof FIRM_FIELDS)[FirmField]][];

/** Edits the firm's own facts in the person's units; what is wrong stands beside the field. */
export function FirmForm({ firm, units }: { firm: Firm; units: UnitPreference }) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [said, setSaid] = useState<{ text: string; wrong: boolean } | null>(null);
  const { register, handleSubmit, formState, setError } = useForm<FirmTyped, unknown, Firm>({
    resolver: (typed) => {
      const read = readFirm(typed, firm, units);
      return read.firm
        ? { values: read.firm, errors: {} }
        : {
            values: {},
            errors: Object.fromEntries(
              Object.entries(read.issues).map(([key, message]) => [key, { type: "invalid", message }]),
            ),
          };
    },
    defaultValues: writeFirm(firm, units),
  });
  const submit = handleSubmit(async (next) => {
    const answer = await answered(saveFirmAction(next));
    if (!answer.ok) {
      for (const [key, messages] of Object.entries(answer.fields))
        setError(key as FirmField, { message: messages[0] ?? answer.message });
      return setSaid({ text: answer.message, wrong: true });
    }
    setSaid({ text: answer.value.changed === 0 ? "Nothing was changed." : "Saved.", wrong: false });
    router.refresh();
  });
  return (
    <Form method="post" noValidate mt="14px" onSubmit={submit}>
      <Flex gap="36px" wrap="wrap" align="flex-start">
        {PARTS.map(([part, title]) => (
          <Box key={part} w={part === "limits" ? "360px" : "280px"} maxW="100%">
            <SubHead>{title}</SubHead>
            <Flex pt="10px" gap="0 12px" wrap="wrap">
              {FIELDS.filter(([, f]) => f.part === part).map(([key, { label, unit }]) => (
                <Box key={key} w={part === "limits" ? "170px" : "100%"}>
                  <FieldRow
                    label={`${label}${unit ? `, ${unitShown(unit, units)}` : ""}`}
                    error={formState.errors[key]?.message}
                  >
                    <TextInput {...register(key)} aria-invalid={formState.errors[key] ? true : undefined} />
                  </FieldRow>
                </Box>
              ))}
            </Flex>
          </Box>
        ))}
      </Flex>
      {said && (
        <Box role={said.wrong ? "alert" : "status"} mb="12px" maxW="560px">
          <Notice tone={said.wrong ? "danger" : "plain"}>{said.text}</Notice>
        </Box>
      )}
      <GoButton type="submit" disabled={!hydrated || formState.isSubmitting}>
        Save
      </GoButton>
    </Form>
  );
}
