import { attentionOf } from "@keel-round/core/attention";
import { CORE_VERSION, conditionOf, latestReadings, type PlanInput, programmeOn } from "@keel-round/core/given";
import { dueOn, isWaiting, performerOf } from "@keel-round/core/programme";
import { placeInBand, standing } from "@keel-round/core/readings";
import { tankNeeds } from "@keel-round/core/stores";
import { systemVolumeL } from "@keel-round/core/tank";
import { planVisit } from "@keel-round/core/visit";
import { watersOf } from "@keel-round/core/weeks";
import { and, desc, eq, gte, inArray, isNull, lt, or, sql } from "drizzle-orm";
import { db } from "../database/connection";
import { inTransaction, type Queries } from "../database/transaction";
import { loadPlanInputs } from "../plan/planInputs";
import type { VisitToPlan } from "../plan/rows";
import { type BandDot, tank, tankStatus, type VisitNeeds, visit } from "../schema";

/** The status row that follows from a plan's input today, and from that of the next visit where one is planned. */
function statusRow(input: PlanInput, businessId: string, next: PlanInput | null): typeof tankStatus.$inferInsert {
  const condition = conditionOf(input);
  const latest = latestReadings(input);
  const dots: BandDot[] = input.facts.bands.flatMap((band) => {
    const r = latest[band.parameter];
    return r && r.ageDays <= band.validDays
      ? [
          {
            parameter: band.parameter,
            place: Math.round(placeInBand(band, r.value) * 100) / 100,
            standing: standing(band, r.value),
          },
        ]
      : [];
  });
  return {
    tankId: input.facts.id,
    businessId,
    condition: condition.state,
    why: condition,
    dots,
    systemL: Math.round(systemVolumeL(input.facts)),
    nextDueOn: nextDueOn(input),
    lastVisitOn: input.lastVisitOn,
    nextVisit: needsOf(next ?? input),
    attention: attentionOf(input, next?.on ?? null),
    judgedOn: input.on,
    coreVersion: CORE_VERSION,
  };
}

/** What a visit takes. */
function needsOf(input: PlanInput): VisitNeeds {
  const plan = planVisit(input);
  return {
    minutes: plan.cautiousMinutes,
    load: plan.load,
    knows: [...new Set([...watersOf(input.facts), ...plan.steps.flatMap((s) => s.skills ?? [])])],
    keptLast: input.site.hygieneLast,
    takes: tankNeeds(plan, input),
  };
}

/** The day the technician's next job falls due. */
function nextDueOn(input: PlanInput): string | null {
  const dates = programmeOn(input, true)
    .filter((t) => performerOf(t) === "technician" && !isWaiting(t))
    .map(dueOn);
  return dates.sort()[0] ?? null;
}

/** The status rows of tanks as they follow from everything that is kept of them, judged on a day. */
export async function judgedRows(
  q: Queries,
  businessId: string,
  tankIds: readonly string[],
  on: string,
): Promise<(typeof tankStatus.$inferInsert)[]> {
  const next = await nextVisits(q, businessId, tankIds, on);
  // A visit id that no visit has: nothing of the day is left out.
  const inputs = await loadPlanInputs(q, businessId, [
    ...tankIds.map((tankId) => ({ visitId: tankId, tankId, on })),
    ...next.values(),
  ]);
  return tankIds.flatMap((tankId) => {
    const input = inputs.get(tankId);
    return input ? [statusRow(input, businessId, inputs.get(next.get(tankId)?.visitId ?? "") ?? null)] : [];
  });
}

/** Judges tanks anew on a day and rewrites their status rows. Runs in the transaction that changed their inputs. */
export async function refreshStatus(
  q: Queries,
  businessId: string,
  tankIds: readonly string[],
  on: string,
): Promise<void> {
  const rows = await judgedRows(q, businessId, tankIds, on);
  if (rows.length === 0) return;
  const given = (column: string) => sql.raw(`values(\`${column}\`)`);
  await q
    .insert(tankStatus)
    .values(rows)
    .onDuplicateKeyUpdate({
      set: {
        condition: given("condition"),
        why: given("why"),
        dots: given("dots"),
        systemL: given("system_l"),
        nextDueOn: given("next_due_on"),
        lastVisitOn: given("last_visit_on"),
        nextVisit: given("next_visit"),
        attention: given("attention"),
        judgedOn: given("judged_on"),
        coreVersion: given("core_version"),
      },
    });
}

/** Judges all tanks of a site anew: when they are visited next has changed. */
export async function refreshSite(q: Queries, businessId: string, siteId: string, on: string): Promise<void> {
  const tanks = await q
    .select({ id: tank.id })
    .from(tank)
    .where(and(eq(tank.businessId, businessId), eq(tank.siteId, siteId), isNull(tank.archivedAt)));
  for (let i = 0; i < tanks.length; i += REFRESH_BATCH)
    await refreshStatus(
      q,
      businessId,
      tanks.slice(i, i + REFRESH_BATCH).map((t) => t.id),
      on,
    );
}

/** The next visit of each tank that is planned, from a day on. */
async function nextVisits(
  q: Queries,
  businessId: string,
  tankIds: readonly string[],
  from: string,
): Promise<Map<string, VisitToPlan>> {
  if (tankIds.length === 0) return new Map();
  const rows = await q
    .select({ visitId: visit.id, tankId: visit.tankId, on: visit.onDate })
    .from(visit)
    .where(
      and(
        eq(visit.businessId, businessId),
        inArray(visit.tankId, [...tankIds]),
        gte(visit.onDate, from),
        eq(visit.state, "planned"),
      ),
    )
    .orderBy(desc(visit.onDate));
  // The earliest comes last, and stays.
  return new Map(rows.map((v) => [v.tankId, v]));
}

/** Judges all tanks of a business whose status was last judged on an earlier day: readings grow old overnight. Answers how many. */
export async function refreshDay(businessId: string, today: string): Promise<number> {
  const rows = await db()
    .select({ id: tank.id })
    .from(tank)
    .leftJoin(tankStatus, eq(tankStatus.tankId, tank.id))
    .where(
      and(
        eq(tank.businessId, businessId),
        isNull(tank.archivedAt),
        or(
          isNull(tankStatus.judgedOn),
          lt(tankStatus.judgedOn, today),
          isNull(tankStatus.nextVisit),
          isNull(tankStatus.attention),
        ),
      ),
    );
  for (let i = 0; i < rows.length; i += REFRESH_BATCH)
    await inTransaction((tx) =>
      refreshStatus(
        tx,
        businessId,
        rows.slice(i, i + REFRESH_BATCH).map((r) => r.id),
        today,
      ),
    );
  return rows.length;
}

const REFRESH_BATCH = 50;
