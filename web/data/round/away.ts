import type { OpenDate } from "@keel-round/core/series";
import { and, eq, inArray } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import { lockSite } from "../access/locks";
import { type Scope, seesAll } from "../access/scope";
import { technicians } from "../access/units";
import type { When } from "../access/when";
import { newId } from "../database/ids";
import { inTransaction, type Queries } from "../database/transaction";
import { draftNotices, type NoticeDraft } from "../notices/notices";
import { deskChange, personAway, site } from "../schema";
import { undoChangeIn } from "../series/undo";
import { MovesSchema, type Placed, placeIn } from "./place";

const day = z.iso.date("Enter a day that exists.");

export const AwaySchema = z
  .object({
    personIds: z.array(z.uuid("Choose who is away.")).max(200),
    /** The site that is closed, where nobody is away. */
    siteId: z.uuid("Choose the site that is closed.").nullable().optional(),
    fromOn: day,
    untilOn: day,
    why: z.string().trim().min(1, "Say why, in a few words.").max(120, "Enter at most 120 characters."),
    /** What becomes of their stops; none where that is settled later. */
    moves: MovesSchema.optional(),
  })
  .refine((a) => a.personIds.length > 0 || a.siteId, { path: ["personIds"], message: "Choose who is away." })
  .refine((a) => a.untilOn >= a.fromOn, {
    path: ["untilOn"],
    message: "Enter a last day that is not before the first.",
  });
export const TakeBackSchema = z.object({
  changeIds: z.array(z.uuid("Reload the weeks and try again.")).max(60),
  awayIds: z.array(z.uuid("Reload the weeks and try again.")).max(200),
  /** The days on which a site was noted as closed. */
  closed: z
    .object({ siteId: z.uuid("Reload the weeks and try again."), fromOn: day, untilOn: day })
    .nullable()
    .optional(),
});

/** What noting an absence answers: what undoes it, and whom to tell. */
export interface AwayNoted extends Placed {
  readonly awayIds: readonly string[];
  readonly closed: { readonly siteId: string; readonly fromOn: string; readonly untilOn: string } | null;
  readonly tell: readonly NoticeDraft[];
}

/**
 * Notes that people are away and moves their stops, in one go: all of it or nothing.
 *
 * @throws a refusal as for moving stops. A technician notes their own absence only.
 */
export async function noteAway(scope: Scope, input: z.infer<typeof AwaySchema>, when: When): Promise<AwayNoted> {
  return inTransaction(async (tx) => {
    const { personIds, fromOn, untilOn, why, moves } = input;
    const people = await technicians(scope, tx);
    const mine = (id: string) => people.some((p) => p.id === id) && (seesAll(scope.role) || id === scope.personId);
    if (!personIds.every(mine)) throw notFound("person");
    if (untilOn < when.today)
      throw new Refused(422, "invalid", "These days are over.", { untilOn: ["These days are over."] });
    const rows = [...new Set(personIds)].map((personId) => ({
      ...{ id: newId(), businessId: scope.businessId, personId },
      ...{ fromOn, untilOn, why },
    }));
    if (rows.length > 0) {
      await tx.insert(personAway).values(rows);
      await tx.insert(deskChange).values(
        rows.map((r) => ({
          ...{ id: newId(), businessId: scope.businessId, personId: scope.personId, at: when.now, batchId: r.id },
          ...{ entity: "person", entityId: r.personId, field: "away", old: null },
          new: `${fromOn} to ${untilOn}: ${why}`,
        })),
      );
    }
    const closed = input.siteId ? { siteId: input.siteId, fromOn, untilOn } : null;
    if (closed)
      await setDates(tx, scope, closed.siteId, when, (dates) => [
        ...dates,
        { fromOn, untilOn, opensH: null, closesH: null, why },
      ]);
    const changeIds = moves && moves.length > 0 ? await placeIn(tx, scope, { moves, why }, when) : [];
    return { awayIds: rows.map((r) => r.id), closed, changeIds, tell: await draftNotices(tx, scope, changeIds, when) };
  });
}

/** Undoes changes of the weeks, the latest first, and takes absences back: all of it or nothing. */
export async function takeBack(
  scope: Scope,
  { changeIds, awayIds, closed }: z.infer<typeof TakeBackSchema>,
  when: When,
): Promise<{ readonly begun: number }> {
  return inTransaction(async (tx) => {
    const which = and(eq(personAway.businessId, scope.businessId), inArray(personAway.id, [...awayIds]));
    const rows = awayIds.length === 0 ? [] : await tx.select().from(personAway).where(which);
    if (rows.length !== new Set(awayIds).size) throw notFound("absence");
    if (!seesAll(scope.role) && rows.some((r) => r.personId !== scope.personId)) throw notFound("absence");
    if (rows.length > 0) await tx.delete(personAway).where(which);
    if (closed)
      await setDates(tx, scope, closed.siteId, when, (dates) =>
        dates.filter((d) => !(d.fromOn === closed.fromOn && d.untilOn === closed.untilOn && d.opensH === null)),
      );
    let begun = 0;
    for (const id of [...changeIds].reverse()) begun += (await undoChangeIn(tx, scope, id, when)).begun;
    return { begun };
  });
}

/** Changes the dates of a site on which it keeps other hours, in its history as any edit. */
async function setDates(
  tx: Queries,
  scope: Scope,
  siteId: string,
  { now }: When,
  change: (dates: readonly OpenDate[]) => readonly OpenDate[],
): Promise<void> {
  const row = (await lockSite(tx, scope, siteId)) as unknown as typeof site.$inferSelect;
  const dates = change(row.dates);
  await tx
    .update(site)
    .set({ dates, version: row.version + 1 })
    .where(and(eq(site.businessId, scope.businessId), eq(site.id, siteId)));
  await tx.insert(deskChange).values({
    ...{ id: newId(), businessId: scope.businessId, personId: scope.personId, at: now, batchId: newId() },
    ...{ entity: "site", entityId: siteId, field: "dates", old: row.dates, new: dates },
  });
}
