import { CORE_VERSION, conditionOf, latestReadings, type PlanInput, programmeOn } from "@keel-round/core/given";
import { dueOn, isWaiting, performerOf } from "@keel-round/core/programme";
import { placeInBand, standing } from "@keel-round/core/readings";
import { systemVolumeL } from "@keel-round/core/tank";
import { and, eq, isNull, lt, or, sql } from "drizzle-orm";
import { db } from "./connection";
import { loadPlanInputs } from "./planInputs";
import { type BandDot, tank, tankStatus } from "./schema";
import { inTransaction, type Queries } from "./transaction";

/** The status row that follows from a plan's input. */
export function statusRow(input: PlanInput, businessId: string): typeof tankStatus.$inferInsert {
  const condition = conditionOf(input);
  const latest = latestReadings(input);
  const dots: BandDot[] = input.book.bands.flatMap((band) => {
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
    tankId: input.book.id,
    businessId,
    condition: condition.state,
    why: condition,
    dots,
    systemL: Math.round(systemVolumeL(input.book)),
    nextDueOn: nextDueOn(input),
    lastVisitOn: input.lastVisitOn,
    judgedOn: input.on,
    coreVersion: CORE_VERSION,
  };
}

/** The day the technician's next job falls due. */
function nextDueOn(input: PlanInput): string | null {
  const dates = programmeOn(input, true)
    .filter((t) => performerOf(t) === "technician" && !isWaiting(t))
    .map(dueOn);
  return dates.sort()[0] ?? null;
}

/** Judges tanks anew on a day and rewrites their status rows. Runs in the transaction that changed their inputs. */
export async function refreshStatus(
  q: Queries,
  businessId: string,
  tankIds: readonly string[],
  on: string,
): Promise<void> {
  // A visit id that no visit has: nothing of the day is left out.
  const inputs = await loadPlanInputs(
    q,
    businessId,
    tankIds.map((tankId) => ({ visitId: tankId, tankId, on })),
  );
  const rows = [...inputs.values()].map((input) => statusRow(input, businessId));
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
        judgedOn: given("judged_on"),
        coreVersion: given("core_version"),
      },
    });
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
        or(isNull(tankStatus.judgedOn), lt(tankStatus.judgedOn, today)),
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
