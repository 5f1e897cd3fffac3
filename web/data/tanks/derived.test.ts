import { addDays } from "@keel-round/core/calendar";
import { and, eq, isNotNull } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { equipmentOfTank } from "../desk/equipment";
import { levelLog } from "../schema";
import { addReadings } from "./addReadings";
import { derivedOf, loadDerived } from "./derived";
import { loadTank } from "./tanks";

let maud: Scope;
let today: string;
let reef: string;
let clinic: string;

beforeAll(async () => {
  const demo = await demoBusiness();
  today = demo.today;
  maud = await scopeOf(demo.businessId, "Maud");
  const of = async (site: string) => (await visitsOf(demo.businessId, site, today))[0]?.tankId ?? "";
  [reef, clinic] = await Promise.all([of("Ilves Dental"), of("Lanehead Clinic")]);
});

describe("what is worked out of the log of a tank", () => {
  test("carbon dioxide is worked out of fresh water, evaporation of any", async () => {
    expect(derivedOf((await loadTank(maud, clinic, today)).input.facts)).toEqual([
      "free-ammonia",
      "co2",
      "evaporation",
    ]);
    expect(derivedOf((await loadTank(maud, reef, today)).input.facts)).not.toContain("co2");
  });
  test("evaporation is every logged level with a visit before, in order", async () => {
    const sheet = await loadTank(maud, clinic, today);
    const series = await loadDerived(maud, sheet, "evaporation", today);
    const levels = await db()
      .select()
      .from(levelLog)
      .where(and(eq(levelLog.tankId, clinic), isNotNull(levelLog.days)));
    expect(levels.length).toBeGreaterThan(5);
    expect(series.points.length).toBe(levels.length);
    const [last] = levels.sort((a, b) => (a.onDate < b.onDate ? 1 : -1));
    expect(series.points.at(-1)).toMatchObject({
      on: last?.onDate,
      value: (last?.missingL ?? 0) / (last?.days ?? 1),
      stood: { belowCm: last?.belowCm },
    });
    expect(series.limit).toBeNull();
  });
  test("free ammonia is of the days on which total ammonia and pH were read", async () => {
    const on = addDays(today, -1);
    const readings = [
      { parameter: "ammonia", text: "1.0", unit: "mg/L N", method: "liquid kit" },
      { parameter: "ph", text: "8.0", unit: "", method: "meter" },
      { parameter: "temperature", text: "25", unit: "°C", method: "thermometer" },
    ] as const;
    await addReadings(maud, { tankId: clinic, on, minute: 0, readings: [...readings] }, { now: new Date(), today });
    const sheet = await loadTank(maud, clinic, today);
    const { points, limit } = await loadDerived(maud, sheet, "free-ammonia", today);
    // 5.37 % of a mg/L of nitrogen at 25 °C and pH 8.0, which is 1.2159 of ammonia.
    expect(points.at(-1)).toMatchObject({ on, value: expect.closeTo(0.0653, 3) });
    expect(limit).toBe(sheet.input.limits.freeAmmoniaMgL);
  });
  test("running hours are those between the readings of one meter, and its life is counted from the newest", async () => {
    const [college] = await visitsOf(maud.businessId, "Maritime College", today);
    const tankId = college?.tankId ?? "";
    const hours = (text: string, item?: string) =>
      ({ parameter: "hours", text, unit: "h", method: "hour meter", ...(item ? { item } : {}) }) as const;
    const at = { tankId, on: addDays(today, -4), minute: 0 };
    await addReadings(maud, { ...at, readings: [hours("8926", "Chiller")] }, { now: new Date(), today });
    const sheet = await loadTank(maud, tankId, today);
    const { points, item } = await loadDerived(maud, sheet, "running", today, "Chiller");
    expect(item).toBe("Chiller");
    // 60 h in the ten days since the demo's last reading; 322 h in the worst fortnight.
    expect(points.at(-1)).toMatchObject({ on: at.on, value: 6, meter: { hours: 8926, days: 10 } });
    expect(Math.max(...points.map((p) => p.value))).toBe(23);
    expect(sheet.input.meters).toEqual([{ name: "Chiller", hours: 8926, on: at.on }]);
    const chiller = (await equipmentOfTank(maud.businessId, tankId, today)).find((e) => e.name === "Chiller");
    expect(chiller).toMatchObject({ meterHours: 8926, meterOn: at.on });
    // Between 6 h a day as registered and what it ran since the end of the heat.
    expect(chiller?.hoursPerDay).toBeGreaterThan(5);
    expect(chiller?.hoursPerDay).toBeLessThan(9);
    await expect(
      addReadings(maud, { ...at, readings: [hours("9000")] }, { now: new Date(), today }),
    ).rejects.toMatchObject({ fields: { "readings.0": ["Choose whose hour meter was read."] } });
  });
});
