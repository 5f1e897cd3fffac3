import { requireRange } from "../issues/index.ts";

/** A reverse-osmosis purifier as its plate gives it. */
export interface Purifier {
  /** Litres a day at 25 °C and the rated pressure. */
  readonly litresPerDayAt25: number;
  readonly ratedBar: number;
  /** Net pressure that was read at it; without one the usual of the mains. */
  readonly bar?: number | undefined;
  /** Litres of waste for a litre of product. */
  readonly wasteRatio: number;
  /** Minutes that are flushed away after a rest, until the first dissolved matter is out. */
  readonly flushMinutes: number;
}

/**
 * Temperature's hold on a membrane, K, as makers of membranes publish it: permeability follows
 * exp[K·(1/298.15 − 1/T)], with another constant below and above 25 °C.
 */
const BELOW_25 = 3020;
const ABOVE_25 = 2640;
const T25 = 298.15;

/**
 * Product of a purifier at a temperature and a pressure, L a day.
 *
 * @param temperatureC Of the feed water, 1 to 45.
 * @param bar Net pressure over the membrane.
 * @throws {OutOfRangeError} for water that would freeze a membrane or ruin it.
 * @example
 * purifierLPerDay({ litresPerDayAt25: 200, ratedBar: 4, wasteRatio: 3, flushMinutes: 0 }, 25, 2); // 100
 */
export function purifierLPerDay(purifier: Purifier, temperatureC: number, bar: number): number {
  requireRange("temperatureC", temperatureC, 1, 45);
  requireRange("bar", bar, 0, 30);
  requireRange("litresPerDayAt25", purifier.litresPerDayAt25, 0.1, 1e5);
  requireRange("ratedBar", purifier.ratedBar, 0.1, 30);
  const constant = temperatureC < 25 ? BELOW_25 : ABOVE_25;
  const warmth = Math.exp(constant * (1 / T25 - 1 / (temperatureC + 273.15)));
  return purifier.litresPerDayAt25 * (bar / purifier.ratedBar) * warmth;
}

/** When so much is made, and what goes down the drain for it. */
export interface PurifierRun {
  readonly minutes: number;
  readonly productL: number;
  readonly wasteL: number;
}

/**
 * A run for some litres: the flush, then the making.
 *
 * While it is flushed everything goes to waste, product and all.
 *
 * @throws {OutOfRangeError} for a purifier that makes nothing.
 * @example
 * purifierRun({ litresPerDayAt25: 200, ratedBar: 4, wasteRatio: 3, flushMinutes: 0 }, 10, 144); // 100 min, 10 L made, 30 L wasted
 */
export function purifierRun(purifier: Purifier, litres: number, litresPerDay: number): PurifierRun {
  requireRange("litres", litres, 0, 1e5);
  requireRange("litresPerDay", litresPerDay, 0.1, 1e5);
  if (litres === 0) return { minutes: 0, productL: 0, wasteL: 0 };
  const perMinute = litresPerDay / 1440;
  const flushedL = purifier.flushMinutes * perMinute * (1 + purifier.wasteRatio);
  return {
    minutes: purifier.flushMinutes + litres / perMinute,
    productL: litres,
    wasteL: litres * purifier.wasteRatio + flushedL,
  };
}
