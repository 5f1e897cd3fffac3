import { distance } from "fastest-levenshtein";

/** Wrong letters that are forgiven in a word of so many letters: one in five. */
export function forgiven(letters: number): number {
  return Math.floor(letters / 5);
}

/**
 * How well a known word fits one that was asked for, from 0 (not at all) to 1 (the same).
 *
 * The same word is best, then one that begins with it (the more of it was typed the better), then one with a wrong
 * letter in five, missing, doubled or swapped for another, in the whole word or in its beginning. Both are plain.
 */
export function fit(asked: string, known: string): number {
  if (asked === known) return 1;
  if (known.startsWith(asked)) return 0.7 + (0.25 * asked.length) / known.length;
  const inWhole = forgiven(Math.max(asked.length, known.length));
  if (inWhole > 0 && Math.abs(known.length - asked.length) <= inWhole) {
    const wrong = distance(asked, known);
    if (wrong <= inWhole) return 0.6 - (0.2 * wrong) / asked.length;
  }
  const inBeginning = forgiven(asked.length);
  for (let wrong = 1; wrong <= inBeginning; wrong++)
    for (let length = asked.length - wrong; length <= Math.min(known.length, asked.length + wrong); length++)
      if (distance(asked, known.slice(0, length)) <= wrong) return 0.45 - (0.2 * wrong) / asked.length;
  return 0;
}

/**
 * Pieces of an asked word of which one stands unharmed in every word that fits it, so that an index can be asked.
 *
 * With so many letters forgiven, a word is cut into one piece more: the first stands at the beginning of a word that
 * fits, the last at its end or in its beginning, one between anywhere.
 */
export function pieces(asked: string): { readonly begins: string; readonly within: readonly string[] } {
  // The word that was meant may have a letter more, and so one more forgiven.
  const parts = forgiven(asked.length + 1) + 1;
  const size = Math.floor(asked.length / parts);
  const cut = Array.from({ length: parts }, (_, i) =>
    asked.slice(i * size, i === parts - 1 ? undefined : (i + 1) * size),
  );
  return { begins: cut[0] ?? asked, within: cut.slice(1) };
}
