"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useDroppable } from "@dnd-kit/core";
import { clockText, duration } from "@keel-round/core/calendar";
import { say } from "@keel-round/core/say";
import { quantityText, type UnitPreference } from "@keel-round/core/units";
import { type Board, type Break, judgeDay, judgeMove, type Slot } from "@keel-round/core/weeks";
import { memo, type ReactNode, useMemo } from "react";
import { Span } from "@/kit/elements";
import { Block } from "./Block";
import { cellId } from "./cells";

interface DayCellProps {
  readonly board: Board;
  readonly slot: Slot;
  readonly today: string;
  readonly units: UnitPreference;
  readonly chosen: readonly string[];
  /** Stops that are being carried; empty while nothing is. */
  readonly held: readonly string[];
  readonly onChoose: (id: string, more: boolean) => void;
}

/**
 * A person's day: its stops in their order, what it comes to, and, while stops are carried, what they would do to it. All
 * days hear of every move of what is carried; what stands in them is drawn again only where it changes.
 */
export const DayCell = memo(function DayCell(props: DayCellProps) {
  const { board, slot, today, held } = props;
  const over = slot.on < today;
  const person = board.people.some((p) => p.id === slot.personId);
  if (!person) return null;
  return (
    <Place id={cellId(slot)} over={over} isToday={slot.on === today}>
      <Day board={board} slot={slot} units={props.units} chosen={props.chosen} onChoose={props.onChoose} />
      {held.length > 0 && !over && <Would board={board} held={held} slot={slot} units={props.units} />}
    </Place>
  );
});

/** Where stops are put down. A plain element, since every one hears of every move: its row gives it its look. */
function Place({ id, over, isToday, children }: { id: string; over: boolean; isToday: boolean; children: ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({ id, disabled: over });
  return (
    <div ref={setNodeRef} data-cell={id} data-over={isOver ? "" : undefined} data-today={isToday ? "" : undefined}>
      {children}
    </div>
  );
}

/** The stops of a day and what it comes to. */
const Day = memo(function Day({ board, slot, units, chosen, onChoose }: Omit<DayCellProps, "today" | "held">) {
  const day = useMemo(() => judgeDay(board, slot), [board, slot]);
  const person = board.people.find((p) => p.id === slot.personId);
  if (!day || !person) return null;
  const { plan, stops } = day;
  return (
    <>
      {stops.map((s) => (
        <Block
          key={s.id}
          stop={s}
          breaks={day.breaks.get(s.id) ?? NO_BREAKS}
          chosen={chosen.includes(s.id)}
          units={units}
          onChoose={onChoose}
        />
      ))}
      {plan.collection?.none === null && (
        <Box fontSize="12px" color="water" pt="2px" data-collect="">
          <span className="num">{clockText(plan.collection.start)}</span> sea water, alarm{" "}
          <span className="num">{clockText(plan.collection.alarmAt)}</span>
        </Box>
      )}
      <Box flex="1" />
      {stops.length > 0 && (
        <Box fontSize="12px" color="soft" fontFamily="mono" pt="4px" data-foot="">
          <Flex justify="space-between" gap="6px">
            <span title={`${duration(day.dayMinutes)}, of it driving ${duration(day.driveMinutes)}`}>
              {hours(day.dayMinutes)}
            </span>
            <span>{quantityText(plan.peakKg, "kg", units, 0)}</span>
          </Flex>
          <Box h="4px" bg="rule" mt="2px" aria-hidden="true">
            <Box
              h="4px"
              w={`${Math.min(100, (100 * plan.peakKg) / Math.max(1, person.vanKg))}%`}
              bg={plan.fits ? "water" : "vermilion"}
            />
          </Box>
        </Box>
      )}
      {day.over.map((message) => {
        const text = say(message, units);
        return (
          <Span key={text} color="vermilion" fontSize="12px" fontWeight="600">
            {text}
          </Span>
        );
      })}
    </>
  );
});

const NO_BREAKS: readonly Break[] = [];

/** "7 h 03" of minutes, where there is little room. */
const hours = (minutes: number): string => {
  const m = Math.round(minutes);
  return `${Math.floor(m / 60)}\u00a0h\u00a0${String(m % 60).padStart(2, "0")}`;
};

/** What the carried stops would break or cost on this day. */
const Would = memo(function Would({
  board,
  held,
  slot,
  units,
}: Pick<DayCellProps, "board" | "held" | "slot" | "units">) {
  const { refused, breaks, extraMinutes } = useMemo(() => judgeMove(board, held, slot), [board, held, slot]);
  const lines = refused.length > 0 ? refused : breaks;
  return (
    <Box
      fontSize="12px"
      lineHeight="1.25"
      p="3px 4px"
      // Over the day and not in it: nothing moves under the hand that carries.
      position="absolute"
      left="2px"
      right="2px"
      bottom="2px"
      bg="sheet"
      borderWidth="1px"
      borderColor={refused.length > 0 ? "vermilion" : "rule"}
      pointerEvents="none"
      zIndex="1"
      data-would={refused.length > 0 ? "refused" : breaks.length > 0 ? "breaks" : "free"}
    >
      {lines.map((message) => {
        const text = say(message, units);
        return (
          <Box key={text} color={refused.length > 0 ? "vermilion" : "ochre"}>
            {refused.length > 0 ? `Not here: ${text}` : text}
          </Box>
        );
      })}
      {refused.length === 0 && extraMinutes !== null && <Box color="soft">{costs(extraMinutes)}</Box>}
    </Box>
  );
});

const costs = (minutes: number): string =>
  minutes === 0 ? "no longer" : minutes > 0 ? `${duration(minutes)} more` : `${duration(-minutes)} less`;
