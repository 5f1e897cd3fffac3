import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { inputHash, withToday } from "../given/index.ts";
import { factsOf, inputOf, programmeOf, reading } from "../given/sample.fixture.ts";
import { OrderCycleError, orderSteps, rulesFor } from "../steps/index.ts";
import { TANK_KINDS, type TankFacts } from "../tank/index.ts";
import { missingIn } from "./planVisit.ts";
import { said } from "./said.fixture.ts";

const ids = (input: Parameters<typeof said>[0]) => said(input).steps.map((s) => s.id);
const before = (list: readonly string[], a: string, b: string) =>
  list.includes(a) && list.includes(b) && list.indexOf(a) < list.indexOf(b);

describe("order on site", () => {
  test("the sixteen steps keep their order", () => {
    const list = ids(
      inputOf(
        factsOf("stony-coral", {
          gear: ["dosing", "skimmer", "heater", "return", "wave-maker"],
          filterUnits: [{ name: "filter sock", kind: "mechanical", biological: false }],
        }),
      ),
    );
    for (const [a, b] of [
      ["arrive", "look"],
      ["look", "test-alkalinity"],
      ["test-alkalinity", "warm"],
      ["warm", "glass-inside"],
      ["glass-inside", "mix"],
      ["mix", "drain"],
      ["blow-rock", "power-down"],
      ["power-down", "drain"],
      ["drain", "skimmer-cup"],
      ["skimmer-cup", "refill"],
      ["refill", "power-up"],
      ["power-up", "socks"],
      ["socks", "dosing-check"],
      ["power-up", "feed-pause"],
      ["verify", "outside-glass"],
      ["outside-glass", "kit"],
    ] as const)
      expect(before(list, a, b), `${a} before ${b}`).toBe(true);
  });

  test("the heater goes off early and on again only under water", () => {
    const list = ids(inputOf(factsOf()));
    expect(before(list, "heater-off", "glass-inside")).toBe(true);
    expect(before(list, "refill", "heater-on")).toBe(true);
    expect(before(list, "test-temperature", "heater-off")).toBe(true);
  });

  test("rules that contradict each other are named", () => {
    const step = (id: string) => ({ id, phase: id, number: 1 });
    const rule = (a: string, b: string) => ({ before: a, after: b, reason: "" });
    expect(() => orderSteps([step("a"), step("b"), step("c")], [rule("a", "b"), rule("b", "a")])).toThrow(
      OrderCycleError,
    );
    try {
      orderSteps([step("a"), step("b"), step("c")], [rule("a", "b"), rule("b", "a")]);
    } catch (error) {
      expect((error as OrderCycleError).steps).toEqual(["a", "b"]);
    }
  });

  test("order respects every rule for any kind, any practice and any part of the programme, and is stable", () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...TANK_KINDS),
        fc.constantFrom("drain-then-fill", "in-and-out", "animals-out"),
        fc.constantFrom("before", "after", "by-owner"),
        fc.constantFrom("on", "off"),
        fc.array(fc.boolean(), { minLength: 40, maxLength: 40 }),
        (kind, how, feeding, pumpsAtSiphon, keep) => {
          const plain = factsOf(kind, { gear: ["top-up", "skimmer", "heater", "return", "wave-maker"] });
          const facts: TankFacts = {
            ...plain,
            practice: {
              ...plain.practice,
              how: how as "in-and-out",
              feeding: feeding as "before",
              pumpsAtSiphon: pumpsAtSiphon as "on",
            },
          };
          const { steps } = said(inputOf(facts, { tasks: programmeOf(kind, "2026-08-01").filter((_, i) => keep[i]) }));
          for (const { before: early, after: late } of rulesFor(facts.practice)) {
            const isAt = (name: string) => (s: (typeof steps)[number]) => s.id === name || s.phase === name;
            const lastEarly = steps.findLastIndex((s) => isAt(early)(s) && !isAt(late)(s));
            const firstLate = steps.findIndex((s) => isAt(late)(s) && !isAt(early)(s));
            if (lastEarly >= 0 && firstLate >= 0) expect(lastEarly, `${early} before ${late}`).toBeLessThan(firstLate);
          }
          expect(orderSteps([...steps].reverse(), rulesFor(facts.practice)).map((s) => s.id)).toEqual(
            steps.map((s) => s.id),
          );
          expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
        },
      ),
      { numRuns: 150 },
    ));
});

describe("the list follows the tank", () => {
  test("removing a due task removes its step", () => {
    const input = inputOf();
    const without = inputOf(factsOf(), { tasks: input.tasks.filter((t) => t.code !== "glass-inside") });
    expect(ids(input)).toContain("glass-inside");
    expect(ids(without)).not.toContain("glass-inside");
  });
  test("removing the sump removes the siphon start and moves the mark", () => {
    const sump = {
      lengthM: 0.8,
      widthM: 0.4,
      heightM: 0.4,
      runningLevelM: 0.25,
      lowestLevelM: 0.1,
      pipesL: 5,
      weirM: 0.39,
    };
    const withSump = factsOf("stony-coral", { sump, gear: ["return", "heater"] });
    const { sump: _gone, ...bare } = withSump;
    expect(ids(inputOf(withSump))).toContain("siphon-start");
    expect(ids(inputOf(bare))).not.toContain("siphon-start");
  });
  // Only the way differs; the list of steps must too.
  test.each([
    ["feeding", "before", "after"],
    ["how", "drain-then-fill", "in-and-out"],
    ["how", "drain-then-fill", "animals-out"],
    ["heater", "off", "lowered"],
    ["substrate", "sectors", "never"],
    ["panels", "all", "leave-one"],
    ["policy", "fixed-share", "continuous"],
  ] as const)("way %s: %s or %s", (way, a, b) => {
    const of = (value: string) => {
      const bare = factsOf("brackish");
      const facts = { ...bare, display: { ...bare.display, substrate: "sand" as const, substrateDepthM: 0.04 } };
      return said(inputOf({ ...facts, practice: { ...facts.practice, [way]: value } })).steps.map(
        (s) => `${s.id}: ${s.title}`,
      );
    };
    expect(of(a)).not.toEqual(of(b));
  });
  test("today's sector is the one after the last", () => {
    const tasks = programmeOf("community").map((t) => (t.code === "vacuum-sector" ? { ...t, lastSector: 4 } : t));
    expect(said(inputOf(factsOf(), { tasks })).steps.find((s) => s.id === "vacuum-sector")?.sector).toBe(1);
  });
  test("a filter that must rest is told, not done", () => {
    const tasks = programmeOf("rift-lake", "2026-09-01").map((t) =>
      t.code === "filter-a" ? { ...t, lastDoneOn: "2026-11-10" } : t,
    );
    const list = ids(inputOf(factsOf("rift-lake"), { tasks }));
    expect(list).toContain("held:filter-b");
    expect(list).not.toContain("filter-b");
  });
  test("a step says how a good hand does it: a blade on glass, none on acrylic, shallow in the sand", () => {
    const craft = (facts: TankFacts, id: string) => said(inputOf(facts)).steps.find((s) => s.id === id)?.craft ?? "";
    expect(craft(factsOf(), "glass-inside")).toContain("blade at about 45°");
    expect(craft(factsOf(), "glass-inside")).toContain("card at the sand line");
    expect(craft({ ...factsOf(), material: "acrylic" }, "glass-inside")).not.toContain("blade");
    expect(craft({ ...factsOf(), material: "acrylic" }, "glass-inside")).toContain("card at the sand line");
    expect(craft(factsOf("stony-coral"), "blow-rock")).toContain("only the top of open sand");
  });
  test("an open finding opens the visit", () => {
    const findings = [{ id: "f1", kind: "equipment" as const, text: "Pump is loud", dueOn: "2026-11-25" }];
    expect(said(inputOf(factsOf(), { findings })).steps.find((s) => s.id === "finding:f1")).toMatchObject({
      phase: "look",
      reason: "It was put off to today.",
    });
  });
  test("a skipped job says that it slipped, and why", () => {
    const tasks = programmeOf("community").map((t) =>
      t.code === "prefilter" ? { ...t, slips: 2, lastSkipReason: "no time left" } : t,
    );
    expect(said(inputOf(factsOf(), { tasks })).steps.find((s) => s.id === "prefilter")).toMatchObject({
      slips: 2,
      reason: expect.stringContaining("no time left"),
    });
  });
});

describe("the plan follows the log", () => {
  test("a reading changes it, and taking the reading back restores it exactly", () => {
    const input = inputOf();
    const raised = said(withToday(input, { readings: [reading("nitrate", 60)], belowMarkCm: null }));
    expect(raised.water.litres.value).toBeGreaterThan(said(input).water.litres.value);
    expect(said(withToday(input, { readings: [], belowMarkCm: null }))).toEqual(said(input));
    expect(inputHash(withToday(input, { readings: [], belowMarkCm: null }))).toBe(inputHash(input));
  });
  test("learnt minutes lengthen the visit", () => {
    // After the water is back nothing runs by itself that would swallow them. (3·ln 3 + 12·ln 24)/15: 15.83 for 3.
    const slow = said(inputOf(factsOf(), { loggedMinutes: { "outside-glass": Array(12).fill(24) } }));
    expect(slow.minutes - said(inputOf()).minutes).toBeCloseTo(12.83, 2);
  });
  test("a person who works slower makes every step longer, and eight visits in ten keep to the cautious figure", () => {
    const [plain, slow] = [said(inputOf()), said(inputOf(factsOf(), { personFactor: 1.2 }))];
    const of = (plan: typeof plain, id: string) => plan.steps.find((s) => s.id === id)?.minutes ?? 0;
    expect(of(slow, "glass-inside")).toBeCloseTo(1.2 * of(plain, "glass-inside"), 9);
    expect(plain.cautiousMinutes).toBeGreaterThan(plain.minutes);
  });
  test("what the van carries anyway is not to be loaded", () => {
    expect(missingIn(["towels", "drain hose, 14 m", "glass scraper"], ["Towels", "drain hose"])).toEqual([
      "glass scraper",
    ]);
  });
  test("kit and load follow from the steps", () => {
    const plan = said(inputOf(factsOf("soft-coral"), { site: { drain: "septic", bucketL: 20, hygieneLast: false } }));
    expect(plan.kit).toContain("waste barrel");
    expect(plan.load.wasteL).toBeCloseTo(plan.water.litres.value, 9);
    expect(plan.load.mixL).toBeGreaterThan(0);
    expect(said(inputOf()).load).toMatchObject({ mixL: 0, wasteL: 0 });
  });
  test("a snapshot of any kind's plan stays under 20 kB", () => {
    for (const kind of TANK_KINDS) {
      // Every job that such a tank has, all due at once.
      const input = inputOf(factsOf(kind));
      const tasks = input.tasks.map((t) => ({ ...t, lastDoneOn: "2024-06-01" }));
      expect(JSON.stringify(said({ ...input, tasks })).length, kind).toBeLessThan(20_000);
    }
  });
});

describe("what is known of the site", () => {
  const site = { drain: "sewer", bucketL: 20, hygieneLast: false } as const;
  const of = (more: object) => said(inputOf(factsOf(), { site: { ...site, ...more } }));
  const step = (plan: ReturnType<typeof of>, id: string) => plan.steps.find((s) => s.id === id);
  test("floors are covered and pets kept out, only where there are any", () => {
    expect(step(of({}), "arrive")?.caution).toBeUndefined();
    expect(step(of({ floors: "oak boards" }), "arrive")?.kit).toContain("cover for the floor: oak boards");
    expect(step(of({ pets: "two dogs" }), "arrive")?.caution).toBe(
      "In the house: two dogs. Doors closed while hoses lie.",
    );
  });
  test("a hose is as long as its way, with a metre at each end", () => {
    expect(step(of({}), "drain")?.kit).toContain("drain hose");
    expect(step(of({ drainDistanceM: 12 }), "drain")?.kit).toContain("drain hose, 14\u00a0m");
  });
});
