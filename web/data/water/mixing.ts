import { addDays } from "@keel-round/core/calendar";
import { type BarrelContents, fixBarrel, NEAR_PSU } from "@keel-round/core/mixing";
import { planVisit } from "@keel-round/core/visit";
import { saltGrams } from "@keel-round/core/water";
import { and, asc, eq, isNull, ne, sql } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { inTransaction, type Queries } from "../database/transaction";
import { sourceOf } from "../plan/asCore";
import { loadPlanInputs } from "../plan/planInputs";
import { barrel, deskChange, person, site, source, stop, tank, visit } from "../schema";
import { bookUses } from "../stores/book";
import { type BatchLesson, recordBatch } from "./saltBatches";

const id = z.uuid("Reload the room and try again.");
const litres = z.number("Enter litres as a number.").positive("A batch has litres.").max(10_000);
const psu = z.number("Enter what was measured.").min(0).max(60, "No salt water is that strong.");

export const StartBatchSchema = z.object({
  barrelId: id,
  sourceId: id,
  litres,
  targetPsu: psu.optional(),
});
export const VerifySchema = z.object({
  barrelId: id,
  psu,
  temperatureC: z.number().min(-2).max(45).optional(),
  /** A figure that was questioned is right all the same. */
  confirmed: z.boolean(),
});
export const DrawSchema = z.object({ barrelId: id, litres });

/** The barrels of the business with what stands in them, the waters they are filled with, and what a day takes. */
export async function loadRoom(scope: Scope, today: string, on = addDays(today, 1)) {
  if (scope.role === "tankOwner") throw notFound("page");
  const [barrels, sources, people] = await Promise.all([
    db()
      .select()
      .from(barrel)
      .where(and(eq(barrel.businessId, scope.businessId), isNull(barrel.archivedAt)))
      .orderBy(asc(barrel.name)),
    db()
      .select()
      .from(source)
      .where(and(eq(source.businessId, scope.businessId), isNull(source.archivedAt), isNull(source.siteId)))
      .orderBy(asc(source.name)),
    db()
      .select({ from: person.dayStartMinute, to: person.dayEndMinute })
      .from(person)
      .where(and(eq(person.businessId, scope.businessId), ne(person.role, "tankOwner"))),
  ]);
  return {
    /** Somebody is at the base from the first day's start to the last day's end. */
    hours: {
      from: Math.min(...people.map((p) => p.from)),
      to: Math.max(...people.map((p) => p.to)),
    },
    barrels,
    sources: sources.map((s) => sourceOf(s, today)).filter((s) => s.kind === "mix" || s.kind === "purified"),
    demand: await demandOf(scope, on),
  };
}

/** What one tank takes of a water. */
interface Taken {
  readonly tank: string;
  readonly litres: number;
}

/** What the rounds of a day take out of the room, by water and tank: salt water by its mix, and all that is purified. */
async function demandOf(scope: Scope, on: string): Promise<{ sourceId: string; litres: number; of: Taken[] }[]> {
  const visits = await db()
    .select({
      visitId: visit.id,
      tankId: visit.tankId,
      on: visit.onDate,
      tank: sql<string>`concat(${tank.name}, ', ', ${site.name})`,
    })
    .from(visit)
    .innerJoin(stop, and(eq(stop.businessId, visit.businessId), eq(stop.id, visit.stopId)))
    .innerJoin(tank, and(eq(tank.businessId, visit.businessId), eq(tank.id, visit.tankId)))
    .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
    .where(and(eq(visit.businessId, scope.businessId), eq(visit.onDate, on), ne(visit.state, "off")));
  const inputs = await loadPlanInputs(db(), scope.businessId, visits);
  const taken = new Map<string, Taken[]>();
  const add = (sourceId: string, name: string, litres: number) =>
    litres > 0 && taken.set(sourceId, [...(taken.get(sourceId) ?? []), { tank: name, litres }]);
  for (const v of visits) {
    const input = inputs.get(v.visitId);
    if (!input) continue;
    const { load } = planVisit(input);
    add(input.source.id, v.tank, load.mixL);
    add(input.topUpSource.id, v.tank, load.purifiedL);
  }
  return [...taken].map(([sourceId, of]) => ({ sourceId, of, litres: of.reduce((sum, t) => sum + t.litres, 0) }));
}

async function lockBarrel(tx: Queries, scope: Scope, barrelId: string): Promise<typeof barrel.$inferSelect> {
  if (scope.role === "tankOwner") throw notFound("barrel");
  const [row] = await tx
    .select()
    .from(barrel)
    .where(and(eq(barrel.businessId, scope.businessId), eq(barrel.id, barrelId)))
    .for("update");
  if (!row) throw notFound("barrel");
  return row;
}

/** Writes what stands in a barrel, with who and what it was before. */
async function setContents(
  tx: Queries,
  scope: Scope,
  row: typeof barrel.$inferSelect,
  contents: BarrelContents | null,
  now: Date,
): Promise<void> {
  await tx
    .update(barrel)
    .set({ contents, version: row.version + 1 })
    .where(eq(barrel.id, row.id));
  await tx.insert(deskChange).values({
    id: newId(),
    businessId: scope.businessId,
    personId: scope.personId,
    batchId: newId(),
    entity: "barrel",
    entityId: row.id,
    at: now,
    field: "contents",
    old: row.contents,
    new: contents,
  });
}

/**
 * Begins a batch in an empty barrel: how many grams of salt go into it follows from the salt's measured figure.
 *
 * @throws a refusal for more litres than it holds, a barrel that is not empty, or a mix without a target.
 */
export async function startBatch(
  scope: Scope,
  input: z.infer<typeof StartBatchSchema>,
  { now, today }: When,
): Promise<{ grams: number | null }> {
  return inTransaction(async (tx) => {
    const row = await lockBarrel(tx, scope, input.barrelId);
    if (row.contents)
      throw new Refused(409, "not-empty", `${row.name} is not empty. Draw what stands in it, or empty it first.`);
    if (input.litres > row.capacityL)
      throw new Refused(422, "invalid", `It holds ${row.capacityL} L.`, { litres: [`It holds ${row.capacityL} L.`] });
    const [water] = await tx
      .select()
      .from(source)
      .where(and(eq(source.businessId, scope.businessId), eq(source.id, input.sourceId)));
    if (!water) throw notFound("water");
    const { salt } = sourceOf(water, today);
    if (salt && input.targetPsu === undefined)
      throw new Refused(422, "invalid", "Say how strong it is to be.", { targetPsu: ["Say how strong it is to be."] });
    const grams = salt ? saltGrams(input.litres, salt.gramsPerLitre, input.targetPsu ?? 0) : null;
    await setContents(
      tx,
      scope,
      row,
      {
        sourceId: input.sourceId,
        litres: input.litres,
        startedAt: now.getTime(),
        ...(grams === null ? {} : { targetPsu: input.targetPsu ?? 0, grams }),
      },
      now,
    );
    if (salt && grams !== null)
      await bookSalt(tx, scope, { id: row.id, startedAt: now.getTime() }, salt.name, grams, { now, today });
    return { grams };
  });
}

/** Takes the salt of a batch off the stores: of all that went into it, whatever was booked for it before. */
async function bookSalt(
  tx: Queries,
  scope: Scope,
  { id, startedAt }: { readonly id: string; readonly startedAt: number },
  name: string,
  grams: number,
  { now, today }: When,
): Promise<void> {
  const salt = [{ name, unit: "g" as const, amount: grams }];
  await bookUses(tx, scope.businessId, {
    ...{ cause: `barrel ${id} ${startedAt}`, at: now, on: today, visitId: null, personId: scope.personId, van: null },
    ...{ uses: salt, planned: salt },
  });
}

/**
 * Takes the measured salinity of a batch: it corrects the salt's figure, and says what would put the barrel right.
 *
 * A figure far off is questioned, and teaches nothing until it is confirmed.
 */
export async function verifyBatch(
  scope: Scope,
  input: z.infer<typeof VerifySchema>,
  { now, today }: When,
): Promise<{ lesson: BatchLesson | null }> {
  return inTransaction(async (tx) => {
    const row = await lockBarrel(tx, scope, input.barrelId);
    const { contents } = row;
    if (!contents) throw new Refused(409, "empty", `${row.name} is empty.`);
    // Only a batch as it was weighed tells of the salt: one that was put right or drawn from has been measured before.
    const first = contents.grams !== undefined && contents.batchDone !== true;
    const batchId = contents.batchId ?? newId();
    const lesson = first
      ? await recordBatch(
          tx,
          scope.businessId,
          contents.sourceId,
          {
            id: batchId,
            visitId: null,
            at: new Date(contents.startedAt),
            litres: contents.litres,
            grams: contents.grams ?? 0,
            measuredPsu: input.psu,
            confirmed: input.confirmed,
          },
          today,
        )
      : null;
    await setContents(
      tx,
      scope,
      row,
      {
        ...contents,
        ...(first ? { batchId } : {}),
        psu: input.psu,
        verifiedAt: now.getTime(),
        ...(input.temperatureC === undefined ? {} : { temperatureC: input.temperatureC }),
      },
      now,
    );
    return { lesson };
  });
}

/** Puts a barrel right as it was advised: salt or fresh water went in, and it is to be measured again. */
export async function fixContents(scope: Scope, barrelId: string, { now, today }: When): Promise<void> {
  await inTransaction(async (tx) => {
    const row = await lockBarrel(tx, scope, barrelId);
    const { contents } = row;
    if (!contents || contents.psu === undefined || contents.targetPsu === undefined)
      throw new Refused(409, "unmeasured", "It has to be measured before it can be put right.");
    const [water] = await tx.select().from(source).where(eq(source.id, contents.sourceId));
    const salt = water && sourceOf(water, today).salt;
    if (!salt) throw new Refused(409, "no-salt", "There is no salt in it.");
    const fix = fixBarrel(
      { litres: contents.litres, capacityL: row.capacityL, salinityPsu: contents.psu },
      contents.targetPsu,
      salt.gramsPerLitre,
      NEAR_PSU,
    );
    if (fix.kind === "right") throw new Refused(409, "right", "It is right as it is.");
    const grams = (contents.grams ?? 0) + (fix.kind === "salt" ? fix.grams : 0);
    if (fix.kind === "salt")
      await bookSalt(tx, scope, { id: row.id, startedAt: contents.startedAt }, salt.name, grams, { now, today });
    const { psu: _measured, verifiedAt: _when, ...rest } = contents;
    await setContents(
      tx,
      scope,
      row,
      {
        ...rest,
        ...(fix.kind === "salt" ? { grams } : {}),
        batchDone: true,
        litres: fix.kind === "salt" ? contents.litres : fix.afterL,
      },
      now,
    );
  });
}

/** Takes litres out of a barrel; what is left to a litre or less is nothing. */
export async function draw(scope: Scope, input: z.infer<typeof DrawSchema>, { now }: When): Promise<void> {
  await inTransaction(async (tx) => {
    const row = await lockBarrel(tx, scope, input.barrelId);
    const held = row.contents?.litres ?? 0;
    if (!row.contents || input.litres > held + 1e-6)
      throw new Refused(422, "invalid", `There are ${Math.round(held * 10) / 10} L in it.`, {
        litres: [`There are ${Math.round(held * 10) / 10} L in it.`],
      });
    const left = held - input.litres;
    await setContents(tx, scope, row, left < 1 ? null : { ...row.contents, batchDone: true, litres: left }, now);
  });
}
