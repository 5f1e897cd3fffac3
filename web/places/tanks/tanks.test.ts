import { planVisit } from "@keel-round/core/visit";
import { beforeAll, describe, expect, test } from "vitest";
import { saveUnits } from "@/data/people";
import type { Scope } from "@/data/scope";
import { listTanks, loadTank, saveTankSettings, type TankSettings } from "@/data/tanks";
import { demoBusiness, planOf, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import { filterTanks, inShow } from "./filter";

let ines: Scope;
let maud: Scope;
let owner: Scope;
let businessId: string;
let today: string;
let reefId: string;

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  [ines, maud, owner] = await Promise.all([
    scopeOf(businessId, "Ines"),
    scopeOf(businessId, "Maud"),
    scopeOf(businessId, "Dr."),
  ]);
  reefId = (await visitsOf(businessId, "Ilves Dental", today))[0]?.tankId ?? "";
});

async function settings(change: Partial<TankSettings> = {}): Promise<TankSettings> {
  const { row, jobs } = await loadTank(ines, reefId, today);
  return {
    tankId: reefId,
    version: row.version,
    schools: row.facts.schools,
    runningLevelCm: row.facts.display.runningLevelM * 100,
    hasSump: row.facts.sump !== undefined,
    jobs: jobs.filter((j) => j.removedAt === null).map((j) => j.code),
    ...change,
  };
}

describe("the list", () => {
  test("has every tank with its next visit and who comes", async () => {
    const rows = await listTanks(ines, today);
    expect(rows).toHaveLength(38);
    for (const r of rows) {
      expect(r.nextOn, r.name).not.toBeNull();
      expect(r.status?.systemL, r.name).toBeGreaterThan(20);
      expect(r.personId, r.name).not.toBeNull();
    }
    expect(rows.find((r) => r.name === "Reef")?.nextOn).toBe(today);
  });
  test("puts what matters first, and finds words in any order without accents", async () => {
    const rows = await listTanks(ines, today);
    const names = (q: string, show?: string) =>
      filterTanks(rows, { q, ...(show ? { show } : {}) }, today, ines.personId).map((r) => r.name);
    expect(names("")[0]).toBe("Reef");
    expect(names("cafe pavilion")).toEqual(["Back bar"]);
    expect(names("BRACKISH diner")).toEqual(["Archerfish"]);
    expect(names("no such thing")).toEqual([]);
    expect(names("", "off")).toEqual(["Reef"]);
    expect(names("", "salt").length + names("", "fresh").length).toBe(38);
    expect(names("", "mine").length).toBeLessThan(38);
    // A filter that does not exist filters nothing.
    expect(names("", "purple")).toHaveLength(38);
    const reef = rows.find((r) => r.name === "Reef");
    expect(reef && inShow(reef, "week", today, "")).toBe(true);
  });
  test("an owner's holds their own alone", async () => {
    expect((await listTanks(owner, today)).map((r) => r.name)).toEqual(["Reef"]);
    const other = (await listTanks(ines, today)).find((r) => r.name === "Column");
    await expect(loadTank(owner, other?.id ?? "", today)).rejects.toMatchObject({ code: "not-found" });
    expect((await loadTank(owner, reefId, today)).row.name).toBe("Reef");
  });
});

describe("settings", () => {
  test("change the plan, raise the version and leave who, what, old and new", async () => {
    const before = await settings();
    const { version } = await saveTankSettings(
      ines,
      { ...before, schools: { ...before.schools, share: 0.1, feeding: "before" } },
      today,
      new Date(),
    );
    expect(version).toBe(before.version + 1);
    const sheet = await loadTank(ines, reefId, today);
    expect(sheet.deskChanges.map((c) => [c.by, c.field, c.old, c.new])).toEqual(
      expect.arrayContaining([
        ["Ines Calder", "share", 0.15, 0.1],
        ["Ines Calder", "feeding", "after", "before"],
      ]),
    );
    expect(sheet.deskChanges).toHaveLength(2);
    expect(sheet.plan.water.share.value).toBeLessThanOrEqual(0.1);
    expect(sheet.plan.steps.some((s) => s.id === "feed-before")).toBe(true);
  });
  test("a stale save is refused with who changed what, and changes nothing", async () => {
    const mine = await settings();
    await saveTankSettings(maud, { ...mine, schools: { ...mine.schools, panels: "all" } }, today, new Date());
    await expect(
      saveTankSettings(ines, { ...mine, schools: { ...mine.schools, share: 0.3 } }, today, new Date()),
    ).rejects.toMatchObject({
      status: 409,
      code: "stale",
      message: expect.stringContaining("Maud Oyelaran changed panels"),
    });
    expect((await loadTank(ines, reefId, today)).row.facts.schools).toMatchObject({ panels: "all", share: 0.1 });
  });
  test("a job rests and comes back with its history", async () => {
    const before = await settings();
    await saveTankSettings(ines, { ...before, jobs: before.jobs.filter((c) => c !== "socks") }, today, new Date());
    const steps = async () =>
      (await planOf(businessId, { visitId: reefId, tankId: reefId, on: today })).input.tasks.map((t) => t.code);
    expect(await steps()).not.toContain("socks");
    const rested = await settings();
    await saveTankSettings(ines, { ...rested, jobs: [...rested.jobs, "socks"] }, today, new Date());
    expect(await steps()).toContain("socks");
  });
  test("what cannot be is refused beside its field", async () => {
    const now = await settings();
    await expect(saveTankSettings(ines, { ...now, runningLevelCm: 90 }, today, new Date())).rejects.toMatchObject({
      status: 422,
      fields: { runningLevelCm: [expect.stringContaining("65 cm high")] },
    });
    await expect(
      saveTankSettings(
        ines,
        { ...now, hasSump: false, schools: { ...now.schools, how: "from-sump" } },
        today,
        new Date(),
      ),
    ).rejects.toMatchObject({ fields: { how: [expect.any(String)] } });
    expect((await settings()).version).toBe(now.version);
  });
});

test("a person's units are theirs, and nothing else changes", async () => {
  const before = planVisit((await planOf(businessId, { visitId: reefId, tankId: reefId, on: today })).input);
  await saveUnits(maud, {
    volume: "US gal",
    length: "in",
    temperature: "°F",
    salinity: "SG 25/25",
    alkalinity: "meq/L",
  });
  expect((await scopeOf(businessId, "Maud")).units.volume).toBe("US gal");
  expect((await scopeOf(businessId, "Ines")).units.volume).toBe("L");
  expect(planVisit((await planOf(businessId, { visitId: reefId, tankId: reefId, on: today })).input)).toEqual(before);
});
