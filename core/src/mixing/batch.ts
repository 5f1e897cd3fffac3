/** What stands in a barrel. Instants in milliseconds. */
export interface BarrelContents {
  readonly sourceId: string;
  readonly litres: number;
  readonly startedAt: number;
  /** Of salt water: what it is meant to be, and the salt that went in. */
  readonly targetPsu?: number;
  readonly grams?: number;
  /** Measured, and when; missing until it is verified. */
  readonly psu?: number;
  readonly temperatureC?: number;
  readonly verifiedAt?: number;
  /** The record of its first measurement, which may be measured anew. */
  readonly batchId?: string;
  /** It was put right or drawn from: it says nothing of its salt any more. */
  readonly batchDone?: boolean;
}

/** How a salt is used: minutes until it may be, days that it keeps. */
export interface SaltAge {
  readonly readyMinutes: number;
  readonly keepsDays: number;
}

/** Where a batch stands in its life. */
export type BatchState =
  | { readonly state: "standing"; readonly readyAt: number }
  | { readonly state: "unverified" }
  | { readonly state: "off"; readonly byPsu: number }
  | { readonly state: "ready"; readonly until: number }
  | { readonly state: "too-old"; readonly since: number };

const MINUTE = 60_000;
const DAY = 1440 * MINUTE;
/** A mix within this of its target is right, ppt. */
export const NEAR_PSU = 0.5;

/**
 * Whether a barrel may be used at an instant, and why not.
 *
 * It stands until its salt may be used, is measured, is right, and keeps for its days. Purified water is ready at once.
 * @example
 * batchState({ sourceId: "mix", litres: 100, startedAt: 0 }, { readyMinutes: 60, keepsDays: 7 }, 0); // { "state": "standing", "readyAt": 3600000 }
 */
export function batchState(contents: BarrelContents, age: SaltAge, at: number): BatchState {
  const readyAt = contents.startedAt + age.readyMinutes * MINUTE;
  const until = contents.startedAt + age.keepsDays * DAY;
  if (at >= until) return { state: "too-old", since: until };
  if (at < readyAt) return { state: "standing", readyAt };
  if (contents.targetPsu === undefined) return { state: "ready", until };
  if (contents.psu === undefined) return { state: "unverified" };
  const byPsu = contents.psu - contents.targetPsu;
  return Math.abs(byPsu) > NEAR_PSU ? { state: "off", byPsu } : { state: "ready", until };
}
