import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { fit, forgiven, pieces, wordsOf } from "./index.ts";

test("words are plain, each once", () => {
  expect(wordsOf("Café Pavilion, the café's back-bar 2")).toEqual([
    "cafe",
    "pavilion",
    "the",
    "cafes",
    "back",
    "bar",
    "2",
  ]);
  expect(wordsOf("  ·  ")).toEqual([]);
});

describe("how well a word fits", () => {
  test("the same, then a beginning, then a slip", () => {
    const known = "saltmarket";
    const asked = ["saltmarket", "saltmar", "salt", "saltmarkez", "saltnar", "harbour"];
    const fits = asked.map((a) => fit(a, known));
    expect(fits[0]).toBe(1);
    for (let i = 1; i < fits.length; i++) expect(fits[i], asked[i]).toBeLessThan(fits[i - 1] ?? 0);
    expect(fits.at(-1)).toBe(0);
  });
  test("one wrong letter in five is forgiven, two are not", () => {
    expect([4, 5, 9, 10].map(forgiven)).toEqual([0, 1, 1, 2]);
    // The five letters that were meant count, not the four that were typed.
    expect(fit("hotl", "hotel")).toBeGreaterThan(0);
    // Missing, doubled, another, and one too many.
    for (const asked of ["axolot", "axolotll", "axolatl", "acolotl"])
      expect(fit(asked, "axolotl"), asked).toBeGreaterThan(0);
    expect(fit("axalatl", "axolotl")).toBe(0);
    expect(fit("reef", "reel")).toBe(0);
  });
});

/** A word with one letter replaced, dropped or doubled. */
const slipped = fc
  .tuple(fc.stringMatching(/^[a-z]{5,9}$/), fc.nat(), fc.constantFrom("replace", "drop", "double"))
  .map(([word, at, how]) => {
    const i = at % word.length;
    const letter = word[i] ?? "";
    const other = letter === "q" ? "z" : "q";
    const middle = how === "replace" ? other : how === "drop" ? "" : letter + letter;
    return { word, typed: word.slice(0, i) + middle + word.slice(i + 1) };
  });

test("whatever letter slips, the word is found, and the index is asked for a piece that stands", () =>
  fc.assert(
    fc.property(slipped, ({ word, typed }) => {
      expect(fit(typed, word)).toBeGreaterThan(0);
      const { begins, within } = pieces(typed);
      expect(word.startsWith(begins) || within.some((piece) => word.includes(piece))).toBe(true);
    }),
  ));

test("of a long word two letters may slip, wherever they are", () =>
  fc.assert(
    fc.property(fc.stringMatching(/^[a-y]{10,14}$/), fc.nat(), fc.nat(), (word, one, two) => {
      const letters = [...word];
      letters[one % word.length] = "z";
      letters[two % word.length] = "z";
      const typed = letters.join("");
      expect(fit(typed, word)).toBeGreaterThan(0);
      const { begins, within } = pieces(typed);
      expect(word.startsWith(begins) || within.some((piece) => word.includes(piece))).toBe(true);
    }),
  ));
