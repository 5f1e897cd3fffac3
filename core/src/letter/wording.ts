import { type Message, say } from "../say/index.ts";
import type { UnitPreference } from "../units/index.ts";

/** A sentence's words without its numbers. */
const skeleton = (text: string): string =>
  text
    .replace(/\d+(?:[.,:\u202f]\d+)*/g, "#")
    .replace(/\s+/g, " ")
    .trim()
    .toLowerCase();

/** Ways to say one thing, the best first; what is optional may be left out where all were used in the letter before. */
export interface Saying {
  readonly ways: readonly Message[];
  readonly optional?: boolean;
}

/** How sentences of a letter come to their words: none that its client read in the letter before, but for the numbers. */
export interface Wording {
  /** The words of a sentence; null where it is left out. */
  readonly of: (saying: Saying) => string | null;
}

/**
 * Chooses words by what the letter before said.
 *
 * @param before The letter before as plain text; empty for a first one.
 */
export function wordingAfter(before: string, units: UnitPreference): Wording {
  const said = new Set(before.split(/(?<=[.!?])\s+|\n+/).map(skeleton));
  const isNew = (text: string) => !said.has(skeleton(text));
  return {
    of({ ways, optional }) {
      const texts = ways.map((way) => say(way, units));
      const chosen = texts.find(isNew) ?? (optional ? undefined : texts.at(-1));
      if (chosen === undefined) return null;
      // Not twice in one letter either: its second tank is told in other words.
      said.add(skeleton(chosen));
      return chosen;
    },
  };
}
