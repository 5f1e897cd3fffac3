import type { TankKind } from "../tank/book.ts";
import type { Parameter } from "../units/index.ts";

/** The place of a job in the visit; the order itself is made by rules, see `visit/order.ts`. */
export type Phase =
  | "look"
  | "feed-before"
  | "test"
  | "prepare"
  | "glass"
  | "lift"
  | "power-down"
  | "drain"
  | "hardware"
  | "refill"
  | "power-up"
  | "media"
  | "dose"
  | "feed-after"
  | "verify"
  | "outside"
  | "leave";

/** A job of the library, in our own words. */
export interface LibraryTask {
  readonly name: string;
  readonly phase: Phase;
  readonly everyDays: number;
  /** May be this many days early or late. */
  readonly giveDays: number;
  readonly minutes: number;
  readonly reason: string;
  readonly caution?: string;
  readonly kit: readonly string[];
  /** What the technician records. */
  readonly result: "done" | "dirt" | "count" | { readonly test: Parameter };
  /** A service of bacteria: kept four weeks apart from any other on the tank. */
  readonly biological?: boolean;
  /** Rare and costly to forget. */
  readonly long?: boolean;
}

const test = (parameter: Parameter, name: string, everyDays: number, minutes: number, reason: string): LibraryTask => ({
  name,
  phase: "test",
  everyDays,
  giveDays: Math.max(1, Math.round(everyDays * 0.25)),
  minutes,
  reason,
  kit: [`${name.toLowerCase().replace("measure ", "")} test`],
  result: { test: parameter },
});

/** Every job this first library knows. A tank's programme picks from it and may change cadence and minutes. */
export const taskLibrary = {
  "test-temperature": test(
    "temperature",
    "Measure temperature",
    7,
    0.5,
    "New water is matched to it, and a failing heater shows here first.",
  ),
  "test-salinity": test(
    "salinity",
    "Measure salinity",
    7,
    1.5,
    "The new water is matched to what is measured, not to the book.",
  ),
  "test-ph": test("ph", "Measure pH", 14, 1.5, "It decides how much of any ammonia is poisonous."),
  "test-alkalinity": test(
    "alkalinity",
    "Measure alkalinity",
    7,
    2,
    "Corals and bacteria use it up; it falls before anything is seen.",
  ),
  "test-gh": test("gh", "Measure general hardness", 14, 2, "Shells and moults are built from it."),
  "test-calcium": test(
    "calcium",
    "Measure calcium",
    14,
    3,
    "It is used together with alkalinity; if only one moves, suspect the test.",
  ),
  "test-magnesium": test("magnesium", "Measure magnesium", 28, 3, "Too low and alkalinity cannot be held."),
  "test-ammonia": test("ammonia", "Measure ammonia", 14, 2, "The first sign of a filter that cannot keep up."),
  "test-nitrate": test("nitrate", "Measure nitrate", 7, 2.5, "It shows what builds up between changes."),
  "test-phosphate": test("phosphate", "Measure phosphate", 14, 2.5, "It feeds algae long before it harms an animal."),
  "count-animals": {
    name: "Count the animals",
    phase: "look",
    everyDays: 28,
    giveDays: 7,
    minutes: 2,
    reason: "A shoal that dwindles is telling you something.",
    kit: [],
    result: "count",
  },
  "glass-inside": {
    name: "Clean the glass inside",
    phase: "glass",
    everyDays: 7,
    giveDays: 3,
    minutes: 6,
    reason: "Before the drain, so that film and spores leave with the water.",
    caution: "Stay a few centimetres off the sand; never a blade on silicone.",
    kit: ["scraper"],
    result: "done",
  },
  "blow-rock": {
    name: "Blow dirt off the rock",
    phase: "lift",
    everyDays: 7,
    giveDays: 3,
    minutes: 7,
    reason: "Lifted dirt leaves with the water instead of rotting in the rock.",
    kit: ["baster"],
    result: "done",
  },
  "wave-plants": {
    name: "Wave over the plants and pick out dead leaves",
    phase: "lift",
    everyDays: 7,
    giveDays: 3,
    minutes: 6,
    reason: "Dead leaves feed algae; what floats up leaves with the drain.",
    kit: ["long tweezers", "net"],
    result: "done",
  },
  "trim-plants": {
    name: "Trim and thin the plants",
    phase: "lift",
    everyDays: 28,
    giveDays: 10,
    minutes: 15,
    reason: "Shaded lower leaves die first; stems are cut before the drain so that pieces leave with it.",
    kit: ["plant scissors", "bucket for cuttings"],
    result: "done",
  },
  "harvest-macroalgae": {
    name: "Harvest the macroalgae",
    phase: "lift",
    everyDays: 14,
    giveDays: 5,
    minutes: 8,
    reason: "This is how nutrients leave the tank.",
    kit: ["bowl for algae"],
    result: "done",
  },
  "brush-rock": {
    name: "Brush algae off the rock",
    phase: "lift",
    everyDays: 14,
    giveDays: 6,
    minutes: 10,
    reason: "Loosened before the drain, it leaves with the water.",
    caution: "Look for anemones and barnacles before you brush.",
    kit: ["toothbrush"],
    result: "done",
  },
  "vacuum-sector": {
    name: "Vacuum today's sector",
    phase: "drain",
    everyDays: 7,
    giveDays: 3,
    minutes: 7,
    reason: "One part at a time, so that the bed is never disturbed all at once.",
    kit: ["gravel vacuum"],
    result: "dirt",
  },
  "spot-siphon": {
    name: "Siphon droppings off the floor",
    phase: "drain",
    everyDays: 7,
    giveDays: 3,
    minutes: 4,
    reason: "A bare floor is cleaned at every visit: nothing there digests waste.",
    kit: ["narrow siphon"],
    result: "done",
  },
  socks: {
    name: "Swap the filter socks",
    phase: "media",
    everyDays: 7,
    giveDays: 3,
    minutes: 3,
    reason: "After the cloud has cleared, so that they catch it; dirt left in a sock dissolves back.",
    kit: ["clean socks"],
    result: "dirt",
  },
  floss: {
    name: "Change the floss",
    phase: "media",
    everyDays: 7,
    giveDays: 3,
    minutes: 3,
    reason: "It holds the dirt only until it rots.",
    kit: ["floss"],
    result: "dirt",
  },
  prefilter: {
    name: "Rinse the pre-filter",
    phase: "hardware",
    everyDays: 14,
    giveDays: 5,
    minutes: 4,
    reason: "Washed in old tank water while the tank drains.",
    kit: ["bucket for tank water"],
    result: "dirt",
  },
  "skimmer-cup": {
    name: "Empty and wash the skimmer cup and neck",
    phase: "hardware",
    everyDays: 7,
    giveDays: 3,
    minutes: 5,
    reason: "A film on the neck stops the foam from climbing.",
    kit: ["pipe brush"],
    result: "dirt",
  },
  "filter-a": {
    name: "Service filter A",
    phase: "hardware",
    everyDays: 60,
    giveDays: 14,
    minutes: 20,
    reason: "Cleaned in old tank water; the other filter carries the tank meanwhile.",
    caution: "Tank water only, never the tap: chlorine kills the filter.",
    kit: ["bucket for tank water", "pipe brush"],
    result: "dirt",
    biological: true,
  },
  "filter-b": {
    name: "Service filter B",
    phase: "hardware",
    everyDays: 60,
    giveDays: 14,
    minutes: 20,
    reason: "Cleaned in old tank water, at least four weeks after the other one.",
    caution: "Tank water only, never the tap: chlorine kills the filter.",
    kit: ["bucket for tank water", "pipe brush"],
    result: "dirt",
    biological: true,
  },
  "sponge-half": {
    name: "Rinse half the sponge",
    phase: "hardware",
    everyDays: 28,
    giveDays: 8,
    minutes: 6,
    reason: "It is the only biological filter: half stays as it is.",
    caution: "Tank water only, never the tap.",
    kit: ["bucket for tank water"],
    result: "dirt",
    biological: true,
  },
  "pump-soak": {
    name: "Soak and brush the return pump",
    phase: "hardware",
    everyDays: 90,
    giveDays: 21,
    minutes: 25,
    reason: "Lime on the impeller takes flow first and the pump later.",
    caution: "Acid into water, gloves on; never near bleach. Rinse until no smell is left.",
    kit: ["citric acid", "gloves", "spare impeller"],
    result: "dirt",
    long: true,
  },
  "wave-maker-soak": {
    name: "Soak and brush the wave-makers",
    phase: "hardware",
    everyDays: 90,
    giveDays: 21,
    minutes: 20,
    reason: "Scaled blades push less water and silt settles where the flow was.",
    caution: "Acid into water, gloves on; never near bleach.",
    kit: ["citric acid", "gloves"],
    result: "dirt",
    long: true,
  },
  "chiller-clean": {
    name: "Brush the chiller's air filter and check its set-point",
    phase: "outside",
    everyDays: 90,
    giveDays: 21,
    minutes: 10,
    reason: "Dust takes its strength just when the room gets warm.",
    caution: "Unplugged while open; wiring and refrigerant are for licensed people.",
    kit: ["soft brush"],
    result: "dirt",
    long: true,
  },
  carbon: {
    name: "Replace the carbon",
    phase: "media",
    everyDays: 28,
    giveDays: 8,
    minutes: 5,
    reason: "Yellow water means that it is used up.",
    kit: ["rinsed carbon"],
    result: "done",
  },
  "phosphate-media": {
    name: "Replace the phosphate remover",
    phase: "media",
    everyDays: 28,
    giveDays: 8,
    minutes: 6,
    reason: "Used-up media gives back nothing, but takes nothing either.",
    kit: ["phosphate remover"],
    result: "done",
  },
  "top-up-sensor": {
    name: "Clean and try the top-up sensor",
    phase: "verify",
    everyDays: 14,
    giveDays: 4,
    minutes: 3,
    reason: "A stuck sensor floods a floor or lets the salinity climb.",
    kit: ["soft brush"],
    result: "done",
  },
  "top-up-refill": {
    name: "Fill the top-up reservoir",
    phase: "verify",
    everyDays: 7,
    giveDays: 3,
    minutes: 4,
    reason: "With purified water only: evaporation takes no salt away.",
    kit: ["purified water"],
    result: "done",
  },
  "dosing-check": {
    name: "Check the dosing and fill its bottles",
    phase: "dose",
    everyDays: 14,
    giveDays: 5,
    minutes: 6,
    reason: "Growth outruns a dose that was right last month.",
    kit: ["two-part solutions"],
    result: "done",
  },
  fertiliser: {
    name: "Dose fertiliser",
    phase: "dose",
    everyDays: 7,
    giveDays: 3,
    minutes: 2,
    reason: "After the change, so that it is not drained away again.",
    kit: ["fertiliser"],
    result: "done",
  },
  minerals: {
    name: "Check the mineral dose of the new water",
    phase: "prepare",
    everyDays: 14,
    giveDays: 5,
    minutes: 3,
    reason: "Purified water has no hardness of its own; shrimp die slowly without it.",
    kit: ["mineral salt", "scale"],
    result: "done",
  },
  "bell-check": {
    name: "Watch every bell with the flow on",
    phase: "verify",
    everyDays: 7,
    giveDays: 3,
    minutes: 4,
    reason: "Sinking bells mean water that is too light, floating ones too heavy.",
    kit: [],
    result: "count",
  },
  "insect-feed": {
    name: "Offer food at the surface and watch them shoot",
    phase: "feed-before",
    everyDays: 7,
    giveDays: 3,
    minutes: 5,
    reason: "An archerfish that does not aim is not well.",
    kit: ["live food"],
    result: "done",
  },
  "gill-check": {
    name: "Look at gills, toes and appetite",
    phase: "look",
    everyDays: 7,
    giveDays: 3,
    minutes: 3,
    reason: "Curled gills and a refused meal come before anything that a kit can see.",
    kit: [],
    result: "done",
  },
  lids: {
    name: "Wash the lids",
    phase: "outside",
    everyDays: 28,
    giveDays: 8,
    minutes: 5,
    reason: "A dirty lid steals light.",
    kit: ["cloth"],
    result: "done",
  },
  "outside-glass": {
    name: "Wipe the outside glass and lights",
    phase: "outside",
    everyDays: 7,
    giveDays: 3,
    minutes: 3,
    reason: "It is what the owner sees, and dust on a lamp is heat.",
    caution: "Cleaner on the cloth, never sprayed near the water.",
    kit: ["cloth"],
    result: "done",
  },
  "salt-creep": {
    name: "Wipe off salt creep",
    phase: "outside",
    everyDays: 14,
    giveDays: 5,
    minutes: 4,
    reason: "It carries water over the edge and into sockets.",
    kit: ["fresh water", "cloth"],
    result: "done",
  },
  "probe-calibrate": {
    name: "Clean and calibrate the probes",
    phase: "test",
    everyDays: 90,
    giveDays: 21,
    minutes: 12,
    reason: "A drifting probe is believed until something dies.",
    kit: ["calibration fluid"],
    result: "done",
    long: true,
  },
  "heater-check": {
    name: "Check the heater against a thermometer",
    phase: "verify",
    everyDays: 28,
    giveDays: 8,
    minutes: 3,
    reason: "Heaters fail hot or cold, mostly in winter; they are replaced before they do.",
    kit: ["thermometer"],
    result: "done",
  },
  photo: {
    name: "Photograph the tank from its spot",
    phase: "leave",
    everyDays: 28,
    giveDays: 7,
    minutes: 1,
    reason: "Month by month from the same place shows what a day hides.",
    kit: [],
    result: "done",
  },
} as const satisfies Record<string, LibraryTask>;

/** Names a job of the library. */
export type TaskCode = keyof typeof taskLibrary;

/** A job of the library by its code. */
export function libraryTask(code: TaskCode): LibraryTask {
  return taskLibrary[code];
}

const EVERY: readonly TaskCode[] = ["test-temperature", "glass-inside", "outside-glass", "photo", "count-animals"];
const FRESH: readonly TaskCode[] = [...EVERY, "test-nitrate", "test-ph"];
const SALT: readonly TaskCode[] = [...EVERY, "test-salinity", "test-nitrate", "salt-creep"];

/** The programme a new tank of a kind starts with. */
export const kindProgramme: Readonly<Record<TankKind, readonly TaskCode[]>> = {
  community: [...FRESH, "vacuum-sector", "prefilter", "sponge-half", "heater-check"],
  planted: [...FRESH, "test-alkalinity", "wave-plants", "trim-plants", "fertiliser", "prefilter", "filter-a", "lids"],
  shrimp: [...FRESH, "test-gh", "minerals", "sponge-half", "lids"],
  "rift-lake": [...FRESH, "test-gh", "vacuum-sector", "filter-a", "filter-b", "heater-check"],
  "cool-fresh": [...FRESH, "test-ammonia", "gill-check", "spot-siphon", "sponge-half"],
  brackish: [...SALT, "insect-feed", "vacuum-sector", "filter-a", "lids"],
  "marine-fish": [...SALT, "test-ph", "skimmer-cup", "vacuum-sector", "socks", "carbon", "pump-soak", "top-up-sensor"],
  "soft-coral": [
    ...SALT,
    "test-alkalinity",
    "test-phosphate",
    "blow-rock",
    "skimmer-cup",
    "floss",
    "carbon",
    "wave-maker-soak",
  ],
  "stony-coral": [
    ...SALT,
    "test-alkalinity",
    "test-calcium",
    "test-magnesium",
    "test-phosphate",
    "blow-rock",
    "vacuum-sector",
    "skimmer-cup",
    "socks",
    "dosing-check",
    "top-up-sensor",
    "top-up-refill",
    "wave-maker-soak",
    "probe-calibrate",
    "phosphate-media",
  ],
  seahorse: [...SALT, "test-ammonia", "test-phosphate", "harvest-macroalgae", "floss", "sponge-half"],
  jellyfish: [...SALT, "bell-check", "spot-siphon", "floss"],
  "temperate-marine": [...SALT, "test-ph", "brush-rock", "prefilter", "skimmer-cup", "chiller-clean"],
};
