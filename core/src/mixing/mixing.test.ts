import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { OutOfRangeError } from "../issues/index.ts";
import type { Parameter } from "../units/index.ts";
import { co2MgL } from "../water/index.ts";
import {
  blendSalts,
  calciumPerDkh,
  fixBarrel,
  molarMass,
  type Purifier,
  purifierLPerDay,
  purifierRun,
  REAGENTS,
  type ReagentName,
  type ReagentTarget,
  reagentDose,
  type SaltChoice,
  twoPartResiduePpt,
} from "./index.ts";

describe("a barrel", () => {
  const barrel = { litres: 100, capacityL: 120, salinityPsu: 33.5 };
  test("that is too weak takes salt: 100 L from 33.5 to 35 at 38 g/L take 162.9 g", () =>
    expect(fixBarrel(barrel, 35, 38)).toEqual({ kind: "salt", grams: expect.closeTo(162.857, 2) }));
  test("that is too strong takes fresh water while there is room", () =>
    expect(fixBarrel({ ...barrel, salinityPsu: 36.2 }, 35, 38)).toEqual({
      kind: "fresh",
      litres: expect.closeTo(3.4286, 4),
      afterL: expect.closeTo(103.4286, 4),
    }));
  test("that is full is drawn down first", () => {
    const fix = fixBarrel({ litres: 100, capacityL: 100, salinityPsu: 36.2 }, 35, 38);
    expect(fix).toEqual({
      kind: "draw-then-fresh",
      drawL: expect.closeTo(3.3149, 4),
      litres: expect.closeTo(3.3149, 4),
      afterL: 100,
    });
  });
  test("within a tenth is right", () =>
    expect(fixBarrel({ ...barrel, salinityPsu: 35.08 }, 35, 38).kind).toBe("right"));
  test("holds after the fix what was wanted, by the mass of salt", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 300, noNaN: true }),
        fc.double({ min: 1, max: 2, noNaN: true }),
        fc.double({ min: 20, max: 45, noNaN: true }),
        fc.double({ min: 25, max: 40, noNaN: true }),
        fc.double({ min: 34, max: 42, noNaN: true }),
        (litres, room, salinityPsu, wanted, gramsPerLitre) => {
          const capacityL = litres * room;
          const fix = fixBarrel({ litres, capacityL, salinityPsu }, wanted, gramsPerLitre, 0);
          if (fix.kind === "right") return;
          // A litre at 35 holds gramsPerLitre of the salt.
          const saltIn = (l: number, psu: number) => (l * gramsPerLitre * psu) / 35;
          const before = saltIn(litres, salinityPsu);
          if (fix.kind === "salt") {
            expect(before + fix.grams).toBeCloseTo(saltIn(litres, wanted), 6);
            return;
          }
          const drawn = fix.kind === "draw-then-fresh" ? fix.drawL : 0;
          expect(before - saltIn(drawn, salinityPsu)).toBeCloseTo(saltIn(fix.afterL, wanted), 6);
          expect(fix.afterL).toBeLessThanOrEqual(capacityL + 1e-9);
          expect(litres - drawn + fix.litres).toBeCloseTo(fix.afterL, 9);
        },
      ),
    ));
  test("that holds more than it can is refused by name", () =>
    expect(() => fixBarrel({ litres: 130, capacityL: 120, salinityPsu: 35 }, 35, 38)).toThrow(OutOfRangeError));
});

describe("reagents", () => {
  // Molar masses of the trade's tables, with their water.
  const masses: Readonly<Record<ReagentName, number>> = {
    "sodium bicarbonate": 84.007,
    "sodium carbonate": 105.988,
    "potassium bicarbonate": 100.115,
    "calcium chloride dihydrate": 147.01,
    "calcium chloride, dry": 110.98,
    "magnesium chloride hexahydrate": 203.3,
    "magnesium sulphate heptahydrate": 246.47,
    "calcium sulphate dihydrate": 172.17,
    "potassium sulphate": 174.26,
    "potassium chloride": 74.55,
    "potassium nitrate": 101.1,
    "potassium dihydrogen phosphate": 136.09,
    "sodium thiosulphate pentahydrate": 248.17,
  };
  for (const [name, mass] of Object.entries(masses))
    test(`${name} weighs ${mass} g a mole`, () => expect(molarMass(name as ReagentName)).toBeCloseTo(mass, 1));
  test("are all in the table", () => expect(Object.keys(masses).sort()).toEqual(Object.keys(REAGENTS).sort()));

  const grams = (name: ReagentName, target: ReagentTarget, litres = 100, purity = 1) => {
    const dose = reagentDose(name, target, litres, purity);
    return dose.ok ? dose.grams : Number.NaN;
  };
  const doses: readonly [ReagentName, ReagentTarget, number][] = [
    ["sodium bicarbonate", { of: "alkalinity", dkh: 1 }, 3.0],
    ["sodium carbonate", { of: "alkalinity", dkh: 1 }, 1.89],
    ["calcium chloride dihydrate", { of: "calcium", mgL: 10 }, 3.67],
    // Grams for 100 L and a degree of hardness are a tenth of milligrams a litre.
    ["calcium sulphate dihydrate", { of: "hardness", dgh: 1 }, 3.07],
    ["calcium chloride dihydrate", { of: "hardness", dgh: 1 }, 2.622],
    ["magnesium sulphate heptahydrate", { of: "hardness", dgh: 1 }, 4.395],
    ["magnesium chloride hexahydrate", { of: "hardness", dgh: 1 }, 3.625],
    // 10 mg/L of potassium are 39.098 / 174.26 · 2 of the sulphate: 2.229 g.
    ["potassium sulphate", { of: "potassium", mgL: 10 }, 2.229],
    // 10 mg/L of nitrate: 101.10 / 62.004 · 1 g.
    ["potassium nitrate", { of: "nitrate", mgL: 10 }, 1.631],
  ];
  for (const [name, target, expected] of doses)
    test(`${name} for ${JSON.stringify(target)} in 100 L: ${expected} g`, () =>
      expect(grams(name, target)).toBeCloseTo(expected, 2));
  test("bring their other ions along", () => {
    const dose = reagentDose("calcium chloride dihydrate", { of: "calcium", mgL: 40.078 }, 100);
    // A mole of the salt has two of chloride.
    expect(dose).toMatchObject({ ok: true, brings: { Ca: expect.closeTo(40.078, 6), Cl: expect.closeTo(70.9, 6) } });
    const epsom = reagentDose("magnesium sulphate heptahydrate", { of: "magnesium", mgL: 24.305 }, 100);
    expect(epsom).toMatchObject({ ok: true, brings: { SO4: expect.closeTo(96.056, 3) } });
  });
  test("that give none of it say so", () =>
    expect(reagentDose("potassium chloride", { of: "alkalinity", dkh: 1 }, 100)).toEqual({
      ok: false,
      reason: "gives-none",
    }));
  test("grow with litres and rise, and with impurity", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 8, noNaN: true }),
        fc.double({ min: 1, max: 5000, noNaN: true }),
        fc.double({ min: 0.5, max: 1, noNaN: true }),
        (dkh, litres, purity) => {
          const one = grams("sodium bicarbonate", { of: "alkalinity", dkh: 1 }, 1);
          expect(grams("sodium bicarbonate", { of: "alkalinity", dkh }, litres, purity)).toBeCloseTo(
            (one * dkh * litres) / purity,
            6,
          );
        },
      ),
    ));
  test("litres or a purity that cannot be are refused", () => {
    expect(() => grams("potassium chloride", { of: "potassium", mgL: 1 }, 0)).toThrow(OutOfRangeError);
    expect(() => grams("potassium chloride", { of: "potassium", mgL: 1 }, 10, 0)).toThrow(OutOfRangeError);
  });
  test("of balanced dosing leave 0.0204 ppt a dKH, and calcium falls by 7.15 mg/L with it", () => {
    expect(twoPartResiduePpt(1)).toBeCloseTo(0.0204, 4);
    expect(calciumPerDkh()).toBeCloseTo(7.15, 2);
  });
});

describe("carbon dioxide from hardness and pH", () => {
  test("4 dKH at pH 6.8 are 19.0 mg/L", () => expect(co2MgL(4, 6.8)).toBeCloseTo(19.0, 1));
  test("ten times as much a whole pH below", () => expect(co2MgL(5, 6) / co2MgL(5, 7)).toBeCloseTo(10, 9));
  test("outside of its range is refused", () => expect(() => co2MgL(4, 2)).toThrow(OutOfRangeError));
});

describe("a purifier", () => {
  const purifier: Purifier = { litresPerDayAt25: 300, ratedBar: 4, wasteRatio: 3, flushMinutes: 5 };
  test("makes less in cold water: 0.70 at 15 °C, 0.48 at 5 °C, and a little more in warm", () => {
    expect(purifierLPerDay(purifier, 25, 4) / 300).toBeCloseTo(1, 9);
    expect(purifierLPerDay(purifier, 15, 4) / 300).toBeCloseTo(0.7, 2);
    expect(purifierLPerDay(purifier, 5, 4) / 300).toBeCloseTo(0.48, 2);
    expect(purifierLPerDay(purifier, 30, 4)).toBeGreaterThan(300);
  });
  test("makes half at half the pressure", () => expect(purifierLPerDay(purifier, 25, 2)).toBeCloseTo(150, 9));
  test("takes its flush before the first litre, and wastes it all", () => {
    // 144 L a day are 0.1 L a minute: 10 L take 100 minutes, and 5 minutes of flush waste 2 L.
    expect(purifierRun(purifier, 10, 144)).toEqual({
      minutes: expect.closeTo(105, 9),
      productL: 10,
      wasteL: expect.closeTo(32, 9),
    });
    expect(purifierRun(purifier, 0, 144)).toEqual({ minutes: 0, productL: 0, wasteL: 0 });
  });
  test("in ice or boiling water is refused", () => {
    expect(() => purifierLPerDay(purifier, 0, 4)).toThrow(OutOfRangeError);
    expect(() => purifierLPerDay(purifier, 60, 4)).toThrow(OutOfRangeError);
  });
});

describe("a blend of salts", () => {
  const salt = (name: string, alkalinity: number, calcium: number, magnesium: number): SaltChoice => ({
    name,
    chemistry: { alkalinity, calcium, magnesium },
  });
  const rich = salt("rich", 11, 450, 1400);
  const plain = salt("plain", 7, 400, 1250);
  const targets = (alkalinity: number, calcium: number, magnesium: number) =>
    (
      [
        ["alkalinity", alkalinity, 0.6],
        ["calcium", calcium, 25],
        ["magnesium", magnesium, 60],
      ] as const
    ).map(([parameter, value, half]) => ({ parameter: parameter as Parameter, value, half }));
  test("hits what lies between two salts exactly", () => {
    // A quarter of the rich one.
    const { shares, misses } = blendSalts([rich, plain], targets(8, 412.5, 1287.5));
    expect(shares[0]).toBeCloseTo(0.25, 9);
    expect(shares[1]).toBeCloseTo(0.75, 9);
    for (const miss of Object.values(misses)) expect(miss).toBeCloseTo(0, 9);
  });
  test("takes one salt alone where more help nothing, and the nearest where none fits", () => {
    expect(blendSalts([plain, rich], targets(7, 400, 1250)).shares).toEqual([1, 0]);
    const far = blendSalts([rich, plain], targets(14, 480, 1500));
    expect(far.shares).toEqual([1, 0]);
    expect(far.misses.alkalinity).toBeCloseTo((11 - 14) / 0.6, 9);
  });
  test("prefers the fewer of salts that are alike", () => {
    const { shares } = blendSalts([rich, salt("the same", 11, 450, 1400), plain], targets(11, 450, 1400));
    expect(shares.filter((w) => w > 0)).toHaveLength(1);
  });
  test("is never beaten by a point of a fine grid, and its shares are shares", () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            alkalinity: fc.double({ min: 5, max: 13, noNaN: true }),
            calcium: fc.double({ min: 350, max: 480, noNaN: true }),
            magnesium: fc.double({ min: 1100, max: 1500, noNaN: true }),
          }),
          { minLength: 3, maxLength: 3 },
        ),
        (chemistries) => {
          const salts = chemistries.map((chemistry, i) => ({ name: String(i), chemistry }));
          const wanted = targets(8.5, 430, 1350);
          const aim = (w: readonly number[]) =>
            wanted.reduce((sum, { parameter, value, half }) => {
              const got = salts.reduce(
                (s, { chemistry }, j) => s + (chemistry[parameter as "calcium"] ?? 0) * (w[j] ?? 0),
                0,
              );
              return sum + ((got - value) / half) ** 2;
            }, 0);
          const { shares } = blendSalts(salts, wanted);
          expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
          expect(Math.min(...shares)).toBeGreaterThanOrEqual(0);
          const least = aim(shares);
          for (let a = 0; a <= 20; a++)
            for (let b = 0; a + b <= 20; b++)
              expect(least).toBeLessThanOrEqual(aim([a / 20, b / 20, (20 - a - b) / 20]) + 1e-6);
        },
      ),
      { numRuns: 40 },
    ));
  test("of nothing, or of a salt that does not say a target, is refused", () => {
    expect(() => blendSalts([], targets(8, 430, 1350))).toThrow(OutOfRangeError);
    expect(() => blendSalts([{ name: "?", chemistry: {} }], targets(8, 430, 1350))).toThrow(OutOfRangeError);
  });
});
