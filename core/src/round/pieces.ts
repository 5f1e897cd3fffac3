import type { DayStop } from "./day.ts";

/** A time in which work may be done, minutes of the day. */
export interface Piece {
  readonly opens: number;
  readonly closes: number;
}

const MIDNIGHT = 1440;
const NEARLY = 1e-9;

/** The parts of a stop's window that nobody else has taken, in their order; the whole day without a window. */
export function piecesOf(window: DayStop["window"]): Piece[] {
  if (!window) return [{ opens: 0, closes: MIDNIGHT }];
  let pieces: Piece[] = [{ opens: window.from, closes: window.to }];
  for (const { from, to } of window.taken ?? [])
    pieces = pieces.flatMap((p) => {
      if (to <= p.opens || from >= p.closes) return [p];
      return [
        { opens: p.opens, closes: from },
        { opens: to, closes: p.closes },
      ].filter((q) => q.closes > q.opens);
    });
  return pieces;
}

/** The first part in which work of so many minutes can be done by somebody who arrives then; null where there is none. */
export const pieceFor = (pieces: readonly Piece[], arrive: number, minutes: number): Piece | null =>
  pieces.find((p) => Math.max(arrive, p.opens) + minutes <= p.closes + NEARLY) ?? null;
