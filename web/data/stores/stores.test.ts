import type { VisitPlan } from "@keel-round/core/visit";
import { and, eq, gte } from "drizzle-orm";
import fc from "fast-check";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, Phone, planOf, scopeOf } from "../../../tools/testing/world.ts";
import { Refused } from "../access/define";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { inTransaction } from "../database/transaction";
import { keepItem } from "../desk/keepItem";
import { loadRecord } from "../desk/lists";
import { changeRecord, createRecord } from "../desk/records";
import { barrel, job, kit, storeItem, storeMove, visit } from "../schema";
import { startBatch } from "../water/mixing";
import { bookUses } from "./book";
import { stockNow, stocks } from "./ledger";
import { mergeItems } from "./merge";
import { addMove, ledgerOf, takeBackMove } from "./moves";
import { endOrder, order, orderMail, ordersCsv, proposedOrders, recentOrders } from "./orders";
import { loadStores } from "./overview";
import { shelfFor } from "./shelf";
import { stockCsv } from "./stockCsv";

let ines: Scope;
let maud: Scope;
let owner: Scope;
let when: When;

beforeAll(async () => {
  const { businessId, today } = await demoBusiness();
  [ines, maud, owner] = [
    await scopeOf(businessId, "Ines"),
    await scopeOf(businessId, "Maud"),
    await scopeOf(businessId, "Dr."),
  ];
  when = { now: new Date(), today };
});

/** A moment some minutes from the start, so that what is booked comes in the order it is told. */
let minutes = 0;
const later = (): When => ({ ...when, now: new Date(when.now.getTime() + 60_000 * ++minutes) });

const item = async (name: string, more: object = {}) =>
  (await createRecord(ines, "item", { name, kind: "other", unit: "g", perUse: 1, leadDays: 7, ...more }, when)).id;
const at = async (itemId: string, place = "") =>
  (await stockNow(db(), ines.businessId, [itemId])).get(itemId)?.get(place) ?? 0;
const move = (given: object, by = ines) => addMove(by, { place: null, note: "", ...given } as never, later());
const booked = (itemId: string, cause: string) =>
  db()
    .select()
    .from(storeMove)
    .where(and(eq(storeMove.itemId, itemId), eq(storeMove.cause, cause)));

const recordOf = async (itemId: string) => (await loadRecord(ines, "item", itemId)).record;

describe("what somebody books by hand", () => {
  test("comes, moves to a van, is thrown away, and is taken back; an owner of tanks has no part in it", async () => {
    const itemId = await item("Sand");
    await move({ kind: "delivered", itemId, amount: 900, lot: "S 1", expiresOn: "2030-01-01" });
    await move({ kind: "moved", itemId, amount: 250, to: ines.personId });
    await move({ kind: "thrown", itemId, amount: 50, note: "wet" });
    expect([await at(itemId), await at(itemId, ines.personId)]).toEqual([600, 250]);
    const { lines } = await ledgerOf(ines, itemId);
    const thrown = lines.find((l) => l.move.kind === "thrown");
    await takeBackMove(maud, { moveId: thrown?.move.id ?? "" }, when.now);
    expect(await at(itemId)).toBe(650);
    // A move has two halves.
    const moved = lines.find((l) => l.move.kind === "moved");
    await takeBackMove(ines, { moveId: moved?.move.id ?? "" }, when.now);
    expect([await at(itemId), await at(itemId, ines.personId)]).toEqual([900, 0]);
    expect((await ledgerOf(ines, itemId)).lines).toHaveLength(4);
    await expect(move({ kind: "delivered", itemId, amount: 1 }, owner)).rejects.toBeInstanceOf(Refused);
    await expect(move({ kind: "moved", itemId, amount: 1, to: null })).rejects.toMatchObject({ status: 422 });
  });
  test("of two who count at once the second is told what the first found, and what they typed is not lost on it", async () => {
    const itemId = await item("Gravel");
    await move({ kind: "delivered", itemId, amount: 700 });
    await move({ kind: "counted", itemId, amount: 500, booked: 700 });
    await expect(move({ kind: "counted", itemId, amount: 500, booked: 700 }, maud)).rejects.toMatchObject({
      ...{ status: 409, fields: { amount: ["It stands at 500 g now. Count again, then save."] } },
    });
    await move({ kind: "counted", itemId, amount: 480, booked: 500 }, maud);
    expect(await at(itemId)).toBe(480);
    const counts = (await stocks(db(), ines.businessId)).get(itemId)?.counts ?? [];
    expect(counts.map((c) => [c.booked, c.counted])).toEqual([
      [700, 500],
      [500, 480],
    ]);
  });
  test("an item in the archive takes no more, one that is counted in grams stays so, and a pack may change its size", async () => {
    const itemId = await item("Peat", { packAmount: 100 });
    await move({ kind: "delivered", itemId, amount: 300 });
    const record = await recordOf(itemId);
    await expect(
      changeRecord(ines, "item", { id: itemId, version: record.version, values: { unit: "mL" } }, when),
    ).rejects.toMatchObject({ fields: { unit: ["What it is counted in stays as it was made."] } });
    await changeRecord(ines, "item", { id: itemId, version: record.version, values: { packAmount: 250 } }, when);
    expect(await at(itemId)).toBe(300);
    await db().update(storeItem).set({ archivedAt: when.now }).where(eq(storeItem.id, itemId));
    await expect(move({ kind: "delivered", itemId, amount: 1 })).rejects.toMatchObject({ code: "archived" });
  });
});

describe("one thing under several names", () => {
  test("an item that is renamed, and a kit that is, are known by both names from then on", async () => {
    const itemId = await item("Nitrate reagent", {
      kind: "tests",
      unit: "tests",
      knownAs: [{ name: "Nitrate drops 1" }],
    });
    const kitId = newId();
    await db()
      .insert(kit)
      .values({
        ...{
          id: kitId,
          businessId: ines.businessId,
          name: "Nitrate drops 1",
          parameter: "nitrate",
          method: "liquid kit",
        },
        comparisons: [],
      });
    await changeRecord(ines, "kit", { id: kitId, version: 1, values: { name: "Nitrate drops 2" } }, when);
    const renamed = await recordOf(itemId);
    await changeRecord(ines, "item", { id: itemId, version: renamed.version, values: { name: "Nitrate tests" } }, when);
    await inTransaction((tx) =>
      bookUses(tx, ines.businessId, {
        ...{ cause: "names", at: later().now, on: when.today, visitId: null, personId: null, van: null, planned: [] },
        uses: ["nitrate drops 1", "Nitrate drops 2", "Nitrate reagent", "Nitrate tests"].map((name) => ({
          ...{ name, unit: "tests" as const, amount: 1 },
        })),
      }),
    );
    expect(await at(itemId)).toBe(-4);
  });
  test("two items that are one are merged: what lay of both lies there still, whoever counted what, and both names count", async () => {
    const [a, b] = [await item("Marble"), await item("Marble chips")];
    await move({ kind: "counted", itemId: a, amount: 500, booked: 0 });
    await move({ kind: "counted", itemId: b, amount: 70, booked: 0 });
    await move({ kind: "delivered", itemId: a, amount: 30, place: maud.personId });
    await mergeItems(ines, { itemId: a, intoId: b }, later());
    expect([await at(b), await at(b, maud.personId)]).toEqual([570, 30]);
    const [row] = await db().select().from(storeItem).where(eq(storeItem.id, b));
    expect(row?.knownAs).toEqual([{ name: "Marble" }]);
    await expect(mergeItems(ines, { itemId: b, intoId: b }, when)).rejects.toMatchObject({ status: 422 });
    const pieces = await item("Marble blocks", { unit: "pieces" });
    await expect(mergeItems(ines, { itemId: b, intoId: pieces }, when)).rejects.toMatchObject({ status: 422 });
  });
});

describe("what a log takes off", () => {
  const uses = (amount: number) => [{ name: "Zeolite", unit: "g" as const, amount }];
  const book = (cause: string, amount: number, van: string | null = null) =>
    inTransaction((tx) =>
      bookUses(tx, ines.businessId, {
        ...{ cause, at: later().now, on: when.today, visitId: null, personId: null, van },
        ...{ uses: uses(amount), planned: uses(100) },
      }),
    );
  test("whatever is told, told again and corrected, the sum is what was told last of each", async () => {
    const itemId = await item("Zeolite");
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.record({ cause: fc.constantFrom("v1", "v2", "v3"), amount: fc.integer({ min: 0, max: 900 }) }), {
          ...{ minLength: 1, maxLength: 6 },
        }),
        async (told) => {
          await db().delete(storeMove).where(eq(storeMove.itemId, itemId));
          const last = new Map<string, number>();
          for (const { cause, amount } of told) {
            await book(cause, amount);
            last.set(cause, amount);
          }
          expect(await at(itemId)).toBeCloseTo(-[...last.values()].reduce((a, b) => a + b, 0), 6);
        },
      ),
      { numRuns: 12, seed: 20_261_130 },
    );
  });
  test("from the van where that has some; a correction goes back to where it was taken from", async () => {
    const itemId = (await db().select().from(storeItem).where(eq(storeItem.name, "Zeolite")))[0]?.id ?? "";
    await db().delete(storeMove).where(eq(storeMove.itemId, itemId));
    await move({ kind: "delivered", itemId, amount: 120, place: ines.personId });
    await book("w1", 100, ines.personId);
    await book("w2", 40, ines.personId);
    expect([await at(itemId), await at(itemId, ines.personId)]).toEqual([0, -20]);
    await book("w1", 60, ines.personId);
    await book("w3", 5, ines.personId);
    expect([await at(itemId), await at(itemId, ines.personId)]).toEqual([0, 15]);
    expect(await booked(itemId, "w1")).toHaveLength(2);
  });
});

/** A visit of today that nobody began, with its plan. */
async function anyVisit(ok: (plan: VisitPlan) => boolean) {
  const rows = await db()
    .select()
    .from(visit)
    .where(and(eq(visit.businessId, ines.businessId), eq(visit.state, "planned"), gte(visit.onDate, when.today)))
    .orderBy(visit.onDate)
    .limit(60);
  for (const row of rows) {
    const planned = await planOf(ines.businessId, { visitId: row.id, tankId: row.tankId, on: row.onDate });
    if (ok(planned.plan)) return { visitId: row.id, ...planned };
  }
  throw new Error("No such visit.");
}

const itemCalled = async (name: string) => {
  const [row] = await db()
    .select()
    .from(storeItem)
    .where(and(eq(storeItem.businessId, ines.businessId), eq(storeItem.name, name)));
  return row?.id ?? expect.fail(`No item called ${name}`);
};

describe("a visit", () => {
  test("takes its conditioner off when it closes, the difference when it is corrected, and nothing when it was a mistake", async () => {
    const { visitId, plan, input } = await anyVisit(
      (p) => (p.water.conditionerMl?.value ?? 0) > 0 && (p.water.pourL?.value ?? 0) > 0,
    );
    const itemId = await itemCalled(input.source.conditioner?.name ?? "");
    const pourL = plan.water.pourL?.value ?? 0;
    const mL = plan.water.conditionerMl?.value ?? 0;
    const phone = new Phone(maud, visitId);
    const says = async (...bodies: Parameters<Phone["say"]>) =>
      expect((await phone.say(...bodies)).map((r) => r.result)).toEqual(bodies.map(() => "applied"));
    const sum = async () => (await booked(itemId, `visit ${visitId}`)).reduce((s, m) => s + m.amount, 0);
    await says(
      { type: "start" },
      { type: "plan", inputHash: "x", coreVersion: 1, summary: "", plan },
      { type: "litres", outL: pourL, inL: pourL, topUpL: 0 },
      ...input.findings.map((f) => ({ type: "resolve", id: f.id, how: "fixed" }) as const),
    );
    expect(await sum()).toBe(0);
    await says({ type: "close" });
    expect(await sum()).toBeCloseTo(-mL, 6);
    const correction = { type: "litres", outL: pourL, inL: pourL / 2, topUpL: 0 } as const;
    await says({ type: "correct", why: "half of it", change: correction });
    expect(await sum()).toBeCloseTo(-mL / 2, 6);
    await says({ type: "reopen", why: "too early" }, { type: "discard", why: "another tank" });
    expect(await sum()).toBeCloseTo(0, 6);
  });
  test("salt that is weighed into a barrel is taken off there, and what was not found is below nothing", async () => {
    const [vat] = await db()
      .select()
      .from(barrel)
      .where(and(eq(barrel.businessId, ines.businessId), eq(barrel.name, "Barrel 4")));
    const { input } = await anyVisit((p) => p.load.mixL > 0);
    const itemId = await itemCalled(input.source.salt?.name ?? "");
    const before = await at(itemId);
    const { grams } = await startBatch(
      ines,
      { barrelId: vat?.id ?? "", sourceId: input.source.id, litres: 100, targetPsu: 35 },
      later(),
    );
    expect(grams).toBeGreaterThan(3000);
    expect(await at(itemId)).toBeCloseTo(before - (grams ?? 0), 6);
  });
});

describe("the stores of a day", () => {
  test("what runs out soonest comes first, each with its days and what plans take that nobody keeps", async () => {
    const { kept, unkept, barrels, vans } = await loadStores(maud, when.today);
    expect(barrels).toHaveLength(4);
    expect(vans.map((v) => v.name)).toEqual(["Ines Calder", "Tobiah Renn"]);
    const salt = kept.find((k) => k.item.name === "Standard reef salt");
    expect(salt?.needs.length).toBeGreaterThan(3);
    expect(salt?.ratio.counts).toBe(1);
    const { low, middle } = salt?.left ?? {};
    if (low != null && middle != null) expect(low).toBeLessThanOrEqual(middle);
    const missing = unkept[0] ?? expect.fail("everything is kept");
    await keepItem(ines, { name: missing.name, unit: missing.unit }, when);
    expect((await loadStores(maud, when.today)).unkept.map((u) => u.name)).not.toContain(missing.name);
    await expect(loadStores(owner, when.today)).rejects.toBeInstanceOf(Refused);
  });
  test("as a table: what lies where, in the item's own unit, with what expires first", async () => {
    const csv = stockCsv(await loadStores(maud, when.today));
    const [head, ...lines] = csv.replace("\ufeff", "").trim().split("\n");
    expect(head).toMatch(/^Item,Kind,Unit,Base,Ines Calder's van,Tobiah Renn's van,In all,Never less than,Days left/);
    const drops = lines.find((l) => l.startsWith("Alkalinity drops,"))?.split(",") ?? [];
    expect(drops.slice(1, 8)).toEqual(["tests", "tests", "76", "20", "0", "96", "10"]);
    expect(drops[13]).toBe("K 318");
    expect(drops[12]).toMatch(/^\d{4}-\d{2}-\d{2}$/);
  });
  test("the phone of a technician knows its own van and the base", async () => {
    const shelf = await shelfFor(ines.businessId, ines.personId);
    const socks = shelf.find((s) => s.name === "Filter socks");
    expect(socks).toMatchObject({ van: 12, base: 33, perUse: 1, knownAs: ["clean socks"], shelf: "Shelf C" });
    expect((await shelfFor(ines.businessId, maud.personId)).find((s) => s.name === "Filter socks")?.van).toBe(0);
  });
});

describe("orders", () => {
  test("what is proposed is ordered once: it is on its way until it came, then it lies at the base", async () => {
    const itemId = await item("Bacteria", {
      unit: "mL",
      packAmount: 500,
      minimum: 100,
      supplier: "North Pier Aquatics",
    });
    const mine = async () =>
      (await proposedOrders(ines, when.today)).flatMap((p) => p.lines).filter((l) => l.itemId === itemId);
    expect(await mine()).toMatchObject([{ packs: 1, amount: 500, why: "none" }]);
    expect(ordersCsv(await proposedOrders(ines, when.today))).toMatch(
      /^North Pier Aquatics,Bacteria,1,500,500,mL,0,0$/m,
    );
    const { id } = await order(
      ines,
      { supplier: "North Pier Aquatics", email: "orders@north-pier.example", lines: [{ itemId, amount: 500 }] },
      later(),
    );
    expect(await mine()).toEqual([]);
    expect(await orderMail(ines.businessId, id)).toMatchObject({
      by: "Ines Calder",
      order: { email: "orders@north-pier.example" },
    });
    const queued = await db().select().from(job).where(eq(job.kind, "order"));
    expect(queued.map((j) => j.payload.orderId)).toContain(id);
    await endOrder(maud, { orderId: id, came: true }, later());
    expect(await at(itemId)).toBe(500);
    await expect(endOrder(maud, { orderId: id, came: true }, later())).rejects.toMatchObject({ code: "ended" });
    expect((await recentOrders(maud))[0]).toMatchObject({ by: "Ines Calder" });
  });
  test("what is on its way of an item that is made one with another is delivered to that", async () => {
    const [a, b] = [await item("Sponge", { unit: "pieces" }), await item("Sponges", { unit: "pieces" })];
    const { id } = await order(ines, { supplier: "", email: "", lines: [{ itemId: a, amount: 4 }] }, later());
    await mergeItems(ines, { itemId: a, intoId: b }, later());
    expect((await loadStores(ines, when.today)).kept.find((k) => k.item.id === b)?.onOrder).toBe(4);
    await endOrder(ines, { orderId: id, came: true }, later());
    expect([await at(a), await at(b)]).toEqual([0, 4]);
  });
  test("one that was cancelled before its mail left is not mailed, and is proposed again", async () => {
    const itemId = await item("Resin beads", { minimum: 100, supplier: "Harbour Trade" });
    const { id } = await order(
      ines,
      { supplier: "Harbour Trade", email: "orders@harbour-trade.example", lines: [{ itemId, amount: 200 }] },
      later(),
    );
    await endOrder(ines, { orderId: id, came: false }, later());
    expect(await orderMail(ines.businessId, id)).toBeNull();
    expect((await proposedOrders(ines, when.today)).flatMap((p) => p.lines).map((l) => l.itemId)).toContain(itemId);
    await expect(
      order(ines, { supplier: "", email: "", lines: [{ itemId: newId(), amount: 1 }] }, when),
    ).rejects.toMatchObject({ status: 404 });
  });
});
