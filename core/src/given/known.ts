import { daysBetween } from "../calendar/civil.ts";
import type { TankFacts } from "../tank/index.ts";
import { PARAMETERS, type Parameter } from "../units/index.ts";
import type { PlanInput, PlanReading } from "./inputs.ts";

export interface Known {
  readonly value: number;
  readonly sigma: number;
  readonly today: boolean;
}

/** What is known of a tank's water on the day of the plan. */
export type Knowns = Partial<Record<Parameter, Known>>;

/** A reading says something about today for so long where its band does not say how long. */
const VALID_DAYS = 21;

/**
 * The value of a parameter on the day: today's last reading before the change, else the fitted value, else the last valid
 * reading.
 *
 * Readings of other days are kept as they would read with the tank full: salt that was measured then stands stronger in
 * what is left of the water today.
 *
 * @param missingShare Of the system, 0 to below 1.
 */
export function knownValues(input: PlanInput, readings: readonly PlanReading[], missingShare: number): Knowns {
  const known: Knowns = {};
  const stronger = 1 / (1 - missingShare);
  const newest: Partial<Record<Parameter, PlanReading>> = {};
  for (const r of readings) if (!(r.after && r.on === input.on)) newest[r.parameter] = r;
  for (const parameter of PARAMETERS) {
    const last = newest[parameter];
    if (last && last.on === input.on) {
      known[parameter] = { value: last.value, sigma: last.sigma, today: true };
      continue;
    }
    const times = parameter === "salinity" ? stronger : 1;
    const rate = input.rates[parameter];
    if (rate?.enough) {
      known[parameter] = { value: Math.max(0, rate.now) * times, sigma: rate.nowSigma * times, today: false };
      continue;
    }
    const validDays = input.facts.bands.find((b) => b.parameter === parameter)?.validDays ?? VALID_DAYS;
    if (last && daysBetween(last.on, input.on) <= validDays)
      known[parameter] = {
        value: last.value * times + givenSince(input, parameter, last.on),
        sigma: last.sigma * times,
        today: false,
      };
  }
  return known;
}

/** What doses by hand raised it by since a reading: on a visit they follow it. */
const givenSince = ({ dosed }: PlanInput, parameter: Parameter, on: string): number =>
  (dosed ?? []).reduce((sum, d) => sum + (d.parameter === parameter && d.on >= on ? d.rise : 0), 0);

/** Today's readings of a parameter that the plan leans on, in the order they were taken. */
export const readToday = (input: PlanInput, parameter: Parameter): PlanReading[] =>
  input.readings.filter((r) => r.parameter === parameter && r.on === input.on && !r.after);

/** The temperature of a tank now, °C; its target where nobody read it. */
export const tankC = ({
  known,
  facts,
}: {
  readonly known: Knowns;
  readonly facts: Pick<TankFacts, "targetC">;
}): number => known.temperature?.value ?? facts.targetC;
