import { addDays } from "@keel-round/core/calendar";
import { withToday } from "@keel-round/core/given";
import { sayAll } from "@keel-round/core/say";
import { METRIC } from "@keel-round/core/units";
import { type Decision, planVisit, type VisitOp } from "@keel-round/core/visit";
import { and, eq, isNotNull } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, Phone, planOf, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { setVanKit } from "../access/units";
import { db } from "../database/connection";
import { finding, person, site, stepLog, stop, tank, task, visit } from "../schema";
import { loadFirmUpkeep } from "./firmUpkeep";
import { refreshPaces } from "./paces";

let maud: Scope;
let today: string;
let businessId: string;

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  maud = await scopeOf(businessId, "Maud");
});

const firstVisit = async (siteName: string) => {
  const [v] = await visitsOf(businessId, siteName, today);
  if (!v) throw new Error(`No visit of ${siteName}`);
  return v;
};
const rowOf = async (tankId: string, code: string) => {
  const [row] = await db()
    .select()
    .from(task)
    .where(and(eq(task.tankId, tankId), eq(task.code, code)));
  if (!row) throw new Error(`No ${code}`);
  return row;
};
const planOp = (plan: ReturnType<typeof planVisit>): VisitOp["body"] => ({
  type: "plan",
  inputHash: "x",
  coreVersion: 1,
  summary: "",
  plan,
});

describe("a filter that should rest, opened all the same", () => {
  test("is in the plan at once, with care, and leaves two ammonia tests to do", async () => {
    const v = await firstVisit("Foundry Lofts");
    const { input, plan } = await planOf(businessId, v);
    const held = plan.steps.find((s) => s.held?.code === "filter-b");
    expect(held?.held).toEqual({ code: "filter-b", strict: true });
    const changed = withToday(input, {
      readings: [],
      belowMarkCm: null,
      overridden: { "filter-b": "it is blocked" },
    });
    const now = planVisit(changed);
    const step = now.steps.find((s) => s.id === "filter-b");
    expect(sayAll(step?.caution, METRIC)).toContain("test ammonia after one and two days");
    await new Phone(maud, v.visitId).say(
      { type: "start" },
      { type: "override", task: "filter-b", reason: "it is blocked" },
      planOp(now),
      { type: "tick", step: "filter-b" },
      { type: "close" },
    );
    const [closed] = await db().select().from(visit).where(eq(visit.id, v.visitId));
    expect(closed?.state).toBe("closed");
    expect((await rowOf(v.tankId, "filter-b")).lastDoneOn).toBe(v.on);
    const care = (await db().select().from(finding).where(eq(finding.tankId, v.tankId))).filter((f) =>
      f.text.startsWith("Test ammonia"),
    );
    expect(care.map((f) => f.dueOn).sort()).toEqual([addDays(v.on, 1), addDays(v.on, 2)]);
    expect(care[0]?.text).toContain("it is blocked");
  });
});

describe("what is decided about a job left out for the third time", () => {
  const decide = async (siteName: string, what: Decision) => {
    const v = await firstVisit(siteName);
    const code = "outside-glass";
    await db()
      .update(task)
      .set({ slips: 2, lastDoneOn: addDays(v.on, -30), plannedOn: null })
      .where(and(eq(task.tankId, v.tankId), eq(task.code, code)));
    await db()
      .insert(stepLog)
      .values(
        [-14, -7].map((d) => ({
          id: crypto.randomUUID(),
          businessId,
          tankId: v.tankId,
          step: code,
          onDate: addDays(v.on, d),
          outcome: "skipped" as const,
          reason: "no time left",
        })),
      );
    const { plan } = await planOf(businessId, v);
    const results = await new Phone(maud, v.visitId).say(
      { type: "start" },
      planOp(plan),
      { type: "decide", task: code, what },
      { type: "close" },
    );
    expect(results.map((r) => r.result)).toEqual(results.map(() => "applied"));
    return { v, row: await rowOf(v.tankId, code) };
  };
  test("it comes at the next visit, whatever else", async () => {
    const { v, row } = await decide("Northgate School", "must");
    expect(row.pin).toMatchObject({ on: addDays(v.on, 1) });
    const [, next] = await visitsOf(businessId, "Northgate School", today);
    if (!next) throw new Error("No next visit");
    expect((await planOf(businessId, next)).plan.steps.map((s) => s.id)).toContain("outside-glass");
  });
  test("the owner does it, and it is no slip any more", async () => {
    const { row } = await decide("Customs House", "owner");
    expect(row).toMatchObject({ performer: "owner", slips: 0 });
  });
  test("it leaves the programme, with its history", async () => {
    const { v, row } = await decide("Tanner's Inn", "rest");
    expect(row.removedAt).not.toBeNull();
    const log = await db()
      .select()
      .from(stepLog)
      .where(and(eq(stepLog.visitId, v.visitId), eq(stepLog.step, "outside-glass")));
    expect(log[0]).toMatchObject({ outcome: "decided", reason: "it is taken out of the programme" });
  });
});

test("a person who takes longer has a slower pace, and the work itself does not get longer by it", async () => {
  const of = async (name: string) =>
    (await db().select().from(person).where(eq(person.businessId, businessId))).find((p) => p.name.startsWith(name));
  const slow = await of("Tobiah");
  await refreshPaces(businessId);
  const before = (await of("Tobiah"))?.pace ?? 0;
  const rows = await db()
    .select({ id: stepLog.id, minutes: stepLog.minutes })
    .from(stepLog)
    .innerJoin(visit, eq(visit.id, stepLog.visitId))
    .innerJoin(stop, eq(stop.id, visit.stopId))
    .where(and(eq(stepLog.businessId, businessId), eq(stop.personId, slow?.id ?? ""), isNotNull(stepLog.minutes)));
  for (const r of rows)
    await db()
      .update(stepLog)
      .set({ minutes: (r.minutes ?? 0) * 1.5 })
      .where(eq(stepLog.id, r.id));
  await refreshPaces(businessId);
  const [tobiah, ines] = [await of("Tobiah"), await of("Ines")];
  expect(tobiah?.pace).toBeGreaterThan(before * 1.05);
  expect(ines?.pace).toBeLessThan(1);
  // Each time is told at the usual pace: a half more of it, by somebody so much slower, is about the same work.
  const v = await firstVisit("Town Hall");
  const { input } = await planOf(businessId, v);
  expect(input.personFactor).toBeCloseTo(tobiah?.pace ?? 0, 9);
  const logged = input.loggedMinutes["glass-inside"]?.at(-1) ?? 0;
  const [last] = await db()
    .select({ minutes: stepLog.minutes })
    .from(stepLog)
    .where(and(eq(stepLog.tankId, v.tankId), eq(stepLog.step, "glass-inside"), isNotNull(stepLog.minutes)))
    .orderBy(stepLog.onDate)
    .then((all) => all.slice(-1));
  expect(logged).toBeCloseTo((last?.minutes ?? 0) / (tobiah?.pace ?? 1), 6);
});

test("what a van carries is kept by name, whatever the length of a hose", async () => {
  const [ines] = (await db().select().from(person).where(eq(person.businessId, businessId))).filter((p) =>
    p.name.startsWith("Ines"),
  );
  const carried = async () =>
    (
      await db()
        .select({ kit: person.vanKit })
        .from(person)
        .where(eq(person.id, ines?.id ?? ""))
    )[0]?.kit ?? [];
  await setVanKit(maud, { personId: ines?.id ?? "", item: "fill hose, 14 m", carries: true });
  expect(await carried()).toContain("fill hose");
  await setVanKit(maud, { personId: ines?.id ?? "", item: "Fill hose", carries: false });
  expect(await carried()).not.toContain("fill hose");
});

describe("the upkeep of the firm", () => {
  const of = (page: number, q = "") => loadFirmUpkeep(maud, { today, page, q });
  test("lists every site once, a page at a time, by name", async () => {
    const first = await of(1);
    const all = [first];
    for (let page = 2; page <= first.pages; page++) all.push(await of(page));
    const names = all.flatMap((p) => p.sites.map((s) => s.name));
    expect(names).toHaveLength(first.total);
    expect(new Set(names).size).toBe(names.length);
    // The database puts names in order whatever their accents and cases.
    expect(names).toEqual([...names].sort((a, b) => a.localeCompare(b)));
  });
  test("has jobs only on visits, whose minutes are theirs, and rests only beside another filter", async () => {
    const { sites } = await of(1, "Foundry");
    expect(sites).toHaveLength(1);
    const [foundry] = sites;
    expect(foundry?.rests.length).toBeGreaterThan(0);
    for (const v of foundry?.visits ?? []) expect(v.minutes > 0).toBe(v.jobs.length > 0);
    expect((await of(1, "Town Hall")).sites[0]?.rests).toEqual([]);
  });
  test("shows a technician whom they serve, and a word that is no site nothing", async () => {
    const tobiah = await scopeOf(businessId, "Tobiah");
    const all = (await loadFirmUpkeep(tobiah, { today, page: 1, q: "" })).total;
    const served = await db()
      .selectDistinct({ id: site.id })
      .from(site)
      .innerJoin(tank, eq(tank.siteId, site.id))
      .where(eq(site.businessId, businessId));
    expect(all).toBeLessThan(served.length);
    expect((await of(1, "50%_")).sites).toEqual([]);
  });
});
