import { say } from "@keel-round/core/say";
import { sayOn } from "@keel-round/core/series";
import { byText } from "@keel-round/core/text";
import { refusedTo } from "@keel-round/core/weeks";
import { and, eq } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import { type Scope, seesAll } from "../access/scope";
import type { When } from "../access/when";
import { inTransaction, type Queries } from "../database/transaction";
import { person, stop, visit } from "../schema";
import { asTheyStand, keepChange } from "../series/remember";
import { NOTHING, plannedStop, requireTechnician, sayMove } from "../series/stops";
import { boardStops } from "./weeks";

const day = z.iso.date("Enter a day that exists.");
const personId = z.uuid("Choose who comes.");

/** Where stops stood when they were picked up, and where they go. */
export const MovesSchema = z
  .array(
    z.object({
      stopId: z.uuid("Reload the weeks and try again."),
      /** Where it stood when it was picked up: somebody else may have moved it meanwhile. */
      was: z.object({ on: day, personId, aside: z.boolean() }),
      /** Null to set it aside. */
      to: z.object({ on: day, personId }).nullable(),
    }),
  )
  .max(60, "Move at most 60 stops at once.");

export const PlaceSchema = z.object({
  moves: MovesSchema.min(1, "Choose at least one stop."),
  /** Why they are set aside. */
  why: z.string().trim().max(200, "Enter at most 200 characters.").optional(),
});
/** What undoes a change of the board, in the order in which it was made. */
export interface Placed {
  readonly changeIds: readonly string[];
}

type Move = z.infer<typeof PlaceSchema>["moves"][number];

/**
 * Puts stops on other days, with other people, or aside: all of them or none. Their series stay as they are.
 *
 * What a person may break was shown before. Nobody may give a stop to somebody who does not do its water or its jobs,
 * or whose van cannot carry the salt water away that must not go down the drain.
 *
 * @throws a refusal for a stop that somebody else moved meanwhile, that has begun, or for a day that is over.
 */
export async function placeStops(scope: Scope, input: z.infer<typeof PlaceSchema>, when: When): Promise<Placed> {
  return inTransaction(async (tx) => ({ changeIds: await placeIn(tx, scope, input, when) }));
}

/** The same as a part of a larger transaction. */
export async function placeIn(
  tx: Queries,
  scope: Scope,
  input: { readonly moves: readonly Move[]; readonly why?: string | undefined },
  when: When,
): Promise<string[]> {
  const changeIds: string[] = [];
  // In one order for everybody: two that move the same stops wait for each other and do not lock each other out.
  for (const move of [...input.moves].sort((x, y) => byText(x.stopId, y.stopId)))
    changeIds.push(await placeOne(tx, scope, move, input.why ?? "", when));
  return changeIds;
}

async function placeOne(tx: Queries, scope: Scope, { stopId, was, to }: Move, why: string, when: When) {
  const row = await plannedStop(tx, scope, stopId);
  const { stop: now, site } = row;
  const aside = now.off === "skipped";
  if (now.off === "withdrawn" || now.onDate !== was.on || now.personId !== was.personId || aside !== was.aside)
    throw new Refused(
      409,
      "moved-meanwhile",
      `Somebody else moved ${site.name} meanwhile: it stands on ${sayOn(now.onDate, when.today)}${aside ? ", set aside" : ""} now.`,
    );
  const before = await asTheyStand(tx, scope.businessId, { seriesIds: [], stopIds: [stopId] });
  if (to) await putOn(tx, scope, row, to, when);
  else {
    await tx
      .update(stop)
      .set({ off: "skipped", offWhy: why || "Set aside" })
      .where(eq(stop.id, stopId));
    await setVisits(tx, stopId, "planned", "off", now.onDate);
  }
  const [who] = to ? await tx.select({ name: person.name }).from(person).where(eq(person.id, to.personId)) : [];
  const said = to
    ? sayMove(now, { on: to.on, by: to.personId === now.personId ? null : (who?.name ?? "") }, when)
    : `${sayOn(now.onDate, when.today)} is set aside: ${why || "no reason given"}`;
  return keepChange(tx, scope, { siteId: site.id, said, before, made: NOTHING }, when);
}

async function putOn(
  tx: Queries,
  scope: Scope,
  { stop: now }: Awaited<ReturnType<typeof plannedStop>>,
  to: NonNullable<Move["to"]>,
  when: When,
): Promise<void> {
  if (to.on < when.today) throw new Refused(409, "is-over", "That day is over: choose today or a later day.");
  await requireTechnician(tx, scope, to.personId);
  if (!seesAll(scope.role) && to.personId !== scope.personId) throw notFound("person");
  await requireAble(tx, scope, now.id, to.personId);
  await tx
    .update(stop)
    .set({
      ...{ onDate: to.on, personId: to.personId },
      off: null,
      offWhy: null,
      moved: now.moved || to.on !== now.onDate,
    })
    .where(eq(stop.id, now.id));
  await setVisits(tx, now.id, now.off === "skipped" ? "off" : "planned", "planned", to.on);
}

const setVisits = (tx: Queries, stopId: string, from: "planned" | "off", to: "planned" | "off", onDate: string) =>
  tx
    .update(visit)
    .set({ state: to, onDate })
    .where(and(eq(visit.stopId, stopId), eq(visit.state, from)));

/** @throws where somebody does not do what a stop asks for, or cannot carry its waste away. */
async function requireAble(tx: Queries, scope: Scope, stopId: string, personId: string): Promise<void> {
  const [who] = await tx
    .select({ name: person.name, knows: person.knows, vanKg: person.vanKg })
    .from(person)
    .where(and(eq(person.businessId, scope.businessId), eq(person.id, personId)));
  const [asked] = await boardStops(scope, eq(stop.id, stopId), tx);
  const [refused] = who && asked ? refusedTo(who, asked) : [];
  if (refused) throw new Refused(409, "not-able", say(refused, scope.units));
}
