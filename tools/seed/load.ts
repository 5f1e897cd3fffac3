import { existsSync, readFileSync } from "node:fs";
import { addDays, civilOf, instantOf, occurrences, weekday } from "@keel-round/core/calendar";
import { DEFAULT_LIMITS, type SourceFacts } from "@keel-round/core/given";
import type { BarrelContents } from "@keel-round/core/mixing";
import { seeded } from "@keel-round/core/numeric";
import { adaptInterval, asksFor, libraryTask } from "@keel-round/core/programme";
import { systemVolumeL, type TankFacts } from "@keel-round/core/tank";
import { METRIC, type Parameter } from "@keel-round/core/units";
import { effectiveShare, learnSalt } from "@keel-round/core/water";
import { EVERY_DAY, KNOWS } from "@keel-round/core/weeks";
import { and, desc, eq, lt } from "drizzle-orm";
import { addLogin } from "@/data/access/logins";
import { scopeOfUser } from "@/data/access/scope";
import { encrypt } from "@/data/access/secrets";
import { db } from "@/data/database/connection";
import { newId } from "@/data/database/ids";
import { fillKinds } from "@/data/desk/kinds";
import { writeEntries } from "@/data/find/entries";
import { fillJobs } from "@/data/library/firmJobs";
import { windowColumns } from "@/data/library/window";
import { loadPlanInputs } from "@/data/plan/planInputs";
import { layAll } from "@/data/programme/layJobs";
import { refreshPaces } from "@/data/programme/paces";
import { layOut } from "@/data/round/layOut";
import * as t from "@/data/schema";
import { refreshStatus } from "@/data/tanks/status";
import { postOperations } from "@/data/visit/operations";
import { equipmentOf } from "./equipment.ts";
import { fillers } from "./fillers.ts";
import { liveThrough } from "./history.ts";
import { demoHours } from "./hours.ts";
import { writeYear } from "./letters.ts";
import logins from "./logins.json" with { type: "json" };
import { addOwner } from "./owner.ts";
import { addPhotos } from "./photos.ts";
import { addCalls, addProgramme } from "./programme.ts";
import { addRegister } from "./register.ts";
import { ruleOn, weekdaysOf } from "./rhythms.ts";
import { Rows, ZONE } from "./rows.ts";
import { contacts, siteDetails } from "./siteDetails.ts";
import { reefBatches, waters } from "./sources.ts";
import { addStores } from "./stores.ts";
import { type Story, stories } from "./stories.ts";
import { walkThrough } from "./walkThrough.ts";

const BASE = { lat: 50.42, lon: -4.68 };
const KM_PER_DEGREE = 111.2;
/** A file of the stand-ins, also where a measuring program was packed into `web/node_modules/.cache`. */
function standIn(file: string): URL {
  const found = ["../../", "../../../"]
    .map((up) => new URL(`${up}stand-ins/${file}`, import.meta.url))
    .find((url) => existsSync(url));
  if (!found) throw new Error(`stand-ins/${file} is missing.`);
  return found;
}
/** The tide station that stands in for a real one. */
const STATION = standIn("tide/port-averil.json");
const MAP = standIn("map/port-averil.geojson");
/** Days from today on which nobody of the demo has a stop. */
const FREE: Readonly<Record<string, number>> = { "Ines Calder": 6, "Tobiah Renn": 5 };
const LEARNT_FROM_DAYS = 28;
/** Sites whose last visit is logged by operations. */
const WALKED: readonly string[] = ["Ormond house", "Quince house"];
/** What lies in every van of the firm. */
const VAN_KIT = [
  "towels",
  "tarp",
  "thermometer",
  "log",
  "ruler",
  "tape",
  "cloth",
  "disinfectant",
  "glass scraper",
  "baster",
  "gravel vacuum",
  "bucket for tank water",
  "pipe brush",
  "soft brush",
  "drain hose",
  "refill pump",
  "dish",
  "salinity meter",
  "barrel heater",
];
const minuteOf = (clock: string) => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3));

/** What was lately done at the firm's own purifier; of its membrane nobody knows. */
const PURIFIER_PAST = [
  ["tds-check", 5, 3],
  ["resin", 96, null],
  ["cartridges", 241, null],
] as const;

/**
 * Loads the demo business, dated relative to `now`. The same seed gives the same year.
 *
 * @param options `suffix` keeps the logins of several copies in one database apart.
 */
export async function loadDemo(
  now: Date,
  { suffix = "" }: { suffix?: string } = {},
): Promise<{ businessId: string; today: string }> {
  const today = civilOf(now.getTime(), ZONE).date;
  const day = (offset: number) => addDays(today, offset);
  const businessId = newId();
  const rows = new Rows();
  rows.add(t.organization, { id: businessId, name: logins.business, slug: `calder-renn${suffix}`, createdAt: now });
  rows.add(t.business, {
    id: businessId,
    name: logins.business,
    zone: ZONE,
    phone: "555 0142",
    mailFrom: "letters@calder-renn.example",
    ...BASE,
    roadFactor: 1.35,
    speedKmH: 26,
    limits: DEFAULT_LIMITS,
    map: readFileSync(MAP, "utf8"),
  });
  await rows.write();
  await fillKinds(db(), businessId);
  await fillJobs(db(), businessId);

  const sourceIds = new Map(Object.keys(waters).map((key) => [key, newId()]));
  addSources(rows, businessId, sourceIds, now, day);
  const all = [...stories(day), ...fillers(day)];
  const clients = addClients(rows, businessId, all);
  await rows.write();
  const people = await addPeople(rows, businessId, clients, now, suffix);

  const sites = new Map<string, { siteId: string; seriesId: string; rule: string; dates: string[] }>();
  const stopIds = new Map<string, string>();
  const tankIds: string[] = [];
  all.forEach((story, i) => {
    const at =
      sites.get(story.site) ??
      addSite(rows, businessId, clients.get(story.client) ?? "", people.get(story.person) ?? "", story, day);
    sites.set(story.site, at);
    tankIds.push(
      addTank(rows, {
        businessId,
        story,
        at,
        sourceIds,
        personId: people.get(story.person) ?? "",
        today,
        seed: 1000 + i,
        stopIds,
        day,
      }),
    );
  });
  addBarrels(rows, businessId, sourceIds, now);
  addQuay(rows, businessId, sourceIds, day);
  addRegister(rows, businessId, tankIds[all.findIndex((s) => s.site === "Ilves Dental")], day);
  addStores(rows, { businessId, day }, people.get("Ines Calder") ?? "", people.get("Tobiah Renn") ?? "");
  addOwner(
    rows,
    { businessId, tankId: tankIds[all.findIndex((s) => s.site === "Ilves Dental")] ?? "" },
    { ownerId: people.get("Dr. Ilves") ?? "", leadId: people.get("Ines Calder") ?? "" },
    day,
  );
  for (const [code, daysAgo, tdsMgL] of PURIFIER_PAST)
    rows.add(t.purifierJob, {
      id: newId(),
      businessId,
      sourceId: sourceIds.get("purified") ?? "",
      code,
      lastDoneOn: day(-daysAgo),
      tdsMgL,
    });
  await rows.write();
  for (const [key, { site }] of Object.entries(waters))
    if (site)
      await db()
        .update(t.source)
        .set({ siteId: sites.get(site)?.siteId })
        .where(eq(t.source.id, sourceIds.get(key) ?? ""));
  await addPhotos(
    businessId,
    stories(day).map((story, i) => ({
      ...story,
      tankId: tankIds[i] ?? "",
      personId: people.get(story.person) ?? "",
    })),
    now,
    day,
  );
  await layOut(businessId, today);
  await writeEntries(db(), businessId, { all: true });
  await layAll(businessId, today);
  await refreshPaces(businessId);
  await refreshStatus(db(), businessId, tankIds, today);
  await walkLastVisits(businessId, WALKED, today, now);
  await writeYear(businessId, [...new Set(stories(day).map((s) => s.site))], today);
  return { businessId, today };
}

function addSources(
  rows: Rows,
  businessId: string,
  ids: ReadonlyMap<string, string>,
  now: Date,
  day: (offset: number) => string,
): void {
  for (const [key, { name, site: _site, measured = [], ...water }] of Object.entries(waters)) {
    const id = ids.get(key) ?? "";
    const dated = [...measured].reverse().flatMap(([daysAgo, figures]) =>
      Object.entries(figures).map(([parameter, value]) => ({
        on: day(-daysAgo),
        parameter: parameter as Parameter,
        value,
      })),
    );
    let facts: SourceFacts = dated.length > 0 ? { ...water, measured: dated } : water;
    const batches: (typeof t.saltBatch.$inferInsert)[] = [];
    if (key === "reef-mix" && water.salt) {
      let gramsPerLitre = water.salt.labelGramsPerLitre;
      for (const b of reefBatches) {
        const lesson = learnSalt(gramsPerLitre, b);
        gramsPerLitre = lesson.gramsPerLitre;
        const { daysAgo, ...batch } = b;
        batches.push({
          id: newId(),
          businessId,
          sourceId: id,
          at: new Date(now.getTime() - daysAgo * 86_400_000),
          ...batch,
          confirmed: false,
          questioned: false,
          batchGPerL: lesson.batchGramsPerLitre,
          learntGPerL: gramsPerLitre,
        });
      }
      facts = { ...facts, salt: { ...water.salt, gramsPerLitre, batches: batches.length } };
    }
    rows.add(t.source, { id, businessId, name, facts });
    for (const b of batches) rows.add(t.saltBatch, b);
  }
}

/** Where the firm collects its sea water, with the tide of the stand-in's station. */
function addQuay(
  rows: Rows,
  businessId: string,
  ids: ReadonlyMap<string, string>,
  day: (offset: number) => string,
): void {
  rows.add(t.quay, {
    id: newId(),
    businessId,
    name: "Harbour steps",
    sourceId: ids.get("natural-sea") ?? "",
    lat: BASE.lat - 1.1 / KM_PER_DEGREE,
    lon: BASE.lon + 1.6 / (KM_PER_DEGREE * Math.cos((BASE.lat * Math.PI) / 180)),
    station: readFileSync(STATION, "utf8"),
    pumpLPerMin: 22,
    setUpMinutes: 12,
    aboveM: 1.8,
    withinMinutes: 210,
    // The steps are lit.
    lightOnly: false,
    earliestHour: 5.5,
    readyMinutes: 40,
    lowestPsu: 31,
    warmestC: 22,
    keepsDays: 3,
    permission: "The harbour master allows it, in writing.",
    permittedUntil: day(200),
  });
}

/** Barrels of the base: one that is ready, one that has just been mixed, purified water kept for emergencies, one empty. */
function addBarrels(rows: Rows, businessId: string, ids: ReadonlyMap<string, string>, now: Date): void {
  const hoursAgo = (h: number) => now.getTime() - h * 3_600_000;
  const barrel = (name: string, capacityL: number, contents: BarrelContents | null) =>
    rows.add(t.barrel, { id: newId(), businessId, name, capacityL, heaterW: 300, lossWPerK: 4, contents });
  barrel("Barrel 1", 200, {
    sourceId: ids.get("reef-mix") ?? "",
    litres: 120,
    startedAt: hoursAgo(20),
    targetPsu: 35,
    grams: 6890,
    psu: 34.9,
    temperatureC: 23.5,
    verifiedAt: hoursAgo(17),
    batchDone: true,
  });
  barrel("Barrel 2", 200, {
    sourceId: ids.get("fish-mix") ?? "",
    litres: 150,
    startedAt: hoursAgo(4),
    targetPsu: 33,
    grams: 5162,
  });
  barrel("Barrel 3", 250, { sourceId: ids.get("purified") ?? "", litres: 240, startedAt: hoursAgo(30) });
  barrel("Barrel 4", 200, null);
}

function addClients(rows: Rows, businessId: string, all: readonly Story[]): Map<string, string> {
  const clients = new Map<string, string>();
  for (const s of all) {
    if (clients.has(s.client)) continue;
    const id = newId();
    clients.set(s.client, id);
    rows.add(t.client, {
      id,
      businessId,
      name: s.client,
      contact: s.contact,
      email: s.email,
      phone: `555 ${String(1200 + 37 * clients.size).padStart(4, "0")}`,
      contacts: contacts[s.client] ?? [],
    });
  }
  return clients;
}

async function addPeople(
  rows: Rows,
  businessId: string,
  clients: ReadonlyMap<string, string>,
  now: Date,
  suffix: string,
): Promise<Map<string, string>> {
  const people = new Map<string, string>();
  for (const login of logins.logins) {
    const userId = await addLogin(db(), { ...login, email: suffix + login.email }, now);
    const id = newId();
    people.set(login.name, id);
    rows.add(t.member, {
      id: newId(),
      organizationId: businessId,
      userId,
      role: login.role === "office" ? "owner" : "member",
      createdAt: now,
    });
    // Five or six days a week: never one on which the story of today needs them.
    const offset = FREE[login.name];
    const free = offset === undefined ? null : weekday(addDays(civilOf(now.getTime(), ZONE).date, offset));
    rows.add(t.person, {
      id,
      businessId,
      userId,
      clientId: login.client ? (clients.get(login.client) ?? null) : null,
      name: login.name,
      role: login.role as "office",
      units: METRIC,
      dayStartMinute: minuteOf("06:30"),
      dayEndMinute: minuteOf("17:00"),
      vanKg: login.name === "Ines Calder" ? 440 : 380,
      vanKit: VAN_KIT,
      workdays: free === null ? null : EVERY_DAY.filter((d) => d !== free),
      vanL: login.name === "Ines Calder" ? 420 : 390,
      vanBarrels: login.name === "Ines Calder" ? 6 : 5,
      // One of the two looks after fresh water alone.
      knows: login.name === "Tobiah Renn" ? KNOWS.filter((k) => k !== "salt" && k !== "drum") : null,
    });
  }
  await rows.write();
  return people;
}

function addSite(
  rows: Rows,
  businessId: string,
  clientId: string,
  personId: string,
  story: Story,
  day: (offset: number) => string,
) {
  const [siteId, seriesId] = [newId(), newId()];
  const window = { from: minuteOf(story.window[0]), to: minuteOf(story.window[1]) };
  const { codes, ...details } = siteDetails[story.site] ?? {};
  rows.add(t.site, {
    hotWater: true,
    ...details,
    ...(codes ? { accessCodes: encrypt(codes, siteId) } : {}),
    id: siteId,
    businessId,
    clientId,
    name: story.site,
    address: story.address,
    lat: BASE.lat + story.at[1] / KM_PER_DEGREE,
    lon: BASE.lon + story.at[0] / (KM_PER_DEGREE * Math.cos((BASE.lat * Math.PI) / 180)),
    windows: demoHours(story.site, window, weekdaysOf(story.rhythm, day(story.dayOffset))),
    drain: story.drain,
    access: story.access,
    setUpMinutes: story.setUpMinutes,
    bucketL: story.bucketL,
  });
  const rule = ruleOn(story.rhythm, day(story.dayOffset));
  // A whole number of four-week turns back, so that every rhythm falls on its day again.
  const startOn = day(story.dayOffset - 28 * Math.ceil((story.historyDays + 28) / 28));
  rows.add(t.series, { id: seriesId, businessId, siteId, personId, rule, startOn });
  return { siteId, seriesId, rule, dates: occurrences(rule, startOn, day(-story.historyDays), day(-1)) };
}

interface TankToAdd {
  readonly businessId: string;
  readonly story: Story;
  readonly at: { readonly siteId: string; readonly seriesId: string; readonly dates: readonly string[] };
  readonly sourceIds: ReadonlyMap<string, string>;
  readonly personId: string;
  readonly today: string;
  readonly seed: number;
  readonly stopIds: Map<string, string>;
  readonly day: (offset: number) => string;
}

function addTank(
  rows: Rows,
  { businessId, story, at, sourceIds, personId, today, seed, stopIds, day }: TankToAdd,
): string {
  const tankId = newId();
  const water = waters[story.source];
  if (!water) throw new Error(`No water called ${story.source}`);
  const { measured: _measured, site: _site, ...poured } = water;
  const sourceId = sourceIds.get(story.source) ?? "";
  rows.add(t.tank, {
    id: tankId,
    businessId,
    siteId: at.siteId,
    sourceId: sourceIds.get(story.lately?.source ?? story.source) ?? "",
    topUpSourceId: sourceIds.get(story.topUpSource ?? "purified") ?? "",
    name: story.tank,
    kind: story.kind,
    facts: {
      ...story.facts,
      ...story.lately?.facts,
      practice: { ...story.facts.practice, ...story.lately?.practice },
    },
  });
  const facts = { id: tankId, name: story.tank, kind: story.kind, ...story.facts, animals: story.animals } as TankFacts;
  for (const [position, group] of story.animals.entries())
    rows.add(t.animal, { id: newId(), businessId, tankId, position, since: story.facts.startedOn, ...group });
  for (const { installedDaysAgo, servicedDaysAgo, ...piece } of equipmentOf(story.site, story.facts.gear))
    rows.add(t.equipment, {
      id: newId(),
      businessId,
      tankId,
      installedOn: day(-installedDaysAgo),
      lastServicedOn: servicedDaysAgo === undefined ? null : day(-servicedDaysAgo),
      ...piece,
    });
  const systemL = systemVolumeL(facts);
  const mode = facts.practice.how === "in-and-out" ? "in-and-out" : "batch";
  // The last visit of these is left to be logged by operations, so that letters exist.
  const walked = WALKED.includes(story.site) ? at.dates.at(-1) : undefined;
  if (walked) {
    const stopId = newId();
    rows.add(t.stop, {
      id: stopId,
      businessId,
      siteId: at.siteId,
      personId,
      seriesId: at.seriesId,
      originalOn: walked,
      onDate: walked,
    });
    rows.add(t.visit, { id: newId(), businessId, tankId, stopId, onDate: walked });
  }
  const past = liveThrough(
    story,
    facts,
    { id: sourceId, ...poured },
    at.dates.filter((d) => d !== walked),
    day(-story.historyDays),
    today,
    seeded(seed),
  );
  const base = { businessId, tankId };

  for (const v of past.visits) {
    const key = `${at.seriesId}:${v.on}`;
    const stopId = stopIds.get(key) ?? newId();
    if (!stopIds.has(key)) {
      stopIds.set(key, stopId);
      rows.add(t.stop, {
        id: stopId,
        businessId,
        siteId: at.siteId,
        personId,
        seriesId: at.seriesId,
        originalOn: v.on,
        onDate: v.on,
      });
    }
    const visitId = newId();
    const startedAt = new Date(instantOf(v.on, minuteOf(story.window[0]) + 10, ZONE));
    rows.add(t.visit, {
      id: visitId,
      ...base,
      stopId,
      onDate: v.on,
      state: "closed",
      startedAt,
      closedAt: new Date(startedAt.getTime() + v.minutes * 60_000),
      minutes: v.minutes,
    });
    const levelShare = v.level ? 1 - v.level.missingL / systemL : 1;
    for (const r of v.readings)
      rows.add(t.reading, {
        id: newId(),
        ...base,
        visitId,
        ...r,
        levelShare,
        takenAt: new Date(startedAt.getTime() + 8 * 60_000),
        onDate: v.on,
      });
    if (v.change)
      rows.add(t.waterChange, {
        id: newId(),
        ...base,
        visitId,
        at: new Date(startedAt.getTime() + 25 * 60_000),
        onDate: v.on,
        ...v.change,
        systemL,
        share: effectiveShare(v.change.outL, systemL, mode),
        chemistry: water.chemistry,
      });
    for (const { code, ...s } of v.steps)
      rows.add(t.stepLog, { id: newId(), ...base, visitId, step: code, onDate: v.on, ...s });
    if (v.level) rows.add(t.levelLog, { id: newId(), ...base, visitId, onDate: v.on, ...v.level });
  }
  // What was lived with and is about nothing that hangs here is no job of it any more.
  for (const code of story.jobs.filter((c) => asksFor(libraryTask(c), story.facts))) {
    const known = story.past?.[code];
    const { everyDays } = libraryTask(code);
    const log = past.visits.flatMap((v) => v.steps.filter((s) => s.code === code));
    const skips = log.length - 1 - log.findLastIndex((s) => s.outcome === "done");
    for (let i = 0; i < (known?.slips ?? 0); i++)
      rows.add(t.stepLog, {
        id: newId(),
        ...base,
        step: code,
        onDate: day(-14 + 7 * i),
        outcome: "skipped",
        reason: known?.reason ?? null,
      });
    if (known)
      rows.add(t.stepLog, { id: newId(), ...base, step: code, onDate: day(-known.doneDaysAgo), outcome: "done" });
    const ratings = log.flatMap((s) => (s.dirt === null ? [] : [{ dirt: s.dirt, intervalDays: s.intervalDays }]));
    // What comes with most visits keeps its day; long ones have learnt from how dirty they were, where the story says so.
    const learnt =
      !story.learns || everyDays < LEARNT_FROM_DAYS
        ? everyDays
        : ratings.reduce((days, _, i) => adaptInterval(days, everyDays, ratings.slice(0, i + 1)), everyDays);
    rows.add(t.task, {
      id: newId(),
      ...base,
      code,
      everyDays: learnt,
      ...windowColumns(libraryTask(code)),
      lastDoneOn: past.lastDone.get(code) ?? day(-everyDays),
      slips: known ? (known.slips ?? 0) : Math.max(0, skips),
      lastSkipReason: known?.reason ?? null,
      lastSector: code === "vacuum-sector" ? past.lastSector : 0,
    });
  }
  addProgramme(rows, base, story, day);
  addCalls(rows, base, story, personId, day);
  const { weak, since, slip, topUpPsu } = story.life;
  const event = (daysAgo: number, text: string, breaksRate: boolean) =>
    rows.add(t.tankEvent, { id: newId(), ...base, onDate: day(-daysAgo), text, breaksRate });
  if (since) event(since.daysAgo, since.text, true);
  if (slip) event(slip.daysAgo, "A barrel was mixed too weak; corrected at one ppt a day", true);
  if (weak) {
    event(weak.fromDaysAgo, weak.finding, false);
    rows.add(t.finding, {
      id: newId(),
      ...base,
      kind: "equipment",
      text: weak.finding,
      state: "fixed",
      seenAt: new Date(instantOf(day(-weak.fromDaysAgo), 600, ZONE)),
    });
  }
  if (topUpPsu) event(topUpPsu.sinceDaysAgo, "New staff tops up", true);
  if (story.openFinding) {
    const { kind, text, daysAgo, dueInDays } = story.openFinding;
    rows.add(t.finding, {
      id: newId(),
      ...base,
      kind,
      text,
      state: "carried",
      dueOn: day(dueInDays),
      seenAt: new Date(instantOf(day(-daysAgo), 600, ZONE)),
    });
  }
  return tankId;
}

/** Two visits of last week are logged again by operations, as a phone would, so that letters of them exist. */
async function walkLastVisits(
  businessId: string,
  siteNames: readonly string[],
  today: string,
  now: Date,
): Promise<void> {
  for (const name of siteNames) {
    const [row] = await db()
      .select({ visit: t.visit, personId: t.stop.personId, userId: t.person.userId })
      .from(t.visit)
      .innerJoin(t.stop, eq(t.stop.id, t.visit.stopId))
      .innerJoin(t.person, eq(t.person.id, t.stop.personId))
      .innerJoin(t.site, eq(t.site.id, t.stop.siteId))
      .where(and(eq(t.visit.businessId, businessId), eq(t.site.name, name), lt(t.visit.onDate, today)))
      .orderBy(desc(t.visit.onDate))
      .limit(1);
    const scope = row?.userId ? await scopeOfUser(row.userId) : null;
    if (!row || !scope) throw new Error(`No past visit of ${name}`);
    const { visit } = row;
    const input = (
      await loadPlanInputs(db(), businessId, [{ visitId: visit.id, tankId: visit.tankId, on: visit.onDate }])
    ).get(visit.id);
    if (!input) throw new Error(`No plan for ${name}`);
    const { ops } = walkThrough(input, instantOf(visit.onDate, minuteOf("09:20"), ZONE), (p) => {
      const last = input.readings.findLast((r) => r.parameter === p);
      const band = input.facts.bands.find((b) => b.parameter === p);
      return last?.value ?? ((band?.idealHigh ?? 0) + Math.max(0, band?.idealLow ?? 0)) / 2;
    });
    const results = await postOperations(scope, visit.id, ops, now);
    const refused = results.find((r) => r.result !== "applied");
    if (refused) throw new Error(`${name}: ${JSON.stringify(refused)}`);
  }
}
