import { addDays } from "@keel-round/core/calendar";
import { type Job, taskLibrary } from "@keel-round/core/programme";
import { and, desc, eq, gte, inArray, isNotNull, isNull, lt, ne, or, sql } from "drizzle-orm";
import { alias } from "drizzle-orm/mysql-core";
import { groupBy } from "../database/groupBy";
import type { Queries } from "../database/transaction";
import { loadEvidence } from "../library/evidence";
import { loadFirmJobs } from "../library/firmJobs";
import {
  animal,
  business,
  finding,
  levelLog,
  ownerDay,
  person,
  reading,
  site,
  source,
  stepLog,
  stop,
  tank,
  tankEvent,
  task,
  visit,
  waterChange,
} from "../schema";
import { dosesByHand, dosingOf, firmProducts, firmRemedies } from "./doses";
import { firmKits } from "./kits";
import { collectedSince } from "./seaLots";

/** A visit to be planned. */
export interface VisitToPlan {
  readonly visitId: string;
  readonly tankId: string;
  readonly on: string;
}

/** How far back readings and changes are fitted. */
const HISTORY_DAYS = 120;
/** Visits are looked for so far back and ahead. */
/** Sea water that was collected earlier is too old for any visit. */
const SEA_DAYS = 60;
const VISITS_BACK_DAYS = 90;
const VISITS_AHEAD_DAYS = 70;

/** Which rows are read: of some tanks, since a day. */
interface Asked {
  readonly q: Queries;
  readonly businessId: string;
  readonly tankIds: string[];
  readonly visitIds: string[];
  readonly since: string;
  readonly latest: string;
}

/** Everything that the plans of some visits are made from, as it is kept. */
export type PlanRows = NonNullable<Awaited<ReturnType<typeof readPlanRows>>>;

/**
 * Reads it in a fixed number of queries however many visits. Each list has one order, so that the same facts give the same
 * input to the byte.
 *
 * @returns null where the firm is gone.
 */
export async function readPlanRows(q: Queries, businessId: string, visits: readonly VisitToPlan[]) {
  const days = visits.map((v) => v.on).sort();
  const asked: Asked = {
    q,
    businessId,
    tankIds: [...new Set(visits.map((v) => v.tankId))],
    visitIds: visits.map((v) => v.visitId),
    since: addDays(days[0] ?? "", -HISTORY_DAYS),
    latest: days.at(-1) ?? "",
  };
  const [
    tanks,
    animals,
    tasks,
    readings,
    changes,
    findings,
    steps,
    levels,
    topUps,
    events,
    neighbours,
    vans,
    [firm],
    evidence,
    firmJobs,
    carriers,
    dosing,
    byHand,
    products,
    remedies,
    kits,
  ] = await Promise.all([
    tanksOf(asked),
    animalsOf(asked),
    tasksOf(asked),
    readingsOf(asked),
    changesOf(asked),
    findingsOf(asked),
    stepsOf(asked),
    levelsOf(asked),
    topUpsOf(asked),
    eventsOf(asked),
    neighboursOf(asked),
    vansOf(asked),
    q
      .select({ limits: business.limits, holidays: business.holidays, zone: business.zone })
      .from(business)
      .where(eq(business.id, businessId)),
    loadEvidence(q, businessId, asked.tankIds, asked.since),
    loadFirmJobs(q, businessId),
    carriersOf(asked),
    dosingOf(q, businessId, asked.tankIds, asked.since),
    dosesByHand(q, businessId, asked.tankIds, asked.since),
    firmProducts(q, businessId),
    firmRemedies(q, businessId),
    firmKits(q, businessId),
  ]);
  if (!firm) return null;
  const ofVisit = new Map(vans.map((r) => [r.visitId, r]));
  const chosenWaters = await watersOf(
    asked,
    vans.flatMap((r) => (r.chosen ? [r.chosen.sourceId] : [])),
  );
  const chosen = [...chosenWaters.values()];
  return {
    tanks: new Map(tanks.map((b) => [b.tank.id, b])),
    animals: byTank(animals),
    tasks: byTank(tasks),
    readings: byTank(readings),
    changes: byTank(changes),
    findings: byTank(findings),
    steps: byTank(steps),
    levels: byTank(levels),
    topUps: byTank(topUps),
    events: byTank(events),
    dosing,
    byHand: byTank(byHand),
    products,
    remedies,
    kits,
    neighbours: byTank(neighbours),
    ofVisit,
    chosenWaters,
    limits: firm.limits,
    zone: firm.zone,
    holidays: firm.holidays.map((h) => h.on),
    seaLots: await collectedSince(
      q,
      businessId,
      addDays(days[0] ?? "", -SEA_DAYS),
      [...tanks.map((t) => t.source), ...chosen].flatMap((w) => (w.facts.kind === "natural-sea" ? [w.id] : [])),
    ),
    evidence,
    firmJobs,
    carriers,
  };
}

const byTank = <R extends { readonly tankId: string }>(rows: readonly R[]) => groupBy(rows, (r) => r.tankId);

/** The rows of a table that are of the asked tanks. */
const of = (
  { businessId, tankIds }: Asked,
  t:
    | typeof task
    | typeof reading
    | typeof waterChange
    | typeof finding
    | typeof stepLog
    | typeof levelLog
    | typeof ownerDay
    | typeof tankEvent
    | typeof visit
    | typeof animal,
) => and(eq(t.businessId, businessId), inArray(t.tankId, tankIds));

/** The tanks, each with its site and its waters. */
function tanksOf(asked: Asked) {
  const topUp = alias(source, "top_up");
  return asked.q
    .select({ tank, site, source, topUp })
    .from(tank)
    .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
    .innerJoin(source, and(eq(source.businessId, tank.businessId), eq(source.id, tank.sourceId)))
    .innerJoin(topUp, and(eq(topUp.businessId, tank.businessId), eq(topUp.id, tank.topUpSourceId)))
    .where(and(eq(tank.businessId, asked.businessId), inArray(tank.id, asked.tankIds)));
}

/** Groups of animals, the first named first. */
function animalsOf(asked: Asked) {
  return asked.q
    .select({ id: animal.id, tankId: animal.tankId, name: animal.name, count: animal.count, hazard: animal.hazard })
    .from(animal)
    .where(and(of(asked, animal), isNull(animal.archivedAt)))
    .orderBy(animal.position, animal.name);
}

/** Their programmes. */
function tasksOf(asked: Asked) {
  return asked.q
    .select()
    .from(task)
    .where(and(of(asked, task), isNull(task.removedAt)))
    .orderBy(task.code);
}

/** Readings, the earlier first. */
function readingsOf(asked: Asked) {
  return asked.q
    .select({
      tankId: reading.tankId,
      visitId: reading.visitId,
      parameter: reading.parameter,
      value: atFullLevel,
      sigma: reading.sigma,
      kitId: reading.kitId,
      item: reading.item,
      onDate: reading.onDate,
      takenAt: reading.takenAt,
    })
    .from(reading)
    .where(and(of(asked, reading), gte(reading.onDate, asked.since)))
    .orderBy(reading.takenAt, reading.id);
}

/** Changes of water, the earlier first. */
function changesOf(asked: Asked) {
  return asked.q
    .select({
      tankId: waterChange.tankId,
      visitId: waterChange.visitId,
      at: waterChange.at,
      onDate: waterChange.onDate,
      share: waterChange.share,
      chemistry: waterChange.chemistry,
    })
    .from(waterChange)
    .where(and(of(asked, waterChange), gte(waterChange.onDate, asked.since)))
    .orderBy(waterChange.at, waterChange.id);
}

/** What was noticed and is not settled. */
function findingsOf(asked: Asked) {
  return asked.q
    .select()
    .from(finding)
    .where(and(of(asked, finding), inArray(finding.state, ["open", "carried"])))
    .orderBy(finding.seenAt, finding.id);
}

/** What steps took, how dirty jobs were found, and whose pace that was. */
function stepsOf(asked: Asked) {
  return asked.q
    .select({
      tankId: stepLog.tankId,
      visitId: stepLog.visitId,
      step: stepLog.step,
      onDate: stepLog.onDate,
      minutes: stepLog.minutes,
      dirt: stepLog.dirt,
      pace: person.pace,
    })
    .from(stepLog)
    .leftJoin(visit, and(eq(visit.businessId, stepLog.businessId), eq(visit.id, stepLog.visitId)))
    .leftJoin(stop, and(eq(stop.businessId, visit.businessId), eq(stop.id, visit.stopId)))
    .leftJoin(person, and(eq(person.businessId, stop.businessId), eq(person.id, stop.personId)))
    .where(
      and(
        of(asked, stepLog),
        gte(stepLog.onDate, asked.since),
        or(isNotNull(stepLog.minutes), isNotNull(stepLog.dirt)),
      ),
    )
    .orderBy(stepLog.onDate, stepLog.id);
}

/** Levels that tell what evaporated, the latest first. */
function levelsOf(asked: Asked) {
  return asked.q
    .select()
    .from(levelLog)
    .where(and(of(asked, levelLog), gte(levelLog.onDate, asked.since), sql`${levelLog.days} is not null`))
    .orderBy(desc(levelLog.onDate), levelLog.id);
}

/** What owners poured in by themselves. */
function topUpsOf(asked: Asked) {
  return asked.q
    .select({ tankId: ownerDay.tankId, on: ownerDay.onDate, litres: ownerDay.topUpL })
    .from(ownerDay)
    .where(and(of(asked, ownerDay), gte(ownerDay.onDate, asked.since), isNotNull(ownerDay.topUpL)));
}

/** Events that a build-up does not go on through. */
function eventsOf(asked: Asked) {
  return asked.q
    .select()
    .from(tankEvent)
    .where(and(of(asked, tankEvent), eq(tankEvent.breaksRate, true), gte(tankEvent.onDate, asked.since)));
}

/** Visits before and after. */
function neighboursOf(asked: Asked) {
  return asked.q
    .select({ tankId: visit.tankId, visitId: visit.id, onDate: visit.onDate, state: visit.state })
    .from(visit)
    .where(
      and(
        of(asked, visit),
        gte(visit.onDate, addDays(asked.since, HISTORY_DAYS - VISITS_BACK_DAYS)),
        ne(visit.state, "off"),
        or(ne(visit.state, "planned"), lt(visit.onDate, addDays(asked.latest, VISITS_AHEAD_DAYS))),
      ),
    )
    .orderBy(visit.onDate, visit.id);
}

/** Whose van and pace each visit has, and how many tanks share the stop. */
function vansOf(asked: Asked) {
  return asked.q
    .select({
      visitId: visit.id,
      vanKg: person.vanKg,
      pace: person.pace,
      chosen: visit.chosen,
      tanks:
        sql<number>`(select count(*) from ${visit} as other where other.stop_id = ${visit.stopId} and other.state <> 'off')`.mapWith(
          Number,
        ),
    })
    .from(visit)
    .innerJoin(stop, and(eq(stop.businessId, visit.businessId), eq(stop.id, visit.stopId)))
    .innerJoin(person, and(eq(person.businessId, stop.businessId), eq(person.id, stop.personId)))
    .where(and(eq(visit.businessId, asked.businessId), inArray(visit.id, asked.visitIds)));
}

/** A salinity as it would read with the evaporated water back; anything else as it was read. */
export const atFullLevel =
  sql<number>`case when ${reading.parameter} = 'salinity' then ${reading.value} * ${reading.levelShare} else ${reading.value} end`.mapWith(
    Number,
  );

/** Jobs of a site that one of its tanks carries. */
const ONCE = Object.entries(taskLibrary).flatMap(([code, job]: [string, Job]) => (job.onceAtSite ? [code] : []));

/** Which tank carries a site's own jobs, by site and code: the first that has it in its programme. */
async function carriersOf({ q, businessId, tankIds }: Asked): Promise<Map<string, string>> {
  const named = alias(tank, "asked");
  const rows = await q
    .select({ siteId: tank.siteId, code: task.code, tankId: sql<string>`min(${tank.id})` })
    .from(task)
    .innerJoin(tank, and(eq(tank.businessId, task.businessId), eq(tank.id, task.tankId), isNull(tank.archivedAt)))
    .where(
      and(
        eq(task.businessId, businessId),
        inArray(task.code, ONCE),
        isNull(task.removedAt),
        inArray(
          tank.siteId,
          q
            .select({ siteId: named.siteId })
            .from(named)
            .where(and(eq(named.businessId, businessId), inArray(named.id, tankIds))),
        ),
      ),
    )
    .groupBy(tank.siteId, task.code);
  return new Map(rows.map((r) => [`${r.siteId} ${r.code}`, r.tankId]));
}

/** The waters that somebody chose in the planner, by id. */
async function watersOf(
  { q, businessId }: Asked,
  sourceIds: readonly string[],
): Promise<Map<string, typeof source.$inferSelect>> {
  if (sourceIds.length === 0) return new Map();
  const rows = await q
    .select()
    .from(source)
    .where(and(eq(source.businessId, businessId), inArray(source.id, [...new Set(sourceIds)])));
  return new Map(rows.map((r) => [r.id, r]));
}
