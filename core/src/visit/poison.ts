import { afterExchange, effectiveShare, freeAmmoniaMgL } from "../water/index.ts";
import { q, type Worked, worked } from "../worked/index.ts";
import type { PlanInput } from "./inputs.ts";
import type { Knowns, Limit, WaterReason } from "./waterPlan.ts";

type AmmoniaRise = Extract<WaterReason, { code: "ammonia-would-rise" }>;

/** New water that would make the ammonia poison: none of it, whatever else would allow. */
export const ammoniaLimit = ({ limit }: AmmoniaRise): Limit => ({ code: "free-ammonia", maxL: 0, value: limit });

/** The limits with that one before them. */
export const withAmmonia = (rise: AmmoniaRise, limits: readonly Limit[]): Limit[] => [ammoniaLimit(rise), ...limits];

/** Free ammonia before and after a change; null without a reading of total ammonia and of pH. */
export function freeAmmonia(
  input: PlanInput,
  known: Knowns,
  litres: number,
  systemL: number,
  mode: "batch" | "in-and-out",
): { before: Worked; after: Worked } | null {
  const [total, ph] = [known.ammonia, known.ph];
  if (!total || !ph) return null;
  const temperatureC = known.temperature?.value ?? input.book.targetC;
  const salinityPsu = known.salinity?.value ?? input.book.targetPsu;
  const before = freeAmmoniaMgL(total.value, { ph: ph.value, temperatureC, salinityPsu });
  // Worst case: weakly buffered old water takes the pH of the new.
  const phAfter = Math.max(ph.value, input.source.chemistry.ph ?? ph.value);
  const totalAfter = afterExchange(
    total.value,
    input.source.chemistry.ammonia ?? 0,
    effectiveShare(litres, systemL, mode, input.book.deadL),
  );
  const after = freeAmmoniaMgL(Math.max(0, totalAfter), {
    ph: litres > 0 ? phAfter : ph.value,
    temperatureC,
    salinityPsu,
  });
  const inputs = (tan: number, p: number) => ({
    "total ammonia": q(tan, "mg/L N"),
    pH: q(p, ""),
    temperature: q(temperatureC, "°C"),
  });
  return {
    before: worked("free-ammonia", before, "mg/L NH3", inputs(total.value, ph.value)),
    after: worked("free-ammonia", after, "mg/L NH3", inputs(totalAfter, phAfter)),
  };
}

/** Whether a change would poison, or is needed against poison; null for neither. */
export function judgeAmmonia(ammonia: { before: Worked; after: Worked }, limit: number): WaterReason | null {
  const [before, after] = [ammonia.before.value, ammonia.after.value];
  const ph = ammonia.after.inputs.pH;
  if (after > limit && after > before)
    return { code: "ammonia-would-rise", before, after, limit, ph: typeof ph === "object" ? ph.value : Number.NaN };
  return before > limit ? { code: "ammonia-emergency", value: before, limit } : null;
}
