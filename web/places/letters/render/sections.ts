import type { LetterTank } from "@keel-round/core/letter";

/** The parts of a tank's letter that are plain lines, in the order they are read. */
export function letterSections(tank: LetterTank): { readonly title: string; readonly lines: readonly string[] }[] {
  return [
    { title: "Until the next visit", lines: tank.until },
    { title: "Your own list", lines: tank.list },
  ].filter((s) => s.lines.length > 0);
}

/** Tilt of the keel line in degrees, by condition. */
export const TILT = { steady: 0, unknown: 0, drifting: 10, off: 24 } as const;

/** Colours of the letter, the light theme's. */
export const INK = {
  ink: "#17231E",
  soft: "#54605A",
  faint: "#6F7973",
  rule: "#DAD6CC",
  ruleStrong: "#C4BFB2",
  band: "#E2E7DC",
  sheet: "#FCFBF8",
} as const;

/** Colour of a condition or of where a reading stands. */
export const TONE = {
  steady: INK.ink,
  unknown: INK.soft,
  drifting: "#8A5A0E",
  off: "#AE3620",
  ideal: INK.ink,
  watch: "#8A5A0E",
  act: "#AE3620",
} as const;
