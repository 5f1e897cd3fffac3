import { requireRange } from "../issues/index.ts";

/** What is poured back so that both salt and level are right. */
export type SaltRefill =
  | { readonly ok: true; readonly saltL: number; readonly freshL: number }
  | { readonly ok: false; readonly reason: "mix-too-weak" | "mix-too-strong"; readonly neededPsu: number };

/**
 * Salt water and fresh water to pour after draining a tank that also stood low.
 *
 * Source: conservation of salt and of water; evaporation takes only water.
 *
 * @param input `missingL`: litres below the running level on arrival. `psu`: measured at that level.
 * @throws {OutOfRangeError} if litres are negative or more than the system holds.
 * @example
 * saltRefill({ systemL: 600, missingL: 12, psu: 35.6, drainedL: 90, targetPsu: 35, mixPsu: 35 }); // 93.46 and 8.54 L
 */
export function saltRefill(input: {
  readonly systemL: number;
  readonly missingL: number;
  readonly psu: number;
  readonly drainedL: number;
  readonly targetPsu: number;
  readonly mixPsu: number;
}): SaltRefill {
  const { systemL, missingL, psu, drainedL, targetPsu, mixPsu } = input;
  requireRange("missingL", missingL, 0, systemL);
  requireRange("drainedL", drainedL, 0, systemL - missingL);
  requireRange("mixPsu", mixPsu, Number.MIN_VALUE, 300);
  const saltMissing = targetPsu * systemL - psu * (systemL - missingL - drainedL);
  const room = drainedL + missingL;
  const saltL = saltMissing / mixPsu;
  if (saltL < 0) return { ok: false, reason: "mix-too-strong", neededPsu: 0 };
  if (saltL > room)
    return { ok: false, reason: "mix-too-weak", neededPsu: room > 0 ? saltMissing / room : Number.POSITIVE_INFINITY };
  return { ok: true, saltL, freshL: room - saltL };
}

/**
 * Salinity once the missing water is back, PSU: the salt stays, the level rises.
 *
 * @example
 * salinityAtFullLevel(35.6, 600, 12); // 34.888
 */
export function salinityAtFullLevel(psu: number, systemL: number, missingL: number): number {
  requireRange("missingL", missingL, 0, systemL);
  return (psu * (systemL - missingL)) / systemL;
}

/**
 * Grams of a salt for litres of *finished* mix. `gramsPerLitre` is the salt's figure at 35 PSU.
 *
 * @example
 * saltGrams(30, 38, 35); // 1140
 */
export function saltGrams(finishedL: number, gramsPerLitre: number, targetPsu: number): number {
  requireRange("finishedL", finishedL, 0, 1e6);
  requireRange("gramsPerLitre", gramsPerLitre, 1, 100);
  requireRange("targetPsu", targetPsu, 0, 60);
  return (finishedL * gramsPerLitre * targetPsu) / 35;
}

/** What a verified batch teaches about a salt. */
export interface SaltLesson {
  /** The salt's figure that this batch alone would give, g/L at 35 PSU. */
  readonly batchGramsPerLitre: number;
  /** The figure to plan with from now on. Unchanged while a batch is questioned. */
  readonly gramsPerLitre: number;
  /** More than 15 % off: asked about, not learnt, until a person confirms it. */
  readonly questioned: boolean;
}

/** Moves a salt's figure half-way to a verified batch: k ← k + 0.5 (g·35/(L·S) − k). */
export function learnSalt(
  gramsPerLitre: number,
  batch: {
    readonly litres: number;
    readonly grams: number;
    readonly measuredPsu: number;
    readonly confirmed?: boolean;
  },
): SaltLesson {
  requireRange("litres", batch.litres, 0.1, 1e6);
  requireRange("grams", batch.grams, 0.1, 1e8);
  requireRange("measuredPsu", batch.measuredPsu, 0.5, 60);
  const batchGramsPerLitre = (batch.grams * 35) / (batch.litres * batch.measuredPsu);
  const questioned = Math.abs(batchGramsPerLitre / gramsPerLitre - 1) > 0.15 && !batch.confirmed;
  const learnt = gramsPerLitre + 0.5 * (batchGramsPerLitre - gramsPerLitre);
  return { batchGramsPerLitre, gramsPerLitre: questioned ? gramsPerLitre : learnt, questioned };
}
