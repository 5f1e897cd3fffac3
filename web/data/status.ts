import { daysBetween } from "@keel-round/core/calendar";
import { dueOn, libraryTask } from "@keel-round/core/programme";
import { judgeTrim, type LatestReading, placeInBand, standing, type Trim } from "@keel-round/core/readings";
import { systemVolumeL } from "@keel-round/core/tank";
import type { Parameter } from "@keel-round/core/units";
import { CORE_VERSION, type PlanInput } from "@keel-round/core/visit";
import { freeAmmoniaMgL } from "@keel-round/core/water";
import { and, eq, isNull, lt, or, sql } from "drizzle-orm";
import { db } from "./connection";
import { daysToNext, loadPlanInputs } from "./planInputs";
import { type BandDot, tank, tankStatus } from "./schema";
import { inTransaction, type Queries } from "./transaction";

/** The newest reading of each parameter in a plan's input. */
function latestReadings(input: PlanInput): Partial<Record<Parameter, LatestReading>> {
  const latest: Partial<Record<Parameter, LatestReading>> = {};
  for (const r of input.readings)
    latest[r.parameter] = { value: r.value, sigma: r.sigma, ageDays: daysBetween(r.on, input.on) };
  return latest;
}

/** The trim of a tank on the input's day. */
export function trimOf(input: PlanInput): Trim {
  const latest = latestReadings(input);
  const perDay: Partial<Record<Parameter, number>> = {};
  for (const [parameter, rate] of Object.entries(input.rates))
    if (rate?.enough) perDay[parameter as Parameter] = rate.perDay;
  const [ammonia, ph] = [latest.ammonia, latest.ph];
  const valid = (r: LatestReading | undefined) => r !== undefined && r.ageDays <= 21;
  const free =
    ammonia && ph && valid(ammonia) && valid(ph)
      ? freeAmmoniaMgL(ammonia.value, {
          ph: ph.value,
          temperatureC: latest.temperature?.value ?? input.book.targetC,
          salinityPsu: latest.salinity?.value ?? input.book.targetPsu,
        })
      : null;
  return judgeTrim({
    bands: input.book.bands,
    latest,
    perDay,
    daysToNextVisit: daysToNext(input.on, input.nextVisitOn),
    ...(free !== null ? { freeAmmonia: { value: free, act: input.limits.freeAmmoniaMgL } } : {}),
    seriousFindings: input.findings.filter((f) => f.kind === "safety" || f.kind === "livestock").map((f) => f.text),
    slippedTwice: input.tasks.filter((t) => t.slips >= 2).map((t) => libraryTask(t.code).name),
  });
}

/** The status row that follows from a plan's input. */
export function statusRow(input: PlanInput, businessId: string): typeof tankStatus.$inferInsert {
  const trim = trimOf(input);
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
    trim: trim.state,
    why: trim,
    dots,
    systemL: Math.round(systemVolumeL(input.book)),
    nextDueOn: input.tasks.map(dueOn).sort()[0] ?? null,
    lastVisitOn: input.lastVisitOn,
    judgedOn: input.on,
    coreVersion: CORE_VERSION,
  };
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
  const given = (column: string) => sql.raw(`values(${column})`);
  await q
    .insert(tankStatus)
    .values(rows)
    .onDuplicateKeyUpdate({
      set: {
        trim: given("trim"),
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

/** Judges all tanks of a business whose status was last judged on an earlier day: readings grow old overnight. */
export async function refreshDay(businessId: string, today: string): Promise<void> {
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
}

const REFRESH_BATCH = 50;
