import { createTidePredictor } from "@neaps/tide-predictor";
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { extremesOf, levelOf, lightOn, tideOn } from "./index.ts";
import { readStation, type TideStation } from "./schema.ts";

const HOUR = 3_600_000;
const MAIN = ["M2", "S2", "N2", "K1", "O1"];
const station = (change: Partial<TideStation> = {}): TideStation => ({
  name: "A quay",
  lat: 50.2,
  lon: -5.1,
  datum: "chart datum",
  z0M: 2.9,
  phases: "nodal",
  constituents: [
    { name: "M2", amplitudeM: 1.7, phaseDeg: 130 },
    { name: "S2", amplitudeM: 0.58, phaseDeg: 178 },
    { name: "N2", amplitudeM: 0.33, phaseDeg: 110 },
    { name: "K1", amplitudeM: 0.06, phaseDeg: 110 },
    { name: "O1", amplitudeM: 0.05, phaseDeg: 340 },
  ],
  ...change,
});
const plain = (phaseDeg: number): TideStation =>
  station({
    phases: "plain",
    epoch: "2026-11-29T00:00:00Z",
    constituents: MAIN.map((name) => ({
      name,
      amplitudeM: name === "M2" ? 2 : 0,
      phaseDeg: name === "M2" ? phaseDeg : 0,
    })),
  });
/** Of M2, degrees an hour: Schureman 1958, table 2. */
const M2_SPEED = 28.9841042;

describe("the level", () => {
  test("agrees with the library's own prediction, moment by moment", () => {
    const of = station();
    const theirs = createTidePredictor(
      of.constituents.map((c) => ({ name: c.name, amplitude: c.amplitudeM, phase: c.phaseDeg })),
      { offset: of.z0M, nodeCorrections: "iho" },
    );
    const ours = levelOf(of);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 3650 * 24 }), (hours) => {
        const at = Date.UTC(2020, 0, 1) + hours * HOUR;
        // Theirs takes the astronomy of the beginning of what is asked for.
        expect(ours(at)).toBeCloseTo(theirs.getWaterLevelAtTime({ time: new Date(at) }).level, 2);
      }),
      { numRuns: 100 },
    );
  });
  test("plain phases: the main lunar tide alone is a cosine from the file's moment", () => {
    const level = levelOf(plain(90));
    const start = Date.UTC(2026, 10, 29);
    expect(level(start)).toBeCloseTo(2.9, 9);
    expect(level(start + (90 / M2_SPEED) * HOUR)).toBeCloseTo(4.9, 6);
    expect(level(start + (270 / M2_SPEED) * HOUR)).toBeCloseTo(0.9, 6);
  });
  test("high and low water stand at the crests, to the minute, whoever asks from when", () => {
    const level = levelOf(plain(90));
    const start = Date.UTC(2026, 10, 29);
    const found = extremesOf(level, start, start + 24 * HOUR);
    const expected = [90, 270, 450, 630].map((deg) => Math.round((deg / M2_SPEED) * 60));
    expect(found.map((e) => (e.atMs - start) / 60_000)).toEqual(expected);
    expect(found.map((e) => e.kind)).toEqual(["high", "low", "high", "low"]);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 180 }), (minutes) => {
        expect(extremesOf(level, start + minutes * 60_000, start + 24 * HOUR)).toEqual(
          found.filter((e) => e.atMs >= start + minutes * 60_000),
        );
      }),
      { numRuns: 30 },
    );
  });
});

describe("windows", () => {
  const zone = "UTC";
  const on = "2026-11-29";
  const any = { aboveM: null, withinMinutes: null, lightOnly: false };
  test("within half an hour of high water", () => {
    const { windows } = tideOn(levelOf(plain(90)), station(), { ...any, withinMinutes: 30 }, on, zone);
    const high = [90, 450].map((deg) => Math.round((deg / M2_SPEED) * 60));
    expect(windows.map(({ from, to, highAt }) => ({ from, to, highAt }))).toEqual(
      high.map((highAt) => ({ highAt, from: highAt - 30, to: highAt + 30 })),
    );
  });
  test("above a height: a cosine stands above half its crest for a third of its time", () => {
    const { windows } = tideOn(levelOf(plain(180)), station(), { ...any, aboveM: 2.9 + 1 }, on, zone);
    expect(windows[0]?.to).toBeCloseTo(((180 + 60) / M2_SPEED) * 60, -0.5);
    expect(windows[0]?.from).toBeCloseTo(((180 - 60) / M2_SPEED) * 60, -0.5);
  });
  test("never reached: none; by daylight alone: the night's high water is not offered", () => {
    expect(tideOn(levelOf(plain(90)), station(), { ...any, aboveM: 5 }, on, zone).windows).toEqual([]);
    const light = tideOn(levelOf(plain(90)), station(), { ...any, withinMinutes: 30, lightOnly: true }, on, zone);
    expect(light.windows.map((w) => w.highAt)).toEqual([Math.round((450 / M2_SPEED) * 60)]);
  });
  test("lie inside what was asked, on any day of any year, over the change of clocks", () => {
    const level = levelOf(station());
    fc.assert(
      fc.property(
        fc.constantFrom("2026-03-29", "2026-10-25", "2026-06-01", "2027-02-28"),
        fc.integer({ min: 15, max: 180 }),
        fc.double({ min: 1, max: 5.2, noNaN: true }),
        fc.boolean(),
        (day, withinMinutes, aboveM, lightOnly) => {
          const tide = tideOn(level, station(), { aboveM, withinMinutes, lightOnly }, day, "Europe/London");
          const offset = day === "2026-06-01" ? 1 : 0;
          for (const w of tide.windows) {
            expect(w.from).toBeLessThan(w.to);
            expect(w.highM).toBeGreaterThanOrEqual(aboveM);
            if (lightOnly) expect(w.from).toBeGreaterThanOrEqual(tide.light?.from ?? Number.POSITIVE_INFINITY);
            if (day === "2026-06-01" || day === "2027-02-28") {
              expect(w.from).toBeGreaterThanOrEqual(Math.max(0, w.highAt - withinMinutes) - 1);
              const middle = Date.parse(`${day}T00:00:00Z`) + ((w.from + w.to) / 2 - 60 * offset) * 60_000;
              expect(level(middle)).toBeGreaterThanOrEqual(aboveM - 0.02);
            }
          }
        },
      ),
      { numRuns: 60 },
    );
  });
  test("sunrise and sunset as almanacs have them, none where the sun stays down", () => {
    // Greenwich, midsummer: 03:43 and 20:21 UT.
    const light = lightOn({ lat: 51.48, lon: 0 }, "2026-06-21", "UTC");
    expect(Math.abs((light?.from ?? 0) - 223)).toBeLessThanOrEqual(1);
    expect(Math.abs((light?.to ?? 0) - 1221)).toBeLessThanOrEqual(1);
    expect(lightOn({ lat: 78, lon: 15 }, "2026-12-21", "UTC")).toBeNull();
    expect(lightOn({ lat: 78, lon: 15 }, "2026-06-21", "UTC")).toEqual({ from: 0, to: 1440 });
  });
});

describe("a station's file", () => {
  test("is read, or says in a sentence what is wrong", () => {
    expect(readStation(JSON.stringify(station())).problem).toBeNull();
    const problem = (change: Partial<TideStation>) => readStation(JSON.stringify(station(change))).problem;
    expect(readStation("high water at six").problem).toContain("no JSON file");
    expect(problem({ constituents: station().constituents.filter((c) => c.name !== "N2") })).toContain("lacks N2");
    const more = (name: string) => [...station().constituents, { name, amplitudeM: 0.1, phaseDeg: 0 }];
    expect(problem({ constituents: more("Q9") })).toContain("No tidal constituent is called Q9");
    expect(problem({ constituents: more("M2") })).toContain("M2 is there twice");
    expect(problem({ phases: "plain" })).toContain("moment");
    expect(problem({ lat: 95 })).toContain("lat");
  });
});
