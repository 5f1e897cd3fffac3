import { requireRange } from "../issues/index.ts";

/** From here up a water counts as sea water for the ammonia equilibrium, PSU. */
const SEA_FROM_PSU = 1;

/**
 * Molar fraction of ammonia that is free (NH3), 0 to 1.
 *
 * Source: fresh water Emerson et al. 1975; sea water Bell et al. 2007.
 *
 * @throws {OutOfRangeError} for a value outside its range.
 * @example
 * freeAmmoniaFraction({ ph: 8, temperatureC: 25, salinityPsu: 0 }); // 0.0537
 */
export function freeAmmoniaFraction(water: {
  readonly ph: number;
  readonly temperatureC: number;
  readonly salinityPsu: number;
}): number {
  const { ph, temperatureC, salinityPsu } = water;
  requireRange("ph", ph, 0, 14);
  requireRange("temperatureC", temperatureC, -2, 50);
  requireRange("salinityPsu", salinityPsu, 0, 60);
  const pKa =
    salinityPsu < SEA_FROM_PSU
      ? 0.09018 + 2729.92 / (temperatureC + 273.15)
      : 10.0423 - 0.0315536 * temperatureC + 0.003071 * salinityPsu;
  return 1 / (1 + 10 ** (pKa - ph));
}

/** Free ammonia (NH3) of a milligram of nitrogen. Molar masses N 14.007, H 1.008. */
const NH3_PER_N = (14.007 + 3 * 1.008) / 14.007;

/**
 * Total ammonia, mg/L as nitrogen, of which no more than a limit is free.
 *
 * @param freeMgL the limit, mg/L as NH3, 0 to 100.
 * @throws {OutOfRangeError} outside of it.
 * @example
 * totalAmmoniaForMgL(0.02, { ph: 8, temperatureC: 25, salinityPsu: 0 }); // 0.307
 */
export function totalAmmoniaForMgL(
  freeMgL: number,
  water: { readonly ph: number; readonly temperatureC: number; readonly salinityPsu: number },
): number {
  requireRange("freeMgL", freeMgL, 0, 100);
  return freeMgL / freeAmmoniaFraction(water) / NH3_PER_N;
}

/**
 * Free ammonia as NH3, mg/L, from total ammonia as nitrogen.
 *
 * @throws {OutOfRangeError} for a value outside its range.
 * @example
 * freeAmmoniaMgL(1, { ph: 8, temperatureC: 25, salinityPsu: 0 }); // 0.0652
 */
export function freeAmmoniaMgL(
  totalNMgL: number,
  water: { readonly ph: number; readonly temperatureC: number; readonly salinityPsu: number },
): number {
  requireRange("totalNMgL", totalNMgL, 0, 1e4);
  return totalNMgL * freeAmmoniaFraction(water) * NH3_PER_N;
}
