"use client";

import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import type { LetterWords } from "@/data/letters/edit";
import { answered } from "@/kit/answered";
import { Notice, Problem, QuietButton } from "@/kit/controls";
import { Details, Summary } from "@/kit/elements";
import { decidePhraseAction } from "./actions";
import { EditLetter } from "./EditLetter";

/** A page that is set anew is looked for so often. */
const LOOK_MS = 1000;

/** How a letter is worded: to be worded anew, what it was at first, and what the firm says its own way. */
export function LetterWording({
  letterId,
  words,
  by,
  editable,
  beingSet,
}: {
  letterId: string;
  words: LetterWords;
  /** Who worded it anew and when, in words; null where nobody did. */
  by: string | null;
  editable: boolean;
  beingSet: boolean;
}) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  useEffect(() => {
    if (!beingSet) return;
    const timer = setInterval(() => router.refresh(), LOOK_MS);
    return () => clearInterval(timer);
  }, [beingSet, router]);
  return (
    <Box mt="12px" maxW="820px">
      {beingSet && (
        <Box role="status" mb="10px">
          <Notice tone="plain">The page and its PDF are being set anew.</Notice>
        </Box>
      )}
      {words.phrases.map((p) => (
        <Offer key={p.from + p.to} from={p.from} to={p.to} />
      ))}
      {by && (
        <Box color="soft" fontSize="14.5px" data-edited="">
          Worded anew by {by}.
          {words.original && (
            <Details mt="4px">
              <Summary cursor="pointer">As it was written</Summary>
              <Box whiteSpace="pre-line" pl="12px">
                {asWritten(words.original)}
              </Box>
            </Details>
          )}
        </Box>
      )}
      {editable && !open && (
        <QuietButton type="button" mt="6px" onClick={() => setOpen(true)}>
          Change the words
        </QuietButton>
      )}
      {open && (
        <EditLetter
          letterId={letterId}
          text={words.text}
          pictures={words.pictures}
          was={words.editedAt?.toISOString() ?? null}
          onDone={() => setOpen(false)}
        />
      )}
    </Box>
  );
}

const asWritten = ({ greeting, tanks, close }: NonNullable<LetterWords["original"]>): string =>
  [greeting, ...tanks.flatMap((t) => [...t.body, ...t.until]), close].join("\n\n");

/** Something the firm said in its own words twice. */
function Offer({ from, to }: { from: string; to: string }) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const decide = async (adopted: boolean) => {
    const answer = await answered(decidePhraseAction({ from, to, adopted }));
    setProblem(answer.ok ? null : answer.message);
    if (answer.ok) router.refresh();
  };
  return (
    <Box mb="10px" data-phrase="">
      <Notice tone="plain">
        You wrote “{to.replaceAll(/\{\d+\}/g, "…")}” instead of “{from.replaceAll("#", "…")}” twice.
        <Box mt="6px">
          <QuietButton type="button" onClick={() => decide(true)}>
            Say it so from now on
          </QuietButton>{" "}
          <QuietButton type="button" onClick={() => decide(false)}>
            Leave the usual words
          </QuietButton>
        </Box>
        <Problem says={problem} />
      </Notice>
    </Box>
  );
}
