import { requireRange } from "../issues/index.ts";

/** How far the estimate below may be off either way, as a share of it. */
export const CO2_RELATIVE = 0.3;

/**
 * Carbon dioxide in fresh water from carbonate hardness and pH, mg/L; good to about 30 %.
 *
 * CO2 = 3·KH·10^(7 − pH), the carbonate equilibrium at ordinary temperatures with KH in dKH. It fails where something
 * else buffers the water: tannins, phosphate, buffer salts.
 *
 * @throws {OutOfRangeError} outside of 0 to 40 dKH and pH 4 to 10.
 * @example
 * co2MgL(4, 6.8); // 19.0
 */
export function co2MgL(kh: number, ph: number): number {
  requireRange("kh", kh, 0, 40);
  requireRange("ph", ph, 4, 10);
  return 3 * kh * 10 ** (7 - ph);
}

/**
 * pH of fresh water that stands in balance with the air: 7 + log10(5·KH), the carbonate equilibrium at about 0.6 mg/L of
 * carbon dioxide with KH in dKH.
 *
 * @param kh Carbonate hardness, dKH, from 0.01 to 60.
 * @throws {OutOfRangeError} outside that range.
 * @example
 * carbonateBalancePh(4); // 8.301
 */
export function carbonateBalancePh(kh: number): number {
  requireRange("kh", kh, 0.01, 60);
  return 7 + Math.log10(5 * kh);
}
