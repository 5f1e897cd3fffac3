/**
 * Value of a polynomial with the coefficients of x⁰, x¹, x² …, by Horner's rule.
 *
 * @example
 * polynomial(2, [1, 0, 3]); // 13
 */
export function polynomial(x: number, coefficients: readonly number[]): number {
  let sum = 0;
  for (let i = coefficients.length - 1; i >= 0; i--) sum = sum * x + (coefficients[i] ?? 0);
  return sum;
}
