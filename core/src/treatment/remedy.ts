import {
  COURSE_GROUPS,
  type CourseGroup,
  isSalt,
  type RemedyUnit,
  type SwitchGear,
  type TankFacts,
  type TankKind,
} from "../tank/index.ts";

/** What a remedy may harm, and how its animals are called. */
const HARMED = {
  shrimp: { label: "shrimp and crabs", named: /shrimp|crab|crayfish|lobster/i },
  snails: { label: "snails and clams", named: /snail|nerite|turbo|trochus|clam|mussel|nassarius/i },
  corals: { label: "corals", named: /coral|polyp|mushroom|gorgonian|sea fan/i },
  anemones: { label: "anemones", named: /anemone/i },
  jellyfish: { label: "jellyfish", named: /jelly|bell/i },
  scaleless: {
    label: "fish without scales",
    named: /loach|catfish|eel|pleco|cory|ray\b|axolotl|goby|blenny|mandarin/i,
  },
  plants: { label: "plants", named: null },
} as const;
export type Harmed = keyof typeof HARMED;
export const HARMED_CODES = Object.keys(HARMED) as [Harmed, ...Harmed[]];

/** What a group is called. */
export const harmedLabel = (code: Harmed): string => HARMED[code].label;

/** What kind of thing a remedy is: it decides what it may not meet. */
export const REMEDY_GROUPS = COURSE_GROUPS;
export type RemedyGroup = CourseGroup;

/** A product or a method of the firm's register, as its label gives it. */
export interface Remedy {
  readonly id: string;
  readonly name: string;
  readonly group: RemedyGroup;
  /** By the label, for 100 L; null for a method that nothing is poured in for. */
  readonly per100L: number | null;
  readonly unit: RemedyUnit;
  /** Strength that the label's dose is for, and that of the bottle, %; null where the label knows one only. */
  readonly labelPercent: number | null;
  readonly bottlePercent: number | null;
  readonly doses: number;
  /** Days between doses. */
  readonly everyDays: number;
  /** Days from the last dose on in which it works and no water is changed. */
  readonly contactDays: number;
  /** Of a bath or a spot: minutes, with a countdown; null where it stays in. */
  readonly contactMinutes: number | null;
  readonly harms: readonly Harmed[];
  readonly off: readonly SwitchGear[];
  /** Carbon and resins are taken out, and put back when the contact time is over. */
  readonly carbonOut: boolean;
  /** The share of the water that is changed once its time is over; null for none. */
  readonly changeShare: number | null;
  /** Days after the contact time at which it is tested and looked at again. */
  readonly followUpDays: number;
  /** Only somebody who may prescribe gives it. */
  readonly prescription: boolean;
}

/** Kinds in which plants are what the tank is about. */
const PLANTED: readonly TankKind[] = ["planted", "planted-low"];

/** Who of a tank's roster a remedy harms, by name; plants by the kind of tank. */
export function harmedBy(
  { harms }: Pick<Remedy, "harms">,
  { animals, kind }: Pick<TankFacts, "animals" | "kind">,
): string[] {
  const named = animals.filter(({ name }) => harms.some((code) => HARMED[code].named?.test(name) ?? false));
  return [...named.map((a) => a.name), ...(harms.includes("plants") && PLANTED.includes(kind) ? ["plants"] : [])];
}

/** How much of it goes in for some litres, in its own unit; null for a method. */
export function remedyAmount({ per100L, labelPercent, bottlePercent }: Remedy, litres: number): number | null {
  if (per100L === null) return null;
  const weaker = labelPercent && bottlePercent ? labelPercent / bottlePercent : 1;
  return (per100L * weaker * litres) / 100;
}

/** Copper kills what has no backbone, in the sea first of all. */
export const poisonsInvertebrates = ({ group }: Pick<Remedy, "group">, facts: TankFacts): boolean =>
  group === "copper" && isSalt(facts) && facts.animals.some((a) => ANY_INVERTEBRATE.test(a.name));
const ANY_INVERTEBRATE = /shrimp|crab|snail|clam|coral|polyp|anemone|star|urchin|jelly|worm/i;
