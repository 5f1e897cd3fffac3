"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import type { PersonLine } from "@/data/access/people";
import { Problem, QuietButton, SubHead } from "@/kit/controls";
import { B, Span } from "@/kit/elements";
import { useAsk } from "@/kit/useAsk";
import { erasePersonAction } from "./actions";

/** Who has left the firm: what is kept about them can be taken out, and their name and words erased. */
export function Gone({ people }: { people: readonly PersonLine[] }) {
  return (
    <Box mt="26px" maxW="760px">
      <SubHead>Left the firm</SubHead>
      {people.map((p) => (
        <GoneLine key={p.id} person={p} />
      ))}
      <Box pt="8px" color="soft" fontSize="14.5px">
        What they did stays under their names. Where the law asks for it, a name and what its person wrote are erased;
        readings, litres and days stay.
      </Box>
    </Box>
  );
}

function GoneLine({ person: { id: personId, name, erased } }: { person: PersonLine }) {
  const { ask, problem, disabled } = useAsk();
  const [sure, setSure] = useState(false);
  return (
    <Flex
      gap="6px 12px"
      py="8px"
      align="center"
      wrap="wrap"
      borderBottomWidth="1px"
      borderColor="rule"
      data-gone={name}
    >
      <B fontWeight="620">{name}</B>
      {erased && <Span color="soft">name and words erased</Span>}
      <Box flex="1" />
      <KeptLink personId={personId} name={name} />
      {!erased && !sure && (
        <QuietButton type="button" py="5px" fontSize="13.5px" disabled={disabled} onClick={() => setSure(true)}>
          Erase name and words
        </QuietButton>
      )}
      {sure && !erased && (
        <>
          <QuietButton
            type="button"
            py="5px"
            fontSize="13.5px"
            borderColor="vermilion"
            disabled={disabled}
            onClick={() => void ask(erasePersonAction({ personId }))}
          >
            Yes, erase them for good
          </QuietButton>
          <QuietButton type="button" py="5px" fontSize="13.5px" onClick={() => setSure(false)}>
            No
          </QuietButton>
        </>
      )}
      <Problem says={problem} />
    </Flex>
  );
}

/** All that is kept about somebody, as a file. */
export function KeptLink({ personId, name }: { personId: string; name: string }) {
  return (
    <QuietButton asChild py="5px" fontSize="13.5px">
      <a href={`/api/export/person/${personId}`} aria-label={`What is kept about ${name}, as a file`} download>
        What is kept
      </a>
    </QuietButton>
  );
}
