"use client";

import { Box, Flex } from "@chakra-ui/react";
import { daysBetween, sayDay } from "@keel-round/core/calendar";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { PurifierJob, PurifierUpkeep as Upkeep } from "@/data/water/purifierUpkeep";
import { answered } from "@/kit/answered";
import { FieldRow, QuietButton, SubHead, TextInput } from "@/kit/controls";
import { Span, Table } from "@/kit/elements";
import { Cell, Head } from "@/kit/table";
import { useHydrated } from "@/kit/useHydrated";
import { purifierDoneAction } from "./actions";

/** The jobs of the firm's own purifiers: done here once, for every tank that is filled from them. */
export function PurifierUpkeep({ purifiers, today }: { purifiers: readonly Upkeep[]; today: string }) {
  return purifiers.map((p) => (
    <Box key={p.sourceId} mt="28px" as="section" aria-label={`Upkeep of ${p.name}`}>
      <SubHead>{p.name}: upkeep of the purifier</SubHead>
      <Box overflowX="auto">
        <Table borderCollapse="collapse" fontSize="14px" minW="760px" w="100%">
          <thead>
            <tr>
              {["Job", "When", "Last done", "Due", "Done"].map((h) => (
                <Head key={h}>{h}</Head>
              ))}
            </tr>
          </thead>
          <tbody>
            {p.jobs.map((job) => (
              <JobRow key={`${job.code} ${job.lastDoneOn}`} job={job} sourceId={p.sourceId} today={today} />
            ))}
          </tbody>
        </Table>
      </Box>
    </Box>
  ));
}

function JobRow({ job, sourceId, today }: { job: PurifierJob; sourceId: string; today: string }) {
  const late = job.dueOn === null ? 0 : daysBetween(job.dueOn, today);
  return (
    <tr data-job={job.code}>
      <Cell maxW="320px" verticalAlign="top">
        <Span fontWeight="560">{job.name}</Span>
        <Box color="soft" fontSize="13px">
          {job.reason} {job.caution}
        </Box>
      </Cell>
      <Cell verticalAlign="top" maxW="200px">
        {job.when}
      </Cell>
      <Cell verticalAlign="top" whiteSpace="nowrap">
        {job.lastDoneOn === null ? <Span color="soft">not known</Span> : sayDay(job.lastDoneOn)}
        {job.tdsMgL != null && <Box color="soft">{job.tdsMgL} mg/L</Box>}
      </Cell>
      <Cell verticalAlign="top" color={late > 0 ? "ochre" : "inherit"}>
        {job.lastDoneOn === null
          ? "say when it was done"
          : job.dueOn === null
            ? "when its sign calls"
            : `${sayDay(job.dueOn)}${late > 0 ? `, ${late} d late` : ""}`}
        {job.calledBy && (
          <Box color="soft" fontSize="13px">
            {job.calledBy}
          </Box>
        )}
      </Cell>
      <Cell verticalAlign="top">
        <DoneForm job={job} sourceId={sourceId} today={today} />
      </Cell>
    </tr>
  );
}

/** A day, today unless somebody tells another, and the figure where the job is a test. */
function DoneForm({ job, sourceId, today }: { job: PurifierJob; sourceId: string; today: string }) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [on, setOn] = useState(today);
  const [tds, setTds] = useState("");
  const [errors, setErrors] = useState<Readonly<Record<string, string[]>>>({});
  const measures = job.tdsMgL !== undefined;
  const send = async () => {
    const answer = await answered(
      purifierDoneAction({
        sourceId,
        code: job.code,
        on,
        ...(measures && tds.trim() !== "" ? { tdsMgL: Number(tds.replace(",", ".")) } : {}),
      }),
    );
    if (answer.ok) router.refresh();
    else setErrors(Object.keys(answer.fields).length > 0 ? answer.fields : { on: [answer.message] });
  };
  return (
    <Flex gap="8px" align="end">
      {measures && (
        <Box w="110px">
          <FieldRow label="TDS, mg/L" error={errors.tdsMgL?.[0]}>
            <TextInput value={tds} inputMode="decimal" onChange={(e) => setTds(e.target.value)} />
          </FieldRow>
        </Box>
      )}
      <Box w="160px">
        <FieldRow label="Day" error={errors.on?.[0]}>
          <TextInput type="date" value={on} max={today} onChange={(e) => setOn(e.target.value)} />
        </FieldRow>
      </Box>
      <Box pb="4px">
        <QuietButton type="button" disabled={!hydrated || on === ""} onClick={send} aria-label={`Done: ${job.name}`}>
          Done
        </QuietButton>
      </Box>
    </Flex>
  );
}
