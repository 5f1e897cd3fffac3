import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { FieldError, fieldOf } from "../desk/index.ts";
import {
  findHeadings,
  guardText,
  guessDateOrder,
  guessDecimal,
  guessMeanings,
  isFormula,
  parameterNamed,
  readCell,
  readMoment,
  readNumber,
  splitHeading,
  unguardText,
} from "./index.ts";

describe("a heading", () => {
  const cases: readonly [string, string, string | null][] = [
    ["Nitrate (mg/L)", "Nitrate", "mg/L"],
    ["Temp °F", "Temp", "°F"],
    ["Running level, cm", "Running level", "cm"],
    ["Salinity [SG]", "Salinity", "SG 25/25"],
    ["Volume US gal", "Volume", "US gal"],
    ["Alkalinity (ppm CaCO3)", "Alkalinity", "ppm CaCO3"],
    ["Phosphate ppb", "Phosphate", "ppb P"],
    ["Contact (person)", "Contact (person)", null],
    ["SG", "SG", "SG 25/25"],
    ["Notes", "Notes", null],
  ];
  for (const [text, name, unit] of cases) test(text, () => expect(splitHeading(text)).toEqual({ text, name, unit }));
});

describe("the headings of a file", () => {
  test("are its first wide row", () =>
    expect(
      findHeadings([
        ["Tank", "Date", "NO3"],
        ["Reef", "2026-01-01", "5"],
      ]),
    ).toEqual({ names: ["Tank", "Date", "NO3"], dataFrom: 1 }));
  test("stand under a title", () =>
    expect(
      findHeadings([
        ["Readings of 2026", "", ""],
        ["", "", ""],
        ["Tank", "Date", "NO3"],
        ["Reef", "1.1.26", "5"],
      ])?.dataFrom,
    ).toBe(3));
  test("take in the merged row above them", () =>
    expect(
      findHeadings([
        ["", "", "Nitrate", "", "Phosphate", ""],
        ["Tank", "Date", "value", "method", "value", "method"],
        ["Reef", "2026-01-01", "5", "strip", "0.1", "strip"],
      ])?.names,
    ).toEqual(["Tank", "Date", "Nitrate value", "Nitrate method", "Phosphate value", "Phosphate method"]));
  test("are missed in an empty file", () => expect(findHeadings([["", ""], []])).toBeNull());
});

describe("columns", () => {
  const guess = (kind: Parameters<typeof guessMeanings>[0], names: readonly string[]) =>
    guessMeanings(kind, names.map(splitHeading)).map((m) => (m.unit ? `${m.key} ${m.unit}` : m.key));
  test("of sites in other words", () =>
    expect(
      guess("site", ["Location name", "Customer", "Street address", "Lat", "Lng", "Buckets (US gal)", "Colour"]),
    ).toEqual(["name", "clientId", "address", "lat °", "lon °", "bucketL US gal", null]));
  test("of readings in a wide table", () =>
    expect(guess("reading", ["Aquarium", "Date", "Temp (°F)", "SG", "NO3 (ppm)", "Alk (meq/L)", "pH"])).toEqual([
      "tank",
      "at",
      "of:temperature °F",
      "of:salinity SG 25/25",
      "of:nitrate mg/L",
      "of:alkalinity meq/L",
      "of:ph",
    ]));
  test("of readings in a long one, with a slip", () =>
    expect(guess("reading", ["Site", "Tank", "Taken", "Paramter", "Value", "Unit", "Method"])).toEqual([
      "site",
      "tank",
      "at",
      "parameter",
      "value",
      "unit",
      "method",
    ]));
  test("each target is taken once", () => {
    const keys = guessMeanings("client", ["Name", "Name", "E-mail", "Mail"].map(splitHeading)).map((m) => m.key);
    expect(keys.filter((k) => k === "name")).toHaveLength(1);
    expect(keys.filter((k) => k === "email")).toHaveLength(1);
  });
  test("parameters go by their short names", () => {
    expect(["NO3", "Alk", "KH", "Total ammonia", "Temp", "phosphate"].map(parameterNamed)).toEqual([
      "nitrate",
      "alkalinity",
      "alkalinity",
      "ammonia",
      "temperature",
      "phosphate",
    ]);
    expect(parameterNamed("colour")).toBeNull();
  });
});

describe("numbers of a file", () => {
  test("the sign is seen from the column", () => {
    expect(guessDecimal(["12,5", "3"])).toBe(",");
    expect(guessDecimal(["1.234,5"])).toBe(",");
    expect(guessDecimal(["1,234.5"])).toBe(".");
    expect(guessDecimal(["1,234", "12"])).toBe(".");
    expect(guessDecimal([])).toBe(".");
  });
  test("are read in it", () => {
    expect(readNumber("1.234,5", ",")).toBe(1234.5);
    expect(readNumber("1 234.5", ".")).toBe(1234.5);
    expect(() => readNumber("12 cm", ".")).toThrow("not a number");
    expect(() => readNumber("=A1*2", ".")).toThrow("formula");
  });
});

describe("dates of a file", () => {
  test("their order is seen from the column", () => {
    expect(guessDateOrder(["01/02/2026", "13/02/2026"])).toBe("dmy");
    expect(guessDateOrder(["01/02/2026", "02/13/2026"])).toBe("mdy");
    expect(guessDateOrder(["2026-02-01"])).toBe("ymd");
    expect(guessDateOrder(["01/02/2026"])).toBeNull();
  });
  const cases: readonly [string, "dmy" | "mdy" | "ymd" | null, string, number | null, number | null][] = [
    ["2026-02-01", null, "2026-02-01", null, null],
    ["1/2/2026", "dmy", "2026-02-01", null, null],
    ["1/2/2026", "mdy", "2026-01-02", null, null],
    ["1.2.26 9.30", "dmy", "2026-02-01", 570, null],
    ["25 Nov 2026", null, "2026-11-25", null, null],
    ["Nov 25, 2026 9:30 PM", null, "2026-11-25", 1290, null],
    ["2026-02-01T09:30:00Z", null, "2026-02-01", 570, 0],
    ["2026-02-01 09:30+01:00", null, "2026-02-01", 570, 60],
    ["2026-02-01 12:05 am", null, "2026-02-01", 5, null],
  ];
  for (const [text, order, date, minute, offset] of cases)
    test(`${text} as ${order ?? "it stands"}`, () =>
      expect(readMoment(text, order)).toEqual({ date, minute, offsetMinutes: offset }));
  for (const [text, says] of [
    ["1/2/2026", "could be read"],
    ["2026-02-30", "does not exist"],
    ["soon", "not a date"],
    ["2026-02-01 27:00", "not a time of day"],
  ] as const)
    test(`${text} is refused`, () => expect(() => readMoment(text, null)).toThrow(says));
});

describe("formulas", () => {
  test("are told from numbers and names", () => {
    for (const text of ["=1+1", "=cmd|'/c calc'!A0", "+SUM(A1)", "@import", "-A1"])
      expect(isFormula(text), text).toBe(true);
    for (const text of ["-4.7", "+44 1", "reef", "", "- none"]) expect(isFormula(text), text).toBe(false);
  });
  test("what is written can be read again, and is no formula", () =>
    fc.assert(
      fc.property(fc.string(), (text) => {
        expect(unguardText(guardText(text))).toBe(text);
        expect(isFormula(guardText(text).trimStart() === guardText(text) ? guardText(text) : "")).toBe(false);
      }),
    ));
});

describe("a cell", () => {
  const field = (entity: "tank" | "site" | "client", key: string) => {
    const found = fieldOf(entity, key);
    if (!found) throw new Error(key);
    return found;
  };
  const style = { decimal: "," as const, dateOrder: "dmy" as const };
  test("is read in the unit of its column", () => {
    expect(readCell(field("tank", "display.runningLevelM"), "20", "in", style)).toBeCloseTo(0.508, 9);
    expect(readCell(field("tank", "display.runningLevelM"), "508", "mm", style)).toBeCloseTo(0.508, 9);
    expect(readCell(field("tank", "reservoirL"), "2,5", "imp gal", style)).toBeCloseTo(2.5 * 4.54609, 6);
    expect(readCell(field("tank", "targetC"), "77", "°F", style)).toBeCloseTo(25, 9);
    expect(readCell(field("tank", "startedOn"), "1.2.2026", null, style)).toBe("2026-02-01");
    expect(readCell(field("tank", "practice.share"), "15 %", "%", style)).toBeCloseTo(0.15, 9);
    expect(readCell(field("site", "drain"), "the sewer", null, style)).toBe("sewer");
  });
  test("that holds a formula is refused, one that only looks like it is not", () => {
    expect(() => readCell(field("client", "name"), "=HYPERLINK()", null, style)).toThrow(FieldError);
    expect(readCell(field("client", "notes"), "'=ring twice", null, style)).toBe("=ring twice");
  });
  test("outside its limits is refused as in a form", () =>
    expect(() => readCell(field("tank", "targetC"), "200", "°F", style)).toThrow("between 0.0 and 40.0 °C"));
});
