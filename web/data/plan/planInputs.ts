import type { PlanInput } from "@keel-round/core/given";
import type { Queries } from "../database/transaction";
import { planInputFrom } from "./planInputFrom";
import { readPlanRows, type VisitToPlan } from "./rows";

/** What the plans of some visits are made from, by visit; a visit whose tank is gone has none. */
export async function loadPlanInputs(
  q: Queries,
  businessId: string,
  visits: readonly VisitToPlan[],
): Promise<Map<string, PlanInput>> {
  const rows = visits.length === 0 ? null : await readPlanRows(q, businessId, visits);
  if (!rows) return new Map();
  return new Map(
    visits.flatMap((v) => {
      const input = planInputFrom(rows, v);
      return input ? [[v.visitId, input] as const] : [];
    }),
  );
}
