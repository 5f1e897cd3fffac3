import { addDays } from "@keel-round/core/calendar";
import { eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness } from "../../tools/testing/world.ts";
import { db } from "./connection";
import { claimJob, enqueue, failJob, finishJob, renewJob } from "./jobs";
import { HORIZON_DAYS, layOut } from "./layOut";
import { business, job, stop } from "./schema";

let businessId: string;
let today: string;
beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  await db().delete(job);
});

describe("jobs", () => {
  const now = new Date("2026-11-25T10:00:00Z");
  const later = (seconds: number) => new Date(now.getTime() + seconds * 1000);
  test("one process gets a job, another one only after the lease ran out", async () => {
    await enqueue(db(), businessId, "mail", { letterId: "x" }, now);
    const claims = await Promise.all([claimJob("a", now), claimJob("b", now), claimJob("c", now)]);
    expect(claims.filter(Boolean)).toHaveLength(1);
    expect(await claimJob("b", later(30))).toBeNull();
    const again = await claimJob("b", later(61));
    expect(again?.attempts).toBe(2);
    if (again) await finishJob(again.id, later(62));
    expect(await claimJob("c", later(600))).toBeNull();
  });
  test("one that takes longer keeps its lease by renewing it, and only who holds it can", async () => {
    await enqueue(db(), businessId, "import-check", { importId: "z" }, now);
    const mine = await claimJob("a", now);
    if (!mine) throw new Error("not claimed");
    await renewJob(mine.id, "a", later(50));
    expect(await claimJob("b", later(90))).toBeNull();
    await renewJob(mine.id, "b", later(100));
    expect((await claimJob("b", later(111)))?.id).toBe(mine.id);
    await finishJob(mine.id, later(112));
  });
  test("a failed one comes back later, and is given up with its error after six tries", async () => {
    await enqueue(db(), businessId, "mail", { letterId: "y" }, now);
    let at = 0;
    for (let i = 0; i < 6; i++) {
      at += 3600;
      const claimed = await claimJob("a", later(at));
      expect(claimed?.attempts).toBe(i + 1);
      if (claimed) await failJob(claimed, "the server refused", later(at));
      expect(await claimJob("a", later(at + 1))).toBeNull();
    }
    expect(await claimJob("a", later(at + 99_999))).toBeNull();
    const [row] = await db().select().from(job).where(eq(job.error, "the server refused"));
    expect(row?.failedAt).not.toBeNull();
  });
});

describe("stops are laid out", () => {
  test("once, however often and at once, up to the horizon", async () => {
    const count = async () =>
      (await db().select({ id: stop.id }).from(stop).where(eq(stop.businessId, businessId))).length;
    const before = await count();
    await db()
      .update(business)
      .set({ laidOutTo: addDays(today, HORIZON_DAYS - 14) })
      .where(eq(business.id, businessId));
    await Promise.all([layOut(businessId, today), layOut(businessId, today)]);
    expect(await count()).toBe(before);
    await layOut(businessId, addDays(today, 7));
    expect(await count()).toBeGreaterThan(before);
  });
});
