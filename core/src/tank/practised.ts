import { salinityFromGravity } from "../water/seawater.ts";
import type { TankFacts } from "./facts.ts";

/** Specific gravity at 25/25 that the lower way keeps, a minority practice for fish alone and no cure. */
const LOWER = { from: 1.022, to: 1.024 } as const;
/** Beyond these the water is off course under it; the lower one is where invertebrates suffer first. */
const LOWER_ACT = { from: 1.019, to: 1.027 } as const;

const psu = (gravity: number) => Math.round(salinityFromGravity(gravity, "25/25") * 10) / 10;

/**
 * The facts as its practice makes it: the lower marine salinity moves target and band of a tank of fish alone.
 *
 * Applied twice it changes nothing more.
 */
export function practised(facts: TankFacts): TankFacts {
  if (facts.practice.salinity !== "lower" || facts.kind !== "marine-fish") return facts;
  return {
    ...facts,
    targetPsu: (psu(LOWER.from) + psu(LOWER.to)) / 2,
    bands: facts.bands.map((band) =>
      band.parameter === "salinity"
        ? {
            ...band,
            actLow: psu(LOWER_ACT.from),
            idealLow: psu(LOWER.from),
            idealHigh: psu(LOWER.to),
            actHigh: psu(LOWER_ACT.to),
          }
        : band,
    ),
  };
}
