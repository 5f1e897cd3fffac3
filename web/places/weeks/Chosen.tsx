"use client";

import { Box, Flex } from "@chakra-ui/react";
import { duration, longDate } from "@keel-round/core/calendar";
import { say } from "@keel-round/core/say";
import type { UnitPreference } from "@keel-round/core/units";
import { type Board, type BoardStop, judgeDay, judgeMove, oneMoreAt } from "@keel-round/core/weeks";
import { useMemo, useState } from "react";
import { AppLink } from "@/kit/AppLink";
import { Choice, GoButton, Problem, QuietButton, TextInput } from "@/kit/controls";
import { B, Label, Span } from "@/kit/elements";
import { Named, Panel } from "./Panel";
import type { Extra, Target } from "./useBoard";

/** What is chosen: what it breaks where it stands, and the form that moves it as dragging does. */
export function Chosen({
  board,
  ids,
  today,
  units,
  busy,
  locked,
  onLock,
  onPut,
  onAdd,
  onDone,
}: {
  board: Board;
  ids: readonly string[];
  today: string;
  units: UnitPreference;
  busy: boolean;
  /** Whether settling leaves them where they are. */
  locked: boolean;
  onLock: (lock: boolean) => void;
  onPut: (ids: readonly string[], to: Target, why?: string) => void;
  onAdd: (extra: Extra) => void;
  onDone: () => void;
}) {
  const stops = board.stops.filter((s) => ids.includes(s.id));
  const [first] = stops;
  const [on, setOn] = useState(first && first.on >= today ? first.on : today);
  const [personId, setPersonId] = useState(() => whoStands(board, first));
  const [why, setWhy] = useState("");
  if (!first) return null;
  const judged = isDay(on) ? judgeMove(board, ids, { personId, on }) : null;
  const stays = stops.every((s) => s.on === on && s.personId === personId && s.setAside === null);
  const broken = stops.flatMap((s) => judgeDay(board, s)?.breaks.get(s.id) ?? []);
  const begun = stops.some((s) => s.begun);
  return (
    <Panel name="Chosen stops" data-chosen="">
      <Flex gap="6px 16px" wrap="wrap" align="baseline">
        <B fontSize="16px" fontWeight="640">
          {stops.map((s) => s.name).join(", ")}
        </B>
        <Span color="soft" fontSize="14px">
          {stops.length === 1
            ? `${longDate(first.on)}, ${duration(first.minutes)}${first.setAside === null ? "" : `, set aside: ${first.setAside}`}`
            : `${stops.length} stops, ${duration(stops.reduce((sum, s) => sum + s.minutes, 0))}`}
        </Span>
        {stops.length === 1 && (
          <QuietButton asChild py="4px">
            <AppLink href={`/stops/${first.id}`}>Open stop</AppLink>
          </QuietButton>
        )}
        {!begun && (
          <Label fontSize="14px" display="inline-flex" gap="6px" alignItems="center">
            <input type="checkbox" checked={locked} onChange={(e) => onLock(e.target.checked)} />
            Stays when the round is settled
          </Label>
        )}
        <Box flex="1" />
        <QuietButton type="button" py="4px" onClick={onDone}>
          Close
        </QuietButton>
      </Flex>
      {broken.map((b) => (
        <Box key={`${b.code}${say(b.says, units)}`} color="vermilion" fontSize="14px">
          {say(b.says, units)}
        </Box>
      ))}
      {begun ? (
        <Box color="soft" mt="6px">
          A visit of it has begun: it stays on its day.
        </Box>
      ) : (
        <>
          <Flex gap="10px" wrap="wrap" align="end" mt="8px">
            <Named name="Day">
              <TextInput type="date" value={on} min={today} onChange={(e) => setOn(e.target.value)} w="160px" />
            </Named>
            <Named name="Who">
              <Choice value={personId} onChange={(e) => setPersonId(e.target.value)} w="180px">
                {board.people.map((p) => (
                  <option key={p.id} value={p.id}>
                    {p.name}
                  </option>
                ))}
              </Choice>
            </Named>
            <GoButton
              type="button"
              disabled={busy || stays || !judged || judged.refused.length > 0 || on < today}
              onClick={() => onPut(ids, { personId, on })}
            >
              {stops.length === 1 ? "Move stop" : "Move stops"}
            </GoButton>
            <Named name="Or set aside, because">
              <TextInput value={why} maxLength={200} onChange={(e) => setWhy(e.target.value)} w="200px" />
            </Named>
            <QuietButton
              type="button"
              disabled={busy || why.trim() === ""}
              onClick={() => onPut(ids, "aside", why.trim())}
            >
              Set aside
            </QuietButton>
          </Flex>
          <Box role="status" mt="6px" fontSize="14px" data-judged="">
            {on < today && <Problem says="That day is over: choose today or a later day." />}
            {!stays &&
              judged?.refused.map((m) => (
                <Box key={say(m, units)} color="vermilion" fontWeight="600">
                  Not there: {say(m, units)}
                </Box>
              ))}
            {!stays &&
              judged?.refused.length === 0 &&
              judged.breaks.map((m) => (
                <Box key={say(m, units)} color="ochre">
                  {say(m, units)}
                </Box>
              ))}
            {!stays && judged?.refused.length === 0 && judged.extraMinutes !== null && on >= today && (
              <Box color="soft">
                {judged.extraMinutes === 0
                  ? "The days take no longer."
                  : `The days take ${duration(Math.abs(judged.extraMinutes))} ${judged.extraMinutes > 0 ? "more" : "less"}.`}
              </Box>
            )}
          </Box>
        </>
      )}
      {stops.length === 1 && isDay(on) && on >= today && (
        <OneMore board={board} stop={first} on={on} units={units} busy={busy} onAdd={onAdd} />
      )}
    </Panel>
  );
}

/** Who a stop is with; of one that nobody has, the first there is. */
function whoStands(board: Board, stop: BoardStop | undefined): string {
  return board.people.find((p) => p.id === stop?.personId)?.id ?? board.people[0]?.id ?? "";
}

const isDay = (text: string): boolean => /^\d{4}-\d\d-\d\d$/.test(text);

/** A visit more at the same site, by whom it costs least: an emergency, or "come back in ten days". */
function OneMore({
  board,
  stop,
  on,
  units,
  busy,
  onAdd,
}: {
  board: Board;
  stop: BoardStop;
  on: string;
  units: UnitPreference;
  busy: boolean;
  onAdd: (extra: Extra) => void;
}) {
  const [best] = useMemo(() => oneMoreAt(board, stop, on), [board, stop, on]);
  const name = board.people.find((p) => p.id === best?.to.personId)?.name ?? "";
  return (
    <Flex gap="10px" align="center" wrap="wrap" mt="8px" fontSize="14px" data-one-more="">
      {best ? (
        <>
          <QuietButton type="button" disabled={busy} onClick={() => onAdd({ siteId: stop.siteId, ...best.to })}>
            Add one more visit
          </QuietButton>
          <Span color="soft">
            {longDate(on)}: it costs least with {name}
            {best.extraMinutes === null ? "" : `, ${duration(best.extraMinutes)} more`}.
          </Span>
          <Span color="ochre">{best.breaks.map((m) => say(m, units)).join(" ")}</Span>
        </>
      ) : (
        <Span color="soft">Nobody here could make one more visit: nobody does what it asks for.</Span>
      )}
    </Flex>
  );
}
