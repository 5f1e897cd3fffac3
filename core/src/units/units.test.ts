import fc from "fast-check";
import { describe, expect, test } from "vitest";
import {
  enteredText,
  figure,
  inUnit,
  METRIC,
  methodSigma,
  PARAMETERS,
  parameterFacts,
  parseNumber,
  parseReading,
  quantityText,
  showReading,
  showVolume,
} from "./index.ts";

const entry = (parameter: (typeof PARAMETERS)[number], text: string, unit: string, method = "liquid kit") =>
  parseReading({ parameter, text, unit, method });

test("a figure beyond the scale of specific gravity is shown all the same, further on", () => {
  const sg = (psu: number) => Number(showReading("salinity", psu, { ...METRIC, salinity: "SG 25/25" }));
  expect(sg(52)).toBeGreaterThan(sg(42));
  // As steep as at its end: ten ppt further on.
  expect(sg(52) - sg(42)).toBeCloseTo(10 * (sg(42) - sg(41)), 2);
  expect(Number.isFinite(sg(-1))).toBe(true);
});

describe("entered readings", () => {
  // 1 meq/L = 2.804 dKH; NO3 = 4.4266 × N; PO4 = 3.0661 × P; NH3 = 1.2159 × N; 17.85 mg/L CaCO3 a degree.
  test.each([
    ["alkalinity", "3", "meq/L", 8.412],
    ["alkalinity", "150", "ppm CaCO3", 8.403],
    ["nitrate", "2.5", "mg/L N", 11.067],
    ["phosphate", "30", "ppb P", 0.092],
    ["phosphate", "0,05", "mg/L P", 0.1533],
    ["ammonia", "1", "mg/L NH3", 0.8224],
    ["temperature", "77", "°F", 25],
    ["salinity", "1.0264", "SG 25/25", 35.04],
  ] as const)("%s %s %s", (parameter, text, unit, value) => {
    const parsed = entry(parameter, text, unit);
    expect(parsed.ok && parsed.value).toBeCloseTo(value, 2);
  });

  test("a specific gravity typed as ppt is asked about, never converted silently", () => {
    expect(entry("salinity", "1.026", "ppt", "refractometer")).toMatchObject({
      ok: false,
      problem: { code: "other-unit", unit: "SG 25/25" },
    });
    expect(entry("temperature", "77", "°C")).toMatchObject({ ok: false, problem: { code: "other-unit", unit: "°F" } });
  });

  test.each([
    ["nitrate", "-5", "mg/L", "implausible"],
    ["nitrate", "9000", "mg/L", "implausible"],
    ["ph", "14.5", "", "implausible"],
    ["salinity", "60", "ppt", "implausible"],
    ["nitrate", "about 20", "mg/L", "not-a-number"],
    ["nitrate", "1e3", "mg/L", "not-a-number"],
    ["nitrate", "", "mg/L", "not-a-number"],
    ["nitrate", "20", "furlongs", "unknown-unit"],
  ] as const)("%s %s %s is refused", (parameter, text, unit, code) =>
    expect(entry(parameter, text, unit)).toMatchObject({ ok: false, problem: { code } }),
  );

  test("decimal commas and points mean the same", () => {
    expect(parseNumber("7,4")).toBe(7.4);
    expect(parseNumber(" 7.4 ")).toBe(7.4);
    expect(parseNumber("−0.5")).toBe(-0.5);
    expect(parseNumber("1.234.5")).toBeNull();
  });

  test("a strip is coarser than a photometer, and an unknown method is as coarse as the worst", () => {
    expect(methodSigma("nitrate", "strip", 40)).toBeGreaterThan(methodSigma("nitrate", "photometer", 40));
    expect(methodSigma("nitrate", "by eye", 40)).toBe(methodSigma("nitrate", "strip", 40));
    // A liquid kit's 20 % of 40 is a 95 % half-width of 8; its step of 1 adds step/√12.
    expect(methodSigma("nitrate", "liquid kit", 40)).toBeCloseTo(Math.hypot(8 / 1.959964, 1 / Math.sqrt(12)), 9);
  });

  test("a glass hydrometer is read by the density that it floats in, at the sample's temperature", () => {
    const cold = parseReading({
      parameter: "salinity",
      text: "1.0260",
      unit: "SG 25/25",
      method: "glass hydrometer",
      temperatureC: 20,
    });
    expect(cold).toMatchObject({ ok: true, value: expect.closeTo(32.82, 2) });
    // A swinging arm is not corrected: its glass does not matter, and it is good to 2 ppt.
    const arm = parseReading({
      parameter: "salinity",
      text: "1.0260",
      unit: "SG 25/25",
      method: "hydrometer",
      temperatureC: 20,
    });
    expect(arm).toMatchObject({ ok: true, value: expect.closeTo(34.51, 1) });
  });

  test("a conductivity that the meter brought to 25 °C is not corrected twice", () => {
    const read = (unit: string) =>
      parseReading({ parameter: "salinity", text: "53.0", unit, method: "meter", temperatureC: 20 });
    expect(read("mS/cm at 25 °C")).toMatchObject({ ok: true, value: expect.closeTo(34.95, 1) });
    expect(read("mS/cm raw")).toMatchObject({ ok: true, value: expect.closeTo(39.2, 1) });
  });

  test("a figure by mass becomes one by volume with the density of sea water", () =>
    // 420 mg/kg × 1.0233 kg/L.
    expect(parseReading({ parameter: "calcium", text: "420", unit: "mg/kg", method: "liquid kit" })).toMatchObject({
      value: expect.closeTo(429.8, 1),
    }));

  test("every unit of every parameter comes back to where it started", () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...PARAMETERS),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        (parameter, part) => {
          const { plausible, units } = parameterFacts[parameter];
          const value = plausible[0] + part * (plausible[1] - plausible[0]);
          for (const unit of units) {
            // Conductivity's scale starts at 2 PSU and is given at the sample's temperature.
            if (unit.unit.startsWith("mS/cm") && (value < 2.2 || value > 40)) continue;
            expect(unit.toCanonical(inUnit(parameter, value, unit.unit), 25)).toBeCloseTo(value, 4);
          }
        },
      ),
    ));
});

describe("display", () => {
  test("figures are grouped and fixed", () => {
    expect(figure(3390.4, 0)).toBe("3\u202f390");
    expect(figure(-0.04, 1)).toBe("0.0");
    expect(figure(1234567.891, 2)).toBe("1\u202f234\u202f567.89");
  });
  test("a person's units change what is shown, not what is kept", () => {
    expect(showVolume(100, "US gal")).toBeCloseTo(26.417, 3);
    expect(showVolume(100, "imp gal")).toBeCloseTo(21.997, 3);
    expect(showReading("temperature", 25, { ...METRIC, temperature: "°F" })).toBe("77.0");
    expect(showReading("salinity", 35, { ...METRIC, salinity: "SG 25/25" })).toBe("1.0264");
    expect(showReading("alkalinity", 8.412, { ...METRIC, alkalinity: "meq/L" })).toBe("3.00");
  });
});

describe("a reading between two fields of a card", () => {
  const read = (text: string, more: object = {}) =>
    parseReading({ parameter: "phosphate", text, unit: "mg/L", method: "strip", ...more });
  test.each(["0-0.5", "0 – 0.5", "0 to 0.5", "0,0–0,5", "<0.5", "< 0,5"])(
    "%s is its middle, as uncertain as it is wide, and no zero",
    (text) => {
      const parsed = read(text, { decimal: text.includes(",") ? "," : "." });
      expect(parsed).toMatchObject({ ok: true, value: 0.25 });
      // A value anywhere in a field of 0.5 alike: 0.5 / √12.
      expect(parsed.ok && parsed.sigma).toBeCloseTo(0.1443, 4);
    },
  );
  test("has ends that can be, in the unit that was chosen", () => {
    expect(read("0-90")).toMatchObject({ ok: false, problem: { code: "implausible" } });
    expect(parseReading({ parameter: "temperature", text: "75-77", unit: "°F", method: "thermometer" })).toMatchObject({
      ok: true,
      value: expect.closeTo(24.44, 2),
    });
  });
  test.each(["5-2", "-5", "2026-11", "a-b", "-", "1-1", "<", "<a", "<0"])("%s is none", (text) => {
    const parsed = read(text);
    expect(parsed.ok && parsed.value === 0.25).toBe(false);
    if (text !== "2026-11") expect(parsed.ok).toBe(false);
  });
});

test("a little salt is told on the reader's scale, and as less than its step where it is", () => {
  const us = { ...METRIC, salinity: "SG 25/25" } as const;
  expect(quantityText(0.012, "ppt moved", us)).toBe("less than 0.0001\u00a0SG 25/25");
  // Sea water gains about 0.00076 of gravity a ppt.
  expect(quantityText(2, "ppt moved", us)).toBe("0.0015\u00a0SG 25/25");
});

describe("what was typed, read by somebody with other units", () => {
  const us = { ...METRIC, volume: "US gal", salinity: "SG 25/25", temperature: "°F", alkalinity: "ppm CaCO3" } as const;
  test.each([
    [{ parameter: "salinity", text: "30.2", unit: "ppt" }, METRIC, "30.2 ppt"],
    // Sea water of 35 is 1.0264 at 25 °C; a ppt less is about 0.00076 less.
    [{ parameter: "salinity", text: "35,0", unit: "ppt" }, us, "1.0264\u00a0SG 25/25"],
    [{ parameter: "temperature", text: "25", unit: "°C" }, us, "77.0\u00a0°F"],
    [{ parameter: "temperature", text: "24 - 26", unit: "°C" }, us, "75.2\u00a0°F to 78.8\u00a0°F"],
    // 50.04 ppm of CaCO3 are one meq/L, and 2.8 dKH.
    [{ parameter: "alkalinity", text: "2.8", unit: "dKH" }, us, "50\u00a0ppm CaCO3"],
    [{ parameter: "flow", text: "1 000", unit: "L/h" }, us, "264\u00a0US gal/h"],
    [{ parameter: "nitrate", text: "<0.5", unit: "mg/L" }, us, "<0.5 mg/L"],
    [{ parameter: "ph", text: "8.2", unit: "" }, us, "8.2"],
  ] as const)("%o", (entered, units, said) => expect(enteredText(entered, units)).toBe(said));
});
