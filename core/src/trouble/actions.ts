import type { Phase } from "../programme/index.ts";
import type { SwitchGear } from "../tank/vocabulary.ts";
import type { Parameter } from "../units/index.ts";

/** One thing to do about a trouble on the day it is seen; its words stand in the catalogue as `act.<code>.title` and `.reason`. */
export interface Action {
  readonly phase: Phase;
  /** Its place among the steps of its phase. */
  readonly number: number;
  /** Of a good hand, until the log knows better. */
  readonly minutes: number;
  readonly kit: readonly string[];
  /** What is measured by it. */
  readonly measures?: Parameter;
  /** It ends with a caution of its own in the catalogue. */
  readonly caution?: true;
  /** A job of the programme that is the same work: where the visit has it anyway it is not asked for twice. */
  readonly same?: readonly string[];
  /** Asked for only where one of these hangs on the tank, or where it is salt. */
  readonly gear?: readonly SwitchGear[];
  readonly salt?: true;
}

const action = (
  phase: Phase,
  number: number,
  minutes: number,
  kit: readonly string[] = [],
  more: Partial<Action> = {},
): Action => ({ phase, number, minutes, kit, ...more });

const test = (measures: Parameter, minutes: number, number: number): Action =>
  action("test", number, minutes, [], { measures, same: [`test-${measures}`] });

/** Everything that a trouble may ask for today. */
const ACTIONS = {
  "air-now": action("look", 20.1, 1, ["air pump and stone"]),
  "plug-out": action("look", 20.2, 2, ["dry cloth"], { caution: true }),
  "stop-water": action("look", 20.3, 10, ["bucket", "towels"], { caution: true }),
  "power-back": action("look", 20.4, 5, [], { caution: true }),
  "stop-top-up": action("look", 20.5, 2, [], { gear: ["top-up"] }),
  "measure-temperature": test("temperature", 1, 40.1),
  "measure-ammonia": test("ammonia", 4, 40.2),
  "measure-chlorine": test("chlorine", 2, 40.3),
  "measure-salinity": { ...test("salinity", 2, 40.4), salt: true },
  "measure-ph": test("ph", 2, 40.5),
  "measure-alkalinity": test("alkalinity", 3, 40.6),
  "measure-nitrate": test("nitrate", 4, 40.7),
  "measure-phosphate": test("phosphate", 4, 40.8),
  "measure-flow": action("test", 40.9, 3, ["bucket", "watch"], { measures: "flow", same: ["flow-check"] }),
  "test-again": action("test", 45.1, 4, ["a second kit"]),
  "condition-tank": action("test", 46, 3, ["conditioner"], { caution: true }),
  "shade-and-fan": action("look", 22.1, 5, ["fan"], { caution: true }),
  "warm-slowly": action("look", 22.2, 5, ["spare heater"], { caution: true }),
  "take-out-dead": action("look", 22.3, 3, ["net", "gloves"], { caution: true }),
  "search-animals": action("look", 22.4, 5, ["torch"]),
  "look-at-skin": action("look", 22.5, 4, ["torch"]),
  "let-be": action("look", 22.6, 0),
  "wipe-film": action("glass", 70.5, 5, ["scraper"], { same: ["glass-inside"] }),
  "brush-tufts": action("lift", 80.1, 12, ["toothbrush", "siphon hose"]),
  "siphon-sheets": action("lift", 80.2, 12, ["narrow hose"]),
  "siphon-strings": action("lift", 80.3, 10, ["narrow hose", "filter sock"]),
  "siphon-silt": action("lift", 80.4, 8, ["siphon hose"]),
  "trim-dark": action("lift", 80.5, 10, ["scissors"]),
  "spot-peroxide": action("lift", 80.6, 10, ["syringe", "peroxide 3 %"], { caution: true }),
  "clear-pump": action("hardware", 120.1, 15, ["pipe brush", "spare impeller"], {
    caution: true,
    same: ["pump-flow", "pump-soak"],
  }),
  "clear-wave-maker": action("hardware", 120.2, 8, ["toothbrush"], {
    ...{ caution: true as const, same: ["wave-maker-soak"], gear: ["wave-maker"] as const },
  }),
  "clear-prefilter": action("hardware", 120.3, 5, ["clean pre-filter"], { same: ["prefilter", "socks", "floss"] }),
  "clear-weir": action("hardware", 120.4, 5, ["toothbrush"], { same: ["surface-skimmer"] }),
  "calm-skimmer": action("hardware", 120.5, 4, [], { same: ["skimmer-cup"], gear: ["skimmer"] }),
  "take-air-away": action("hardware", 120.6, 5),
  "aim-flow": action("verify", 194.1, 4, [], { gear: ["wave-maker"] }),
  "slow-fill": action("refill", 140.5, 2),
  "dissolve-longer": action("prepare", 55, 5, ["mixing pump"]),
  "carbon-in": action("media", 160.5, 5, ["rinsed carbon"], { same: ["carbon"] }),
  "shorter-light": action("outside", 219.1, 2),
  "photo-of-it": action("look", 23, 1),
} as const satisfies Record<string, Action>;

export type ActionCode = keyof typeof ACTIONS;

/** The action of a code. */
export const actionOf = (code: ActionCode): Action => ACTIONS[code];

/** How far a tank may be cooled in a day, and warmed in an hour, K. */
export const COOLED_A_DAY_K = 1.5;
export const WARMED_AN_HOUR_K = 1;
