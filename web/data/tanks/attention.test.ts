import { addDays } from "@keel-round/core/calendar";
import { and, eq } from "drizzle-orm";
import { beforeAll, expect, test } from "vitest";
import { demoBusiness, scopeOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { pinJob } from "../programme/pin";
import { site, tank, tankStatus } from "../schema";
import { addReadings } from "./addReadings";
import { listAttention } from "./attention";
import { refreshDay } from "./status";

let businessId: string;
let today: string;
let maud: Scope;
const now = new Date();

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  maud = await scopeOf(businessId, "Maud");
});

async function tankAt(siteName: string): Promise<string> {
  const [row] = await db()
    .select({ id: tank.id })
    .from(tank)
    .innerJoin(site, eq(site.id, tank.siteId))
    .where(and(eq(tank.businessId, businessId), eq(site.name, siteName)));
  return row?.id ?? "";
}
const of = async (scope: Scope, tankId: string) =>
  (await listAttention(scope, today)).rows.filter((r) => r.tankId === tankId);

test("what is off course stands first, and the list goes by how soon it has to be seen to", async () => {
  const { rows } = await listAttention(maud, today);
  expect(rows.length).toBeGreaterThan(5);
  const atOnce = rows.filter((r) => r.item.atOnce).length;
  expect(atOnce).toBeGreaterThan(0);
  expect(rows.slice(0, atOnce).every((r) => r.item.atOnce)).toBe(true);
  const later = rows.slice(atOnce).map((r) => r.item.withinDays);
  expect(later).toEqual([...later].sort((a, b) => a - b));
  expect(rows.find((r) => r.siteName === "Weir House")?.item).toMatchObject({
    code: "condition",
    withinDays: 0,
    reason: { code: "beyond-act", parameter: "ammonia" },
  });
});

test("a technician sees their own tanks, the office all", async () => {
  const ines = await scopeOf(businessId, "Ines");
  const [own, all] = [(await listAttention(ines, today)).rows, (await listAttention(maud, today)).rows];
  expect(own.length).toBeGreaterThan(0);
  expect(own.length).toBeLessThan(all.length);
  expect(own.some((r) => r.siteName === "Weir House")).toBe(false);
});

test("two readings of one day that cannot both be right are told as soon as they are entered, and settled by a pair that agrees", async () => {
  const tankId = await tankAt("Meadow Primary");
  const readings = (values: readonly number[], on: string) =>
    addReadings(
      maud,
      {
        ...{ tankId, on, minute: 600 },
        readings: values.map((value) => ({
          ...{ parameter: "nitrate" as const, text: String(value), unit: "mg/L", method: "liquid kit" },
        })),
      },
      { now, today },
    );
  const [before, yesterday] = [addDays(today, -2), addDays(today, -1)];
  await readings([10, 80], before);
  const disagree = expect.objectContaining({ code: "disagree", parameter: "nitrate", on: before });
  expect((await of(maud, tankId)).map((r) => r.item)).toContainEqual(disagree);
  await readings([11, 11], yesterday);
  expect((await of(maud, tankId)).map((r) => r.item)).not.toContainEqual(disagree);
});

test("its test is put onto the next visit, and the list says so", async () => {
  const row = (await listAttention(maud, today)).rows.find((r) => r.item.test && r.next && !r.testOn);
  if (!row?.next || !row.item.test) throw new Error("The demo has a test to ask for");
  await pinJob(
    maud,
    { tankId: row.tankId, code: row.item.test, on: row.next.on, reason: "to be seen to" },
    { now, today },
  );
  const asked = (await of(maud, row.tankId)).find((r) => r.item.test === row.item.test);
  expect(asked?.testOn).toBe(row.next.on);
});

test("a tank that was judged before there was a list is judged by the nightly job", async () => {
  const tankId = await tankAt("Weir House");
  await db().update(tankStatus).set({ attention: null }).where(eq(tankStatus.tankId, tankId));
  expect(await of(maud, tankId)).toEqual([]);
  expect((await listAttention(maud, today)).unjudged).toBe(1);
  expect(await refreshDay(businessId, today)).toBe(1);
  expect((await of(maud, tankId)).length).toBeGreaterThan(0);
  expect((await listAttention(maud, today)).unjudged).toBe(0);
});
