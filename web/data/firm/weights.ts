import { WEIGHT_FACTS, type Weights } from "@keel-round/core/weeks";
import { eq } from "drizzle-orm";
import { z } from "zod";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { inTransaction } from "../database/transaction";
import { business, deskChange } from "../schema";

const KEYS = Object.keys(WEIGHT_FACTS) as (keyof Weights)[];

/** What the firm weighs a settled round by; what is left out is as usual. */
export const WeightsSchema = z.object(
  Object.fromEntries(
    KEYS.map((key) => {
      const { most } = WEIGHT_FACTS[key];
      const says = `Enter a number from 0 to ${most}.`;
      return [key, z.number(says).min(0, says).max(most, says).optional()];
    }),
  ) as Record<keyof Weights, z.ZodOptional<z.ZodNumber>>,
);

/** What the firm has said itself of how its weeks are weighed. */
export async function firmWeights(scope: Scope): Promise<Partial<Weights>> {
  const [row] = await db()
    .select({ weights: business.weights })
    .from(business)
    .where(eq(business.id, scope.businessId));
  return row?.weights ?? {};
}

/** Sets what the firm weighs a settled round by, with a line in its history. */
export async function saveWeights(scope: Scope, weights: z.infer<typeof WeightsSchema>, { now }: When): Promise<void> {
  if (scope.role !== "office") throw notFound("page");
  const said = Object.fromEntries(Object.entries(weights).filter(([, v]) => v !== undefined)) as Partial<Weights>;
  await inTransaction(async (tx) => {
    const [row] = await tx.select().from(business).where(eq(business.id, scope.businessId)).for("update");
    if (!row) throw notFound("firm");
    await tx.update(business).set({ weights: said }).where(eq(business.id, scope.businessId));
    await tx.insert(deskChange).values({
      ...{ id: newId(), businessId: scope.businessId, personId: scope.personId, at: now, batchId: newId() },
      ...{ entity: "firm", entityId: scope.businessId, field: "weights", old: told(row.weights), new: told(said) },
    });
  });
}

const told = (weights: Partial<Weights> | null): string =>
  Object.entries(weights ?? {})
    .map(([key, value]) => `${WEIGHT_FACTS[key as keyof Weights].label}: ${value}`)
    .join(", ") || "as usual";
