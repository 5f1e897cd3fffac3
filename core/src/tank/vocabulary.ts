/** Where practitioners disagree: each way of working with its choices, as the desk words them. */
export const WAYS = {
  policy: {
    label: "How much",
    choices: {
      "fixed-share": "The same share each visit",
      "test-led": "Only when a reading asks for it",
      reset: "A large share at once",
      continuous: "In and out together",
    },
  },
  how: {
    label: "How it is changed",
    choices: {
      "drain-then-fill": "Drain, then fill",
      "in-and-out": "In and out together, nothing in air",
      "by-condition": "By condition: drained first with bad values, else together",
      "from-sump": "From the sump, display untouched",
      "animals-out": "Animals moved out first",
    },
  },
  feeding: {
    label: "Feeding",
    choices: {
      before: "A little before the change, so leftovers leave with the water",
      after: "Sparingly after it, as reward and check",
      "by-owner": "By the owner only",
    },
  },
  pumpsAtSiphon: {
    label: "Pumps while the siphon starts",
    choices: { on: "On: the sump falls first, so the run-back cannot flood", off: "Off" },
  },
  panels: {
    label: "Panes",
    choices: { all: "All", viewing: "Viewing panes only", "leave-one": "Leave one for grazers" },
  },
  substrate: {
    label: "Cleaning of the bed",
    choices: {
      whole: "Whole each change",
      sectors: "Sectors in turn, never all at once",
      surface: "Surface only",
      never: "Never: a deep bed lives",
      bare: "Bare floor, spots siphoned",
    },
  },
  heater: {
    label: "Heater during a change",
    choices: {
      off: "Off and cooled before it meets air",
      lowered: "Lowered under the mark",
      "in-sump": "In the sump, untouched",
      none: "No heater",
    },
  },
  outside: {
    label: "Outside glass",
    choices: {
      water: "Water only",
      vinegar: "Dilute vinegar on the cloth",
      cleaner: "Aquarium-safe cleaner on the cloth",
    },
  },
  /** How often mechanical media is swapped. */
  media: {
    label: "Mechanical media",
    choices: {
      daily: "Swapped daily",
      "every-2-3-days": "Every two to three days, before it rots",
      weekly: "Weekly",
      none: "None",
    },
  },
  mediaWhen: {
    label: "Clean media goes in",
    choices: { "before-cloud": "Before the change, to catch the cloud", "after-cloud": "After the cloud has cleared" },
  },
  /** Barred for jellyfish and seahorses whatever is chosen. */
  bubbles: {
    label: "Bubbles to lift dirt",
    choices: { "on-purpose": "On purpose; never with jellyfish or seahorses", never: "Never" },
  },
  testMethod: {
    label: "Tests are made with",
    choices: { strips: "strips: quick and coarse", liquid: "liquid kits", photometer: "a photometer or meter" },
  },
  salinity: {
    label: "Marine salinity",
    choices: { natural: "as the sea", lower: "lower, for fish alone: 1.022 to 1.024" },
  },
  temperatureMatch: {
    label: "Temperature of new water",
    choices: {
      exact: "Matched to the tank",
      "above-floor": "Cooler is right as long as the tank stays above its floor",
    },
  },
  saltAge: {
    label: "A mix is used",
    choices: {
      "when-clear": "as soon as it is clear",
      hours: "some hours after mixing",
      weeks: "kept for weeks, warm and moving",
    },
  },
  acidSoak: {
    label: "Pumps are soaked",
    choices: {
      weak: "in weak acid for half an hour",
      strong: "in strong acid, short",
      citric: "in citric acid",
      "in-place": "in place, running",
    },
  },
  fertiliser: {
    label: "Fertiliser",
    choices: { lean: "Lean: half the label", full: "Full", "after-change": "Only after a change" },
  },
} as const;

/** Names a way of working. */
export type Way = keyof typeof WAYS;
/** The choices of one. */
export type ChoiceOf<W extends Way> = keyof (typeof WAYS)[W]["choices"];

/** Every way of working, in the order of the desk. */
export const WAY_NAMES = Object.keys(WAYS) as Way[];

/** The choices of a way of working, in their order. */
export const choicesOf = <W extends Way>(way: W): [ChoiceOf<W>, ...ChoiceOf<W>[]] =>
  Object.keys(WAYS[way].choices) as [ChoiceOf<W>, ...ChoiceOf<W>[]];

/** What is switched off for a change, in the order a tank is taken down, and what each is called. */
const GEAR = {
  "top-up": "top-up",
  dosing: "dosing",
  feeder: "feeder",
  skimmer: "skimmer",
  uv: "UV lamp",
  chiller: "chiller",
  reactor: "reactor",
  co2: "CO2",
  heater: "heater",
  filter: "filter",
  return: "return pump",
  "wave-maker": "wave-makers",
  lights: "lights",
} as const;
export type SwitchGear = keyof typeof GEAR;
export const SWITCH_GEAR = Object.keys(GEAR) as [SwitchGear, ...SwitchGear[]];

/** What a thing that is switched is called. */
export const gearName = (gear: SwitchGear): string => GEAR[gear];

/** What stands at a height and limits how far the water may fall. */
export const LANDMARK_KINDS = {
  heater: "heater",
  media: "biological media",
  intake: "intake",
  coral: "coral",
  plant: "plant",
  return: "return nozzle",
  animals: "animals",
} as const;
export type LandmarkKind = keyof typeof LANDMARK_KINDS;

/** What a unit of filtration does. */
export const FILTER_KINDS = {
  mechanical: "mechanical: sock, floss, pre-filter",
  biological: "biological: sponge, ceramic",
  chemical: "chemical: carbon, phosphate remover, resin",
  skimmer: "protein skimmer",
  refugium: "refugium with macroalgae",
  uv: "UV",
  reactor: "reactor",
} as const;
export type FilterKind = keyof typeof FILTER_KINDS;

/** The names of a list, for a schema. */
export const namesOf = <T extends Readonly<Record<string, string>>>(
  list: T,
): [keyof T & string, ...(keyof T & string)[]] => Object.keys(list) as [keyof T & string, ...(keyof T & string)[]];
