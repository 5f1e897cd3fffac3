import { addDays } from "@keel-round/core/calendar";
import { METRIC } from "@keel-round/core/units";
import { and, eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { walkThrough } from "../../../tools/seed/walkThrough.ts";
import { demoBusiness, Phone, planOf, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { firmJob, stepLog, stop, visit } from "../schema";
import { SiteLogSchema, siteLog, siteLogCsv } from "./siteLog";

let ines: Scope;
let owner: Scope;
let businessId: string;
let siteId: string;
let on: string;
let visitId: string;

beforeAll(async () => {
  const demo = await demoBusiness();
  businessId = demo.businessId;
  [ines, owner] = await Promise.all([scopeOf(businessId, "Ines"), scopeOf(businessId, "Dr.")]);
  const [v] = await visitsOf(businessId, "Ilves Dental", demo.today);
  if (!v) throw new Error("No visit");
  ({ on, visitId } = v);
  const [at] = await db().select({ siteId: stop.siteId }).from(stop).where(eq(stop.id, v.stopId));
  siteId = at?.siteId ?? "";
  const { input } = await planOf(businessId, v);
  const phone = new Phone(ines, v.visitId);
  await phone.send(
    walkThrough(input, Date.now(), (p) =>
      p === "salinity" ? 35 : (input.readings.findLast((r) => r.parameter === p)?.value ?? 8),
    ).ops,
  );
  await phone.say({ type: "note", text: "=HYPERLINK(1)" });
});

const days = (from: string, to: string) => SiteLogSchema.parse({ site: siteId, from, to });

describe("the log of a site", () => {
  test("has every closed visit of its tanks, with what was read, changed, done and found", async () => {
    const { siteName, visits } = await siteLog(ines, days(addDays(on, -365), on));
    expect(siteName).toBe("Ilves Dental");
    const closed = await db()
      .select({ id: visit.id })
      .from(visit)
      .innerJoin(stop, eq(stop.id, visit.stopId))
      .where(and(eq(stop.siteId, siteId), eq(visit.state, "closed")));
    expect(visits.length).toBe(closed.length);
    expect(visits.map((v) => v.on)).toEqual([...visits.map((v) => v.on)].sort());
    const today = visits.find((v) => v.id === visitId);
    expect(today).toMatchObject({ on, tank: "Reef", by: "Ines Calder", time: expect.stringMatching(/ to /) });
    expect(today?.readings.some((r) => /^Salinity 35(\.0)? ppt$/.test(r))).toBe(true);
    expect(today?.water.join()).toMatch(/changed \d/);
    expect(today?.done.length).toBeGreaterThan(2);
  });
  test("has the jobs that a firm named itself, done and left out", async () => {
    const [firm] = await db().select().from(firmJob).where(eq(firmJob.businessId, businessId)).limit(1);
    const [v] = await db().select({ tankId: visit.tankId }).from(visit).where(eq(visit.id, visitId));
    if (!firm || !v) throw new Error("No job");
    const names = ["Polish the brass plate", "Check the alarm with reception"];
    const outcomes = ["done", "skipped"] as const;
    for (const [i, name] of names.entries()) {
      const code = `own-${newId()}`;
      await db()
        .insert(firmJob)
        .values({ ...firm, id: newId(), code, name });
      await db()
        .insert(stepLog)
        .values({
          ...{ id: newId(), businessId, tankId: v.tankId, visitId, step: code, onDate: on },
          ...{ outcome: outcomes[i] ?? "done", reason: i === 1 ? "Nobody there" : null },
        });
    }
    const today = (await siteLog(ines, days(on, on))).visits.find((of) => of.id === visitId);
    expect(today?.done).toContain("polish the brass plate");
    expect(today?.left).toContain("check the alarm with reception: Nobody there");
  });
  test("is told in the units of whoever reads it", async () => {
    const us = { ...ines, units: { ...METRIC, salinity: "SG 25/25", volume: "US gal" } } as const;
    const { visits } = await siteLog(us, days(on, on));
    const [today] = visits;
    // Sea water of 35 at 25 °C.
    expect(today?.readings).toContain("Salinity 1.0264\u00a0SG 25/25");
    expect(today?.water.join()).toMatch(/US gal/);
  });
  test("is its owner's as well, and nobody else's", async () => {
    expect((await siteLog(owner, days(on, on))).visits.length).toBe(1);
    const [other] = await visitsOf(businessId, "Kettle Diner", on);
    const [theirs] = await db()
      .select({ siteId: stop.siteId })
      .from(stop)
      .where(eq(stop.id, other?.stopId ?? ""));
    await expect(siteLog(owner, { ...days(on, on), site: theirs?.siteId ?? "" })).rejects.toMatchObject({
      status: 404,
    });
  });
  test("as a file has a line for each, and no cell that a spreadsheet would compute", async () => {
    const log = await siteLog(ines, days(on, on));
    const [first] = log.visits;
    if (!first) throw new Error("No visit");
    const csv = siteLogCsv({ ...log, visits: [first, { ...first, tank: "=1+1", found: ["@x", "a; b"] }] });
    expect(csv.startsWith("\ufeffDay,Time,Tank,By,Measured")).toBe(true);
    expect(csv.trim().split("\n").length).toBe(3);
    expect(csv).toContain("'=1+1");
    expect(csv).toContain("'@x; a; b");
  });
  test.each([
    [{ from: "2026-02-30" }, "from"],
    [{ to: "yesterday" }, "to"],
    [{ from: "2026-11-30", to: "2026-11-01" }, "to"],
    [{ site: "x" }, "site"],
  ])("%o cannot be asked for", (change, field) => {
    const asked = { site: siteId, from: "2026-01-01", to: "2026-12-31", ...change };
    expect(SiteLogSchema.safeParse(asked).error?.issues[0]?.path).toEqual([field]);
  });
  test("of days without a visit says nothing", async () => {
    expect((await siteLog(ines, days("2001-01-01", "2001-12-31"))).visits).toEqual([]);
  });
});
