import { Box } from "@chakra-ui/react";
import { PageHead, QuietButton } from "@/kit/controls";
import { Iframe } from "@/kit/elements";
import { letterState } from "./LetterList";
import { SendButton } from "./SendButton";

interface LetterViewProps {
  readonly letter: {
    readonly id: string;
    readonly subject: string;
    readonly queuedAt: Date | null;
    readonly sentAt: Date | null;
    readonly openedAt: Date | null;
    readonly sendError: string | null;
  };
  readonly token: string;
  readonly zone: string;
  readonly owner: boolean;
}

/** A letter as its owner will see it, to be read before it goes. */
export function LetterView({ letter, token, zone, owner }: LetterViewProps) {
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
            {!owner && !letter.queuedAt && <SendButton letterId={letter.id} />}
          </>
        }
      />
      <Iframe
        title={letter.subject}
        src={`/letter/${token}?preview=1`}
        w="100%"
        maxW="820px"
        h="1080px"
        mt="16px"
        borderWidth="1px"
        borderColor="ruleStrong"
        bg="sheet"
        display="block"
      />
    </Box>
  );
}
