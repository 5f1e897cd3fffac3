import type { PlanInput } from "@keel-round/core/given";
import {
  type DayInput,
  type DayPlan,
  type DayStop,
  liveDay,
  loggedStops,
  type Place,
  planDay,
} from "@keel-round/core/round";
import { windowOn } from "@keel-round/core/series";
import { planVisit, type SaidPlan, sayPlan } from "@keel-round/core/visit";
import type { UnderWay } from "@keel-round/core/weeks";
import { and, asc, eq, isNull, ne } from "drizzle-orm";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import { requireStop } from "../access/sight";
import { db } from "../database/connection";
import { siteOpenDays } from "../database/openDays";
import { keptPlan } from "../plan/keptPlan";
import { loadPlanInputs } from "../plan/planInputs";
import { business, client, person, site, stop, tank, tankStatus, visit } from "../schema";
import { knownWays } from "./roads";
import { type DaySea, daySea, mixInstead, type OnSite } from "./sea";
import { lightsOn } from "./weeks";

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
  now?: { readonly date: string; readonly minute: number; readonly zone: string },
): Promise<Round> {
  const q = db();
  const [[who], [firm], rows] = await Promise.all([
    q
      .select()
      .from(person)
      .where(and(eq(person.businessId, scope.businessId), eq(person.id, personId))),
    q.select().from(business).where(eq(business.id, scope.businessId)),
    q
      .select({ stop, site, client, visit, tank, status: tankStatus })
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
      client: r.client,
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
  const holidays = firm.holidays.map((h) => h.on);
  const seaTanks = list.flatMap((s) =>
    s.tanks
      .filter((t) => t.visitState === "planned" && t.input.source.kind === "natural-sea")
      .map((t) => ({ visitId: t.visitId, tankName: t.tank.name, siteName: s.site.name, input: t.input })),
  );
  const known = await knownWays(q, scope.businessId);
  const takesSea = list.some((s) => s.tanks.some((t) => t.plan.load.seaL > 0 || t.input.source.kind === "natural-sea"));
  const sea = takesSea ? await daySea(q, scope.businessId, on) : null;
  const input: DayInput = {
    stops: list.map((s) => dayStop(s, on, holidays)),
    base: { lat: firm.lat, lon: firm.lon, key: firm.id },
    startMinute: who.dayStartMinute,
    endMinute: who.dayEndMinute,
    roads: { roadFactor: firm.roadFactor, speedKmH: firm.speedKmH, known },
    vanKg: who.vanKg,
    vanL: who.vanL,
    vanBarrels: who.vanBarrels,
    refillAfter: list.filter((s) => s.refillAfter).map((s) => s.id),
    // What was collected already is on board from the start.
    collecting: sea?.lots.some((l) => l.onDate === on) ? null : (sea?.collecting ?? null),
  };
  const visits = rows.map(({ stop: { id }, visit: v }) => ({
    stopId: id,
    startedAt: v.startedAt?.getTime() ?? null,
    closedAt: v.state === "closed" ? (v.closedAt?.getTime() ?? null) : null,
  }));
  const log = now?.date === on ? loggedStops(visits, on, now.zone) : [];
  const under = now && log.length > 0 ? { input, log, nowMinute: now.minute } : null;
  const { day, behindMinutes } = under
    ? liveDay(input, log, under.nowMinute)
    : { day: planDay(input), behindMinutes: 0 };
  // The other way is worked out where the sea is no way: no tide, or water that must not be poured.
  const needsOther = sea !== null && ((day.collection !== null && day.collection.none !== null) || refused(sea, on));
  const instead = needsOther ? await mixInstead(q, scope.businessId, seaTanks, on) : [];
  return {
    person: who,
    base: { lat: firm.lat, lon: firm.lon },
    stops: list,
    day,
    input,
    behindMinutes,
    under,
    laidOutTo: firm.laidOutTo,
    sea: sea && { ...sea, instead },
  };
}

function dayStop(s: RoundStop, on: string, holidays: readonly string[]): DayStop {
  const sum = (pick: (load: SaidPlan["load"]) => number) => s.tanks.reduce((total, t) => total + pick(t.plan.load), 0);
  return {
    id: s.id,
    name: s.site.name,
    lat: s.site.lat,
    lon: s.site.lon,
    key: s.site.id,
    window: windowOn(siteOpenDays(s.site, holidays), on),
    minutes: s.site.setUpMinutes + s.tanks.reduce((total, t) => total + (t.plan.cautiousMinutes ?? t.plan.minutes), 0),
    load: {
      mixL: sum((l) => l.mixL),
      seaL: sum((l) => l.seaL),
      purifiedL: sum((l) => l.purifiedL),
      wasteL: sum((l) => l.wasteL),
    },
    lightsOn: lightsOn(s.tanks.map((t) => ({ kind: t.tank.kind, lightsFrom: t.tank.facts.lightsFrom }))),
    keptLast: s.tanks.some((t) => t.input.site.hygieneLast),
    maySlip: s.tanks.every((t) => t.status?.condition === "steady") && !s.tanks.some((t) => t.visitState !== "planned"),
  };
}

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
