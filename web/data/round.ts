import { weekday } from "@keel-round/core/calendar";
import type { PlanInput } from "@keel-round/core/given";
import { type DayPlan, type DayStop, planDay } from "@keel-round/core/round";
import { planVisit, type SaidPlan, sayPlan } from "@keel-round/core/visit";
import { and, asc, eq, isNull, ne } from "drizzle-orm";
import { db } from "./connection";
import { notFound } from "./define";
import { keptPlan } from "./keptPlan";
import { loadPlanInputs } from "./planInputs";
import { business, client, person, site, stop, tank, tankStatus, visit } from "./schema";
import type { Scope } from "./scope";
import { requireStop } from "./sight";

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
  readonly clientName: string;
  readonly refillAfter: boolean;
  readonly tanks: readonly RoundTank[];
}

/** A person's day: their stops planned, in order, drawn to the clock. */
export interface Round {
  readonly person: {
    readonly id: string;
    readonly name: string;
    readonly vanKg: number;
    readonly vanKit: readonly string[];
    readonly dayStartMinute: number;
    readonly dayEndMinute: number;
  };
  readonly stops: readonly RoundStop[];
  readonly day: DayPlan;
  readonly laidOutTo: string | null;
}

/** Loads and plans one person's day, told in the units of whoever asks. */
export async function loadRound(
  scope: Pick<Scope, "businessId" | "units">,
  personId: string,
  on: string,
): Promise<Round> {
  const q = db();
  const [[who], [firm], rows] = await Promise.all([
    q
      .select()
      .from(person)
      .where(and(eq(person.businessId, scope.businessId), eq(person.id, personId))),
    q.select().from(business).where(eq(business.id, scope.businessId)),
    q
      .select({ stop, site, clientName: client.name, visit, tank, status: tankStatus })
      .from(stop)
      .innerJoin(site, and(eq(site.businessId, stop.businessId), eq(site.id, stop.siteId)))
      .innerJoin(client, and(eq(client.businessId, site.businessId), eq(client.id, site.clientId)))
      .innerJoin(visit, and(eq(visit.businessId, stop.businessId), eq(visit.stopId, stop.id)))
      .innerJoin(tank, and(eq(tank.businessId, visit.businessId), eq(tank.id, visit.tankId)))
      .leftJoin(tankStatus, eq(tankStatus.tankId, tank.id))
      .where(
        and(
          eq(stop.businessId, scope.businessId),
          eq(stop.onDate, on),
          eq(stop.personId, personId),
          isNull(stop.off),
          ne(visit.state, "off"),
        ),
      )
      .orderBy(asc(site.name), asc(tank.name)),
  ]);
  if (!who || !firm) throw notFound("person");
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
      id: r.stop.id,
      site: r.site,
      clientName: r.clientName,
      refillAfter: r.stop.refillAfter,
      tanks: [],
    };
    const plan = (r.visit.state === "planned" ? null : keptPlan(r.visit.plan)) ?? planVisit(input);
    at.tanks.push({
      visitId: r.visit.id,
      visitState: r.visit.state,
      tank: r.tank,
      status: r.status,
      input,
      plan: sayPlan(plan, scope.units),
    });
    stops.set(r.stop.id, at);
  }
  const list = [...stops.values()];
  const day = planDay({
    stops: list.map((s) => dayStop(s, on)),
    base: firm,
    startMinute: who.dayStartMinute,
    endMinute: who.dayEndMinute,
    roads: firm,
    vanKg: who.vanKg,
    refillAfter: list.filter((s) => s.refillAfter).map((s) => s.id),
  });
  return { person: who, stops: list, day, laidOutTo: firm.laidOutTo };
}

function dayStop(s: RoundStop, on: string): DayStop {
  const sum = (pick: (load: SaidPlan["load"]) => number) => s.tanks.reduce((total, t) => total + pick(t.plan.load), 0);
  return {
    id: s.id,
    name: s.site.name,
    lat: s.site.lat,
    lon: s.site.lon,
    window: s.site.windows[String(weekday(on))] ?? null,
    minutes: s.site.setUpMinutes + s.tanks.reduce((total, t) => total + (t.plan.cautiousMinutes ?? t.plan.minutes), 0),
    load: {
      mixL: sum((l) => l.mixL),
      seaL: sum((l) => l.seaL),
      purifiedL: sum((l) => l.purifiedL),
      wasteL: sum((l) => l.wasteL),
    },
    keptLast: s.tanks.some((t) => t.input.site.hygieneLast),
    maySlip: s.tanks.every((t) => t.status?.condition === "steady") && !s.tanks.some((t) => t.visitState !== "planned"),
  };
}

/** Agrees on a refill at base after a stop, or takes it back. */
export async function setRefill(scope: Scope, stopId: string, refillAfter: boolean): Promise<void> {
  await requireStop(scope, stopId);
  const [done] = await db()
    .update(stop)
    .set({ refillAfter })
    .where(and(eq(stop.businessId, scope.businessId), eq(stop.id, stopId)));
  if (done.affectedRows === 0) throw notFound("stop");
}
