import { EVERY_DAY, KNOWS } from "@keel-round/core/weeks";
import { and, eq, isNull } from "drizzle-orm";
import { z } from "zod";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { newId } from "../database/ids";
import { inTransaction } from "../database/transaction";
import { deskChange, person } from "../schema";

const minute = z.number("Enter a time, such as 06:30.").int().min(0).max(1439);

export const WorkSchema = z
  .object({
    personId: z.uuid("Reload the page and try again."),
    dayStartMinute: minute,
    dayEndMinute: minute,
    vanKg: z
      .number("Enter what the van carries, above 0.")
      .positive("Enter what the van carries, above 0.")
      .max(20_000, "Enter 20 000 kg at most."),
    /** Litres and barrels; null where the weight alone counts. */
    vanL: z
      .number("Enter litres above 0, or leave it empty.")
      .positive("Enter litres above 0, or leave it empty.")
      .max(20_000, "Enter 20 000 L at most.")
      .nullable(),
    vanBarrels: z
      .number("Enter a whole number of barrels, or leave it empty.")
      .int("Enter a whole number of barrels, or leave it empty.")
      .min(1, "Enter 1 barrel at least, or leave it empty.")
      .max(100, "Enter 100 barrels at most.")
      .nullable(),
    workdays: z
      .array(z.number().int().min(1).max(7))
      .min(1, "Choose at least one day of the week.")
      .refine((d) => new Set(d).size === d.length, "Choose each day once."),
    /** Null: all there is. */
    knows: z.array(z.enum(KNOWS)).max(KNOWS.length).nullable(),
  })
  .refine((w) => w.dayEndMinute > w.dayStartMinute, {
    path: ["dayEndMinute"],
    message: "Enter an end of the day after its start.",
  });

const FIELDS = ["dayStartMinute", "dayEndMinute", "vanKg", "vanL", "vanBarrels", "workdays", "knows"] as const;

/** Saves when somebody works, what their van carries and what they do, with a row for each that changed. */
export async function saveWork(
  scope: Scope,
  input: z.infer<typeof WorkSchema>,
  when: When,
): Promise<{ changed: number }> {
  if (scope.role !== "office") throw notFound("person");
  return inTransaction(async (tx) => {
    const mine = and(eq(person.businessId, scope.businessId), eq(person.id, input.personId), isNull(person.leftAt));
    const [row] = await tx.select().from(person).where(mine).for("update");
    if (!row || row.role === "tankOwner") throw notFound("person");
    const { personId, workdays, ...rest } = input;
    const next = { ...rest, workdays: [...workdays].sort() };
    const old = { ...row, workdays: row.workdays ?? EVERY_DAY };
    const changed = FIELDS.filter((f) => JSON.stringify(old[f]) !== JSON.stringify(next[f]));
    if (changed.length === 0) return { changed: 0 };
    await tx.update(person).set(next).where(eq(person.id, personId));
    const batchId = newId();
    await tx.insert(deskChange).values(
      changed.map((field) => ({
        ...{ id: newId(), businessId: scope.businessId, personId: scope.personId, batchId, at: when.now },
        ...{ entity: "person", entityId: personId, field, old: old[field], new: next[field] },
      })),
    );
    return { changed: changed.length };
  });
}
