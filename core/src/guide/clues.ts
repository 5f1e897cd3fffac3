import type { TankKind } from "../tank/index.ts";

/** Which tanks a clue, or a trouble, can be met in. */
export type Where = "any" | "salt" | "fresh" | "corals" | "jellyfish" | "planted" | "not-jellyfish";

/** One thing that may be seen, measured or known of a tank. */
export interface Clue {
  /** Clues of one group tell of the same thing: only the strongest of them counts. */
  readonly group: string;
  /** How often it is met in a tank that something else is wrong with, 0 to 1. */
  readonly base: number;
  /** Minutes of a look or a test; absent for what the tank's own data say. */
  readonly minutes?: number;
  readonly where?: Where;
  /** It is asked for only once one of these was seen. */
  readonly after?: readonly string[];
  /** The tank's own data are a sign of it by themselves. */
  readonly sign?: true;
  /** It stands among the pictures that are tapped first. */
  readonly picture?: true;
}

const GLANCE = 0.3;

const seen = (group: string, base: number, where: Where = "any"): Clue => ({
  ...{ group, base, minutes: GLANCE, picture: true },
  ...(where === "any" ? {} : { where }),
});
const asked = (group: string, base: number, minutes: number, after: readonly string[], where: Where = "any"): Clue => ({
  ...{ group, base, minutes, after },
  ...(where === "any" ? {} : { where }),
});
const known = (group: string, base: number, where: Where = "any"): Clue => ({
  ...{ group, base },
  ...(where === "any" ? {} : { where }),
});

/** Every clue by its code. The first ones have a picture, in the order they are shown. */
const CLUES = {
  "slime-sheets": seen("growth", 0.04, "not-jellyfish"),
  "hairy-tufts": seen("growth", 0.07, "not-jellyfish"),
  "bubble-strings": seen("growth", 0.02, "salt"),
  "brown-dust": seen("growth", 0.1),
  "green-glass": seen("growth", 0.2),
  "dark-tufts": seen("growth", 0.05, "fresh"),
  "weak-jet": seen("flow", 0.06),
  "silt-on-bed": seen("silt", 0.07, "not-jellyfish"),
  "milky-water": seen("water", 0.04),
  "green-water": seen("water", 0.02),
  "yellow-water": seen("water", 0.06),
  "fine-bubbles": seen("bubbles", 0.04),
  "surface-film": seen("surface", 0.06),
  "gasping-fish": seen("breath", 0.02, "not-jellyfish"),
  "spotted-fish": seen("skin", 0.02, "not-jellyfish"),
  "dead-animal": seen("losses", 0.04),
  "missing-animal": seen("losses", 0.05),
  "jelly-sinks": seen("bells", 0.04, "jellyfish"),
  "jelly-floats": seen("bells", 0.04, "jellyfish"),
  "corals-closed": seen("corals", 0.05, "corals"),
  "snails-dying": seen("snails", 0.02, "not-jellyfish"),
  "water-warm": seen("warmth", 0.03),
  "water-cold": seen("warmth", 0.03),
  "level-low": seen("level", 0.06),
  "level-high": seen("level", 0.02),
  "wet-floor": seen("floor", 0.02),
  "no-power": seen("power", 0.01),
  "skimmer-over": seen("skimmer", 0.04, "salt"),
  "grinding-noise": seen("noise", 0.03),
  "gurgling-noise": seen("noise", 0.03),

  "lets-go": asked("hold", 0.5, 0.5, ["hairy-tufts"]),
  "jar-clumps": asked("jar", 0.3, 3, ["slime-sheets", "bubble-strings", "brown-dust"], "salt"),
  "after-change": asked("change", 0.15, 0.1, [
    "milky-water",
    "fine-bubbles",
    "gasping-fish",
    "corals-closed",
    "skimmer-over",
    "snails-dying",
  ]),
  "after-dose": asked("dose", 0.05, 0.1, ["snails-dying", "gasping-fish", "skimmer-over", "dead-animal"]),
  "dug-up": asked("bed", 0.05, 0.1, ["milky-water"]),
  "air-at-intake": asked("intake", 0.05, 0.5, ["fine-bubbles", "grinding-noise"]),
  "wave-maker-stands": asked("wave-maker", 0.05, 0.3, ["weak-jet", "silt-on-bed", "slime-sheets"]),
  "many-gasp": asked("how-many", 0.5, 0.2, ["gasping-fish"]),
  "tap-water-new": asked("tap", 0.1, 0.2, ["gasping-fish"]),
  "spots-rise": asked("skin-more", 0.3, 0.3, ["spotted-fish"]),
  "weir-choked": asked("weir", 0.05, 0.5, ["wet-floor", "level-high", "gurgling-noise", "surface-film"]),
  "drop-below-line": asked("seam", 0.3, 0.5, ["wet-floor"]),
  "second-kit-differs": asked("second", 0.1, 4, ["levels-low", "kit-doubtful"]),
  "ammonia-read": asked("ammonia", 0.04, 4, [
    "gasping-fish",
    "milky-water",
    "dead-animal",
    "spotted-fish",
    "snails-dying",
  ]),
  "chlorine-read": asked("chlorine", 0.01, 2, ["gasping-fish"]),

  "first-weeks": known("age", 0.08),
  "young-months": known("age", 0.15),
  "dry-rock": known("rock", 0.25, "salt"),
  "nutrients-none": known("nutrients", 0.08),
  "nutrients-high": known("nutrients", 0.2),
  "nutrients-rising": known("rising", 0.2),
  "long-light": known("light", 0.25),
  "flow-fell": known("flow", 0.06),
  "tap-source": known("source", 0.2, "salt"),
  "new-animals": known("stock", 0.1),
  "jobs-slipped": known("upkeep", 0.15),
  "kit-doubtful": known("kit", 0.1),
  "open-top": known("lid", 0.4),
  "salt-low": known("salt", 0.05, "salt"),
  "salt-high": known("salt", 0.05, "salt"),
  "levels-low": { ...known("levels", 0.06, "salt"), sign: true as const },
  "changed-lately": known("change", 0.15),
  "young-filter": known("filter", 0.1),
} as const satisfies Record<string, Clue>;

export type ClueCode = keyof typeof CLUES;

/** The codes of all of them. */
export const CLUE_CODES = Object.keys(CLUES) as ClueCode[];

export const clueOf = (code: ClueCode): Clue => CLUES[code];

const CORALS: readonly TankKind[] = ["soft-coral", "large-polyp", "stony-coral", "anemone"];
const PLANTED: readonly TankKind[] = ["planted", "planted-low"];

/** Whether something that is met in some tanks can be met in one of this kind. */
export function metIn(where: Where | undefined, kind: TankKind, salt: boolean): boolean {
  switch (where) {
    case "salt":
      return salt;
    case "fresh":
      return !salt;
    case "corals":
      return CORALS.includes(kind);
    case "jellyfish":
      return kind === "jellyfish";
    case "planted":
      return PLANTED.includes(kind);
    case "not-jellyfish":
      return kind !== "jellyfish";
    default:
      return true;
  }
}
