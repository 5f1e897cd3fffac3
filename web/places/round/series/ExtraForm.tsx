"use client";

import { Box, Flex } from "@chakra-ui/react";
import { addDays } from "@keel-round/core/calendar";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { Choice, FieldRow, GoButton, Notice, QuietButton, TextInput } from "@/kit/controls";
import { Fieldset, Form } from "@/kit/elements";
import { addStopAction } from "../actions";
import type { Named } from "./SeriesForm";
import { WhoComes } from "./WhoComes";

const ALL = "all";
/** "Come back in ten days": what the form begins with. */
const USUAL_DAYS = 10;

/** Plans one more visit of a site, beside its series. */
export function ExtraForm({
  siteId,
  people,
  tanks,
  today,
  onSaved,
  onLeave,
}: {
  siteId: string;
  people: readonly Named[];
  tanks: readonly Named[];
  today: string;
  onSaved: () => void;
  onLeave: () => void;
}) {
  const [on, setOn] = useState(addDays(today, USUAL_DAYS));
  const [personId, setPersonId] = useState(people[0]?.id ?? "");
  const [tankId, setTankId] = useState(ALL);
  const [told, setTold] = useState<{
    readonly fields: Readonly<Record<string, readonly string[]>>;
    readonly message: string;
    /** Whether it can be done all the same. */
    readonly may: boolean;
  } | null>(null);
  const save = async (anyway: boolean) => {
    const answer = await answered(
      addStopAction({ siteId, on, personId, tankIds: tankId === ALL ? null : [tankId], anyway }),
    );
    if (answer.ok) return onSaved();
    const { code, fields, message } = answer;
    setTold({ fields, message, may: code === "closed-day" || code === "visited-already" });
  };
  return (
    <Form
      method="post"
      py="14px"
      onSubmit={(e) => {
        e.preventDefault();
        void save(false);
      }}
    >
      <Fieldset>
        <Flex gap="12px" wrap="wrap" align="flex-start">
          <Box w="180px">
            <FieldRow label="Day" error={told?.fields.on?.[0]}>
              <TextInput type="date" min={today} value={on} onChange={(e) => setOn(e.currentTarget.value)} />
            </FieldRow>
          </Box>
          <WhoComes people={people} personId={personId} change={setPersonId} error={told?.fields.personId?.[0]} />
          <Box w="220px">
            <FieldRow label="Tanks" error={told?.fields.tankIds?.[0]}>
              <Choice value={tankId} onChange={(e) => setTankId(e.currentTarget.value)}>
                <option value={ALL}>all tanks of the site</option>
                {tanks.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </Choice>
            </FieldRow>
          </Box>
        </Flex>
        {told && Object.keys(told.fields).length === 0 && (
          <Box role="alert" mb="10px" maxW="560px">
            <Notice tone={told.may ? "care" : "danger"}>{told.message}</Notice>
          </Box>
        )}
        <Flex gap="10px">
          <GoButton type="submit">Plan this visit</GoButton>
          {told?.may && (
            <QuietButton type="button" onClick={() => save(true)}>
              Plan it all the same
            </QuietButton>
          )}
          <QuietButton type="button" onClick={onLeave}>
            Leave it
          </QuietButton>
        </Flex>
      </Fieldset>
    </Form>
  );
}
