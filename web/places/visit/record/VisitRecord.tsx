import { Box, Flex } from "@chakra-ui/react";
import { longDate } from "@keel-round/core/calendar";
import { m, say } from "@keel-round/core/say";
import { counted, inSentence } from "@keel-round/core/text";
import {
  enteredText,
  litresText,
  parameterFacts,
  quantityText,
  readingLabel,
  type UnitPreference,
  withUnit,
} from "@keel-round/core/units";
import { countText, doseText, type VisitState } from "@keel-round/core/visit";
import type { CorrectionLine, VisitRecord as Record_ } from "@/data/visit/record";
import { AppLink } from "@/kit/AppLink";
import { Notice, PageHead, SubHead } from "@/kit/controls";
import { A, Span, Table } from "@/kit/elements";
import { Cell, Head } from "@/kit/table";
import { moment } from "@/kit/words";
import { Signature } from "../Handover";
import {
  CorrectAmount,
  CorrectCount,
  CorrectDose,
  CorrectReading,
  CorrectStep,
  Reopen,
  TakeBack,
  TakeNoteBack,
} from "./forms";

interface Part {
  readonly record: Record_;
  readonly units: UnitPreference;
  readonly zone: string;
}

/** What a visit logged, as it stands now, and every correction of it: old and new, by whom, when and why. */
export function VisitRecord({ record, units, zone }: Part) {
  const { state, tankId, tankName, siteName, on, by } = record;
  const part = { record, units, zone };
  return (
    <Box>
      <PageHead
        title={`${tankName}, ${longDate(on)}`}
        facts={`${siteName}, ${by}`}
        actions={
          <A asChild>
            <AppLink href={`/tanks/${tankId}?tab=history`}>The tank's history</AppLink>
          </A>
        }
      />
      <Box mt="12px" maxW="760px">
        <Standing {...part} />
      </Box>
      {state.startedAt && (
        <Box maxW="860px">
          <Readings {...part} />
          <Water {...part} />
          <Doses {...part} />
          <Counts {...part} />
          <Troubles {...part} />
          <Steps {...part} />
          <Notes {...part} />
          <AtTheEnd {...part} />
        </Box>
      )}
      {record.corrections.length > 0 && <Corrections {...part} />}
      {state.closedAt && record.mayCorrect && (
        <Box mt="24px" maxW="520px">
          <Reopen visitId={record.visitId} />
        </Box>
      )}
    </Box>
  );
}

/** How far it is, and what became of its letter. */
function Standing({ record, zone }: Part) {
  const { state, plan, letterSent, leantOn, mayCorrect, turns } = record;
  const at = (iso: string) => moment(new Date(iso), zone);
  const last = turns.at(-1);
  return (
    <>
      {state.closedAt ? (
        <Notice tone="plain">
          Closed {at(state.closedAt)}.{" "}
          {letterSent
            ? "Its letter is sent: what is corrected now goes into a revised one, which waits under Letters."
            : "Its letter is not sent yet: what is corrected goes into it."}
          {!mayCorrect && " It is put right by whoever made it, by the office or the lead."}
        </Notice>
      ) : state.startedAt ? (
        <Notice tone="care">
          In progress since {at(state.startedAt)}: {Object.keys(state.ticked).length} of{" "}
          {counted(plan?.steps.length ?? 0, "step")} done.
        </Notice>
      ) : record.logged || record.planned !== "closed" ? (
        <Notice tone="plain">Not begun.</Notice>
      ) : (
        <Notice tone="plain">
          No log of this visit is kept. What was measured and changed stands on the tank's sheet, and cannot be
          corrected here.
        </Notice>
      )}
      {leantOn.length > 0 && (
        <Box mt="8px">
          <Notice tone="care">
            Its plan leaned on a reading that was corrected since. {leantOn.map((line) => `${line}.`).join(" ")}
          </Notice>
        </Box>
      )}
      {last && (
        <Box mt="8px" color="soft" fontSize="14.5px">
          {last.what === "discard" ? "Discarded" : "Reopened"} {at(last.at)} by {last.by}: {last.why}
        </Box>
      )}
    </>
  );
}

/** The corrections of one thing, under it. */
const Old = ({ of }: { of: readonly CorrectionLine[] }) =>
  of.map((c) => (
    <Box key={c.opId} color="ochre" fontSize="13.5px">
      was {c.was}; corrected by {c.by}: {c.why}
    </Box>
  ));

const ofKey = (record: Record_, key: string) => record.corrections.filter((c) => c.key === key);

function Readings({ record, units, zone }: Part) {
  const { state, visitId, mayCorrect } = record;
  return (
    <Box mt="22px">
      <SubHead>Readings</SubHead>
      {state.readings.length === 0 && (
        <Box color="soft" pt="8px">
          Nothing was measured.
        </Box>
      )}
      {state.readings.length > 0 && (
        <Table borderCollapse="collapse" fontSize="15px" w="100%">
          <thead>
            <tr>
              {["Parameter", "As entered", "Method", "Taken", ""].map((h) => (
                <Head key={h}>{h}</Head>
              ))}
            </tr>
          </thead>
          <tbody>
            {state.readings.map((r) => (
              <tr key={r.id}>
                <Cell>
                  {readingLabel(r.parameter, r.item)}
                  {r.after && <Span color="soft">, after the change</Span>}
                </Cell>
                <Cell fontFamily="mono">
                  {enteredText(r, units)}
                  <Old of={ofKey(record, r.id)} />
                </Cell>
                <Cell color="soft">
                  {r.kit?.name ?? r.method}
                  {r.kit?.offset ? `, counts as ${withUnit(r.parameter, r.value, units)}` : ""}
                </Cell>
                <Cell color="soft" whiteSpace="nowrap">
                  {moment(new Date(r.at), zone)}
                </Cell>
                <Cell>
                  {state.closedAt && mayCorrect && <CorrectReading visitId={visitId} reading={r} units={units} />}
                </Cell>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
    </Box>
  );
}

function Water({ record, units }: Part) {
  const { state, visitId, mayCorrect } = record;
  const litres = (value: number | null | undefined) =>
    value === null || value === undefined ? "not entered" : litresText(value, units);
  const rows = [
    { label: "Drained", field: "outL", value: state.litres?.outL ?? null },
    { label: "Poured", field: "inL", value: state.litres?.inL ?? null },
    { label: "Topped up", field: "topUpL", value: state.litres?.topUpL ?? null },
    { label: "Below the fill line", field: "belowCm", value: state.belowMarkCm },
  ] as const;
  return (
    <Box mt="22px">
      <SubHead>Water</SubHead>
      {rows.map(({ label, field, value }) => (
        <Line
          key={field}
          what={label}
          shown={
            field === "belowCm" ? (value === null ? "not entered" : quantityText(value, "cm", units)) : litres(value)
          }
          old={ofKey(record, field)}
        >
          {state.closedAt && mayCorrect && (
            <CorrectAmount visitId={visitId} label={label} field={field} value={value} units={units} />
          )}
        </Line>
      ))}
    </Box>
  );
}

function Doses({ record, units }: Part) {
  const { state, visitId, mayCorrect } = record;
  if (state.doses.length === 0) return null;
  return (
    <Box mt="22px">
      <SubHead>Doses</SubHead>
      {state.doses.map((d) => (
        <Line
          key={d.parameter}
          what={`${d.name}, for ${inSentence(parameterFacts[d.parameter].label)}`}
          shown={doseText(d)}
          old={ofKey(record, `dose-${d.parameter}`)}
        >
          {state.closedAt && mayCorrect && <CorrectDose visitId={visitId} dose={d} units={units} />}
        </Line>
      ))}
    </Box>
  );
}

function Line({
  what,
  shown,
  old,
  children,
}: {
  what: string;
  shown: string;
  old: readonly CorrectionLine[];
  children: React.ReactNode;
}) {
  return (
    <Flex gap="6px 16px" py="7px" borderBottomWidth="1px" borderColor="rule" wrap="wrap" align="center" fontSize="15px">
      <Box flex="1" minW="220px">
        {what}
      </Box>
      <Box minW="150px" fontFamily="mono">
        {shown}
        <Old of={old} />
      </Box>
      {children}
    </Flex>
  );
}

/** Who was there at the end, where that was said. */
function AtTheEnd({ record }: Part) {
  const { handover } = record.state;
  if (!handover) return null;
  return (
    <Box mt="22px">
      <SubHead>At the end</SubHead>
      <Box pt="8px">{handover.how === "nobody" ? "Nobody was there." : `${handover.name} signed.`}</Box>
      {handover.how === "signed" && handover.strokes !== "" && <Signature path={handover.strokes} />}
    </Box>
  );
}

function Counts({ record }: Part) {
  const { state, visitId, mayCorrect } = record;
  if (state.counts.length === 0) return null;
  return (
    <Box mt="22px">
      <SubHead>Counts</SubHead>
      {state.counts.map((c) => (
        <Line key={c.animal} what={c.name} shown={countText(c)} old={ofKey(record, c.animal)}>
          {state.closedAt && mayCorrect && <CorrectCount visitId={visitId} count={c} />}
        </Line>
      ))}
    </Box>
  );
}

/** What was found wrong, and a course that began; each may be said not to have been. */
function Troubles({ record, units }: Part) {
  const { state, visitId, mayCorrect } = record;
  const { troubles, treated } = state;
  if (troubles.length === 0 && !treated) return null;
  const mayTakeBack = state.closedAt && mayCorrect;
  return (
    <Box mt="22px">
      <SubHead>Troubles</SubHead>
      {troubles.map(({ id, trouble }) => {
        const name = say(m(`trouble.${trouble}`), units);
        return (
          <Line key={id} what={name} shown="found" old={ofKey(record, id)}>
            {mayTakeBack && <TakeBack visitId={visitId} of={name} change={{ type: "trouble-back", id }} />}
          </Line>
        );
      })}
      {treated && (
        <Line what={treated.remedy.name} shown="treatment began" old={ofKey(record, treated.id)}>
          {mayTakeBack && (
            <TakeBack visitId={visitId} of={treated.remedy.name} change={{ type: "treat-back", id: treated.id }} />
          )}
        </Line>
      )}
    </Box>
  );
}

const outcomeOf = ({ ticked, skipped }: VisitState, step: string): string =>
  ticked[step] !== undefined ? "done" : skipped[step] === undefined ? "not done" : `left out: ${skipped[step]}`;

function Steps({ record }: Part) {
  const { state, plan, visitId, mayCorrect } = record;
  const jobs = plan?.steps.filter((s) => s.task) ?? [];
  if (jobs.length === 0) return null;
  return (
    <Box mt="22px">
      <SubHead>Jobs</SubHead>
      {jobs.map((s) => (
        <Line key={s.id} what={s.title} shown={outcomeOf(state, s.id)} old={ofKey(record, s.id)}>
          {state.closedAt && mayCorrect && (
            <CorrectStep visitId={visitId} step={s.id} title={s.title} done={state.ticked[s.id] !== undefined} />
          )}
        </Line>
      ))}
    </Box>
  );
}

function Notes({ record }: Part) {
  const { state, visitId, mayCorrect } = record;
  if (state.notes.length === 0) return null;
  return (
    <Box mt="22px">
      <SubHead>Notes for the letter</SubHead>
      {state.notes.map((n) => (
        <Line key={n.id ?? n.text} what={n.text} shown="" old={[]}>
          {n.id && state.closedAt && mayCorrect && <TakeNoteBack visitId={visitId} id={n.id} text={n.text} />}
        </Line>
      ))}
    </Box>
  );
}

function Corrections({ record, zone }: Part) {
  return (
    <Box mt="26px" maxW="860px">
      <SubHead>Corrected</SubHead>
      {record.corrections.map((c) => (
        <Box key={c.opId} py="7px" borderBottomWidth="1px" borderColor="rule" fontSize="15px">
          <Span fontWeight="620">{c.what}</Span>: {c.was} → {c.now}
          <Box color="soft" fontSize="14px">
            {moment(new Date(c.at), zone)}, {c.by}: {c.why}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
