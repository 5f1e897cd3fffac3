"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { Choice, FieldRow, QuietButton, TextInput } from "@/kit/controls";
import { Form } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";

export type AnimalEventAction = (input: {
  animalId: string;
  kind: string;
  number: number;
  onDate: string;
  cause: string;
  remedy: string;
}) => Promise<
  | { readonly ok: true }
  | { readonly ok: false; readonly message: string; readonly fields: Readonly<Record<string, string[]>> }
>;

/** Writes down what happened to a group: it opens where it is needed and closes when it is kept. */
export function AnimalEvent({
  animalId,
  name,
  today,
  record,
}: {
  animalId: string;
  name: string;
  today: string;
  record: AnimalEventAction;
}) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [open, setOpen] = useState(false);
  const [fields, setFields] = useState<Readonly<Record<string, string[]>>>({});
  if (!open)
    return (
      <QuietButton
        type="button"
        py="4px"
        disabled={!hydrated}
        onClick={() => setOpen(true)}
        aria-label={`What happened to ${name}`}
      >
        What happened
      </QuietButton>
    );
  const save = async (form: HTMLFormElement) => {
    const data = Object.fromEntries(new FormData(form)) as Record<string, string>;
    const answer = await answered(
      record({
        animalId,
        kind: data.kind ?? "",
        number: Number(data.number || Number.NaN),
        onDate: data.onDate ?? "",
        cause: data.cause ?? "",
        remedy: data.remedy ?? "",
      }),
    );
    if (!answer.ok)
      return setFields(Object.keys(answer.fields).length > 0 ? answer.fields : { cause: [answer.message] });
    setFields({});
    setOpen(false);
    router.refresh();
  };
  return (
    <Form
      method="post"
      w="100%"
      aria-label={`What happened to ${name}`}
      onSubmit={(e) => {
        e.preventDefault();
        void save(e.currentTarget);
      }}
    >
      <Flex gap="12px" wrap="wrap" align="flex-start" pl={{ md: "58px" }} pt="8px">
        <Box w="130px">
          <FieldRow label="What" error={fields.kind?.[0]}>
            <Choice name="kind" defaultValue="lost" autoFocus>
              <option value="lost">lost</option>
              <option value="added">added</option>
              <option value="born">born</option>
              <option value="moved-out">moved out</option>
              <option value="counted">counted</option>
            </Choice>
          </FieldRow>
        </Box>
        <Box w="90px">
          <FieldRow label="How many" error={fields.number?.[0]}>
            <TextInput name="number" inputMode="numeric" fontFamily="mono" />
          </FieldRow>
        </Box>
        <Box w="160px">
          <FieldRow label="Day" error={fields.onDate?.[0]}>
            <TextInput name="onDate" type="date" defaultValue={today} max={today} />
          </FieldRow>
        </Box>
        <Box flex="1" minW="200px">
          <FieldRow label="Cause, of a loss" error={fields.cause?.[0]}>
            <TextInput name="cause" placeholder="jumped, fought, unknown" />
          </FieldRow>
        </Box>
        <Box flex="1" minW="200px">
          <FieldRow label="Done about it" error={fields.remedy?.[0]}>
            <TextInput name="remedy" placeholder="a lid was fitted" />
          </FieldRow>
        </Box>
        <Flex gap="8px" pt="21px">
          <QuietButton type="submit">Keep</QuietButton>
          <QuietButton type="button" onClick={() => setOpen(false)}>
            Close
          </QuietButton>
        </Flex>
      </Flex>
    </Form>
  );
}
