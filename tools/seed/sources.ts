import type { SourceFacts } from "@keel-round/core/given";
import type { Parameter } from "@keel-round/core/units";

/** Water of the demo; what was measured counts back from today. */
type Water = Omit<SourceFacts, "measured"> & {
  readonly name: string;
  /** The one site it comes from, by name. */
  readonly site?: string;
  readonly measured?: readonly (readonly [daysAgo: number, Partial<Record<Parameter, number>>])[];
};

/** The waters of the demo, in generic names. Chemistry in canonical units. */
export const waters: Readonly<Record<string, Water>> = {
  tap: {
    name: "Port Averil tap",
    kind: "tap",
    chemistry: { nitrate: 8, ph: 7.6, alkalinity: 7.5, gh: 11.5, phosphate: 0.1, ammonia: 0 },
    // Warmer and richer after the summer; the newest is what tanks are planned with.
    measured: [
      [352, { nitrate: 8, ph: 7.6, alkalinity: 7.5, gh: 11.5, temperature: 11 }],
      [214, { nitrate: 5, ph: 7.7, alkalinity: 7.2, gh: 11, temperature: 13 }],
      [121, { nitrate: 6, ph: 7.5, alkalinity: 7.4, gh: 11, temperature: 18 }],
      [
        18,
        {
          nitrate: 8,
          ph: 7.6,
          alkalinity: 7.5,
          gh: 11.5,
          phosphate: 0.1,
          ammonia: 0,
          chlorine: 0.1,
          chloramine: 2.6,
          temperature: 11,
        },
      ],
    ],
    coldC: 11,
    canWarm: true,
    chloramineFactor: 1,
    // What was measured asks for 1.8 doses of it.
    conditioner: { name: "Conditioner A", mlPer100L: 10, maximumMlPer100L: 40, bindsAmmonia: true, removesMgL: 1.5 },
  },
  "ormond-tap": {
    name: "Tap",
    kind: "tap",
    site: "Ormond house",
    chemistry: { nitrate: 8, ph: 7.6, alkalinity: 7.5, gh: 11.5, phosphate: 0.1, ammonia: 0 },
    // From the end of the main: last winter's figures speak for this one, the summer's would not.
    measured: [
      [338, { nitrate: 8, ph: 7.6, alkalinity: 7.5, gh: 11.5, phosphate: 0.1, ammonia: 0, temperature: 11 }],
      [141, { nitrate: 3, ph: 7.4, alkalinity: 6.6, gh: 10, phosphate: 0.05, ammonia: 0, temperature: 18.5 }],
    ],
    coldC: 11,
    canWarm: true,
    chloramineFactor: 2,
    conditioner: { name: "Conditioner A", mlPer100L: 10, maximumMlPer100L: 40, bindsAmmonia: true },
  },
  "lock-well": {
    name: "Well",
    kind: "tap",
    site: "Lock Cottage",
    chemistry: { nitrate: 62, ph: 7.2, alkalinity: 9, gh: 16, phosphate: 0.3, ammonia: 0 },
    // Between two fields: no change with it brings nitrate down.
    measured: [[40, { nitrate: 62, ph: 7.2, alkalinity: 9, gh: 16, phosphate: 0.3, ammonia: 0, temperature: 10.5 }]],
    coldC: 10.5,
    canWarm: true,
    chloramineFactor: 1,
  },
  purified: {
    name: "Purified water",
    kind: "purified",
    purifier: { litresPerDayAt25: 400, ratedBar: 4, wasteRatio: 3, flushMinutes: 5 },
    chemistry: { nitrate: 0, alkalinity: 0, gh: 0, salinity: 0, phosphate: 0 },
    coldC: 14,
    canWarm: true,
    chloramineFactor: 1,
  },
  "ilves-purifier": {
    name: "Purifier in the cellar",
    kind: "purified",
    site: "Ilves Dental",
    purifier: { litresPerDayAt25: 200, ratedBar: 4, wasteRatio: 3, flushMinutes: 5 },
    chemistry: { nitrate: 0, alkalinity: 0, gh: 0, salinity: 0, phosphate: 0 },
    coldC: 14,
    canWarm: true,
    chloramineFactor: 1,
  },
  remineralised: {
    name: "Purified, remineralised for shrimp",
    kind: "remineralised",
    chemistry: { nitrate: 0, ph: 6.8, alkalinity: 1, gh: 6, phosphate: 0 },
    coldC: 18,
    canWarm: true,
    chloramineFactor: 1,
  },
  "natural-sea": {
    name: "Sea water from the quay",
    kind: "natural-sea",
    chemistry: { salinity: 34, nitrate: 0.5, ph: 8.1, alkalinity: 7, ammonia: 0 },
    measured: [[9, { salinity: 34, nitrate: 0.5, ph: 8.1, alkalinity: 7, ammonia: 0 }]],
    coldC: 12.5,
    canWarm: false,
    chloramineFactor: 1,
  },
  "reef-mix": {
    name: "Reef mix",
    kind: "mix",
    chemistry: {
      salinity: 35,
      nitrate: 0,
      phosphate: 0,
      ph: 8.2,
      alkalinity: 8.6,
      calcium: 430,
      magnesium: 1340,
      ammonia: 0,
    },
    coldC: 16,
    canWarm: true,
    chloramineFactor: 1,
    salt: {
      name: "Standard reef salt",
      labelGramsPerLitre: 36,
      gramsPerLitre: 36,
      batches: 0,
      readyMinutes: 60,
      keepsDays: 14,
      scoopGrams: 145,
    },
  },
  "rich-mix": {
    name: "Rich reef mix",
    kind: "mix",
    chemistry: {
      salinity: 35,
      nitrate: 0,
      phosphate: 0,
      ph: 8.3,
      alkalinity: 11.4,
      calcium: 455,
      magnesium: 1390,
      ammonia: 0,
    },
    coldC: 16,
    canWarm: true,
    chloramineFactor: 1,
    salt: {
      name: "Enriched reef salt",
      labelGramsPerLitre: 38.2,
      gramsPerLitre: 38.2,
      batches: 0,
      readyMinutes: 240,
      keepsDays: 7,
    },
  },
  "fish-mix": {
    name: "Fish-only mix",
    kind: "mix",
    chemistry: { salinity: 33, nitrate: 0, phosphate: 0, ph: 8.1, alkalinity: 8.5, ammonia: 0 },
    coldC: 16,
    canWarm: true,
    chloramineFactor: 1,
    salt: {
      name: "Standard fish salt",
      labelGramsPerLitre: 36.5,
      gramsPerLitre: 36.5,
      batches: 0,
      readyMinutes: 30,
      keepsDays: 21,
    },
  },
  "jelly-mix": {
    name: "Drum mix",
    kind: "mix",
    chemistry: { salinity: 33.5, nitrate: 0, ph: 8.1, ammonia: 0 },
    coldC: 16,
    canWarm: true,
    chloramineFactor: 1,
    salt: {
      name: "Standard reef salt",
      labelGramsPerLitre: 36,
      gramsPerLitre: 36,
      batches: 0,
      readyMinutes: 60,
      keepsDays: 14,
    },
  },
  "brackish-mix": {
    name: "Brackish mix",
    kind: "mix",
    chemistry: { salinity: 8, nitrate: 2, ph: 7.8, alkalinity: 10 },
    coldC: 15,
    canWarm: true,
    chloramineFactor: 1,
    salt: {
      name: "Standard fish salt",
      labelGramsPerLitre: 36.5,
      gramsPerLitre: 36.5,
      batches: 0,
      readyMinutes: 30,
      keepsDays: 21,
    },
  },
};

/** Verified batches of the reef salt: it has drawn damp since the bag was opened. */
export const reefBatches = [
  { daysAgo: 37, litres: 190, grams: 6840, measuredPsu: 33.9 },
  { daysAgo: 23, litres: 180, grams: 6600, measuredPsu: 34.4 },
  { daysAgo: 9, litres: 190, grams: 7010, measuredPsu: 34.6 },
] as const;
