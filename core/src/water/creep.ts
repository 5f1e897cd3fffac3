import { requireRange } from "../issues/index.ts";

/**
 * The salinity of a top-up that makes a tank gain so much each day, ppt: G·V/E. Evaporation leaves all salt behind.
 *
 * @throws {OutOfRangeError} for a value outside its range.
 * @example
 * topUpPsuOf(0.005, 5, 200); // 0.2
 */
export function topUpPsuOf(creepPpt: number, litresPerDay: number, systemL: number): number {
  requireRange("litresPerDay", litresPerDay, Number.MIN_VALUE, 1e5);
  requireRange("systemL", systemL, Number.MIN_VALUE, 1e7);
  return (creepPpt * systemL) / litresPerDay;
}

/**
 * Water that evaporates from an open surface, L a day; right within half of it either way.
 *
 * (0.089 + 0.0782·u)(pw − pa)/2440 kg per m² and second, pressures in kPa: the heat of evaporation of pools (ASHRAE
 * handbook, natatoriums); saturation after Magnus with the constants of Alduchov and Eskridge (1996).
 *
 * @param input `airMS` speed of the air over the water, 0 to 2; `humidity` 0 to 1.
 * @throws {OutOfRangeError} for a value outside its range.
 * @example
 * evaporationL({ surfaceM2: 1, waterC: 25, airC: 22, humidity: 0.5, airMS: 0.1 }); // about 6.3
 */
export function evaporationL(input: {
  readonly surfaceM2: number;
  readonly waterC: number;
  readonly airC: number;
  readonly humidity: number;
  readonly airMS: number;
}): number {
  const { surfaceM2, waterC, airC, humidity, airMS } = input;
  requireRange("surfaceM2", surfaceM2, 0, 1000);
  requireRange("waterC", waterC, 0, 40);
  requireRange("airC", airC, -10, 45);
  requireRange("humidity", humidity, 0, 1);
  requireRange("airMS", airMS, 0, 2);
  const fall = Math.max(0, saturationKPa(waterC) - humidity * saturationKPa(airC));
  return ((0.089 + 0.0782 * airMS) * fall * surfaceM2 * 86_400) / 2440;
}

/** Pressure of saturated water vapour, kPa. */
const saturationKPa = (c: number) => 0.61094 * Math.exp((17.625 * c) / (243.04 + c));
