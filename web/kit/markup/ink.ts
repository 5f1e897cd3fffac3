/** Tilt of the keel line in degrees, by condition. */
export const TILT = { steady: 0, unknown: 0, drifting: 10, off: 24 } as const;

/** Colours of plain markup and paper, the light theme's. */
export const INK = {
  ink: "#17231E",
  soft: "#54605A",
  faint: "#6F7973",
  rule: "#DAD6CC",
  ruleStrong: "#C4BFB2",
  band: "#E2E7DC",
  sheet: "#FCFBF8",
  field: "#6F7973",
  coralline: "#8A3A68",
  off: "#AE3620",
} as const;

/** Colour of a condition or of where a reading stands. */
export const TONE = {
  steady: INK.ink,
  unknown: INK.soft,
  drifting: "#8A5A0E",
  off: INK.off,
  ideal: INK.ink,
  watch: "#8A5A0E",
  act: INK.off,
} as const;
