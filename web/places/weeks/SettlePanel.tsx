"use client";

import { Box, Flex } from "@chakra-ui/react";
import { duration } from "@keel-round/core/calendar";
import { say } from "@keel-round/core/say";
import { shiftRhythm } from "@keel-round/core/series";
import { counted } from "@keel-round/core/text";
import { quantityText, type UnitPreference } from "@keel-round/core/units";
import {
  type Board,
  type BoardCost,
  moved,
  type RefillStop,
  refilled,
  type SeriesMove,
  type Slot,
  seriesMoves,
  unmended,
  whyMoved,
  whyRefill,
} from "@keel-round/core/weeks";
import { type ReactNode, useMemo } from "react";
import { GoButton, QuietButton } from "@/kit/controls";
import { B, Label, Span, Table, Td } from "@/kit/elements";
import { dayLabel } from "@/kit/words";
import { Panel } from "./Panel";
import { refillKey, type Settling } from "./useSettle";

/** At most so many stops that could not be mended are told of. */
const TOLD = 6;

interface SettlePanelProps {
  readonly settling: Settling;
  /** Moves and refills that are not wanted. */
  readonly refused: ReadonlySet<string>;
  readonly units: UnitPreference;
  readonly busy: boolean;
  /** Whether whoever settles may change series for good. */
  readonly whole: boolean;
  readonly onToggle: (key: string) => void;
  readonly onStop: () => void;
  readonly onAccept: (
    moves: ReadonlyMap<string, Slot>,
    series: readonly SeriesMove[],
    refills: readonly RefillStop[],
  ) => void;
  readonly onLeave: () => void;
}

/** What settling would do, each move with its reason; nothing changes until it is accepted, whole or stop by stop. */
export function SettlePanel(props: SettlePanelProps) {
  const { settling, refused, units, busy, whole, onAccept, onLeave } = props;
  const { of, told, days } = settling;
  const moves = told?.moves ?? NO_MOVES;
  const refills = told?.refills ?? NO_REFILLS;
  const wanted = new Map([...moves].filter(([id]) => !refused.has(id)));
  const refilling = refills.filter((r) => !refused.has(refillKey(r)));
  const after = useMemo(() => refilled(moved(of, moves), refills), [of, moves, refills]);
  const series = whole ? seriesMoves(of, wanted, days).filter((s) => mayShift(of, s)) : [];
  const accepted = comesTo(wanted.size, refilling.length);
  return (
    <Panel name="Settling the round" data-settling={settling.running ? "running" : "ended"}>
      <Progress {...props} />
      <Flex gap="20px" mt="8px" wrap="wrap" align="flex-start" justify="space-between">
        <Box flex="1" minW="300px">
          <Moves {...props} after={after} series={series} />
          <Refills {...props} after={after} />
          {!settling.running && <Stays after={after} days={days} units={units} />}
        </Box>
        {told && (
          <Box>
            <Figures before={told.before} after={told.after} units={units} />
            <Box color="soft" fontSize="13px" mt="4px" maxW="320px">
              Whatever the order, these stops take at least {duration(told.driveAtLeast)} of driving.
            </Box>
          </Box>
        )}
      </Flex>
      <Flex gap="10px" mt="10px" justify="flex-end">
        <QuietButton type="button" onClick={onLeave}>
          Leave it
        </QuietButton>
        <GoButton type="button" disabled={busy || accepted === ""} onClick={() => onAccept(wanted, series, refilling)}>
          {accepted === "" ? "Accept" : `Accept ${accepted}`}
        </GoButton>
      </Flex>
    </Panel>
  );
}

/** "3 moves and 1 refill"; empty for none. */
const comesTo = (moves: number, refills: number): string =>
  [...(moves > 0 ? [counted(moves, "move")] : []), ...(refills > 0 ? [counted(refills, "refill")] : [])].join(" and ");

/** How far it is, and what was found until now. */
function Progress({ settling, onStop }: SettlePanelProps) {
  const { told, running, tries } = settling;
  const [moves, refills] = [told?.moves.size ?? 0, told?.refills.length ?? 0];
  const does = [
    ...(moves > 0 ? [`move ${counted(moves, "stop")}`] : []),
    ...(refills > 0 ? [`go back to base ${refills === 1 ? "once" : `${refills} times`} to refill`] : []),
  ].join(" and ");
  const nothing = running
    ? "Looking for better days."
    : told
      ? "Nothing better was found: the round is settled."
      : "It ended before anything was found. Leave it, and try again.";
  return (
    <>
      <Box role="status">
        <B fontSize="16px" fontWeight="640">
          {does === "" ? nothing : `Settling would ${does}.`}
        </B>{" "}
        <Span color="soft">Nothing changes until you accept.</Span>
      </Box>
      {running && (
        <Flex gap="12px" align="center" mt="6px" fontSize="14px" color="soft">
          <progress max={tries} value={told?.tried ?? 0} aria-label="Settled so far" />
          {told?.tried ?? 0} of {tries} tries
          <QuietButton type="button" py="4px" onClick={onStop}>
            Stop and keep the best
          </QuietButton>
        </Flex>
      )}
    </>
  );
}

/** One thing that settling would do, or leaves as it is: what, where to, and why. */
function Line({ name, does, why, lead }: { name: string; does: ReactNode; why: string; lead: ReactNode }) {
  return (
    <>
      {lead}
      <Span fontWeight="640" w="150px" flexShrink={0}>
        {name}
      </Span>
      <Span w="270px" flexShrink={0}>
        {does}
      </Span>
      <Span color="soft">{why}</Span>
    </>
  );
}

const CHOICE = { display: "flex", gap: "10px", py: "3px", fontSize: "14.5px", minH: "30px", alignItems: "baseline" };

function Moves({
  settling: { of, told },
  refused,
  units,
  onToggle,
  after,
  series,
}: SettlePanelProps & { readonly after: Board; readonly series: readonly SeriesMove[] }) {
  const wholly = new Set(series.flatMap((s) => s.stopIds));
  return [...(told?.moves ?? NO_MOVES)].map(([id, to]) => {
    const was = of.stops.find((s) => s.id === id);
    if (!was) return null;
    const does = (
      <>
        {whereTo(of, was, to)}
        {wholly.has(id) && <Span color="soft">, and from then on</Span>}
      </>
    );
    const box = <input type="checkbox" checked={!refused.has(id)} onChange={() => onToggle(id)} />;
    return (
      <Label key={id} {...CHOICE} data-move={was.name}>
        <Line name={was.name} does={does} why={say(whyMoved(after, id, was), units)} lead={box} />
      </Label>
    );
  });
}

/** Returns to base that would be put into days. */
function Refills({
  settling: { told },
  refused,
  units,
  onToggle,
  after,
}: SettlePanelProps & { readonly after: Board }) {
  return (told?.refills ?? NO_REFILLS).map((refill) => {
    const { siteId, personId, on } = refill;
    const [key, name] = [refillKey(refill), after.stops.find((s) => s.siteId === siteId)?.name ?? ""];
    const who = after.people.find((p) => p.id === personId)?.name ?? "";
    const box = <input type="checkbox" checked={!refused.has(key)} onChange={() => onToggle(key)} />;
    const does = `then back to base to refill, ${dayLabel(on)}, ${who}`;
    return (
      <Label key={key} {...CHOICE} data-refill={name}>
        <Line name={name} does={does} why={say(whyRefill(after, refill), units)} lead={box} />
      </Label>
    );
  });
}

/** What still does not fit, and why it stays. */
function Stays({ after, days, units }: { after: Board; days: readonly string[]; units: UnitPreference }) {
  const stays = useMemo(() => unmended(after, days).slice(0, TOLD), [after, days]);
  return stays.map(({ stopId, name, says }) => (
    <Flex key={stopId} gap="10px" py="3px" fontSize="14.5px" data-stays={name}>
      <Line name={name} does="stays" why={say(says, units)} lead={<Box w="13px" flexShrink={0} />} />
    </Flex>
  ));
}

const NO_REFILLS: readonly RefillStop[] = [];
const NO_MOVES: ReadonlyMap<string, Slot> = new Map();

/** Whether a series can take its new day for good: a fortnight that would change its week cannot. */
function mayShift(board: Board, { stopIds, shiftDays }: SeriesMove): boolean {
  const first = board.stops.find((s) => s.id === stopIds[0]);
  return (
    first !== undefined &&
    (shiftDays === 0 || (first.rhythm ? shiftRhythm(first.rhythm, shiftDays, first.on) !== null : false))
  );
}

/** "Mon 30 Nov to Tue 1 Dec", and who where that is another. */
function whereTo(board: Board, was: Slot, to: Slot): string {
  const name = board.people.find((p) => p.id === to.personId)?.name ?? "";
  const day = was.on === to.on ? dayLabel(was.on) : `${dayLabel(was.on)} to ${dayLabel(to.on)}`;
  return was.personId === to.personId ? day : `${day}, by ${name}`;
}

function Figures({ before, after, units }: { before: BoardCost; after: BoardCost; units: UnitPreference }) {
  const rows: readonly [string, string, string][] = [
    ["Driving", duration(before.driveMinutes), duration(after.driveMinutes)],
    ["Past the end of the day", duration(before.overtimeMinutes), duration(after.overtimeMinutes)],
    ["Above what vans carry", quantityText(before.overKg, "kg", units, 0), quantityText(after.overKg, "kg", units, 0)],
    ["Outside their hours", counted(before.leftOut, "stop"), counted(after.leftOut, "stop")],
  ];
  return (
    <Table fontSize="14px" aria-label="What the round comes to">
      <thead>
        <tr>
          <th aria-label="What" />
          <Box as="th" fontWeight="400" color="soft" px="14px" textAlign="right">
            now
          </Box>
          <Box as="th" fontWeight="400" color="coralline" textAlign="right">
            settled
          </Box>
        </tr>
      </thead>
      <tbody>
        {rows.map(([what, now, then]) => (
          <tr key={what}>
            <Box as="th" fontWeight="400" textAlign="left" pr="12px">
              {what}
            </Box>
            <Td fontFamily="mono" textAlign="right" px="14px" whiteSpace="nowrap">
              {now}
            </Td>
            <Td fontFamily="mono" textAlign="right" whiteSpace="nowrap">
              {then}
            </Td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}
