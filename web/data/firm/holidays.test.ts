import { addDays } from "@keel-round/core/calendar";
import { isOpen } from "@keel-round/core/series";
import { eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, scopeOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { loadWeeks } from "../round/weeks";
import { site } from "../schema";
import { loadFirm } from "./firm";
import { importHolidays, listHolidays, previewHolidays, readHolidays, removeHolidays } from "./holidays";
import { firmMap, saveMap } from "./map";

const file = (...events: readonly string[]) =>
  [
    "BEGIN:VCALENDAR",
    "VERSION:2.0",
    "PRODID:-//a town//holidays//EN",
    ...events.flatMap((e, i) => [
      "BEGIN:VEVENT",
      `UID:${i}@town.example`,
      "DTSTAMP:20260101T000000Z",
      ...e.split("|"),
      "END:VEVENT",
    ]),
    "END:VCALENDAR",
  ].join("\r\n");

describe("a calendar file's holidays", () => {
  test("one day, several in a row, and one every year", () => {
    const text = file(
      "SUMMARY:Harbour day|DTSTART;VALUE=DATE:20270503|DTEND;VALUE=DATE:20270504",
      "SUMMARY:Winter days|DTSTART;VALUE=DATE:20261225|DTEND;VALUE=DATE:20261227",
      "SUMMARY:New Year|DTSTART;VALUE=DATE:20200101|RRULE:FREQ=YEARLY",
      "SUMMARY:Long ago|DTSTART;VALUE=DATE:20200504",
    );
    expect(readHolidays(text, "2026-11-29")).toEqual([
      { on: "2026-12-25", name: "Winter days" },
      { on: "2026-12-26", name: "Winter days" },
      { on: "2027-01-01", name: "New Year" },
      { on: "2027-05-03", name: "Harbour day" },
      { on: "2028-01-01", name: "New Year" },
      { on: "2029-01-01", name: "New Year" },
    ]);
  });
  test("with hours are the days they lie on, and a day named twice is there once", () => {
    const text = file(
      "SUMMARY:A|DTSTART:20270503T000000Z|DTEND:20270503T235900Z",
      "SUMMARY:B|DTSTART;VALUE=DATE:20270503",
    );
    expect(readHolidays(text, "2026-11-29")).toEqual([{ on: "2027-05-03", name: "A" }]);
  });
  test("whatever is no calendar is refused in a sentence", () => {
    for (const text of ["Sunday", "BEGIN:VCALENDAR", "{}", "\u0000"])
      expect(() => readHolidays(text, "2026-11-29"), text).toThrow("This is no calendar file");
  });
});

describe("a firm's holidays", () => {
  let maud: Scope;
  let ines: Scope;
  let today: string;
  const when = () => ({ now: new Date(), today });
  beforeAll(async () => {
    const demo = await demoBusiness();
    ({ today } = demo);
    maud = await scopeOf(demo.businessId, "Maud");
    ines = await scopeOf(demo.businessId, "Ines");
  });
  const compact = (on: string) => on.replaceAll("-", "");

  test("are shown before they are added, close the sites that say so, and are taken off again", async () => {
    const { board } = await loadWeeks(maud, addDays(today, 7), addDays(today, 13));
    const [stop, other] = board.stops.filter((s) => s.on > today);
    if (!stop || !other || stop.siteId === other.siteId) throw new Error("Two stops of two sites");
    await db().update(site).set({ holidays: true }).where(eq(site.id, stop.siteId));
    const text = file(`SUMMARY:Founders|DTSTART;VALUE=DATE:${compact(stop.on)}`);
    expect(await previewHolidays(maud, { text }, when())).toEqual({
      holidays: [{ on: stop.on, name: "Founders" }],
      known: 0,
    });
    expect(await listHolidays(maud, today)).toEqual([]);
    expect(await importHolidays(maud, { text }, when())).toEqual({ added: 1 });
    expect(await importHolidays(maud, { text }, when())).toEqual({ added: 0 });
    const open = async (id: string) => {
      const after = (await loadWeeks(maud, addDays(today, 7), addDays(today, 13))).board;
      return isOpen(after.stops.find((s) => s.siteId === id)?.windows ?? {}, stop.on);
    };
    expect(await open(stop.siteId)).toBe(false);
    expect(await open(other.siteId)).toBe(isOpen(other.windows, stop.on));
    expect((await loadFirm(maud)).history[0]).toMatchObject({ what: "public holidays", old: "0 days", new: "1 days" });
    await removeHolidays(maud, { days: [stop.on] }, when());
    expect(await open(stop.siteId)).toBe(true);
  });
  test("are the office's, and a file of the past is refused", async () => {
    const past = file("SUMMARY:Past|DTSTART;VALUE=DATE:20200101");
    await expect(importHolidays(maud, { text: past }, when())).rejects.toMatchObject({ code: "no-holidays" });
    await expect(importHolidays(ines, { text: past }, when())).rejects.toMatchObject({ code: "not-found" });
    await expect(removeHolidays(ines, { days: [today] }, when())).rejects.toMatchObject({ code: "not-found" });
  });
});

test("a firm's map is its own, checked before it is kept, and taken away", async () => {
  const demo = await demoBusiness();
  const office = await scopeOf(demo.businessId, "Maud");
  const ines = await scopeOf(demo.businessId, "Ines");
  const when = { now: new Date(), today: demo.today };
  expect((await firmMap(office))?.features.length).toBeGreaterThan(0);
  await expect(saveMap(office, { text: "coast" }, when)).rejects.toMatchObject({ code: "invalid" });
  expect((await firmMap(office))?.features.length).toBeGreaterThan(0);
  await expect(saveMap(ines, { text: null }, when)).rejects.toMatchObject({ code: "not-found" });
  await saveMap(office, { text: null }, when);
  expect(await firmMap(office)).toBeNull();
});
