"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Choice, FieldRow, QuietButton, TextInput } from "@/kit/controls";
import { Fieldset, Form } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { recurAction } from "./actions";

/** Begins the recurring visits of a site that has none. */
export function Visits({
  siteId,
  people,
  today,
}: {
  siteId: string;
  people: readonly { readonly id: string; readonly name: string }[];
  today: string;
}) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [fields, setFields] = useState<Readonly<Record<string, string[]>>>({});
  const begin = async (form: HTMLFormElement) => {
    const answer = await recurAction({ siteId, ...Object.fromEntries(new FormData(form)) });
    if (answer.ok) return router.refresh();
    setFields(Object.keys(answer.fields).length > 0 ? answer.fields : { firstOn: [answer.message] });
  };
  return (
    <Form
      method="post"
      pt="10px"
      onSubmit={(e) => {
        e.preventDefault();
        void begin(e.currentTarget);
      }}
    >
      <Fieldset disabled={!hydrated}>
        <Flex gap="14px" wrap="wrap" align="flex-start">
          <Box w="180px">
            <FieldRow label="How often" error={fields.rhythm?.[0]}>
              <Choice name="rhythm" defaultValue="weekly">
                <option value="weekly">weekly</option>
                <option value="twice-weekly">twice a week</option>
                <option value="fortnightly">fortnightly</option>
                <option value="four-weekly">every four weeks</option>
              </Choice>
            </FieldRow>
          </Box>
          <Box w="170px">
            <FieldRow label="First visit" error={fields.firstOn?.[0]}>
              <TextInput name="firstOn" type="date" defaultValue={today} min={today} />
            </FieldRow>
          </Box>
          <Box w="190px">
            <FieldRow label="Who comes" error={fields.personId?.[0]}>
              <Choice name="personId">
                {people.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </Choice>
            </FieldRow>
          </Box>
          <Box pt="21px">
            <QuietButton type="submit">Begin the visits</QuietButton>
          </Box>
        </Flex>
      </Fieldset>
    </Form>
  );
}
