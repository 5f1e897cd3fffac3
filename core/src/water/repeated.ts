import { requireRange } from "../issues/index.ts";

/** How many equal changes reach a target, or why none do. */
export type ChangesNeeded =
  | { readonly ok: true; readonly changes: number }
  | { readonly ok: false; readonly reason: "source-not-beyond-target" | "never-exactly" | "no-share" };

/**
 * The fewest equal changes that bring a concentration to a target: n = ⌈ln((Ct − Cr)/(C0 − Cr)) / ln(1 − f)⌉.
 *
 * A target that is met needs none; one that is the new water itself is reached by a whole change alone.
 *
 * @throws {OutOfRangeError} for a value outside its range.
 * @example
 * changesToReach({ before: 40, target: 20, refill: 5, share: 0.25 }); // 3
 */
export function changesToReach(input: {
  readonly before: number;
  readonly target: number;
  readonly refill: number;
  /** Effective share of one change, 0 to 1. */
  readonly share: number;
}): ChangesNeeded {
  const { before, target, refill, share } = input;
  requireRange("share", share, 0, 1);
  if (before === target) return { ok: true, changes: 0 };
  const wanted = (before - target) / (before - refill);
  if (!(wanted > 0 && wanted <= 1)) return { ok: false, reason: "source-not-beyond-target" };
  if (share === 0) return { ok: false, reason: "no-share" };
  if (share === 1) return { ok: true, changes: 1 };
  if (wanted === 1) return { ok: false, reason: "never-exactly" };
  return { ok: true, changes: Math.ceil(Math.log(1 - wanted) / Math.log(1 - share) - 1e-9) };
}

/**
 * Effective share of each of so many equal changes that bring a concentration to a target together: 1 − ((Ct − Cr)/(C0 − Cr))^(1/n).
 *
 * @param input.changes Whole changes, from 1 to 1000.
 * @returns null where this water does not lead there.
 * @throws {OutOfRangeError} for another number of changes.
 * @example
 * shareForChanges({ before: 40, target: 17, refill: 5, changes: 2 }); // 0.414
 */
export function shareForChanges(input: {
  readonly before: number;
  readonly target: number;
  readonly refill: number;
  readonly changes: number;
}): number | null {
  const { before, target, refill, changes } = input;
  requireRange("changes", changes, 1, 1000);
  const left = (target - refill) / (before - refill);
  return left >= 0 && left <= 1 ? 1 - left ** (1 / changes) : null;
}

/**
 * The trough, just after a change, that a steady build-up and a steady change settle at: Cr + a·t(1 − f)/f.
 *
 * @throws {OutOfRangeError} for a value outside its range.
 * @example
 * settledTrough(5, 2, 14, 0.3); // 70.33
 */
export function settledTrough(refill: number, perDay: number, intervalDays: number, share: number): number {
  requireRange("share", share, Number.MIN_VALUE, 1);
  return refill + (perDay * intervalDays * (1 - share)) / share;
}

/**
 * Days between changes of one share that keep the settled peak at a limit: t = f·(limit − Cr)/a.
 *
 * @throws {OutOfRangeError} for a value outside its range.
 * @example
 * intervalToHold(50, 5, 2, 0.3); // 6.75
 */
export function intervalToHold(limit: number, refill: number, perDay: number, share: number): number {
  requireRange("share", share, 0, 1);
  return (share * (limit - refill)) / perDay;
}

/**
 * Litres a day of automatic exchange that hold a limit: q = a·V/(limit − Cr); null where the new water is no better.
 *
 * Holds for a ceiling under a build-up and for a floor over a consumption.
 *
 * @example
 * dailyToHold(50, 5, 2, 200); // 8.89
 */
export function dailyToHold(limit: number, refill: number, perDay: number, systemL: number): number | null {
  const litres = (perDay * systemL) / (limit - refill);
  return Number.isFinite(litres) && litres > 0 ? litres : null;
}

/** A step toward a target that may not be made at once. */
export interface DailySteps {
  readonly today: number;
  readonly days: number;
}

/**
 * How far a value may move today, and the days until its target, at a limit a day: ⌈|Ct − C0|/x⌉.
 *
 * @param limits The most it may rise and fall in a day, both more than 0.
 * @throws {OutOfRangeError} for a value outside its range.
 * @example
 * dailySteps(32, 35, { up: 1, down: 2 }); // 33 today, 3 days
 */
export function dailySteps(
  from: number,
  target: number,
  limits: { readonly up: number; readonly down: number },
): DailySteps {
  requireRange("up", limits.up, Number.MIN_VALUE, 1e6);
  requireRange("down", limits.down, Number.MIN_VALUE, 1e6);
  const most = target > from ? limits.up : limits.down;
  const gap = target - from;
  return {
    today: from + Math.sign(gap) * Math.min(Math.abs(gap), most),
    days: Math.max(0, Math.ceil(Math.abs(gap) / most - 1e-9)),
  };
}
