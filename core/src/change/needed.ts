import type { TankOnDay } from "../given/index.ts";
import { gaussian, pointsOf, seeded } from "../numeric/index.ts";
import { type ExchangeMode, litresToReach } from "../water/index.ts";
import { q, type Range, rangeOf, type Worked, worked } from "../worked/index.ts";
import { refillSigmaOf } from "./expected.ts";
import type { Target } from "./target.ts";

/** Litres that bring a value to its target, and how well each input of them is known. */
export interface Needed {
  readonly before: number;
  readonly beforeSigma: number;
  readonly target: number;
  readonly refill: number;
  readonly refillSigma: number;
  readonly systemL: number;
  /** Relative, one sigma. */
  readonly volumeRelative: number;
  readonly mode: ExchangeMode;
  readonly deadL?: number | undefined;
}

/** Where a reading is this uncertain against what the water can move, first order no longer holds. */
const FIRST_ORDER_TO = 0.1;
const DRAWS = 4000;
/** Always the same draws: the same reading gives the same range. */
const SEED = 20_260;

/**
 * The 2.5 to 97.5 % range of the litres that would reach a target.
 *
 * First order while the reading is well known, σ² = v²rV² + V²[((Ct − Cr)σ0/(C0 − Cr)²)² + ((C0 − Ct)σr/(C0 − Cr)²)²]; else,
 * and for a change in and out together, drawn. A draw that is inside its target needs nothing, one that cannot reach it
 * more than the system holds.
 */
export function neededRange(needed: Needed): Range {
  const { before, beforeSigma, target, refill, refillSigma, systemL, volumeRelative, mode } = needed;
  const reach = before - refill;
  if (mode === "batch" && beforeSigma / Math.abs(reach) <= FIRST_ORDER_TO) {
    const litres = (systemL * (before - target)) / reach;
    return rangeOf(
      litres,
      Math.hypot(
        litres * volumeRelative,
        (systemL * (target - refill) * beforeSigma) / reach ** 2,
        (systemL * (before - target) * refillSigma) / reach ** 2,
      ),
    );
  }
  const random = seeded(SEED);
  const litres = Float64Array.from({ length: DRAWS }, () => {
    const c0 = before + beforeSigma * gaussian(random);
    const cr = refill + refillSigma * gaussian(random);
    const volumeL = systemL * (1 + volumeRelative * gaussian(random));
    if (Math.sign(c0 - target) !== Math.sign(before - target)) return 0;
    const answer = litresToReach({
      before: c0,
      target,
      refill: cr,
      systemL: volumeL,
      mode,
      deadL: Math.min(needed.deadL ?? 0, volumeL / 2),
    });
    return answer.ok ? answer.litres : Number.POSITIVE_INFINITY;
  });
  const { low, high } = pointsOf(litres);
  return { low, high };
}

/** A range that ends above this many volumes of the system says only that it may not be reached at all. */
const MOST_NEEDED = 3;

/** The litres that the reading which raised the change asks for, with their range; null where none did. */
export function neededOf(tank: TankOnDay, target: Target | undefined, goal: number | undefined): Worked | null {
  if (!target || goal === undefined) return null;
  const { systemL, mode, facts, volumeRelative } = tank;
  const { parameter, value, sigma, refill } = target;
  const asked = { before: value, target: goal, refill, systemL, mode, deadL: facts.deadL };
  const answer = litresToReach(asked);
  if (!answer.ok) return null;
  const range = neededRange({
    ...asked,
    beforeSigma: sigma,
    refillSigma: refillSigmaOf(tank, parameter, refill),
    volumeRelative,
  });
  const unit = parameter === "ammonia" ? "mg/L N" : target.side === "low" ? "" : "mg/L";
  return {
    ...worked("litres-needed", answer.litres, "L", {
      before: q(value, unit),
      target: q(goal, unit),
      "new water": q(refill, unit),
      system: q(systemL, "L"),
    }),
    range: { low: Math.max(0, range.low), high: Math.min(range.high, systemL * MOST_NEEDED) },
  };
}
