import type { VisitOp, VisitPlan } from "@keel-round/core/visit";
import { and, eq } from "drizzle-orm";
import fc from "fast-check";
import { v7 } from "uuid";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, planOf, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { inTransaction } from "../database/transaction";
import { finding, levelLog, operation, reading, stepLog, task, visit, waterChange } from "../schema";
import { postOperations } from "./operations";

/** Some here; many more under `npm run proof`. */
const HISTORIES = Number(process.env.KEEL_ROUND_HISTORIES ?? 5);

let businessId: string;
let ines: Scope;
let at: Awaited<ReturnType<typeof visitsOf>>[number];
let plan: VisitPlan;
let tasksAsTheyStood: (typeof task.$inferSelect)[];
let visitAsItStood: typeof visit.$inferSelect;

beforeAll(async () => {
  const demo = await demoBusiness();
  businessId = demo.businessId;
  ines = await scopeOf(demo.businessId, "Ines");
  const visits = await visitsOf(demo.businessId, "Lanehead Clinic", demo.today);
  const [first] = visits;
  if (!first) throw new Error("no visit");
  at = first;
  ({ plan } = await planOf(demo.businessId, at));
  const code = plan.steps.find((s) => s.task)?.task ?? "";
  // A job that somebody put on this day: done it comes free, taken back it is there again.
  await db()
    .update(task)
    .set({ pin: { on: at.on, by: "Ines" } })
    .where(and(eq(task.businessId, businessId), eq(task.tankId, at.tankId), eq(task.code, code)));
  tasksAsTheyStood = await db().select().from(task).where(eq(task.tankId, at.tankId));
  [visitAsItStood] = (await db().select().from(visit).where(eq(visit.id, at.visitId))) as [typeof visitAsItStood];
});

/** The tank as it was before its visit. */
async function asItWas(): Promise<void> {
  // As the application writes: another file of tests may hold a lock beside these rows.
  await inTransaction(async (tx) => {
    for (const table of [operation, reading, stepLog, finding, waterChange, levelLog])
      await tx
        .delete(table as typeof reading)
        .where(and(eq(table.businessId, businessId), eq(table.visitId, at.visitId)));
    for (const { id, ...row } of tasksAsTheyStood) await tx.update(task).set(row).where(eq(task.id, id));
    const { id, ...row } = visitAsItStood;
    await tx.update(visit).set(row).where(eq(visit.id, id));
  });
}

const bare = <T extends { id?: string }>(rows: readonly T[]) =>
  rows.map(({ id: _, ...row }) => JSON.stringify(row)).sort();

/** Every row that the visit's log made or moved; ids that are made anew each time are left out. */
async function rowsNow() {
  const of = <T extends typeof reading | typeof stepLog | typeof waterChange | typeof levelLog>(t: T) =>
    db()
      .select()
      .from(t as typeof reading)
      .where(eq(t.visitId, at.visitId));
  const tasks = await db().select().from(task).where(eq(task.tankId, at.tankId)).orderBy(task.code);
  const [v] = await db().select().from(visit).where(eq(visit.id, at.visitId));
  return {
    tasks: tasks.map((t) => JSON.stringify(t)),
    steps: bare(await of(stepLog)),
    readings: bare(await of(reading)),
    changes: bare(await of(waterChange)),
    levels: bare(await of(levelLog)),
    findings: (await db().select().from(finding).where(eq(finding.visitId, at.visitId)))
      .map((f) => JSON.stringify(f))
      .sort(),
    visit: JSON.stringify({ ...v, version: 0 }),
  };
}

let clock = Date.parse("2026-03-02T08:00:00Z");
/** Operations of one device, in its sequence. */
const device = (bodies: readonly VisitOp["body"][]): VisitOp[] => {
  const name = v7();
  return bodies.map((body, i) => {
    clock += 60_000;
    return { opId: v7(), device: name, seq: i + 1, at: new Date(clock).toISOString(), body };
  });
};
const begin = (): VisitOp["body"][] => [
  { type: "start" },
  { type: "plan", inputHash: "x", coreVersion: 1, summary: "", plan },
];
/** Every finding and every slip that stands in the way of closing is answered first. */
const answers = (): VisitOp["body"][] => [
  ...plan.steps.filter((s) => (s.slips ?? 0) >= 2).map((s) => ({ type: "decide", task: s.id, what: "must" }) as const),
];

async function send(arrivals: readonly VisitOp[], cuts: readonly number[]): Promise<void> {
  let from = 0;
  for (const cut of [...cuts, arrivals.length]) {
    const results = await postOperations(ines, at.visitId, arrivals.slice(from, cut), new Date("2026-03-02T12:00:00Z"));
    expect(results.filter((r) => r.result === "refused")).toEqual([]);
    from = cut;
  }
}

const stepIds = () => plan.steps.map((s) => s.id);
const anyEntry = (steps: readonly string[]): fc.Arbitrary<VisitOp["body"]> => {
  const step = fc.constantFrom(...steps);
  return fc.oneof(
    step.map((s) => ({ type: "tick", step: s }) as const),
    step.map((s) => ({ type: "tick", step: s }) as const),
    step.map((s) => ({ type: "untick", step: s }) as const),
    fc.tuple(step, fc.integer({ min: 1, max: 5 })).map(([s, dirt]) => ({ type: "dirt", step: s, dirt }) as const),
    step.map((s) => ({ type: "skip", step: s, reason: "no time" }) as const),
    step.map((s) => ({ type: "override", task: s, reason: "it stank" }) as const),
    fc
      .tuple(step, fc.constantFrom("must", "rarer", "owner", "rest"))
      .map(([s, what]) => ({ type: "decide", task: s, what }) as VisitOp["body"]),
    fc.constant({ type: "note", text: "Seen" } as const),
  );
};
const own: fc.Arbitrary<VisitOp["body"]> = fc.oneof(
  fc.double({ min: 1, max: 20, noNaN: true }).map((outL) => ({ type: "litres", outL, inL: outL }) as const),
  fc.double({ min: 0, max: 4, noNaN: true }).map((belowCm) => ({ type: "level", belowCm }) as const),
  fc.constant({ type: "switch", gear: "filter", state: "left-off", reason: "leaks" } as const),
  fc.constant({ type: "switch", gear: "filter", state: "on" } as const),
  fc.integer({ min: 1, max: 60 }).map((n) => {
    const id = v7();
    return { type: "reading", id, parameter: "nitrate", text: String(n), unit: "mg/L", method: "liquid kit" } as const;
  }),
);

describe("the same log leaves the same rows", () => {
  test("however it is cut into batches, also where entries come in after the close", async () => {
    const steps = stepIds();
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.oneof(anyEntry(steps), own), { minLength: 2, maxLength: 10 }),
        fc.array(fc.oneof(anyEntry(steps), own), { minLength: 1, maxLength: 6 }),
        fc.array(fc.nat(17), { maxLength: 5 }),
        async (work, late, cuts) => {
          const ops = device([...begin(), ...work, ...answers(), { type: "close" }, ...late]);
          await asItWas();
          await send(ops, []);
          const whole = await rowsNow();
          await asItWas();
          await send(
            ops,
            [...new Set(cuts.map((c) => Math.min(c + 1, ops.length)))].sort((a, b) => a - b),
          );
          expect(await rowsNow()).toEqual(whole);
          // One at a time: every entry after the close is a late one.
          await asItWas();
          await send(
            ops,
            ops.map((_, i) => i + 1),
          );
          expect(await rowsNow()).toEqual(whole);
        },
      ),
      { numRuns: HISTORIES, endOnFailure: true },
    );
  }, 3_600_000);

  test("in whatever order two devices arrive that write of different things", async () => {
    const steps = stepIds();
    const half = Math.floor(steps.length / 2);
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.oneof(anyEntry(steps.slice(0, half)), own), { minLength: 1, maxLength: 8 }),
        fc.array(anyEntry(steps.slice(half)), { minLength: 1, maxLength: 8 }),
        fc.array(fc.boolean(), { minLength: 40, maxLength: 40 }),
        async (first, second, turns) => {
          const [start, ...a] = device([...begin(), ...first, ...answers(), { type: "close" }]);
          const b = device(second.filter((o) => o.type !== "note"));
          if (!start) return;
          const merged: VisitOp[] = [start];
          const [left, right] = [[...a], [...b]];
          for (const turn of turns) {
            const next = (turn ? left : right).shift();
            if (next) merged.push(next);
          }
          merged.push(...left, ...right);
          await asItWas();
          await send([start, ...b, ...a], []);
          const early = await rowsNow();
          for (const arrivals of [[start, ...a, ...b], merged]) {
            await asItWas();
            await send(
              arrivals,
              arrivals.map((_, i) => i + 1),
            );
            expect(await rowsNow()).toEqual(early);
          }
        },
      ),
      { numRuns: HISTORIES, endOnFailure: true },
    );
  }, 3_600_000);
});

describe("a late entry", () => {
  test("leaves the long jobs laid on their days", async () => {
    await asItWas();
    await send(device([...begin(), ...answers(), { type: "close" }]), []);
    const laid = (await db().select().from(task).where(eq(task.tankId, at.tankId))).filter((t) => t.plannedOn);
    expect(laid.length).toBeGreaterThan(0);
    await send(device([{ type: "note", text: "The lamp flickers" }]), []);
    const after = await db().select().from(task).where(eq(task.tankId, at.tankId));
    for (const t of laid) expect(after.find((x) => x.id === t.id)?.plannedOn, t.code).toBe(t.plannedOn);
  });
  test("does not undo what somebody has set at the desk since", async () => {
    const step = plan.steps.find((s) => s.task)?.task ?? "";
    await asItWas();
    await send(
      device([...begin(), { type: "tick", step }, { type: "dirt", step, dirt: 5 }, ...answers(), { type: "close" }]),
      [],
    );
    const [row] = tasksAsTheyStood.filter((t) => t.code === step);
    await db()
      .update(task)
      .set({ everyDays: 99 })
      .where(eq(task.id, row?.id ?? ""));
    await send(device([{ type: "note", text: "Later" }]), []);
    const [now] = await db()
      .select()
      .from(task)
      .where(eq(task.id, row?.id ?? ""));
    expect(now?.everyDays).toBe(99);
  });
  test("does not open again what a later visit has put right", async () => {
    await asItWas();
    const id = v7();
    await send(
      device([
        ...begin(),
        { type: "finding", id, kind: "other", text: "A drip" },
        { type: "resolve", id, how: "carried", on: "2026-04-01" },
        ...answers(),
        { type: "close" },
      ]),
      [],
    );
    await db().update(finding).set({ state: "fixed", dueOn: null }).where(eq(finding.id, id));
    await send(device([{ type: "note", text: "Later" }]), []);
    expect((await db().select().from(finding).where(eq(finding.id, id)))[0]?.state).toBe("fixed");
  });
});
