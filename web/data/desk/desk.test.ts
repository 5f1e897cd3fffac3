import { addDays, daysBetween, weekday } from "@keel-round/core/calendar";
import { type Entity, type Filter, readFilters, recordKinds, type Values } from "@keel-round/core/desk";
import { and, eq, gte } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, scopeOf } from "../../../tools/testing/world.ts";
import { type Scope, scopeOfUser } from "../access/scope";
import { decrypt, encrypt } from "../access/secrets";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { beginBusiness } from "../firm/begin";
import { loadRound } from "../round/round";
import { accessLook, animal, deskChange, site, tank, task, visit } from "../schema";
import { saveSeries } from "../series/change";
import { loadTank } from "../tanks/tanks";
import { animalsWithEvents, recordAnimalEvent } from "./animals";
import { lookAtCodes, looksOf, setCodes } from "./codes";
import { historyOf } from "./history";
import { linkOptions, listRecords, loadRecord, PAGE_ROWS } from "./lists";
import { startTank } from "./newTank";
import { bulkChange, changeRecord, createRecord, restoreField, setArchived, undoBatch } from "./records";

let ines: Scope;
let maud: Scope;
let owner: Scope;
let businessId: string;
let today: string;
const when = () => ({ now: new Date(), today });

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  [ines, maud, owner] = await Promise.all([
    scopeOf(businessId, "Ines"),
    scopeOf(businessId, "Maud"),
    scopeOf(businessId, "Dr."),
  ]);
});

const made = async (entity: Entity, values: Parameters<typeof createRecord>[2]) =>
  (await createRecord(maud, entity, values, when())).id;

const newClient = (name: string) =>
  made("client", { name, contact: "Mr. Dace", email: "dace@example.example", lettersBy: "mail-pdf" });

const newSite = (name: string, clientId: string) =>
  made("site", {
    name,
    clientId,
    address: "9 Weir Lane",
    lat: 50.4,
    lon: -4.7,
    drain: "sewer",
    setUpMinutes: 5,
    bucketL: 20,
    hotWater: false,
  });

async function find(entity: Entity, q: string) {
  const { rows } = await listRecords(maud, entity, { q });
  const row = rows[0];
  if (!row) throw new Error(`No ${entity} ${q}`);
  return row;
}

describe("a record", () => {
  test("is made, changed with who, old and new, and found again", async () => {
    const id = await newClient("Dace Boatyard");
    const saved = await changeRecord(
      maud,
      "client",
      { id, version: 1, values: { phone: "555 7788", contact: "Mrs. Dace" } },
      when(),
    );
    expect(saved).toMatchObject({ kind: "saved", version: 2 });
    expect((await loadRecord(maud, "client", id)).record.values).toMatchObject({
      phone: "555 7788",
      contact: "Mrs. Dace",
    });
    const history = await historyOf(maud, "client", id);
    expect(history.map((h) => [h.by, h.what, h.old, h.new])).toEqual(
      expect.arrayContaining([
        ["Maud Oyelaran", "phone", "nothing", "555 7788"],
        ["Maud Oyelaran", "contact", "Mr. Dace", "Mrs. Dace"],
        ["Maud Oyelaran", "made this client", null, null],
      ]),
    );
  });
  test("that says nothing new is not written again", async () => {
    const row = await find("client", "Ilves");
    const saved = await changeRecord(
      maud,
      "client",
      { id: row.id, version: row.version, values: { name: row.name } },
      when(),
    );
    expect(saved).toMatchObject({ kind: "saved", version: row.version });
  });
  test("with something wrong is refused beside the field, and nothing of it is written", async () => {
    const before = await db().select().from(site).where(eq(site.businessId, businessId));
    await expect(
      createRecord(maud, "site", { name: "Nowhere", address: "", lat: 95, drain: "sea" as never }, when()),
    ).rejects.toMatchObject({
      status: 422,
      fields: {
        clientId: expect.anything(),
        address: ["Enter the address."],
        lat: expect.anything(),
        drain: expect.anything(),
      },
    });
    await expect(newSite("Astray", newId())).rejects.toMatchObject({
      fields: { clientId: [expect.stringContaining("no such client")] },
    });
    expect(await db().select().from(site).where(eq(site.businessId, businessId))).toHaveLength(before.length);
  });
  test("saved too late is not saved: it says who changed what meanwhile", async () => {
    const id = await newClient("Weir Mill");
    await changeRecord(maud, "client", { id, version: 1, values: { phone: "555 0001" } }, when());
    const late = await changeRecord(
      maud,
      "client",
      { id, version: 1, values: { phone: "555 0002", notes: "Gate" } },
      when(),
    );
    expect(late).toMatchObject({
      kind: "stale",
      stale: { version: 2, by: "Maud Oyelaran", theirs: { phone: "555 0001" } },
    });
    expect((await loadRecord(maud, "client", id)).record.values).toMatchObject({ phone: "555 0001", notes: "" });
    // Compared, it is saved over it.
    expect(await changeRecord(maud, "client", { id, version: 2, values: { phone: "555 0002" } }, when())).toMatchObject(
      { kind: "saved", version: 3 },
    );
  });
  test("two saves of one version at the same time make one change", async () => {
    const id = await newClient("Twin Locks");
    const both = await Promise.all(
      ["555 1", "555 2"].map((phone) => changeRecord(maud, "client", { id, version: 1, values: { phone } }, when())),
    );
    expect(both.map((b) => b.kind).sort()).toEqual(["saved", "stale"]);
  });
});

describe("taking back", () => {
  test("a field goes back to what it was, and that is a change of its own", async () => {
    const id = await newClient("Osier House");
    await changeRecord(maud, "client", { id, version: 1, values: { notes: "Ring twice" } }, when());
    const change = (await historyOf(maud, "client", id)).find((h) => h.what === "notes");
    await restoreField(maud, change?.id ?? "", when());
    expect((await loadRecord(maud, "client", id)).record).toMatchObject({ version: 3, values: { notes: "" } });
  });
  test("a save is undone as one, and not if it was edited since", async () => {
    const id = await newClient("Tern Court");
    const first = await changeRecord(maud, "client", { id, version: 1, values: { phone: "1", notes: "a" } }, when());
    if (first.kind !== "saved") throw new Error("not saved");
    await undoBatch(maud, first.batchId, when());
    expect((await loadRecord(maud, "client", id)).record.values).toMatchObject({ phone: "", notes: "" });
    await expect(undoBatch(maud, first.batchId, when())).rejects.toMatchObject({
      code: "edited-since",
      message: expect.stringContaining("Tern Court"),
    });
  });
  test("a bulk edit is one change, and undone as one", async () => {
    const rows = (await listRecords(maud, "site", {})).rows.slice(0, 3);
    const { batchId, changed } = await bulkChange(
      maud,
      "site",
      rows.map((r) => r.id),
      { floors: "cork" },
      when(),
    );
    expect(changed).toBe(3);
    await undoBatch(maud, batchId, when());
    for (const r of rows) expect((await loadRecord(maud, "site", r.id)).record.values.floors).toBe(r.values.floors);
  });
  test("a made record is undone into the archive", async () => {
    const { id, batchId } = await createRecord(
      maud,
      "client",
      { name: "Heron Steps", contact: "Ms. Grey", email: "grey@heron.example", lettersBy: "none" },
      when(),
    );
    await undoBatch(maud, batchId, when());
    expect((await loadRecord(maud, "client", id)).record.archived).toBe(true);
  });
});

describe("the archive", () => {
  test("takes no client with sites and no site with tanks", async () => {
    const site = await find("site", "Ilves");
    await expect(setArchived(maud, "site", site.id, true, when())).rejects.toMatchObject({
      code: "in-use",
      message: "Ilves Dental still has 1 tank. Archive it first.",
    });
    await expect(setArchived(maud, "client", String(site.values.clientId), true, when())).rejects.toMatchObject({
      code: "in-use",
    });
  });
  test("of a tank takes the visits that were only laid out, and bringing it back lays them again", async () => {
    const { rows } = await listRecords(maud, "tank", { q: "Seahorses" });
    const id = rows[0]?.id ?? "";
    const ahead = () =>
      db()
        .select({ id: visit.id })
        .from(visit)
        .where(and(eq(visit.tankId, id), gte(visit.onDate, today)));
    const before = (await ahead()).length;
    expect(before).toBeGreaterThan(3);
    await setArchived(ines, "tank", id, true, when());
    expect(await ahead()).toHaveLength(0);
    expect((await listRecords(maud, "tank", { q: "Seahorses" })).rows).toHaveLength(0);
    expect((await listRecords(maud, "tank", { q: "Seahorses", archived: true })).rows).toHaveLength(1);
    await setArchived(ines, "tank", id, false, when());
    expect(await ahead()).toHaveLength(before);
  });
});

describe("a list", () => {
  test("is sorted by a field, by what a link points at, and the other way round", async () => {
    const names = async (sort: string) =>
      (await listRecords(maud, "equipment", { sort, q: "Ilves" })).rows.map((r) => String(r.values.installedOn));
    const up = await names("installedOn");
    expect(up).toEqual([...up].sort());
    expect(await names("-installedOn")).toEqual([...up].reverse());
    const { rows, names: of } = await listRecords(maud, "site", { sort: "clientId" });
    const clients = rows.map((r) => of.get(String(r.values.clientId)) ?? "");
    expect(clients).toEqual([...clients].sort((a, b) => a.localeCompare(b)));
  });
  test("finds a word in its own texts and in what it belongs to, and takes a sign literally", async () => {
    expect((await listRecords(maud, "animal", { q: "axolotl" })).total).toBe(1);
    expect((await listRecords(maud, "animal", { q: "Ferry Street" })).total).toBeGreaterThan(0);
    expect((await listRecords(maud, "site", { q: "100%" })).total).toBe(0);
    expect((await listRecords(maud, "site", { q: "_" })).total).toBe(0);
  });
  test("an unknown field to sort by is no error", async () =>
    expect((await listRecords(maud, "site", { sort: "no; drop table site" })).total).toBeGreaterThan(5));
});

/** A business that was just begun, with a site and no water. */
async function firmWithoutWater(): Promise<{ readonly scope: Scope; readonly siteId: string }> {
  const { userId } = await beginBusiness(
    maud,
    {
      name: "Lamplight",
      zone: "Europe/London",
      phone: "",
      mailFrom: "letters@lamplight.example",
      start: "50.4, -4.7",
      person: "Wenna Lamplight",
      email: `${newId()}@lamplight.example`,
      password: "a-lamp-in-the-window",
    },
    new Date(),
  );
  const scope = await scopeOfUser(userId);
  if (!scope) throw new Error("nobody");
  const { id: clientId } = await createRecord(
    scope,
    "client",
    { name: "Harbour Library", contact: "The librarian", email: "library@harbour.example", lettersBy: "mail-pdf" },
    when(),
  );
  const place = { address: "1 Quay Steps", lat: 50.4, lon: -4.7, drain: "sewer", setUpMinutes: 5, bucketL: 20 };
  const { id } = await createRecord(
    scope,
    "site",
    { name: "Harbour Library", clientId, hotWater: true, windows: {}, ...place },
    when(),
  );
  return { scope, siteId: id };
}

describe("a new tank", () => {
  test("has facts of its kind, a programme, and a visit at every stop that is laid out", async () => {
    const site = await find("site", "Lanehead");
    const sources = (await linkOptions(ines, "tank")).sourceId ?? [];
    const [water] = sources.find(([, name]) => name === "Port Averil tap") ?? [];
    const { id } = await startTank(
      ines,
      {
        siteId: site.id,
        name: "Corridor",
        kind: "community",
        vessel: { shape: "bow-front", lengthM: 0.9, widthM: 0.4, bowM: 0.1, heightM: 0.5 },
        water: { id: water ?? "" },
        sump: false,
        startedOn: today,
      },
      when(),
    );
    const sheet = await loadTank(ines, id, today);
    expect(sheet.row.facts.assumed).toContain("display.rockKg");
    expect(sheet.jobs.length).toBeGreaterThan(5);
    // It was started today: its own calendar begins with ammonia and nitrite, due at once.
    expect(sheet.plan.steps.map((s) => s.id)).toEqual(expect.arrayContaining(["young-ammonia", "young-nitrite"]));
    expect(sheet.next).not.toBeNull();
    // Nobody knows its water yet: every test of its programme is due at the first visit, the rare jobs are not.
    expect(sheet.plan.steps.map((s) => s.id)).toEqual(expect.arrayContaining(["test-temperature", "test-nitrate"]));
    expect(sheet.plan.steps.map((s) => s.id)).not.toContain("yearly-check");
    const siblings = await db().select().from(tank).where(eq(tank.siteId, site.id));
    const ahead = async (tankId: string) =>
      (
        await db()
          .select()
          .from(visit)
          .where(and(eq(visit.tankId, tankId), gte(visit.onDate, today)))
      ).length;
    expect(await ahead(id)).toBe(await ahead(siblings.find((t) => t.id !== id)?.id ?? ""));
    // Confirmed as it stands, it is assumed no longer and narrows the volume.
    const confirmed = ["display.runningLevelM", "display.substrate", "display.substrateDepthM", "display.rockKg"];
    const before = sheet.plan.water.systemL.range;
    await changeRecord(ines, "tank", { id, version: 1, values: {}, confirmed }, when());
    const after = await loadTank(ines, id, today);
    expect(after.row.facts.assumed).not.toContain("display.rockKg");
    const width = (r: typeof before) => (r ? r.high - r.low : Number.NaN);
    expect(width(after.plan.water.systemL.range)).toBeCloseTo(width(before) / 2, 6);
    expect((await historyOf(ines, "tank", id)).map((h) => h.what)).toContain("confirmed rock, dry");
  });
  test("that cannot be is refused, and leaves nothing", async () => {
    const site = await find("site", "Lanehead");
    const before = (await db().select().from(task).where(eq(task.businessId, businessId))).length;
    await expect(
      startTank(
        ines,
        {
          siteId: site.id,
          name: "Ghost",
          kind: "community",
          vessel: { shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.5 },
          water: { id: newId() },
          sump: false,
          startedOn: today,
        },
        when(),
      ),
    ).rejects.toMatchObject({ fields: { sourceId: expect.anything() } });
    expect((await db().select().from(task).where(eq(task.businessId, businessId))).length).toBe(before);
  });
  test("makes the water it needs in place: salt water with the RO water that it is topped up with, once", async () => {
    const { siteId, ...firm } = await firmWithoutWater();
    const start = (name: string, make: "mix" | "tap") =>
      startTank(
        firm.scope,
        {
          siteId,
          name,
          kind: make === "mix" ? "marine-fish" : "community",
          vessel: { shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.5 },
          water: { make },
          sump: false,
          startedOn: today,
        },
        when(),
      );
    const salt = await loadTank(firm.scope, (await start("Reef", "mix")).id, today);
    expect(salt.input.source).toMatchObject({ kind: "mix", name: "Salt mix", salt: { labelGramsPerLitre: 36 } });
    expect(salt.input.topUpSource).toMatchObject({ kind: "purified", name: "RO water" });
    const tap = await loadTank(firm.scope, (await start("Community", "tap")).id, today);
    expect(tap.input.source).toMatchObject({ kind: "tap", chemistry: {} });
    const names = (await listRecords(firm.scope, "source", {})).rows.map((r) => r.name).sort();
    expect(names).toEqual(["RO water", "Salt mix", "Tap"]);
    // Nothing is half made: a water of the wrong kind makes neither itself nor the tank.
    await expect(
      startTank(
        firm.scope,
        {
          siteId,
          name: "Wrong",
          kind: "marine-fish",
          vessel: { shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.5 },
          water: { make: "tap" },
          sump: false,
          startedOn: today,
        },
        when(),
      ),
    ).rejects.toMatchObject({ status: 422, fields: { sourceId: expect.anything() } });
    expect((await listRecords(firm.scope, "source", {})).rows).toHaveLength(3);
  });
  test("its dimensions are refused beside their field, in the person's words", async () => {
    const row = await find("tank", "Reef Ilves");
    const save = (values: Record<string, never>) =>
      changeRecord(ines, "tank", { id: row.id, version: row.version, values }, when());
    await expect(save({ "display.runningLevelM": 0.9 as never })).rejects.toMatchObject({
      status: 422,
      fields: { "display.runningLevelM": ["The water cannot stand above the glass, which is 65.0\u00a0cm high."] },
    });
    await expect(save({ "display.vessel.shape": "cylinder" as never })).rejects.toMatchObject({
      fields: { "display.vessel.diameterM": expect.anything() },
    });
    const sump = Object.fromEntries(
      recordKinds.tank.fields.filter((f) => f.key.startsWith("sump.")).map((f) => [f.key, null]),
    );
    await expect(save(sump as never)).rejects.toMatchObject({
      fields: { "practice.heater": [expect.stringContaining("no sump")] },
    });
  });
});

describe("animals", () => {
  test("a loss with its cause moves the count, and a group that dwindles is pointed out", async () => {
    const [row] = await db()
      .select()
      .from(animal)
      .where(and(eq(animal.businessId, businessId), eq(animal.name, "moon jellies")));
    if (!row) throw new Error("no jellies");
    const event = (kind: "lost" | "added" | "counted", number: number, cause = "") =>
      recordAnimalEvent(ines, { animalId: row.id, kind, number, onDate: today, cause }, when());
    expect(await event("lost", 4, "drawn into the spray bar")).toEqual({ count: row.count - 4 });
    expect(await event("counted", 8)).toEqual({ count: 8 });
    await expect(event("lost", 9, "unknown")).rejects.toMatchObject({
      fields: { number: [expect.stringContaining("There are 8")] },
    });
    const [group] = await animalsWithEvents(businessId, row.tankId);
    expect(group?.events.map((e) => [e.kind, e.countAfter])).toEqual(
      expect.arrayContaining([
        ["lost", 10],
        ["counted", 8],
      ]),
    );
    // The plan looks for as many as there are.
    const sheet = await loadTank(ines, row.tankId, today);
    expect(sheet.input.facts.animals[0]?.count).toBe(8);
    await expect(
      recordAnimalEvent(ines, { animalId: row.id, kind: "lost", number: 1, onDate: "2999-01-01", cause: "x" }, when()),
    ).rejects.toMatchObject({ fields: { onDate: expect.anything() } });
  });
});

describe("codes of a site", () => {
  test("are encrypted for their row alone", () => {
    const sealed = encrypt("4471", "row-1");
    expect(sealed).not.toContain("4471");
    expect(decrypt(sealed, "row-1")).toBe("4471");
    expect(() => decrypt(sealed, "row-2")).toThrow();
    expect(() => decrypt(`${sealed.slice(0, -4)}AAAA`, "row-1")).toThrow();
    expect(encrypt("4471", "row-1")).not.toBe(sealed);
  });
  test("are shown to the office and on the day of a stop, and each look is written down", async () => {
    const college = await find("site", "Maritime College");
    expect(await lookAtCodes(ines, college.id, when())).toEqual({ codes: "Side gate 4471" });
    expect(await lookAtCodes(maud, college.id, when())).toEqual({ codes: "Side gate 4471" });
    const tobiah = await scopeOf(businessId, "Tobiah");
    // Who has no business with the client is told no more than that; who has, but not today, is told why.
    await expect(lookAtCodes(tobiah, college.id, when())).rejects.toMatchObject({ code: "not-found" });
    const tomorrow = { ...when(), today: addDays(when().today, 1) };
    await expect(lookAtCodes(ines, college.id, tomorrow)).rejects.toMatchObject({ code: "not-needed" });
    await expect(lookAtCodes(owner, college.id, when())).rejects.toMatchObject({ code: "not-found" });
    const looks = await db().select().from(accessLook).where(eq(accessLook.siteId, college.id));
    expect(looks.map((l) => l.personId).sort()).toEqual([ines.personId, maud.personId].sort());
    expect(await looksOf(maud, college.id, new Date(0))).toHaveLength(2);
  });
  test("of another installation are said to be so", async () => {
    const row = await find("site", "Lanehead");
    await db()
      .update(site)
      .set({ accessCodes: encrypt("9", "another row") })
      .where(eq(site.id, row.id));
    await expect(lookAtCodes(maud, row.id, when())).rejects.toMatchObject({ code: "other-secret" });
  });
  test("change without being told in the history", async () => {
    const site = await find("site", "Kettle Diner");
    await setCodes(maud, site.id, "Back door 90210", when());
    expect(await lookAtCodes(maud, site.id, when())).toEqual({ codes: "Back door 90210" });
    const written = await db().select().from(deskChange).where(eq(deskChange.entityId, site.id));
    expect(JSON.stringify(written)).not.toContain("90210");
    expect((await historyOf(maud, "site", site.id))[0]?.what).toBe("set the codes");
  });
});

describe("who may", () => {
  test("an owner of tanks sees no desk", async () => {
    const row = await find("site", "Ilves");
    await expect(listRecords(owner, "site", {})).rejects.toMatchObject({ code: "not-found" });
    await expect(loadRecord(owner, "site", row.id)).rejects.toMatchObject({ code: "not-found" });
    await expect(
      changeRecord(owner, "site", { id: row.id, version: row.version, values: { pets: "x" } }, when()),
    ).rejects.toMatchObject({ code: "not-found" });
  });
  test("a technician edits sites and tanks, not clients", async () => {
    const row = await find("client", "Ilves");
    await expect(
      changeRecord(ines, "client", { id: row.id, version: row.version, values: { phone: "1" } }, when()),
    ).rejects.toMatchObject({ code: "not-found" });
    const place = await find("site", "Ilves");
    expect(
      await changeRecord(ines, "site", { id: place.id, version: place.version, values: { pets: "none" } }, when()),
    ).toMatchObject({ kind: "saved" });
  });
});

describe("what is known of a site reaches the plan", () => {
  const planAt = async (q: string) => {
    const row = await find("tank", q);
    return (await loadTank(ines, row.id, today)).input;
  };
  test("a tap without hot water cannot be warmed; a mix can", async () => {
    const place = await find("site", "Lanehead");
    const before = await planAt("Waiting room Lanehead");
    expect(before.source.kind).toBe("tap");
    expect(before.source.canWarm).toBe(true);
    await changeRecord(ines, "site", { id: place.id, version: place.version, values: { hotWater: false } }, when());
    expect((await planAt("Waiting room Lanehead")).source.canWarm).toBe(false);
    const dental = await find("site", "Ilves");
    await changeRecord(ines, "site", { id: dental.id, version: dental.version, values: { hotWater: false } }, when());
    expect((await planAt("Reef Ilves")).source.canWarm).toBe(true);
  });
  test("a septic tank sends the waste of a salt tank home in the van, and the visit says so", async () => {
    const reef = await find("tank", "Reef Ilves");
    const { plan } = await loadTank(ines, reef.id, today);
    expect(plan.water.wasteL).toBe(plan.water.litres.value);
    expect(plan.steps.find((s) => s.id === "waste-barrel")?.reason).toContain("must not have salt water in its drain");
    const dental = await find("site", "Ilves");
    await changeRecord(ines, "site", { id: dental.id, version: dental.version, values: { drain: "sewer" } }, when());
    expect((await loadTank(ines, reef.id, today)).plan.water.wasteL).toBe(0);
  });
  test("windows and times move the stop of the round", async () => {
    const place = await find("site", "Ferry Street School");
    const windows = Object.fromEntries(["1", "2", "3", "4", "5", "6", "7"].map((d) => [d, { from: 840, to: 1260 }]));
    await changeRecord(maud, "site", { id: place.id, version: place.version, values: { windows } }, when());
    const { stops, day } = await loadRound(ines, ines.personId, today);
    const school = stops.find((s) => s.site.name === "Ferry Street School");
    // Not before two in the afternoon.
    expect(day.stops.find((s) => s.stop.id === school?.id)?.start).toBeGreaterThanOrEqual(840);
  });
});

describe("a new site", () => {
  test("gets its recurring visits: stops as far as the others, a visit for each of its tanks, once", async () => {
    const clientId = await newClient("Plover Rooms");
    const siteId = await newSite("Plover Rooms", clientId);
    const sources = (await linkOptions(ines, "tank")).sourceId ?? [];
    const sourceId = sources.find(([, name]) => name === "Port Averil tap")?.[0] ?? "";
    const { id } = await startTank(
      ines,
      {
        siteId,
        name: "Bay",
        kind: "community",
        vessel: { shape: "box", lengthM: 1, widthM: 0.4, heightM: 0.5 },
        water: { id: sourceId },
        sump: false,
        startedOn: today,
      },
      when(),
    );
    expect((await loadTank(ines, id, today)).next).toBeNull();
    const who = { siteId, seriesId: null, personId: ines.personId, tankIds: null };
    const rhythm = { kind: "weeks", every: 2, weekdays: [weekday(today)] } as const;
    await saveSeries(maud, { ...who, rhythm, fromOn: today, untilOn: null, spells: [] }, when());
    const visits = await db().select().from(visit).where(eq(visit.tankId, id)).orderBy(visit.onDate);
    // Ten weeks are laid out: today and every second week after it.
    expect(visits.map((v) => daysBetween(today, v.onDate))).toEqual([0, 14, 28, 42, 56, 70]);
    expect((await loadRound(ines, ines.personId, today)).stops.map((s) => s.site.name)).toContain("Plover Rooms");
  });
});

describe("filters of a list", () => {
  const all = async (entity: Entity, filters: readonly Filter[] = []) => {
    const first = await listRecords(maud, entity, { filters });
    const rest = Array.from({ length: Math.ceil(first.total / PAGE_ROWS) - 1 }, (_, i) =>
      listRecords(maud, entity, { filters, page: i + 2 }),
    );
    return [first, ...(await Promise.all(rest))].flatMap((p) => p.rows);
  };
  const asked = async (entity: Entity, address: Record<string, string>) => {
    const { filters, issues } = readFilters(entity, address, maud.units);
    expect(issues).toEqual({});
    return (await all(entity, filters)).map((r) => r.id).sort();
  };
  const among = async (entity: Entity, fits: (values: Values) => boolean) =>
    (await all(entity))
      .filter((r) => fits(r.values))
      .map((r) => r.id)
      .sort();
  const number = (v: unknown) => (typeof v === "number" ? v : Number.NaN);
  const cases: readonly [Entity, Record<string, string>, (v: Values) => boolean][] = [
    ["tank", { "is.kind": "planted" }, (v) => v.kind === "planted"],
    ["tank", { "is.practice.policy": "test-led" }, (v) => v["practice.policy"] === "test-led"],
    ["tank", { "is.lidded": "yes" }, (v) => v.lidded === true],
    ["tank", { "is.lidded": "no" }, (v) => v.lidded !== true],
    [
      "tank",
      { "from.display.vessel.lengthM": "120", "to.display.vessel.lengthM": "160" },
      (v) => number(v["display.vessel.lengthM"]) >= 1.2 && number(v["display.vessel.lengthM"]) <= 1.6,
    ],
    [
      "tank",
      { "from.targetPsu": "1", "has.name": "re" },
      (v) => number(v.targetPsu) >= 1 && /re/i.test(String(v.name)),
    ],
    ["site", { "is.drain": "septic" }, (v) => v.drain === "septic"],
    ["site", { "is.hotWater": "no" }, (v) => v.hotWater !== true],
    ["site", { "from.stairs": "10" }, (v) => number(v.stairs) >= 10],
    [
      "equipment",
      { "is.kind": "heater", "to.installedOn": "2025-12-31" },
      (v) => v.kind === "heater" && String(v.installedOn) <= "2025-12-31",
    ],
    ["client", { "has.email": "house" }, (v) => String(v.email).includes("house")],
  ];
  for (const [entity, address, fits] of cases)
    test(`${entity}: ${new URLSearchParams(address)} shows the same rows as looking at each`, async () => {
      const expected = await among(entity, fits);
      expect(await asked(entity, address)).toEqual(expected);
    });
  test("of a link take its id, and signs of a pattern are letters", async () => {
    const site = await find("site", "Ilves");
    const rows = await asked("tank", { "is.siteId": site.id });
    expect(rows).toEqual(await among("tank", (v) => v.siteId === site.id));
    expect(await asked("client", { "has.name": "%" })).toEqual([]);
  });
});
