import { describe, expect, test } from "vitest";
import { pathOf, penPoint } from "./strokes";

const box = { left: 20, top: 300, width: 150, height: 50 };

describe("a signature", () => {
  test.each([
    [
      { clientX: 20, clientY: 300 },
      { x: 0, y: 0 },
    ],
    [
      { clientX: 95, clientY: 325 },
      { x: 150, y: 50 },
    ],
    [
      { clientX: 170, clientY: 350 },
      { x: 300, y: 100 },
    ],
    [
      { clientX: 0, clientY: 900 },
      { x: 0, y: 100 },
    ],
  ])("at %j is %j on the sheet, whatever its size on the screen", (at, point) =>
    expect(penPoint(at, box)).toEqual(point),
  );
  test("is a path, one stroke after the other", () => {
    expect(
      pathOf([
        [
          { x: 1, y: 2 },
          { x: 30, y: 40 },
        ],
        [{ x: 5, y: 6 }],
      ]),
    ).toBe("M1 2L30 40M5 6");
    expect(pathOf([])).toBe("");
  });
  test("that is too long to keep is none", () =>
    expect(pathOf([Array.from({ length: 2000 }, () => ({ x: 100, y: 99 }))])).toBeNull());
});
