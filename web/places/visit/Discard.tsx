"use client";

import { Flex } from "@chakra-ui/react";
import { useState } from "react";
import type { LiveVisit } from "@/device/useVisit";
import { FieldRow, Notice, QuietButton, TextInput } from "@/kit/controls";
import { Details, Form, Summary } from "@/kit/elements";
import { refusalSentence } from "./refusals";

const WHY = ["wrong tank", "wrong day", "only had a look"] as const;

/** A visit that was opened by mistake: with a reason, and nothing of it happened. */
export function Discard({ visit }: { visit: LiveVisit }) {
  const [why, setWhy] = useState("");
  const [error, setError] = useState<string | null>(null);
  const discard = async (reason: string) => {
    if (reason.trim() === "") return setError("Enter why it was a mistake.");
    const refusal = await visit.say({ type: "discard", why: reason.trim() });
    setError(refusal ? refusalSentence(refusal) : null);
  };
  return (
    <Details mt="22px" fontSize="16px">
      <Summary fontWeight="600" color="soft" minH="48px">
        Opened by mistake
      </Summary>
      <Notice tone="care">
        Everything entered in this visit is put aside, readings and notes too. The visit stands planned again, and the
        log keeps why.
      </Notice>
      <Flex gap="6px" wrap="wrap" mt="10px">
        {WHY.map((w) => (
          <QuietButton key={w} type="button" minH="48px" fontWeight="400" onClick={() => discard(w)}>
            Discard: {w}
          </QuietButton>
        ))}
      </Flex>
      <Form
        method="post"
        mt="10px"
        onSubmit={(e) => {
          e.preventDefault();
          void discard(why);
        }}
      >
        <FieldRow label="Another reason" error={error ?? undefined}>
          <Flex gap="8px">
            <TextInput minH="48px" value={why} onChange={(e) => setWhy(e.target.value)} />
            <QuietButton type="submit" minH="48px">
              Discard
            </QuietButton>
          </Flex>
        </FieldRow>
      </Form>
    </Details>
  );
}
