import type { PlanInput } from "@keel-round/core/given";
import { planVisit, type SaidPlan, sayPlan } from "@keel-round/core/visit";
import { and, asc, desc, eq, gte, inArray, isNull, min, sql } from "drizzle-orm";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import { clientsInSight, inSight } from "../access/sight";
import { db } from "../database/connection";
import { loadPlanInputs } from "../plan/planInputs";
import {
  client,
  operation,
  reading,
  site,
  stop,
  tank,
  tankEvent,
  tankStatus,
  task,
  visit,
  waterChange,
} from "../schema";

/** One line of the tank list. */
export interface TankRow {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly siteName: string;
  readonly address: string;
  readonly clientName: string;
  readonly status: Pick<typeof tankStatus.$inferSelect, "condition" | "why" | "dots" | "systemL"> | null;
  readonly nextOn: string | null;
  readonly personId: string | null;
}

/** All tanks of the scope with their status and next visit. Reads one row a tank and plans nothing. */
export async function listTanks(scope: Scope, today: string): Promise<TankRow[]> {
  const q = db();
  const clients = await clientsInSight(scope);
  const next = q
    .select({ tankId: visit.tankId, on: min(visit.onDate).as("next_on") })
    .from(visit)
    .where(
      and(eq(visit.businessId, scope.businessId), gte(visit.onDate, today), inArray(visit.state, ["planned", "open"])),
    )
    .groupBy(visit.tankId)
    .as("next");
  const rows = await q
    .select({
      id: tank.id,
      name: tank.name,
      kind: tank.kind,
      siteName: site.name,
      siteId: site.id,
      address: site.address,
      clientName: client.name,
      status: {
        condition: tankStatus.condition,
        why: tankStatus.why,
        dots: tankStatus.dots,
        systemL: tankStatus.systemL,
      },
      nextOn: next.on,
    })
    .from(tank)
    .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
    .innerJoin(client, and(eq(client.businessId, site.businessId), eq(client.id, site.clientId)))
    .leftJoin(tankStatus, eq(tankStatus.tankId, tank.id))
    .leftJoin(next, eq(next.tankId, tank.id))
    .where(and(eq(tank.businessId, scope.businessId), isNull(tank.archivedAt), inSight(site.clientId, clients)))
    .orderBy(asc(site.name), asc(tank.name));
  const drivers = await q
    .selectDistinct({ siteId: stop.siteId, personId: stop.personId })
    .from(stop)
    .where(and(eq(stop.businessId, scope.businessId), gte(stop.onDate, today), isNull(stop.off)));
  const driverOf = new Map(drivers.map((d) => [d.siteId, d.personId]));
  return rows.map(({ siteId, ...r }) => ({ ...r, nextOn: r.nextOn, personId: driverOf.get(siteId) ?? null }));
}

/** A tank as its sheet shows it. */
export interface TankSheet {
  readonly row: typeof tank.$inferSelect;
  readonly site: typeof site.$inferSelect;
  readonly clientName: string;
  readonly status: typeof tankStatus.$inferSelect | null;
  readonly next: {
    readonly visitId: string;
    readonly on: string;
    readonly state: "planned" | "open" | "closed" | "off";
  } | null;
  readonly input: PlanInput;
  readonly plan: SaidPlan;
  readonly jobs: readonly (typeof task.$inferSelect)[];
  readonly readings: readonly (typeof reading.$inferSelect)[];
  readonly changes: readonly (typeof waterChange.$inferSelect)[];
  readonly visits: readonly {
    readonly id: string;
    readonly on: string;
    readonly state: string;
    readonly minutes: number | null;
    /** How often what it logged was put right since. */
    readonly corrections: number;
  }[];
  readonly events: readonly (typeof tankEvent.$inferSelect)[];
}

/** Latest readings, changes and visits that a sheet shows. */
const SHEET_READINGS = 240;
const SHEET_VISITS = 40;

/** Loads a tank's sheet. */
export async function loadTank(scope: Scope, tankId: string, today: string): Promise<TankSheet> {
  const q = db();
  const [row] = await q
    .select({ row: tank, site, clientName: client.name, status: tankStatus })
    .from(tank)
    .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
    .innerJoin(client, and(eq(client.businessId, site.businessId), eq(client.id, site.clientId)))
    .leftJoin(tankStatus, eq(tankStatus.tankId, tank.id))
    .where(
      and(
        eq(tank.businessId, scope.businessId),
        eq(tank.id, tankId),
        inSight(site.clientId, await clientsInSight(scope)),
      ),
    );
  if (!row) throw notFound("tank");
  const mine = <T extends { businessId: never; tankId: never }>(t: T) =>
    and(eq(t.businessId, scope.businessId as never), eq(t.tankId, tankId as never));
  const [upcoming, jobs, readings, changes, visits, events] = await Promise.all([
    q
      .select({ visitId: visit.id, on: visit.onDate, state: visit.state })
      .from(visit)
      .where(and(mine(visit as never), gte(visit.onDate, today), inArray(visit.state, ["planned", "open"])))
      .orderBy(asc(visit.onDate))
      .limit(1),
    q
      .select()
      .from(task)
      .where(mine(task as never))
      .orderBy(asc(task.code)),
    q
      .select()
      .from(reading)
      .where(mine(reading as never))
      .orderBy(desc(reading.takenAt))
      .limit(SHEET_READINGS),
    q
      .select()
      .from(waterChange)
      .where(mine(waterChange as never))
      .orderBy(desc(waterChange.at))
      .limit(SHEET_VISITS),
    q
      .select({
        id: visit.id,
        on: visit.onDate,
        state: visit.state,
        minutes: visit.minutes,
        corrections:
          sql<number>`(select count(*) from ${operation} where ${operation.visitId} = ${visit.id} and ${operation.type} = 'correct' and ${operation.status} = 'applied')`.mapWith(
            Number,
          ),
      })
      .from(visit)
      .where(and(mine(visit as never), inArray(visit.state, ["open", "closed"])))
      .orderBy(desc(visit.onDate))
      .limit(SHEET_VISITS),
    q
      .select()
      .from(tankEvent)
      .where(mine(tankEvent as never))
      .orderBy(desc(tankEvent.onDate))
      .limit(20),
  ]);
  const next = upcoming[0] ?? null;
  const on = next?.on ?? today;
  const visitId = next?.visitId ?? tankId;
  const input = (await loadPlanInputs(q, scope.businessId, [{ visitId, tankId, on }])).get(visitId);
  if (!input) throw notFound("tank");
  return { ...row, next, input, plan: sayPlan(planVisit(input), scope.units), jobs, readings, changes, visits, events };
}
