import { requireRange } from "../issues/index.ts";

/** Millimoles a litre that make a degree of general hardness: 10 mg/L of calcium oxide, 56.077 g/mol. */
const MMOL_PER_DGH = 10 / 56.077;
const CA = 40.078;
const MG = 24.305;

/**
 * General hardness of a water from its calcium and magnesium, dGH.
 *
 * @param calciumMgL 0 to 10 000 mg/L.
 * @param magnesiumMgL 0 to 10 000 mg/L.
 * @throws {OutOfRangeError} outside of these.
 * @example hardnessDgh(71.5, 0) // 10.0 dGH
 */
export function hardnessDgh(calciumMgL: number, magnesiumMgL: number): number {
  requireRange("calciumMgL", calciumMgL, 0, 10_000);
  requireRange("magnesiumMgL", magnesiumMgL, 0, 10_000);
  return (calciumMgL / CA + magnesiumMgL / MG) / MMOL_PER_DGH;
}
