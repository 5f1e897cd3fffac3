import { METRIC } from "@keel-round/core/units";
import { planVisit } from "@keel-round/core/visit";
import { describe, expect, test } from "vitest";
import { factsOf, inputOf, reading } from "../../../core/src/given/sample.fixture.ts";
import { planChangeLine } from "./planChange";

const water = (nitrate: number, change = {}) =>
  planVisit(inputOf(factsOf(), { readings: [reading("nitrate", nitrate), reading("temperature", 25)], ...change }))
    .water;

describe("a plan that changed", () => {
  test("says nothing where the same water is changed", () =>
    expect(planChangeLine(water(18), water(18), METRIC)).toBeNull());
  test("says the litres before and after, and the limit that binds as the reason", () => {
    const before = water(18);
    const chosen = water(18, { chosen: { litres: 500, by: "on site" } });
    const line = planChangeLine(chosen, before, METRIC);
    expect(line?.head).toBe(
      `${Math.round(chosen.litres.value)}\u00a0L instead of ${Math.round(before.litres.value)}\u00a0L.`,
    );
    expect(chosen.binding).not.toBeNull();
    expect(line?.why).not.toBe("");
  });
  test.each([
    ["forbid", "Do not change water."],
    ["postpone", "The change is put off."],
    ["none", "No change today."],
    ["unknown", "Measure first."],
  ] as const)("%s: %s", (decision, head) =>
    expect(planChangeLine({ ...water(18), decision }, water(18), METRIC)?.head).toBe(head),
  );
});
