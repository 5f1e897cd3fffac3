import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { doserPlan, hardnessDgh, riseOfDose } from "../mixing/index.ts";
import {
  conductivityMsCm,
  freeAmmoniaMgL,
  heaterEquilibriumC,
  heatingHours,
  salinityFromConductivity,
  shareForChanges,
  totalAmmoniaForMgL,
} from "./index.ts";

describe("conductivity at any temperature", () => {
  test("35 PSU is 53.065 mS/cm at 25 °C, 47.913 at 20 and 42.914 at 15", () => {
    expect(conductivityMsCm(35, 25)).toBeCloseTo(53.065, 2);
    expect(conductivityMsCm(35, 20)).toBeCloseTo(47.913, 2);
    expect(conductivityMsCm(35, 15)).toBeCloseTo(42.914, 2);
  });
  test("and back is the salinity again", () => {
    const [psu, celsius] = [
      fc.double({ min: 2.1, max: 41.9, noNaN: true }),
      fc.double({ min: 0, max: 34, noNaN: true }),
    ];
    fc.assert(
      fc.property(psu, celsius, (s, t) => {
        expect(salinityFromConductivity(conductivityMsCm(s, t), t)).toBeCloseTo(s, 6);
      }),
    );
  });
  test("outside of the scale it is an error", () => expect(() => conductivityMsCm(1, 20)).toThrow());
});

describe("total ammonia that a limit of the free part allows", () => {
  test("at pH 8 and 25 °C in fresh water 5.37 % are free: 0.02 mg/L are 0.306 mg/L of nitrogen", () =>
    expect(totalAmmoniaForMgL(0.02, { ph: 8, temperatureC: 25, salinityPsu: 0 })).toBeCloseTo(
      0.02 / 0.0537 / (17.031 / 14.007),
      3,
    ));
  test("is the inverse of the free part", () => {
    const water = { ph: 8.3, temperatureC: 26, salinityPsu: 35 };
    expect(freeAmmoniaMgL(totalAmmoniaForMgL(0.02, water), water)).toBeCloseTo(0.02, 9);
  });
});

describe("equal changes", () => {
  test("two of 41.4 % do what one of 65.7 % does", () => {
    const share = shareForChanges({ before: 40, target: 17, refill: 5, changes: 2 });
    // (17 − 5)/(40 − 5) is left of the way: its root is what each leaves.
    expect(share).toBeCloseTo(1 - Math.sqrt(12 / 35), 9);
  });
  test("what the new water cannot reach takes no share", () => {
    expect(shareForChanges({ before: 40, target: 4, refill: 5, changes: 3 })).toBeNull();
    expect(shareForChanges({ before: 40, target: 45, refill: 5, changes: 3 })).toBeNull();
  });
});

test("a heater settles where its losses are its watts, and heats to no more", () => {
  const heater = { watts: 80, lossWPerK: 4, roomC: 15 };
  expect(heaterEquilibriumC(heater)).toBeCloseTo(35, 9);
  const heating = { litres: 100, fromC: 15, water: "sea" as const, ...heater };
  expect(heatingHours({ ...heating, toC: 34.9 })).not.toBeNull();
  expect(heatingHours({ ...heating, toC: 35 })).toBeNull();
});

test("hardness from calcium and magnesium: sea water of 412 and 1290 mg/L has about 355 dGH", () => {
  // 10 mg/L of calcium oxide are a degree: 0.17833 mmol/L.
  expect(hardnessDgh(412, 1290)).toBeCloseTo((412 / 40.078 + 1290 / 24.305) / 0.17833, 1);
  expect(hardnessDgh(40.078 * 0.17833, 0)).toBeCloseTo(1, 3);
});

test("what some grams raise is the inverse of the grams for a rise", () => {
  // 3.00 g of sodium bicarbonate in 100 L are 1 dKH.
  expect(riseOfDose("sodium bicarbonate", "alkalinity", 3, 100)).toBeCloseTo(1, 2);
  expect(riseOfDose("calcium chloride dihydrate", "alkalinity", 3, 100)).toBeNull();
});

describe("a daily dose that follows what is used", () => {
  const used = { perDay: 0.6, perDaySigma: 0.02, systemL: 500, strengthLPerMl: 100, setMlPerDay: 2.5, stepMl: 0.1 };
  test("moves by a tenth at most, towards consumption × volume ÷ strength", () => {
    const plan = doserPlan(used);
    // 0.6 dKH a day in 500 L, where a mL raises 100 L by a dKH: 3 mL.
    expect(plan.usedMlPerDay).toBeCloseTo(3, 9);
    expect(plan.setTo).toBeCloseTo(2.75, 9);
  });
  test("stays where the difference is within what is known", () => {
    expect(doserPlan({ ...used, perDaySigma: 0.2 }).setTo).toBe(2.5);
    expect(doserPlan({ ...used, setMlPerDay: 3.1 }).setTo).toBeCloseTo(3.1, 9);
  });
  test("a container lasts what is usable of it ÷ the dose", () =>
    expect(doserPlan({ ...used, usableMl: 550 }).lastsDays).toBe(200));
  test("what is not used asks for nothing", () => {
    expect(doserPlan({ ...used, perDay: 0 }).usedMlPerDay).toBe(0);
    expect(doserPlan({ ...used, setMlPerDay: 0 }).setTo).toBeCloseTo(0.1, 9);
  });
});
