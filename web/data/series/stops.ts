import { weekday } from "@keel-round/core/calendar";
import { isOpen, isSpecial, sayOn, weekdayName } from "@keel-round/core/series";
import { and, eq, inArray, isNull, ne } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import { lockSite } from "../access/locks";
import type { Scope } from "../access/scope";
import { requireStop } from "../access/sight";
import { technicians } from "../access/units";
import type { When } from "../access/when";
import { newId } from "../database/ids";
import { firmHolidays, siteOpenDays } from "../database/openDays";
import { inTransaction, type Queries } from "../database/transaction";
import { person, site, stop, tank, visit } from "../schema";
import { asTheyStand, keepChange } from "./remember";

const stopId = z.uuid("Reload the round and try again.");
const why = z.string().trim().min(1, "Say why, in a few words.").max(200, "Enter at most 200 characters.");

export const PlanAgainSchema = z.object({ stopId });
export const SkipSchema = z.object({ stopId, why });
export const MoveSchema = z.object({
  stopId,
  to: z.iso.date("Enter a day that exists."),
  /** Who comes; left out, who would have come. */
  personId: z.uuid("Choose who comes.").optional(),
  /** Also on a day when the site is closed or visited already: the person has been told. */
  anyway: z.boolean().optional(),
});
export const ExtraSchema = z.object({
  siteId: z.uuid("Reload the page and try again."),
  on: z.iso.date("Enter a day that exists."),
  personId: z.uuid("Choose who comes."),
  tankIds: z.array(z.uuid()).min(1, "Choose at least one tank, or all.").max(500).readonly().nullable(),
  anyway: z.boolean().optional(),
});

/** What a change of one visit answers: by which it can be undone. */
export interface Changed {
  readonly changeId: string;
}

/** A stop that can still be moved or left out, with its place. */
export async function plannedStop(tx: Queries, scope: Scope, id: string) {
  await requireStop(scope, id);
  const [row] = await tx
    .select({ stop, site })
    .from(stop)
    .innerJoin(site, and(eq(site.businessId, stop.businessId), eq(site.id, stop.siteId)))
    .where(and(eq(stop.businessId, scope.businessId), eq(stop.id, id)))
    .for("update");
  if (!row) throw notFound("stop");
  const begun = await tx
    .select({ id: visit.id })
    .from(visit)
    .where(and(eq(visit.businessId, scope.businessId), eq(visit.stopId, id), inArray(visit.state, ["open", "closed"])));
  if (begun.length > 0) throw new Refused(409, "already-begun", "This visit has begun: it stays on its day.");
  return row;
}

/** Leaves one visit of a series out, with its reason. Every other visit stays where it is. */
export async function skipStop(scope: Scope, input: z.infer<typeof SkipSchema>, when: When): Promise<Changed> {
  return inTransaction(async (tx) => {
    const row = await plannedStop(tx, scope, input.stopId);
    if (row.stop.off) throw new Refused(409, "is-off", "This visit is left out already.");
    if (row.stop.onDate < when.today) throw new Refused(409, "is-over", "That day is over.");
    const before = await asTheyStand(tx, scope.businessId, { seriesIds: [], stopIds: [row.stop.id] });
    await tx.update(stop).set({ off: "skipped", offWhy: input.why }).where(eq(stop.id, row.stop.id));
    await tx
      .update(visit)
      .set({ state: "off" })
      .where(and(eq(visit.stopId, row.stop.id), eq(visit.state, "planned")));
    const said = `${sayOn(row.stop.onDate, when.today)} is skipped: ${input.why}`;
    return { changeId: await keepChange(tx, scope, { siteId: row.site.id, said, before, made: NOTHING }, when) };
  });
}

/** Of a change that made nothing new. */
export const NOTHING = { seriesIds: [], stopIds: [] };

/**
 * Plans a visit again that was left out.
 *
 * @throws a refusal for a day that is over, or on which one of its tanks has a visit by now.
 */
export async function planAgain(scope: Scope, id: string, when: When): Promise<Changed> {
  return inTransaction(async (tx) => {
    const row = await plannedStop(tx, scope, id);
    if (row.stop.off !== "skipped") throw new Refused(409, "is-planned", "This visit is planned.");
    if (row.stop.onDate < when.today) throw new Refused(409, "is-over", "That day is over.");
    await requireFreeTanks(tx, scope, row, when.today);
    const before = await asTheyStand(tx, scope.businessId, { seriesIds: [], stopIds: [id] });
    await tx.update(stop).set({ off: null, offWhy: null }).where(eq(stop.id, id));
    await tx
      .update(visit)
      .set({ state: "planned" })
      .where(and(eq(visit.stopId, id), eq(visit.state, "off")));
    const said = `${sayOn(row.stop.onDate, when.today)} is planned again`;
    return { changeId: await keepChange(tx, scope, { siteId: row.site.id, said, before, made: NOTHING }, when) };
  });
}

/**
 * Moves one visit to another day, to another person, or both. Its series and its other visits stay as they are.
 *
 * @throws a refusal for a day that is over, a visit that has begun, or, unless it is told "anyway", a day on which the
 * site is closed or visited already.
 */
export async function moveStop(scope: Scope, input: z.infer<typeof MoveSchema>, when: When): Promise<Changed> {
  return inTransaction(async (tx) => {
    const row = await plannedStop(tx, scope, input.stopId);
    if (row.stop.off) throw new Refused(409, "is-off", "This visit is left out: plan it again first.");
    if (input.to < when.today) throw wrong("to", "That day is over: choose today or a later day.");
    if (input.personId) await requireTechnician(tx, scope, input.personId);
    if (!input.anyway) await requireFreeDay(tx, scope, row.site, input.to, when.today, row.stop.id);
    const before = await asTheyStand(tx, scope.businessId, { seriesIds: [], stopIds: [row.stop.id] });
    const personId = input.personId ?? row.stop.personId;
    await tx
      .update(stop)
      .set({ onDate: input.to, moved: row.stop.moved || input.to !== row.stop.onDate, personId })
      .where(eq(stop.id, row.stop.id));
    await tx.update(visit).set({ onDate: input.to }).where(eq(visit.stopId, row.stop.id));
    const [who] = await tx.select({ name: person.name }).from(person).where(eq(person.id, personId));
    const said = sayMove(
      row.stop,
      { on: input.to, by: personId === row.stop.personId ? null : (who?.name ?? "") },
      when,
    );
    return { changeId: await keepChange(tx, scope, { siteId: row.site.id, said, before, made: NOTHING }, when) };
  });
}

/** What a move did, as the site's history tells it; `by` only where somebody else comes. */
export function sayMove(
  was: { readonly onDate: string },
  { on, by }: { readonly on: string; readonly by: string | null },
  { today }: When,
): string {
  const to = on === was.onDate ? "" : ` is moved to ${sayOn(on, today)}`;
  const done = by === null ? "" : `${to ? "," : " is"} done by ${by}`;
  return `${sayOn(was.onDate, today)}${to || done ? `${to}${done}` : " stays"}`;
}

/** Plans one more visit of a site, beside its series: "come back in ten days". */
export async function addStop(
  scope: Scope,
  input: z.infer<typeof ExtraSchema>,
  when: When,
): Promise<Changed & { readonly stopId: string }> {
  return inTransaction(async (tx) => {
    const place = await lockSite(tx, scope, input.siteId);
    if (input.on < when.today) throw wrong("on", "That day is over: choose today or a later day.");
    await requireTechnician(tx, scope, input.personId);
    if (!input.anyway) await requireFreeDay(tx, scope, place, input.on, when.today, null);
    const here = await tx
      .select({ id: tank.id })
      .from(tank)
      .where(and(eq(tank.businessId, scope.businessId), eq(tank.siteId, input.siteId), isNull(tank.archivedAt)));
    const tanks = here.map((t) => t.id).filter((id) => !input.tankIds || input.tankIds.includes(id));
    if (tanks.length === 0 || (input.tankIds && tanks.length !== new Set(input.tankIds).size))
      throw wrong("tankIds", here.length === 0 ? "This site has no tank yet." : "Choose tanks of this site.");
    const id = newId();
    const { businessId } = scope;
    const base = { businessId, siteId: input.siteId, personId: input.personId, seriesId: null };
    await tx.insert(stop).values({ id, ...base, originalOn: input.on, onDate: input.on });
    await tx
      .insert(visit)
      .values(tanks.map((tankId) => ({ id: newId(), businessId, stopId: id, tankId, onDate: input.on })));
    const said = `One more visit on ${sayOn(input.on, when.today)}`;
    const before = { series: [], seriesTanks: [], stops: [], visits: [] };
    const made = { seriesIds: [], stopIds: [id] };
    return { stopId: id, changeId: await keepChange(tx, scope, { siteId: input.siteId, said, before, made }, when) };
  });
}

const wrong = (field: string, message: string): Refused => new Refused(422, "invalid", message, { [field]: [message] });

export async function requireTechnician(tx: Queries, scope: Scope, personId: string): Promise<void> {
  if (!(await technicians(scope, tx)).some((p) => p.id === personId)) throw wrong("personId", "Choose a technician.");
}

/** No tank of a stop has another visit on its day: one may have been planned while it was left out. */
async function requireFreeTanks(
  tx: Queries,
  scope: Scope,
  { stop: of, site: place }: Awaited<ReturnType<typeof plannedStop>>,
  today: string,
): Promise<void> {
  const here = and(eq(visit.businessId, scope.businessId), eq(visit.onDate, of.onDate));
  const own = await tx
    .select({ tankId: visit.tankId })
    .from(visit)
    .where(and(eq(visit.businessId, scope.businessId), eq(visit.stopId, of.id)));
  const [taken] =
    own.length === 0
      ? []
      : await tx
          .select({ id: visit.id })
          .from(visit)
          .where(
            and(
              here,
              ne(visit.stopId, of.id),
              ne(visit.state, "off"),
              inArray(
                visit.tankId,
                own.map((v) => v.tankId),
              ),
            ),
          );
  if (taken)
    throw new Refused(409, "visited-already", `${place.name} has a visit on ${sayOn(of.onDate, today)} already.`);
}

/** Told before a visit is put on a day when nobody opens, or when somebody comes anyway. */
async function requireFreeDay(
  tx: Queries,
  scope: Scope,
  place: typeof site.$inferSelect,
  on: string,
  today: string,
  besides: string | null,
): Promise<void> {
  const open = siteOpenDays(place, await firmHolidays(tx, scope.businessId));
  if (!isOpen(open, on)) {
    const day = isSpecial(open, on) ? sayOn(on, today) : `${weekdayName(weekday(on))}s`;
    throw new Refused(409, "closed-day", `${place.name} is closed on ${day}.`);
  }
  const [there] = await tx
    .select({ id: stop.id, by: person.name })
    .from(stop)
    .innerJoin(person, and(eq(person.businessId, stop.businessId), eq(person.id, stop.personId)))
    .where(
      and(eq(stop.businessId, scope.businessId), eq(stop.siteId, place.id), eq(stop.onDate, on), isNull(stop.off)),
    );
  if (there && there.id !== besides)
    throw new Refused(
      409,
      "visited-already",
      `${place.name} has a visit on ${sayOn(on, today)} already, by ${there.by}.`,
    );
}
