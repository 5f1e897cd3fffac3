import { OutOfRangeError, requireRange } from "../issues/index.ts";

/** How new water meets old: drained first and then filled, or in and out together. */
export type ExchangeMode = "batch" | "in-and-out";

/**
 * The share of the old water that is really gone, 0 to 1.
 *
 * Batch: v/V. In and out together, fully mixed: 1 − e^(−v/V), after the continuous stirred tank; of which a dead volume Vd
 * keeps its part: (Vm/V)(1 − e^(−v/Vm)) with Vm = V − Vd.
 *
 * @param deadL Water of the system that does not mix while it is changed; in a batch it mixes afterwards.
 * @throws {OutOfRangeError} if nothing mixes, or more is drained at once than the system holds.
 * @example
 * effectiveShare(50, 200, "batch"); // 0.25
 */
export function effectiveShare(litres: number, systemL: number, mode: ExchangeMode, deadL = 0): number {
  const mixedL = mixing(systemL, deadL);
  requireRange("litres", litres, 0, mode === "batch" ? systemL : Number.MAX_VALUE);
  return mode === "batch" ? litres / systemL : (mixedL / systemL) * (1 - Math.exp(-litres / mixedL));
}

/** Litres of a system that mix. */
function mixing(systemL: number, deadL: number): number {
  if (!(systemL > 0)) throw new OutOfRangeError({ code: "no-volume", field: "systemL", value: systemL });
  requireRange("deadL", deadL, 0, systemL * (1 - 1e-9));
  return systemL - deadL;
}

/**
 * Concentration after a change with an effective share, in the unit of its inputs. Mass balance.
 *
 * @example
 * afterExchange(40, 5, 0.25); // 31.25
 */
export function afterExchange(before: number, refill: number, share: number): number {
  return before + share * (refill - before);
}

/** Whether litres can bring a value to its target, and how many. */
export type LitresNeeded =
  | { readonly ok: true; readonly litres: number }
  | { readonly ok: false; readonly reason: "source-not-beyond-target" | "never-exactly" | "held-by-dead-water" };

/**
 * Litres that bring a concentration to a target: the mass balance solved for litres.
 *
 * A target that is already met needs 0 L. One that does not lie between tank and source cannot be reached.
 *
 * @example
 * litresToReach({ before: 40, target: 20, refill: 5, systemL: 200, mode: "batch" }); // 114.29 L
 */
export function litresToReach(input: {
  readonly before: number;
  readonly target: number;
  readonly refill: number;
  readonly systemL: number;
  readonly mode: ExchangeMode;
  /** Water that does not mix while it is changed. */
  readonly deadL?: number | undefined;
}): LitresNeeded {
  const { before, target, refill, systemL, mode, deadL = 0 } = input;
  const mixedL = mixing(systemL, deadL);
  if (before === target) return { ok: true, litres: 0 };
  const share = (before - target) / (before - refill);
  if (!(share > 0 && share <= 1)) return { ok: false, reason: "source-not-beyond-target" };
  if (mode === "batch") return { ok: true, litres: share * systemL };
  if (share === 1) return { ok: false, reason: "never-exactly" };
  const mixedShare = (share * systemL) / mixedL;
  if (mixedShare >= 1) return { ok: false, reason: "held-by-dead-water" };
  return { ok: true, litres: -Math.log(1 - mixedShare) * mixedL };
}

/**
 * The peak, just before a change, that a steady build-up and a steady change settle at.
 *
 * @throws {OutOfRangeError} for a value outside its range.
 * @example
 * settledPeak(5, 2, 14, 0.3); // 98.33
 */
export function settledPeak(refill: number, perDay: number, intervalDays: number, share: number): number {
  requireRange("share", share, Number.MIN_VALUE, 1);
  return refill + (perDay * intervalDays) / share;
}

/**
 * The effective share that keeps the settled peak at a limit; above 1 no change can hold it.
 *
 * @example
 * shareToHold(50, 5, 2, 14); // 0.6222
 */
export function shareToHold(limit: number, refill: number, perDay: number, intervalDays: number): number {
  return (perDay * intervalDays) / (limit - refill);
}
