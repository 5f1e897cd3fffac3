/** A source of numbers in [0, 1), the same for the same seed. Mulberry32, after Tommy Ettinger. */
export type Random = () => number;

/**
 * @example
 * seeded(7)() === seeded(7)(); // true
 */
export function seeded(seed: number): Random {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/**
 * A normal value with mean 0 and standard deviation 1 (Box and Muller).
 *
 * @example
 * gaussian(() => 0.5); // -1.17741
 */
export function gaussian(random: Random): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}
