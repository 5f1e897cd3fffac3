import fc from "fast-check";
import { describe, expect, test } from "vitest";
import type { PlanInput } from "../given/index.ts";
import { retold } from "../say/index.ts";
import { parameterFacts, type UnitPreference, withUnit } from "../units/index.ts";
import { anyVisit } from "../visit/carriedOut/anyTank.fixture.ts";
import { asPlan, type SaidPlan, sayPlan, type VisitPlan } from "../visit/index.ts";
import { said } from "../visit/said.fixture.ts";
import { limitSentence, waterSentence } from "./index.ts";

/** Nobody of these reads a litre, a centimetre, a degree Celsius, ppt or dKH. */
const PERSONS: Readonly<Record<string, UnitPreference>> = {
  "a US person": {
    volume: "US gal",
    length: "in",
    temperature: "°F",
    salinity: "SG 25/25",
    alkalinity: "ppm CaCO3",
  },
  "an imperial person": {
    volume: "imp gal",
    length: "in",
    temperature: "°F",
    salinity: "mS/cm raw",
    alkalinity: "meq/L",
  },
};

/** A number followed by a unit that none of them reads. A dose in mL and figures in mg/L are read by everybody. */
const CANONICAL = /\d[\s\u00a0\u202f]*(?:L|L\/min|L\/h|litres?|cm|mm|m|metres?|kg|°C|K|ppt|PSU|dKH)(?![\p{L}/])/u;

/** All that a technician is told of a visit. */
function told(input: PlanInput, units: UnitPreference): string[] {
  const { steps, water, kit } = said(input, units);
  return [
    ...kit,
    ...steps.flatMap((s) => [s.title, s.reason, s.caution ?? "", s.craft ?? "", ...s.kit]),
    ...water.reasons.map((r) => waterSentence(r, units)),
    ...water.limits.map((l) => limitSentence(l, units)),
    ...water.after.map((a) => withUnit(a.parameter, a.after.value, units)),
  ];
}

describe.each(Object.entries(PERSONS))("%s is told nothing in a unit of another", (_, units) => {
  test("in no step, reason, caution, kit or limit of any visit", () => {
    const found = new Set<string>();
    for (const visit of fc.sample(anyVisit, { numRuns: 600, seed: 4 }))
      for (const text of told(visit, units)) if (CANONICAL.test(text)) found.add(text);
    expect([...found].slice(0, 20)).toEqual([]);
  });
});

/** A plan as the first cores kept it: its steps in words, and none of what was done. */
const asKeptBefore = ({ steps, ...plan }: SaidPlan) =>
  ({ ...plan, steps: steps.map(({ done: _, pressed: __, alone: ___, ...step }) => step) }) as unknown as VisitPlan;

describe("a plan that was kept", () => {
  const US = PERSONS["a US person"] as UnitPreference;
  test.each([
    ["Pour 97\u00a0L slowly", "Pour 25.6\u00a0US gal slowly"],
    ["3.2 cm below the tape, hose of 22 m, 7 min", "1.3\u00a0in below the tape, hose of 72.2\u00a0ft, 7 min"],
    ["at 25\u00a0°C, 40 mg/L and 5 mL", "at 77.0\u00a0°F, 40 mg/L and 5 mL"],
    ["1\u202f200 L", "317\u00a0US gal"],
    ["room for 62, 2 months", "room for 62, 2 months"],
  ])("%s", (kept, said) => expect(retold(kept, US)).toBe(said));
  test("says nothing in the units of keeping, whatever the visit", () => {
    const found = new Set<string>();
    for (const visit of fc.sample(anyVisit, { numRuns: 200, seed: 9 })) {
      const { steps, kit } = sayPlan(asPlan(asKeptBefore(said(visit))), US);
      for (const text of [
        ...kit,
        ...steps.flatMap((s) => [s.title, s.reason, s.caution ?? "", s.craft ?? "", ...s.kit]),
      ])
        if (CANONICAL.test(text)) found.add(text);
    }
    expect([...found].slice(0, 20)).toEqual([]);
  });
});

test("the pattern finds what it is for", () => {
  for (const text of ["30 L out", "3.2 cm below", "25 °C", "35.0 ppt", "2 m of hose", "1.5 kg"])
    expect(CANONICAL.test(text), text).toBe(true);
  for (const text of ["8 US gal", "3 in", "77 °F", "5 mL", "40 mg/L", parameterFacts.nitrate.unit, "2 min", "5 mg/L N"])
    expect(CANONICAL.test(text), text).toBe(false);
});
