import { describe, expect, test } from "vitest";
import {
  co2Series,
  type DatedReading,
  evaporationSeries,
  freeAmmoniaSeries,
  runningSaid,
  runningSeries,
} from "./index.ts";

const read = (parameter: DatedReading["parameter"], value: number, on = "2026-11-20", sigma = 0): DatedReading => ({
  ...{ parameter, value, sigma, on },
});
const SEA = { targetC: 25, targetPsu: 35 };
const FRESH = { targetC: 25, targetPsu: 0 };

describe("free ammonia as a series", () => {
  test("comes to the published shares: 5.37 % fresh at 25 °C and pH 8.0, 6.46 % in sea water at pH 8.2", () => {
    // Emerson et al. 1975; Bell et al. 2007. A mg/L of nitrogen is 1.2159 of ammonia.
    const fresh = freeAmmoniaSeries([read("ammonia", 1), read("ph", 8)], FRESH)[0];
    expect((fresh?.value ?? 0) / 1.2159).toBeCloseTo(0.0537, 4);
    const sea = freeAmmoniaSeries([read("ammonia", 1), read("ph", 8.2)], SEA)[0];
    expect((sea?.value ?? 0) / 1.2159).toBeCloseTo(0.0646, 4);
  });
  test("takes that day's temperature and salinity, else the tank's own, and says which", () => {
    const [point] = freeAmmoniaSeries([read("ammonia", 1), read("ph", 8), read("temperature", 20)], FRESH);
    expect((point?.value ?? 0) / 1.2159).toBeCloseTo(0.0381, 4);
    expect(point?.assumed).toEqual(["salinity"]);
  });
  test("has a day only where both were read, in order of the days, the last reading of a day counting", () => {
    const all = [
      read("ammonia", 1, "2026-11-22"),
      read("ph", 8, "2026-11-22"),
      read("ammonia", 0.5, "2026-11-20"),
      read("ph", 7, "2026-11-20"),
      read("ph", 8, "2026-11-20"),
      read("ammonia", 1, "2026-11-21"),
    ];
    const series = freeAmmoniaSeries(all, FRESH);
    expect(series.map((p) => p.on)).toEqual(["2026-11-20", "2026-11-22"]);
    expect(series[0]?.from.ph).toBe(8);
  });
  test("a tenth of pH either way is nearly a quarter of it, and none is less than nothing", () => {
    const [sure] = freeAmmoniaSeries([read("ammonia", 1), read("ph", 8)], FRESH);
    expect([sure?.low, sure?.high]).toEqual([sure?.value, sure?.value]);
    const [point] = freeAmmoniaSeries([read("ammonia", 1), read("ph", 8, "2026-11-20", 0.1 / 1.959964)], FRESH);
    const up = (point?.high ?? 0) / (point?.value ?? 1) - 1;
    expect(up).toBeGreaterThan(0.2);
    expect(up).toBeLessThan(0.26);
    const [none] = freeAmmoniaSeries([read("ammonia", 0, "2026-11-20", 0.05), read("ph", 8)], FRESH);
    expect(none).toMatchObject({ value: 0, low: 0 });
  });
});

describe("carbon dioxide as a series", () => {
  test("is 19 mg/L at 4 dKH and pH 6.8, within 30 %", () => {
    const [point] = co2Series([read("alkalinity", 4), read("ph", 6.8)]);
    expect(point?.value).toBeCloseTo(19.0, 1);
    expect((point?.high ?? 0) / (point?.value ?? 1)).toBeCloseTo(1.3, 2);
    expect((point?.low ?? 0) / (point?.value ?? 1)).toBeCloseTo(0.7, 2);
  });
  test("is not told of water without KH, nor of figures beyond the formula as another number than its end", () => {
    expect(co2Series([read("alkalinity", 0), read("ph", 6.8)])).toEqual([]);
    expect(co2Series([read("alkalinity", 4), read("ph", 11)])[0]?.value).toBeCloseTo(3 * 4 * 10 ** -3, 9);
    expect(co2Series([read("alkalinity", 4)])).toEqual([]);
  });
});

describe("evaporation as a series", () => {
  const level = (on: string, belowCm: number, days: number) => ({ on, belowCm, missingL: 3.5 * belowCm, days });
  test("is what was missing over the days; a ruler read 3 mm off is its range", () => {
    // 3.5 L a centimetre: 2 cm in a week are a litre a day, 3 mm are 0.15 of one.
    expect(evaporationSeries([level("2026-11-20", 2, 7), level("2026-11-27", 0, 7)])).toEqual([
      {
        ...{ on: "2026-11-20", value: 1, from: {}, assumed: [], stood: { belowCm: 2, days: 7 } },
        ...{ low: expect.closeTo(0.85, 9), high: expect.closeTo(1.15, 9) },
      },
      {
        ...{ on: "2026-11-27", value: 0, low: 0, from: {}, assumed: [], stood: { belowCm: 0, days: 7 } },
        high: expect.closeTo(0.15, 9),
      },
    ]);
  });
  test("has no day without a visit before, and none is made of no level at all", () => {
    expect(evaporationSeries([level("2026-11-20", 2, 0)])).toEqual([]);
    expect(evaporationSeries([])).toEqual([]);
    expect(evaporationSeries([level("2026-11-20", 0, 7)])[0]).toMatchObject({ value: 0, low: 0, high: 0 });
  });
});

describe("running hours as a series", () => {
  const read = (on: string, hours: number) => ({ on, hours });
  test("are hours a day between two readings, within what a meter of whole hours can tell", () => {
    const [first, second] = runningSeries([
      ...[read("2026-08-03", 7560), read("2026-08-17", 7644), read("2026-08-31", 7966)],
    ]);
    // 84 h in 14 days; 322 h in 14 days.
    expect(first).toMatchObject({ on: "2026-08-17", value: 6, meter: { hours: 7644, days: 14 } });
    expect(first?.low).toBeCloseTo(83 / 14, 9);
    expect(first?.high).toBeCloseTo(85 / 14, 9);
    expect(second?.value).toBe(23);
  });
  test("begin anew where a meter shows less: it is another one", () => {
    const series = runningSeries([read("2026-08-01", 900), read("2026-08-11", 3), read("2026-08-21", 103)]);
    expect(series.map((p) => [p.on, p.value])).toEqual([["2026-08-21", 10]]);
  });
  test("two readings of a day are one, the later, and no day has more than 24 of them", () => {
    const twice = [read("2026-08-01", 0), read("2026-08-02", 20), read("2026-08-02", 25), read("2026-08-03", 60)];
    expect(runningSeries(twice).map((p) => [p.value, p.high])).toEqual([
      [24, 24],
      [24, 24],
    ]);
    expect(runningSeries([])).toEqual([]);
  });
  test("tell what is usual and when it ran most, from three on", () => {
    const at = (hours: readonly number[]) => runningSeries(hours.map((h, i) => read(`2026-08-0${i + 1}`, h)));
    expect(runningSaid(at([0, 6, 12]))).toBeNull();
    expect(runningSaid(at([0, 6, 12, 35, 41]))).toEqual({
      ...{ nowPerDay: 6, usualPerDay: 6 },
      most: { on: "2026-08-04", perDay: 23 },
    });
    expect(runningSaid(at([0, 6, 12, 19]))?.most).toBeNull();
  });
});
