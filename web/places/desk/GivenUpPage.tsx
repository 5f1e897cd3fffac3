import { Box } from "@chakra-ui/react";
import type { Scope } from "@/data/access/scope";
import type { GivenUp } from "@/data/background/jobs";
import { AppLink } from "@/kit/AppLink";
import { PageHead } from "@/kit/controls";
import { A, Table } from "@/kit/elements";
import { Cell, Head } from "@/kit/table";
import { moment } from "@/kit/words";
import { DeskNav } from "./DeskNav";
import { TryAgain } from "./TryAgain";

const WHAT: Readonly<Record<GivenUp["kind"], string>> = {
  letter: "Writing a letter",
  mail: "Mailing a letter",
  notice: "Mailing that a visit was moved",
  told: "Mailing the firm what an owner told",
  ring: "Ringing a phone when a clock ended",
  entry: "Mailing a way in",
  report: "Making reports",
  order: "Mailing an order",
  "import-check": "Checking a file",
  "import-apply": "Bringing a file in",
};

/** Work that was tried until it was given up: what, why, and the way on. */
export function GivenUpPage({ scope, work }: { scope: Scope; work: readonly GivenUp[] }) {
  return (
    <Box>
      <PageHead title="Stuck work" facts={work.length === 0 ? "" : `${work.length} given up`} />
      <DeskNav here="stuck" scope={scope} />
      {work.length === 0 ? (
        <Box color="soft" mt="16px">
          Nothing is stuck. What the program does by itself, such as letters, mail and files, stands here when it could
          not be done.
        </Box>
      ) : (
        <Box overflowX="auto" mt="16px">
          <Table borderCollapse="collapse" fontSize="14.5px" w="100%" minW="640px">
            <thead>
              <tr>
                {["What", "About", "Why not", "Given up", ""].map((h) => (
                  <Head key={h}>{h}</Head>
                ))}
              </tr>
            </thead>
            <tbody>
              {work.map((w) => (
                <tr key={w.id}>
                  <Cell whiteSpace="nowrap">{WHAT[w.kind]}</Cell>
                  <Cell>
                    <A asChild textDecoration="underline">
                      <AppLink href={linkOf(w)}>{w.about ?? "the visit"}</AppLink>
                    </A>
                  </Cell>
                  <Cell color="vermilion" maxW="360px">
                    {w.error}
                  </Cell>
                  <Cell whiteSpace="nowrap" color="soft">
                    {moment(w.failedAt, scope.zone)}, after {w.attempts} tries
                  </Cell>
                  <Cell>
                    <TryAgain jobId={w.id} />
                  </Cell>
                </tr>
              ))}
            </tbody>
          </Table>
        </Box>
      )}
    </Box>
  );
}

const linkOf = (w: GivenUp): string =>
  w.kind === "entry"
    ? "/desk/people"
    : w.letterId
      ? `/letters/${w.letterId}`
      : w.importId
        ? `/desk/files/${w.importId}`
        : `/stops/${w.stopId}`;
