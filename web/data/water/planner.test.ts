import { planVisit } from "@keel-round/core/visit";
import { and, eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, Phone, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { loadPlanInputs } from "../plan/planInputs";
import { source, visit } from "../schema";
import { loadDescribe, loadPlanner, planInto } from "./planner";

let maud: Scope;
let ines: Scope;
let today: string;
let businessId: string;
type Visit = Awaited<ReturnType<typeof visitsOf>>[number];
let column: Visit;

const idOf = async (name: string): Promise<string> => {
  const [row] = await db()
    .select({ id: source.id })
    .from(source)
    .where(and(eq(source.businessId, businessId), eq(source.name, name)));
  if (!row) throw new Error(`No water ${name}`);
  return row.id;
};
const planOf = async (v: Visit) => {
  const input = (await loadPlanInputs(db(), businessId, [v])).get(v.visitId);
  if (!input) throw new Error("no input");
  return { input, plan: planVisit(input) };
};

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  [maud, ines] = await Promise.all([scopeOf(businessId, "Maud"), scopeOf(businessId, "Ines")]);
  const [first] = await visitsOf(businessId, "Saltmarket Hotel", today);
  if (!first) throw new Error("no visit");
  column = first;
});

describe("a change of the planner", () => {
  test("goes into the visit's plan, its water and its load, and comes out again", async () => {
    const before = await planOf(column);
    const change = { litres: 60.5, sourceId: await idOf("Reef mix") };
    await planInto(maud, { visitId: column.visitId, change });
    const { input, plan } = await planOf(column);
    expect(input.source.name).toBe("Reef mix");
    expect(plan.water).toMatchObject({
      litres: { value: 60.5 },
      reasons: [{ code: "chosen", litres: 60.5, by: "Maud Oyelaran" }],
    });
    expect(plan.load.mixL).toBeLessThan(before.plan.load.mixL);
    const { chosen } = await loadPlanner(maud, column.tankId, today);
    // The planner goes on comparing what the tank's own policy and water would do.
    expect(chosen?.input.source.name).toBe(before.input.source.name);
    expect(chosen?.visit?.planned).toEqual({ ...change, sourceName: "Reef mix", by: "Maud Oyelaran" });
    await planInto(maud, { visitId: column.visitId, change: null });
    expect((await planOf(column)).plan).toEqual(before.plan);
  });

  test("is held by the tank's limits like any other", async () => {
    await planInto(maud, { visitId: column.visitId, change: { litres: 400, sourceId: column.sourceId } });
    const { plan } = await planOf(column);
    expect(plan.water.binding?.code).toBe("sump-level");
    expect(plan.water.litres.value).toBeCloseTo(plan.water.limits[0]?.maxL ?? 0, 9);
    await planInto(maud, { visitId: column.visitId, change: null });
  });

  test("is refused with a water of the other kind, of another site, or beyond the tank", async () => {
    const into = (litres: number, sourceId: string) =>
      planInto(maud, { visitId: column.visitId, change: { litres, sourceId } });
    await expect(into(50, await idOf("Port Averil tap"))).rejects.toMatchObject({ code: "wrong-water" });
    await expect(into(50, await idOf("Well"))).rejects.toMatchObject({ status: 404 });
    await expect(into(50, newId())).rejects.toMatchObject({ status: 404 });
    await expect(into(5000, column.sourceId)).rejects.toMatchObject({ code: "too-much" });
    const [row] = await db().select().from(visit).where(eq(visit.id, column.visitId));
    expect(row?.chosen).toBeNull();
  });

  test("comes too late for a visit that has begun", async () => {
    const [reef] = await visitsOf(businessId, "Ilves Dental", today);
    if (!reef) throw new Error("no visit");
    const phone = new Phone(ines, reef.visitId);
    await phone.say({ type: "start" });
    await expect(
      planInto(maud, { visitId: reef.visitId, change: { litres: 20, sourceId: reef.sourceId } }),
    ).rejects.toMatchObject({ code: "begun" });
    expect((await loadPlanner(maud, reef.tankId, today)).chosen?.visit).toBeNull();
  });

  test("is not an owner's to plan, nor of a tank out of sight", async () => {
    const owner = await scopeOf(businessId, "Dr. Ilves");
    const change = { litres: 20, sourceId: column.sourceId };
    await expect(planInto(owner, { visitId: column.visitId, change })).rejects.toMatchObject({ status: 404 });
    const tobiah = await scopeOf(businessId, "Tobiah");
    await expect(planInto(tobiah, { visitId: column.visitId, change })).rejects.toMatchObject({ status: 404 });
  });
});

test("a tank is described with the firm's own kinds, waters and limits", async () => {
  const { sources, kinds, limits } = await loadDescribe(ines, today);
  expect(sources.map((s) => s.name)).toContain("Reef mix");
  // A tap of one site is not the firm's.
  expect(sources.map((s) => s.name)).not.toContain("Well");
  expect(Object.keys(kinds)).toHaveLength(15);
  expect(limits.ph).toBe(0.2);
});
