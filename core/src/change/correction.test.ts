import { describe, expect, test } from "vitest";
import { type PlanInput, tankOnDay } from "../given/index.ts";
import { factsOf, inputOf, reading, TODAY } from "../given/sample.fixture.ts";
import type { DoseProduct } from "../mixing/index.ts";
import type { TankFacts } from "../tank/index.ts";
import { type Correction, correctionsOn } from "./correction.ts";
import { waterOn } from "./water.ts";

const soda: DoseProduct = {
  ...{ id: "soda", name: "Buffer powder", raises: "alkalinity", reagent: "sodium bicarbonate", purity: 1 },
  ...{ strengthLPerMl: null, mostADay: null, ownerGives: true },
};
const carbonate: DoseProduct = { ...soda, id: "carbonate", name: "Carbonate powder", reagent: "sodium carbonate" };
const calcium: DoseProduct = {
  ...soda,
  ...{ id: "calcium", name: "Calcium powder", raises: "calcium", reagent: "calcium chloride dihydrate" },
};
const magnesium: DoseProduct = {
  ...soda,
  ...{ id: "magnesium", name: "Magnesium powder", raises: "magnesium", reagent: "magnesium chloride hexahydrate" },
};
const liquid: DoseProduct = { ...soda, id: "liquid", name: "Buffer liquid", reagent: null, strengthLPerMl: 25 };
const ALL = [soda, calcium, magnesium];

/** 200 L of stony corals that are changed by hand of nothing: what is low stays low unless it is dosed. */
const reef = (change: Partial<PlanInput> = {}, facts: Partial<TankFacts> = {}): PlanInput =>
  inputOf(factsOf("stony-coral", { gear: ["heater", "return", "dosing"], ...facts }), {
    products: ALL,
    chosen: { litres: 0, by: "somebody" },
    ...change,
  });

const corrections = (input: PlanInput): Correction[] => {
  const tank = tankOnDay(input);
  return correctionsOn(tank, waterOn(tank));
};
const only = (input: PlanInput): Correction => {
  const [first, ...others] = corrections(input);
  expect(others).toEqual([]);
  return first as Correction;
};
/** Read with a photometer. */
const dkh = (value: number, on = TODAY) => reading("alkalinity", value, 0.15, on);
const ca = (value: number) => reading("calcium", value, 8);
const mg = (value: number) => reading("magnesium", value, 20);

describe("a figure under its band is dosed towards the middle of it", () => {
  test("by as much as a day may move, the rest on other days: 6.0 dKH of 200 L, 1 dKH a day", () => {
    // 3.00 g of bicarbonate raise 100 L by 1 dKH (science: check value), 200 L by 6.0 g; to 8.2 dKH 1.2 more remain.
    const dose = only(reef({ readings: [dkh(6)] }));
    expect(dose).toMatchObject({
      ok: true,
      parameter: "alkalinity",
      unit: "g",
      restDays: 2,
      measured: true,
      ph: "lowers",
    });
    if (!dose.ok) throw new Error("refused");
    // Weighed to a tenth of a gram, and never more than worked out.
    expect(dose.amount.value).toBeCloseTo(5.9, 6);
    expect(dose.to.value).toBeCloseTo(6.98, 2);
    expect(dose.restAmount).toBeCloseTo(7.2, 0);
  });

  test("a liquid by its strength: 25 L a mL raise 200 L by 0.125 a mL, so 8 mL for one degree", () => {
    const dose = only(reef({ readings: [dkh(6)], products: [liquid] }));
    expect(dose).toMatchObject({ ok: true, unit: "mL", ph: null });
    expect(dose.ok && dose.amount.value).toBeCloseTo(8, 6);
  });

  test("by no more than the label allows, and no more than is wanted", () => {
    const little = only(reef({ readings: [dkh(6)], products: [{ ...liquid, mostADay: 0.5 }] }));
    expect(little.ok && little.rise).toBeCloseTo(0.5, 6);
    const near = only(reef({ readings: [dkh(7.4)] }));
    expect(near.ok && near.to.value).toBeLessThanOrEqual(8.2);
    expect(near).toMatchObject({ restDays: 0, restAmount: 0 });
  });

  test("what was dosed today already counts, and so does what the change moves", () => {
    const again = only(reef({ readings: [dkh(6)], dosed: [{ parameter: "alkalinity", on: TODAY, rise: 0.6 }] }));
    expect(again.ok && again.rise).toBeCloseTo(0.4, 1);
    const full = only(reef({ readings: [dkh(6)], dosed: [{ parameter: "alkalinity", on: TODAY, rise: 1 }] }));
    expect(full).toMatchObject({ ok: false, why: "day-used" });
    // 60 of 200 L are new water of 8.6 dKH: 6.0 comes to 6.78, and 0.22 of the day's degree is left: 1.3 g of it.
    const changed = only(reef({ readings: [dkh(6)], chosen: { litres: 60, by: "somebody" } }));
    expect(changed.ok && changed.from).toBeCloseTo(6.78, 6);
    expect(changed.ok && changed.amount.value).toBeCloseTo(1.3, 6);
  });

  test("an older reading carries what was dosed since: it is not dosed a second time", () => {
    const last = "2026-11-18";
    expect(corrections(reef({ readings: [dkh(6, last)] }))).toMatchObject([{ ok: true, measured: false }]);
    const since = { parameter: "alkalinity" as const, on: last, rise: 1.7 };
    expect(corrections(reef({ readings: [dkh(6, last)], dosed: [since] }))).toEqual([]);
  });

  test("within the error of the kit it is not low", () => {
    expect(corrections(reef({ readings: [reading("alkalinity", 7.45, 0.25)] }))).toEqual([]);
  });

  test("a change that puts it right alone leaves nothing to dose", () => {
    // 60 % of new water with 8.6 dKH: 7.0 comes to 7.96.
    const changed = reef({ readings: [dkh(7)], chosen: { litres: 120, by: "somebody" } });
    expect(corrections(changed)).toEqual([]);
  });
});

describe("a dose that would harm is refused, with what stands in its way", () => {
  test.each([
    [
      "salinity is low: less salt, less of everything",
      { readings: [dkh(6), reading("salinity", 31, 0.25)] },
      "salt-first",
    ],
    [
      "magnesium is under its limit: it falls out",
      { readings: [dkh(6), mg(1100)], products: [soda] },
      "magnesium-first",
    ],
    ["calcium is over its limit", { readings: [dkh(6), ca(520)] }, "too-much-calcium"],
    ["no product for it", { readings: [dkh(6)], products: [calcium] }, "no-product"],
    [
      "pH is high and only carbonate is at hand",
      { readings: [dkh(6), reading("ph", 8.5, 0.05)], products: [carbonate] },
      "ph-high",
    ],
  ] as const)("%s", (_, change, why) => {
    const found = corrections(reef(change as Partial<PlanInput>)).find((c) => c.parameter === "alkalinity");
    expect(found).toMatchObject({ ok: false, why });
  });

  test("too much alkalinity holds calcium back", () => {
    expect(only(reef({ readings: [ca(340), dkh(12)] }))).toMatchObject({ ok: false, why: "too-much-alkalinity" });
  });

  test("a medication keeps everything else out until its follow-up", () => {
    const treatment = { name: "Treatment B", startedOn: "2026-11-20", contactDays: 10, followUpOn: "2026-12-01" };
    expect(only(reef({ readings: [dkh(6)] }, { treatment }))).toMatchObject({ ok: false, why: "treatment" });
  });

  test("with pH high, bicarbonate goes before carbonate", () => {
    const dose = only(reef({ readings: [dkh(6), reading("ph", 8.5, 0.05)], products: [carbonate, soda] }));
    expect(dose).toMatchObject({ ok: true, product: { id: "soda" } });
  });

  test("a reading that does not fit is measured once more first", () => {
    const steady = ["2026-11-01", "2026-11-05", "2026-11-10", "2026-11-15", "2026-11-20"].map((on) => dkh(8.2, on));
    const found = corrections(reef({ readings: [...steady, dkh(3)] }));
    expect(found.every((c) => !c.ok || c.parameter !== "alkalinity")).toBe(true);
  });

  test("magnesium goes first, and calcium at another visit", () => {
    const found = corrections(reef({ readings: [mg(1200), ca(380), dkh(7)] }));
    expect(found.map((c) => [c.parameter, c.ok ? "dosed" : c.why])).toEqual([
      ["magnesium", "dosed"],
      ["alkalinity", "dosed"],
      ["calcium", "magnesium-today"],
    ]);
  });
});
