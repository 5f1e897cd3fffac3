/**
 * The middle of some figures; of an even count, halfway between the two in the middle. 0 of none.
 *
 * @example
 * median([3, 1, 10, 2]); // 2.5
 */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  const [low, high] = [sorted[middle - 1] ?? 0, sorted[middle] ?? 0];
  return sorted.length % 2 === 1 ? high : (low + high) / 2;
}
