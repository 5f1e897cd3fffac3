import { addDays } from "@keel-round/core/calendar";
import { seriesDates } from "@keel-round/core/series";
import { eq } from "drizzle-orm";
import ICAL from "ical.js";
import nodeIcal from "node-ical";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { series, stop } from "../schema";
import { recurrenceOf } from "../series/rows";
import { moveStop, skipStop } from "../series/stops";
import { eventsOf, type FeedSeries, type FeedStop } from "./events";
import { calendarAt, feedOf, makeFeed, revokeFeed } from "./feed";
import { calendarText } from "./text";

const ZONE = "Europe/Lisbon";
const words = { summary: "A visit", location: "1 Quay Street", description: "" };
const weekly = (change: Partial<FeedSeries> = {}): FeedSeries => ({
  id: "s1",
  recurrence: {
    rhythm: { kind: "weeks", every: 2, weekdays: [2] },
    startOn: "2026-10-06",
    fromOn: null,
    untilOn: null,
    spells: [],
  },
  usual: { startMinute: 570, minutes: 45 },
  ...words,
  ...change,
});
const stopOn = (originalOn: string, change: Partial<FeedStop> = {}): FeedStop => ({
  ...{
    id: `stop ${originalOn}`,
    seriesId: "s1",
    originalOn,
    on: originalOn,
    startMinute: 570,
    minutes: 45,
    off: false,
  },
  ...words,
  ...change,
});
const textOf = (stops: readonly FeedStop[], change: Partial<FeedSeries> = {}) =>
  calendarText(eventsOf([weekly(change)], stops, { from: "2026-10-01", to: "2026-12-15" }, "2026-10-05"), {
    name: "Visits",
    zone: ZONE,
    changedAt: new Date("2026-10-01T12:00:00Z"),
    changes: 3,
  });

/** Starts of all visits until a day, by one parser: UTC. */
function byIcalJs(text: string, until: string): string[] {
  const calendar = new ICAL.Component(ICAL.parse(text));
  for (const zone of calendar.getAllSubcomponents("vtimezone")) ICAL.TimezoneService.register(new ICAL.Timezone(zone));
  const events = calendar.getAllSubcomponents("vevent").map((c) => new ICAL.Event(c));
  const masters = events.filter((e) => !e.isRecurrenceException());
  const starts: string[] = [];
  for (const master of masters) {
    for (const e of events) if (e.isRecurrenceException() && e.uid === master.uid) master.relateException(e);
    if (!master.isRecurring()) starts.push(master.startDate.toJSDate().toISOString());
    else {
      const each = master.iterator();
      for (let next = each.next(); next && next.toJSDate().toISOString() < until; next = each.next())
        starts.push(master.getOccurrenceDetails(next).startDate.toJSDate().toISOString());
    }
  }
  return starts.sort();
}

/** The same by another parser, with a calendar and a recurrence of its own. */
function byNodeIcal(text: string, until: string): string[] {
  const events = Object.values(nodeIcal.sync.parseICS(text)).filter((e) => e?.type === "VEVENT");
  return events
    .flatMap((e) =>
      nodeIcal
        .expandRecurringEvent(e, { from: new Date("2026-01-01T00:00:00Z"), to: new Date(Date.parse(until) - 1) })
        .map((o) => new Date(+o.start).toISOString()),
    )
    .sort();
}

const UNTIL = "2026-12-16T00:00:00.000Z";
const parsers = [
  ["ical.js", byIcalJs],
  ["node-ical", byNodeIcal],
] as const;

describe.each(parsers)("a series read by %s", (_name, startsOf) => {
  test("keeps its hour over the change of clocks", () => {
    const days = ["2026-10-06", "2026-10-20", "2026-11-03", "2026-11-17", "2026-12-01", "2026-12-15"];
    // Lisbon is an hour ahead of UTC until 25 October.
    expect(startsOf(textOf(days.map((d) => stopOn(d))), UNTIL)).toEqual(
      days.map((d) => `${d}T${d < "2026-10-25" ? "08" : "09"}:30:00.000Z`),
    );
  });
  test("leaves out what is skipped, and shows a moved one where it stands", () => {
    const stops = [
      stopOn("2026-10-06"),
      stopOn("2026-10-20", { off: true }),
      stopOn("2026-11-03", { on: "2026-11-05", startMinute: 840 }),
      stopOn("2026-11-17", { startMinute: 600 }),
      stopOn("2026-12-01"),
      stopOn("2026-12-15"),
    ];
    expect(startsOf(textOf(stops), UNTIL)).toEqual([
      "2026-10-06T08:30:00.000Z",
      "2026-11-05T14:00:00.000Z",
      "2026-11-17T10:00:00.000Z",
      "2026-12-01T09:30:00.000Z",
      "2026-12-15T09:30:00.000Z",
    ]);
  });
  test("ends after its last day, and on it still", () => {
    const recurrence = { ...weekly().recurrence, untilOn: "2026-11-03" };
    const days = ["2026-10-06", "2026-10-20", "2026-11-03"];
    expect(
      startsOf(
        textOf(
          days.map((d) => stopOn(d)),
          { recurrence },
        ),
        UNTIL,
      ),
    ).toHaveLength(3);
  });
  test("with seasons is told day by day", () => {
    const spell = {
      ...{ fromOn: "2026-11-01", untilOn: "2026-11-30", yearly: false, why: "" },
      rhythm: { kind: "weeks" as const, every: 1, weekdays: [4] },
    };
    const recurrence = { ...weekly().recurrence, spells: [spell] };
    const dates = seriesDates(recurrence, "2026-10-01", "2026-12-15");
    const starts = startsOf(
      textOf(
        dates.map((d) => stopOn(d)),
        { recurrence },
      ),
      UNTIL,
    ).filter((s) => s < UNTIL);
    expect(starts.map((s) => s.slice(0, 10))).toEqual(dates);
  });
});

test("an event keeps its name, carries the rules of its zone, and reads the same twice", () => {
  const text = textOf([stopOn("2026-10-06")]);
  expect(text).toContain("UID:series-s1@keel-round.invalid");
  expect(text).toContain("BEGIN:VTIMEZONE");
  expect(text).toContain(`DTSTART;TZID=${ZONE}:20261006T093000`);
  expect(textOf([stopOn("2026-10-06")])).toBe(text);
});

describe("the demo's calendars", () => {
  let maud: Scope;
  let ines: Scope;
  let today: string;
  let businessId: string;
  const when = () => ({ now: new Date(), today });
  const read = async (path: string) => calendarAt(path.split("/").at(-1) ?? "", new Date());
  beforeAll(async () => {
    const demo = await demoBusiness();
    ({ today, businessId } = demo);
    maud = await scopeOf(businessId, "Maud");
    ines = await scopeOf(businessId, "Ines");
  });

  test("a client's has every visit of their site, moved and skipped ones as they stand, in both parsers", async () => {
    const visits = await visitsOf(businessId, "Ilves Dental", today);
    const [, second, third] = visits;
    if (!second || !third) throw new Error("Three visits of a weekly site");
    const to = addDays(second.on, 1);
    await moveStop(maud, { stopId: second.stopId, to, anyway: true }, when());
    await skipStop(maud, { stopId: third.stopId, why: "closed" }, when());
    const [of] = await db().select().from(stop).where(eq(stop.id, second.stopId));
    const feed = await makeFeed(maud, { kind: "site", ofId: of?.siteId ?? "" }, when());
    const text = (await read(feed.path)) ?? "";
    const until = `${addDays(today, 28)}T00:00:00.000Z`;
    const days = byIcalJs(text, until).map((s) => s.slice(0, 10));
    expect(days.filter((d) => d >= today)).not.toContain(third.on);
    expect(days).toContain(to);
    expect(days).not.toContain(second.on);
    const later = (s: string) => s.slice(0, 10) >= today && s < until;
    expect(byNodeIcal(text, until).filter(later)).toEqual(byIcalJs(text, until).filter(later));
    // No codes, no words for the technician.
    expect(text).not.toContain("ACCESS");
    expect(text).toContain("aquarium visit");
  });
  test("a person's has their stops and nobody else's", async () => {
    const feed = await makeFeed(ines, { kind: "person", ofId: ines.personId }, when());
    const text = (await read(feed.path)) ?? "";
    expect(text).toContain("SUMMARY:Maritime College");
    expect(text).not.toContain("SUMMARY:Quince house");
    const mine = await db().select().from(series).where(eq(series.personId, ines.personId));
    const [one] = mine.filter((s) => s.rule.includes("INTERVAL=2"));
    if (!one) throw new Error("A fortnightly series");
    const expected = seriesDates(recurrenceOf(one), addDays(today, 80), addDays(today, 140));
    const starts = byIcalJs(text, `${addDays(today, 141)}T00:00:00.000Z`).map((s) => s.slice(0, 10));
    // Beyond what is laid out the series goes on.
    for (const on of expected) expect(starts).toContain(on);
  });
  test("an address is guessed by nobody, the same when asked for again, and dead once taken back", async () => {
    const of = { kind: "person" as const, ofId: ines.personId };
    const feed = await makeFeed(ines, of, when());
    expect((await makeFeed(ines, of, when())).path).toBe(feed.path);
    const [id = ""] = (feed.path.split("/").at(-1) ?? "").split(".");
    expect(await calendarAt(`${id}.${"A".repeat(43)}.ics`, new Date())).toBeNull();
    expect(await calendarAt(`${id}.ics`, new Date())).toBeNull();
    expect(await calendarAt("nothing.ics", new Date())).toBeNull();
    await revokeFeed(ines, feed.id, when());
    expect(await read(feed.path)).toBeNull();
    expect(await feedOf(ines, of)).toBeNull();
    expect((await makeFeed(ines, of, when())).path).not.toBe(feed.path);
  });
  test("a technician makes their own alone", async () => {
    const visits = await visitsOf(businessId, "Ilves Dental", today);
    const [of] = await db()
      .select()
      .from(stop)
      .where(eq(stop.id, visits[0]?.stopId ?? ""));
    await expect(makeFeed(ines, { kind: "site", ofId: of?.siteId ?? "" }, when())).rejects.toMatchObject({
      code: "not-found",
    });
    await expect(makeFeed(ines, { kind: "person", ofId: maud.personId }, when())).rejects.toMatchObject({
      code: "not-found",
    });
  });
});
