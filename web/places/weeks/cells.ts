import type { BoardStop, Slot } from "@keel-round/core/weeks";

/** A row of the board: a person in a week. */
export interface WeekRow {
  readonly id: string;
  readonly personId: string;
  readonly label: string;
  readonly under: string;
  readonly days: readonly string[];
}

/** A cell's name, as it is dragged to. */
export const cellId = ({ personId, on }: Slot): string => `${personId} ${on}`;

/** The person and day of a cell's name; "aside" of the lane. */
export function slotOf(id: string): Slot | "aside" {
  if (id === ASIDE) return "aside";
  const [personId = "", on = ""] = id.split(" ");
  return { personId, on };
}

export const ASIDE = "aside";

/** Pixels of a block: its minutes, and never less than its name needs. */
export const blockHeight = (stop: Pick<BoardStop, "minutes">): number => Math.max(24, Math.round(stop.minutes * 0.36));
