import { addDays } from "@keel-round/core/calendar";
import { say } from "@keel-round/core/say";
import { trendSentences } from "@keel-round/core/trend";
import { METRIC } from "@keel-round/core/units";
import { eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, scopeOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { changeRecord } from "../desk/records";
import { site, tank } from "../schema";
import { loadTank } from "./tanks";
import { loadTrend } from "./trend";

let ines: Scope;
let maud: Scope;
let today: string;
let businessId: string;

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  [ines, maud] = await Promise.all([scopeOf(businessId, "Ines"), scopeOf(businessId, "Maud")]);
});

async function sheetOf(siteName: string, scope = maud) {
  const rows = await db()
    .select({ id: tank.id, siteName: site.name, business: tank.businessId })
    .from(tank)
    .innerJoin(site, eq(site.id, tank.siteId));
  const id = rows.find((r) => r.siteName === siteName && r.business === businessId)?.id;
  if (!id) throw new Error(`No tank at ${siteName}`);
  return loadTank(scope, id, today);
}

describe("a figure of a tank over its days", () => {
  test("the clinic's nitrate climbs since the fish came, by what was lived through", async () => {
    const sheet = await sheetOf("Lanehead Clinic");
    const trend = await loadTrend(maud, sheet, "nitrate", today);
    const { answer } = trend;
    if (!answer?.enough) throw new Error("A trend");
    // Lived through at 0.85 a day before and 1.165 since.
    expect(answer.trend.perDay.low).toBeLessThan(1.165);
    expect(answer.trend.perDay.high).toBeGreaterThan(1.165);
    expect(answer.trend.breaks).toEqual([
      expect.objectContaining({ text: "Six fish added by the clinic", day: -48, before: expect.closeTo(0.85, 1) }),
    ]);
    expect(trend.steady).toMatchObject({ share: expect.closeTo(0.3, 2), intervalDays: 7 });
    expect(say(trendSentences(trend, answer)[0] as never, METRIC)).toMatch(/since .*: six fish added by the clinic\.$/);
    // As the plan of its next visit is fitted, so is its drawing.
    const rate = sheet.input.rates.nitrate;
    expect(rate?.enough && Math.abs(rate.perDay - answer.trend.perDay.value)).toBeLessThan(0.1);
  });

  test("the reef lacks what its doser does not give: found from its readings, nobody logged it", async () => {
    const trend = await loadTrend(maud, await sheetOf("Ilves Dental"), "alkalinity", today);
    if (!trend.answer?.enough) throw new Error("A trend");
    const said = trendSentences(trend, trend.answer).map((m) => say(m, METRIC));
    // Used at 0.108 a day more than is dosed.
    expect(said[1]).toMatch(/^It lacks 0\.1\d?\s?dKH a day/);
    expect(trend.logged.map((e) => e.text).join()).not.toMatch(/outgrown/);
    // Its plan doses today, and the owner on the two days after; none of it is more than the day's limit.
    expect(trend.dosesAhead.map((d) => d.day)).toEqual([0, 1, 2]);
    for (const { rise } of trend.dosesAhead) expect(rise > 0.3 && rise <= 1).toBe(true);
  });

  test("its doser is turned up a tenth, then measured for a week; what it gave before stays what it was", async () => {
    const before = await sheetOf("Ilves Dental");
    const trend = await loadTrend(maud, before, "alkalinity", today);
    // It gives 0.6 a day and lacks a tenth: a tenth of what it gives is six hundredths.
    expect(trend.doser).toMatchObject({ ok: true, now: 0.6, setTo: 0.66 });
    await changeRecord(
      maud,
      "tank",
      { id: before.row.id, version: before.row.version, values: { dosedDkhPerDay: 0.66 } },
      { now: new Date(), today },
    );
    const after = await sheetOf("Ilves Dental");
    const turned = await loadTrend(maud, after, "alkalinity", today);
    expect(turned.doser).toEqual({ ok: false, reason: "measure-first", fromOn: addDays(today, 7) });
    // What the tank uses has not changed by that: neither in its drawing nor in its next plan.
    if (!trend.answer?.enough || !turned.answer?.enough) throw new Error("A trend");
    expect(turned.answer.trend.perDay.value).toBeCloseTo(trend.answer.trend.perDay.value, 2);
    const own = (sheet: typeof after) => {
      const rate = sheet.input.rates.alkalinity;
      return rate?.enough ? rate.ownPerDay : undefined;
    };
    expect(own(after)).toBeCloseTo(own(before) ?? Number.NaN, 2);
    expect((await loadTrend(maud, after, "nitrate", today)).doser).toBeNull();
  });

  test("reads oldest first, none of another tank, none after today; changes ahead are the planned visits", async () => {
    const sheet = await sheetOf("Lanehead Clinic");
    const trend = await loadTrend(maud, sheet, "nitrate", today);
    const days = trend.readings.map((r) => r.day);
    expect(days).toEqual([...days].sort((a, b) => a - b));
    expect(Math.max(...days)).toBeLessThanOrEqual(0);
    const own = new Set(sheet.readings.filter((r) => r.parameter === "nitrate").map((r) => r.id));
    expect(trend.readings.filter((r) => own.has(r.id)).length).toBe(own.size);
    expect(trend.plannedDays.length).toBe(4);
    expect(trend.plannedDays.every((d) => d >= 0)).toBe(true);
  });

  test("pH is drawn as it was read, and a figure that was never read says so", async () => {
    const sheet = await sheetOf("Lanehead Clinic");
    expect((await loadTrend(maud, sheet, "ph", today)).answer).toBeNull();
    const unread = await loadTrend(maud, sheet, "magnesium", today);
    expect(unread).toMatchObject({ readings: [], answer: { enough: false, reason: "few-readings", readings: 0 } });
  });

  test("a course of treatment is drawn where it began and ended, and its rate may break there; one that goes on has not ended", async () => {
    const { row } = await sheetOf("Town Museum");
    const give = (treatment: object | undefined) =>
      db()
        .update(tank)
        .set({ facts: { ...row.facts, ...(treatment ? { treatment } : {}) } as never })
        .where(eq(tank.id, row.id));
    const logged = async () =>
      (await loadTrend(maud, await sheetOf("Town Museum"), "nitrate", today)).logged
        .filter((e) => e.text.startsWith("Algae treatment C"))
        .map((e) => [e.text, e.on, e.day]);
    await give({
      name: "Algae treatment C",
      startedOn: addDays(today, -30),
      contactDays: 14,
      followUpOn: addDays(today, 3),
    });
    expect(await logged()).toEqual([
      ["Algae treatment C began", addDays(today, -30), -30],
      ["Algae treatment C ended", addDays(today, -16), -16],
    ]);
    await give({
      name: "Algae treatment C",
      startedOn: addDays(today, -3),
      contactDays: 14,
      followUpOn: addDays(today, 12),
    });
    expect(await logged()).toEqual([["Algae treatment C began", addDays(today, -3), -3]]);
    await give(undefined);
  });
  test("a colleague's tank cannot be opened for it", async () => {
    await expect(sheetOf("Bellmaker's", ines)).rejects.toMatchObject({ code: "not-found" });
  });
});
