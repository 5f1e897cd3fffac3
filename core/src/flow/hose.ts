import { requireRange } from "../issues/index.ts";
import { risingRoot } from "../numeric/index.ts";

/** A hose or pipe between two levels. */
export interface Hose {
  readonly lengthM: number;
  /** Inside diameter, m. */
  readonly diameterM: number;
  /** Roughness of the wall, m. Smooth plastic is about 1.5 µm. */
  readonly roughnessM?: number;
  /** Sum of the minor losses, entrance and exit among them. A plain hose is about 1.5. */
  readonly minorLosses?: number;
  /** Kinematic viscosity, m²/s: fresh water at 25 °C is 0.893e-6. */
  readonly viscosityM2S?: number;
}

/** Standard gravity, m/s² (CGPM 1901). */
const GRAVITY = 9.80665;
/** Below this Reynolds number a pipe's flow is laminar. */
const LAMINAR_RE = 2300;
const SMOOTH_PLASTIC_M = 1.5e-6;
const PLAIN_HOSE_LOSSES = 1.5;
const FRESH_25C_M2S = 0.893e-6;
const L_PER_MINUTE = 60_000;

/** Darcy's friction factor: 64/Re while laminar, else Swamee and Jain (1976). */
function frictionFactor(reynolds: number, relativeRoughness: number): number {
  if (reynolds < LAMINAR_RE) return 64 / reynolds;
  return 0.25 / Math.log10(relativeRoughness / 3.7 + 5.74 / reynolds ** 0.9) ** 2;
}

/**
 * Head that a flow loses in a hose, m.
 *
 * Darcy and Weisbach with minor losses: (f·L/D + ΣK)·v²/2g.
 *
 * @param flowLPerMinute From 0.
 * @throws {OutOfRangeError} for a hose without length or bore.
 * @example
 * headLossM({ lengthM: 3, diameterM: 0.016 }, 22); // about 1.0
 */
export function headLossM(hose: Hose, flowLPerMinute: number): number {
  requireRange("lengthM", hose.lengthM, 0.01, 1000);
  requireRange("diameterM", hose.diameterM, 0.001, 1);
  requireRange("flowLPerMinute", flowLPerMinute, 0, 1e6);
  if (flowLPerMinute === 0) return 0;
  const { lengthM, diameterM } = hose;
  const speed = flowLPerMinute / L_PER_MINUTE / ((Math.PI * diameterM ** 2) / 4);
  const reynolds = (speed * diameterM) / (hose.viscosityM2S ?? FRESH_25C_M2S);
  const factor = frictionFactor(reynolds, (hose.roughnessM ?? SMOOTH_PLASTIC_M) / diameterM);
  return ((factor * lengthM) / diameterM + (hose.minorLosses ?? PLAIN_HOSE_LOSSES)) * (speed ** 2 / (2 * GRAVITY));
}

/** The largest flow whose loss is within a head that may itself fall with the flow, L/min. */
function largestFlow(hose: Hose, headM: (flowLPerMinute: number) => number): number {
  const missing = (flow: number) => headLossM(hose, flow) - headM(flow);
  if (missing(0) >= 0) return 0;
  let high = 1;
  while (missing(high) < 0) high *= 2;
  // The friction factor jumps where the flow turns turbulent: bisection still ends at the last flow that fits.
  return risingRoot(missing, 0, high);
}

/**
 * Flow of a siphon or of a hose that runs down, L/min; 0 without a fall.
 *
 * The largest flow whose loss is no more than the head.
 *
 * @param headM From the water's surface to the free outlet, or to the surface over a drowned one. At most 100.
 * @throws {OutOfRangeError} for a hose without length or bore.
 * @example
 * gravityFlowLPerMinute({ lengthM: 3, diameterM: 0.016 }, 1); // about 22
 */
export function gravityFlowLPerMinute(hose: Hose, headM: number): number {
  requireRange("headM", headM, -100, 100);
  return largestFlow(hose, () => headM);
}

/** A pump by the two ends of its curve. */
export interface Pump {
  /** Height at which nothing flows any more, m. */
  readonly shutOffM: number;
  /** Flow against no height, L/min. */
  readonly openLPerMinute: number;
}

/**
 * Flow of a pump through a hose up to a height, L/min; 0 where it cannot lift.
 *
 * Where the pump's curve H0·(1 − (Q/Qmax)²) meets the height and the hose's loss.
 *
 * @param liftM Height of the outlet above the water it is taken from; below zero it helps. At most 100.
 * @throws {OutOfRangeError} for a pump without strength.
 * @example
 * pumpFlowLPerMinute({ shutOffM: 2, openLPerMinute: 50 }, { lengthM: 5, diameterM: 0.019 }, 2); // 0
 */
export function pumpFlowLPerMinute(pump: Pump, hose: Hose, liftM: number): number {
  requireRange("shutOffM", pump.shutOffM, 0.01, 200);
  requireRange("openLPerMinute", pump.openLPerMinute, 0.01, 1e6);
  requireRange("liftM", liftM, -100, 100);
  return largestFlow(hose, (flow) => pump.shutOffM * (1 - (flow / pump.openLPerMinute) ** 2) - liftM);
}

/**
 * The factor that a timed bucket puts on the formula at every head: measured flow over computed flow.
 *
 * @throws {OutOfRangeError} for no litres, no seconds, or a hose that by the formula does not run.
 * @example
 * bucketFactor(10, 60, 12); // 0.8333
 */
export function bucketFactor(litres: number, seconds: number, computedLPerMinute: number): number {
  requireRange("litres", litres, 0.1, 1000);
  requireRange("seconds", seconds, 0.5, 86_400);
  requireRange("computedLPerMinute", computedLPerMinute, 0.001, 1e6);
  return ((litres / seconds) * 60) / computedLPerMinute;
}
