import type { LetterTank } from "./letterFor.ts";

/** What a letter is rendered from. */
export interface LetterContent {
  readonly business: string;
  readonly date: string;
  readonly greeting: string;
  readonly siteName: string;
  readonly tanks: readonly LetterTank[];
  readonly close: string;
  readonly signedBy: string;
  readonly revision: number;
  /** The firm's own colour; ink where it has none. */
  readonly colour?: string | null;
}

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
