import type { Period, ReportContent } from "@keel-round/core/report";
import { and, desc, eq } from "drizzle-orm";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { writeEntries } from "../find/entries";
import { letterTokenHash } from "../letters/letters";
import { letter } from "../schema";

/** Stores a client's report among the letters; null where the one before reads the same. */
export async function storeReport(
  businessId: string,
  clientId: string,
  { fromOn, untilOn }: Period,
  report: ReportContent,
  rendered: { readonly subject: string; readonly html: string; readonly plain: string; readonly pdf: Buffer },
  now: Date,
): Promise<string | null> {
  const [last] = await db()
    .select({ plain: letter.plain, revision: letter.revision })
    .from(letter)
    .where(
      and(
        ...[eq(letter.businessId, businessId), eq(letter.clientId, clientId)],
        ...[eq(letter.fromOn, fromOn), eq(letter.untilOn, untilOn)],
      ),
    )
    .orderBy(desc(letter.revision))
    .limit(1);
  if (last?.plain === rendered.plain) return null;
  const id = newId();
  await db()
    .insert(letter)
    .values({
      ...{ id, businessId, clientId, stopId: null, fromOn, untilOn, revision: (last?.revision ?? 0) + 1 },
      ...{ ...rendered, report, tokenHash: letterTokenHash(id), createdAt: now, setAt: now },
    });
  await writeEntries(db(), businessId, { entity: "letter", ids: [id] });
  return id;
}
