import { m } from "../../say/m.ts";
import type { Message } from "../../say/message.ts";

/**
 * How a job of the bed is done: what it takes out with a drain, or through a sock without one.
 *
 * @param bedL Litres that leave with it; null where nothing drains.
 */
export const leavesWithDrain = (bedL: number | null, ...more: readonly Message[]): Message[] => [
  bedL === null ? m("bed.sock") : m("bed.leaves", { litres: { litres: bedL } }),
  ...more,
];
