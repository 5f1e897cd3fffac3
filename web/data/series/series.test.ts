import { addDays, daysBetween, weekday } from "@keel-round/core/calendar";
import { evenPair, landOn, type Rhythm, seriesDates, weeklyOn } from "@keel-round/core/series";
import { and, asc, eq, inArray, isNull, ne } from "drizzle-orm";
import fc from "fast-check";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, Phone, scopeOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { historyOf } from "../desk/history";
import { linkOptions } from "../desk/lists";
import { startTank } from "../desk/newTank";
import { createRecord, setArchived } from "../desk/records";
import { letterContent } from "../letters/letters";
import { layOut } from "../round/layOut";
import { loadRound } from "../round/round";
import { loadStop } from "../round/stops";
import { business, operation, series, stop, visit } from "../schema";
import { loadTank } from "../tanks/tanks";
import { planInto } from "../water/planner";
import { previewSeries, type SeriesInput, saveSeries } from "./change";
import { siteVisits } from "./read";
import { recurrenceOf } from "./rows";
import { addStop, moveStop, planAgain, skipStop } from "./stops";
import { undoChange } from "./undo";

/** Some here; many more under `npm run proof`. */
const HISTORIES = Number(process.env.KEEL_ROUND_EDITS ?? 20);

let maud: Scope;
let ines: Scope;
let tobiah: Scope;
let businessId: string;
let today: string;
let laidOutTo: string;

const when = () => ({ now: new Date(), today });

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  [maud, ines, tobiah] = (await Promise.all(["Maud", "Ines", "Tobiah"].map((n) => scopeOf(businessId, n)))) as [
    Scope,
    Scope,
    Scope,
  ];
  const [firm] = await db().select().from(business).where(eq(business.id, businessId));
  laidOutTo = firm?.laidOutTo ?? "";
});

let places = 0;
/** A new client's site with some tanks, open on the days named. */
async function place(tanks = 1, windows: Record<string, { from: number; to: number }> = {}) {
  const name = `Sandpiper Row ${++places}`;
  const { id: clientId } = await createRecord(
    maud,
    "client",
    { name, contact: "x", email: `row${places}@sandpiper.example`, lettersBy: "none" },
    when(),
  );
  const { id: siteId } = await createRecord(
    maud,
    "site",
    {
      name,
      clientId,
      address: "3 Row",
      lat: 50.4,
      lon: -4.7,
      drain: "sewer",
      setUpMinutes: 5,
      bucketL: 20,
      hotWater: true,
      windows,
    },
    when(),
  );
  const tankIds: string[] = [];
  for (let i = 0; i < tanks; i++) tankIds.push(await newTank(siteId, `Tank ${i + 1}`));
  return { siteId, tankIds };
}

async function newTank(siteId: string, name: string): Promise<string> {
  const sources = (await linkOptions(maud, "tank")).sourceId ?? [];
  const sourceId = sources.find(([, n]) => n === "Port Averil tap")?.[0] ?? "";
  const vessel = { shape: "box", lengthM: 1, widthM: 0.4, heightM: 0.5 } as const;
  const input = {
    siteId,
    name,
    kind: "community",
    vessel,
    water: { id: sourceId },
    sump: false,
    startedOn: today,
  } as const;
  return (await startTank(maud, input, when())).id;
}

const asked = (siteId: string, more: Partial<SeriesInput> = {}): SeriesInput => ({
  siteId,
  seriesId: null,
  fromOn: today,
  personId: ines.personId,
  tankIds: null,
  rhythm: weeklyOn(today),
  untilOn: null,
  spells: [],
  ...more,
});

const stopsOf = (siteId: string) =>
  db().select().from(stop).where(eq(stop.siteId, siteId)).orderBy(asc(stop.onDate), asc(stop.id));
const planned = async (siteId: string) => (await stopsOf(siteId)).filter((s) => !s.off);
const daysAhead = async (siteId: string) => (await planned(siteId)).map((s) => daysBetween(today, s.onDate));
const liveVisits = (tankId: string) =>
  db()
    .select()
    .from(visit)
    .where(and(eq(visit.tankId, tankId), ne(visit.state, "off")))
    .orderBy(asc(visit.onDate));
const weeksAhead = [0, 7, 14, 21, 28, 35, 42, 49, 56, 63, 70];

/** The one series of a site that goes on. */
async function onlySeries(siteId: string) {
  const { series: lines } = await siteVisits(maud, siteId, today);
  const [line] = lines;
  if (!line || lines.length > 1) throw new Error(`${lines.length} series`);
  return line;
}

describe("a series", () => {
  test("is laid as far as every other one, a visit for each of its tanks, and said in words", async () => {
    const { siteId, tankIds } = await place(2);
    await saveSeries(maud, asked(siteId), when());
    expect(await daysAhead(siteId)).toEqual(weeksAhead);
    for (const t of tankIds) expect((await liveVisits(t)).length).toBe(weeksAhead.length);
    const line = await onlySeries(siteId);
    expect(line.by).toBe("Ines Calder");
    expect(line.said.length).toBe(1);
    expect(line.next.map((s) => daysBetween(today, s.on))).toEqual([0, 7, 14, 21, 28, 35]);
    const history = await historyOf(maud, "site", siteId);
    expect(JSON.stringify(history)).toContain(line.said[0]);
  });

  test("of some tanks leaves the others alone, and two of a site visit no tank twice a day", async () => {
    const { siteId, tankIds } = await place(3);
    const [reef, ...small] = tankIds as [string, string, string];
    await saveSeries(maud, asked(siteId, { tankIds: [reef] }), when());
    const second = { rhythm: { kind: "weeks", every: 2, weekdays: [weekday(today)] } as const, tankIds: small };
    await saveSeries(maud, asked(siteId, second), when());
    expect((await liveVisits(reef)).length).toBe(11);
    for (const t of small)
      expect((await liveVisits(t)).map((v) => daysBetween(today, v.onDate))).toEqual([0, 14, 28, 42, 56, 70]);
    // A third that serves all of them finds only the weeks in which the small ones have none.
    const preview = await previewSeries(maud, asked(siteId), when());
    expect(preview.notes.join(" ")).toContain("it gets no second one that day");
    await saveSeries(maud, asked(siteId), when());
    for (const t of tankIds) {
      const days = (await liveVisits(t)).map((v) => v.onDate);
      expect(new Set(days).size).toBe(days.length);
    }
    expect((await liveVisits(small[0] ?? "")).length).toBe(11);
  });

  test("serves a tank that comes to its site later, unless it names its tanks", async () => {
    const { siteId, tankIds } = await place(1);
    await saveSeries(maud, asked(siteId), when());
    const late = await newTank(siteId, "Late");
    expect((await liveVisits(late)).length).toBe(11);
    const other = await place(1);
    await saveSeries(maud, asked(other.siteId, { tankIds: other.tankIds }), when());
    expect((await liveVisits(await newTank(other.siteId, "Late"))).length).toBe(0);
    expect((await liveVisits(tankIds[0] ?? "")).length).toBe(11);
  });

  test("falls on no day on which its site is closed: told at once, or laid beside it", async () => {
    const open = Object.fromEntries([1, 2, 3, 4, 5].map((d) => [String(d), { from: 480, to: 1020 }]));
    const { siteId } = await place(1, open);
    const sunday: Rhythm = { kind: "weeks", every: 1, weekdays: [7] };
    await expect(saveSeries(maud, asked(siteId, { rhythm: sunday }), when())).rejects.toMatchObject({
      fields: { rhythm: ["The site is closed on Sundays: choose other days, or change its hours."] },
    });
    await saveSeries(maud, asked(siteId, { rhythm: { kind: "days", every: 3 } }), when());
    const rows = await planned(siteId);
    expect(rows.length).toBeGreaterThan(15);
    expect(rows.every((s) => weekday(s.onDate) <= 5)).toBe(true);
    expect(rows.some((s) => s.onDate !== s.originalOn && !s.moved)).toBe(true);
  });

  test("twice a week is three and four days apart", async () => {
    const { siteId } = await place();
    const rhythm: Rhythm = { kind: "weeks", every: 1, weekdays: evenPair(weekday(today)) };
    await saveSeries(maud, asked(siteId, { rhythm }), when());
    const days = await daysAhead(siteId);
    expect([...new Set(days.slice(1).map((d, i) => d - (days[i] ?? 0)))].sort()).toEqual([3, 4]);
  });

  test("is refused beside its field for whatever cannot be, and nothing of it is kept", async () => {
    const { siteId, tankIds } = await place();
    const elsewhere = await place();
    const wrong: readonly [Partial<SeriesInput>, string][] = [
      [{ fromOn: "2020-01-01" }, "fromOn"],
      [{ personId: maud.personId }, "personId"],
      [{ tankIds: elsewhere.tankIds }, "tankIds"],
      [{ untilOn: addDays(today, -1) }, "untilOn"],
      [{ rhythm: { kind: "month-day", day: 1 }, untilOn: notTheFirst(), fromOn: notTheFirst() }, "rhythm"],
    ];
    for (const [more, field] of wrong)
      await expect(saveSeries(maud, asked(siteId, { ...more }), when()), field).rejects.toMatchObject({
        status: 422,
        fields: { [field]: [expect.any(String)] },
      });
    await expect(saveSeries(maud, asked(siteId, { seriesId: crypto.randomUUID() }), when())).rejects.toMatchObject({
      code: "not-found",
    });
    const owner = await scopeOf(businessId, "Dr.");
    await expect(saveSeries(owner, asked(siteId), when())).rejects.toMatchObject({ code: "not-found" });
    expect(await stopsOf(siteId)).toEqual([]);
    expect(await liveVisits(tankIds[0] ?? "")).toEqual([]);
  });
});

/** Today, where that is not the first of a month: else the case falls on a day that exists. */
const notTheFirst = () => (today.endsWith("-01") ? addDays(today, 1) : today);

describe("a change of a series", () => {
  test("from a visit on: earlier ones keep the old days, later ones have the new", async () => {
    const { siteId } = await place();
    await saveSeries(maud, asked(siteId), when());
    const { id } = await onlySeries(siteId);
    const from = addDays(today, 21);
    const rhythm: Rhythm = { kind: "weeks", every: 2, weekdays: [weekday(addDays(today, 1))] };
    const change = asked(siteId, { seriesId: id, fromOn: from, rhythm, personId: tobiah.personId });
    const preview = await previewSeries(maud, change, when());
    expect(preview.gone.map((d) => daysBetween(today, d))).toEqual([21, 28, 35, 42, 49, 56, 63, 70]);
    expect(preview.added.map((d) => daysBetween(today, d))).toEqual([22, 36, 50, 64]);
    expect(await daysAhead(siteId)).toEqual(weeksAhead);
    await saveSeries(maud, change, when());
    expect(await daysAhead(siteId)).toEqual([0, 7, 14, 22, 36, 50, 64]);
    const rows = await planned(siteId);
    expect(rows.map((s) => (s.personId === tobiah.personId ? "Tobiah" : "Ines"))).toEqual([
      ...Array(3).fill("Ines"),
      ...Array(4).fill("Tobiah"),
    ]);
  });

  test("of the person alone goes on in the same step", async () => {
    const { siteId } = await place();
    const rhythm: Rhythm = { kind: "weeks", every: 2, weekdays: [weekday(today)] };
    await saveSeries(maud, asked(siteId, { rhythm }), when());
    const { id } = await onlySeries(siteId);
    // From the week between two visits on: the next is still two weeks after the last.
    await saveSeries(
      maud,
      asked(siteId, { seriesId: id, rhythm, fromOn: addDays(today, 7), personId: tobiah.personId }),
      when(),
    );
    expect(await daysAhead(siteId)).toEqual([0, 14, 28, 42, 56, 70]);
    expect((await planned(siteId)).map((s) => s.personId === tobiah.personId)).toEqual([false, ...Array(5).fill(true)]);
  });

  test("leaves what somebody moved, skipped, began or wrote as it is", async () => {
    const { siteId, tankIds } = await place();
    await saveSeries(maud, asked(siteId), when());
    const [, a, b, c, d] = await planned(siteId);
    if (!a || !b || !c || !d) throw new Error("no stops");
    await moveStop(maud, { stopId: a.id, to: addDays(a.onDate, 2) }, when());
    await skipStop(maud, { stopId: b.id, why: "the owner is away" }, when());
    const visitOf = async (stopId: string) =>
      (await db().select().from(visit).where(eq(visit.stopId, stopId)))[0]?.id ?? "";
    const input = (await loadTank(maud, tankIds[0] ?? "", today)).row;
    await planInto(maud, { visitId: await visitOf(c.id), change: { litres: 20, sourceId: input.sourceId } });
    await new Phone(ines, await visitOf(d.id)).say({ type: "start" });

    const { id } = await onlySeries(siteId);
    const rhythm: Rhythm = { kind: "weeks", every: 1, weekdays: [weekday(addDays(today, 3))] };
    const change = asked(siteId, { seriesId: id, rhythm, fromOn: addDays(today, 1) });
    const preview = await previewSeries(maud, change, when());
    expect(preview.stay.map((x) => daysBetween(today, x))).toEqual([9, 14, 21, 28]);
    await saveSeries(maud, change, when());
    const rows = await stopsOf(siteId);
    const of = (stopId: string) => rows.find((s) => s.id === stopId);
    expect(of(a.id)).toMatchObject({ off: null, onDate: addDays(today, 9), moved: true });
    expect(of(b.id)).toMatchObject({ off: "skipped", offWhy: "the owner is away" });
    expect(of(c.id)?.off).toBeNull();
    expect(of(d.id)?.off).toBeNull();
    expect(await daysAhead(siteId)).toEqual([0, 3, 9, 10, 17, 21, 24, 28, 31, 38, 45, 52, 59, 66]);
  });

  test("to fewer tanks takes their visits away, and back again", async () => {
    const { siteId, tankIds } = await place(2);
    const [one, two] = tankIds as [string, string];
    await saveSeries(maud, asked(siteId), when());
    const { id } = await onlySeries(siteId);
    const { changeId } = await saveSeries(
      maud,
      asked(siteId, { seriesId: id, fromOn: addDays(today, 14), tankIds: [one] }),
      when(),
    );
    expect((await liveVisits(two)).map((v) => daysBetween(today, v.onDate))).toEqual([0, 7]);
    expect((await liveVisits(one)).length).toBe(11);
    await undoChange(maud, changeId, when());
    expect((await liveVisits(two)).length).toBe(11);
  });

  test("pauses, ends, and takes up again what a pause took away", async () => {
    const { siteId } = await place();
    await saveSeries(maud, asked(siteId), when());
    const { id } = await onlySeries(siteId);
    const pause = { fromOn: addDays(today, 7), untilOn: addDays(today, 20), rhythm: null, yearly: false, why: "away" };
    await saveSeries(maud, asked(siteId, { seriesId: id, spells: [pause] }), when());
    expect(await daysAhead(siteId)).toEqual([0, 21, 28, 35, 42, 49, 56, 63, 70]);
    const before = (await stopsOf(siteId)).length;
    await saveSeries(maud, asked(siteId, { seriesId: id, spells: [] }), when());
    expect(await daysAhead(siteId)).toEqual(weeksAhead);
    // The same stops came back: nothing was laid twice.
    expect((await stopsOf(siteId)).length).toBe(before);
    await saveSeries(maud, asked(siteId, { seriesId: id, untilOn: addDays(today, 30) }), when());
    expect(await daysAhead(siteId)).toEqual([0, 7, 14, 21, 28]);
  });

  test("is undone as it was, the latest first, and not over a visit that was begun since", async () => {
    const { siteId, tankIds } = await place();
    await saveSeries(maud, asked(siteId), when());
    const was = await stopsOf(siteId);
    const { id } = await onlySeries(siteId);
    const rhythm: Rhythm = { kind: "days", every: 3 };
    const first = await saveSeries(maud, asked(siteId, { seriesId: id, rhythm, fromOn: addDays(today, 7) }), when());
    const now = (await planned(siteId)).find((s) => daysBetween(today, s.onDate) === 10);
    const second = await skipStop(maud, { stopId: now?.id ?? "", why: "snow" }, when());
    await expect(undoChange(maud, first.changeId, when())).rejects.toMatchObject({ code: "changed-since" });
    await undoChange(maud, second.changeId, when());
    const begun = (await planned(siteId)).find((s) => daysBetween(today, s.onDate) === 13);
    const [v] = await db()
      .select()
      .from(visit)
      .where(eq(visit.stopId, begun?.id ?? ""));
    await new Phone(ines, v?.id ?? "").say({ type: "start" });
    expect(await undoChange(maud, first.changeId, when())).toMatchObject({ begun: 1 });
    expect(await daysAhead(siteId)).toEqual([0, 7, 13, 14, 21, 28, 35, 42, 49, 56, 63, 70]);
    const back = await stopsOf(siteId);
    for (const s of was) expect(back.find((x) => x.id === s.id)).toEqual(s);
    await expect(undoChange(maud, first.changeId, when())).rejects.toMatchObject({ code: "undone" });
    expect((await onlySeries(siteId)).id).toBe(id);
    expect((await liveVisits(tankIds[0] ?? "")).length).toBe(12);
  });
});

describe("one visit", () => {
  test("that is skipped shifts no other, is in no round, list or plan, and is planned again", async () => {
    const { siteId, tankIds } = await place();
    await saveSeries(maud, asked(siteId), when());
    const [first, second] = await planned(siteId);
    if (!first || !second) throw new Error("no stops");
    await skipStop(ines, { stopId: first.id, why: "the school is closed" }, when());
    expect(await daysAhead(siteId)).toEqual(weeksAhead.slice(1));
    expect((await loadRound(ines, ines.personId, today)).stops.map((s) => s.id)).not.toContain(first.id);
    expect((await loadTank(ines, tankIds[0] ?? "", today)).next?.on).toBe(second.onDate);
    expect(await loadStop(ines, first.id)).toMatchObject({ planned: null, visit: { offWhy: "the school is closed" } });
    expect((await onlySeries(siteId)).next[0]).toMatchObject({ on: first.onDate, skipped: "the school is closed" });
    await expect(skipStop(ines, { stopId: first.id, why: "x" }, when())).rejects.toMatchObject({ code: "is-off" });
    await expect(moveStop(ines, { stopId: first.id, to: addDays(today, 1) }, when())).rejects.toMatchObject({
      code: "is-off",
    });
    await planAgain(ines, first.id, when());
    expect((await loadRound(ines, ines.personId, today)).stops.map((s) => s.id)).toContain(first.id);
    await expect(planAgain(ines, first.id, when())).rejects.toMatchObject({ code: "is-planned" });
  });

  test("that was skipped while its technician was already there counts: nothing that was logged is lost", async () => {
    const { siteId, tankIds } = await place(2);
    await saveSeries(maud, asked(siteId), when());
    const [first] = await planned(siteId);
    await skipStop(maud, { stopId: first?.id ?? "", why: "a mistake" }, when());
    const [v] = await db()
      .select()
      .from(visit)
      .where(and(eq(visit.stopId, first?.id ?? ""), eq(visit.tankId, tankIds[0] ?? "")));
    const phone = new Phone(ines, v?.id ?? "");
    expect(await phone.say({ type: "start" }, { type: "note", text: "All well" })).toMatchObject([
      { result: "applied" },
      { result: "applied" },
    ]);
    const states = await db()
      .select({ state: visit.state })
      .from(visit)
      .where(eq(visit.stopId, first?.id ?? ""));
    expect(states.map((s) => s.state).sort()).toEqual(["open", "planned"]);
    expect((await planned(siteId))[0]).toMatchObject({ id: first?.id, off: null });
    await expect(skipStop(maud, { stopId: first?.id ?? "", why: "x" }, when())).rejects.toMatchObject({
      code: "already-begun",
    });
    expect(
      (
        await db()
          .select()
          .from(operation)
          .where(eq(operation.visitId, v?.id ?? ""))
      ).length,
    ).toBe(2);
    expect(await letterContent(businessId, first?.id ?? "")).toBeNull();
  });

  test("goes to a closed day, or one with a visit, only when somebody says so twice", async () => {
    const { siteId } = await place(1, { [String(weekday(today))]: { from: 480, to: 600 } });
    await saveSeries(maud, asked(siteId), when());
    const [first, second] = await planned(siteId);
    if (!first || !second) throw new Error("no stops");
    const closed = addDays(today, 1);
    await expect(moveStop(maud, { stopId: first.id, to: closed }, when())).rejects.toMatchObject({
      code: "closed-day",
    });
    await expect(moveStop(maud, { stopId: first.id, to: second.onDate }, when())).rejects.toMatchObject({
      code: "visited-already",
    });
    const { changeId } = await moveStop(maud, { stopId: first.id, to: closed, anyway: true }, when());
    expect(await daysAhead(siteId)).toEqual([1, ...weeksAhead.slice(1)]);
    await undoChange(maud, changeId, when());
    expect(await daysAhead(siteId)).toEqual(weeksAhead);
  });

  test("goes to another person alone", async () => {
    const { siteId } = await place();
    await saveSeries(maud, asked(siteId), when());
    const [first] = await planned(siteId);
    if (!first) throw new Error("no stop");
    await moveStop(maud, { stopId: first.id, to: first.onDate, personId: tobiah.personId }, when());
    expect((await planned(siteId))[0]).toMatchObject({ personId: tobiah.personId, onDate: first.onDate, moved: false });
    await expect(
      moveStop(maud, { stopId: first.id, to: first.onDate, personId: maud.personId }, when()),
    ).rejects.toMatchObject({ fields: { personId: ["Choose a technician."] } });
  });

  test("more is planned beside the series, for one tank or all, and undone", async () => {
    const { siteId, tankIds } = await place(2);
    await saveSeries(maud, asked(siteId), when());
    const extra = { siteId, on: addDays(today, 10), personId: ines.personId };
    const { stopId, changeId } = await addStop(maud, { ...extra, tankIds: [tankIds[1] ?? ""] }, when());
    expect((await liveVisits(tankIds[1] ?? "")).map((v) => daysBetween(today, v.onDate))).toContain(10);
    expect((await liveVisits(tankIds[0] ?? "")).map((v) => daysBetween(today, v.onDate))).not.toContain(10);
    expect((await siteVisits(maud, siteId, today)).extra.map((s) => s.stopId)).toEqual([stopId]);
    expect((await loadRound(ines, ines.personId, extra.on)).stops.map((s) => s.id)).toContain(stopId);
    await expect(addStop(maud, { ...extra, tankIds: null }, when())).rejects.toMatchObject({ code: "visited-already" });
    await expect(addStop(maud, { ...extra, on: "2020-01-01", tankIds: null }, when())).rejects.toMatchObject({
      fields: { on: [expect.any(String)] },
    });
    await undoChange(maud, changeId, when());
    expect(await daysAhead(siteId)).toEqual(weeksAhead);
    expect((await siteVisits(maud, siteId, today)).extra).toEqual([]);
  });

  test("of a tank that is archived goes with it, skipped ones too", async () => {
    const { siteId, tankIds } = await place();
    await saveSeries(maud, asked(siteId), when());
    const [first] = await planned(siteId);
    await skipStop(maud, { stopId: first?.id ?? "", why: "away" }, when());
    await setArchived(maud, "tank", tankIds[0] ?? "", true, when());
    expect(
      await db()
        .select()
        .from(visit)
        .where(eq(visit.tankId, tankIds[0] ?? "")),
    ).toEqual([]);
    await setArchived(maud, "tank", tankIds[0] ?? "", false, when());
    expect((await liveVisits(tankIds[0] ?? "")).map((v) => daysBetween(today, v.onDate))).toEqual(weeksAhead.slice(1));
  });
});

type Edit = (at: { siteId: string; tankIds: readonly string[] }) => Promise<{ changeId: string } | null>;

const rhythm: fc.Arbitrary<Rhythm> = fc.oneof(
  fc.record({
    kind: fc.constant("weeks" as const),
    every: fc.integer({ min: 1, max: 3 }),
    weekdays: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 3 }),
  }),
  fc.record({ kind: fc.constant("days" as const), every: fc.integer({ min: 1, max: 20 }) }),
  fc.constant({ kind: "month-day" as const, day: -1 }),
);
const ahead = fc.integer({ min: 0, max: 69 });
const pick = fc.nat(100);
/** What a refusal answers is no change; anything else is a fault. */
const orRefused = async <T>(asks: Promise<T>): Promise<T | null> => {
  try {
    return await asks;
  } catch (error) {
    if (typeof (error as { status?: unknown }).status === "number") return null;
    throw error;
  }
};
const some = async <T>(of: Promise<readonly T[]>, n: number): Promise<T | undefined> => {
  const list = await of;
  return list[n % Math.max(1, list.length)];
};
const live = (siteId: string) =>
  db()
    .select()
    .from(series)
    .where(and(eq(series.siteId, siteId), isNull(series.untilOn)))
    .orderBy(asc(series.id));

const edit: fc.Arbitrary<Edit> = fc.oneof(
  fc.tuple(rhythm, ahead, pick, pick, fc.boolean()).map(
    ([r, from, n, who, all]): Edit =>
      async ({ siteId, tankIds }) => {
        const of = await some(live(siteId), n);
        return orRefused(
          saveSeries(
            maud,
            asked(siteId, {
              seriesId: of?.id ?? null,
              rhythm: r,
              fromOn: addDays(today, from),
              personId: who % 2 === 0 ? ines.personId : tobiah.personId,
              tankIds: all ? null : tankIds.slice(0, 1),
            }),
            when(),
          ),
        );
      },
  ),
  fc.tuple(rhythm, ahead).map(
    ([r, from]): Edit =>
      ({ siteId }) =>
        orRefused(saveSeries(maud, asked(siteId, { rhythm: r, fromOn: addDays(today, from) }), when())),
  ),
  fc.tuple(ahead, fc.integer({ min: 0, max: 30 }), pick).map(
    ([from, length, n]): Edit =>
      async ({ siteId }) => {
        const of = await some(live(siteId), n);
        if (!of) return null;
        const { rhythm: same, spells } = recurrenceOf(of);
        const fromOn = addDays(today, from);
        const spell = { fromOn, untilOn: addDays(fromOn, length), rhythm: null, yearly: false, why: "" };
        const next = asked(siteId, {
          seriesId: of.id,
          rhythm: same,
          personId: of.personId,
          spells: [...spells, spell],
        });
        return orRefused(saveSeries(maud, next, when()));
      },
  ),
  fc.tuple(ahead, pick).map(
    ([to, n]): Edit =>
      async ({ siteId }) => {
        const s = await some(planned(siteId), n);
        return s ? orRefused(moveStop(maud, { stopId: s.id, to: addDays(today, to) }, when())) : null;
      },
  ),
  pick.map(
    (n): Edit =>
      async ({ siteId }) => {
        const s = await some(planned(siteId), n);
        return s ? orRefused(skipStop(maud, { stopId: s.id, why: "away" }, when())) : null;
      },
  ),
  pick.map(
    (n): Edit =>
      async ({ siteId }) => {
        const s = await some(stopsOf(siteId), n);
        return s ? orRefused(planAgain(maud, s.id, when())) : null;
      },
  ),
  ahead.map(
    (on): Edit =>
      ({ siteId }) =>
        orRefused(addStop(maud, { siteId, on: addDays(today, on), personId: ines.personId, tankIds: null }, when())),
  ),
  ahead.map(
    (): Edit => async () => {
      await layOut(businessId, today);
      return null;
    },
  ),
);

/** All that a site's visits are: series, stops and visits. */
async function whole(siteId: string) {
  const stops = await stopsOf(siteId);
  return {
    series: await db().select().from(series).where(eq(series.siteId, siteId)).orderBy(asc(series.id)),
    stops: [...stops].sort((a, b) => (a.id < b.id ? -1 : 1)),
    visits: await db()
      .select()
      .from(visit)
      .where(
        inArray(
          visit.stopId,
          stops.map((s) => s.id),
        ),
      )
      .orderBy(asc(visit.id)),
  };
}

test("whatever is changed in whatever order: no visit twice, none on a day nobody gave it, and all of it is undone", async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(edit, { minLength: 1, maxLength: 8 }), pick, async (edits, begins) => {
      const at = await place(2);
      await saveSeries(maud, asked(at.siteId), when());
      const start = await whole(at.siteId);
      const changes: string[] = [];
      for (const one of edits) {
        const made = await one(at);
        if (made) changes.push(made.changeId);
        await sound(at.siteId);
      }
      if (begins % 4 === 0) return;
      for (const changeId of changes.reverse()) {
        await undoChange(maud, changeId, when());
        await sound(at.siteId);
      }
      const end = await whole(at.siteId);
      for (const s of start.series) expect(end.series.find((x) => x.id === s.id)).toEqual(s);
      for (const s of start.stops) expect(end.stops.find((x) => x.id === s.id)).toEqual(s);
      for (const v of start.visits) expect(end.visits.find((x) => x.id === v.id)).toEqual(v);
      const more = end.stops.filter((s) => !start.stops.some((x) => x.id === s.id));
      expect(more.filter((s) => s.off === null)).toEqual([]);
    }),
    { numRuns: HISTORIES, endOnFailure: true },
  );
}, 3_600_000);

/** What holds of a site's visits at any moment. */
async function sound(siteId: string): Promise<void> {
  const { series: rows, stops, visits } = await whole(siteId);
  const byId = new Map(stops.map((s) => [s.id, s]));
  const keys = stops.filter((s) => s.seriesId).map((s) => `${s.seriesId} ${s.originalOn}`);
  expect(new Set(keys).size).toBe(keys.length);
  for (const v of visits) {
    const s = byId.get(v.stopId);
    expect(v.onDate).toBe(s?.onDate);
    if (s?.off) expect(v.state).toBe("off");
  }
  // Nobody said "anyway" here: no tank has two visits on a day.
  const days = visits.filter((v) => v.state !== "off").map((v) => `${v.tankId} ${v.onDate}`);
  expect(new Set(days).size).toBe(days.length);
  for (const s of stops) {
    if (s.off || !s.seriesId || s.moved) continue;
    const of = rows.find((r) => r.id === s.seriesId);
    if (!of) throw new Error("a stop without its series");
    const days = seriesDates(recurrenceOf(of), s.originalOn, s.originalOn);
    // One that was skipped, planned again and outlived its series stays where somebody put it.
    if (days.length > 0) expect(landOn({}, days[0] ?? "")).toBe(s.onDate);
  }
  expect(laidOutTo >= today).toBe(true);
}

test("a visit that was left out is not planned again on a day that one of its tanks was given another visit", async () => {
  const at = await place(2);
  await saveSeries(maud, asked(at.siteId), when());
  const first = (await planned(at.siteId)).find((s) => s.onDate > today);
  if (!first) throw new Error("A visit");
  await skipStop(maud, { stopId: first.id, why: "away" }, when());
  const more = { siteId: at.siteId, on: first.onDate, personId: ines.personId, tankIds: null };
  const { changeId } = await addStop(maud, more, when());
  await expect(planAgain(maud, first.id, when())).rejects.toMatchObject({ code: "visited-already" });
  await undoChange(maud, changeId, when());
  await planAgain(maud, first.id, when());
  await sound(at.siteId);
}, 60_000);

test("what is laid out later goes on as each series says, and lays no skipped day again", async () => {
  const [weekly, fortnightly, ended, skipping] = await Promise.all([place(), place(), place(), place()]);
  for (const at of [weekly, ended, skipping]) await saveSeries(maud, asked(at.siteId), when());
  const rhythm: Rhythm = { kind: "weeks", every: 2, weekdays: [weekday(today)] };
  await saveSeries(maud, asked(fortnightly.siteId, { rhythm }), when());
  const next = asked(fortnightly.siteId, {
    seriesId: (await onlySeries(fortnightly.siteId)).id,
    rhythm,
    fromOn: addDays(today, 7),
    personId: tobiah.personId,
  });
  await saveSeries(maud, next, when());
  const last = asked(ended.siteId, { seriesId: (await onlySeries(ended.siteId)).id, untilOn: addDays(today, 30) });
  await saveSeries(maud, last, when());
  const [first] = await planned(skipping.siteId);
  await skipStop(maud, { stopId: first?.id ?? "", why: "away" }, when());
  await layOut(businessId, addDays(today, 14));
  await layOut(businessId, addDays(today, 14));
  expect(await daysAhead(weekly.siteId)).toEqual([...weeksAhead, 77, 84]);
  expect(await daysAhead(fortnightly.siteId)).toEqual([0, 14, 28, 42, 56, 70, 84]);
  expect(await daysAhead(ended.siteId)).toEqual([0, 7, 14, 21, 28]);
  expect(await daysAhead(skipping.siteId)).toEqual([...weeksAhead.slice(1), 77, 84]);
});
