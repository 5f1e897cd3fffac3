import { describe, expect, test } from "vitest";
import { metersOf, mostHours, wearOf, withMeter } from "./index.ts";

const lamp = {
  ...{ name: "UV lamp", installedOn: "2026-01-01", hoursPerDay: 24, meterHours: null, meterOn: null },
  ...{ serviceEveryDays: null, lastServicedOn: null, replaceAfterDays: null, replaceAfterHours: 8000 },
};
const read = (on: string, value: number, item = "UV lamp") => ({ on, value, item });
const today = "2026-11-30";

describe("an hour meter that was read", () => {
  test("counts from its newest reading, at the hours a day that its readings tell", () => {
    const life = withMeter(lamp, [read("2026-10-01", 2000), read("2026-11-20", 2500)], today);
    // 500 h in 50 days.
    expect(life).toMatchObject({ meterHours: 2500, meterOn: "2026-11-20", hoursPerDay: 10 });
    // Ten days more: 2 600 h; 5 400 h are left, 540 days.
    expect(wearOf(life, today)).toMatchObject({ hoursRun: 2600, replaceBy: "hours", replaceDueOn: "2028-05-23" });
  });
  test("is one of its own piece only, on a day that is over, since it was installed", () => {
    const others = [read("2026-11-01", 9, "Chiller"), read("2026-12-01", 9), read("2025-12-01", 9)];
    expect(withMeter(lamp, others, today)).toEqual(lamp);
  });
  test("one reading changes its hours and leaves what it runs a day as it is registered", () => {
    expect(withMeter(lamp, [read("2026-11-01", 300)], today)).toMatchObject({ meterHours: 300, hoursPerDay: 24 });
    const close = [read("2026-11-24", 300), read("2026-11-28", 301)];
    expect(withMeter(lamp, close, today)).toMatchObject({ meterHours: 301, hoursPerDay: 24 });
  });
  test("the register's own reading counts beside the log's, whichever is newer", () => {
    const registered = { ...lamp, meterHours: 1000, meterOn: "2026-11-01" };
    expect(withMeter(registered, [], today)).toMatchObject({ meterHours: 1000, hoursPerDay: 24 });
    expect(withMeter(registered, [read("2026-11-21", 1160)], today)).toMatchObject({
      ...{ meterHours: 1160, hoursPerDay: 8 },
    });
    expect(withMeter(registered, [read("2026-10-20", 904)], today)).toMatchObject({
      ...{ meterHours: 1000, hoursPerDay: 8 },
    });
  });
  test("one that was set back tells nothing of before", () => {
    const back = [read("2026-09-20", 5000), read("2026-10-01", 10), read("2026-11-01", 320)];
    expect(withMeter(lamp, back, today)).toMatchObject({ meterHours: 320, hoursPerDay: 10 });
  });
  test("more hours than a day has are no more than a day has", () => {
    const mad = [read("2026-11-01", 0), read("2026-11-11", 5000)];
    expect(withMeter(lamp, mad, today).hoursPerDay).toBe(24);
  });
});

test("the meters of a tank are those that stand in the register or were read, with the most they can show", () => {
  const meters = metersOf([lamp, { ...lamp, name: "Chiller" }], [read("2026-11-28", 2500)], today);
  expect(meters).toEqual([{ name: "UV lamp", hours: 2500, on: "2026-11-28" }]);
  // Two days and the rest of today.
  expect(mostHours({ name: "UV lamp", hours: 2500, on: "2026-11-28" }, today)).toBe(2572);
});
