import { describe, expect, test } from "vitest";
import { factsOf } from "../given/sample.fixture.ts";
import type { BuildUp } from "../readings/index.ts";
import { say } from "../say/index.ts";
import { METRIC, type Parameter } from "../units/index.ts";
import { ratioSentences } from "./index.ts";

const rate = (perDay: number, perDaySigma = 0.01): BuildUp => ({
  ...{ enough: true, perDay, perDaySigma, now: 0, nowSigma: 0, readings: 12 },
});
const facts = factsOf("stony-coral", { evaporationLPerDay: 2 });
const told = (
  parameter: Parameter,
  rates: Partial<Record<Parameter, BuildUp>>,
  latest: Partial<Record<Parameter, number>> = {},
) => ratioSentences(parameter, { facts, rates, latest }).map((m) => say(m, METRIC).replaceAll("\u00a0", " "));

describe("magnesium beside calcium", () => {
  test("a fifth of the calcium is the most that anything builds in: 25 of 100 magnesium carbonate by molecules", () => {
    // 0.25/0.75 × 24.305/40.078 = 0.202 by mass: 10 mg/L of calcium take 2.0 at most.
    expect(told("magnesium", { magnesium: rate(-1.9), calcium: rate(-10) })).toEqual([]);
    expect(told("magnesium", { magnesium: rate(-3), calcium: rate(-10) })).toEqual([
      "3.0 mg/L of magnesium seem to be used a day; with this calcium nothing that grows takes more than 2.0 mg/L. Test it again with another kit, and hold the salinity meter against a reference.",
    ]);
  });
  test("within the error of both nothing is said, nor of what is not known", () => {
    expect(told("magnesium", { magnesium: rate(-3, 0.5), calcium: rate(-10) })).toEqual([]);
    expect(told("magnesium", { magnesium: rate(-3) })).toEqual([]);
    expect(told("magnesium", { magnesium: rate(0.5), calcium: rate(-10) })).toEqual([]);
  });
});

describe("nitrate beside phosphate", () => {
  test("16 to 1 by atoms are 10 to 1 by weight; four times either way is still food", () => {
    expect(told("nitrate", {}, { nitrate: 10, phosphate: 1 })).toEqual([]);
    expect(told("nitrate", {}, { nitrate: 4, phosphate: 0.1 })).toEqual([]);
    expect(told("nitrate", {}, { nitrate: 20, phosphate: 0.1 })[0]).toMatch(/^Nitrate to phosphate is 200 : 1/);
    expect(told("phosphate", {}, { nitrate: 1, phosphate: 0.5 })[0]).toMatch(/^Nitrate to phosphate is 2\.0 : 1/);
  });
  test("there is no ratio of what no kit tells apart from none", () => {
    expect(told("nitrate", {}, { nitrate: 20, phosphate: 0.01 })).toEqual([]);
    expect(told("nitrate", {}, { nitrate: 0, phosphate: 0.5 })).toEqual([]);
    expect(told("nitrate", {}, { nitrate: 20 })).toEqual([]);
  });
});

describe("salinity beside the refills", () => {
  test("what climbs between changes came with the top-up: 0.1 ppt a day in 200 L are 10 ppt in 2 L a day", () => {
    expect(told("salinity", { salinity: rate(0.1) })).toEqual([
      "Salinity climbs 0.100 ppt a day between changes. With 2 L a day that evaporate, the top-up water would hold about 10.0 ppt: measure it.",
    ]);
  });
  test("what falls left unseen", () => {
    expect(told("salinity", { salinity: rate(-0.05) })[0]).toMatch(/^Salinity falls 0\.050 ppt a day .*skimmer/);
  });
  test("a hundredth a day, or within its error, is nobody's question; nor is fresh water's", () => {
    expect(told("salinity", { salinity: rate(0.01) })).toEqual([]);
    expect(told("salinity", { salinity: rate(0.1, 0.05) })).toEqual([]);
    const fresh = { facts: factsOf("community"), rates: { salinity: rate(0.1) }, latest: {} };
    expect(ratioSentences("salinity", fresh)).toEqual([]);
    const still = { facts: { ...facts, evaporationLPerDay: 0 }, rates: { salinity: rate(0.1) }, latest: {} };
    expect(ratioSentences("salinity", still)).toHaveLength(1);
  });
});
