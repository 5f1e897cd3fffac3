import { addDays, daysBetween } from "@keel-round/core/calendar";
import { BIOLOGICAL_REST_DAYS, codeOfMergeId } from "@keel-round/core/programme";
import { movedSentence } from "@keel-round/core/words";
import { eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, visitsOf } from "../../../tools/testing/world.ts";
import { db } from "../database/connection";
import { site, tank } from "../schema";
import { loadYear, type YearAhead } from "./yearAhead";

let today: string;
let businessId: string;
const yearOf = async (siteName: string): Promise<YearAhead> => {
  const [place] = await db().select({ id: site.id }).from(site).where(eq(site.name, siteName));
  const rows = await visitsOf(businessId, siteName, today);
  const [own] = await db()
    .select({ siteId: tank.siteId })
    .from(tank)
    .where(eq(tank.id, rows[0]?.tankId ?? place?.id ?? ""));
  return loadYear(db(), businessId, own?.siteId ?? "", today);
};

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
});

describe("a year of long jobs", () => {
  test("stands on the site's own visits, and no two filters are touched within four weeks", async () => {
    const year = await yearOf("Ormond house");
    expect(year.visits.length).toBeGreaterThan(24);
    const days = new Set(year.visits.map((v) => v.on));
    expect(year.plan.placements.length).toBeGreaterThan(10);
    for (const p of year.plan.placements) expect(days.has(p.on)).toBe(true);
    const unitOf = new Map(year.tasks.flatMap((t) => (t.unit ? [[t.id, t.unit] as const] : [])));
    const filters = year.plan.placements.filter((p) => unitOf.has(p.taskId));
    expect(new Set(filters.map((p) => unitOf.get(p.taskId))).size).toBe(2);
    const reported = (a: string, b: string) =>
      year.plan.broken.some((r) => [r.on, r.otherOn].includes(a) && [r.on, r.otherOn].includes(b));
    for (const a of filters)
      for (const b of filters)
        if (unitOf.get(a.taskId) !== unitOf.get(b.taskId) && Math.abs(daysBetween(a.on, b.on)) < BIOLOGICAL_REST_DAYS)
          expect(reported(a.on, b.on), `${a.taskId} ${a.on}, ${b.taskId} ${b.on}`).toBe(true);
  });
  test("keeps the four weeks from a service that is over, and says from which", async () => {
    const { plan } = await yearOf("Ilves Dental");
    // Block A was opened ten days ago.
    const b = plan.placements.find((p) => codeOfMergeId(p.taskId) === "filter-b");
    expect(daysBetween(today, b?.on ?? "")).toBeGreaterThanOrEqual(18);
    expect(b?.cause).toMatchObject({ code: "biological-rest", on: addDays(today, -10) });
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
    const year = await loadYear(db(), crypto.randomUUID(), own?.siteId ?? "", today);
    expect(year).toMatchObject({ tanks: [], visits: [], tasks: [], plan: { placements: [], unplaced: [] } });
  });
});
