import { addDays, instantOf } from "@keel-round/core/calendar";
import { COLLECT, type DayPlan } from "@keel-round/core/round";
import { and, eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, Phone, planOf, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { technicians } from "../access/units";
import { db } from "../database/connection";
import { stop, tankStatus, visit } from "../schema";
import { moveStop } from "../series/stops";
import { dayBundles, visitBundle } from "../visit/bundles";
import { lateDay } from "./late";
import { loadRibbon } from "./ribbon";
import { loadRound, setRefill } from "./round";
import { loadStop } from "./stops";

let ines: Scope;
let businessId: string;
let today: string;

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  ines = await scopeOf(businessId, "Ines");
});

const when = () => ({ now: new Date(), today });
const dayOf = (on: string) => loadRound(ines, ines.personId, on);

/** The stops of a day without the quay. */
const atSites = (day: DayPlan) => day.stops.filter((s) => s.stop.id !== COLLECT);

describe("a round", () => {
  test("comes from series with their rhythms, inside the sites' windows", async () => {
    const { day, stops } = await dayOf(today);
    expect(atSites(day).map((s) => s.stop.name)).toEqual([
      "Maritime College",
      "Lanehead Clinic",
      "Town Museum",
      "Ferry Street School",
      "Ilves Dental",
      "Harrow & Pike",
    ]);
    for (const s of day.stops) {
      expect(s.end, s.stop.name).toBeLessThanOrEqual((s.stop.window?.to ?? 1440) + 1e-6);
      expect(s.start).toBeGreaterThanOrEqual(s.stop.window?.from ?? 0);
    }
    expect(day.leftOver).toEqual([]);
    expect(stops.every((s) => s.tanks.length > 0)).toBe(true);
  });
  test("a fortnightly stop is absent in the week between, a four-weekly one for three", async () => {
    const gaps = async (site: string) => {
      const dates = [...new Set((await visitsOf(businessId, site, today)).map((v) => v.on))];
      return dates.slice(1).map((d, i) => (Date.parse(d) - Date.parse(dates[i] ?? d)) / 86_400_000);
    };
    expect(new Set(await gaps("Maritime College"))).toEqual(new Set([14]));
    expect(new Set(await gaps("Weir House"))).toEqual(new Set([28]));
    expect(new Set(await gaps("Ilves Dental"))).toEqual(new Set([7]));
    expect((await gaps("Ferryman's Rest")).slice(0, 2).reduce((a, b) => a + b, 0)).toBe(7);
  });
  test("water on board is the sum of the stops' plans, mix going down and waste going up", async () => {
    const { day, stops } = await dayOf(today);
    const sum = (pick: (l: { mixL: number; seaL: number; wasteL: number }) => number) =>
      stops.flatMap((s) => s.tanks).reduce((total, t) => total + pick(t.plan.load), 0);
    expect(day.onBoard[0]?.mixKg).toBeCloseTo(sum((l) => l.mixL) * 1.025, 6);
    // Whether a tide fits depends on the day: then it comes on board at the quay, with a little to spare.
    const collected = day.collection?.none === null ? day.collection.litres : null;
    expect(day.onBoard[0]?.seaKg).toBeCloseTo(collected === null ? sum((l) => l.seaL) * 1.025 : 0, 6);
    expect(Math.max(...day.onBoard.map((b) => b.seaKg))).toBeCloseTo((collected ?? sum((l) => l.seaL)) * 1.025, 6);
    expect(day.onBoard.at(-1)?.wasteKg).toBeCloseTo(sum((l) => l.wasteL) * 1.025, 6);
    for (let i = 1; i < day.onBoard.length; i++)
      expect(day.onBoard[i]?.mixKg ?? 0).toBeLessThanOrEqual((day.onBoard[i - 1]?.mixKg ?? 0) + 1e-9);
  });
  test("a day without stops, and a person of somebody else", async () => {
    expect((await dayOf("2040-01-01")).day.stops).toEqual([]);
    await expect(loadRound({ ...ines, businessId: crypto.randomUUID() }, ines.personId, today)).rejects.toMatchObject({
      code: "not-found",
    });
  });
  test("both technicians drive", async () =>
    expect((await technicians(ines)).map((p) => p.name)).toEqual(["Ines Calder", "Tobiah Renn"]));
});

describe("changing a day", () => {
  test("a refill is kept and drawn", async () => {
    const [v] = await visitsOf(businessId, "Harbour Office", today);
    if (!v) throw new Error("No visit");
    const before = (await dayOf(v.on)).day;
    await setRefill(ines, v.stopId, true);
    const after = (await dayOf(v.on)).day;
    expect(after.legs.some((l) => l.kind === "refill")).toBe(true);
    expect(after.peakKg).toBeLessThan(before.peakKg);
    expect(after.fits).toBe(true);
    await setRefill(ines, v.stopId, false);
    expect((await dayOf(v.on)).day.peakKg).toBeCloseTo(before.peakKg, 9);
  });
  test("a stop moved to another day takes its visits along, and its series stays", async () => {
    const visits = await visitsOf(businessId, "Lighthouse Trust", today);
    const [first, second] = visits;
    if (!first || !second) throw new Error("No visits");
    await moveStop(ines, { stopId: first.stopId, to: addDays(first.on, 1), anyway: true }, when());
    const [moved] = await db().select().from(stop).where(eq(stop.id, first.stopId));
    expect(moved).toMatchObject({ onDate: addDays(first.on, 1), originalOn: first.on });
    expect((await db().select().from(visit).where(eq(visit.id, first.visitId)))[0]?.onDate).toBe(addDays(first.on, 1));
    expect((await db().select().from(visit).where(eq(visit.id, second.visitId)))[0]?.onDate).toBe(second.on);
  });
  test("not into the past, not once it was begun, not somebody else's", async () => {
    const [v] = await visitsOf(businessId, "Old Brewery", today);
    if (!v) throw new Error("No visit");
    await expect(moveStop(ines, { stopId: v.stopId, to: addDays(today, -1) }, when())).rejects.toMatchObject({
      status: 422,
      fields: { to: ["That day is over: choose today or a later day."] },
    });
    await expect(
      moveStop({ ...ines, businessId: crypto.randomUUID() }, { stopId: v.stopId, to: addDays(today, 9) }, when()),
    ).rejects.toMatchObject({ code: "not-found" });
    await new Phone(ines, v.visitId).say({ type: "start" });
    await expect(moveStop(ines, { stopId: v.stopId, to: addDays(v.on, 1) }, when())).rejects.toMatchObject({
      status: 409,
      code: "already-begun",
    });
  });
});

describe("bundles", () => {
  test("hold all that a phone needs, in the order of the day, and travel as JSON", async () => {
    const { bundles } = await dayBundles(ines, today);
    expect(bundles.map((b) => b.siteName)).toEqual(atSites((await dayOf(today)).day).map((s) => s.stop.name));
    for (const b of bundles) {
      expect(JSON.parse(JSON.stringify(b.input))).toEqual(b.input);
      expect(b.startMinute).toBeGreaterThan(360);
    }
  });
  test("carry the log so far", async () => {
    const [v] = await visitsOf(businessId, "Chandler's", today);
    if (!v) throw new Error("No visit");
    const phone = new Phone(ines, v.visitId);
    await phone.say({ type: "start" }, { type: "note", text: "quiet" });
    const bundle = await visitBundle(ines, v.visitId);
    expect(bundle.ops.map((o) => o.body.type)).toEqual(["start", "note"]);
    expect(bundle.input.facts.name).toBe("Oilskin tank");
  });
  test("a stop's page knows its round", async () => {
    const [v] = await visitsOf(businessId, "Ilves Dental", today);
    const loaded = await loadStop(ines, v?.stopId ?? "");
    expect(loaded).toMatchObject({
      today,
      visit: { onDate: v?.on, begun: false, off: null },
      planned: { stop: { site: { name: "Ilves Dental", drain: "septic" } } },
    });
    await expect(loadStop(ines, crypto.randomUUID())).rejects.toMatchObject({ code: "not-found" });
  });
});

test("a closed visit keeps the plan it was given", async () => {
  const { day } = await dayOf(addDays(today, -6));
  expect(day.stops.length).toBeGreaterThan(0);
  const [row] = await db()
    .select()
    .from(visit)
    .where(and(eq(visit.businessId, businessId), eq(visit.state, "closed"), eq(visit.onDate, addDays(today, -6))));
  expect(row).toBeDefined();
});

describe("a day under way", () => {
  const atMinute = (minute: number) => new Date(instantOf(today, minute, ines.zone));
  const live = (minute: number) => loadRound(ines, ines.personId, today, { date: today, minute, zone: ines.zone });

  test("moves with the log: a long first stop pushes the next, and what no longer fits is told with ways out", async () => {
    const planned = await loadRound(ines, ines.personId, today);
    const clinic = planned.stops.find((s) => s.site.name === "Lanehead Clinic");
    const visitId = clinic?.tanks[0]?.visitId ?? "";
    // Nothing has begun: as planned, at whatever hour.
    expect((await live(1000)).behindMinutes).toBe(0);
    expect(await lateDay(ines, await live(1000), today)).toBeNull();
    await db()
      .update(visit)
      .set({ state: "open", startedAt: atMinute(520) })
      .where(eq(visit.id, visitId));
    const at = await live(760);
    expect(at.day.stops[0]).toMatchObject({ stop: { name: "Lanehead Clinic" }, start: 520, end: 760 });
    // The college closes at nine and the museum at twenty past one.
    expect(at.day.leftOver.map((l) => l.stop.name)).toContain("Maritime College");
    const late = await lateDay(ines, at, today);
    expect(late?.ways.length).toBeGreaterThan(0);
    for (const way of late?.ways ?? []) expect(way.to).not.toEqual({ personId: ines.personId, on: today });
    // Begun yesterday and still open, it says nothing of today.
    await db()
      .update(visit)
      .set({ startedAt: new Date(atMinute(520).getTime() - 86_400_000) })
      .where(eq(visit.id, visitId));
    expect((await live(760)).under).toBeNull();
    await db().update(visit).set({ state: "planned", startedAt: null }).where(eq(visit.id, visitId));
  });
});

describe("the day in the header", () => {
  const same = async (name: string, minute: number) => {
    const scope = await scopeOf(businessId, name);
    const now = { date: today, minute, zone: scope.zone };
    const [full, small] = [
      await loadRound(scope, scope.personId, today, now),
      await loadRibbon(scope, scope.personId, today, now),
    ];
    expect(small.day).toEqual(full.day);
    expect(small.stops.map((s) => [s.id, s.tanks.map((t) => t.condition)])).toEqual(
      full.stops.map((s) => [s.id, s.tanks.map((t) => t.status?.condition ?? null)]),
    );
    return full;
  };
  test("is the day of the round, before anything was begun, with a visit under way, and where nothing is judged yet", async () => {
    const full = await same("Ines", 300);
    expect(full.stops.length).toBeGreaterThan(2);
    await same("Tobiah", 700);
    const [first] = full.stops.flatMap((s) => s.tanks);
    const phone = new Phone(await scopeOf(businessId, "Ines"), first?.visitId ?? "");
    const { plan } = await planOf(businessId, {
      visitId: first?.visitId ?? "",
      tankId: first?.tank.id ?? "",
      on: today,
    });
    await phone.say({ type: "start" }, { type: "plan", inputHash: "x", coreVersion: 1, summary: "", plan });
    await same("Ines", 800);
    await db().update(tankStatus).set({ nextVisit: null }).where(eq(tankStatus.businessId, businessId));
    await same("Ines", 300);
  });
});
