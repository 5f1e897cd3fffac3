import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { OutOfRangeError } from "../issues/index.ts";
import {
  afterExchange,
  conditionerMl,
  densityKgM3,
  effectiveShare,
  freeAmmoniaFraction,
  freeAmmoniaMgL,
  heatingHours,
  hotShare,
  learnSalt,
  litresToReach,
  salinityFromConductivity,
  salinityFromGravity,
  saltGrams,
  settledPeak,
  shareToHold,
  specificGravity,
} from "./index.ts";

describe("sea water, against published values", () => {
  // UNESCO Technical Papers in Marine Science 44, table of check values at one atmosphere.
  test.each([
    [0, 5, 999.96675],
    [35, 5, 1027.67547],
    [35, 25, 1023.34306],
  ])("density of %d PSU at %d °C", (psu, c, kg) => expect(densityKgM3(psu, c)).toBeCloseTo(kg, 5));

  test.each([
    ["25/25", 1.02637],
    ["20/20", 1.0266],
    ["20/4", 1.02479],
    ["60/60F", 1.02686],
  ] as const)("specific gravity %s of 35 PSU", (reference, sg) =>
    expect(specificGravity(35, reference)).toBeCloseTo(sg, 5),
  );

  test("the same gravity is two salinities on two scales", () => {
    expect(salinityFromGravity(1.025, "25/25")).toBeCloseTo(33.19, 2);
    expect(salinityFromGravity(1.025, "20/4")).toBeCloseTo(35.28, 2);
  });

  // PSS-78: 35 by definition at 15 °C; the others computed with the UNESCO algorithm.
  test.each([
    [42.914, 15],
    [53.065, 25],
    [47.913, 20],
  ])("%d mS/cm at %d °C is 35", (conductivity, c) =>
    expect(salinityFromConductivity(conductivity, c)).toBeCloseTo(35, 2),
  );

  test("53.0 at 20 °C, raw, is 39.2 and not 35", () => expect(salinityFromConductivity(53, 20)).toBeCloseTo(39.2, 1));

  test("outside its source's range a formula refuses", () => {
    expect(() => densityKgM3(43, 20)).toThrow(OutOfRangeError);
    expect(() => densityKgM3(35, 41)).toThrow(OutOfRangeError);
    expect(() => salinityFromConductivity(0.5, 25)).toThrow(OutOfRangeError);
    expect(() => salinityFromGravity(1.2)).toThrow(OutOfRangeError);
  });

  test("salinity and gravity are inverses", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 42, noNaN: true }),
        fc.constantFrom("25/25", "20/20", "20/4", "60/60F"),
        (psu, reference) => {
          expect(salinityFromGravity(specificGravity(psu, reference as "25/25"), reference as "25/25")).toBeCloseTo(
            psu,
            6,
          );
        },
      ),
    ));
});

describe("exchange", () => {
  // Worked by hand: milligrams left plus milligrams poured in, over the litres.
  test("a quarter changed", () =>
    expect(afterExchange(40, 5, effectiveShare(50, 200, "batch"))).toBeCloseTo((150 * 40 + 50 * 5) / 200, 12));

  test("litres to reach a target, batch and in-and-out", () => {
    const input = { before: 40, target: 20, refill: 5, systemL: 200 } as const;
    expect(litresToReach({ ...input, mode: "batch" })).toMatchObject({ ok: true, litres: expect.closeTo(114.286, 2) });
    expect(litresToReach({ ...input, mode: "in-and-out" })).toMatchObject({
      ok: true,
      litres: expect.closeTo(169.46, 2),
    });
  });

  test("what cannot be reached is an answer", () => {
    expect(litresToReach({ before: 40, target: 3, refill: 5, systemL: 200, mode: "batch" }).ok).toBe(false);
    expect(litresToReach({ before: 5, target: 3, refill: 5, systemL: 200, mode: "batch" }).ok).toBe(false);
    expect(litresToReach({ before: 40, target: 5, refill: 5, systemL: 200, mode: "in-and-out" })).toEqual({
      ok: false,
      reason: "never-exactly",
    });
    expect(litresToReach({ before: 40, target: 5, refill: 5, systemL: 200, mode: "batch" })).toEqual({
      ok: true,
      litres: 200,
    });
    expect(litresToReach({ before: 40, target: 40, refill: 5, systemL: 200, mode: "batch" })).toEqual({
      ok: true,
      litres: 0,
    });
  });

  // Ten per cent in and out acts as 9.5, twenty-five as 22, one whole volume as 63.
  test.each([
    [20, 0.0952],
    [50, 0.2212],
    [200, 0.6321],
  ])("%d L in and out of 200", (litres, share) =>
    expect(effectiveShare(litres, 200, "in-and-out")).toBeCloseTo(share, 4),
  );

  test("settled peak of a steady build-up, and the share that holds it", () => {
    expect(settledPeak(5, 1.5, 7, 0.25)).toBeCloseTo(47, 9);
    expect(settledPeak(5, 1.5, 7, effectiveShare(50, 200, "in-and-out"))).toBeCloseTo(52.47, 2);
    expect(shareToHold(47, 5, 1.5, 7)).toBeCloseTo(0.25, 9);
  });

  test("more than the tank, or a tank without water, is refused", () => {
    expect(() => effectiveShare(201, 200, "batch")).toThrow(OutOfRangeError);
    expect(() => effectiveShare(10, 0, "batch")).toThrow(OutOfRangeError);
    expect(() => effectiveShare(-1, 200, "batch")).toThrow(OutOfRangeError);
  });

  const amounts = fc.record({
    before: fc.double({ min: 0, max: 500, noNaN: true }),
    refill: fc.double({ min: 0, max: 500, noNaN: true }),
    systemL: fc.double({ min: 1, max: 5000, noNaN: true }),
    part: fc.double({ min: 0, max: 1, noNaN: true }),
  });

  test("mass is conserved", () =>
    fc.assert(
      fc.property(amounts, ({ before, refill, systemL, part }) => {
        const litres = part * systemL;
        const after = afterExchange(before, refill, effectiveShare(litres, systemL, "batch"));
        expect(after * systemL).toBeCloseTo(before * (systemL - litres) + refill * litres, 4);
      }),
    ));

  test("a change lands between tank and source, and in-and-out never does more than batch", () =>
    fc.assert(
      fc.property(amounts, ({ before, refill, systemL, part }) => {
        const share = effectiveShare(part * systemL, systemL, "batch");
        const after = afterExchange(before, refill, share);
        expect(after).toBeGreaterThanOrEqual(Math.min(before, refill) - 1e-9);
        expect(after).toBeLessThanOrEqual(Math.max(before, refill) + 1e-9);
        expect(effectiveShare(part * systemL, systemL, "in-and-out")).toBeLessThanOrEqual(share + 1e-12);
      }),
    ));
});

describe("salt", () => {
  test("grams, and what a verified batch teaches", () => {
    expect(saltGrams(100, 38, 35)).toBeCloseTo(3800, 9);
    // 3600 g in 100 L gave 34: this bag needs 37.06 a litre; half-way from 36 is 36.53.
    const lesson = learnSalt(36, { litres: 100, grams: 3600, measuredPsu: 34 });
    expect(lesson.batchGramsPerLitre).toBeCloseTo(37.0588, 3);
    expect(lesson.gramsPerLitre).toBeCloseTo(36.5294, 3);
    expect(lesson.questioned).toBe(false);
  });

  test("a batch more than 15 % off is questioned and not learnt until confirmed", () => {
    const batch = { litres: 100, grams: 3600, measuredPsu: 28 };
    expect(learnSalt(36, batch)).toMatchObject({ questioned: true, gramsPerLitre: 36 });
    expect(learnSalt(36, { ...batch, confirmed: true }).gramsPerLitre).toBeCloseTo(40.5, 9);
  });
});

describe("ammonia", () => {
  // Emerson et al. 1975, table; Bell et al. 2007.
  test("free fraction", () => {
    expect(freeAmmoniaFraction({ ph: 8, temperatureC: 25, salinityPsu: 0 })).toBeCloseTo(0.0537, 4);
    expect(freeAmmoniaFraction({ ph: 8, temperatureC: 20, salinityPsu: 0 })).toBeCloseTo(0.0381, 4);
    expect(freeAmmoniaFraction({ ph: 8.2, temperatureC: 25, salinityPsu: 35 })).toBeCloseTo(0.0646, 4);
  });
  test("a change can poison", () => {
    // 2 mg/L at pH 6.6 is harmless; after 30 % with tap water at pH 7.6 it is not. At 25 °C, as N then as NH3.
    const before = freeAmmoniaMgL(2, { ph: 6.6, temperatureC: 25, salinityPsu: 0 });
    const after = freeAmmoniaMgL(1.4, { ph: 7.6, temperatureC: 25, salinityPsu: 0 });
    expect(before / 1.2159).toBeCloseTo(0.0045, 4);
    expect(after / 1.2159).toBeCloseTo(0.031, 3);
  });
  test("rises with pH and with warmth", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 9, noNaN: true }),
        fc.double({ min: 5, max: 35, noNaN: true }),
        fc.constantFrom(0, 35),
        (ph, temperatureC, salinityPsu) => {
          const now = freeAmmoniaFraction({ ph, temperatureC, salinityPsu });
          expect(freeAmmoniaFraction({ ph: ph + 0.1, temperatureC, salinityPsu })).toBeGreaterThan(now);
          expect(freeAmmoniaFraction({ ph, temperatureC: temperatureC + 1, salinityPsu })).toBeGreaterThan(now);
        },
      ),
    ));
});

describe("temperature and conditioner", () => {
  test("the hot part of a tap", () => {
    expect(hotShare(25, 10, 60)).toBeCloseTo(0.3, 12);
    expect(hotShare(5, 10, 60)).toBeNull();
  });
  test("heating a barrel against its losses", () => {
    const barrel = { litres: 100, fromC: 10, toC: 25, lossWPerK: 4, roomC: 10, water: "fresh" } as const;
    expect(heatingHours({ ...barrel, watts: 300 })).toBeCloseTo(6.46, 2);
    expect(heatingHours({ ...barrel, watts: 60 })).toBeNull();
    expect(heatingHours({ ...barrel, watts: 300, toC: 9 })).toBe(0);
  });
  test("conditioner never exceeds its label", () => {
    const bottle = { name: "Conditioner A", mlPer100L: 10, maximumMlPer100L: 30, bindsAmmonia: true };
    expect(conditionerMl(bottle, 250, 1)).toBeCloseTo(25, 12);
    expect(conditionerMl(bottle, 250, 2)).toBeCloseTo(50, 12);
    expect(conditionerMl(bottle, 250, 9)).toBeCloseTo(75, 12);
  });
});
