/** A word that keeps its first letter wherever it stands: a formula, an abbreviation, a symbol (pH, KH, TDS, UV, CO2). */
const KEEPS_CAPITALS = /^[^\s]*(?:[a-z][A-Z]|[A-Z][A-Z0-9])/;

/**
 * A name or a sentence as it stands inside another sentence: without its capital, but for words that keep theirs.
 *
 * @example
 * inSentence("Alkalinity"); // "alkalinity"
 * inSentence("TDS of the purified water"); // "TDS of the purified water"
 */
export const inSentence = (text: string): string =>
  KEEPS_CAPITALS.test(text) ? text : `${text.charAt(0).toLowerCase()}${text.slice(1)}`;

/**
 * Words as a sentence: a capital at its beginning, a full stop at its end.
 *
 * @example
 * sentence("the fish eat"); // "The fish eat."
 */
export const sentence = (text: string): string =>
  // A name that is written like "pH" keeps its letters.
  `${/^[a-z][A-Z]/.test(text) ? text : `${text.charAt(0).toUpperCase()}${text.slice(1)}`}${/[.!?]$/.test(text) ? "" : "."}`;

const conjunctions = new Map<string, Intl.ListFormat>();

/**
 * Several things in a sentence.
 *
 * @example
 * andList(["sand", "rock", "glass"]); // "sand, rock and glass"
 * andList(["sand", "rock", "glass"], "en-US"); // "sand, rock, and glass"
 */
export function andList(words: readonly string[], locale = "en-GB"): string {
  const known = conjunctions.get(locale) ?? new Intl.ListFormat(locale, { type: "conjunction" });
  conjunctions.set(locale, known);
  return known.format(words);
}

/**
 * How many there are of something, in the right number.
 *
 * @param many The plural where it is more than an s.
 * @example
 * counted(1, "visit"); // "1 visit"
 * counted(3, "day"); // "3 days"
 */
export const counted = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

const collator = new Intl.Collator("en-GB", { numeric: true });

/**
 * Orders names as a reader looks for them, whatever the machine's locale: accents and capitals beside their letter, 2 before 10.
 *
 * @example
 * byName("Änne", "Bo"); // -1
 */
export const byName = (a: string, b: string): number => collator.compare(a, b);
