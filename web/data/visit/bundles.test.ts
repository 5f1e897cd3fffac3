import { addDays } from "@keel-round/core/calendar";
import { and, eq } from "drizzle-orm";
import { v7 } from "uuid";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, Phone, planOf, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { client, site, stepLog, stop } from "../schema";
import { dayBundles, visitBundle } from "./bundles";

let businessId: string;
let today: string;
let ines: Scope;

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  ines = await scopeOf(businessId, "Ines");
});

const first = async (siteName: string) => {
  const [visit] = await visitsOf(businessId, siteName, today);
  if (!visit) throw new Error(`No visit at ${siteName}`);
  return visit;
};

describe("what a phone holds of a visit", () => {
  test("says where it is, whom to ring and that there are codes, but no code", async () => {
    const visit = await first("Maritime College");
    const [row] = await db()
      .select({ site, client })
      .from(stop)
      .innerJoin(site, eq(site.id, stop.siteId))
      .innerJoin(client, eq(client.id, site.clientId))
      .where(eq(stop.id, visit.stopId));
    const bundle = await visitBundle(ines, visit.visitId);
    expect(bundle.place).toMatchObject({ siteId: row?.site.id, lat: row?.site.lat, lon: row?.site.lon });
    expect(bundle.place?.phones[0]).toEqual({ who: row?.client.contact, phone: row?.client.phone });
    expect(bundle.place?.hasCodes).toBe(true);
    // "Side gate 4471" of the demo, sealed or not.
    expect(JSON.stringify(bundle).includes("4471")).toBe(false);
    expect(JSON.stringify(bundle).includes(row?.site.accessCodes ?? "")).toBe(false);
  });
  test("says what became of each step last time: the newest before the day, with its reason and who came", async () => {
    const visit = await first("Harrow & Pike");
    const log = (step: string, onDate: string, more: Partial<typeof stepLog.$inferInsert>) =>
      db()
        .insert(stepLog)
        .values({ id: v7(), businessId, tankId: visit.tankId, step, onDate, outcome: "done", ...more });
    await log("glass-inside", addDays(today, -14), { dirt: 2 });
    await log("glass-inside", addDays(today, -7), { dirt: 5 });
    await log("glass-inside", today, { dirt: 1 });
    await log("lids", addDays(today, -7), { outcome: "skipped", reason: "no time left" });
    const own = await visitBundle(ines, visit.visitId);
    expect(own.lastTime?.["glass-inside"]).toEqual({ on: addDays(today, -7), by: "", outcome: "done", dirt: 5 });
    expect(own.lastTime?.lids).toMatchObject({ outcome: "skipped", reason: "no time left" });
    const day = await dayBundles(ines, today);
    expect(day.bundles.find((b) => b.visitId === visit.visitId)?.lastTime).toEqual(own.lastTime);
  });
  test("a visit that was closed is last time's for the next one", async () => {
    const visits = await visitsOf(businessId, "Lanehead Clinic", today);
    const [now, next] = visits.filter((v) => v.tankId === visits[0]?.tankId);
    if (!now || !next) throw new Error("Two visits of one tank are needed");
    const { plan } = await planOf(businessId, now);
    const job = plan.steps.find((s) => s.task && !s.enters?.length)?.id ?? "";
    const phone = new Phone(ines, now.visitId);
    await phone.say(
      { type: "start" },
      { type: "plan", inputHash: "x", coreVersion: 1, summary: "", plan },
      ...plan.steps.flatMap((s) =>
        s.task && s.id !== job ? [{ type: "skip", step: s.id, reason: "no time left" } as const] : [],
      ),
      { type: "tick", step: job },
      { type: "close" },
    );
    const bundle = await visitBundle(ines, next.visitId);
    expect(bundle.lastTime?.[job]).toMatchObject({ on: now.on, outcome: "done", by: expect.stringMatching(/^\w+$/) });
  });
});

test("a tank that nobody was at has no last time", async () => {
  const visit = await first("Town Museum");
  await db()
    .delete(stepLog)
    .where(and(eq(stepLog.businessId, businessId), eq(stepLog.tankId, visit.tankId)));
  expect((await visitBundle(ines, visit.visitId)).lastTime).toEqual({});
});
