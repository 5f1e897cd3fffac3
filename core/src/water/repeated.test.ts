import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { OutOfRangeError } from "../issues/index.ts";
import { evaporationL, topUpPsuOf } from "./creep.ts";
import { afterExchange, effectiveShare, litresToReach } from "./exchange.ts";
import { salinityFromHydrometer } from "./hydrometer.ts";
import { changesToReach, dailySteps, dailyToHold, intervalToHold, settledTrough } from "./repeated.ts";

const share = fc.double({ min: 0.01, max: 0.95, noNaN: true });

/** One change after the other. */
const afterChanges = (before: number, refill: number, f: number, times: number): number => {
  let value = before;
  for (let i = 0; i < times; i++) value = afterExchange(value, refill, f);
  return value;
};

describe("changes one after another", () => {
  test("of a quarter bring 40 to 20 with water of 5 in three", () =>
    // ln(15/35)/ln(0.75) = 2.95.
    expect(changesToReach({ before: 40, target: 20, refill: 5, share: 0.25 })).toEqual({ ok: true, changes: 3 }));
  test("reach it with the number they are told, and not with one less", () =>
    fc.assert(
      fc.property(share, fc.double({ min: 0.01, max: 0.99, noNaN: true }), (f, part) => {
        const [before, refill] = [40, 5];
        const target = before + part * (refill - before);
        const needed = changesToReach({ before, target, refill, share: f });
        if (!needed.ok) throw new Error("reachable");
        expect(afterChanges(before, refill, f, needed.changes)).toBeLessThanOrEqual(target + 1e-6);
        if (needed.changes > 0)
          expect(afterChanges(before, refill, f, needed.changes - 1)).toBeGreaterThan(target - 1e-6);
      }),
    ));
  test("that cannot reach a target say why", () => {
    expect(changesToReach({ before: 40, target: 3, refill: 5, share: 0.5 })).toEqual({
      ok: false,
      reason: "source-not-beyond-target",
    });
    expect(changesToReach({ before: 40, target: 5, refill: 5, share: 0.5 })).toEqual({
      ok: false,
      reason: "never-exactly",
    });
    expect(changesToReach({ before: 40, target: 5, refill: 5, share: 1 })).toEqual({ ok: true, changes: 1 });
    expect(changesToReach({ before: 40, target: 20, refill: 5, share: 0 })).toEqual({ ok: false, reason: "no-share" });
    expect(changesToReach({ before: 40, target: 40, refill: 5, share: 0.2 })).toEqual({ ok: true, changes: 0 });
  });
});

describe("where a build-up settles", () => {
  test("is where a long march of days and changes ends", () => {
    // Water of 5, 1.5 a day, a quarter weekly: 47 before a change, 36.5 after.
    let value = 20;
    for (let week = 0; week < 200; week++) value = afterExchange(value, 5, 0.25) + 1.5 * 7;
    expect(value).toBeCloseTo(47, 6);
    expect(settledTrough(5, 1.5, 7, 0.25)).toBeCloseTo(value - 10.5, 6);
  });
  test("holds a limit at the interval that is told", () => {
    const days = intervalToHold(40, 5, 1.5, 0.25);
    let value = 20;
    for (let i = 0; i < 300; i++) value = afterExchange(value, 5, 0.25) + 1.5 * days;
    expect(value).toBeCloseTo(40, 6);
  });
  test("with a daily exchange is where an hourly march ends", () => {
    // 200 L, 1.5 a day, 10 L a day in and out: small steps of a stirred tank.
    let value = 0;
    for (let hour = 0; hour < 24 * 400; hour++) value += 1.5 / 24 + (10 / 24 / 200) * (5 - value);
    // What the march settles at is held by the ten litres that made it.
    expect(dailyToHold(value, 5, 1.5, 200)).toBeCloseTo(10, 2);
    expect(dailyToHold(35, 5, 1.5, 200)).toBeCloseTo(10, 9);
  });
  test("holds a floor over a consumption too, and says where no water can", () => {
    // Alkalinity falls by 0.5 a day in 100 L; water of 9 keeps it at 7 with 25 L a day.
    expect(dailyToHold(7, 9, -0.5, 100)).toBeCloseTo(25, 9);
    expect(dailyToHold(20, 25, 1, 100)).toBeNull();
    expect(dailyToHold(5, 5, 1, 100)).toBeNull();
  });
});

describe("a target in steps of a day", () => {
  test("moves by the limit of its direction", () => {
    expect(dailySteps(32, 35, { up: 1, down: 2 })).toEqual({ today: 33, days: 3 });
    expect(dailySteps(38, 35, { up: 1, down: 2 })).toEqual({ today: 36, days: 2 });
    expect(dailySteps(34.6, 35, { up: 1, down: 2 })).toEqual({ today: 35, days: 1 });
    expect(dailySteps(35, 35, { up: 1, down: 2 })).toEqual({ today: 35, days: 0 });
  });
});

describe("water that does not mix", () => {
  test("keeps back its part in a change in and out: 100 L of 180 that mix", () =>
    expect(afterExchange(40, 5, effectiveShare(100, 200, "in-and-out", 20))).toBeCloseTo(26.57, 2));
  test("mixes after a batch: the balance is that of all the water", () =>
    expect(effectiveShare(45, 200, "batch", 20)).toBe(effectiveShare(45, 200, "batch")));
  test("agrees with a march of small litres through a stirred tank", () => {
    let mixed = 40;
    const drop = 100 / 200_000;
    for (let i = 0; i < 200_000; i++) mixed += (drop / 180) * (5 - mixed);
    const balance = (180 * mixed + 20 * 40) / 200;
    expect(afterExchange(40, 5, effectiveShare(100, 200, "in-and-out", 20))).toBeCloseTo(balance, 3);
  });
  test("asks for more litres, and sets an end to what they reach", () => {
    const asked = { before: 40, refill: 5, systemL: 200, mode: "in-and-out", deadL: 20 } as const;
    const needed = litresToReach({ ...asked, target: 20 });
    if (!needed.ok) throw new Error("reachable");
    expect(needed.litres).toBeGreaterThan(169.46);
    expect(afterExchange(40, 5, effectiveShare(needed.litres, 200, "in-and-out", 20))).toBeCloseTo(20, 9);
    // A tenth of the water keeps its 40: below 8.5 it does not go.
    expect(litresToReach({ ...asked, target: 8 })).toEqual({ ok: false, reason: "held-by-dead-water" });
  });
  test("that is all the water is refused", () =>
    expect(() => effectiveShare(1, 200, "in-and-out", 200)).toThrow(OutOfRangeError));
});

test("a creep tells what the top-up holds: what a march of evaporation and top-up began with", () =>
  fc.assert(
    fc.property(
      fc.double({ min: 0.1, max: 35, noNaN: true }),
      fc.double({ min: 0.1, max: 20, noNaN: true }),
      fc.double({ min: 20, max: 2000, noNaN: true }),
      (psu, litres, systemL) => {
        let salt = 35 * systemL;
        for (let day = 0; day < 30; day++) salt += litres * psu;
        const creepPpt = (salt / systemL - 35) / 30;
        expect(topUpPsuOf(creepPpt, litres, systemL)).toBeCloseTo(psu, 6);
      },
    ),
  ));

describe("evaporation from an open surface", () => {
  const room = { surfaceM2: 1, waterC: 25, airC: 22, humidity: 0.5, airMS: 0.1 };
  test("of 25 °C water in a room of 22 °C and half humidity is 6.3 L per m² and day", () =>
    expect(evaporationL(room)).toBeCloseTo(6.3, 1));
  test("is none where the air is as moist as it can be over cold water, and grows with moving air", () => {
    expect(evaporationL({ ...room, waterC: 15, humidity: 1 })).toBe(0);
    expect(evaporationL({ ...room, airMS: 0.5 })).toBeGreaterThan(evaporationL(room));
  });
});

describe("a glass hydrometer at another temperature", () => {
  test.each([
    [15, 31.44],
    [20, 32.82],
    [30, 36.49],
  ])("that shows 1.0260 of a scale of 25/25 at %d °C floats in %d", (c, psu) =>
    expect(salinityFromHydrometer(1.026, c)).toBeCloseTo(psu, 2),
  );
  test("is right as it stands at its own temperature", () =>
    expect(salinityFromHydrometer(1.02637, 25)).toBeCloseTo(35, 1));
  test("in what is no sea water is refused", () => {
    expect(() => salinityFromHydrometer(1.2, 20)).toThrow(OutOfRangeError);
    expect(() => salinityFromHydrometer(0.9, 20)).toThrow(OutOfRangeError);
  });
});
