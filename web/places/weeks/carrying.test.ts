import { describe, expect, test } from "vitest";
import { nextCell } from "./carrying";

/** Two rows of three cells, the second one lower and as high as its day is full. */
const cells = [
  { id: "a1", left: 0, top: 0, width: 100, height: 80 },
  { id: "a2", left: 100, top: 0, width: 100, height: 80 },
  { id: "a3", left: 200, top: 0, width: 100, height: 80 },
  { id: "b1", left: 0, top: 80, width: 100, height: 300 },
  { id: "b2", left: 100, top: 80, width: 100, height: 300 },
  { id: "b3", left: 200, top: 80, width: 100, height: 300 },
];
const from = (id: string) => cells.find((c) => c.id === id) as (typeof cells)[number];
const to = (id: string, direction: readonly [number, number]) => nextCell(from(id), cells, direction)?.id;

describe("an arrow carries to the next cell", () => {
  test("beside it in its row", () => {
    expect(to("a1", [1, 0])).toBe("a2");
    expect(to("b3", [-1, 0])).toBe("b2");
  });
  test("above and below it in its column, however high the rows are", () => {
    expect(to("a2", [0, 1])).toBe("b2");
    expect(to("b2", [0, -1])).toBe("a2");
  });
  test("and nowhere at the edge", () => {
    expect(to("a3", [1, 0])).toBeUndefined();
    expect(to("b1", [0, 1])).toBeUndefined();
  });
  test("a wide lane below all is reached from any column", () => {
    const lane = { id: "aside", left: 0, top: 380, width: 300, height: 40 };
    expect(nextCell(from("b3"), [...cells, lane], [0, 1])?.id).toBe("aside");
  });
});
