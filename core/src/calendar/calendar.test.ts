import { describe, expect, test } from "vitest";
import { addDays, civilOf, daysBetween, instantOf, isCivilDate, occurrences, weekday } from "./index.ts";

describe("recurrence", () => {
  test("weekly, twice weekly, fortnightly and every four weeks", () => {
    expect(occurrences("FREQ=WEEKLY;BYDAY=WE", "2026-01-07", "2026-11-20", "2026-12-10")).toEqual([
      "2026-11-25",
      "2026-12-02",
      "2026-12-09",
    ]);
    expect(occurrences("FREQ=WEEKLY;BYDAY=TU,FR", "2026-01-06", "2026-11-23", "2026-11-30")).toEqual([
      "2026-11-24",
      "2026-11-27",
    ]);
    expect(occurrences("FREQ=WEEKLY;INTERVAL=2;BYDAY=WE", "2026-11-11", "2026-11-11", "2026-12-31")).toEqual([
      "2026-11-11",
      "2026-11-25",
      "2026-12-09",
      "2026-12-23",
    ]);
    expect(occurrences("FREQ=WEEKLY;INTERVAL=4;BYDAY=MO", "2026-11-02", "2026-11-02", "2027-01-31")).toEqual([
      "2026-11-02",
      "2026-11-30",
      "2026-12-28",
      "2027-01-25",
    ]);
  });
  test("both ends count, and a year with 53 weeks keeps the rhythm", () => {
    expect(occurrences("FREQ=WEEKLY;BYDAY=FR", "2026-12-25", "2026-12-25", "2027-01-08")).toEqual([
      "2026-12-25",
      "2027-01-01",
      "2027-01-08",
    ]);
  });
  test("a month end that clamps, as RFC 5545 text", () => {
    const rule = "FREQ=MONTHLY;BYMONTHDAY=28,29,30,31;BYSETPOS=-1";
    expect(occurrences(rule, "2026-01-31", "2026-01-01", "2026-04-30")).toEqual([
      "2026-01-31",
      "2026-02-28",
      "2026-03-31",
      "2026-04-30",
    ]);
  });
});

describe("civil time", () => {
  test("a local time that does not exist moves forward by the gap", () => {
    // In London clocks go from 01:00 to 02:00 on 29 March 2026.
    expect(new Date(instantOf("2026-03-29", 90, "Europe/London")).toISOString()).toBe("2026-03-29T01:30:00.000Z");
    expect(civilOf(instantOf("2026-03-29", 90, "Europe/London"), "Europe/London")).toEqual({
      date: "2026-03-29",
      minute: 150,
    });
  });
  test("one that exists twice is the first", () => {
    expect(new Date(instantOf("2026-10-25", 90, "Europe/London")).toISOString()).toBe("2026-10-25T00:30:00.000Z");
  });
  test("the business's zone decides which day it is", () => {
    const late = Date.parse("2026-07-01T23:30:00Z");
    expect(civilOf(late, "Europe/London").date).toBe("2026-07-02");
    expect(civilOf(late, "America/New_York").date).toBe("2026-07-01");
  });
  test("days are whole over changes of the clock", () => {
    expect(daysBetween("2026-03-28", "2026-03-30")).toBe(2);
    expect(addDays("2028-02-28", 1)).toBe("2028-02-29");
    expect(weekday("2026-11-25")).toBe(3);
  });
  test("dates that do not exist are not dates", () => {
    for (const text of ["2026-02-29", "2026-13-01", "2026-1-1", "yesterday", ""]) expect(isCivilDate(text)).toBe(false);
    expect(isCivilDate("2028-02-29")).toBe(true);
  });
});
