import { addDays, daysBetween } from "@keel-round/core/calendar";
import {
  closedDays,
  countsFrom,
  landOn,
  type OpenDays,
  type Recurrence,
  relay,
  ruleOf,
  sayOn,
  sayRecurrence,
  seriesDates,
  usualGapDays,
  weekdayName,
} from "@keel-round/core/series";
import { RhythmSchema, SpellSchema } from "@keel-round/core/series/schema";
import { andList } from "@keel-round/core/text";
import { and, asc, desc, eq, gte, inArray, isNull, lt, ne } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import { lockSite } from "../access/locks";
import type { Scope } from "../access/scope";
import { technicians } from "../access/units";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { firmHolidays, siteOpenDays } from "../database/openDays";
import { inTransaction, type Queries } from "../database/transaction";
import { business, series, seriesTank, type site, stop, tank, visit } from "../schema";
import { fitVisits, layStops } from "./lay";
import { asTheyStand, keepChange } from "./remember";
import { rowOf } from "./rows";

const date = (says: string) => z.iso.date(says);

/** Recurring visits as a form asks for them, new or changed. */
export const SeriesSchema = z.object({
  siteId: z.uuid("Reload the page and try again."),
  /** Null begins a series. */
  seriesId: z.uuid("Reload the page and try again.").nullable(),
  /** The first day that changes: of a new series its first visit. */
  fromOn: date("Enter the day it changes from."),
  personId: z.uuid("Choose who comes."),
  /** Null serves all tanks of the site, also those that come to it later. */
  tankIds: z.array(z.uuid()).min(1, "Choose at least one tank, or all.").max(500).readonly().nullable(),
  rhythm: RhythmSchema,
  untilOn: date("Enter the last day, or leave it empty.").nullable(),
  spells: z.array(SpellSchema).max(40, "A series can have 40 such times at most: remove one that is over.").readonly(),
});

export type SeriesInput = z.infer<typeof SeriesSchema>;

/** What a change would do, before anything changes: days as dates. */
export interface SeriesPreview {
  readonly said: readonly string[];
  /** The next visits: the day it is laid on, and the day the rhythm gives where that is another. */
  readonly next: readonly { readonly on: string; readonly closedOn: string | null }[];
  readonly added: readonly string[];
  readonly gone: readonly string[];
  /** Visits that stay though the rhythm would not give them: somebody moved, skipped, began or wrote them. */
  readonly stay: readonly string[];
  readonly notes: readonly string[];
}

/** How far ahead days are shown where nothing is laid out yet, days. */
const AHEAD_DAYS = 400;
const SHOWN = 6;

/** Shows what a change of recurring visits would do. Changes nothing. */
export async function previewSeries(scope: Scope, input: SeriesInput, { today }: When): Promise<SeriesPreview> {
  const weighed = await weigh(db(), scope, input, today);
  const { recurrence, windows, relaid, dates } = weighed;
  const next = dates.slice(0, SHOWN).map((on) => {
    const landed = landOn(windows, on);
    return { on: landed ?? on, closedOn: landed === on ? null : on };
  });
  return {
    said: sayRecurrence(recurrence, today),
    next,
    added: [...relaid.added, ...relaid.back.map((s) => s.onDate)].sort(),
    gone: relaid.gone.map((s) => s.onDate).sort(),
    stay: relaid.stay.map((s) => s.onDate).sort(),
    notes: [...(await notesOn(db(), scope, input, weighed, today))],
  };
}

/**
 * Begins a series, or changes it from a day on: what was moved, skipped, begun or written stays true.
 *
 * A change of rhythm, person or tanks ends the series and begins another, so that what was keeps its own.
 *
 * @returns the id by which it can be undone
 * @throws a refusal for a day that is over, days on which the site is closed, or nobody who goes out.
 */
export async function saveSeries(scope: Scope, input: SeriesInput, when: When): Promise<{ changeId: string }> {
  return inTransaction((tx) => saveSeriesIn(tx, scope, input, when));
}

/** The same as a part of a larger transaction. */
export async function saveSeriesIn(
  tx: Queries,
  scope: Scope,
  input: SeriesInput,
  when: When,
): Promise<{ changeId: string }> {
  await lockSite(tx, scope, input.siteId);
  const { old, recurrence, relaid, stops, splits, laidOutTo } = await weigh(tx, scope, input, when.today);
  const before = await asTheyStand(tx, scope.businessId, {
    seriesIds: old ? [old.id] : [],
    stopIds: stops.map((s) => s.id),
  });
  const seriesId = old && !splits ? old.id : newId();
  const row = { ...rowOf(recurrence), personId: input.personId };
  if (old && splits)
    await tx
      .update(series)
      .set({ untilOn: addDays(input.fromOn, -1) })
      .where(eq(series.id, old.id));
  if (seriesId === old?.id) await tx.update(series).set(row).where(eq(series.id, seriesId));
  else await tx.insert(series).values({ id: seriesId, businessId: scope.businessId, siteId: input.siteId, ...row });
  await setTanks(tx, scope.businessId, seriesId, input.tankIds);

  const gone = relaid.gone.map((s) => s.id);
  if (gone.length > 0) await tx.update(stop).set({ off: "withdrawn" }).where(inArray(stop.id, gone));
  const back = relaid.back.map((s) => s.id);
  if (back.length > 0) await tx.update(stop).set({ off: null }).where(inArray(stop.id, back));
  const leaves = new Set([...gone, ...relaid.stay.map((s) => s.id)]);
  const goOn = stops.filter((s) => !leaves.has(s.id) && (!s.withdrawn || back.includes(s.id)));
  if (goOn.length > 0)
    await tx
      .update(stop)
      .set({ seriesId })
      .where(
        inArray(
          stop.id,
          goOn.map((s) => s.id),
        ),
      );
  const free = goOn.filter((s) => !s.begun).map((s) => s.id);
  if (free.length > 0 && (!old || old.personId !== input.personId))
    await tx.update(stop).set({ personId: input.personId }).where(inArray(stop.id, free));
  await fitVisits(tx, scope.businessId, [...gone, ...free]);
  const laid = laidOutTo
    ? await layStops(tx, scope.businessId, { from: input.fromOn, to: laidOutTo, only: [seriesId] })
    : [];
  const changeId = await keepChange(
    tx,
    scope,
    {
      siteId: input.siteId,
      said: sayRecurrence(recurrence, when.today).join(" "),
      before,
      made: { seriesIds: seriesId === old?.id ? [] : [seriesId], stopIds: laid },
    },
    when,
  );
  return { changeId };
}

async function setTanks(
  tx: Queries,
  businessId: string,
  seriesId: string,
  tankIds: readonly string[] | null,
): Promise<void> {
  await tx.delete(seriesTank).where(and(eq(seriesTank.businessId, businessId), eq(seriesTank.seriesId, seriesId)));
  if (tankIds)
    await tx.insert(seriesTank).values(tankIds.map((tankId) => ({ id: newId(), businessId, seriesId, tankId })));
}

/** A stop of a series, and whether it was begun. */
type SeriesStop = Awaited<ReturnType<typeof stopsFrom>>[number];

interface Weighed {
  readonly old: typeof series.$inferSelect | null;
  readonly recurrence: Recurrence;
  readonly windows: OpenDays;
  /** Its days from the first that changes, far enough ahead to be shown. */
  readonly dates: readonly string[];
  readonly stops: readonly SeriesStop[];
  readonly relaid: ReturnType<typeof relay>;
  /** Whether the series ends and another begins. */
  readonly splits: boolean;
  readonly laidOutTo: string | null;
}

/** Checks what is asked for and works out what it does. */
async function weigh(tx: Queries, scope: Scope, input: SeriesInput, today: string): Promise<Weighed> {
  const { businessId } = scope;
  if (scope.role === "tankOwner") throw notFound("site");
  const place = await lockSite(tx, scope, input.siteId);
  const windows = siteOpenDays(place as unknown as typeof site.$inferSelect, await firmHolidays(tx, businessId));
  if (input.fromOn < today) throw wrong("fromOn", "That day is over: enter today or a later day.");
  if (!(await technicians(scope, tx)).some((p) => p.id === input.personId))
    throw wrong("personId", "Choose a technician.");
  await requireTanks(tx, scope, input);
  for (const [field, rhythm] of [
    ["rhythm", input.rhythm],
    ...input.spells.map((s) => ["spells", s.rhythm] as const),
  ] as const) {
    const closed = rhythm ? closedDays(rhythm, windows) : [];
    if (closed.length > 0)
      throw wrong(
        field,
        `The site is closed on ${andList(closed.map((d) => `${weekdayName(d)}s`))}: choose other days, or change its hours.`,
      );
  }
  const old = input.seriesId ? await seriesRow(tx, scope, input.siteId, input.seriesId) : null;
  const goesOn = old !== null && old.rule === ruleOf(input.rhythm);
  const earlier = old
    ? await tx
        .select({ id: stop.id })
        .from(stop)
        .where(and(eq(stop.businessId, businessId), eq(stop.seriesId, old.id), lt(stop.originalOn, input.fromOn)))
        .limit(1)
    : [];
  const tanks = old ? await namedTanks(tx, businessId, old.id) : null;
  const splits = earlier.length > 0 && (!goesOn || old?.personId !== input.personId || !sameSet(tanks, input.tankIds));
  const recurrence: Recurrence = {
    rhythm: input.rhythm,
    startOn: goesOn && old ? old.startOn : countsFrom(input.rhythm, input.fromOn),
    fromOn: goesOn && splits ? input.fromOn : (goesOn && old?.fromOn) || null,
    untilOn: input.untilOn,
    spells: input.spells,
  };
  if (input.untilOn && input.untilOn < input.fromOn)
    throw wrong("untilOn", "The last day is before the day it changes from.");
  const dates = seriesDates(recurrence, input.fromOn, addDays(input.fromOn, AHEAD_DAYS));
  if (dates.length === 0 && !old)
    throw wrong("rhythm", "No visit falls between those days: choose a later last day, or other days.");
  const [firm] = await tx.select({ to: business.laidOutTo }).from(business).where(eq(business.id, businessId));
  const laidOutTo = firm?.to ?? null;
  const stops = old ? await stopsFrom(tx, businessId, old.id, input.fromOn) : [];
  const laid = dates.filter((d) => laidOutTo !== null && d <= laidOutTo);
  return { old, recurrence, windows, dates, stops, relaid: relay(stops, laid), splits, laidOutTo };
}

const wrong = (field: string, message: string): Refused => new Refused(422, "invalid", message, { [field]: [message] });

const sameSet = (a: readonly string[] | null, b: readonly string[] | null): boolean =>
  a === null || b === null ? a === b : a.length === b.length && a.every((x) => b.includes(x));

async function seriesRow(tx: Queries, scope: Scope, siteId: string, seriesId: string) {
  const [row] = await tx
    .select()
    .from(series)
    .where(and(eq(series.businessId, scope.businessId), eq(series.id, seriesId), eq(series.siteId, siteId)))
    .for("update");
  if (!row) throw notFound("series");
  return row;
}

async function namedTanks(tx: Queries, businessId: string, seriesId: string): Promise<string[] | null> {
  const rows = await tx
    .select({ tankId: seriesTank.tankId })
    .from(seriesTank)
    .where(and(eq(seriesTank.businessId, businessId), eq(seriesTank.seriesId, seriesId)));
  return rows.length === 0 ? null : rows.map((r) => r.tankId);
}

async function requireTanks(tx: Queries, scope: Scope, { siteId, tankIds }: SeriesInput): Promise<void> {
  if (!tankIds) return;
  const here = await tx
    .select({ id: tank.id })
    .from(tank)
    .where(
      and(
        eq(tank.businessId, scope.businessId),
        eq(tank.siteId, siteId),
        isNull(tank.archivedAt),
        inArray(tank.id, tankIds),
      ),
    );
  if (here.length !== new Set(tankIds).size) throw wrong("tankIds", "Choose tanks of this site: reload the page.");
}

/** The stops of a series from a day on, by the day that its rhythm gave them. */
async function stopsFrom(tx: Queries, businessId: string, seriesId: string, fromOn: string) {
  const rows = await tx
    .select()
    .from(stop)
    .where(and(eq(stop.businessId, businessId), eq(stop.seriesId, seriesId), gte(stop.originalOn, fromOn)))
    .orderBy(asc(stop.originalOn));
  if (rows.length === 0) return [];
  const ids = rows.map((r) => r.id);
  const visits = await tx
    .select({ stopId: visit.stopId, state: visit.state, chosen: visit.chosen, on: visit.onDate })
    .from(visit)
    .where(and(eq(visit.businessId, businessId), inArray(visit.stopId, ids)));
  const begun = new Set(visits.filter((v) => v.state === "open" || v.state === "closed").map((v) => v.stopId));
  const written = new Set(visits.filter((v) => v.chosen !== null).map((v) => v.stopId));
  return rows.map((s) => ({
    id: s.id,
    originalOn: s.originalOn,
    onDate: s.onDate,
    withdrawn: s.off === "withdrawn",
    begun: begun.has(s.id),
    settled: s.moved || s.off === "skipped" || s.refillAfter || begun.has(s.id) || written.has(s.id),
  }));
}

/** Days apart, as a share of the usual, under which two visits are pointed out. */
const TIGHT = 0.34;

/** What a person should know before it is saved: visits that come too close, and tanks that are visited that day anyway. */
async function notesOn(
  tx: Queries,
  scope: Scope,
  input: SeriesInput,
  { old, recurrence, dates, windows, laidOutTo }: Weighed,
  today: string,
): Promise<string[]> {
  const notes: string[] = [];
  const usual = usualGapDays(recurrence.rhythm);
  const first = dates[0];
  if (old && first) {
    const [last] = await tx
      .select({ on: stop.onDate })
      .from(stop)
      .where(
        and(
          eq(stop.businessId, scope.businessId),
          eq(stop.seriesId, old.id),
          lt(stop.originalOn, input.fromOn),
          isNull(stop.off),
        ),
      )
      .orderBy(desc(stop.originalOn))
      .limit(1);
    const gap = last ? daysBetween(last.on, first) : null;
    if (last && gap !== null && gap < usual * TIGHT)
      notes.push(`The first is ${gap === 1 ? "1 day" : `${gap} days`} after the visit of ${sayOn(last.on, today)}.`);
    if (last && gap !== null && gap > usual * 2)
      notes.push(`The first is ${gap} days after the visit of ${sayOn(last.on, today)}.`);
  }
  if (old && old.personId !== input.personId) {
    const names = new Map((await technicians(scope, tx)).map((p) => [p.id, p.name]));
    const who = names.get(input.personId) ?? "";
    notes.push(`From then on ${who} comes${names.has(old.personId) ? ` instead of ${names.get(old.personId)}` : ""}.`);
  }
  const closed = dates.slice(0, SHOWN).filter((d) => landOn(windows, d) === null);
  if (closed.length > 0) notes.push("The site is never open near some of these days: they are left out.");
  const others = await tx
    .select({ on: visit.onDate, name: tank.name })
    .from(visit)
    .innerJoin(stop, and(eq(stop.businessId, visit.businessId), eq(stop.id, visit.stopId)))
    .innerJoin(tank, and(eq(tank.businessId, visit.businessId), eq(tank.id, visit.tankId)))
    .where(
      and(
        eq(stop.businessId, scope.businessId),
        eq(stop.siteId, input.siteId),
        gte(visit.onDate, input.fromOn),
        ne(visit.state, "off"),
        input.tankIds ? inArray(visit.tankId, input.tankIds) : undefined,
        old ? ne(stop.seriesId, old.id) : undefined,
      ),
    )
    .orderBy(asc(visit.onDate), asc(tank.name));
  const shared = others.filter((o) => laidOutTo && o.on <= laidOutTo && dates.some((d) => landOn(windows, d) === o.on));
  const [one] = shared;
  if (one)
    notes.push(
      `${one.name} has a visit on ${sayOn(one.on, today)} already${shared.length > 1 ? ", and on other days" : ""}: it gets no second one that day.`,
    );
  return notes;
}
