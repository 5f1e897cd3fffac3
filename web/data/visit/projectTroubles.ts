import "@keel-round/core/guide";
import { addDays } from "@keel-round/core/calendar";
import { m, say } from "@keel-round/core/say";
import { isOpen, sayOn } from "@keel-round/core/series";
import { courseDays } from "@keel-round/core/tank";
import { inSentence } from "@keel-round/core/text";
import { courseCalendar, courseOf } from "@keel-round/core/treatment";
import { lookAgainOn, type TroubleCode, troubleOf } from "@keel-round/core/trouble";
import { METRIC } from "@keel-round/core/units";
import type { VisitState } from "@keel-round/core/visit";
import { and, eq, gte, inArray, isNotNull, isNull, lte, ne } from "drizzle-orm";
import { v5 } from "uuid";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { firmHolidays, siteOpenDays } from "../database/openDays";
import type { Queries } from "../database/transaction";
import {
  type finding,
  finding as findingTable,
  site,
  stop,
  type tank,
  tankEvent,
  tank as tankTable,
  visit,
} from "../schema";
import { keepChange } from "../series/remember";

type Base = { readonly businessId: string; readonly tankId: string; readonly visitId: string };

/** What a trouble is called where somebody reads a list of findings. */
const nameOf = (trouble: TroubleCode): string => say(m(`trouble.${trouble}`), METRIC);

const followUpId = ({ visitId }: Pick<Base, "visitId">, id: string, n: number): string =>
  v5(`again ${id} ${n}`, visitId);

/** Something that somebody has to come for on a day: to look at it again, or to go on with a course. */
interface Look {
  readonly id: string;
  readonly text: string;
  readonly on: string;
  readonly giveDays: number;
  /** What has to be answered; null of a dose, which is a step of its visit. */
  readonly asks: Pick<typeof finding.$inferInsert, "kind" | "minutes" | "trouble" | "seenAt"> | null;
}

/** Minutes of the look and the test after a course, and days that they may come earlier or later. */
const [FOLLOW_UP_MINUTES, FOLLOW_UP_GIVE_DAYS] = [10, 2];

/** Everything that a visit leaves to come for, in the order it was said. */
function looksOf(
  base: Pick<Base, "visitId">,
  { troubles, treated }: Pick<VisitState, "troubles" | "treated">,
  on: string,
): Look[] {
  return [
    ...troubles.flatMap(({ id, trouble, at }) =>
      lookAgainOn(trouble, on).map(({ on: day, giveDays, minutes }, n) => ({
        ...{ id: followUpId(base, id, n), text: nameOf(trouble), on: day, giveDays },
        asks: { kind: troubleOf(trouble).finding, minutes, trouble, seenAt: new Date(at) },
      })),
    ),
    ...(treated ? courseLooks(base, treated, on) : []),
  ];
}

/** Doses that are still to come, and the follow-up. */
function courseLooks(
  base: Pick<Base, "visitId">,
  { id, remedy, litres, at }: NonNullable<VisitState["treated"]>,
  on: string,
): Look[] {
  const followUp = { kind: "other" as const, minutes: FOLLOW_UP_MINUTES, seenAt: new Date(at) };
  return courseCalendar(courseOf(remedy, on, litres)).flatMap(({ on: day, what, says }, n): Look[] => {
    if (day <= on || what === "back") return [];
    const look = { id: followUpId(base, id, n), text: say(says, METRIC), on: day };
    return [
      what === "dose"
        ? { ...look, giveDays: 0, asks: null }
        : { ...look, giveDays: FOLLOW_UP_GIVE_DAYS, asks: followUp },
    ];
  });
}

/**
 * The visit with the troubles that were told from the desk and seen to on it: they are looked at again like those that it found.
 */
export async function withTold(tx: Queries, base: Base, state: VisitState): Promise<VisitState> {
  const seen = state.findings.filter((f) => f.outcome?.how === "fixed");
  if (seen.length === 0) return state;
  const rows = await tx
    .select({ id: findingTable.id, trouble: findingTable.trouble })
    .from(findingTable)
    .where(
      and(
        ...[eq(findingTable.businessId, base.businessId), eq(findingTable.tankId, base.tankId)],
        ...[isNotNull(findingTable.trouble), isNull(findingTable.visitId)],
        inArray(
          findingTable.id,
          seen.map((f) => f.id),
        ),
      ),
    );
  const told = rows.flatMap(({ id, trouble }) => {
    const at = seen.find((f) => f.id === id)?.at;
    return trouble && at ? [{ id, trouble, seen: [], unseen: [], at }] : [];
  });
  return { ...state, troubles: [...state.troubles, ...told] };
}

/** Ids of everything that some state of a visit leaves to be looked at again. */
export const followUpIds = (base: Base, states: readonly VisitState[], on: string): string[] =>
  states.flatMap((state) => looksOf(base, state, on).map((look) => look.id));

/** Findings that a visit leaves: looked at again, each on its day and within its window. */
export const followUps = (base: Base, state: VisitState, on: string): (typeof finding.$inferInsert)[] =>
  looksOf(base, state, on).flatMap(({ id, text, on: dueOn, giveDays, asks }) =>
    asks ? [{ ...base, ...asks, id, text, dueOn, giveDays, state: "carried" as const }] : [],
  );

interface Visit extends Base {
  readonly on: string;
  readonly was: VisitState;
  readonly state: VisitState;
}

/**
 * Stops in which troubles are looked at again and courses go on: where no visit of the tank lies in the window, one more is planned on
 * the open day nearest to its day, by whoever came. One that the log does not call for any more goes, unless somebody has begun it.
 *
 * Where the site is closed on every day of the window none is planned; the finding stands with its day all the same.
 */
export async function followUpStops(
  tx: Queries,
  scope: Scope,
  { siteId }: Pick<typeof tank.$inferSelect, "siteId">,
  { on, was, state, ...base }: Visit,
  when: When,
): Promise<void> {
  const called = state.closedAt ? looksOf(base, state, on) : [];
  const before = looksOf(base, was, on);
  const all = [...before, ...looksOf(base, state, on)].map((l) => l.id);
  await withdrawStops(
    tx,
    base.businessId,
    all.filter((id) => !called.some((c) => c.id === id)),
  );
  // What somebody made of a stop that was planned before stays.
  const anew = called.filter((l) => !was.closedAt || !before.some((b) => b.id === l.id));
  if (anew.length === 0) return;
  const [place] = await tx
    .select()
    .from(site)
    .where(and(eq(site.businessId, base.businessId), eq(site.id, siteId)));
  const [own] = await tx
    .select({ personId: stop.personId })
    .from(visit)
    .innerJoin(stop, eq(stop.id, visit.stopId))
    .where(eq(visit.id, base.visitId));
  if (!place || !own) return;
  const open = siteOpenDays(place, await firmHolidays(tx, base.businessId));
  for (const look of anew) {
    const from = latest(addDays(look.on, -look.giveDays), addDays(on, 1));
    const until = addDays(look.on, look.giveDays);
    if (until < when.today || (await comesAnyway(tx, base, from, until))) continue;
    const day = nearest(look.on, latest(from, when.today), until, (d) => isOpen(open, d));
    if (!day) continue;
    const { id: stopId } = look;
    if ((await tx.select({ id: stop.id }).from(stop).where(eq(stop.id, stopId))).length > 0) continue;
    const said = `One more visit on ${sayOn(day, when.today)}: ${inSentence(look.text)}`;
    await tx.insert(stop).values({
      ...{ id: stopId, businessId: base.businessId, siteId, personId: own.personId, seriesId: null },
      ...{ originalOn: day, onDate: day },
    });
    await tx.insert(visit).values({
      ...{ id: v5("visit", stopId), businessId: base.businessId, stopId, tankId: base.tankId, onDate: day },
    });
    const made = { seriesIds: [], stopIds: [stopId] };
    const nothing = { series: [], seriesTanks: [], stops: [], visits: [] };
    await keepChange(tx, scope, { siteId, said, before: nothing, made }, when);
  }
}

const latest = (a: string, b: string): string => (a > b ? a : b);

/** The day nearest to a wanted one, between two days, that is open; the later of two as near. */
function nearest(wanted: string, from: string, until: string, open: (day: string) => boolean): string | null {
  for (let off = 0; ; off++) {
    const [after, before] = [addDays(wanted, off), addDays(wanted, -off)];
    if (after > until && before < from) return null;
    if (after >= from && after <= until && open(after)) return after;
    if (before >= from && before <= until && open(before)) return before;
  }
}

/** Whether a visit of the tank lies in the window already. */
async function comesAnyway(tx: Queries, base: Base, from: string, until: string): Promise<boolean> {
  const [one] = await tx
    .select({ id: visit.id })
    .from(visit)
    .where(
      and(
        ...[eq(visit.businessId, base.businessId), eq(visit.tankId, base.tankId), ne(visit.id, base.visitId)],
        ...[inArray(visit.state, ["planned", "open", "closed"]), gte(visit.onDate, from), lte(visit.onDate, until)],
      ),
    )
    .limit(1);
  return one !== undefined;
}

/** Takes back stops that were planned for looks which are not called for any more, as long as nobody has begun them. */
export async function withdrawStops(tx: Queries, businessId: string, ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return;
  const begun = await tx
    .select({ stopId: visit.stopId })
    .from(visit)
    .where(and(eq(visit.businessId, businessId), inArray(visit.stopId, [...ids]), ne(visit.state, "planned")));
  const gone = ids.filter((id) => !begun.some((b) => b.stopId === id));
  if (gone.length === 0) return;
  await tx.delete(visit).where(and(eq(visit.businessId, businessId), inArray(visit.stopId, gone)));
  await tx.delete(stop).where(and(eq(stop.businessId, businessId), inArray(stop.id, gone)));
}

/**
 * A course that began on this visit is the tank's; one that it did not begin after all is taken back. One that was over before it
 * stays in the tank's history as its two days.
 */
export async function projectCourse(
  tx: Queries,
  row: Pick<typeof tank.$inferSelect, "id" | "businessId" | "facts">,
  { on, was, state }: Pick<Visit, "on" | "was" | "state">,
): Promise<void> {
  const { treatment, ...facts } = row.facts;
  const of = and(eq(tankTable.businessId, row.businessId), eq(tankTable.id, row.id));
  if (!state.treated) {
    if (was.treated && treatment?.id === was.treated.id) await tx.update(tankTable).set({ facts }).where(of);
    return;
  }
  const { id, remedy, litres } = state.treated;
  const course = { ...courseOf(remedy, on, litres), id };
  if (JSON.stringify(course) === JSON.stringify(treatment)) return;
  if (treatment && treatment.id !== id)
    for (const [n, day] of courseDays(treatment, on).entries())
      await tx
        .insert(tankEvent)
        .values({
          ...{ id: v5(`course ${treatment.startedOn} ${n}`, row.id), businessId: row.businessId, tankId: row.id },
          ...{ onDate: day.on, text: day.text, breaksRate: true },
        })
        .onDuplicateKeyUpdate({ set: { onDate: day.on } });
  await tx
    .update(tankTable)
    .set({ facts: { ...facts, treatment: course as NonNullable<typeof treatment> } })
    .where(of);
}
