import { MARK_BYTES } from "@keel-round/core/desk";
import { eq } from "drizzle-orm";
import { z } from "zod";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { newId } from "../database/ids";
import { inTransaction } from "../database/transaction";
import { reencode } from "../photos/reencode";
import { business, deskChange } from "../schema";

const TOO_LARGE = "A mark may have 500 kB. Save it smaller.";
/** Four characters for every three bytes. */
const MOST_CHARACTERS = Math.ceil(MARK_BYTES / 3) * 4;

export const MarkSchema = z.object({
  /** The file in base64; null takes the mark away. */
  file: z.base64("Choose a picture.").min(1, "Choose a picture.").max(MOST_CHARACTERS, TOO_LARGE).nullable(),
});

/** Printed an inch high it is sharp. */
const SIDE = 360;

/** Sets the firm's mark, or takes it away. @throws a refusal for what is no picture. */
export async function saveMark(scope: Scope, { file }: z.infer<typeof MarkSchema>, { now }: When): Promise<void> {
  if (scope.role !== "office") throw notFound("page");
  const mark =
    file === null ? null : (await reencode(Buffer.from(file, "base64"), { side: SIDE, quality: 90, as: "png" })).bytes;
  await inTransaction(async (tx) => {
    const [row] = await tx
      .select({ mark: business.mark })
      .from(business)
      .where(eq(business.id, scope.businessId))
      .for("update");
    if (!row) throw notFound("firm");
    await tx.update(business).set({ mark }).where(eq(business.id, scope.businessId));
    await tx.insert(deskChange).values({
      ...{ id: newId(), businessId: scope.businessId, personId: scope.personId, at: now, batchId: newId() },
      ...{ entity: "firm", entityId: scope.businessId, field: "mark" },
      ...{ old: row.mark ? "a picture" : "none", new: mark ? "a picture" : "none" },
    });
  });
}
