import { and, eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, planOf, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { historyOf } from "../desk/history";
import { createRecord } from "../desk/records";
import { barrel, saltBatch, source } from "../schema";
import { draw, fixContents, loadRoom, startBatch, verifyBatch } from "./mixing";

let ines: Scope;
let businessId: string;
let today: string;
let reefMix: string;
let purified: string;
const when = (minutes = 0) => ({ now: new Date(Date.now() + minutes * 60_000), today });

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  ines = await scopeOf(businessId, "Ines");
  const waters = await db().select().from(source).where(eq(source.businessId, businessId));
  reefMix = waters.find((w) => w.name === "Reef mix")?.id ?? "";
  purified = waters.find((w) => w.facts.kind === "purified" && w.siteId === null)?.id ?? "";
});

const newBarrel = async (capacityL = 200) =>
  (await createRecord(ines, "barrel", { name: "New barrel", capacityL }, when())).id;
const contents = async (id: string) => (await db().select().from(barrel).where(eq(barrel.id, id)))[0]?.contents;
const figure = async () => {
  const [row] = await db().select().from(source).where(eq(source.id, reefMix));
  return row?.facts.salt?.gramsPerLitre ?? 0;
};

describe("a batch", () => {
  test("is weighed by the salt's measured figure, verified, and plans the next visit with what it taught", async () => {
    const before = await figure();
    const id = await newBarrel();
    const { grams } = await startBatch(ines, { barrelId: id, sourceId: reefMix, litres: 180, targetPsu: 35 }, when());
    expect(grams).toBeCloseTo(180 * before, 6);
    // It came out at 34: this bag needs 35/34 as much.
    const { lesson } = await verifyBatch(ines, { barrelId: id, psu: 34, temperatureC: 24, confirmed: false }, when(60));
    expect(lesson).toMatchObject({ questioned: false, before });
    expect(lesson?.batchGPerL).toBeCloseTo((before * 35) / 34, 9);
    // Half way from the old figure to this batch's.
    expect(lesson?.after).toBeCloseTo(before + 0.5 * ((before * 35) / 34 - before), 9);
    expect(await figure()).toBeCloseTo(lesson?.after ?? 0, 9);
    const [v] = await visitsOf(businessId, "Ilves Dental", today);
    if (!v) throw new Error("no visit");
    expect((await planOf(businessId, v)).input.source.salt?.gramsPerLitre).toBeCloseTo(lesson?.after ?? 0, 9);
    expect(await contents(id)).toMatchObject({ psu: 34, temperatureC: 24, litres: 180 });
    // 180 L are 180 L in her units, and what was typed is what the history says.
    const told = (await historyOf(ines, "barrel", id)).map((h) => [h.what, h.old, h.new?.replace(/\u00a0/g, " ")]);
    expect(told).toContainEqual(["contents", "empty", "180 L meant for 35.0 ppt"]);
    expect(told.some(([, , is]) => is === "180 L measured at 34.0 ppt")).toBe(true);
  });
  test("measured again corrects itself and is counted once", async () => {
    const before = await figure();
    const batches = async () =>
      (
        await db()
          .select()
          .from(saltBatch)
          .where(and(eq(saltBatch.businessId, businessId), eq(saltBatch.sourceId, reefMix)))
      ).length;
    const had = await batches();
    const id = await newBarrel();
    await startBatch(ines, { barrelId: id, sourceId: reefMix, litres: 100, targetPsu: 35 }, when());
    await verifyBatch(ines, { barrelId: id, psu: 33.5, confirmed: false }, when(60));
    await verifyBatch(ines, { barrelId: id, psu: 35, confirmed: false }, when(70));
    expect(await batches()).toBe(had + 1);
    expect(await figure()).toBeCloseTo(before, 9);
  });
  test("far off is questioned, teaches nothing until it is confirmed, and then does", async () => {
    const before = await figure();
    const id = await newBarrel();
    await startBatch(ines, { barrelId: id, sourceId: reefMix, litres: 100, targetPsu: 35 }, when());
    const odd = await verifyBatch(ines, { barrelId: id, psu: 28, confirmed: false }, when(60));
    expect(odd.lesson).toMatchObject({ questioned: true, after: before });
    expect(await figure()).toBe(before);
    const sure = await verifyBatch(ines, { barrelId: id, psu: 28, confirmed: true }, when(61));
    expect(sure.lesson?.questioned).toBe(false);
    expect(await figure()).toBeGreaterThan(before);
  });
  test("that is too weak is put right, measured again, and says nothing of its salt the second time", async () => {
    const id = await newBarrel();
    await startBatch(ines, { barrelId: id, sourceId: reefMix, litres: 100, targetPsu: 35 }, when());
    await verifyBatch(ines, { barrelId: id, psu: 33.5, confirmed: false }, when(60));
    const learnt = await figure();
    await fixContents(ines, id, when(70));
    expect(await contents(id)).toMatchObject({ litres: 100, batchDone: true });
    expect((await contents(id))?.psu).toBeUndefined();
    expect((await verifyBatch(ines, { barrelId: id, psu: 35, confirmed: false }, when(90))).lesson).toBeNull();
    expect(await figure()).toBe(learnt);
    await expect(fixContents(ines, id, when())).rejects.toMatchObject({ code: "right" });
  });
  test("that is too strong in a full barrel stays full", async () => {
    const id = await newBarrel(100);
    await startBatch(ines, { barrelId: id, sourceId: reefMix, litres: 100, targetPsu: 35 }, when());
    await verifyBatch(ines, { barrelId: id, psu: 36.5, confirmed: false }, when(60));
    await fixContents(ines, id, when(70));
    expect((await contents(id))?.litres).toBe(100);
  });
});

describe("a barrel", () => {
  test("is drawn from, and empty when nothing is left", async () => {
    const id = await newBarrel();
    await startBatch(ines, { barrelId: id, sourceId: purified, litres: 150 }, when());
    await draw(ines, { barrelId: id, litres: 60 }, when());
    expect((await contents(id))?.litres).toBe(90);
    await expect(draw(ines, { barrelId: id, litres: 91 }, when())).rejects.toMatchObject({
      fields: { litres: ["There are 90 L in it."] },
    });
    await draw(ines, { barrelId: id, litres: 90 }, when());
    expect(await contents(id)).toBeNull();
  });
  test("refuses what cannot be, and stays as it was", async () => {
    const id = await newBarrel();
    const start = (more: object) =>
      startBatch(ines, { barrelId: id, sourceId: reefMix, litres: 100, targetPsu: 35, ...more }, when());
    await expect(start({ litres: 201 })).rejects.toMatchObject({ fields: { litres: ["It holds 200 L."] } });
    await expect(start({ targetPsu: undefined })).rejects.toMatchObject({ code: "invalid" });
    await expect(verifyBatch(ines, { barrelId: id, psu: 35, confirmed: false }, when())).rejects.toMatchObject({
      code: "empty",
    });
    await expect(fixContents(ines, id, when())).rejects.toMatchObject({ code: "unmeasured" });
    expect(await contents(id)).toBeNull();
    await start({});
    await expect(start({})).rejects.toMatchObject({ code: "not-empty" });
  });
});

test("the room knows what tomorrow takes, by water, and no owner looks into it", async () => {
  const room = await loadRoom(ines, today);
  expect(room.barrels.length).toBeGreaterThanOrEqual(4);
  for (const { litres } of room.demand) expect(litres).toBeGreaterThan(0);
  expect(new Set(room.demand.map((d) => d.sourceId)).size).toBe(room.demand.length);
  expect(room.sources.every((s) => s.kind === "mix" || s.kind === "purified")).toBe(true);
  const owner = await scopeOf(businessId, "Dr.");
  await expect(loadRoom(owner, today)).rejects.toMatchObject({ code: "not-found" });
});
