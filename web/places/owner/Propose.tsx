"use client";

import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { FieldRow, GoButton, Notice, Problem, QuietButton, TextArea, TextInput } from "@/kit/controls";
import { Form } from "@/kit/elements";
import { proposeAction } from "./actions";

const FIELDS = [
  { name: "what", label: "What you propose", hint: "As it reads on the owner's page: New heater" },
  { name: "why", label: "Why", hint: "As the owner would ask: yours is 31 months old and may fail in the cold." },
  { name: "ifNot", label: "What happens if not", hint: "" },
] as const;

/** Proposes something to the owner: it stands on their page until they answer. */
export function Propose({ tankId }: { tankId: string }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [fields, setFields] = useState<Readonly<Record<string, readonly string[]>>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [said, setSaid] = useState(false);
  const propose = async (form: HTMLFormElement) => {
    const typed = Object.fromEntries(new FormData(form)) as Record<string, string>;
    const minutes = typed.minutes?.trim() ? Number(typed.minutes.replace(",", ".")) : undefined;
    const answer = await answered(proposeAction({ ...typed, tankId, minutes }));
    setFields(answer.ok ? {} : answer.fields);
    setProblem(answer.ok || Object.keys(answer.fields).length > 0 ? null : answer.message);
    setSaid(answer.ok);
    if (!answer.ok) return;
    setOpen(false);
    router.refresh();
  };
  if (!open)
    return (
      <Box mt="10px">
        <QuietButton type="button" onClick={() => setOpen(true)}>
          Propose something
        </QuietButton>
        {said && (
          <Box role="status" mt="8px">
            <Notice tone="plain">It stands on the owner's page. Nothing was mailed.</Notice>
          </Box>
        )}
      </Box>
    );
  return (
    <Form
      noValidate
      mt="12px"
      maxW="620px"
      onSubmit={(e) => {
        e.preventDefault();
        void propose(e.currentTarget);
      }}
    >
      {FIELDS.map(({ name, label, hint }) => (
        <FieldRow key={name} label={label} error={fields[name]?.[0]} {...(hint ? { hint } : {})}>
          {name === "what" ? (
            <TextInput name={name} maxLength={120} />
          ) : (
            <TextArea name={name} rows={2} maxLength={400} />
          )}
        </FieldRow>
      ))}
      <FieldRow label="Minutes of a visit" error={fields.minutes?.[0]}>
        <TextInput name="minutes" inputMode="numeric" w="120px" />
      </FieldRow>
      <Problem says={problem} />
      <GoButton type="submit">Put it on their page</GoButton>{" "}
      <QuietButton type="button" onClick={() => setOpen(false)}>
        Leave it
      </QuietButton>
    </Form>
  );
}
