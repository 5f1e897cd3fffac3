import { requireRange } from "../issues/index.ts";

/** A figure drawn many times: its 2.5, 50 and 97.5 % points. */
export interface Drawn {
  readonly low: number;
  readonly middle: number;
  readonly high: number;
}

/**
 * The 2.5, 50 and 97.5 % points of some draws, by linear interpolation between order statistics.
 *
 * @param values At least one; sorted in place.
 * @throws {OutOfRangeError} for a value outside its range.
 * @example
 * pointsOf(new Float64Array([3, 1, 2])); // 1.05, 2 and 2.95
 */
export function pointsOf(values: Float64Array): Drawn {
  requireRange("values", values.length, 1, 1e9);
  values.sort();
  const at = (part: number) => {
    const place = part * (values.length - 1);
    const below = Math.floor(place);
    const [a, b] = [values[below] ?? Number.NaN, values[Math.min(values.length - 1, below + 1)] ?? Number.NaN];
    return a === b ? a : a + (place - below) * (b - a);
  };
  return { low: at(0.025), middle: at(0.5), high: at(0.975) };
}
