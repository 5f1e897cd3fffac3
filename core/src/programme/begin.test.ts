import { describe, expect, test } from "vitest";
import { addDays, daysBetween } from "../calendar/index.ts";
import { TANK_KINDS } from "../tank/index.ts";
import { countsFrom, jobOf, kindProgramme, libraryTask } from "./index.ts";

const TODAY = "2026-11-25";
const jobsOf = (codes: readonly string[]) => codes.map((code) => ({ code, job: jobOf({ code }) }));
const dueIn = (from: Map<string, string>, code: string) =>
  daysBetween(TODAY, addDays(from.get(code) ?? "", jobOf({ code }).everyDays));

describe("a tank that was somebody's before", () => {
  const from = countsFrom(
    jobsOf(["glass-inside", "vacuum-sector", "filter-a", "filter-b", "pump-soak"]),
    "2022-01-01",
    TODAY,
  );
  test("is cleaned at the first visit", () => {
    expect(dueIn(from, "glass-inside")).toBe(0);
    expect(dueIn(from, "vacuum-sector")).toBe(0);
  });
  test("has its two filters four weeks or half their cadence apart", () => {
    const apart = Math.max(28, Math.ceil(libraryTask("filter-b").everyDays / 2));
    expect(dueIn(from, "filter-a")).toBe(0);
    expect(dueIn(from, "filter-b")).toBe(apart);
  });
  test("spreads its long jobs over their interval, of any kind", () => {
    for (const kind of TANK_KINDS) {
      const jobs = jobsOf(kindProgramme[kind]);
      const counted = countsFrom(jobs, "2022-01-01", TODAY);
      const long = jobs.filter(
        ({ job }) => job.long && job.unit === undefined && job.by === "technician" && job.cadence.by === "time",
      );
      const first = long.filter(({ code }) => dueIn(counted, code) <= 7);
      expect(first.length, kind).toBeLessThanOrEqual(Math.ceil(long.length / 3));
    }
  });
});

describe("a tank just started", () => {
  test("counts from today, and is tested at once", () => {
    const from = countsFrom(jobsOf(["glass-inside", "test-nitrate"]), "2026-11-20", TODAY);
    expect(from.get("glass-inside")).toBe(TODAY);
    expect(dueIn(from, "test-nitrate")).toBe(0);
  });
});
