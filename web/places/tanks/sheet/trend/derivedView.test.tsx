// @vitest-environment happy-dom
import { METRIC } from "@keel-round/core/units";
import { cleanup } from "@testing-library/react";
import { afterEach, describe, expect, test } from "vitest";
import type { DerivedSeries } from "@/data/tanks/derived";
import { draw } from "@/testing/draw";
import { DerivedView } from "./DerivedView";

afterEach(cleanup);

const ammonia: DerivedSeries = {
  ...{ of: "free-ammonia", item: null, limit: 0.02, on: "2026-11-30" },
  points: [
    {
      ...{ on: "2026-11-16", value: 0.01, low: 0.008, high: 0.012, assumed: ["salinity"] },
      from: { ammonia: 0.5, ph: 7.6, temperature: 25, salinity: 0 },
    },
    { on: "2026-11-23", value: 0.034, low: 0.03, high: 0.04, assumed: [], from: { ammonia: 0.9, ph: 8 } },
  ],
};
const evaporation: DerivedSeries = {
  ...{ of: "evaporation", item: null, limit: null, on: "2026-11-30" },
  points: [
    {
      ...{ on: "2026-11-23", value: 3.785411784, low: 3, high: 4.5, from: {}, assumed: [] },
      stood: { belowCm: 5.08, days: 7 },
    },
  ],
};
const rows = (container: HTMLElement) => [...container.querySelectorAll("tbody tr")].map((r) => r.textContent);

describe("what is worked out of the log", () => {
  test("says each day, newest first, what it was worked out from and what of that nobody read", () => {
    const { container } = draw(<DerivedView series={ammonia} units={METRIC} />);
    expect(rows(container)[0]).toMatch(/0\.0340 mg\/L0\.0300 to 0\.0400total ammonia 0\.90\smg\/L N; pH 8\.00$/);
    expect(rows(container)[1]).toMatch(/salinity 0\.0\sppt, not read that day$/);
    expect(container.textContent).toMatch(/Over 0\.0200 mg\/L it harms: since .* that was on 1 of 2 days\./);
    expect(container.querySelector("[data-derived]")?.textContent).toContain("harms from here on");
  });
  test("evaporation stands in the reader's volumes and lengths, and has no limit", () => {
    const units = { ...METRIC, volume: "US gal", length: "in" } as const;
    const { container } = draw(<DerivedView series={evaporation} units={units} />);
    expect(rows(container)).toEqual([
      expect.stringMatching(/1\.00 US gal a day0\.79 to 1\.192\.0 in below its mark after 7 days$/),
    ]);
    expect(container.textContent).not.toContain("harms");
  });
  test("says where nothing was logged", () => {
    const { container } = draw(<DerivedView series={{ ...evaporation, points: [] }} units={METRIC} />);
    expect(container.textContent).toMatch(/It was logged on no day yet\.$/);
    expect(container.querySelector("svg")).toBeNull();
  });
  test("running hours name their piece, what is usual, and when it ran most", () => {
    const meter = (on: string, value: number, hours: number) => ({
      ...{ on, value, low: value, high: value, from: {}, assumed: [], meter: { hours, days: 14 } },
    });
    const series: DerivedSeries = {
      ...{ of: "running", item: "Chiller", limit: null, on: "2026-11-30" },
      points: [meter("2026-08-03", 6, 7476), meter("2026-08-17", 23, 7798), meter("2026-08-31", 7, 7896)],
    };
    const { container } = draw(<DerivedView series={series} units={METRIC} />);
    expect(container.textContent).toContain("It runs 7.0 h a day now, 7.0 h a day as a rule.");
    expect(container.textContent).toMatch(/It ran most up to .*17 Aug.*: 23\.0 h a day\./);
    expect(rows(container)[0]).toMatch(/7\.0 h a day7\.0 to 7\.07\u202f896 h, 14 days after the reading before$/);
  });
});
