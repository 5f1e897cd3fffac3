import type { Parameter } from "../units/index.ts";
import type { Band, Practice, TankKind } from "./facts.ts";

/** What a kind of tank starts with; all of it is editable per tank. */
export interface KindFacts {
  readonly label: string;
  /** Where its figures come from. */
  readonly basis: string;
  readonly targetPsu: number;
  readonly targetC: number;
  readonly mostShare: number;
  readonly bands: readonly Band[];
  readonly practice: Practice;
}

type Row = readonly [
  Parameter,
  actLow: number,
  idealLow: number,
  idealHigh: number,
  actHigh: number,
  validDays?: number,
];

function bands(rows: readonly Row[], required: readonly Parameter[]): Band[] {
  return rows.map(([parameter, actLow, idealLow, idealHigh, actHigh, validDays = 21]) => ({
    parameter,
    idealLow,
    idealHigh,
    actLow,
    actHigh,
    validDays,
    required: required.includes(parameter),
  }));
}

const BASE: Practice = {
  policy: "fixed-share",
  share: 0.25,
  how: "drain-then-fill",
  feeding: "after",
  pumpsAtSiphon: "off",
  panels: "viewing",
  substrate: "sectors",
  heater: "off",
  outside: "water",
  media: "weekly",
  mediaWhen: "after-cloud",
  bubbles: "never",
  testMethod: "liquid",
  salinity: "natural",
  temperatureMatch: "exact",
  saltAge: "hours",
  acidSoak: "citric",
  fertiliser: "full",
};

/** Practice figures of a marine tank: ranges for checks, not fixed truths. */
const MARINE: readonly Row[] = [
  ["temperature", 22.5, 24, 26, 28],
  ["salinity", 33, 34.5, 35.5, 37],
  ["ph", 7.6, 7.9, 8.4, 8.6],
];

const reef = (nitrateHigh: number): readonly Row[] => [
  ...MARINE,
  ["alkalinity", 6.8, 7.6, 8.8, 11],
  ["calcium", 370, 400, 450, 500, 30],
  ["magnesium", 1180, 1260, 1380, 1480, 45],
  ["nitrate", -1, 2, nitrateHigh, nitrateHigh * 2],
  ["phosphate", -1, 0.02, 0.1, 0.2],
];

/**
 * The kinds, in our own words and general-practice figures.
 *
 * An `actLow` below zero means that the parameter cannot be too low.
 */
export const kindFacts: Readonly<Record<TankKind, KindFacts>> = {
  community: {
    label: "community, fresh",
    basis:
      "Fraction of toxic ammonia after Emerson 1975. Nitrate under 10 mg/L as nitrogen (44 mg/L as nitrate), where long exposure begins to harm freshwater animals (Camargo 2005). Carbonate hardness of 3 dKH or more buffers the acid that nitrification makes.",
    targetPsu: 0,
    targetC: 25,
    mostShare: 0.6,
    bands: bands(
      [
        ["temperature", 22, 24, 26, 29],
        ["ph", 5.8, 6.6, 7.8, 8.4],
        ["nitrate", -1, 0, 30, 50],
        ["nitrite", -1, 0, 0.1, 0.5],
        ["ammonia", -1, 0, 0.1, 0.5],
        ["alkalinity", 2, 3, 10, 16],
      ],
      ["temperature", "nitrate"],
    ),
    practice: BASE,
  },
  planted: {
    label: "planted with CO2, fresh",
    basis:
      "Nitrate and phosphate are food here and have a floor. Carbon dioxide, carbonate hardness and pH hang together: CO2 in mg/L is about 3 × KH × 10^(7 − pH), so pH is judged with the gas on. Nitrate stays under 44 mg/L (Camargo 2005).",
    targetPsu: 0,
    targetC: 24.5,
    mostShare: 0.9,
    bands: bands(
      [
        ["temperature", 21, 23, 26, 29],
        ["ph", 5.6, 6.2, 7.4, 8],
        ["alkalinity", 1, 2, 8, 12],
        ["gh", 3, 4, 12, 18, 45],
        ["nitrate", -1, 5, 30, 40],
        ["phosphate", -1, 0.1, 1.5, 3],
        ["ammonia", -1, 0, 0.1, 0.5],
      ],
      ["temperature", "nitrate"],
    ),
    practice: { ...BASE, share: 0.3, substrate: "surface", outside: "cleaner" },
  },
  "planted-low": {
    label: "planted without CO2, fresh",
    basis:
      "Without added CO2 plants grow slowly: less food, less light, and a bed that is left alone. Nitrate under 44 mg/L (Camargo 2005); KH of 3 dKH or more, since plants take carbonate where gas is short.",
    targetPsu: 0,
    targetC: 24,
    mostShare: 0.6,
    bands: bands(
      [
        ["temperature", 20, 22, 26, 29],
        ["ph", 6, 6.6, 7.8, 8.2],
        ["alkalinity", 2, 3, 10, 14],
        ["gh", 3, 4, 14, 20, 45],
        ["nitrate", -1, 2, 25, 40],
        ["phosphate", -1, 0.05, 1, 2.5],
        ["ammonia", -1, 0, 0.1, 0.5],
      ],
      ["temperature", "nitrate"],
    ),
    practice: { ...BASE, share: 0.2, substrate: "never", outside: "cleaner", fertiliser: "lean" },
  },
  shrimp: {
    label: "shrimp, fresh",
    basis:
      "Shells are built from calcium and magnesium taken from the water at each moult: GH is held, KH may be near nothing over an active bed. Small changes, because a jump in dissolved matter sets off moults. Copper is kept out.",
    targetPsu: 0,
    targetC: 22.5,
    mostShare: 0.25,
    bands: bands(
      [
        ["temperature", 18, 20.5, 24, 27],
        ["ph", 5.8, 6.2, 7.2, 7.8],
        ["gh", 3, 4, 8, 11],
        ["alkalinity", -1, 0, 3, 6],
        ["nitrate", -1, 0, 15, 30],
        ["ammonia", -1, 0, 0.05, 0.2],
      ],
      ["temperature", "gh", "nitrate"],
    ),
    practice: { ...BASE, share: 0.15, how: "in-and-out", substrate: "never", heater: "lowered" },
  },
  "rift-lake": {
    label: "rift-lake fish, hard fresh",
    basis:
      "The lakes are hard and alkaline (pH about 7.8 to 9). At such a pH far more of the total ammonia is toxic: about 5 % at pH 8 and 25 °C, 36 % at pH 9 (Emerson 1975), so ammonia has the narrowest band.",
    targetPsu: 0,
    targetC: 25.5,
    mostShare: 0.6,
    bands: bands(
      [
        ["temperature", 22.5, 24.5, 26.5, 28.5],
        ["ph", 7.4, 7.8, 8.8, 9.2],
        ["gh", 8, 10, 20, 26, 45],
        ["alkalinity", 6, 8, 16, 22],
        ["nitrate", -1, 0, 35, 60],
        ["ammonia", -1, 0, 0.05, 0.2],
      ],
      ["temperature", "nitrate", "ph"],
    ),
    practice: { ...BASE, share: 0.4, feeding: "before", substrate: "whole" },
  },
  "cool-fresh": {
    label: "cool fresh: axolotls, goldfish",
    basis:
      "Axolotls and goldfish are animals of cool, well oxygenated water: at 18 °C water saturated with air holds about 9.5 mg/L of oxygen, at 25 °C 8.3. Heat is the danger, and the tank has no heater.",
    targetPsu: 0,
    targetC: 17,
    mostShare: 0.5,
    bands: bands(
      [
        ["temperature", 10, 14, 18.5, 21.5],
        ["ph", 6.5, 7, 7.8, 8.4],
        ["nitrate", -1, 0, 25, 45],
        ["nitrite", -1, 0, 0.05, 0.2],
        ["ammonia", -1, 0, 0.05, 0.2],
      ],
      ["temperature", "nitrate", "ammonia"],
    ),
    practice: { ...BASE, share: 0.3, feeding: "by-owner", heater: "none", substrate: "bare" },
  },
  brackish: {
    label: "brackish",
    basis:
      "Between fresh and sea water; salinity is the firm's choice for the animals and is held by replacing evaporation with fresh water only.",
    targetPsu: 8,
    targetC: 26,
    mostShare: 0.5,
    bands: bands(
      [
        ["temperature", 23, 25, 27.5, 30],
        ["salinity", 5, 7, 9, 11],
        ["ph", 7.2, 7.6, 8.3, 8.6],
        ["alkalinity", 6, 8, 14, 18],
        ["nitrate", -1, 0, 30, 60],
      ],
      ["temperature", "salinity", "nitrate"],
    ),
    practice: { ...BASE, share: 0.2, feeding: "before", panels: "all", substrate: "sectors" },
  },
  "marine-fish": {
    label: "marine fish only",
    basis:
      "Fish bear a wider range than corals. Nitrate up to about 20 mg/L as nitrogen (88 mg/L as nitrate) is taken as a limit for marine animals (Camargo 2005); act before it.",
    targetPsu: 33,
    targetC: 25,
    mostShare: 0.4,
    bands: bands(
      [
        ["temperature", 22.5, 24, 26, 28.5],
        ["salinity", 29, 32, 34.5, 37],
        ["ph", 7.6, 7.9, 8.4, 8.6],
        ["alkalinity", 5.5, 7, 11, 14],
        ["nitrate", -1, 0, 40, 80],
        ["ammonia", -1, 0, 0.05, 0.2],
      ],
      ["temperature", "salinity", "nitrate"],
    ),
    practice: {
      ...BASE,
      share: 0.12,
      how: "from-sump",
      feeding: "before",
      heater: "in-sump",
      pumpsAtSiphon: "on",
      substrate: "sectors",
    },
  },
  "soft-coral": {
    label: "soft corals",
    basis:
      "A kilogram of sea water at 35 holds 412 mg of calcium, 1284 mg of magnesium and 2.3 mmol of alkalinity, 6.6 dKH a litre (reference composition, Millero 2008). Soft corals use little of them and like some nitrate.",
    targetPsu: 35,
    targetC: 25,
    mostShare: 0.4,
    bands: bands(reef(20), ["temperature", "salinity", "nitrate"]),
    practice: { ...BASE, share: 0.15, feeding: "before" },
  },
  "large-polyp": {
    label: "large-polyp stony coral",
    basis:
      "A kilogram of sea water at 35 holds 412 mg of calcium, 1284 mg of magnesium and 2.3 mmol of alkalinity, 6.6 dKH a litre (Millero 2008). Large polyps calcify slower than small ones, feed from the water and tear in strong flow.",
    targetPsu: 35,
    targetC: 25,
    mostShare: 0.3,
    bands: bands(reef(15), ["temperature", "salinity", "alkalinity", "nitrate"]),
    practice: { ...BASE, share: 0.15, feeding: "before", heater: "in-sump", pumpsAtSiphon: "on" },
  },
  "stony-coral": {
    label: "small-polyp stony coral",
    basis:
      "A kilogram of sea water at 35 holds 412 mg of calcium, 1284 mg of magnesium and 2.3 mmol of alkalinity, 6.6 dKH a litre (Millero 2008). Skeletons take calcium and alkalinity in the ratio of calcium carbonate: 7.2 mg/L of calcium for 1 dKH.",
    targetPsu: 35,
    targetC: 25,
    mostShare: 0.3,
    bands: bands(reef(12), ["temperature", "salinity", "alkalinity", "nitrate"]),
    practice: { ...BASE, share: 0.15, heater: "in-sump", pumpsAtSiphon: "on" },
  },
  anemone: {
    label: "anemone",
    basis:
      "An anemone walks until light and flow suit it: every intake is covered. It lives by its algae, so bands are those of a reef, with less nitrate and no sudden change of salinity.",
    targetPsu: 35,
    targetC: 25.5,
    mostShare: 0.25,
    bands: bands(
      [
        ["temperature", 23, 24.5, 26.5, 28],
        ["salinity", 33.5, 34.5, 35.5, 36.5],
        ["ph", 7.7, 8, 8.4, 8.6],
        ["alkalinity", 6.8, 7.6, 9, 11],
        ["nitrate", -1, 1, 10, 20],
        ["phosphate", -1, 0.02, 0.1, 0.2],
        ["ammonia", -1, 0, 0.05, 0.15],
      ],
      ["temperature", "salinity", "nitrate"],
    ),
    practice: { ...BASE, share: 0.15, substrate: "surface" },
  },
  seahorse: {
    label: "seahorses and macroalgae",
    basis:
      "Kept cooler than a reef, because wound bacteria grow fast above 25 °C. Macroalgae take nitrate and phosphate up and leave with them at harvest. Slow flow, no stinging neighbours.",
    targetPsu: 34,
    targetC: 23.5,
    mostShare: 0.25,
    bands: bands(
      [
        ["temperature", 20.5, 22, 24.5, 26],
        ["salinity", 31, 33, 35, 37],
        ["ph", 7.6, 7.9, 8.4, 8.6],
        ["nitrate", -1, 0, 15, 30],
        ["phosphate", -1, 0, 0.1, 0.25],
        ["ammonia", -1, 0, 0.05, 0.15],
      ],
      ["temperature", "salinity", "ammonia"],
    ),
    practice: {
      ...BASE,
      share: 0.2,
      how: "in-and-out",
      feeding: "before",
      panels: "leave-one",
      substrate: "surface",
      heater: "lowered",
    },
  },
  jellyfish: {
    label: "jellyfish",
    basis:
      "Nearly all water: an animal floats or sinks by the density of the water around it, so salinity and temperature are matched together before any water is poured. No bubbles under the bell.",
    targetPsu: 33.5,
    targetC: 20,
    mostShare: 0.3,
    bands: bands(
      [
        ["temperature", 15, 17.5, 21, 24],
        ["salinity", 31, 32.5, 34.5, 36.5],
        ["ph", 7.5, 7.8, 8.3, 8.6],
        ["nitrate", -1, 0, 15, 30],
        ["ammonia", -1, 0, 0.05, 0.15],
      ],
      ["temperature", "salinity", "nitrate"],
    ),
    practice: {
      ...BASE,
      share: 0.25,
      how: "animals-out",
      feeding: "after",
      substrate: "bare",
      heater: "none",
      panels: "all",
    },
  },
  "temperate-marine": {
    label: "temperate sea",
    basis:
      "Animals of a cold shore. Cold water holds more oxygen (at 12 °C and salinity 34 about 8.7 mg/L, at 25 °C 6.8), and what lives in it has no reserve against warmth: the chiller is life support.",
    targetPsu: 34,
    targetC: 14,
    mostShare: 0.4,
    bands: bands(
      [
        ["temperature", 8, 11, 16, 19],
        ["salinity", 30, 32, 35.5, 37],
        ["ph", 7.6, 7.9, 8.3, 8.6],
        ["nitrate", -1, 0, 20, 40],
        ["ammonia", -1, 0, 0.05, 0.2],
      ],
      ["temperature", "salinity", "nitrate"],
    ),
    practice: {
      ...BASE,
      share: 0.1,
      feeding: "before",
      pumpsAtSiphon: "off",
      heater: "none",
      substrate: "surface",
      panels: "viewing",
    },
  },
};
