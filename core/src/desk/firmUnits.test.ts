import { describe, expect, test } from "vitest";
import { DEFAULT_LIMITS } from "../given/index.ts";
import { METRIC, type UnitPreference } from "../units/index.ts";
import { type Firm, readFirm, writeFirm } from "./index.ts";

const firm: Firm = {
  name: "Firm",
  phone: "",
  mailFrom: "a@firm.example",
  start: "50, -4",
  roadFactor: 1.3,
  speedKmH: 26,
  letterDays: 365,
  ...DEFAULT_LIMITS,
};
const US: UnitPreference = {
  volume: "US gal",
  length: "in",
  temperature: "°F",
  salinity: "SG 25/25",
  alkalinity: "ppm CaCO3",
};

describe("the firm's limits in a person's units", () => {
  test("are shown on the scale that is read, differences as differences", () => {
    const typed = writeFirm(firm, US);
    // 1 dKH is 17.85 ppm, 2 °C of the tank are 3.6 °F and not 35.6, 26 km/h are 16.2 mph.
    expect(Number(typed.alkalinityDkh)).toBeCloseTo(17.85, 2);
    expect(Number(typed.temperatureC)).toBeCloseTo(3.6, 9);
    expect(Number(typed.speedKmH)).toBeCloseTo(16.16, 2);
    // A ppt is about 0.00075 of specific gravity; the strongest water is a gravity itself.
    expect(Number(typed.salinityUpPpt)).toBeCloseTo(0.00075, 4);
    expect(Number(typed.strongestPpt)).toBeCloseTo(1.03, 2);
    expect(writeFirm(firm, METRIC).alkalinityDkh).toBe("1");
  });
  test.each([METRIC, US, { ...US, decimal: "," as const, salinity: "mS/cm raw" as const }])(
    "come back as they were when nothing was touched, %#",
    (units) => expect(readFirm(writeFirm(firm, units), firm, units)).toEqual({ firm, issues: {} }),
  );
  test("are read in the same unit, and refused with limits in it", () => {
    const typed = { ...writeFirm(firm, US), alkalinityDkh: "35.7", temperatureC: "1.8" };
    expect(readFirm(typed, firm, US).firm).toMatchObject({ alkalinityDkh: 2, temperatureC: 1 });
    const wrong = readFirm({ ...typed, alkalinityDkh: "200", calciumMgL: "much" }, firm, US);
    expect(wrong.firm).toBeNull();
    expect(wrong.issues.alkalinityDkh).toMatch(/^From 1\.785\d* to 89\.2\d*\.$/);
    expect(wrong.issues.calciumMgL).toBe("A number from 1 to 500.");
  });
  test("with a comma where the person writes one", () => {
    const units = { ...METRIC, decimal: "," as const };
    const typed = { ...writeFirm(firm, units), ph: "0,3" };
    expect(readFirm(typed, firm, units).firm?.ph).toBe(0.3);
  });
});
