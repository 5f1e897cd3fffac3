import { Box } from "@chakra-ui/react";
import type { LetterWords } from "@/data/letters/edit";
import { Notice, PageHead, QuietButton } from "@/kit/controls";
import { Iframe } from "@/kit/elements";
import { moment } from "@/kit/words";
import { letterState } from "./LetterList";
import { LetterWording } from "./LetterWording";
import { LinkButton } from "./LinkButton";
import { CallBackButton, SendButton } from "./SendButton";

interface LetterViewProps {
  readonly letter: {
    readonly id: string;
    readonly subject: string;
    readonly queuedAt: Date | null;
    readonly sentAt: Date | null;
    readonly openedAt: Date | null;
    readonly sendError: string | null;
    readonly returnedAt: Date | null;
    readonly revokedAt: Date | null;
  };
  readonly token: string;
  /** What it leaned on and was corrected after it was made, each as a sentence. */
  readonly leantOn: readonly string[];
  /** Null for the tank's owner, and for a letter from before its words were kept. */
  readonly words: LetterWords | null;
  readonly beingSet: boolean;
  readonly zone: string;
  readonly owner: boolean;
}

/** A letter as its owner will see it, to be read before it goes. */
export function LetterView({ letter, token, leantOn, words, beingSet, zone, owner }: LetterViewProps) {
  return (
    <Box>
      <PageHead
        title="Letter"
        facts={owner ? "" : letterState(letter, zone).text}
        actions={
          <>
            <QuietButton asChild>
              <a href={`/letter/${token}`} target="_blank" rel="noreferrer">
                As a page
              </a>
            </QuietButton>
            <QuietButton asChild>
              <a href={`/letter/${token}/pdf`}>PDF</a>
            </QuietButton>
            {!owner && letter.sentAt && <LinkButton letterId={letter.id} revoked={letter.revokedAt !== null} />}
            {!owner && letter.queuedAt && letter.queuedAt.getTime() > Date.now() && (
              <CallBackButton letterId={letter.id} />
            )}
            {!owner && (!letter.queuedAt || letter.returnedAt) && !beingSet && <SendButton letterId={letter.id} />}
          </>
        }
      />
      {leantOn.length > 0 && (
        <Box mt="16px" maxW="820px">
          <Notice tone="care">
            A reading that this letter leaned on was corrected since. {leantOn.map((line) => `${line}.`).join(" ")}
          </Notice>
        </Box>
      )}
      {words && (
        <LetterWording
          letterId={letter.id}
          words={words}
          by={words.editedAt ? `${words.editedBy ?? "somebody who left"}, ${moment(words.editedAt, zone)}` : null}
          editable={!letter.queuedAt && !letter.sentAt && !beingSet}
          beingSet={beingSet}
        />
      )}
      {letter.revokedAt ? (
        <Box mt="16px" maxW="640px">
          <Notice tone="plain">The link of this letter does not work. The letter itself is kept.</Notice>
        </Box>
      ) : (
        <Iframe
          // What is set anew is shown anew.
          key={`${beingSet} ${words?.editedAt?.toISOString()}`}
          title={letter.subject}
          src={`/letter/${token}`}
          w="100%"
          maxW="820px"
          h="1080px"
          mt="16px"
          borderWidth="1px"
          borderColor="ruleStrong"
          bg="sheet"
          display="block"
        />
      )}
    </Box>
  );
}
