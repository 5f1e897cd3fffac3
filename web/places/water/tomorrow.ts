import type { WaterSource } from "@keel-round/core/given";
import {
  type BarrelContents,
  batchState,
  type Demand,
  type MixingStep,
  type Purifier,
  purifierLPerDay,
  purifierRun,
} from "@keel-round/core/mixing";
import { heatingHours } from "@keel-round/core/water";
import { q, type Worked, worked } from "@keel-round/core/worked";

/** A barrel as the room shows it. */
export interface RoomBarrel {
  readonly id: string;
  readonly name: string;
  readonly capacityL: number;
  /** Its heater, W, and what it loses for each degree, W/K. */
  readonly heaterW: number;
  readonly lossWPerK: number;
  readonly contents: BarrelContents | null;
}

/** What tomorrow takes of one water, what stands ready for it, and what has still to be made. */
export interface Need {
  readonly source: WaterSource;
  /** Tanks that take it, opened as its working. */
  readonly wanted: Worked;
  readonly wantedL: number;
  readonly readyL: number;
  readonly missingL: number;
}

/** What a day takes of a water, tank by tank. */
export interface DayTakes {
  readonly sourceId: string;
  readonly litres: number;
  readonly of: readonly { readonly tank: string; readonly litres: number }[];
}

/** A demand of the schedule, with the working of its machines. */
export interface RoomDemand extends Demand {
  readonly workings: Readonly<Partial<Record<MixingStep, Worked>>>;
  /** Litres down the drain for it. */
  readonly wasteL: number;
}

/** Minutes that a mix takes to clear, and that loading takes (field practice). */
const DISSOLVE_MINUTES = 30;
const LOAD_MINUTES = 15;
/** A lidded barrel of 100 L with a heater of 300 W in a cool room. */
export const ROOM_C = 15;
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
  demand: readonly DayTakes[],
  barrels: readonly RoomBarrel[],
  sources: readonly WaterSource[],
  loadedAt: number,
): Need[] {
  return demand.flatMap(({ sourceId, litres, of }) => {
    const source = sources.find((s) => s.id === sourceId);
    if (!source) return [];
    const readyL = barrels.reduce((sum, { contents }) => {
      if (!contents || contents.sourceId !== sourceId) return sum;
      const { state } = batchState(contents, ageOf(source), loadedAt);
      return state === "ready" || state === "unverified" ? sum + contents.litres : sum;
    }, 0);
    const wanted = worked("demand", litres, "L", Object.fromEntries(of.map((t) => [t.tank, q(t.litres, "L")])));
    return [{ source, wanted, wantedL: litres, readyL, missingL: Math.max(0, litres - readyL) }];
  });
}

/** Litres of purified water that stand ready and that nobody takes as they are: mixes are made of them first. */
function sparePurifiedL(needs: readonly Need[], barrels: readonly RoomBarrel[], purified: WaterSource): number {
  const held = barrels.reduce((sum, b) => (b.contents?.sourceId === purified.id ? sum + b.contents.litres : sum), 0);
  return Math.max(0, held - (needs.find((n) => n.source.id === purified.id)?.wantedL ?? 0));
}

/** Empty barrels that hold so much together, the largest first; what is usual where there are none. */
function vesselsFor(litres: number, barrels: readonly RoomBarrel[]): { heaterW: number; lossWPerK: number } {
  const empty = barrels.filter((b) => !b.contents && b.heaterW > 0).sort((a, b) => b.capacityL - a.capacityL);
  let [held, heaterW, lossWPerK] = [0, 0, 0];
  for (const b of empty) {
    if (held >= litres) break;
    held += b.capacityL;
    heaterW += b.heaterW;
    lossWPerK += b.lossWPerK;
  }
  const parts = Math.max(1, litres / 100);
  return held >= litres
    ? { heaterW, lossWPerK }
    : { heaterW: HEATER_W * Math.ceil(parts), lossWPerK: LOSS_W_PER_K * parts };
}

/** What has to be made, in minutes of each machine; minutes count from now. */
export function demandsOf(
  needs: readonly Need[],
  barrels: readonly RoomBarrel[],
  purified: WaterSource | undefined,
  neededAt: number,
): RoomDemand[] {
  let spareL = purified ? sparePurifiedL(needs, barrels, purified) : 0;
  return needs
    .filter((n) => n.missingL > 0.5)
    .map(({ source, missingL }) => {
      const takenL = source.kind === "mix" ? Math.min(spareL, missingL) : 0;
      spareL -= takenL;
      const run = purified?.purifier ? purify(purified, purified.purifier, missingL - takenL) : null;
      const mixed = source.kind === "mix";
      const warm = mixed ? warming(source, missingL, vesselsFor(missingL, barrels)) : null;
      return {
        id: source.id,
        name: source.name,
        neededAt,
        purifyMinutes: run?.working.value ?? 0,
        heatMinutes: warm?.value ?? 0,
        dissolveMinutes: mixed ? DISSOLVE_MINUTES : 0,
        ageMinutes: mixed ? ageOf(source).readyMinutes : 0,
        loadMinutes: LOAD_MINUTES,
        wasteL: run?.wasteL ?? 0,
        workings: { ...(run ? { purify: run.working } : {}), ...(warm ? { heat: warm } : {}) },
      };
    });
}

/** A run of the purifier for some litres, worked. */
function purify(water: WaterSource, purifier: Purifier, litres: number): { working: Worked; wasteL: number } {
  const bar = purifier.bar ?? MAINS_BAR;
  const perDay = purifierLPerDay(purifier, Math.max(1, water.coldC), bar);
  const { minutes, wasteL } = purifierRun(purifier, litres, perDay);
  return {
    wasteL,
    working: worked("purify-minutes", minutes, "min", {
      litres: q(litres, "L"),
      "rated at 25 °C": q(purifier.litresPerDayAt25, "L a day"),
      "rated pressure": q(purifier.ratedBar, "bar"),
      "pressure at it": q(bar, "bar"),
      "feed water": q(water.coldC, "°C"),
      gives: q(perDay, "L a day"),
      flush: q(purifier.flushMinutes, "min"),
      "down the drain": q(wasteL, "L"),
    }),
  };
}

/** Warming a mix in the barrels that hold it, worked; null where they cannot. */
function warming(source: WaterSource, litres: number, vessels: { heaterW: number; lossWPerK: number }): Worked | null {
  const fromC = Math.min(USED_AT_C, source.coldC);
  const hours = heatingHours({
    litres,
    fromC,
    toC: USED_AT_C,
    watts: vessels.heaterW,
    lossWPerK: vessels.lossWPerK,
    roomC: ROOM_C,
    water: "sea",
  });
  if (hours === null) return null;
  return worked("heat-minutes", hours * 60, "min", {
    litres: q(litres, "L"),
    from: q(fromC, "°C"),
    to: q(USED_AT_C, "°C"),
    heaters: q(vessels.heaterW, "W"),
    losses: q(vessels.lossWPerK, "W/K"),
    room: q(ROOM_C, "°C"),
  });
}
