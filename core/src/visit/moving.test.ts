import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { fallMinutes, gravityFlowLPerMinute } from "../flow/index.ts";
import type { TankBook } from "../tank/index.ts";
import { displayVolumeL, surfaceM2 } from "../vessel/index.ts";
import { exposures, SET_BACK_MINUTES } from "./exposure.ts";
import { litresAboveM } from "./levels.ts";
import {
  drainFlowLPerMinute,
  drainMinutesOf,
  hoseLimitL,
  pumpFlowOf,
  refillFlowLPerMinute,
  refillMinutesOf,
} from "./moving.ts";
import { bookOf, inputOf } from "./sample.fixture.ts";
import { tankOnDay } from "./tankOnDay.ts";
import { planChange, planWater } from "./water.ts";

const vessel = { shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.5 } as const;
/** Half a square metre of bare water, 40 cm deep. */
const bare: TankBook = {
  ...bookOf("community"),
  display: { vessel, runningLevelM: 0.4, substrate: "bare", substrateDepthM: 0, rockKg: 0, rockTopM: 0 },
  landmarks: [],
};
/** A tank that stands at its fill line, its bed left alone. */
const found = (book: TankBook) => tankOnDay(inputOf(book, { belowMarkCm: 0, tasks: [] }));
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
      inputOf({ ...shallow, schools: { ...bare.schools, share: 0.8 }, mostShare: 1 }, { belowMarkCm: 0 }),
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
    expect(refillMinutesOf({ ...bare, refillPump: pump }, 100)).toBeCloseTo(100 / flow, 9);
  });
  test("timed by a bucket gives what the bucket says", () =>
    // 20 L in 80 s are 15 L/min, whatever the curve says.
    expect(refillFlowLPerMinute({ ...bare, refillPump: { ...pump, timed: { litres: 20, seconds: 80 } } })).toBeCloseTo(
      15,
      9,
    ));
  test("that cannot lift so high is not counted on", () =>
    expect(refillFlowLPerMinute({ ...bare, refillPump: { ...pump, liftM: 3.5 } })).toBe(bare.refillLPerMinute));
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
