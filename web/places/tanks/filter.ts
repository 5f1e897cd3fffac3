import { addDays } from "@keel-round/core/calendar";
import { kindFacts, type TankKind } from "@keel-round/core/tank";
import { byName, byText } from "@keel-round/core/text";
import type { TankRow } from "@/data/tanks/tanks";

/** What the address bar holds of the tank list. */
export interface TankFilter {
  readonly q?: string;
  readonly show?: string;
  /** Page of the list, from 1. */
  readonly page?: string;
}

export const SHOWS = ["off", "drifting", "week", "salt", "fresh", "mine"] as const;
export type Show = (typeof SHOWS)[number];

const plain = (text: string) =>
  text
    .normalize("NFD")
    .replace(/\p{Diacritic}/gu, "")
    .toLowerCase();

/** Rows that hold every word of the search, in any order, accents or not. */
function matches(row: TankRow, words: readonly string[]): boolean {
  const text = plain(
    [row.name, row.siteName, row.address, row.clientName, kindFacts[row.kind as TankKind].label].join(" "),
  );
  return words.every((w) => text.includes(w));
}

/** Whether a row belongs to one of the quick filters. */
export function inShow(row: TankRow, show: Show, today: string, personId: string): boolean {
  const salt = kindFacts[row.kind as TankKind].targetPsu > 0;
  switch (show) {
    case "off":
      return row.status?.condition === "off";
    case "drifting":
      return row.status?.condition === "drifting";
    case "week":
      return row.nextOn !== null && row.nextOn <= addDays(today, 6);
    case "salt":
      return salt;
    case "fresh":
      return !salt;
    case "mine":
      return row.personId === personId;
  }
}

const URGENCY = { off: 0, drifting: 1, unknown: 2, steady: 3 } as const;

/** The rows to show, what matters first. */
export function filterTanks(rows: readonly TankRow[], filter: TankFilter, today: string, personId: string): TankRow[] {
  const words = plain(filter.q ?? "")
    .split(/\s+/)
    .filter(Boolean);
  const show = SHOWS.find((s) => s === filter.show);
  return rows
    .filter((r) => matches(r, words) && (!show || inShow(r, show, today, personId)))
    .sort(
      (a, b) =>
        URGENCY[a.status?.condition ?? "unknown"] - URGENCY[b.status?.condition ?? "unknown"] ||
        byText(a.nextOn ?? "9", b.nextOn ?? "9") ||
        byName(a.siteName, b.siteName),
    );
}
