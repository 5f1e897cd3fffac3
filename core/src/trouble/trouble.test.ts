import { describe, expect, test } from "vitest";
import "../guide/index.ts";
import { factsOf, inputOf, mix, reading, TODAY, tap } from "../given/sample.fixture.ts";
import { say, sayAll } from "../say/index.ts";
import { TANK_KINDS, type TankFacts } from "../tank/index.ts";
import { METRIC } from "../units/index.ts";
import { planVisit, sayPlan } from "../visit/index.ts";
import {
  actionOf,
  harms,
  lookAgainOn,
  neverHere,
  TROUBLE_CODES,
  type TroubleCode,
  todayFor,
  troubleOf,
} from "./index.ts";

const found = (trouble: TroubleCode) => ({ id: `of ${trouble}`, trouble });
const planned = (facts: TankFacts, troubles: readonly TroubleCode[], change = {}) =>
  planVisit({
    ...inputOf(facts, { readings: [], tasks: [], source: mix, ...change }),
    ...{ findings: [], troubles: troubles.map(found) },
  });

describe("what is done today", () => {
  test("every trouble has something to do, a day to look again, and words for all of it", () => {
    for (const code of TROUBLE_CODES) {
      const trouble = troubleOf(code);
      expect(trouble.today.length).toBeGreaterThan(0);
      expect(trouble.again.length).toBeGreaterThan(0);
      for (const action of trouble.today) {
        expect(say({ say: `act.${action}.reason` }, METRIC)).not.toBe("");
        if (actionOf(action)?.caution) expect(say({ say: `act.${action}.caution` }, METRIC)).not.toBe("");
      }
      for (const part of ["", ".why", ...(trouble.owner ? [".owner"] : [])])
        expect([code, part, say({ say: `trouble.${code}${part}` }, METRIC)]).not.toEqual([code, part, ""]);
      if (trouble.refer) expect(say({ say: `refer.${trouble.refer}` }, METRIC)).not.toBe("");
    }
  });
  test("is steps of the visit in their place, with minutes, kit and why; nothing twice", () => {
    const reef = factsOf("soft-coral", { gear: ["heater", "return", "wave-maker"] });
    const plain = planned(reef, []);
    const plan = planned(reef, ["slime"]);
    const ids = plan.steps.map((s) => s.id);
    for (const id of ["act:siphon-sheets", "act:clear-pump", "act:aim-flow"]) expect(ids).toContain(id);
    expect(ids.indexOf("act:siphon-sheets")).toBeGreaterThan(ids.indexOf("look"));
    expect(ids.indexOf("act:siphon-sheets")).toBeLessThan(ids.indexOf("act:clear-pump"));
    expect(plan.minutes).toBeGreaterThan(plain.minutes);
    expect(plan.kit.map((k) => k.item)).toContain("narrow hose");
    expect(new Set(ids).size).toBe(ids.length);
    const step = sayPlan(plan, METRIC).steps.find((s) => s.id === "act:siphon-sheets");
    expect(step?.reason).toContain("Slime bacteria");
  });
  test("two troubles ask for the same thing once; what was measured today is not asked for", () => {
    const reef = factsOf("soft-coral", { gear: ["heater", "return"] });
    const both = planned(reef, ["fish-spots", "fish-dead"]).steps.filter((s) => s.id === "act:measure-ammonia");
    expect(both).toHaveLength(1);
    const measured = planned(reef, ["fish-dead"], { readings: [reading("ammonia", 0)] });
    expect(measured.steps.map((s) => s.id)).not.toContain("act:measure-ammonia");
  });
  test("conditioner is worked out for the litres that stand in the tank, by the firm's own label", () => {
    // 200 L, a tenth of it missing: 180 L at 10 mL for 100 L.
    const facts = factsOf("community");
    const plan = planVisit({
      ...inputOf(facts, { readings: [], tasks: [], source: tap }),
      ...{ belowMarkCm: 4, troubles: [found("chlorine")] },
    });
    const step = sayPlan(plan, METRIC).steps.find((s) => s.id === "act:condition-tank");
    expect(step?.title.replaceAll(/[\u00a0\u202f]/g, " ")).toBe(
      "Condition the whole tank: 18.0 mL of Conditioner A for the 180 L in the tank now",
    );
  });
  test("peroxide is counted for the litres at that moment too: less water, less of it", () => {
    const dose = (belowMarkCm: number) => {
      const input = inputOf(factsOf("planted"), { readings: [], tasks: [] });
      const plan = planVisit({
        ...input,
        belowMarkCm,
        facts: { ...input.facts, animals: [] },
        troubles: [found("dark-tufts")],
      });
      const title = sayPlan(plan, METRIC).steps.find((s) => s.id === "act:spot-peroxide")?.title ?? "";
      return Number(/at most ([\d.]+)/.exec(title)?.[1]);
    };
    expect(dose(0)).toBeCloseTo(10, 1);
    expect(dose(28)).toBeCloseTo(3, 1);
  });
});

describe("what harms", () => {
  /** Pairs that a specialist would never let pass. */
  const FORBIDDEN = [
    ["more-water", "dinoflagellates", "soft-coral", "clownfish"],
    ["fresh-water-in", "jelly-light", "jellyfish", "moon jellies"],
    ["salt-in", "jelly-heavy", "jellyfish", "moon jellies"],
    ["treat-algae", "hair-rooted", "shrimp", "bee shrimp"],
    ["spot-peroxide", "dark-tufts", "planted", "cherry shrimp"],
    ["clean-filter", "bacterial-bloom", "community", "tetras"],
    ["medicate", "fish-spots", "community", "tetras"],
    ["feed", "low-oxygen", "community", "tetras"],
  ] as const;
  test.each(FORBIDDEN)("%s with %s in a tank of %s with %s is on the list, in words", (advice, trouble, kind, name) => {
    const input = inputOf(factsOf(kind, { animals: [{ name, count: 5 }] }), {});
    expect(harms(advice, trouble, input)).toBe(true);
    const told = neverHere(trouble, input).map((message) => say(message, METRIC));
    expect(told.length).toBeGreaterThan(0);
    expect(told).not.toContain("");
  });
  test("no step of any trouble in any tank harms, whatever lives there", () => {
    for (const kind of TANK_KINDS)
      for (const name of ["tetras", "bee shrimp", "turbo snails", "star coral", "moon jellies"])
        for (const trouble of TROUBLE_CODES) {
          const input = inputOf(factsOf(kind, { animals: [{ name, count: 3 }] }), {});
          for (const action of todayFor([trouble], input))
            expect([kind, trouble, action, harms(action, trouble, input)]).toEqual([kind, trouble, action, false]);
        }
  });
});

describe("looking again", () => {
  test("is on its days after the visit", () => {
    expect(lookAgainOn("hair-young", TODAY).map((a) => a.on)).toEqual(["2026-12-02", "2026-12-23"]);
  });
  test("asks for what was measured, and says that it was seen before", () => {
    const plan = planVisit({
      ...inputOf(factsOf("soft-coral"), { readings: [], tasks: [], source: mix }),
      findings: [
        { id: "f", kind: "water", text: "Slime bacteria", minutes: 10, dueOn: TODAY, giveDays: 2, trouble: "slime" },
      ],
    });
    const step = plan.steps.find((s) => s.id === "finding:f");
    expect(step?.enters).toContainEqual({ reading: "phosphate", needed: false });
    expect(step?.minutes).toBeCloseTo(10, 0);
    expect(say(step?.title ?? { told: "" }, METRIC)).toBe("Look again: Slime bacteria");
    expect(sayAll(step?.reason, METRIC)).toMatch(/looked at again by/);
  });
});
