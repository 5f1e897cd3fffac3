import { addDays, sayDay } from "@keel-round/core/calendar";
import { runningSaid } from "@keel-round/core/readings";
import { say } from "@keel-round/core/say";
import { trendSentences } from "@keel-round/core/trend";
import { METRIC, type Parameter } from "@keel-round/core/units";
import { eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import type { Scope } from "@/data/access/scope";
import { db } from "@/data/database/connection";
import { site, tank } from "@/data/schema";
import { loadDerived } from "@/data/tanks/derived";
import { loadTank } from "@/data/tanks/tanks";
import { loadTrend } from "@/data/tanks/trend";
import { demoBusiness, scopeOf } from "../testing/world.ts";

let maud: Scope;
let today: string;

beforeAll(async () => {
  const demo = await demoBusiness();
  today = demo.today;
  maud = await scopeOf(demo.businessId, "Maud");
});

async function tankAt(siteName: string) {
  const [row] = (
    await db()
      .select({ id: tank.id, site: site.name, business: tank.businessId })
      .from(tank)
      .innerJoin(site, eq(site.id, tank.siteId))
  ).filter((r) => r.site === siteName && r.business === maud.businessId);
  return loadTank(maud, row?.id ?? "", today);
}

/** What the curve of a figure says of a tank, in words. */
async function says(siteName: string, parameter: Parameter): Promise<string> {
  const trend = await loadTrend(maud, await tankAt(siteName), parameter, today);
  const sentences = trend.answer ? trendSentences(trend, trend.answer) : [];
  return [...sentences, ...trend.spells, ...trend.ratios]
    .map((m) => say(m, METRIC))
    .join(" ")
    .replaceAll(/[\u00a0\u202f]/g, " ");
}

/** Whether a sentence names a day that lies so many days ago, between the two. */
function names(text: string, fromAgo: number, toAgo: number): boolean {
  for (let ago = fromAgo; ago >= toAgo; ago--) if (text.includes(sayDay(addDays(today, -ago)))) return true;
  return false;
}

describe("the ten stories are found from what was read", () => {
  test("Lanehead: nitrate climbs since six fish came, lived through at 0.85 and 1.165 mg/L a day", async () => {
    const said = await says("Lanehead Clinic", "nitrate");
    expect(said).toMatch(
      /Nitrate climbs 1\.[12] mg\/L a day since .*, 0\.8\d mg\/L before: six fish added by the clinic/,
    );
    expect(names(said, 48, 48)).toBe(true);
  });
  test("Ilves: alkalinity is used a tenth of a degree a day more than the doser gives", async () => {
    expect(await says("Ilves Dental", "alkalinity")).toMatch(/is given 0\.60 dKH.*It lacks 0\.1\d dKH a day/);
  });
  test("Kettle: the top-up water holds salt, lived through at 9.5 ppt", async () => {
    const said = await says("Kettle Diner", "salinity");
    const holds = Number(/the top-up water would hold about ([\d.]+) ppt/.exec(said)?.[1]);
    expect(holds).toBeGreaterThan(8);
    expect(holds).toBeLessThan(11);
  });
  test("Saltmarket: a third of the flow is lost, lived through at 4 300 and 2 850 L/h", async () => {
    expect(await says("Saltmarket Hotel", "flow")).toMatch(/^66 % of its best is left: 2 850 L\/h, and 4 300 L\/h on /);
  });
  test("Town Museum: a barrel that was too weak, nine weeks ago, and back since", async () => {
    const said = await says("Town Museum", "salinity");
    expect(said).toMatch(/a barrel was mixed too weak/);
    expect(said).toMatch(/It stood too low from .* to /);
    expect(names(said.slice(said.indexOf("It stood too low")), 63, 49)).toBe(true);
  });
  test("Harrow & Pike: the shrimp's hardness is low and has not come back", async () => {
    expect(await says("Harrow & Pike", "gh")).toMatch(/It has stood too low since /);
  });
  test("Maritime College: the chiller in late summer, 112 to 84 days ago", async () => {
    const said = await says("Maritime College", "temperature");
    expect(said).toMatch(/too high/);
    expect(names(said, 112, 84)).toBe(true);
    // Its hour meter bears it out: nearly four times as long a day as usual.
    const chiller = await loadDerived(maud, await tankAt("Maritime College"), "running", today, "Chiller");
    const ran = runningSaid(chiller.points);
    expect(ran?.most && [addDays(today, -98), addDays(today, -84)]).toContain(ran?.most?.on);
    expect((ran?.most?.perDay ?? 0) / (ran?.usualPerDay ?? 1)).toBeGreaterThan(3);
  });
  test("Ferry Street: the heat of a week, about 128 days ago", async () => {
    const said = await says("Ferry Street School", "temperature");
    expect(said).toMatch(/It stood too high from /);
    expect(names(said, 136, 120)).toBe(true);
  });
  test("Ormond house: the heater that failed in winter, 318 to 311 days ago", async () => {
    const said = await says("Ormond house", "temperature");
    expect(said).toMatch(/too low/);
    expect(names(said, 318, 308)).toBe(true);
  });
  test("Seagrass Lab: nitrate and phosphate of a young tank, held since the macroalgae", async () => {
    expect(await says("Seagrass Lab", "nitrate")).toMatch(/since .* before: macroalgae planted in the sump/);
    expect(await says("Seagrass Lab", "phosphate")).toMatch(/It stood too high from .* to /);
  });
});
