/** Half of a letter of two parts, as JSON writes it: the database has no place for it. */
const HALF_LETTER = /(?<!\\)((?:\\\\)*)\\u[dD][89a-fA-F][0-9a-fA-F]{2}/g;

/** The same with the sign for "no letter" in place of half a letter; everything else as it came. */
export function wellFormed(value: unknown): unknown {
  const json = JSON.stringify(value) ?? "null";
  return json.search(HALF_LETTER) >= 0 ? JSON.parse(json.replace(HALF_LETTER, "$1\\ufffd")) : value;
}
