import { OutOfRangeError, requireRange } from "../issues/index.ts";
import { polynomial, risingRoot } from "../numeric/index.ts";

const PURE = [999.842594, 6.793952e-2, -9.09529e-3, 1.001685e-4, -1.120083e-6, 6.536332e-9];
const A = [8.24493e-1, -4.0899e-3, 7.6438e-5, -8.2467e-7, 5.3875e-9];
const B = [-5.72466e-3, 1.0227e-4, -1.6546e-6];
const C = 4.8314e-4;

/**
 * Density of sea water at one atmosphere, kg/m³.
 *
 * Source: EOS-80, UNESCO Technical Papers in Marine Science 44 (1983). 0 to 42 PSU, −2 to 40 °C.
 *
 * @throws {OutOfRangeError} outside that range.
 * @example
 * densityKgM3(35, 25); // 1023.34306
 */
export function densityKgM3(salinityPsu: number, temperatureC: number): number {
  if (!(salinityPsu >= 0 && salinityPsu <= 42))
    throw new OutOfRangeError({
      code: "outside-source-range",
      field: "salinityPsu",
      value: salinityPsu,
      low: 0,
      high: 42,
    });
  if (!(temperatureC >= -2 && temperatureC <= 40))
    throw new OutOfRangeError({
      code: "outside-source-range",
      field: "temperatureC",
      value: temperatureC,
      low: -2,
      high: 40,
    });
  return (
    polynomial(temperatureC, PURE) +
    polynomial(temperatureC, A) * salinityPsu +
    polynomial(temperatureC, B) * salinityPsu ** 1.5 +
    C * salinityPsu ** 2
  );
}

/** The two temperatures of a specific gravity: of the sample, and of the pure water it is compared with. */
export type GravityReference = "25/25" | "20/20" | "20/4" | "60/60F";

const SIXTY_F_C = (60 - 32) / 1.8;
interface GravityScale {
  readonly sampleC: number;
  readonly waterKgM3: number;
}
const gravityScales: Readonly<Record<GravityReference, GravityScale>> = {
  "25/25": { sampleC: 25, waterKgM3: densityKgM3(0, 25) },
  "20/20": { sampleC: 20, waterKgM3: densityKgM3(0, 20) },
  // Water at its densest, the usual "4 °C" of a scale.
  "20/4": { sampleC: 20, waterKgM3: 999.975 },
  "60/60F": { sampleC: SIXTY_F_C, waterKgM3: densityKgM3(0, SIXTY_F_C) },
};

/**
 * Temperature of the sample on a scale of specific gravity, and the density of the pure water it is compared with.
 *
 * @example
 * gravityScale("20/4").waterKgM3; // 999.975
 */
export function gravityScale(reference: GravityReference): GravityScale {
  return gravityScales[reference];
}

/**
 * Specific gravity of sea water on one of the four common scales. 0 to 42 PSU.
 *
 * @example
 * specificGravity(35, "25/25"); // 1.0264
 */
export function specificGravity(salinityPsu: number, reference: GravityReference = "25/25"): number {
  const { sampleC, waterKgM3 } = gravityScales[reference];
  return densityKgM3(salinityPsu, sampleC) / waterKgM3;
}

/**
 * Salinity of a specific gravity, PSU: EOS-80 solved for salinity.
 *
 * @throws {OutOfRangeError} if the gravity lies outside 0 to 42 PSU on that scale.
 * @example
 * salinityFromGravity(1.0264); // about 35
 */
export function salinityFromGravity(gravity: number, reference: GravityReference = "25/25"): number {
  requireRange("gravity", gravity, specificGravity(0, reference) - 1e-9, specificGravity(42, reference));
  return risingRoot((psu) => specificGravity(psu, reference) - gravity, 0, 42);
}

/**
 * Raw conductivity of a salinity at a temperature, mS/cm: what a meter without compensation reads.
 *
 * @param psu 2 to 42.
 * @param temperatureC −2 to 35.
 * @throws {OutOfRangeError} outside of these.
 * @example
 * conductivityMsCm(35, 20); // 47.913
 */
export function conductivityMsCm(psu: number, temperatureC: number): number {
  requireRange("psu", psu, 2, 42);
  requireRange("temperatureC", temperatureC, -2, 35);
  return risingRoot((conductivity) => practicalSalinity(conductivity, temperatureC) - psu, 0, 100);
}

/** C(35, 15, 0), mS/cm: Culkin and Smith 1980. */
const STANDARD_CONDUCTIVITY = 42.914;
const R_T = [0.6766097, 2.00564e-2, 1.104259e-4, -6.9698e-7, 1.0031e-9];
const S_A = [0.008, -0.1692, 25.3851, 14.0941, -7.0261, 2.7081];
const S_B = [0.0005, -0.0056, -0.0066, -0.0375, 0.0636, -0.0144];

/**
 * Salinity from a raw conductivity at a temperature, PSU.
 *
 * Source: Practical Salinity Scale 1978, UNESCO 44 (1983). 2 to 42 PSU, −2 to 35 °C.
 *
 * @throws {OutOfRangeError} outside that range.
 * @example
 * salinityFromConductivity(53.065, 25); // 35.00
 */
export function salinityFromConductivity(conductivityMsCm: number, temperatureC: number): number {
  requireRange("conductivityMsCm", conductivityMsCm, 0, 100);
  requireRange("temperatureC", temperatureC, -2, 35);
  const psu = practicalSalinity(conductivityMsCm, temperatureC);
  requireRange("salinityPsu", psu, 2, 42);
  return psu;
}

/** The scale's polynomials, inside its range or not. */
function practicalSalinity(conductivityMsCm: number, temperatureC: number): number {
  const root = Math.sqrt(conductivityMsCm / STANDARD_CONDUCTIVITY / polynomial(temperatureC, R_T));
  const shift = temperatureC - 15;
  return polynomial(root, S_A) + (shift / (1 + 0.0162 * shift)) * polynomial(root, S_B);
}
