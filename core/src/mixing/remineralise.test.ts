import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { OutOfRangeError } from "../issues/index.ts";
import { type Remineral, remineralise } from "./remineralise.ts";

const shrimp: Remineral = {
  litres: 100,
  gh: 6,
  kh: 1,
  calciumPart: 0.75,
  calciumAs: "calcium sulphate dihydrate",
  magnesiumAs: "magnesium sulphate heptahydrate",
  carbonateAs: "sodium bicarbonate",
  potassiumMgL: 5,
};

describe("purified water brought to a hardness", () => {
  test("takes the powders of the trade's tables", () => {
    // 30.70 mg/L of gypsum and 43.95 of Epsom salt a degree; 3.00 g of bicarbonate per dKH and 100 L.
    const { powders } = remineralise(shrimp);
    expect(powders.map((p) => [p.reagent, p.grams])).toEqual([
      ["calcium sulphate dihydrate", expect.closeTo(4.5 * 3.07, 2)],
      ["magnesium sulphate heptahydrate", expect.closeTo(1.5 * 4.395, 2)],
      ["sodium bicarbonate", expect.closeTo(3.0, 2)],
      // 174.26 g of sulphate hold 78.196 of potassium.
      ["potassium sulphate", expect.closeTo((0.5 * 174.26) / 78.196, 3)],
    ]);
  });
  test("brings calcium and magnesium that read as the hardness that was wanted", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 25, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (gh, calciumPart) => {
          const { brings } = remineralise({ ...shrimp, gh, calciumPart });
          // 1 dGH is 7.147 mg/L of calcium or 4.334 of magnesium.
          expect((brings.Ca ?? 0) / 7.147 + (brings.Mg ?? 0) / 4.334).toBeCloseTo(gh, 2);
        },
      ),
    ));
  test("counts the potassium of the bicarbonate, and weighs no more than is missing", () => {
    const { powders, brings } = remineralise({ ...shrimp, kh: 3, carbonateAs: "potassium bicarbonate" });
    expect(powders.some((p) => p.reagent === "potassium sulphate")).toBe(false);
    // 3 dKH are 1.07 meq/L, each with 39.1 mg of potassium.
    expect(brings.K).toBeCloseTo((3 / 2.804) * 39.098, 1);
  });
  test("leaves out what is not wanted", () =>
    expect(remineralise({ ...shrimp, gh: 0, kh: 0, potassiumMgL: 0 }).powders).toEqual([]));
  test("refuses what cannot be", () => {
    expect(() => remineralise({ ...shrimp, gh: 41 })).toThrow(OutOfRangeError);
    expect(() => remineralise({ ...shrimp, litres: 0 })).toThrow(OutOfRangeError);
  });
});
