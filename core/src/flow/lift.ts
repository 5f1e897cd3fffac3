import { requireRange } from "../issues/index.ts";

/** Parts that the litres are cut into; twice as many move the answer by less than a thousandth. */
const PARTS = 64;

/** How long so many litres take, and how many of them come at all. */
export interface LiftTime {
  readonly minutes: number;
  /** Litres that were lifted; fewer than asked for where the flow ends before. */
  readonly liftedL: number;
}

/**
 * Minutes to lift some litres by a flow that changes with what was lifted already: the water that is taken from sinks and the
 * water that it is poured into rises.
 *
 * dt = dV / Q(V), by the trapezium over parts of the litres.
 *
 * @param flowLPerMinute Flow once so many litres are over, L/min; 0 where nothing more is lifted.
 * @param litres From 0.
 * @throws {OutOfRangeError} for litres below nothing.
 * @example
 * liftMinutes(() => 20, 100); // { minutes: 5, liftedL: 100 }
 */
export function liftMinutes(flowLPerMinute: (liftedL: number) => number, litres: number): LiftTime {
  requireRange("litres", litres, 0, 1e7);
  const part = litres / PARTS;
  let minutes = 0;
  let flow = flowLPerMinute(0);
  for (let i = 1; i <= PARTS; i++) {
    const next = flowLPerMinute(i * part);
    if (!(flow > 0 && next > 0)) return { minutes, liftedL: (i - 1) * part };
    minutes += (part / 2) * (1 / flow + 1 / next);
    flow = next;
  }
  return { minutes, liftedL: litres };
}
