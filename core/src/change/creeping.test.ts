import { describe, expect, test } from "vitest";
import { factsOf, inputOf } from "../given/sample.fixture.ts";
import { saltCreep } from "./creeping.ts";

const reef = factsOf("soft-coral", { evaporationLPerDay: 3 });
const rising = (perDay: number, perDaySigma = 0.005) => ({
  salinity: { enough: true as const, perDay, perDaySigma, now: 36, nowSigma: 0.2, readings: 9 },
});

describe("salt that creeps into a tank", () => {
  test("tells what the top-up holds", () => {
    const [creep] = saltCreep(inputOf(reef, { rates: rising(0.05) }), 0.2);
    if (creep?.code !== "salinity-creeps") throw new Error("no creep");
    // What the top-up brings a day is what the system gains: psu × 3 L = 0.05 × its litres.
    expect(creep.topUpPsu * 3).toBeCloseTo(0.05 * 200, 0);
  });
  test("is not told of a rise that is not sure, that does not matter, or of fresh water", () => {
    expect(saltCreep(inputOf(reef, { rates: rising(0.05, 0.04) }), 0.2)).toEqual([]);
    expect(saltCreep(inputOf(reef, { rates: rising(0.01) }), 0.2)).toEqual([]);
    expect(saltCreep(inputOf(factsOf(), { rates: rising(0.05) }), 0.2)).toEqual([]);
    expect(saltCreep(inputOf(reef), 0.2)).toEqual([]);
  });
  test("comes from two-part dosing and settles where a march of days and changes ends", () => {
    const [salt] = saltCreep(inputOf({ ...reef, dosedDkhPerDay: 1 }), 0.2);
    if (salt?.code !== "dosing-leaves-salt") throw new Error("no salt");
    // 58.44 mg of sodium chloride a milliequivalent: 0.0204 ppt per dKH.
    expect(salt.perDay).toBeCloseTo(0.0204, 4);
    let excess = 0;
    for (let week = 0; week < 200; week++) excess = excess * 0.8 + 7 * salt.perDay;
    expect(salt.settles).toBeCloseTo(excess, 6);
    expect(saltCreep(inputOf({ ...reef, dosedDkhPerDay: 1 }), 0)).toEqual([]);
  });
});
