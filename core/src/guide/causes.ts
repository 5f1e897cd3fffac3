import type { TroubleCode } from "../trouble/index.ts";
import type { ClueCode, Where } from "./clues.ts";

/** How a trouble is told from others. */
export interface Cause {
  /** How often it is met against the others, in a tank of its middle years. */
  readonly prior: number;
  /** How many times as often in the first weeks, and until the eighth month. */
  readonly weeks?: number;
  readonly months?: number;
  readonly where?: Where;
  /** How often each clue comes with it, 0 to 1; any other as often as without it. */
  readonly with: Readonly<Partial<Record<ClueCode, number>>>;
}

/** A trouble that is told from others. Gasping is what is seen; the guide looks for what is behind it. */
export type CauseCode = Exclude<TroubleCode, "gasping">;

/**
 * What comes with each trouble. General practice, as the field guide tells it: shares are rounded, and none is shown to
 * anybody.
 */
export const CAUSES: Readonly<Record<CauseCode, Cause>> = {
  "brown-film": {
    ...{ prior: 3, weeks: 4 },
    with: {
      ...{ "brown-dust": 0.95, "first-weeks": 0.6, "tap-source": 0.4, "bubble-strings": 0.01, "slime-sheets": 0.02 },
      ...{ "jar-clumps": 0.05, "hairy-tufts": 0.03, "nutrients-none": 0.05 },
    },
  },
  "green-film": {
    prior: 4,
    with: { "green-glass": 0.97, "hairy-tufts": 0.02, "slime-sheets": 0.01, "brown-dust": 0.05, "green-water": 0.01 },
  },
  "hair-young": {
    ...{ prior: 1.5, weeks: 1, months: 4, where: "not-jellyfish" as const },
    with: {
      ...{ "hairy-tufts": 0.95, "lets-go": 0.93, "young-months": 0.75, "dry-rock": 0.6, "long-light": 0.5 },
      ...{ "nutrients-high": 0.4, "slime-sheets": 0.04, "bubble-strings": 0.02 },
    },
  },
  "hair-rooted": {
    ...{ prior: 1, where: "not-jellyfish" as const },
    with: {
      ...{ "hairy-tufts": 0.95, "lets-go": 0.07, "nutrients-high": 0.55, "long-light": 0.45, "young-months": 0.2 },
      ...{ "nutrients-rising": 0.4, "slime-sheets": 0.04, "bubble-strings": 0.02 },
    },
  },
  slime: {
    ...{ prior: 1.5, months: 1.5, where: "not-jellyfish" as const },
    with: {
      ...{ "slime-sheets": 0.94, "weak-jet": 0.55, "flow-fell": 0.45, "silt-on-bed": 0.45, "jar-clumps": 0.06 },
      ...{ "nutrients-rising": 0.45, "bubble-strings": 0.06, "wave-maker-stands": 0.15, "jobs-slipped": 0.3 },
    },
  },
  "dark-tufts": {
    ...{ prior: 1.5, where: "fresh" as const },
    with: { "dark-tufts": 0.95, "nutrients-high": 0.35, "hairy-tufts": 0.06, "flow-fell": 0.15 },
  },
  dinoflagellates: {
    ...{ prior: 0.7, months: 2, where: "salt" as const },
    with: {
      ...{ "bubble-strings": 0.9, "nutrients-none": 0.7, "jar-clumps": 0.95, "slime-sheets": 0.2, "brown-dust": 0.4 },
      ...{ "nutrients-high": 0.04, "nutrients-rising": 0.05, "snails-dying": 0.25 },
    },
  },
  "bacterial-bloom": {
    ...{ prior: 1.5, weeks: 3 },
    with: {
      ...{ "milky-water": 0.95, "dug-up": 0.05, "young-filter": 0.45, "new-animals": 0.25, "dead-animal": 0.15 },
      ...{ "after-change": 0.12, "ammonia-read": 0.3, "gasping-fish": 0.12 },
    },
  },
  "stirred-bed": {
    ...{ prior: 1, where: "not-jellyfish" as const },
    with: { "milky-water": 0.9, "dug-up": 0.92, "silt-on-bed": 0.3, "ammonia-read": 0.04, "first-weeks": 0.2 },
  },
  "green-water": {
    prior: 0.9,
    with: { "green-water": 0.95, "long-light": 0.55, "nutrients-high": 0.55, "milky-water": 0.04, "green-glass": 0.4 },
  },
  "yellow-water": { prior: 1.5, with: { "yellow-water": 0.95, "jobs-slipped": 0.25, "green-water": 0.01 } },
  "cold-fill-bubbles": {
    prior: 0.9,
    with: {
      ...{
        "fine-bubbles": 0.92,
        "after-change": 0.95,
        "changed-lately": 0.6,
        "air-at-intake": 0.03,
        "water-cold": 0.2,
      },
      ...{ "milky-water": 0.1 },
    },
  },
  "air-drawn-in": {
    prior: 1,
    with: {
      ...{ "fine-bubbles": 0.92, "air-at-intake": 0.85, "level-low": 0.5, "after-change": 0.12, "grinding-noise": 0.2 },
    },
  },
  "surface-film": {
    prior: 1.9,
    with: { "surface-film": 0.95, "weir-choked": 0.4, "level-low": 0.15, "jobs-slipped": 0.25 },
  },
  "undissolved-salt": {
    ...{ prior: 0.6, where: "salt" as const },
    with: {
      "milky-water": 0.9,
      "after-change": 0.95,
      "dug-up": 0.03,
      "levels-low": 0.35,
      "changed-lately": 0.6,
      "ammonia-read": 0.03,
    },
  },
  "dead-wave-maker": {
    ...{ prior: 1.2, where: "not-jellyfish" as const },
    with: {
      ...{ "silt-on-bed": 0.85, "wave-maker-stands": 0.93, "weak-jet": 0.6, "flow-fell": 0.1, "slime-sheets": 0.1 },
    },
  },
  "blocked-flow": {
    prior: 1.9,
    with: {
      ...{ "weak-jet": 0.9, "flow-fell": 0.6, "jobs-slipped": 0.5, "wave-maker-stands": 0.03, "silt-on-bed": 0.25 },
      ...{ "grinding-noise": 0.1, "slime-sheets": 0.04, "surface-film": 0.15 },
    },
  },
  ammonia: {
    ...{ prior: 1.1, weeks: 4, where: "not-jellyfish" as const },
    with: {
      ...{ "gasping-fish": 0.85, "ammonia-read": 0.95, "many-gasp": 0.85, "young-filter": 0.45, "new-animals": 0.35 },
      ...{ "dead-animal": 0.35, "chlorine-read": 0.02, "milky-water": 0.2, "tap-water-new": 0.15 },
    },
  },
  chlorine: {
    ...{ prior: 0.6, where: "not-jellyfish" as const },
    with: {
      ...{ "gasping-fish": 0.95, "after-change": 0.9, "tap-water-new": 0.88, "many-gasp": 0.95, "chlorine-read": 0.8 },
      ...{ "ammonia-read": 0.25, "changed-lately": 0.7, "dead-animal": 0.15, "water-warm": 0.02 },
    },
  },
  "low-oxygen": {
    ...{ prior: 0.9, where: "not-jellyfish" as const },
    with: {
      ...{ "gasping-fish": 0.92, "many-gasp": 0.9, "weak-jet": 0.55, "surface-film": 0.5, "flow-fell": 0.35 },
      ...{
        "ammonia-read": 0.03,
        "chlorine-read": 0.01,
        "after-change": 0.05,
        "tap-water-new": 0.03,
        "water-warm": 0.15,
      },
      ...{ "jobs-slipped": 0.35, "milky-water": 0.12 },
    },
  },
  "too-warm": {
    prior: 1.3,
    with: {
      ...{ "water-warm": 0.97, "gasping-fish": 0.4, "corals-closed": 0.3, "ammonia-read": 0.04, "tap-water-new": 0.03 },
      ...{ "jelly-sinks": 0.15 },
    },
  },
  "too-cold": {
    prior: 1.2,
    with: { "water-cold": 0.97, "gasping-fish": 0.01, "fine-bubbles": 0.03, "no-power": 0.05 },
  },
  "jelly-light": {
    ...{ prior: 3, where: "jellyfish" as const },
    with: {
      "jelly-sinks": 0.96,
      "jelly-floats": 0.01,
      "salt-low": 0.6,
      "salt-high": 0.01,
      "water-warm": 0.3,
      "level-high": 0.005,
      "levels-low": 0.05,
      "changed-lately": 0.1,
    },
  },
  "jelly-heavy": {
    ...{ prior: 3, where: "jellyfish" as const },
    with: { "jelly-floats": 0.96, "jelly-sinks": 0.01, "salt-high": 0.6, "salt-low": 0.01, "water-cold": 0.25 },
  },
  "mixing-error": {
    ...{ prior: 0.8, where: "salt" as const },
    with: {
      ...{
        "levels-low": 0.85,
        "changed-lately": 0.8,
        "second-kit-differs": 0.04,
        "salt-low": 0.4,
        "kit-doubtful": 0.08,
      },
      ...{ "milky-water": 0.05, "corals-closed": 0.15, "jelly-sinks": 0.4 },
    },
  },
  "wrong-reading": {
    ...{ prior: 0.7, where: "salt" as const },
    with: { "levels-low": 0.75, "kit-doubtful": 0.6, "second-kit-differs": 0.92, "changed-lately": 0.15 },
  },
  "top-up-stuck": {
    prior: 0.6,
    with: {
      ...{ "level-high": 0.95, "salt-low": 0.6, "weir-choked": 0.05, "wet-floor": 0.3, "corals-closed": 0.1 },
      ...{ "jelly-sinks": 0.6 },
    },
  },
  "fish-spots": {
    ...{ prior: 1, where: "not-jellyfish" as const },
    with: { "spotted-fish": 0.96, "spots-rise": 0.7, "new-animals": 0.5, "dead-animal": 0.12, "fine-bubbles": 0.03 },
  },
  "fish-dead": {
    prior: 1.4,
    with: {
      "dead-animal": 0.96,
      "gasping-fish": 0.03,
      "snails-dying": 0.02,
      "spotted-fish": 0.03,
      "after-dose": 0.03,
      "new-animals": 0.25,
    },
  },
  "animals-missing": {
    prior: 1.5,
    with: { "missing-animal": 0.96, "dead-animal": 0.04, "open-top": 0.6, "new-animals": 0.2 },
  },
  "corals-after-change": {
    ...{ prior: 1, where: "corals" as const },
    with: {
      "corals-closed": 0.95,
      "after-change": 0.95,
      "changed-lately": 0.7,
      "levels-low": 0.04,
      "salt-low": 0.03,
      "water-warm": 0.01,
    },
  },
  "corals-water-off": {
    ...{ prior: 1, where: "corals" as const },
    with: {
      ...{ "corals-closed": 0.95, "after-change": 0.12, "changed-lately": 0.12, "levels-low": 0.35, "salt-low": 0.2 },
      ...{ "salt-high": 0.2, "nutrients-none": 0.2 },
    },
  },
  "dose-harms": {
    ...{ prior: 0.5, where: "not-jellyfish" as const },
    with: {
      "snails-dying": 0.85,
      "after-dose": 0.95,
      "dead-animal": 0.3,
      "gasping-fish": 0.25,
      "bubble-strings": 0.02,
    },
  },
  "power-cut": {
    prior: 0.4,
    with: {
      ...{ "no-power": 0.98, "weak-jet": 0.97, "wave-maker-stands": 0.97, "water-cold": 0.3, "gasping-fish": 0.4 },
      ...{ "surface-film": 0.5, "jobs-slipped": 0.15, "silt-on-bed": 0.03, "many-gasp": 0.9 },
    },
  },
  leak: {
    prior: 0.6,
    with: { "wet-floor": 0.96, "drop-below-line": 0.9, "level-low": 0.8, "level-high": 0.01, "weir-choked": 0.03 },
  },
  overflow: {
    prior: 0.6,
    with: {
      ...{ "wet-floor": 0.9, "weir-choked": 0.85, "drop-below-line": 0.05, "level-high": 0.55, "gurgling-noise": 0.3 },
      ...{ "salt-low": 0.05, "level-low": 0.1 },
    },
  },
  "skimmer-wild": {
    ...{ prior: 1, where: "salt" as const },
    with: { "skimmer-over": 0.97, "after-change": 0.35, "after-dose": 0.4, "level-high": 0.1 },
  },
  "noisy-pump": {
    prior: 1.3,
    with: {
      "grinding-noise": 0.96,
      "weak-jet": 0.15,
      "jobs-slipped": 0.4,
      "air-at-intake": 0.05,
      "fine-bubbles": 0.02,
    },
  },
  "noisy-drain": {
    prior: 1,
    with: { "gurgling-noise": 0.96, "wet-floor": 0.01, "weir-choked": 0.3, "grinding-noise": 0.02 },
  },
};

export const CAUSE_CODES = Object.keys(CAUSES) as CauseCode[];
