import { runBackOf, type TankOnDay } from "../given/index.ts";
import { sumpVolumeL } from "../vessel/index.ts";

/** Run-back that takes more than this of its room is a warning. */
export const TIGHT = 0.9;

/** Litres to draw while the pumps still run, so that the run-back finds a tenth more room than it needs. */
export function pumpsOnLitres(
  { facts, standing, missing, place }: Pick<TankOnDay, "facts" | "standing" | "missing" | "place">,
  litres: number,
): number {
  if (place !== "display" || litres <= 0) return 0;
  const back = runBackOf(facts);
  const { sump } = facts;
  const { how, pumpsAtSiphon } = facts.practice;
  if (!back || !sump || standing.sumpM === null || pumpsAtSiphon !== "on" || how === "animals-out") return 0;
  const short = back.litres / TIGHT - (back.roomL + missing.litres);
  const chamberL = sumpVolumeL(sump, standing.sumpM) - sumpVolumeL(sump, Math.min(standing.sumpM, sump.lowestLevelM));
  return Math.max(0, Math.min(short, chamberL, litres));
}
