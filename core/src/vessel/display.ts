import { OutOfRangeError, requireRange } from "../issues/index.ts";
import { bisect } from "../water/seawater.ts";
import { type Sump, sumpCapacityL, sumpVolumeL } from "./sump.ts";
import { grossVolumeL, type Vessel, vesselHeightM } from "./vessel.ts";

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

/** Share of a settled bed that is water between the grains. */
const POROSITY = { sand: 0.4, gravel: 0.45, bare: 1 } as const;

/** Density of reef rock's solid, kg/L (calcite 2.7, aragonite 2.9). */
const ROCK_KG_PER_L = 2.8;

function displacedL(display: Display, heightM: number): number {
  const { vessel, substrateDepthM, substrate, voidShare } = display;
  const voids = substrate === "bare" ? POROSITY.bare : (voidShare ?? POROSITY[substrate]);
  const bed = grossVolumeL(vessel, Math.min(heightM, substrateDepthM)) * (1 - voids);
  const floorL = grossVolumeL(vessel, substrateDepthM);
  const reached = grossVolumeL(vessel, Math.max(heightM, substrateDepthM)) - floorL;
  // Each spread evenly through the room from the bed to its highest point: where the walls come in, so does the rock.
  return heapsOf(display).reduce((sum, { rockKg, rockTopM }) => {
    if (rockKg === 0) return sum;
    const roomL = grossVolumeL(vessel, Math.max(rockTopM, substrateDepthM)) - floorL;
    const share = roomL > 0 ? Math.min(1, reached / roomL) : Number(reached > 0);
    return sum + (rockKg / ROCK_KG_PER_L) * share;
  }, bed);
}

/** Every heap of rock of a display, the first one first. */
export const heapsOf = ({ rockKg, rockTopM, heaps = [] }: Furnishing) => [{ rockKg, rockTopM }, ...heaps];

/** All the rock of a display, dry, kg. */
export const rockKgOf = (display: Furnishing): number => heapsOf(display).reduce((sum, h) => sum + h.rockKg, 0);

function displacementScale(display: Display): number {
  if (display.measuredNetL === undefined) return 1;
  const gross = grossVolumeL(display.vessel, display.runningLevelM);
  const displaced = displacedL(display, display.runningLevelM);
  const scale = displaced > 0 ? (gross - display.measuredNetL) / displaced : 1;
  if (scale < 0)
    throw new OutOfRangeError({
      code: "out-of-range",
      field: "measuredNetL",
      value: display.measuredNetL,
      low: 0,
      high: gross,
    });
  return scale;
}

/**
 * Net litres of water in the display up to a level above the floor.
 *
 * @throws {OutOfRangeError} for a level outside the vessel, or a measured volume larger than the vessel's.
 */
export function displayVolumeL(display: Display, levelM: number): number {
  return grossVolumeL(display.vessel, levelM) - displacementScale(display) * displacedL(display, levelM);
}

/**
 * Level above the floor at which the display holds so many net litres, m: the inverse of `displayVolumeL`.
 *
 * @throws {OutOfRangeError} if the display cannot hold that much.
 */
export function displayLevelM(display: Display, litres: number): number {
  const top = vesselHeightM(display.vessel);
  requireRange("litres", litres, 0, displayVolumeL(display, top) + 1e-9);
  return bisect((levelM) => displayVolumeL(display, levelM) - litres, 0, top);
}

/** Distance of a level from the top edge of the glass, cm. */
export function cmFromRim(display: Display, levelM: number): number {
  return (vesselHeightM(display.vessel) - levelM) * 100;
}

/**
 * Litres that run back when the return stops, and the room there is for them, both with the system full.
 *
 * @param startM Level that the display falls to with the pumps off, m above its floor.
 */
export function runBack(
  display: Display,
  sump: Sump,
  startM: number,
): { readonly litres: number; readonly roomL: number } {
  const above =
    displayVolumeL(display, display.runningLevelM) - displayVolumeL(display, Math.min(startM, display.runningLevelM));
  return {
    litres: above + sump.pipesL,
    roomL: sumpCapacityL(sump) - sumpVolumeL(sump, sump.runningLevelM),
  };
}
