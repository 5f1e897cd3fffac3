import { describe, expect, test } from "vitest";
import { judgeLot, type SeaLot } from "./index.ts";

describe("water that was collected", () => {
  const limits = { lowestPsu: 30, warmestC: 24, keepsDays: 3, permittedUntil: "2026-12-31" };
  const good: SeaLot = {
    onDate: "2026-11-29",
    litres: 150,
    salinityPsu: 34,
    temperatureC: 11,
    notices: "none",
    permitted: true,
  };
  const says = (change: Partial<SeaLot>, on = "2026-11-29") =>
    judgeLot({ ...good, ...change }, limits, on).why.map((w) => ("say" in w ? w.say : ""));
  test("is used when all was looked at and nothing stands against it", () => {
    expect(judgeLot(good, limits, "2026-12-02")).toEqual({ usable: true, why: [] });
  });
  test("each finding forbids it by itself", () => {
    expect(says({ salinityPsu: 29.9 })).toEqual(["sea.thin"]);
    expect(says({ salinityPsu: null })).toEqual(["sea.no-salinity"]);
    expect(says({ temperatureC: 24.5 })).toEqual(["sea.warm"]);
    expect(says({ temperatureC: null })).toEqual(["sea.no-temperature"]);
    expect(says({ notices: "discharge" })).toEqual(["sea.discharge"]);
    expect(says({ notices: "bloom" })).toEqual(["sea.bloom"]);
    expect(says({ notices: "not-looked" })).toEqual(["sea.not-looked"]);
    expect(says({ permitted: false })).toEqual(["sea.not-permitted"]);
    expect(says({ onDate: "2027-01-01" }, "2027-01-01")).toEqual(["sea.permission-over"]);
    expect(says({}, "2026-12-03")).toEqual(["sea.old"]);
  });
});
