import { requireRange } from "../issues/index.ts";

/**
 * Salinity that a tank gains each day by being topped up with salt water, ppt: E·St/V. Evaporation leaves all salt behind.
 *
 * @param litresPerDay Topped up, from 0.
 * @example
 * topUpCreepPpt(0.2, 5, 200); // 0.005
 */
export function topUpCreepPpt(topUpPsu: number, litresPerDay: number, systemL: number): number {
  requireRange("topUpPsu", topUpPsu, 0, 60);
  requireRange("litresPerDay", litresPerDay, 0, 1e5);
  requireRange("systemL", systemL, Number.MIN_VALUE, 1e7);
  return (topUpPsu * litresPerDay) / systemL;
}

/**
 * The salinity of a top-up that makes a tank gain so much each day, ppt: the same solved for it.
 *
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
