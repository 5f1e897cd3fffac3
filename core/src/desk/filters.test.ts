import { describe, expect, test } from "vitest";
import { METRIC, type UnitPreference } from "../units/index.ts";
import { ENTITIES, readFilters, recordKinds, sayFilter, testsOf } from "./index.ts";

const us: UnitPreference = { ...METRIC, volume: "US gal", length: "in", temperature: "°F" };
const one = (address: object, units = METRIC) => readFilters("tank", address as Record<string, string>, units);

describe("filters of a list", () => {
  test("are read by what a field is", () => {
    const { filters, issues } = one({
      "is.kind": "planted",
      "has.name": "lobby",
      "from.startedOn": "2024-01-01",
      "to.display.substrateDepthM": "5",
      "is.lidded": "no",
    });
    expect(issues).toEqual({});
    const found = Object.fromEntries(filters.map((f) => [`${f.test}.${f.field.key}`, f.value]));
    expect(found).toEqual({
      "is.kind": "planted",
      "has.name": "lobby",
      "from.startedOn": "2024-01-01",
      "to.display.substrateDepthM": 0.05,
      "is.lidded": false,
    });
  });
  test("are in the person's units", () => {
    // 77 °F are 25 °C; 2 inches are 5.08 cm.
    const { filters } = one({ "from.targetC": "77", "to.display.substrateDepthM": "2" }, us);
    expect(filters.find((f) => f.field.key === "targetC")?.value).toBeCloseTo(25, 9);
    expect(filters.find((f) => f.field.key.endsWith("DepthM"))?.value).toBeCloseTo(0.0508, 9);
    expect(filters.map((f) => sayFilter(f, us))).toEqual(["depth of the bed up to 2.0 in", "temperature from 77.0 °F"]);
  });
  test("that cannot be read say so beside their name, and the others hold", () => {
    const { filters, issues } = one({ "from.targetC": "warm", "is.kind": "dragon", "has.name": "lobby" });
    expect(filters.map((f) => f.field.key)).toEqual(["name"]);
    expect(issues["from.targetC"]).toContain("not a number");
    expect(issues["is.kind"]).toContain("not one of");
  });
  test("outside of what a field may hold are no mistake", () =>
    expect(one({ "from.targetC": "400" }).issues).toEqual({}));
  test("that ask nothing, or for what does not exist, are none", () =>
    expect(one({ "is.kind": " ", "is.secret": "x", "from.name": "a", q: "reef" }).filters).toEqual([]));
  test("fit every field that stands in a column", () => {
    for (const entity of ENTITIES)
      for (const field of recordKinds[entity].fields)
        expect(testsOf(field).length > 0, `${entity} ${field.key}`).toBe(
          !["list", "many", "windows"].includes(field.type.kind),
        );
  });
  test("are told in words", () => {
    const { filters } = readFilters(
      "site",
      { "is.drain": "septic", "has.askFor": "nurse", "is.hotWater": "yes" },
      METRIC,
    );
    expect(filters.map((f) => sayFilter(f, METRIC))).toEqual([
      "ask for with “nurse”",
      "waste water goes to a septic tank: never salt water",
      "hot water at the tap yes",
    ]);
  });
});
