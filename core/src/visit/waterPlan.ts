import type { Parameter } from "../units/index.ts";
import type { Worked } from "../worked/index.ts";

/** What may hold a change down, as data. `maxL` is the most it allows. */
export interface Limit {
  readonly code:
    | "landmark"
    | "floor"
    | "sump-level"
    | "hose"
    | "animals"
    | "alkalinity-a-day"
    | "calcium-a-day"
    | "magnesium-a-day"
    | "salinity-a-day"
    | "temperature-a-day"
    | "on-board"
    | "time-on-site"
    | "drain-rule"
    | "free-ammonia";
  readonly maxL: number;
  readonly name?: string;
  readonly minutes?: number;
  readonly value?: number;
}

/** Why the plan asks for what it asks, the first deciding. */
export type WaterReason =
  | { readonly code: "policy"; readonly policy: string; readonly share: number }
  | {
      readonly code: "raised";
      readonly parameter: Parameter;
      readonly value: number;
      readonly target: number;
      readonly fromL: number;
    }
  | { readonly code: "chosen"; readonly litres: number; readonly by: string }
  | { readonly code: "cannot-reach"; readonly parameter: Parameter; readonly target: number; readonly refill: number }
  | { readonly code: "within-bands"; readonly longestDays: number }
  | { readonly code: "longest-interval"; readonly days: number }
  | { readonly code: "no-reading"; readonly parameters: readonly Parameter[] }
  | { readonly code: "treatment"; readonly name: string; readonly until: string }
  | { readonly code: "treatment-follow-up"; readonly name: string }
  | { readonly code: "too-cold"; readonly value: number; readonly floor: number }
  | {
      readonly code: "ammonia-would-rise";
      readonly before: number;
      readonly after: number;
      readonly limit: number;
      readonly ph: number;
    }
  | { readonly code: "young"; readonly phase: string; readonly times: number }
  | { readonly code: "ammonia-emergency"; readonly value: number; readonly limit: number }
  | { readonly code: "salinity-creeps"; readonly perDay: number; readonly topUpPsu: number }
  | { readonly code: "dosing-leaves-salt"; readonly perDay: number; readonly settles: number }
  | { readonly code: "ph-shift"; readonly before: number; readonly refill: number; readonly most: number }
  | { readonly code: "retest"; readonly parameter: Parameter; readonly value: number; readonly expected: number }
  | {
      readonly code: "salinity-in-steps";
      readonly from: number;
      readonly today: number;
      readonly target: number;
      readonly days: number;
    };

/** A parameter before the change and as expected after it. */
export interface Expected {
  readonly parameter: Parameter;
  readonly before: number;
  readonly beforeSigma: number;
  /** In the new water. */
  readonly refill: number;
  readonly refillSigma: number;
  readonly after: Worked;
}

/** The water change of one visit, decided. */
export interface WaterPlan {
  /** change: do it. none: not needed. postpone: first something else. forbid: it would harm. unknown: measure first. */
  readonly decision: "change" | "none" | "postpone" | "forbid" | "unknown";
  readonly reasons: readonly WaterReason[];
  readonly systemL: Worked;
  readonly litres: Worked;
  /** What would bring the deciding reading to its target, as a range: litres to take out are a decision and have none. */
  readonly needed?: Worked | null;
  readonly share: Worked;
  readonly mark: Worked | null;
  readonly markOn: "display" | "sump" | "none";
  readonly fills: Worked | null;
  readonly saltWaterL: Worked | null;
  readonly freshL: Worked | null;
  readonly saltG: Worked | null;
  readonly mixPsu: number | null;
  readonly conditionerMl: Worked | null;
  readonly refillC: Worked | null;
  /** What the tank should read when half of the new water is in; null where it comes at the tank's own temperature. */
  readonly halfWayC?: Worked | null;
  readonly after: readonly Expected[];
  /** Smallest first. The first one binds if the policy wants more. */
  readonly limits: readonly Limit[];
  readonly binding: Limit | null;
  readonly freeAmmonia: { readonly before: Worked; readonly after: Worked } | null;
  /** Carbon dioxide before the change where it is injected; an estimate. */
  readonly co2?: Worked | null;
  /** How long the water runs out and in, where a hose or a pump is known. */
  readonly runs?: { readonly out: Worked | null; readonly in: Worked | null };
  readonly missingL: number;
  readonly drainMinutes: number;
  readonly refillMinutes: number;
  readonly wasteL: number;
}

export interface Known {
  readonly value: number;
  readonly sigma: number;
  readonly today: boolean;
}

/** What is known of a tank's water on the day of the plan. */
export type Knowns = Partial<Record<Parameter, Known>>;
