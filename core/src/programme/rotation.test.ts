import { describe, expect, test } from "vitest";
import { addDays } from "../calendar/index.ts";
import { factsOf } from "../given/sample.fixture.ts";
import { partsOf, rotationOf, type TankTask } from "./index.ts";
import { taskOf } from "./task.fixture.ts";

const START = "2026-03-02";
const weekly = Array.from({ length: 12 }, (_, i) => addDays(START, 7 * i));
const vacuum = (more: Partial<TankTask> = {}) =>
  taskOf("vacuum-sector", addDays(START, -7), { lastSector: 3, ...more });

describe("sectors in turn", () => {
  test("a quarter a week is all of the bed in four weeks, and never two at once", () => {
    const turns = rotationOf(vacuum(), 4, weekly);
    expect(turns.slice(0, 5).map((t) => t.part)).toEqual([4, 1, 2, 3, 4]);
    expect(turns.map((t) => t.on)).toEqual(weekly);
  });
  test("a fifth a month is all of it in five months", () => {
    const monthly = vacuum({ code: "deep-sector", everyDays: 30, lastSector: 0 });
    const year = Array.from({ length: 26 }, (_, i) => addDays(START, 7 * i));
    const turns = rotationOf(monthly, 5, year);
    expect(turns.slice(0, 5).map((t) => t.part)).toEqual([1, 2, 3, 4, 5]);
    expect(new Set(turns.map((t) => t.on)).size).toBe(turns.length);
  });
});

test("a bed rotates by its way, the only filter by halves, two filters not at all", () => {
  const bed = factsOf("community", { sectors: 5 });
  expect(partsOf(vacuum(), bed)).toBe(5);
  expect(partsOf(vacuum(), { ...bed, practice: { ...bed.practice, substrate: "whole" } })).toBeNull();
  const units = (n: number) => ({
    ...bed,
    filterUnits: Array.from({ length: n }, (_, i) => ({
      name: `f${i}`,
      kind: "biological" as const,
      biological: true,
    })),
  });
  expect(partsOf(vacuum({ code: "filter-a" }), units(1))).toBe(2);
  expect(partsOf(vacuum({ code: "filter-a" }), units(2))).toBeNull();
});
