import type { DayPlan } from "@keel-round/core/round";
import { planVisit } from "@keel-round/core/visit";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { groupBy } from "../database/groupBy";
import { keptPlan } from "../plan/keptPlan";
import { loadPlanInputs } from "../plan/planInputs";
import type { VisitNeeds } from "../schema";
import { driverOf, type LaidStop, type LaidTank, layDay, type Now, type VisitOn, visitsOn } from "./layDay";

/** A day as the header draws it. */
export interface RibbonDay {
  readonly day: DayPlan;
  readonly stops: readonly LaidStop[];
}

/**
 * A person's day by what is kept of its visits, so that every page can show it: of one that is planned what its tank's status says the
 * next visit takes, of one that was begun its own plan. Only where neither is known is a visit planned for it.
 */
export async function loadRibbon(
  scope: Pick<Scope, "businessId">,
  personId: string,
  on: string,
  now: Now,
): Promise<RibbonDay> {
  const q = db();
  const [driver, rows] = await Promise.all([
    driverOf(q, scope.businessId, personId),
    visitsOn(q, scope.businessId, personId, on),
  ]);
  const unknown = rows.filter((r) => keptNeeds(r, on) === null);
  const inputs = await loadPlanInputs(
    q,
    scope.businessId,
    unknown.map((r) => ({ visitId: r.visit.id, tankId: r.tank.id, on })),
  );
  const needs = (r: VisitOn): Needs | null => {
    const kept = keptNeeds(r, on);
    const input = inputs.get(r.visit.id);
    if (kept || !input) return kept;
    const plan = planVisit(input);
    return { minutes: plan.cautiousMinutes, load: plan.load, keptLast: input.site.hygieneLast };
  };
  const stops = [...groupBy(rows, (r) => r.stop.id).values()].flatMap((of): LaidStop[] => {
    const tanks = of.flatMap((r): LaidTank[] => {
      const its = needs(r);
      const { visit, tank, status, water } = r;
      const seaWater = water.kind === "natural-sea";
      return its ? [{ ...its, visitState: visit.state, condition: status?.condition ?? null, tank, seaWater }] : [];
    });
    const [first] = of;
    return first && tanks.length > 0
      ? [{ id: first.stop.id, site: first.site, refillAfter: first.stop.refillAfter, tanks }]
      : [];
  });
  const { day } = await layDay(q, driver, stops, rows, on, now);
  return { day, stops };
}

type Needs = Pick<VisitNeeds, "minutes" | "load" | "keptLast">;

/** What is known of a visit without planning it. */
function keptNeeds({ visit, status }: VisitOn, on: string): Needs | null {
  const next = status?.nextVisit ?? null;
  // The next visit of a status that was judged for this day is the one that is still planned.
  if (visit.state === "planned") return next && status && status.judgedOn === on ? next : null;
  const plan = keptPlan(visit.plan);
  return plan
    ? { minutes: plan.cautiousMinutes ?? plan.minutes, load: plan.load, keptLast: next?.keptLast ?? false }
    : null;
}
