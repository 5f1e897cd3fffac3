import { addDays } from "@keel-round/core/calendar";
import { programmeOn } from "@keel-round/core/given";
import { type Cadence, cadenceOf, dueOn, isWaiting, jobOf, type TankTask } from "@keel-round/core/programme";
import { and, eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, Phone, planOf, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { changeRecord, createRecord } from "../desk/records";
import { differingJobs, fillJobs, jobsOfKind, libraryOf } from "../library/firmJobs";
import { firmJob, site, stepLog, tank, task } from "../schema";
import { type LayProgress, layFirm } from "./layJobs";
import { pinJob } from "./pin";
import { saveProgramme } from "./save";
import { loadYear } from "./yearAhead";

let ines: Scope;
let maud: Scope;
let today: string;
let businessId: string;
const when = () => ({ now: new Date(), today });

const tankOf = async (siteName: string, name?: string) => {
  const rows = await db()
    .select({ id: tank.id, name: tank.name, siteId: tank.siteId })
    .from(tank)
    .innerJoin(site, eq(site.id, tank.siteId))
    .where(and(eq(tank.businessId, businessId), eq(site.name, siteName)));
  const row = name ? rows.find((r) => r.name === name) : rows[0];
  if (!row) throw new Error(`No tank at ${siteName}`);
  return row;
};
/** The programme of a tank as it stands today. */
const programme = async (siteName: string, name?: string): Promise<TankTask[]> => {
  const { id } = await tankOf(siteName, name);
  const { input } = await planOf(businessId, { visitId: id, tankId: id, on: today });
  return programmeOn(input, true);
};
const taskAt = async (code: string, siteName: string, name?: string): Promise<TankTask> => {
  const found = (await programme(siteName, name)).find((t) => t.code === code);
  if (!found) throw new Error(`No ${code} at ${siteName}`);
  return found;
};
const rowOf = async (tankId: string, code: string) => {
  const [row] = await db()
    .select()
    .from(task)
    .where(and(eq(task.tankId, tankId), eq(task.code, code)));
  if (!row) throw new Error(`No row of ${code}`);
  return row;
};

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  [ines, maud] = await Promise.all([scopeOf(businessId, "Ines"), scopeOf(businessId, "Maud")]);
});

describe("each kind of cadence is called for by what the demo's tanks live through", () => {
  const called: readonly (readonly [string, string, string, string | undefined, RegExp])[] = [
    ["flow", "pump-flow", "Harbour Office", undefined, /flow fell 29 %/],
    ["TDS", "resin", "Ilves Dental", undefined, /TDS of the purified water is 12 mg\/L/],
    ["hours run", "uv-lamp", "Town Museum", undefined, /UV lamp has run 81[36]\d hours/],
    ["dirt", "basket-dirt", "Foundry Lofts", undefined, /rated 5 of 5/],
    ["stocking", "stocking-ammonia", "Estuary Court", "Foyer left", /new animals came/],
    ["a new lamp", "lamp-shorter", "Gallery Nine", "White cube", /lamp was replaced/],
  ];
  test.each(called)("%s", async (_, code, siteName, name, by) => {
    const found = await taskAt(code, siteName, name);
    expect(found.calledBy).toMatch(by);
    expect(dueOn(found) <= today).toBe(true);
  });
  test("a treatment's end, which is still to come", async () => {
    const carbon = await taskAt("treatment-carbon", "Harrow & Pike");
    expect(dueOn(carbon)).toBe(addDays(today, 6));
  });
  test("the season: the tap is tested for chlorine in the wet months only", async () => {
    const chlorine = await taskAt("season-chlorine", "Town Hall");
    const month = Number(dueOn(chlorine).slice(5, 7));
    expect([10, 11, 12, 1, 2, 3]).toContain(month);
  });
  test("a reading out of its band; inside it the job waits", async () => {
    const all = await Promise.all(
      ["Lanehead Clinic", "Ilves Dental", "Ormond house"].map((s) => taskAt("extra-change", s)),
    );
    expect(all.some((t) => !isWaiting(t))).toBe(true);
    expect(all.some(isWaiting)).toBe(true);
  });
  test("a young tank's own calendar, and nobody else's", async () => {
    const codes = (tasks: readonly TankTask[]) => tasks.map((t) => t.code).filter((c) => c.startsWith("young-"));
    expect(codes(await programme("Sailmaker's Loft"))).toEqual(
      expect.arrayContaining(["young-ammonia", "young-nitrite", "young-light", "young-algae"]),
    );
    expect(codes(await programme("Heron Bank"))).toEqual([]);
  });
});

describe("a tank's programme", () => {
  test("is set in plain words, and follows the firm again when they are taken back", async () => {
    const { id } = await tankOf("Tanner's Inn");
    const firm = jobOf(await taskAt("filter-a", "Tanner's Inn"));
    await saveProgramme(
      maud,
      { tankId: id, jobs: [{ code: "filter-a", when: "every 10 weeks, give or take 9 days", minutes: 31 }] },
      when(),
    );
    const own = await taskAt("filter-a", "Tanner's Inn");
    expect(cadenceOf(own)).toEqual<Cadence>({ by: "time", every: 10, unit: "week" });
    expect(own).toMatchObject({ everyDays: 70, giveDays: 9 });
    expect(own.earlyDays).toBeUndefined();
    expect(jobOf(own).minutes).toBe(31);
    await saveProgramme(
      maud,
      { tankId: id, jobs: [{ code: "filter-a", when: "every 10 weeks, up to 3 days early or 14 late" }] },
      when(),
    );
    expect(await taskAt("filter-a", "Tanner's Inn")).toMatchObject({ everyDays: 70, giveDays: 14, earlyDays: 3 });
    await saveProgramme(maud, { tankId: id, jobs: [{ code: "filter-a", when: "", minutes: null }] }, when());
    const back = await taskAt("filter-a", "Tanner's Inn");
    expect(cadenceOf(back)).toEqual(firm.cadence);
    expect(back).toMatchObject({ everyDays: firm.everyDays, giveDays: firm.giveDays });
    expect(back.earlyDays).toBe(firm.earlyDays);
    expect(jobOf(back).minutes).toBe(firm.minutes);
  });
  test("refuses what cannot be beside its job, and keeps nothing of the rest", async () => {
    const { id } = await tankOf("Tanner's Inn");
    await expect(
      saveProgramme(
        maud,
        {
          tankId: id,
          jobs: [
            { code: "photo", by: "owner" },
            { code: "lids", when: "every 0 weeks" },
          ],
        },
        when(),
      ),
    ).rejects.toMatchObject({ code: "invalid", fields: { lids: [expect.stringContaining("no cadence")] } });
    expect((await rowOf(id, "photo")).performer).toBeNull();
  });
  test("takes a job that it never had, and gives one to the owner", async () => {
    const { id } = await tankOf("Tanner's Inn");
    await saveProgramme(maud, { tankId: id, jobs: [{ code: "hang-on-filter", active: true }] }, when());
    expect((await taskAt("hang-on-filter", "Tanner's Inn")).lastDoneOn).toBe(today);
    await saveProgramme(maud, { tankId: id, jobs: [{ code: "hang-on-filter", by: "owner" }] }, when());
    const { plan } = await planOf(businessId, { visitId: id, tankId: id, on: addDays(today, 15) });
    expect(plan.steps.map((s) => s.id)).not.toContain("hang-on-filter");
  });
  test("forgets what dirt has made of an interval", async () => {
    const { id } = await tankOf("Bellmaker's");
    const { everyDays } = await rowOf(id, "filter-a");
    await db()
      .update(task)
      .set({ everyDays: 41 })
      .where(and(eq(task.tankId, id), eq(task.code, "filter-a")));
    await saveProgramme(maud, { tankId: id, jobs: [{ code: "filter-a", forget: true }] }, when());
    expect((await rowOf(id, "filter-a")).everyDays).toBe(everyDays);
  });
});

describe("a job put on another visit", () => {
  test("rides with that one, and goes back to the plan", async () => {
    const { id, siteId } = await tankOf("Ormond house");
    const year = await loadYear(db(), businessId, siteId, today);
    const first = year.plan.placements.find((p) => p.taskId === `${id} impeller`);
    const own = year.tasks.find((t) => t.id === `${id} impeller`);
    if (!first || !own) throw new Error("No impeller in the year");
    const inside = year.visits
      .map((v) => v.on)
      .filter(
        (on) =>
          on !== first.on &&
          on >= addDays(first.targetOn, -own.giveDays) &&
          on <= addDays(first.targetOn, own.giveDays),
      );
    const to = inside[0] ?? "";
    await pinJob(ines, { tankId: id, code: "impeller", on: to }, when());
    expect(await rowOf(id, "impeller")).toMatchObject({ pin: { on: to, by: "Ines Calder" }, plannedOn: to });
    const again = await loadYear(db(), businessId, siteId, today);
    expect(again.plan.placements.find((p) => p.taskId === `${id} impeller`)).toMatchObject({
      on: to,
      cause: { code: "pinned" },
    });
    await pinJob(ines, { tankId: id, code: "impeller", on: null }, when());
    expect((await rowOf(id, "impeller")).plannedOn).toBe(first.on);
  });
  test("asks for a reason where it breaks a rule, and keeps it", async () => {
    const { id, siteId } = await tankOf("Ormond house");
    const year = await loadYear(db(), businessId, siteId, today);
    // The other filter was opened two weeks ago.
    const on = year.visits[0]?.on ?? "";
    const a = await rowOf(id, "filter-a");
    await db()
      .update(task)
      .set({ pin: { on, by: "x" } })
      .where(eq(task.id, a.id));
    await expect(pinJob(ines, { tankId: id, code: "filter-b", on }, when())).rejects.toMatchObject({
      code: "reason-needed",
      fields: { reason: [expect.any(String)] },
    });
    await pinJob(ines, { tankId: id, code: "filter-b", on, reason: "both leak" }, when());
    expect((await rowOf(id, "filter-b")).pin).toMatchObject({ on, reason: "both leak" });
    for (const code of ["filter-a", "filter-b"]) await pinJob(ines, { tankId: id, code, on: null }, when());
  });
  test("takes no day without a visit", async () => {
    const { id } = await tankOf("Ormond house");
    await expect(pinJob(ines, { tankId: id, code: "impeller", on: "2099-01-01" }, when())).rejects.toMatchObject({
      code: "no-visit",
    });
  });
});

describe("laying out the whole firm", () => {
  test("tells how far it is, gives the same plan again, and stops between two sites", async () => {
    const steps: LayProgress[] = [];
    for await (const p of layFirm(businessId, today)) steps.push(p);
    expect(steps.map((s) => s.sites)).toEqual(steps.map((_, i) => i + 1));
    expect(steps.at(-1)?.sites).toBe(steps.at(-1)?.of);
    const again: LayProgress[] = [];
    for await (const p of layFirm(businessId, today)) again.push(p);
    expect(again.at(-1)).toMatchObject({ moved: 0, jobs: steps.at(-1)?.jobs });

    const control = new AbortController();
    const seen: number[] = [];
    for await (const p of layFirm(businessId, today, control.signal)) {
      seen.push(p.sites);
      if (p.sites === 3) control.abort();
    }
    expect(seen).toEqual([1, 2, 3]);
  });
});

describe("the firm's own library", () => {
  const jobRow = async (code: string) => {
    const [row] = await db()
      .select()
      .from(firmJob)
      .where(and(eq(firmJob.businessId, businessId), eq(firmJob.code, code)));
    if (!row) throw new Error(`No copy of ${code}`);
    return row;
  };
  const change = async (code: string, values: Record<string, string | number>) => {
    const { id, version } = await jobRow(code);
    return changeRecord(maud, "job", { id, version, values }, when());
  };
  test("begins as the library has it, and says what differs once it is edited", async () => {
    expect(await differingJobs(maud)).toEqual([]);
    await change("carbon", { when: "every 6 weeks, never early, up to 10 days late", minutes: 8 });
    expect(await differingJobs(maud)).toMatchObject([{ name: "Replace the carbon", fields: ["When", "Takes"] }]);
    expect((await libraryOf(maud, (await jobRow("carbon")).id))?.minutes).toBe(5);
  });
  test("is followed by every tank that has the job as the firm has it", async () => {
    expect(await taskAt("carbon", "Saltmarket Hotel")).toMatchObject({ everyDays: 42, giveDays: 10, earlyDays: 0 });
    expect(jobOf(await taskAt("carbon", "Saltmarket Hotel")).minutes).toBe(8);
  });
  test("an edited copy stays when the library is filled in again, an untouched one follows it", async () => {
    await db()
      .update(firmJob)
      .set({ name: "Old name" })
      .where(eq(firmJob.id, (await jobRow("photo")).id));
    await fillJobs(db(), businessId);
    expect((await jobRow("photo")).name).toBe("Photograph the tank from its spot");
    expect((await jobRow("carbon")).facts.minutes).toBe(8);
  });
  test("refuses a cadence that cannot be read and a name that nobody knows, each beside its field", async () => {
    await expect(change("lids", { when: "now and then" })).rejects.toMatchObject({
      fields: { when: [expect.stringContaining("Say it like")] },
    });
    await expect(change("lids", { after: "wash the cat" })).rejects.toMatchObject({
      fields: { after: ["No job and no part of the visit is called wash the cat."] },
    });
  });
  test("names the jobs on a circle", async () => {
    await expect(change("lids", { before: "glass" })).rejects.toMatchObject({
      code: "cycle",
      message: expect.stringMatching(/Wash the lids.*Clean the glass inside|Clean the glass inside.*Wash the lids/),
    });
    expect((await jobRow("lids")).facts.before).toBeUndefined();
  });
  test("a job of its own goes to new tanks of its kinds, in its place in the order", async () => {
    const { id } = await createRecord(
      maud,
      "job",
      {
        name: "Polish the brass plate",
        when: "every 2 weeks",
        by: "technician",
        minutes: 2,
        reason: "The owner looks at it first of all.",
        result: "done",
        phase: "outside",
        after: "Wipe the outside glass and lights",
        kinds: ["community"],
      },
      when(),
    );
    const [row] = await db().select().from(firmJob).where(eq(firmJob.id, id));
    expect((await jobsOfKind(db(), businessId, "community")).map((j) => j.code)).toContain(row?.code);
    expect((await jobsOfKind(db(), businessId, "shrimp")).map((j) => j.code)).not.toContain(row?.code);
    const { id: tankId } = await tankOf("Town Hall");
    await saveProgramme(maud, { tankId, jobs: [{ code: row?.code ?? "", active: true }] }, when());
    const { plan } = await planOf(businessId, { visitId: tankId, tankId, on: addDays(today, 14) });
    const ids = plan.steps.map((s) => s.id);
    expect(ids.indexOf(row?.code ?? "")).toBeGreaterThan(ids.indexOf("outside-glass"));
  });
});

describe("on a visit", () => {
  const next = async (siteName: string, at: number) => {
    const v = (await visitsOf(businessId, siteName, today))[at];
    if (!v) throw new Error("No visit");
    return v;
  };
  test("the third slip asks for a decision, which is carried out when the visit is closed", async () => {
    const v = await next("Anchorage Care Home", 0);
    await db()
      .insert(stepLog)
      .values(
        [-21, -14].map((d) => ({
          id: crypto.randomUUID(),
          businessId,
          tankId: v.tankId,
          step: "heater-check",
          onDate: addDays(today, d),
          outcome: "skipped" as const,
          reason: "no time left",
        })),
      );
    await db()
      .update(task)
      .set({ slips: 2, lastDoneOn: addDays(today, -60), plannedOn: null })
      .where(and(eq(task.tankId, v.tankId), eq(task.code, "heater-check")));
    const { plan } = await planOf(businessId, v);
    expect(plan.steps.find((s) => s.id === "heater-check")?.slips).toBe(2);
    const phone = new Phone(maud, v.visitId);
    const said = { inputHash: "x", coreVersion: 1, summary: "", plan };
    await phone.say({ type: "start" }, { type: "plan", ...said });
    expect(await phone.say({ type: "skip", step: "heater-check", reason: "no time left" })).toMatchObject([
      { result: "applied" },
    ]);
    const refused = await phone.say({ type: "close" });
    expect(refused).toMatchObject([{ result: "refused", code: "third-slip" }]);
    await phone.say({ type: "decide", task: "heater-check", what: "rarer" }, { type: "close" });
    const row = await rowOf(v.tankId, "heater-check");
    // Four weeks, half as long again.
    expect(row).toMatchObject({ everyDays: 42, cadence: { by: "time", every: 42, unit: "day" }, slips: 0 });
  });
});
