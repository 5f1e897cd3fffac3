import type { WaterPlan } from "../change/index.ts";
import { type PlanInput, type StepMinutes, stepMinutes } from "../given/index.ts";
import type { Phase, Skill } from "../programme/index.ts";
import { type Message, m, type PlainCode, type Value } from "../say/index.ts";
import type { SwitchGear } from "../tank/index.ts";
import type { Parameter } from "../units/index.ts";
import type { Orderable } from "./order.ts";

/** A thing to bring, by what it is called, and how much of it or how long. */
export interface KitItem {
  readonly item: string;
  readonly amount?: Value;
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

/** Kit of which nothing more has to be told. */
export const plain = (...items: readonly string[]): KitItem[] => items.map((item) => ({ item }));

/** A hose by the length that its way asks for, m, with some to spare at each end. */
export const hose = (item: string, metres: number | undefined): KitItem =>
  metres === undefined ? { item } : { item, amount: { metres: Math.ceil(metres) + 2 } };

/** A tap is at the site; any other water is brought or made. */
export const fromTap = ({ kind }: Pick<PlanInput["source"], "kind">): boolean =>
  kind === "tap" || kind === "tap-minerals";
