import { addDays } from "@keel-round/core/calendar";
import { COLLECT } from "@keel-round/core/round";
import { isOpen } from "@keel-round/core/series";
import { type Board, type BoardStop, judgeDay, mondayOf } from "@keel-round/core/weeks";
import { asc, eq } from "drizzle-orm";
import fc from "fast-check";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, Phone, scopeOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { historyOf } from "../desk/history";
import { person, personAway, site, stop, tank, visit } from "../schema";
import { moveStop } from "../series/stops";
import { refreshStatus } from "../tanks/status";
import { AwaySchema, noteAway, takeBack } from "./away";
import { placeStops } from "./place";
import { loadRound } from "./round";
import { loadWeeks, roundVersion } from "./weeks";

let maud: Scope;
let ines: Scope;
let tobiah: Scope;
let today: string;
let monday: string;

beforeAll(async () => {
  const world = await demoBusiness();
  today = world.today;
  monday = addDays(mondayOf(today), 7);
  [maud, ines, tobiah] = (await Promise.all(["Maud", "Ines", "Tobiah"].map((n) => scopeOf(world.businessId, n)))) as [
    Scope,
    Scope,
    Scope,
  ];
});

const when = () => ({ now: new Date(), today });
const board = async (who = maud): Promise<Board> => (await loadWeeks(who, monday, addDays(monday, 6))).board;
const named = (of: Board, name: string): BoardStop => of.stops.find((s) => s.name === name) as BoardStop;
const move = (s: BoardStop, to: { on: string; personId: string } | null) => ({
  stopId: s.id,
  was: { on: s.on, personId: s.personId, aside: s.setAside !== null },
  to,
});
const stored = async (id: string) => (await db().select().from(stop).where(eq(stop.id, id)))[0];

describe("the board", () => {
  test("has each planned stop of everybody once, with whom and when; a technician has their own", async () => {
    const [all, own] = [await board(), await board(ines)];
    expect(new Set(all.stops.map((s) => s.id)).size).toBe(all.stops.length);
    expect(new Set(all.stops.map((s) => s.personId))).toEqual(new Set([ines.personId, tobiah.personId]));
    expect(own.people.map((p) => p.id)).toEqual([ines.personId]);
    expect(own.stops.map((s) => s.id)).toEqual(all.stops.filter((s) => s.personId === ines.personId).map((s) => s.id));
  });
  test("says of the next visit what the round says of its day: minutes, and kilograms", async () => {
    const here = (await loadWeeks(maud, today, today)).board;
    const { day } = await loadRound(ines, ines.personId, today);
    const judged = judgeDay(here, { personId: ines.personId, on: today });
    const atSites = day.stops.filter((s) => s.stop.id !== COLLECT);
    expect(judged?.plan.peakKg).toBeCloseTo(day.peakKg, 6);
    expect(judged?.plan.collection).toEqual(day.collection);
    expect(judged?.stops.map((s) => s.name)).toEqual(atSites.map((s) => s.stop.name));
    for (const s of atSites) expect(Math.abs((named(here, s.stop.name).minutes ?? 0) - s.stop.minutes)).toBeLessThan(1);
  });
  test("knows what somebody does, when they are away, and what a site asks for", async () => {
    await db().insert(personAway).values({
      id: crypto.randomUUID(),
      businessId: maud.businessId,
      personId: tobiah.personId,
      fromOn: monday,
      untilOn: monday,
      why: "ill",
    });
    const of = await board();
    const him = of.people.find((p) => p.id === tobiah.personId);
    expect(him?.knows).toContain("fresh");
    expect(him?.knows).not.toContain("salt");
    expect(him?.away).toEqual([{ id: expect.any(String), fromOn: monday, untilOn: monday, why: "ill" }]);
    expect(named(of, "Seagrass Lab").needs).toContain("salt");
    await db().delete(personAway);
  });
});

describe("moving stops", () => {
  test("moves their visits, keeps their series, and is undone at once", async () => {
    const of = await board();
    const s = named(of, "Old Brewery");
    const other = of.stops.filter((x) => x.seriesId === s.seriesId && x.id !== s.id);
    const to = { on: addDays(s.on, 1), personId: ines.personId };
    const { changeIds } = await placeStops(maud, { moves: [move(s, to)] }, when());
    expect(await stored(s.id)).toMatchObject({ onDate: to.on, moved: true, originalOn: s.originalOn, off: null });
    const visits = await db().select().from(visit).where(eq(visit.stopId, s.id));
    expect(new Set(visits.map((v) => v.onDate))).toEqual(new Set([to.on]));
    expect((await board()).stops.filter((x) => other.some((o) => o.id === x.id))).toEqual(other);
    expect(await takeBack(maud, { changeIds: [...changeIds], awayIds: [] }, when())).toEqual({ begun: 0 });
    expect(named(await board(), "Old Brewery")).toEqual(s);
  });
  test("several at once: all of them, or none where one cannot be", async () => {
    const of = await board();
    const [a, b] = [named(of, "Bellmaker's"), named(of, "Chandler's")];
    const to = { on: addDays(monday, 4), personId: tobiah.personId };
    // The second is salt water, which he does not do.
    await expect(placeStops(maud, { moves: [move(a, to), move(b, to)] }, when())).rejects.toMatchObject({
      code: "not-able",
      message: "Tobiah Renn does not do salt water.",
    });
    expect(named(await board(), "Bellmaker's")).toEqual(a);
  });
  test("that somebody else moved meanwhile is not overwritten, and says where it stands", async () => {
    const s = named(await board(), "Kettle Diner");
    await moveStop(maud, { stopId: s.id, to: addDays(s.on, 2), anyway: true }, when());
    const late = placeStops(ines, { moves: [move(s, { on: addDays(s.on, 1), personId: ines.personId })] }, when());
    await expect(late).rejects.toMatchObject({ code: "moved-meanwhile" });
    await expect(late).rejects.toThrow(/Somebody else moved Kettle Diner meanwhile: it stands on /);
    expect((await stored(s.id))?.onDate).toBe(addDays(s.on, 2));
  });
  test("set aside with a reason it is in nobody's round, and comes back on any day", async () => {
    const s = named(await board(), "Heron Bank");
    await placeStops(maud, { moves: [move(s, null)], why: "owner away" }, when());
    const aside = named(await board(), "Heron Bank");
    expect(aside.setAside).toBe("owner away");
    expect((await loadRound(ines, ines.personId, s.on)).stops.map((x) => x.id)).not.toContain(s.id);
    const to = { on: addDays(monday, 5), personId: ines.personId };
    await placeStops(maud, { moves: [move(aside, to)] }, when());
    expect((await loadRound(ines, ines.personId, to.on)).stops.map((x) => x.id)).toContain(s.id);
  });
  test("a day that is over, a visit that has begun, a technician's stop given away: refused", async () => {
    const s = named(await board(), "Gallery Nine");
    const past = placeStops(maud, { moves: [move(s, { on: addDays(today, -1), personId: ines.personId })] }, when());
    await expect(past).rejects.toMatchObject({ code: "is-over" });
    const given = placeStops(ines, { moves: [move(s, { on: s.on, personId: tobiah.personId })] }, when());
    await expect(given).rejects.toMatchObject({ status: 404 });
    const now = (await loadWeeks(maud, today, today)).board;
    const begun = named(now, "Harrow & Pike");
    const [its] = await db().select().from(visit).where(eq(visit.stopId, begun.id));
    await new Phone(ines, its?.id ?? "").say({ type: "start" });
    const late = placeStops(maud, { moves: [move(begun, { on: addDays(today, 1), personId: ines.personId })] }, when());
    await expect(late).rejects.toMatchObject({ code: "already-begun" });
    expect(named((await loadWeeks(maud, today, today)).board, "Harrow & Pike").begun).toBe(true);
  });
  test("salt water that must not go down the drain is not given to a van that cannot carry it away", async () => {
    const s = named(await board(), "Saltmarket Hotel");
    await db().update(site).set({ drain: "septic" }).where(eq(site.id, s.siteId));
    const tanks = await db().select().from(tank).where(eq(tank.siteId, s.siteId));
    const judge = () =>
      refreshStatus(
        db(),
        maud.businessId,
        tanks.map((t) => t.id),
        today,
      );
    await judge();
    expect(named(await board(), "Saltmarket Hotel").carriesSalt).toBe(true);
    await db().update(person).set({ vanKg: 1 }).where(eq(person.id, ines.personId));
    const moving = placeStops(maud, { moves: [move(s, { on: addDays(s.on, 1), personId: ines.personId })] }, when());
    await expect(moving).rejects.toMatchObject({ code: "not-able" });
    await expect(moving).rejects.toThrow(/kg of salt water has to be carried away, and the van carries 1\u00a0kg\./);
    await db().update(person).set({ vanKg: 440 }).where(eq(person.id, ines.personId));
  });
  test("each change, and each that is undone, is another version for those who look on", async () => {
    const before = await roundVersion(maud);
    const s = named(await board(), "Ormond house");
    const { changeIds } = await placeStops(
      maud,
      { moves: [move(s, { on: addDays(s.on, 1), personId: ines.personId })] },
      when(),
    );
    const moved = await roundVersion(maud);
    expect(moved).not.toBe(before);
    await takeBack(maud, { changeIds: [...changeIds], awayIds: [] }, when());
    expect(new Set([before, moved, await roundVersion(maud)]).size).toBe(3);
  });
});

test("a site that is closed for some days is so in its hours, and open again when that is undone", async () => {
  const on = addDays(monday, 2);
  const site = named(await board(), "Seagrass Lab").siteId;
  const openOn = async (day: string) => isOpen(named(await board(), "Seagrass Lab").windows, day);
  expect(await openOn(on)).toBe(true);
  const closing = { personIds: [], siteId: site, fromOn: on, untilOn: addDays(on, 1), why: "a works outing" };
  const { closed, awayIds } = await noteAway(maud, closing, when());
  expect(awayIds).toEqual([]);
  expect([await openOn(on), await openOn(addDays(on, 1))]).toEqual([false, false]);
  expect((await historyOf(maud, "site", site))[0]).toMatchObject({ what: "other hours on a date" });
  await takeBack(maud, { changeIds: [], awayIds: [], closed }, when());
  expect(await openOn(on)).toBe(true);
  // Nobody and nothing is no absence, and a site of others is none of ours.
  expect(AwaySchema.safeParse({ ...closing, siteId: null }).success).toBe(false);
  await expect(noteAway(maud, { ...closing, siteId: crypto.randomUUID() }, when())).rejects.toMatchObject({
    code: "not-found",
  });
});

test("whatever is moved in whatever order, undone backwards the weeks stand as before", async () => {
  const start = await board();
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.tuple(fc.nat(30), fc.nat(6), fc.boolean()), { minLength: 1, maxLength: 6 }),
      async (moves) => {
        const made: (readonly string[])[] = [];
        for (const [i, day, aside] of moves) {
          const of = await board();
          const s = of.stops[i % of.stops.length] as BoardStop;
          const to = aside && s.setAside === null ? null : { on: addDays(monday, day), personId: s.personId };
          const { changeIds } = await placeStops(maud, { moves: [move(s, to)], why: "x" }, when());
          made.push(changeIds);
        }
        for (const ids of made.reverse()) await takeBack(maud, { changeIds: [...ids], awayIds: [] }, when());
        expect(await board()).toEqual(start);
      },
    ),
    { numRuns: 8 },
  );
});

test("two that move the same stop at once: one of them does, and the other is told", async () => {
  const s = named(await board(), "Customs House");
  // To two days on which it does not stand yet: whoever leaves it where it is moves nothing.
  const others = [2, 3, 4].map((d) => addDays(monday, d)).filter((on) => on !== s.on);
  const both = await Promise.allSettled(
    others.slice(0, 2).map((on) => placeStops(maud, { moves: [move(s, { on, personId: tobiah.personId })] }, when())),
  );
  expect(both.map((r) => r.status).sort()).toEqual(["fulfilled", "rejected"]);
  const rows = await db().select().from(visit).where(eq(visit.stopId, s.id)).orderBy(asc(visit.id));
  expect(new Set(rows.map((v) => v.onDate)).size).toBe(1);
});

describe("somebody is away", () => {
  test("it is noted, their stops move with it, owners to be told are named with a draft, and one press undoes all", async () => {
    const of = await board();
    const s = named(of, "Bellmaker's");
    const to = { on: addDays(s.on, 2), personId: tobiah.personId };
    const noted = await noteAway(
      maud,
      { personIds: [tobiah.personId], fromOn: monday, untilOn: monday, why: "ill", moves: [move(s, to)] },
      when(),
    );
    const now = await board();
    expect(now.people.find((p) => p.id === tobiah.personId)?.away).toMatchObject([{ why: "ill", fromOn: monday }]);
    expect(named(now, "Bellmaker's")).toMatchObject(to);
    expect(noted.tell).toHaveLength(1);
    expect(noted.tell[0]?.text).toMatch(
      /^(Dear .+|Hello),\n\nWe had planned to look after your tanks at Bellmaker's on .+ we come on .+ instead\./,
    );
    // A draft and no more: nothing was sent.
    await takeBack(maud, { changeIds: [...noted.changeIds], awayIds: [...noted.awayIds] }, when());
    expect(named(await board(), "Bellmaker's")).toEqual(s);
    expect((await board()).people.flatMap((p) => p.away)).toEqual([]);
  });
  test("is noted not at all where one of the moves cannot be", async () => {
    const s = named(await board(), "Chandler's");
    const to = { on: addDays(s.on, 1), personId: tobiah.personId };
    const noting = noteAway(
      maud,
      { personIds: [ines.personId], fromOn: monday, untilOn: monday, why: "van", moves: [move(s, to)] },
      when(),
    );
    await expect(noting).rejects.toMatchObject({ code: "not-able" });
    expect(await db().select().from(personAway)).toEqual([]);
  });
  test("is each person's own to say; days that are over, and somebody else's absence, are refused", async () => {
    const own = { personIds: [ines.personId], fromOn: today, untilOn: today, why: "ill" };
    const { awayIds } = await noteAway(ines, own, when());
    await expect(noteAway(ines, { ...own, personIds: [tobiah.personId] }, when())).rejects.toMatchObject({
      status: 404,
    });
    await expect(takeBack(tobiah, { changeIds: [], awayIds: [...awayIds] }, when())).rejects.toMatchObject({
      status: 404,
    });
    const over = { ...own, fromOn: addDays(today, -3), untilOn: addDays(today, -1) };
    await expect(noteAway(maud, over, when())).rejects.toMatchObject({ status: 422 });
    await takeBack(ines, { changeIds: [], awayIds: [...awayIds] }, when());
  });
});
