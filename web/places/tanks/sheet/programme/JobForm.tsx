"use client";

import { Box, Flex } from "@chakra-ui/react";
import {
  everyDaysOf,
  PERFORMERS,
  type Performer,
  parseCadence,
  previewOf,
  type TankTask,
} from "@keel-round/core/programme";
import { useMemo, useState } from "react";
import { Choice, FieldRow, GoButton, QuietButton, TextInput } from "@/kit/controls";
import { Button, Span } from "@/kit/elements";
import type { Board, ProgrammeJob } from "./jobs";
import { PreviewStrip } from "./PreviewStrip";

/** One way each to say when a job comes. */
const EXAMPLES = [
  ["by time", "every 3 weeks, give or take 4 days"],
  ["later rather than early", "every month, up to 2 days early or 10 late"],
  ["by hours run", "after 8000 hours of the UV lamp"],
  ["by flow", "when the flow is down 30 %, at the latest every 6 months"],
  ["by a reading", "when nitrate is out of band"],
  ["by TDS", "when TDS is above 10"],
  ["by dirt", "when prefilter is rated 4"],
  ["after an event", "2, 7 and 14 days after stocking"],
  ["by season", "every 2 weeks from 1 October to 31 March"],
] as const;

/** When, by whom and how long: with the year that follows, while it is typed. */
export function JobForm({
  job,
  tankId,
  board,
  today,
  save,
}: {
  job: ProgrammeJob;
  tankId: string;
  board: Board | null;
  today: string;
  save: (change: object) => Promise<string | null>;
}) {
  const [when, setWhen] = useState(job.when);
  const [by, setBy] = useState<Performer>(job.by);
  const [minutes, setMinutes] = useState(String(job.minutes ?? job.firmMinutes));
  const [lastDone, setLastDone] = useState(job.lastDoneOn ?? "");
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const read = useMemo(() => parseCadence(when), [when]);
  const changed = useMemo((): TankTask | null => {
    if (!read.ok) return null;
    const same = when.trim() === job.when;
    const { earlyDays: _, ...task } = job.task;
    return {
      ...(read.window ? { ...task, ...read.window } : job.task),
      by,
      cadence: read.cadence,
      lastDoneOn: lastDone || job.task.lastDoneOn,
      everyDays: same ? job.task.everyDays : everyDaysOf(read.cadence),
    };
  }, [read, when, by, lastDone, job]);
  const preview = useMemo(
    () => (changed && board ? previewOf(tankId, changed, board) : null),
    [changed, board, tankId],
  );
  const mins = Number(minutes.replace(",", "."));
  const minutesWrong = !(mins > 0 && mins <= 480);
  const send = async (change: object) => {
    setBusy(true);
    setProblem(await save({ code: job.code, ...change }).finally(() => setBusy(false)));
  };
  return (
    <Box py="10px" data-job-form="">
      <Flex gap="16px" wrap="wrap" align="flex-start">
        <Box flex="2" minW="300px">
          <FieldRow label="When, in plain words" error={read.ok ? (problem ?? undefined) : read.problem}>
            <TextInput
              value={when}
              maxLength={160}
              aria-invalid={!read.ok}
              onChange={(e) => {
                setWhen(e.target.value);
                setProblem(null);
              }}
            />
          </FieldRow>
          <Flex gap="4px 12px" wrap="wrap" fontSize="13px" mt="-4px">
            <Span color="soft">Say it like:</Span>
            {EXAMPLES.map(([name, text]) => (
              <Button
                key={name}
                type="button"
                bg="transparent"
                color="coralline"
                textDecoration="underline"
                cursor="pointer"
                title={text}
                onClick={() => setWhen(text)}
              >
                {name}
              </Button>
            ))}
          </Flex>
        </Box>
        <Box w="140px">
          <FieldRow label="Done by">
            <Choice value={by} onChange={(e) => setBy(e.target.value as Performer)}>
              {PERFORMERS.map((p) => (
                <option key={p} value={p}>
                  {p}
                </option>
              ))}
            </Choice>
          </FieldRow>
        </Box>
        <Box w="170px">
          <FieldRow label="Last done">
            <TextInput type="date" value={lastDone} max={today} onChange={(e) => setLastDone(e.target.value)} />
          </FieldRow>
        </Box>
        <Box w="130px">
          <FieldRow label="Minutes" error={minutesWrong ? "Between 0.5 and 480." : undefined}>
            <TextInput value={minutes} inputMode="decimal" onChange={(e) => setMinutes(e.target.value)} />
          </FieldRow>
        </Box>
      </Flex>
      {preview && board && <PreviewStrip preview={preview} visits={board.visits.map((v) => v.on)} />}
      <Box color="soft" fontSize="13.5px" mt="6px">
        The firm: {job.firmWhen}, {job.firmBy}, {job.firmMinutes} min.
        {job.libraryWhen && job.libraryWhen !== job.firmWhen && ` The library: ${job.libraryWhen}.`}
        {job.caution && ` ${job.caution}`}
      </Box>
      <Flex gap="8px" mt="10px" wrap="wrap">
        <GoButton
          type="button"
          disabled={busy || !read.ok || minutesWrong}
          onClick={() =>
            send({
              ...(when.trim() === job.when ? {} : { when }),
              ...(by === job.by ? {} : { by }),
              ...(lastDone === "" || lastDone === job.lastDoneOn ? {} : { lastDoneOn: lastDone }),
              ...(mins === (job.minutes ?? job.firmMinutes) ? {} : { minutes: mins === job.firmMinutes ? null : mins }),
            })
          }
        >
          Save
        </GoButton>
        {job.when !== job.firmWhen && (
          <QuietButton type="button" disabled={busy} onClick={() => send({ when: "" })}>
            As the firm has it
          </QuietButton>
        )}
        {job.learnt && (
          <QuietButton type="button" disabled={busy} onClick={() => send({ forget: true })}>
            Back to every {job.learnt.agreed} days, forget what was learnt
          </QuietButton>
        )}
        <QuietButton type="button" disabled={busy} onClick={() => send({ active: false })}>
          Take it out of the programme
        </QuietButton>
      </Flex>
    </Box>
  );
}
