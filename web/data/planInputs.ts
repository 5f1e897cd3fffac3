import { addDays, weekday } from "@keel-round/core/calendar";
import {
  DEFAULT_LIMITS,
  minutesForWater,
  type OpenFinding,
  type PlanInput,
  sourceOn,
  type WaterSource,
} from "@keel-round/core/given";
import { type Job, jobOf, type TankTask, taskLibrary } from "@keel-round/core/programme";
import { schooled, type TankBook, type TankKind } from "@keel-round/core/tank";
import type { Parameter } from "@keel-round/core/units";
import { and, desc, eq, gte, inArray, isNotNull, isNull, lt, ne, or, sql } from "drizzle-orm";
import { alias } from "drizzle-orm/mysql-core";
import { groupBy } from "./groupBy";
import { loadEvidence } from "./programme/evidence";
import { type FirmJobs, loadFirmJobs } from "./programme/firmJobs";
import { ratesOf } from "./rates";
import {
  animal,
  business,
  finding,
  levelLog,
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
} from "./schema";
import type { Queries } from "./transaction";

/** How far back readings and changes are fitted. */
const HISTORY_DAYS = 120;
/** Library weight of a tank's evaporation against logged levels. */
const EVAPORATION_WEIGHT = 2;
const LOGGED_STEPS = 12;
/** A van that carries so many kilograms of water carries this many litres of the heaviest. */
const SALT_KG_PER_L = 1.025;
/** Where the recurring stops are not laid out yet, the next visit is taken to be this far off. */
const FALLBACK_INTERVAL_DAYS = 7;

/** A visit to be planned. */
export interface VisitToPlan {
  readonly visitId: string;
  readonly tankId: string;
  readonly on: string;
}

/** The row of a source as the core knows it on a day. */
export function sourceOf(row: typeof source.$inferSelect, on: string): WaterSource {
  return sourceOn({ id: row.id, name: row.name, ...row.facts }, on);
}

/** The row of a tank as the core knows it, with the animals that live in it where the plan asks for them. */
export function bookOf(row: typeof tank.$inferSelect, animals: TankBook["animals"] = []): TankBook {
  return schooled({ id: row.id, name: row.name, kind: row.kind as TankKind, ...row.facts, animals } as TankBook);
}

/** Groups of animals of some tanks as the core knows them, by tank, the first named first. */
async function animalsOf(q: Queries, businessId: string, tankIds: readonly string[]) {
  const rows = await q
    .select({ tankId: animal.tankId, name: animal.name, count: animal.count, hazard: animal.hazard })
    .from(animal)
    .where(and(eq(animal.businessId, businessId), inArray(animal.tankId, [...tankIds]), isNull(animal.archivedAt)))
    .orderBy(animal.position, animal.name);
  return groupBy(rows, (r) => r.tankId);
}

/** Tasks of the programme as the core knows them. */
export function taskOf(row: typeof task.$inferSelect, firm: FirmJobs): TankTask {
  const job = firm.jobOf(row.code);
  // A tank that takes its own time for a job has its own copy of it.
  const own = row.minutes === null ? job : { ...(job ?? jobOf(row)), minutes: row.minutes };
  return {
    code: row.code,
    ...(own ? { job: own } : {}),
    ...(row.cadence ? { cadence: row.cadence } : {}),
    ...(row.performer ? { by: row.performer } : {}),
    ...(row.plannedOn ? { plannedOn: row.plannedOn } : {}),
    ...(row.pin ? { pin: row.pin } : {}),
    everyDays: row.everyDays,
    giveDays: row.giveDays,
    ...(row.earlyDays === null ? {} : { earlyDays: row.earlyDays }),
    lastDoneOn: row.lastDoneOn,
    ...(row.begun ? { begun: true } : {}),
    slips: row.slips,
    lastSector: row.lastSector,
    ...(row.lastSkipReason ? { lastSkipReason: row.lastSkipReason } : {}),
  };
}

/** A salinity as it would read with the evaporated water back; anything else as it was read. */
const atFullLevel =
  sql<number>`case when ${reading.parameter} = 'salinity' then ${reading.value} * ${reading.levelShare} else ${reading.value} end`.mapWith(
    Number,
  );

/**
 * Everything that the plans of some visits are made from, in a fixed number of queries however many visits. Each list has
 * one order, so that the same facts give the same input to the byte.
 *
 * What this visit itself logged is left out: it comes from the operation log, on the phone and here alike.
 */
export async function loadPlanInputs(
  q: Queries,
  businessId: string,
  visits: readonly VisitToPlan[],
): Promise<Map<string, PlanInput>> {
  if (visits.length === 0) return new Map();
  const tankIds = [...new Set(visits.map((v) => v.tankId))];
  const visitIds = visits.map((v) => v.visitId);
  const latest = visits.reduce((max, v) => (v.on > max ? v.on : max), visits[0]?.on ?? "");
  const since = addDays(
    visits.reduce((min, v) => (v.on < min ? v.on : min), latest),
    -HISTORY_DAYS,
  );
  const of = <T extends { businessId: never; tankId: never }>(t: T) =>
    and(eq(t.businessId, businessId as never), inArray(t.tankId, tankIds as never[]));
  const topUp = alias(source, "top_up");

  const [
    books,
    animals,
    tasks,
    readings,
    changes,
    findings,
    steps,
    levels,
    events,
    neighbours,
    vanRows,
    [firm],
    evidence,
    firmJobs,
    carriers,
  ] = await Promise.all([
    q
      .select({ tank, site, source, topUp })
      .from(tank)
      .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
      .innerJoin(source, and(eq(source.businessId, tank.businessId), eq(source.id, tank.sourceId)))
      .innerJoin(topUp, and(eq(topUp.businessId, tank.businessId), eq(topUp.id, tank.topUpSourceId)))
      .where(and(eq(tank.businessId, businessId), inArray(tank.id, tankIds))),
    animalsOf(q, businessId, tankIds),
    q
      .select()
      .from(task)
      .where(and(of(task as never), isNull(task.removedAt)))
      .orderBy(task.code),
    q
      .select({
        tankId: reading.tankId,
        visitId: reading.visitId,
        parameter: reading.parameter,
        value: atFullLevel,
        sigma: reading.sigma,
        onDate: reading.onDate,
        takenAt: reading.takenAt,
      })
      .from(reading)
      .where(and(of(reading as never), gte(reading.onDate, since)))
      .orderBy(reading.takenAt, reading.id),
    q
      .select({
        tankId: waterChange.tankId,
        visitId: waterChange.visitId,
        at: waterChange.at,
        onDate: waterChange.onDate,
        share: waterChange.share,
        chemistry: waterChange.chemistry,
      })
      .from(waterChange)
      .where(and(of(waterChange as never), gte(waterChange.onDate, since)))
      .orderBy(waterChange.at, waterChange.id),
    q
      .select()
      .from(finding)
      .where(and(of(finding as never), inArray(finding.state, ["open", "carried"])))
      .orderBy(finding.seenAt, finding.id),
    q
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
        and(of(stepLog as never), gte(stepLog.onDate, since), or(isNotNull(stepLog.minutes), isNotNull(stepLog.dirt))),
      )
      .orderBy(stepLog.onDate, stepLog.id),
    q
      .select()
      .from(levelLog)
      .where(and(of(levelLog as never), gte(levelLog.onDate, since), sql`${levelLog.days} is not null`))
      .orderBy(desc(levelLog.onDate), levelLog.id),
    q
      .select()
      .from(tankEvent)
      .where(and(of(tankEvent as never), eq(tankEvent.breaksRate, true), gte(tankEvent.onDate, since))),
    q
      .select({ tankId: visit.tankId, visitId: visit.id, onDate: visit.onDate, state: visit.state })
      .from(visit)
      .where(
        and(
          of(visit as never),
          gte(visit.onDate, addDays(since, 30)),
          ne(visit.state, "off"),
          or(ne(visit.state, "planned"), lt(visit.onDate, addDays(latest, 70))),
        ),
      )
      .orderBy(visit.onDate, visit.id),
    q
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
      .where(and(eq(visit.businessId, businessId), inArray(visit.id, visitIds))),
    q.select({ limits: business.limits, zone: business.zone }).from(business).where(eq(business.id, businessId)),
    loadEvidence(q, businessId, tankIds, since),
    loadFirmJobs(q, businessId),
    carriersOf(q, businessId, tankIds),
  ]);
  if (!firm) return new Map();

  const maps = {
    books: new Map(books.map((b) => [b.tank.id, b])),
    tasks: groupBy(tasks, (r) => r.tankId),
    readings: groupBy(readings, (r) => r.tankId),
    changes: groupBy(changes, (r) => r.tankId),
    findings: groupBy(findings, (r) => r.tankId),
    steps: groupBy(steps, (r) => r.tankId),
    levels: groupBy(levels, (r) => r.tankId),
    events: groupBy(events, (r) => r.tankId),
    neighbours: groupBy(neighbours, (r) => r.tankId),
  };
  const own = new Set(visitIds);
  const paces = new Map(vanRows.map((r) => [r.visitId, r.pace]));
  const vans = new Map(vanRows.map((r) => [r.visitId, r.vanKg / SALT_KG_PER_L]));
  const chosen = new Map(vanRows.flatMap((r) => (r.chosen ? [[r.visitId, r.chosen] as const] : [])));
  const chosenWaters = await watersOf(q, businessId, [...chosen.values()]);
  const sharing = new Map(vanRows.map((r) => [r.visitId, r.tanks]));

  const inputs = new Map<string, PlanInput>();
  for (const v of visits) {
    const row = maps.books.get(v.tankId);
    if (!row) continue;
    const earlier = <R extends { visitId: string | null; onDate: string }>(rows: R[] | undefined) =>
      (rows ?? []).filter((r) => r.onDate <= v.on && !(r.visitId && own.has(r.visitId) && r.visitId === v.visitId));
    const tankReadings = earlier(maps.readings.get(v.tankId));
    const tankChanges = earlier(maps.changes.get(v.tankId));
    const book = {
      ...bookOf(
        row.tank,
        (animals.get(v.tankId) ?? []).map(({ name, count, hazard }) => ({
          name,
          count,
          ...(hazard ? { hazard } : {}),
        })),
      ),
      evaporationLPerDay: evaporation(row.tank.facts.evaporationLPerDay, earlier(maps.levels.get(v.tankId))),
    };
    const dates = maps.neighbours.get(v.tankId) ?? [];
    const water = atSite(
      sourceOf(chosenWaters.get(chosen.get(v.visitId)?.sourceId ?? "") ?? row.source, v.on),
      row.site,
    );
    const input: PlanInput = {
      book,
      readings: tankReadings.map((r) => ({
        parameter: r.parameter as Parameter,
        value: r.value,
        sigma: r.sigma,
        on: r.onDate,
      })),
      rates: ratesOf(book, water, {
        readings: tankReadings,
        changes: tankChanges,
        events: maps.events.get(v.tankId) ?? [],
        on: v.on,
      }),
      tasks: (maps.tasks.get(v.tankId) ?? [])
        .filter((t) => (carriers.get(`${row.site.id} ${t.code}`) ?? v.tankId) === v.tankId)
        .map((t) => taskOf(t, firmJobs)),
      evidence: {
        ...evidence.of(v.tankId, v.on),
        dirt: earlier(maps.steps.get(v.tankId)).flatMap((s) =>
          s.dirt === null ? [] : [{ job: s.step, on: s.onDate, dirt: s.dirt }],
        ),
      },
      source: water,
      topUpSource: sourceOf(row.topUp, v.on),
      // A firm that set its limits before one of them was known has the usual one.
      limits: { ...DEFAULT_LIMITS, ...firm.limits },
      findings: (maps.findings.get(v.tankId) ?? []).filter((f) => f.visitId !== v.visitId).map(openFinding),
      on: v.on,
      nextVisitOn: dates.find((d) => d.onDate > v.on)?.onDate ?? addDays(v.on, FALLBACK_INTERVAL_DAYS),
      lastVisitOn: dates.findLast((d) => d.onDate < v.on && d.state === "closed")?.onDate ?? null,
      ...lastChange(book, row.source.facts.conditioner?.bindsAmmonia === true, tankChanges),
      belowMarkCm: null,
      ...(chosen.has(v.visitId) ? { chosen: chosen.get(v.visitId) ?? null } : {}),
      litresOnBoard: vans.get(v.visitId) ?? null,
      loggedMinutes: minutesByStep((maps.steps.get(v.tankId) ?? []).filter((s) => s.visitId !== v.visitId)),
      personFactor: paces.get(v.visitId) ?? 1,
      site: siteOf(row.site, underTreatment(book, v.on)),
    };
    const window = row.site.windows[String(weekday(v.on))];
    inputs.set(v.visitId, {
      ...input,
      minutesForWater: window
        ? minutesForWater(input, window.to - window.from, row.site.setUpMinutes, sharing.get(v.visitId) ?? 1)
        : null,
    });
  }
  return inputs;
}

/** Jobs of a site that one of its tanks carries. */
const ONCE = Object.entries(taskLibrary).flatMap(([code, job]: [string, Job]) => (job.onceAtSite ? [code] : []));

/** Which tank carries a site's own jobs, by site and code: the first that has it in its programme. */
async function carriersOf(q: Queries, businessId: string, tankIds: readonly string[]): Promise<Map<string, string>> {
  const asked = alias(tank, "asked");
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
            .select({ siteId: asked.siteId })
            .from(asked)
            .where(and(eq(asked.businessId, businessId), inArray(asked.id, [...tankIds]))),
        ),
      ),
    )
    .groupBy(tank.siteId, task.code);
  return new Map(rows.map((r) => [`${r.siteId} ${r.code}`, r.tankId]));
}

/** Half of the tank's own share or more is a change; less is a topping up. */
const A_CHANGE = 0.5;

/** When the tank was changed last, and when a conditioner that binds ammonia went in with that. */
function lastChange(
  book: TankBook,
  binds: boolean,
  changes: readonly { readonly onDate: string; readonly share: number }[],
): Pick<PlanInput, "lastChangeOn" | "boundOn"> {
  const last = changes.findLast((c) => c.share >= A_CHANGE * book.schools.share)?.onDate ?? null;
  return { lastChangeOn: last, boundOn: binds ? (changes.at(-1)?.onDate ?? null) : null };
}

/** The waters that somebody chose in the planner, by id. */
async function watersOf(
  q: Queries,
  businessId: string,
  chosen: readonly { readonly sourceId: string }[],
): Promise<Map<string, typeof source.$inferSelect>> {
  if (chosen.length === 0) return new Map();
  const ids = [...new Set(chosen.map((c) => c.sourceId))];
  const rows = await q
    .select()
    .from(source)
    .where(and(eq(source.businessId, businessId), inArray(source.id, ids)));
  return new Map(rows.map((r) => [r.id, r]));
}

/** Water as it comes at a site: a tap without hot water cannot be warmed. */
export const atSite = (water: WaterSource, row: Pick<typeof site.$inferSelect, "hotWater">): WaterSource =>
  (water.kind === "tap" || water.kind === "tap-minerals") && !row.hotWater ? { ...water, canWarm: false } : water;

/** What a plan needs to know of the site. */
function siteOf(row: typeof site.$inferSelect, hygieneLast: boolean): PlanInput["site"] {
  const { drain, bucketL, floors, pets, parking, stairs, drainDistanceM, drainDropM, tapDistanceM } = row;
  return {
    drain,
    bucketL,
    hygieneLast,
    ...(row.hotWater === null ? { askHotWater: true as const } : {}),
    ...(floors ? { floors } : {}),
    ...(pets ? { pets } : {}),
    ...(drainDistanceM === null ? {} : { drainDistanceM }),
    ...(drainDropM === null ? {} : { drainDropM }),
    ...(tapDistanceM === null ? {} : { tapDistanceM }),
    ...(stairs === null ? {} : { stairs }),
    ...(parking ? { parking } : {}),
  };
}

/** Whether a tank is being treated on a day: it is then visited last. */
export function underTreatment(book: Pick<TankBook, "treatment">, on: string): boolean {
  return book.treatment !== undefined && on <= book.treatment.followUpOn;
}

/** A row of the findings as the core knows it. */
export function openFinding(row: typeof finding.$inferSelect): OpenFinding {
  return { id: row.id, kind: row.kind, text: row.text, ...(row.dueOn ? { dueOn: row.dueOn } : {}) };
}

/** What steps took by anybody's usual pace: who is slow by nature does not make the work longer. */
function minutesByStep(
  rows: readonly { step: string; minutes: number | null; pace: number | null }[],
): Record<string, number[]> {
  const by: Record<string, number[]> = {};
  for (const { step, minutes, pace } of rows) {
    if (minutes === null) continue;
    const list = by[step] ?? [];
    list.push(minutes / (pace ?? 1));
    by[step] = list;
  }
  for (const [step, list] of Object.entries(by)) by[step] = list.slice(-LOGGED_STEPS);
  return by;
}

/** Litres a day: the book's figure with weight two, and each logged level. */
function evaporation(bookLPerDay: number, rows: readonly { missingL: number; days: number | null }[]): number {
  const logged = rows.slice(0, 6).flatMap((r) => (r.days && r.days > 0 ? [r.missingL / r.days] : []));
  return (EVAPORATION_WEIGHT * bookLPerDay + logged.reduce((a, b) => a + b, 0)) / (EVAPORATION_WEIGHT + logged.length);
}
