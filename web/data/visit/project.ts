import { addDays, civilOf, daysBetween } from "@keel-round/core/calendar";
import { missingL, modeOf } from "@keel-round/core/given";
import { say } from "@keel-round/core/say";
import { gearName, SWITCH_GEAR, type SwitchGear, systemVolumeL, type TankFacts } from "@keel-round/core/tank";
import { inSentence, sentence } from "@keel-round/core/text";
import { METRIC } from "@keel-round/core/units";
import { type VisitOp, type VisitPlan, type VisitState, visitState } from "@keel-round/core/visit";
import { effectiveShare } from "@keel-round/core/water";
import { and, desc, eq, inArray, isNull, lt, ne } from "drizzle-orm";
import { alias } from "drizzle-orm/mysql-core";
import { v5 } from "uuid";
import type { Scope } from "../access/scope";
import { enqueue } from "../database/enqueue";
import { newId } from "../database/ids";
import type { Queries } from "../database/transaction";
import { factsOf, sourceOf } from "../plan/asCore";
import { kitsOn } from "../plan/kits";
import { laySite } from "../programme/layJobs";
import {
  dose,
  finding,
  letter,
  levelLog,
  photo,
  reading,
  source,
  stepLog,
  stop,
  tank,
  task,
  visit,
  waterChange,
} from "../schema";
import type { PlanSnapshot, TaskBefore } from "../schema/round";
import { bookVisit } from "../stores/book";
import { projectReadingCorrections } from "../tanks/corrected";
import { refreshStatus } from "../tanks/status";
import { recordBatch } from "../water/saltBatches";
import { projectCounts } from "./projectCounts";
import { followUpIds, followUpStops, followUps, projectCourse, withTold } from "./projectTroubles";
import { beforeOf, DECIDED, intervalBefore, settleTasks } from "./settleTasks";

/** Steps whose time is not their work: the first is reached from the car, pauses are left out. */
const LONGEST_PAUSE = 3;

interface Projection {
  readonly visitId: string;
  readonly ops: readonly VisitOp[];
  /** The log as it was before this batch. */
  readonly before: readonly VisitOp[];
  readonly now: Date;
}

/**
 * Writes what a visit's log says into the tables that plans and lists read. The log decides: whatever this visit wrote
 * before is replaced, so the same log always leaves the same rows.
 */
export async function project(tx: Queries, scope: Scope, { visitId, ops, before, now }: Projection): Promise<void> {
  const topUp = alias(source, "top_up");
  const [row] = await tx
    .select({ visit, stop, tank, source, topUp })
    .from(visit)
    .innerJoin(stop, and(eq(stop.businessId, visit.businessId), eq(stop.id, visit.stopId)))
    .innerJoin(tank, and(eq(tank.businessId, visit.businessId), eq(tank.id, visit.tankId)))
    .innerJoin(source, and(eq(source.businessId, tank.businessId), eq(source.id, tank.sourceId)))
    .innerJoin(topUp, and(eq(topUp.businessId, tank.businessId), eq(topUp.id, tank.topUpSourceId)))
    .where(and(eq(visit.id, visitId), eq(visit.businessId, scope.businessId)));
  if (!row) return;
  const state = visitState(ops);
  const base = { businessId: scope.businessId, tankId: row.tank.id, visitId };
  const on = row.visit.onDate;
  const plan = latestPlan(ops);

  await projectReadings(tx, base, state, scope.zone, factsOf(row.tank));
  const today = civilOf(now.getTime(), scope.zone).date;
  await projectChange(tx, base, state, row.tank, row.source, on, plan?.plan ?? null);
  await projectReadingCorrections(tx, base, state, scope.personId);
  await projectDoses(tx, base, state, scope.zone);
  await projectLevel(tx, base, state, row.tank, on);
  const was = visitState(before);
  await projectPhotos(tx, base, was, state);
  await projectFindings(tx, base, was, state);
  await projectCounts(tx, base, { was, state }, { personId: scope.personId, on });
  if (was.closedAt && !state.closedAt) await takeBack(tx, base, { was, state, on }, row.visit);
  const [had, has] = [await withTold(tx, base, was), await withTold(tx, base, state)];
  await projectCourse(tx, row.tank, { on, was, state });
  if (state.closedAt) await projectDerived(tx, base, { was: had, state: has }, plan?.plan ?? null, on);
  if (state.closedAt && plan) {
    const tasksBefore = row.visit.tasksBefore ?? null;
    const kept = await projectSteps(tx, base, { was, state, tasksBefore }, plan.plan, on);
    if (!tasksBefore) await tx.update(visit).set({ tasksBefore: kept }).where(eq(visit.id, visitId));
    const next = addDays(on, 1);
    await laySite(tx, scope.businessId, row.tank.siteId, today > next ? today : next);
  }
  await followUpStops(tx, scope, row.tank, { ...base, on, was: had, state: has }, { now, today });
  if (state.batch) {
    const { at, ...measured } = state.batch;
    await recordBatch(tx, scope.businessId, row.source.id, { ...measured, at: new Date(at), visitId }, today);
  }

  if (state.closedAt || was.closedAt) {
    const facts = factsOf(row.tank);
    const waters = { source: sourceOf(row.source, on), topUpSource: sourceOf(row.topUp, on) };
    await bookVisit(tx, scope.businessId, {
      ...{ visitId, on, state, personId: scope.personId, van: row.stop.personId, plan: plan?.plan ?? null },
      input: { ...waters, facts, readings: [], kits: await kitsOn(scope.businessId, on) },
    });
  }

  // Somebody was there all the same: what their log says counts, the stop is planned again.
  if (row.visit.state === "off" && state.startedAt) await planStopAgain(tx, row.visit.stopId);
  await tx
    .update(visit)
    .set({
      state: state.closedAt ? "closed" : state.startedAt ? "open" : row.visit.state === "off" ? "off" : "planned",
      startedAt: state.startedAt ? new Date(state.startedAt) : null,
      closedAt: state.closedAt ? new Date(state.closedAt) : null,
      minutes:
        state.startedAt && state.closedAt ? (Date.parse(state.closedAt) - Date.parse(state.startedAt)) / 60_000 : null,
      ...(plan ? { plan } : state.discarded ? { plan: null } : {}),
    })
    .where(eq(visit.id, visitId));
  await refreshStatus(tx, scope.businessId, [row.tank.id], today > on ? today : on);
  if (state.closedAt) await enqueue(tx, scope.businessId, "letter", { stopId: row.visit.stopId });
}

async function planStopAgain(tx: Queries, stopId: string): Promise<void> {
  await tx.update(stop).set({ off: null, offWhy: null }).where(eq(stop.id, stopId));
  await tx
    .update(visit)
    .set({ state: "planned" })
    .where(and(eq(visit.stopId, stopId), eq(visit.state, "off")));
}

/** What a closed visit made of the jobs, of the letter and of what is open, for one that goes on or never was. */
async function takeBack(
  tx: Queries,
  base: Base,
  { was, state, on }: { readonly was: VisitState; readonly state: VisitState; readonly on: string },
  row: typeof visit.$inferSelect,
): Promise<void> {
  await tx.delete(stepLog).where(and(eq(stepLog.businessId, base.businessId), eq(stepLog.visitId, base.visitId)));
  const tasks = await tx
    .select()
    .from(task)
    .where(and(eq(task.businessId, base.businessId), eq(task.tankId, base.tankId)));
  const before = row.tasksBefore;
  if (before) await settleTasks(tx, base, tasks, { before, was, state, on });
  // A letter that nobody has sent says what is no longer so: the next closing writes another.
  await tx
    .delete(letter)
    .where(and(eq(letter.businessId, base.businessId), eq(letter.stopId, row.stopId), isNull(letter.sentAt)));
}

function latestPlan(ops: readonly VisitOp[]): PlanSnapshot | null {
  // What was planned before a visit was called a mistake is no plan of it.
  const from = ops.findLastIndex((o) => o.body.type === "discard") + 1;
  const op = ops.slice(from).findLast((o) => o.body.type === "plan");
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
  facts: TankFacts,
): Promise<void> {
  await tx.delete(reading).where(and(eq(reading.businessId, base.businessId), eq(reading.visitId, base.visitId)));
  if (state.readings.length === 0) return;
  const levelShare = 1 - Math.min(MOST_MISSING, missingL(facts, state.belowMarkCm ?? 0) / systemVolumeL(facts));
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
      item: r.item ?? null,
      kitId: r.kit?.id ?? null,
      kitOffset: r.kit?.offset ?? null,
      kitOffsetSigma: r.kit?.offsetSigma ?? null,
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
  const [known] = await tx
    .select({ chemistry: waterChange.chemistry })
    .from(waterChange)
    .where(eq(waterChange.visitId, base.visitId));
  await tx.delete(waterChange).where(eq(waterChange.visitId, base.visitId));
  const outL = state.litres?.outL ?? 0;
  if (!state.litres || outL <= 0) return;
  const facts = factsOf(tankRow);
  const systemL = systemVolumeL(facts);
  // Where the way is chosen by condition the plan of the day knows which it was.
  const mode = facts.practice.how === "by-condition" && plan?.water.markOn === "none" ? "in-and-out" : modeOf(facts);
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
      Math.min(facts.deadL ?? 0, systemL / 2),
    ),
    // The water as it was then, whatever was measured of it since.
    chemistry: known?.chemistry ?? sourceRow.facts.chemistry,
  });
}

/** What was poured in by hand; a dose that was corrected to none stays as nothing. */
async function projectDoses(tx: Queries, base: Base, state: VisitState, zone: string): Promise<void> {
  await tx.delete(dose).where(and(eq(dose.businessId, base.businessId), eq(dose.visitId, base.visitId)));
  if (state.doses.length === 0) return;
  await tx.insert(dose).values(
    state.doses.map(({ parameter, product, name, amount, unit, perUnit, at }) => ({
      ...base,
      id: v5(`dose ${parameter}`, base.visitId),
      productId: product,
      product: name,
      ...{ parameter, amount, unit, rise: amount * perUnit },
      at: new Date(at),
      onDate: civilOf(Date.parse(at), zone).date,
    })),
  );
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
    missingL: missingL(factsOf(tankRow), state.belowMarkCm),
    days: last ? daysBetween(last.on, on) : null,
  });
}

/** A picture that was taken back goes into the archive; its file stays. */
async function projectPhotos(tx: Queries, base: Base, was: VisitState, state: VisitState): Promise<void> {
  const gone = was.photos.filter((p) => !state.photos.some((x) => x.id === p.id)).map((p) => p.id);
  if (gone.length === 0) return;
  await tx
    .update(photo)
    .set({ archivedAt: new Date() })
    .where(and(eq(photo.businessId, base.businessId), eq(photo.visitId, base.visitId), inArray(photo.id, gone)));
}

async function projectFindings(tx: Queries, base: Base, was: VisitState, state: VisitState): Promise<void> {
  // Of a visit that was a mistake nothing was seen.
  const gone = was.findings.filter((f) => !state.findings.some((x) => x.id === f.id)).map((f) => f.id);
  if (gone.length > 0)
    await tx
      .delete(finding)
      .where(
        and(eq(finding.businessId, base.businessId), eq(finding.visitId, base.visitId), inArray(finding.id, gone)),
      );
  for (const f of state.findings) {
    const of = and(eq(finding.businessId, base.businessId), eq(finding.tankId, base.tankId), eq(finding.id, f.id));
    const [known] = await tx.select({ id: finding.id }).from(finding).where(of);
    const outcome = { state: f.outcome?.how ?? ("open" as const), dueOn: f.outcome?.on ?? null };
    const said = was.findings.find((x) => x.id === f.id)?.outcome ?? null;
    // What a later visit made of it stays, unless this batch says something new of it.
    if (known && f.outcome && JSON.stringify(f.outcome) !== JSON.stringify(said))
      await tx.update(finding).set(outcome).where(of);
    if (!known)
      await tx.insert(finding).values({
        ...base,
        id: f.id,
        kind: f.kind,
        text: f.text,
        ...outcome,
        seenAt: new Date(f.at),
      });
  }
}

type NewFinding = typeof finding.$inferInsert;

/**
 * Findings that follow from the log: gear left off, a sump without room, filters that did not get their rest. The id follows
 * from visit and reason, so that the same log makes each once; one that the log does not call for any more goes, unless
 * somebody has answered it.
 */
async function projectDerived(
  tx: Queries,
  base: Base,
  { was, state }: { readonly was: VisitState; readonly state: VisitState },
  plan: VisitPlan | null,
  on: string,
): Promise<void> {
  const at = new Date(state.closedAt ?? Date.now());
  const wanted = [
    ...leftOff(base, state),
    ...notSeen(base, state),
    ...followUps(base, state, on),
    ...(plan ? unrested(base, state, plan, on, at) : []),
    ...(plan?.water.runBack?.tight && !(await roomIsKnown(tx, base)) ? [noRoom(base, at)] : []),
  ];
  const possible = [
    ...SWITCH_GEAR.map((gear) => v5(gear, base.visitId)),
    ...Object.keys(state.overridden).flatMap((code) => CARE_DAYS.map((days) => v5(`${code} ${days}`, base.visitId))),
    v5(NO_ROOM_ID, base.visitId),
    ...[...was.counts, ...state.counts].map((c) => v5(c.animal, base.visitId)),
    ...followUpIds(base, [was, state], on),
  ];
  const gone = possible.filter((id) => !wanted.some((f) => f.id === id));
  await tx
    .delete(finding)
    .where(
      and(
        eq(finding.businessId, base.businessId),
        eq(finding.visitId, base.visitId),
        inArray(finding.id, gone),
        inArray(finding.state, ["open", "carried"]),
      ),
    );
  // What somebody answered stays answered; what is said of it follows the log.
  for (const f of wanted)
    await tx
      .insert(finding)
      .values(f)
      .onDuplicateKeyUpdate({ set: { text: f.text, seenAt: f.seenAt } });
}

/** Animals that were not seen or had died are looked for again: nobody's hands are needed before the visit is closed. */
const notSeen = (base: Base, { counts }: VisitState): NewFinding[] =>
  counts.flatMap(({ animal, name, of, seen, dead, at }) => {
    const missing = of - seen - dead;
    if (missing <= 0 && dead === 0) return [];
    const parts = [
      ...(missing > 0 ? [`${missing} of ${of} not seen`] : []),
      ...(dead > 0 ? [`${dead} found dead`] : []),
    ];
    return [
      {
        ...base,
        id: v5(animal, base.visitId),
        // A fish behind a stone is no alarm; a dead one is.
        kind: dead > 0 ? ("livestock" as const) : ("other" as const),
        text: `${sentence(name).slice(0, -1)}: ${parts.join(", ")}`,
        state: "open" as const,
        dueOn: null,
        seenAt: new Date(at),
      },
    ];
  });

/** Gear that stayed off is a finding of its own: the next visit opens with it. */
const leftOff = (base: Base, state: VisitState): NewFinding[] =>
  Object.entries(state.gear).flatMap(([gear, g]) =>
    g?.state === "left-off"
      ? [
          {
            ...base,
            id: v5(gear, base.visitId),
            kind: "equipment" as const,
            text: `${gearName(gear as SwitchGear)} was left off: ${g.reason ?? "no reason given"}`,
            state: "open" as const,
            seenAt: new Date(g.at),
          },
        ]
      : [],
  );

/** Without figures: whoever reads it has their own units, and the plan says the litres. */
const NO_ROOM = "The sump has too little room for what runs back when the return stops: have its running level lowered";
const NO_ROOM_ID = "no room";

/** A sump that can overflow is a finding until it is mended. */
const noRoom = (base: Base, at: Date): NewFinding => ({
  ...base,
  id: v5(NO_ROOM_ID, base.visitId),
  kind: "safety",
  text: NO_ROOM,
  state: "open",
  seenAt: at,
});

/** Whether another visit has said so already: it is said once. */
async function roomIsKnown(tx: Queries, base: Base): Promise<boolean> {
  const [known] = await tx
    .select({ id: finding.id })
    .from(finding)
    .where(
      and(
        eq(finding.businessId, base.businessId),
        eq(finding.tankId, base.tankId),
        eq(finding.text, NO_ROOM),
        ne(finding.id, v5(NO_ROOM_ID, base.visitId)),
        inArray(finding.state, ["open", "carried", "owner"]),
      ),
    );
  return known !== undefined;
}

/** Days after which ammonia is tested where two units of bacteria were opened too close together. */
const CARE_DAYS = [1, 2] as const;

const unrested = (base: Base, state: VisitState, plan: VisitPlan, on: string, at: Date): NewFinding[] =>
  Object.entries(state.overridden).flatMap(([code, reason]) => {
    const step = plan.steps.find((s) => s.id === code);
    if (!step || state.ticked[code] === undefined) return [];
    return CARE_DAYS.map((days) => ({
      ...base,
      id: v5(`${code} ${days}`, base.visitId),
      kind: "other" as const,
      text: `Test ammonia: ${inSentence(say(step.title, METRIC))} did not keep its four weeks (${reason})`,
      state: "carried" as const,
      dueOn: addDays(on, days),
      seenAt: at,
    }));
  });

/**
 * Steps with the minutes between their ticks, and the jobs of the programme that follow from them.
 *
 * @returns the jobs as they stood before this visit.
 */
async function projectSteps(
  tx: Queries,
  base: Base,
  {
    was,
    state,
    tasksBefore,
  }: {
    readonly was: VisitState;
    readonly state: VisitState;
    readonly tasksBefore: Readonly<Record<string, TaskBefore>> | null;
  },
  plan: VisitPlan,
  on: string,
): Promise<Readonly<Record<string, TaskBefore>>> {
  await tx.delete(stepLog).where(and(eq(stepLog.businessId, base.businessId), eq(stepLog.visitId, base.visitId)));
  const tasks = await tx
    .select()
    .from(task)
    .where(and(eq(task.businessId, base.businessId), eq(task.tankId, base.tankId)));
  const before = tasksBefore ?? beforeOf(tasks);
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
        intervalDays: step.task ? intervalBefore(before[step.task], on) : null,
        reason: done ? null : (reason ?? null),
        sector: done ? (step.sector ?? null) : null,
      },
    ];
  });
  if (rows.length > 0) await tx.insert(stepLog).values(rows);
  await settleTasks(tx, base, tasks, { before, was, state, on });
  return before;
}
