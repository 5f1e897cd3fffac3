import { ammoniaFreedMgL } from "../mixing/index.ts";
import { removedAtMostMgL } from "../water/index.ts";
import type { WaterSource } from "./inputs.ts";

/** What of a tap's chlorine its conditioner leaves over: more than its largest dose removes, or ammonia that it does not bind. */
export function leftByConditioner({ conditioner, chemistry }: WaterSource): {
  readonly tooMuchMgL: { readonly has: number; readonly removes: number } | null;
  readonly freedMgL: number;
} {
  const has = (chemistry.chlorine ?? 0) + (chemistry.chloramine ?? 0);
  const removes = conditioner ? removedAtMostMgL(conditioner) : 0;
  return {
    tooMuchMgL: has > 0 && removes !== null && has > removes ? { has, removes } : null,
    freedMgL: conditioner?.bindsAmmonia ? 0 : ammoniaFreedMgL(chemistry.chloramine ?? 0),
  };
}
