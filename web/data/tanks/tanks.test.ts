import { planVisit } from "@keel-round/core/visit";
import { beforeAll, describe, expect, test } from "vitest";
import type { Scope } from "@/data/access/scope";
import { saveUnits } from "@/data/access/units";
import { changeRecord } from "@/data/desk/records";
import { saveProgramme } from "@/data/programme/save";
import { listTanks, loadTank } from "@/data/tanks/tanks";
import { filterTanks, inShow } from "@/places/tanks/filter";
import { demoBusiness, planOf, scopeOf, visitsOf } from "../../../tools/testing/world.ts";

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

describe("the list", () => {
  test("has every tank with its next visit and who comes", async () => {
    const rows = await listTanks(maud, today);
    expect(rows).toHaveLength(39);
    for (const r of rows) {
      expect(r.nextOn, r.name).not.toBeNull();
      expect(r.status?.systemL, r.name).toBeGreaterThan(20);
      expect(r.personId, r.name).not.toBeNull();
    }
    expect(rows.find((r) => r.name === "Reef")?.nextOn).toBe(today);
  });
  test("puts what matters first, and finds words in any order without accents", async () => {
    const rows = await listTanks(maud, today);
    const names = (q: string, show?: string) =>
      filterTanks(rows, { q, ...(show ? { show } : {}) }, today, ines.personId).map((r) => r.name);
    expect(names("")[0]).toBe("Reef");
    expect(names("cafe pavilion")).toEqual(["Back bar"]);
    expect(names("BRACKISH diner")).toEqual(["Archerfish"]);
    expect(names("no such thing")).toEqual([]);
    expect(names("", "off")).toEqual(["Reef", "Lamp room", "Landing"]);
    expect(names("", "salt").length + names("", "fresh").length).toBe(39);
    expect(names("", "mine").length).toBeLessThan(39);
    // A filter that does not exist filters nothing.
    expect(names("", "purple")).toHaveLength(39);
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
  const when = () => ({ now: new Date(), today });
  test("change the plan", async () => {
    const before = await loadTank(ines, reefId, today);
    expect(before.plan.steps.some((s) => s.id === "feed-before")).toBe(false);
    const saved = await changeRecord(
      ines,
      "tank",
      { id: reefId, version: before.row.version, values: { "practice.share": 0.1, "practice.feeding": "before" } },
      when(),
    );
    expect(saved).toMatchObject({ kind: "saved", version: before.row.version + 1 });
    const sheet = await loadTank(ines, reefId, today);
    expect(sheet.plan.water.share.value).toBeLessThanOrEqual(0.1);
    expect(sheet.plan.steps.some((s) => s.id === "feed-before")).toBe(true);
  });
  test("a job rests and comes back with its history", async () => {
    const codes = async () =>
      (await planOf(businessId, { visitId: reefId, tankId: reefId, on: today })).input.tasks.map((t) => t.code);
    await saveProgramme(ines, { tankId: reefId, jobs: [{ code: "socks", active: false }] }, when());
    expect(await codes()).not.toContain("socks");
    await saveProgramme(ines, { tankId: reefId, jobs: [{ code: "socks", active: true }] }, when());
    expect(await codes()).toContain("socks");
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
