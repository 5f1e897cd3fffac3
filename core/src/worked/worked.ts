import type { FormulaId } from "./catalogue.ts";

/** A number with its unit, as it goes into or comes out of a formula. */
export interface Quantity {
  readonly value: number;
  readonly unit: string;
}

/** 2.5 to 97.5 %. */
export interface Range {
  readonly low: number;
  readonly high: number;
}

/** A planned number that a person acts on, with all that is needed to open its working. */
export interface Worked extends Quantity {
  readonly formula: FormulaId;
  readonly inputs: Readonly<Record<string, Quantity | string>>;
  readonly range?: Range;
}

/** 97.5 % point of the normal distribution: turns a standard deviation into a 95 % half-width. */
export const Z95 = 1.959964;

/** The 2.5 to 97.5 % range of a normal value. */
export function rangeOf(value: number, sigma: number): Range {
  return { low: value - Z95 * sigma, high: value + Z95 * sigma };
}

/** Wraps a value with the formula and the inputs it came from. */
export function worked(
  formula: FormulaId,
  value: number,
  unit: string,
  inputs: Worked["inputs"],
  sigma?: number,
): Worked {
  const base = { formula, value, unit, inputs };
  return sigma === undefined ? base : { ...base, range: rangeOf(value, sigma) };
}

/** Shorthand for an input of a working. */
export function q(value: number, unit: string): Quantity {
  return { value, unit };
}
