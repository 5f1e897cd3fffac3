import type { KitOnDay } from "../kits/index.ts";
import type { Dosed, DoseProduct, Purifier } from "../mixing/index.ts";
import type { Evidence, TankTask } from "../programme/index.ts";
import type { BuildUp } from "../readings/index.ts";
import type { Message } from "../say/index.ts";
import type { TankFacts } from "../tank/index.ts";
import type { Remedy } from "../treatment/index.ts";
import type { FindingKind } from "../trouble/findingKinds.ts";
import type { TroubleCode } from "../trouble/index.ts";
import type { Parameter } from "../units/index.ts";
import type { Meter } from "../upkeep/index.ts";
import type { Conditioner } from "../water/index.ts";

/** Raised when the meaning of a plan changes, so that an old snapshot can be told from a new one. */
export const CORE_VERSION = 3;

/** A reading as the plan uses it, canonical. */
export interface PlanReading {
  readonly parameter: Parameter;
  readonly value: number;
  readonly sigma: number;
  /** Civil date; the plan asks only whether it is today's and how old it is. */
  readonly on: string;
  /** Of a flow: the filter whose it is. */
  readonly item?: string;
  /** What it was read with, by its id in the register. */
  readonly kit?: string;
  /** Taken when the new water was in: it checks the plan and is not what the plan is made from. */
  readonly after?: true;
}

/** Why a figure of a source is believed: measured lately, at this time of another year, too long ago, or never. */
export type Basis = "fresh" | "season" | "old" | "stated";

/** Water that may go into a tank. */
export interface WaterSource {
  readonly id: string;
  readonly kind: "tap" | "tap-minerals" | "purified" | "remineralised" | "natural-sea" | "mix";
  readonly name: string;
  readonly chemistry: Readonly<Partial<Record<Parameter, number>>>;
  /** Of what was measured: when, and why it is believed on the day of the plan. */
  readonly known?: Readonly<Partial<Record<Parameter, { readonly on: string; readonly basis: Basis }>>>;
  /** Measured temperature as it comes, °C. */
  readonly coldC: number;
  /** Whether hot water or a heated barrel can bring it to a wanted temperature. */
  readonly canWarm: boolean;
  readonly conditioner?: Conditioner;
  /** How much more conditioner the supplier's chloramine asks for; 1 without. */
  readonly chloramineFactor: number;
  /** The salt a mix is made with: grams per litre at 35, and the verified batches behind it. */
  readonly salt?: {
    readonly name: string;
    readonly labelGramsPerLitre: number;
    readonly gramsPerLitre: number;
    readonly batches: number;
    /** Minutes after mixing until it may be used, and days that it keeps; by the salt. */
    readonly readyMinutes?: number;
    readonly keepsDays?: number;
    /** One level scoop of it, weighed once, g. */
    readonly scoopGrams?: number;
  };
  /** What makes purified water. */
  readonly purifier?: Purifier;
  /** What gives a soft water its hardness: grams for 100 L of it. */
  readonly minerals?: { readonly name: string; readonly gramsPer100L: number };
  /** Of the heater that its barrel is warmed with, W. */
  readonly heaterW?: number;
  /** It is made or runs at the site: nobody brings it. */
  readonly atSite?: true;
  /** Why it must not be poured today, as it was found when it was collected. */
  readonly refused?: readonly Message[];
}

/** What a day may change in a tank at most; the office may set these. Which of them hold is a matter of the kind. */
export interface DailyLimits {
  /** Alkalinity, calcium and magnesium: for corals. */
  readonly alkalinityDkh: number;
  readonly calciumMgL: number;
  readonly magnesiumMgL: number;
  /** General hardness: for shrimp. */
  readonly ghDgh: number;
  readonly salinityUpPpt: number;
  readonly salinityDownPpt: number;
  /** For corals, jellyfish, shrimp and the animals of a shore. */
  readonly salinityDownInvertebratesPpt: number;
  /** Of the tank, not of the new water. */
  readonly temperatureC: number;
  /** The same for corals, jellyfish and shrimp. */
  readonly temperatureTenderC: number;
  /** New water is never further from the tank than this, nor stronger than `strongestPpt`. */
  readonly salinityApartPpt: number;
  readonly strongestPpt: number;
  readonly freeAmmoniaMgL: number;
  /** pH only warns: it is compared at the same hour of the day. */
  readonly ph: number;
}

/** General practice, editable. Free ammonia after Emerson-era toxicity work: 0.02 mg/L as NH3. */
export const DEFAULT_LIMITS: DailyLimits = {
  alkalinityDkh: 1,
  calciumMgL: 50,
  magnesiumMgL: 100,
  ghDgh: 2,
  salinityUpPpt: 1,
  salinityDownPpt: 2,
  salinityDownInvertebratesPpt: 1,
  temperatureC: 2,
  temperatureTenderC: 1,
  salinityApartPpt: 4,
  strongestPpt: 40,
  freeAmmoniaMgL: 0.02,
  ph: 0.2,
};

/** What was poured into a tank by hand, and raised it by. */
export interface Given {
  readonly parameter: Dosed;
  readonly on: string;
  readonly rise: number;
}

/** An open matter from earlier visits. */
export interface OpenFinding {
  readonly id: string;
  readonly kind: FindingKind;
  readonly text: string;
  readonly dueOn?: string;
  /** What it takes, where that was said. */
  readonly minutes?: number;
  /** The day on which the owner told it; none for what was seen on site. */
  readonly toldOn?: string;
  /** It is a trouble that is looked at again. */
  readonly trouble?: TroubleCode;
  /** It has a window: days that it may come after its day. */
  readonly giveDays?: number;
}

/** A trouble that was found on a visit. */
export interface FoundTrouble {
  readonly id: string;
  readonly trouble: TroubleCode;
}

/** Everything that one visit's plan is made from. Serialisable: it travels to the phone as it is. */
export interface PlanInput {
  readonly facts: TankFacts;
  readonly readings: readonly PlanReading[];
  readonly rates: Readonly<Partial<Record<Parameter, BuildUp>>>;
  readonly tasks: readonly TankTask[];
  /** What calls for jobs beside readings: animals and lamps that came, hours run, how dirty things were. */
  readonly evidence?: Pick<Evidence, "events" | "running" | "dirt">;
  /** Hour meters of its equipment; none in what an earlier version kept. */
  readonly meters?: readonly Meter[];
  /** Jobs that somebody does against a rule, with the reason. */
  readonly overridden?: Readonly<Record<string, string>>;
  readonly source: WaterSource;
  readonly topUpSource: WaterSource;
  /** What the firm measures with, as it is on the day; none in what an earlier version kept. */
  readonly kits?: readonly KitOnDay[];
  /** What the firm doses with; none in what an earlier version kept. */
  readonly products?: readonly DoseProduct[];
  /** What the firm treats with; none in what an earlier version kept. */
  readonly remedies?: readonly Remedy[];
  /** Doses by hand of the last weeks, the earlier first; not those of this visit. */
  readonly dosed?: readonly Given[];
  readonly limits: DailyLimits;
  readonly findings: readonly OpenFinding[];
  /** Troubles that were found on this visit; none before somebody says so. */
  readonly troubles?: readonly FoundTrouble[];
  readonly on: string;
  readonly nextVisitOn: string;
  readonly lastVisitOn: string | null;
  /** The last change of half the tank's own share or more; null where none is known. */
  readonly lastChangeOn?: string | null;
  /** When a conditioner that binds ammonia went in last; a test of ammonia says nothing for two days. */
  readonly boundOn?: string | null;
  /** How far the water stood below its fill line on arrival, cm; over a sump in the return chamber. Null before it was looked at. */
  readonly belowMarkCm: number | null;
  /** Litres that a person chose for this visit, in the planner or at the mark; they go before the policy. */
  readonly chosen?: { readonly litres: number; readonly by: string } | null;
  /** The way of changing was chosen by these figures, bad ones; none of them is a tank that is well. */
  readonly byCondition?: readonly Parameter[];
  /** Litres of the new water that the van can spare for this tank; null without limit. */
  readonly litresOnBoard: number | null;
  /** Minutes of the site's open hours that this tank's other work leaves for moving water; null where it is always open. */
  readonly minutesForWater?: number | null;
  /** What steps took on this tank, minutes by step, oldest first. */
  readonly loggedMinutes: Readonly<Record<string, readonly number[]>>;
  /** How much slower than that the person of the visit works; 1 as long as nothing is known. */
  readonly personFactor?: number;
  readonly site: {
    readonly drain: "sewer" | "septic" | "garden";
    readonly bucketL: number;
    /** Nobody has said yet whether the tap has hot water: none is counted on. */
    readonly askHotWater?: true;
    readonly hygieneLast: boolean;
    /** Floors to protect and animals of the house, in the owner's words; empty for none. */
    readonly floors?: string;
    readonly pets?: string;
    /** Metres of hose to the drain and to the tap. */
    readonly drainDistanceM?: number;
    readonly tapDistanceM?: number;
    /** Metres that the water falls to the drain; below zero it has to be lifted. */
    readonly drainDropM?: number;
    readonly stairs?: number;
    readonly parking?: string;
  };
}

/** A plan's input with what was read or seen since it was made. Nothing else may differ between the two. */
export function withToday(
  input: PlanInput,
  seen: {
    readonly readings: readonly PlanReading[];
    readonly belowMarkCm: number | null;
    /** Undefined where nobody chose today; null where the choice was taken back. */
    readonly chosen?: PlanInput["chosen"];
    readonly overridden?: Readonly<Record<string, string>>;
    readonly troubles?: readonly FoundTrouble[];
    /** A course that began on this visit. */
    readonly treatment?: TankFacts["treatment"];
  },
): PlanInput {
  return {
    ...input,
    readings: [...input.readings, ...seen.readings],
    belowMarkCm: seen.belowMarkCm ?? input.belowMarkCm,
    ...(seen.chosen === undefined ? {} : { chosen: seen.chosen }),
    ...(seen.treatment ? { facts: { ...input.facts, treatment: seen.treatment } } : {}),
    ...(seen.troubles ? { troubles: [...(input.troubles ?? []), ...seen.troubles] } : {}),
    ...(seen.overridden ? { overridden: { ...input.overridden, ...seen.overridden } } : {}),
  };
}

/** FNV-1a over the input's text, in hex: tells whether two plans were made from the same facts. */
export function inputHash(input: unknown): string {
  const text = JSON.stringify(input);
  let [a, b] = [0x811c9dc5, 0x01000193];
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    a = Math.imul(a ^ code, 0x01000193);
    b = Math.imul(b ^ code, 0x85ebca6b);
  }
  return (a >>> 0).toString(16).padStart(8, "0") + (b >>> 0).toString(16).padStart(8, "0");
}
