import type { TankBook } from "../tank/index.ts";
import { cmFromRim, displayLevelM, displayVolumeL, sumpVolumeL, vesselHeightM } from "../vessel/index.ts";
import { modeOf } from "./change.ts";

/** Where a tank's drain mark is drawn, if it has one. */
export function markPlace(book: TankBook): "display" | "sump" | "none" {
  if (modeOf(book) === "in-and-out") return "none";
  return book.schools.how === "from-sump" && book.sump ? "sump" : "display";
}

/** The level from which the display's fall is counted: what stands above the weir runs to the sump first. */
export function startLevelM(book: TankBook): number {
  return book.sump ? Math.min(book.sump.weirM, book.display.runningLevelM) : book.display.runningLevelM;
}

/** Litres of display water above a height, counted from where the fall begins. */
export function litresAboveM(book: TankBook, heightM: number): number {
  const start = startLevelM(book);
  if (heightM >= start) return 0;
  return displayVolumeL(book.display, start) - displayVolumeL(book.display, Math.max(0, heightM));
}

/**
 * The drain mark of so many litres, cm from the rim of the vessel it is on; null where the water does not fall.
 *
 * @throws {OutOfRangeError} if there is less water than that above the floor.
 */
export function markCmOf(book: TankBook, litres: number): number | null {
  const place = markPlace(book);
  if (place === "none") return null;
  if (place === "sump" && book.sump) {
    const { sump } = book;
    const levelM = sump.runningLevelM - litres / (sump.lengthM * sump.widthM * 1000);
    return (sump.heightM - levelM) * 100;
  }
  const left = displayVolumeL(book.display, startLevelM(book)) - litres;
  return cmFromRim(book.display, displayLevelM(book.display, left));
}

/** Litres that a drain mark takes out: the inverse of `markCmOf`. */
export function litresOfMark(book: TankBook, cm: number): number {
  if (markPlace(book) === "sump" && book.sump) {
    const levelM = Math.min(book.sump.runningLevelM, Math.max(0, book.sump.heightM - cm / 100));
    return sumpVolumeL(book.sump, book.sump.runningLevelM) - sumpVolumeL(book.sump, levelM);
  }
  return litresAboveM(book, vesselHeightM(book.display.vessel) - cm / 100);
}

/** Litres missing when the water stands so far below its running level; in a sump tank only the return chamber falls. */
export function missingL(book: TankBook, belowCm: number): number {
  if (belowCm <= 0) return 0;
  if (book.sump) {
    const level = Math.max(0, book.sump.runningLevelM - belowCm / 100);
    return sumpVolumeL(book.sump, book.sump.runningLevelM) - sumpVolumeL(book.sump, level);
  }
  const level = Math.max(0, book.display.runningLevelM - belowCm / 100);
  return displayVolumeL(book.display, book.display.runningLevelM) - displayVolumeL(book.display, level);
}
