import { requireRange } from "../issues/index.ts";
import { risingRoot } from "../numeric/index.ts";
import { densityKgM3, type GravityReference, gravityScale } from "./seawater.ts";

/** Cubic expansion of the glass of a hydrometer, per °C (soda-lime glass, 25e-6). */
const GLASS_PER_C = 25e-6;

/**
 * Salinity from a glass hydrometer that floats in water of another temperature than it was made for, PSU.
 *
 * What it shows is the density it floats in, by the volume of its glass: ρ(t) = SG·ρ0(tref)/(1 + γ(t − tcal)), solved by
 * EOS-80 for salinity at t. Not for a swinging arm of plastic, which is right within 2 ppt whatever is done.
 *
 * @param gravity As read.
 * @param atC Temperature of the sample, 0 to 40.
 * @throws {OutOfRangeError} where that is no sea water of 0 to 42 PSU.
 * @example
 * salinityFromHydrometer(1.026, 20); // 32.82 on the usual scale of 25/25
 */
export function salinityFromHydrometer(gravity: number, atC: number, reference: GravityReference = "25/25"): number {
  requireRange("atC", atC, 0, 40);
  const { sampleC, waterKgM3 } = gravityScale(reference);
  const density = (gravity * waterKgM3) / (1 + GLASS_PER_C * (atC - sampleC));
  requireRange("density", density, densityKgM3(0, atC) - 1e-6, densityKgM3(42, atC));
  return risingRoot((psu) => densityKgM3(psu, atC) - density, 0, 42);
}
