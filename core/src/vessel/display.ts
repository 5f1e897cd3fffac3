import { requireRange } from "../issues/index.ts";
import type { Display } from "./furnishing.ts";
import { gaugeOf } from "./gauge.ts";
import { type Sump, sumpCapacityL, sumpVolumeL } from "./sump.ts";
import { vesselHeightM } from "./vessel.ts";

/**
 * Net litres of water in the display up to a level above the floor.
 *
 * @throws {OutOfRangeError} for a level outside the vessel, or a measured volume larger than the vessel's.
 * @example
 * displayVolumeL({ vessel: { shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.4 }, runningLevelM: 0.35, substrate: "bare", substrateDepthM: 0, rockKg: 0, rockTopM: 0 }, 0.3); // 150
 */
export function displayVolumeL(display: Display, levelM: number): number {
  const { topM, volumeL } = gaugeOf(display);
  requireRange("heightM", levelM, 0, topM + 1e-9);
  return volumeL(levelM);
}

/**
 * Level above the floor at which the display holds so many net litres, m: the inverse of `displayVolumeL`.
 *
 * @throws {OutOfRangeError} if the display cannot hold that much.
 * @example
 * displayLevelM({ vessel: { shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.4 }, runningLevelM: 0.35, substrate: "bare", substrateDepthM: 0, rockKg: 0, rockTopM: 0 }, 150); // 0.3
 */
export function displayLevelM(display: Display, litres: number): number {
  const gauge = gaugeOf(display);
  requireRange("litres", litres, 0, gauge.volumeL(gauge.topM) + 1e-9);
  return gauge.levelM(litres);
}

/**
 * Distance of a level from the top edge of the glass, cm.
 *
 * @example
 * cmFromRim({ vessel: { shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.4 }, runningLevelM: 0.35, substrate: "bare", substrateDepthM: 0, rockKg: 0, rockTopM: 0 }, 0.3); // 10
 */
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
