import { daysBetween } from "../calendar/civil.ts";
import { HALVES, halfCleaned } from "./names.ts";
import { dueOn, type TankTask } from "./task.ts";

/** A part of something that is cleaned in turn, on a visit. */
export interface RotationTurn {
  readonly on: string;
  /** From 1. */
  readonly part: number;
}

/** Parts a job goes through in turn: sectors of the bed, halves of the only filter; null where it does all at once. */
export function partsOf(
  task: TankTask,
  facts: Parameters<typeof halfCleaned>[1] & {
    readonly sectors: number;
    readonly practice: { readonly substrate: string };
  },
): number | null {
  if (halfCleaned(task, facts)) return HALVES;
  if (task.code === "deep-sector") return facts.sectors;
  return task.code === "vacuum-sector" && facts.practice.substrate === "sectors" ? facts.sectors : null;
}

/**
 * Which part comes with which visit: the next one after the last, each as soon as it is due, or at the visit nearest it.
 *
 * @param visits In the order of their days.
 */
export function rotationOf(task: TankTask, parts: number, visits: readonly string[]): RotationTurn[] {
  const turns: RotationTurn[] = [];
  let due = dueOn(task);
  let part = task.lastSector;
  for (const [i, on] of visits.entries()) {
    const next = visits[i + 1];
    const early = daysBetween(on, due);
    // Nearer to this visit than to the next.
    if (early > 0 && (next === undefined || early > daysBetween(on, next) - early)) continue;
    part = (part % parts) + 1;
    turns.push({ on, part });
    due = dueOn({ ...task, lastDoneOn: on });
  }
  return turns;
}
