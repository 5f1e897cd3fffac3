import { instantOf } from "@keel-round/core/calendar";
import { and, eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, scopeOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { road, site, stop, visit } from "../schema";
import { clearRoads, decideRoad, knownWays, listRoads, readRoads, refreshRoads, saveRoads } from "./roads";
import { loadRound } from "./round";
import { loadWeeks } from "./weeks";

let maud: Scope;
let ines: Scope;
let today: string;
let businessId: string;
const when = () => ({ now: new Date(), today });
const idOf = async (name: string) => {
  const [row] = await db()
    .select({ id: site.id })
    .from(site)
    .where(and(eq(site.businessId, businessId), eq(site.name, name)));
  return row?.id ?? "";
};

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  maud = await scopeOf(businessId, "Maud");
  ines = await scopeOf(businessId, "Ines");
});

const clinicToMuseum = async () =>
  (await listRoads(maud)).find((r) => r.from === "Lanehead Clinic" && r.to === "Town Museum");

/** Closes two stops of today, the second begun so many minutes after the first was closed. */
async function drove(minutes: number): Promise<void> {
  const rows = await db()
    .select({ visitId: visit.id, name: site.name })
    .from(visit)
    .innerJoin(stop, eq(stop.id, visit.stopId))
    .innerJoin(site, eq(site.id, stop.siteId))
    .where(and(eq(visit.businessId, businessId), eq(stop.onDate, today), eq(stop.personId, ines.personId)));
  // From nine by the clinic's own clock: no doors open then, and nobody eats.
  const at = (minute: number) => new Date(instantOf(today, 540, maud.zone) + minute * 60_000);
  const set = async (name: string, from: number, to: number) => {
    const found = rows.find((r) => r.name === name);
    await db()
      .update(visit)
      .set({ state: "closed", startedAt: at(from), closedAt: at(to) })
      .where(eq(visit.id, found?.visitId ?? ""));
  };
  await set("Lanehead Clinic", 0, 90);
  await set("Town Museum", 90 + minutes, 150 + minutes);
}

describe("ways learnt from the log", () => {
  test("count for the day's plan, and can be put aside", async () => {
    const before = await loadRound(maud, ines.personId, today);
    await drove(11);
    await refreshRoads(businessId, new Date(Date.parse(`${today}T23:00:00Z`)));
    const line = await clinicToMuseum();
    expect(line).toMatchObject({ from: "Lanehead Clinic", to: "Town Museum", drives: 1, listedMinutes: null });
    const estimate = line?.estimateMinutes ?? 0;
    expect(line?.learntMinutes).toBeCloseTo(estimate ** 0.75 * 11 ** 0.25, 6);
    const [from, to] = [await idOf("Lanehead Clinic"), await idOf("Town Museum")];
    expect((await knownWays(db(), businessId))[`${from} ${to}`]).toBeCloseTo(line?.learntMinutes ?? 0, 9);
    expect((await loadWeeks(maud, today, today)).board.roads.known).toEqual(await knownWays(db(), businessId));
    await decideRoad(maud, { roadId: line?.id ?? "", what: "set-aside" }, when());
    const key = `${from} ${to}`;
    expect((await knownWays(db(), businessId))[key]).toBeUndefined();
    // Learnt again, it stays put aside.
    await refreshRoads(businessId, new Date(Date.parse(`${today}T23:00:00Z`)));
    expect((await knownWays(db(), businessId))[key]).toBeUndefined();
    expect((await loadRound(maud, ines.personId, today)).day.km).toBeCloseTo(before.day.km, 6);
  });
  test("a technician neither sees nor decides them", async () => {
    await expect(listRoads(ines)).rejects.toMatchObject({ code: "not-found" });
    const [row] = await db().select().from(road).where(eq(road.businessId, businessId));
    await expect(decideRoad(ines, { roadId: row?.id ?? "", what: "use" }, when())).rejects.toMatchObject({
      code: "not-found",
    });
  });
  test("what refused drives agree on is asked, once", async () => {
    const [row] = await db().select().from(road).where(eq(road.businessId, businessId));
    await db()
      .update(road)
      .set({ askedMinutes: 55 })
      .where(eq(road.id, row?.id ?? ""));
    await decideRoad(maud, { roadId: row?.id ?? "", what: "as-driven" }, when());
    expect((await listRoads(maud))[0]).toMatchObject({ listedMinutes: 55, askedMinutes: null });
    await expect(decideRoad(maud, { roadId: row?.id ?? "", what: "as-driven" }, when())).rejects.toMatchObject({
      code: "answered",
    });
    await decideRoad(maud, { roadId: row?.id ?? "", what: "as-estimated" }, when());
  });
});

describe("a list of ways", () => {
  const file = (...lines: string[]) => ["From;To;Minutes", ...lines].join("\n");
  test("is read first: what is wrong is told by its line, and nothing is kept", async () => {
    const text = file(
      "Base;Ilves Dental;14",
      "ilves dental;base;16,5",
      "Nowhere;Base;3",
      "Base;Base;3",
      "Base;Ilves Dental;15",
      "Base;Town Museum;soon",
      "Base;Town Museum;601",
    );
    const read = await readRoads(maud, { text });
    expect(read.ways.map((w) => w.minutes)).toEqual([14, 16.5]);
    expect(read.problems).toEqual([
      { line: 4, says: "There is no site “Nowhere”." },
      { line: 5, says: "A way leads from one place to another." },
      { line: 6, says: "The way from Base to Ilves Dental is there twice." },
      { line: 7, says: "Enter minutes from 0 to 600 instead of “soon”." },
      { line: 8, says: "Enter minutes from 0 to 600 instead of “601”." },
    ]);
    expect(read.missing).toBeGreaterThan(100);
    expect((await listRoads(maud)).filter((r) => r.listedMinutes !== null)).toEqual([]);
  });
  test("counts before what was learnt, its holes stay as they are known, and it can be removed", async () => {
    await saveRoads(maud, { text: file("Lanehead Clinic;Town Museum;33", "Base;Ilves Dental;14") }, when());
    const [from, to] = [await idOf("Lanehead Clinic"), await idOf("Town Museum")];
    const ways = await knownWays(db(), businessId);
    expect(ways[`${from} ${to}`]).toBe(33);
    expect(ways[`${businessId} ${await idOf("Ilves Dental")}`]).toBe(14);
    await clearRoads(maud, when());
    // What was put aside before stays aside; what was learnt elsewhere counts again.
    expect((await knownWays(db(), businessId))[`${from} ${to}`]).toBeUndefined();
    expect((await listRoads(maud)).every((r) => r.listedMinutes === null)).toBe(true);
  });
  test("without its columns, without a good line, or no table at all, is refused in a sentence", async () => {
    expect((await readRoads(maud, { text: "a,b\n1,2" })).problems[0]?.says).toBe(
      "The file has no column from, to, minutes.",
    );
    await expect(saveRoads(maud, { text: file("Nowhere;Base;3") }, when())).rejects.toMatchObject({
      message: "Line 2: There is no site “Nowhere”.",
    });
    await expect(readRoads(maud, { text: 'From,To,Minutes\n"Base' })).rejects.toMatchObject({ code: "not-csv" });
  });
});
