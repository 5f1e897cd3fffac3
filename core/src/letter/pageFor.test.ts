import { describe, expect, test } from "vitest";
import { factsOf, inputOf, reading } from "../given/sample.fixture.ts";
import { METRIC } from "../units/index.ts";
import { pageFor } from "./index.ts";

const reef = () => factsOf("stony-coral");
const plain = (text: string) => text.replaceAll(/[\u00a0\u202f]/g, " ");

describe("a tank on its owner's page", () => {
  test("says what is out of place first, and of each reading what is right for this tank", () => {
    const facts = reef();
    const band = facts.bands.find((b) => b.parameter === "alkalinity");
    const page = pageFor(
      inputOf(facts, { readings: [reading("alkalinity", (band?.actLow ?? 0) - 0.5)] }),
      true,
      METRIC,
    );
    expect(page.condition).toBe("off");
    expect(page.heading).toMatch(/needs attention, and is getting it\.$/);
    expect(plain(page.why)).toMatch(/alkalinity/i);
    const [row] = page.measured;
    expect(row).toMatchObject({ label: "Alkalinity", unit: "dKH", standing: "act" });
    expect(plain(row?.note ?? "")).toBe(`low, right is ${band?.idealLow.toFixed(1)} to ${band?.idealHigh.toFixed(1)}`);
  });
  test("is told in the owner's units", () => {
    const page = pageFor(inputOf(reef(), { readings: [reading("temperature", 25)] }), false, {
      ...METRIC,
      temperature: "°F",
    });
    const row = page.measured.find((r) => r.parameter === "temperature");
    expect(row).toMatchObject({ shown: "77.0", unit: "°F" });
    expect(row?.note).not.toContain("°C");
  });
  test("of which nothing was measured says so, and claims nothing", () => {
    const page = pageFor(inputOf(reef(), { readings: [] }), false, METRIC);
    expect(page).toMatchObject({ condition: "unknown", measured: [], why: "Nothing has been measured yet." });
  });
  test("a parameter that cannot be too low is right up to its limit, and fresh water has KH", () => {
    const facts = factsOf("community");
    const page = pageFor(
      inputOf(facts, { readings: [reading("nitrate", 1), reading("alkalinity", 6)] }),
      false,
      METRIC,
    );
    const note = (parameter: string) => page.measured.find((r) => r.parameter === parameter)?.note ?? "";
    const nitrate = facts.bands.find((b) => b.parameter === "nitrate");
    expect(nitrate?.idealLow).toBeLessThanOrEqual(0);
    expect(note("nitrate")).toMatch(/^fine, right is up to /);
    expect(page.measured.find((r) => r.parameter === "alkalinity")?.label).toBe("KH");
  });
  test("the last reading of a parameter is the one that is shown", () => {
    const old = { ...reading("nitrate", 40), on: "2026-01-01" };
    const page = pageFor(inputOf(reef(), { readings: [old, reading("nitrate", 8)] }), false, METRIC);
    expect(page.measured.filter((r) => r.parameter === "nitrate").map((r) => r.value)).toEqual([8]);
  });
});
