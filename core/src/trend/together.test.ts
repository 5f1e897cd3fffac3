import { describe, expect, test } from "vitest";
import type { BuildUp } from "../readings/index.ts";
import { say } from "../say/index.ts";
import { METRIC } from "../units/index.ts";
import { togetherSentence, usedTogether } from "./index.ts";

/** A fit: what moves a day, and how sure that is. */
const fit = (perDay: number, perDaySigma: number, ownPerDay?: number): BuildUp => ({
  ...{ enough: true, perDay, perDaySigma, now: 8, nowSigma: 0.1, readings: 12 },
  ...(ownPerDay === undefined ? {} : { ownPerDay }),
});

describe("alkalinity and calcium are used together", () => {
  test("half a dKH takes 3.6 mg/L of calcium: by tests that say so nothing is wrong", () => {
    // 2.804 dKH are a meq/L, which takes 20.04 mg/L of calcium.
    expect(usedTogether({ alkalinity: fit(-0.5, 0.02), calcium: fit((-0.5 * 20.04) / 2.804, 0.3) }, 0)).toBeNull();
    expect(usedTogether({ alkalinity: fit(-0.5, 0.02), calcium: fit(-4.3, 0.3) }, 0)).toBeNull();
  });
  test("ten are not used with half a dKH; the coarser test is doubted", () => {
    const found = usedTogether({ alkalinity: fit(-0.5, 0.02), calcium: fit(-10, 1) }, 0);
    expect(found).toMatchObject({ alkalinity: 0.5, calcium: 10, doubt: "calcium" });
    expect(found?.expected).toBeCloseTo(3.573, 2);
    expect(usedTogether({ alkalinity: fit(-0.5, 0.2), calcium: fit(-20, 1) }, 0)?.doubt).toBe("alkalinity");
  });
  test("no tank makes calcium: a test that sees it rise is doubted, however sure it is", () => {
    expect(usedTogether({ alkalinity: fit(-0.5, 0.1), calcium: fit(2, 0.1) }, 0)?.doubt).toBe("calcium");
    expect(usedTogether({ alkalinity: fit(0.3, 0.02), calcium: fit(-8, 2) }, 0)?.doubt).toBe("alkalinity");
  });
  test("beside a balanced doser the one further from what it gives is doubted", () => {
    // It gives one dKH and 7.15 mg/L a day: calcium is used as it is given, alkalinity twice as fast.
    const rates = { alkalinity: fit(-1, 0.05, -2), calcium: fit(0, 0.4, -7.15) };
    expect(usedTogether(rates, 1)?.doubt).toBe("alkalinity");
  });
  test("what nitrate takes of alkalinity is not asked of calcium: ten a day take 0.9 dKH", () => {
    const rates = { alkalinity: fit(-0.904, 0.02), calcium: fit(0, 0.1), nitrate: fit(10, 0.5) };
    expect(usedTogether(rates, 0)).toBeNull();
    expect(usedTogether({ ...rates, nitrate: fit(-10, 0.5) }, 0)?.doubt).toBe("calcium");
  });
  test("where one of them is not known nothing is said", () => {
    expect(usedTogether({ alkalinity: fit(-0.5, 0.02) }, 0)).toBeNull();
    expect(
      usedTogether({ alkalinity: fit(-0.5, 0.02), calcium: { enough: false, reason: "few-readings" } }, 0),
    ).toBeNull();
  });
  test("it is said with both figures, and what one would expect", () => {
    const found = usedTogether({ alkalinity: fit(-0.5, 0.02), calcium: fit(-10, 1) }, 0);
    if (!found) throw new Error("not found");
    expect(say(togetherSentence(found), METRIC).replaceAll("\u00a0", " ")).toBe(
      "By these tests 0.50 dKH of alkalinity is used a day and 10 mg/L of calcium is used; corals would take 3.6 mg/L of calcium with it. Test calcium again, with another kit.",
    );
  });
});
