import { USUAL_VOICE } from "@keel-round/core/letter";
import type { AnimalNews, ClientPeriod, Ending, JobCount, Period, TankPeriod } from "@keel-round/core/report";
import { isSalt, systemVolumeL, type TankFacts } from "@keel-round/core/tank";
import { byText } from "@keel-round/core/text";
import type { Parameter } from "@keel-round/core/units";
import { wearOf, withMeter } from "@keel-round/core/upkeep";
import { and, asc, eq, gte, inArray, isNull, lte, sql } from "drizzle-orm";
import { db } from "../database/connection";
import { groupBy } from "../database/groupBy";
import { toldJobs } from "../library/toldJobs";
import { factsOf } from "../plan/asCore";
import { atFullLevel } from "../plan/rows";
import {
  animal,
  animalEvent,
  business,
  client,
  equipment,
  reading,
  saltBatch,
  site,
  stepLog,
  tank,
  visit,
  waterChange,
} from "../schema";

/** Equipment is told of where its life ends so soon after a period. */
const AHEAD_DAYS = { month: 120, quarter: 180, year: 365 } as const;

/** A period of a client, and how many of its visits were closed: without one there is nothing to report. */
export interface ClientFacts extends ClientPeriod {
  readonly clientId: string;
  readonly name: string;
  readonly visits: number;
  /** How they are written to: a BCP 47 tag. */
  readonly locale: string;
}

/**
 * What the log has of a client over a period.
 *
 * @param by Who signs.
 * @returns null for a client that is not of the firm.
 */
export async function clientFacts(
  businessId: string,
  clientId: string,
  period: Period,
  by: string,
): Promise<ClientFacts | null> {
  const q = db();
  const [head] = await q
    .select({ client, business })
    .from(client)
    .innerJoin(business, eq(business.id, client.businessId))
    .where(and(eq(client.businessId, businessId), eq(client.id, clientId)));
  if (!head) return null;
  const rows = await q
    .select({ tank, siteName: site.name })
    .from(tank)
    .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
    .where(and(eq(tank.businessId, businessId), eq(site.clientId, clientId), isNull(tank.archivedAt)))
    .orderBy(asc(site.name), asc(tank.name), asc(tank.id));
  const tanks = rows.map((r) => ({ id: r.tank.id, siteName: r.siteName, facts: factsOf(r.tank) }));
  const asked: Asked = { businessId, tankIds: tanks.map((t) => t.id), period };
  const names = new Map(tanks.map((t) => [t.id, t.facts.name]));
  const [logged, animals, endings, salt] =
    tanks.length === 0
      ? [() => NOTHING, [], [], { kg: 0, litres: 0 }]
      : await Promise.all([loggedIn(asked), animalNews(asked, names), endingsOf(asked, names), saltOf(asked)]);
  const voice = head.business.voice ?? USUAL_VOICE;
  const periods = tanks.map((t) => tankPeriod(t, logged(t.id)));
  return {
    ...{ clientId, name: head.client.name, locale: head.client.locale, period, signedBy: by, animals, endings, salt },
    ...{ business: head.business.name, phone: head.business.phone, colour: voice.colour },
    contact: head.client.contact,
    tanks: periods,
    visits: periods.reduce((n, t) => n + t.visits, 0),
  };
}

interface Asked {
  readonly businessId: string;
  readonly tankIds: readonly string[];
  readonly period: Period;
}

/** What was logged of one tank. */
interface Logged {
  readonly readings: readonly { readonly parameter: string; readonly on: string; readonly value: number }[];
  readonly visits: number;
  readonly changes: number;
  readonly changedL: number;
  readonly topUpL: number;
  readonly done: readonly JobCount[];
  readonly left: readonly JobCount[];
}
const NOTHING: Logged = { readings: [], visits: 0, changes: 0, changedL: 0, topUpL: 0, done: [], left: [] };

function tankPeriod(
  { facts, siteName }: { readonly facts: TankFacts; readonly siteName: string },
  { readings, ...logged }: Logged,
): TankPeriod {
  const by = groupBy(readings, (r) => r.parameter);
  return {
    ...{ name: facts.name, siteName, salt: isSalt(facts), systemL: systemVolumeL(facts), ...logged },
    series: facts.bands.map((band) => ({
      ...{ parameter: band.parameter, band },
      points: (by.get(band.parameter) ?? []).map(({ on, value }) => ({ on, value })),
    })),
  };
}

/** Everything that was logged of some tanks in a period, by the tank. */
async function loggedIn(asked: Asked): Promise<(tankId: string) => Logged> {
  const [readings, visits, changes, jobs] = await Promise.all([
    readingsOf(asked),
    visitsOf(asked),
    changesOf(asked),
    jobsOf(asked),
  ]);
  const read = groupBy(readings, (r) => r.tankId);
  const [came, changed] = [new Map(visits.map((v) => [v.tankId, v.n])), new Map(changes.map((c) => [c.tankId, c]))];
  return (id) => {
    const water = changed.get(id);
    const outcome = (of: "done" | "skipped") =>
      jobs.flatMap((j) =>
        j.tankId === id && j.outcome === of ? [{ name: j.name, told: j.told, times: j.n, reason: j.reason }] : [],
      );
    return {
      readings: (read.get(id) ?? []) as Logged["readings"],
      visits: came.get(id) ?? 0,
      ...{ changes: water?.n ?? 0, changedL: water?.outL ?? 0, topUpL: water?.topUpL ?? 0 },
      ...{ done: outcome("done"), left: outcome("skipped") },
    };
  };
}

type Dated = typeof reading | typeof visit | typeof waterChange | typeof stepLog;
const inPeriod = ({ businessId, tankIds, period }: Asked, t: Dated) =>
  and(
    ...[eq(t.businessId, businessId), inArray(t.tankId, [...tankIds])],
    ...[gte(t.onDate, period.fromOn), lte(t.onDate, period.untilOn)],
  );

const readingsOf = (asked: Asked) =>
  db()
    .select({ tankId: reading.tankId, parameter: reading.parameter, on: reading.onDate, value: atFullLevel })
    .from(reading)
    // A filter's own flow is none of the tank's figures.
    .where(and(inPeriod(asked, reading), isNull(reading.item)))
    .orderBy(asc(reading.takenAt), asc(reading.id));

const visitsOf = (asked: Asked) =>
  db()
    .select({ tankId: visit.tankId, n: sql<number>`count(*)`.mapWith(Number) })
    .from(visit)
    .where(and(inPeriod(asked, visit), eq(visit.state, "closed")))
    .groupBy(visit.tankId);

const changesOf = (asked: Asked) =>
  db()
    .select({
      tankId: waterChange.tankId,
      n: sql<number>`sum(${waterChange.outL} > 0)`.mapWith(Number),
      outL: sql<number>`sum(${waterChange.outL})`.mapWith(Number),
      topUpL: sql<number>`sum(coalesce(${waterChange.topUpL}, 0))`.mapWith(Number),
    })
    .from(waterChange)
    .where(inPeriod(asked, waterChange))
    .groupBy(waterChange.tankId);

/** Jobs by tank, name and what became of them; steps that are no jobs are not told, and tests stand among the readings. */
async function jobsOf(asked: Asked) {
  const [rows, jobOf] = await Promise.all([
    db()
      .select({
        ...{ tankId: stepLog.tankId, step: stepLog.step, outcome: stepLog.outcome },
        n: sql<number>`count(*)`.mapWith(Number),
        reason: sql<string>`coalesce(max(${stepLog.reason}), '')`,
      })
      .from(stepLog)
      .where(and(inPeriod(asked, stepLog), inArray(stepLog.outcome, ["done", "skipped"])))
      .groupBy(stepLog.tankId, stepLog.step, stepLog.outcome),
    toldJobs(asked.businessId),
  ]);
  return rows
    .flatMap(({ step, ...r }) => {
      const job = jobOf(step);
      return job && !job.isTest ? [{ ...r, name: job.name, told: job.told }] : [];
    })
    .sort((a, b) => byText(a.name, b.name));
}

async function animalNews({ businessId, tankIds, period }: Asked, names: ReadonlyMap<string, string>) {
  const rows = await db()
    .select({ event: animalEvent, name: animal.name, tankId: animal.tankId })
    .from(animalEvent)
    .innerJoin(animal, and(eq(animal.businessId, animalEvent.businessId), eq(animal.id, animalEvent.animalId)))
    .where(
      and(
        ...[eq(animalEvent.businessId, businessId), inArray(animal.tankId, [...tankIds])],
        ...[gte(animalEvent.onDate, period.fromOn), lte(animalEvent.onDate, period.untilOn)],
        inArray(animalEvent.kind, ["lost", "born", "moved-out"]),
      ),
    )
    .orderBy(asc(animalEvent.onDate), asc(animalEvent.at), asc(animalEvent.id));
  return rows.map(({ event: { kind, number, onDate, cause, remedy }, name, tankId }) => ({
    ...{ kind: kind as AnimalNews["kind"], number, on: onDate, cause, remedy, name },
    tank: names.get(tankId) ?? "",
  }));
}

/** Equipment whose life ends soon after the period, or should have ended. */
async function endingsOf(
  { businessId, tankIds, period }: Asked,
  names: ReadonlyMap<string, string>,
): Promise<Ending[]> {
  const [pieces, hours] = await Promise.all([
    db()
      .select()
      .from(equipment)
      .where(
        and(
          ...[eq(equipment.businessId, businessId), inArray(equipment.tankId, [...tankIds])],
          isNull(equipment.archivedAt),
        ),
      )
      .orderBy(asc(equipment.name), asc(equipment.id)),
    db()
      .select({ tankId: reading.tankId, item: reading.item, value: reading.value, on: reading.onDate })
      .from(reading)
      .where(
        and(
          ...[eq(reading.businessId, businessId), inArray(reading.tankId, [...tankIds])],
          ...[eq(reading.parameter, "hours" satisfies Parameter), lte(reading.onDate, period.untilOn)],
        ),
      )
      .orderBy(asc(reading.takenAt), asc(reading.id)),
  ]);
  const horizon = AHEAD_DAYS[period.kind];
  return pieces.flatMap((p) => {
    const piece = withMeter(
      p,
      hours.filter((h) => h.tankId === p.tankId),
      period.untilOn,
    );
    const { replaceDueOn } = wearOf(piece, period.untilOn);
    const days = replaceDueOn ? (Date.parse(replaceDueOn) - Date.parse(period.untilOn)) / 86_400_000 : null;
    return replaceDueOn && days !== null && days <= horizon
      ? [{ name: p.name, tank: names.get(p.tankId) ?? "", replaceOn: replaceDueOn }]
      : [];
  });
}

/** Salt that was weighed at visits. */
async function saltOf({ businessId, tankIds, period }: Asked) {
  const [row] = await db()
    .select({
      grams: sql<number>`coalesce(sum(${saltBatch.grams}), 0)`.mapWith(Number),
      litres: sql<number>`coalesce(sum(${saltBatch.litres}), 0)`.mapWith(Number),
    })
    .from(saltBatch)
    .innerJoin(visit, and(eq(visit.businessId, saltBatch.businessId), eq(visit.id, saltBatch.visitId)))
    .where(
      and(
        ...[eq(saltBatch.businessId, businessId), inArray(visit.tankId, [...tankIds])],
        ...[gte(visit.onDate, period.fromOn), lte(visit.onDate, period.untilOn)],
      ),
    );
  return { kg: (row?.grams ?? 0) / 1000, litres: row?.litres ?? 0 };
}
