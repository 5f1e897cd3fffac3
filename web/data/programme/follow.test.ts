import { addDays } from "@keel-round/core/calendar";
import { and, eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, Phone, planOf, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { historyOf } from "../desk/history";
import { startTank } from "../desk/newTank";
import { changeRecord } from "../desk/records";
import { site, source, stepLog, tank, task } from "../schema";
import { saveProgramme } from "./save";

let ines: Scope;
let maud: Scope;
let today: string;
let businessId: string;
const when = () => ({ now: new Date(), today });

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  [ines, maud] = await Promise.all([scopeOf(businessId, "Ines"), scopeOf(businessId, "Maud")]);
});

const siteNamed = async (name: string) => {
  const [row] = await db()
    .select()
    .from(site)
    .where(and(eq(site.businessId, businessId), eq(site.name, name)));
  if (!row) throw new Error(`No site ${name}`);
  return row;
};
const jobsOf = async (tankId: string) =>
  new Map((await db().select().from(task).where(eq(task.tankId, tankId))).map((t) => [t.code, t] as const));
const active = async (tankId: string) =>
  [...(await jobsOf(tankId)).values()].filter((t) => t.removedAt === null).map((t) => t.code);
/** The jobs that the next plans of a tank are made from. */
const planned = async (tankId: string) =>
  (await planOf(businessId, { visitId: tankId, tankId, on: today })).input.tasks.map((t) => t.code);
const rowOf = async (id: string) => {
  const [row] = await db().select().from(tank).where(eq(tank.id, id));
  if (!row) throw new Error("no tank");
  return row;
};
/** A reef that somebody else started years ago. */
const takenOver = async (name: string) => {
  const [water] = await db()
    .select()
    .from(source)
    .where(and(eq(source.businessId, businessId), eq(source.name, "Reef mix")));
  return startTank(
    ines,
    {
      siteId: (await siteNamed("Ilves Dental")).id,
      name,
      kind: "soft-coral",
      vessel: { shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.5 },
      water: { id: water?.id ?? "" },
      sump: true,
      startedOn: "2022-05-01",
    },
    when(),
  );
};

describe("a programme follows what hangs on the tank", () => {
  test("a skimmer taken off takes its jobs along, put back it brings them back, and the history says so", async () => {
    const { id } = await takenOver("Followed");
    expect(await active(id)).toContain("skimmer-cup");
    const save = async (gear: string[]) =>
      changeRecord(ines, "tank", { id, version: (await rowOf(id)).version, values: { gear } }, when());
    const gear = [...(await rowOf(id)).facts.gear];
    await save(gear.filter((g) => g !== "skimmer"));
    for (const code of ["skimmer-cup", "skimmer-soak"]) expect(await active(id)).not.toContain(code);
    await save([...gear, "uv"]);
    for (const code of ["skimmer-cup", "skimmer-soak", "uv-lamp"]) expect(await active(id)).toContain(code);
    const told = (await historyOf(ines, "tank", id)).map((h) => h.what);
    expect(told).toContain("took out of the programme: empty and wash the skimmer cup and neck");
    expect(told).toContain("put into the programme: empty and wash the skimmer cup and neck");
  });
  test("what somebody took out by hand stays out when another thing changes", async () => {
    const { id } = await takenOver("By hand");
    await saveProgramme(ines, { tankId: id, jobs: [{ code: "skimmer-cup", active: false }] }, when());
    const gear = [...(await rowOf(id)).facts.gear, "uv"];
    await changeRecord(ines, "tank", { id, version: (await rowOf(id)).version, values: { gear } }, when());
    expect(await active(id)).toContain("uv-lamp");
    expect(await active(id)).not.toContain("skimmer-cup");
  });
});

describe("when a job was last done", () => {
  test("nobody is said to have done anything at a tank that is taken over, and nothing is learnt from that", async () => {
    const { id } = await takenOver("Unknown past");
    const jobs = await jobsOf(id);
    expect([...jobs.values()].every((t) => t.begun)).toBe(true);
  });
  test("can be told and corrected, not to a day to come; the plan follows", async () => {
    const { id } = await takenOver("Told past");
    const told = addDays(today, -3);
    await saveProgramme(ines, { tankId: id, jobs: [{ code: "glass-inside", lastDoneOn: told }] }, when());
    expect((await jobsOf(id)).get("glass-inside")).toMatchObject({ lastDoneOn: told, begun: false });
    const corrected = addDays(today, -5);
    await saveProgramme(ines, { tankId: id, jobs: [{ code: "glass-inside", lastDoneOn: corrected }] }, when());
    const lines = (await historyOf(ines, "tank", id)).filter((h) => h.what.endsWith("last done"));
    expect(lines.map((h) => [h.old, h.new])).toEqual([
      [told, corrected],
      ["not known", told],
    ]);
    await expect(
      saveProgramme(ines, { tankId: id, jobs: [{ code: "glass-inside", lastDoneOn: addDays(today, 1) }] }, when()),
    ).rejects.toMatchObject({ fields: { "glass-inside": ["That day has not come yet."] } });
    expect((await jobsOf(id)).get("glass-inside")?.lastDoneOn).toBe(corrected);
  });
});

describe("what belongs to the site", () => {
  test("comes with one of its tanks, and with another one when that rests", async () => {
    const { id: first } = await takenOver("Carrier");
    const { id: second } = await takenOver("Beside it");
    const all = (
      await db()
        .select({ id: tank.id, archivedAt: tank.archivedAt })
        .from(tank)
        .where(and(eq(tank.businessId, businessId), eq(tank.siteId, (await siteNamed("Ilves Dental")).id)))
    ).filter((t) => t.archivedAt === null);
    for (const code of ["batch-salt", "season-holiday", "cartridges", "tds-check"]) {
      const carriers = [];
      for (const t of all) if ((await planned(t.id)).includes(code)) carriers.push(t.id);
      expect(carriers.length, code).toBeLessThanOrEqual(1);
    }
    expect(await active(first)).toContain("batch-salt");
    expect(await active(second)).toContain("batch-salt");
  });
});

describe("a job that another one covers", () => {
  test("counts as done with it", async () => {
    const [v] = await visitsOf(businessId, "Kettle Diner", today);
    if (!v) throw new Error("no visit");
    const jobs = await jobsOf(v.tankId);
    const covered = [...jobs.keys()].includes("vacuum-sector");
    expect(covered).toBe(true);
    await db()
      .update(task)
      .set({ lastDoneOn: addDays(v.on, -60), plannedOn: null, pin: null, removedAt: null })
      .where(and(eq(task.tankId, v.tankId), eq(task.code, "deep-sector")));
    const { plan } = await planOf(businessId, v);
    const ids = plan.steps.map((s) => s.id);
    expect(ids).toContain("deep-sector");
    expect(ids).not.toContain("vacuum-sector");
    const before = (await jobsOf(v.tankId)).get("vacuum-sector")?.lastDoneOn ?? "";
    expect(before < v.on).toBe(true);
    await new Phone(maud, v.visitId).say(
      { type: "start" },
      { type: "plan", inputHash: "x", coreVersion: 1, summary: "", plan },
      { type: "tick", step: "deep-sector" },
      { type: "close" },
    );
    expect((await jobsOf(v.tankId)).get("vacuum-sector")?.lastDoneOn).toBe(v.on);
    // The log itself says only what was done.
    const log = await db()
      .select()
      .from(stepLog)
      .where(and(eq(stepLog.tankId, v.tankId), eq(stepLog.onDate, v.on), eq(stepLog.step, "vacuum-sector")));
    expect(log).toEqual([]);
  });
});
