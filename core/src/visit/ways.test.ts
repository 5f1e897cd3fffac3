import { describe, expect, test } from "vitest";
import type { PlanInput } from "../given/index.ts";
import { factsOf, inputOf, mix, reading, tap } from "../given/sample.fixture.ts";
import type { TankFacts } from "../tank/index.ts";
import { said } from "./said.fixture.ts";

const titles = (plan: ReturnType<typeof said>) => plan.steps.map((s) => s.title).join("; ");

describe("drained first or changed together, by condition", () => {
  const facts = factsOf("community", { practice: { ...factsOf().practice, how: "by-condition" } });
  const visit = (nitrate: number) =>
    said(inputOf(facts, { readings: [reading("nitrate", nitrate, 1), reading("ph", 7.4, 0.05)] }));
  const act = facts.bands.find((b) => b.parameter === "nitrate")?.actHigh ?? Number.NaN;

  test("a tank that is well is changed in and out together, and the plan says why", () => {
    const plan = visit(act / 4);
    expect(plan.water.markOn).toBe("none");
    expect(plan.steps.map((s) => s.id)).toContain("exchange");
    expect(plan.water.reasons).toContainEqual({ code: "by-condition", bad: [] });
  });
  test("with a figure beyond its limit the old water leaves first", () => {
    const plan = visit(act * 1.5);
    expect(plan.water.markOn).toBe("display");
    expect(plan.steps.map((s) => s.id)).toContain("drain");
    expect(plan.water.reasons).toContainEqual({ code: "by-condition", bad: ["nitrate"] });
    // More of it leaves so than together: v/V against 1 − e^(−v/V).
    const share = plan.water.litres.value / 200;
    expect(plan.water.share.value).toBeCloseTo(share, 6);
    expect(share).toBeGreaterThan(1 - Math.exp(-share));
  });
  test("poison is bad whatever its band says", () => {
    const poisoned = said(inputOf(facts, { readings: [reading("ammonia", 1, 0.05), reading("ph", 8.4, 0.05)] }));
    expect(poisoned.water.reasons[0]?.code).toBe("ammonia-emergency");
    expect(poisoned.water.markOn).toBe("display");
  });
});

describe("salt in tap water", () => {
  test("of the top-up stays in the tank: evaporated litres come back with it", () => {
    const facts = factsOf("marine-fish");
    const after = (psu: number) => {
      const topUpSource = { ...tap, chemistry: { ...tap.chemistry, salinity: psu } };
      const plan = said(
        inputOf(facts, {
          belowMarkCm: 2,
          topUpSource,
          chosen: { litres: 0, by: "somebody" },
          readings: [reading("salinity", 36, 0.1)],
        }),
      );
      return plan.water.after.find((a) => a.parameter === "salinity")?.after.value ?? Number.NaN;
    };
    // 2 cm of 1 × 0.5 m are 10 of 200 L: 36 in 190, and 10 L of what comes from the tap.
    expect(after(0)).toBeCloseTo((36 * 190) / 200, 2);
    expect(after(2)).toBeCloseTo((36 * 190 + 2 * 10) / 200, 2);
  });
});

describe("a machine that changes water every day", () => {
  const machine = { newWaterL: 60, wasteL: 40 };
  const visit = (exchanger: TankFacts["autoExchange"], more: Partial<PlanInput> = {}) =>
    said(
      inputOf(factsOf("community", { autoExchange: exchanger }), { readings: [reading("nitrate", 18, 1)], ...more }),
    );
  /** 2 mg/L of nitrate a day, 18 now, fitted. */
  const climbing = {
    nitrate: { enough: true, perDay: 2, perDaySigma: 0.1, now: 18, nowSigma: 1, readings: 8 },
  } as const;

  test("is not changed by hand: its vessels are seen to, with how long they last", () => {
    const { water, ...plan } = visit(machine);
    expect(water.decision).toBe("none");
    expect(water.litres.value).toBe(0);
    // A quarter of 200 L over the seven days to the next visit, up to the tenth.
    expect(water.auto?.litresPerDay).toBeCloseTo(7.2, 9);
    expect(water.auto).toMatchObject({ newDays: 8, wasteDays: 5, lastsUntil: "2026-11-30", lasts: false });
    expect(water.auto?.fillL).toBeCloseTo(50.4, 6);
    const step = plan.steps.find((s) => s.id === "auto-exchange");
    expect(step?.title).toBe("Empty the waste vessel, fill in 50 L of new water".replace(" L", "\u00a0L"));
    expect(step?.craft).toContain("Set the machine to 7.2");
    expect(step?.caution).toContain("do not last until the next visit");
    expect(titles({ ...plan, water })).not.toContain("Drain");
  });
  test("is set so that what builds up settles at the edge of its band", () => {
    const { auto } = visit(machine, { rates: climbing }).water;
    const edge = factsOf().bands.find((b) => b.parameter === "nitrate")?.idealHigh ?? Number.NaN;
    // q = a·V/(limit − Cr): 2 mg/L a day in 200 L, with tap water of 5.
    expect(auto?.litresPerDay).toBeCloseTo(
      Math.ceil((10 * (2 * 200)) / (edge - (tap.chemistry.nitrate ?? Number.NaN))) / 10,
      9,
    );
  });
  test("what it took out while the rate was fitted counts", () => {
    const alone = visit(machine, { rates: climbing }).water.auto?.litresPerDay ?? 0;
    // 10 L a day of 200 take (18 − 5)/20 mg/L a day with them: 2 are left of 2.65.
    const rates = { nitrate: { ...climbing.nitrate, ownPerDay: 2.65 } };
    const running = visit({ ...machine, litresPerDay: 10 }, { rates }).water.auto;
    expect(running?.litresPerDay).toBeCloseTo((alone * 2.65) / 2, 0);
    expect(running?.setLPerDay).toBe(10);
  });
  test("a figure out of band, or a person, still has it changed by hand", () => {
    expect(visit(machine, { readings: [reading("nitrate", 90, 2)] }).water.decision).toBe("change");
    expect(visit(machine, { chosen: { litres: 30, by: "somebody" } }).water.litres.value).toBe(30);
  });
  test("its new water rides in the van", () => {
    const reef = factsOf("stony-coral", { autoExchange: { newWaterL: 100, wasteL: 100 } });
    const { load, water } = said(inputOf(reef, { source: mix, readings: [reading("salinity", 35, 0.2)] }));
    expect(water.litres.value).toBe(0);
    expect(load.mixL).toBeCloseTo(water.auto?.fillL ?? Number.NaN, 6);
  });
});
