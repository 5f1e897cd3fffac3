import { describe, expect, test } from "vitest";
import { askedFor, stepFrom } from "./span";

/** A Sunday. */
const TODAY = "2026-11-29";

describe("the weeks an address asks for", () => {
  test("nothing asks for the week of today, Monday to Sunday", () =>
    expect(askedFor({}, TODAY)).toEqual({
      span: "week",
      from: "2026-11-23",
      to: "2026-11-29",
      mondays: ["2026-11-23"],
    }));
  test("a day that is none, and a span that is none, are as nothing", () =>
    expect(askedFor({ from: "2026-02-30", span: "decade" }, TODAY)).toEqual(askedFor({}, TODAY)));
  test("four weeks from the week of a day on", () =>
    expect(askedFor({ from: "2026-12-02", span: "cycle" }, TODAY)).toMatchObject({
      from: "2026-11-30",
      to: "2026-12-27",
      mondays: ["2026-11-30", "2026-12-07", "2026-12-14", "2026-12-21"],
    }));
  test("a month is all weeks with a day of it", () => {
    // November 2026 begins on a Sunday and ends on a Monday: six weeks.
    expect(askedFor({ from: TODAY, span: "month" }, TODAY).mondays).toEqual([
      "2026-10-26",
      "2026-11-02",
      "2026-11-09",
      "2026-11-16",
      "2026-11-23",
      "2026-11-30",
    ]);
    expect(askedFor({ from: "2027-02-10", span: "month" }, TODAY).mondays.length).toBe(4);
  });
});

describe("before and after", () => {
  test("are a week, four weeks or a month away", () => {
    expect(stepFrom(askedFor({}, TODAY), 1)).toBe("2026-11-30");
    expect(stepFrom(askedFor({ span: "cycle" }, TODAY), -1)).toBe("2026-10-26");
    expect(stepFrom(askedFor({ from: TODAY, span: "month" }, TODAY), 1)).toBe("2026-12-01");
    expect(stepFrom(askedFor({ from: "2027-01-31", span: "month" }, TODAY), 1)).toBe("2027-02-01");
  });
});
