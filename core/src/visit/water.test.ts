import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { OutOfRangeError } from "../issues/index.ts";
import type { Schools, TankBook } from "../tank/index.ts";
import { litresOfMark, markCmOf, planWater, type WaterPlan } from "./index.ts";
import { bookOf, inputOf, mix, reading, tap } from "./sample.fixture.ts";

const schools = (book: TankBook, change: Partial<Schools>): TankBook => ({
  ...book,
  schools: { ...book.schools, ...change },
});
const fixed = schools(bookOf(), { policy: "fixed-share", share: 0.25 });
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

  test("a reading over its band raises it to what brings it back", () => {
    const plan = planWater(inputOf(fixed, { readings: [reading("nitrate", 47)] }));
    // 200 · (47 − 30) / (47 − 5) = 80.95
    expect(plan.litres.value).toBe(80);
    expect(plan.reasons[0]).toMatchObject({ code: "raised", parameter: "nitrate", target: 30, fromL: 50 });
    expect(plan.after.find((e) => e.parameter === "nitrate")?.after.value).toBeCloseTo(47 - 0.4 * 42, 9);
  });

  test("what the water cannot reach is said", () => {
    const plan = planWater(
      inputOf(fixed, {
        readings: [reading("nitrate", 47)],
        source: { ...tap, chemistry: { ...tap.chemistry, nitrate: 33 } },
      }),
    );
    expect(codes(plan)).toContain("cannot-reach");
    expect(plan.litres.value).toBe(50);
  });

  test("test-led: nothing inside the bands, not known without a reading, and never longer than the longest interval", () => {
    const book = schools(bookOf(), { policy: "test-led", share: 0.25 });
    expect(planWater(inputOf(book, { readings: [reading("nitrate", 12)] })).decision).toBe("none");
    expect(planWater(inputOf(book))).toMatchObject({
      decision: "unknown",
      reasons: [{ code: "no-reading", parameters: ["nitrate"] }],
    });
    expect(planWater(inputOf(book, { readings: [reading("nitrate", 12)], lastVisitOn: "2026-10-01" }))).toMatchObject({
      decision: "change",
      reasons: [{ code: "longest-interval" }],
    });
    expect(planWater(inputOf(book, { readings: [reading("nitrate", 47)] })).litres.value).toBe(80);
  });

  test("in and out together needs more litres and has no mark", () => {
    const plan = planWater(
      inputOf(schools(bookOf(), { how: "in-and-out", share: 0.25 }), { readings: [reading("nitrate", 47)] }),
    );
    // 200 · ln(42 / 25) = 103.76
    expect(plan.litres.value).toBe(103);
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
    // Ten minutes less two of work, at 0.2 minutes a litre out and in: 40 L beyond its 20, so the share binds no more.
    expect(planWater(inputOf(at(0.36, 10, "coral"))).litres.value).toBe(50);
    // Four minutes leave two: 10 L.
    expect(planWater(inputOf(at(0.36, 4, "coral"))).litres.value).toBe(30);
  });
  test("alkalinity a day", () => {
    const plan = planWater(inputOf(fixed, { readings: [reading("alkalinity", 16)] }));
    // 1 dKH of a difference of 10 is a tenth of 200 L.
    expect(plan.litres.value).toBe(20);
    expect(plan.binding?.code).toBe("alkalinity-a-day");
  });
  test("water that cannot be warmed", () => {
    const plan = planWater(
      inputOf(fixed, { source: { ...tap, canWarm: false, coldC: 10 }, readings: [reading("temperature", 25)] }),
    );
    // 1.5 degrees of 15 is a tenth.
    expect(plan.litres.value).toBe(20);
    expect(plan.binding?.code).toBe("temperature-a-day");
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
  test("calcium and magnesium a day", () => {
    const hard = { source: { ...tap, chemistry: { ...tap.chemistry, calcium: 80, magnesium: 10 } } };
    // 50 mg/L of a difference of 400 is an eighth of 200 L; 100 of 1 000 a tenth.
    expect(planWater(inputOf(fixed, { ...hard, readings: [reading("calcium", 480)] }))).toMatchObject({
      binding: { code: "calcium-a-day", value: 50 },
      litres: { value: 25 },
    });
    expect(planWater(inputOf(fixed, { ...hard, readings: [reading("magnesium", 1010)] }))).toMatchObject({
      binding: { code: "magnesium-a-day", value: 100 },
      litres: { value: 20 },
    });
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
    const plan = planWater(inputOf(fixed, { minutesForWater: 6 }));
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
    const plan = planWater(inputOf(schools({ ...fixed, sump, gear: ["return"] }, { how: "from-sump", share: 0.3 })));
    // Ten centimetres of 0.4 m² above the return's lowest level.
    expect(plan.litres.value).toBe(40);
    expect(plan.binding?.code).toBe("sump-level");
    expect(plan.markOn).toBe("sump");
    expect(plan.mark?.value).toBeCloseTo(30, 3);
  });
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
  const reef = schools(bookOf("soft-coral", { display: { ...bookOf().display } }), { share: 0.15 });
  test("salt mass with salt water, level with fresh", () => {
    const plan = planWater(inputOf(reef, { belowMarkCm: 2, readings: [reading("salinity", 36)] }));
    // 10 L are missing; (35·200 − 36·(200 − 10 − 30)) / 35 = 35.43 salt water and 4.57 fresh.
    expect(plan.missingL).toBeCloseTo(10, 6);
    expect(plan.saltWaterL?.value).toBeCloseTo(35.43, 2);
    expect(plan.freshL?.value).toBeCloseTo(4.57, 2);
    expect(plan.saltG?.value).toBeCloseTo(35.43 * 38, 0);
  });
  test("far from its target it goes in steps of what a day allows", () => {
    const plan = planWater(inputOf(reef, { belowMarkCm: 0, readings: [reading("salinity", 31)] }));
    expect(plan.reasons.find((r) => r.code === "salinity-in-steps")).toMatchObject({ from: 31, today: 32, days: 4 });
  });
  test("the mix is made stronger where that is what it takes", () => {
    const plan = planWater(inputOf(reef, { belowMarkCm: 0, readings: [reading("salinity", 34.5)], source: mix }));
    // 7000 wanted, 34.5 · 170 left: 1135 in 30 L is 37.8.
    expect(plan.mixPsu).toBeCloseTo(37.83, 2);
    expect(plan.after.find((e) => e.parameter === "salinity")?.after.value).toBeCloseTo(35, 9);
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
    const book = schools(
      bookOf(kind, { landmarks: [{ name: "media", kind: "media", heightM: a.landmark, airMinutes: 0 }] }),
      { policy: a.policy as "reset", how: a.how as "in-and-out", share: a.share },
    );
    const readings = (["nitrate", "ammonia", "ph", "temperature", "salinity"] as const).flatMap((p) =>
      a[p] === null ? [] : [reading(p, a[p] as number)],
    );
    return { book, plan: planWater(inputOf(book, { readings, belowMarkCm: a.below })) };
  };

  test("no figure is not a number, no limit is passed, and the mark takes out the litres", () =>
    fc.assert(
      fc.property(any, (a) => {
        const { book, plan } = planOf(a);
        const text = JSON.stringify(plan, (_, v) =>
          typeof v === "number" && !Number.isFinite(v) ? "not a number" : v,
        );
        expect(text).not.toContain("not a number");
        for (const limit of plan.limits) expect(plan.litres.value).toBeLessThanOrEqual(limit.maxL + 1e-6);
        if (plan.mark) {
          expect(litresOfMark(book, plan.mark.value)).toBeCloseTo(plan.litres.value, 2);
          expect(markCmOf(book, plan.litres.value)).toBeCloseTo(plan.mark.value, 6);
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
  const flat = bookOf("community", {
    display: { ...bookOf().display, vessel: { shape: "box", lengthM: 0, widthM: 0.5, heightM: 0.5 } },
  });
  expect(() => planWater(inputOf(flat))).toThrow(OutOfRangeError);
});
