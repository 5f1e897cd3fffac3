"use client";

import { Box, Flex } from "@chakra-ui/react";
import { clockText, MINUTES_A_DAY } from "@keel-round/core/calendar";
import type { WaterSource } from "@keel-round/core/given";
import { type Hands, ifLate, type MixingStep, scheduleMixing } from "@keel-round/core/mixing";
import type { UnitPreference } from "@keel-round/core/units";
import { litresText } from "@keel-round/core/units";
import type { Worked } from "@keel-round/core/worked";
import { AppLink } from "@/kit/AppLink";
import { Notice, PageHead, SubHead } from "@/kit/controls";
import { Details, Span, Summary, Table } from "@/kit/elements";
import { Cell, Head } from "@/kit/table";
import { WorkedFigure, Working } from "@/kit/Working";
import { dayLabel } from "@/kit/words";
import { BarrelCard } from "./BarrelCard";
import { type DayTakes, demandsOf, needsOf, type RoomBarrel } from "./tomorrow";

const STEP: Readonly<Record<MixingStep, string>> = {
  purify: "purify",
  heat: "warm",
  dissolve: "mix and let it clear",
  age: "let it stand",
  load: "load",
};

/** A late start that is looked at, minutes. */
const LATE = 60;

/** Barrels and what stands in them; what a day takes; and by when its water has to be begun. */
export function MixingRoom({
  barrels,
  sources,
  demand,
  now,
  loadedAt,
  clock,
  on,
  before,
  after,
  units,
}: {
  barrels: readonly RoomBarrel[];
  sources: readonly WaterSource[];
  demand: readonly DayTakes[];
  now: number;
  /** The day whose water is looked at, and its neighbours. */
  on: string;
  before: string | null;
  after: string | null;
  /** When that day's vans are loaded. */
  loadedAt: number;
  /** The minute of the business's day, and when somebody is in the room. */
  clock: Hands;
  units: UnitPreference;
}) {
  const needs = needsOf(demand, barrels, sources, loadedAt);
  const neededAt = (loadedAt - now) / 60_000;
  const demands = demandsOf(
    needs,
    barrels,
    sources.find((s) => s.purifier),
    neededAt,
  );
  const schedule = scheduleMixing(demands, 0, clock);
  const says = (minute: number) => clockWords(clock.minuteNow + minute);
  const wasteOf = (id: string) => demands.find((d) => d.id === id)?.wasteL ?? 0;
  const nameOf = (id: string) => demands.find((d) => d.id === id)?.name ?? "";
  return (
    <Box>
      <PageHead title="Mixing" />
      <Flex gap="36px" mt="14px" align="flex-start" direction={{ base: "column", lg: "row" }}>
        <Box flex="1" minW="0" w="100%">
          <SubHead>Barrels</SubHead>
          {barrels.length === 0 && (
            <Box color="soft" py="14px">
              No barrel yet. They are named and measured at the desk, under Barrels.
            </Box>
          )}
          <Box pt="12px" display="grid" gridTemplateColumns="repeat(auto-fill, minmax(300px, 1fr))" gap="16px">
            {barrels.map((b) => (
              <BarrelCard
                key={`${b.id}${b.contents?.startedAt ?? ""}`}
                barrel={b}
                sources={sources}
                now={now}
                units={units}
              />
            ))}
          </Box>
        </Box>
        <Box w={{ base: "100%", lg: "430px" }} flexShrink={0}>
          <SubHead>
            <Flex justify="space-between" align="baseline">
              <span>{dayLabel(on)} takes</span>
              <Flex gap="14px" fontWeight="400">
                {before && <AppLink href={`/water/mixing?on=${before}`}>day before</AppLink>}
                {after && <AppLink href={`/water/mixing?on=${after}`}>day after</AppLink>}
              </Flex>
            </Flex>
          </SubHead>
          {needs.length === 0 ? (
            <Box color="soft" py="10px">
              Nothing that is made here.
            </Box>
          ) : (
            <Table w="100%" borderCollapse="collapse" fontSize="14.5px">
              <thead>
                <tr>
                  {["Water", "Wanted", "Ready", "To make"].map((h) => (
                    <Head key={h}>{h}</Head>
                  ))}
                </tr>
              </thead>
              <tbody>
                {needs.map((n) => (
                  <tr key={n.source.id}>
                    <Cell fontWeight="560">{n.source.name}</Cell>
                    <Cell>
                      <WorkedFigure of={n.wanted} units={units} size="15px" />
                    </Cell>
                    <Cell className="num">{litresText(n.readyL, units)}</Cell>
                    <Cell className="num" color={n.missingL > 0.5 ? "ochre" : "soft"}>
                      {n.missingL > 0.5 ? litresText(n.missingL, units) : "none"}
                    </Cell>
                  </tr>
                ))}
              </tbody>
            </Table>
          )}
          {schedule.late.map(({ demandId, minutes }) => (
            <Box key={demandId} mt="10px">
              <Notice tone="danger">
                {nameOf(demandId)} cannot be ready by then: {spanWords(minutes)} too late if everything begins now. Take
                less, leave later, or bring it ready-made.
              </Notice>
            </Box>
          ))}
          {schedule.slots.length > 0 && (
            <Box mt="16px">
              <SubHead>Begin at the latest</SubHead>
              {schedule.slots.map((slot) => {
                const late = ifLate(demands, schedule, slot, LATE, clock);
                return (
                  <Flex key={slot.demandId + slot.step} py="7px" gap="12px" borderBottomWidth="1px" borderColor="rule">
                    <Span fontFamily="mono" fontWeight="600" w="104px" flexShrink={0} suppressHydrationWarning>
                      {says(slot.from)}
                    </Span>
                    <Box flex="1">
                      {nameOf(slot.demandId)}: {STEP[slot.step]}, {spanWords(slot.to - slot.from)}
                      {slot.step === "purify" && wasteOf(slot.demandId) > 0 && (
                        <Span color="soft">, {litresText(wasteOf(slot.demandId), units)} go down the drain</Span>
                      )}
                      <SlotWorking
                        of={demands.find((d) => d.id === slot.demandId)?.workings[slot.step]}
                        units={units}
                      />
                      <Box fontSize="13px" color="soft">
                        {late.size === 0
                          ? "An hour later still does."
                          : `An hour later: ${[...late].map(([id, m]) => `${nameOf(id)} ${spanWords(m)} late`).join(", ")}.`}
                      </Box>
                    </Box>
                  </Flex>
                );
              })}
            </Box>
          )}
        </Box>
      </Flex>
    </Box>
  );
}

/** How long a machine takes, to be opened. */
function SlotWorking({ of, units }: { of: Worked | undefined; units: UnitPreference }) {
  if (!of) return null;
  return (
    <Details data-working="">
      <Summary color="soft" fontSize="13px" textDecoration="underline" textDecorationStyle="dotted">
        working
      </Summary>
      <Working of={of} units={units} />
    </Details>
  );
}

function spanWords(minutes: number): string {
  const whole = Math.round(minutes);
  return whole < 60 ? `${whole} min` : `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, "0")}`;
}

/** "today 16:40" of a minute counted from today's midnight; what lies before or after says so. */
function clockWords(minute: number): string {
  const day = Math.floor(minute / MINUTES_A_DAY);
  return `${day < 0 ? "before" : day === 0 ? "today" : day === 1 ? "tomorrow" : `in ${day} days`} ${clockText(minute)}`;
}
