import { timingSafeEqual } from "node:crypto";
import { addDays, civilOf } from "@keel-round/core/calendar";
import { windowOn } from "@keel-round/core/series";
import { METRIC } from "@keel-round/core/units";
import { type BoardStop, runDay, stopsIn } from "@keel-round/core/weeks";
import { and, asc, count, desc, eq, gte, inArray, isNull, lte, max, or } from "drizzle-orm";
import { z } from "zod";
import { notFound } from "../access/define";
import { derivedToken, ownSecrets } from "../access/key";
import { type Scope, seesAll } from "../access/scope";
import { clientsInSight, inSight } from "../access/sight";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { siteOpenDays } from "../database/openDays";
import { loadWeeks } from "../round/weeks";
import { business, calendarFeed, person, roundChange, series, site, stop, tank, visit } from "../schema";
import { recurrenceOf } from "../series/rows";
import { eventsOf, type FeedSeries, type FeedStop } from "./events";
import { calendarText } from "./text";

export const FeedSchema = z.object({
  kind: z.enum(["person", "site"]),
  ofId: z.uuid("Reload the page and try again."),
});
export const RevokeFeedSchema = z.object({ feedId: z.uuid("Reload the page and try again.") });

/** A calendar that is read at an address. */
export interface Feed {
  readonly id: string;
  /** Path of its address; whoever knows it reads the calendar. */
  readonly path: string;
  readonly madeAt: Date;
  readonly readAt: Date | null;
}

const partOf = (id: string) => `calendar:${id}`;
const pathOf = (id: string): string => `/api/calendar/${id}.${derivedToken(partOf(id))}.ics`;

/** The office and leads make any calendar of the firm, others their own. */
async function requireMay(scope: Scope, { kind, ofId }: z.infer<typeof FeedSchema>): Promise<void> {
  if (kind === "person" && ofId === scope.personId) return;
  if (!seesAll(scope.role)) throw notFound(kind);
  const [there] =
    kind === "person"
      ? await db()
          .select({ id: person.id })
          .from(person)
          .where(and(eq(person.businessId, scope.businessId), eq(person.id, ofId), isNull(person.leftAt)))
      : await db()
          .select({ id: site.id })
          .from(site)
          .where(
            and(
              eq(site.businessId, scope.businessId),
              eq(site.id, ofId),
              inSight(site.clientId, await clientsInSight(scope)),
            ),
          );
  if (!there) throw notFound(kind);
}

/** The calendars of people, or of sites, that can be read now, by whose they are. */
export async function feedsOf(scope: Scope, kind: "person" | "site"): Promise<Map<string, Feed>> {
  const rows = await db()
    .select()
    .from(calendarFeed)
    .where(
      and(eq(calendarFeed.businessId, scope.businessId), eq(calendarFeed.kind, kind), isNull(calendarFeed.revokedAt)),
    )
    .orderBy(desc(calendarFeed.madeAt));
  return new Map(rows.map(({ ofId, id, madeAt, readAt }) => [ofId, { id, path: pathOf(id), madeAt, readAt }]));
}

/** The calendar of a person or a site that can be read now; null where there is none. */
export const feedOf = async (scope: Scope, { kind, ofId }: z.infer<typeof FeedSchema>): Promise<Feed | null> =>
  (await feedsOf(scope, kind)).get(ofId) ?? null;

/** Makes an address at which a calendar can be read; the one there is where there is one. */
export async function makeFeed(scope: Scope, of: z.infer<typeof FeedSchema>, { now }: When): Promise<Feed> {
  await requireMay(scope, of);
  const before = await feedOf(scope, of);
  if (before) return before;
  const id = newId();
  await db()
    .insert(calendarFeed)
    .values({ id, businessId: scope.businessId, ...of, madeBy: scope.personId, madeAt: now });
  return { id, path: pathOf(id), madeAt: now, readAt: null };
}

/** Takes an address back: it is never read again, and another one is made when it is asked for. */
export async function revokeFeed(scope: Scope, feedId: string, { now }: When): Promise<void> {
  const which = and(eq(calendarFeed.businessId, scope.businessId), eq(calendarFeed.id, feedId));
  const [row] = await db().select().from(calendarFeed).where(which);
  if (!row) throw notFound("calendar");
  await requireMay(scope, row);
  await db()
    .update(calendarFeed)
    .set({ revokedAt: row.revokedAt ?? now })
    .where(which);
}

/** The feed of an address; null where there is none, or it was taken back. */
async function feedAt(name: string): Promise<typeof calendarFeed.$inferSelect | null> {
  const [id = "", token = ""] = name.replace(/\.ics$/, "").split(".");
  if (!z.uuid().safeParse(id).success) return null;
  const given = Buffer.from(token);
  // An address under the secret before goes on working for as long as that is set.
  const known = ownSecrets().map((secret) => Buffer.from(derivedToken(partOf(id), secret)));
  if (!known.some((wanted) => wanted.length === given.length && timingSafeEqual(wanted, given))) return null;
  const [row] = await db()
    .select()
    .from(calendarFeed)
    .where(and(eq(calendarFeed.id, id), isNull(calendarFeed.revokedAt)));
  return row ?? null;
}

/** So far back stops are in a calendar, and so far ahead their hours are those of the day's plan. */
const BACK_DAYS = 30;
const TIMED_DAYS = 28;
/** A day is searched whole up to so many stops: hundreds are laid for one calendar. */
const EXACT_STOPS = 6;
const FIVE = 5;
const inFives = (minute: number, up = false): number =>
  (up ? Math.ceil(minute / FIVE) : Math.round(minute / FIVE)) * FIVE;

/** RFC 5545 text of the calendar at an address; null where there is none any more. */
export async function calendarAt(name: string, now: Date): Promise<string | null> {
  const feed = await feedAt(name);
  if (!feed) return null;
  const { businessId } = feed;
  const [[firm], [changes]] = await Promise.all([
    db().select().from(business).where(eq(business.id, businessId)),
    db()
      .select({
        made: count(),
        at: max(roundChange.at),
        undone: count(roundChange.undoneAt),
        last: max(roundChange.undoneAt),
      })
      .from(roundChange)
      .where(eq(roundChange.businessId, businessId)),
  ]);
  if (!firm) return null;
  const today = civilOf(now.getTime(), firm.zone).date;
  const holidays = firm.holidays.map((h) => h.on);
  const to = firm.laidOutTo ?? today;
  const from = addDays(today, -BACK_DAYS);
  const stops = await stopsOf(feed, from, to);
  const { timed, minutesOf } = await dayTimes(firm, stops, today);
  const rows = await db()
    .select({ series, site })
    .from(series)
    .innerJoin(site, and(eq(site.businessId, series.businessId), eq(site.id, series.siteId)))
    .where(
      and(
        eq(series.businessId, businessId),
        feed.kind === "site" ? eq(series.siteId, feed.ofId) : eq(series.personId, feed.ofId),
      ),
    );
  const words = (of: typeof site.$inferSelect, by: string, tanks: string) =>
    feed.kind === "site"
      ? {
          summary: `${firm.name}: aquarium visit`,
          description: [by && `${by} comes.`, tanks].filter(Boolean).join(" "),
        }
      : { summary: of.name, description: [tanks, of.access].filter(Boolean).join(" ") };
  const feedStops = stops.map((s): FeedStop => {
    const window = windowOn(siteOpenDays(s.site, holidays), s.stop.onDate);
    return {
      ...{ id: s.stop.id, seriesId: s.stop.seriesId, originalOn: s.stop.originalOn, on: s.stop.onDate },
      startMinute: inFives(timed.get(s.stop.id) ?? window?.from ?? s.dayStart),
      minutes: inFives(minutesOf.get(s.stop.siteId) ?? USUAL_MINUTES, true),
      off: s.stop.off !== null || (feed.kind === "person" && s.stop.personId !== feed.ofId),
      location: s.site.address,
      ...words(s.site, s.by, s.tanks.join(", ")),
    };
  });
  const feedSeries = rows.map(({ series: row, site: of }): FeedSeries => {
    const mine = feedStops.filter((s) => s.seriesId === row.id && !s.off);
    const later = mine.filter((s) => s.on >= today);
    return {
      id: row.id,
      recurrence: recurrenceOf(row),
      usual: {
        startMinute:
          most(later.map((s) => s.startMinute)) ?? inFives(windowOn(siteOpenDays(of, holidays), today)?.from ?? 540),
        minutes: inFives(minutesOf.get(of.id) ?? USUAL_MINUTES, true),
      },
      location: of.address,
      ...words(of, "", ""),
    };
  });
  await db().update(calendarFeed).set({ readAt: now }).where(eq(calendarFeed.id, feed.id));
  const changedAt = [feed.madeAt, changes?.at, changes?.last].reduce((a: Date, b) => (b && b > a ? b : a), feed.madeAt);
  return calendarText(eventsOf(feedSeries, feedStops, { from, to }, today), {
    name: feed.kind === "site" ? `${firm.name}: visits` : "My round",
    zone: firm.zone,
    changedAt,
    changes: (changes?.made ?? 0) + (changes?.undone ?? 0),
  });
}

/** A visit that was never planned. */
const USUAL_MINUTES = 60;

/** The value that comes up most often, the least of those. */
function most(values: readonly number[]): number | null {
  const counts = new Map<number, number>();
  for (const v of values) counts.set(v, (counts.get(v) ?? 0) + 1);
  const [best] = [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0]);
  return best?.[0] ?? null;
}

/** The stops of a calendar's site, or of a person and of their series. */
async function stopsOf(feed: typeof calendarFeed.$inferSelect, from: string, to: string) {
  const which =
    feed.kind === "site"
      ? eq(stop.siteId, feed.ofId)
      : or(eq(stop.personId, feed.ofId), eq(series.personId, feed.ofId));
  const rows = await db()
    .select({ stop, site, by: person.name, dayStart: person.dayStartMinute })
    .from(stop)
    .innerJoin(site, and(eq(site.businessId, stop.businessId), eq(site.id, stop.siteId)))
    .innerJoin(person, and(eq(person.businessId, stop.businessId), eq(person.id, stop.personId)))
    .leftJoin(series, and(eq(series.businessId, stop.businessId), eq(series.id, stop.seriesId)))
    .where(and(eq(stop.businessId, feed.businessId), which, gte(stop.originalOn, from), lte(stop.originalOn, to)))
    .orderBy(asc(stop.originalOn), asc(stop.id));
  const ids = rows.map((r) => r.stop.id);
  const tanks =
    ids.length === 0
      ? []
      : await db()
          .select({ stopId: visit.stopId, name: tank.name })
          .from(visit)
          .innerJoin(tank, and(eq(tank.businessId, visit.businessId), eq(tank.id, visit.tankId)))
          .where(and(eq(visit.businessId, feed.businessId), inArray(visit.stopId, ids)))
          .orderBy(asc(tank.name));
  return rows.map((r) => ({ ...r, tanks: tanks.filter((t) => t.stopId === r.stop.id).map((t) => t.name) }));
}

type Row = Awaited<ReturnType<typeof stopsOf>>[number];

type Firm = typeof business.$inferSelect;

/** Nobody has signed in: a day is laid with all of its stops, as the office sees it. */
const asOffice = ({ id, name, zone }: Firm): Scope => ({
  ...{ businessId: id, businessName: name, zone, role: "office", units: METRIC },
  ...{ personId: "", name: "", clientId: null },
});

/** When each stop of the next weeks begins by its day's plan, and how long each site takes. */
async function dayTimes(firm: Firm, rows: readonly Row[], today: string) {
  const until = addDays(today, TIMED_DAYS);
  const { board } = await loadWeeks(asOffice(firm), today, until);
  const slots = new Map(
    rows
      .filter((r) => r.stop.onDate >= today && r.stop.onDate <= until && r.stop.off === null)
      .map((r) => [`${r.stop.personId} ${r.stop.onDate}`, { personId: r.stop.personId, on: r.stop.onDate }]),
  );
  const timed = new Map<string, number>();
  for (const slot of slots.values())
    for (const s of runDay(board, slot, stopsIn(board, slot), EXACT_STOPS)?.stops ?? []) timed.set(s.stop.id, s.start);
  return { timed, minutesOf: new Map(board.stops.map((s: BoardStop) => [s.siteId, s.minutes])) };
}
