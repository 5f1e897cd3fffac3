import {
  type ClientYear,
  type FirmPeriod,
  type MonthOf,
  PERIOD_KINDS,
  type Period,
  periodName,
  periodsBefore,
} from "@keel-round/core/report";
import { METRIC, type Parameter, type UnitPreference } from "@keel-round/core/units";
import { and, asc, desc, eq, isNull, sql } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { enqueue } from "../database/enqueue";
import { newId } from "../database/ids";
import { inTransaction } from "../database/transaction";
import { client, person, reportRun } from "../schema";
import { type ClientFacts, clientFacts } from "./facts";

type Run = typeof reportRun.$inferSelect;

export const AskReportsSchema = z.object({
  kind: z.enum(PERIOD_KINDS, "Choose how long."),
  fromOn: z.iso.date("Choose a period."),
});

/** So many periods back are offered. */
const OFFERED = { month: 12, quarter: 6, year: 3 } as const;

/** The periods that may be reported: they are over. */
export const periodsOffered = (today: string): Period[] =>
  PERIOD_KINDS.flatMap((kind) => periodsBefore(kind, today, OFFERED[kind]));

/** Asks for the reports of a period: of every client, or of a year the firm's own. */
export async function askReports(
  scope: Scope,
  { kind, fromOn }: z.infer<typeof AskReportsSchema>,
  { now, today }: When,
): Promise<{ runId: string }> {
  if (scope.role !== "office") throw notFound("page");
  const period = periodsOffered(today).find((p) => p.kind === kind && p.fromOn === fromOn);
  if (!period)
    throw new Refused(422, "invalid", "Choose a period that is over.", { fromOn: ["Choose a period that is over."] });
  return inTransaction(async (tx) => {
    const [making] = await tx
      .select({ id: reportRun.id })
      .from(reportRun)
      .where(and(eq(reportRun.businessId, scope.businessId), eq(reportRun.state, "making")))
      .limit(1)
      .for("update");
    if (making) throw new Refused(409, "making", "Reports are being made: wait for them, or stop them first.");
    const runId = newId();
    const { fromOn: from, untilOn } = period;
    await tx.insert(reportRun).values({
      ...{ id: runId, businessId: scope.businessId, personId: scope.personId, state: "making", at: now },
      ...{ kind, fromOn: from, untilOn },
    });
    await enqueue(tx, scope.businessId, "report", { runId });
    return { runId };
  });
}

/** Asks what makes reports to stop: those that are made stay. */
export async function cancelReports(scope: Scope, runId: string): Promise<void> {
  if (scope.role !== "office") throw notFound("reports");
  const [done] = await db()
    .update(reportRun)
    .set({ cancelAsked: true })
    .where(and(mine(scope.businessId, runId), eq(reportRun.state, "making")));
  if (done.affectedRows === 1) return;
  await loadRun(scope, runId);
  throw new Refused(409, "over", "They are over already.");
}

const mine = (businessId: string, runId: string) => and(eq(reportRun.businessId, businessId), eq(reportRun.id, runId));

const TOLD = {
  ...{ id: reportRun.id, kind: reportRun.kind, fromOn: reportRun.fromOn, untilOn: reportRun.untilOn },
  ...{ state: reportRun.state, total: reportRun.total, gone: reportRun.gone, made: reportRun.made },
  ...{ cancelAsked: reportRun.cancelAsked, error: reportRun.error, at: reportRun.at },
} as const;

/** Reports that somebody asked for, without their pages. */
export type ToldRun = Pick<Run, keyof typeof TOLD> & { readonly name: string; readonly by: string };

/** The last reports that were asked for. */
export async function listRuns(scope: Scope): Promise<ToldRun[]> {
  if (scope.role !== "office") throw notFound("page");
  const rows = await db()
    .select({ ...TOLD, by: person.name })
    .from(reportRun)
    .innerJoin(person, and(eq(person.businessId, reportRun.businessId), eq(person.id, reportRun.personId)))
    .where(eq(reportRun.businessId, scope.businessId))
    .orderBy(desc(reportRun.at), desc(reportRun.id))
    .limit(12);
  return rows.map((r) => ({ ...r, name: periodName(r) }));
}

/** How far reports are. */
export async function loadRun(scope: Scope, runId: string): Promise<ToldRun> {
  if (scope.role !== "office") throw notFound("reports");
  const [row] = await db()
    .select({ ...TOLD, by: person.name })
    .from(reportRun)
    .innerJoin(person, and(eq(person.businessId, reportRun.businessId), eq(person.id, reportRun.personId)))
    .where(mine(scope.businessId, runId));
  if (!row) throw notFound("reports");
  return { ...row, name: periodName(row) };
}

/** The firm's own report of a year; null while it is made. */
export async function firmReport(
  scope: Scope,
  runId: string,
): Promise<{ html: string; pdf: Buffer; name: string } | null> {
  if (scope.role !== "office") throw notFound("report");
  const [row] = await db().select().from(reportRun).where(mine(scope.businessId, runId));
  if (row?.kind !== "year") throw notFound("report");
  return row.html && row.pdf ? { html: row.html, pdf: row.pdf, name: periodName(row) } : null;
}

/** What makes reports does with the facts it is given. */
export interface Making {
  /** Makes and keeps a client's report; false where the one that is there reads the same. */
  readonly client: (facts: ClientFacts) => Promise<boolean>;
  /** Makes the firm's year in the units of who asked for it. */
  readonly firm: (facts: FirmPeriod, units: UnitPreference) => Promise<{ html: string; pdf: Buffer }>;
}

/**
 * Makes the reports of a run, client by client: nothing is kept but the sums of those that were gone through. What was made
 * before a fault stays, and reads the same the second time.
 */
export async function makeReports(businessId: string, runId: string, making: Making): Promise<void> {
  const [run] = await db()
    .select({ run: reportRun, by: person.name, units: person.units })
    .from(reportRun)
    .innerJoin(person, and(eq(person.businessId, reportRun.businessId), eq(person.id, reportRun.personId)))
    .where(mine(businessId, runId));
  if (run?.run.state !== "making") return;
  const clients = await db()
    .select({ id: client.id })
    .from(client)
    .where(and(eq(client.businessId, businessId), isNull(client.archivedAt)))
    .orderBy(asc(client.name), asc(client.id));
  const tell = (set: Partial<Run>) => db().update(reportRun).set(set).where(mine(businessId, runId));
  await tell({ total: clients.length, gone: 0, made: 0 });
  const year = run.run.kind === "year" ? new FirmSums() : null;
  let made = 0;
  for (const [i, { id }] of clients.entries()) {
    if (await isCancelled(businessId, runId)) {
      await tell({ state: "cancelled", doneAt: sql`utc_timestamp(3)` as never });
      return;
    }
    const facts = await clientFacts(businessId, id, run.run, run.by);
    if (facts) year?.add(facts);
    if (!year && facts && facts.visits > 0 && (await making.client(facts))) made += 1;
    await tell({ gone: i + 1, made });
  }
  const firm = year?.of(run.run);
  const kept = firm ? { ...(await making.firm(firm, { ...METRIC, ...run.units })), made: 1 } : {};
  await tell({ ...kept, state: "done", error: null, doneAt: sql`utc_timestamp(3)` as never });
}

async function isCancelled(businessId: string, runId: string): Promise<boolean> {
  const [row] = await db().select({ asked: reportRun.cancelAsked }).from(reportRun).where(mine(businessId, runId));
  return row?.asked ?? true;
}

/** A firm's year, added up client by client: of readings the counts are kept alone. */
class FirmSums {
  private readonly clients: ClientYear[] = [];
  private readonly months = new Map<string, { readings: number; right: number; parameter: Parameter; month: string }>();
  private readonly all: Omit<FirmPeriod, "clients" | "months">[] = [];

  add(facts: ClientFacts): void {
    let [readings, right] = [0, 0];
    for (const { parameter, band, points } of facts.tanks.flatMap((t) => t.series))
      for (const { on, value } of points) {
        const isRight = value >= band.idealLow && value <= band.idealHigh ? 1 : 0;
        const key = `${parameter} ${on.slice(0, 7)}`;
        const month = this.months.get(key) ?? { parameter, month: on.slice(0, 7), readings: 0, right: 0 };
        this.months.set(key, { ...month, readings: month.readings + 1, right: month.right + isRight });
        readings += 1;
        right += isRight;
      }
    const lost = facts.animals.filter((a) => a.kind === "lost").reduce((n, a) => n + a.number, 0);
    const changedL = facts.tanks.reduce((n, t) => n + t.changedL, 0);
    this.clients.push({
      ...{ name: facts.name, tanks: facts.tanks.length, visits: facts.visits, changedL, readings, right, lost },
    });
    const { business, colour, signedBy, period, animals, endings, salt } = facts;
    const place = (tank: string) => `${facts.name}, ${tank}`;
    this.all.push({
      ...{ business, colour, signedBy, period, salt },
      // Points are counted already.
      tanks: facts.tanks.map((t) => ({ ...t, series: [] })),
      animals: animals.map((a) => ({ ...a, tank: place(a.tank) })),
      endings: endings.map((e) => ({ ...e, tank: place(e.tank) })),
    });
  }

  /** The firm's year; null of a firm without clients. */
  of(period: Period): FirmPeriod | null {
    const first = this.all[0];
    if (!first) return null;
    const months: MonthOf[] = [...this.months.values()];
    return {
      ...{ business: first.business, colour: first.colour, signedBy: first.signedBy, period, months },
      clients: this.clients,
      tanks: this.all.flatMap((f) => f.tanks),
      animals: this.all.flatMap((f) => f.animals),
      endings: this.all.flatMap((f) => f.endings),
      salt: {
        kg: this.all.reduce((n, f) => n + f.salt.kg, 0),
        litres: this.all.reduce((n, f) => n + f.salt.litres, 0),
      },
    };
  }
}
