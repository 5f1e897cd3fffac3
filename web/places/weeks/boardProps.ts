import type { UnitPreference } from "@keel-round/core/units";
import type { Weeks } from "@/data/round/weeks";
import type { WeekRow } from "./cells";

/** What a board is drawn from. */
export interface BoardProps {
  readonly weeks: Weeks;
  readonly rows: readonly WeekRow[];
  readonly today: string;
  readonly units: UnitPreference;
  readonly zone: string;
  readonly mayClose: boolean;
  /** A stop to begin with: somebody came here for it. */
  readonly first: string | null;
}
