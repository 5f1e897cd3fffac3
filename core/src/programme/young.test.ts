import { describe, expect, test } from "vitest";
import { addDays } from "../calendar/index.ts";
import { kindFacts } from "../tank/index.ts";
import { youngJobs, youngNow, youngPhases, youngProgramme, youngShare } from "./index.ts";

const START = "2026-09-01";
const tank = (startedWith?: "cured-rock" | "dry-rock" | "bare") => ({
  startedOn: START,
  ...(startedWith ? { startedWith } : {}),
});
const names = (days: number, startedWith?: Parameters<typeof tank>[0]) =>
  youngNow(tank(startedWith), addDays(START, days)).map((p) => p.name);

describe("a new tank's own calendar", () => {
  test("ammonia and nitrite come first, brown film about the second week, then green, then it is steady", () => {
    expect(youngJobs(tank("cured-rock"), addDays(START, 3))).toEqual(["young-ammonia", "young-nitrite", "young-light"]);
    expect(names(14, "cured-rock")).toEqual(["the filter grows", "brown film"]);
    expect(names(40, "cured-rock")).toEqual(["green"]);
    expect(names(84, "cured-rock")).toEqual([]);
  });
  test("dry rock takes longer than a running filter", () => {
    const end = (w: Parameters<typeof tank>[0]) => youngPhases(tank(w)).at(-1)?.toDay ?? 0;
    expect(end("cured-rock")).toBeLessThan(end("bare"));
    expect(end("bare")).toBeLessThan(end("dry-rock"));
  });
  test("the stretches leave no gap", () => {
    for (let day = 0; day < 16 * 7; day++) expect(names(day, "bare"), `day ${day}`).not.toEqual([]);
    for (let day = 0; day < 35 * 7; day++) expect(names(day, "dry-rock"), `day ${day}`).not.toEqual([]);
  });
  test("dry rock is at its worst in months four to six, and young until month eight", () => {
    for (const day of [100, 140, 180]) expect(names(day, "dry-rock")).toEqual(["algae at their worst"]);
    expect(names(220, "dry-rock")).toEqual(["settling"]);
    expect(names(250, "dry-rock")).toEqual([]);
    // 45 % a week, whatever its usual share is.
    const reef = { ...tank("dry-rock"), practice: { ...kindFacts["soft-coral"].practice, share: 0.15 } };
    expect(youngShare(reef, addDays(START, 140)).times * 0.15).toBeCloseTo(0.45, 9);
  });
  test("its programme holds what is still to come, and nothing once it is steady", () => {
    expect(youngProgramme(tank("cured-rock"), START)).toEqual([
      "young-ammonia",
      "young-nitrite",
      "young-light",
      "young-algae",
    ]);
    // After three weeks the filter has grown.
    expect(youngProgramme(tank("cured-rock"), addDays(START, 22))).toEqual(["young-algae"]);
    expect(youngProgramme(tank("cured-rock"), addDays(START, 90))).toEqual([]);
  });
  test("a tank that has not started has none", () => expect(names(-1)).toEqual([]));
});
