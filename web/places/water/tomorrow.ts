import { type BarrelContents, batchState, type Demand, purifierLPerDay, purifierRun } from "@keel-round/core/mixing";
import type { WaterSource } from "@keel-round/core/visit";
import { heatingHours } from "@keel-round/core/water";

/** A barrel as the room shows it. */
export interface RoomBarrel {
  readonly id: string;
  readonly name: string;
  readonly capacityL: number;
  readonly contents: BarrelContents | null;
}

/** What tomorrow takes of one water, what stands ready for it, and what has still to be made. */
export interface Need {
  readonly source: WaterSource;
  readonly wantedL: number;
  readonly readyL: number;
  readonly missingL: number;
}

/** Minutes that a mix takes to clear, and that loading takes (field practice). */
const DISSOLVE_MINUTES = 30;
const LOAD_MINUTES = 15;
/** A lidded barrel of 100 L with a heater of 300 W in a cool room. */
const ROOM_C = 15;
const HEATER_W = 300;
const LOSS_W_PER_K = 4;
/** What mixed water is used at; a tank's own temperature is met at its side. */
const USED_AT_C = 24;
/** Mains pressure where nobody measured it, bar. */
const MAINS_BAR = 4;

/** How a salt is used where its record does not say: clear at once, kept two weeks. */
export const ageOf = (source: WaterSource) => ({
  readyMinutes: source.salt?.readyMinutes ?? 0,
  keepsDays: source.salt?.keepsDays ?? 14,
});

/** Tomorrow's waters against what will be ready when they are loaded. */
export function needsOf(
  demand: readonly { readonly sourceId: string; readonly litres: number }[],
  barrels: readonly RoomBarrel[],
  sources: readonly WaterSource[],
  loadedAt: number,
): Need[] {
  return demand.flatMap(({ sourceId, litres }) => {
    const source = sources.find((s) => s.id === sourceId);
    if (!source) return [];
    const readyL = barrels.reduce((sum, { contents }) => {
      if (!contents || contents.sourceId !== sourceId) return sum;
      const { state } = batchState(contents, ageOf(source), loadedAt);
      return state === "ready" || state === "unverified" ? sum + contents.litres : sum;
    }, 0);
    return [{ source, wantedL: litres, readyL, missingL: Math.max(0, litres - readyL) }];
  });
}

/** Litres of purified water that stand ready and that nobody takes as they are: mixes are made of them first. */
function sparePurifiedL(needs: readonly Need[], barrels: readonly RoomBarrel[], purified: WaterSource): number {
  const held = barrels.reduce((sum, b) => (b.contents?.sourceId === purified.id ? sum + b.contents.litres : sum), 0);
  return Math.max(0, held - (needs.find((n) => n.source.id === purified.id)?.wantedL ?? 0));
}

/** What has to be made, in minutes of each machine; minutes count from now. */
export function demandsOf(
  needs: readonly Need[],
  barrels: readonly RoomBarrel[],
  purified: WaterSource | undefined,
  neededAt: number,
): Demand[] {
  let spareL = purified ? sparePurifiedL(needs, barrels, purified) : 0;
  return needs
    .filter((n) => n.missingL > 0.5)
    .map(({ source, missingL }) => {
      const purifier = purified?.purifier;
      const takenL = source.kind === "mix" ? Math.min(spareL, missingL) : 0;
      spareL -= takenL;
      const purifyMinutes = purifier
        ? purifierRun(
            purifier,
            missingL - takenL,
            purifierLPerDay(purifier, Math.max(1, purified.coldC), purifier.bar ?? MAINS_BAR),
          ).minutes
        : 0;
      const mixed = source.kind === "mix";
      const hours = mixed
        ? heatingHours({
            litres: missingL,
            fromC: Math.min(USED_AT_C, source.coldC),
            toC: USED_AT_C,
            watts: HEATER_W * Math.max(1, Math.ceil(missingL / 100)),
            lossWPerK: LOSS_W_PER_K * Math.max(1, missingL / 100),
            roomC: ROOM_C,
            water: "sea",
          })
        : 0;
      return {
        id: source.id,
        name: source.name,
        neededAt,
        purifyMinutes,
        heatMinutes: (hours ?? 0) * 60,
        dissolveMinutes: mixed ? DISSOLVE_MINUTES : 0,
        ageMinutes: mixed ? ageOf(source).readyMinutes : 0,
        loadMinutes: LOAD_MINUTES,
      };
    });
}
