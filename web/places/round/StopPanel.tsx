"use client";

import { Box, Flex } from "@chakra-ui/react";
import { addDays } from "@keel-round/core/calendar";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { AppLink } from "@/kit/AppLink";
import { FieldRow, Notice, QuietButton, SubHead, TextInput } from "@/kit/controls";
import { Details, Form, Summary } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { moveStopAction, planAgainAction, skipStopAction } from "./actions";
import { UndoChange } from "./series/UndoChange";
import { WhoComes } from "./series/WhoComes";

/** What the panel has to know of a stop. */
export interface PlannedVisit {
  readonly id: string;
  readonly siteId: string;
  readonly siteName: string;
  readonly seriesId: string | null;
  readonly personId: string;
  readonly originalOn: string;
  readonly onDate: string;
  readonly off: "skipped" | "withdrawn" | null;
  readonly offWhy: string | null;
  readonly begun: boolean;
}

interface Props {
  stop: PlannedVisit;
  people: readonly { readonly id: string; readonly name: string }[];
  last: { readonly id: string; readonly said: string } | null;
  today: string;
}

/** Moves or leaves out this visit alone, or leads to what changes the later ones too. */
export function StopPanel({ stop, people, last, today }: Props) {
  if (stop.off) return <LeftOut stop={stop} last={last} today={today} />;
  if (stop.begun) return null;
  return (
    <Details mt="14px" fontSize="14.5px">
      <Summary
        display="inline-block"
        borderWidth="1px"
        borderColor="ruleStrong"
        rounded="s"
        px="14px"
        py="8px"
        bg="sheet"
        fontWeight="600"
        cursor="pointer"
      >
        Move or skip this visit
      </Summary>
      <Box pt="14px" maxW="900px">
        <Flex gap="32px" direction={{ base: "column", md: "row" }}>
          <Move stop={stop} people={people} today={today} />
          <Skip stop={stop} />
        </Flex>
        {stop.seriesId && <Later stop={stop} seriesId={stop.seriesId} />}
        {last && <UndoChange change={last} />}
      </Box>
    </Details>
  );
}

/** A stop that nobody comes to: why, and how it is planned again. */
function LeftOut({ stop, last, today }: { stop: PlannedVisit; last: Props["last"]; today: string }) {
  const act = useAct();
  return (
    <Box mt="14px" maxW="640px">
      <Notice tone="plain">
        {stop.off === "skipped"
          ? `This visit is skipped: ${stop.offWhy ?? ""}`
          : "This visit is not planned any more: its recurring visits were changed."}
      </Notice>
      {stop.off === "skipped" && stop.onDate >= today && (
        <Box pt="10px">
          <QuietButton type="button" disabled={act.busy} onClick={() => act.run(planAgainAction({ stopId: stop.id }))}>
            Plan it again
          </QuietButton>
        </Box>
      )}
      <Problem told={act.told} />
      {last && <UndoChange change={last} />}
    </Box>
  );
}

interface Told {
  readonly fields: Readonly<Record<string, readonly string[]>>;
  readonly message: string;
  readonly may: boolean;
}

type Answer =
  | { readonly ok: true }
  | {
      readonly ok: false;
      readonly code: string;
      readonly message: string;
      readonly fields: Readonly<Record<string, readonly string[]>>;
    };

/** Runs what changes a visit, and tells what stands in its way. */
function useAct() {
  const router = useRouter();
  const hydrated = useHydrated();
  const [busy, setBusy] = useState(false);
  const [told, setTold] = useState<Told | null>(null);
  const run = async (asked: Promise<Answer>) => {
    setBusy(true);
    const answer = await asked;
    setBusy(false);
    if (answer.ok) {
      setTold(null);
      return router.refresh();
    }
    const { code, message, fields } = answer;
    setTold({ message, fields, may: code === "closed-day" || code === "visited-already" });
  };
  return { busy: busy || !hydrated, told, run };
}

function Problem({ told }: { told: Told | null }) {
  if (!told || Object.keys(told.fields).length > 0) return null;
  return (
    <Box role="alert" mt="8px">
      <Notice tone={told.may ? "care" : "danger"}>{told.message}</Notice>
    </Box>
  );
}

function Move({ stop, people, today }: { stop: PlannedVisit; people: Props["people"]; today: string }) {
  const act = useAct();
  const [to, setTo] = useState(addDays(stop.onDate < today ? today : stop.onDate, 1));
  const [personId, setPersonId] = useState(stop.personId);
  const move = (anyway: boolean) => act.run(moveStopAction({ stopId: stop.id, to, personId, anyway }));
  return (
    <Form
      method="post"
      flex="1"
      onSubmit={(e) => {
        e.preventDefault();
        void move(false);
      }}
    >
      <SubHead>Only this visit, on another day or by another person</SubHead>
      <Flex gap="12px" pt="10px" wrap="wrap" align="flex-start">
        <Box w="170px">
          <FieldRow label="Move to" error={act.told?.fields.to?.[0]}>
            <TextInput type="date" min={today} value={to} onChange={(e) => setTo(e.currentTarget.value)} />
          </FieldRow>
        </Box>
        <WhoComes people={people} personId={personId} change={setPersonId} error={act.told?.fields.personId?.[0]} />
      </Flex>
      <Flex gap="10px" wrap="wrap">
        <QuietButton type="submit" disabled={act.busy}>
          Move this visit
        </QuietButton>
        {act.told?.may && (
          <QuietButton type="button" disabled={act.busy} onClick={() => move(true)}>
            Move it all the same
          </QuietButton>
        )}
      </Flex>
      <Problem told={act.told} />
    </Form>
  );
}

function Skip({ stop }: { stop: PlannedVisit }) {
  const act = useAct();
  const [why, setWhy] = useState("");
  return (
    <Form
      method="post"
      flex="1"
      onSubmit={(e) => {
        e.preventDefault();
        void act.run(skipStopAction({ stopId: stop.id, why }));
      }}
    >
      <SubHead>Skip it: no other visit shifts</SubHead>
      <Box pt="10px">
        <FieldRow label="Why" error={act.told?.fields.why?.[0]}>
          <TextInput value={why} maxLength={200} onChange={(e) => setWhy(e.currentTarget.value)} />
        </FieldRow>
      </Box>
      <QuietButton type="submit" disabled={act.busy}>
        Skip this visit
      </QuietButton>
      <Problem told={act.told} />
    </Form>
  );
}

function Later({ stop, seriesId }: { stop: PlannedVisit; seriesId: string }) {
  const href = (on: string) => `/desk/site/${stop.siteId}?series=${seriesId}&from=${on}#visits`;
  return (
    <Flex gap="6px 18px" pt="14px" wrap="wrap">
      <AppLink href={href(stop.originalOn)}>Change this and every later one</AppLink>
      <AppLink href={href(addDays(stop.originalOn, 1))}>Change every later one but not this</AppLink>
      <AppLink href={`/desk/site/${stop.siteId}#visits`}>All visits of {stop.siteName}</AppLink>
    </Flex>
  );
}
