import { Box, Flex } from "@chakra-ui/react";
import { AppLink } from "@/kit/AppLink";
import { PageHead, SubHead } from "@/kit/controls";
import { A, B, Details, Pre, Span, Summary, Table } from "@/kit/elements";
import { Cell } from "@/kit/table";
import { moment } from "@/kit/words";
import type { OutboxMail } from "./outbox";

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
}

/** Where a letter is on its way, in words. */
export function letterState(
  l: Pick<LetterLine, "queuedAt" | "sentAt" | "openedAt" | "sendError">,
  zone: string,
): { readonly text: string; readonly colour: string } {
  if (l.openedAt) return { text: `opened ${moment(l.openedAt, zone)}`, colour: "ink" };
  if (l.sentAt) return { text: `sent ${moment(l.sentAt, zone)}`, colour: "ink" };
  if (l.sendError) return { text: `not sent yet: ${l.sendError}`, colour: "vermilion" };
  if (l.queuedAt) return { text: "on its way", colour: "coralline" };
  return { text: "to be read and sent", colour: "ochre" };
}

/** Letters that owners get, newest first, and what the mail server took. */
export function LetterList({
  letters,
  outbox,
  zone,
  owner,
}: {
  letters: readonly LetterLine[];
  outbox: readonly OutboxMail[] | null;
  zone: string;
  owner: boolean;
}) {
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
      {!owner && (
        <Box mt="30px" id="outbox">
          <SubHead>Outbox of the mail server</SubHead>
          {outbox === null && (
            <Box py="10px" color="vermilion">
              The mail server's outbox does not answer. Letters stay queued and are tried again.
            </Box>
          )}
          {outbox?.length === 0 && (
            <Box py="10px" color="soft">
              Nothing was sent yet.
            </Box>
          )}
          {outbox?.map((m) => (
            <Details key={m.id} borderBottomWidth="1px" borderColor="rule" py="7px" fontSize="14px">
              <Summary>
                <Flex display="inline-flex" gap="16px" wrap="wrap">
                  <Span color="soft">{moment(new Date(m.receivedAt), zone)}</Span>
                  <span>{m.to}</span>
                  <B fontWeight="560">{m.subject}</B>
                  <Span color="soft">
                    {m.attachments.map((a) => `${a.filename}, ${Math.round(a.bytes / 1024)} kB`).join("; ")}
                  </Span>
                </Flex>
              </Summary>
              <Pre whiteSpace="pre-wrap" fontFamily="body" color="soft" p="8px" maxW="76ch">
                {m.text}
              </Pre>
            </Details>
          ))}
        </Box>
      )}
    </Box>
  );
}
