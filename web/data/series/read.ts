import { addDays } from "@keel-round/core/calendar";
import { firstOpen, landOn, type Recurrence, sayRecurrence, seriesDates } from "@keel-round/core/series";
import { and, asc, desc, eq, gte, inArray, isNull, or } from "drizzle-orm";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { firmHolidays, siteOpenDays } from "../database/openDays";
import { person, roundChange, series, seriesTank, site, stop, tank, visit } from "../schema";
import { recurrenceOf } from "./rows";

/** A visit to come, as a list of dates tells it. */
export interface ComingStop {
  readonly stopId: string | null;
  readonly on: string;
  /** The day its series gave it. */
  readonly originalOn: string;
  readonly moved: boolean;
  /** Why it is skipped; null if it is planned. */
  readonly skipped: string | null;
}

/** The recurring visits of a site as the desk shows them. */
export interface SeriesLine {
  readonly id: string;
  readonly personId: string;
  readonly by: string;
  /** Null: all tanks of the site. */
  readonly tankIds: readonly string[] | null;
  readonly recurrence: Recurrence;
  readonly said: readonly string[];
  readonly next: readonly ComingStop[];
}

/** All about the visits of a site. */
export interface SiteVisits {
  readonly series: readonly SeriesLine[];
  /** Visits beside any series. */
  readonly extra: readonly (ComingStop & { readonly by: string })[];
  readonly tanks: readonly { readonly id: string; readonly name: string }[];
  /** The first day from today on which somebody may come. */
  readonly firstOpen: string;
  /** The latest change, if it can be undone. */
  readonly last: { readonly id: string; readonly said: string } | null;
}

const SHOWN = 6;
const AHEAD_DAYS = 400;

/** The recurring visits of a site, with their next days and what was changed last. */
export async function siteVisits(scope: Scope, siteId: string, today: string): Promise<SiteVisits> {
  const q = db();
  const mine = <T extends { businessId: never; siteId: never }>(t: T) =>
    and(eq(t.businessId, scope.businessId as never), eq(t.siteId, siteId as never));
  const [[place], rows, tanks, stops, last] = await Promise.all([
    q
      .select({ windows: site.windows, dates: site.dates, busy: site.busy, holidays: site.holidays })
      .from(site)
      .where(and(eq(site.businessId, scope.businessId), eq(site.id, siteId))),
    q
      .select({ series, by: person.name })
      .from(series)
      .innerJoin(person, and(eq(person.businessId, series.businessId), eq(person.id, series.personId)))
      .where(and(mine(series as never), or(isNull(series.untilOn), gte(series.untilOn, today))))
      .orderBy(asc(series.startOn), asc(series.id)),
    q
      .select({ id: tank.id, name: tank.name })
      .from(tank)
      .where(and(mine(tank as never), isNull(tank.archivedAt)))
      .orderBy(asc(tank.name)),
    q
      .select({ stop, by: person.name })
      .from(stop)
      .innerJoin(person, and(eq(person.businessId, stop.businessId), eq(person.id, stop.personId)))
      .where(and(mine(stop as never), gte(stop.onDate, today), or(isNull(stop.off), eq(stop.off, "skipped"))))
      .orderBy(asc(stop.onDate)),
    lastChange(scope, siteId),
  ]);
  const open = place ? siteOpenDays(place, await firmHolidays(q, scope.businessId)) : {};
  const named = await namedTanks(
    scope,
    rows.map((r) => r.series.id),
  );
  const coming = ({ stop: s }: (typeof stops)[number]): ComingStop => ({
    stopId: s.id,
    on: s.onDate,
    originalOn: s.originalOn,
    moved: s.moved,
    skipped: s.off === "skipped" ? (s.offWhy ?? "") : null,
  });
  const lines = rows.map(({ series: s, by }): SeriesLine => {
    const recurrence = recurrenceOf(s);
    const laid = stops.filter((x) => x.stop.seriesId === s.id).map(coming);
    return {
      id: s.id,
      personId: s.personId,
      by,
      tankIds: named.get(s.id) ?? null,
      recurrence,
      said: sayRecurrence(recurrence, today),
      next: withLater(laid, recurrence, open, today),
    };
  });
  return {
    // One that has no day left was followed by another.
    series: lines.filter((l) => l.next.length > 0 || l.recurrence.untilOn === null),
    extra: stops.filter((x) => x.stop.seriesId === null).map((x) => ({ ...coming(x), by: x.by })),
    tanks,
    firstOpen: firstOpen(open, today),
    last,
  };
}

/** The next days of a series: those laid out, then those its rhythm will give. */
function withLater(
  laid: readonly ComingStop[],
  recurrence: Recurrence,
  windows: Readonly<Record<string, unknown>>,
  today: string,
): ComingStop[] {
  const last = laid.reduce((max, s) => (s.originalOn > max ? s.originalOn : max), addDays(today, -1));
  const later = seriesDates(recurrence, addDays(last, 1), addDays(today, AHEAD_DAYS)).flatMap((originalOn) => {
    const on = landOn(windows, originalOn);
    return on ? [{ stopId: null, on, originalOn, moved: false, skipped: null }] : [];
  });
  return [...laid, ...later].slice(0, SHOWN);
}

async function namedTanks(scope: Scope, seriesIds: readonly string[]): Promise<Map<string, string[]>> {
  if (seriesIds.length === 0) return new Map();
  const rows = await db()
    .select()
    .from(seriesTank)
    .where(and(eq(seriesTank.businessId, scope.businessId), inArray(seriesTank.seriesId, [...seriesIds])));
  const tanks = new Map<string, string[]>();
  for (const r of rows) tanks.set(r.seriesId, [...(tanks.get(r.seriesId) ?? []), r.tankId]);
  return tanks;
}

/** A stop as what moves it or leaves it out has to know it. */
export type StopVisit = NonNullable<Awaited<ReturnType<typeof stopVisit>>>;

/** A stop with what was changed last at its site; null where there is none. */
export async function stopVisit(scope: Scope, stopId: string) {
  const [row] = await db()
    .select({ stop, siteName: site.name })
    .from(stop)
    .innerJoin(site, and(eq(site.businessId, stop.businessId), eq(site.id, stop.siteId)))
    .where(and(eq(stop.businessId, scope.businessId), eq(stop.id, stopId)));
  if (!row) return null;
  const [begun, last] = await Promise.all([
    db()
      .select({ id: visit.id })
      .from(visit)
      .where(
        and(eq(visit.businessId, scope.businessId), eq(visit.stopId, stopId), inArray(visit.state, ["open", "closed"])),
      )
      .limit(1),
    lastChange(scope, row.stop.siteId),
  ]);
  const { businessId: _, ...kept } = row.stop;
  return { ...kept, siteName: row.siteName, begun: begun.length > 0, last };
}

/** The latest change of a site's visits that was not undone: the one that can be. */
async function lastChange(
  scope: Scope,
  siteId: string,
): Promise<{ readonly id: string; readonly said: string } | null> {
  const [last] = await db()
    .select({ id: roundChange.id, said: roundChange.said })
    .from(roundChange)
    .where(
      and(eq(roundChange.businessId, scope.businessId), eq(roundChange.siteId, siteId), isNull(roundChange.undoneAt)),
    )
    .orderBy(desc(roundChange.at), desc(roundChange.id))
    .limit(1);
  return last ?? null;
}
