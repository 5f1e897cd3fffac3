import type { WaterPlan } from "../change/index.ts";
import type { VisitPlan } from "./planVisit.ts";

/** What the first plans did not say of their water. */
const FIRST: Pick<
  WaterPlan,
  | "tapeCm"
  | "topUpC"
  | "conditionerParts"
  | "topUpConditionerMl"
  | "checks"
  | "leftLowL"
  | "leftLowCm"
  | "exposed"
  | "wettingMinutes"
  | "bedL"
  | "pumpsOnL"
  | "runBack"
  | "auto"
> = {
  tapeCm: null,
  topUpC: 0,
  conditionerParts: [],
  topUpConditionerMl: null,
  checks: [],
  leftLowL: 0,
  leftLowCm: 0,
  exposed: [],
  wettingMinutes: 0,
  bedL: 0,
  pumpsOnL: 0,
  runBack: null,
  auto: null,
};

/** A kept plan as today's plans are: one made by an earlier core is given what it did not say. */
export function asPlan(kept: VisitPlan): VisitPlan {
  const { water } = kept;
  if (water.exposed !== undefined) return kept;
  return {
    ...kept,
    water: {
      ...FIRST,
      ...water,
      pourL: water.saltWaterL ?? (water.litres.value > 0 ? water.litres : null),
      missing: { litres: water.missingL, sigmaL: 0, basis: "none" },
      restMinutes: water.drainMinutes,
    },
  };
}
