import { OutOfRangeError, requireRange } from "../issues/index.ts";

/**
 * Temperature of a tank while it is refilled, °C: (Vleft·T0 + u·Tr)/(Vleft + u).
 *
 * @param leftL In the tank when pouring began, more than 0.
 * @param pouredL So far; half of what was taken out is the check on the way.
 * @throws {OutOfRangeError} for a value outside its range.
 * @example
 * temperatureDuring(25, 20, 80, 20); // 24
 */
export function temperatureDuring(tankC: number, refillC: number, leftL: number, pouredL: number): number {
  requireRange("leftL", leftL, Number.MIN_VALUE, 1e7);
  requireRange("pouredL", pouredL, 0, 1e7);
  return (leftL * tankC + pouredL * refillC) / (leftL + pouredL);
}

/**
 * Share of hot water at a mixer tap for a wanted temperature, 0 to 1, or null where the taps cannot give it.
 *
 * @example
 * hotShare(24, 10, 60); // 0.28
 */
export function hotShare(wantedC: number, coldC: number, hotC: number): number | null {
  const share = (wantedC - coldC) / (hotC - coldC);
  return share >= 0 && share <= 1 ? share : null;
}

/**
 * Temperature at which a heater only makes up for what a vessel loses, °C: it heats to no more.
 *
 * @param input.lossWPerK U·A of the vessel, above 0.
 * @throws {OutOfRangeError} for no loss at all.
 * @example
 * heaterEquilibriumC({ watts: 80, lossWPerK: 4, roomC: 15 }); // 35
 */
export function heaterEquilibriumC(input: {
  readonly watts: number;
  readonly lossWPerK: number;
  readonly roomC: number;
}): number {
  const { watts, lossWPerK, roomC } = input;
  requireRange("lossWPerK", lossWPerK, Number.MIN_VALUE, 1e6);
  return roomC + watts / lossWPerK;
}

/** Heat capacity, Wh per litre and kelvin: 4.182 kJ/(kg K) at 0.997 kg/L; sea water of 35 PSU. */
const WH_PER_L_K = { fresh: 1.158, sea: 1.136 } as const;

/**
 * Hours to heat a barrel against its own losses, or null where the heater cannot reach the temperature.
 *
 * Source: Newton's law of cooling with a constant source of heat, solved for time.
 *
 * @param input `lossWPerK`: U·A of the barrel. `water`: which heat capacity.
 * @throws {OutOfRangeError} for a value outside its range.
 * @example
 * heatingHours({ litres: 100, fromC: 10, toC: 25, watts: 300, lossWPerK: 4, roomC: 10, water: "fresh" }); // 6.46
 */
export function heatingHours(input: {
  readonly litres: number;
  readonly fromC: number;
  readonly toC: number;
  readonly watts: number;
  readonly lossWPerK: number;
  readonly roomC: number;
  readonly water: "fresh" | "sea";
}): number | null {
  const { litres, fromC, toC, watts, lossWPerK, roomC, water } = input;
  requireRange("litres", litres, 0, 1e6);
  if (!(lossWPerK > 0)) throw new OutOfRangeError({ code: "out-of-range", field: "lossWPerK", value: lossWPerK });
  if (toC <= fromC) return 0;
  const spareWatts = watts - lossWPerK * (toC - roomC);
  if (spareWatts <= 0) return null;
  const startWatts = watts - lossWPerK * (fromC - roomC);
  return ((litres * WH_PER_L_K[water]) / lossWPerK) * Math.log(startWatts / spareWatts);
}
