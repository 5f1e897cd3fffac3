import { addDays, civilOf, daysBetween } from "@keel-round/core/calendar";
import { adaptInterval, cadenceOf, everyDaysOf, jobOf } from "@keel-round/core/programme";
import { type SwitchGear, systemVolumeL, type TankBook } from "@keel-round/core/tank";
import {
  type Decision,
  gearName,
  missingL,
  modeOf,
  type VisitOp,
  type VisitPlan,
  type VisitState,
  visitState,
} from "@keel-round/core/visit";
import { effectiveShare } from "@keel-round/core/water";
import { and, desc, eq, inArray, lt } from "drizzle-orm";
import { v5 } from "uuid";
import { newId } from "./ids";
import { bookOf, taskOf } from "./planInputs";
import { loadFirmJobs } from "./programme/firmJobs";
import { laySite } from "./programme/layJobs";
import { recordBatch } from "./saltBatches";
import { finding, job, levelLog, reading, source, stepLog, tank, task, visit, waterChange } from "./schema";
import type { PlanSnapshot } from "./schema/round";
import type { Scope } from "./scope";
import { refreshStatus } from "./status";
import type { Queries } from "./transaction";

/** Steps whose time is not their work: the first is reached from the car, pauses are left out. */
const LONGEST_PAUSE = 3;

interface Projection {
  readonly visitId: string;
  readonly ops: readonly VisitOp[];
  readonly closedNow: boolean;
  readonly now: Date;
}

/**
 * Writes what a visit's log says into the tables that plans and lists read. The log decides: whatever this visit wrote
 * before is replaced, so the same log always leaves the same rows.
 */
export async function project(tx: Queries, scope: Scope, { visitId, ops, closedNow, now }: Projection): Promise<void> {
  const [row] = await tx
    .select({ visit, tank, source })
    .from(visit)
    .innerJoin(tank, and(eq(tank.businessId, visit.businessId), eq(tank.id, visit.tankId)))
    .innerJoin(source, and(eq(source.businessId, tank.businessId), eq(source.id, tank.sourceId)))
    .where(and(eq(visit.id, visitId), eq(visit.businessId, scope.businessId)));
  if (!row) return;
  const state = visitState(ops);
  const base = { businessId: scope.businessId, tankId: row.tank.id, visitId };
  const on = row.visit.onDate;
  const plan = latestPlan(ops);

  await projectReadings(tx, base, state, scope.zone, bookOf(row.tank));
  await projectChange(tx, base, state, row.tank, row.source, on, plan?.plan ?? null);
  await projectLevel(tx, base, state, row.tank, on);
  await projectFindings(tx, base, state);
  if (state.closedAt) await projectLeftOff(tx, base, state);
  if (state.closedAt && plan) {
    await projectSteps(tx, base, state, plan.plan, on, closedNow);
    if (closedNow && plan.plan.water.runBack?.tight) await findNoRoom(tx, base, state.closedAt);
    if (closedNow) await laySite(tx, scope.businessId, row.tank.siteId, addDays(on, 1));
  }
  if (state.batch) {
    const { at, ...measured } = state.batch;
    await recordBatch(tx, scope.businessId, row.source.id, { ...measured, at: new Date(at), visitId });
  }

  await tx
    .update(visit)
    .set({
      state: state.closedAt ? "closed" : state.startedAt ? "open" : "planned",
      startedAt: state.startedAt ? new Date(state.startedAt) : null,
      closedAt: state.closedAt ? new Date(state.closedAt) : null,
      minutes:
        state.startedAt && state.closedAt ? (Date.parse(state.closedAt) - Date.parse(state.startedAt)) / 60_000 : null,
      ...(plan ? { plan } : {}),
    })
    .where(eq(visit.id, visitId));
  const today = civilOf(now.getTime(), scope.zone).date;
  await refreshStatus(tx, scope.businessId, [row.tank.id], today > on ? today : on);
  if (state.closedAt)
    await tx.insert(job).values({
      id: newId(),
      businessId: scope.businessId,
      kind: "letter",
      payload: { stopId: row.visit.stopId },
      runAt: now,
    });
}

function latestPlan(ops: readonly VisitOp[]): PlanSnapshot | null {
  const op = ops.findLast((o) => o.body.type === "plan");
  if (op?.body.type !== "plan") return null;
  return { format: 1, coreVersion: op.body.coreVersion, inputHash: op.body.inputHash, plan: op.body.plan as VisitPlan };
}

type Base = { businessId: string; tankId: string; visitId: string };

/** Some water is always left, whatever a ruler says. */
const MOST_MISSING = 0.95;

async function projectReadings(
  tx: Queries,
  base: Base,
  state: VisitState,
  zone: string,
  book: TankBook,
): Promise<void> {
  await tx.delete(reading).where(and(eq(reading.businessId, base.businessId), eq(reading.visitId, base.visitId)));
  if (state.readings.length === 0) return;
  const levelShare = 1 - Math.min(MOST_MISSING, missingL(book, state.belowMarkCm ?? 0) / systemVolumeL(book));
  await tx.insert(reading).values(
    state.readings.map((r) => ({
      ...base,
      id: r.id,
      parameter: r.parameter,
      entered: r.text,
      unit: r.unit,
      method: r.method,
      value: r.value,
      sigma: r.sigma,
      // After the change the tank stands at its line again.
      levelShare: r.after ? 1 : levelShare,
      takenAt: new Date(r.at),
      onDate: civilOf(Date.parse(r.at), zone).date,
    })),
  );
}

async function projectChange(
  tx: Queries,
  base: Base,
  state: VisitState,
  tankRow: typeof tank.$inferSelect,
  sourceRow: typeof source.$inferSelect,
  on: string,
  plan: VisitPlan | null,
): Promise<void> {
  await tx.delete(waterChange).where(eq(waterChange.visitId, base.visitId));
  const outL = state.litres?.outL ?? 0;
  if (!state.litres || outL <= 0) return;
  const book = bookOf(tankRow);
  const systemL = systemVolumeL(book);
  // Where the way is chosen by condition the plan of the day knows which it was.
  const mode = book.schools.how === "by-condition" && plan?.water.markOn === "none" ? "in-and-out" : modeOf(book);
  await tx.insert(waterChange).values({
    ...base,
    id: newId(),
    at: changedAt(state, Date.parse(state.litres.at)),
    onDate: on,
    outL,
    inL: state.litres.inL,
    topUpL: state.litres.topUpL,
    systemL,
    share: effectiveShare(
      Math.min(outL, mode === "batch" ? systemL : outL),
      systemL,
      mode,
      Math.min(book.deadL ?? 0, systemL / 2),
    ),
    chemistry: sourceRow.facts.chemistry,
  });
}

/** A change whose litres were told late was made before the first reading of the new water all the same. */
function changedAt(state: VisitState, toldAt: number): Date {
  const after = state.readings.flatMap((r) => (r.after ? [Date.parse(r.at) - 1000] : []));
  return new Date(Math.min(toldAt, ...after));
}

async function projectLevel(
  tx: Queries,
  base: Base,
  state: VisitState,
  tankRow: typeof tank.$inferSelect,
  on: string,
): Promise<void> {
  await tx.delete(levelLog).where(eq(levelLog.visitId, base.visitId));
  if (state.belowMarkCm === null) return;
  const [last] = await tx
    .select({ on: visit.onDate })
    .from(visit)
    .where(
      and(
        eq(visit.businessId, base.businessId),
        eq(visit.tankId, base.tankId),
        eq(visit.state, "closed"),
        lt(visit.onDate, on),
      ),
    )
    .orderBy(desc(visit.onDate))
    .limit(1);
  await tx.insert(levelLog).values({
    ...base,
    id: newId(),
    onDate: on,
    belowCm: state.belowMarkCm,
    missingL: missingL(bookOf(tankRow), state.belowMarkCm),
    days: last ? daysBetween(last.on, on) : null,
  });
}

async function projectFindings(tx: Queries, base: Base, state: VisitState): Promise<void> {
  for (const f of state.findings) {
    const outcome = { state: f.outcome?.how ?? ("open" as const), dueOn: f.outcome?.on ?? null };
    const [updated] = await tx
      .update(finding)
      .set(outcome)
      .where(and(eq(finding.businessId, base.businessId), eq(finding.tankId, base.tankId), eq(finding.id, f.id)));
    if (updated.affectedRows === 0)
      await tx.insert(finding).values({
        ...base,
        id: f.id,
        kind: f.kind,
        text: f.text,
        ...outcome,
        seenAt: new Date(state.startedAt ?? Date.now()),
      });
  }
}

/** Gear that stayed off is a finding of its own: the next visit opens with it. */
async function projectLeftOff(tx: Queries, base: Base, state: VisitState): Promise<void> {
  for (const [gear, g] of Object.entries(state.gear)) {
    if (g?.state !== "left-off") continue;
    const text = `${gearName(gear as SwitchGear)} was left off: ${g.reason ?? "no reason given"}`;
    // The id follows from visit and gear, so that the same log makes it once.
    await tx
      .insert(finding)
      .ignore()
      .values({ ...base, id: v5(gear, base.visitId), kind: "equipment", text, state: "open", seenAt: new Date(g.at) });
  }
}

/** Without figures: whoever reads it has their own units, and the plan says the litres. */
const NO_ROOM = "The sump has too little room for what runs back when the return stops: have its running level lowered";

/** A sump that can overflow is a finding until it is mended, said once. */
async function findNoRoom(tx: Queries, base: Base, at: string): Promise<void> {
  const [known] = await tx
    .select({ id: finding.id })
    .from(finding)
    .where(
      and(
        eq(finding.businessId, base.businessId),
        eq(finding.tankId, base.tankId),
        eq(finding.text, NO_ROOM),
        inArray(finding.state, ["open", "carried", "owner"]),
      ),
    );
  if (known) return;
  await tx
    .insert(finding)
    .ignore()
    .values({
      ...base,
      id: v5("no room", base.visitId),
      kind: "safety",
      text: NO_ROOM,
      state: "open",
      seenAt: new Date(at),
    });
}

/** Steps with the minutes between their ticks, and the jobs of the programme that follow from them. */
async function projectSteps(
  tx: Queries,
  base: Base,
  state: VisitState,
  plan: VisitPlan,
  on: string,
  closedNow: boolean,
): Promise<void> {
  await tx.delete(stepLog).where(and(eq(stepLog.businessId, base.businessId), eq(stepLog.visitId, base.visitId)));
  const tasks = await tx
    .select()
    .from(task)
    .where(and(eq(task.businessId, base.businessId), eq(task.tankId, base.tankId)));
  const byCode = new Map(tasks.map((t) => [t.code, t]));
  const ticks = Object.entries(state.ticked)
    .map(([step, at]) => ({ step, at: Date.parse(at) }))
    .sort((a, b) => a.at - b.at);
  let previous = Date.parse(state.startedAt ?? state.closedAt ?? "");
  const took = new Map<string, number>();
  for (const { step, at } of ticks) {
    took.set(step, (at - previous) / 60_000);
    previous = at;
  }
  const rows = plan.steps.flatMap((step): (typeof stepLog.$inferInsert)[] => {
    const done = state.ticked[step.id] !== undefined;
    const decided = state.decided[step.id];
    const reason =
      decided && !done
        ? DECIDED[decided]
        : (state.skipped[step.id] ?? (step.task && !done ? "no reason given" : undefined));
    if (!done && reason === undefined) return [];
    const minutes = took.get(step.id) ?? null;
    const known = step.task ? byCode.get(step.task) : undefined;
    // Ticked in a row without doing, or left lying: neither says what the work takes.
    const counts = minutes !== null && minutes >= 0.25 && minutes <= LONGEST_PAUSE * Math.max(1, step.minutes);
    return [
      {
        ...base,
        id: newId(),
        step: step.id,
        onDate: on,
        outcome: done ? "done" : decided ? "decided" : "skipped",
        minutes: done && counts ? minutes : null,
        dirt: state.dirt[step.id] ?? null,
        intervalDays: known && !known.begun ? Math.max(0, daysBetween(known.lastDoneOn, on)) : null,
        reason: done ? null : (reason ?? null),
        sector: done ? (step.sector ?? null) : null,
      },
    ];
  });
  if (rows.length > 0) await tx.insert(stepLog).values(rows);
  await rebuildTasks(tx, base, tasks, closedNow);
  if (closedNow) await applyDecisions(tx, state, tasks, on);
  if (closedNow) await careForUnrested(tx, base, state, plan, on);
}

/** What the log says of a job that was decided on. */
const DECIDED: Record<Decision, string> = {
  must: "it comes at the next visit, whatever else",
  rarer: "it is done less often from now on",
  owner: "the owner does it from now on",
  rest: "it is taken out of the programme",
};
/** A job that keeps being left out is set to this much longer. */
const RARER = 1.5;

/** Carries out what was decided about jobs that slipped for the third time. */
async function applyDecisions(
  tx: Queries,
  state: VisitState,
  tasks: readonly (typeof task.$inferSelect)[],
  on: string,
): Promise<void> {
  for (const [step, what] of Object.entries(state.decided)) {
    const row = tasks.find((t) => t.code === step);
    if (!row || state.ticked[step]) continue;
    const everyDays = Math.round(row.everyDays * RARER);
    const change: Partial<typeof task.$inferInsert> = {
      must: { pin: { on: addDays(on, 1), by: DECIDED.must } },
      rarer: { everyDays, cadence: { by: "time" as const, every: everyDays, unit: "day" as const } },
      owner: { performer: "owner" as const },
      rest: { removedAt: new Date(state.closedAt ?? Date.now()) },
    }[what];
    await tx.update(task).set(change).where(eq(task.id, row.id));
  }
}

/** Ammonia is tested after one and two days where two units of bacteria were opened too close together. */
async function careForUnrested(tx: Queries, base: Base, state: VisitState, plan: VisitPlan, on: string): Promise<void> {
  for (const [code, reason] of Object.entries(state.overridden)) {
    const step = plan.steps.find((s) => s.id === code);
    if (!step || state.ticked[code] === undefined) continue;
    for (const days of [1, 2])
      await tx
        .insert(finding)
        .ignore()
        .values({
          ...base,
          id: v5(`${code} ${days}`, base.visitId),
          kind: "other",
          text: `Test ammonia: ${lower(step.title)} did not keep its four weeks (${reason})`,
          state: "carried",
          dueOn: addDays(on, days),
          seenAt: new Date(state.closedAt ?? Date.now()),
        });
  }
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

/** Sets each job's last day done, slips and sector from the log of steps; dirt moves its interval when a visit closes. */
async function rebuildTasks(
  tx: Queries,
  base: Base,
  tasks: readonly (typeof task.$inferSelect)[],
  closedNow: boolean,
): Promise<void> {
  const log = await tx
    .select()
    .from(stepLog)
    .where(
      and(
        eq(stepLog.businessId, base.businessId),
        eq(stepLog.tankId, base.tankId),
        inArray(
          stepLog.step,
          tasks.map((t) => t.code),
        ),
      ),
    )
    .orderBy(stepLog.onDate);
  const firm = await loadFirmJobs(tx, base.businessId);
  const coverers = (code: string) =>
    new Set(tasks.filter((c) => jobOf(taskOf(c, firm)).covers?.includes(code)).map((c) => c.code));
  for (const t of tasks) {
    const doneWith = coverers(t.code);
    const mine = log.filter((r) => r.step === t.code || (r.outcome === "done" && doneWith.has(r.step)));
    if (mine.length === 0) continue;
    const lastDone = mine.findLastIndex((r) => r.outcome === "done");
    const settled = mine.findLastIndex((r) => r.outcome !== "skipped");
    const skips = mine.slice(settled + 1);
    const ratings = mine.flatMap((r) =>
      r.step === t.code && r.dirt !== null && r.intervalDays ? [{ dirt: r.dirt, intervalDays: r.intervalDays }] : [],
    );
    const now = (r: (typeof mine)[number] | undefined) => r?.visitId === base.visitId;
    const rated = closedNow && mine.some((r) => now(r) && r.step === t.code && r.dirt !== null);
    const agreed = everyDaysOf(cadenceOf(taskOf(t, firm)));
    const doneNow = now(mine[lastDone]) && mine[lastDone]?.outcome === "done";
    await tx
      .update(task)
      .set({
        ...(mine[lastDone] ? { lastDoneOn: mine[lastDone].onDate, begun: false } : {}),
        slips: skips.length,
        lastSkipReason: skips.at(-1)?.reason ?? null,
        lastSector: mine.findLast((r) => r.step === t.code && r.sector !== null)?.sector ?? t.lastSector,
        // Done, it is laid out anew.
        ...(doneNow ? { pin: null, plannedOn: null } : {}),
        ...(rated ? { everyDays: adaptInterval(t.everyDays, agreed, ratings) } : {}),
      })
      .where(eq(task.id, t.id));
  }
}
