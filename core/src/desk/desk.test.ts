import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { METRIC, type UnitPreference } from "../units/index.ts";
import { fieldUnit } from "./fields.ts";
import {
  ENTITIES,
  emptyValue,
  type Field,
  FieldError,
  type FieldValue,
  factsWith,
  fieldOf,
  parseDecimal,
  readField,
  readValues,
  recordKinds,
  sameValue,
  sayField,
  setPath,
  valuesOfFacts,
  writeField,
  writeList,
} from "./index.ts";
import { changeSchema, recordSchema } from "./schema.ts";

const US: UnitPreference = {
  volume: "US gal",
  length: "in",
  temperature: "°F",
  salinity: "SG 25/25",
  alkalinity: "ppm CaCO3",
};

const field = (entity: Parameters<typeof fieldOf>[0], key: string): Field => {
  const found = fieldOf(entity, key);
  if (!found) throw new Error(`No field ${key}`);
  return found;
};

describe("a number as a person writes it", () => {
  const cases: readonly [string, number][] = [
    ["12", 12],
    ["12.5", 12.5],
    ["12,5", 12.5],
    ["1 234,5", 1234.5],
    ["1,234.5", 1234.5],
    ["1.234,5", 1234.5],
    ["1\u202f200", 1200],
    ["-0,5", -0.5],
    [".5", 0.5],
  ];
  for (const [text, value] of cases) test(text, () => expect(parseDecimal(text)).toBe(value));
  for (const text of ["", "abc", "12 cm", "1,2,3", "1.2.3", "--1", "1e3", "NaN"])
    test(`“${text}” is refused`, () => expect(() => parseDecimal(text)).toThrow(FieldError));
});

describe("a field", () => {
  test("is read in the person's units and kept in ours", () => {
    const rim = field("tank", "display.runningLevelM");
    expect(readField(rim, "58", METRIC)).toBeCloseTo(0.58, 12);
    // 1 in is 2.54 cm, 1 US gal 3.785411784 L, 77 °F is 25 °C.
    expect(readField(rim, "20", US)).toBeCloseTo(0.508, 12);
    expect(readField(field("tank", "reservoirL"), "10", US)).toBeCloseTo(37.85411784, 9);
    expect(readField(field("tank", "targetC"), "77", US)).toBeCloseTo(25, 12);
    expect(readField(field("tank", "practice.share"), "15", METRIC)).toBeCloseTo(0.15, 12);
  });
  test("says what is accepted, in the person's units", () => {
    expect(() => readField(field("tank", "targetC"), "120", US)).toThrow("between 32.0 and 104.0 °F");
    expect(() => readField(field("site", "setUpMinutes"), "-1", METRIC)).toThrow("between 0 and 240 min");
    expect(() => readField(field("client", "email"), "nobody", METRIC)).toThrow("not an e-mail address");
    expect(() => readField(field("equipment", "installedOn"), "2026-02-30", METRIC)).toThrow("does not exist");
    expect(() => readField(field("client", "name"), "  ", METRIC)).toThrow("Enter the name.");
    expect(() => readField(field("site", "drain"), "the sea", METRIC)).toThrow("not one of");
  });
  test("is said in words", () => {
    expect(sayField(field("tank", "display.runningLevelM"), 0.508, US)).toBe("20.0 in");
    expect(sayField(field("site", "drain"), "septic", METRIC)).toBe("a septic tank: never salt water");
    expect(sayField(field("site", "hotWater"), false, METRIC)).toBe("no");
    // What has to be answered is asked, and nobody's silence is a no.
    expect(() => readField(field("site", "hotWater"), "", METRIC)).toThrow(
      "Choose yes or no for “hot water at the tap”.",
    );
    expect(emptyValue(field("site", "hotWater"))).toBeNull();
    expect(readField(field("source", "canWarm"), "", METRIC)).toBe(false);
    expect(sayField(field("site", "clientId"), "x", METRIC, () => "Ilves Dental")).toBe("Ilves Dental");
    expect(sayField(field("client", "phone"), "", METRIC)).toBe("nothing");
    const band = {
      parameter: "temperature",
      actLow: 22,
      idealLow: 24,
      idealHigh: 26,
      actHigh: 28,
      validDays: 21,
      required: true,
    };
    expect(sayField(field("tank", "bands"), [band], US)).toBe(
      "Temperature 71.6 75.2 78.8 82.4 21 days always measured",
    );
  });
});

describe("windows", () => {
  const windows = field("site", "windows");
  test("are written shortly and read again", () => {
    const clinic = {
      "1": { from: 420, to: 540 },
      "2": { from: 420, to: 540 },
      "3": { from: 420, to: 540 },
      "6": { from: 480, to: 720 },
    };
    expect(writeField(windows, clinic, METRIC)).toBe("Mon–Wed 07:00–09:00; Sat 08:00–12:00");
    expect(readField(windows, "mon-wed 7:00-9:00; Sat 08:00 – 12:00", METRIC)).toEqual(clinic);
  });
  test.each([
    ["8-10", ["1", "2", "3", "4", "5"], 480, 600],
    ["8.30–10", ["1", "2", "3", "4", "5"], 510, 600],
    ["Mon, Wed 8-10", ["1", "3"], 480, 600],
    ["mon-wed, sat 8 to 10", ["1", "2", "3", "6"], 480, 600],
    ["Tue 8am-2pm", ["2"], 480, 840],
    ["Tue 8 am – 12 pm", ["2"], 480, 720],
    ["Tuesday 8h-10h30", ["2"], 480, 630],
    ["Sun 0:00-24:00", ["7"], 0, 1440],
  ] as const)("“%s” is read as people say it", (text, days, from, to) =>
    expect(readField(windows, text, METRIC)).toEqual(Object.fromEntries(days.map((d) => [d, { from, to }]))),
  );
  for (const [text, says] of [
    ["Mon 13pm-14pm", "not a time of day"],
    ["Mon 9:00", "not understood"],
    ["Mon 09:00–08:00", "closes before it opens"],
    ["Funday 09:00–10:00", "not a day"],
    ["Mon 25:00–26:00", "not a time of day"],
  ] as const)
    test(`“${text}” is refused`, () => expect(() => readField(windows, text, METRIC)).toThrow(says));
});

/** A canonical value that a field may hold. */
function valueFor({ type }: Field): fc.Arbitrary<FieldValue> {
  switch (type.kind) {
    case "text":
      return fc.string({ minLength: 1, maxLength: 30 }).map((t) => t.trim().replace(/\s+/g, " ") || "x");
    case "email":
      return fc.constantFrom("a@b.example", "maud.oyelaran@calder-renn.example");
    case "date":
      return fc.constantFrom("2024-02-29", "2026-12-31");
    case "yes-no":
      return fc.boolean();
    case "choice":
      return fc.constantFrom(...type.options.map(([v]) => v));
    case "many":
      return fc.subarray(type.options.map(([v]) => v));
    case "link":
      return fc.uuid();
    case "windows":
      return fc.dictionary(
        fc.constantFrom("1", "2", "3", "4", "5", "6", "7"),
        fc
          .tuple(fc.integer({ min: 0, max: 1300 }), fc.integer({ min: 1, max: 139 }))
          .map(([from, n]) => ({ from, to: from + n })),
      );
    case "reading":
    case "list":
      return fc.constant(null);
    default:
      return fc.double({ min: type.low, max: type.high, noNaN: true }).map((v) => Number(v.toPrecision(6)));
  }
}

const plainFields = ENTITIES.flatMap((e) => recordKinds[e].fields.filter((f) => f.type.kind !== "list"));

test("what is written is read again, in any units", () =>
  fc.assert(
    fc.property(
      fc.constantFrom(...plainFields).chain((f) => fc.tuple(fc.constant(f), valueFor(f))),
      fc.constantFrom(METRIC, US),
      ([f, value], units) => {
        const again = readField(f, writeField(f, value, units), units);
        // Ten digits of a specific gravity hold a salinity to 7e-7 ppt; every other unit holds its figure closer.
        const least = "unit" in f.type && f.type.unit === "ppt" ? 1e-6 : 1e-8;
        if (typeof value === "number")
          expect(Math.abs((again as number) - value)).toBeLessThanOrEqual(least * Math.max(1, Math.abs(value)));
        else expect(sameValue(again, value)).toBe(true);
        expect(sayField(f, value, units)).not.toBe("");
      },
    ),
    { numRuns: 600 },
  ));

describe("lines of a list", () => {
  const bands = field("tank", "bands");
  const columns = bands.type.kind === "list" ? bands.type.columns : [];
  const row = {
    parameter: "salinity",
    actLow: 33,
    idealLow: 34.5,
    idealHigh: 35.5,
    actHigh: 37,
    validDays: 21,
    required: true,
  };
  test("are shown in the person's units and read back", () => {
    const [line] = writeList(columns, [row], US);
    // 35 PSU is 1.02637 as 25/25 (EOS-80), so its neighbours lie about it.
    expect(Number(line?.idealLow)).toBeCloseTo(1.026, 3);
    const { values, issues } = readValues([bands], { bands: [line ?? {}] }, US);
    expect(issues).toEqual({});
    expect((values.bands as (typeof row)[])[0]?.idealLow).toBeCloseTo(34.5, 2);
  });
  test("an empty lower limit says that nothing is too low", () => {
    const nitrate = { ...row, parameter: "nitrate", actLow: -1, idealLow: 0, idealHigh: 20, actHigh: 40 };
    const [line] = writeList(columns, [nitrate], METRIC);
    expect(line?.actLow).toBe("");
    expect(readValues([bands], { bands: [line ?? {}] }, METRIC).values.bands).toEqual([nitrate]);
    expect(sayField(bands, [nitrate], METRIC)).toBe("Nitrate — 0.0 20.0 40.0 21 days always measured");
  });
  test("an empty line is none, a wrong cell says where it is", () => {
    const blank = Object.fromEntries(columns.map((c) => [c.key, c.type.kind === "yes-no" ? "no" : ""]));
    expect(readValues([bands], { bands: [blank] }, METRIC).values.bands).toEqual([]);
    const [line] = writeList(columns, [row], METRIC);
    expect(readValues([bands], { bands: [{ ...line, idealHigh: "much" }] }, METRIC).issues.bands).toBe(
      "Line 1, to: “much” is not a number. Write it like 7.4.",
    );
  });
});

describe("the schema", () => {
  const client = {
    name: "A",
    contact: "B",
    email: "a@b.example",
    phone: "",
    lettersBy: "none",
    ...{ letterWay: "as-firm", locale: "en-GB", opensNoted: false },
    notes: "",
    contacts: [],
  };
  test("takes what forms take and refuses what no field has", () => {
    expect(recordSchema("client").safeParse(client).success).toBe(true);
    expect(recordSchema("client").safeParse({ ...client, name: "" }).success).toBe(false);
    expect(recordSchema("client").safeParse({ ...client, secret: 1 }).success).toBe(false);
    expect(changeSchema("site").safeParse({ windows: { "1": { from: 540, to: 420 } } }).success).toBe(false);
    expect(changeSchema("site").safeParse({ lat: 91 }).success).toBe(false);
    expect(changeSchema("animal").safeParse({ count: 3 }).success).toBe(true);
  });
});

describe("values of a tank's facts", () => {
  const facts = {
    display: { vessel: { shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.5 }, runningLevelM: 0.4 },
    assumed: ["display.runningLevelM", "targetC"],
    targetC: 25,
  };
  test("a path is set without touching the rest, and taken away by null", () => {
    expect(setPath({ a: { b: 1, c: 2 } }, "a.b", 3)).toEqual({ a: { b: 3, c: 2 } });
    expect(setPath({ a: { b: 1 } }, "a.b", null)).toEqual({});
    expect(setPath({}, "a.b.c", 1)).toEqual({ a: { b: { c: 1 } } });
  });
  test("what is set is no longer assumed", () => {
    expect(factsWith(facts, { targetC: 25 }).assumed).toEqual(["display.runningLevelM"]);
  });
  test("a new shape takes the old one's dimensions away", () => {
    const round = factsWith(facts, { "display.vessel.shape": "cylinder", "display.vessel.diameterM": 0.8 });
    expect(round.display.vessel).toEqual({ shape: "cylinder", diameterM: 0.8, heightM: 0.5 });
    expect(valuesOfFacts(round)["display.vessel.lengthM"]).toBeNull();
  });
});

test("a remedy's dose is told for the litres or gallons of whoever reads it, and comes back the same", () => {
  const field = fieldOf("remedy", "per100L");
  if (!field) throw new Error("No such field");
  const american = { ...METRIC, volume: "US gal" as const };
  expect(fieldUnit(field.type, METRIC)).toBe("per 100 L");
  expect(fieldUnit(field.type, american)).not.toMatch(/\bL\b/);
  const shown = writeField(field, 10, american);
  expect(readField(field, shown, american)).toBeCloseTo(10, 1);
});
