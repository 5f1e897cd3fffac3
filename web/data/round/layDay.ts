import { type DayInput, type DayStop, liveDay, loggedStops, planDay } from "@keel-round/core/round";
import { windowOn } from "@keel-round/core/series";
import type { UnderWay } from "@keel-round/core/weeks";
import { and, asc, eq, isNull, ne } from "drizzle-orm";
import { notFound } from "../access/define";
import { siteOpenDays } from "../database/openDays";
import type { Queries } from "../database/transaction";
import { business, client, person, site, source, stop, tank, tankStatus, type VisitNeeds, visit } from "../schema";
import { knownWays } from "./roads";
import { daySea } from "./sea";
import { lightsOn } from "./weeks";

/** The minute it is today, for a day that is under way. */
export interface Now {
  readonly date: string;
  readonly minute: number;
  readonly zone: string;
}

/** What a visit puts into a day. */
export interface LaidTank extends Pick<VisitNeeds, "minutes" | "load" | "keptLast"> {
  readonly visitState: "planned" | "open" | "closed" | "off";
  readonly condition: (typeof tankStatus.$inferSelect)["condition"] | null;
  readonly tank: Pick<typeof tank.$inferSelect, "kind" | "facts">;
  readonly seaWater: boolean;
}

/** A stop as a day is laid from it. */
export interface LaidStop {
  readonly id: string;
  readonly site: typeof site.$inferSelect;
  readonly refillAfter: boolean;
  readonly tanks: readonly LaidTank[];
}

/** The visits of a person's day with their stops, by site and tank. */
export function visitsOn(q: Queries, businessId: string, personId: string, on: string) {
  return q
    .select({ stop, site, client, visit, tank, status: tankStatus, water: source.facts })
    .from(stop)
    .innerJoin(site, and(eq(site.businessId, stop.businessId), eq(site.id, stop.siteId)))
    .innerJoin(client, and(eq(client.businessId, site.businessId), eq(client.id, site.clientId)))
    .innerJoin(visit, and(eq(visit.businessId, stop.businessId), eq(visit.stopId, stop.id)))
    .innerJoin(tank, and(eq(tank.businessId, visit.businessId), eq(tank.id, visit.tankId)))
    .innerJoin(source, and(eq(source.businessId, tank.businessId), eq(source.id, tank.sourceId)))
    .leftJoin(tankStatus, eq(tankStatus.tankId, tank.id))
    .where(
      and(
        ...[eq(stop.businessId, businessId), eq(stop.onDate, on), eq(stop.personId, personId)],
        ...[isNull(stop.off), ne(visit.state, "off")],
      ),
    )
    .orderBy(asc(site.name), asc(tank.name));
}
export type VisitOn = Awaited<ReturnType<typeof visitsOn>>[number];

/** Who drives, and for whom. */
export async function driverOf(q: Queries, businessId: string, personId: string) {
  const [[who], [firm]] = await Promise.all([
    q
      .select()
      .from(person)
      .where(and(eq(person.businessId, businessId), eq(person.id, personId))),
    q.select().from(business).where(eq(business.id, businessId)),
  ]);
  if (!who || !firm) throw notFound("person");
  return { who, firm };
}
type Driver = Awaited<ReturnType<typeof driverOf>>;

/** Lays a day out of its stops: as it goes where it is today's, as planned without a minute. */
export async function layDay(
  q: Queries,
  { who, firm }: Driver,
  stops: readonly LaidStop[],
  rows: readonly VisitOn[],
  on: string,
  now?: Now,
) {
  const holidays = firm.holidays.map((h) => h.on);
  const known = await knownWays(q, firm.id);
  const takesSea = stops.some((s) => s.tanks.some((t) => t.load.seaL > 0 || t.seaWater));
  const sea = takesSea ? await daySea(q, firm.id, on) : null;
  const input: DayInput = {
    stops: stops.map((s) => dayStop(s, on, holidays)),
    base: { lat: firm.lat, lon: firm.lon, key: firm.id },
    startMinute: who.dayStartMinute,
    endMinute: who.dayEndMinute,
    roads: { roadFactor: firm.roadFactor, speedKmH: firm.speedKmH, known },
    vanKg: who.vanKg,
    vanL: who.vanL,
    vanBarrels: who.vanBarrels,
    refillAfter: stops.filter((s) => s.refillAfter).map((s) => s.id),
    // What was collected already is on board from the start.
    collecting: sea?.lots.some((l) => l.onDate === on) ? null : (sea?.collecting ?? null),
  };
  const log = now?.date === on ? loggedStops(rows.map(loggedVisit), on, now.zone) : [];
  const under: UnderWay | null = now && log.length > 0 ? { input, log, nowMinute: now.minute } : null;
  const { day, behindMinutes } = under
    ? liveDay(input, log, under.nowMinute)
    : { day: planDay(input), behindMinutes: 0 };
  return { input, under, day, behindMinutes, sea };
}

const loggedVisit = ({ stop: { id }, visit: v }: VisitOn) => ({
  stopId: id,
  startedAt: v.startedAt?.getTime() ?? null,
  closedAt: v.state === "closed" ? (v.closedAt?.getTime() ?? null) : null,
});

function dayStop({ id, site: place, tanks }: LaidStop, on: string, holidays: readonly string[]): DayStop {
  const sum = (pick: (tank: LaidTank) => number) => tanks.reduce((total, t) => total + pick(t), 0);
  return {
    ...{ id, name: place.name, lat: place.lat, lon: place.lon, key: place.id },
    window: windowOn(siteOpenDays(place, holidays), on),
    minutes: place.setUpMinutes + sum((t) => t.minutes),
    load: {
      mixL: sum((t) => t.load.mixL),
      seaL: sum((t) => t.load.seaL),
      purifiedL: sum((t) => t.load.purifiedL),
      wasteL: sum((t) => t.load.wasteL),
    },
    lightsOn: lightsOn(tanks.map(({ tank: t }) => ({ kind: t.kind, lightsFrom: t.facts.lightsFrom }))),
    keptLast: tanks.some((t) => t.keptLast),
    maySlip: tanks.every((t) => t.condition === "steady") && !tanks.some((t) => t.visitState !== "planned"),
  };
}
