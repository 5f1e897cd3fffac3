import { describe, expect, test } from "vitest";
import { factsOf, inputOf } from "../given/sample.fixture.ts";
import { say } from "../say/index.ts";
import { METRIC, parseReading } from "../units/index.ts";
import { planVisit } from "../visit/index.ts";
import { type KitFacts, kitOnDay, kitSentences, usualKit, usualMethod } from "./index.ts";

const TODAY = "2026-11-25";
const photometer: KitFacts = {
  ...{ id: "p", name: "Photometer", parameter: "phosphate", method: "photometer", resolution: 0.01 },
  ...{ openedOn: null, goodDaysOpen: null, expiresOn: null, calibratedOn: null, calibrateEveryDays: null },
  ...{ comparisons: [], referenceHalfWidth: null, testsLeft: null },
};
const drops: KitFacts = { ...photometer, id: "d", name: "Drops", method: "liquid kit" };
const read = (kit: KitFacts, text: string, on = TODAY) => {
  const { method, kit: at } = kitOnDay(kit, on);
  const parsed = parseReading({ parameter: "phosphate", text, unit: "mg/L", method, kit: at });
  if (!parsed.ok) throw new Error("no reading");
  return parsed;
};
const compared = (on: string, kitRead: number, reference = 0.1) => ({ on, reference, read: kitRead });

describe("the offset of a kit", () => {
  test("is the mean of two differences from a reference, and is taken off later readings only", () => {
    const kit = { ...photometer, comparisons: [compared("2026-11-10", 0.12), compared("2026-11-20", 0.13)] };
    expect(kitOnDay(kit, TODAY).offset?.value).toBeCloseTo(0.025, 12);
    expect(read(kit, "0.08").value).toBeCloseTo(0.055, 12);
    // With the first comparison alone nothing is known of the kit yet.
    expect(read(kit, "0.08", "2026-11-15").value).toBe(0.08);
  });

  test("carries its own uncertainty: that of its mean and of the reference, beside the reading's", () => {
    // A photometer is right within 10 % (95 %), in steps of 0.01: 0.0051 and 0.0029 at 0.1; the mean of two by the root of two.
    const single = Math.hypot(0.01 / 1.959964, 0.01 / Math.sqrt(12));
    const kit = {
      ...photometer,
      comparisons: [compared("2026-11-10", 0.12), compared("2026-11-20", 0.13)],
      referenceHalfWidth: 0.005,
    };
    const offset = Math.hypot(single / Math.SQRT2, 0.005 / 1.959964);
    expect(kitOnDay(kit, TODAY).offset?.sigma).toBeCloseTo(offset, 9);
    const reading = Math.hypot(0.008 / 1.959964, 0.01 / Math.sqrt(12));
    expect(read(kit, "0.08").sigma).toBeCloseTo(Math.hypot(reading, offset), 9);
  });

  test("brings no figure under nothing", () => {
    const kit = { ...photometer, comparisons: [compared("2026-11-10", 0.12), compared("2026-11-20", 0.13)] };
    expect(read(kit, "0.01").value).toBe(0);
  });
});

describe("a kit on a day", () => {
  test.each([
    ["past its date", { expiresOn: "2026-11-24" }, "expired"],
    ["opened too long ago", { openedOn: "2026-01-01", goodDaysOpen: 180 }, "open-too-long"],
    ["not calibrated in time", { calibratedOn: "2026-09-01", calibrateEveryDays: 60 }, "calibration-due"],
    ["never calibrated", { calibrateEveryDays: 60 }, "calibration-due"],
  ] as const)("that is %s counts with twice its range, and says so", (_, change, code) => {
    const kit = { ...photometer, ...change };
    expect(kitOnDay(kit, TODAY).problems).toMatchObject([{ code }]);
    expect(read(kit, "0.08").sigma).toBeCloseTo(2 * read(photometer, "0.08").sigma, 12);
    expect(
      kitSentences(kitOnDay(kit, TODAY))
        .map((m) => say(m, METRIC))
        .at(-1),
    ).toMatch(/twice their range/);
  });

  test("on its last good day is good", () => {
    expect(kitOnDay({ ...photometer, expiresOn: TODAY }, TODAY).problems).toEqual([]);
    expect(kitOnDay({ ...photometer, openedOn: "2026-11-15", goodDaysOpen: 10 }, TODAY).problems).toEqual([]);
    const calibrated = { ...photometer, calibratedOn: "2026-09-26", calibrateEveryDays: 60 };
    expect(kitOnDay(calibrated, TODAY).problems).toEqual([]);
  });

  test("says when few tests are left in it", () => {
    const said = (testsLeft: number) =>
      kitSentences(kitOnDay({ ...photometer, testsLeft }, TODAY)).map((m) => say(m, METRIC));
    expect(said(3)).toEqual(["3 tests are left in it."]);
    expect(said(1)).toEqual(["1 test is left in it."]);
    expect(said(0)).toEqual(["No test is left in it."]);
    expect(said(-2)).toEqual(["No test is left in it."]);
    expect(said(40)).toEqual([]);
  });
});

describe("what a tank is read with", () => {
  const kits = [kitOnDay(photometer, TODAY), kitOnDay(drops, TODAY)];
  test("is the kit of its last reading, else one of its usual method, else what there is", () => {
    expect(usualKit(kits, "phosphate", { testMethod: "liquid" }, "p")?.kit.id).toBe("p");
    expect(usualKit(kits, "phosphate", { testMethod: "liquid" }, undefined)?.kit.id).toBe("d");
    expect(usualKit(kits, "phosphate", { testMethod: "strips" }, undefined)?.kit.id).toBe("p");
    expect(usualKit(kits, "nitrate", { testMethod: "liquid" }, undefined)).toBeNull();
    expect(usualMethod("salinity", { testMethod: "liquid" })).toBe("meter");
  });

  test("is calibrated before it is read, once, and only where the visit reads with it", () => {
    const meter: KitFacts = {
      ...photometer,
      ...{ id: "m", name: "Salinity meter", parameter: "salinity", method: "meter", resolution: 0.1 },
      calibrateEveryDays: 30,
    };
    const plan = (kind: "soft-coral" | "community", kit: KitFacts) =>
      planVisit(inputOf(factsOf(kind), { kits: [kitOnDay(kit, TODAY)] }));
    const steps = (kind: "soft-coral" | "community", kit: KitFacts) => plan(kind, kit).steps.map((s) => s.id);
    const salt = steps("soft-coral", meter);
    expect(salt.filter((id) => id === "calibrate:m")).toHaveLength(1);
    expect(salt.indexOf("calibrate:m")).toBeLessThan(salt.indexOf("test-salinity"));
    expect(steps("community", meter)).not.toContain("calibrate:m");
    expect(steps("soft-coral", { ...meter, calibratedOn: TODAY })).not.toContain("calibrate:m");
    // Once a day for all tanks: a day of six reefs is not six times longer by it.
    const minutes = (kit: KitFacts) => plan("soft-coral", kit).steps.reduce((sum, s) => sum + s.minutes, 0);
    expect(minutes(meter)).toBe(minutes({ ...meter, calibratedOn: TODAY }));
  });
});
