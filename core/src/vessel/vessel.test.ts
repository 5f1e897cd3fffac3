import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { OutOfRangeError } from "../issues/index.ts";
import {
  cmFromRim,
  type Display,
  displayLevelM,
  displayVolumeL,
  frontWidthM,
  grossVolumeL,
  runBack,
  surfaceM2,
  type Vessel,
  vesselHeightM,
} from "./index.ts";

const side = fc.double({ min: 0.2, max: 3, noNaN: true });
const vessel: fc.Arbitrary<Vessel> = fc.oneof(
  fc.record({ shape: fc.constant("box" as const), lengthM: side, widthM: side, heightM: side }),
  fc.record({ shape: fc.constant("cylinder" as const), diameterM: side, heightM: side }),
  fc.record({ shape: fc.constant("drum" as const), diameterM: side, depthM: side }),
);

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
      { numRuns: 40 },
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
  expect(runBack(d, sump)).toMatchObject({ litres: expect.closeTo(15, 9), roomL: expect.closeTo(48, 9) });
  expect(cmFromRim(d, 0.4)).toBeCloseTo(20, 9);
});
