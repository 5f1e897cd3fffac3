import { Box, Flex } from "@chakra-ui/react";
import { PERIOD_KINDS, type Period, type PeriodKind, periodName } from "@keel-round/core/report";
import { counted } from "@keel-round/core/text";
import type { ToldRun } from "@/data/reports/runs";
import { AppLink } from "@/kit/AppLink";
import { PageHead, QuietButton, SubHead } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { moment } from "@/kit/words";
import { AskReports } from "./AskReports";
import { Making } from "./Making";

/** Who a report is for. */
const FOR: Readonly<Record<PeriodKind, string>> = {
  month: "for each client",
  quarter: "for each client",
  year: "for the firm",
};

/** Reports of a month, a quarter or a year: asked for, made, and where they are. */
export function ReportsPage({
  offered,
  runs,
  zone,
}: {
  offered: readonly Period[];
  runs: readonly ToldRun[];
  zone: string;
}) {
  const making = runs.find((r) => r.state === "making");
  return (
    <Box>
      <PageHead
        title="Reports"
        facts={making ? "being made" : ""}
        actions={
          <QuietButton asChild>
            <AppLink href="/letters">To the letters</AppLink>
          </QuietButton>
        }
      />
      <Box mt="14px" color="soft" maxW="64ch">
        What was steady and what was not, litres, jobs, losses, and what will have to be replaced, on three pages at
        most. A client’s report waits among the letters to be read and sent.
      </Box>
      {making ? (
        <Making run={making} />
      ) : (
        <AskReports
          offered={PERIOD_KINDS.map((kind) => ({
            kind,
            periods: offered.filter((p) => p.kind === kind).map((p) => ({ fromOn: p.fromOn, name: periodName(p) })),
          }))}
        />
      )}
      <Box mt="26px">
        <SubHead>Made so far</SubHead>
      </Box>
      {runs.filter((r) => r !== making).length === 0 && <Box color="soft">None yet.</Box>}
      {runs
        .filter((r) => r !== making)
        .map((run) => (
          <Flex key={run.id} gap="14px" py="8px" borderBottomWidth="1px" borderColor="rule" wrap="wrap" data-run="">
            <Span fontWeight="560" minW="210px">
              {run.name}, {FOR[run.kind]}
            </Span>
            <Span flex="1">{became(run)}</Span>
            {run.kind === "year" && run.state === "done" && run.made > 0 && (
              <>
                <a href={`/api/reports/${run.id}/page`} target="_blank" rel="noreferrer">
                  As a page
                </a>
                <a href={`/api/reports/${run.id}/pdf`}>PDF</a>
              </>
            )}
            <Span color="soft">
              {run.by}, {moment(run.at, zone)}
            </Span>
          </Flex>
        ))}
    </Box>
  );
}

/** What became of reports that were asked for, in words. */
function became({ kind, state, made, gone, total, error }: ToldRun): string {
  const reports = made === 0 ? "no new report" : counted(made, "new report");
  if (state === "failed") return `given up: ${error ?? ""}`;
  if (state === "cancelled")
    return `stopped after ${gone} of ${counted(total, "client")}; ${kind === "year" ? "nothing is kept" : reports}`;
  if (kind === "year") return made > 0 ? "made" : "no client yet";
  return `${reports} of ${counted(total, "client")}`;
}
