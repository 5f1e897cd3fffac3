import { and, count, desc, eq, gt, isNull, ne } from "drizzle-orm";
import type { AnyMySqlColumn, MySqlTable } from "drizzle-orm/mysql-core";
import { notFound, Refused } from "../access/define";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { inTransaction } from "../database/transaction";
import { fillKinds } from "../desk/kinds";
import { writeEntries } from "../find/entries";
import { fillJobs } from "../library/firmJobs";
import { photoStore } from "../photos/store";
import { archiveImport, business, deskChange, job, operation, person, photo, tankStatus } from "../schema";
import { ARCHIVED, ARCHIVED_NAMES } from "./tables";

/** The last archive that was brought in and not taken back; null without one. */
export async function lastArchive(scope: Scope) {
  if (scope.role !== "office") throw notFound("archive");
  const [row] = await db()
    .select({ id: archiveImport.id, at: archiveImport.at, counts: archiveImport.counts, by: person.name })
    .from(archiveImport)
    .innerJoin(person, and(eq(person.businessId, archiveImport.businessId), eq(person.id, archiveImport.personId)))
    .where(and(eq(archiveImport.businessId, scope.businessId), isNull(archiveImport.undoneAt)))
    .orderBy(desc(archiveImport.at))
    .limit(1);
  return row ?? null;
}

/**
 * Empties a business of what an archive brought, as long as nobody worked on it since.
 *
 * People who may sign in stay, as they were there before.
 *
 * @throws a refusal that names what was changed since.
 */
export async function undoArchive(scope: Scope, id: string, { now }: When): Promise<void> {
  if (scope.role !== "office") throw notFound("archive");
  const mine = and(eq(archiveImport.businessId, scope.businessId), eq(archiveImport.id, id));
  const [made] = await db().select().from(archiveImport).where(mine);
  if (!made || made.undoneAt) throw notFound("archive");
  const photos = await inTransaction(async (tx) => {
    const [edits, visits, pictures, files] = await Promise.all([
      tx
        .select({ field: deskChange.field, entity: deskChange.entity })
        .from(deskChange)
        .where(and(eq(deskChange.businessId, scope.businessId), gt(deskChange.at, made.at)))
        .limit(1000),
      tx
        .select({ n: count() })
        .from(operation)
        .where(and(eq(operation.businessId, scope.businessId), gt(operation.receivedAt, made.at))),
      tx
        .select({ n: count() })
        .from(photo)
        .where(and(eq(photo.businessId, scope.businessId), gt(photo.at, made.at))),
      tx.select({ id: photo.id }).from(photo).where(eq(photo.businessId, scope.businessId)),
    ]);
    const since = [
      ...(edits.length > 0 ? [`${edits.length} changes at the desk`] : []),
      ...((visits[0]?.n ?? 0) > 0 ? [`${visits[0]?.n} entries of visits`] : []),
      ...((pictures[0]?.n ?? 0) > 0 ? [`${pictures[0]?.n} photos`] : []),
    ];
    if (since.length > 0)
      throw new Refused(
        409,
        "edited-since",
        `Since it was brought in there were ${since.join(", ")}. Nothing was taken back; back up first if you want to start over.`,
      );
    await tx.delete(job).where(eq(job.businessId, scope.businessId));
    await tx.delete(tankStatus).where(eq(tankStatus.businessId, scope.businessId));
    for (const name of [...ARCHIVED_NAMES].reverse()) {
      const table = ARCHIVED[name] as unknown as MySqlTable & Record<string, AnyMySqlColumn>;
      const own = eq(table.businessId as AnyMySqlColumn, scope.businessId);
      await tx
        .delete(table)
        .where(name === "person" ? and(own, isNull(person.userId), ne(person.id, scope.personId)) : own);
    }
    const { id: _, ...settings } = made.settingsBefore as typeof business.$inferSelect;
    await tx.update(business).set(settings).where(eq(business.id, scope.businessId));
    await fillKinds(tx, scope.businessId);
    await fillJobs(tx, scope.businessId);
    await writeEntries(tx, scope.businessId, { all: true });
    await tx.update(archiveImport).set({ undoneAt: now }).where(mine);
    return files;
  });
  for (const { id: photoId } of photos) await photoStore().remove(scope.businessId, photoId);
}
