import { addDays, weekday } from "@keel-round/core/calendar";
import { seriesDates } from "@keel-round/core/series";
import { type BoardStop, mondayOf } from "@keel-round/core/weeks";
import { and, asc, eq, gte, isNull } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, scopeOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { saveWeights } from "../firm/weights";
import { series, stop } from "../schema";
import { recurrenceOf } from "../series/rows";
import { takeBack } from "./away";
import { loadRound } from "./round";
import { lockStops, settleRound } from "./settleRound";
import { loadWeeks } from "./weeks";

let maud: Scope;
let ines: Scope;
let today: string;
let monday: string;
const when = () => ({ now: new Date(), today });

beforeAll(async () => {
  const world = await demoBusiness();
  ({ today } = world);
  monday = addDays(mondayOf(today), 7);
  maud = await scopeOf(world.businessId, "Maud");
  ines = await scopeOf(world.businessId, "Ines");
});

const cycle = async () => (await loadWeeks(maud, monday, addDays(monday, 27))).board;
const of = async (name: string): Promise<BoardStop[]> =>
  (await cycle()).stops.filter((s) => s.name === name && s.seriesId !== null);
const daysOf = async (siteId: string, from: string) =>
  (
    await db()
      .select({ on: stop.onDate, personId: stop.personId })
      .from(stop)
      .where(
        and(eq(stop.businessId, maud.businessId), eq(stop.siteId, siteId), isNull(stop.off), gte(stop.onDate, from)),
      )
      .orderBy(asc(stop.onDate))
  ).map((s) => `${s.on} ${s.personId}`);

describe("a settled round is accepted", () => {
  test("a series takes its new day and person for good, and all of it is undone", async () => {
    const [first] = await of("Estuary Court");
    if (!first?.seriesId) throw new Error("A weekly series");
    const before = await daysOf(first.siteId, today);
    // A house that is open every day; within its week, whatever day the demo is of.
    const shiftDays = weekday(first.on) === 7 ? -1 : 1;
    const move = { seriesId: first.seriesId, shiftDays, personId: ines.personId, firstOn: first.originalOn };
    const { changeIds } = await settleRound(maud, { moves: [], series: [move], refills: [] }, when());
    const now = await of("Estuary Court");
    expect(now.map((s) => s.on)).toEqual([0, 7, 14, 21].map((d) => addDays(first.on, d + shiftDays)));
    // Also beyond what is laid out.
    const rows = await db()
      .select()
      .from(series)
      .where(and(eq(series.businessId, maud.businessId), eq(series.siteId, first.siteId), isNull(series.untilOn)));
    const later = rows.flatMap((r) => seriesDates(recurrenceOf(r), addDays(today, 100), addDays(today, 120)));
    expect(later.length).toBeGreaterThan(0);
    for (const on of later) expect(new Date(on).getUTCDay()).toBe(new Date(addDays(first.on, shiftDays)).getUTCDay());
    await takeBack(maud, { changeIds: [...changeIds], awayIds: [] }, when());
    expect(await daysOf(first.siteId, today)).toEqual(before);
  });
  test("with a visit that moved meanwhile nothing of it is done", async () => {
    const [[first], [other]] = [await of("Estuary Court"), await of("Chandler's")];
    if (!first?.seriesId || !other) throw new Error("Two series");
    const before = await daysOf(first.siteId, today);
    const stale = { stopId: other.id, was: { on: addDays(other.on, 1), personId: other.personId, aside: false } };
    await expect(
      settleRound(
        maud,
        {
          series: [{ seriesId: first.seriesId, shiftDays: 1, personId: ines.personId, firstOn: first.originalOn }],
          moves: [{ ...stale, to: { on: addDays(other.on, 2), personId: other.personId } }],
          refills: [],
        },
        when(),
      ),
    ).rejects.toMatchObject({ code: "moved-meanwhile" });
    expect(await daysOf(first.siteId, today)).toEqual(before);
  });
  test("a day goes back to base after a stop, in sight on the round, and undone with all the rest", async () => {
    const [first] = await of("Estuary Court");
    if (!first) throw new Error("A stop");
    const refill = { siteId: first.siteId, personId: first.personId, on: first.on };
    const { changeIds } = await settleRound(maud, { moves: [], series: [], refills: [refill] }, when());
    expect((await of("Estuary Court")).map((s) => s.refillAfter)).toEqual([true, false, false, false]);
    const round = await loadRound(maud, first.personId, first.on);
    expect(round.day.legs.filter((l) => l.kind === "refill")).toHaveLength(1);
    await takeBack(maud, { changeIds: [...changeIds], awayIds: [] }, when());
    expect((await of("Estuary Court"))[0]?.refillAfter).toBe(false);
    // Its stop moved meanwhile: there is nothing to go back to base after.
    await expect(
      settleRound(maud, { moves: [], series: [], refills: [{ ...refill, on: addDays(first.on, 1) }] }, when()),
    ).rejects.toMatchObject({ code: "moved-meanwhile" });
  });
  test("series are changed by the office and leads alone, and never to a day when nobody opens", async () => {
    const [first] = await of("Estuary Court");
    const move = {
      ...{ seriesId: first?.seriesId ?? "", shiftDays: 1, personId: ines.personId },
      firstOn: first?.originalOn ?? "",
    };
    await expect(settleRound(ines, { moves: [], series: [move], refills: [] }, when())).rejects.toMatchObject({
      code: "not-found",
    });
    await expect(
      settleRound(maud, { moves: [], series: [{ ...move, seriesId: crypto.randomUUID() }], refills: [] }, when()),
    ).rejects.toMatchObject({ code: "not-found" });
  });
});

test("a lock is kept, seen by everybody, and taken off again", async () => {
  const [first] = await of("Town Hall");
  await lockStops(maud, { stopIds: [first?.id ?? ""], locked: true });
  expect((await of("Town Hall"))[0]?.locked).toBe(true);
  await expect(lockStops(ines, { stopIds: [first?.id ?? ""], locked: false })).rejects.toMatchObject({
    code: "not-found",
  });
  await lockStops(maud, { stopIds: [first?.id ?? ""], locked: false });
  expect((await of("Town Hall"))[0]?.locked).toBe(false);
});

test("the firm's weights are what its weeks are settled by; what is not said is as usual", async () => {
  expect((await cycle()).weights).toBeNull();
  await saveWeights(maud, { overtime: 5, moved: 0 }, when());
  expect((await cycle()).weights).toEqual({ overtime: 5, moved: 0 });
  await saveWeights(maud, {}, when());
  expect((await cycle()).weights).toEqual({});
  await expect(saveWeights(ines, { overtime: 5 }, when())).rejects.toMatchObject({ code: "not-found" });
});
