/**
 * Whole days that a stock lasts at a rate a day: a top-up reservoir by what evaporates, clean socks by how often they
 * are changed. Null where nothing is used up.
 *
 * @param stock Usable litres, or clean socks less what is kept back for changes.
 * @param perDay Litres a day (learnt from refills), or socks a day.
 * @example
 * lastsDays(20, 3); // 6
 */
export function lastsDays(stock: number, perDay: number): number | null {
  return perDay > 0 ? Math.floor(stock / perDay + 1e-9) : null;
}
