import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { fallMinutes, gravityFlowLPerMinute, pumpFlowLPerMinute } from "../flow/index.ts";
import { litresAboveM, tankOnDay } from "../given/index.ts";
import { factsOf, inputOf } from "../given/sample.fixture.ts";
import type { TankFacts } from "../tank/index.ts";
import { displayVolumeL, surfaceM2 } from "../vessel/index.ts";
import { exposures, lowWaterOf, SET_BACK_MINUTES } from "./exposure.ts";
import {
  drainFlowLPerMinute,
  drainMinutesOf,
  hoseLimitL,
  pumpFlowOf,
  refillFlowLPerMinute,
  refillMinutesOf,
} from "./moving.ts";
import { planChange, planWater } from "./water.ts";

const vessel = { shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.5 } as const;
/** Half a square metre of bare water, 40 cm deep. */
const bare: TankFacts = {
  ...factsOf("community"),
  display: { vessel, runningLevelM: 0.4, substrate: "bare", substrateDepthM: 0, rockKg: 0, rockTopM: 0 },
  landmarks: [],
};
/** A tank that stands at its fill line, its bed left alone. */
const found = (facts: TankFacts) => tankOnDay(inputOf(facts, { belowMarkCm: 0, tasks: [] }));
const hose = { boreMm: 16, lengthM: 3, dropM: 0.6 };

describe("a display that falls through its hose", () => {
  const tank = { ...bare, drainHose: hose };
  test("takes as long as the slow march of flow and level", () => {
    const exact = fallMinutes(
      {
        areaM2: (h) => surfaceM2(vessel, h),
        flowLPerMinute: (h) => gravityFlowLPerMinute({ lengthM: 3, diameterM: 0.016 }, h + 0.6),
      },
      0.4,
      0.1,
    );
    if (!exact.ok) throw new Error("it runs");
    expect(drainMinutesOf(found(tank), 150)).toBeCloseTo(exact.minutes, 2);
  });
  test("is slower than a steady flow, as the head falls with the water", () => {
    const first = drainMinutesOf(found(tank), 50);
    const last = drainMinutesOf(found(tank), 150) - drainMinutesOf(found(tank), 100);
    expect(last).toBeGreaterThan(first);
  });
  test("is put right by a timed bucket at every head", () => {
    const computed = drainFlowLPerMinute(hose, 0.4, 0.4);
    // 10 L in the time in which the formula says 20: half the flow, twice the minutes.
    const timed = { ...tank, drainHose: { ...hose, timed: { litres: 10, seconds: (20 / computed) * 60 } } };
    expect(drainMinutesOf(found(timed), 120)).toBeCloseTo(2 * drainMinutesOf(found(tank), 120), 6);
  });
  test("without a fall stops, and says how much it takes by itself", () => {
    // The end of the hose hangs 20 cm above the floor: below that nothing runs.
    const shallow = { ...bare, drainHose: { ...hose, dropM: -0.2 } };
    const byHoseL = hoseLimitL(found(shallow)) ?? Number.NaN;
    expect(byHoseL).toBeGreaterThan(90);
    expect(byHoseL).toBeLessThanOrEqual(100);
    const plan = planWater(
      inputOf({ ...shallow, practice: { ...bare.practice, share: 0.8 }, mostShare: 1 }, { belowMarkCm: 0 }),
    );
    expect(plan.binding?.code).toBe("hose");
    // What is carried beyond it goes at the rate that is written down.
    expect(drainMinutesOf(found(shallow), 150)).toBeCloseTo(
      drainMinutesOf(found(shallow), byHoseL) + (150 - byHoseL) / shallow.drainLPerMinute,
      6,
    );
  });
  test("never takes less time for more litres", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 190, noNaN: true }),
        fc.double({ min: 0, max: 8, noNaN: true }),
        (litres, more) => {
          expect(drainMinutesOf(found(tank), litres + more)).toBeGreaterThanOrEqual(
            drainMinutesOf(found(tank), litres),
          );
        },
      ),
    ));
  test("without a hose drains at its litres a minute", () =>
    expect(drainMinutesOf(found(bare), 50)).toBe(50 / bare.drainLPerMinute));
});

describe("a pump that refills", () => {
  const pump = { shutOffM: 3, openLPerMinute: 60, boreMm: 19, lengthM: 4, liftM: 1.2 };
  test("gives what its curve leaves over height and hose", () => {
    const flow = refillFlowLPerMinute({ ...bare, refillPump: pump });
    expect(flow).toBe(pumpFlowOf(pump));
    expect(flow).toBeLessThan(60);
    expect(refillMinutesOf(found({ ...bare, refillPump: pump }), 100, 100)).toBeCloseTo(100 / flow, 9);
  });
  /** Poured in drops of 5 mL: both surfaces are looked at again before each. */
  const drip = (
    of: typeof pump,
    outL: number,
    inL: number,
    { barrelM2, under }: { barrelM2: number; under: boolean },
  ) => {
    const drop = 0.005;
    let minutes = 0;
    for (let poured = 0; poured < inL - 1e-9; poured += drop) {
      const sunk = (poured + drop / 2) / 1000 / barrelM2;
      // Half a square metre: 1 L is 2 mm.
      const below = under ? (outL - poured - drop / 2) / 1000 / 0.5 : 0;
      const { boreMm, lengthM, liftM, ...curve } = of;
      minutes += drop / pumpFlowLPerMinute(curve, { diameterM: boreMm / 1000, lengthM }, liftM + sunk - below);
    }
    return minutes;
  };
  test("from a barrel that sinks, into water that rises, takes as long as drop by drop", () => {
    const across = 0.6;
    const barrelM2 = Math.PI * 0.3 ** 2;
    for (const [outL, inL, under] of [
      [120, 120, false],
      [120, 120, true],
      [150, 60, true],
    ] as const) {
      const facts = {
        ...bare,
        refillPump: { ...pump, barrelAcrossM: across, ...(under ? { ends: "under" as const } : {}) },
      };
      expect(refillMinutesOf(found(facts), outL, inL) / drip(pump, outL, inL, { barrelM2, under })).toBeCloseTo(1, 3);
    }
  });
  test("and longer than from one that stays, the more so the narrower it is", () => {
    const times = [3, 0.8, 0.5].map((barrelAcrossM) =>
      refillMinutesOf(found({ ...bare, refillPump: { ...pump, barrelAcrossM } }), 100, 100),
    );
    const still = refillMinutesOf(found({ ...bare, refillPump: pump }), 100, 100);
    expect([still, ...times]).toEqual([still, ...times].sort((a, b) => a - b));
    // Half a metre sinks by half a metre: of 1.8 m that the pump has left at first.
    expect((times[2] ?? 0) / still).toBeGreaterThan(1.05);
  });
  test("what it does not lift any more is carried at the rate that is written down", () => {
    // 1.5 m down to the end of its curve: a barrel of 0.4 m gives 188 L until then.
    const deep = { ...pump, liftM: 1.5, barrelAcrossM: 0.4 };
    const of = (inL: number) => refillMinutesOf(found({ ...bare, refillPump: deep, refillLPerMinute: 4 }), 190, inL);
    const liftedL = 1500 * Math.PI * 0.2 ** 2;
    expect(liftedL).toBeCloseTo(188.5, 1);
    expect(of(400) - of(300)).toBeCloseTo(100 / 4, 0);
  });
  test("a bucket timed with everything full counts at every lift", () => {
    const falling = { ...pump, barrelAcrossM: 0.6 };
    const flow = pumpFlowOf(pump);
    const slow = { ...falling, timed: { litres: 10, seconds: (20 / flow) * 60 } };
    const minutes = (refillPump: typeof falling) => refillMinutesOf(found({ ...bare, refillPump }), 100, 100);
    expect(minutes(slow)).toBeCloseTo(2 * minutes(falling), 6);
  });
  test("never takes less time for more litres", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 190, noNaN: true }),
        fc.double({ min: 0, max: 8, noNaN: true }),
        fc.boolean(),
        (litres, more, under) => {
          const tank = found({
            ...bare,
            refillPump: { ...pump, barrelAcrossM: 0.5, ends: under ? ("under" as const) : ("above" as const) },
          });
          expect(refillMinutesOf(tank, 190, litres + more)).toBeGreaterThanOrEqual(
            refillMinutesOf(tank, 190, litres) - 1e-3,
          );
        },
      ),
    ));
  test("timed by a bucket gives what the bucket says", () =>
    // 20 L in 80 s are 15 L/min, whatever the curve says.
    expect(refillFlowLPerMinute({ ...bare, refillPump: { ...pump, timed: { litres: 20, seconds: 80 } } })).toBeCloseTo(
      15,
      9,
    ));
  test("that cannot lift so high is not counted on", () =>
    expect(refillFlowLPerMinute({ ...bare, refillPump: { ...pump, liftM: 3.5 } })).toBe(bare.refillLPerMinute));
});

describe("litres out of the sump while the pumps run", () => {
  /** A return outlet 10 cm down without a siphon break: 50 L run back into a sump that has 31 L of room. */
  const over = (pumpsAtSiphon: "on" | "off"): TankFacts => ({
    ...bare,
    gear: ["return"],
    drainLPerMinute: 4,
    sump: {
      lengthM: 0.8,
      widthM: 0.3,
      heightM: 0.35,
      runningLevelM: 0.22,
      pipesL: 0,
      lowestLevelM: 0.05,
      weirM: 0.39,
      returnLengthM: 0.8,
    },
    practice: { ...bare.practice, pumpsAtSiphon },
    landmarks: [
      { name: "outlet", kind: "return", heightM: 0.3, airMinutes: 0, siphonBreak: false },
      { name: "top coral", kind: "coral", heightM: 0.15, airMinutes: 12 },
    ],
  });
  test("leave nothing bare: the display falls by what comes after them, and so is the line told", () => {
    const [on, off] = [lowWaterOf(found(over("on")), 110), lowWaterOf(found(over("off")), 110)];
    expect(off.runningL).toBe(0);
    // 50 L, and a tenth more, find 31.2 L.
    expect(on.runningL).toBeCloseTo(50 / 0.9 - 31.2, 6);
    const bareMinutes = (low: typeof on) => low.exposed.find((e) => e.name === "top coral")?.minutes ?? 0;
    // At 4 L/min out and 10 L/min in again.
    expect(bareMinutes(off) - bareMinutes(on)).toBeCloseTo(on.runningL / 4 + on.runningL / 10, 6);
  });
  test("take their time, which the drain's minutes and the step have", () => {
    const on = lowWaterOf(found(over("on")), 110);
    expect(on.runningMinutes).toBeCloseTo(on.runningL / 4, 9);
    expect(on.runningMinutes + on.parts.bedMinutes + on.parts.restMinutes).toBeCloseTo(110 / 4, 6);
  });
});

describe("what stands in air", () => {
  const coral = { name: "top coral", kind: "coral", heightM: 0.3, airMinutes: 12 } as const;
  const reef = { ...bare, landmarks: [coral], drainHose: hose, mostShare: 1 };
  test("does so from the moment the water leaves it until it is back", () => {
    const out = 140;
    const tank = found(reef);
    const reach = litresAboveM(reef, tank.standing, 0.3);
    const minutes =
      drainMinutesOf(tank, out) -
      drainMinutesOf(tank, reach) +
      SET_BACK_MINUTES +
      (out - reach) / reef.refillLPerMinute;
    expect(exposures(tank, out)).toEqual([
      {
        name: "top coral",
        kind: "coral",
        minutes: expect.closeTo(minutes, 9),
        // Splashed every five minutes it bears twice its twelve.
        allowedMinutes: 24,
        wetEvery: 5,
      },
    ]);
    expect(exposures(tank, reach)).toEqual([]);
  });
  test("holds the change just where its minutes are used up", () => {
    const slow = { ...reef, refillLPerMinute: 3 };
    const limit = planChange(inputOf(slow, { belowMarkCm: 0, tasks: [] }), 10).limits.find(
      (l) => l.code === "landmark",
    );
    const [bareFor] = exposures(found(slow), limit?.maxL ?? 0);
    expect(bareFor?.minutes).toBeCloseTo(24, 4);
  });
  test("the levels agree with the volumes they stand for", () =>
    expect(litresAboveM(reef, found(reef).standing, 0.1)).toBeCloseTo(
      displayVolumeL(reef.display, 0.4) - displayVolumeL(reef.display, 0.1),
      9,
    ));
});
