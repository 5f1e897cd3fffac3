import { describe, expect, test } from "vitest";
import { offerRhythm } from "../change/index.ts";
import { factsOf, inputOf, reading } from "../given/sample.fixture.ts";

/** 200 L, a quarter changed at each visit with a tap of 5 mg/L nitrate; ideal up to 30. */
const tank = (perDay: number, now = 24) =>
  inputOf(factsOf(), {
    readings: [reading("nitrate", now), reading("temperature", 25, 0.1)],
    rates: { nitrate: { enough: true, perDay, perDaySigma: 0.05, now, nowSigma: 1, readings: 8 } },
  });

describe("another rhythm", () => {
  test("is offered to a tank that drifts since it is visited too seldom", () => {
    // At 1.5 a day a week settles at 5 + 10.5/0.25 = 47; (30 - 5)·0.25/1.5 = 4.2 days hold it.
    expect(offerRhythm(tank(1.5), 7, "drifting")).toMatchObject({
      ...{ kind: "shorter", days: 3.5, parameter: "nitrate", ceiling: 30, holdsDays: 4 },
      peak: expect.closeTo(47, 6),
    });
    // Fortnightly: the longest that still holds it is the same.
    expect(offerRhythm(tank(1.5), 14, "off")).toMatchObject({ days: 3.5, peak: expect.closeTo(89, 6) });
    expect(offerRhythm(tank(0.8), 14, "drifting")).toMatchObject({ days: 7, holdsDays: 7 });
  });
  test("a longer one is offered to a steady tank that would hold it, one step, with something to spare", () => {
    // At 0.3 a day (30 - 5)·0.25/0.3 = 20.8 days.
    expect(offerRhythm(tank(0.3), 7, "steady")).toMatchObject({ kind: "longer", days: 14, holdsDays: 20 });
    expect(offerRhythm(tank(0.3), 14, "steady")).toBeNull();
    expect(offerRhythm(tank(0.05), 28, "steady")).toBeNull();
  });
  test("none where nothing was fitted, where nobody knows how it is, or where no rhythm would do", () => {
    expect(offerRhythm(inputOf(factsOf()), 7, "drifting")).toBeNull();
    expect(offerRhythm(tank(1.5), 7, "unknown")).toBeNull();
    expect(offerRhythm(tank(9), 7, "off")).toBeNull();
    // Drifting for another reason: nitrate is held as it is.
    expect(offerRhythm(tank(0.3), 7, "drifting")).toBeNull();
  });
});
