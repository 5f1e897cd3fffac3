import { Box } from "@chakra-ui/react";
import { addDays, duration } from "@keel-round/core/calendar";
import { taskLibrary } from "@keel-round/core/programme";
import { andList, counted, sentence } from "@keel-round/core/text";
import { litresText, type UnitPreference, withUnit } from "@keel-round/core/units";
import type { ownerDays } from "@/data/owner/days";
import type { Proposal } from "@/data/owner/proposals";
import type { Told } from "@/data/owner/told";
import { SubHead } from "@/kit/controls";
import { A, B, Span, Table } from "@/kit/elements";
import { Cell, Head } from "@/kit/table";
import { dayLabel, moment } from "@/kit/words";
import { Propose } from "./Propose";
import { Withdraw } from "./Withdraw";

type OwnerDay = Awaited<ReturnType<typeof ownerDays>>[number];

/** Days of their list that are shown. */
const DAYS = 14;
const BECAME: Readonly<Record<Told["state"], string>> = {
  ...{ open: "on the next plan", carried: "put off", fixed: "seen to", owner: "left to the owner" },
};

/** What goes to and fro with the owner of a tank: their list, what they told, and what is proposed to them. */
export function WithOwner({
  tankId,
  days,
  told,
  proposals,
  today,
  units,
  zone,
}: {
  tankId: string;
  days: readonly OwnerDay[];
  told: readonly Told[];
  proposals: readonly Proposal[];
  today: string;
  units: UnitPreference;
  zone: string;
}) {
  const shown = days.filter((d) => d.on > addDays(today, -DAYS));
  return (
    <Box mt="16px" maxW="860px" data-owner="">
      <SubHead>Proposed to the owner</SubHead>
      {proposals.length === 0 && <Box color="soft">Nothing is proposed.</Box>}
      {proposals.map((p) => (
        <Box key={p.id} py="8px" borderBottomWidth="1px" borderColor="rule" data-proposal={p.what}>
          <B fontWeight="620">{p.what}</B>, {duration(p.minutes)}: {p.why} {p.ifNot}
          <Box color="soft" fontSize="14px">
            {p.by}, {moment(p.madeAt, zone)}. {answerOf(p, zone)}{" "}
            {!p.answer && !p.withdrawn && <Withdraw proposalId={p.id} what={p.what} />}
          </Box>
        </Box>
      ))}
      <Propose tankId={tankId} />
      <Box mt="26px">
        <SubHead>What they told us</SubHead>
      </Box>
      {told.length === 0 && <Box color="soft">Nothing in the last month.</Box>}
      {told.map((t) => (
        <Box key={t.id} py="7px" borderBottomWidth="1px" borderColor="rule">
          {t.urgent && <Span color="vermilion">At once: </Span>}“{t.text}”
          <Box color="soft" fontSize="14px">
            {t.by}, {moment(t.at, zone)}: {BECAME[t.state]}
            {t.photoIds.map((id) => (
              <A key={id} href={`/api/photos/${id}`} color="coralline" ml="8px">
                picture
              </A>
            ))}
          </Box>
        </Box>
      ))}
      <Box mt="26px">
        <SubHead>Their list, the last {counted(DAYS, "day")}</SubHead>
      </Box>
      {shown.length === 0 ? <Box color="soft">No day was saved.</Box> : <Days days={shown} units={units} />}
    </Box>
  );
}

/** "fed a little" of a job of the library; a firm's own by its code. */
const doneOf = (code: string): string => {
  const job = code in taskLibrary ? taskLibrary[code as keyof typeof taskLibrary] : null;
  return job && "done" in job && typeof job.done === "string" ? job.done : code;
};

function answerOf({ answer, answeredAt, answerBy, unanswered, withdrawn }: Proposal, zone: string): string {
  if (withdrawn) return "Taken back.";
  if (unanswered) return `No answer by ${dayLabel(answerBy)}: the plan stays as it is.`;
  if (!answer) return `No answer yet; asked for one by ${dayLabel(answerBy)}.`;
  return `${answer === "agreed" ? "Agreed" : "Declined"} ${answeredAt ? moment(answeredAt, zone) : ""}.`;
}

function Days({ days, units }: { days: readonly OwnerDay[]; units: UnitPreference }) {
  return (
    <Table borderCollapse="collapse" fontSize="14.5px">
      <thead>
        <tr>
          {["Day", "Done", "Topped up", "Temperature"].map((h) => (
            <Head key={h}>{h}</Head>
          ))}
        </tr>
      </thead>
      <tbody>
        {days.map((d) => (
          <tr key={d.on}>
            <Cell whiteSpace="nowrap">{dayLabel(d.on)}</Cell>
            <Cell>{sentence(andList(d.done.map(doneOf))) || "nothing ticked"}</Cell>
            <Cell fontFamily="mono">{d.topUpL === null ? "" : litresText(d.topUpL, units)}</Cell>
            <Cell fontFamily="mono">
              {d.temperatureC === null ? "" : withUnit("temperature", d.temperatureC, units)}
            </Cell>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}
