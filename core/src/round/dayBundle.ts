import type { BarrelLine, ShelfLine } from "../load/index.ts";
import type { ConditionState } from "../readings/index.ts";
import type { UnitPreference } from "../units/index.ts";
import type { DayInput } from "./day.ts";
import { wayKey } from "./travel.ts";

/** A person's day as their phone keeps it: what it is laid from, so that it moves with the phone's own log. */
export interface DayBundle {
  readonly on: string;
  /** The firm's time zone: the clock of the day's minutes. */
  readonly zone: string;
  readonly units: UnitPreference;
  readonly input: DayInput;
  /** By stop: the worst of its tanks. */
  readonly conditions: Readonly<Record<string, ConditionState>>;
  /** What lies in the person's van on any day; missing in what an earlier version kept on a phone. */
  readonly van?: readonly string[];
  /** What the stores hold of it, in the van and at the base; missing likewise. */
  readonly shelf?: readonly ShelfLine[];
  readonly barrels?: readonly BarrelLine[];
}

/** What a day is laid from, with the ways between its own places alone: a firm knows many more. */
export function ownWays(input: DayInput): DayInput {
  const { known } = input.roads;
  if (!known) return input;
  const places = [input.base, ...input.stops, ...(input.collecting ? [input.collecting] : [])].flatMap((p) =>
    p.key === undefined ? [] : [p.key],
  );
  const own = places.flatMap((from) =>
    places.flatMap((to) => {
      const minutes = known[wayKey(from, to)];
      return minutes === undefined ? [] : [[wayKey(from, to), minutes] as const];
    }),
  );
  return { ...input, roads: { ...input.roads, known: Object.fromEntries(own) } };
}
