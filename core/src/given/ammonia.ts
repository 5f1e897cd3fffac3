import { daysBetween } from "../calendar/civil.ts";
import type { TankFacts } from "../tank/index.ts";
import { freeAmmoniaMgL } from "../water/index.ts";
import { Z95 } from "../worked/index.ts";
import type { PlanInput } from "./inputs.ts";
import { type Knowns, tankC } from "./known.ts";

/** What is known of the water of a tank. */
export interface FoundWater {
  readonly facts: TankFacts;
  readonly known: Knowns;
  readonly salt: boolean;
}

/** The highest pH that a tank of no known pH is taken to have. */
const WORST_PH = { salt: 8.6, fresh: 9 } as const;
/** Bound ammonia still reads for so long, days. */
const BOUND_DAYS = 2;
/** Whether a conditioner that binds ammonia went in within the last two days. */
export function isBound({ input }: { readonly input: Pick<PlanInput, "on" | "boundOn"> }): boolean {
  if (!input.boundOn) return false;
  const days = daysBetween(input.boundOn, input.on);
  return days >= 0 && days <= BOUND_DAYS;
}

/** Total ammonia and pH at the unfavourable end of what is known; null without a reading of total ammonia. */
export function worstNow({ known, facts, salt }: FoundWater) {
  const { ammonia, ph } = known;
  if (!ammonia) return null;
  const band = facts.bands.find((b) => b.parameter === "ph");
  const highest = band?.actHigh ?? (salt ? WORST_PH.salt : WORST_PH.fresh);
  return {
    totalMgL: Math.max(0, ammonia.value + Z95 * ammonia.sigma),
    ph: Math.min(14, ph ? ph.value + Z95 * ph.sigma : highest),
    assumed: ph === undefined,
  };
}

/** Free ammonia of a tank as it is found, at its worst, mg/L as NH3; null without a reading of total ammonia. */
export function freeAmmoniaNow(tank: FoundWater): { readonly mgL: number; readonly assumed: boolean } | null {
  const worst = worstNow(tank);
  return worst && { mgL: freeAt(tank, worst.totalMgL, worst.ph, tankC(tank)), assumed: worst.assumed };
}

/** Free ammonia at a pH and a temperature, in the salinity that is known of the tank, mg/L as NH3. */
export const freeAt = (
  { known, facts }: Pick<FoundWater, "known" | "facts">,
  totalMgL: number,
  ph: number,
  temperatureC: number,
) =>
  freeAmmoniaMgL(totalMgL, {
    ph,
    temperatureC: Math.min(50, Math.max(-2, temperatureC)),
    salinityPsu: Math.min(60, Math.max(0, known.salinity?.value ?? facts.targetPsu)),
  });
