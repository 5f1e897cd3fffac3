"use client";

import { Box } from "@chakra-ui/react";
import { byText } from "@keel-round/core/text";
import { useEffect, useState } from "react";
import { keepForGood } from "@/device/register";
import { type DayHere, type KeptVisit, useDayHere, useKept } from "@/device/useKept";
import { PageTitle, QuietButton } from "@/kit/controls";
import { A, B, H1, Main, Span } from "@/kit/elements";
import { Brand } from "@/kit/shell/Shell";
import { clock, dayLabel } from "@/kit/words";
import { LoadPart } from "./load/LoadPart";
import { TodayHere } from "./TodayHere";

/** Whether the browser has promised to keep what lies here; undefined until it was asked. */
function useKeptForGood(): boolean | undefined {
  const [safe, setSafe] = useState<boolean>();
  useEffect(() => {
    void keepForGood().then((promised) => setSafe(promised === true));
  }, []);
  return safe;
}

/** When a visit is to begin: of today by how the day goes, else as its round was laid. */
function startOf({ bundle }: KeptVisit, today: DayHere | null): number | null {
  const live = today?.bundle.on === bundle.on ? today.day.stops.find((s) => s.stop.id === bundle.stopId) : undefined;
  return live ? Math.round(live.start) : bundle.startMinute;
}

/** What is on this phone: the page that comes when there is no network. */
export function KeptDay() {
  const kept = useKept();
  const today = useDayHere(kept);
  const safe = useKeptForGood();
  const visits = (kept?.visits ?? [])
    .map((v) => ({ ...v, start: startOf(v, today) }))
    .sort((a, b) => byText(a.bundle.on, b.bundle.on) || (a.start ?? 0) - (b.start ?? 0));
  return (
    <Main maxW="560px" mx="auto" p="18px">
      <Brand />
      <PageTitle>On this phone</PageTitle>
      <H1 fontSize="25px" fontWeight="640" mt="14px">
        On this phone
      </H1>
      <Box color="soft" mt="4px">
        {visits.length === 0
          ? "Nothing is kept here. Open the round once with a network."
          : "These visits work without a network. Other days, the tanks and the letters need one."}
      </Box>
      {visits.length > 0 && safe !== undefined && (
        <Box color={safe ? "soft" : "ochre"} mt="4px" data-persistent={String(safe)}>
          {safe
            ? "The browser keeps them until you sign out or clear its data."
            : "The browser may drop them when its space runs out: what is entered goes up as soon as there is a network."}
        </Box>
      )}
      {today && today.bundle.input.stops.length > 0 && <TodayHere today={today} visits={visits} />}
      {visits.map((v) => (
        <VisitLine key={v.bundle.visitId} visit={v} start={v.start} />
      ))}
      {kept && <LoadPart kept={kept} />}
      <QuietButton asChild mt="16px">
        <a href="/round">Try the round</a>
      </QuietButton>
    </Main>
  );
}

function VisitLine({ visit: { bundle, state, waiting }, start }: { visit: KeptVisit; start: number | null }) {
  return (
    <A
      href={`/visit?visit=${bundle.visitId}`}
      display="flex"
      gap="12px"
      py="12px"
      minH="48px"
      borderBottomWidth="1px"
      borderColor="rule"
      textDecoration="none"
    >
      <Span fontFamily="mono" color="soft" w="92px" flexShrink={0}>
        {start === null ? dayLabel(bundle.on) : `${dayLabel(bundle.on).split(" ")[0]} ${clock(start)}`}
      </Span>
      <Box flex="1">
        <B fontWeight="620">{bundle.siteName}</B> {bundle.tankName}
      </Box>
      <Span color="soft">
        {state.closedAt ? "closed" : state.startedAt ? "under way" : ""} {waiting > 0 ? `${waiting} kept` : ""}
      </Span>
    </A>
  );
}
