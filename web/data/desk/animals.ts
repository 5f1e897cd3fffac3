import { and, asc, desc, eq, inArray, isNull } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { inTransaction } from "../database/transaction";
import { animal, animalEvent, deskChange, person } from "../schema";
import { refreshStatus } from "../tanks/status";
import { lockRow } from "./records";

/** What may happen to a group of animals. */
export const AnimalEventSchema = z
  .object({
    animalId: z.uuid(),
    kind: z.enum(["added", "born", "lost", "moved-out", "counted"]),
    number: z.number("Enter how many.").int("Animals are counted in whole ones.").min(0).max(100_000),
    onDate: z.iso.date("That day does not exist."),
    cause: z.string().trim().max(190),
    /** What was done about a loss. */
    remedy: z.string().trim().max(190).optional(),
  })
  .refine((e) => e.kind === "counted" || e.number > 0, { path: ["number"], message: "Enter how many." })
  .refine((e) => e.kind !== "lost" || e.cause !== "", {
    path: ["cause"],
    message: "Say what is known of the cause, or “unknown”: losses are data.",
  });
type AnimalEventInput = z.infer<typeof AnimalEventSchema>;

const SIGN = { added: 1, born: 1, lost: -1, "moved-out": -1 } as const;

/** Writes what happened to a group of animals and moves its count, in one transaction. */
export async function recordAnimalEvent(
  scope: Scope,
  event: AnimalEventInput,
  { now, today }: When,
): Promise<{ count: number }> {
  if (scope.role === "tankOwner") throw notFound("group of animals");
  if (event.onDate > today)
    throw new Refused(422, "invalid", "That day has not come yet.", { onDate: ["That day has not come yet."] });
  return inTransaction(async (tx) => {
    const row = (await lockRow(tx, scope, "animal", event.animalId)) as unknown as typeof animal.$inferSelect;
    const count = event.kind === "counted" ? event.number : row.count + SIGN[event.kind] * event.number;
    if (count < 0)
      throw new Refused(422, "invalid", `There are ${row.count} of them.`, {
        number: [`There are ${row.count} of them. If that is wrong, count them first.`],
      });
    await tx.insert(animalEvent).values({
      id: newId(),
      businessId: scope.businessId,
      animalId: row.id,
      personId: scope.personId,
      onDate: event.onDate,
      kind: event.kind,
      number: event.number,
      countBefore: row.count,
      countAfter: count,
      visitId: null,
      ...{ cause: event.cause, remedy: event.remedy ?? "" },
      at: now,
    });
    await tx
      .update(animal)
      .set({ count, version: row.version + 1 })
      .where(eq(animal.id, row.id));
    await tx.insert(deskChange).values({
      id: newId(),
      businessId: scope.businessId,
      personId: scope.personId,
      batchId: newId(),
      entity: "animal",
      entityId: row.id,
      at: now,
      field: "count",
      old: row.count,
      new: count,
    });
    await refreshStatus(tx, scope.businessId, [row.tankId], today);
    return { count };
  });
}

/** A group of animals with what happened to it, the newest first. */
export interface AnimalWithEvents {
  readonly row: typeof animal.$inferSelect;
  readonly events: readonly (typeof animalEvent.$inferSelect & { readonly by: string })[];
}

/** The animals of a tank with their events. The caller has checked that the tank is in the scope. */
export async function animalsWithEvents(businessId: string, tankId: string): Promise<AnimalWithEvents[]> {
  const rows = await db()
    .select()
    .from(animal)
    .where(and(eq(animal.businessId, businessId), eq(animal.tankId, tankId), isNull(animal.archivedAt)))
    .orderBy(asc(animal.position), asc(animal.name));
  if (rows.length === 0) return [];
  const events = await db()
    .select({ event: animalEvent, by: person.name })
    .from(animalEvent)
    .innerJoin(person, and(eq(person.businessId, animalEvent.businessId), eq(person.id, animalEvent.personId)))
    .where(
      and(
        eq(animalEvent.businessId, businessId),
        inArray(
          animalEvent.animalId,
          rows.map((r) => r.id),
        ),
      ),
    )
    .orderBy(desc(animalEvent.onDate), desc(animalEvent.at));
  return rows.map((row) => ({
    row,
    events: events.flatMap(({ event, by }) => (event.animalId === row.id ? [{ ...event, by }] : [])),
  }));
}
