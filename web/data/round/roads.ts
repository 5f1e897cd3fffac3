import { learnRoad, travel, wayKey } from "@keel-round/core/round";
import { windowOn } from "@keel-round/core/series";
import { byText } from "@keel-round/core/text";
import { parse } from "csv-parse/sync";
import { and, asc, eq, gte, isNotNull, isNull } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import { type Scope, seesAll } from "../access/scope";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { firmHolidays, siteOpenDays } from "../database/openDays";
import { inTransaction, type Queries } from "../database/transaction";
import { business, deskChange, road, site, stop, visit } from "../schema";

/** Minutes of ways that are known better than by distance: by the list, else as they were learnt. */
export async function knownWays(q: Queries, businessId: string): Promise<Record<string, number>> {
  const rows = await q.select().from(road).where(eq(road.businessId, businessId));
  return Object.fromEntries(
    rows.flatMap((r) => {
      const minutes = r.listedMinutes ?? (r.setAside ? null : r.learntMinutes);
      return minutes === null ? [] : [[wayKey(r.fromId, r.toId), minutes]];
    }),
  );
}

/** Drives of so many days count. */
const LEARNT_DAYS = 240;
const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;
/** A gap longer than this is no drive. */
const LONGEST_MINUTES = 300;
/** Between these minutes of the day a long gap had the break in it. */
/** Who begins so soon after the doors open may have stood in front of them. */
const OPENING_MINUTES = 15;
const BREAK = { from: 660, to: 870, minutes: 25 };

type Drive = { readonly fromId: string; readonly toId: string; readonly minutes: number };

/** The drives of a firm's people from one stop to the next, oldest first. */
async function drivesOf(businessId: string, zoneMinute: (at: Date) => number, now: Date): Promise<Drive[]> {
  const rows = await db()
    .select({
      personId: stop.personId,
      on: stop.onDate,
      stopId: stop.id,
      siteId: stop.siteId,
      hours: { windows: site.windows, dates: site.dates, busy: site.busy, holidays: site.holidays },
      startedAt: visit.startedAt,
      closedAt: visit.closedAt,
    })
    .from(visit)
    .innerJoin(stop, and(eq(stop.businessId, visit.businessId), eq(stop.id, visit.stopId)))
    .innerJoin(site, and(eq(site.businessId, stop.businessId), eq(site.id, stop.siteId)))
    .where(
      and(
        eq(visit.businessId, businessId),
        eq(visit.state, "closed"),
        isNotNull(visit.startedAt),
        gte(visit.closedAt, new Date(now.getTime() - LEARNT_DAYS * DAY_MS)),
      ),
    )
    .orderBy(asc(visit.startedAt), asc(visit.id));
  const holidays = await firmHolidays(db(), businessId);
  const stops = new Map<string, { day: string; siteId: string; from: number; to: number; opens: number | null }>();
  for (const r of rows) {
    if (!r.startedAt || !r.closedAt) continue;
    const at = stops.get(r.stopId) ?? {
      day: `${r.personId} ${r.on}`,
      siteId: r.siteId,
      from: Infinity,
      to: 0,
      opens: windowOn(siteOpenDays(r.hours, holidays), r.on)?.from ?? null,
    };
    at.from = Math.min(at.from, r.startedAt.getTime());
    at.to = Math.max(at.to, r.closedAt.getTime());
    stops.set(r.stopId, at);
  }
  const days = new Map<string, { siteId: string; from: number; to: number; opens: number | null }[]>();
  for (const s of [...stops.values()].sort((a, b) => a.from - b.from)) days.set(s.day, [...(days.get(s.day) ?? []), s]);
  return [...days.values()].flatMap((day) =>
    day.slice(1).flatMap((next, i): Drive[] => {
      const before = day[i];
      if (!before || before.siteId === next.siteId) return [];
      const minutes = (next.from - before.to) / MINUTE_MS;
      const left = zoneMinute(new Date(before.to));
      const rested = minutes > BREAK.minutes && left + minutes > BREAK.from && left < BREAK.to;
      // Somebody entered it late, or in another order than it was done; or they ate on the way.
      const begun = zoneMinute(new Date(next.from));
      const waited = next.opens !== null && begun < next.opens + OPENING_MINUTES;
      if (minutes <= 0 || minutes > LONGEST_MINUTES || rested || waited) return [];
      return [{ fromId: before.siteId, toId: next.siteId, minutes }];
    }),
  );
}

/** Learns the ways of a firm from its log. What a list says, and what somebody put aside, stays. */
export async function refreshRoads(businessId: string, now: Date): Promise<void> {
  const [[firm], sites] = await Promise.all([
    db().select().from(business).where(eq(business.id, businessId)),
    db().select().from(site).where(eq(site.businessId, businessId)),
  ]);
  if (!firm) return;
  const clock = new Intl.DateTimeFormat("en-GB", {
    timeZone: firm.zone,
    hour: "2-digit",
    minute: "2-digit",
    hourCycle: "h23",
  });
  const zoneMinute = (at: Date) => {
    const [hour = 0, minute = 0] = clock.format(at).split(":").map(Number);
    return hour * 60 + minute;
  };
  const at = new Map(sites.map((s) => [s.id, s]));
  const driven = new Map<string, { fromId: string; toId: string; minutes: number[] }>();
  for (const { fromId, toId, minutes } of await drivesOf(businessId, zoneMinute, now)) {
    const way = driven.get(wayKey(fromId, toId)) ?? { fromId, toId, minutes: [] };
    way.minutes.push(minutes);
    driven.set(wayKey(fromId, toId), way);
  }
  for (const { fromId, toId, minutes } of [...driven.values()].sort((a, b) => byText(a.fromId, b.fromId))) {
    const [from, to] = [at.get(fromId), at.get(toId)];
    if (!from || !to) continue;
    const learnt = learnRoad(travel(from, to, firm).minutes, minutes);
    const values = {
      learntMinutes: learnt.drives > 0 ? learnt.minutes : null,
      drives: learnt.drives,
      askedMinutes: learnt.askMinutes,
    };
    if (learnt.drives === 0 && learnt.askMinutes === null) continue;
    await db()
      .insert(road)
      .values({ id: newId(), businessId, fromId, toId, ...values })
      .onDuplicateKeyUpdate({ set: values });
  }
}

/** A way as the desk shows it. */
export interface RoadLine {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly estimateMinutes: number;
  readonly learntMinutes: number | null;
  readonly drives: number;
  readonly askedMinutes: number | null;
  readonly listedMinutes: number | null;
  readonly setAside: boolean;
}

const BASE = "Base";

function requireDesk(scope: Scope): void {
  if (!seesAll(scope.role)) throw notFound("page");
}

/** Every place that a way may begin or end at, by its id. */
async function placesOf(q: Queries, scope: Scope) {
  const [[firm], sites] = await Promise.all([
    q.select().from(business).where(eq(business.id, scope.businessId)),
    q
      .select()
      .from(site)
      .where(and(eq(site.businessId, scope.businessId), isNull(site.archivedAt))),
  ]);
  if (!firm) throw notFound("firm");
  const places = new Map(sites.map((s) => [s.id, { name: s.name, lat: s.lat, lon: s.lon }]));
  places.set(firm.id, { name: BASE, lat: firm.lat, lon: firm.lon });
  return { firm, places };
}

/** The ways that are known better than by distance, those that ask something first. */
export async function listRoads(scope: Scope): Promise<RoadLine[]> {
  requireDesk(scope);
  const { firm, places } = await placesOf(db(), scope);
  const rows = await db().select().from(road).where(eq(road.businessId, scope.businessId));
  return rows
    .flatMap((r): RoadLine[] => {
      const [from, to] = [places.get(r.fromId), places.get(r.toId)];
      if (!from || !to) return [];
      const { id, learntMinutes, drives, askedMinutes, listedMinutes, setAside } = r;
      const estimateMinutes = travel(from, to, firm).minutes;
      return [
        {
          id,
          from: from.name,
          to: to.name,
          estimateMinutes,
          learntMinutes,
          drives,
          askedMinutes,
          listedMinutes,
          setAside,
        },
      ];
    })
    .sort(
      (a, b) =>
        Number(b.askedMinutes !== null) - Number(a.askedMinutes !== null) ||
        byText(a.from, b.from) ||
        byText(a.to, b.to),
    );
}

export const RoadSchema = z.object({
  roadId: z.uuid("Reload the page and try again."),
  /** Put what was learnt aside, use it again, or take what the refused drives agree on. */
  what: z.enum(["set-aside", "use", "as-driven", "as-estimated"]),
});

/** Decides about what was learnt of a way. */
export async function decideRoad(
  scope: Scope,
  { roadId, what }: z.infer<typeof RoadSchema>,
  { now }: When,
): Promise<void> {
  requireDesk(scope);
  await inTransaction(async (tx) => {
    const which = and(eq(road.businessId, scope.businessId), eq(road.id, roadId));
    const [row] = await tx.select().from(road).where(which).for("update");
    if (!row) throw notFound("way");
    if (what === "as-driven" && row.askedMinutes === null)
      throw new Refused(409, "answered", "This was answered already.");
    const next = {
      "set-aside": { setAside: true },
      use: { setAside: false },
      "as-driven": { listedMinutes: row.askedMinutes, askedMinutes: null },
      "as-estimated": { listedMinutes: null, askedMinutes: null },
    }[what];
    await tx.update(road).set(next).where(which);
    const old = { listedMinutes: row.listedMinutes, setAside: row.setAside };
    await tx.insert(deskChange).values({
      ...{ id: newId(), businessId: scope.businessId, personId: scope.personId, batchId: newId(), at: now },
      ...{ entity: "road", entityId: row.id, field: what, old, new: next },
    });
  });
}

const HEADS = ["from", "to", "minutes"] as const;
const MOST_ROWS = 20_000;
const MOST_MINUTES = 600;

/** A list of ways that was read: what it says, and what is wrong, by its line. */
export interface ReadRoads {
  readonly ways: readonly { readonly fromId: string; readonly toId: string; readonly minutes: number }[];
  readonly problems: readonly { readonly line: number; readonly says: string }[];
  /** Ways between places of the firm that the list says nothing of: they stay as they are known. */
  readonly missing: number;
}

export const RoadsFileSchema = z.object({
  text: z.string().min(1, "Choose a file with columns From, To and Minutes.").max(4_000_000, "The file is too large."),
});

/** Reads a list of ways, CSV with the columns From, To and Minutes; Base is where rounds start. */
export async function readRoads(scope: Scope, { text }: z.infer<typeof RoadsFileSchema>): Promise<ReadRoads> {
  requireDesk(scope);
  const { places } = await placesOf(db(), scope);
  return readList(text, places);
}

function readList(text: string, places: ReadonlyMap<string, { readonly name: string }>): ReadRoads {
  const byName = new Map<string, string[]>();
  for (const [id, { name }] of places) byName.set(fold(name), [...(byName.get(fold(name)) ?? []), id]);
  const [head = [], ...rows] = rowsOf(text);
  const column = HEADS.map((h) => head.findIndex((c) => fold(c).startsWith(h)));
  const lacks = HEADS.filter((_, i) => column[i] === -1);
  if (lacks.length > 0)
    return { ways: [], problems: [{ line: 1, says: `The file has no column ${lacks.join(", ")}.` }], missing: 0 };
  const problems: { line: number; says: string }[] = [];
  const ways = new Map<string, { fromId: string; toId: string; minutes: number }>();
  rows.slice(0, MOST_ROWS).forEach((cells, i) => {
    const line = i + 2;
    const [from = "", to = "", minutes = ""] = column.map((c) => cells[c]?.trim() ?? "");
    const ids = [from, to].map((name) => {
      const found = byName.get(fold(name)) ?? [];
      if (found.length === 1) return found[0] ?? "";
      problems.push({
        line,
        says: found.length === 0 ? `There is no site “${name}”.` : `Several sites are called “${name}”.`,
      });
      return "";
    });
    const [fromId = "", toId = ""] = ids;
    const value = Number(minutes.replace(",", "."));
    if (minutes === "" || !(value >= 0 && value <= MOST_MINUTES)) {
      problems.push({ line, says: `Enter minutes from 0 to ${MOST_MINUTES} instead of “${minutes}”.` });
      return;
    }
    if (fromId === "" || toId === "") return;
    if (fromId === toId) problems.push({ line, says: "A way leads from one place to another." });
    else if (ways.has(wayKey(fromId, toId)))
      problems.push({ line, says: `The way from ${from} to ${to} is there twice.` });
    else ways.set(wayKey(fromId, toId), { fromId, toId, minutes: value });
  });
  return { ways: [...ways.values()], problems, missing: places.size * (places.size - 1) - ways.size };
}

/** The cells of a CSV text, whatever a spreadsheet puts between them. */
function rowsOf(text: string): string[][] {
  const [head = ""] = text.split("\n", 1);
  // By the heading: in the lines a comma may stand before decimals.
  const delimiter = [";", "\t", ","].find((sign) => head.includes(sign)) ?? ",";
  try {
    return parse(text, {
      ...{ bom: true, delimiter, relax_column_count: true },
      ...{ skip_empty_lines: true, trim: true },
    });
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    throw new Refused(422, "not-csv", `The file cannot be read as a table: ${why}`, {});
  }
}

const fold = (text: string): string => text.trim().toLocaleLowerCase("en");

/** Takes a list over: its good lines count from now on, before anything that was learnt. */
export async function saveRoads(
  scope: Scope,
  input: z.infer<typeof RoadsFileSchema>,
  { now }: When,
): Promise<{ ways: number }> {
  const { ways, problems } = await readRoads(scope, input);
  const [first] = problems;
  if (ways.length === 0)
    throw new Refused(422, "invalid", first ? `Line ${first.line}: ${first.says}` : "The file has no lines.", {});
  await inTransaction(async (tx) => {
    for (const { fromId, toId, minutes } of ways)
      await tx
        .insert(road)
        .values({ id: newId(), businessId: scope.businessId, fromId, toId, listedMinutes: minutes })
        .onDuplicateKeyUpdate({ set: { listedMinutes: minutes } });
    await keepList(tx, scope, now, { listed: ways.length });
  });
  return { ways: ways.length };
}

/** Takes the whole list out again: what was learnt counts. */
export async function clearRoads(scope: Scope, { now }: When): Promise<void> {
  requireDesk(scope);
  await inTransaction(async (tx) => {
    await tx.update(road).set({ listedMinutes: null }).where(eq(road.businessId, scope.businessId));
    await tx
      .delete(road)
      .where(and(eq(road.businessId, scope.businessId), isNull(road.learntMinutes), isNull(road.askedMinutes)));
    await keepList(tx, scope, now, { listed: 0 });
  });
}

const keepList = (tx: Queries, scope: Scope, now: Date, what: { readonly listed: number }) =>
  tx.insert(deskChange).values({
    ...{ id: newId(), businessId: scope.businessId, personId: scope.personId, batchId: newId(), at: now },
    ...{ entity: "road", entityId: scope.businessId, field: "list", old: null, new: what },
  });
