import { type AreaMap, readAreaMap } from "@keel-round/core/desk";
import { eq } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { inTransaction } from "../database/transaction";
import { business, deskChange } from "../schema";

export const MapSchema = z.object({
  /** GeoJSON text; null takes the map away. */
  text: z.string().min(1, "Choose a GeoJSON file.").max(2_000_000, "The file is too large: 2 MB at most.").nullable(),
});

/** The firm's own map; null without one. */
export async function firmMap(scope: Pick<Scope, "businessId">): Promise<AreaMap | null> {
  const [row] = await db().select({ map: business.map }).from(business).where(eq(business.id, scope.businessId));
  return row?.map ? readAreaMap(row.map).map : null;
}

/** Sets the firm's map, or takes it away. @throws a refusal for a file that cannot be read. */
export async function saveMap(scope: Scope, { text }: z.infer<typeof MapSchema>, { now }: When): Promise<void> {
  if (scope.role !== "office") throw notFound("page");
  const problem = text === null ? null : readAreaMap(text).problem;
  if (problem) throw new Refused(422, "invalid", problem, { text: [problem] });
  await inTransaction(async (tx) => {
    const [row] = await tx.select().from(business).where(eq(business.id, scope.businessId)).for("update");
    if (!row) throw notFound("firm");
    await tx.update(business).set({ map: text }).where(eq(business.id, scope.businessId));
    await tx.insert(deskChange).values({
      ...{ id: newId(), businessId: scope.businessId, personId: scope.personId, at: now, batchId: newId() },
      ...{ entity: "firm", entityId: scope.businessId, field: "map" },
      ...{ old: row.map === null ? "none" : "a map", new: text === null ? "none" : "a map" },
    });
  });
}
