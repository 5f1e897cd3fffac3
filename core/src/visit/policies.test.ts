import { describe, expect, test } from "vitest";
import { addDays } from "../calendar/civil.ts";
import { comparePolicies, exposures, POLICIES, planChange, planWater } from "../change/index.ts";
import { litresOfMark, markCmOf, standingOf, tankOnDay } from "../given/index.ts";
import { factsOf, inputOf, reading, TODAY, tap } from "../given/sample.fixture.ts";

const rate = (perDay: number, now: number) => ({
  enough: true as const,
  perDay,
  perDaySigma: 0.1,
  now,
  nowSigma: 1,
  readings: 8,
});
/** 200 L of community at 24 mg/L nitrate, building up by 1.5 a day; the tap brings 5. Ideal up to 30. */
const input = inputOf(factsOf(), {
  readings: [reading("nitrate", 24), reading("temperature", 25, 0.1)],
  rates: { nitrate: rate(1.5, 24) },
});
const of = (policy: (typeof POLICIES)[number], given = input) => {
  const plan = comparePolicies(given).find((p) => p.policy === policy);
  if (!plan) throw new Error(policy);
  return plan;
};

describe("four policies on one tank", () => {
  test("are all there, in one order, and the tank's own is its plan", () => {
    expect(comparePolicies(input).map((p) => p.policy)).toEqual(POLICIES);
    expect(of("fixed-share").water).toEqual(planWater(input));
  });
  test("each take what they stand for", () => {
    expect(of("fixed-share").water.litres.value).toBe(50);
    expect(of("reset").water.litres.value).toBeGreaterThanOrEqual(100);
    expect(of("continuous").water.markOn).toBe("none");
    // 25 % in and out together act as 22.
    expect(of("continuous").water.share.value).toBeCloseTo(1 - Math.exp(-0.25), 9);
    // Inside its band, a test-led tank is left alone.
    expect(of("test-led").water.decision).toBe("none");
  });
  test("test-led without a reading is not known, and the others go on", () => {
    const blind = inputOf(factsOf());
    expect(of("test-led", blind).water.decision).toBe("unknown");
    expect(of("test-led", blind).water.litres.value).toBe(0);
    expect(of("fixed-share", blind).water.decision).toBe("change");
  });
  test("test-led above its band changes as much as brings it back", () => {
    const high = inputOf(factsOf(), { readings: [reading("nitrate", 40), reading("temperature", 25, 0.1)] });
    // Well inside its band, at 15, in two equal changes, since one of 200·25/35 = 143 L is more than the animals bear:
    // 5 + 35·√(10/35) = 23.7 after the first, 200·(40 − 23.7)/35 = 93.1 L, whole litres.
    expect(of("test-led", high).water.litres.value).toBe(93);
  });
});

describe("what comes of it", () => {
  test("settles where the saw-tooth says", () => {
    const [nitrate] = of("fixed-share").forward;
    // Seven days at 1.5 and a quarter of water at 5: peak 5 + 10.5/0.25 = 47, trough 36.5.
    expect(nitrate).toMatchObject({ parameter: "nitrate", ceiling: 30 });
    expect(nitrate?.peak).toBeCloseTo(47, 9);
    expect(nitrate?.trough).toBeCloseTo(36.5, 9);
    // 10.5/25 = 42 % hold 30; a quarter holds it every 25·0.25/1.5 = 4 days.
    expect(nitrate?.shareToHold).toBeCloseTo(0.42, 9);
    expect(nitrate?.daysToHold).toBe(4);
    // After the change 24 − 0.25·19 = 19.25; 10.75 more at 1.5 a day.
    expect(nitrate?.daysToCeiling).toBe(7);
  });
  test("marching day by day comes to the same peak", () => {
    const [nitrate] = of("fixed-share").forward;
    let value = 24;
    for (let visit = 0; visit < 200; visit++) value = value + 0.25 * (5 - value) + 7 * 1.5;
    expect(nitrate?.peak).toBeCloseTo(value, 6);
  });
  test("cannot be held where the source brings more than the ceiling", () => {
    const rich = { ...tap, chemistry: { ...tap.chemistry, nitrate: 35 } };
    const [nitrate] = of("fixed-share", { ...input, source: rich }).forward;
    expect(nitrate).toMatchObject({ shareToHold: null, daysToHold: null });
  });
  test("beyond half a year is no number, and what does not build up is no line", () => {
    expect(of("reset", { ...input, rates: { nitrate: rate(0.01, 5) } }).forward[0]?.daysToCeiling).toBeNull();
    expect(of("reset", { ...input, rates: { nitrate: rate(-0.5, 5) } }).forward).toEqual([]);
    expect(of("reset", { ...input, nextVisitOn: addDays(TODAY, 0) }).forward).toEqual([]);
  });
});

describe("a change of so many litres", () => {
  test("of the planned litres is the plan", () => {
    const planned = planWater(input);
    const same = planChange(input, planned.litres.value);
    expect(same.after).toEqual(planned.after);
    expect(same.mark).toEqual(planned.mark);
    expect(same.refillC).toEqual(planned.refillC);
    expect(same.binding).toBeNull();
  });
  test("follows the mark there and back on the display and on the sump", () => {
    const sump = {
      lengthM: 0.8,
      widthM: 0.4,
      heightM: 0.4,
      runningLevelM: 0.25,
      lowestLevelM: 0.1,
      pipesL: 3,
      weirM: 0.38,
    };
    const display = factsOf("community");
    const below = factsOf("stony-coral", { sump, practice: { ...factsOf("stony-coral").practice, how: "from-sump" } });
    for (const facts of [display, below])
      for (const litres of [1, 7.5, 12, 15])
        expect(
          litresOfMark(facts, full(facts), markCmOf(facts, full(facts), litres) ?? Number.NaN),
          facts.kind,
        ).toBeCloseTo(litres, 6);
  });
  test("past a limit names the one that it breaks, and is not held down", () => {
    // 100 × 50 cm, 40 cm deep: 50 L are 10 cm, so the media at 32 cm are bare from 40 L on; they may be never.
    const facts = factsOf("community", {
      landmarks: [{ name: "sponge", kind: "media", heightM: 0.32, airMinutes: 0 }],
    });
    const at = { belowMarkCm: 0 };
    const plan = planChange(inputOf(facts, at), 60);
    expect(plan.litres.value).toBe(60);
    expect(plan.binding).toMatchObject({ code: "landmark", name: "sponge" });
    expect(plan.binding?.maxL).toBeCloseTo(40, 6);
    expect(planChange(inputOf(facts, at), 39).binding).toBeNull();
  });
  test("below nothing is nothing, and beyond the system is all of it", () => {
    expect(planChange(input, -5).litres.value).toBe(0);
    expect(planChange(input, 1e6).litres.value).toBeCloseTo(200, 9);
  });
  test("that would poison is forbidden whatever is asked", () => {
    // 2 mg/L of ammonia at pH 6.6, the tap at 7.6: 0.0045 free becomes 0.031 after 30 %.
    const sour = inputOf(factsOf(), {
      readings: [reading("ammonia", 2, 0.1), reading("ph", 6.6, 0.05), reading("temperature", 25, 0.1)],
    });
    expect(planChange(sour, 60).decision).toBe("forbid");
    expect(planChange(sour, 60).reasons[0]?.code).toBe("ammonia-would-rise");
  });
});

const found = (facts: ReturnType<typeof factsOf>) => tankOnDay(inputOf(facts, { belowMarkCm: 0, tasks: [] }));
const full = (facts: ReturnType<typeof factsOf>) => standingOf(facts, 0);

describe("what stands in air", () => {
  const facts = factsOf("stony-coral", {
    landmarks: [
      { name: "coral", kind: "coral", heightM: 0.3, airMinutes: 10 },
      { name: "low rock", kind: "coral", heightM: 0.1, airMinutes: 10 },
      { name: "nozzle", kind: "return", heightM: 0.39, airMinutes: 0 },
    ],
  });
  test("is counted from the water leaving it until it is back, with the work at the line", () => {
    // The coral is bare once 50 L are out; 30 more at 10 L/min out and 10 in, and two minutes of setting back.
    expect(exposures(found(facts), 80)).toEqual([
      { name: "coral", kind: "coral", minutes: expect.closeTo(8, 9), allowedMinutes: 20, wetEvery: 5 },
    ]);
  });
  test("is nothing while it is under water, or while nothing falls", () => {
    expect(exposures(found(facts), 50)).toEqual([]);
    expect(exposures(found({ ...facts, practice: { ...facts.practice, how: "in-and-out" } }), 150)).toEqual([]);
  });
  test("meets its limit exactly where the plan says it binds", () => {
    const slow = { ...facts, refillLPerMinute: 4 };
    const limit = planChange(inputOf(slow, { belowMarkCm: 0, tasks: [] }), 10).limits.find((l) => l.name === "coral");
    const [coral] = exposures(found(slow), limit?.maxL ?? 0);
    expect(coral?.minutes).toBeCloseTo(20, 6);
  });
});
