import { requireRange } from "../issues/index.ts";

/** Water that has to stand ready. Minutes count from the same moment; hours of a night may be below nothing. */
export interface Demand {
  readonly id: string;
  readonly name: string;
  /** When it is loaded, minute. */
  readonly neededAt: number;
  /** Minutes on each shared machine; 0 where it needs none. */
  readonly purifyMinutes: number;
  readonly heatMinutes: number;
  /** Minutes that it takes by itself: to dissolve, and to stand until its salt may be used. */
  readonly dissolveMinutes: number;
  readonly ageMinutes: number;
  /** Minutes of hands at the end. */
  readonly loadMinutes: number;
}

export const MIXING_STEPS = ["purify", "heat", "dissolve", "age", "load"] as const;
export type MixingStep = (typeof MIXING_STEPS)[number];

/** One step of one demand, at its latest. */
export interface Slot {
  readonly demandId: string;
  readonly step: MixingStep;
  readonly from: number;
  readonly to: number;
}

/** The steps in the order they begin, and what cannot be ready in time. */
export interface MixingSchedule {
  readonly slots: readonly Slot[];
  /** Demands that would have had to begin before now, with how late they are ready if everything begins now. */
  readonly late: readonly { readonly demandId: string; readonly minutes: number }[];
}

/** Machines that serve one barrel at a time. */
const SHARED: readonly MixingStep[] = ["purify", "heat"];

const minutesOf = (demand: Demand, step: MixingStep): number =>
  ({
    purify: demand.purifyMinutes,
    heat: demand.heatMinutes,
    dissolve: demand.dissolveMinutes,
    age: demand.ageMinutes,
    load: demand.loadMinutes,
  })[step];

/**
 * Lays the making of water out backwards from when it is needed: each step as late as it may be.
 *
 * Steps of one water follow each other: purify, heat, dissolve, age, load. A shared machine is filled backwards, the
 * latest deadline first; for one machine that leaves its first start as late as any order can (the mirror of the
 * earliest due date rule, Jackson 1955).
 *
 * @param now Minute from which work can begin.
 * @throws {OutOfRangeError} for minutes below nothing.
 */
export function scheduleMixing(demands: readonly Demand[], now: number): MixingSchedule {
  for (const d of demands) for (const step of MIXING_STEPS) requireRange(step, minutesOf(d, step), 0, 100_000);
  const endOf = new Map(demands.map((d) => [d.id, d.neededAt]));
  const slots: Slot[] = [];
  for (const step of [...MIXING_STEPS].reverse()) {
    let free = Number.POSITIVE_INFINITY;
    const byDeadline = [...demands].sort(
      (a, b) => (endOf.get(b.id) ?? 0) - (endOf.get(a.id) ?? 0) || a.id.localeCompare(b.id),
    );
    for (const demand of byDeadline) {
      const minutes = minutesOf(demand, step);
      if (minutes === 0) continue;
      const deadline = endOf.get(demand.id) ?? 0;
      const to = SHARED.includes(step) ? Math.min(deadline, free) : deadline;
      slots.push({ demandId: demand.id, step, from: to - minutes, to });
      endOf.set(demand.id, to - minutes);
      if (SHARED.includes(step)) free = to - minutes;
    }
  }
  slots.sort((a, b) => a.from - b.from || a.demandId.localeCompare(b.demandId));
  const lateBy = delayed(demands, slots, (slot) => Math.max(0, now - slot.from));
  return { slots, late: [...lateBy].map(([demandId, minutes]) => ({ demandId, minutes })) };
}

/**
 * Which waters are late, and by how much, if steps begin later than they may.
 *
 * Runs the schedule forwards in its own order: a step waits for the one before it and for its machine.
 */
function delayed(
  demands: readonly Demand[],
  slots: readonly Slot[],
  delayOf: (slot: Slot) => number,
): Map<string, number> {
  const readyAt = new Map<string, number>();
  const machineFree = new Map<MixingStep, number>();
  for (const slot of slots) {
    const begins = Math.max(
      slot.from + delayOf(slot),
      readyAt.get(slot.demandId) ?? Number.NEGATIVE_INFINITY,
      SHARED.includes(slot.step) ? (machineFree.get(slot.step) ?? Number.NEGATIVE_INFINITY) : Number.NEGATIVE_INFINITY,
    );
    const ends = begins + (slot.to - slot.from);
    readyAt.set(slot.demandId, ends);
    if (SHARED.includes(slot.step)) machineFree.set(slot.step, ends);
  }
  return new Map(
    demands.flatMap((d) => {
      const late = (readyAt.get(d.id) ?? d.neededAt) - d.neededAt;
      return late > 1e-9 ? [[d.id, late] as const] : [];
    }),
  );
}

/** What is late, in minutes by demand, if one step begins so many minutes after its latest start. */
export function ifLate(
  demands: readonly Demand[],
  schedule: MixingSchedule,
  slot: Slot,
  minutes: number,
): ReadonlyMap<string, number> {
  return delayed(demands, schedule.slots, (s) => (s === slot ? minutes : 0));
}
