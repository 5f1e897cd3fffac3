import { describe, expect, test } from "vitest";
import { factsOf, inputOf, programmeOf, reading, tap } from "../given/sample.fixture.ts";
import { say } from "../say/index.ts";
import { conditionerNow, litresNow, stepDoing } from "../steps/index.ts";
import { METRIC, type UnitPreference } from "../units/index.ts";
import { planVisit } from "./index.ts";

const plain = (text: string) => text.replaceAll(/[\u00a0\u202f]/g, " ");
const AMERICAN: UnitPreference = { ...METRIC, volume: "US gal", length: "in", temperature: "°F" };

describe("what goes in at once", () => {
  test("is for the litres that stand in the tank, not for those it holds when it is full", () => {
    const input = inputOf(factsOf("community"), { source: tap });
    expect(litresNow({ ...input, belowMarkCm: 0 })).toBeCloseTo(200, 6);
    // 4 cm of 40 are a tenth.
    expect(litresNow({ ...input, belowMarkCm: 4 })).toBeCloseTo(180, 6);
    expect(plain(say(conditionerNow({ ...input, belowMarkCm: 4 }), METRIC))).toBe(
      "18.0 mL of Conditioner A for the 180 L in the tank now",
    );
    expect(plain(say(conditionerNow({ ...input, belowMarkCm: 4 }), AMERICAN))).toMatch(/for the 47\.6 US gal/);
  });
  test("is more where the tap was measured with chloramine, and never more than the label allows", () => {
    const conditioner = { ...tap.conditioner, removesMgL: 1 } as NonNullable<typeof tap.conditioner>;
    const dose = (chloramine: number) =>
      plain(
        say(
          conditionerNow(
            inputOf(factsOf("community"), {
              source: { ...tap, conditioner, chemistry: { ...tap.chemistry, chloramine, chlorine: 0 } },
            }),
          ),
          METRIC,
        ),
      );
    expect(dose(2)).toMatch(/^40\.0 mL/);
    expect(dose(9)).toMatch(/^60\.0 mL/);
  });
  test("is what the label says where the firm has none in its waters", () => {
    const { conditioner: _, ...bare } = tap;
    const input = inputOf(factsOf("community"), { source: bare });
    expect(plain(say(conditionerNow({ ...input, topUpSource: bare }), METRIC))).toBe("what the label says for 200 L");
  });
});

describe("the step that does what is asked for", () => {
  const gasping = { id: "g", trouble: "gasping" as const };
  test("is the programme's own where the visit has it, else one of its own", () => {
    const tasks = programmeOf("community", "2026-01-01");
    const plan = planVisit({ ...inputOf(factsOf("community"), { readings: [], tasks }), troubles: [gasping] });
    expect(stepDoing(plan.steps, "measure-temperature")?.id).toBe("test-temperature");
    expect(stepDoing(plan.steps, "air-now")?.id).toBe("act:air-now");
    const bare = planVisit({ ...inputOf(factsOf("community"), { readings: [], tasks: [] }), troubles: [gasping] });
    expect(stepDoing(bare.steps, "measure-temperature")?.id).toBe("act:measure-temperature");
  });
  test("is none where it was measured already, and none of a trouble that nobody found", () => {
    const read = planVisit({
      ...inputOf(factsOf("community"), { readings: [reading("chlorine", 0)], tasks: [] }),
      troubles: [gasping],
    });
    expect(stepDoing(read.steps, "measure-chlorine")).toBeUndefined();
    expect(stepDoing(planVisit(inputOf(factsOf("community"), { tasks: [] })).steps, "air-now")).toBeUndefined();
  });
});
