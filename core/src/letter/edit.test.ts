import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { figuresOf, type LetterText, phrasesOf, strangeFigures, withPhrases } from "./index.ts";

const letter = (body: string, close = "See you on Friday 27 November, about 9:30."): LetterText => ({
  greeting: "Dear Dr. Ilves,",
  tanks: [{ body: [body], until: ["Please feed once."] }],
  close,
});
const WRITTEN = "We changed 97 L, a fifth of it. Its alkalinity should read 7.6 dKH now.";

describe("figures of a letter", () => {
  test("are compared whatever stands between their digits", () => {
    expect(figuresOf("1\u202f350 mg/L, 6,5 dKH, 9:30, 23 November")).toEqual(["1350", "6.5", "9:30", "23"]);
  });
  test("that nobody logged are found, wherever they are written", () => {
    const logged = [WRITTEN, "Nitrate: 11 mg/L"];
    expect(strangeFigures(logged, letter("We changed 97 L; nitrate was 11."))).toEqual(["27", "9:30"]);
    expect(strangeFigures([...logged, "27 9:30"], letter("We changed 87 L.", "See you on the 27th at 9:30."))).toEqual([
      "87",
    ]);
    expect(strangeFigures([...logged, "27 9:30"], letter("We changed ninety-seven litres."))).toEqual([]);
  });
});

describe("a firm's own words", () => {
  const before = letter(WRITTEN);
  test("are a phrase that keeps each sentence's own figures", () => {
    const after = letter("Out went 97 L, a fifth of it. Its alkalinity should read 7.6 dKH now.");
    const phrases = phrasesOf(before, after);
    expect(phrases).toEqual([{ from: "We changed # L, a fifth of it.", to: "Out went {0} L, a fifth of it." }]);
    const next = letter("We changed 45 L, a fifth of it. All is well.");
    expect(withPhrases(next, phrases).tanks[0]?.body).toEqual(["Out went 45 L, a fifth of it. All is well."]);
  });
  test("put figures in another order where they were written so", () => {
    const [phrase] = phrasesOf(letter("From 11 to 8 mg/L."), letter("It is 8 mg/L, and was 11."));
    expect(phrase?.to).toBe("It is {1} mg/L, and was {0}.");
    expect(withPhrases(letter("From 20 to 15 mg/L."), phrase ? [phrase] : []).tanks[0]?.body).toEqual([
      "It is 15 mg/L, and was 20.",
    ]);
  });
  test("are none where a figure is new, where sentences only came or went, or nothing changed", () => {
    expect(phrasesOf(letter("All is well."), letter("All is well for 3 weeks."))).toEqual([]);
    expect(phrasesOf(before, letter("We changed 97 L, a fifth of it."))).toEqual([]);
    expect(phrasesOf(before, letter(`${WRITTEN} Thank you for feeding less.`))).toEqual([]);
    expect(phrasesOf(before, before)).toEqual([]);
  });
  test("leave a letter as it is where nothing of it is theirs", () => {
    fc.assert(
      fc.property(fc.array(fc.string({ maxLength: 40 }), { maxLength: 4 }), (body) => {
        const text = { ...letter(""), tanks: [{ body, until: [] }] };
        expect(withPhrases(text, [])).toBe(text);
        // Whatever is written, its figures stay.
        const own = withPhrases(text, [{ from: "x # y.", to: "y {0}." }]);
        expect(own.tanks[0]?.body.flatMap(figuresOf)).toEqual(body.flatMap(figuresOf));
      }),
    );
  });
});
