import "@keel-round/core/guide";
import { addDays } from "@keel-round/core/calendar";
import { m, say } from "@keel-round/core/say";
import { isOpen, sayOn } from "@keel-round/core/series";
import { inSentence } from "@keel-round/core/text";
import { lookAgainOn, type TroubleCode, troubleOf } from "@keel-round/core/trouble";
import { METRIC } from "@keel-round/core/units";
import type { LoggedTrouble, VisitState } from "@keel-round/core/visit";
import { and, eq, gte, inArray, lte, ne } from "drizzle-orm";
import { v5 } from "uuid";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { firmHolidays, siteOpenDays } from "../database/openDays";
import type { Queries } from "../database/transaction";
import { type finding, site, stop, type tank, visit } from "../schema";
import { keepChange } from "../series/remember";

type Base = { readonly businessId: string; readonly tankId: string; readonly visitId: string };

/** What a trouble is called where somebody reads a list of findings. */
const nameOf = (trouble: TroubleCode): string => say(m(`trouble.${trouble}`), METRIC);

const followUpId = ({ visitId }: Base, id: string, n: number): string => v5(`again ${id} ${n}`, visitId);

/** Ids that the follow-ups of some troubles have. */
export const followUpIds = (base: Base, troubles: readonly LoggedTrouble[]): string[] =>
  troubles.flatMap(({ id, trouble }) => troubleOf(trouble).again.map((_, n) => followUpId(base, id, n)));

/** Findings that a trouble leaves: looked at again, each on its day and within its window. */
export const followUps = (base: Base, { troubles }: VisitState, on: string): (typeof finding.$inferInsert)[] =>
  troubles.flatMap(({ id, trouble, at }) =>
    lookAgainOn(trouble, on).map((again, n) => ({
      ...base,
      id: followUpId(base, id, n),
      kind: troubleOf(trouble).finding,
      text: nameOf(trouble),
      state: "carried" as const,
      dueOn: again.on,
      giveDays: again.giveDays,
      minutes: again.minutes,
      trouble,
      seenAt: new Date(at),
    })),
  );

interface Visit extends Base {
  readonly on: string;
  readonly was: VisitState;
  readonly state: VisitState;
}

/**
 * Stops in which troubles are looked at again: where no visit of the tank lies in the window, one more is planned on the open day
 * nearest to its day, by whoever came. One that the log does not call for any more goes, unless somebody has begun it.
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
  const called = state.closedAt ? state.troubles : [];
  await withdraw(
    tx,
    base,
    [...was.troubles, ...state.troubles].filter((t) => !called.some((c) => c.id === t.id)),
  );
  // What somebody made of a stop that was planned before stays.
  const anew = called.filter((t) => !was.closedAt || !was.troubles.some((b) => b.id === t.id));
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
  for (const { id, trouble } of anew)
    for (const [n, again] of lookAgainOn(trouble, on).entries()) {
      const from = latest(addDays(again.on, -again.giveDays), addDays(on, 1));
      const until = addDays(again.on, again.giveDays);
      if (until < when.today || (await comesAnyway(tx, base, from, until))) continue;
      const day = nearest(again.on, latest(from, when.today), until, (d) => isOpen(open, d));
      if (!day) continue;
      const stopId = followUpId(base, id, n);
      if ((await tx.select({ id: stop.id }).from(stop).where(eq(stop.id, stopId))).length > 0) continue;
      const said = `One more visit on ${sayOn(day, when.today)}, to look again at ${inSentence(nameOf(trouble))}`;
      await tx.insert(stop).values({
        ...{ id: stopId, businessId: base.businessId, siteId, personId: own.personId, seriesId: null },
        ...{ originalOn: day, onDate: day },
      });
      await tx.insert(visit).values({
        ...{ id: v5("visit", stopId), businessId: base.businessId, stopId, tankId: base.tankId, onDate: day },
      });
      await keepChange(
        tx,
        scope,
        {
          ...{ siteId, said, before: { series: [], seriesTanks: [], stops: [], visits: [] } },
          made: { seriesIds: [], stopIds: [stopId] },
        },
        when,
      );
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

/** Takes back the stops of troubles that were no troubles, as long as nobody has begun them. */
async function withdraw(tx: Queries, base: Base, troubles: readonly LoggedTrouble[]): Promise<void> {
  const ids = followUpIds(base, troubles);
  if (ids.length === 0) return;
  const begun = await tx
    .select({ stopId: visit.stopId })
    .from(visit)
    .where(and(inArray(visit.stopId, ids), ne(visit.state, "planned")));
  const gone = ids.filter((id) => !begun.some((b) => b.stopId === id));
  if (gone.length === 0) return;
  await tx.delete(visit).where(and(eq(visit.businessId, base.businessId), inArray(visit.stopId, gone)));
  await tx.delete(stop).where(and(eq(stop.businessId, base.businessId), inArray(stop.id, gone)));
}
