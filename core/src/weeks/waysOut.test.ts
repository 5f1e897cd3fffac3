import { expect, test } from "vitest";
import { liveDay } from "../round/index.ts";
import { boardOf, MONDAY, stopOf } from "./board.fixture.ts";
import { waysByItself, waysOut, windowedInput } from "./waysOut.fixture.ts";

const days = [MONDAY, "2026-12-01", "2026-12-02"];

test("a steady stop that anybody may take goes to a colleague; what drifts waits for no day", () => {
  const board = boardOf([
    stopOf("Begun", { minutes: 60 }),
    stopOf("Library", { minutes: 120 }),
    stopOf("Reef", { minutes: 100, needs: ["salt"], condition: "drifting" }),
    stopOf("Clinic", {
      minutes: 60,
      windows: { 1: { from: 480, to: 780 }, 2: { from: 480, to: 780 } },
      needs: ["salt"],
    }),
  ]);
  const under = { input: windowedInput(board), log: [{ stopId: "Begun", start: 500, end: null }], nowMinute: 760 };
  const { day } = liveDay(under.input, under.log, under.nowMinute);
  expect(day.leftOver.map((l) => l.stop.id)).toEqual(["Clinic"]);
  const ways = waysOut(board, { personId: "ines", on: MONDAY }, day, under, days);
  expect(ways).toHaveLength(2);
  // The clinic is what does not fit: without it all others do.
  expect(ways[0]).toMatchObject({ stopId: "Clinic", allFit: true });
  expect(ways.find((w) => w.stopId === "Library")?.to).toEqual({ personId: "tobiah", on: MONDAY });
  for (const w of ways) expect(w.to).not.toEqual({ personId: "ines", on: MONDAY });
  expect(ways.some((w) => w.stopId === "Begun")).toBe(false);
});

test("where nothing may be moved there is no way out", () => {
  const board = boardOf([stopOf("Begun", { minutes: 700 })]);
  const under = { input: windowedInput(board), log: [{ stopId: "Begun", start: 500, end: null }], nowMinute: 900 };
  const { day } = liveDay(under.input, under.log, under.nowMinute);
  expect(day.overtimeMinutes).toBeGreaterThan(0);
  expect(waysOut(board, { personId: "ines", on: MONDAY }, day, under, days)).toEqual([]);
});

test("where nobody else's day is at hand: the stop that leaves room for all others first, what drifts only where it has no room", () => {
  const board = boardOf([
    stopOf("Begun", { minutes: 60 }),
    stopOf("Library", { minutes: 120 }),
    stopOf("Reef", { minutes: 100, condition: "drifting" }),
    stopOf("Clinic", { minutes: 60, condition: "drifting", windows: { 1: { from: 480, to: 780 } } }),
  ]);
  const under = { input: windowedInput(board), log: [{ stopId: "Begun", start: 500, end: null }], nowMinute: 760 };
  const { day } = liveDay(under.input, under.log, under.nowMinute);
  const ways = waysByItself(day, under);
  expect(ways.map((w) => w.stopId)).toEqual(["Clinic", "Library"]);
  expect(ways.map((w) => w.allFit)).toEqual([true, false]);
  // Two hours at the library and the way there.
  expect(ways[1]?.earlierMinutes).toBeGreaterThanOrEqual(120);
});
