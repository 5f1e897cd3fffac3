"use client";

import { Box, Flex } from "@chakra-ui/react";
import { daysBetween, sayDay } from "@keel-round/core/calendar";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { Choice, Notice, QuietButton } from "@/kit/controls";
import { Button, Label, Span, Table } from "@/kit/elements";
import { Cell, Head } from "@/kit/table";
import { useHydrated } from "@/kit/useHydrated";
import { saveProgrammeAction } from "../../actions";
import { JobForm } from "./JobForm";
import type { Board, OfferedJob, ProgrammeJob } from "./jobs";

type Change = Parameters<typeof saveProgrammeAction>[0];

/** The recurring jobs of a tank: each opens into a form with the year that would follow from it. */
export function Editor({
  tankId,
  jobs,
  offered,
  board,
  today,
  editable,
}: {
  tankId: string;
  jobs: readonly ProgrammeJob[];
  offered: readonly OfferedJob[];
  board: Board | null;
  today: string;
  editable: boolean;
}) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [open, setOpen] = useState<string | null>(null);
  const [adding, setAdding] = useState("");
  const [message, setMessage] = useState<{ readonly text: string; readonly wrong: boolean } | null>(null);
  const save = async (change: object): Promise<string | null> => {
    const answer = await answered(saveProgrammeAction({ tankId, jobs: [change] } satisfies Change));
    if (!answer.ok) return Object.values(answer.fields).flat()[0] ?? answer.message;
    setMessage({ text: "Saved. The next visit follows it.", wrong: false });
    setOpen(null);
    router.refresh();
    return null;
  };
  const add = async () => {
    const problem = await save({ code: adding, active: true });
    if (problem) setMessage({ text: problem, wrong: true });
    else setAdding("");
  };
  return (
    <Box>
      {message && (
        <Box my="8px" role={message.wrong ? "alert" : "status"}>
          <Notice tone={message.wrong ? "danger" : "plain"}>{message.text}</Notice>
        </Box>
      )}
      <Box overflowX="auto">
        <Table borderCollapse="collapse" fontSize="14px" minW="860px" w="100%" mt="4px">
          <thead>
            <tr>
              {["Job", "When", "By", "Last done", "Due", "Why"].map((h) => (
                <Head key={h}>{h}</Head>
              ))}
            </tr>
          </thead>
          <tbody>
            {jobs.map((job) => (
              <Rows
                key={job.code}
                job={job}
                today={today}
                board={board}
                tankId={tankId}
                editable={editable && hydrated}
                open={open === job.code}
                onOpen={() => setOpen(open === job.code ? null : job.code)}
                save={save}
              />
            ))}
          </tbody>
        </Table>
      </Box>
      {editable && (
        <Flex gap="10px" mt="14px" align="end" wrap="wrap">
          <Label fontSize="14px">
            Put a job into the programme
            <Choice
              value={adding}
              disabled={!hydrated}
              mt="3px"
              minW="320px"
              onChange={(e) => setAdding(e.target.value)}
            >
              <option value="">Choose a job</option>
              {([true, false] as const).map((ofKind) => (
                <optgroup key={String(ofKind)} label={ofKind ? "Of this kind of tank" : "Others of the library"}>
                  {offered
                    .filter((o) => o.ofKind === ofKind)
                    .map((o) => (
                      <option key={o.code} value={o.code}>
                        {o.name}: {o.when}
                      </option>
                    ))}
                </optgroup>
              ))}
            </Choice>
          </Label>
          <QuietButton type="button" disabled={!hydrated || adding === ""} onClick={add}>
            Put it in
          </QuietButton>
        </Flex>
      )}
    </Box>
  );
}

const COLUMNS = 6;

function Rows({
  job,
  today,
  board,
  tankId,
  editable,
  open,
  onOpen,
  save,
}: {
  job: ProgrammeJob;
  today: string;
  board: Board | null;
  tankId: string;
  editable: boolean;
  open: boolean;
  onOpen: () => void;
  save: (change: object) => Promise<string | null>;
}) {
  const late = job.waits ? 0 : daysBetween(job.due, today);
  return (
    <>
      <tr data-job={job.code}>
        <Cell fontWeight="560" maxW="260px" verticalAlign="top">
          {editable ? (
            <Button
              type="button"
              bg="transparent"
              textAlign="left"
              verticalAlign="top"
              cursor="pointer"
              fontWeight="560"
              textDecoration="underline"
              textDecorationColor="ruleStrong"
              textUnderlineOffset="3px"
              aria-expanded={open}
              onClick={onOpen}
            >
              {job.name}
            </Button>
          ) : (
            job.name
          )}
        </Cell>
        <Cell maxW="220px" verticalAlign="top">
          {job.when}
          {job.learnt && (
            <Box color="coralline" fontSize="13px">
              learnt: every {job.learnt.now} days
            </Box>
          )}
          {job.when !== job.firmWhen && (
            <Box color="soft" fontSize="13px">
              the firm: {job.firmWhen}
            </Box>
          )}
          {job.libraryWhen && job.libraryWhen !== job.firmWhen && (
            <Box color="soft" fontSize="13px">
              the library: {job.libraryWhen}
            </Box>
          )}
        </Cell>
        <Cell verticalAlign="top">{job.by}</Cell>
        <Cell whiteSpace="nowrap" verticalAlign="top">
          {job.lastDoneOn === null ? <Span color="soft">not known</Span> : sayDay(job.lastDoneOn)}
        </Cell>
        <Cell verticalAlign="top" color={late > job.task.giveDays ? "ochre" : "inherit"}>
          {job.waits ? <Span color="soft">waits</Span> : <Span whiteSpace="nowrap">{sayDay(job.due)}</Span>}
          {late > 0 && job.by === "technician" ? `, ${late} d late` : ""}
          {job.calledBy && (
            <Box color="soft" fontSize="13px">
              {job.calledBy}
            </Box>
          )}
        </Cell>
        <Cell color="soft" verticalAlign="top">
          {job.reason}
          {job.slips > 0 && (
            <Span color="ochre">
              {" "}
              Slipped {job.slips === 1 ? "once" : `${job.slips} times`}
              {job.lastSkipReason ? `: ${job.lastSkipReason}` : ""}.
            </Span>
          )}
        </Cell>
      </tr>
      {open && (
        <tr>
          <Cell colSpan={COLUMNS} bg="corallineWash" px="14px">
            <JobForm job={job} tankId={tankId} board={board} today={today} save={save} />
          </Cell>
        </tr>
      )}
    </>
  );
}
