import { requireRange } from "../issues/index.ts";

/**
 * Grams of a salt for litres of *finished* mix. `gramsPerLitre` is the salt's figure at 35 PSU.
 *
 * @throws {OutOfRangeError} for a value outside its range.
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

/**
 * Moves a salt's figure half-way to a verified batch: k ← k + 0.5 (g·35/(L·S) − k).
 *
 * @throws {OutOfRangeError} for a value outside its range.
 * @example
 * learnSalt(36, { litres: 100, grams: 3600, measuredPsu: 34 }).gramsPerLitre; // 36.53
 */
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
