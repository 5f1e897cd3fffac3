import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { OutOfRangeError } from "../issues/index.ts";
import {
  bucketFactor,
  fallMinutes,
  gravityFlowLPerMinute,
  type Hose,
  headLossM,
  liftMinutes,
  pumpFlowLPerMinute,
} from "./index.ts";

/** 3 m of 16 mm, 1.5 µm rough, minor losses 1.5, water at 25 °C. */
const hose: Hose = { lengthM: 3, diameterM: 0.016 };

describe("a hose that runs down", () => {
  test("gives the flow of the published example", () =>
    // Solved independently from Darcy and Weisbach with Swamee and Jain's factor.
    expect(gravityFlowLPerMinute(hose, 1)).toBeCloseTo(22.1, 1));
  test("without a fall does not run", () => {
    expect(gravityFlowLPerMinute(hose, 0)).toBe(0);
    expect(gravityFlowLPerMinute(hose, -0.5)).toBe(0);
  });
  test("in slow flow follows Poiseuille's law", () => {
    // Q = π·g·h·D⁴ / (128·ν·L) where minor losses are nothing: 2 m of 4 mm under 2 cm.
    const thin: Hose = { lengthM: 2, diameterM: 0.004, minorLosses: 0 };
    const poiseuille = (Math.PI * 9.80665 * 0.02 * 0.004 ** 4) / (128 * 0.893e-6 * 2);
    expect(gravityFlowLPerMinute(thin, 0.02)).toBeCloseTo(poiseuille * 60_000, 6);
  });
  test("has no loss without flow, and a loss that grows with it", () => {
    expect(headLossM(hose, 0)).toBe(0);
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 200, noNaN: true }), (flow) => {
        // Where flow turns turbulent the loss jumps up, never down.
        return headLossM(hose, flow * 1.05) > headLossM(hose, flow);
      }),
    );
  });
  test("uses its head up, or stands just before the jump to turbulence", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 5, noNaN: true }),
        fc.double({ min: 0.3, max: 30, noNaN: true }),
        fc.double({ min: 0.004, max: 0.05, noNaN: true }),
        (headM, lengthM, diameterM) => {
          const pipe = { lengthM, diameterM };
          const flow = gravityFlowLPerMinute(pipe, headM);
          expect(headLossM(pipe, flow * 0.999)).toBeLessThanOrEqual(headM);
          expect(headLossM(pipe, flow * 1.001)).toBeGreaterThanOrEqual(headM);
        },
      ),
    ));
  test("runs faster with more fall, a wider bore, or less length", () =>
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 4, noNaN: true }), (headM) => {
        const flow = gravityFlowLPerMinute(hose, headM);
        return (
          gravityFlowLPerMinute(hose, headM * 1.2) >= flow &&
          gravityFlowLPerMinute({ ...hose, diameterM: 0.02 }, headM) > flow &&
          gravityFlowLPerMinute({ ...hose, lengthM: 2 }, headM) > flow
        );
      }),
    ));
  test("without bore or length is refused by name", () => {
    expect(() => gravityFlowLPerMinute({ lengthM: 3, diameterM: 0 }, 1)).toThrow(OutOfRangeError);
    expect(() => headLossM({ lengthM: 0, diameterM: 0.016 }, 1)).toThrow(OutOfRangeError);
    expect(() => gravityFlowLPerMinute(hose, Number.NaN)).toThrow(OutOfRangeError);
  });
});

describe("a pump against a hose and a height", () => {
  const pump = { shutOffM: 3, openLPerMinute: 60 };
  test("gives its open flow where nothing holds it back", () => {
    const wide: Hose = { lengthM: 0.05, diameterM: 0.2, minorLosses: 0 };
    expect(pumpFlowLPerMinute(pump, wide, 0)).toBeCloseTo(60, 2);
  });
  test("lifts nothing at its shut-off height and above", () => {
    expect(pumpFlowLPerMinute(pump, hose, 3)).toBe(0);
    expect(pumpFlowLPerMinute(pump, hose, 4)).toBe(0);
  });
  test("stands where its curve meets height and loss", () => {
    const flow = pumpFlowLPerMinute(pump, hose, 1.2);
    expect(3 * (1 - (flow / 60) ** 2)).toBeCloseTo(1.2 + headLossM(hose, flow), 6);
  });
  test("gives less the higher it lifts", () => {
    const flows = [0, 0.5, 1, 1.5, 2, 2.5].map((lift) => pumpFlowLPerMinute(pump, hose, lift));
    expect(flows).toEqual([...flows].sort((a, b) => b - a));
  });
});

describe("a timed bucket", () => {
  test("beats the formula by one factor", () =>
    // 10 L in 40 s are 15 L/min where the formula says 20.
    expect(bucketFactor(10, 40, 20)).toBeCloseTo(0.75, 12));
  test("without litres or time is refused", () => {
    expect(() => bucketFactor(0, 40, 20)).toThrow(OutOfRangeError);
    expect(() => bucketFactor(10, 0, 20)).toThrow(OutOfRangeError);
  });
});

describe("litres that are lifted", () => {
  test("at a steady flow", () =>
    expect(liftMinutes(() => 20, 100)).toEqual({ minutes: expect.closeTo(5, 9), liftedL: 100 }));
  test("at one that falls with what was lifted", () => {
    // Q = 30 − V/10: t = 10·ln(30/20) for 100 L.
    const { minutes } = liftMinutes((litres) => 30 - litres / 10, 100);
    expect(minutes).toBeCloseTo(10 * Math.log(1.5), 3);
  });
  test("end where nothing more is lifted, and say how many came", () => {
    const { liftedL } = liftMinutes((litres) => Math.max(0, 30 - litres / 2), 100);
    expect(liftedL).toBeGreaterThan(57);
    expect(liftedL).toBeLessThanOrEqual(60);
  });
  test("are none for none, and never fewer than none", () => {
    expect(liftMinutes(() => 20, 0)).toEqual({ minutes: 0, liftedL: 0 });
    expect(() => liftMinutes(() => 20, -1)).toThrow(OutOfRangeError);
  });
});

describe("a falling level", () => {
  const box = () => 0.5;
  test("at a steady flow takes litres over flow", () => {
    // 0.5 m² by 0.2 m are 100 L; at 20 L/min five minutes.
    expect(fallMinutes({ areaM2: box, flowLPerMinute: () => 20 }, 0.4, 0.2)).toEqual({
      ok: true,
      minutes: expect.closeTo(5, 9),
    });
  });
  test("through an orifice follows Torricelli's law", () => {
    // Q = k·√h, so t = 2A(√h0 − √h1)/k.
    const k = 30;
    const fall = fallMinutes({ areaM2: box, flowLPerMinute: (h) => k * Math.sqrt(h) }, 0.5, 0.1);
    const exact = ((2 * 0.5 * (Math.sqrt(0.5) - Math.sqrt(0.1))) / k) * 1000;
    expect(fall).toEqual({ ok: true, minutes: expect.closeTo(exact, 4) });
  });
  test("agrees with an Euler march of the same siphon in steps a hundred times as small", () => {
    const area = (h: number) => 0.3 + 0.4 * h;
    const flow = (h: number) => gravityFlowLPerMinute(hose, h + 0.6);
    const fall = fallMinutes({ areaM2: area, flowLPerMinute: flow }, 0.5, 0.2);
    let [level, minutes] = [0.5, 0];
    const dh = 0.3 / 4000;
    for (let i = 0; i < 4000; i++) {
      const middle = level - dh / 2;
      minutes += (area(middle) * dh * 1000) / flow(middle);
      level -= dh;
    }
    expect(fall).toEqual({ ok: true, minutes: expect.closeTo(minutes, 3) });
  });
  test("that the flow never reaches says where it stops", () => {
    const fall = fallMinutes({ areaM2: box, flowLPerMinute: (h) => Math.max(0, h - 0.3) * 50 }, 0.5, 0.1);
    expect(fall).toMatchObject({ ok: false, reason: "stops" });
    if (!fall.ok) expect(fall.atM).toBeCloseTo(0.3, 2);
  });
  test("nowhere to go takes no time, and upwards is refused", () => {
    expect(fallMinutes({ areaM2: box, flowLPerMinute: () => 1 }, 0.3, 0.3)).toEqual({ ok: true, minutes: 0 });
    expect(() => fallMinutes({ areaM2: box, flowLPerMinute: () => 1 }, 0.2, 0.3)).toThrow(OutOfRangeError);
  });
});
