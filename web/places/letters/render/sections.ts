import type { LetterTank } from "@keel-round/core/letter";

/** The parts of a tank's letter that are plain lines, in the order they are read. */
export function letterSections(tank: LetterTank): { readonly title: string; readonly lines: readonly string[] }[] {
  return [
    { title: "Until the next visit", lines: tank.until },
    { title: "Your own list", lines: tank.list },
  ].filter((s) => s.lines.length > 0);
}
