import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { basisOf, type SourceFacts, sourceOn, sourceRelative, sourceTest } from "../given/index.ts";
import { factsOf, inputOf, reading, TODAY } from "../given/sample.fixture.ts";
import type { Parameter } from "../units/index.ts";
import { said } from "./said.fixture.ts";

const tap: SourceFacts & { id: string; name: string } = {
  id: "tap",
  name: "Tap",
  kind: "tap",
  chemistry: { nitrate: 3, gh: 9 },
  coldC: 12,
  canWarm: true,
  chloramineFactor: 1,
};
const measured = (...rows: readonly [on: string, parameter: Parameter, value: number][]) => ({
  ...tap,
  measured: rows.map(([on, parameter, value]) => ({ on, parameter, value })),
});

describe("a source on a day", () => {
  test("is as it is stated until it is measured", () => {
    const water = sourceOn(tap, TODAY);
    expect(water.chemistry).toEqual({ nitrate: 3, gh: 9 });
    expect(basisOf(water, "nitrate")).toBe("stated");
  });
  test("counts the newest measurement while it is fresh, and none of the days to come", () => {
    const water = sourceOn(
      measured(["2026-09-01", "nitrate", 5], ["2026-11-01", "nitrate", 8], ["2026-12-01", "nitrate", 20]),
      TODAY,
    );
    expect(water.chemistry.nitrate).toBe(8);
    expect(water.known?.nitrate).toEqual({ on: "2026-11-01", basis: "fresh" });
    // What was never measured stays.
    expect(water.chemistry.gh).toBe(9);
  });
  test("counts the same season of another year before a stale measurement of another season", () => {
    const rows = measured(["2025-12-10", "nitrate", 11], ["2026-07-01", "nitrate", 4]);
    const winter = sourceOn(rows, TODAY);
    expect(winter.chemistry.nitrate).toBe(11);
    expect(winter.known?.nitrate).toEqual({ on: "2025-12-10", basis: "season" });
    // In July of the year after, the July before it speaks.
    expect(sourceOn(rows, "2027-07-20").chemistry.nitrate).toBe(4);
    // With no season that fits, the newest one speaks, and is old.
    expect(sourceOn(rows, "2027-03-20").known?.nitrate).toEqual({ on: "2026-07-01", basis: "old" });
  });
  test("knows the season across the turn of the year", () =>
    expect(sourceOn(measured(["2025-01-05", "nitrate", 7]), "2026-12-20").known?.nitrate?.basis).toBe("season"));
  test("comes as cold as it was measured", () => {
    const water = sourceOn(measured(["2026-11-20", "temperature", 8.5]), TODAY);
    expect(water.coldC).toBe(8.5);
    expect(water.chemistry.temperature).toBeUndefined();
    expect(sourceOn(measured(["2026-11-20", "nitrate", 8]), TODAY).coldC).toBe(12);
  });
  test("never invents a figure: each one was measured on or before the day, or is stated", () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            day: fc.integer({ min: 0, max: 1500 }),
            value: fc.double({ min: 0, max: 50, noNaN: true }),
          }),
        ),
        fc.integer({ min: 0, max: 1500 }),
        (rows, at) => {
          const date = (d: number) => new Date(Date.UTC(2024, 0, 1 + d)).toISOString().slice(0, 10);
          const water = sourceOn(
            measured(...rows.map((r) => [date(r.day), "nitrate", r.value] as [string, Parameter, number])),
            date(at),
          );
          const past = rows.filter((r) => r.day <= at).map((r) => r.value);
          return past.length === 0
            ? water.chemistry.nitrate === 3
            : past.includes(water.chemistry.nitrate ?? Number.NaN);
        },
      ),
    ));
});

describe("what is believed of a source", () => {
  test("is tested again when its trust expires, tap and sea only", () => {
    expect(sourceTest(sourceOn(tap, TODAY))).toEqual({ parameters: ["nitrate", "gh"], lastOn: null });
    const half = sourceOn(measured(["2026-11-01", "nitrate", 8]), TODAY);
    expect(sourceTest(half)).toEqual({ parameters: ["gh"], lastOn: "2026-11-01" });
    const all = sourceOn(measured(["2026-11-01", "nitrate", 8], ["2026-11-01", "gh", 9]), TODAY);
    expect(sourceTest(all)).toBeNull();
    expect(sourceTest(sourceOn({ ...tap, kind: "mix" }, TODAY))).toBeNull();
  });
  test("carries less uncertainty the fresher it is", () => {
    const fresh = sourceOn(measured(["2026-11-01", "nitrate", 8]), TODAY);
    const season = sourceOn(measured(["2025-11-20", "nitrate", 8]), TODAY);
    const old = sourceOn(measured(["2026-05-01", "nitrate", 8]), TODAY);
    const widths = [fresh, season, old].map((w) => sourceRelative(w, "nitrate"));
    expect(widths).toEqual([...widths].sort((a, b) => a - b));
    expect(new Set(widths).size).toBe(3);
  });
  test("moves the plan: another nitrate in the tap, another nitrate after the change, a wider range when it is old", () => {
    const plan = (source: typeof tap) =>
      said(
        inputOf(factsOf(), { source: sourceOn(source, TODAY), readings: [reading("nitrate", 20), reading("ph", 7.4)] }),
      );
    const after = (source: typeof tap) => plan(source).water.after.find((e) => e.parameter === "nitrate")?.after;
    const fresh = after(measured(["2026-11-01", "nitrate", 8]));
    const old = after(measured(["2026-05-01", "nitrate", 8]));
    const poor = after(measured(["2026-11-01", "nitrate", 25]));
    expect(poor?.value).toBeGreaterThan(fresh?.value ?? 0);
    expect(old?.value).toBe(fresh?.value);
    const width = (w: typeof fresh) => (w?.range ? w.range.high - w.range.low : 0);
    expect(width(old)).toBeGreaterThan(width(fresh));
    const steps = (source: typeof tap) => plan(source).steps.map((s) => s.id);
    expect(steps(measured(["2026-05-01", "nitrate", 8]))).toContain("source-test");
    expect(steps(measured(["2026-11-01", "nitrate", 8], ["2026-11-01", "gh", 9]))).not.toContain("source-test");
  });
});
