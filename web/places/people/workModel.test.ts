import { METRIC, type UnitPreference } from "@keel-round/core/units";
import { describe, expect, test } from "vitest";
import { barrelsOf, minuteOf, shownRoom, shownVan, vanKgOf, vanLOf } from "./workModel";

const GALLONS: UnitPreference = { ...METRIC, volume: "US gal", length: "in", temperature: "°F" };

describe("what a van carries", () => {
  test.each([METRIC, GALLONS])("is not changed by being shown and saved untouched", (units) => {
    expect(vanKgOf(shownVan(440, units), 440, units)).toBe(440);
  });
  test("is read as it is written, and in the unit it was shown in", () => {
    expect(vanKgOf("350", 440, METRIC)).toBe(350);
    expect(vanKgOf("1 250", 440, METRIC)).toBe(1250);
    // Whoever reads pounds types pounds: 1000 lb are 453.6 kg.
    expect(shownVan(453.592, GALLONS)).toBe("1\u202f000");
    expect(vanKgOf("1000", 440, GALLONS)).toBeCloseTo(453.592, 2);
  });
  test("that is no number is none", () => {
    expect(vanKgOf("", 440, METRIC)).toBeNull();
    expect(vanKgOf("much", 440, METRIC)).toBeNull();
  });
});

test("the room of a van may be left empty, and what is no number is told apart from that", () => {
  expect(vanLOf("", 420, METRIC)).toBeNull();
  expect(vanLOf("420", 420, METRIC)).toBe(420);
  expect(vanLOf(shownRoom(420, GALLONS), 420, GALLONS)).toBe(420);
  // 100 US gallons are 378.54 L.
  expect(vanLOf("100", 420, GALLONS)).toBeCloseTo(378.54, 2);
  expect(vanLOf("much", 420, METRIC)).toBeNaN();
  expect(shownRoom(null, METRIC)).toBe("");
  expect([barrelsOf(""), barrelsOf("6"), barrelsOf("six")]).toEqual([null, 6, Number.NaN]);
});

test("a clock is a minute of the day, or nothing", () => {
  expect(minuteOf("06:30")).toBe(390);
  expect(minuteOf("00:00")).toBe(0);
  expect(minuteOf("")).toBeNull();
});
