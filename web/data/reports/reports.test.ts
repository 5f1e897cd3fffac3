import { clientReport, firmYear, periodWith } from "@keel-round/core/report";
import { METRIC, type UnitPreference, unitsOfLocale } from "@keel-round/core/units";
import { and, eq, gte, isNotNull, lte, sql } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { pagesOf, renderReport } from "@/places/reports/render";
import { demoBusiness, scopeOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { whenOf } from "../access/when";
import { claimJob, failJob } from "../background/jobs";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { letterByToken, letterToken } from "../letters/letters";
import { LetterQuerySchema, listLetters } from "../letters/list";
import { queueLetter } from "../letters/mail";
import { loadOwnerPage } from "../owner/page";
import {
  animal,
  animalEvent,
  business,
  client,
  equipment,
  job,
  letter,
  person,
  reportRun,
  site,
  tank,
  visit,
  waterChange,
} from "../schema";
import { clientFacts } from "./facts";
import {
  askReports,
  cancelReports,
  firmReport,
  listRuns,
  loadRun,
  type Making,
  makeReports,
  periodsOffered,
} from "./runs";
import { storeReport } from "./store";

let maud: Scope;
let ines: Scope;
let owner: Scope;
let businessId: string;
let today: string;
let ilves: string;

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  [maud, ines, owner] = await Promise.all([
    scopeOf(businessId, "Maud"),
    scopeOf(businessId, "Ines"),
    scopeOf(businessId, "Dr."),
  ]);
  const [row] = await db()
    .select({ id: client.id })
    .from(client)
    .where(and(eq(client.businessId, businessId), eq(client.name, "Ilves Dental")));
  ilves = row?.id ?? "";
});

const when = () => whenOf(maud);
const lastMonth = () => {
  const period = periodsOffered(today).find((p) => p.kind === "month");
  if (!period) throw new Error("No period");
  return period;
};
const factsOf = async (clientId = ilves, period = lastMonth()) => {
  const facts = await clientFacts(businessId, clientId, period, "Maud Oyelaran");
  if (!facts) throw new Error("No facts");
  return facts;
};
/** Keeps reports as the jobs do, without setting pages that nobody reads. */
const quick: Making = {
  client: async (facts) => {
    const content = clientReport(facts, "words", METRIC);
    const plain = JSON.stringify(content);
    return (
      (await storeReport(
        businessId,
        facts.clientId,
        facts.period,
        content,
        { subject: content.title, html: "x", plain, pdf: Buffer.from("x") },
        new Date(),
      )) !== null
    );
  },
  firm: async (facts, units) => ({ html: JSON.stringify(firmYear(facts, units)), pdf: Buffer.from("x") }),
};
const ask = async (kind: "month" | "quarter" | "year") => {
  const period = periodsOffered(today).find((p) => p.kind === kind);
  return (await askReports(maud, { kind, fromOn: period?.fromOn ?? "" }, when())).runId;
};

/** Those with the most tanks here; all of them under `npm run proof`. */
const SOME = Number(process.env.KEEL_ROUND_TRIES ?? 30) > 30 ? 40 : 6;

describe("what a report is made from", () => {
  test("is what stands in the log: visits, litres, readings and animals, as plain sums of the rows say", async () => {
    const period = lastMonth();
    const tanks = await db()
      .select({ id: tank.id, name: tank.name })
      .from(tank)
      .innerJoin(site, eq(site.id, tank.siteId))
      .where(and(eq(tank.businessId, businessId), eq(site.clientId, ilves)));
    const [one] = tanks;
    if (!one) throw new Error("No tank");
    const inPeriod = (t: typeof visit | typeof waterChange) =>
      and(eq(t.tankId, one.id), gte(t.onDate, period.fromOn), lte(t.onDate, period.untilOn));
    const closed = await db()
      .select()
      .from(visit)
      .where(and(inPeriod(visit), eq(visit.state, "closed")));
    const changes = await db().select().from(waterChange).where(inPeriod(waterChange));
    expect(closed.length).toBeGreaterThan(0);
    const [group] = await db().select().from(animal).where(eq(animal.tankId, one.id)).limit(1);
    await db()
      .insert(animalEvent)
      .values({
        ...{
          id: newId(),
          businessId,
          animalId: group?.id ?? "",
          personId: maud.personId,
          onDate: period.fromOn,
          kind: "lost",
        },
        ...{ number: 1, countAfter: 1, countBefore: 2, cause: "Jumped", remedy: "A lid was fitted", at: new Date() },
      });
    await db()
      .insert(equipment)
      .values({
        ...{
          id: newId(),
          businessId,
          tankId: one.id,
          name: "Old lamp",
          kind: "light",
          installedOn: "2020-01-01",
          replaceAfterDays: 365,
        },
      } as never);
    const facts = await factsOf();
    const of = facts.tanks.find((t) => t.name === one.name);
    expect(of).toMatchObject({ visits: closed.length });
    expect(of?.changedL).toBeCloseTo(
      changes.reduce((n, c) => n + c.outL, 0),
      6,
    );
    expect(facts.animals).toContainEqual(
      expect.objectContaining({ kind: "lost", number: 1, cause: "Jumped", remedy: "A lid was fitted", tank: one.name }),
    );
    expect(facts.endings).toContainEqual({ name: "Old lamp", tank: one.name, replaceOn: "2020-12-31" });
    const points = of?.series.flatMap((s) => s.points) ?? [];
    expect(points.length).toBeGreaterThan(0);
    expect(points.every((p) => p.on >= period.fromOn && p.on <= period.untilOn)).toBe(true);
    // A filter's own flow and hours of a meter are none of the water's figures.
    expect(of?.series.map((s) => s.parameter)).not.toContain("hours");
  });
  test("of a client without a tank is nothing to tell, and of another firm is none", async () => {
    const id = newId();
    await db().insert(client).values({ id, businessId, name: "No tank yet", contact: "Jo", email: "jo@x.example" });
    expect(await factsOf(id)).toMatchObject({ visits: 0, tanks: [], animals: [], endings: [] });
    expect(await clientFacts(newId(), ilves, lastMonth(), "x")).toBeNull();
  });
});

describe("the page", () => {
  test("of a client has at most three pages, with no figure missing", async () => {
    const quarter = periodWith("quarter", lastMonth().fromOn);
    const clients = await db().select({ id: client.id }).from(client).where(eq(client.businessId, businessId));
    const all: Awaited<ReturnType<typeof factsOf>>[] = [];
    for (const c of clients) all.push(await factsOf(c.id, quarter));
    const most = all.filter((f) => f.visits > 0).sort((a, b) => b.tanks.length - a.tanks.length);
    expect(most.length).toBeGreaterThan(SOME);
    for (const facts of most.slice(0, SOME)) {
      const { pdf, html, plain, content } = await renderReport((d) => clientReport(facts, d, METRIC), null);
      expect(pagesOf(pdf), facts.name).toBeLessThanOrEqual(3);
      expect(pagesOf(pdf)).toBeGreaterThan(0);
      expect(html + plain).not.toMatch(/NaN|undefined|Infinity/);
      expect(plain).toContain(content.totals[0]?.replaceAll(/[\u202f\u00a0]/g, " "));
    }
  });
  test("of a client with nine tanks and of one with ninety has three, and what is out of place stays on it", async () => {
    const facts = await factsOf();
    const [one] = facts.tanks;
    if (!one) throw new Error("No tank");
    const [first] = one.series;
    if (!first) throw new Error("No series");
    const wrong = { ...first, points: [{ on: facts.period.fromOn, value: first.band.actHigh * 2 }] };
    // The others are as they should be, whatever the month of the demo was like.
    const steady = one.series.map((s) => ({
      ...s,
      points: s.points.map((p) => ({ ...p, value: (Math.max(0, s.band.idealLow) + s.band.idealHigh) / 2 })),
    }));
    for (const count of [9, 90]) {
      const many = {
        ...facts,
        tanks: Array.from({ length: count }, (_, i) => ({
          ...one,
          name: `Column ${i + 1}`,
          series: i === count - 1 ? [wrong] : steady,
        })),
      };
      const { pdf, plain } = await renderReport((d) => clientReport(many, d, METRIC), null);
      expect(pagesOf(pdf)).toBeLessThanOrEqual(3);
      expect(plain).toContain(`column ${count}`);
    }
  });
  test("names in any script are on it", async () => {
    const facts = { ...(await factsOf()), business: "Rundfahrt Łódź", contact: "ياسمين" };
    const { html, plain } = await renderReport((d) => clientReport(facts, d, METRIC), null);
    expect(html).toContain("ياسمين");
    expect(plain).toContain("Dear ياسمين,");
  });
  test("is told in a client's own units", async () => {
    await db().update(client).set({ locale: "en-US" }).where(eq(client.id, ilves));
    const facts = await factsOf();
    expect(facts.locale).toBe("en-US");
    const { plain } = await renderReport((d) => clientReport(facts, d, unitsOfLocale(facts.locale)), null);
    expect(plain).toMatch(/\d US gal of water changed/);
    expect(plain).not.toMatch(/\d L\b/);
    await db().update(client).set({ locale: "en-GB" }).where(eq(client.id, ilves));
  });
});

describe("reports of a period", () => {
  test("are asked for by the office, of a period that is over, once at a time", async () => {
    await expect(askReports(ines, { kind: "month", fromOn: lastMonth().fromOn }, when())).rejects.toMatchObject({
      code: "not-found",
    });
    await expect(askReports(maud, { kind: "month", fromOn: `${today.slice(0, 7)}-01` }, when())).rejects.toMatchObject({
      code: "invalid",
      fields: { fromOn: ["Choose a period that is over."] },
    });
    await expect(askReports(maud, { kind: "month", fromOn: "1999-01-01" }, when())).rejects.toMatchObject({
      code: "invalid",
    });
    const runId = await ask("month");
    await expect(ask("quarter")).rejects.toMatchObject({ code: "making" });
    await cancelReports(maud, runId);
    await makeReports(businessId, runId, quick);
    expect(await loadRun(maud, runId)).toMatchObject({ state: "cancelled", gone: 0, made: 0 });
    await expect(cancelReports(maud, runId)).rejects.toMatchObject({ code: "over" });
    await expect(cancelReports(ines, runId)).rejects.toMatchObject({ code: "not-found" });
  });
  test("are made of each client that was visited, tell how far they are, and a second time nothing new", async () => {
    const runId = await ask("month");
    const seen: number[] = [];
    await makeReports(businessId, runId, {
      ...quick,
      client: async (facts) => {
        seen.push((await loadRun(maud, runId)).gone);
        return quick.client(facts);
      },
    });
    const run = await loadRun(maud, runId);
    expect(run).toMatchObject({ state: "done", error: null });
    expect(run.gone).toBe(run.total);
    expect(run.made).toBe(seen.length);
    expect(seen).toEqual([...seen].sort((a, b) => a - b));
    const again = await ask("month");
    await makeReports(businessId, again, quick);
    expect(await loadRun(maud, again)).toMatchObject({ state: "done", made: 0 });
    expect((await listRuns(maud)).map((r) => r.id).slice(0, 2)).toEqual([again, runId]);
  });
  test("stopped in the middle keep what was made, whole", async () => {
    await db()
      .delete(letter)
      .where(and(eq(letter.businessId, businessId), isNotNull(letter.fromOn)));
    const runId = await ask("month");
    let made = 0;
    await makeReports(businessId, runId, {
      ...quick,
      client: async (facts) => {
        made += 1;
        if (made === 2) await cancelReports(maud, runId);
        return quick.client(facts);
      },
    });
    expect(await loadRun(maud, runId)).toMatchObject({ state: "cancelled", made: 2 });
    const kept = await db()
      .select({ html: letter.html })
      .from(letter)
      .where(and(eq(letter.businessId, businessId), isNotNull(letter.fromOn)));
    expect(kept).toHaveLength(2);
  });
  test("that broke are tried again from the first client on, and nobody gets two", async () => {
    await db()
      .delete(letter)
      .where(and(eq(letter.businessId, businessId), isNotNull(letter.fromOn)));
    const runId = await ask("month");
    let asked = 0;
    const broken: Making = {
      ...quick,
      client: async (facts) => {
        asked += 1;
        if (asked === 3) throw new Error("the disk is full");
        return quick.client(facts);
      },
    };
    await expect(makeReports(businessId, runId, broken)).rejects.toThrow("the disk is full");
    expect(await loadRun(maud, runId)).toMatchObject({ state: "making", made: 2 });
    await makeReports(businessId, runId, quick);
    const kept = await db()
      .select({ clientId: letter.clientId })
      .from(letter)
      .where(and(eq(letter.businessId, businessId), isNotNull(letter.fromOn)));
    expect(new Set(kept.map((k) => k.clientId)).size).toBe(kept.length);
    expect(kept.length).toBeGreaterThan(3);
  });
  test("that were given up say why, and no longer keep others from being asked for", async () => {
    const runId = await ask("quarter");
    await db()
      .delete(job)
      .where(and(eq(job.businessId, businessId), sql`json_value(${job.payload}, '$.runId') is null`));
    await db()
      .update(job)
      .set({ attempts: 3, runAt: new Date(0), doneAt: null })
      .where(sql`json_value(${job.payload}, '$.runId') = ${runId}`);
    await db().delete(job).where(sql`json_value(${job.payload}, '$.runId') <> ${runId}`);
    const claimed = await claimJob("here");
    if (!claimed) throw new Error("Nothing to do");
    expect(await failJob(claimed, "no space left")).toBe(true);
    expect(await loadRun(maud, runId)).toMatchObject({ state: "failed", error: "no space left" });
    await db().delete(job).where(eq(job.id, claimed.id));
  });
});

describe("a report among the letters", () => {
  test("waits to be read, is found by its year, opens by its link, and is the client's once it was sent", async () => {
    const [report] = await db()
      .select()
      .from(letter)
      .where(and(eq(letter.clientId, ilves), isNotNull(letter.fromOn)));
    if (!report) throw new Error("No report");
    const year = Number(report.untilOn?.slice(0, 4));
    const found = await listLetters(
      maud,
      LetterQuerySchema.parse({ state: "to-read", year: String(year), q: "Your tank" }),
    );
    expect(found.letters).toContainEqual(
      expect.objectContaining({ id: report.id, on: report.untilOn, isReport: true }),
    );
    expect((await letterByToken(letterToken(report.id)))?.id).toBe(report.id);
    const [own] = await db()
      .select({ id: tank.id })
      .from(tank)
      .innerJoin(site, eq(site.id, tank.siteId))
      .where(eq(site.clientId, ilves))
      .limit(1);
    const page = async () => (await loadOwnerPage(owner, own?.id ?? "", whenOf(owner))).letters.map((l) => l.subject);
    expect(await page()).not.toContain(report.subject);
    await queueLetter(maud, report.id, new Date());
    // Nothing was closed for it: it leaves at once.
    const [queued] = await db().select({ at: letter.queuedAt }).from(letter).where(eq(letter.id, report.id));
    expect(Math.abs((queued?.at?.getTime() ?? 0) - Date.now())).toBeLessThan(60_000);
    await db().update(letter).set({ sentAt: new Date() }).where(eq(letter.id, report.id));
    expect(await page()).toContain(report.subject);
  });
});

describe("a year of the firm", () => {
  test("adds its clients up as they stand in the log, and is the office's alone", async () => {
    // A year that is not over is asked for here, to have something in it.
    const runId = newId();
    await db()
      .insert(reportRun)
      .values({
        ...{ id: runId, businessId, personId: maud.personId, kind: "year", state: "making", at: new Date() },
        ...{ fromOn: `${today.slice(0, 4)}-01-01`, untilOn: `${today.slice(0, 4)}-12-31` },
      });
    expect(await firmReport(maud, runId)).toBeNull();
    await makeReports(businessId, runId, quick);
    const report = await firmReport(maud, runId);
    const content = JSON.parse(report?.html ?? "{}") as ReturnType<typeof firmYear>;
    const [all] = await db()
      .select({ n: sql<number>`count(*)`.mapWith(Number) })
      .from(visit)
      .where(
        and(
          eq(visit.businessId, businessId),
          eq(visit.state, "closed"),
          sql`year(${visit.onDate}) = ${today.slice(0, 4)}`,
        ),
      );
    expect(content.totals[0]).toMatch(new RegExp(`^${all?.n} visits`));
    expect(content.curves.length).toBeGreaterThan(3);
    await expect(firmReport(ines, runId)).rejects.toMatchObject({ code: "not-found" });
    await expect(firmReport({ ...maud, businessId: newId() }, runId)).rejects.toMatchObject({ code: "not-found" });
    const facts: Parameters<Making["firm"]>[0][] = [];
    await db().update(reportRun).set({ state: "making" }).where(eq(reportRun.id, runId));
    await makeReports(businessId, runId, {
      ...quick,
      firm: async (f, units) => {
        facts.push(f);
        return quick.firm(f, units);
      },
    });
    const [first] = facts;
    if (!first) throw new Error("No year");
    const { pdf, html } = await renderReport(() => firmYear(first, METRIC), null);
    expect(pagesOf(pdf)).toBeLessThanOrEqual(3);
    expect(html).not.toMatch(/NaN|undefined|Infinity/);
  });
  test("is told in the units of who asked for it", async () => {
    const gallons: UnitPreference = { ...METRIC, volume: "US gal", length: "in", temperature: "°F" };
    await db().update(person).set({ units: gallons }).where(eq(person.id, maud.personId));
    const runId = newId();
    await db()
      .insert(reportRun)
      .values({
        ...{ id: runId, businessId, personId: maud.personId, kind: "year", state: "making", at: new Date() },
        ...{ fromOn: `${today.slice(0, 4)}-01-01`, untilOn: `${today.slice(0, 4)}-12-31` },
      });
    await makeReports(businessId, runId, quick);
    await db().update(person).set({ units: METRIC }).where(eq(person.id, maud.personId));
    const { totals, table } = JSON.parse((await firmReport(maud, runId))?.html ?? "{}") as ReturnType<typeof firmYear>;
    const told = JSON.stringify([totals, table]).replaceAll(/[\u202f\u00a0]/g, " ");
    expect(told).toMatch(/\d US gal of water changed/);
    expect(told).not.toMatch(/\d L\b/);
  });
  test("of a firm without clients is made, and empty", async () => {
    const [firm] = await db().select().from(business).where(eq(business.id, businessId));
    expect(firm).toBeDefined();
    const runId = newId();
    await db()
      .insert(reportRun)
      .values({
        ...{ id: runId, businessId, personId: maud.personId, kind: "year", state: "making", at: new Date() },
        ...{ fromOn: "1990-01-01", untilOn: "1990-12-31" },
      });
    await db().update(client).set({ archivedAt: new Date() }).where(eq(client.businessId, businessId));
    await makeReports(businessId, runId, quick);
    expect(await loadRun(maud, runId)).toMatchObject({ state: "done", made: 0 });
    expect(await firmReport(maud, runId)).toBeNull();
  });
});
