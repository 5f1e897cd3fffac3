import { addDays } from "@keel-round/core/calendar";
import { testOf } from "@keel-round/core/steps";
import { METRIC } from "@keel-round/core/units";
import { sayPlan } from "@keel-round/core/visit";
import { and, eq } from "drizzle-orm";
import { v7 } from "uuid";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, Phone, planOf, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { source, tankStatus, task } from "../schema";
import { judgedRows } from "../tanks/status";

// Each test plans the next visit, logs one before it, and plans the next one again: what was logged must have moved it.
/** The office, which sees every site. */
let maud: Scope;
let businessId: string;
let today: string;

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  maud = await scopeOf(businessId, "Maud");
});

/** This visit and the one after it. */
async function pair(siteName: string) {
  const [now, then] = await visitsOf(businessId, siteName, today);
  if (!now || !then) throw new Error(`Two visits of ${siteName} are needed`);
  return { now, then, plan: () => planOf(businessId, then) };
}

describe("what is logged makes the next plan better", () => {
  test("litres, through readings", async () => {
    const { now, plan } = await pair("Foundry Lofts");
    const before = (await plan()).plan.water.litres.value;
    const phone = new Phone(maud, now.visitId);
    await phone.say(
      { type: "start" },
      { type: "reading", id: v7(), parameter: "nitrate", text: "62", unit: "mg/L", method: "photometer" },
      { type: "reading", id: v7(), parameter: "nitrate", text: "61", unit: "mg/L", method: "photometer" },
    );
    const after = (await plan()).plan.water;
    expect(after.litres.value).toBeGreaterThan(before + 20);
    expect(after.reasons[0]).toMatchObject({ code: "raised", parameter: "nitrate" });
  });

  test("salt, through a batch that was measured", async () => {
    const { now, then, plan } = await pair("Ilves Dental");
    const before = await plan();
    const k = before.input.source.salt?.gramsPerLitre ?? 0;
    const phone = new Phone(maud, now.visitId);
    // 100 L with 3 900 g read 34: this bag alone says 3900·35/(100·34) = 40.15.
    await phone.say({ type: "start" }, { type: "batch", litres: 100, grams: 3900, measuredPsu: 34, confirmed: false });
    const after = await plan();
    expect(after.input.source.salt?.gramsPerLitre).toBeCloseTo(k + 0.5 * (40.147 - k), 2);
    const perLitre = (p: typeof after) =>
      (p.plan.water.saltG?.value ?? 0) / (p.plan.water.saltWaterL?.value ?? 1) / (p.plan.water.mixPsu ?? 35);
    expect(perLitre(after)).toBeGreaterThan(perLitre(before));
    // Said again, it is the same batch: the figure does not creep.
    await phone.say({ type: "note", text: "again" });
    expect((await plan()).input.source.salt?.gramsPerLitre).toBeCloseTo(after.input.source.salt?.gramsPerLitre ?? 0, 9);
    // One that is far off is questioned and not learnt.
    await new Phone(maud, then.visitId).say(
      { type: "start" },
      { type: "batch", litres: 100, grams: 3900, measuredPsu: 25, confirmed: false },
    );
    const [row] = await db().select().from(source).where(eq(source.id, now.sourceId));
    expect(row?.facts.salt?.gramsPerLitre).toBeCloseTo(after.input.source.salt?.gramsPerLitre ?? 0, 9);
  });

  test("minutes, through what a step took; a skipped job, through its reason; a filter's interval, through its dirt", async () => {
    const { now, plan } = await pair("Customs House");
    const before = await plan();
    const { input, plan: todays } = await planOf(businessId, now);
    const phone = new Phone(maud, now.visitId, v7(), Date.parse(`${now.on}T09:00:00Z`));
    const ops = [
      phone.op({ type: "start" }),
      phone.op({ type: "plan", inputHash: "x", coreVersion: 1, summary: "", plan: todays }),
    ];
    const skipped = todays.steps.find((s) => s.id === "test-nitrate")?.id ?? "";
    for (const step of todays.steps) {
      if (step.id.startsWith("held:")) continue;
      if (step.id === skipped) ops.push(phone.op({ type: "skip", step: step.id, reason: "reagent ran out" }));
      else if (testOf(step)) ops.push(phone.op({ type: "tick", step: step.id }, step.minutes));
      // The glass took more than twice its time.
      else
        ops.push(
          phone.op(
            { type: "tick", step: step.id },
            step.id === "glass-inside" ? step.minutes * 2.4 : Math.max(0.3, step.minutes),
          ),
        );
    }
    for (const f of input.findings) ops.push(phone.op({ type: "resolve", id: f.id, how: "fixed" }));
    ops.push(phone.op({ type: "close" }));
    expect((await phone.send(ops)).filter((r) => r.result !== "applied")).toEqual([]);
    const after = await plan();

    const minutes = (p: typeof after) => p.plan.steps.find((s) => s.id === "glass-inside")?.minutes ?? 0;
    expect(minutes(after)).toBeGreaterThan(minutes(before) * 1.02);
    expect(after.input.tasks.find((t) => t.code === "test-nitrate")).toMatchObject({
      slips: 1,
      lastSkipReason: "reagent ran out",
    });
    expect(sayPlan(after.plan, METRIC).steps.find((s) => s.id === "test-nitrate")?.reason).toContain("reagent ran out");
  });

  test("evaporation, through the level found", async () => {
    const { now, plan } = await pair("Bellmaker's");
    const before = await plan();
    await new Phone(maud, now.visitId).say({ type: "start" }, { type: "level", belowCm: 6 });
    const after = await plan();
    expect(after.input.facts.evaporationLPerDay).toBeGreaterThan(before.input.facts.evaporationLPerDay * 1.1);
    expect(after.plan.water.freshL?.value ?? 0).toBeGreaterThan(before.plan.water.freshL?.value ?? 0);
  });

  test("what was seen opens the next visit", async () => {
    const { now, plan } = await pair("Tanner's Inn");
    const id = v7();
    await new Phone(maud, now.visitId).say(
      { type: "start" },
      { type: "finding", id, kind: "equipment", text: "Impeller rattles" },
      { type: "resolve", id, how: "carried", on: addDays(today, 7) },
    );
    expect((await plan()).plan.steps.some((s) => s.id === `finding:${id}`)).toBe(true);
  });

  test("gear that was left off is asked about at the next visit", async () => {
    const { now, plan } = await pair("Quince house");
    const { input } = await planOf(businessId, now);
    const phone = new Phone(maud, now.visitId);
    const answers = input.findings.map((f) => ({ type: "resolve", id: f.id, how: "fixed" }) as const);
    await phone.say(
      { type: "start" },
      ...answers,
      { type: "switch", gear: "heater", state: "off" },
      { type: "switch", gear: "heater", state: "left-off", reason: "defective" },
      { type: "close" },
    );
    // A late note writes the same log's rows again, and still there is one.
    await phone.say({ type: "note", text: "a new heater is ordered" });
    const steps = sayPlan((await plan()).plan, METRIC).steps.filter((s) => s.id.startsWith("finding:"));
    expect(steps.map((s) => s.title)).toEqual(["Look again: heater was left off: defective"]);
  });

  test("a job done moves its due date, and one that was filthy comes sooner", async () => {
    const { now, plan } = await pair("Harbour Office");
    await db()
      .update(task)
      .set({ lastDoneOn: addDays(now.on, -7) })
      .where(and(eq(task.tankId, now.tankId), eq(task.code, "skimmer-cup")));
    const { plan: todays, input } = await planOf(businessId, now);
    const done = todays.steps.find((s) => s.task === "skimmer-cup");
    expect(done).toBeDefined();
    const phone = new Phone(maud, now.visitId);
    await phone.say(
      { type: "start" },
      { type: "plan", inputHash: "x", coreVersion: 1, summary: "", plan: todays },
      { type: "dirt", step: "skimmer-cup", dirt: 5 },
      { type: "tick", step: "skimmer-cup" },
      ...input.findings.map((f) => ({ type: "resolve", id: f.id, how: "fixed" }) as const),
      { type: "close" },
    );
    const cup = (await plan()).input.tasks.find((t) => t.code === "skimmer-cup");
    expect(cup?.lastDoneOn).toBe(now.on);
    // Filthy after about a week: the interval shortens at once.
    expect(cup?.everyDays).toBeLessThan(7);
  });
});

test("the status rows are what a rebuild from the log gives", async () => {
  const stored = await db().select().from(tankStatus).where(eq(tankStatus.businessId, businessId));
  expect(stored.length).toBe(39);
  for (const on of new Set(stored.map((s) => s.judgedOn))) {
    const rows = stored.filter((s) => s.judgedOn === on);
    const again = await judgedRows(
      db(),
      businessId,
      rows.map((r) => r.tankId),
      on,
    );
    expect(again.map((r) => JSON.parse(JSON.stringify(r)))).toEqual(rows.map((r) => JSON.parse(JSON.stringify(r))));
    for (const row of rows) expect(row.nextVisit?.minutes, row.tankId).toBeGreaterThan(5);
  }
});
