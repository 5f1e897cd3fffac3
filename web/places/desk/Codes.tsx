"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { Notice, QuietButton, TextInput } from "@/kit/controls";
import { Form, Span } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { clock, dayLabel } from "@/kit/words";
import { lookAction, setCodesAction } from "./actions";

/** The codes of a site, shown on asking; every look is written down. */
export function Codes({
  siteId,
  maySet,
  looks,
}: {
  siteId: string;
  maySet: boolean;
  looks: readonly { readonly on: string; readonly minute: number; readonly by: string }[];
}) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [shown, setShown] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [typed, setTyped] = useState("");
  const look = async () => {
    const answer = await answered(lookAction({ siteId }));
    setProblem(answer.ok ? null : answer.message);
    if (!answer.ok) return;
    setShown(answer.value.codes || "No codes are kept for this site.");
    router.refresh();
  };
  const set = async () => {
    const answer = await answered(setCodesAction({ siteId, codes: typed }));
    setProblem(answer.ok ? null : answer.message);
    if (!answer.ok) return;
    setShown(null);
    setTyped("");
    router.refresh();
  };
  return (
    <Box pt="10px" fontSize="14px">
      <Flex gap="14px" align="center" wrap="wrap">
        <QuietButton type="button" onClick={look} disabled={!hydrated}>
          Show the codes
        </QuietButton>
        {shown && (
          <Span role="status" fontFamily="mono" fontSize="18px">
            {shown}
          </Span>
        )}
        {maySet && (
          <Form
            method="post"
            display="flex"
            gap="8px"
            onSubmit={(e) => {
              e.preventDefault();
              void set();
            }}
          >
            <TextInput
              aria-label="New codes"
              placeholder="new codes"
              autoComplete="off"
              value={typed}
              onChange={(e) => setTyped(e.target.value)}
              w="220px"
            />
            <QuietButton type="submit" disabled={!hydrated}>
              Set
            </QuietButton>
          </Form>
        )}
      </Flex>
      {problem && (
        <Box role="alert" mt="8px">
          <Notice tone="care">{problem}</Notice>
        </Box>
      )}
      <Box color="soft" fontSize="13px" mt="8px">
        Kept encrypted; every look is written down.
        {looks.length > 0 &&
          ` Last: ${looks
            .slice(0, 4)
            .map((l) => `${l.by}, ${dayLabel(l.on)} ${clock(l.minute)}`)
            .join("; ")}.`}
      </Box>
    </Box>
  );
}
