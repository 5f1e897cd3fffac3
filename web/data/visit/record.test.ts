import type { VisitOp } from "@keel-round/core/visit";
import { and, eq } from "drizzle-orm";
import { v7 } from "uuid";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, Phone, planOf, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { finding, letter, reading, site, stop, task, visit, waterChange } from "../schema";
import { addAfterwards, loadVisitRecord } from "./record";

type Change = Extract<VisitOp["body"], { type: "correct" }>["change"];

let businessId: string;
let today: string;
let [ines, maud, tobiah]: Scope[] = [];
const as = (who: Scope | undefined): Scope => {
  if (!who) throw new Error("nobody");
  return who;
};
const nitrate = (id: string, text: string) =>
  ({ type: "reading", id, parameter: "nitrate", text, unit: "mg/L", method: "liquid kit" }) as const;
const correct = (who: Scope | undefined, visitId: string, change: Change, now = new Date()) =>
  addAfterwards(as(who), { visitId, body: { type: "correct", why: "misread", change } }, now);

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  [ines, maud, tobiah] = await Promise.all(["Ines", "Maud", "Tobiah"].map((name) => scopeOf(businessId, name)));
});

/** A visit of a site that Ines did and closed, with what was said in between. */
async function closed(siteName: string, ...between: VisitOp["body"][]) {
  const [v] = await visitsOf(businessId, siteName, today);
  if (!v) throw new Error(`No visit of ${siteName}`);
  const { plan } = await planOf(businessId, v);
  const phone = new Phone(as(ines), v.visitId);
  const results = await phone.say(
    { type: "start" },
    { type: "plan", inputHash: "x", coreVersion: 1, summary: "", plan },
    ...between,
    { type: "close" },
  );
  expect(results.map((r) => r.result)).not.toContain("refused");
  const [row] = await db().select().from(visit).where(eq(visit.id, v.visitId));
  const jobs = plan.steps.flatMap((s) => (s.task ? [s.id] : []));
  return { ...v, plan, jobs, phone, stopId: row?.stopId ?? "" };
}
const readingsOf = (visitId: string) => db().select().from(reading).where(eq(reading.visitId, visitId));
const jobOf = async (tankId: string, code: string) =>
  (
    await db()
      .select()
      .from(task)
      .where(and(eq(task.tankId, tankId), eq(task.code, code)))
  )[0];

describe("a closed visit", () => {
  test("is put right by the office: the reading, the change and the job follow, old and new stay", async () => {
    const id = v7();
    const v = await closed("Kettle Diner");
    await correct(maud, v.visitId, nitrate(id, "40"));
    await correct(maud, v.visitId, nitrate(id, "14"));
    expect((await readingsOf(v.visitId)).map((r) => [r.id, r.value])).toEqual([[id, 14]]);
    await correct(maud, v.visitId, { type: "litres", outL: 30 });
    await correct(maud, v.visitId, { type: "litres", outL: 24 });
    expect(
      (await db().select().from(waterChange).where(eq(waterChange.visitId, v.visitId))).map((c) => c.outL),
    ).toEqual([24]);
    const record = await loadVisitRecord(as(maud), v.visitId, new Date());
    expect(record.corrections.map(({ what, was, now, by, why }) => [what, was, now, by, why])).toEqual([
      ["Nitrate", "not entered", "40 mg/L", "Maud Oyelaran", "misread"],
      ["Nitrate", "40 mg/L", "14 mg/L", "Maud Oyelaran", "misread"],
      ["Drained", "not entered", "30\u00a0L", "Maud Oyelaran", "misread"],
      ["Drained", "30\u00a0L", "24\u00a0L", "Maud Oyelaran", "misread"],
    ]);
    const [code = ""] = v.jobs;
    const was = await jobOf(v.tankId, code);
    await correct(maud, v.visitId, { type: "tick", step: code });
    expect((await jobOf(v.tankId, code))?.lastDoneOn).toBe(v.on);
    await correct(maud, v.visitId, { type: "untick", step: code });
    expect((await jobOf(v.tankId, code))?.lastDoneOn).toBe(was?.lastDoneOn);
  });

  test("is put right by its author until the letter is sent, then for a week; by nobody else but the office", async () => {
    const v = await closed("Town Museum");
    await expect(correct(tobiah, v.visitId, { type: "litres", outL: 5 })).rejects.toBeDefined();
    const inAMonth = new Date(Date.now() + 30 * 86_400_000);
    await correct(ines, v.visitId, { type: "litres", outL: 5 }, inAMonth);
    await db()
      .insert(letter)
      .values({
        id: newId(),
        businessId,
        clientId: await clientOf(v.stopId),
        stopId: v.stopId,
        revision: 9,
        subject: "",
        html: "",
        plain: "",
        pdf: Buffer.from(""),
        tokenHash: newId(),
        createdAt: new Date(),
        sentAt: new Date(),
      });
    await correct(ines, v.visitId, { type: "litres", outL: 6 });
    await expect(correct(ines, v.visitId, { type: "litres", outL: 7 }, inAMonth)).rejects.toMatchObject({
      code: "too-late",
      message: expect.stringContaining("seven days"),
    });
    await correct(maud, v.visitId, { type: "litres", outL: 7 }, inAMonth);
    expect(await loadVisitRecord(as(ines), v.visitId, inAMonth)).toMatchObject({ letterSent: true, mayCorrect: false });
    expect(await loadVisitRecord(as(maud), v.visitId, inAMonth)).toMatchObject({ mayCorrect: true });
  });

  test("refuses what could not have been logged, in a sentence, and keeps nothing of it", async () => {
    const v = await closed("Lanehead Clinic");
    await expect(correct(maud, v.visitId, { type: "litres", outL: 90_000 })).rejects.toMatchObject({
      status: 422,
      message: "There is not so much water in this tank. Check the litres.",
    });
    await expect(correct(maud, v.visitId, { type: "reading-back", id: v7() })).rejects.toMatchObject({
      message: "That reading was taken back already.",
    });
    expect((await loadVisitRecord(as(maud), v.visitId, new Date())).corrections).toEqual([]);
  });

  test("that was closed too early goes on: its jobs and its unsent letter are as before, until it is closed again", async () => {
    const [v0] = await visitsOf(businessId, "Ferry Street School", today);
    const first = v0 && (await planOf(businessId, v0)).plan.steps.find((s) => s.task);
    const code = first?.id ?? "";
    const was = await jobOf(v0?.tankId ?? "", code);
    const v = await closed("Ferry Street School", { type: "tick", step: code });
    expect((await jobOf(v.tankId, code))?.lastDoneOn).toBe(v.on);
    await addAfterwards(
      as(ines),
      { visitId: v.visitId, body: { type: "reopen", why: "the sump was forgotten" } },
      new Date(),
    );
    const [open] = await db().select().from(visit).where(eq(visit.id, v.visitId));
    expect(open).toMatchObject({ state: "open", closedAt: null });
    expect((await jobOf(v.tankId, code))?.lastDoneOn).toBe(was?.lastDoneOn);
    const record = await loadVisitRecord(as(maud), v.visitId, new Date());
    expect(record.turns).toMatchObject([{ what: "reopen", by: "Ines Calder", why: "the sump was forgotten" }]);
    await v.phone.say({ type: "close" });
    expect((await jobOf(v.tankId, code))?.lastDoneOn).toBe(v.on);
  });
});

describe("a visit that was opened by mistake", () => {
  test("is discarded with a reason: nothing of it is left but that, and it can begin anew", async () => {
    const [v] = await visitsOf(businessId, "Ilves Dental", today);
    if (!v) throw new Error("no visit");
    const phone = new Phone(as(ines), v.visitId);
    const seen = v7();
    await phone.say(
      { type: "start" },
      nitrate(v7(), "40"),
      { type: "litres", outL: 20 },
      { type: "level", belowCm: 2 },
      { type: "finding", id: seen, kind: "equipment", text: "A leak" },
    );
    expect(await readingsOf(v.visitId)).toHaveLength(1);
    const [result] = await phone.say({ type: "discard", why: "wrong tank" });
    expect(result?.result).toBe("applied");
    expect(await readingsOf(v.visitId)).toHaveLength(0);
    expect(await db().select().from(waterChange).where(eq(waterChange.visitId, v.visitId))).toHaveLength(0);
    expect(await db().select().from(finding).where(eq(finding.id, seen))).toHaveLength(0);
    const [row] = await db().select().from(visit).where(eq(visit.id, v.visitId));
    expect(row).toMatchObject({ state: "planned", startedAt: null, plan: null });
    const record = await loadVisitRecord(as(maud), v.visitId, new Date());
    expect(record.turns).toMatchObject([{ what: "discard", by: "Ines Calder", why: "wrong tank" }]);
    await phone.say({ type: "start" });
    expect((await db().select().from(visit).where(eq(visit.id, v.visitId)))[0]?.state).toBe("open");
  });
});

async function clientOf(stopId: string): Promise<string> {
  const [row] = await db()
    .select({ clientId: site.clientId })
    .from(stop)
    .innerJoin(site, and(eq(site.businessId, stop.businessId), eq(site.id, stop.siteId)))
    .where(eq(stop.id, stopId));
  return row?.clientId ?? "";
}
