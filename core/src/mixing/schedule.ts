import { requireRange } from "../issues/index.ts";
import { byText } from "../text/index.ts";

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

/** When somebody is in the room, and where the schedule's minutes lie in the day. */
export interface Hands {
  /** Minute of the day at which the schedule's minute 0 lies. */
  readonly minuteNow: number;
  /** Open from and to, minutes of the day. */
  readonly from: number;
  readonly to: number;
}

const DAY = 1440;
const minuteOfDay = (minute: number, { minuteNow }: Hands) => (((minuteNow + minute) % DAY) + DAY) % DAY;

/** The last minute not after one at which somebody is there. */
function latestByHand(minute: number, hands: Hands | null): number {
  if (!hands) return minute;
  const m = minuteOfDay(minute, hands);
  if (m >= hands.from && m <= hands.to) return minute;
  return minute - ((m - hands.to + DAY) % DAY);
}

/** The first minute not before one at which somebody is there. */
function nextByHand(minute: number, hands: Hands | null): number {
  if (!hands) return minute;
  const m = minuteOfDay(minute, hands);
  if (m >= hands.from && m <= hands.to) return minute;
  return minute + ((hands.from - m + DAY) % DAY);
}

/** Steps that somebody begins; the others go on by themselves. Loading has its hour. */
const BY_HAND: readonly MixingStep[] = ["purify", "heat", "dissolve"];

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
 * A step that somebody begins is not begun at night: where its latest start lies outside of the room's hours it is moved to
 * the evening before, and what it made waits.
 *
 * @param now Minute from which work can begin.
 * @param hands When somebody is there; null for always.
 * @throws {OutOfRangeError} for minutes below nothing.
 * @example
 * scheduleMixing([{ id: "a", name: "a", neededAt: 600, purifyMinutes: 0, heatMinutes: 0, dissolveMinutes: 30, ageMinutes: 120, loadMinutes: 10 }], 0).slots[0]; // { "demandId": "a", "step": "dissolve", "from": 440, "to": 470 }
 */
export function scheduleMixing(demands: readonly Demand[], now: number, hands: Hands | null = null): MixingSchedule {
  for (const d of demands) for (const step of MIXING_STEPS) requireRange(step, minutesOf(d, step), 0, 100_000);
  const endOf = new Map(demands.map((d) => [d.id, d.neededAt]));
  const slots: Slot[] = [];
  for (const step of [...MIXING_STEPS].reverse()) {
    let free = Number.POSITIVE_INFINITY;
    const byDeadline = [...demands].sort(
      (a, b) => (endOf.get(b.id) ?? 0) - (endOf.get(a.id) ?? 0) || byText(a.id, b.id),
    );
    for (const demand of byDeadline) {
      const minutes = minutesOf(demand, step);
      if (minutes === 0) continue;
      const deadline = endOf.get(demand.id) ?? 0;
      const latest = (SHARED.includes(step) ? Math.min(deadline, free) : deadline) - minutes;
      const from = BY_HAND.includes(step) ? latestByHand(latest, hands) : latest;
      slots.push({ demandId: demand.id, step, from, to: from + minutes });
      endOf.set(demand.id, from);
      if (SHARED.includes(step)) free = from;
    }
  }
  slots.sort((a, b) => a.from - b.from || byText(a.demandId, b.demandId));
  const lateBy = delayed(demands, slots, hands, (slot) => Math.max(0, now - slot.from));
  return { slots, late: [...lateBy].map(([demandId, minutes]) => ({ demandId, minutes })) };
}

/**
 * Which waters are late, and by how much, if steps begin later than they may.
 *
 * Runs the schedule forwards in its own order: a step waits for the one before it, for its machine and for the morning.
 */
function delayed(
  demands: readonly Demand[],
  slots: readonly Slot[],
  hands: Hands | null,
  delayOf: (slot: Slot) => number,
): Map<string, number> {
  const readyAt = new Map<string, number>();
  const machineFree = new Map<MixingStep, number>();
  for (const slot of slots) {
    const may = Math.max(
      slot.from + delayOf(slot),
      readyAt.get(slot.demandId) ?? Number.NEGATIVE_INFINITY,
      SHARED.includes(slot.step) ? (machineFree.get(slot.step) ?? Number.NEGATIVE_INFINITY) : Number.NEGATIVE_INFINITY,
    );
    const begins = BY_HAND.includes(slot.step) ? nextByHand(may, hands) : may;
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
  hands: Hands | null = null,
): ReadonlyMap<string, number> {
  return delayed(demands, schedule.slots, hands, (s) => (s === slot ? minutes : 0));
}
