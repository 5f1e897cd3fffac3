import type { WaterPlan } from "../change/index.ts";
import type { PlanInput } from "../given/index.ts";
import { type StepMinutes, stepMinutes } from "../given/index.ts";
import type { Phase, Skill } from "../programme/index.ts";
import type { SwitchGear } from "../tank/index.ts";
import type { Parameter, UnitPreference } from "../units/index.ts";
import type { Orderable } from "./order.ts";
import type { Say } from "./say.ts";

/** One thing to do on a visit. */
export interface Step extends Orderable, StepMinutes {
  readonly phase: Phase | "arrive";
  readonly title: string;
  readonly reason: string;
  readonly kit: readonly string[];
  /** How it is done by a good hand: said at the step and not in a manual. */
  readonly craft?: string;
  readonly caution?: string;
  readonly task?: string;
  readonly skills?: readonly Skill[];
  readonly test?: Parameter;
  /** Which planned figure the step is about. */
  readonly figure?: "mark" | "litres" | "refill" | "top-up" | "mix" | "temperature" | "salinity-check" | "bed";
  readonly result?: "dirt" | "count";
  readonly off?: readonly SwitchGear[];
  readonly on?: readonly SwitchGear[];
  readonly sector?: number;
  readonly slips?: number;
  /** It runs by itself once it was started: hands are free meanwhile. */
  readonly runsItself?: boolean;
  /** It goes on by itself for so long once the hands have done with it: cooling, warming, soaking. */
  readonly aloneMinutes?: number;
  /** Steps and phases that wait until it has ended by itself. */
  readonly until?: readonly string[];
  /** It could be ready before the visit. */
  readonly readyBefore?: boolean;
  /** A job that is kept from this visit by a rule, and whether only advice does. */
  readonly held?: { readonly code: string; readonly strict: boolean };
}

/** What the steps of a visit are made from. */
export interface Making {
  readonly input: PlanInput;
  readonly water: WaterPlan;
  readonly changing: boolean;
  readonly off: readonly SwitchGear[];
  readonly units: UnitPreference;
  readonly say: Say;
}

/** A step from its id, place, words and library minutes. */
export function stepOf(
  { input }: Pick<Making, "input">,
  id: string,
  phase: Step["phase"],
  number: number,
  title: string,
  minutes: number,
  reason: string,
  more: Partial<Step> = {},
): Step {
  return { id, phase, number, title, reason, ...stepMinutes(input, id, minutes), kit: [], ...more };
}

/** Sentences joined by a space; undefined where there is none. */
export const sentences = (...parts: readonly (string | undefined | false)[]): string | undefined =>
  parts.filter(Boolean).join(" ") || undefined;

const GEAR_NAME: Record<SwitchGear, string> = {
  "top-up": "top-up",
  dosing: "dosing",
  feeder: "feeder",
  skimmer: "skimmer",
  uv: "UV lamp",
  chiller: "chiller",
  reactor: "reactor",
  co2: "CO2",
  heater: "heater",
  filter: "filter",
  return: "return pump",
  "wave-maker": "wave-makers",
  lights: "lights",
};

/** What a thing that is switched is called. */
export function gearName(gear: SwitchGear): string {
  return GEAR_NAME[gear];
}
