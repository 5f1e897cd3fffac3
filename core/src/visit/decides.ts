import { planWater, type WaterPlan } from "../change/index.ts";
import type { PlanInput } from "../given/index.ts";
import type { Parameter } from "../units/index.ts";

/** What somebody goes by who changes the water, as text to compare. */
const goneBy = ({ decision, litres, refillC, mixPsu, saltG }: WaterPlan): string =>
  JSON.stringify([decision, ...[litres, refillC, saltG].map((w) => w?.value.toPrecision(3)), mixPsu?.toPrecision(3)]);

/** A good kit's share of what is right and wrong. */
const KIT_SHARE = 1 / 50;

/**
 * Whether a reading of today can change today's water: whether the plan differs by it between the edges of what is right.
 *
 * @returns false for what this tank is not judged by.
 */
export function decidesWater(input: PlanInput, parameter: Parameter): boolean {
  const band = input.facts.bands.find((b) => b.parameter === parameter);
  if (!band) return false;
  // Without its own history: a figure that does not fit would be asked for again, whatever it decides.
  const others = input.readings.filter((r) => r.parameter !== parameter);
  const sigma = (band.actHigh - band.actLow) * KIT_SHARE;
  const values = [Math.max(0, band.actLow), (band.idealLow + band.idealHigh) / 2, band.actHigh];
  const plans = values.map((value) =>
    goneBy(planWater({ ...input, readings: [...others, { parameter, value, sigma, on: input.on }] })),
  );
  return new Set(plans).size > 1;
}
