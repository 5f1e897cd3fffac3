import { sayOn, shiftRhythm } from "@keel-round/core/series";
import { byText } from "@keel-round/core/text";
import { and, eq, isNull } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import { lockSite } from "../access/locks";
import { type Scope, seesAll } from "../access/scope";
import { requireStop } from "../access/sight";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { inTransaction, type Queries } from "../database/transaction";
import { series, seriesTank, stop } from "../schema";
import { saveSeriesIn } from "../series/change";
import { asTheyStand, keepChange } from "../series/remember";
import { recurrenceOf } from "../series/rows";
import { NOTHING } from "../series/stops";
import { MovesSchema, type Placed, placeIn } from "./place";

const day = z.iso.date("Enter a day that exists.");

export const SettleSchema = z
  .object({
    moves: MovesSchema,
    /** Series that move as a whole, from one of their visits on. */
    series: z
      .array(
        z.object({
          seriesId: z.uuid("Reload the weeks and try again."),
          shiftDays: z.number().int().min(-6).max(6),
          personId: z.uuid("Choose who comes."),
          firstOn: day,
        }),
      )
      .max(60, "Settle at most 60 series at once."),
    /** Days that go back to base after the stop at a site, once all of it is moved. */
    refills: z
      .array(
        z.object({ siteId: z.uuid("Reload the weeks and try again."), personId: z.uuid("Choose who comes."), on: day }),
      )
      .max(60, "Put at most 60 refills in at once."),
  })
  .refine((s) => s.moves.length + s.series.length + s.refills.length > 0, {
    path: ["moves"],
    message: "Choose at least one move.",
  });

type SeriesMove = z.infer<typeof SettleSchema>["series"][number];
type Refill = z.infer<typeof SettleSchema>["refills"][number];

/**
 * Accepts a settled round, all of it or nothing: single visits are moved, series take their new day and person for
 * good, and days go back to base where they are better for it.
 *
 * @throws a refusal as for moving stops and changing series; and for a rhythm that cannot be shifted.
 */
export async function settleRound(scope: Scope, input: z.infer<typeof SettleSchema>, when: When): Promise<Placed> {
  return inTransaction(async (tx) => {
    const changeIds: string[] = [];
    for (const move of [...input.series].sort((a, b) => byText(a.seriesId, b.seriesId)))
      changeIds.push(await shiftSeries(tx, scope, move, when));
    changeIds.push(...(await placeIn(tx, scope, { moves: input.moves }, when)));
    for (const refill of [...input.refills].sort((a, b) => byText(a.siteId, b.siteId) || byText(a.on, b.on)))
      changeIds.push(await refillAfter(tx, scope, refill, when));
    return { changeIds };
  });
}

/** Agrees on a return to base after the stop of a person at a site. */
async function refillAfter(tx: Queries, scope: Scope, { siteId, personId, on }: Refill, when: When): Promise<string> {
  const [found] = await tx
    .select({ id: stop.id })
    .from(stop)
    .where(
      and(
        eq(stop.businessId, scope.businessId),
        eq(stop.siteId, siteId),
        eq(stop.personId, personId),
        eq(stop.onDate, on),
        isNull(stop.off),
      ),
    );
  if (!found) throw new Refused(409, "moved-meanwhile", "Somebody else moved a stop meanwhile. Settle the round anew.");
  await requireStop(scope, found.id);
  await lockSite(tx, scope, siteId);
  const before = await asTheyStand(tx, scope.businessId, { seriesIds: [], stopIds: [found.id] });
  await tx.update(stop).set({ refillAfter: true }).where(eq(stop.id, found.id));
  const said = `${sayOn(on, when.today)}: back to base after it to refill`;
  return keepChange(tx, scope, { siteId, said, before, made: NOTHING }, when);
}

async function shiftSeries(tx: Queries, scope: Scope, move: SeriesMove, when: When): Promise<string> {
  const which = and(eq(series.businessId, scope.businessId), eq(series.id, move.seriesId));
  const [row] = await tx.select().from(series).where(which);
  if (!row || !seesAll(scope.role)) throw notFound("series");
  const recurrence = recurrenceOf(row);
  const shifted = shiftRhythm(recurrence.rhythm, move.shiftDays, move.firstOn);
  if (!shifted || recurrence.spells.some((s) => s.rhythm !== null))
    throw new Refused(409, "not-shifted", "This rhythm cannot be shifted as a whole. Change it at its site.");
  const tanks = await tx.select({ id: seriesTank.tankId }).from(seriesTank).where(eq(seriesTank.seriesId, row.id));
  const { changeId } = await saveSeriesIn(
    tx,
    scope,
    {
      ...{ siteId: row.siteId, seriesId: row.id, personId: move.personId, rhythm: shifted.rhythm },
      // A day that is over changes no more.
      fromOn: shifted.fromOn < when.today ? when.today : shifted.fromOn,
      untilOn: recurrence.untilOn,
      spells: recurrence.spells.map((s) => ({ ...s })),
      tankIds: tanks.length > 0 ? tanks.map((t) => t.id) : null,
    },
    when,
  );
  return changeId;
}

export const LockSchema = z.object({
  stopIds: z.array(z.uuid("Reload the weeks and try again.")).min(1, "Choose at least one stop.").max(60),
  locked: z.boolean(),
});

/** Says that stops stay where they are whatever is settled, or that they may be moved again. */
export async function lockStops(scope: Scope, { stopIds, locked }: z.infer<typeof LockSchema>): Promise<void> {
  for (const stopId of stopIds) {
    await requireStop(scope, stopId);
    await db()
      .update(stop)
      .set({ locked })
      .where(and(eq(stop.businessId, scope.businessId), eq(stop.id, stopId)));
  }
}
