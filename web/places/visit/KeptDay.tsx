"use client";

import { Box } from "@chakra-ui/react";
import { byText } from "@keel-round/core/text";
import { type VisitBundle, visitState } from "@keel-round/core/visit";
import { liveQuery } from "dexie";
import { useEffect, useState } from "react";
import { currentPerson, type QueuedOp, storeOf } from "@/device/store";
import { QuietButton } from "@/kit/controls";
import { A, B, H1, Main, Span } from "@/kit/elements";
import { Brand } from "@/kit/shell/Shell";
import { clock, dayLabel } from "@/kit/words";

/** What is kept on this device: the page that comes when there is no network. */
export function KeptDay() {
  const [kept, setKept] = useState<{ visits: VisitBundle[]; ops: QueuedOp[] } | null>(null);
  useEffect(() => {
    const personId = currentPerson();
    if (!personId) return setKept({ visits: [], ops: [] });
    const store = storeOf(personId);
    const subscription = liveQuery(async () => ({
      visits: await store.visits.toArray(),
      ops: await store.ops.toArray(),
    })).subscribe(setKept);
    return () => subscription.unsubscribe();
  }, []);
  const visits = [...(kept?.visits ?? [])].sort(
    (a, b) => byText(a.on, b.on) || (a.startMinute ?? 0) - (b.startMinute ?? 0),
  );
  return (
    <Main maxW="560px" mx="auto" p="18px">
      <Brand />
      <H1 fontSize="25px" fontWeight="640" mt="14px">
        Kept on this device
      </H1>
      <Box color="soft" mt="4px">
        {visits.length === 0
          ? "Nothing is kept here. Open the round once with a network."
          : "These visits work without a network. The round, the tanks and the letters need one."}
      </Box>
      {visits.map((v) => {
        const own = (kept?.ops ?? []).filter((o) => o.visitId === v.visitId && o.status !== "refused");
        const known = new Set(v.ops.map((o) => o.opId));
        const state = visitState([...v.ops, ...own.filter((o) => !known.has(o.opId)).sort((a, b) => a.seq - b.seq)]);
        const waiting = own.filter((o) => o.status === "kept").length;
        return (
          <A
            key={v.visitId}
            href={`/visit?visit=${v.visitId}`}
            display="flex"
            gap="12px"
            py="12px"
            minH="48px"
            borderBottomWidth="1px"
            borderColor="rule"
            textDecoration="none"
          >
            <Span fontFamily="mono" color="soft" w="92px" flexShrink={0}>
              {v.startMinute === null ? dayLabel(v.on) : `${dayLabel(v.on).split(" ")[0]} ${clock(v.startMinute)}`}
            </Span>
            <Box flex="1">
              <B fontWeight="620">{v.siteName}</B> {v.tankName}
            </Box>
            <Span color="soft">
              {state.closedAt ? "closed" : state.startedAt ? "under way" : ""} {waiting > 0 ? `${waiting} kept` : ""}
            </Span>
          </A>
        );
      })}
      <QuietButton asChild mt="16px">
        <a href="/round">Try the round</a>
      </QuietButton>
    </Main>
  );
}
