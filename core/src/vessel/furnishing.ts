import type { Vessel } from "./vessel.ts";

/** What stands in the display and takes up room. */
export interface Furnishing {
  readonly substrate: "sand" | "gravel" | "bare";
  readonly substrateDepthM: number;
  /** Share of the bed that is water between its grains, where somebody measured it: above 0, below 1. */
  readonly voidShare?: number | undefined;
  readonly rockKg: number;
  /** Highest point of the rock above the floor, m. */
  readonly rockTopM: number;
  /** Further heaps that stand lower or higher than the first. */
  readonly heaps?: readonly { readonly rockKg: number; readonly rockTopM: number }[] | undefined;
  /** Net litres measured while filling to the running level; scales what displaces. */
  readonly measuredNetL?: number;
}

/** A display: its vessel, what stands in it and the level it runs at. */
export interface Display extends Furnishing {
  readonly vessel: Vessel;
  /** Running level above the floor, m. */
  readonly runningLevelM: number;
}

/**
 * Every heap of rock of a display, the first one first.
 *
 * @example
 * heapsOf({ rockKg: 5, rockTopM: 0.2 }); // [{ "rockKg": 5, "rockTopM": 0.2 }]
 */
export const heapsOf = ({ rockKg, rockTopM, heaps = [] }: Furnishing) => [{ rockKg, rockTopM }, ...heaps];

/**
 * All the rock of a display, dry, kg.
 *
 * @example
 * rockKgOf({ rockKg: 5, rockTopM: 0.2, heaps: [{ rockKg: 3, rockTopM: 0.1 }] }); // 8
 */
export const rockKgOf = (display: Furnishing): number => heapsOf(display).reduce((sum, h) => sum + h.rockKg, 0);
