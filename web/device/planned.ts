import { type PlanInput, withToday } from "@keel-round/core/given";
import { planVisit, type seenToday, type VisitBundle, type VisitPlan } from "@keel-round/core/visit";

/** What a visit is planned from as of now, and the plan. */
export interface Planned {
  readonly input: PlanInput;
  readonly plan: VisitPlan;
}

const last = new WeakMap<VisitBundle, { readonly seen: string; readonly planned: Planned }>();

/**
 * The plan of a visit with what was seen today. The last one of a visit is kept: writing an entry and drawing it ask
 * for the same one.
 */
export function plannedWith(kept: VisitBundle, seen: ReturnType<typeof seenToday>): Planned {
  const key = JSON.stringify(seen);
  const known = last.get(kept);
  if (known?.seen === key) return known.planned;
  const input = withToday(kept.input, seen);
  const planned = { input, plan: planVisit(input) };
  last.set(kept, { seen: key, planned });
  return planned;
}
