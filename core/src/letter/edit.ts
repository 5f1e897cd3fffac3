/** What of a letter may be worded by the firm; what was measured and how the tank is stand in the log alone. */
export interface LetterText {
  readonly greeting: string;
  readonly tanks: readonly { readonly body: readonly string[]; readonly until: readonly string[] }[];
  readonly close: string;
}

/** A firm's own way to say a sentence: figures stand as # in what it replaces, and by their place in what is said instead. */
export interface Phrase {
  readonly from: string;
  /** "It takes {0} out of the {1} it holds." */
  readonly to: string;
}

const FIGURE = /\d+(?:[.,:\u202f]\d+)*/g;
/** "1,5" and "1.5", "1 350" and "1350" are one figure each. */
const plain = (figure: string): string => figure.replaceAll("\u202f", "").replaceAll(",", ".");

/**
 * The figures of a text, as they are compared.
 *
 * @example
 * figuresOf("We changed 97 L, at 9:30, to 6,5 dKH."); // ["97", "9:30", "6.5"]
 */
export const figuresOf = (text: string): string[] => (text.match(FIGURE) ?? []).map(plain);

const linesOf = ({ greeting, tanks, close }: LetterText): string[] => [
  greeting,
  ...tanks.flatMap((t) => [...t.body, ...t.until]),
  close,
];

/**
 * Figures that somebody wrote into a letter and nobody logged.
 *
 * @param logged Everything the letter was made from that holds figures, as text.
 */
export function strangeFigures(logged: readonly string[], after: LetterText): string[] {
  const known = new Set(logged.flatMap(figuresOf));
  return [...new Set(linesOf(after).flatMap(figuresOf))].filter((figure) => !known.has(figure));
}

const sentencesOf = (line: string): string[] => line.split(/(?<=[.!?])\s+/).filter((s) => s !== "");

/** A sentence without its figures. */
const skeletonOf = (text: string): string => text.replace(FIGURE, "#");

/** What was said of some lines in other words: sentences that went, each with the one that came in its place. */
function reworded(before: readonly string[], after: readonly string[]): [string, string][] {
  const [was, is] = [before.flatMap(sentencesOf), after.flatMap(sentencesOf)];
  const gone = was.filter((s) => !is.includes(s));
  const come = is.filter((s) => !was.includes(s));
  // Only where it is plain which one stands for which.
  return gone.length === come.length ? gone.map((s, i) => [s, come[i] ?? ""]) : [];
}

/** One sentence for another as a phrase; null where the new one has a figure that the old one has not. */
function phraseOf(from: string, to: string): Phrase | null {
  const figures = figuresOf(from);
  const places = figuresOf(to).map((figure) => figures.indexOf(figure));
  if (places.includes(-1)) return null;
  let at = 0;
  return { from: skeletonOf(from), to: to.replaceAll(/[{}]/g, "").replace(FIGURE, () => `{${places[at++]}}`) };
}

/** How a firm said in its own words what had been written for it. */
export function phrasesOf(before: LetterText, after: LetterText): Phrase[] {
  const pairs = before.tanks.flatMap((tank, i) => {
    const now = after.tanks[i];
    return now ? [...reworded(tank.body, now.body), ...reworded(tank.until, now.until)] : [];
  });
  return [...pairs, ...reworded([before.close], [after.close])].flatMap(([from, to]) => phraseOf(from, to) ?? []);
}

/** A letter with what a firm says in its own way, each sentence with its own figures. */
export function withPhrases<T extends LetterText>(text: T, phrases: readonly Phrase[]): T {
  if (phrases.length === 0) return text;
  const said = new Map(phrases.map((p) => [p.from, p.to]));
  const one = (sentence: string): string => {
    const to = said.get(skeletonOf(sentence));
    const figures = sentence.match(FIGURE) ?? [];
    return to === undefined ? sentence : to.replace(/\{(\d+)\}/g, (_, place) => figures[Number(place)] ?? "");
  };
  const line = (text: string): string => sentencesOf(text).map(one).join(" ");
  return {
    ...text,
    tanks: text.tanks.map((t) => ({ ...t, body: t.body.map(line), until: t.until.map(line) })),
    close: line(text.close),
  };
}
