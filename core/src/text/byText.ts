/**
 * Orders texts by their code units: the same on every machine, whatever its locale.
 *
 * @example
 * byText("a", "B"); // 1
 */
export const byText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);
