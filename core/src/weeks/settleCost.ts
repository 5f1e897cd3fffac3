import type { DayPlan } from "../round/index.ts";
import { type Board, type BoardPerson, runDay, type Slot, stopsIn } from "./board.ts";
import type { Weights } from "./weights.ts";

/** What a day costs, weighted minutes, and how long it is. */
export interface DayCost {
  readonly minutes: number;
  readonly workMinutes: number;
}

/** The cost of a person's day: driving, waiting and refilling, and all that it goes beyond. */
export function dayCost(board: Board, { personId }: Slot, plan: DayPlan | null, weights: Weights): DayCost {
  const person = board.people.find((p) => p.id === personId);
  if (!plan || !person) return { minutes: 0, workMinutes: 0 };
  const workMinutes = plan.homeAt - plan.leaveAt;
  const served = plan.stops.reduce((sum, s) => sum + s.stop.minutes, 0);
  const minutes =
    workMinutes -
    served +
    weights.overtime * plan.overtimeMinutes +
    weights.overKg * overKg(plan, person) +
    weights.leftOut * plan.leftOver.length;
  return { minutes, workMinutes };
}

const overKg = (plan: DayPlan, person: BoardPerson): number => Math.max(0, plan.peakKg - person.vanKg);

/** What some days of a board come to, in plain figures. */
export interface BoardCost {
  readonly driveMinutes: number;
  readonly overtimeMinutes: number;
  readonly overKg: number;
  /** Stops that do not fit into their hours. */
  readonly leftOut: number;
}

/** Adds up days as they stand. */
export function costOf(board: Board, slots: readonly Slot[]): BoardCost {
  let [driveMinutes, overtimeMinutes, over, leftOut] = [0, 0, 0, 0];
  for (const slot of slots) {
    const plan = runDay(board, slot, stopsIn(board, slot));
    const person = board.people.find((p) => p.id === slot.personId);
    if (!plan || !person) continue;
    for (const leg of plan.legs) if (leg.kind === "travel") driveMinutes += leg.to - leg.from;
    overtimeMinutes += plan.overtimeMinutes;
    over += overKg(plan, person);
    leftOut += plan.leftOver.length;
  }
  return { driveMinutes, overtimeMinutes, overKg: over, leftOut };
}
