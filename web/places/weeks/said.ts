import type { Announcements } from "@dnd-kit/core";
import { longDate } from "@keel-round/core/calendar";
import { counted } from "@keel-round/core/text";
import { type Board, stopsIn } from "@keel-round/core/weeks";
import { ASIDE, slotOf } from "./cells";

/** What is heard while a stop is carried. */
export function announcementsOf(board: Board): Announcements {
  const name = (id: string | number) => board.stops.find((s) => s.id === id)?.name ?? "";
  const place = (id: string | number) => placeName(board, String(id));
  return {
    onDragStart: ({ active }) => `Lifted ${name(active.id)}.`,
    onDragOver: ({ active, over }) => (over ? `${name(active.id)} over ${place(over.id)}.` : undefined),
    onDragEnd: ({ active, over }) =>
      over ? `${name(active.id)} put down: ${place(over.id)}.` : `${name(active.id)} put back.`,
    onDragCancel: ({ active }) => `${name(active.id)} put back.`,
  };
}

function placeName(board: Board, id: string): string {
  const slot = slotOf(id);
  if (slot === ASIDE) return "not placed";
  const name = board.people.find((p) => p.id === slot.personId)?.name ?? "";
  return `${longDate(slot.on)}, ${name}, ${counted(stopsIn(board, slot).length, "stop")}`;
}
