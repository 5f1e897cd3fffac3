import { daysBetween } from "@keel-round/core/calendar";
import { BIOLOGICAL_REST_DAYS, codeOfMergeId } from "@keel-round/core/programme";
import { movedSentence } from "@keel-round/core/words";
import { eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, scopeOf, visitsOf } from "../../tools/testing/world.ts";
import { db } from "./connection";
import { site, tank } from "./schema";
import type { Scope } from "./scope";
import { loadYear, type YearAhead } from "./yearAhead";

let maud: Scope;
let today: string;
let businessId: string;
const yearOf = async (siteName: string, scope = maud): Promise<YearAhead> => {
  const [place] = await db().select({ id: site.id }).from(site).where(eq(site.name, siteName));
  const rows = await visitsOf(businessId, siteName, today);
  const [own] = await db()
    .select({ siteId: tank.siteId })
    .from(tank)
    .where(eq(tank.id, rows[0]?.tankId ?? place?.id ?? ""));
  return loadYear(scope, own?.siteId ?? "", today);
};

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  maud = await scopeOf(businessId, "Maud");
});

describe("a year of long jobs", () => {
  test("stands on the site's own visits, and no two filters are touched within four weeks", async () => {
    const year = await yearOf("Ormond house");
    expect(year.visits.length).toBeGreaterThan(24);
    const days = new Set(year.visits.map((v) => v.on));
    expect(year.plan.placements.length).toBeGreaterThan(10);
    for (const p of year.plan.placements) expect(days.has(p.on)).toBe(true);
    const filters = year.plan.placements.filter((p) => codeOfMergeId(p.taskId).startsWith("filter-"));
    expect(new Set(filters.map((p) => p.taskId)).size).toBe(2);
    for (const a of filters)
      for (const b of filters)
        if (a.taskId !== b.taskId)
          expect(Math.abs(daysBetween(a.on, b.on))).toBeGreaterThanOrEqual(BIOLOGICAL_REST_DAYS);
  });
  test("begins with what slipped, at the next visit, and says so", async () => {
    const { plan, visits } = await yearOf("Saltmarket Hotel");
    const soak = plan.placements.find((p) => codeOfMergeId(p.taskId) === "pump-soak");
    expect(soak?.on).toBe(visits[0]?.on);
    expect(soak?.lateDays).toBeGreaterThan(0);
  });
  test("tells in a sentence what gave way to what", async () => {
    const all = await Promise.all(["Ormond house", "Saltmarket Hotel", "Bellmaker's"].map((name) => yearOf(name)));
    const says = all.flatMap(({ plan }) =>
      plan.placements.flatMap((p) => movedSentence(p, (id) => `job ${codeOfMergeId(id)}`) ?? []),
    );
    expect(says.length).toBeGreaterThan(0);
    expect(says.some((s) => /needs four weeks of rest around it\.$|is full, by|not together with/.test(s))).toBe(true);
  });
  test("is nobody else's: of another business there is nothing", async () => {
    const [own] = await db().select({ siteId: tank.siteId }).from(tank).where(eq(tank.businessId, businessId)).limit(1);
    const year = await loadYear({ ...maud, businessId: crypto.randomUUID() }, own?.siteId ?? "", today);
    expect(year).toEqual({ visits: [], tasks: [], plan: { placements: [], overload: [], unplaced: [] } });
  });
});
