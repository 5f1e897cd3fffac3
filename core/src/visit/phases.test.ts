import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { factsOf, inputOf } from "../given/sample.fixture.ts";
import { anyVisit } from "./carriedOut/anyTank.fixture.ts";
import { phasesOf } from "./phases.ts";
import { planVisit } from "./planVisit.ts";

describe("the phases of a visit", () => {
  test("hold every step once, in the order of the plan", () =>
    fc.assert(
      fc.property(anyVisit, (input) => {
        const { steps } = planVisit(input);
        expect(phasesOf(steps).flatMap((p) => p.steps)).toEqual(steps);
      }),
    ));
  test("are nine screens at most on an ordinary tank, and no two of one part in a row", () => {
    const phases = phasesOf(planVisit(inputOf(factsOf("community"))).steps);
    expect(phases.map((p) => p.title).slice(0, 2)).toEqual(["Arrive", "Look and measure"]);
    expect(phases.at(-1)?.title).toBe("Check and leave");
    expect(phases.length).toBeLessThanOrEqual(9);
  });
  test("come back under their own number where the order on site asks for it", () => {
    const phases = phasesOf([{ phase: "drain" }, { phase: "hardware" }, { phase: "drain" }] as const);
    expect(phases.map((p) => p.id)).toEqual(["drain", "below", "drain 2"]);
  });
});
