import { DEFAULT_LIMITS, type PlanInput, type WaterSource } from "@keel-round/core/given";
import { isSalt, systemVolumeL } from "@keel-round/core/tank";
import { and, asc, eq, isNull, or } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import type { Scope } from "../access/scope";
import { clientsInSight, inSight } from "../access/sight";
import { db } from "../database/connection";
import { inTransaction } from "../database/transaction";
import { firmKinds } from "../desk/kinds";
import { atSite, sourceOf } from "../plan/asCore";
import { loadPlanInputs } from "../plan/planInputs";
import { business, site, source, stop, tank, visit } from "../schema";
import { listTanks, loadTank } from "../tanks/tanks";

/** Whin the planner works with: the tanks to pick from, and the one that is picked. */
export interface PlannerData {
  readonly tanks: readonly { readonly id: string; readonly name: string; readonly siteName: string }[];
  readonly chosen: {
    readonly id: string;
    readonly name: string;
    readonly siteName: string;
    /** As the tank's own policy and water would have it, whatever was planned by hand. */
    readonly input: PlanInput;
    readonly sources: readonly WaterSource[];
    /** The next visit, with what was planned into it; null where it has begun or there is none. */
    readonly visit: {
      readonly id: string;
      readonly on: string;
      readonly planned: { readonly litres: number; readonly sourceName: string; readonly by: string } | null;
    } | null;
  } | null;
}

/** What a tank holds of salt, and what a water is good for: fresh tanks take no sea water, marine ones no tap. */
const SALTY: readonly WaterSource["kind"][] = ["mix", "natural-sea"];
const suits = (kind: WaterSource["kind"], salt: boolean) => SALTY.includes(kind) === salt;

/**
 * Loads the planner for a tank of the scope, the one that is visited next where none is asked for.
 *
 * @throws a refusal for a tank that is not the person's.
 */
export async function loadPlanner(scope: Scope, tankId: string | null, today: string): Promise<PlannerData> {
  const rows = await listTanks(scope, today);
  const tanks = rows.map(({ id, name, siteName }) => ({ id, name, siteName }));
  // Without a choice, the tank that is visited next.
  const next = rows.reduce<(typeof rows)[number] | undefined>(
    (best, r) => (!best || (r.nextOn ?? "9") < (best.nextOn ?? "9") ? r : best),
    undefined,
  );
  const id = tankId ?? next?.id;
  if (!id) return { tanks, chosen: null };
  const sheet = await loadTank(scope, id, today);
  const { row, site: at, input } = sheet;
  const [waters, planned] = await Promise.all([
    watersAt(scope, row.siteId, input.on, at),
    sheet.next?.state === "planned" ? plannedInto(scope, sheet.next.visitId) : null,
  ]);
  const own = waters.find((w) => w.id === row.sourceId) ?? input.source;
  const salt = isSalt(input.facts);
  return {
    tanks,
    chosen: {
      id,
      name: row.name,
      siteName: at.name,
      input: { ...input, source: own, chosen: null },
      sources: [own, ...waters.filter((w) => w.id !== own.id && suits(w.kind, salt))],
      visit:
        sheet.next?.state === "planned"
          ? {
              id: sheet.next.visitId,
              on: sheet.next.on,
              planned: planned && {
                ...planned,
                sourceName: waters.find((w) => w.id === planned.sourceId)?.name ?? own.name,
              },
            }
          : null,
    },
  };
}

/** The waters of the firm and of a site, as they come there on a day. */
async function watersAt(
  scope: Scope,
  siteId: string | null,
  on: string,
  at: Pick<typeof site.$inferSelect, "hotWater">,
): Promise<WaterSource[]> {
  const rows = await db()
    .select()
    .from(source)
    .where(
      and(
        eq(source.businessId, scope.businessId),
        isNull(source.archivedAt),
        siteId === null ? isNull(source.siteId) : or(isNull(source.siteId), eq(source.siteId, siteId)),
      ),
    )
    .orderBy(asc(source.name));
  return rows.map((r) => atSite(sourceOf(r, on), at));
}

async function plannedInto(scope: Scope, visitId: string) {
  const [row] = await db()
    .select({ chosen: visit.chosen })
    .from(visit)
    .where(and(eq(visit.businessId, scope.businessId), eq(visit.id, visitId)));
  return row?.chosen ?? null;
}

export const PlanIntoSchema = z.object({
  visitId: z.uuid("Reload the page and try again."),
  /** Null takes what was planned back. */
  change: z
    .object({
      litres: z.number("Enter litres as a number.").min(0, "Litres cannot be negative.").max(1e5),
      sourceId: z.uuid("Choose a water."),
    })
    .nullable(),
});

/**
 * Plans a change that was worked out in the planner into a visit; its steps, load and letter follow from it.
 *
 * @throws a refusal for a visit that has begun, more litres than the tank holds, or a water that is not for it.
 */
export async function planInto(scope: Scope, { visitId, change }: z.infer<typeof PlanIntoSchema>): Promise<void> {
  if (scope.role === "tankOwner") throw notFound("visit");
  await inTransaction(async (tx) => {
    const [row] = await tx
      .select({ state: visit.state, tankId: visit.tankId, on: visit.onDate, siteId: site.id })
      .from(visit)
      .innerJoin(stop, and(eq(stop.businessId, visit.businessId), eq(stop.id, visit.stopId)))
      .innerJoin(tank, and(eq(tank.businessId, visit.businessId), eq(tank.id, visit.tankId)))
      .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
      .where(
        and(
          eq(visit.businessId, scope.businessId),
          eq(visit.id, visitId),
          inSight(site.clientId, await clientsInSight(scope, tx)),
        ),
      )
      .for("update");
    if (!row) throw notFound("visit");
    if (row.state === "off") throw new Refused(409, "is-off", "This visit is left out: plan it again first.");
    if (row.state !== "planned") throw new Refused(409, "begun", "This visit has begun: move the mark on its sheet.");
    if (change) {
      const input = (await loadPlanInputs(tx, scope.businessId, [{ visitId, tankId: row.tankId, on: row.on }])).get(
        visitId,
      );
      const [water] = await tx
        .select({ facts: source.facts, siteId: source.siteId })
        .from(source)
        .where(and(eq(source.businessId, scope.businessId), eq(source.id, change.sourceId)));
      if (!input || !water || (water.siteId && water.siteId !== row.siteId)) throw notFound("water");
      if (!suits(water.facts.kind, isSalt(input.facts)))
        throw new Refused(
          422,
          "wrong-water",
          "This water is not for this tank: one of them is salt, the other is not.",
        );
      const systemL = systemVolumeL(input.facts);
      if (change.litres > systemL) throw new Refused(422, "too-much", `The system holds ${Math.floor(systemL)} L.`);
    }
    await tx
      .update(visit)
      .set({ chosen: change && { ...change, by: scope.name } })
      .where(eq(visit.id, visitId));
  });
}

/** What a tank that is only described is worked out with: the firm's waters, kinds and limits. */
export async function loadDescribe(scope: Scope, today: string) {
  const [sources, kinds, [firm]] = await Promise.all([
    watersAt(scope, null, today, { hotWater: true }),
    firmKinds(db(), scope.businessId),
    db().select({ limits: business.limits }).from(business).where(eq(business.id, scope.businessId)),
  ]);
  return { sources, kinds, limits: { ...DEFAULT_LIMITS, ...firm?.limits } };
}
