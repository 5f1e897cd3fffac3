import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { polynomial, risingRoot } from "./index.ts";

describe("the root of a rising function", () => {
  test("is that of its closed form", () => {
    expect(risingRoot((x) => x * x - 2, 0, 2)).toBeCloseTo(Math.SQRT2, 12);
    expect(risingRoot((x) => Math.log(x), 0.1, 10)).toBeCloseTo(1, 12);
    expect(risingRoot((x) => Math.exp(x) - 5, 0, 40)).toBeCloseTo(Math.log(5), 12);
  });
  test("is the bound that lies beyond it", () => {
    expect(risingRoot((x) => x + 1, 0, 5)).toBe(0);
    expect(risingRoot((x) => x, 0, 5)).toBe(0);
    expect(risingRoot((x) => x - 9, 0, 5)).toBe(5);
    expect(risingRoot((x) => x - 5, 0, 5)).toBe(5);
  });
  test("of a jump is where it jumps", () => {
    expect(risingRoot((x) => (x < 1.25 ? -3 : 7), 0, 4)).toBeCloseTo(1.25, 10);
  });
  test("is found wherever it lies, for lines, powers and kinks alike", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 0.999, noNaN: true }),
        fc.double({ min: 0.1, max: 9, noNaN: true }),
        fc.double({ min: 0.01, max: 1000, noNaN: true }),
        (at, power, slope) => {
          const kinked = (x: number) => (x < at ? -((at - x) ** power) : slope * (x - at));
          expect(Math.abs(risingRoot((x) => slope * (x - at), 0, 1) - at)).toBeLessThan(1e-9);
          // A flat approach hides the root from whoever looks at the height alone.
          expect(Math.abs(kinked(risingRoot(kinked, 0, 1)))).toBeLessThan(1e-9 * Math.max(1, slope));
        },
      ),
    );
  });
  test("asks a smooth function a dozen times, not sixty", () => {
    let asked = 0;
    risingRoot(
      (x) => {
        asked += 1;
        return x ** 3 - 20;
      },
      0,
      10,
    );
    expect(asked).toBeLessThan(16);
  });
});

test("a polynomial is its terms added up", () => {
  expect(polynomial(2, [1, 0, 3])).toBe(13);
  expect(polynomial(0.5, [])).toBe(0);
  expect(polynomial(-3, [7])).toBe(7);
});
