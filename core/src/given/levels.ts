import type { TankFacts } from "../tank/index.ts";
import {
  cmFromRim,
  displayLevelM,
  displayVolumeL,
  returnFloorM2,
  runBack,
  sumpLevelM,
  sumpVolumeL,
  surfaceM2,
  vesselHeightM,
} from "../vessel/index.ts";
import { modeOf } from "./mode.ts";

/** Where a tank's drain line is drawn, if it has one. */
export type MarkPlace = "display" | "sump" | "none";

/** The vessel that falls while this tank is drained. */
export function markPlace(facts: TankFacts): MarkPlace {
  if (modeOf(facts) === "in-and-out") return "none";
  return facts.practice.how === "from-sump" && facts.sump ? "sump" : "display";
}

/** Where the water of a tank stands when it is found, and where it falls to once the pumps stop. */
export interface Standing {
  readonly missingL: number;
  /** Level of the display as it is found, pumps running, m above its floor. */
  readonly foundM: number;
  /** Level of the display with the pumps off: what is drained counts from here. */
  readonly startM: number;
  /** Level of the return chamber as it is found, pumps running, m; null without a sump. */
  readonly sumpM: number | null;
}

/** Outlets of the return that stand under water without a tried siphon break: water runs back through them. */
const openOutletsM = (facts: TankFacts): number[] =>
  facts.landmarks
    .filter((m) => m.kind === "return" && !m.siphonBreak && m.heightM < facts.display.runningLevelM)
    .map((m) => m.heightM);

/** Level that a display over a sump falls to when the return stops: the deepest of weir and open outlets, m. */
export function pumpsOffLevelM(facts: TankFacts): number {
  const { runningLevelM } = facts.display;
  return facts.sump ? Math.max(0, Math.min(runningLevelM, facts.sump.weirM, ...openOutletsM(facts))) : runningLevelM;
}

/** Litres that run back when the return stops, and the room for them; null without a sump. */
export function runBackOf(facts: TankFacts): { readonly litres: number; readonly roomL: number } | null {
  return facts.sump ? runBack(facts.display, facts.sump, pumpsOffLevelM(facts)) : null;
}

/** The tank with so many litres missing; over a sump only the return chamber shows it. */
export function standingOf(facts: TankFacts, missingL: number): Standing {
  const { display, sump } = facts;
  if (sump) {
    const sumpM = sumpLevelM(sump, sumpVolumeL(sump, sump.runningLevelM) - missingL);
    return { missingL, foundM: display.runningLevelM, startM: pumpsOffLevelM(facts), sumpM };
  }
  const fullL = displayVolumeL(display, display.runningLevelM);
  const foundM = missingL > 0 ? displayLevelM(display, Math.max(0, fullL - missingL)) : display.runningLevelM;
  return { missingL, foundM, startM: foundM, sumpM: null };
}

/** Litres missing when the water stands so far below its fill line; over a sump in the return chamber. */
export function missingL(facts: TankFacts, belowCm: number): number {
  if (belowCm <= 0) return 0;
  const { display, sump } = facts;
  if (sump)
    return sumpVolumeL(sump, sump.runningLevelM) - sumpVolumeL(sump, Math.max(0, sump.runningLevelM - belowCm / 100));
  const level = Math.max(0, display.runningLevelM - belowCm / 100);
  return displayVolumeL(display, display.runningLevelM) - displayVolumeL(display, level);
}

/** Surface that falls when water is missing, m². */
export function fallingSurfaceM2({ display, sump }: TankFacts): number {
  return sump ? returnFloorM2(sump) : surfaceM2(display.vessel, display.runningLevelM);
}

/** How far below the fill line the water stands with so many litres missing, cm; over a sump in the return chamber. */
export function belowLineCm(facts: TankFacts, litres: number): number {
  const { foundM, sumpM } = standingOf(facts, litres);
  return (facts.sump && sumpM !== null ? facts.sump.runningLevelM - sumpM : facts.display.runningLevelM - foundM) * 100;
}

/** Litres of the display above a height, counted from where its fall begins. */
export function litresAboveM(facts: TankFacts, { startM }: Standing, heightM: number): number {
  if (heightM >= startM) return 0;
  return displayVolumeL(facts.display, startM) - displayVolumeL(facts.display, Math.max(0, heightM));
}

/** The most litres that can be drained on a tank from where it stands, whatever else would hold. */
export function drainableL(facts: TankFacts, standing: Standing): number {
  switch (markPlace(facts)) {
    case "display":
      return displayVolumeL(facts.display, standing.startM);
    case "sump":
      return facts.sump ? sumpVolumeL(facts.sump, standing.sumpM ?? 0) - sumpVolumeL(facts.sump, 0) : 0;
    case "none":
      return Number.POSITIVE_INFINITY;
  }
}

/** The drain line of so many litres, cm from the rim of the vessel it is on; null where the water does not fall. */
export function markCmOf(facts: TankFacts, standing: Standing, litres: number): number | null {
  const place = markPlace(facts);
  if (place === "none") return null;
  if (place === "sump" && facts.sump && standing.sumpM !== null) {
    const left = sumpVolumeL(facts.sump, standing.sumpM) - litres;
    return (facts.sump.heightM - sumpLevelM(facts.sump, left)) * 100;
  }
  const left = displayVolumeL(facts.display, standing.startM) - litres;
  return cmFromRim(facts.display, displayLevelM(facts.display, Math.max(0, left)));
}

/** Litres that a drain line takes out: the inverse of `markCmOf`; none for a line above the water. */
export function litresOfMark(facts: TankFacts, standing: Standing, cm: number): number {
  if (markPlace(facts) === "sump" && facts.sump && standing.sumpM !== null) {
    const levelM = Math.min(standing.sumpM, Math.max(0, facts.sump.heightM - cm / 100));
    return sumpVolumeL(facts.sump, standing.sumpM) - sumpVolumeL(facts.sump, levelM);
  }
  return litresAboveM(facts, standing, vesselHeightM(facts.display.vessel) - cm / 100);
}
