import { freeAt, isBound, type TankOnDay, tankC, type WaterSource, worstNow } from "../given/index.ts";
import { carbonateBalancePh } from "../water/index.ts";
import { q, worked, Z95 } from "../worked/index.ts";
import { bringsOf, mixed } from "./balance.ts";
import type { Pour } from "./pour.ts";
import type { FreeAmmonia, Limit, WaterReason } from "./waterPlan.ts";

type AmmoniaRise = Extract<WaterReason, { code: "ammonia-would-rise" }>;

/** The pH that an untested water is taken to have once it has stood in the air. */
const WORST_SOURCE_PH = { tap: 9.5, salt: 8.5 } as const;
/** Water of less than this carries no pH into another, dKH. */
const NO_BUFFER_DKH = 0.05;

/** The pH of a water once it stood in the air, at its worst; null where it has nothing to set a pH with. */
function standingPh({ kind, chemistry }: WaterSource): { readonly ph: number; readonly assumed: boolean } | null {
  const { ph, alkalinity } = chemistry;
  const drawn = kind === "tap" || kind === "tap-minerals";
  if (kind === "purified" || (alkalinity !== undefined && alkalinity < NO_BUFFER_DKH)) return null;
  if (!drawn) return { ph: ph ?? WORST_SOURCE_PH.salt, assumed: ph === undefined };
  // As it is drawn a tap is rich in carbon dioxide: its own carbonate says what is left of that after standing.
  if (ph !== undefined && alkalinity !== undefined)
    return { ph: Math.max(ph, carbonateBalancePh(alkalinity)), assumed: false };
  return { ph: WORST_SOURCE_PH.tap, assumed: true };
}

/**
 * Free ammonia before and after what is poured, the pH afterwards at its worst: the highest of the tank's, the new water's
 * after standing and, in fresh water, the balance of the mixture's carbonate with the air.
 *
 * @returns null without a reading of total ammonia.
 */
export function freeAmmonia(tank: TankOnDay, poured: Pour): FreeAmmonia | null {
  const { input, known, salt } = tank;
  const worst = worstNow(tank);
  if (!worst) return null;
  const nowC = tankC(tank);
  const pours = poured.sourceL + poured.topUpL > 0;
  const waters = [...(poured.sourceL > 0 ? [input.source] : []), ...(poured.topUpL > 0 ? [input.topUpSource] : [])];
  const standing = waters.map(standingPh);
  const totalAfter = mixed(poured.blend, {
    tank: worst.totalMgL,
    source: bringsOf(input.source, "ammonia", 0),
    topUp: bringsOf(input.topUpSource, "ammonia", 0),
  });
  const kh = known.alkalinity;
  const blendKh =
    kh === undefined
      ? null
      : mixed(poured.blend, {
          tank: kh.value + Z95 * kh.sigma,
          source: input.source.chemistry.alkalinity ?? kh.value,
          topUp: input.topUpSource.chemistry.alkalinity ?? kh.value,
        });
  const balance = !salt && blendKh !== null && blendKh > NO_BUFFER_DKH ? [carbonateBalancePh(blendKh)] : [];
  const phAfter = pours ? Math.max(worst.ph, ...standing.flatMap((s) => (s ? [s.ph] : [])), ...balance) : worst.ph;
  const inputs = (tan: number, ph: number, c: number) => ({
    "total ammonia": q(tan, "mg/L N"),
    pH: q(ph, ""),
    temperature: q(c, "°C"),
  });
  return {
    before: worked(
      "free-ammonia",
      freeAt(tank, worst.totalMgL, worst.ph, nowC),
      "mg/L NH3",
      inputs(worst.totalMgL, worst.ph, nowC),
    ),
    after: worked(
      "free-ammonia",
      freeAt(tank, Math.max(0, totalAfter), phAfter, poured.endC),
      "mg/L NH3",
      inputs(totalAfter, phAfter, poured.endC),
    ),
    assumed: [
      ...(worst.assumed ? (["ph"] as const) : []),
      ...(standing.some((s) => s?.assumed) ? (["source-ph"] as const) : []),
    ],
    bound: isBound(tank),
  };
}

/** New water that would make the ammonia poison: none of it, whatever else would allow. */
export const ammoniaLimit = (limit: number): Limit => ({ code: "free-ammonia", maxL: 0, value: limit });

/** Whether a change would make the water poisonous; null where it would not. */
export function wouldPoison({ before, after }: FreeAmmonia, limit: number): AmmoniaRise | null {
  if (after.value <= limit || after.value <= before.value) return null;
  const { pH } = after.inputs;
  return {
    code: "ammonia-would-rise",
    before: before.value,
    after: after.value,
    limit,
    ph: typeof pH === "object" ? pH.value : Number.NaN,
  };
}
