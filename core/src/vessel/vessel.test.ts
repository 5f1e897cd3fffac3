import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { OutOfRangeError } from "../issues/index.ts";
import { boundedVessel } from "./bounded.fixture.ts";
import {
  cmFromRim,
  type Display,
  displayLevelM,
  displayVolumeL,
  frontWidthM,
  grossVolumeL,
  insideOf,
  returnFloorM2,
  rockKgOf,
  runBack,
  sumpCapacityL,
  sumpLevelM,
  sumpVolumeL,
  surfaceM2,
  VESSEL_SHAPES,
  type Vessel,
  vesselHeightM,
  vesselPlanPoints,
  vesselShapes,
} from "./index.ts";

const side = fc.double({ min: 0.2, max: 3, noNaN: true });
const part = fc.double({ min: 0.05, max: 1, noNaN: true });
/** Any vessel: what another dimension bounds is drawn as a part of it. */
const vessel: fc.Arbitrary<Vessel> = fc
  .record({ shape: fc.constantFrom(...VESSEL_SHAPES), sides: fc.array(side, { minLength: 5, maxLength: 5 }), part })
  .map(({ shape, sides, part: p }) => {
    const dimensions = Object.fromEntries(vesselShapes[shape].dimensions.map(({ key }, i) => [key, sides[i] ?? 1]));
    return boundedVessel(shape, dimensions, p);
  });

const display: fc.Arbitrary<Display> = fc
  .record({
    vessel,
    level: fc.double({ min: 0.6, max: 0.98, noNaN: true }),
    bed: fc.constantFrom("sand" as const, "gravel" as const, "bare" as const),
  })
  .map(({ vessel: v, level, bed }) => {
    const height = vesselHeightM(v);
    return {
      vessel: v,
      runningLevelM: level * height,
      substrate: bed,
      substrateDepthM: bed === "bare" ? 0 : 0.06 * height,
      rockKg: grossVolumeL(v, height) * 0.1,
      rockTopM: height * 0.5,
    };
  });

describe("volume", () => {
  test("by hand", () => {
    expect(grossVolumeL({ shape: "box", lengthM: 1.2, widthM: 0.5, heightM: 0.5 }, 0.45)).toBeCloseTo(270, 9);
    expect(grossVolumeL({ shape: "cylinder", diameterM: 1, heightM: 1 }, 0.5)).toBeCloseTo(392.699, 3);
    // A drum that is half full holds half.
    expect(grossVolumeL({ shape: "drum", diameterM: 1, depthM: 0.5 }, 0.5)).toBeCloseTo(196.35, 2);
    expect(grossVolumeL({ shape: "drum", diameterM: 1, depthM: 0.5 }, 1)).toBeCloseTo(392.699, 3);
  });

  // Each area from its school formula, times the height.
  const round = Math.PI * 0.6 ** 2;
  const byHand: readonly [Vessel, number][] = [
    // A bow of 0.5 on a half-length of 0.5 is half a circle in front of the box.
    [{ shape: "bow-front", lengthM: 1, widthM: 0.4, bowM: 0.5, heightM: 0.5 }, 0.4 + (Math.PI * 0.25) / 2],
    [{ shape: "quarter-round", radiusM: 0.6, heightM: 0.5 }, round / 4],
    [{ shape: "half-round", radiusM: 0.6, heightM: 0.5 }, round / 2],
    [{ shape: "three-quarter-round", radiusM: 0.6, heightM: 0.5 }, (3 * round) / 4],
    // Regular polygons from the distance between panes d: 2·tan(180°/n)·… = (n/4)·d²·tan(180°/n).
    [{ shape: "hexagon", acrossM: 0.8, heightM: 0.5 }, 0.554256],
    [{ shape: "octagon", acrossM: 0.8, heightM: 0.5 }, 0.530193],
    [{ shape: "corner", lengthM: 0.9, widthM: 0.9, endM: 0.3, heightM: 0.5 }, 0.81 - 0.18],
    // Its front cuts a triangle of 0.6 × 0.5 off the rectangle.
    [
      { shape: "uneven-corner", lengthM: 0.9, widthM: 0.8, endM: 0.3, endRightM: 0.3, heightM: 0.5 },
      0.72 - (0.6 * 0.5) / 2,
    ],
    [{ shape: "l-shape", lengthM: 2, widthM: 1.5, cutLengthM: 1.4, cutWidthM: 0.9, heightM: 0.5 }, 3 - 1.26],
    [{ shape: "trapezoid", lengthM: 1.2, backM: 0.8, widthM: 0.5, heightM: 0.5 }, 0.5],
    [{ shape: "sloping", lengthM: 1.2, floorM: 0.8, widthM: 0.5, heightM: 0.5 }, 0.5],
    // Half a ball of 40 cm holds 16.755 L; over half a metre that is no constant area, so it is given as one of 0.2 m.
    [{ shape: "bowl", diameterM: 0.4, heightM: 0.2 }, 0.01675516 / 0.2],
    // A floor of 24 cm cuts 4 cm off a ball of 40 cm: half the ball less that cap, π·0.04²·(0.6 − 0.04)/3.
    [
      { shape: "flat-bowl", diameterM: 0.4, floorM: 0.24, heightM: 0.16 },
      (0.01675516 - (Math.PI * 0.04 ** 2 * 0.56) / 3) / 0.16,
    ],
  ];
  for (const [v, areaM2] of byHand)
    test(`by hand: ${v.shape}`, () =>
      expect(grossVolumeL(v, vesselHeightM(v))).toBeCloseTo(areaM2 * vesselHeightM(v) * 1000, 2));

  test("the plan that is drawn encloses the surface that is computed", () =>
    fc.assert(
      fc.property(vessel, fc.double({ min: 0.1, max: 1, noNaN: true }), (v, share) => {
        const points = vesselPlanPoints(v, vesselHeightM(v) * share * 0.99);
        const drawn = points.reduce((sum, p, i) => {
          const next = points[(i + 1) % points.length] ?? p;
          return sum + (p.x * next.y - next.x * p.y) / 2;
        }, 0);
        const surface = surfaceM2(v, vesselHeightM(v) * share * 0.99);
        expect(Math.abs(drawn - surface)).toBeLessThan(0.002 * surface);
        const xs = points.map((p) => p.x);
        expect(
          Math.abs(Math.max(...xs) - Math.min(...xs) - frontWidthM(v, vesselHeightM(v) * share * 0.99)),
        ).toBeLessThan(0.002);
      }),
    ));

  test("inside dimensions lose the panes they stand between", () => {
    expect(insideOf({ shape: "box", lengthM: 1.2, widthM: 0.5, heightM: 0.5 }, 0.01)).toEqual({
      shape: "box",
      lengthM: 1.18,
      widthM: 0.48,
      heightM: 0.49,
    });
    expect(() => insideOf({ shape: "cylinder", diameterM: 0.3, heightM: 0.4 }, 0.15)).toThrow(OutOfRangeError);
  });

  test("dimensions that make no vessel are refused by name", () => {
    const field = (v: Vessel) => {
      try {
        grossVolumeL(v, 0.1);
      } catch (error) {
        return error instanceof OutOfRangeError ? error.issue.field : error;
      }
      return "accepted";
    };
    expect(field({ shape: "bowl", diameterM: 0.4, heightM: 0.41 })).toBe("heightM");
    expect(field({ shape: "corner", lengthM: 0.9, widthM: 0.7, endM: 0.8, heightM: 0.5 })).toBe("endM");
    expect(field({ shape: "uneven-corner", lengthM: 0.9, widthM: 0.7, endM: 0.8, endRightM: 0.8, heightM: 0.5 })).toBe(
      "endRightM",
    );
    expect(field({ shape: "flat-bowl", diameterM: 0.4, floorM: 0.24, heightM: 0.37 })).toBe("heightM");
    expect(field({ shape: "flat-bowl", diameterM: 0.4, floorM: 0.4, heightM: 0.2 })).toBe("floorM");
    expect(field({ shape: "l-shape", lengthM: 1, widthM: 1, cutLengthM: 1.1, cutWidthM: 0.5, heightM: 0.5 })).toBe(
      "cutLengthM",
    );
    expect(field({ shape: "bow-front", lengthM: 1, widthM: 1, bowM: 0.6, heightM: 0.5 })).toBe("bowM");
    expect(field({ shape: "trapezoid", lengthM: 1, backM: 0, widthM: 1, heightM: 0.5 })).toBe("backM");
  });

  test("the drawn outline and the volume are the same body", () =>
    fc.assert(
      fc.property(vessel, fc.double({ min: 0.1, max: 1, noNaN: true }), (v, part) => {
        const top = vesselHeightM(v) * part;
        const slices = 4000;
        let litres = 0;
        for (let i = 0; i < slices; i++) litres += surfaceM2(v, ((i + 0.5) * top) / slices) * (top / slices) * 1000;
        expect(grossVolumeL(v, top)).toBeCloseTo(litres, -Math.log10(litres * 1e-3));
        expect(frontWidthM(v, top / 2)).toBeGreaterThan(0);
      }),
      { numRuns: 60 },
    ));

  test("volume and level are inverses to a tenth of a millimetre, and volume rises with level", () =>
    fc.assert(
      fc.property(display, fc.double({ min: 0.02, max: 1, noNaN: true }), (d, part) => {
        const level = d.runningLevelM * part;
        const litres = displayVolumeL(d, level);
        expect(Math.abs(displayLevelM(d, litres) - level)).toBeLessThan(1e-4);
        expect(displayVolumeL(d, Math.min(d.runningLevelM, level * 1.01))).toBeGreaterThanOrEqual(litres);
      }),
    ));

  test("sand gives back its pores, rock takes its solid", () => {
    const bare: Display = {
      vessel: { shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.6 },
      runningLevelM: 0.5,
      substrate: "bare",
      substrateDepthM: 0,
      rockKg: 0,
      rockTopM: 0,
    };
    expect(displayVolumeL({ ...bare, substrate: "sand", substrateDepthM: 0.1 }, 0.5)).toBeCloseTo(250 - 50 * 0.6, 9);
    expect(displayVolumeL({ ...bare, rockKg: 28, rockTopM: 0.4 }, 0.5)).toBeCloseTo(240, 9);
  });

  test("measured litres override, unless they are more than the glass holds", () => {
    const d: Display = {
      vessel: { shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.6 },
      runningLevelM: 0.5,
      substrate: "sand",
      substrateDepthM: 0.1,
      rockKg: 20,
      rockTopM: 0.4,
      measuredNetL: 220,
    };
    expect(displayVolumeL(d, 0.5)).toBeCloseTo(220, 9);
    expect(() => displayVolumeL({ ...d, measuredNetL: 260 }, 0.5)).toThrow(OutOfRangeError);
  });

  test("a level outside the glass, or a vessel without size, is refused", () => {
    const box: Vessel = { shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.6 };
    expect(() => grossVolumeL(box, 0.61)).toThrow(OutOfRangeError);
    expect(() => grossVolumeL(box, -0.1)).toThrow(OutOfRangeError);
    expect(() => grossVolumeL({ ...box, widthM: 0 }, 0.1)).toThrow(OutOfRangeError);
  });
});

test("in a sump only the return chamber falls: 20 cm low are its own litres", () => {
  const sump = {
    lengthM: 1.2,
    widthM: 0.5,
    heightM: 0.5,
    runningLevelM: 0.32,
    lowestLevelM: 0.1,
    pipesL: 0,
    weirM: 0.5,
    returnLengthM: 0.4,
    baffleM: 0.35,
  };
  // 20 cm of 40 × 50 cm are 40 L, not the 120 of the whole floor.
  expect(sumpVolumeL(sump, 0.32) - sumpVolumeL(sump, 0.12)).toBeCloseTo(40, 9);
  // The others stand at their baffle: 80 × 50 × 35 cm.
  expect(sumpVolumeL(sump, 0)).toBeCloseTo(140, 9);
  // Above the baffle all rise together.
  expect(sumpVolumeL(sump, 0.45) - sumpVolumeL(sump, 0.4)).toBeCloseTo(30, 9);
  for (const level of [0, 0.1, 0.32, 0.35, 0.42, 0.5])
    expect(sumpLevelM(sump, sumpVolumeL(sump, level))).toBeCloseTo(level, 9);
  // Nobody measured the chamber: a third of the sump.
  expect(returnFloorM2({ ...sump, returnLengthM: undefined })).toBeCloseTo(0.2, 9);
  expect(sumpCapacityL(sump)).toBeCloseTo(300, 9);
});

test("run-back: what stands above the weir, and the pipes", () => {
  const d: Display = {
    vessel: { shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.6 },
    runningLevelM: 0.55,
    substrate: "bare",
    substrateDepthM: 0,
    rockKg: 0,
    rockTopM: 0,
  };
  const sump = {
    lengthM: 0.8,
    widthM: 0.4,
    heightM: 0.4,
    runningLevelM: 0.25,
    lowestLevelM: 0.1,
    pipesL: 5,
    weirM: 0.53,
  };
  // 2 cm of half a square metre is 10 L; 15 cm of 0.32 m² is 48 L of room.
  expect(runBack(d, sump, 0.53)).toMatchObject({ litres: expect.closeTo(15, 9), roomL: expect.closeTo(48, 9) });
  // An open outlet at 50 cm lets 5 cm of half a square metre follow.
  expect(runBack(d, sump, 0.5).litres).toBeCloseTo(30, 9);
  expect(cmFromRim(d, 0.4)).toBeCloseTo(20, 9);
});

test("a bed whose voids were measured holds that much water, and a bare floor is none", () => {
  const display = {
    vessel: { shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.5 },
    runningLevelM: 0.4,
    substrate: "gravel",
    substrateDepthM: 0.1,
    rockKg: 0,
    rockTopM: 0,
  } as const;
  // 50 L of bed in 200 L: 45 % of it is water by practice, 30 % where that was measured.
  expect(displayVolumeL(display, 0.4)).toBeCloseTo(150 + 0.45 * 50, 9);
  expect(displayVolumeL({ ...display, voidShare: 0.3 }, 0.4)).toBeCloseTo(150 + 0.3 * 50, 9);
  expect(displayVolumeL({ ...display, substrate: "bare", voidShare: 0.3 }, 0.4)).toBeCloseTo(200, 9);
});

test("several heaps take up their room each up to its own top", () => {
  const one = {
    vessel: { shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.5 },
    runningLevelM: 0.4,
    substrate: "bare",
    substrateDepthM: 0,
    rockKg: 28,
    rockTopM: 0.4,
  } as const;
  const two = { ...one, rockKg: 14, heaps: [{ rockKg: 14, rockTopM: 0.2 }] };
  // 28 kg of rock are 10 L, wherever they stand.
  expect(displayVolumeL(one, 0.4)).toBeCloseTo(190, 9);
  expect(displayVolumeL(two, 0.4)).toBeCloseTo(190, 9);
  // Half-way up: half of the one heap, or half of the high one and all of the low one.
  expect(displayVolumeL(one, 0.2)).toBeCloseTo(100 - 5, 9);
  expect(displayVolumeL(two, 0.2)).toBeCloseTo(100 - 2.5 - 5, 9);
  expect(rockKgOf(two)).toBe(28);
});
