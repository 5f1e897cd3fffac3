import { Box, Flex } from "@chakra-ui/react";
import { counted } from "@keel-round/core/text";
import { LETTER_STATES, type LetterQuery } from "@/data/letters/list";
import { AppLink } from "@/kit/AppLink";
import { Choice, PageHead, QuietButton, TextInput } from "@/kit/controls";
import { A, Form, Span, Table } from "@/kit/elements";
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
  readonly returnedAt: Date | null;
  readonly revokedAt: Date | null;
}

/** Where a letter is on its way, in words. */
export function letterState(
  l: Pick<LetterLine, "queuedAt" | "sentAt" | "openedAt" | "sendError" | "returnedAt" | "revokedAt">,
  zone: string,
): { readonly text: string; readonly colour: string } {
  if (l.revokedAt) return { text: `link taken back ${moment(l.revokedAt, zone)}`, colour: "soft" };
  if (l.openedAt) return { text: `opened ${moment(l.openedAt, zone)}`, colour: "ink" };
  if (l.sentAt) return { text: `sent ${moment(l.sentAt, zone)}`, colour: "ink" };
  if (l.returnedAt)
    return { text: `came back ${moment(l.returnedAt, zone)}: ${l.sendError ?? ""}`, colour: "vermilion" };
  if (l.sendError) return { text: `not sent yet: ${l.sendError}`, colour: "vermilion" };
  if (l.queuedAt && l.queuedAt.getTime() > Date.now())
    return { text: `leaves at ${moment(l.queuedAt, zone)}`, colour: "coralline" };
  if (l.queuedAt) return { text: "on its way", colour: "coralline" };
  return { text: "to be read and sent", colour: "ochre" };
}

const STATE_NAME: Readonly<Record<(typeof LETTER_STATES)[number], string>> = {
  "to-read": "to be read and sent",
  waiting: "on their way",
  sent: "sent",
  opened: "opened",
  "not-sent": "not sent yet",
  returned: "came back",
};

const hrefOf = ({ q, state, year, page }: LetterQuery): string => {
  const said = { q, state: state ?? "", year: String(year ?? ""), page: page > 1 ? String(page) : "" };
  return `/letters?${new URLSearchParams(Object.entries(said).filter(([, v]) => v !== ""))}`;
};

/** Letters that owners get, newest first. */
export function LetterList({
  letters,
  older,
  years,
  query,
  zone,
  owner,
  office,
}: {
  letters: readonly LetterLine[];
  older: boolean;
  years: readonly number[];
  query: LetterQuery;
  zone: string;
  owner: boolean;
  /** May ask for reports. */
  office: boolean;
}) {
  const asked = query.q !== "" || query.state !== null || query.year !== null;
  return (
    <Box>
      <PageHead
        title="Letters"
        facts={letters.length === 0 ? "" : shown(letters, older || query.page > 1, owner)}
        actions={
          office && (
            <QuietButton asChild>
              <AppLink href="/letters/reports">Reports</AppLink>
            </QuietButton>
          )
        }
      />
      {(asked || years.length > 0) && <Ask query={query} years={years} owner={owner} />}
      {letters.length === 0 ? (
        <Box mt="24px" color="soft" maxW="60ch">
          {asked
            ? "No letter is like that. Ask for less, or for all of them."
            : "A letter is made when the last visit of a stop is closed. It waits here to be read before it is sent."}
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
      <Flex gap="10px" mt="12px">
        {query.page > 1 && (
          <QuietButton asChild>
            <AppLink href={hrefOf({ ...query, page: query.page - 1 })}>Newer letters</AppLink>
          </QuietButton>
        )}
        {older && (
          <QuietButton asChild>
            <AppLink href={hrefOf({ ...query, page: query.page + 1 })}>Older letters</AppLink>
          </QuietButton>
        )}
      </Flex>
    </Box>
  );
}

function shown(letters: readonly LetterLine[], part: boolean, owner: boolean): string {
  const count = part ? `${letters.length} letters of more` : counted(letters.length, "letter");
  const waiting = letters.filter((l) => !l.queuedAt && !l.sentAt).length;
  return owner ? count : `${count}, ${waiting} to be read and sent`;
}

/** By whom, where on their way, and of which year. */
function Ask({ query, years, owner }: { query: LetterQuery; years: readonly number[]; owner: boolean }) {
  return (
    <Form action="/letters" mt="12px" role="search">
      <Flex gap="10px" wrap="wrap" align="center">
        <TextInput
          name="q"
          aria-label="Client, site or words of the subject"
          placeholder="Client, site or words"
          defaultValue={query.q}
          w="240px"
        />
        {!owner && (
          <Choice name="state" aria-label="Where they are" defaultValue={query.state ?? ""} w="auto">
            <option value="">anywhere</option>
            {LETTER_STATES.map((s) => (
              <option key={s} value={s}>
                {STATE_NAME[s]}
              </option>
            ))}
          </Choice>
        )}
        <Choice name="year" aria-label="Year" defaultValue={query.year ?? ""} w="auto">
          <option value="">any year</option>
          {years.map((y) => (
            <option key={y} value={y}>
              {y}
            </option>
          ))}
        </Choice>
        <QuietButton type="submit">Show letters</QuietButton>
        {hrefOf(query) !== hrefOf({ q: "", state: null, year: null, page: 1 }) && (
          <AppLink href="/letters">All letters</AppLink>
        )}
      </Flex>
    </Form>
  );
}
