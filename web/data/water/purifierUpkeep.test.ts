import { addDays } from "@keel-round/core/calendar";
import { and, eq, isNull } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, scopeOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { historyOf } from "../desk/history";
import { purifierJob, source, storeItem } from "../schema";
import { stockNow } from "../stores/ledger";
import { loadPurifierUpkeep, PurifierDoneSchema, purifierDone } from "./purifierUpkeep";

let ines: Scope;
let today: string;
let sourceId: string;
const when = () => ({ now: new Date(), today });

beforeAll(async () => {
  const demo = await demoBusiness();
  today = demo.today;
  ines = await scopeOf(demo.businessId, "Ines");
  const rows = await db()
    .select()
    .from(source)
    .where(and(eq(source.businessId, demo.businessId), isNull(source.siteId)));
  sourceId = rows.find((r) => r.facts.kind === "purified")?.id ?? "";
  // As a firm that has just begun: nobody has told anything.
  await db().delete(purifierJob).where(eq(purifierJob.sourceId, sourceId));
});
const jobs = async () => (await loadPurifierUpkeep(ines, today)).find((p) => p.sourceId === sourceId)?.jobs ?? [];
const job = async (code: string) => {
  const found = (await jobs()).find((j) => j.code === code);
  if (!found) throw new Error(`No ${code}`);
  return found;
};

describe("the firm's own purifier", () => {
  test("has each of its jobs once; of what nobody told nothing is claimed, and it is due", async () => {
    expect((await jobs()).map((j) => j.code).sort()).toEqual(["cartridges", "membrane", "resin", "tds-check"]);
    for (const j of await jobs()) expect(j).toMatchObject({ lastDoneOn: null, dueOn: today, calledBy: null });
  });
  test("a day that is told moves the next one, and can be corrected", async () => {
    await purifierDone(ines, { sourceId, code: "membrane", on: addDays(today, -10) }, when());
    // Every two years by the calendar.
    const due = (await job("membrane")).dueOn ?? "";
    expect(due.slice(0, 4)).toBe(String(Number(addDays(today, -10).slice(0, 4)) + 2));
    await purifierDone(ines, { sourceId, code: "membrane", on: addDays(today, -30) }, when());
    expect((await job("membrane")).lastDoneOn).toBe(addDays(today, -30));
    const told = (await historyOf(ines, "source", sourceId)).filter((h) => h.what.endsWith("last done"));
    expect(told.map((h) => [h.old, h.new])).toEqual([
      [addDays(today, -10), addDays(today, -30)],
      ["not known", addDays(today, -10)],
    ]);
  });
  test("what its TDS creeps up to calls for resin before cartridges", async () => {
    await purifierDone(ines, { sourceId, code: "resin", on: addDays(today, -20) }, when());
    await purifierDone(ines, { sourceId, code: "cartridges", on: addDays(today, -20) }, when());
    await purifierDone(ines, { sourceId, code: "tds-check", on: today, tdsMgL: 7 }, when());
    expect(await job("tds-check")).toMatchObject({ lastDoneOn: today, tdsMgL: 7 });
    expect(await job("resin")).toMatchObject({
      dueOn: today,
      calledBy: expect.stringContaining("TDS of the purified water is 7 mg/L"),
    });
    // Above 4 for the resin, above 20 for the cartridges.
    expect((await job("cartridges")).calledBy).not.toContain("TDS");
  });
  test("what it uses up comes from the stores once: a day told anew within the week is the same work", async () => {
    const [kept] = await db()
      .select()
      .from(storeItem)
      .where(and(eq(storeItem.businessId, ines.businessId), eq(storeItem.kind, "cartridge")));
    const itemId = kept?.id ?? "";
    const left = async () => (await stockNow(db(), ines.businessId, [itemId])).get(itemId)?.get("");
    const before = (await left()) ?? 0;
    const cartridges = (on: string) => purifierDone(ines, { sourceId, code: "cartridges", on }, when());
    await cartridges(today);
    expect(await left()).toBe(before - 1);
    await cartridges(addDays(today, -2));
    expect(await left()).toBe(before - 1);
    // Told of a time before the last count: that has seen it.
    await cartridges(addDays(today, -60));
    expect(await left()).toBe(before);
  });
  test("refuses a day to come, a test without its figure and what is no job of a purifier", async () => {
    await expect(purifierDone(ines, { sourceId, code: "resin", on: addDays(today, 1) }, when())).rejects.toMatchObject({
      fields: { on: ["That day has not come yet."] },
    });
    await expect(purifierDone(ines, { sourceId, code: "tds-check", on: today }, when())).rejects.toMatchObject({
      fields: { tdsMgL: ["Enter what the meter says."] },
    });
    for (const wrong of [
      { sourceId, code: "glass-inside", on: today },
      { sourceId, code: "resin", on: "2026-02-30" },
      { sourceId, code: "tds-check", on: today, tdsMgL: Number.NaN },
      { sourceId, code: "tds-check", on: today, tdsMgL: -1 },
    ])
      expect(PurifierDoneSchema.safeParse(wrong).success).toBe(false);
  });
  test("is nobody's but the firm's", async () => {
    await expect(
      purifierDone(ines, { sourceId: ines.businessId, code: "resin", on: today }, when()),
    ).rejects.toMatchObject({ status: 404 });
  });
});
