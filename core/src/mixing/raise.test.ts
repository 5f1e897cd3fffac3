import { describe, expect, test } from "vitest";
import { OutOfRangeError } from "../issues/index.ts";
import { planRaise, type RaiseAsked } from "./raise.ts";

const low: RaiseAsked = {
  of: "alkalinity",
  from: 6.5,
  to: 9,
  litres: 600,
  reagent: "sodium bicarbonate",
  purity: 1,
  mostADay: 1,
};

describe("a tank raised by weight", () => {
  test("takes its grams in days, none of which moves it too far", () => {
    const plan = planRaise(low);
    if (!plan.ok) throw new Error(plan.reason);
    // 3.00 g per dKH and 100 L: 2.5 dKH in 600 L are 45 g, in three days.
    expect(plan.grams).toBeCloseTo(45, 0);
    expect(plan.days).toBe(3);
    expect(plan.gramsADay * plan.days).toBeCloseTo(plan.grams, 9);
    expect(plan.first - low.from).toBeLessThanOrEqual(1);
    expect(plan.first).toBeCloseTo(6.5 + 2.5 / 3, 9);
  });
  test("without a limit goes at once, and an impure powder takes more", () => {
    const plain = planRaise({
      ...low,
      of: "calcium",
      from: 380,
      to: 430,
      reagent: "calcium chloride dihydrate",
      mostADay: null,
    });
    const impure = planRaise({
      ...low,
      of: "calcium",
      from: 380,
      to: 430,
      reagent: "calcium chloride dihydrate",
      mostADay: null,
      purity: 0.8,
    });
    if (!plain.ok || !impure.ok) throw new Error("a dose");
    // 3.67 g per 10 mg/L and 100 L.
    expect(plain.grams).toBeCloseTo(3.67 * 5 * 6, 0);
    expect(plain.days).toBe(1);
    expect(impure.grams).toBeCloseTo(plain.grams / 0.8, 9);
  });
  test("says where there is nothing to raise, and where a powder gives none of it", () => {
    expect(planRaise({ ...low, to: 6 })).toEqual({ ok: false, reason: "is-there" });
    expect(planRaise({ ...low, reagent: "potassium sulphate" })).toEqual({ ok: false, reason: "gives-none" });
    expect(() => planRaise({ ...low, mostADay: 0 })).toThrow(OutOfRangeError);
  });
});
