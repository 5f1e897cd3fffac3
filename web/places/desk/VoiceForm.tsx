"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { LetterPart } from "@keel-round/core/letter";
import { useState } from "react";
import type { FirmVoice } from "@/data/firm/voice";
import { Choice, FieldRow, GoButton, Notice, TextArea, TextInput } from "@/kit/controls";
import { Form, Label } from "@/kit/elements";
import { useAsk } from "@/kit/useAsk";
import { saveVoiceAction } from "./actions";

const PART_NAME: Readonly<Record<LetterPart, string>> = {
  measured: "the table of what was measured",
  until: "what to expect until the next visit",
  list: "the owner's own list",
};
const PARTS = Object.keys(PART_NAME) as LetterPart[];

/** How letters to owners speak, and when they leave. */
export function VoiceForm({ of }: { of: FirmVoice }) {
  const { ask, problem, said, fields, disabled } = useAsk();
  const [leftOut, setLeftOut] = useState<readonly LetterPart[]>(of.voice.leftOut);
  const [way, setWay] = useState(of.way);
  const save = async (form: HTMLFormElement) => {
    const typed = Object.fromEntries(new FormData(form)) as Record<string, string>;
    const hour = typed.hour?.trim() ? Number(typed.hour) : null;
    const { greeting = "", close = "", colour = "" } = typed;
    await ask(saveVoiceAction({ greeting, close, colour, leftOut, way, hour }), () => "Saved.");
  };
  return (
    <Form
      method="post"
      noValidate
      pt="10px"
      data-voice=""
      onSubmit={(e) => {
        e.preventDefault();
        void save(e.currentTarget);
      }}
    >
      <Flex gap="4px 16px" wrap="wrap">
        <FieldRow
          label="Greeting, before the name"
          error={fields.greeting?.[0]}
          hint="Empty: Dear; Hello without a name."
        >
          <TextInput
            name="greeting"
            maxLength={60}
            defaultValue={of.voice.greeting ?? ""}
            placeholder="Dear"
            w="220px"
          />
        </FieldRow>
        <FieldRow label="Colour of the firm" error={fields.colour?.[0]} hint="Empty: ink.">
          <TextInput name="colour" maxLength={7} defaultValue={of.voice.colour ?? ""} placeholder="#0a5a4a" w="130px" />
        </FieldRow>
      </Flex>
      <FieldRow label="A sentence of your own at the end" error={fields.close?.[0]}>
        <TextArea name="close" rows={2} maxLength={300} defaultValue={of.voice.close ?? ""} />
      </FieldRow>
      <Box fontSize="13px" fontWeight="620" color="soft" mb="3px">
        Always left out
      </Box>
      {PARTS.map((part) => (
        <Label key={part} display="flex" gap="8px" mb="4px">
          <input
            type="checkbox"
            checked={leftOut.includes(part)}
            onChange={(e) => setLeftOut((all) => (e.target.checked ? [...all, part] : all.filter((p) => p !== part)))}
          />
          {PART_NAME[part]}
        </Label>
      ))}
      <Flex gap="4px 16px" wrap="wrap" mt="10px">
        <FieldRow label="Letters leave" error={fields.way?.[0]}>
          <Choice value={way} onChange={(e) => setWay(e.target.value as FirmVoice["way"])} w="330px">
            <option value="by-hand">when somebody has read and sent them</option>
            <option value="by-itself">by themselves</option>
          </Choice>
        </FieldRow>
        <FieldRow label="At the hour" error={fields.hour?.[0]} hint="Empty: half an hour after the visit.">
          <TextInput name="hour" inputMode="numeric" maxLength={2} defaultValue={of.hour ?? ""} w="90px" />
        </FieldRow>
      </Flex>
      {(problem ?? said) && (
        <Box role={problem ? "alert" : "status"} mb="10px">
          <Notice tone={problem ? "danger" : "plain"}>{problem ?? said}</Notice>
        </Box>
      )}
      <GoButton type="submit" disabled={disabled}>
        Save how letters speak
      </GoButton>
    </Form>
  );
}
