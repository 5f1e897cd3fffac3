import type { PlanInput } from "@keel-round/core/given";
import type { DayInput, DayPlan, Place } from "@keel-round/core/round";
import { planVisit, type SaidPlan, sayPlan } from "@keel-round/core/visit";
import type { UnderWay } from "@keel-round/core/weeks";
import { and, eq } from "drizzle-orm";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import { requireStop } from "../access/sight";
import { db } from "../database/connection";
import { keptPlan } from "../plan/keptPlan";
import { loadPlanInputs } from "../plan/planInputs";
import { type client, type site, stop, type tank, type tankStatus } from "../schema";
import { driverOf, type LaidStop, layDay, type Now, visitsOn } from "./layDay";
import { type DaySea, mixInstead, type OnSite } from "./sea";

/** A tank of a stop, with its plan for the day. */
export interface RoundTank {
  readonly visitId: string;
  readonly visitState: "planned" | "open" | "closed" | "off";
  readonly tank: typeof tank.$inferSelect;
  readonly status: typeof tankStatus.$inferSelect | null;
  readonly input: PlanInput;
  readonly plan: SaidPlan;
}

/** A stop of a day with its place and its tanks. */
export interface RoundStop {
  readonly id: string;
  readonly site: typeof site.$inferSelect;
  readonly client: typeof client.$inferSelect;
  readonly refillAfter: boolean;
  readonly tanks: readonly RoundTank[];
}

/** A person's day: their stops planned, in order, drawn to the clock. */
export interface Round {
  readonly person: {
    readonly id: string;
    readonly name: string;
    readonly vanKg: number;
    readonly vanL: number | null;
    readonly vanBarrels: number | null;
    readonly vanKit: readonly string[];
    readonly dayStartMinute: number;
    readonly dayEndMinute: number;
  };
  readonly stops: readonly RoundStop[];
  readonly base: Place;
  readonly day: DayPlan;
  /** What the day is laid from. */
  readonly input: DayInput;
  /** Minutes by which the day ends later than planned, by what was logged so far. */
  readonly behindMinutes: number;
  /** What the day is laid from, and what was logged of it; null where it is not under way. */
  readonly under: UnderWay | null;
  readonly laidOutTo: string | null;
  /** Where the day's sea water comes from; null where no stop takes any, or the firm has no place. */
  readonly sea: (DaySea & { readonly instead: readonly OnSite[] }) | null;
}

/** Loads and plans one person's day, told in the units of whoever asks. */
export async function loadRound(
  scope: Pick<Scope, "businessId" | "units">,
  personId: string,
  on: string,
  /** The day as it goes, where it is today's; the day as planned without. */
  now?: Now,
): Promise<Round> {
  const q = db();
  const [driver, rows] = await Promise.all([
    driverOf(q, scope.businessId, personId),
    visitsOn(q, scope.businessId, personId, on),
  ]);
  const { who, firm } = driver;
  const inputs = await loadPlanInputs(
    q,
    scope.businessId,
    rows.map((r) => ({ visitId: r.visit.id, tankId: r.tank.id, on })),
  );
  const stops = new Map<string, RoundStop & { tanks: RoundTank[] }>();
  for (const r of rows) {
    const input = inputs.get(r.visit.id);
    if (!input) continue;
    const at = stops.get(r.stop.id) ?? {
      ...{ id: r.stop.id, site: r.site, client: r.client, refillAfter: r.stop.refillAfter, tanks: [] },
    };
    const plan = (r.visit.state === "planned" ? null : keptPlan(r.visit.plan)) ?? planVisit(input);
    at.tanks.push({
      ...{ visitId: r.visit.id, visitState: r.visit.state, tank: r.tank, status: r.status, input },
      plan: sayPlan(plan, scope.units),
    });
    stops.set(r.stop.id, at);
  }
  const list = [...stops.values()];
  const laid = await layDay(q, driver, list.map(laidStop), rows, on, now);
  const seaTanks = list.flatMap((s) =>
    s.tanks
      .filter(isSea)
      .map((t) => ({ visitId: t.visitId, tankName: t.tank.name, siteName: s.site.name, input: t.input })),
  );
  const { day, sea } = laid;
  // The other way is worked out where the sea is no way: no tide, or water that must not be poured.
  const needsOther = sea !== null && ((day.collection !== null && day.collection.none !== null) || refused(sea, on));
  const instead = needsOther ? await mixInstead(q, scope.businessId, seaTanks, on) : [];
  return {
    person: who,
    base: { lat: firm.lat, lon: firm.lon },
    stops: list,
    ...{ day, input: laid.input, behindMinutes: laid.behindMinutes, under: laid.under },
    laidOutTo: firm.laidOutTo,
    sea: sea && { ...sea, instead },
  };
}

const isSea = (t: RoundTank): boolean => t.visitState === "planned" && t.input.source.kind === "natural-sea";

const laidStop = ({ tanks, ...stop }: RoundStop): LaidStop => ({
  ...stop,
  tanks: tanks.map((t) => ({
    minutes: t.plan.cautiousMinutes ?? t.plan.minutes,
    ...{ load: t.plan.load, keptLast: t.input.site.hygieneLast, seaWater: t.input.source.kind === "natural-sea" },
    ...{ visitState: t.visitState, condition: t.status?.condition ?? null, tank: t.tank },
  })),
});

/** Whether the water that was collected on a day must not be poured. */
const refused = (sea: DaySea, on: string): boolean => sea.lots.some((l) => l.onDate === on && !l.usable);

/** Agrees on a refill at base after a stop, or takes it back. */
export async function setRefill(scope: Scope, stopId: string, refillAfter: boolean): Promise<void> {
  await requireStop(scope, stopId);
  const [done] = await db()
    .update(stop)
    .set({ refillAfter })
    .where(and(eq(stop.businessId, scope.businessId), eq(stop.id, stopId)));
  if (done.affectedRows === 0) throw notFound("stop");
}
