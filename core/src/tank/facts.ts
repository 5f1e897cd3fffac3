import type { Parameter } from "../units/index.ts";
import { type Display, displayVolumeL, type Sump, sumpVolumeL } from "../vessel/index.ts";
import type { ChoiceOf, FilterKind, LandmarkKind, SwitchGear, Way } from "./vocabulary.ts";

/** Kinds of tank, each with bands, programme and limits of its own. */
export const TANK_KINDS = [
  "community",
  "planted",
  "planted-low",
  "shrimp",
  "rift-lake",
  "cool-fresh",
  "brackish",
  "marine-fish",
  "soft-coral",
  "large-polyp",
  "stony-coral",
  "anemone",
  "seahorse",
  "jellyfish",
  "temperate-marine",
] as const;
export type TankKind = (typeof TANK_KINDS)[number];

/** What is right for this tank: inside ideal is well, beyond act is off course. */
export interface Band {
  readonly parameter: Parameter;
  readonly idealLow: number;
  readonly idealHigh: number;
  readonly actLow: number;
  readonly actHigh: number;
  /** A reading older than this says nothing about today. */
  readonly validDays: number;
  readonly required: boolean;
}

/** What changes water every day by itself: what it is set to, and its two vessels, L. */
export interface AutoExchanger {
  readonly litresPerDay?: number | undefined;
  readonly newWaterL: number;
  readonly wasteL: number;
}

/** The ways of working of a tank, one choice of each. */
export type Practice = { readonly [W in Way]: ChoiceOf<W> } & {
  /** Share of the system that a fixed, reset or continuous change takes, 0 to 1. */
  readonly share: number;
};

/** A thing at a height that limits how far the water may fall. */
export interface Landmark {
  readonly name: string;
  readonly kind: LandmarkKind;
  /** Above the floor, m. */
  readonly heightM: number;
  /** Minutes it may stand in air; 0 means never. */
  readonly airMinutes: number;
  /** Of a return outlet: a hole that was tried breaks its siphon, so that nothing runs back through it. */
  readonly siphonBreak?: boolean | undefined;
}

/** A filtration unit, and whether bacteria live in it. */
export interface FilterUnit {
  readonly name: string;
  readonly kind: FilterKind;
  readonly biological: boolean;
}

/** Animals counted together. */
export interface AnimalGroup {
  /** Its id in the book; missing in plans that were kept before counts had one. */
  readonly id?: string;
  readonly name: string;
  readonly count: number;
  /** What it does to a hand, if anything. */
  readonly hazard?: "sting" | "spine" | "bite" | "toxin";
}

/** What a standing exception does to the plan. */
export const EXCEPTION_KINDS = [
  "leave-pane",
  "leave-growth",
  "never-vacuum",
  "leave-rock",
  "feed-before",
  "leave-job",
  "say-at-job",
] as const;

/** Something about this tank that an ordinary checklist would break. */
export interface StandingException {
  readonly kind: (typeof EXCEPTION_KINDS)[number];
  /** Where, or what is to be known: "back panel", "the tree of rock on the left". */
  readonly what: string;
  /** The job of the programme it is about, by its code; only where the kind is about a job. */
  readonly job?: string | null;
}

/** What remedies are counted in. */
export const REMEDY_UNITS = ["mL", "g", "drops", "tablets"] as const;
export type RemedyUnit = (typeof REMEDY_UNITS)[number];

/** A course of treatment: no change before its contact time is over, then one. */
export interface Treatment {
  readonly name: string;
  readonly startedOn: string;
  readonly contactDays: number;
  readonly followUpOn: string;
  /** What follows is missing in what an earlier version kept. */
  readonly id?: string | undefined;
  readonly group?: CourseGroup | undefined;
  /** That stood in the tank when it began, L. */
  readonly litres?: number | undefined;
  readonly doses?: readonly { readonly on: string; readonly amount: number; readonly unit: RemedyUnit }[] | undefined;
  /** Switched off until its time is over, and whether carbon is out until then. */
  readonly off?: readonly SwitchGear[] | undefined;
  readonly carbonOut?: boolean | undefined;
  readonly backOn?: string | undefined;
  /** Of the water, changed at the follow-up; null for none. */
  readonly changeShare?: number | null | undefined;
  readonly contactMinutes?: number | undefined;
}

/** What kind of thing a course is of: it decides what it may not meet. */
export const COURSE_GROUPS = ["algae", "oxidiser", "acid", "copper", "dye", "medication", "method"] as const;
export type CourseGroup = (typeof COURSE_GROUPS)[number];

/** A vessel of known litres filled by the hose, by the watch: it beats the formula. */
export interface TimedBucket {
  readonly litres: number;
  readonly seconds: number;
}

/** A hose that drains the display by its own fall. */
export interface DrainHose {
  readonly boreMm: number;
  readonly lengthM: number;
  /** From the tank's inside floor down to the free end of the hose, m; below zero the end lies higher. */
  readonly dropM: number;
  /** Timed while the water stood where its fall begins. */
  readonly timed?: TimedBucket | undefined;
}

/** Where a refill hose ends. */
export const HOSE_ENDS = ["above", "under"] as const;

/** The pump that brings the new water in, by the two ends of its curve. */
export interface RefillPump {
  readonly shutOffM: number;
  readonly openLPerMinute: number;
  readonly boreMm: number;
  readonly lengthM: number;
  /** From the full barrel's surface to where the hose ends or, where that is under water, to the tank's fill line, m. */
  readonly liftM: number;
  /** Inside width of the round barrel it empties, m: its surface sinks meanwhile. */
  readonly barrelAcrossM?: number | undefined;
  /** Above the tank's water, or under it, which then rises against the pump; above where nobody said. */
  readonly ends?: (typeof HOSE_ENDS)[number] | undefined;
  readonly timed?: TimedBucket | undefined;
}

/** Everything about a tank that a plan needs. */
export interface TankFacts {
  readonly id: string;
  readonly name: string;
  readonly kind: TankKind;
  readonly display: Display;
  readonly material: "glass" | "acrylic";
  readonly lidded: boolean;
  readonly sectors: number;
  readonly sump?: Sump;
  readonly landmarks: readonly Landmark[];
  readonly gear: readonly SwitchGear[];
  readonly filterUnits: readonly FilterUnit[];
  readonly animals: readonly AnimalGroup[];
  readonly treatment?: Treatment;
  readonly exceptions?: readonly StandingException[];
  /** Clean socks, floss or pre-filters on the site's shelf, and the day they were counted. */
  readonly cleanMedia?: number;
  readonly cleanMediaOn?: string;
  readonly startedOn: string;
  readonly startedWith?: "cured-rock" | "dry-rock" | "bare";
  readonly evaporationLPerDay: number;
  readonly topUp: "reservoir" | "owner" | "technician";
  /** Usable litres of the top-up reservoir. */
  readonly reservoirL?: number;
  readonly lightsFrom?: number;
  readonly lightsHours?: number;
  readonly turnoverLPerHour?: number;
  /** What makes the tank itself hard to reach. */
  readonly access?: string;
  /** Fields filled from the kind and not confirmed, by key; they widen what is computed from them. */
  readonly assumed?: readonly string[];
  readonly practice: Practice;
  readonly bands: readonly Band[];
  readonly targetPsu: number;
  readonly targetC: number;
  readonly drainLPerMinute: number;
  readonly refillLPerMinute: number;
  readonly drainHose?: DrainHose | undefined;
  readonly refillPump?: RefillPump | undefined;
  /** Water of the system that does not mix while it is changed, L: behind rock, in closed filters. */
  readonly deadL?: number | undefined;
  /** Alkalinity that balanced two-part dosing replaces each day, dKH; its salt stays in the tank. */
  readonly dosedDkhPerDay?: number | undefined;
  /** What its dosing pumps raise it by a day, canonical; told beside it, not kept with it. */
  readonly pumpsPerDay?: Readonly<Partial<Record<Parameter, number>>> | undefined;
  /** Waste that can be carried away from here, L; where none of it may go down the drain. */
  readonly carryAwayL?: number | undefined;
  /** A machine that changes some water every day out of one vessel and into another. */
  readonly autoExchange?: AutoExchanger | undefined;
  readonly notes: readonly string[];
  /** The most that this tank's animals bear at one time, 0 to 1. */
  readonly mostShare: number;
}

/** Net litres of display, sump, pipes and reactors at their running levels. */
export function systemVolumeL(facts: Pick<TankFacts, "display" | "sump">): number {
  const display = displayVolumeL(facts.display, facts.display.runningLevelM);
  return facts.sump ? display + sumpVolumeL(facts.sump, facts.sump.runningLevelM) + facts.sump.pipesL : display;
}

/** Whether the tank holds salt of any strength. */
export function isSalt(facts: Pick<TankFacts, "targetPsu">): boolean {
  return facts.targetPsu > 0;
}
