import { daysBetween } from "../calendar/civil.ts";
import { isSalt, practised, systemVolumeL, type TankFacts, volumeRelative95 } from "../tank/index.ts";
import { displayVolumeL, sumpVolumeL } from "../vessel/index.ts";
import type { ExchangeMode } from "../water/index.ts";
import { Z95 } from "../worked/index.ts";
import { asFound } from "./byCondition.ts";
import { type DayLimits, limitsOfKind } from "./dayLimits.ts";
import type { PlanInput, PlanReading } from "./inputs.ts";
import { type Knowns, knownValues } from "./known.ts";
import { fallingSurfaceM2, type MarkPlace, markPlace, missingL, type Standing, standingOf } from "./levels.ts";
import { modeOf } from "./mode.ts";

/** Water that is missing on arrival: as it was read off the glass, or as it is taken to be until then. */
export interface Missing {
  readonly litres: number;
  readonly sigmaL: number;
  readonly basis: "read" | "assumed" | "none";
}

/** The floor's cleaning on a visit, as the drain sees it. */
export interface BedWork {
  readonly codes: readonly string[];
  /** Of somebody's hands, all of them together. */
  readonly minutes: number;
}

/** A tank on the day of its plan, as it is found: everything that more than one part of the plan asks for, once. */
export interface TankOnDay {
  readonly input: PlanInput;
  readonly facts: TankFacts;
  readonly salt: boolean;
  readonly systemL: number;
  /** Relative, one sigma. */
  readonly volumeRelative: number;
  readonly mode: ExchangeMode;
  readonly place: MarkPlace;
  readonly missing: Missing;
  readonly standing: Standing;
  /** What the water is taken to hold now, before anything is done today. */
  readonly known: Knowns;
  readonly day: DayLimits;
  /** The bed's cleaning, which is the first part of the drain; null where none is due, or before its jobs are told. */
  readonly bed: BedWork | null;
}

/** A level read off a ruler is right within half a centimetre, 95 %. */
const LEVEL_SIGMA_M = 0.0025;
/** What evaporated since the last visit is known within a quarter. */
const ASSUMED_RELATIVE = 0.25;
/** Some water is always left to reckon with: a level that was read does not say that a tank is dry. */
const MOST_READ = 0.95;
/** More than half of a display, or nine tenths of a return chamber, does not evaporate unseen. */
const MOST_OF_DISPLAY = 0.5;
const MOST_OF_CHAMBER = 0.9;

/**
 * Looks at a tank as it stands on the day: once for a plan, which hands it on from room to room.
 *
 * @throws {OutOfRangeError} for a tank without volume.
 */
export function tankOnDay(given: PlanInput): TankOnDay {
  const asKept = practised(given.facts);
  const systemL = systemVolumeL(asKept);
  const missing = missingOf(given, systemL);
  const salt = isSalt(asKept);
  const known = knownValues(given, given.readings, missing.litres / systemL);
  const input = asFound(asKept === given.facts ? given : { ...given, facts: asKept }, { known, salt });
  const { facts } = input;
  return {
    input,
    facts,
    salt,
    systemL,
    volumeRelative: volumeRelative95(facts) / Z95,
    mode: modeOf(facts),
    place: markPlace(facts),
    missing,
    standing: standingOf(facts, missing.litres),
    known,
    day: limitsOfKind(facts.kind, input.limits),
    bed: null,
  };
}

/** The same tank where only some of its readings are leant on. */
export function leaningOn(tank: TankOnDay, readings: readonly PlanReading[]): TankOnDay {
  return { ...tank, known: knownValues(tank.input, readings, tank.missing.litres / tank.systemL) };
}

function missingOf(input: PlanInput, systemL: number): Missing {
  const { facts, belowMarkCm, lastVisitOn, on } = input;
  if (belowMarkCm !== null)
    return {
      litres: Math.min(missingL(facts, belowMarkCm), MOST_READ * systemL),
      // At its line a tank is seen to be at its line.
      sigmaL: belowMarkCm > 0 ? fallingSurfaceM2(facts) * LEVEL_SIGMA_M * 1000 : 0,
      basis: "read",
    };
  if (facts.topUp !== "technician" || !lastVisitOn) return { litres: 0, sigmaL: 0, basis: "none" };
  const evaporated = Math.max(0, daysBetween(lastVisitOn, on)) * facts.evaporationLPerDay;
  const { display, sump } = facts;
  const most = sump
    ? MOST_OF_CHAMBER * (sumpVolumeL(sump, sump.runningLevelM) - sumpVolumeL(sump, 0))
    : MOST_OF_DISPLAY * displayVolumeL(display, display.runningLevelM);
  const litres = Math.min(evaporated, most);
  return { litres, sigmaL: ASSUMED_RELATIVE * litres, basis: litres > 0 ? "assumed" : "none" };
}
