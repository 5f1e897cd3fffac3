import { m, say } from "../say/index.ts";
import type { UnitPreference } from "../units/index.ts";
import type { LetterTank } from "./letterFor.ts";

/** What a letter is rendered from. */
export interface LetterContent {
  /** Language of its words, a BCP 47 tag; British English where nothing is said. */
  readonly locale?: string;
  /** What its parts are called; as in English where nothing is said. */
  readonly titles?: LetterTitles;
  readonly business: string;
  readonly date: string;
  readonly greeting: string;
  readonly siteName: string;
  readonly tanks: readonly LetterTank[];
  readonly close: string;
  readonly signedBy: string;
  readonly revision: number;
  /** At most two, chosen by who reads the letter before it goes. */
  readonly photos?: readonly LetterPhoto[];
  /** The firm's own colour; ink where it has none. */
  readonly colour?: string | null;
}

/** What the parts of a letter are called in its language. */
export interface LetterTitles {
  readonly measured: string;
  readonly until: string;
  readonly list: string;
  /** Of a revision: "corrected (2)" */
  readonly corrected: string;
}

/** What the parts of a letter are called for somebody. */
export const titlesFor = (units: UnitPreference, revision: number): LetterTitles => ({
  measured: say(m("letter.part.measured"), units),
  until: say(m("letter.part.until"), units),
  list: say(m("letter.part.list"), units),
  corrected: say(m("letter.corrected", { count: revision }), units),
});

/** A picture of a letter, under words of its own. */
export interface LetterPhoto {
  readonly photoId: string;
  readonly caption: string;
}
export const MOST_PHOTOS = 2;

/** Parts of a letter that a firm may always leave out. */
export const LETTER_PARTS = ["measured", "until", "list"] as const;
export type LetterPart = (typeof LETTER_PARTS)[number];

/** How a firm speaks in its letters. */
export interface Voice {
  /** Before the name, or alone where nobody's is known; null for the usual one. */
  readonly greeting: string | null;
  /** A sentence of their own at the end; null for none. */
  readonly close: string | null;
  /** "#0a5a4a"; null for ink. */
  readonly colour: string | null;
  readonly leftOut: readonly LetterPart[];
}

export const USUAL_VOICE: Voice = { greeting: null, close: null, colour: null, leftOut: [] };

/**
 * A letter in a firm's own voice.
 *
 * @param contact The name to greet; empty where nobody's is known.
 */
export function inVoice<T extends Pick<LetterContent, "greeting" | "tanks" | "close">>(
  content: T,
  { greeting, close, colour, leftOut }: Voice,
  contact: string,
): T & Pick<LetterContent, "colour"> {
  const without = <V>(part: LetterPart, of: readonly V[]): readonly V[] => (leftOut.includes(part) ? [] : of);
  return {
    ...content,
    greeting: greeting === null ? content.greeting : `${[greeting, contact].filter((w) => w !== "").join(" ")},`,
    tanks: content.tanks.map((t) => ({
      ...t,
      measured: without("measured", t.measured),
      until: without("until", t.until),
      list: without("list", t.list),
    })),
    close: close === null ? content.close : `${content.close} ${close}`,
    colour,
  };
}
