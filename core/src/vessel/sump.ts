import { requireRange } from "../issues/index.ts";

/** A box-shaped sump under the display. Baffles keep its chambers full; only the return chamber shows what is missing. */
export interface Sump {
  readonly lengthM: number;
  readonly widthM: number;
  readonly heightM: number;
  /** Of the return chamber, pumps running, m. */
  readonly runningLevelM: number;
  /** Lowest level of the return chamber at which the pump still stands in water, m. */
  readonly lowestLevelM: number;
  /** Litres in pipes and reactors: part of the system, and they come back when the pump stops. */
  readonly pipesL: number;
  /** Height of the weir's edge above the display's floor, m. */
  readonly weirM: number;
  /** Length of the return chamber along the sump, m; its width is the sump's. */
  readonly returnLengthM?: number | undefined;
  /** Edge over which the other chambers run into the return chamber, m: the media behind it stays wet. */
  readonly baffleM?: number | undefined;
}

/** Where nobody measured the return chamber it is taken as a third of the sump. */
const USUAL_RETURN_SHARE = 1 / 3;

/**
 * Floor of the return chamber, m².
 *
 * @example
 * returnFloorM2({ lengthM: 0.9, widthM: 0.4, heightM: 0.4, runningLevelM: 0.2, lowestLevelM: 0.1, returnLengthM: 0.3, weirM: 0.4, pipesL: 2 }); // 0.12
 */
export function returnFloorM2({ lengthM, widthM, returnLengthM }: Sump): number {
  return widthM * Math.min(lengthM, returnLengthM ?? lengthM * USUAL_RETURN_SHARE);
}

/** Level that the other chambers keep while the return chamber falls, m. */
const othersLevelM = ({ baffleM, runningLevelM, heightM }: Sump): number => Math.min(heightM, baffleM ?? runningLevelM);

/**
 * Litres in the sump while the return chamber stands at a level; the other chambers never fall below their baffle.
 *
 * @throws {OutOfRangeError} for a level outside the sump.
 * @example
 * sumpVolumeL({ lengthM: 0.6, widthM: 0.4, heightM: 0.4, runningLevelM: 0.25, returnLengthM: 0.2, pipesL: 2 }, 0.1); // 48
 */
export function sumpVolumeL(sump: Sump, levelM: number): number {
  requireRange("levelM", levelM, 0, sump.heightM);
  const ownM2 = returnFloorM2(sump);
  const othersM2 = sump.lengthM * sump.widthM - ownM2;
  return (ownM2 * levelM + othersM2 * Math.max(levelM, othersLevelM(sump))) * 1000;
}

/**
 * Level of the return chamber at which the sump holds so many litres, m: the inverse of `sumpVolumeL`, from its floor.
 *
 * @example
 * sumpLevelM({ lengthM: 0.6, widthM: 0.4, heightM: 0.4, runningLevelM: 0.25, returnLengthM: 0.2, pipesL: 2 }, 48); // 0.1
 */
export function sumpLevelM(sump: Sump, litres: number): number {
  const ownM2 = returnFloorM2(sump);
  const floorM2 = sump.lengthM * sump.widthM;
  const baffleM = othersLevelM(sump);
  const level =
    litres >= floorM2 * baffleM * 1000
      ? litres / (floorM2 * 1000)
      : (litres / 1000 - (floorM2 - ownM2) * baffleM) / ownM2;
  return Math.min(sump.heightM, Math.max(0, level));
}

/**
 * Litres of the whole sump, filled to its rim.
 *
 * @example
 * sumpCapacityL({ lengthM: 0.6, widthM: 0.4, heightM: 0.4, runningLevelM: 0.25, returnLengthM: 0.2, pipesL: 2 }); // 96
 */
export const sumpCapacityL = ({ lengthM, widthM, heightM }: Sump): number => lengthM * widthM * heightM * 1000;
