import type { ActionCode } from "./actions.ts";
import type { FindingKind } from "./findingKinds.ts";

/** Who is asked where a technician's knowledge ends. */
export type Refer = "vet" | "specialist" | "electrician";

/** When a trouble is looked at again. */
export interface Again {
  /** Days after the visit. */
  readonly days: number;
  /** Days that it may come later, or earlier. */
  readonly giveDays: number;
  readonly minutes: number;
}

/** What is known of one trouble beside how it is told from others; its words stand in the catalogue by its code. */
export interface Trouble {
  readonly finding: FindingKind;
  /** What is done today, in this order where nothing else decides. */
  readonly today: readonly ActionCode[];
  /** What is looked at again and when, in their order; the last one closes it. */
  readonly again: readonly Again[];
  /** An owner has something to do, in words of its own. */
  readonly owner?: true;
  readonly refer?: Refer;
}

const again = (days: number, giveDays: number, minutes: number): Again => ({ days, giveDays, minutes });

/** Every trouble that the guide knows. */
const TROUBLES = {
  "brown-film": {
    finding: "water",
    today: ["wipe-film", "siphon-silt"],
    again: [again(14, 7, 3)],
  },
  "green-film": { finding: "water", today: ["wipe-film"], again: [again(14, 7, 2)] },
  "hair-young": {
    finding: "water",
    today: ["brush-tufts", "shorter-light", "measure-nitrate", "measure-phosphate", "photo-of-it"],
    again: [again(7, 2, 10), again(28, 7, 10)],
    owner: true,
  },
  "hair-rooted": {
    finding: "water",
    today: ["brush-tufts", "shorter-light", "measure-phosphate", "photo-of-it"],
    again: [again(7, 3, 10), again(21, 7, 10)],
    owner: true,
    refer: "specialist",
  },
  slime: {
    finding: "water",
    today: ["siphon-sheets", "clear-pump", "aim-flow", "measure-phosphate"],
    again: [again(7, 2, 10)],
    owner: true,
  },
  "dark-tufts": {
    finding: "water",
    today: ["trim-dark", "spot-peroxide"],
    again: [again(7, 2, 5), again(21, 7, 5)],
  },
  dinoflagellates: {
    finding: "water",
    today: ["siphon-strings", "measure-nitrate", "measure-phosphate", "photo-of-it"],
    again: [again(5, 2, 10), again(14, 4, 10)],
    owner: true,
    refer: "specialist",
  },
  "bacterial-bloom": {
    finding: "water",
    today: ["air-now", "measure-ammonia"],
    again: [again(3, 1, 10)],
    owner: true,
  },
  "stirred-bed": { finding: "water", today: ["clear-prefilter"], again: [again(7, 4, 2)] },
  "green-water": {
    finding: "water",
    today: ["shorter-light", "measure-nitrate", "measure-phosphate"],
    again: [again(7, 3, 5)],
    owner: true,
  },
  "yellow-water": { finding: "water", today: ["carbon-in"], again: [again(14, 7, 2)] },
  "cold-fill-bubbles": { finding: "water", today: ["slow-fill", "measure-temperature"], again: [again(7, 7, 2)] },
  "air-drawn-in": { finding: "equipment", today: ["take-air-away"], again: [again(7, 7, 2)], owner: true },
  "surface-film": { finding: "water", today: ["clear-weir"], again: [again(7, 7, 2)] },
  "undissolved-salt": {
    finding: "water",
    today: ["dissolve-longer", "measure-salinity", "measure-alkalinity"],
    again: [again(7, 3, 4)],
  },
  "dead-wave-maker": {
    finding: "equipment",
    today: ["clear-wave-maker", "siphon-silt", "aim-flow"],
    again: [again(7, 3, 4)],
  },
  "blocked-flow": {
    finding: "equipment",
    today: ["clear-prefilter", "clear-pump", "measure-flow"],
    again: [again(14, 7, 4)],
  },
  ammonia: {
    finding: "livestock",
    today: ["air-now", "measure-temperature", "measure-ammonia", "measure-ph", "condition-tank"],
    again: [again(1, 0, 10), again(3, 1, 10)],
    owner: true,
    refer: "vet",
  },
  chlorine: {
    finding: "livestock",
    today: ["air-now", "condition-tank", "measure-chlorine", "measure-ammonia"],
    again: [again(1, 0, 10)],
    owner: true,
    refer: "vet",
  },
  "low-oxygen": {
    finding: "livestock",
    today: ["air-now", "measure-temperature", "measure-ammonia", "clear-weir", "clear-prefilter"],
    again: [again(1, 1, 10)],
    owner: true,
    refer: "vet",
  },
  // Not known of what yet: air first, then what tells.
  gasping: {
    finding: "livestock",
    today: ["air-now", "measure-temperature", "measure-ammonia", "measure-ph", "measure-chlorine", "condition-tank"],
    again: [again(1, 0, 10)],
    owner: true,
    refer: "vet",
  },
  "too-warm": {
    finding: "livestock",
    today: ["air-now", "measure-temperature", "shade-and-fan"],
    again: [again(1, 1, 5)],
    owner: true,
  },
  "too-cold": {
    finding: "equipment",
    today: ["measure-temperature", "warm-slowly"],
    again: [again(1, 1, 5)],
    owner: true,
  },
  "jelly-light": {
    finding: "livestock",
    today: ["measure-salinity", "measure-temperature"],
    again: [again(1, 1, 10)],
    refer: "specialist",
  },
  "jelly-heavy": {
    finding: "livestock",
    today: ["measure-salinity", "measure-temperature"],
    again: [again(1, 1, 10)],
    refer: "specialist",
  },
  "mixing-error": {
    finding: "water",
    today: ["measure-salinity", "measure-alkalinity", "test-again"],
    again: [again(2, 1, 10)],
  },
  "wrong-reading": { finding: "other", today: ["test-again"], again: [again(7, 4, 5)] },
  "top-up-stuck": {
    finding: "equipment",
    today: ["stop-top-up", "measure-salinity"],
    again: [again(1, 1, 10)],
    owner: true,
  },
  "fish-spots": {
    finding: "livestock",
    today: ["look-at-skin", "measure-ammonia", "measure-temperature", "photo-of-it"],
    again: [again(2, 1, 10)],
    owner: true,
    refer: "vet",
  },
  "fish-dead": {
    finding: "livestock",
    today: ["take-out-dead", "measure-ammonia", "measure-temperature", "photo-of-it"],
    again: [again(2, 1, 10)],
    owner: true,
    refer: "vet",
  },
  "animals-missing": {
    finding: "livestock",
    today: ["search-animals", "measure-ammonia"],
    again: [again(7, 3, 5)],
    owner: true,
  },
  "corals-after-change": { finding: "livestock", today: ["let-be"], again: [again(2, 1, 5)], owner: true },
  "corals-water-off": {
    finding: "livestock",
    today: ["measure-salinity", "measure-temperature", "measure-alkalinity", "photo-of-it"],
    again: [again(2, 1, 10)],
    refer: "specialist",
  },
  "dose-harms": {
    finding: "livestock",
    today: ["air-now", "take-out-dead", "carbon-in", "measure-ammonia"],
    again: [again(1, 0, 10), again(7, 2, 5)],
    owner: true,
    refer: "vet",
  },
  "power-cut": {
    finding: "safety",
    today: ["power-back", "air-now", "measure-temperature"],
    again: [again(1, 1, 10)],
    owner: true,
    refer: "electrician",
  },
  leak: {
    finding: "safety",
    today: ["plug-out", "stop-water"],
    again: [again(1, 0, 10)],
    owner: true,
  },
  overflow: {
    finding: "safety",
    today: ["plug-out", "stop-water", "clear-weir"],
    again: [again(1, 1, 10)],
    owner: true,
  },
  "skimmer-wild": { finding: "equipment", today: ["calm-skimmer"], again: [again(2, 2, 3)], owner: true },
  "noisy-pump": { finding: "equipment", today: ["clear-pump"], again: [again(14, 7, 3)] },
  "noisy-drain": { finding: "equipment", today: ["clear-weir"], again: [again(14, 7, 2)] },
} as const satisfies Record<string, Trouble>;

export type TroubleCode = keyof typeof TROUBLES;

/** The codes of all of them, in the order of the guide. */
export const TROUBLE_CODES = Object.keys(TROUBLES) as [TroubleCode, ...TroubleCode[]];

/** The trouble of a code. */
export const troubleOf = (code: TroubleCode): Trouble => TROUBLES[code];
