import { requireRange } from "../issues/index.ts";

/** Slices that a falling level is cut into; twice as many move the answer by less than a thousandth. */
const SLICES = 200;

/** A tank that empties through something whose flow depends on the level. */
interface Falling {
  /** Water's surface at a level, m². */
  readonly areaM2: (levelM: number) => number;
  /** Flow at a level, L/min. */
  readonly flowLPerMinute: (levelM: number) => number;
}

/** How long a level takes, or that it is never reached. */
export type FallTime =
  | { readonly ok: true; readonly minutes: number }
  /** The flow ends at this level, above the one that was asked for. */
  | { readonly ok: false; readonly reason: "stops"; readonly atM: number };

/**
 * Minutes for the water to fall from one level to another.
 *
 * dt = A(h)·dh / Q(h), by Simpson's rule over slices of the height.
 *
 * @param fromM Level at the start, m above the floor.
 * @param toM Level at the end, m; not above the start.
 * @throws {OutOfRangeError} for levels the wrong way round.
 * @example
 * fallMinutes({ areaM2: () => 0.5, flowLPerMinute: () => 10 }, 0.4, 0.2).minutes; // 10
 */
export function fallMinutes({ areaM2, flowLPerMinute }: Falling, fromM: number, toM: number): FallTime {
  requireRange("fromM", fromM, 0, 20);
  requireRange("toM", toM, 0, fromM);
  if (fromM === toM) return { ok: true, minutes: 0 };
  const step = (fromM - toM) / SLICES;
  let sum = 0;
  for (let i = 0; i <= SLICES; i++) {
    const level = fromM - i * step;
    const flow = flowLPerMinute(level);
    if (flow <= 0) return { ok: false, reason: "stops", atM: level };
    const weight = i === 0 || i === SLICES ? 1 : i % 2 === 1 ? 4 : 2;
    sum += (weight * areaM2(level)) / flow;
  }
  return { ok: true, minutes: (step / 3) * sum * 1000 };
}
