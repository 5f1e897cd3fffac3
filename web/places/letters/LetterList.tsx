import { Box } from "@chakra-ui/react";
import { AppLink } from "@/kit/AppLink";
import { PageHead } from "@/kit/controls";
import { A, Span, Table } from "@/kit/elements";
import { Cell } from "@/kit/table";
import { moment } from "@/kit/words";

interface LetterLine {
  readonly id: string;
  readonly subject: string;
  readonly revision: number;
  readonly clientName: string;
  readonly createdAt: Date;
  readonly queuedAt: Date | null;
  readonly sentAt: Date | null;
  readonly openedAt: Date | null;
  readonly sendError: string | null;
  readonly revokedAt: Date | null;
}

/** Where a letter is on its way, in words. */
export function letterState(
  l: Pick<LetterLine, "queuedAt" | "sentAt" | "openedAt" | "sendError" | "revokedAt">,
  zone: string,
): { readonly text: string; readonly colour: string } {
  if (l.revokedAt) return { text: `link taken back ${moment(l.revokedAt, zone)}`, colour: "soft" };
  if (l.openedAt) return { text: `opened ${moment(l.openedAt, zone)}`, colour: "ink" };
  if (l.sentAt) return { text: `sent ${moment(l.sentAt, zone)}`, colour: "ink" };
  if (l.sendError) return { text: `not sent yet: ${l.sendError}`, colour: "vermilion" };
  if (l.queuedAt && l.queuedAt.getTime() > Date.now())
    return { text: `leaves at ${moment(l.queuedAt, zone)}`, colour: "coralline" };
  if (l.queuedAt) return { text: "on its way", colour: "coralline" };
  return { text: "to be read and sent", colour: "ochre" };
}

/** Letters that owners get, newest first. */
export function LetterList({ letters, zone, owner }: { letters: readonly LetterLine[]; zone: string; owner: boolean }) {
  const waiting = letters.filter((l) => !l.queuedAt).length;
  return (
    <Box>
      <PageHead
        title="Letters"
        facts={
          letters.length === 0
            ? ""
            : owner
              ? `${letters.length} letters`
              : `${letters.length} letters, ${waiting} to be read and sent`
        }
      />
      {letters.length === 0 ? (
        <Box mt="24px" color="soft" maxW="60ch">
          A letter is made when the last visit of a stop is closed. It waits here to be read before it is sent.
        </Box>
      ) : (
        <Box overflowX="auto" mt="14px">
          <Table w="100%" minW="640px" borderCollapse="collapse" fontSize="14.5px">
            <tbody>
              {letters.map((l) => {
                const state = letterState(l, zone);
                return (
                  <tr key={l.id}>
                    <Cell color="soft" whiteSpace="nowrap">
                      {moment(l.createdAt, zone)}
                    </Cell>
                    <Cell fontWeight="560">
                      <A asChild textDecoration="none" _hover={{ textDecoration: "underline" }}>
                        <AppLink href={`/letters/${l.id}`} data-row="">
                          {l.subject}
                        </AppLink>
                      </A>
                      {l.revision > 1 && <Span color="soft"> corrected ({l.revision})</Span>}
                    </Cell>
                    <Cell>{l.clientName}</Cell>
                    <Cell color={state.colour}>{owner ? "" : state.text}</Cell>
                  </tr>
                );
              })}
            </tbody>
          </Table>
        </Box>
      )}
    </Box>
  );
}
