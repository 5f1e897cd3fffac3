import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { factsOf, inputOf, mix, programmeOf, reading, tap } from "../given/sample.fixture.ts";
import { TANK_KINDS } from "../tank/index.ts";
import { planVisit } from "../visit/index.ts";
import { type LoadedVisit, loadList } from "./index.ts";

const visit = (place: string, input: ReturnType<typeof inputOf>): LoadedVisit => ({
  place,
  input,
  plan: planVisit(input),
});
const reefOf = (saltAge: "when-clear" | "weeks") => {
  const facts = factsOf("soft-coral");
  return inputOf(
    { ...facts, practice: { ...facts.practice, saltAge } },
    {
      ...{ source: mix, tasks: [] },
      readings: [reading("salinity", 35, 0.2), reading("nitrate", 40), reading("temperature", 25)],
    },
  );
};

describe("the load of a van", () => {
  test("salt that is stirred in on site is weighed in a bag for each place, and no water is brought for it", () => {
    const list = loadList([visit("Kettle", reefOf("when-clear")), visit("Saltmarket", reefOf("when-clear"))], []);
    const salt = list.amounts.find((a) => a.item === "Standard reef salt");
    const grams = planVisit(reefOf("when-clear")).water.saltG?.value ?? 0;
    expect(grams).toBeGreaterThan(100);
    expect(salt).toMatchObject({ unit: "g", by: [{ place: "Kettle" }, { place: "Saltmarket" }] });
    expect(salt?.amount).toBeCloseTo(2 * grams, 6);
    expect(list.waters.filter((w) => w.kind === "mix")).toEqual([]);
    // It is weighed, so it is no thing of the shelf a second time.
    expect(list.things.map((t) => t.item.toLowerCase())).not.toContain("standard reef salt");
  });
  test("a mix that is brought has its salt in it: litres from the barrel, no bag", () => {
    const list = loadList([visit("Ilves", reefOf("weeks"))], []);
    expect(list.amounts.filter((a) => a.unit === "g")).toEqual([]);
    const brought = list.waters.find((w) => w.kind === "mix");
    expect(brought).toMatchObject({ name: "Mix", by: [{ place: "Ilves" }] });
    expect(brought?.litres).toBeCloseTo(planVisit(reefOf("weeks")).load.mixL, 9);
  });
  test("purified water is called what it is: new water by its own name, top-up by another, and never a tap", () => {
    const ro: typeof tap = { ...tap, id: "ro", kind: "purified", name: "RO water" };
    const input = {
      ...inputOf(factsOf("shrimp"), { source: ro, tasks: [], readings: [reading("nitrate", 60)] }),
      topUpSource: tap,
    };
    const list = loadList([visit("Cube", input)], []);
    expect(planVisit(input).load.purifiedL).toBeGreaterThan(1);
    expect(list.waters.filter((w) => w.kind === "purified").map((w) => w.name)).toEqual(["RO water"]);
  });
  test("two tanks of one place go into one bag", () => {
    const one = visit("Kettle", reefOf("when-clear"));
    expect(loadList([one, one], []).amounts.find((a) => a.unit === "g")?.by).toHaveLength(1);
  });
  test("the longer of two hoses serves both; what lies in the van is checked and not loaded", () => {
    const hosed = (place: string, metres: number): LoadedVisit => {
      const one = visit(place, inputOf(factsOf("community"), { source: tap, tasks: [] }));
      return { ...one, plan: { ...one.plan, kit: [{ item: "drain hose", amount: { metres } }, { item: "towels" }] } };
    };
    const list = loadList([hosed("A", 8), hosed("B", 14)], ["Towels"]);
    expect(list.things).toEqual([{ item: "drain hose", amount: { metres: 14 }, places: ["A", "B"] }]);
    expect(list.carried).toEqual([{ item: "towels", places: ["A", "B"] }]);
  });
  test("a remedy is on the list on the days of its doses alone", () => {
    const facts = factsOf("community");
    const treatment = {
      ...{ name: "Worm treatment C", startedOn: "2026-11-22", contactDays: 9, followUpOn: "2026-12-03" },
      doses: [
        { on: "2026-11-22", amount: 20, unit: "mL" as const },
        { on: "2026-11-25", amount: 20, unit: "mL" as const },
      ],
    };
    const on = (day: string) =>
      loadList([visit("Quay", { ...inputOf({ ...facts, treatment }, { tasks: [] }), on: day })], []).amounts.filter(
        (a) => a.item === "Worm treatment C",
      );
    expect(on("2026-11-25")).toMatchObject([{ amount: 20, unit: "mL" }]);
    expect(on("2026-11-26")).toEqual([]);
  });
  test("of no visits takes nothing", () => {
    expect(loadList([], ["towels"])).toEqual({ waters: [], amounts: [], things: [], carried: [] });
  });
  test("whatever is visited, sums are those of the plans, and each part adds up to its whole", () => {
    const anyVisit = fc.record({
      kind: fc.constantFrom(...TANK_KINDS),
      place: fc.constantFrom("A", "B", "C"),
      nitrate: fc.integer({ min: 1, max: 90 }),
      salted: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(anyVisit, { maxLength: 6 }), (made) => {
        const visits = made.map(({ kind, place, nitrate, salted }) =>
          visit(
            place,
            inputOf(factsOf(kind), {
              ...{ source: salted ? mix : tap, readings: [reading("nitrate", nitrate)], tasks: programmeOf(kind) },
            }),
          ),
        );
        const list = loadList(visits, ["towels"]);
        const litres = (kind: string) => list.waters.filter((w) => w.kind === kind).reduce((s, w) => s + w.litres, 0);
        const planned = (of: "mixL" | "seaL" | "purifiedL" | "wasteL") =>
          visits.reduce((s, v) => s + (v.plan.load[of] >= 0.05 ? v.plan.load[of] : 0), 0);
        expect(litres("mix")).toBeCloseTo(planned("mixL"), 6);
        expect(litres("purified")).toBeCloseTo(planned("purifiedL"), 6);
        expect(litres("waste")).toBeCloseTo(planned("wasteL"), 6);
        for (const { amount, by } of list.amounts) expect(by.reduce((s, b) => s + b.amount, 0)).toBeCloseTo(amount, 6);
        for (const { litres: all, by } of list.waters) expect(by.reduce((s, b) => s + b.amount, 0)).toBeCloseTo(all, 6);
        const named = [...list.things, ...list.carried].map((t) => t.item.toLowerCase());
        expect(new Set(named).size).toBe(named.length);
      }),
      { numRuns: 60, seed: 20_261_130 },
    );
  });
});
