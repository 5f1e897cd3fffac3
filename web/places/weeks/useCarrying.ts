"use client";

import { type DragEndEvent, KeyboardSensor, PointerSensor, useSensor, useSensors } from "@dnd-kit/core";
import type { Board } from "@keel-round/core/weeks";
import { useCallback, useState } from "react";
import { byCell, overCell } from "./carrying";
import { ASIDE, slotOf } from "./cells";
import { announcementsOf } from "./said";
import type { Target } from "./useBoard";

/** While the round is being settled nothing is carried or chosen. */
const NO_SENSORS: never[] = [];
const IGNORED = () => {};

/** Which stops are chosen, which are held, and where they are put; nothing of it while the board is `still`. */
export function useCarrying(
  board: Board,
  first: string | null,
  still: boolean,
  place: (moves: ReadonlyMap<string, Target>, why?: string) => Promise<void>,
) {
  const [chosen, setChosen] = useState<readonly string[]>(first ? [first] : []);
  const [held, setHeld] = useState<readonly string[]>([]);
  const choose = useCallback(
    (id: string, more: boolean) =>
      setChosen((before) => {
        if (!more) return before.length === 1 && before[0] === id ? [] : [id];
        return before.includes(id) ? before.filter((x) => x !== id) : [...before, id];
      }),
    [],
  );
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, {
      coordinateGetter: byCell,
      // Enter chooses a stop, as on any button; the space bar lifts it and puts it down.
      keyboardCodes: { start: ["Space"], cancel: ["Escape"], end: ["Space", "Enter"] },
    }),
  );
  const put = (ids: readonly string[], to: Target, why?: string) => {
    const going = ids.filter((id) => moves(board, id, to));
    if (going.length > 0) void place(new Map(going.map((id) => [id, to])), why);
  };
  return {
    chosen,
    held,
    put,
    choose: still ? IGNORED : choose,
    chooseNone: () => setChosen([]),
    context: {
      id: "weeks",
      sensors: still ? NO_SENSORS : sensors,
      collisionDetection: overCell,
      onDragStart: ({ active }: Pick<DragEndEvent, "active">) =>
        setHeld(chosen.includes(String(active.id)) ? chosen : [String(active.id)]),
      onDragEnd: ({ over }: DragEndEvent) => {
        if (over) put(held, slotOf(String(over.id)));
        setHeld([]);
      },
      onDragCancel: () => setHeld([]),
      accessibility: { screenReaderInstructions: { draggable: "" }, announcements: announcementsOf(board) },
    },
  };
}

export type Carrying = ReturnType<typeof useCarrying>;

/** Whether putting a stop somewhere changes anything, and may be done at all. */
function moves(board: Board, id: string, to: Target): boolean {
  const stop = board.stops.find((s) => s.id === id);
  if (!stop || stop.begun) return false;
  if (to === ASIDE) return stop.setAside === null;
  return stop.setAside !== null || stop.on !== to.on || stop.personId !== to.personId;
}
