/** Letters and digits without accents, in lower case. */
export function plainText(text: string): string {
  return text
    .normalize("NFD")
    .replace(/\p{Diacritic}/gu, "")
    .toLowerCase();
}

/** Longer words than this say no more than their beginning. */
const LONGEST = 32;

/** The words of a text to be found by: letters and digits, without accents, each once. */
export function wordsOf(text: string): string[] {
  const words = plainText(text)
    .replace(/['’]/g, "")
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== "")
    .map((word) => word.slice(0, LONGEST));
  return [...new Set(words)];
}
