import type { TankOnDay, WaterSource } from "../given/index.ts";
import { conditionerMl, conditionerTimes } from "../water/index.ts";
import { q, type Worked, worked } from "../worked/index.ts";
import type { Pour } from "./pour.ts";
import type { WaterPlan } from "./waterPlan.ts";

/** Drawn straight from a tap into the tank, so that what lives in it meets the chlorine. */
const FROM_TAP: readonly WaterSource["kind"][] = ["tap", "tap-minerals"];
/** Above this share one dose for the whole tank would be too strong for what the drain leaves. */
const ONE_DOSE_SHARE = 0.25;
const PORTIONS = 4;

function dose({ conditioner, chemistry, chloramineFactor }: WaterSource, treatedL: number): Worked | null {
  if (!conditioner || treatedL <= 0) return null;
  const times = conditionerTimes(conditioner, chemistry, chloramineFactor);
  return worked("conditioner-ml", conditionerMl(conditioner, treatedL, times), "mL", {
    treated: q(treatedL, "L"),
    label: q(conditioner.mlPer100L, "mL per 100 L"),
    "times the label": q(times, ""),
    ...(chemistry.chlorine === undefined ? {} : { "free chlorine": q(chemistry.chlorine, "mg/L") }),
    ...(chemistry.chloramine === undefined ? {} : { chloramine: q(chemistry.chloramine, "mg/L") }),
  });
}

/**
 * Conditioner for a change and for topping up: for the whole tank where untreated water meets it, else for the new water.
 *
 * After a large drain it goes in before each quarter of the refill: for the water that is there and the quarter, then for each
 * quarter more. What is put in is limited by the litres in the tank at that moment.
 */
export function conditioning(
  tank: TankOnDay,
  pour: Pour,
): Pick<WaterPlan, "conditionerMl" | "conditionerParts" | "topUpConditionerMl"> {
  const { source, topUpSource } = tank.input;
  const topUpConditionerMl = dose(topUpSource, pour.topUpL);
  if (pour.sourceL <= 0) return { conditionerMl: null, conditionerParts: [], topUpConditionerMl };
  if (!FROM_TAP.includes(source.kind)) {
    const conditionerMl = dose(source, pour.sourceL);
    const conditionerParts = conditionerMl ? [{ ml: conditionerMl.value, beforeL: pour.sourceL }] : [];
    return { conditionerMl, conditionerParts, topUpConditionerMl };
  }
  const leftL = tank.mode === "batch" ? tank.systemL - tank.missing.litres - pour.drainedL : tank.systemL;
  const conditionerMl = dose(source, tank.mode === "batch" ? leftL + pour.sourceL : tank.systemL);
  if (!conditionerMl) return { conditionerMl, conditionerParts: [], topUpConditionerMl };
  if (tank.mode !== "batch" || pour.drainedL <= ONE_DOSE_SHARE * tank.systemL)
    return {
      conditionerMl,
      conditionerParts: [{ ml: conditionerMl.value, beforeL: pour.sourceL }],
      topUpConditionerMl,
    };
  const part = pour.sourceL / PORTIONS;
  const ml = (litres: number) => dose(source, litres)?.value ?? 0;
  return {
    conditionerMl,
    conditionerParts: Array.from({ length: PORTIONS }, (_, i) => ({
      ml: ml(i === 0 ? leftL + part : part),
      beforeL: part,
    })),
    topUpConditionerMl,
  };
}
