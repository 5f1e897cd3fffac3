import type { PlanInput } from "@keel-round/core/given";
import { planVisit, type VisitOp, type VisitPlan } from "@keel-round/core/visit";
import { and, asc, eq, gte } from "drizzle-orm";
import { v7 } from "uuid";
import { type Scope, scopeOfUser } from "@/data/access/scope";
import { db } from "@/data/database/connection";
import { loadPlanInputs } from "@/data/plan/planInputs";
import { person, site, stop, tank, visit } from "@/data/schema";
import { type OpResult, postOperations } from "@/data/visit/operations";
import { loadDemo } from "../seed/load.ts";

let demo: Promise<{ businessId: string; today: string }> | undefined;

/** The demo business, loaded once for all tests of a file. */
export function demoBusiness(): Promise<{ businessId: string; today: string }> {
  demo ??= loadDemo(new Date(), { suffix: v7().slice(-8) });
  return demo;
}

/** The scope of a person of the demo, by first name. */
export async function scopeOf(businessId: string, firstName: string): Promise<Scope> {
  const people = await db().select().from(person).where(eq(person.businessId, businessId));
  const userId = people.find((p) => p.name.startsWith(firstName))?.userId;
  const scope = userId ? await scopeOfUser(userId) : null;
  if (!scope) throw new Error(`Nobody called ${firstName}`);
  return scope;
}

/** The next visits of a tank, by its site's name. */
export async function visitsOf(businessId: string, siteName: string, from: string) {
  return db()
    .select({
      visitId: visit.id,
      tankId: tank.id,
      stopId: stop.id,
      on: visit.onDate,
      sourceId: tank.sourceId,
      clientId: site.clientId,
    })
    .from(visit)
    .innerJoin(stop, eq(stop.id, visit.stopId))
    .innerJoin(site, eq(site.id, stop.siteId))
    .innerJoin(tank, eq(tank.id, visit.tankId))
    .where(and(eq(visit.businessId, businessId), eq(site.name, siteName), gte(visit.onDate, from)))
    .orderBy(asc(visit.onDate));
}

/** A visit's input and plan as they stand in the database. */
export async function planOf(
  businessId: string,
  v: { visitId: string; tankId: string; on: string },
): Promise<{ input: PlanInput; plan: VisitPlan }> {
  const input = (await loadPlanInputs(db(), businessId, [v])).get(v.visitId);
  if (!input) throw new Error("No input");
  return { input, plan: planVisit(input) };
}

/** A device that writes operations in order, as a phone does. */
export class Phone {
  private seq = 0;
  constructor(
    readonly scope: Scope,
    readonly visitId: string,
    readonly device = v7(),
    private at = Date.now(),
  ) {}

  /** Makes an operation without sending it. */
  op(body: VisitOp["body"], minutes = 0): VisitOp {
    this.seq += 1;
    this.at += minutes * 60_000;
    return { opId: v7(), device: this.device, seq: this.seq, at: new Date(this.at).toISOString(), body };
  }

  send(ops: readonly unknown[]): Promise<OpResult[]> {
    return postOperations(this.scope, this.visitId, ops, new Date());
  }

  async say(...bodies: VisitOp["body"][]): Promise<OpResult[]> {
    return this.send(bodies.map((b) => this.op(b)));
  }
}
