import type { Parameter } from "../units/index.ts";
import type { Band, Schools, TankKind } from "./book.ts";

/** What a kind of tank starts with; all of it is editable per tank. */
export interface KindFacts {
  readonly label: string;
  readonly targetPsu: number;
  readonly targetC: number;
  readonly mostShare: number;
  readonly bands: readonly Band[];
  readonly schools: Schools;
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

const BASE: Schools = {
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
    schools: BASE,
  },
  planted: {
    label: "planted, fresh",
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
    schools: { ...BASE, share: 0.3, substrate: "surface", outside: "cleaner" },
  },
  shrimp: {
    label: "shrimp, fresh",
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
    schools: { ...BASE, share: 0.15, how: "in-and-out", substrate: "never", heater: "lowered" },
  },
  "rift-lake": {
    label: "rift-lake fish, hard fresh",
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
    schools: { ...BASE, share: 0.4, feeding: "before", substrate: "whole" },
  },
  "cool-fresh": {
    label: "cool fresh, axolotls",
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
    schools: { ...BASE, share: 0.3, feeding: "by-owner", heater: "none", substrate: "bare" },
  },
  brackish: {
    label: "brackish",
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
    schools: { ...BASE, share: 0.2, feeding: "before", panels: "all", substrate: "sectors" },
  },
  "marine-fish": {
    label: "marine fish only",
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
    schools: {
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
    targetPsu: 35,
    targetC: 25,
    mostShare: 0.4,
    bands: bands(reef(20), ["temperature", "salinity", "nitrate"]),
    schools: { ...BASE, share: 0.15, feeding: "before" },
  },
  "stony-coral": {
    label: "stony coral",
    targetPsu: 35,
    targetC: 25,
    mostShare: 0.3,
    bands: bands(reef(12), ["temperature", "salinity", "alkalinity", "nitrate"]),
    schools: { ...BASE, share: 0.15, heater: "in-sump", pumpsAtSiphon: "on" },
  },
  seahorse: {
    label: "seahorses and macroalgae",
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
    schools: {
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
    schools: {
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
    schools: {
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
