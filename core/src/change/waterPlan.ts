import type { MarkPlace, Missing, Offer } from "../given/index.ts";
import type { Message } from "../say/index.ts";
import type { Landmark } from "../tank/index.ts";
import type { Parameter } from "../units/index.ts";
import type { Worked } from "../worked/index.ts";
import type { AutoExchange } from "./autoExchange.ts";

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
    | "gh-a-day"
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
  /** One of several changes, some days apart, that bring a figure to its target. */
  | {
      readonly code: "in-steps";
      readonly parameter: Parameter;
      readonly target: number;
      readonly changes: number;
      readonly apartDays: number;
    }
  | { readonly code: "chosen"; readonly litres: number; readonly by: string }
  | { readonly code: "cannot-reach"; readonly parameter: Parameter; readonly target: number; readonly refill: number }
  /** Below its band, and not to be mended with this water: it is dosed, or another water is used. */
  | { readonly code: "dose"; readonly parameter: Parameter; readonly value: number; readonly low: number }
  | { readonly code: "within-bands"; readonly longestDays: number }
  /** Outside its band, and nothing that a change of water is for. */
  | { readonly code: "outside-bands"; readonly parameters: readonly Parameter[]; readonly longestDays: number }
  | { readonly code: "longest-interval"; readonly days: number }
  | { readonly code: "no-reading"; readonly parameters: readonly Parameter[] }
  /** Free ammonia cannot be told without this, and at its worst it would be too high. */
  | { readonly code: "ph-first"; readonly of: "tank" | "source"; readonly worst: number; readonly limit: number }
  | { readonly code: "ammonia-bound" }
  | { readonly code: "treatment"; readonly name: string; readonly until: string }
  | { readonly code: "treatment-follow-up"; readonly name: string }
  | { readonly code: "too-cold"; readonly value: number; readonly floor: number }
  /** What was found of sea water when it was collected forbids it. */
  | { readonly code: "sea-refused"; readonly source: string; readonly says: Message }
  /** This water is not for this tank. */
  | {
      readonly code: "wrong-water";
      readonly why: "no-salt" | "salt" | "too-far";
      readonly source: string;
      readonly psu: number;
      readonly tankPsu: number;
    }
  | {
      readonly code: "ammonia-would-rise";
      readonly before: number;
      readonly after: number;
      readonly limit: number;
      readonly ph: number;
    }
  /** How it is changed follows from what was read: these figures are bad, or none is. */
  | { readonly code: "by-condition"; readonly bad: readonly Parameter[] }
  /** A machine changes some every day; by hand only its vessels are seen to. */
  | { readonly code: "automatic"; readonly litresPerDay: number; readonly lastsUntil: string }
  | { readonly code: "young"; readonly phase: string; readonly times: number }
  | { readonly code: "ammonia-emergency"; readonly value: number; readonly limit: number }
  | { readonly code: "salinity-creeps"; readonly perDay: number; readonly topUpPsu: number }
  | { readonly code: "dosing-leaves-salt"; readonly perDay: number; readonly settles: number }
  | { readonly code: "ph-shift"; readonly before: number; readonly refill: number; readonly most: number }
  | {
      readonly code: "retest";
      readonly parameter: Parameter;
      readonly value: number;
      readonly expected: number;
      /** What it would be, had it been read or typed in another way. */
      readonly offers: readonly Offer[];
    }
  | {
      readonly code: "salinity-in-steps";
      readonly from: number;
      readonly today: number;
      readonly target: number;
      readonly days: number;
    }
  /** Nobody measured the salinity: the new water is made to the target until then. */
  | { readonly code: "salinity-assumed"; readonly value: number }
  /** A limit leaves no water to change. */
  | { readonly code: "held"; readonly limit: Limit }
  /** More is missing than a day may bring back: the rest follows. */
  | { readonly code: "left-low"; readonly todayL: number; readonly restL: number }
  /** What runs back when the pumps stop has too little room in the sump. */
  | { readonly code: "overflow"; readonly litres: number; readonly roomL: number };

/** A parameter before the change and as expected after it. */
export interface Expected {
  readonly parameter: Parameter;
  readonly before: number;
  readonly beforeSigma: number;
  /** In the new water. */
  readonly refill: number;
  readonly refillSigma: number;
  /** In the water that tops up. */
  readonly topUp: number;
  readonly after: Worked;
}

/** A reading that was taken when the new water was in, held against what the plan said. */
export interface AfterCheck {
  readonly parameter: Parameter;
  readonly expected: Worked;
  readonly read: number;
  readonly sigma: number;
  readonly fits: boolean;
  /** Litres of a second change today that would bring it to its target; null where none is called for or allowed. */
  readonly againL: number | null;
  /** The day that the rest is to be done instead; null where nothing is left. */
  readonly againOn: string | null;
}

/** A landmark that stands in air during a change. */
export interface Exposure {
  readonly name: string;
  readonly kind: Landmark["kind"];
  /** From the moment the water leaves it until it is back, the work at the low line included. */
  readonly minutes: number;
  /** What it bears: longer where it is kept wet. */
  readonly allowedMinutes: number;
  /** Minutes after which it is wetted again; null for what nobody wets. */
  readonly wetEvery: number | null;
}

/** Free ammonia before and after a change, each at the unfavourable end of what is known, and what had to be assumed for it. */
export interface FreeAmmonia {
  readonly before: Worked;
  readonly after: Worked;
  /** Taken at its worst because nobody measured it. */
  readonly assumed: readonly ("ph" | "source-ph")[];
  /** A conditioner bound ammonia lately: a test of it says neither "safe" nor "emergency". */
  readonly bound: boolean;
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
  /** The part of the water at the end that is new. */
  readonly share: Worked;
  readonly mark: Worked | null;
  readonly markOn: MarkPlace;
  /** Where the tape for so many litres is on a full tank, cm from the rim; today's line lies lower by what is missing. */
  readonly tapeCm: number | null;
  readonly fills: Worked | null;
  /** New water to pour, L: of the source, whatever the tank. */
  readonly pourL: Worked | null;
  readonly saltWaterL: Worked | null;
  /** Water that tops the tank up to its fill line, L; before an in-and-out change, else after the new water. */
  readonly freshL: Worked | null;
  readonly topUpC: number;
  readonly saltG: Worked | null;
  readonly mixPsu: number | null;
  readonly conditionerMl: Worked | null;
  /** Of the whole, each before its part of the new water goes in; one where all of it goes into a vessel first. */
  readonly conditionerParts: readonly { readonly ml: number; readonly beforeL: number }[];
  /** For the water that tops up, where that comes from a tap. */
  readonly topUpConditionerMl: Worked | null;
  readonly refillC: Worked | null;
  /** What the tank should read when half of the new water is in; null where it comes at the tank's own temperature. */
  readonly halfWayC?: Worked | null;
  readonly after: readonly Expected[];
  /** Readings taken after the change, against what was expected. */
  readonly checks: readonly AfterCheck[];
  /** Smallest first. The first one binds if the policy wants more. */
  readonly limits: readonly Limit[];
  readonly binding: Limit | null;
  readonly freeAmmonia: FreeAmmonia | null;
  /** Carbon dioxide before the change where it is injected; an estimate. */
  readonly co2?: Worked | null;
  /** How long the water runs out and in, where a hose or a pump is known. */
  readonly runs?: { readonly out: Worked | null; readonly in: Worked | null };
  readonly missing: Missing;
  readonly missingL: number;
  /** Left below the fill line on purpose, L and cm. */
  readonly leftLowL: number;
  readonly leftLowCm: number;
  /** What stands in air meanwhile, the longest first. */
  readonly exposed: readonly Exposure[];
  readonly wettingMinutes: number;
  /** Litres that leave with the dirt of the bed, before the rest runs out. */
  readonly bedL: number;
  /** Litres drawn with the pumps on, so that the run-back finds room. */
  readonly pumpsOnL: number;
  readonly runBack: { readonly litres: number; readonly roomL: number; readonly tight: boolean } | null;
  /** All of the drain, and the part of it that runs by itself once the bed is done. */
  readonly drainMinutes: number;
  readonly restMinutes: number;
  readonly refillMinutes: number;
  readonly wasteL: number;
  /** Of a tank that a machine changes every day. */
  readonly auto: AutoExchange | null;
}
