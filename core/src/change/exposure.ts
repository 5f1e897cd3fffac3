import { litresAboveM, stepMinutes, type TankOnDay } from "../given/index.ts";
import type { Landmark, TankFacts } from "../tank/index.ts";
import { type DrainParts, drainPartsOf, outMinutesOf, refillMinutesOf } from "./moving.ts";
import { pumpsOnLitres } from "./pumpsOn.ts";
import type { Exposure } from "./waterPlan.ts";

/** The step between the end of the drain and the refill, and what it takes before anything was logged. */
export const SET_BACK = "set-back";
export const SET_BACK_MINUTES = 2;
/** The step that tops up after the new water is in. */
export const TOP_UP = "level-fresh";
const TOP_UP_MINUTES = 2;

/** How what is bare is kept wet: how often, how much longer it then bears the air, and for how long at most. General practice. */
const WETTING: Readonly<Partial<Record<Landmark["kind"], { every: number; times: number; most: number }>>> = {
  plant: { every: 3, times: 4, most: 60 },
  coral: { every: 5, times: 2, most: 30 },
};
/** Hands take this long each time. */
const WETTING_MINUTES = 0.25;
/** Letting the drain run takes hands for this long; then it ends by itself. */
const DRAIN_START_MINUTES = 1;

/** Minutes that a landmark bears the air, kept wet where that helps. What bears none is never bare. */
export function allowedMinutesOf({ kind, airMinutes }: Landmark): number {
  const wetting = WETTING[kind];
  return wetting && airMinutes > 0
    ? Math.max(airMinutes, Math.min(wetting.most, airMinutes * wetting.times))
    : airMinutes;
}

/** Pumps stop while a display is drained: where one of these is listed, an intake is one of a pump that is off. */
const PUMPS: readonly TankFacts["gear"][number][] = ["filter", "return", "wave-maker", "chiller", "uv", "reactor"];

/** Whether a landmark holds the water up while the display is drained. */
export function holdsWater(mark: Landmark, facts: TankFacts): boolean {
  switch (mark.kind) {
    case "return":
      return false;
    case "heater":
      return facts.practice.heater === "lowered";
    case "intake":
      return !facts.gear.some((g) => PUMPS.includes(g));
    default:
      return true;
  }
}

/** What a drain of so many litres does to what stands in the display, without the hands' part. */
interface Bare {
  readonly mark: Landmark;
  readonly minutes: number;
}

function bareAt(tank: TankOnDay, litres: number, sourceL: number, parts: DrainParts, workMinutes: number): Bare[] {
  const { facts, standing } = tank;
  return facts.landmarks.flatMap((mark) => {
    // What stood in air when the tank was found is no matter of the drain.
    if (mark.kind === "return" || mark.heightM >= standing.startM) return [];
    const reachL = litresAboveM(facts, standing, mark.heightM);
    if (litres <= reachL + 1e-9) return [];
    const minutes =
      outMinutesOf(tank, litres, parts) -
      outMinutesOf(tank, reachL, parts) +
      workMinutes +
      backMinutes(tank, litres, litres - reachL, sourceL);
    return [{ mark, minutes }];
  });
}

/** Minutes of refilling until so many of the litres that are out are back: by the new water, or once it was topped up. */
function backMinutes(tank: TankOnDay, outL: number, litres: number, sourceL: number): number {
  if (litres <= sourceL + 1e-9) return refillMinutesOf(tank, outL, litres);
  return refillMinutesOf(tank, outL, sourceL) + stepMinutes(tank.input, TOP_UP, TOP_UP_MINUTES).minutes;
}

/** Minutes of hands that wetting takes over so long a time in the air. */
const wettingMinutes = (bare: readonly Bare[]): number =>
  bare.reduce((most, { mark, minutes }) => {
    const wetting = WETTING[mark.kind];
    return wetting && mark.airMinutes > 0 ? Math.max(most, Math.ceil(minutes / wetting.every) * WETTING_MINUTES) : most;
  }, 0);

/** A drain and its refill on the clock. */
export interface LowWater {
  /** Litres out of the sump while the pumps still run, and how long they take; the display falls afterwards. */
  readonly runningL: number;
  readonly runningMinutes: number;
  /** Of what leaves the display. */
  readonly parts: DrainParts;
  /** Of hands, that keep wet what stands bare. */
  readonly wettingMinutes: number;
  /** From the end of the drain to the start of the refill. */
  readonly atLineMinutes: number;
  /** What stands in air, the longest first. The return's outlet is meant to. */
  readonly exposed: readonly Exposure[];
}

/**
 * What a change of so many litres leaves bare, and for how long: as the visit's clock has it, with hardware washed
 * afterwards wherever something stands bare.
 *
 * @param sourceL New water that is poured back, L; the rest is topped up after it.
 */
export function lowWaterOf(tank: TankOnDay, drainedL: number, sourceL = drainedL): LowWater {
  const runningL = pumpsOnLitres(tank, drainedL);
  const running = { runningL, runningMinutes: runningL / tank.facts.drainLPerMinute };
  const litres = drainedL - runningL;
  const parts = drainPartsOf(tank, litres);
  if (tank.place !== "display" || litres <= 0)
    return { ...running, parts, wettingMinutes: 0, atLineMinutes: 0, exposed: [] };
  const setBack = stepMinutes(tank.input, SET_BACK, SET_BACK_MINUTES).minutes;
  const first = bareAt(tank, litres, sourceL, parts, setBack);
  const wetting = wettingMinutes(first);
  // Hands that wet while the rest runs out by itself cost nothing; what they take beyond that is waited for.
  const alone = Math.max(0, parts.restMinutes - DRAIN_START_MINUTES);
  const atLineMinutes = setBack + Math.max(0, wetting - alone);
  return {
    ...running,
    parts,
    wettingMinutes: wetting,
    atLineMinutes,
    exposed: bareAt(tank, litres, sourceL, parts, atLineMinutes)
      .map(({ mark, minutes }) => ({
        name: mark.name,
        kind: mark.kind,
        minutes,
        allowedMinutes: allowedMinutesOf(mark),
        wetEvery: mark.airMinutes > 0 ? (WETTING[mark.kind]?.every ?? null) : null,
      }))
      .sort((a, b) => b.minutes - a.minutes),
  };
}

/** What stands in air when so many litres are out, the longest first. */
export const exposures = (tank: TankOnDay, litres: number, sourceL = litres): readonly Exposure[] =>
  lowWaterOf(tank, litres, sourceL).exposed;

/** How long a landmark is bare beyond what it bears, minutes; at or below zero it bears the change. */
export function bareTooLong(tank: TankOnDay, mark: Landmark, litres: number, sourceL: number): number {
  const found = lowWaterOf(tank, litres, sourceL).exposed.find((e) => e.name === mark.name && e.kind === mark.kind);
  return found ? found.minutes - found.allowedMinutes : -1;
}
