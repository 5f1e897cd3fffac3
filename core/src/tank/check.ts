import { OutOfRangeError } from "../issues/index.ts";
import { displayVolumeL, grossVolumeL, heapsOf, rockKgOf, sumpVolumeL, vesselHeightM } from "../vessel/index.ts";
import type { TankFacts } from "./facts.ts";

/** Something about a tank's dimensions that cannot be, as data. `fields` are where it may be mended. */
export interface TankMisfit {
  readonly code:
    | "level-above-glass"
    | "bed-above-level"
    | "rock-above-glass"
    | "rock-too-big"
    | "measured-too-big"
    | "sump-level-above-sump"
    | "sump-low-above-level"
    | "weir-above-level"
    | "chamber-longer-than-sump"
    | "baffle-above-sump"
    | "landmark-above-glass"
    | "needs-sump"
    | "dead-too-big"
    | "no-volume";
  readonly field: string;
  /** The most that would fit, in the field's canonical unit. */
  readonly most: number;
}

/** A system that mixes less than half of its water is not understood well enough to be planned. */
const MOST_DEAD = 0.5;

type Dimensions = Pick<TankFacts, "display" | "sump" | "landmarks" | "deadL"> & {
  readonly practice?: Pick<TankFacts["practice"], "how" | "heater">;
};

/**
 * What does not fit together in a tank's dimensions, the first of each field.
 *
 * Every dimension alone is sound here; this asks whether water, bed, rock and sump fit into the glass.
 */
export function tankMisfits({ display, sump, landmarks, practice, deadL }: Dimensions): TankMisfit[] {
  const { vessel, runningLevelM, substrateDepthM, rockTopM, measuredNetL } = display;
  const heightM = vesselHeightM(vessel);
  const misfits: TankMisfit[] = [];
  const most = (code: TankMisfit["code"], field: string, value: number, limit: number) => {
    if (value > limit + 1e-9 && !misfits.some((m) => m.field === field)) misfits.push({ code, field, most: limit });
  };
  most("level-above-glass", "display.runningLevelM", runningLevelM, heightM);
  most("bed-above-level", "display.substrateDepthM", substrateDepthM, runningLevelM);
  most("rock-above-glass", "display.rockTopM", rockTopM, heightM);
  for (const heap of display.heaps ?? []) most("rock-above-glass", "display.heaps", heap.rockTopM, heightM);
  for (const [i, mark] of landmarks.entries())
    most("landmark-above-glass", `landmarks.${i}.heightM`, mark.heightM, heightM);
  if (sump) {
    most("sump-level-above-sump", "sump.runningLevelM", sump.runningLevelM, sump.heightM);
    most("sump-low-above-level", "sump.lowestLevelM", sump.lowestLevelM, sump.runningLevelM);
    most("weir-above-level", "sump.weirM", sump.weirM, heightM);
    most("chamber-longer-than-sump", "sump.returnLengthM", sump.returnLengthM ?? 0, sump.lengthM);
    most("baffle-above-sump", "sump.baffleM", sump.baffleM ?? 0, sump.heightM);
  }
  if (!sump && practice?.how === "from-sump") misfits.push({ code: "needs-sump", field: "practice.how", most: 0 });
  if (!sump && practice?.heater === "in-sump") misfits.push({ code: "needs-sump", field: "practice.heater", most: 0 });
  if (misfits.length > 0) return misfits;

  const grossL = grossVolumeL(vessel, runningLevelM);
  if (measuredNetL !== undefined && measuredNetL > grossL)
    return [{ code: "measured-too-big", field: "display.measuredNetL", most: grossL }];
  const highestM = Math.max(...heapsOf(display).map((h) => h.rockTopM), substrateDepthM);
  const roomL = grossVolumeL(vessel, highestM) - grossVolumeL(vessel, substrateDepthM);
  const allKg = rockKgOf(display);
  // Rock of 2.8 kg a litre that fills more than nine tenths of its own heap is a mistake of weight or height.
  if (allKg / 2.8 > 0.9 * roomL) return [{ code: "rock-too-big", field: "display.rockKg", most: 0.9 * roomL * 2.8 }];
  try {
    const systemL =
      displayVolumeL(display, runningLevelM) + (sump ? sumpVolumeL(sump, sump.runningLevelM) + sump.pipesL : 0);
    if (deadL !== undefined && systemL > 0) most("dead-too-big", "deadL", deadL, MOST_DEAD * systemL);
    if (systemL > 0) return misfits;
  } catch (error) {
    if (!(error instanceof OutOfRangeError)) throw error;
  }
  return [{ code: "no-volume", field: "display.runningLevelM", most: heightM }];
}
