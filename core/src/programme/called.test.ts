import { describe, expect, test } from "vitest";
import { calledTask, type Evidence, NO_EVIDENCE } from "./called.ts";
import { dueOn, isWaiting, type TaskCode } from "./index.ts";
import { taskOf } from "./task.fixture.ts";

const ON = "2026-11-26";
const called = (code: TaskCode, lastDoneOn: string, evidence: Partial<Evidence> = {}, on = ON) =>
  calledTask(taskOf(code, lastDoneOn), { ...NO_EVIDENCE, ...evidence }, on);
const flow = (value: number, on: string) => ({ parameter: "flow" as const, value, on });

describe("by what is seen", () => {
  test("flow: against the best since the last service, from the day it was measured", () => {
    const readings = [flow(3000, "2026-06-10"), flow(3200, "2026-07-08"), flow(2300, "2026-11-12")];
    // 2300 of 3200 is 28 % less: a quarter is enough for the pump, three tenths for the filter are not reached.
    const pump = called("pump-flow", "2026-06-01", { readings });
    expect(dueOn(pump)).toBe("2026-11-12");
    expect(pump.calledBy).toContain("the flow fell 28 %");
    expect(isWaiting(called("pump-flow", "2026-11-13", { readings }))).toBe(true);
    // Half a year is the latest for the filter.
    expect(dueOn(called("filter-flow", "2026-06-01", { readings }))).toBe("2026-12-01");
  });
  test("flow of several filters: each against its own best, and not for the return pump's job", () => {
    const of = (item: string, value: number, on: string) => ({ ...flow(value, on), item });
    const readings = [
      of("Canister A", 1000, "2026-06-10"),
      of("Canister B", 600, "2026-06-10"),
      of("Canister A", 950, "2026-11-12"),
      of("Canister B", 380, "2026-11-12"),
    ];
    // 380 of 600 is 37 % less; 380 of the other's 1000 is nobody's comparison.
    const filter = called("filter-flow", "2026-06-01", { readings });
    expect(dueOn(filter)).toBe("2026-11-12");
    expect(filter.calledBy).toContain("the flow of canister B fell 37 %");
    expect(isWaiting(called("pump-flow", "2026-06-01", { readings }))).toBe(true);
  });
  test("TDS: the newest since the cartridges were changed decides", () => {
    const tds = (value: number, on: string) => ({ parameter: "tds" as const, value, on });
    expect(dueOn(called("cartridges", "2026-05-01", { readings: [tds(21, "2026-11-20")] }))).toBe("2026-11-20");
    expect(dueOn(called("cartridges", "2026-05-01", { readings: [tds(21, "2026-11-01"), tds(3, "2026-11-20")] }))).toBe(
      "2027-05-01",
    );
  });
  test("a reading out of its band, until the job is done", () => {
    const evidence = {
      readings: [{ parameter: "phosphate" as const, value: 0.14, on: "2026-11-19" }],
      bands: [{ parameter: "phosphate" as const, idealLow: 0.02, idealHigh: 0.1 }],
    };
    expect(called("phosphate-high", "2026-10-01", evidence).calledBy).toBe(
      "phosphate was above its band on 19 November",
    );
    expect(isWaiting(called("phosphate-high", "2026-11-19", evidence))).toBe(true);
  });
  test("dirt of another job, where it is filthy enough", () => {
    const dirt = [{ job: "prefilter", on: "2026-11-12", dirt: 5 }];
    expect(dueOn(called("basket-dirt", "2026-10-01", { dirt }))).toBe("2026-11-12");
    expect(
      isWaiting(called("basket-dirt", "2026-10-01", { dirt: [{ job: "prefilter", on: "2026-11-12", dirt: 3 }] })),
    ).toBe(true);
  });
});

test("by hours run, counted again from the day it was renewed", () => {
  const lamp = {
    of: "uv" as const,
    name: "UV lamp",
    installedOn: "2026-01-01",
    hoursRun: 7896,
    hoursPerDay: 24,
    asOf: ON,
  };
  // 104 hours are left: four days and a bit.
  expect(dueOn(called("uv-lamp", "2026-01-01", { running: [lamp] }))).toBe("2026-11-30");
  // Renewed a hundred days ago: 2400 hours, 5600 left, 233 days.
  expect(dueOn(called("uv-lamp", "2026-08-18", { running: [lamp] }))).toBe("2027-07-17");
  expect(isWaiting(called("uv-lamp", "2026-01-01"))).toBe(true);
});

describe("by what happened", () => {
  const events = [{ kind: "stocking" as const, on: "2026-11-20" }];
  test("on its days after it, one after the other", () => {
    expect(dueOn(called("stocking-ammonia", "2026-11-01", { events }))).toBe("2026-11-22");
    expect(dueOn(called("stocking-ammonia", "2026-11-22", { events }))).toBe("2026-11-27");
    expect(isWaiting(called("stocking-ammonia", "2026-12-04", { events }, "2026-12-05"))).toBe(true);
  });
  test("several missed days are one, and what is long past is let go", () => {
    expect(dueOn(called("stocking-ammonia", "2026-11-01", { events }, "2026-12-05"))).toBe("2026-12-04");
    expect(isWaiting(called("stocking-ammonia", "2026-11-01", { events }, "2027-02-01"))).toBe(true);
  });
});

describe("by the time of the year", () => {
  test("only while it lasts, which may be over New Year", () => {
    expect(dueOn(called("season-chlorine", "2026-06-01"))).toBe("2026-10-01");
    expect(dueOn(called("season-chlorine", "2026-12-28"))).toBe("2027-01-11");
    expect(dueOn(called("season-chlorine", "2027-03-25"))).toBe("2027-10-01");
  });
  test("once a year means once a season", () => {
    expect(dueOn(called("season-holiday", "2025-12-10"))).toBe("2026-12-01");
    expect(dueOn(called("season-holiday", "2026-12-02"))).toBe("2027-12-01");
  });
});
