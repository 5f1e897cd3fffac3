import { weeklyOn } from "@keel-round/core/series";
import { and, eq, gte } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import { db } from "../database/connection";
import { recordAnimalEvent } from "../desk/animals";
import { linkOptions, listRecords, loadRecord } from "../desk/lists";
import { changeRecord, createRecord, setArchived } from "../desk/records";
import { find } from "../find/find";
import { addPhoto, photosOf } from "../photos/photos";
import { saveProgramme } from "../programme/save";
import { animal, site, stop } from "../schema";
import { saveSeries } from "../series/change";
import { undoChange } from "../series/undo";
import { listTanks, loadTank } from "../tanks/tanks";
import type { Scope } from "./scope";
import { clientsInSight } from "./sight";

let ines: Scope;
let tobiah: Scope;
let maud: Scope;
let businessId: string;
let today: string;
const when = () => ({ now: new Date(), today });
/** A site of Tobiah's alone, with its tank. */
let house: { siteId: string; clientId: string; tankId: string };

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  [ines, tobiah, maud] = await Promise.all([
    scopeOf(businessId, "Ines"),
    scopeOf(businessId, "Tobiah"),
    scopeOf(businessId, "Maud"),
  ]);
  const [v] = await visitsOf(businessId, "Foundry Lofts", today);
  const [row] = await db()
    .select()
    .from(site)
    .where(and(eq(site.businessId, businessId), eq(site.name, "Foundry Lofts")));
  house = { siteId: row?.id ?? "", clientId: row?.clientId ?? "", tankId: v?.tankId ?? "" };
});

const notFound = { status: 404, code: "not-found" };

describe("a technician", () => {
  test("sees the tanks they serve, the office all of them, and together they miss none", async () => {
    const names = async (scope: Scope) => (await listTanks(scope, today)).map((r) => r.id);
    const [mine, theirs, all] = [await names(ines), await names(tobiah), await names(maud)];
    expect(mine.length).toBeGreaterThan(10);
    expect(mine.length).toBeLessThan(all.length);
    expect([...new Set([...mine, ...theirs])].sort()).toEqual([...all].sort());
    expect(mine).not.toContain(house.tankId);
    expect(theirs).toContain(house.tankId);
  });
  test("finds, opens, lists and changes nothing of whom they have no business with", async () => {
    expect((await find(tobiah, "foundry lofts", today)).length).toBeGreaterThan(0);
    expect(await find(ines, "foundry lofts", today)).toEqual([]);
    await expect(loadTank(ines, house.tankId, today)).rejects.toMatchObject(notFound);
    await expect(loadRecord(ines, "site", house.siteId)).rejects.toMatchObject(notFound);
    await expect(loadRecord(ines, "client", house.clientId)).rejects.toMatchObject(notFound);
    for (const entity of ["client", "site", "tank", "animal", "equipment"] as const)
      expect((await listRecords(ines, entity, { q: "Foundry" })).rows, entity).toEqual([]);
    expect((await listRecords(tobiah, "tank", { q: "Foundry" })).total).toBeGreaterThan(0);
    await expect(
      changeRecord(ines, "site", { id: house.siteId, version: 1, values: { parking: "x" } }, when()),
    ).rejects.toMatchObject(notFound);
    await expect(setArchived(ines, "tank", house.tankId, true, when())).rejects.toMatchObject(notFound);
    await expect(
      saveProgramme(ines, { tankId: house.tankId, jobs: [{ code: "photo", active: false }] }, when()),
    ).rejects.toMatchObject(notFound);
    await expect(photosOf(ines, house.tankId)).rejects.toMatchObject(notFound);
    await expect(
      addPhoto(ines, house.tankId, { bytes: new Uint8Array(1), note: "", onDate: today }, new Date()),
    ).rejects.toMatchObject(notFound);
    const [fish] = await db().select().from(animal).where(eq(animal.tankId, house.tankId)).limit(1);
    await expect(
      recordAnimalEvent(
        ines,
        { animalId: fish?.id ?? "", kind: "counted", number: 1, cause: "", onDate: today },
        when(),
      ),
    ).rejects.toMatchObject(notFound);
  });
  test("can neither choose nor name what is out of sight", async () => {
    const sites = (await linkOptions(ines, "tank")).siteId ?? [];
    expect(sites.some(([id]) => id === house.siteId)).toBe(false);
    expect(sites.length).toBeGreaterThan(10);
    const [own] = (await listRecords(ines, "equipment", {})).rows;
    await expect(
      changeRecord(
        ines,
        "equipment",
        { id: own?.id ?? "", version: own?.version ?? 0, values: { tankId: house.tankId } },
        when(),
      ),
    ).rejects.toMatchObject({ code: "invalid", fields: { tankId: [expect.stringContaining("no such tank")] } });
  });
  test("who stands in sees the site from then on, and its tank", async () => {
    const before = await clientsInSight(ines);
    expect(before).not.toContain(house.clientId);
    await db()
      .update(stop)
      .set({ personId: ines.personId })
      .where(and(eq(stop.siteId, house.siteId), gte(stop.onDate, today)));
    expect(await clientsInSight(ines)).toContain(house.clientId);
    expect((await loadTank(ines, house.tankId, today)).row.id).toBe(house.tankId);
  });
  test("sees whom nobody serves yet, until somebody does", async () => {
    const client = { name: "Bittern Lodge", contact: "x", email: "b@lodge.example", lettersBy: "none" };
    const { id: clientId } = await createRecord(maud, "client", client, when());
    const place = { name: "Bittern Lodge", clientId, address: "1 Reed Lane", lat: 50.4, lon: -4.7 };
    const { id: siteId } = await createRecord(
      ines,
      "site",
      { ...place, drain: "sewer", setUpMinutes: 5, bucketL: 20, hotWater: true },
      when(),
    );
    expect((await loadRecord(tobiah, "site", siteId)).record.name).toBe("Bittern Lodge");
    const who = { siteId, seriesId: null, personId: ines.personId, tankIds: null };
    const weekly = { rhythm: weeklyOn(today), fromOn: today, untilOn: null, spells: [] };
    const { changeId } = await saveSeries(maud, { ...who, ...weekly }, when());
    expect((await loadRecord(ines, "site", siteId)).record.name).toBe("Bittern Lodge");
    await expect(loadRecord(tobiah, "site", siteId)).rejects.toMatchObject(notFound);
    // With its series gone nobody serves it again.
    await undoChange(maud, changeId, when());
    expect((await loadRecord(tobiah, "site", siteId)).record.name).toBe("Bittern Lodge");
  });
});

test("an owner of tanks sees their one client, somebody without any sees none, the office has no bounds", async () => {
  const owner = await scopeOf(businessId, "Dr.");
  expect(await clientsInSight(owner)).toEqual([owner.clientId]);
  expect(await clientsInSight({ ...owner, clientId: null })).toEqual([]);
  expect(await listTanks({ ...owner, clientId: null }, today)).toEqual([]);
  expect(await clientsInSight(maud)).toBeNull();
});
