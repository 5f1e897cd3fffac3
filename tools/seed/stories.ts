import type { TaskCode } from "@keel-round/core/programme";
import { type AnimalGroup, type KeptFacts, kindFacts, type SwitchGear, type TankKind } from "@keel-round/core/tank";
import type { Parameter } from "@keel-round/core/units";
import { LIVED } from "./lived.ts";
import type { Rhythm } from "./rhythms.ts";

/** What a tank lives through between visits, per day and litre unless said otherwise; days count back from today. */
export interface Life {
  /** Builds up (or is used, if negative), in the parameter's unit a day. */
  readonly perDay: Partial<Record<Parameter, number>>;
  /** From so many days ago, other rates. */
  readonly since?: {
    readonly daysAgo: number;
    readonly perDay: Partial<Record<Parameter, number>>;
    readonly text: string;
  };
  readonly start: Partial<Record<Parameter, number>>;
  /** What the owner tops up with, as salinity. */
  readonly topUpPsu?: { readonly psu: number; readonly sinceDaysAgo: number };
  /** Strength of heater or chiller in a stretch of days. */
  readonly weak?: {
    readonly fromDaysAgo: number;
    readonly toDaysAgo: number;
    readonly strength: number;
    readonly finding: string;
  };
  /** A wrong mix that was poured once. */
  readonly slip?: { readonly daysAgo: number; readonly mixPsu: number };
  readonly roomC: { readonly mean: number; readonly swing: number; readonly hotDaysAgo?: number };
}

/** One tank of the demo with its site, rhythm and story. */
export interface Story {
  readonly client: string;
  readonly contact: string;
  readonly email: string;
  readonly site: string;
  readonly address: string;
  /** Kilometres east and north of the base. */
  readonly at: readonly [east: number, north: number];
  readonly window: readonly [from: string, to: string];
  readonly drain: "sewer" | "septic" | "garden";
  readonly access: string;
  readonly setUpMinutes: number;
  readonly bucketL: number;
  readonly tank: string;
  readonly kind: TankKind;
  readonly facts: KeptFacts;
  readonly animals: readonly AnimalGroup[];
  readonly source:
    | "tap"
    | "ormond-tap"
    | "purified"
    | "remineralised"
    | "natural-sea"
    | "reef-mix"
    | "brackish-mix"
    | "jelly-mix"
    | "fish-mix";
  /** What evaporated is replaced with it, where that is not the firm's purified water. */
  readonly topUpSource?: "ilves-purifier";
  readonly jobs: readonly TaskCode[];
  readonly rhythm: Rhythm;
  /** Days from today to the next stop of the series. */
  readonly dayOffset: number;
  readonly person: "Ines Calder" | "Tobiah Renn";
  readonly historyDays: number;
  readonly life: Life;
  /** Jobs with a past of their own: days ago last done, slips and their reason. */
  readonly past?: Partial<
    Record<TaskCode, { readonly doneDaysAgo: number; readonly slips?: number; readonly reason?: string }>
  >;
  /** What was changed since the last visit: facts, the water it is filled with, and what was read then. */
  readonly lately?: {
    readonly facts?: Partial<KeptFacts>;
    readonly practice?: Partial<KeptFacts["practice"]>;
    readonly source?: string;
    readonly readings?: Partial<Record<Parameter, number>>;
  };
  /** Its long jobs come as often as their dirt has taught. */
  readonly learns?: boolean;
  /** The hour meter of a piece of equipment as it was read, by days ago. */
  readonly meter?: { readonly of: string; readonly readings: readonly (readonly [daysAgo: number, hours: number])[] };
  /** Jobs of its kind that it does not have. */
  readonly without?: readonly TaskCode[];
  /** What lately called for jobs of its own; readings and counts by days ago. */
  readonly calls?: {
    readonly readings?: Partial<Record<"flow" | "tds", readonly (readonly [daysAgo: number, value: number])[]>>;
    readonly dirt?: { readonly job: TaskCode; readonly daysAgo: number; readonly dirt: number };
    readonly stocked?: { readonly daysAgo: number; readonly number: number };
  };
  readonly openFinding?: {
    readonly kind: "equipment" | "livestock" | "safety" | "other";
    readonly text: string;
    readonly daysAgo: number;
    readonly dueInDays: number;
  };
}

type FactsInput = {
  readonly vessel: KeptFacts["display"]["vessel"];
  readonly levelM: number;
  readonly bed?: readonly [kind: "sand" | "gravel", depthM: number];
  readonly rock?: readonly [kg: number, topM: number];
  readonly gear: readonly SwitchGear[];
  readonly evaporation: number;
  readonly topUp: KeptFacts["topUp"];
} & Partial<
  Pick<
    KeptFacts,
    | "material"
    | "lidded"
    | "sectors"
    | "sump"
    | "landmarks"
    | "filterUnits"
    | "treatment"
    | "access"
    | "drainLPerMinute"
    | "refillLPerMinute"
    | "startedOn"
    | "startedWith"
    | "reservoirL"
    | "exceptions"
    | "cleanMedia"
    | "cleanMediaOn"
  >
> & {
    readonly practice?: Partial<
      KeptFacts["practice"]
    > /** Readings count for so long; longer than the kind's where visits are rare. */;
    readonly validDays?: number;
  };

/** Facts of a tank from its kind and what is its own. */
export function factsOf(kind: TankKind, input: FactsInput): KeptFacts {
  const of = kindFacts[kind];
  const [substrate, substrateDepthM] = input.bed ?? (["bare", 0] as const);
  const [rockKg, rockTopM] = input.rock ?? [0, 0];
  return {
    display: { vessel: input.vessel, runningLevelM: input.levelM, substrate, substrateDepthM, rockKg, rockTopM },
    material: input.material ?? "glass",
    lidded: input.lidded ?? false,
    sectors: input.sectors ?? 4,
    ...(input.sump ? { sump: input.sump } : {}),
    landmarks: input.landmarks ?? [],
    gear: [...input.gear],
    filterUnits: input.filterUnits ?? [],
    ...(input.treatment ? { treatment: input.treatment } : {}),
    startedOn: input.startedOn ?? "2022-03-01",
    ...(input.startedWith ? { startedWith: input.startedWith } : {}),
    evaporationLPerDay: input.evaporation,
    topUp: input.topUp,
    ...(input.reservoirL ? { reservoirL: input.reservoirL } : {}),
    ...(input.exceptions ? { exceptions: input.exceptions } : {}),
    ...(input.cleanMedia ? { cleanMedia: input.cleanMedia, cleanMediaOn: input.cleanMediaOn } : {}),
    practice: { ...of.practice, ...input.practice },
    bands: of.bands.map((b) => ({ ...b, validDays: Math.max(b.validDays, input.validDays ?? 0) })),
    targetPsu: of.targetPsu,
    targetC: of.targetC,
    drainLPerMinute: input.drainLPerMinute ?? 12,
    refillLPerMinute: input.refillLPerMinute ?? 10,
    notes: [],
    ...(input.access ? { access: input.access } : {}),
    mostShare: of.mostShare,
  };
}

/** The ten tanks whose year carries the demo. `day` gives a civil date so many days from today. */
export function stories(day: (offset: number) => string): Story[] {
  return [
    {
      client: "Maritime College",
      contact: "Ms. Tindall",
      email: "science@maritime-college.example",
      site: "Maritime College",
      address: "1 Slipway Road",
      at: [2.1, 1.4],
      window: ["07:00", "09:00"],
      drain: "sewer",
      access: "Side gate, code at the porter's lodge; slipway is slippery.",
      setUpMinutes: 14,
      bucketL: 24,
      tank: "Rocky shore",
      kind: "temperate-marine",
      source: "natural-sea",
      rhythm: "fortnightly",
      dayOffset: 0,
      person: "Ines Calder",
      historyDays: 365,
      animals: [
        { name: "shore anemones", count: 24, hazard: "sting" },
        { name: "blennies", count: 4 },
        { name: "shore crabs", count: 6, hazard: "bite" },
      ],
      facts: factsOf("temperate-marine", {
        vessel: { shape: "box", lengthM: 2, widthM: 0.8, heightM: 0.7 },
        levelM: 0.62,
        bed: ["gravel", 0.04],
        rock: [95, 0.48],
        gear: ["skimmer", "chiller", "return", "wave-maker"],
        landmarks: [
          { name: "highest anemone", kind: "animals", heightM: 0.47, airMinutes: 25 },
          { name: "chiller intake", kind: "intake", heightM: 0.3, airMinutes: 0 },
        ],
        filterUnits: [{ name: "canister filter", kind: "biological", biological: true }],
        evaporation: 2.2,
        topUp: "technician",
        drainLPerMinute: 18,
        refillLPerMinute: 16,
        lidded: false,
      }),
      jobs: LIVED["temperate-marine"],
      life: {
        perDay: { nitrate: 0.1 },
        start: { nitrate: 11, salinity: 34.2, ph: 8.0, ammonia: 0.02, temperature: 14 },
        roomC: { mean: 19, swing: 4 },
        weak: {
          fromDaysAgo: 112,
          toDaysAgo: 84,
          strength: 0.2,
          finding: "Chiller runs all day and the water still warms",
        },
      },
      // Six hours a day, nearly all of them in the four weeks of the heat.
      meter: {
        of: "Chiller",
        readings: [
          ...([
            [168, 7392],
            [154, 7476],
            [140, 7560],
            [126, 7650],
            [112, 7762],
            [98, 8084],
          ] as const),
          ...([
            [84, 8404],
            [70, 8530],
            [56, 8621],
            [42, 8705],
            [28, 8786],
            [14, 8866],
          ] as const),
        ],
      },
      openFinding: { kind: "equipment", text: "Chiller fan is loud since the summer", daysAgo: 14, dueInDays: 0 },
    },
    {
      client: "Lanehead Clinic",
      contact: "Reception",
      email: "desk@lanehead-clinic.example",
      site: "Lanehead Clinic",
      address: "40 Lanehead",
      at: [1.2, -0.6],
      window: ["08:30", "11:00"],
      drain: "sewer",
      access: "Before the first patients; lift is narrow.",
      setUpMinutes: 10,
      bucketL: 20,
      tank: "Waiting room",
      calls: { stocked: { daysAgo: 48, number: 6 } },
      kind: "planted",
      source: "tap",
      rhythm: "weekly",
      dayOffset: 0,
      person: "Ines Calder",
      historyDays: 365,
      animals: [
        { name: "rummy-nose tetras", count: 22 },
        { name: "dwarf gouramis", count: 4 },
        { name: "small catfish", count: 8 },
      ],
      facts: factsOf("planted", {
        vessel: { shape: "box", lengthM: 1.2, widthM: 0.5, heightM: 0.5 },
        levelM: 0.45,
        bed: ["gravel", 0.05],
        rock: [6, 0.3],
        gear: ["co2", "heater", "filter"],
        lidded: true,
        landmarks: [
          { name: "filter intake", kind: "intake", heightM: 0.16, airMinutes: 0 },
          { name: "tallest stems", kind: "plant", heightM: 0.36, airMinutes: 40 },
        ],
        filterUnits: [{ name: "canister filter", kind: "biological", biological: true }],
        evaporation: 0.6,
        topUp: "technician",
        exceptions: [{ kind: "leave-pane", what: "back panel, it feeds the catfish" }],
        practice: { panels: "leave-one" },
      }),
      jobs: LIVED.planted,
      life: {
        perDay: { nitrate: 0.85, phosphate: 0.01 },
        start: { nitrate: 25, phosphate: 0.6, ph: 6.9, alkalinity: 5, gh: 8, ammonia: 0.02, temperature: 24.5 },
        roomC: { mean: 21, swing: 2 },
        since: { daysAgo: 48, perDay: { nitrate: 1.165, phosphate: 0.013 }, text: "Six fish added by the clinic" },
      },
    },
    {
      client: "Town Museum",
      contact: "Mr. Abara",
      email: "keeper@town-museum.example",
      site: "Town Museum",
      address: "Guildhall Place",
      at: [0.3, 0.8],
      window: ["10:00", "13:20"],
      drain: "sewer",
      access: "Goods lift behind the coat room; alarm off until noon.",
      setUpMinutes: 12,
      bucketL: 20,
      tank: "Moon drum",
      kind: "jellyfish",
      source: "jelly-mix",
      rhythm: "weekly",
      dayOffset: 0,
      person: "Ines Calder",
      historyDays: 365,
      animals: [{ name: "moon jellies", count: 14, hazard: "sting" }],
      facts: factsOf("jellyfish", {
        vessel: { shape: "drum", diameterM: 0.95, depthM: 0.5 },
        levelM: 0.82,
        gear: ["top-up", "uv", "return"],
        material: "acrylic",
        landmarks: [{ name: "spray bar", kind: "return", heightM: 0.8, airMinutes: 30 }],
        filterUnits: [{ name: "ceramic tower", kind: "biological", biological: true }],
        evaporation: 1.1,
        topUp: "reservoir",
        reservoirL: 12,
        drainLPerMinute: 8,
        refillLPerMinute: 6,
      }),
      jobs: LIVED.jellyfish,
      life: {
        perDay: { nitrate: 0.35 },
        start: { nitrate: 6, salinity: 33.4, ph: 8.05, ammonia: 0.02, temperature: 20 },
        roomC: { mean: 20, swing: 1 },
        slip: { daysAgo: 63, mixPsu: 25 },
      },
    },
    {
      client: "Ferry Street School",
      contact: "Mr. Osei",
      email: "office@ferry-street.example",
      site: "Ferry Street School",
      address: "Ferry Street",
      at: [-0.8, 0.5],
      window: ["12:15", "15:00"],
      drain: "sewer",
      access: "In the long break; sign in at the office.",
      setUpMinutes: 8,
      bucketL: 15,
      tank: "Axolotls",
      kind: "cool-fresh",
      source: "tap",
      rhythm: "weekly",
      dayOffset: 0,
      person: "Ines Calder",
      historyDays: 365,
      animals: [{ name: "axolotls", count: 5, hazard: "bite" }],
      facts: factsOf("cool-fresh", {
        vessel: { shape: "box", lengthM: 1.2, widthM: 0.45, heightM: 0.45 },
        levelM: 0.38,
        rock: [4, 0.18],
        gear: ["chiller", "filter"],
        lidded: true,
        landmarks: [{ name: "sponge filter", kind: "media", heightM: 0.2, airMinutes: 0 }],
        filterUnits: [{ name: "sponge filter", kind: "biological", biological: true }],
        evaporation: 0.4,
        topUp: "owner",
      }),
      jobs: LIVED["cool-fresh"],
      life: {
        perDay: { nitrate: 0.45 },
        start: { nitrate: 15, ph: 7.4, ammonia: 0.01, nitrite: 0.01, temperature: 17 },
        roomC: { mean: 20, swing: 3, hotDaysAgo: 128 },
        weak: {
          fromDaysAgo: 134,
          toDaysAgo: 121,
          strength: 0.12,
          finding: "Heat wave: water at the limit, ice bottles rotated by the class",
        },
      },
    },
    {
      client: "Ilves Dental",
      contact: "Dr. Ilves",
      email: "owner@ilves-dental.example",
      site: "Ilves Dental",
      address: "9 Orchard Hill",
      at: [3.6, 2.2],
      window: ["13:30", "17:30"],
      drain: "septic",
      access: "Back door; shoes off on the oak floor.",
      setUpMinutes: 12,
      bucketL: 24,
      tank: "Reef",
      lately: { facts: { dosedDkhPerDay: 0.6 } },
      // What the site's own purifier lets through creeps up.
      topUpSource: "ilves-purifier",
      calls: {
        readings: {
          tds: [
            [91, 2],
            [63, 4],
            [35, 7],
            [7, 12],
          ],
          flow: [
            [91, 3350],
            [35, 3200],
          ],
        },
      },
      kind: "stony-coral",
      source: "reef-mix",
      rhythm: "weekly",
      dayOffset: 0,
      person: "Ines Calder",
      historyDays: 365,
      animals: [
        { name: "stony corals", count: 31, hazard: "toxin" },
        { name: "tangs", count: 3, hazard: "spine" },
        { name: "anthias", count: 9 },
      ],
      facts: factsOf("stony-coral", {
        vessel: { shape: "box", lengthM: 1.5, widthM: 0.65, heightM: 0.65 },
        levelM: 0.59,
        bed: ["sand", 0.04],
        rock: [48, 0.46],
        sectors: 5,
        gear: ["top-up", "dosing", "skimmer", "reactor", "heater", "return", "wave-maker"],
        sump: {
          lengthM: 0.9,
          widthM: 0.45,
          heightM: 0.42,
          runningLevelM: 0.26,
          lowestLevelM: 0.12,
          pipesL: 6,
          weirM: 0.56,
          returnLengthM: 0.35,
          baffleM: 0.27,
        },
        landmarks: [
          { name: "highest coral", kind: "coral", heightM: 0.455, airMinutes: 10 },
          { name: "wave-maker", kind: "intake", heightM: 0.36, airMinutes: 0 },
          { name: "return nozzle", kind: "return", heightM: 0.54, airMinutes: 99 },
        ],
        filterUnits: [
          { name: "ceramic block A", kind: "biological", biological: true },
          { name: "ceramic block B", kind: "biological", biological: true },
          { name: "filter sock", kind: "mechanical", biological: false },
        ],
        exceptions: [{ kind: "leave-rock", what: "the loose tree of rock on the left" }],
        cleanMedia: 8,
        cleanMediaOn: day(-7),
        evaporation: 3.4,
        topUp: "reservoir",
        reservoirL: 35,
        drainLPerMinute: 14,
        refillLPerMinute: 11,
      }),
      jobs: LIVED["stony-coral"],
      life: {
        perDay: { nitrate: 0.22, phosphate: 0.0012, alkalinity: -0.006, calcium: -0.04, magnesium: -0.05 },
        start: {
          nitrate: 8,
          phosphate: 0.06,
          salinity: 35.1,
          ph: 8.15,
          alkalinity: 8.2,
          calcium: 428,
          magnesium: 1330,
          temperature: 25,
        },
        roomC: { mean: 21, swing: 2 },
        since: {
          daysAgo: 30,
          perDay: { nitrate: 0.22, phosphate: 0.0016, alkalinity: -0.108, calcium: -0.77, magnesium: -0.1 },
          text: "Two coral colonies added",
        },
      },
      past: {
        "wave-maker-soak": { doneDaysAgo: 60 },
        "probe-calibrate": { doneDaysAgo: 85 },
        "phosphate-media": { doneDaysAgo: 12 },
        "filter-a": { doneDaysAgo: 10 },
        "filter-b": { doneDaysAgo: 75 },
      },
    },
    {
      client: "Harrow & Pike, solicitors",
      contact: "Ms. Pike",
      email: "office@harrow-pike.example",
      site: "Harrow & Pike",
      address: "2 Chancery Steps",
      at: [0.9, 0.2],
      window: ["15:00", "18:30"],
      drain: "sewer",
      access: "Second floor, no lift.",
      setUpMinutes: 8,
      bucketL: 8,
      tank: "Shrimp cube",
      kind: "shrimp",
      source: "remineralised",
      rhythm: "weekly",
      dayOffset: 0,
      person: "Ines Calder",
      historyDays: 365,
      animals: [
        { name: "red shrimp", count: 64 },
        { name: "nerite snails", count: 3 },
      ],
      facts: factsOf("shrimp", {
        vessel: { shape: "box", lengthM: 0.38, widthM: 0.38, heightM: 0.4 },
        levelM: 0.34,
        bed: ["gravel", 0.04],
        rock: [2, 0.2],
        gear: ["heater", "filter"],
        landmarks: [{ name: "heater", kind: "heater", heightM: 0.17, airMinutes: 0 }],
        filterUnits: [{ name: "corner sponge", kind: "biological", biological: true }],
        evaporation: 0.2,
        topUp: "technician",
        drainLPerMinute: 2,
        refillLPerMinute: 1,
        treatment: {
          ...{ name: "Worm treatment C", group: "medication", startedOn: day(-9), contactDays: 14, followUpOn: day(5) },
          ...{ litres: 36, doses: [-9, -6, -3].map((n) => ({ on: day(n), amount: 3.6, unit: "mL" })) },
          ...{ off: [], carbonOut: true, backOn: day(5), changeShare: 0.3 },
        },
      }),
      jobs: LIVED.shrimp,
      life: {
        perDay: { nitrate: 0.15, gh: -0.066 },
        start: { nitrate: 7, ph: 6.7, gh: 5.4, alkalinity: 1, ammonia: 0.01, temperature: 22.5 },
        roomC: { mean: 20, swing: 2 },
      },
    },
    {
      client: "Saltmarket Hotel",
      contact: "Mr. Brandt",
      email: "house@saltmarket-hotel.example",
      site: "Saltmarket Hotel",
      address: "Saltmarket 18",
      at: [-1.6, -0.4],
      window: ["13:30", "19:30"],
      drain: "sewer",
      access: "Through the kitchen; not during lunch.",
      setUpMinutes: 18,
      bucketL: 24,
      tank: "Column",
      // The soak that slipped stands for it.
      without: ["pump-flow"],
      calls: {
        readings: {
          flow: [
            [118, 4300],
            [90, 4100],
            [62, 3700],
            [34, 3200],
            [13, 2850],
          ],
        },
      },
      kind: "marine-fish",
      source: "fish-mix",
      rhythm: "weekly",
      dayOffset: 2,
      person: "Ines Calder",
      historyDays: 365,
      animals: [
        { name: "lionfish", count: 2, hazard: "spine" },
        { name: "angelfish", count: 3 },
        { name: "butterflyfish", count: 6 },
      ],
      facts: factsOf("marine-fish", {
        vessel: { shape: "cylinder", diameterM: 1.05, heightM: 1.25 },
        levelM: 1.12,
        bed: ["sand", 0.05],
        rock: [70, 0.7],
        material: "acrylic",
        sectors: 4,
        gear: ["top-up", "skimmer", "uv", "heater", "return"],
        sump: {
          lengthM: 1.2,
          widthM: 0.5,
          heightM: 0.5,
          runningLevelM: 0.32,
          lowestLevelM: 0.11,
          pipesL: 9,
          weirM: 1.09,
          // The moving bed hangs in the return chamber: nearly all of the sump is one.
          returnLengthM: 1.1,
          baffleM: 0.34,
        },
        landmarks: [{ name: "return pump intake", kind: "intake", heightM: 0.1, airMinutes: 0 }],
        filterUnits: [
          { name: "moving bed", kind: "biological", biological: true },
          { name: "filter sock", kind: "mechanical", biological: false },
        ],
        evaporation: 4.5,
        topUp: "reservoir",
        reservoirL: 28,
        drainLPerMinute: 20,
        refillLPerMinute: 16,
        access: "Stool needed: the top is at 2.1 m.",
      }),
      jobs: LIVED["marine-fish"],
      life: {
        perDay: { nitrate: 0.45 },
        start: { nitrate: 26, salinity: 33.2, ph: 8.0, alkalinity: 8.5, ammonia: 0.02, temperature: 25 },
        roomC: { mean: 22, swing: 2 },
      },
      past: { "pump-soak": { doneDaysAgo: 124, slips: 2, reason: "kitchen was in use" } },
      openFinding: {
        kind: "equipment",
        text: "Return pump has lost about a third of its flow",
        daysAgo: 14,
        dueInDays: 2,
      },
    },
    {
      client: "Kettle Diner",
      contact: "Josie",
      email: "josie@kettle-diner.example",
      site: "Kettle Diner",
      address: "77 Ropewalk",
      at: [-2.4, 1.1],
      window: ["09:00", "11:15"],
      drain: "sewer",
      access: "Before lunch.",
      setUpMinutes: 9,
      bucketL: 20,
      tank: "Archerfish",
      learns: true,
      kind: "brackish",
      source: "brackish-mix",
      rhythm: "weekly",
      dayOffset: 2,
      person: "Ines Calder",
      historyDays: 365,
      animals: [
        { name: "archerfish", count: 6 },
        { name: "scats", count: 2, hazard: "spine" },
      ],
      facts: factsOf("brackish", {
        vessel: { shape: "box", lengthM: 1.4, widthM: 0.5, heightM: 0.6 },
        levelM: 0.4,
        bed: ["sand", 0.04],
        rock: [12, 0.3],
        gear: ["heater", "filter"],
        lidded: true,
        landmarks: [{ name: "filter intake", kind: "intake", heightM: 0.14, airMinutes: 0 }],
        filterUnits: [{ name: "canister filter", kind: "biological", biological: true }],
        exceptions: [{ kind: "say-at-job", job: "glass-inside", what: "Keep the lid over you: they shoot at lamps" }],
        evaporation: 1.7,
        topUp: "owner",
      }),
      jobs: LIVED.brackish,
      life: {
        perDay: { nitrate: 0.55 },
        start: { nitrate: 16, salinity: 8.0, ph: 7.9, alkalinity: 10, temperature: 26 },
        topUpPsu: { psu: 9.5, sinceDaysAgo: 40 },
        roomC: { mean: 22, swing: 2 },
      },
    },
    {
      client: "Mr. and Mrs. Ormond",
      contact: "Mrs. Ormond",
      email: "ormond@ormond-house.example",
      site: "Ormond house",
      address: "Ormond Rise 3",
      at: [4.2, -1.8],
      window: ["09:00", "12:00"],
      drain: "garden",
      access: "Dog in the yard; ring first.",
      setUpMinutes: 10,
      bucketL: 20,
      tank: "Rift lake",
      lately: {
        facts: {
          drainHose: { boreMm: 19, lengthM: 8, dropM: 0.7, timed: { litres: 10, seconds: 31 } },
          refillPump: { shutOffM: 4, openLPerMinute: 70, boreMm: 19, lengthM: 8, liftM: 1.5, barrelAcrossM: 0.6 },
        },
      },
      kind: "rift-lake",
      source: "ormond-tap",
      rhythm: "weekly",
      dayOffset: 1,
      person: "Ines Calder",
      historyDays: 365,
      animals: [
        { name: "rift-lake cichlids", count: 38, hazard: "bite" },
        { name: "upside-down catfish", count: 3, hazard: "spine" },
      ],
      facts: factsOf("rift-lake", {
        vessel: { shape: "box", lengthM: 1.8, widthM: 0.6, heightM: 0.6 },
        levelM: 0.53,
        bed: ["sand", 0.05],
        rock: [85, 0.4],
        gear: ["heater", "filter"],
        lidded: true,
        landmarks: [{ name: "filter intakes", kind: "intake", heightM: 0.15, airMinutes: 0 }],
        filterUnits: [
          { name: "canister A", kind: "biological", biological: true },
          { name: "canister B", kind: "biological", biological: true },
        ],
        evaporation: 1.0,
        topUp: "technician",
        drainLPerMinute: 16,
        refillLPerMinute: 12,
      }),
      jobs: LIVED["rift-lake"],
      life: {
        perDay: { nitrate: 1.1 },
        start: { nitrate: 22, ph: 8.2, gh: 15, alkalinity: 11, ammonia: 0.01, temperature: 25.5 },
        roomC: { mean: 19, swing: 3 },
        weak: {
          fromDaysAgo: 318,
          toDaysAgo: 311,
          strength: 0.05,
          finding: "Heater failed cold; replaced the next day",
        },
      },
      past: { "filter-a": { doneDaysAgo: 13 }, "filter-b": { doneDaysAgo: 66 } },
    },
    {
      client: "Seagrass Lab",
      contact: "Dr. Mbeki-Lund",
      email: "tanks@seagrass-lab.example",
      site: "Seagrass Lab",
      address: "Estuary Wharf 5",
      at: [2.9, 0.3],
      window: ["11:00", "14:00"],
      drain: "sewer",
      access: "Lab coat on the hook.",
      setUpMinutes: 8,
      bucketL: 15,
      tank: "Seahorses",
      learns: true,
      kind: "seahorse",
      source: "reef-mix",
      rhythm: "weekly",
      dayOffset: 1,
      person: "Ines Calder",
      historyDays: 122,
      animals: [
        { name: "seahorses", count: 6 },
        { name: "pipefish", count: 2 },
      ],
      facts: factsOf("seahorse", {
        vessel: { shape: "box", lengthM: 0.7, widthM: 0.5, heightM: 0.65 },
        levelM: 0.58,
        bed: ["sand", 0.05],
        rock: [9, 0.35],
        gear: ["top-up", "heater", "return"],
        landmarks: [
          { name: "hitching weed", kind: "plant", heightM: 0.3, airMinutes: 0 },
          { name: "heater", kind: "heater", heightM: 0.2, airMinutes: 0 },
        ],
        filterUnits: [{ name: "sponge filter", kind: "biological", biological: true }],
        evaporation: 0.9,
        topUp: "reservoir",
        reservoirL: 10,
        startedOn: day(-122),
      }),
      jobs: LIVED.seahorse,
      life: {
        perDay: { nitrate: 0.75, phosphate: 0.006 },
        start: { nitrate: 3, phosphate: 0.05, salinity: 34, ph: 8.1, ammonia: 0.12, temperature: 23.5 },
        roomC: { mean: 20, swing: 1 },
        since: {
          daysAgo: 60,
          perDay: { nitrate: 0.32, phosphate: 0.0015, ammonia: 0 },
          text: "Macroalgae planted in the sump",
        },
      },
    },
  ];
}
