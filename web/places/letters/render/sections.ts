import type { LetterContent, LetterTank } from "@keel-round/core/letter";

/** What the parts are called where a letter from before its titles were kept does not say. */
const TITLES = { measured: "Measured", until: "Until the next visit", list: "Your own list" };

/** What a part of a letter is called. */
export const titleOf = (part: keyof typeof TITLES, { titles }: Pick<LetterContent, "titles">): string =>
  titles?.[part] ?? TITLES[part];

/** The parts of a tank's letter that are plain lines, in the order they are read. */
export function letterSections(
  tank: LetterTank,
  content: Pick<LetterContent, "titles">,
): { readonly title: string; readonly lines: readonly string[] }[] {
  return [
    { title: titleOf("until", content), lines: tank.until },
    { title: titleOf("list", content), lines: tank.list },
  ].filter((s) => s.lines.length > 0);
}
