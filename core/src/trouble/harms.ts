import type { Message } from "../say/index.ts";
import { m } from "../say/index.ts";
import { isSalt, type TankFacts } from "../tank/index.ts";
import { type ActionCode, COOLED_A_DAY_K, WARMED_AN_HOUR_K } from "./actions.ts";
import type { TroubleCode } from "./troubles.ts";

/** An advice that may be given: one of today's actions, or something that people are tempted to do. */
export type Advice =
  | ActionCode
  | "more-water"
  | "fresh-water-in"
  | "salt-in"
  | "treat-algae"
  | "medicate"
  | "clean-filter"
  | "feed"
  | "cool-fast"
  | "warm-fast"
  | "hands-in"
  | "black-out";

/** A tank with what lives in it. */
export interface TankLike {
  readonly facts: TankFacts;
}

/** What harms: an advice under a trouble, or with an animal in the tank. */
interface Pair {
  readonly advice: Advice;
  readonly trouble?: readonly TroubleCode[];
  /** Part of an animal's name. */
  readonly animal?: RegExp;
  readonly salt?: true;
}

const INVERTEBRATES = /shrimp|snail|crab|coral|anemone|clam|star|urchin|jelly|polyp|mushroom/i;

/** Every pair, in the order it is told. */
const HARMS: readonly Pair[] = [
  { advice: "more-water", trouble: ["dinoflagellates"] },
  { advice: "fresh-water-in", trouble: ["jelly-light"] },
  { advice: "salt-in", trouble: ["jelly-heavy"] },
  { advice: "treat-algae", animal: INVERTEBRATES },
  { advice: "spot-peroxide", animal: INVERTEBRATES },
  { advice: "spot-peroxide", salt: true },
  { advice: "treat-algae", trouble: ["hair-young", "slime", "dinoflagellates", "brown-film", "green-film"] },
  { advice: "medicate", trouble: ["fish-spots", "fish-dead", "ammonia", "low-oxygen", "dose-harms"] },
  { advice: "clean-filter", trouble: ["bacterial-bloom", "ammonia", "low-oxygen", "gasping", "stirred-bed"] },
  {
    advice: "feed",
    trouble: ["ammonia", "chlorine", "low-oxygen", "gasping", "power-cut", "bacterial-bloom", "too-cold"],
  },
  { advice: "cool-fast", trouble: ["too-warm"] },
  { advice: "warm-fast", trouble: ["too-cold", "power-cut"] },
  { advice: "more-water", trouble: ["corals-after-change", "mixing-error", "undissolved-salt"] },
  { advice: "hands-in", trouble: ["leak", "overflow", "power-cut"] },
  { advice: "black-out", trouble: ["corals-water-off", "corals-after-change"] },
];

const holds = (pair: Pair, trouble: TroubleCode, input: TankLike): boolean =>
  (!pair.trouble || pair.trouble.includes(trouble)) &&
  (!pair.animal || input.facts.animals.some((a) => pair.animal?.test(a.name))) &&
  (!pair.salt || isSalt(input.facts));

/** Whether an advice would harm in this tank with this trouble. */
export const harms = (advice: Advice, trouble: TroubleCode, input: TankLike): boolean =>
  HARMS.some((pair) => pair.advice === advice && holds(pair, trouble, input));

/** What must not be done here, and why; each advice once. */
export function neverHere(trouble: TroubleCode, input: TankLike): Message[] {
  // What an animal cannot bear is told where somebody would think of it.
  const told = HARMS.filter((p) => holds(p, trouble, input) && (p.trouble || ALGAE.includes(trouble)));
  return [...new Set(told.map((p) => p.advice))].map(neverOf);
}

const ALGAE: readonly TroubleCode[] = ["hair-rooted", "hair-young", "dark-tufts", "green-water", "slime"];

/** What must not be done, in words with its figure. */
function neverOf(advice: Advice): Message {
  if (advice === "cool-fast") return m("never.cool-fast", { most: { moves: COOLED_A_DAY_K, unit: "K" } });
  if (advice === "warm-fast") return m("never.warm-fast", { most: { moves: WARMED_AN_HOUR_K, unit: "K" } });
  return m(`never.${advice as Never}`);
}

type Never = Exclude<Exclude<Advice, "cool-fast" | "warm-fast">, Exclude<ActionCode, "spot-peroxide">>;
