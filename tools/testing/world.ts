import { civilOf } from "@keel-round/core/calendar";
import type { PlanInput } from "@keel-round/core/given";
import { byText } from "@keel-round/core/text";
import { planVisit, type VisitOp, type VisitPlan } from "@keel-round/core/visit";
import { and, asc, eq, gte } from "drizzle-orm";
import { v7 } from "uuid";
import { type Scope, scopeOfUser } from "@/data/access/scope";
import { db } from "@/data/database/connection";
import { loadPlanInputs } from "@/data/plan/planInputs";
import { business, organization, person, site, stop, tank, visit } from "@/data/schema";
import { type OpResult, postOperations } from "@/data/visit/operations";
import { copyDemo } from "./demoCopy.ts";

let demo: Promise<{ businessId: string; today: string }> | undefined;

/** The demo business, in a database of its own for all tests of a file. */
export function demoBusiness(): Promise<{ businessId: string; today: string }> {
  demo ??= ownDemo();
  return demo;
}

/** The next file copies the demo anew. */
export function forgetDemo(): void {
  demo = undefined;
}

async function ownDemo(): Promise<{ businessId: string; today: string }> {
  await copyDemo(`demo_${v7().slice(-12)}`);
  const [firm] = await db()
    .select({ id: business.id, zone: business.zone })
    .from(business)
    .innerJoin(organization, eq(organization.id, business.id))
    .where(eq(organization.slug, "calder-renn"));
  if (!firm) throw new Error("The copy holds no demo");
  return { businessId: firm.id, today: civilOf(Date.now(), firm.zone).date };
}

/** The scope of a person of the demo, by first name. */
export async function scopeOf(businessId: string, firstName: string): Promise<Scope> {
  const people = await db().select().from(person).where(eq(person.businessId, businessId));
  const userId = people.find((p) => p.name.startsWith(firstName))?.userId;
  const scope = userId ? await scopeOfUser(userId) : null;
  if (!scope) throw new Error(`Nobody called ${firstName}`);
  return scope;
}

/** The next visits of the tanks of a site, by its name; of one day in the order in which the demo has its tanks. */
export async function visitsOf(businessId: string, siteName: string, from: string) {
  const rows = await db()
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
  // Ids of the demo rise as its tanks were made.
  return rows.sort((a, b) => byText(a.on, b.on) || byText(a.tankId, b.tankId));
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
