"use client";

import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Notice, QuietButton, SubHead } from "@/kit/controls";
import { Fieldset, Form, Label, Span } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { saveJobsAction } from "../actions";

/** Which jobs are in the programme; what is taken out rests with its history. */
export function Jobs({
  tankId,
  jobs,
}: {
  tankId: string;
  jobs: readonly {
    readonly code: string;
    readonly name: string;
    readonly everyDays: number;
    readonly active: boolean;
  }[];
}) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [message, setMessage] = useState<{ text: string; wrong: boolean } | null>(null);
  const save = async (form: HTMLFormElement) => {
    const answer = await saveJobsAction({ tankId, jobs: new FormData(form).getAll("job").map(String) });
    setMessage(
      answer.ok ? { text: "Saved. The next visit follows it.", wrong: false } : { text: answer.message, wrong: true },
    );
    if (answer.ok) router.refresh();
  };
  return (
    <Form
      method="post"
      mt="22px"
      onSubmit={(e) => {
        e.preventDefault();
        void save(e.currentTarget);
      }}
    >
      <SubHead>In the programme</SubHead>
      <Fieldset disabled={!hydrated}>
        <Box py="10px" columns={{ base: 1, md: 2, xl: 3 }} fontSize="14px">
          {jobs.map((j) => (
            <Label key={j.code} display="flex" gap="8px" py="3px" breakInside="avoid">
              <input type="checkbox" name="job" value={j.code} defaultChecked={j.active} />
              <span>
                {j.name} <Span color="soft">every {j.everyDays} days</Span>
              </span>
            </Label>
          ))}
        </Box>
        <QuietButton type="submit">Save the programme</QuietButton>
      </Fieldset>
      {message && (
        <Box mt="10px" role={message.wrong ? "alert" : "status"}>
          <Notice tone={message.wrong ? "danger" : "plain"}>{message.text}</Notice>
        </Box>
      )}
    </Form>
  );
}
