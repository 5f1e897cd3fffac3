import type { WaterPlan } from "../change/index.ts";
import { type PlanInput, type StepMinutes, stepMinutes } from "../given/index.ts";
import type { Dosed } from "../mixing/index.ts";
import type { KitItem, Phase, Skill } from "../programme/index.ts";
import { type Message, m, type PlainCode } from "../say/index.ts";
import type { SwitchGear } from "../tank/index.ts";
import type { Parameter } from "../units/index.ts";
import type { Orderable } from "./order.ts";

/** What a step asks to be written down. A `needed` entry holds back the tick until somebody makes it or leaves it out with a reason. */
export type Entry =
  | { readonly reading: Parameter; readonly needed: boolean }
  | { readonly litres: "outL" | "inL" | "topUpL"; readonly needed: boolean }
  /** What was poured in of a product that raises it. */
  | { readonly dose: Dosed; readonly needed: boolean }
  /** How far the water stands below its line; how dirty it was; the animals, one by one; a picture from the tank's place. */
  | { readonly noted: "level" | "dirt" | "count" | "photo" }
  /** What became of something that an earlier visit found. */
  | { readonly settles: string };

/** What a step's tick says of the gear: switched off with it, or each switched on or left off with a reason before it. */
export interface Confirms {
  readonly off?: readonly SwitchGear[];
  readonly on?: readonly SwitchGear[];
}

/** One thing to do on a visit, as data; its words are made at the edge, see `saySteps`. */
export interface Step extends Orderable, StepMinutes {
  readonly phase: Phase | "arrive";
  readonly title: Message;
  /** Of a job: what was done, as it follows "I"; missing where nobody told such words of it. */
  readonly done?: Message;
  readonly reason: readonly Message[];
  readonly kit: readonly KitItem[];
  /** How it is done by a good hand: said at the step and not in a manual. */
  readonly craft?: readonly Message[];
  readonly caution?: readonly Message[];
  readonly task?: string;
  readonly skills?: readonly Skill[];
  readonly enters?: readonly Entry[];
  readonly confirms?: Confirms;
  /** What its press says, where that is more than "Done". */
  readonly pressed?: Message;
  /** Which planned figure the step is about. */
  readonly figure?: "mark" | "litres" | "refill" | "top-up" | "mix" | "temperature" | "salinity-check" | "bed" | "dose";
  readonly sector?: number;
  readonly slips?: number;
  /** It runs by itself once it was started: hands are free meanwhile. */
  readonly runsItself?: boolean;
  /** Water runs meanwhile, and nobody may be there to stop it. */
  readonly runsWater?: boolean;
  /** It goes on by itself for so long once the hands have done with it: cooling, warming, soaking. */
  readonly aloneMinutes?: number;
  /** What it does meanwhile: "cools". */
  readonly alone?: Message;
  /** Steps and phases that wait until it has ended by itself. */
  readonly until?: readonly string[];
  /** It could be ready before the visit. */
  readonly readyBefore?: boolean;
  /** A job that is kept from this visit by a rule, whether only advice does, and whether nobody may decide otherwise. */
  readonly held?: { readonly code: string; readonly strict: boolean; readonly final?: boolean };
}

/** What the steps of a visit are made from. */
export interface Making {
  readonly input: PlanInput;
  readonly water: WaterPlan;
  readonly changing: boolean;
  readonly off: readonly SwitchGear[];
}

/** Steps whose title and reason stand in the catalogue under their own name. */
type Titled = PlainCode extends infer C ? (C extends `${infer Id}.title` ? Id : never) : never;
type Reasoned = PlainCode extends infer C ? (C extends `${infer Id}.reason` ? Id : never) : never;

/** What a step is beside its place and its minutes. */
export type More = Partial<Omit<Step, "title" | "reason">>;

/** A step in its own words. */
export interface Worded extends More {
  readonly title: Message;
  readonly reason: readonly Message[];
}

/**
 * A step from its id, place and library minutes.
 *
 * @param more Its words, where those are others than the catalogue's own for its id.
 */
export function stepOf(
  { input }: Pick<Making, "input">,
  id: string,
  phase: Step["phase"],
  number: number,
  minutes: number,
  more: Worded,
): Step {
  return { id, phase, number, kit: [], ...stepMinutes(input, id, minutes), ...more };
}

/** The words of a step that are the same for every tank. */
export const own = (id: Titled & Reasoned): Worded => ({
  title: m(`${id}.title` as PlainCode),
  reason: [m(`${id}.reason` as PlainCode)],
});

/** Those of several messages that apply, undefined where none does. */
export const those = (...messages: readonly (Message | false | null | undefined)[]): readonly Message[] | undefined => {
  const all = messages.filter((x): x is Message => Boolean(x));
  return all.length > 0 ? all : undefined;
};

/** How much to feed: for how many mouths, and how long it may last. */
export const portion = ({ input }: Making): Message[] => {
  const mouths = input.facts.animals.reduce((sum, a) => sum + a.count, 0);
  return [mouths > 0 ? m("feed.portion", { mouths }) : m("feed.portion.unknown")];
};

/** A hose by the length that its way asks for, m, with some to spare at each end. */
export const hose = (item: string, metres: number | undefined): KitItem =>
  metres === undefined ? { item } : { item, amount: { metres: Math.ceil(metres) + 2 } };

/** A tap is at the site; any other water is brought or made. */
export const fromTap = ({ kind }: Pick<PlanInput["source"], "kind">): boolean =>
  kind === "tap" || kind === "tap-minerals";

/** The reading that a step cannot be ticked without. */
export function testOf({ enters }: Pick<Step, "enters">): Parameter | undefined {
  for (const entry of enters ?? []) if ("reading" in entry && entry.needed) return entry.reading;
  return undefined;
}
