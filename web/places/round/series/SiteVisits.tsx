"use client";

import { Box, Flex } from "@chakra-ui/react";
import { sayOn } from "@keel-round/core/series";
import { andList } from "@keel-round/core/text";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { ComingStop, SeriesLine, SiteVisits as Visits } from "@/data/series/read";
import { AppLink } from "@/kit/AppLink";
import { QuietButton, SubHead } from "@/kit/controls";
import { B, Span } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { ExtraForm } from "./ExtraForm";
import { newSeries, newSpell, type TypedSeries, typedSeries } from "./formModel";
import { type Named, SeriesForm } from "./SeriesForm";
import { UndoChange } from "./UndoChange";

type Open = { readonly kind: "form"; readonly begun: TypedSeries } | { readonly kind: "extra" } | null;

/** The visits of a site: its series in words with their next days, and what changes them. */
export function SiteVisits({
  siteId,
  visits,
  people,
  today,
  offers,
  from,
}: {
  siteId: string;
  visits: Visits;
  people: readonly Named[];
  today: string;
  /** Another rhythm that would suit better, said, by the series. */
  offers: Readonly<Record<string, string>>;
  /** A series that is to be changed from a day on: somebody came from one of its visits. */
  from: { readonly seriesId: string; readonly on: string } | null;
}) {
  const router = useRouter();
  const hydrated = useHydrated();
  const asked = visits.series.find((s) => s.id === from?.seriesId);
  const [open, setOpen] = useState<Open>(
    asked && from ? { kind: "form", begun: typedSeries(asked, from.on < today ? today : from.on) } : null,
  );
  const done = () => {
    setOpen(null);
    router.refresh();
  };
  const change = (begun: TypedSeries) => setOpen({ kind: "form", begun });
  return (
    <Box mt="22px" id="visits">
      <SubHead>Visits</SubHead>
      {visits.series.length === 0 && (
        <Box pt="8px" color="soft" fontSize="14.5px">
          Nobody comes regularly yet.
        </Box>
      )}
      {visits.series.map((s) => (
        <Series
          key={s.id}
          line={s}
          tanks={visits.tanks}
          today={today}
          offer={offers[s.id] ?? null}
          disabled={!hydrated || open !== null}
          change={change}
        />
      ))}
      {visits.extra.length > 0 && (
        <Box py="10px" borderBottomWidth="1px" borderColor="rule" fontSize="14.5px">
          <B fontWeight="620">Beside these</B>
          <Days stops={visits.extra} today={today} />
        </Box>
      )}
      {open?.kind === "form" && (
        <SeriesForm
          siteId={siteId}
          begun={open.begun}
          people={people}
          tanks={visits.tanks}
          today={today}
          onSaved={done}
          onLeave={() => setOpen(null)}
        />
      )}
      {open?.kind === "extra" && (
        <ExtraForm
          siteId={siteId}
          people={people}
          tanks={visits.tanks}
          today={today}
          onSaved={done}
          onLeave={() => setOpen(null)}
        />
      )}
      {open === null && (
        <Flex gap="10px" pt="12px" wrap="wrap">
          <QuietButton
            type="button"
            disabled={!hydrated}
            onClick={() => change(newSeries(visits.firstOpen, people[0]?.id ?? ""))}
          >
            {visits.series.length === 0 ? "Begin recurring visits" : "Begin another series"}
          </QuietButton>
          <QuietButton type="button" disabled={!hydrated} onClick={() => setOpen({ kind: "extra" })}>
            Plan one more visit
          </QuietButton>
        </Flex>
      )}
      {visits.last && <UndoChange change={visits.last} />}
    </Box>
  );
}

function Series({
  line,
  tanks,
  today,
  offer,
  disabled,
  change,
}: {
  line: SeriesLine;
  tanks: readonly Named[];
  today: string;
  offer: string | null;
  disabled: boolean;
  change: (begun: TypedSeries) => void;
}) {
  const [first, ...times] = line.said;
  const next = line.next.find((s) => s.skipped === null)?.originalOn;
  const begun = typedSeries(line, next && next > today ? next : today);
  const served = line.tankIds && tanks.filter((t) => line.tankIds?.includes(t.id)).map((t) => t.name);
  return (
    <Box py="10px" borderBottomWidth="1px" borderColor="rule" fontSize="14.5px" data-series={line.id}>
      <Flex gap="6px 12px" wrap="wrap" align="baseline">
        <B fontWeight="620">{first}</B>
        <Span color="soft">
          {line.by}
          {served && `, for ${andList(served)}`}
        </Span>
        <Box flex="1" />
        <QuietButton type="button" py="5px" fontSize="13.5px" disabled={disabled} onClick={() => change(begun)}>
          Change
        </QuietButton>
        <QuietButton
          type="button"
          py="5px"
          fontSize="13.5px"
          disabled={disabled}
          onClick={() => change({ ...begun, fromOn: today, spells: [...begun.spells, newSpell(begun.spells, today)] })}
        >
          Pause
        </QuietButton>
        <QuietButton
          type="button"
          py="5px"
          fontSize="13.5px"
          disabled={disabled}
          onClick={() => change({ ...begun, fromOn: today, untilOn: today })}
        >
          End
        </QuietButton>
      </Flex>
      {times.map((t) => (
        <Box key={t} color="soft" pt="3px">
          {t}
        </Box>
      ))}
      {offer && (
        <Box pt="4px" color="ochre" data-rhythm-offer="">
          {offer}
        </Box>
      )}
      <Days stops={line.next} today={today} />
    </Box>
  );
}

/** Days to come; those that are laid out lead to their stop. */
function Days({ stops, today }: { stops: readonly ComingStop[]; today: string }) {
  return (
    <Flex gap="4px 18px" wrap="wrap" pt="6px">
      {stops.map((s) => (
        <Span key={`${s.originalOn} ${s.on}`} color={s.skipped === null ? "ink" : "soft"}>
          {s.stopId ? <AppLink href={`/stops/${s.stopId}`}>{sayOn(s.on, today)}</AppLink> : sayOn(s.on, today)}
          {s.skipped !== null && ` skipped: ${s.skipped}`}
          {s.skipped === null && s.on !== s.originalOn && (
            <Span color="soft">
              {" "}
              {s.moved ? `moved from ${sayOn(s.originalOn, today)}` : "the site is closed on its day"}
            </Span>
          )}
        </Span>
      ))}
    </Flex>
  );
}
