import { addDays } from "@keel-round/core/calendar";
import { type ConditionState, worstCondition } from "@keel-round/core/readings";
import { usualGapDays } from "@keel-round/core/series";
import { byText } from "@keel-round/core/text";
import { type Board, type BoardPerson, type BoardStop, besideOf, EVERY_DAY } from "@keel-round/core/weeks";
import { and, asc, eq, gte, inArray, isNotNull, isNull, lte, max, ne, or, type SQL, sql } from "drizzle-orm";
import { notFound } from "../access/define";
import { type Scope, seesAll } from "../access/scope";
import { technicians } from "../access/units";
import { whenOf } from "../access/when";
import { db } from "../database/connection";
import { groupBy } from "../database/groupBy";
import { firmHolidays, type SiteHours, siteOpenDays } from "../database/openDays";
import type { Queries } from "../database/transaction";
import { listNotices, type NoticeDraft, type NoticeLine, owedCorrections } from "../notices/notices";
import {
  business,
  person,
  personAway,
  roundChange,
  series,
  site,
  stop,
  tank,
  tankStatus,
  type VisitNeeds,
  visit,
} from "../schema";
import { type DayRequest, openRequests } from "../series/dayRequests";
import { recurrenceOf } from "../series/rows";
import { knownWays } from "./roads";
import { quayBetween } from "./sea";

/** Some weeks of the people in sight, as the board shows and judges them. */
export interface Weeks {
  readonly board: Board;
  /** Changes whenever somebody changes the round. */
  readonly version: string;
  readonly laidOutTo: string | null;
  /** Messages to owners that wait or left lately. */
  readonly notices: readonly NoticeLine[];
  /** Corrections that owners are owed, drafted. */
  readonly corrections: readonly NoticeDraft[];
  /** Wishes of owners for another day that nobody has answered. */
  readonly requests: readonly DayRequest[];
}

/** Where a visit was never planned yet: an hour. */
const UNPLANNED: VisitNeeds = {
  minutes: 60,
  load: { mixL: 0, seaL: 0, purifiedL: 0, wasteL: 0 },
  knows: [],
  keptLast: false,
};

/** The board from one day to another, both included: a technician's own row, or everybody's. */
export async function loadWeeks(scope: Scope, from: string, to: string): Promise<Weeks> {
  const people = (await technicians(scope)).filter((p) => seesAll(scope.role) || p.id === scope.personId);
  const ids = people.map((p) => p.id);
  const [[firm], persons, away, stops, beside, version, notices, corrections, known, requests] = await Promise.all([
    db().select().from(business).where(eq(business.id, scope.businessId)),
    peopleOf(scope, ids),
    db()
      .select()
      .from(personAway)
      .where(
        and(eq(personAway.businessId, scope.businessId), gte(personAway.untilOn, from), lte(personAway.fromOn, to)),
      )
      .orderBy(asc(personAway.fromOn)),
    boardStops(scope, and(gte(stop.onDate, from), lte(stop.onDate, to))),
    besideStops(scope, from, to),
    roundVersion(scope),
    listNotices(scope, new Date()),
    owedCorrections(scope, whenOf(scope)),
    knownWays(db(), scope.businessId),
    openRequests(scope, whenOf(scope)),
  ]);
  if (!firm) throw notFound("firm");
  const awayOf = groupBy(away, (a) => a.personId);
  return {
    board: {
      people: persons.map(
        (p): BoardPerson => ({
          id: p.id,
          name: p.name,
          startMinute: p.dayStartMinute,
          endMinute: p.dayEndMinute,
          vanKg: p.vanKg,
          vanL: p.vanL,
          vanBarrels: p.vanBarrels,
          workdays: p.workdays ?? EVERY_DAY,
          knows: p.knows ?? null,
          away: (awayOf.get(p.id) ?? []).map(({ id, fromOn, untilOn, why }) => ({ id, fromOn, untilOn, why })),
        }),
      ),
      stops: stops.map((s) => (requests.some((r) => r.stopId === s.id) ? { ...s, asked: true } : s)),
      beside,
      base: { lat: firm.lat, lon: firm.lon, key: firm.id },
      roads: { roadFactor: firm.roadFactor, speedKmH: firm.speedKmH, known },
      weights: firm.weights,
      quay: stops.some((s) => s.load.seaL > 0) ? await quayBetween(db(), scope.businessId, from, to) : null,
    },
    version,
    laidOutTo: firm.laidOutTo,
    notices,
    corrections,
    requests,
  };
}

const peopleOf = async (scope: Scope, ids: readonly string[]) =>
  ids.length === 0
    ? []
    : db()
        .select()
        .from(person)
        .where(and(eq(person.businessId, scope.businessId), inArray(person.id, [...ids])))
        .orderBy(asc(person.name), asc(person.id));

/** Which stops of the business somebody sees: a technician their own, and none that was set aside of others. */
const inSight = (scope: Scope) => (seesAll(scope.role) ? undefined : eq(stop.personId, scope.personId));

/**
 * The stops of the business that a condition asks for, as the board knows them.
 *
 * Sites, series and tanks come back with many of their stops: each is read once and joined here.
 */
export async function boardStops(scope: Scope, which: SQL | undefined, q: Queries = db()): Promise<BoardStop[]> {
  const rows = await q
    .select({ stop, state: visit.state, tankId: visit.tankId })
    .from(stop)
    .innerJoin(visit, and(eq(visit.businessId, stop.businessId), eq(visit.stopId, stop.id)))
    .where(
      and(
        eq(stop.businessId, scope.businessId),
        which,
        or(and(isNull(stop.off), ne(visit.state, "off")), eq(stop.off, "skipped")),
        inSight(scope),
      ),
    )
    .orderBy(asc(stop.onDate), asc(stop.id), asc(visit.id));
  if (rows.length === 0) return [];
  const once = (ids: readonly (string | null)[]) => [...new Set(ids.flatMap((id) => id ?? []))];
  const [sites, tanks, all, holidays] = await Promise.all([
    sitesOf(q, scope, once(rows.map((r) => r.stop.siteId))),
    tanksOf(q, scope, once(rows.map((r) => r.tankId))),
    seriesOf(q, scope, once(rows.map((r) => r.stop.seriesId))),
    firmHolidays(q, scope.businessId),
  ]);
  return [...groupBy(rows, (r) => r.stop.id).values()]
    .flatMap((of): BoardStop[] => {
      const [first] = of;
      const place = first && sites.get(first.stop.siteId);
      if (!place) return [];
      const served = of.flatMap(({ state, tankId }) => {
        const tankThere = tanks.get(tankId);
        return tankThere ? [{ state, ...tankThere }] : [];
      });
      return [boardStop(first.stop, place, all.get(first.stop.seriesId ?? "") ?? null, served, holidays)];
    })
    .sort((a, b) => byText(a.on, b.on) || byText(a.name, b.name) || byText(a.id, b.id));
}

async function sitesOf(q: Queries, scope: Scope, ids: readonly string[]): Promise<ReadonlyMap<string, BoardSite>> {
  const rows = await q
    .select({
      ...{ id: site.id, name: site.name, lat: site.lat, lon: site.lon, drain: site.drain },
      ...{ windows: site.windows, dates: site.dates, busy: site.busy, holidays: site.holidays },
      setUpMinutes: site.setUpMinutes,
    })
    .from(site)
    .where(and(eq(site.businessId, scope.businessId), inArray(site.id, [...ids])));
  return new Map(rows.map((r) => [r.id, r]));
}

async function tanksOf(q: Queries, scope: Scope, ids: readonly string[]): Promise<ReadonlyMap<string, BoardTank>> {
  const rows = await q
    .select({
      ...{ id: tank.id, kind: tank.kind, condition: tankStatus.condition, nextVisit: tankStatus.nextVisit },
      // All that is known of a tank is much to read for one hour of the day.
      lightsFrom: sql<number | null>`json_value(${tank.facts}, '$.lightsFrom')`.mapWith(Number),
    })
    .from(tank)
    .leftJoin(tankStatus, eq(tankStatus.tankId, tank.id))
    .where(and(eq(tank.businessId, scope.businessId), inArray(tank.id, [...ids])));
  return new Map(rows.map((r) => [r.id, r]));
}

/** When each series comes: its rhythm where one says it all, and the days between two visits. */
async function seriesOf(q: Queries, scope: Scope, ids: readonly string[]) {
  if (ids.length === 0) return new Map<string, SeriesThere>();
  const rows = await q
    .select()
    .from(series)
    .where(and(eq(series.businessId, scope.businessId), inArray(series.id, [...ids])));
  return new Map(
    rows.map((r): [string, SeriesThere] => {
      const recurrence = recurrenceOf(r);
      const plain = recurrence.spells.every((x) => x.rhythm === null);
      return [r.id, { rhythm: plain ? recurrence.rhythm : null, gapDays: usualGapDays(recurrence.rhythm) }];
    }),
  );
}

type SeriesThere = { readonly rhythm: BoardStop["rhythm"]; readonly gapDays: number | null };

type BoardSite = Pick<typeof site.$inferSelect, "name" | "lat" | "lon" | "drain" | "setUpMinutes"> & SiteHours;

interface BoardTank {
  readonly kind: string;
  readonly condition: ConditionState | null;
  readonly nextVisit: VisitNeeds | null;
  readonly lightsFrom: number | null;
}

/** When the lights of the first reef come on, minute of the day; null without any. */
export function lightsOn(tanks: readonly { readonly kind: string; readonly lightsFrom?: number | null | undefined }[]) {
  const minutes = tanks.flatMap((t) => (REEFS.includes(t.kind) && t.lightsFrom ? [t.lightsFrom * 60] : []));
  return minutes.length > 0 ? Math.min(...minutes) : null;
}

/** Kinds of tank whose animals open with the light. */
const REEFS: readonly string[] = ["stony-coral", "soft-coral"];

function boardStop(
  s: typeof stop.$inferSelect,
  place: BoardSite,
  of: SeriesThere | null,
  rows: readonly (BoardTank & { readonly state: (typeof visit.$inferSelect)["state"] })[],
  holidays: readonly string[],
): BoardStop {
  const needs = rows.map((r) => r.nextVisit ?? UNPLANNED);
  const sum = (pick: (n: VisitNeeds) => number) => needs.reduce((total, n) => total + pick(n), 0);
  const load = {
    mixL: sum((n) => n.load.mixL),
    seaL: sum((n) => n.load.seaL),
    purifiedL: sum((n) => n.load.purifiedL),
    wasteL: sum((n) => n.load.wasteL),
  };
  return {
    id: s.id,
    siteId: s.siteId,
    name: place.name,
    personId: s.personId,
    on: s.onDate,
    originalOn: s.originalOn,
    seriesId: s.seriesId,
    rhythm: of?.rhythm ?? null,
    gapDays: of?.gapDays ?? null,
    windows: siteOpenDays(place, holidays),
    lat: place.lat,
    lon: place.lon,
    minutes: Math.round(place.setUpMinutes + sum((n) => n.minutes)),
    load,
    condition: worstCondition(rows.map((r) => r.condition ?? "unknown")),
    lightsOn: lightsOn(rows),
    keptLast: needs.some((n) => n.keptLast),
    refillAfter: s.refillAfter,
    carriesSalt: place.drain !== "sewer" && load.wasteL > 0,
    needs: [...new Set(needs.flatMap((n) => n.knows))],
    begun: rows.some((r) => r.state === "open" || r.state === "closed"),
    locked: s.locked,
    setAside: s.off === "skipped" ? (s.offWhy ?? "") : null,
  };
}

/** Days of planned visits before and after the ones shown, by their series: what a visit keeps its distance from. */
async function besideStops(scope: Scope, from: string, to: string): Promise<Board["beside"]> {
  const [first, last] = besideOf(from, to);
  const rows = await db()
    .select({ seriesId: stop.seriesId, on: stop.onDate })
    .from(stop)
    .where(
      and(
        eq(stop.businessId, scope.businessId),
        isNotNull(stop.seriesId),
        isNull(stop.off),
        or(
          and(gte(stop.onDate, first), lte(stop.onDate, addDays(from, -1))),
          and(gte(stop.onDate, addDays(to, 1)), lte(stop.onDate, last)),
        ),
        inSight(scope),
      ),
    )
    .orderBy(asc(stop.onDate), asc(stop.id));
  return rows.flatMap(({ seriesId, on }) => (seriesId ? [{ seriesId, on }] : []));
}

/** Changes with every change of the round, whoever makes it, and with each that is undone. */
export async function roundVersion(scope: Pick<Scope, "businessId">): Promise<string> {
  const [[row], [away]] = await Promise.all([
    db()
      .select({ made: sql<number>`count(*)`, last: max(roundChange.at), undone: max(roundChange.undoneAt) })
      .from(roundChange)
      .where(eq(roundChange.businessId, scope.businessId)),
    db()
      .select({ all: sql<number>`count(*)`, last: max(personAway.id) })
      .from(personAway)
      .where(eq(personAway.businessId, scope.businessId)),
  ]);
  const parts = [row?.made, row?.last?.getTime(), row?.undone?.getTime(), away?.all, away?.last];
  return parts.map((p) => p ?? 0).join(".");
}
