/** The sheet that somebody signs on. */
export const PAD = { width: 300, height: 100 } as const;

/** A point of the pen on the sheet, whole units. */
export interface PenPoint {
  readonly x: number;
  readonly y: number;
}

/**
 * Where a pen is on the sheet.
 *
 * @param at Its place on the screen, px.
 * @param box Where the sheet is drawn, px.
 */
export function penPoint(
  at: { readonly clientX: number; readonly clientY: number },
  box: { readonly left: number; readonly top: number; readonly width: number; readonly height: number },
): PenPoint {
  const along = (px: number, size: number, most: number) =>
    Math.min(most, Math.max(0, Math.round((px / Math.max(1, size)) * most)));
  return {
    x: along(at.clientX - box.left, box.width, PAD.width),
    y: along(at.clientY - box.top, box.height, PAD.height),
  };
}

/** A longer signature than this is not kept: it is drawn again, smaller. */
const MOST_LETTERS = 12_000;

/** Strokes as a path; null where they are too long to keep. */
export function pathOf(strokes: readonly (readonly PenPoint[])[]): string | null {
  const path = strokes
    .map((stroke) => stroke.map(({ x, y }, i) => `${i === 0 ? "M" : "L"}${x} ${y}`).join(""))
    .join("");
  return path.length > MOST_LETTERS ? null : path;
}
