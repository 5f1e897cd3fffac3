import { counted } from "@keel-round/core/text";

/** Something that goes on by itself, counted down from what the plan says. Only timestamps: the truth after any sleep. */
export interface RunningClock {
  readonly id: string;
  /** Whose it is: several tanks of a stop are worked at once. */
  readonly visitId: string;
  readonly tank: string;
  readonly label: string;
  /** ms since 1970. */
  readonly startedAt: number;
  readonly minutes: number;
}

const MINUTE_MS = 60_000;

/** The instant at which a clock rings, ms since 1970. */
export const endsAt = ({ startedAt, minutes }: RunningClock): number => startedAt + minutes * MINUTE_MS;

/** Whether a clock rang between two looks at it. */
export const rangBetween = (clock: RunningClock, before: number, now: number): boolean =>
  before < endsAt(clock) && endsAt(clock) <= now;

/**
 * What a clock says: "6:12" while it runs, "ended", and from a minute on for how long.
 *
 * @example
 * sayClock({ id: "v drain", visitId: "v", tank: "Reef", label: "Drain", startedAt: 0, minutes: 7 }, 48_000); // "6:12"
 */
export function sayClock(clock: RunningClock, now: number): string {
  const left = endsAt(clock) - now;
  if (left > 0) {
    const seconds = Math.ceil(left / 1000);
    return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
  }
  const over = Math.floor(-left / MINUTE_MS);
  return over === 0 ? "ended" : `ended ${counted(over, "minute")} ago`;
}

/**
 * Litres that are out by the clock of a drain that runs evenly.
 *
 * @param allL What it takes out by its end, L.
 * @example
 * fallenL({ id: "v drain", visitId: "v", tank: "Reef", label: "Drain", startedAt: 0, minutes: 10 }, 150_000, 60); // 15
 */
export function fallenL(clock: RunningClock, now: number, allL: number): number {
  const share = (now - clock.startedAt) / (clock.minutes * MINUTE_MS);
  return Math.max(0, allL) * Math.min(1, Math.max(0, share));
}

/** Clocks as they lie on the device; whatever is none is left out. */
export function readClocks(kept: string | null): RunningClock[] {
  if (kept === null) return [];
  try {
    const list: unknown = JSON.parse(kept);
    return Array.isArray(list) ? list.filter(isClock) : [];
  } catch (error) {
    // Not ours, or half written: there is nothing to ring for.
    if (error instanceof SyntaxError) return [];
    throw error;
  }
}

const isClock = (value: unknown): value is RunningClock =>
  typeof value === "object" &&
  value !== null &&
  typeof (value as RunningClock).id === "string" &&
  typeof (value as RunningClock).visitId === "string" &&
  typeof (value as RunningClock).tank === "string" &&
  typeof (value as RunningClock).label === "string" &&
  Number.isFinite((value as RunningClock).startedAt) &&
  (value as RunningClock).minutes > 0;
