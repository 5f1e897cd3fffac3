import { describe, expect, test } from "vitest";
import { type CountEvent, cleanMediaLasts, dwindling, lastsDays, wearOf } from "./index.ts";

const none = {
  meterHours: null,
  meterOn: null,
  hoursPerDay: null,
  serviceEveryDays: null,
  lastServicedOn: null,
  replaceAfterDays: null,
  replaceAfterHours: null,
};

describe("the life of equipment", () => {
  test("without a rule nothing falls due", () =>
    expect(wearOf({ ...none, installedOn: "2026-01-01" }, "2026-03-01")).toEqual({
      hoursRun: null,
      serviceDueOn: null,
      replaceDueOn: null,
      replaceBy: null,
      used: null,
    }));
  test("service counts from the last one, else from the day it was installed", () => {
    const life = { ...none, installedOn: "2026-01-01", serviceEveryDays: 90 };
    expect(wearOf(life, "2026-02-01").serviceDueOn).toBe("2026-04-01");
    expect(wearOf({ ...life, lastServicedOn: "2026-03-15" }, "2026-04-01").serviceDueOn).toBe("2026-06-13");
  });
  test("the earlier of days and hours replaces it", () => {
    // 8 000 h at 10 h a day are 800 days; 900 days come later.
    const lamp = {
      ...none,
      installedOn: "2025-01-01",
      hoursPerDay: 10,
      replaceAfterHours: 8000,
      replaceAfterDays: 900,
    };
    const wear = wearOf(lamp, "2026-01-01");
    expect(wear).toMatchObject({ hoursRun: 3650, replaceBy: "hours", replaceDueOn: "2027-03-12" });
    expect(wear.used).toBeCloseTo(365 / 800, 9);
    expect(wearOf({ ...lamp, replaceAfterDays: 700 }, "2026-01-01").replaceBy).toBe("days");
  });
  test("hours a day of nothing never wear it out, and the day it is installed it is new", () => {
    expect(
      wearOf({ ...none, installedOn: "2026-01-01", hoursPerDay: 0, replaceAfterHours: 10 }, "2030-01-01").used,
    ).toBeNull();
    expect(wearOf({ ...none, installedOn: "2026-05-01", hoursPerDay: 24 }, "2026-04-01").hoursRun).toBe(0);
  });
});

describe("an hour meter", () => {
  const pump = { ...none, installedOn: "2025-01-01", hoursPerDay: 20, replaceAfterHours: 10_000 };
  test("counts instead of days times hours, and goes on from the day it was read", () => {
    // 4 000 h on 1 January, then 31 days at 20 h.
    const wear = wearOf({ ...pump, meterHours: 4000, meterOn: "2026-01-01" }, "2026-02-01");
    expect(wear.hoursRun).toBe(4000 + 31 * 20);
    // 5 380 h are left at 20 h a day: 269 days.
    expect(wear.replaceDueOn).toBe("2026-10-28");
  });
  test("alone says what has run, without a guess of what comes", () => {
    const wear = wearOf({ ...pump, hoursPerDay: null, meterHours: 4000, meterOn: "2026-01-01" }, "2026-02-01");
    expect(wear).toMatchObject({ hoursRun: 4000, replaceDueOn: null });
  });
  test("read on a day to come does not count yet", () =>
    expect(wearOf({ ...pump, meterHours: 9, meterOn: "2027-01-01" }, "2025-01-11").hoursRun).toBe(200));
});

describe("clean media", () => {
  const media = (count: number, way: "daily" | "every-2-3-days" | "weekly" | "none") => ({
    practice: { media: way } as never,
    cleanMedia: count,
    cleanMediaOn: "2026-11-01",
  });
  test("eight at three days last 24 days, less what the changes take", () => {
    expect(cleanMediaLasts(media(8, "every-2-3-days"), null)).toEqual({ days: 24, washBy: "2026-11-25" });
    // One extra a week: 8 / (1/3 + 1/7) = 16.8 days.
    expect(cleanMediaLasts(media(8, "every-2-3-days"), 7)).toEqual({ days: 16, washBy: "2026-11-17" });
  });
  test("without a count, or where nothing is swapped, says nothing", () => {
    expect(cleanMediaLasts({ practice: { media: "weekly" } as never }, 7)).toBeNull();
    expect(cleanMediaLasts(media(4, "none"), 7)).toBeNull();
  });
  test("of none runs out on the day it is counted", () =>
    expect(cleanMediaLasts(media(0, "daily"), 7)?.washBy).toBe("2026-11-01"));
});

describe("a dwindling group", () => {
  const e = (onDate: string, kind: CountEvent["kind"], number: number, countAfter: number): CountEvent => ({
    onDate,
    kind,
    number,
    countAfter,
  });
  test("lost a fifth of itself, and at least two", () => {
    expect(dwindling([e("2026-05-01", "lost", 2, 8)], "2026-05-10")).toEqual({ lost: 2, of: 10, days: 90 });
    expect(dwindling([e("2026-05-01", "lost", 1, 3)], "2026-05-10")).toBeNull();
    expect(dwindling([e("2026-05-01", "lost", 2, 18)], "2026-05-10")).toBeNull();
  });
  test("is found by counting too", () =>
    expect(dwindling([e("2026-04-01", "counted", 12, 12), e("2026-05-01", "counted", 9, 9)], "2026-05-10")).toEqual({
      lost: 3,
      of: 12,
      days: 90,
    }));
  test("is not one that was moved, or whose losses are long ago", () => {
    expect(dwindling([e("2026-05-01", "moved-out", 6, 6)], "2026-05-10")).toBeNull();
    expect(dwindling([e("2026-01-01", "lost", 6, 6)], "2026-05-10")).toBeNull();
    expect(dwindling([], "2026-05-10")).toBeNull();
  });
});

describe("a stock", () => {
  test("lasts whole days", () => {
    expect(lastsDays(20, 3)).toBe(6);
    // Eight socks at one in three days last 24 days.
    expect(lastsDays(8, 1 / 3)).toBe(24);
    expect(lastsDays(20, 0)).toBeNull();
    expect(lastsDays(0, 3)).toBe(0);
  });
});
