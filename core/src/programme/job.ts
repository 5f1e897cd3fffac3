import type { SwitchGear } from "../tank/vocabulary.ts";
import type { Parameter } from "../units/index.ts";
import { type Cadence, daysOf, type Window } from "./cadence.ts";
import { parseCadence } from "./parseCadence.ts";

/** The place of a job in the visit; the order itself is made by rules, see `steps/order.ts`. */
export const PHASES = [
  "look",
  "feed-before",
  "test",
  "prepare",
  "glass",
  "lift",
  "power-down",
  "drain",
  "hardware",
  "refill",
  "power-up",
  "media",
  "dose",
  "feed-after",
  "verify",
  "outside",
  "leave",
] as const;
export type Phase = (typeof PHASES)[number];

/** Who does a job. */
export const PERFORMERS = ["technician", "owner"] as const;
export type Performer = (typeof PERFORMERS)[number];

/** What somebody has to be able to do for a job. */
export const SKILLS = ["acid", "mains", "gas", "ladder"] as const;
export type Skill = (typeof SKILLS)[number];

/** What a job asks for so that a tank has it at all. */
export interface JobNeeds {
  readonly gear?: SwitchGear;
  /** One of these hangs on it. */
  readonly oneOf?: readonly SwitchGear[];
  readonly sump?: true;
  readonly reservoir?: true;
  readonly bed?: true;
  readonly lid?: true;
  /** At least so many units of bacteria. */
  readonly units?: number;
  /** A unit of the tank is called so: an internal filter, a sponge. */
  readonly unitCalled?: string;
  /** No unit is called so: another job is the one for it. */
  readonly noUnitCalled?: string;
  /** Its new or its top-up water is made by a purifier that stands at its site. */
  readonly purifier?: true;
  /** The owner tops up by hand. */
  readonly ownerTopsUp?: true;
}

/** A job, in our own words. */
export interface Job extends Window {
  /** What to do: "Clean the viewing panes". */
  readonly name: string;
  /** What was done, as it follows "I": "cleaned the viewing panes"; every job of the library has it. */
  readonly done?: string;
  readonly by: Performer;
  readonly phase: Phase;
  readonly cadence: Cadence;
  /** Days that the cadence comes to; of what is called for by signs or events the latest, or a year. */
  readonly everyDays: number;
  /** Of somebody's hands. */
  readonly minutes: number;
  /** It goes on by itself for so long afterwards: a soak. */
  readonly aloneMinutes?: number;
  readonly reason: string;
  readonly caution?: string;
  /** Tools, carried and checked back in. */
  readonly kit: readonly string[];
  /** What is used up. */
  readonly uses: readonly string[];
  /** What is recorded. */
  readonly result: "done" | "dirt" | "count" | "photo" | { readonly test: Parameter };
  readonly skills?: readonly Skill[];
  readonly needs?: JobNeeds;
  /** A service of bacteria, by the tank's unit that it opens, from 0; kept four weeks apart from any other. */
  readonly unit?: number;
  /** Fresh media never comes with a deep clean or a medication. */
  readonly kind?: "media" | "deep-clean";
  /** Rare and costly to forget. */
  readonly long?: boolean;
  /** Belongs to the site, not to a tank: one tank of the site carries it. */
  readonly onceAtSite?: true;
  /** Jobs that are done with it: on one visit they are not asked for beside it. */
  readonly covers?: readonly string[];
  /** Steps or phases that have to come before or after it, beside the order on site. */
  readonly after?: readonly string[];
  readonly before?: readonly string[];
}

/** A year, for what is called for by what happens and not by a date. */
const CALLED_DAYS = 365;

/** Days that a cadence comes to; a year for what is only called for. */
export const everyDaysOf = (cadence: Cadence): number => daysOf(cadence) ?? CALLED_DAYS;

type More = Partial<
  Omit<Job, "name" | "phase" | "cadence" | "everyDays" | "giveDays" | "earlyDays" | "minutes" | "reason">
>;

/**
 * A job of the library from a line of it; its cadence is written as a person says it.
 *
 * @throws for a cadence that cannot be read.
 */
export function job(
  name: string,
  phase: Phase,
  cadence: string,
  minutes: number,
  reason: string,
  more: More = {},
): Job {
  const read = parseCadence(cadence);
  if (!read.ok) throw new Error(`${name}: ${cadence}. ${read.problem}`);
  return {
    name,
    phase,
    cadence: read.cadence,
    everyDays: everyDaysOf(read.cadence),
    ...(read.window ?? { giveDays: 0 }),
    minutes,
    reason,
    by: "technician",
    kit: [],
    uses: [],
    result: "done",
    ...more,
  };
}
