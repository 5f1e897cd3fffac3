import { kindFacts, TANK_KINDS } from "@keel-round/core/tank";
import { eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, planOf, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { source, tank, tankKind } from "../schema";
import { fillKinds, firmValues } from "./kinds";
import { linkOptions, listRecords, loadRecord } from "./lists";
import { startTank } from "./newTank";
import { bulkChange, changeRecord, createRecord, setArchived, undoBatch } from "./records";

let ines: Scope;
let maud: Scope;
let businessId: string;
let today: string;
const when = () => ({ now: new Date(), today });

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  [ines, maud] = await Promise.all([scopeOf(businessId, "Ines"), scopeOf(businessId, "Maud")]);
});

const water = async (q: string) => {
  const row = (await listRecords(maud, "source", { q })).rows[0];
  if (!row) throw new Error(`No water ${q}`);
  return row;
};
const newTap = (values: object = {}) =>
  createRecord(
    maud,
    "source",
    { name: "Tap of the boat shed", kind: "tap", coldC: 9, canWarm: true, chloramineFactor: 1, ...values },
    when(),
  );

describe("a water", () => {
  test("of another kind is refused while tanks are filled with it that it would harm, and they are named", async () => {
    const tap = await water("Port Averil tap");
    await expect(
      changeRecord(ines, "source", { id: tap.id, version: tap.version, values: { kind: "natural-sea" } }, when()),
    ).rejects.toMatchObject({ fields: { kind: [expect.stringContaining("give them another water first")] } });
    expect((await water("Port Averil tap")).values.kind).toBe("tap");
    // With no tank on it a water may become anything.
    const { id } = await newTap({ name: "Tap of nobody" });
    const saved = await changeRecord(ines, "source", { id, version: 1, values: { kind: "natural-sea" } }, when());
    expect(saved.kind).toBe("saved");
  });
  test("of a tap keeps its chlorine with the day it was measured", async () => {
    const { id } = await newTap({
      name: "Tap of the pier",
      measured: [
        { on: today, parameter: "chlorine", value: 0.4 },
        { on: today, parameter: "chloramine", value: 1.2 },
      ],
    });
    const [row] = await db().select().from(source).where(eq(source.id, id));
    expect(row?.facts.measured).toContainEqual({ on: today, parameter: "chloramine", value: 1.2 });
  });
  test("is read with its chemistry as lines, its measurements in order, and its salt", async () => {
    const tap = await water("Port Averil tap");
    expect(tap.values.chemistry).toContainEqual({ parameter: "nitrate", value: 8 });
    expect((tap.values.measured as unknown[]).length).toBeGreaterThan(12);
    const mix = await water("Reef mix");
    expect(mix.values["salt.labelGramsPerLitre"]).toBe(36);
  });
  test("measured anew plans every tank that is filled with it anew, and can be taken back as one step", async () => {
    const [v] = await visitsOf(businessId, "Lanehead Clinic", today);
    if (!v) throw new Error("no visit");
    const before = await planOf(businessId, v);
    const tap = await water("Port Averil tap");
    const measured = [...(tap.values.measured as object[]), { on: today, parameter: "nitrate", value: 12 }];
    const saved = await changeRecord(
      ines,
      "source",
      { id: tap.id, version: tap.version, values: { measured } as never },
      when(),
    );
    const after = await planOf(businessId, v);
    expect(before.input.source.chemistry.nitrate).toBe(8);
    expect(after.input.source.chemistry.nitrate).toBe(12);
    expect(after.input.source.known?.nitrate).toEqual({ on: today, basis: "fresh" });
    // The clinic's nitrate is high: richer water takes more of it to bring it down.
    expect(after.plan.water.litres.value).toBeGreaterThan(before.plan.water.litres.value);
    if (saved.kind !== "saved") throw new Error("stale");
    await undoBatch(ines, saved.batchId, when());
    expect((await planOf(businessId, v)).input.source.chemistry.nitrate).toBe(8);
  });
  test("of a kind that needs a salt or a conditioner keeps what is typed, and none where nothing is", async () => {
    const { id } = await newTap();
    const { record } = await loadRecord(maud, "source", id);
    expect(record.values["conditioner.name"]).toBeNull();
    const [row] = await db().select().from(source).where(eq(source.id, id));
    expect(row?.facts).not.toHaveProperty("conditioner");
    await changeRecord(
      maud,
      "source",
      { id, version: 1, values: { "conditioner.name": "Conditioner B", "conditioner.mlPer100L": 5 } },
      when(),
    );
    const [dosed] = await db().select().from(source).where(eq(source.id, id));
    expect(dosed?.facts.conditioner).toEqual({
      name: "Conditioner B",
      mlPer100L: 5,
      maximumMlPer100L: 5,
      bindsAmmonia: false,
    });
    const { id: mixId } = await newTap({
      name: "Mix B",
      kind: "mix",
      "salt.name": "Salt B",
      "salt.labelGramsPerLitre": 37,
    });
    const [mix] = await db().select().from(source).where(eq(source.id, mixId));
    // Until a batch is verified, it weighs what its label says.
    expect(mix?.facts.salt).toEqual({ name: "Salt B", labelGramsPerLitre: 37, gramsPerLitre: 37, batches: 0 });
  });
  test("of a soft tap with minerals keeps its grams and its heater, and has no half of them", async () => {
    const { id } = await newTap({
      name: "Soft tap",
      kind: "tap-minerals",
      heaterW: 300,
      "minerals.name": "Minerals A",
      "minerals.gramsPer100L": 9,
    });
    const [row] = await db().select().from(source).where(eq(source.id, id));
    expect(row?.facts).toMatchObject({
      kind: "tap-minerals",
      heaterW: 300,
      minerals: { name: "Minerals A", gramsPer100L: 9 },
    });
    await expect(newTap({ name: "Half", "minerals.gramsPer100L": 5 })).rejects.toMatchObject({ code: "invalid" });
    const { id: plain } = await newTap({ name: "Plain tap" });
    const [none] = await db().select().from(source).where(eq(source.id, plain));
    expect(none?.facts).not.toHaveProperty("minerals");
  });
  test("without its name, or a conditioner without its own, is refused beside the field", async () => {
    await expect(newTap({ name: "" })).rejects.toMatchObject({ fields: { name: ["Enter the name."] } });
    await expect(newTap({ "conditioner.mlPer100L": 5 })).rejects.toMatchObject({ code: "invalid" });
    await expect(newTap({ siteId: newId() })).rejects.toMatchObject({ fields: { siteId: [expect.any(String)] } });
  });
  test("of one site is told with it wherever it can be chosen", async () => {
    const site = (await listRecords(maud, "site", { q: "Ferry Street" })).rows[0];
    const { id } = await newTap({ name: "Well", siteId: site?.id });
    const options = (await linkOptions(maud, "tank")).sourceId ?? [];
    expect(options).toContainEqual([id, "Well, Ferry Street School"]);
  });
  test("without the salt that a tank lives in, or with salt for fresh water, is refused where it is chosen", async () => {
    const [tap, mix] = [await water("Port Averil tap"), await water("Reef mix")];
    const choose = async (tankName: string, sourceId: string) => {
      const row = (await listRecords(maud, "tank", { q: tankName })).rows[0];
      return changeRecord(
        maud,
        "tank",
        { id: row?.id ?? "", version: row?.version ?? 0, values: { sourceId } },
        when(),
      );
    };
    const noSalt =
      "Port Averil tap holds no salt, and this tank lives in salt water. Choose a mix or sea water as its source.";
    await expect(choose("White cube", tap.id)).rejects.toMatchObject({ fields: { sourceId: [noSalt] } });
    await expect(choose("Waiting room", mix.id)).rejects.toMatchObject({
      fields: { sourceId: ["Reef mix is salt water, and this is a freshwater tank. Choose another source."] },
    });
    const site = (await listRecords(maud, "site", { q: "Lanehead" })).rows[0];
    const start = startTank(
      ines,
      {
        siteId: site?.id ?? "",
        name: "Reef on tap",
        kind: "soft-coral",
        vessel: { shape: "box", lengthM: 0.8, widthM: 0.4, heightM: 0.4 },
        water: { id: tap.id },
        sump: false,
        startedOn: today,
      },
      when(),
    );
    await expect(start).rejects.toMatchObject({ fields: { sourceId: [noSalt] } });
  });
  test("stays out of the archive while tanks are filled with it, and cannot be chosen once it rests there", async () => {
    const tap = await water("Port Averil tap");
    await expect(setArchived(maud, "source", tap.id, true, when())).rejects.toMatchObject({
      code: "in-use",
      message: expect.stringMatching(/\d+ tanks are filled with Port Averil tap/),
    });
    const { id } = await newTap({ name: "Old tap" });
    await setArchived(maud, "source", id, true, when());
    expect(((await linkOptions(maud, "tank")).sourceId ?? []).some(([option]) => option === id)).toBe(false);
  });
});

describe("a standing exception of a tank", () => {
  test("is saved as a line, changes the next plan, and is told in the history in words", async () => {
    const [v] = await visitsOf(businessId, "Seagrass Lab", today);
    if (!v) throw new Error("no visit");
    const before = await planOf(businessId, v);
    const [row] = await db().select().from(tank).where(eq(tank.id, v.tankId));
    await changeRecord(
      ines,
      "tank",
      {
        id: v.tankId,
        version: row?.version ?? 0,
        values: { exceptions: [{ kind: "leave-job", what: "the lab harvests it", job: "harvest-macroalgae" }] },
      },
      when(),
    );
    const after = await planOf(businessId, v);
    const jobs = (p: typeof after) => p.plan.steps.flatMap((s) => s.task ?? []);
    expect(jobs(after)).not.toContain("harvest-macroalgae");
    expect(after.input.facts.exceptions).toHaveLength(1);
    expect(jobs(before).length).toBeGreaterThanOrEqual(jobs(after).length);
    const { historyOf } = await import("./history");
    expect((await historyOf(maud, "tank", v.tankId))[0]).toMatchObject({
      what: "standing exceptions",
      new: expect.stringContaining("never do this job the lab harvests it"),
    });
  });
});

describe("the firm's kinds of tank", () => {
  test("are its own copy of the library's, all of them, made once", async () => {
    await fillKinds(db(), businessId);
    const rows = await db().select().from(tankKind).where(eq(tankKind.businessId, businessId));
    expect(rows.map((r) => r.code).sort()).toEqual([...TANK_KINDS].sort());
    const reef = rows.find((r) => r.code === "stony-coral");
    expect(reef?.facts.bands).toEqual(kindFacts["stony-coral"].bands);
  });
  test("say where their figures come from", () => {
    for (const kind of TANK_KINDS) expect(kindFacts[kind].basis.length, kind).toBeGreaterThan(60);
  });
  test("changed for several at once begin the next tank, and leave those that are there alone", async () => {
    const rows = (await listRecords(maud, "kind", { q: "" })).rows.filter((r) => r.name.startsWith("planted"));
    expect(rows).toHaveLength(2);
    const { batchId } = await bulkChange(
      maud,
      "kind",
      rows.map((r) => r.id),
      { "practice.feeding": "before", "practice.share": 0.35 },
      when(),
    );
    const site = (await listRecords(maud, "site", { q: "Lanehead" })).rows[0];
    const tap = await water("Port Averil tap");
    const start = () =>
      startTank(
        ines,
        {
          siteId: site?.id ?? "",
          name: "New planted",
          kind: "planted",
          vessel: { shape: "box", lengthM: 0.8, widthM: 0.4, heightM: 0.4 },
          water: { id: tap.id },
          sump: false,
          startedOn: today,
        },
        when(),
      );
    const facts = async (id: string) => (await db().select().from(tank).where(eq(tank.id, id)))[0]?.facts;
    const firm = await facts((await start()).id);
    expect(firm?.practice).toMatchObject({ feeding: "before", share: 0.35 });
    const [old] = (await listRecords(maud, "tank", { q: "Waiting room" })).rows;
    expect(old?.values["practice.feeding"]).toBe("after");
    expect(await firmValues(maud, "planted")).toMatchObject({ "practice.feeding": "before" });
    await undoBatch(maud, batchId, when());
    expect((await facts((await start()).id))?.practice.feeding).toBe("after");
  });
  test("are the office's, can neither be made nor put away", async () => {
    const [row] = (await listRecords(maud, "kind", {})).rows;
    const change = { id: row?.id ?? "", version: row?.version ?? 0, values: { mostShare: 0.5 } };
    await expect(changeRecord(ines, "kind", change, when())).rejects.toMatchObject({ code: "not-found" });
    await expect(setArchived(maud, "kind", change.id, true, when())).rejects.toMatchObject({ code: "in-use" });
    await expect(createRecord(maud, "kind", { name: "x" }, when())).rejects.toMatchObject({ code: "fixed" });
  });
});

test("a sea far weaker than the tank is not poured at the college, and the plan says so", async () => {
  const sea = await water("Sea water from the quay");
  const [college] = await visitsOf(businessId, "Maritime College", today);
  if (!college) throw new Error("no visit");
  expect((await planOf(businessId, college)).plan.water.decision).toBe("change");
  await changeRecord(
    maud,
    "source",
    { id: sea.id, version: sea.version, values: { measured: [{ on: today, parameter: "salinity", value: 12 }] } },
    when(),
  );
  const after = (await planOf(businessId, college)).plan.water;
  expect(after.decision).toBe("forbid");
  expect(after.litres.value).toBe(0);
  expect(after.reasons.map((r) => r.code)).toContain("wrong-water");
});
