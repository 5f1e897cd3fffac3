import { addDays } from "@keel-round/core/calendar";
import { conditionOf, type PlanInput, programmeOn } from "@keel-round/core/given";
import { letterFor, wordingAfter } from "@keel-round/core/letter";
import type { TankTask } from "@keel-round/core/programme";
import { testOf } from "@keel-round/core/steps";
import { METRIC, type Parameter } from "@keel-round/core/units";
import { type VisitOp, visitState } from "@keel-round/core/visit";
import { and, asc, eq, gte, inArray, isNull, lt } from "drizzle-orm";
import { db } from "@/data/database/connection";
import { groupBy } from "@/data/database/groupBy";
import { newId } from "@/data/database/ids";
import { writeEntries } from "@/data/find/entries";
import { addressed, letterTokenHash } from "@/data/letters/letters";
import { loadPlanInputs } from "@/data/plan/planInputs";
import * as t from "@/data/schema";
import { renderLetterPage } from "@/places/letters/render";
import { Rows } from "./rows.ts";
import { walkThrough } from "./walkThrough.ts";

const YEAR_DAYS = 365;
const MINUTE_MS = 60_000;
/** The last ones wait to be read. */
const TO_READ = 2;

/** What a visit of the year left in the log. */
interface Logged {
  readonly readings: ReadonlyMap<string, typeof t.reading.$inferSelect>;
  readonly changedL: number;
  readonly done: ReadonlySet<string>;
  readonly left: ReadonlyMap<string, string>;
}

/** The operations of a visit as they must have been for its rows to be what they are: nothing that no row says. */
function opsOf(input: PlanInput, startMs: number, log: Logged) {
  const { plan, ops } = walkThrough(input, startMs, () => 0);
  const steps = new Map(plan.steps.map((s) => [s.id, s]));
  const kept = ops.flatMap((op): VisitOp[] => {
    const { body } = op;
    switch (body.type) {
      case "plan":
        // What was read stands in its rows, whatever the plan asked for.
        return [op, ...[...log.readings.values()].map((row, i) => readingOp(row, op, i))];
      case "litres":
        return log.changedL > 0 ? [{ ...op, body: { type: "litres", outL: log.changedL, inL: log.changedL } }] : [];
      case "tick": {
        const step = steps.get(body.step);
        if (!step) return [];
        const test = testOf(step);
        if (test) return log.readings.has(test) ? [op] : [];
        if (!step.task) return [op];
        if (log.done.has(step.task)) return [op];
        const reason = log.left.get(step.task);
        return reason ? [{ ...op, body: { type: "skip", step: step.id, reason } }] : [];
      }
      case "reading":
      case "count":
      case "dose":
      case "resolve":
        return [];
      default:
        return [op];
    }
  });
  return { plan, state: visitState(kept) };
}

/** A reading of the rows as a phone would have logged it. */
const readingOp = (row: typeof t.reading.$inferSelect, { device, at, seq }: VisitOp, i: number): VisitOp => ({
  ...{ opId: row.id, device, at, seq: seq + (i + 1) / 1000 },
  body: {
    ...{ type: "reading", id: row.id, parameter: row.parameter as Parameter },
    ...{ text: row.entered, unit: row.unit, method: row.method },
  },
});

/**
 * Letters of the visits of the last year, as they left the firm: made by the program itself from what was logged, sent half an
 * hour after the visit. Their PDFs are set when somebody asks for them.
 */
export async function writeYear(businessId: string, siteNames: readonly string[], today: string): Promise<void> {
  const q = db();
  const [firm] = await q.select().from(t.business).where(eq(t.business.id, businessId));
  if (!firm) throw new Error("There is no business to write letters of.");
  const visits = await q
    .select({ visit: t.visit, stop: t.stop, site: t.site, client: t.client, person: t.person })
    .from(t.visit)
    .innerJoin(t.stop, eq(t.stop.id, t.visit.stopId))
    .innerJoin(t.site, eq(t.site.id, t.stop.siteId))
    .innerJoin(t.client, eq(t.client.id, t.site.clientId))
    .innerJoin(t.person, eq(t.person.id, t.stop.personId))
    .where(
      and(
        ...[eq(t.visit.businessId, businessId), inArray(t.site.name, [...siteNames]), eq(t.visit.state, "closed")],
        ...[gte(t.visit.onDate, addDays(today, -YEAR_DAYS)), lt(t.visit.onDate, today)],
        // What was logged by operations gets its letter from the jobs.
        isNull(t.visit.plan),
      ),
    )
    .orderBy(asc(t.visit.onDate), asc(t.visit.id));
  const logs = await logsOf(visits.map((v) => v.visit.id));
  const steps = groupBy(
    await q
      .select({ tankId: t.stepLog.tankId, step: t.stepLog.step, on: t.stepLog.onDate, outcome: t.stepLog.outcome })
      .from(t.stepLog)
      .where(eq(t.stepLog.businessId, businessId)),
    (s) => s.tankId,
  );
  const days = groupBy(
    await q
      .select({ siteId: t.stop.siteId, on: t.stop.onDate })
      .from(t.stop)
      .where(and(eq(t.stop.businessId, businessId), isNull(t.stop.off)))
      .orderBy(asc(t.stop.onDate)),
    (s) => s.siteId,
  );
  const letters: (typeof t.letter.$inferInsert)[] = [];
  for (const ofSite of groupBy(visits, (v) => v.site.id).values()) {
    const inputs = await loadPlanInputs(
      q,
      businessId,
      ofSite.map((v) => ({ visitId: v.visit.id, tankId: v.visit.tankId, on: v.visit.onDate })),
    );
    const stops = [...groupBy(ofSite, (v) => v.stop.id).values()];
    const previous: Record<string, Partial<Record<Parameter, { value: number; on: string }>>> = {};
    let before = "";
    for (const atStop of stops) {
      const [head] = atStop;
      if (!head) continue;
      const on = head.stop.onDate;
      const wording = wordingAfter(before, METRIC);
      const tanks = atStop.flatMap(({ visit }) => {
        const input = inputs.get(visit.id);
        const log = logs(visit.id);
        if (!input || !visit.startedAt) return [];
        const before = steps.get(visit.tankId) ?? [];
        const { treatment, ...facts } = input.facts;
        const planned: PlanInput = {
          ...input,
          facts: treatment && treatment.startedOn <= on ? input.facts : facts,
          tasks: input.tasks.map((task) =>
            asOn(
              task,
              before.filter((s) => s.on < on),
              on,
            ),
          ),
        };
        const { plan, state } = opsOf(planned, visit.startedAt.getTime(), log);
        const known = { ...previous[visit.tankId] };
        for (const [p, r] of log.readings)
          previous[visit.tankId] = { ...previous[visit.tankId], [p]: { value: r.value, on: r.onDate } };
        // How the tank was once this visit's readings were in.
        const after: PlanInput = {
          ...planned,
          tasks: input.tasks.map((task) =>
            asOn(
              task,
              before.filter((s) => s.on <= on),
              on,
            ),
          ),
          readings: [...input.readings, ...[...log.readings.values()].map(asRead)],
        };
        return [
          letterFor({
            ...{ facts: planned.facts, plan, state, condition: conditionOf(after), previous: known },
            ...{ tasks: programmeOn(after, true), on, phone: firm.phone, units: METRIC, wording },
          }),
        ];
      });
      const next = days.get(head.site.id)?.find((d) => d.on > on)?.on;
      const content = addressed(
        { business: firm, client: head.client, site: head.site, person: head.person },
        { on, tanks, next: next ? { on: next, about: null } : null, revision: 1 },
      );
      const page = renderLetterPage(content, { mark: null, photos: {} });
      before = page.plain;
      const closedAt = Math.max(...atStop.map((v) => v.visit.closedAt?.getTime() ?? 0));
      const id = newId();
      letters.push({
        ...{ id, businessId, clientId: head.client.id, stopId: head.stop.id, revision: 1, pdf: null, content },
        ...{ ...page, tokenHash: letterTokenHash(id) },
        ...{ createdAt: new Date(closedAt + MINUTE_MS), setAt: new Date(closedAt + MINUTE_MS) },
        queuedAt: new Date(closedAt + 30 * MINUTE_MS),
        sentAt: head.client.lettersBy === "none" ? null : new Date(closedAt + 31 * MINUTE_MS),
      });
    }
  }
  letters.sort((a, b) => Number(a.createdAt) - Number(b.createdAt));
  const waiting = letters.slice(-TO_READ).map((l) => ({ ...l, queuedAt: null, sentAt: null }));
  const rows = new Rows();
  for (const letter of [...letters.slice(0, -TO_READ), ...waiting]) rows.add(t.letter, letter);
  await rows.write();
  await writeEntries(q, businessId, { entity: "letter", ids: letters.map((l) => l.id) });
}

/** A job as it stood on an earlier day: done when the log says so, and put off as often as it was left since. */
function asOn(
  task: TankTask,
  steps: readonly { readonly step: string; readonly on: string; readonly outcome: string }[],
  on: string,
): TankTask {
  const until = steps.filter((s) => s.step === task.code);
  const done = until.filter((s) => s.outcome === "done").map((s) => s.on);
  const last = done.sort().at(-1);
  return {
    ...task,
    lastDoneOn: last ?? addDays(on, -Math.round(task.everyDays / 2)),
    slips: until.filter((s) => s.outcome === "skipped" && s.on > (last ?? "")).length,
  };
}

const asRead = (r: typeof t.reading.$inferSelect): PlanInput["readings"][number] => ({
  ...{ parameter: r.parameter as Parameter, value: r.value, sigma: r.sigma, on: r.onDate },
});

/** The rows of some visits, by the visit. */
async function logsOf(visitIds: readonly string[]): Promise<(visitId: string) => Logged> {
  const q = db();
  const [readings, changes, steps] = [
    await q
      .select()
      .from(t.reading)
      .where(inArray(t.reading.visitId, [...visitIds])),
    await q
      .select()
      .from(t.waterChange)
      .where(inArray(t.waterChange.visitId, [...visitIds])),
    await q
      .select()
      .from(t.stepLog)
      .where(inArray(t.stepLog.visitId, [...visitIds])),
  ];
  const [read, changed, worked] = [
    groupBy(readings, (r) => r.visitId),
    new Map(changes.map((c) => [c.visitId, c.outL])),
    groupBy(steps, (s) => s.visitId),
  ];
  return (id) => {
    const log = worked.get(id) ?? [];
    return {
      readings: new Map((read.get(id) ?? []).map((r) => [r.parameter, r])),
      changedL: changed.get(id) ?? 0,
      done: new Set(log.filter((s) => s.outcome === "done").map((s) => s.step)),
      left: new Map(log.filter((s) => s.outcome === "skipped").map((s) => [s.step, s.reason ?? ""])),
    };
  };
}
