import { describe, expect, test } from "vitest";
import { factsOf, inputOf, TODAY } from "../given/sample.fixture.ts";
import { libraryTask, type TaskCode } from "../programme/index.ts";
import type { TankFacts } from "../tank/index.ts";
import { METRIC } from "../units/index.ts";
import { said } from "./said.fixture.ts";

const US = { ...METRIC, volume: "US gal" as const };

/** The step of one job that is due today, on a tank of 200 L that is seen again in a week. */
function stepOf(code: TaskCode, change: Partial<TankFacts> = {}, nextVisitOn = "2026-12-02", units = METRIC) {
  const facts = factsOf("soft-coral", change);
  const tasks = [{ code, ...libraryTask(code), lastDoneOn: "2026-01-01", lastSector: 0, slips: 0 }];
  const step = said(inputOf(facts, { tasks, nextVisitOn }), units).steps.find((s) => s.id === code);
  if (!step) throw new Error(`${code} is not due on ${TODAY}`);
  return step;
}

describe("what a job takes is said at its step", () => {
  // 1.5 L a day for 7 days.
  test("the reservoir gets what evaporates until the next visit", () => {
    const step = stepOf("top-up-refill", { topUp: "reservoir", reservoirL: 20, evaporationLPerDay: 1.5 });
    expect(step.title).toBe("Fill the top-up reservoir: 10.5\u00a0L");
    expect(step.craft).toBe("1.5\u00a0L evaporate in a day: this lasts the 7 days until the next visit.");
  });
  test("and no more than it holds: how long that lasts is said", () => {
    const step = stepOf("top-up-refill", { topUp: "reservoir", reservoirL: 8, evaporationLPerDay: 1.5 }, "2026-12-09");
    expect(step.title).toBe("Fill the top-up reservoir: 8\u00a0L");
    expect(step.craft).toBe(
      "It holds 8\u00a0L: that lasts 5 days, and the next visit is in 14 days. Ask the owner to fill it once more.",
    );
  });
  test("in the reader's own units", () =>
    expect(
      stepOf("top-up-refill", { topUp: "reservoir", reservoirL: 40, evaporationLPerDay: 3 }, "2026-12-02", US).title,
    ).toBe("Fill the top-up reservoir: 5.5\u00a0US gal"));
  test("a dose is the label's for all the water of the tank", () =>
    expect(stepOf("trace").title).toBe("Dose trace elements after the change: what the label says for 200\u00a0L"));
  test("food is for so many mouths", () => {
    const facts = factsOf("community", {
      practice: { ...factsOf().practice, feeding: "after" },
      animals: [
        { name: "tetras", count: 9 },
        { name: "snails", count: 4 },
      ],
    });
    const fed = said(inputOf(facts)).steps.find((s) => s.id === "feed-after");
    expect(fed?.craft).toContain("For 13 animals: as much as is gone in two minutes");
  });
});
