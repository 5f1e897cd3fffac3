import { occurrences, ruleFor, weekday } from "@keel-round/core/calendar";
import { and, eq, isNull } from "drizzle-orm";
import { z } from "zod";
import { db } from "../connection";
import { notFound, Refused } from "../define";
import { newId } from "../ids";
import { technicians } from "../people";
import { business, deskChange, person, series, stop, tank, visit } from "../schema";
import type { Scope } from "../scope";
import { inTransaction } from "../transaction";
import type { When } from "../when";
import { lockRow } from "./records";

/** How the visits of a site recur. */
export const RecurSchema = z.object({
  siteId: z.uuid(),
  personId: z.uuid("Choose who comes."),
  rhythm: z.enum(["weekly", "twice-weekly", "fortnightly", "four-weekly"]),
  firstOn: z.iso.date("That day does not exist."),
});

/** A recurring visit as the desk shows it. */
export interface SeriesLine {
  readonly id: string;
  readonly rule: string;
  readonly startOn: string;
  readonly by: string;
}

/** The recurring visits of a site. */
export async function seriesOf(scope: Scope, siteId: string): Promise<SeriesLine[]> {
  return db()
    .select({ id: series.id, rule: series.rule, startOn: series.startOn, by: person.name })
    .from(series)
    .innerJoin(person, and(eq(person.businessId, series.businessId), eq(person.id, series.personId)))
    .where(and(eq(series.businessId, scope.businessId), eq(series.siteId, siteId)));
}

/** Days between the two visits of a week. */
const HALF_WEEK = 2;

/**
 * Begins the recurring visits of a site: a series, and its stops and visits as far as every other one is laid out.
 *
 * @throws a refusal for a day that is over, a person who does not go out, or a site that has its visits already.
 */
export async function recur(scope: Scope, input: z.infer<typeof RecurSchema>, { now, today }: When): Promise<void> {
  if (scope.role === "owner") throw notFound("site");
  if (input.firstOn < today) throw new Refused(422, "invalid", "That day is over.", { firstOn: ["That day is over."] });
  await inTransaction(async (tx) => {
    await lockRow(tx, scope, "site", input.siteId);
    if (!(await technicians(scope, tx)).some((p) => p.id === input.personId))
      throw new Refused(422, "invalid", "Choose a technician.", { personId: ["Choose a technician."] });
    const [known] = await tx
      .select({ id: series.id })
      .from(series)
      .where(and(eq(series.businessId, scope.businessId), eq(series.siteId, input.siteId)));
    if (known) throw new Refused(409, "has-visits", "This site has its recurring visits already.");

    const first = weekday(input.firstOn);
    const days = input.rhythm === "twice-weekly" ? [first, ((first - 1 + HALF_WEEK) % 7) + 1] : [first];
    const rule = ruleFor(input.rhythm, days);
    const base = { businessId: scope.businessId, siteId: input.siteId, personId: input.personId };
    const seriesId = newId();
    await tx.insert(series).values({ id: seriesId, ...base, rule, startOn: input.firstOn });
    const [firm] = await tx.select({ to: business.laidOutTo }).from(business).where(eq(business.id, scope.businessId));
    const to = firm?.to ?? input.firstOn;
    const stops = (to < input.firstOn ? [] : occurrences(rule, input.firstOn, input.firstOn, to)).map((on) => ({
      id: newId(),
      ...base,
      seriesId,
      originalOn: on,
      onDate: on,
    }));
    if (stops.length > 0) await tx.insert(stop).values(stops);
    const tanks = await tx
      .select({ id: tank.id })
      .from(tank)
      .where(and(eq(tank.businessId, scope.businessId), eq(tank.siteId, input.siteId), isNull(tank.archivedAt)));
    const visits = stops.flatMap((s) =>
      tanks.map((t) => ({ id: newId(), businessId: scope.businessId, stopId: s.id, tankId: t.id, onDate: s.onDate })),
    );
    if (visits.length > 0) await tx.insert(visit).values(visits);
    await tx.insert(deskChange).values({
      id: newId(),
      businessId: scope.businessId,
      personId: scope.personId,
      batchId: newId(),
      entity: "site",
      entityId: input.siteId,
      at: now,
      field: "visits",
      old: null,
      new: input.rhythm,
    });
  });
}
