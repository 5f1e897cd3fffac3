/** The root is told to this part of the distance between its bounds. */
const TOLERANCE = 1e-13;
const MOST_STEPS = 100;

/**
 * Where a function that rises through zero between two bounds does so, in the unit of the bounds.
 *
 * A bound that lies beyond the root already is the answer: `low` where the function is not below zero there, `high` where it
 * never comes up to it. A jump through zero is found like a root. Inverse quadratic interpolation wherever that is safe, else
 * halving, so that a smooth function is asked about ten times.
 *
 * Source: T. R. Chandrupatla, Advances in Engineering Software 28 (1997) 145-149.
 *
 * @example
 * risingRoot((x) => x * x - 2, 0, 2); // 1.414214
 */
export function risingRoot(rising: (x: number) => number, low: number, high: number): number {
  // `a` and `b` stand on either side of the root, `c` is the point that `b` took the place of.
  let [a, b] = [high, low];
  let [fa, fb] = [rising(high), rising(low)];
  if (fb >= 0) return low;
  if (fa <= 0) return high;
  let [c, fc] = [a, fa];
  const least = TOLERANCE * (high - low);
  let part = 0.5;
  for (let i = 0; i < MOST_STEPS; i++) {
    const x = a + part * (b - a);
    const fx = rising(x);
    if (Math.sign(fx) === Math.sign(fa)) [c, fc] = [a, fa];
    else [c, fc, b, fb] = [b, fb, a, fa];
    [a, fa] = [x, fx];
    const nearest = Math.abs(fa) < Math.abs(fb) ? a : b;
    const width = Math.abs(b - a);
    if (fa === 0 || width <= 2 * least) return nearest;
    const [xi, phi] = [(a - b) / (c - b), (fa - fb) / (fc - fb)];
    const safe = phi * phi < xi && (1 - phi) * (1 - phi) < 1 - xi;
    const quadratic = ((fa / (fb - fa)) * fc) / (fb - fc) + ((((c - a) / (b - a)) * fa) / (fc - fa)) * (fb / (fc - fb));
    const edge = least / width;
    part = Math.min(1 - edge, Math.max(edge, safe ? quadratic : 0.5));
  }
  return Math.abs(fa) < Math.abs(fb) ? a : b;
}
