import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { factsOf, inputOf } from "../given/sample.fixture.ts";
import { METRIC } from "../units/index.ts";
import { boundedVessel } from "../vessel/bounded.fixture.ts";
import { VESSEL_SHAPES, vesselShapes } from "../vessel/index.ts";
import { said } from "../visit/said.fixture.ts";
import { misfitSentence } from "../words/index.ts";
import { quickStart, systemVolumeL, TANK_KINDS, tankMisfits, volumeRelative95 } from "./index.ts";
import { KeptFactsSchema } from "./schema.ts";

const box = { shape: "box", lengthM: 1.2, widthM: 0.5, heightM: 0.5 } as const;

describe("seven answers", () => {
  for (const kind of TANK_KINDS)
    for (const sump of [false, true])
      test(`make a ${kind} tank ${sump ? "with" : "without"} a sump that fits together and can be planned`, () => {
        const facts = quickStart({ kind, vessel: box, sump, startedOn: "2026-01-01" });
        expect(KeptFactsSchema.safeParse(facts).error?.issues).toBeUndefined();
        expect(tankMisfits(facts)).toEqual([]);
        expect(said(inputOf({ ...factsOf(kind), ...facts, animals: [] })).steps.length).toBeGreaterThan(5);
      });

  test("fit any vessel", () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...VESSEL_SHAPES),
        fc.array(fc.double({ min: 0.25, max: 2.5, noNaN: true }), { minLength: 5, maxLength: 5 }),
        fc.double({ min: 0.2, max: 1, noNaN: true }),
        fc.constantFrom(...TANK_KINDS),
        fc.boolean(),
        (shape, sides, part, kind, sump) => {
          const free = Object.fromEntries(vesselShapes[shape].dimensions.map(({ key }, i) => [key, sides[i] ?? 1]));
          const facts = quickStart({
            kind,
            vessel: boundedVessel(shape, free, part),
            sump,
            startedOn: "2026-01-01",
          });
          expect(tankMisfits(facts).map((m) => misfitSentence(m, METRIC))).toEqual([]);
          expect(systemVolumeL(facts)).toBeGreaterThan(0);
        },
      ),
      { numRuns: 300 },
    ));

  test("have a visit see what really hangs there, until it was confirmed", () => {
    const facts = quickStart({ kind: "stony-coral", vessel: box, sump: true, startedOn: "2022-01-01" });
    const look = (assumed: readonly string[]) =>
      said(inputOf({ ...factsOf("stony-coral"), ...facts, assumed })).steps.find((s) => s.id === "hangs");
    expect(look(facts.assumed ?? [])?.craft).toContain("skimmer");
    expect(look(["lidded"])?.craft).toContain("no lid");
    expect(look(["material", "bands"])).toBeUndefined();
  });

  test("say what was not answered, and that widens the volume until it is confirmed or measured", () => {
    const facts = quickStart({ kind: "stony-coral", vessel: box, sump: true, startedOn: "2026-01-01" });
    expect(facts.assumed).toEqual(expect.arrayContaining(["display.rockKg", "sump.lengthM", "bands", "material"]));
    expect(volumeRelative95(facts)).toBe(0.1);
    expect(volumeRelative95({ ...facts, assumed: ["material", "bands"] })).toBe(0.05);
    expect(volumeRelative95({ ...facts, display: { ...facts.display, measuredNetL: 250 } })).toBe(0.02);
    const wide = said(inputOf({ ...factsOf("stony-coral"), ...facts })).water.systemL;
    const narrow = said(inputOf({ ...factsOf("stony-coral"), ...facts, assumed: [] })).water.systemL;
    const half = (w: typeof wide) => (w.range ? w.range.high - w.range.low : Number.NaN);
    expect(half(wide)).toBeCloseTo(2 * half(narrow), 6);
  });
});

describe("what does not fit", () => {
  const facts = quickStart({ kind: "marine-fish", vessel: box, sump: true, startedOn: "2026-01-01" });
  const { display } = facts;
  const sump = facts.sump ?? null;
  const cases: readonly [string, Parameters<typeof tankMisfits>[0], string][] = [
    ["water above the glass", { ...facts, display: { ...display, runningLevelM: 0.51 } }, "display.runningLevelM"],
    ["a bed above the water", { ...facts, display: { ...display, substrateDepthM: 0.48 } }, "display.substrateDepthM"],
    ["rock above the glass", { ...facts, display: { ...display, rockTopM: 0.6 } }, "display.rockTopM"],
    ["rock heavier than its heap", { ...facts, display: { ...display, rockKg: 900 } }, "display.rockKg"],
    [
      "more measured than the glass holds",
      { ...facts, display: { ...display, measuredNetL: 400 } },
      "display.measuredNetL",
    ],
    [
      "a sump over its rim",
      { ...facts, sump: sump ? { ...sump, runningLevelM: 0.5 } : undefined } as never,
      "sump.runningLevelM",
    ],
    [
      "a return that runs dry",
      { ...facts, sump: sump ? { ...sump, lowestLevelM: 0.3 } : undefined } as never,
      "sump.lowestLevelM",
    ],
    ["a way without its sump", { ...facts, sump: undefined } as never, "practice.how"],
    [
      "a landmark above the glass",
      { ...facts, landmarks: [{ name: "x", kind: "coral", heightM: 0.7, airMinutes: 1 }] },
      "landmarks.0.heightM",
    ],
  ];
  for (const [name, given, at] of cases)
    test(name, () => {
      const found = tankMisfits(given);
      expect(found.map((m) => m.field)).toContain(at);
      for (const m of found) expect(misfitSentence(m, METRIC)).toMatch(/\.$/);
    });
});
