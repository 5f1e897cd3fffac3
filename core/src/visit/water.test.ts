import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { planWater, type WaterPlan } from "../change/index.ts";
import { litresOfMark, markCmOf, tankOnDay } from "../given/index.ts";
import { factsOf, inputOf, mix, reading, tap } from "../given/sample.fixture.ts";
import { OutOfRangeError } from "../issues/index.ts";
import type { Practice, TankFacts } from "../tank/index.ts";
import { said } from "./said.fixture.ts";

const practice = (facts: TankFacts, change: Partial<Practice>): TankFacts => ({
  ...facts,
  practice: { ...facts.practice, ...change },
});
const fixed = practice(factsOf(), { policy: "fixed-share", share: 0.25 });
const codes = (plan: WaterPlan) => plan.reasons.map((r) => r.code);
const nitrateRate = {
  nitrate: { enough: true as const, perDay: 1, perDaySigma: 0.05, now: 32, nowSigma: 1, readings: 8 },
};

describe("what a policy asks for", () => {
  test("a fixed share, with its mark, its fills and its conditioner", () => {
    const plan = planWater(inputOf(fixed, { lastVisitOn: null }));
    expect(plan.litres.value).toBe(50);
    // 50 L of 100 × 50 cm are 10 cm: from 40 down to 30, which is 20 below a rim at 50.
    expect(plan.mark?.value).toBeCloseTo(20, 3);
    expect(plan.fills?.value).toBe(3);
    // Poured straight from the tap the whole 200 L meet it.
    expect(plan.conditionerMl?.value).toBeCloseTo(20, 9);
  });

  test("a reading over its band raises it to what brings it well inside", () => {
    const plan = planWater(inputOf(fixed, { readings: [reading("nitrate", 35)] }));
    // To the middle of 0 to 30: 200 · (35 − 15) / (35 − 5) = 133.3, more than the 120 that the animals bear; so the first of
    // two equal ones: 5 + 30·√(10/30) = 22.32, 200 · (35 − 22.32) / 30 = 84.5.
    expect(plan.litres.value).toBe(84);
    expect(plan.reasons[0]).toMatchObject({ code: "raised", parameter: "nitrate", target: 15, fromL: 50 });
    expect(plan.after.find((e) => e.parameter === "nitrate")?.after.value).toBeCloseTo(35 - 0.42 * 30, 9);
  });

  test("what builds up until the next visit lowers what is aimed at", () => {
    const rates = { nitrate: { ...nitrateRate.nitrate, perDay: 3, now: 33 } };
    const plan = planWater(inputOf(fixed, { rates, readings: [reading("nitrate", 33, 2)] }));
    // Seven days at 3 are 21: not above 30 the next time means 9 after this one.
    expect(plan.reasons[0]).toMatchObject({ code: "raised", target: 9 });
  });

  test("a tank that was left for long is brought back in steps of a quarter", () => {
    const plan = planWater(
      inputOf(practice(fixed, { share: 0.2 }), { readings: [reading("nitrate", 47)], lastChangeOn: "2026-08-01" }),
    );
    // From 47 to 15 with water of 5: ln(10/42)/ln(0.75) = 4.99, so five, each 1 − (10/42)^(1/5) = 0.2495 of 200 L.
    expect(plan.litres.value).toBe(49);
    expect(plan.reasons).toContainEqual({
      code: "in-steps",
      parameter: "nitrate",
      target: 15,
      changes: 5,
      apartDays: 3,
    });
  });

  test("a floor counts as a ceiling does, where the new water lifts it; else it is dosed", () => {
    const soft = { readings: [reading("alkalinity", 2, 0.2), reading("nitrate", 5)] };
    const facts = practice(factsOf(), { policy: "test-led", share: 0.25 });
    // The tap's 6 dKH against a band of 3 to 10: to 6.5 it cannot, to 3 it takes 200 · 1/4.
    expect(planWater(inputOf(facts, soft))).toMatchObject({
      decision: "change",
      litres: { value: 50 },
      reasons: [{ code: "raised", parameter: "alkalinity", target: 3 }],
    });
    const pure = { ...soft, source: { ...tap, id: "pure", kind: "purified" as const, chemistry: {} } };
    const none = planWater(inputOf(facts, pure));
    expect(none.decision).toBe("none");
    expect(codes(none)).toEqual(["outside-bands", "dose"]);
  });

  test("what the water cannot reach is said", () => {
    const source = { ...tap, chemistry: { ...tap.chemistry, nitrate: 33 } };
    const plan = planWater(inputOf(fixed, { readings: [reading("nitrate", 47)], source, topUpSource: source }));
    expect(codes(plan)).toContain("cannot-reach");
    expect(plan.litres.value).toBe(50);
  });

  test("test-led: nothing inside the bands, not known without a reading, and never longer than the longest interval", () => {
    const facts = practice(factsOf(), { policy: "test-led", share: 0.25 });
    expect(planWater(inputOf(facts, { readings: [reading("nitrate", 12)] })).decision).toBe("none");
    expect(planWater(inputOf(facts))).toMatchObject({
      decision: "unknown",
      reasons: [{ code: "no-reading", parameters: ["nitrate"] }],
    });
    const long = { readings: [reading("nitrate", 12)], lastVisitOn: "2026-11-18", lastChangeOn: "2026-10-01" };
    // It was visited last week, and changed eight weeks ago.
    expect(planWater(inputOf(facts, long))).toMatchObject({
      decision: "change",
      reasons: [{ code: "longest-interval", days: 55 }],
    });
    expect(planWater(inputOf(facts, { ...long, lastChangeOn: "2026-11-10" })).decision).toBe("none");
  });

  test("in and out together needs more litres and has no mark", () => {
    const plan = planWater(
      inputOf(practice(factsOf(), { how: "in-and-out", share: 0.25 }), { readings: [reading("nitrate", 31)] }),
    );
    // 200 · ln(26 / 10) = 191, of which the animals bear 120; half-way, 5 + 26·√(10/26) = 21.12: 200 · ln(26 / 16.12) = 95.5.
    expect(plan.litres.value).toBe(95);
    expect(plan.mark).toBeNull();
  });
});

describe("what holds it down", () => {
  const at = (heightM: number, airMinutes: number, kind: "media" | "coral" = "media") => ({
    ...fixed,
    landmarks: [{ name: "thing", kind, heightM, airMinutes }],
  });
  test("a landmark that may not meet air", () => {
    // From 40 down to 36 cm of half a square metre: 20 L.
    const plan = planWater(inputOf(at(0.36, 0)));
    expect(plan.litres.value).toBe(20);
    expect(plan.binding).toMatchObject({ code: "landmark", name: "thing" });
  });
  test("a coral that may stand in air for some minutes", () => {
    const alone = { tasks: [] };
    // Kept wet it bears twice its ten; less two of setting back, at 0.2 minutes a litre out and in: 90 L beyond its 20.
    expect(planWater(inputOf(at(0.36, 10, "coral"), alone)).litres.value).toBe(50);
    // Twice two leave two: 10 L.
    expect(planWater(inputOf(at(0.36, 2, "coral"), alone)).litres.value).toBe(30);
  });
  test("alkalinity a day holds corals, and not a reset of plants", () => {
    const reef = practice(factsOf("soft-coral"), { share: 0.3 });
    const plan = planWater(inputOf(reef, { readings: [reading("alkalinity", 13.6), reading("salinity", 35)] }));
    // 1 dKH of the 5 between tank and mix is a fifth of 200 L.
    expect(plan.litres.value).toBe(40);
    expect(plan.binding?.code).toBe("alkalinity-a-day");
    const plants = practice(factsOf("planted"), { policy: "reset", share: 0.8 });
    expect(planWater(inputOf(plants, { readings: [reading("alkalinity", 16)] })).litres.value).toBe(160);
  });
  test("water that cannot be warmed", () => {
    const plan = planWater(
      inputOf(fixed, { source: { ...tap, canWarm: false, coldC: 10 }, readings: [reading("temperature", 25)] }),
    );
    // 2 degrees of 15, for fish, are 26.7 L of 200.
    expect(plan.litres.value).toBe(26);
    expect(plan.binding?.code).toBe("temperature-a-day");
    // A tap too warm is held like one too cold: 2 degrees of 8.
    const warm = { source: { ...tap, coldC: 33 }, readings: [reading("temperature", 25)] };
    expect(planWater(inputOf(practice(fixed, { share: 0.4 }), warm))).toMatchObject({
      litres: { value: 50 },
      binding: { code: "temperature-a-day" },
    });
  });
  test("what the animals bear, and what is on board", () => {
    expect(planWater(inputOf({ ...fixed, mostShare: 0.1 })).binding?.code).toBe("animals");
    const brought = { source: { ...tap, kind: "purified" as const }, litresOnBoard: 33 };
    expect(planWater(inputOf(fixed, brought))).toMatchObject({
      binding: { code: "on-board" },
      litres: { value: 33 },
    });
    // A tap is at the site, whatever the van carries.
    expect(planWater(inputOf(fixed, { litresOnBoard: 33 })).binding).toBeNull();
  });
  test("calcium and magnesium a day hold corals, GH a day shrimp", () => {
    const reef = practice(factsOf("soft-coral"), { share: 0.3 });
    const poor = { source: { ...mix, chemistry: { ...mix.chemistry, calcium: 180, magnesium: 700 } } };
    // 50 mg/L of a difference of 250 is a fifth of 200 L; 100 of 600 a sixth.
    expect(planWater(inputOf(reef, { ...poor, readings: [reading("calcium", 430)] }))).toMatchObject({
      binding: { code: "calcium-a-day", value: 50 },
      litres: { value: 40 },
    });
    expect(planWater(inputOf(reef, { ...poor, readings: [reading("magnesium", 1300)] }))).toMatchObject({
      binding: { code: "magnesium-a-day", value: 100 },
      litres: { value: 33 },
    });
    const shrimp = practice(factsOf("shrimp"), { how: "drain-then-fill", share: 0.25 });
    const hard = { source: { ...tap, chemistry: { gh: 18 } }, readings: [reading("gh", 6)] };
    // 2 of the 12 between tank and tap: a sixth.
    expect(planWater(inputOf(shrimp, hard))).toMatchObject({ binding: { code: "gh-a-day" }, litres: { value: 33 } });
  });
  test("a pH that is another is said and holds nothing down, but not where CO2 is injected", () => {
    const acid = { readings: [reading("ph", 6.4, 0.1)] };
    const plan = planWater(inputOf(fixed, acid));
    expect(plan.reasons).toContainEqual({ code: "ph-shift", before: 6.4, refill: tap.chemistry.ph, most: 0.2 });
    expect(plan.binding).toBeNull();
    expect(planWater(inputOf({ ...fixed, gear: ["co2"] }, acid)).reasons.map((r) => r.code)).not.toContain("ph-shift");
  });
  test("the site's open hours", () => {
    // Six minutes at ten litres a minute out and in are 30 L.
    const plan = planWater(inputOf(fixed, { minutesForWater: 6, tasks: [] }));
    expect(plan).toMatchObject({ binding: { code: "time-on-site", minutes: 6 }, litres: { value: 30 } });
    expect(planWater(inputOf(fixed, { minutesForWater: null })).binding).toBeNull();
  });
  test("lifting the one that binds names the next", () => {
    const plan = planWater(inputOf(at(0.36, 0), { litresOnBoard: 33, source: { ...tap, kind: "purified" as const } }));
    expect(plan.limits.map((l) => l.code).slice(0, 2)).toEqual(["landmark", "on-board"]);
  });
  test("with the return running the mark is on the sump", () => {
    const sump = {
      lengthM: 1,
      widthM: 0.4,
      heightM: 0.5,
      runningLevelM: 0.3,
      lowestLevelM: 0.2,
      pipesL: 4,
      weirM: 0.39,
    };
    const inputWith = (chamber: object) =>
      inputOf(
        practice({ ...fixed, sump: { ...sump, ...chamber }, gear: ["return"] }, { how: "from-sump", share: 0.3 }),
      );
    const plan = planWater(inputWith({ returnLengthM: 0.5 }));
    // Ten centimetres of the return chamber's 0.2 m² above the pump's lowest level.
    expect(plan.litres.value).toBe(20);
    expect(plan.binding?.code).toBe("sump-level");
    expect(plan.markOn).toBe("sump");
    expect(plan.mark?.value).toBeCloseTo(30, 3);
  });
});

describe("ammonia and pH", () => {
  const low = (more: object = {}) => inputOf(practice(factsOf(), { policy: "test-led" }), { readings: [], ...more });
  test("without a pH is taken at its worst, and asks for the pH before anything is drained", () => {
    // 0.4 mg/L at the band's upper limit of 8.4 and 25 °C: 12.4 % free, 0.06 mg/L.
    const plan = planWater(low({ readings: [reading("ammonia", 0.4, 0.05), reading("nitrate", 5)] }));
    expect(plan).toMatchObject({ decision: "unknown", reasons: [{ code: "ph-first", of: "tank" }] });
  });
  test("an emergency is not hidden by a policy that asks for nothing", () => {
    const plan = planWater(low({ readings: [reading("ammonia", 1, 0.1), reading("ph", 8, 0.05)] }));
    expect(plan.decision).toBe("change");
    expect(plan.litres.value).toBeGreaterThan(0);
    expect(codes(plan)[0]).toBe("ammonia-emergency");
  });
  test("a tap's pH as drawn is not the pH after: its carbonate says where it goes", () => {
    // 7 + log10(5 · 6) = 8.48 for a tap that reads 7.0 as drawn.
    const source = { ...tap, chemistry: { ...tap.chemistry, ph: 7 } };
    const plan = planWater(
      inputOf(fixed, {
        source,
        topUpSource: source,
        readings: [reading("ammonia", 0.5, 0.02), reading("ph", 6.8, 0.05)],
      }),
    );
    expect(plan.decision).toBe("forbid");
    expect(plan.reasons[0]).toMatchObject({ code: "ammonia-would-rise", ph: expect.closeTo(8.477, 2) });
  });
  test("what conditioner bound lately is neither safe nor an emergency", () => {
    const plan = planWater(
      inputOf(fixed, { boundOn: "2026-11-24", readings: [reading("ammonia", 2, 0.1), reading("ph", 8, 0.05)] }),
    );
    expect(plan.decision).toBe("change");
    expect(codes(plan)).toContain("ammonia-bound");
    expect(codes(plan)).not.toContain("ammonia-emergency");
  });
});

test("what misses a whole litre by a hair is that litre, unless a limit holds it", () => {
  // 200 L less a kilogram of rock's room: 30 % of 199.96 are 59.99.
  const display = { ...factsOf().display, measuredNetL: 199.96 };
  const practice = { ...factsOf().practice, share: 0.3 };
  const facts = factsOf("community", { display, practice });
  expect(planWater(inputOf(facts)).litres.value).toBe(60);
  expect(planWater(inputOf(factsOf("community", { display, practice, mostShare: 0.2999 }))).litres.value).toBe(59);
});

describe("a tap that is kept clean with chlorine", () => {
  const bottle = { name: "A", mlPer100L: 10, maximumMlPer100L: 40, bindsAmmonia: true, removesMgL: 1.5 };
  const visit = (chemistry: object, conditioner?: object) =>
    said(
      inputOf(factsOf("community", { practice: { ...factsOf().practice, policy: "fixed-share", share: 0.25 } }), {
        readings: [reading("ammonia", 0.3, 0.02), reading("ph", 6.8, 0.05), reading("temperature", 25, 0.1)],
        source: {
          ...tap,
          chemistry: { ...tap.chemistry, ph: 6.8, alkalinity: 1, ...chemistry },
          conditioner: { ...bottle, ...conditioner },
        },
      }),
    );
  const temper = (plan: ReturnType<typeof visit>) => plan.steps.find((s) => s.id === "temper")?.caution ?? "";
  test("is conditioned for what was measured: twice what a dose removes asks for two", () => {
    const once = visit({ chlorine: 0.5, chloramine: 0 }).water.conditionerMl?.value ?? 0;
    const twice = visit({ chlorine: 1, chloramine: 2 }).water.conditionerMl?.value ?? 0;
    // The whole tank of 200 L meets it: 20 mL by the label.
    expect(once).toBeCloseTo(20, 6);
    expect(twice).toBeCloseTo(40, 6);
  });
  test("more than the largest dose removes is said at the tap", () => {
    expect(temper(visit({ chlorine: 4, chloramine: 3 }))).toContain("7.0 mg/L of chlorine");
    expect(temper(visit({ chlorine: 4, chloramine: 1 }))).not.toContain("removes");
  });
  test("its chloramine counts as the ammonia it frees, unless that is bound", () => {
    const after = (plan: ReturnType<typeof visit>) => plan.water.freeAmmonia?.after.inputs["total ammonia"];
    const value = (plan: ReturnType<typeof visit>) => {
      const total = after(plan);
      return typeof total === "object" ? total.value : Number.NaN;
    };
    const bound = visit({ chlorine: 0, chloramine: 3 });
    const loose = visit({ chlorine: 0, chloramine: 3 }, { bindsAmmonia: false });
    // 0.3 mg/L at its upper 95 % end, and 0.1975 mg of nitrogen for each mg of chloramine in what is new.
    for (const [plan, brings] of [
      [loose, 3 * 0.1975],
      [bound, 0],
    ] as const) {
      const share = plan.water.litres.value / 200;
      expect(share).toBeGreaterThan(0.1);
      expect(value(plan)).toBeCloseTo((0.3 + 1.96 * 0.02) * (1 - share) + brings * share, 3);
    }
    expect(temper(loose) + temper(bound)).toContain("0.6 mg/L of ammonia");
    expect(temper(bound)).not.toContain("of ammonia");
  });
  test("is tested again when that was never done, with its ammonia", () => {
    const title = visit({}).steps.find((s) => s.id === "source-test")?.title ?? "";
    for (const word of ["free chlorine", "chloramine", "total ammonia"]) expect(title).toContain(word);
  });
});

describe("a reading that does not fit", () => {
  const history = [20, 22, 21, 23, 22].map((v, i) => reading("nitrate", v, 2, `2026-10-${10 + i}`));
  test("is questioned without a rate too, and told how else it may have been read", () => {
    const plan = planWater(inputOf(fixed, { readings: [...history, reading("nitrate", 220, 20)] }));
    expect(plan.decision).toBe("postpone");
    expect(plan.reasons[0]).toMatchObject({ code: "retest", expected: 22, offers: [{ as: "a-tenth", value: 22 }] });
  });
  test("meq read as dKH is offered", () => {
    const kh = [8, 8.2, 7.9].map((v, i) => reading("alkalinity", v, 0.2, `2026-10-${10 + i}`));
    const plan = planWater(inputOf(fixed, { readings: [...kh, reading("alkalinity", 2.85, 0.2)] }));
    expect(plan.reasons[0]).toMatchObject({ code: "retest", offers: [{ as: "meq", value: expect.closeTo(7.99, 1) }] });
  });
  test("near nothing a kit's step is no surprise", () => {
    const none = [0, 0, 1, 0].map((v, i) => reading("nitrate", v, 0.3, `2026-10-${10 + i}`));
    expect(codes(planWater(inputOf(fixed, { readings: [...none, reading("nitrate", 4, 0.5)] })))).not.toContain(
      "retest",
    );
  });
});

describe("a test after the change", () => {
  const before = [reading("nitrate", 40, 1), reading("ph", 7.6, 0.05)];
  const after = (value: number) => ({ ...reading("nitrate", value, 1), after: true as const });
  test("does not change what was planned before it", () => {
    const plan = planWater(inputOf(fixed, { readings: before }));
    const told = planWater(inputOf(fixed, { readings: [...before, after(40)] }));
    expect(told.litres).toEqual(plan.litres);
    expect(told.after).toEqual(plan.after);
  });
  test("that is still high asks for the rest, as far as the day allows", () => {
    const plan = planWater(inputOf(fixed, { readings: [...before, after(35)] }));
    const [check] = plan.checks;
    // To 15 from 35 with water of 5 would be 200·20/30 = 133 L; the animals bear 120 in a day, less what was changed.
    expect(check).toMatchObject({ parameter: "nitrate", read: 35, fits: false });
    expect(check?.againL).toBeCloseTo(120 - plan.litres.value, 6);
    expect(check?.againOn).toBe("2026-11-28");
  });
  test("that fits asks for nothing", () =>
    expect(planWater(inputOf(fixed, { readings: [...before, after(15)] })).checks[0]).toMatchObject({
      againL: null,
      againOn: null,
    }));
});

describe("what forbids or puts it off", () => {
  test("free ammonia that a higher pH would set free", () => {
    const plan = planWater(
      inputOf(fixed, { readings: [reading("ammonia", 2, 0.1), reading("ph", 6.6, 0.1), reading("temperature", 25)] }),
    );
    expect(plan).toMatchObject({ decision: "forbid", litres: { value: 0 }, binding: { code: "free-ammonia" } });
    expect(plan.reasons[0]).toMatchObject({ code: "ammonia-would-rise" });
    // Lifted, the next is whatever else would hold: the list goes on.
    expect(plan.limits[0]).toMatchObject({ code: "free-ammonia", maxL: 0 });
    expect(plan.limits.length).toBeGreaterThan(1);
  });
  test("ammonia that is poisonous now and falls with the change is an emergency, not a ban", () => {
    const plan = planWater(
      inputOf(fixed, { readings: [reading("ammonia", 2, 0.1), reading("ph", 8, 0.1), reading("temperature", 25)] }),
    );
    expect(plan.decision).toBe("change");
    expect(codes(plan)[0]).toBe("ammonia-emergency");
  });
  test("a treatment that still works", () => {
    const treatment = { name: "Treatment B", startedOn: "2026-11-16", contactDays: 14, followUpOn: "2026-11-30" };
    expect(planWater(inputOf({ ...fixed, treatment }))).toMatchObject({
      decision: "postpone",
      litres: { value: 0 },
      reasons: [{ code: "treatment", until: "2026-11-30" }],
    });
    expect(planWater(inputOf({ ...fixed, treatment }, { on: "2026-11-30" })).decision).toBe("change");
  });
  test("water under its floor: the heater first", () =>
    expect(planWater(inputOf(fixed, { readings: [reading("temperature", 19)] }))).toMatchObject({
      decision: "postpone",
      reasons: [{ code: "too-cold" }],
    }));
  test("a reading that does not fit is measured again, and counts once it is confirmed", () => {
    const odd = planWater(inputOf(fixed, { rates: nitrateRate, readings: [reading("nitrate", 80, 4)] }));
    expect(odd.decision).toBe("postpone");
    expect(odd.reasons[0]).toMatchObject({ code: "retest", expected: 32 });
    const sure = planWater(
      inputOf(fixed, { rates: nitrateRate, readings: [reading("nitrate", 80, 4), reading("nitrate", 78, 4)] }),
    );
    expect(sure.reasons[0]).toMatchObject({ code: "raised", value: 78 });
  });
});

describe("salt", () => {
  const reef = practice(factsOf("soft-coral", { display: { ...factsOf().display } }), { share: 0.15 });
  test("inside its band a tank is matched: its own strength by litres, then fresh water to the line", () => {
    const plan = planWater(inputOf(reef, { belowMarkCm: 1, readings: [reading("salinity", 35.6)] }));
    // 5 L are missing: full it would read 35.6·195/200 = 34.71, which is right for a reef. 30 L at 35.6, 5 L of fresh water.
    expect(plan.missingL).toBeCloseTo(5, 6);
    expect(plan.mixPsu).toBeCloseTo(35.6, 9);
    expect(plan.saltWaterL?.value).toBeCloseTo(30, 9);
    expect(plan.freshL?.value).toBeCloseTo(5, 9);
    expect(plan.saltG?.value).toBeCloseTo((30 * 38 * 35.6) / 35, 6);
    expect(plan.after.find((e) => e.parameter === "salinity")?.after.value).toBeCloseTo(34.71, 2);
  });
  test("the tank of the page: reads 33, would be 31.95 when full, is brought to 33.5", () => {
    // 6.364 L of 200 missing.
    const fish = practice(factsOf("jellyfish"), { how: "drain-then-fill", share: 0.25 });
    const plan = planWater(inputOf(fish, { belowMarkCm: 6.3636 / 5, readings: [reading("salinity", 33, 0.1)] }));
    expect(plan.after.find((e) => e.parameter === "salinity")?.after.value).toBeCloseTo(33.5, 6);
    // 33.5·200 − 33·(200 − 6.364 − 50) in 50 L would be 39.2, more than 4 from the tank: 53 L at 37.
    expect(plan.mixPsu).toBeCloseTo(37, 9);
    expect(plan.saltWaterL?.value).toBeCloseTo((6700 - 33 * 143.6364) / 37, 3);
  });
  test("far from its target it goes in steps of what a day allows, with water not too far from its own", () => {
    const plan = planWater(inputOf(reef, { readings: [reading("salinity", 30.1)] }));
    // One up would take 30.1 + 1/0.15 = 36.8: more than 4 from the tank. 34.1 in 15 % gives 0.6 a day, nine days to 35.
    expect(plan.mixPsu).toBeCloseTo(34.1, 9);
    expect(plan.reasons.find((r) => r.code === "salinity-in-steps")).toMatchObject({
      from: 30.1,
      today: expect.closeTo(30.7, 9),
      days: 9,
    });
  });
  test("topping up alone never lowers it faster than a day allows", () => {
    const low = { belowMarkCm: 4, readings: [reading("salinity", 36)] };
    // 20 L of 200 are missing: 36 would become 32.4. Invertebrates bear one: 35, so 180·36/35 = 185.14 L.
    const none = planWater(inputOf(reef, { ...low, chosen: { litres: 0, by: "somebody" } }));
    expect(none.freshL?.value).toBeCloseTo((36 * 180) / 35 - 180, 6);
    expect(none.leftLowL).toBeCloseTo(200 - (36 * 180) / 35, 6);
    expect(codes(none)).toContain("left-low");
    // With a change the rest comes back as salt water of the tank's own strength.
    const change = planWater(inputOf(reef, low));
    expect(change.after.find((e) => e.parameter === "salinity")?.after.value).toBeCloseTo(35, 6);
    expect(change.leftLowL).toBeCloseTo(0, 9);
  });
  test("what is drained counts from the level the tank is found at, and today's line lies below the tape", () => {
    const plan = planWater(inputOf(fixed, { belowMarkCm: 3 }));
    // 50 L are 10 cm of half a square metre: from 37 cm down to 27, 23 below a rim at 50; the tape is at 20.
    expect(plan.mark?.value).toBeCloseTo(23, 3);
    expect(plan.tapeCm).toBeCloseTo(20, 3);
    // One tap fills both: 50 + 15.
    expect(plan.pourL?.value).toBeCloseTo(65, 6);
  });
  test("every substance and the temperature are balanced with what is missing", () => {
    const pure = { ...tap, id: "pure", kind: "purified" as const, chemistry: {}, coldC: 20, canWarm: false };
    const low = { belowMarkCm: 4, topUpSource: pure, readings: [reading("nitrate", 20), reading("temperature", 25)] };
    const plan = planWater(inputOf(fixed, low));
    // 20 L missing, 50 out, 50 of the tap at 5, 20 pure: (20·130 + 5·50)/200.
    expect(plan.after.find((e) => e.parameter === "nitrate")?.after.value).toBeCloseTo(14.25, 9);
    // (25·130 + 20·20 + 50·T)/200 = 25: the tap makes up for the cool top-up water.
    expect(plan.refillC?.value).toBeCloseTo(27, 6);
  });
  test("salt water in a fresh tank, fresh in a salt one, and sea water too far from the tank are refused", () => {
    expect(planWater(inputOf(fixed, { source: mix })).reasons[0]).toMatchObject({ code: "wrong-water", why: "salt" });
    expect(planWater(inputOf(reef, { source: tap }))).toMatchObject({
      decision: "forbid",
      reasons: [{ code: "wrong-water", why: "no-salt" }],
    });
    const sea = { ...mix, kind: "natural-sea" as const, chemistry: { salinity: 30 } };
    expect(planWater(inputOf(reef, { source: sea, readings: [reading("salinity", 35)] })).reasons[0]).toMatchObject({
      code: "wrong-water",
      why: "too-far",
    });
  });
  test("a septic tank sends the waste home", () => {
    expect(planWater(inputOf(reef, { site: { drain: "septic", bucketL: 20, hygieneLast: false } })).wasteL).toBe(30);
    expect(planWater(inputOf(reef)).wasteL).toBe(0);
  });
});

describe("always", () => {
  const any = fc.record({
    share: fc.double({ min: 0.01, max: 1, noNaN: true }),
    policy: fc.constantFrom("fixed-share", "test-led", "reset", "continuous"),
    how: fc.constantFrom("drain-then-fill", "in-and-out", "animals-out"),
    nitrate: fc.option(fc.double({ min: 0, max: 300, noNaN: true })),
    ammonia: fc.option(fc.double({ min: 0, max: 5, noNaN: true })),
    ph: fc.option(fc.double({ min: 5, max: 9.5, noNaN: true })),
    temperature: fc.option(fc.double({ min: 5, max: 34, noNaN: true })),
    salinity: fc.option(fc.double({ min: 28, max: 40, noNaN: true })),
    below: fc.option(fc.double({ min: 0, max: 5, noNaN: true })),
    kind: fc.constantFrom("community", "soft-coral", "jellyfish", "shrimp"),
    landmark: fc.double({ min: 0.05, max: 0.39, noNaN: true }),
  });
  const planOf = (a: typeof any extends fc.Arbitrary<infer T> ? T : never) => {
    const kind = a.kind as "community";
    const facts = practice(
      factsOf(kind, { landmarks: [{ name: "media", kind: "media", heightM: a.landmark, airMinutes: 0 }] }),
      { policy: a.policy as "reset", how: a.how as "in-and-out", share: a.share },
    );
    const readings = (["nitrate", "ammonia", "ph", "temperature", "salinity"] as const).flatMap((p) =>
      a[p] === null ? [] : [reading(p, a[p] as number)],
    );
    return { facts, plan: planWater(inputOf(facts, { readings, belowMarkCm: a.below })) };
  };

  test("no figure is not a number, no limit is passed, and the mark takes out the litres", () =>
    fc.assert(
      fc.property(any, (a) => {
        const { facts, plan } = planOf(a);
        const text = JSON.stringify(plan, (_, v) =>
          typeof v === "number" && !Number.isFinite(v) ? "not a number" : v,
        );
        expect(text).not.toContain("not a number");
        for (const limit of plan.limits) expect(plan.litres.value).toBeLessThanOrEqual(limit.maxL + 1e-6);
        if (plan.mark) {
          const { standing } = tankOnDay(inputOf(facts, { readings: [], belowMarkCm: a.below }));
          expect(litresOfMark(facts, standing, plan.mark.value)).toBeCloseTo(plan.litres.value, 2);
          expect(markCmOf(facts, standing, plan.litres.value)).toBeCloseTo(plan.mark.value, 6);
        }
        if (plan.decision === "forbid" || plan.decision === "none" || plan.decision === "unknown")
          expect(plan.litres.value).toBe(0);
      }),
      { numRuns: 400 },
    ));

  test("the same facts give the same plan", () =>
    fc.assert(
      fc.property(any, (a) => {
        expect(planOf(a).plan).toEqual(planOf(a).plan);
      }),
      { numRuns: 50 },
    ));
});

test("a tank without volume is refused, not planned", () => {
  const flat = factsOf("community", {
    display: { ...factsOf().display, vessel: { shape: "box", lengthM: 0, widthM: 0.5, heightM: 0.5 } },
  });
  expect(() => planWater(inputOf(flat))).toThrow(OutOfRangeError);
});
