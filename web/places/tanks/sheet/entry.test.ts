import type { Offer } from "@keel-round/core/given";
import { METRIC, type Parameter } from "@keel-round/core/units";
import { describe, expect, test } from "vitest";
import { factsOf, inputOf, reading } from "../../../../core/src/given/sample.fixture.ts";
import { asOffered, figureOf, knownForEntry, parametersOf, usualRow } from "./entry";

const canister = { name: "Canister A", kind: "mechanical", biological: false } as const;

describe("what a tank is measured for at the desk", () => {
  test("what is right for it, what was read before, and its flow where something flows; each once", () => {
    const still = inputOf(factsOf("community", { gear: ["heater"] }), { readings: [reading("tds", 9)] });
    const all = parametersOf(still);
    expect(all).toEqual([...still.facts.bands.map((b) => b.parameter), "tds"]);
    expect(parametersOf(inputOf(factsOf("community", { gear: ["heater"], filterUnits: [canister] })))).toContain(
      "flow",
    );
    expect(parametersOf(inputOf(factsOf("community", { gear: ["return"] })))).toContain("flow");
    expect(new Set(all).size).toBe(all.length);
  });
  test("a row is the figure it will be kept as, in canonical units; none while it is empty or cannot be one", () => {
    const known = knownForEntry(inputOf(factsOf("community", { filterUnits: [canister] })));
    const row = (text: string) => ({ ...usualRow(known, "flow", METRIC), text, item: canister.name });
    expect(figureOf(known, "flow", { ...row("10"), unit: "L/min" }, METRIC)).toMatchObject({
      ...{ parameter: "flow", item: "Canister A" },
      value: 600,
    });
    expect(figureOf(known, "flow", row(""), METRIC)).toBeNull();
    expect(figureOf(known, "flow", row("much"), METRIC)).toBeNull();
  });
});

describe("a slip that is put right", () => {
  const known = knownForEntry(inputOf(factsOf("soft-coral")));
  const row = (parameter: Parameter, text: string, unit: string) => ({
    ...usualRow(known, parameter, METRIC),
    text,
    unit,
  });
  const offered = (parameter: Parameter, text: string, unit: string, as: Offer["as"], value: number) =>
    asOffered(known, parameter, row(parameter, text, unit), { as, value });
  test("keeps the figure where another unit makes it what is offered", () => {
    expect(offered("temperature", "77", "°C", "fahrenheit", 25)).toEqual({ unit: "°F" });
    expect(offered("alkalinity", "3", "dKH", "meq", 8.412)).toEqual({ unit: "meq/L" });
  });
  test("else it is the offered figure in the unit that stands there, with its digits and the person's decimal sign", () => {
    expect(offered("alkalinity", "82", "dKH", "a-tenth", 8.2)).toEqual({ text: "8.2" });
    expect(offered("alkalinity", "0.82", "dKH", "ten-times", 8.2)).toEqual({ text: "8.2" });
    expect(asOffered(known, "ph", row("ph", "82", ""), { as: "a-tenth", value: 8.2 }, ",")).toEqual({ text: "8,2" });
  });
  test("a kit's offset is not taken off twice", () => {
    const kit = { id: "k", name: "Drops", offset: 0.5 };
    const kits = [
      { kit, parameter: "alkalinity", method: "liquid kit", offset: null, problems: [], testsLeft: null } as const,
    ];
    const with_ = { ...known, kits };
    const typed = { text: "87", unit: "dKH", method: "liquid kit", kitId: "k" };
    // 87 counts as 86.5, a tenth of it as 8.65: typed as 9.15 it counts as that.
    const meant = asOffered(with_, "alkalinity", typed, { as: "a-tenth", value: 8.65 });
    expect(meant).toEqual({ text: "9.15" });
    expect(figureOf(with_, "alkalinity", { ...typed, ...meant }, METRIC)?.value).toBeCloseTo(8.65, 6);
  });
});
