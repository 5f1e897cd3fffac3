"use client";

import { Box, Flex } from "@chakra-ui/react";
import { say } from "@keel-round/core/say";
import { byText, counted } from "@keel-round/core/text";
import type { UnitPreference } from "@keel-round/core/units";
import { type Board, offersFor, type Slot, stopsAway, stopsClosed, withAway, withClosed } from "@keel-round/core/weeks";
import { useMemo, useState } from "react";
import { Choice, GoButton, Problem, QuietButton, TextInput } from "@/kit/controls";
import { B, Label, Span } from "@/kit/elements";
import { dayLabel } from "@/kit/words";
import { Named, Panel } from "./Panel";
import type { Absence } from "./useBoard";

const EVERYBODY = "";
/** Marks a site among the people to choose from. */
const SITE = "site ";

/** Somebody ill, a van broken, snow: for how long, what becomes of the stops, all of it accepted in one go. */
export function AwayPanel({
  board,
  days,
  today,
  units,
  busy,
  mayClose,
  onNote,
  onLeave,
}: {
  board: Board;
  /** Days that are shown, from today on: stops are offered these. */
  days: readonly string[];
  today: string;
  units: UnitPreference;
  busy: boolean;
  /** Whether somebody may say that a site is closed: the office and leads, who see all of its visits. */
  mayClose: boolean;
  onNote: (absence: Absence, moves: ReadonlyMap<string, Slot>) => void;
  onLeave: () => void;
}) {
  const first = days[0] ?? today;
  const [who, setWho] = useState(board.people[0]?.id ?? EVERYBODY);
  const [fromOn, setFrom] = useState(first);
  const [untilOn, setUntil] = useState(first);
  const [why, setWhy] = useState("");
  const [unwanted, setUnwanted] = useState<ReadonlySet<string>>(new Set());
  const siteId = who.startsWith(SITE) ? who.slice(SITE.length) : null;
  const personIds = siteId ? [] : who === EVERYBODY ? board.people.map((p) => p.id) : [who];
  const sites = useMemo(
    () => [...new Map(board.stops.map((s) => [s.siteId, s.name]))].sort((a, b) => byText(a[1], b[1])),
    [board.stops],
  );
  const problem =
    !isDay(fromOn) || !isDay(untilOn)
      ? "Enter a first and a last day."
      : untilOn < fromOn
        ? "Enter a last day that is not before the first."
        : untilOn < today
          ? "These days are over."
          : null;
  const ids = personIds.join();
  const { offers, of } = useMemo(() => {
    if (problem) return { offers: [], of: board };
    const away = { id: "", fromOn, untilOn, why: "" };
    if (siteId) {
      const after = withClosed(board, siteId, away);
      return { offers: offersFor(after, stopsClosed(after, siteId, away), days), of: after };
    }
    const people = ids.split(",");
    const after = withAway(board, people, away);
    return { offers: offersFor(after, stopsAway(after, people, away), days), of: after };
  }, [board, ids, siteId, fromOn, untilOn, problem, days]);
  const moves = new Map(offers.flatMap((o) => (o.to && !unwanted.has(o.stopId) ? [[o.stopId, o.to] as const] : [])));
  const toggle = (id: string) =>
    setUnwanted((before) => new Set(before.has(id) ? [...before].filter((x) => x !== id) : [...before, id]));
  return (
    <Panel name="Away or closed">
      <Flex gap="10px" wrap="wrap" align="end">
        <Named name="Who or what">
          <Choice value={who} onChange={(e) => setWho(e.target.value)} w="180px">
            {board.people.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
            {board.people.length > 1 && <option value={EVERYBODY}>everybody</option>}
            {mayClose && (
              <optgroup label="A site is closed">
                {sites.map(([id, name]) => (
                  <option key={id} value={`${SITE}${id}`}>
                    {name}
                  </option>
                ))}
              </optgroup>
            )}
          </Choice>
        </Named>
        <Named name="First day">
          <TextInput type="date" value={fromOn} min={today} onChange={(e) => setFrom(e.target.value)} w="160px" />
        </Named>
        <Named name="Last day">
          <TextInput type="date" value={untilOn} min={fromOn} onChange={(e) => setUntil(e.target.value)} w="160px" />
        </Named>
        <Named name="Why">
          <TextInput value={why} maxLength={120} onChange={(e) => setWhy(e.target.value)} w="180px" />
        </Named>
      </Flex>
      <Problem says={problem} mt="6px" />
      {!problem && (
        <Box role="status" mt="8px">
          <B fontWeight="640">
            {offers.length === 0
              ? "No stop is touched."
              : `${counted(offers.length, "stop")} cannot be done as planned.`}
          </B>{" "}
          <Span color="soft">Nothing changes until you accept.</Span>
        </Box>
      )}
      {!problem && untilOn > (days.at(-1) ?? untilOn) && (
        <Box color="ochre" fontSize="14px">
          Days after {dayLabel(days.at(-1) ?? untilOn)} are not shown here: their stops stay as they are. Show 4 weeks,
          or the weeks after.
        </Box>
      )}
      {offers.map((offer) => {
        const stop = of.stops.find((s) => s.id === offer.stopId);
        if (!stop) return null;
        const by = of.people.find((p) => p.id === offer.to?.personId)?.name ?? "";
        return (
          <Label
            key={offer.stopId}
            display="flex"
            gap="10px"
            py="3px"
            fontSize="14.5px"
            alignItems="baseline"
            flexWrap="wrap"
            data-offer={stop.name}
          >
            <input
              type="checkbox"
              disabled={!offer.to}
              checked={offer.to !== null && !unwanted.has(offer.stopId)}
              onChange={() => toggle(offer.stopId)}
            />
            <Span fontWeight="640" w="150px" flexShrink={0}>
              {stop.name}
            </Span>
            <Span w="290px" flexShrink={0}>
              {offer.to
                ? `${dayLabel(stop.on)} to ${offer.to.on === stop.on ? "the same day" : dayLabel(offer.to.on)}, by ${by}`
                : `${dayLabel(stop.on)}: stays open`}
            </Span>
            <Span color={offer.to ? "ochre" : "vermilion"}>{offer.says.map((m) => say(m, units)).join(" ")}</Span>
          </Label>
        );
      })}
      <Flex gap="10px" mt="10px" justify="flex-end">
        <QuietButton type="button" onClick={onLeave}>
          Leave it
        </QuietButton>
        <GoButton
          type="button"
          disabled={busy || problem !== null || why.trim() === ""}
          onClick={() => onNote({ personIds, siteId, fromOn, untilOn, why: why.trim() }, moves)}
        >
          {moves.size === 0 ? "Note absence" : `Note absence and ${counted(moves.size, "move")}`}
        </GoButton>
      </Flex>
      {why.trim() === "" && (
        <Box color="soft" fontSize="13.5px" textAlign="right">
          Say why, in a few words.
        </Box>
      )}
    </Panel>
  );
}

const isDay = (text: string): boolean => /^\d{4}-\d\d-\d\d$/.test(text);
