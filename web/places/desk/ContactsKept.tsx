"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import { Problem, QuietButton } from "@/kit/controls";
import { useAsk } from "@/kit/useAsk";
import { eraseContactsAction } from "./actions";

/** Who is behind a client, where the law asks: all that is kept as a file, and erased for good. */
export function ContactsKept({ clientId }: { clientId: string }) {
  const { ask, problem, said, disabled } = useAsk();
  const [sure, setSure] = useState(false);
  return (
    <Box pt="10px">
      <Flex gap="10px" wrap="wrap" align="center">
        <QuietButton asChild>
          <a href={`/api/export/contacts/${clientId}`} download>
            What is kept about them
          </a>
        </QuietButton>
        {!sure && (
          <QuietButton type="button" disabled={disabled} onClick={() => setSure(true)}>
            Erase who is behind it
          </QuietButton>
        )}
        {sure && (
          <>
            <QuietButton
              type="button"
              borderColor="vermilion"
              disabled={disabled}
              onClick={() =>
                void ask(eraseContactsAction({ clientId }), () => {
                  setSure(false);
                  return "Erased. Sites, tanks and what was measured stay.";
                })
              }
            >
              Yes, erase names and addresses for good
            </QuietButton>
            <QuietButton type="button" onClick={() => setSure(false)}>
              No
            </QuietButton>
          </>
        )}
      </Flex>
      <Box role="status" color="soft" pt="8px" _empty={{ display: "none" }}>
        {said}
      </Box>
      <Problem says={problem} />
    </Box>
  );
}
