import { describe, expect, test } from "vitest";
import { conditionerTimes, removedAtMostMgL } from "../water/index.ts";
import { ammoniaFreedMgL, thiosulphateGrams } from "./index.ts";

describe("thiosulphate", () => {
  test("7.0 mg a milligram of chlorine to tetrathionate, 0.875 to sulphate", () => {
    expect(thiosulphateGrams(100, 1, 0)).toBeCloseTo(0.7, 3);
    expect(thiosulphateGrams(100, 1, 0, "sulphate")).toBeCloseTo(0.0875, 4);
    // Combined chlorine takes as much.
    expect(thiosulphateGrams(100, 0.4, 0.6)).toBeCloseTo(0.7, 3);
  });
  test("frees 0.1975 mg of nitrogen for each milligram of chloramine", () => {
    // The atomic masses of the table and those of the literature differ in the fifth decimal.
    expect(ammoniaFreedMgL(1)).toBeCloseTo(0.1975, 3);
    expect(() => ammoniaFreedMgL(-1)).toThrow();
    expect(() => thiosulphateGrams(100, 30, 0)).toThrow();
  });
});

describe("conditioner by what was measured", () => {
  const bottle = { name: "A", mlPer100L: 10, maximumMlPer100L: 40, bindsAmmonia: true, removesMgL: 1.5 };
  test("what the label's dose removes is one dose; twice as much asks for two, never for less than was said", () => {
    expect(conditionerTimes(bottle, { chlorine: 1, chloramine: 0 }, 1)).toBe(1);
    expect(conditionerTimes(bottle, { chlorine: 1, chloramine: 2 }, 1)).toBeCloseTo(2, 12);
    expect(conditionerTimes(bottle, { chlorine: 1, chloramine: 0 }, 2)).toBe(2);
  });
  test("without what the label removes, or without a measurement, what was said counts", () => {
    const plain = { ...bottle, removesMgL: undefined };
    expect(conditionerTimes(plain, { chlorine: 5, chloramine: 3 }, 2)).toBe(2);
    expect(conditionerTimes(bottle, {}, 2)).toBe(2);
  });
  test("its largest dose removes so much and no more", () => {
    expect(removedAtMostMgL(bottle)).toBeCloseTo(6, 12);
    expect(removedAtMostMgL({ ...bottle, removesMgL: undefined })).toBeNull();
  });
});
