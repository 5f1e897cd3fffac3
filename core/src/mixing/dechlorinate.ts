import { requireRange } from "../issues/index.ts";
import { ATOM, molarMass } from "./reagent.ts";

const CL2 = 2 * ATOM.Cl;
const THIOSULPHATE = molarMass("sodium thiosulphate pentahydrate");

/**
 * What the thiosulphate ends as, and how many milligrams of its pentahydrate one milligram of chlorine then takes.
 *
 * To tetrathionate two of it take one Cl2; to sulphate, slowly and not surely, one takes four.
 */
export const THIOSULPHATE_MG_PER_MG = {
  tetrathionate: (2 * THIOSULPHATE) / CL2,
  sulphate: THIOSULPHATE / (4 * CL2),
} as const;
export type ThiosulphateEnds = keyof typeof THIOSULPHATE_MG_PER_MG;

/**
 * Grams of sodium thiosulphate pentahydrate that take free and combined chlorine out of some water.
 *
 * @param litres 0 to 1 000 000.
 * @param chlorineMgL free chlorine, 0 to 20 mg/L.
 * @param chloramineMgL combined chlorine, as chlorine, 0 to 20 mg/L.
 * @param ends plan with tetrathionate: it is the one that is sure.
 * @throws {OutOfRangeError} outside of these.
 * @example thiosulphateGrams(100, 1, 0) // 0.700 g
 */
export function thiosulphateGrams(
  litres: number,
  chlorineMgL: number,
  chloramineMgL: number,
  ends: ThiosulphateEnds = "tetrathionate",
): number {
  requireRange("litres", litres, 0, 1e6);
  requireRange("chlorineMgL", chlorineMgL, 0, 20);
  requireRange("chloramineMgL", chloramineMgL, 0, 20);
  return (litres * (chlorineMgL + chloramineMgL) * THIOSULPHATE_MG_PER_MG[ends]) / 1000;
}

/**
 * Ammonia, mg/L as nitrogen, that is set free when chloramine is broken: one nitrogen for each Cl2.
 *
 * @param chloramineMgL combined chlorine, as chlorine, 0 to 20 mg/L.
 * @throws {OutOfRangeError} outside of it.
 * @example ammoniaFreedMgL(2) // 0.395 mg/L
 */
export function ammoniaFreedMgL(chloramineMgL: number): number {
  requireRange("chloramineMgL", chloramineMgL, 0, 20);
  return (chloramineMgL * ATOM.N) / CL2;
}
