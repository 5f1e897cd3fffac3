import { createHash } from "node:crypto";
import { and, desc, eq, isNull } from "drizzle-orm";
import sharp from "sharp";
import { db } from "../connection";
import { notFound, Refused } from "../define";
import { newId } from "../ids";
import { person, photo, site, tank } from "../schema";
import type { Scope } from "../scope";
import { clientsInSight, inSight } from "../sight";
import { PHOTO_LIMITS, reencode } from "./reencode";
import { photoStore } from "./store";

/** The longer side of what is kept, pixels. */
const KEPT_SIDE = 1600;
const SMALL_SIDE = 480;
const QUALITY = 82;

/** A tank of the scope; an owner's own only. */
async function requireTank(scope: Scope, tankId: string): Promise<void> {
  const [row] = await db()
    .select({ id: tank.id })
    .from(tank)
    .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
    .where(
      and(
        eq(tank.businessId, scope.businessId),
        eq(tank.id, tankId),
        inSight(site.clientId, await clientsInSight(scope)),
      ),
    );
  if (!row) throw notFound("tank");
}

/**
 * Keeps a picture of a tank.
 *
 * The file is written first, its row after it: a row never points at nothing.
 *
 * @throws a refusal for what is no picture, or is too large.
 */
export async function addPhoto(
  scope: Scope,
  tankId: string,
  given: { readonly bytes: Uint8Array; readonly note: string; readonly onDate: string },
  now: Date,
): Promise<{ id: string }> {
  if (scope.role === "owner") throw notFound("tank");
  await requireTank(scope, tankId);
  if (given.bytes.length > PHOTO_LIMITS.bytes)
    throw new Refused(413, "too-large", `A picture may have ${PHOTO_LIMITS.bytes / 1_000_000} MB.`);
  const { bytes, width, height } = await reencode(given.bytes, { side: KEPT_SIDE, quality: QUALITY });
  const id = newId();
  await photoStore().put(scope.businessId, id, bytes);
  try {
    await db()
      .insert(photo)
      .values({
        id,
        businessId: scope.businessId,
        tankId,
        personId: scope.personId,
        onDate: given.onDate,
        at: now,
        note: given.note.trim().slice(0, 190),
        width,
        height,
        bytes: bytes.length,
        sha256: createHash("sha256").update(bytes).digest("hex"),
      });
  } catch (error) {
    await photoStore().remove(scope.businessId, id);
    throw error;
  }
  return { id };
}

/** The pictures of a tank, the newest first. */
export async function photosOf(scope: Scope, tankId: string) {
  await requireTank(scope, tankId);
  return db()
    .select({
      id: photo.id,
      onDate: photo.onDate,
      note: photo.note,
      width: photo.width,
      height: photo.height,
      by: person.name,
    })
    .from(photo)
    .innerJoin(person, and(eq(person.businessId, photo.businessId), eq(person.id, photo.personId)))
    .where(and(eq(photo.businessId, scope.businessId), eq(photo.tankId, tankId), isNull(photo.archivedAt)))
    .orderBy(desc(photo.onDate), desc(photo.at))
    .limit(60);
}

/** The file of a picture of the scope, small where a list shows it. */
export async function photoFile(scope: Scope, photoId: string, small: boolean): Promise<Buffer> {
  const [row] = await db()
    .select({ id: photo.id })
    .from(photo)
    .innerJoin(tank, and(eq(tank.businessId, photo.businessId), eq(tank.id, photo.tankId)))
    .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
    .where(
      and(
        eq(photo.businessId, scope.businessId),
        eq(photo.id, photoId),
        isNull(photo.archivedAt),
        inSight(site.clientId, await clientsInSight(scope)),
      ),
    );
  if (!row) throw notFound("photo");
  const bytes = await photoStore().get(scope.businessId, photoId);
  if (!bytes) throw new Refused(410, "gone", "The file of this picture is missing. It may be in the last backup.");
  return small
    ? sharp(bytes).resize(SMALL_SIDE, SMALL_SIDE, { fit: "inside" }).jpeg({ quality: QUALITY }).toBuffer()
    : bytes;
}

/** Puts a picture into the archive, or brings it back. The file stays. */
export async function archivePhoto(scope: Scope, photoId: string, archived: boolean, now: Date): Promise<void> {
  if (scope.role === "owner") throw notFound("photo");
  const [row] = await db()
    .select({ tankId: photo.tankId })
    .from(photo)
    .where(and(eq(photo.businessId, scope.businessId), eq(photo.id, photoId)));
  if (!row) throw notFound("photo");
  await requireTank(scope, row.tankId);
  await db()
    .update(photo)
    .set({ archivedAt: archived ? now : null })
    .where(eq(photo.id, photoId));
}
