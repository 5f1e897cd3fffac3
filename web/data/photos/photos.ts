import { createHash } from "node:crypto";
import type { LastPhoto, PhotoSpot } from "@keel-round/core/visit";
import { and, desc, eq, inArray, isNull, sql } from "drizzle-orm";
import sharp from "sharp";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import type { Scope } from "../access/scope";
import { clientsInSight, inSight, requireVisit } from "../access/sight";
import { db } from "../database/connection";
import { groupBy } from "../database/groupBy";
import { newId } from "../database/ids";
import type { Queries } from "../database/transaction";
import { animal, finding, operation, person, photo, site, tank } from "../schema";
import { PHOTO_LIMITS, reencode } from "./reencode";
import { photoStore } from "./store";

/** The longer side of what is kept, pixels. */
const KEPT_SIDE = 1600;
const SMALL_SIDE = 480;
const STRIP_SIDE = 280;
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

/** A picture as it is given: its file, and what is said of it. */
interface GivenPhoto {
  readonly bytes: Uint8Array;
  readonly note: string;
  readonly onDate: string;
  /** The id that a phone gave it: sent twice it is kept once. */
  readonly id?: string | undefined;
  readonly visitId?: string | undefined;
  readonly spot?: PhotoSpot | undefined;
}

/** Whether a picture is there already, under the tank it is given for. */
async function known(scope: Scope, tankId: string, id: string): Promise<boolean> {
  const [row] = await db()
    .select({ tankId: photo.tankId, businessId: photo.businessId })
    .from(photo)
    .where(eq(photo.id, id));
  if (row && (row.businessId !== scope.businessId || row.tankId !== tankId))
    throw new Refused(409, "id-taken", "Another picture has this id already. Take it once more.");
  return row !== undefined;
}

/** Whether the log of a visit has taken a picture back already: its file was slower than that word. */
async function takenBack(businessId: string, visitId: string, id: string): Promise<boolean> {
  const back = await db()
    .select({ body: operation.body })
    .from(operation)
    .where(
      and(
        eq(operation.businessId, businessId),
        eq(operation.visitId, visitId),
        eq(operation.type, "photo-back"),
        eq(operation.status, "applied"),
      ),
    );
  return back.some(({ body }) => (body as { id?: unknown }).id === id);
}

/**
 * Keeps a picture of a tank, once however often it is sent.
 *
 * The file is written first, its row after it: a row never points at nothing.
 *
 * @throws a refusal for what is no picture, is too large, or is of a visit of another tank.
 */
export async function addPhoto(scope: Scope, tankId: string, given: GivenPhoto, now: Date): Promise<{ id: string }> {
  // An owner shows what they tell of, and keeps no other picture.
  if (scope.role === "tankOwner" && given.spot?.kind !== "finding") throw notFound("tank");
  await requireTank(scope, tankId);
  if (given.visitId && (await requireVisit(scope, given.visitId)).tankId !== tankId) throw notFound("visit");
  if (given.id && (await known(scope, tankId, given.id))) return { id: given.id };
  if (given.bytes.length > PHOTO_LIMITS.bytes)
    throw new Refused(413, "too-large", `A picture may have ${PHOTO_LIMITS.bytes / 1_000_000} MB.`);
  const { bytes, width, height } = await reencode(given.bytes, { side: KEPT_SIDE, quality: QUALITY });
  const id = given.id ?? newId();
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
        visitId: given.visitId ?? null,
        spot: given.spot?.kind ?? "tank",
        spotId: given.spot?.id ?? "",
        width,
        height,
        bytes: bytes.length,
        sha256: createHash("sha256").update(bytes).digest("hex"),
        archivedAt: given.visitId && (await takenBack(scope.businessId, given.visitId, id)) ? now : null,
      });
  } catch (error) {
    // Another try of the same phone was quicker: its row speaks of the same picture, made of the same bytes.
    if (given.id && (await known(scope, tankId, given.id))) return { id };
    await photoStore().remove(scope.businessId, id);
    throw error;
  }
  return { id };
}

/** The newest picture of each spot of each tank that is not in the archive, by tank. */
export async function lastPhotos(
  q: Queries,
  businessId: string,
  tankIds: readonly string[],
): Promise<Map<string, LastPhoto[]>> {
  if (tankIds.length === 0) return new Map();
  const newest = q
    .select({
      id: photo.id,
      tankId: photo.tankId,
      spot: photo.spot,
      spotId: photo.spotId,
      on: photo.onDate,
      nth: sql<number>`row_number() over (partition by ${photo.tankId}, ${photo.spot}, ${photo.spotId} order by ${photo.onDate} desc, ${photo.at} desc, ${photo.id} desc)`.as(
        "nth",
      ),
    })
    .from(photo)
    .where(and(eq(photo.businessId, businessId), inArray(photo.tankId, [...tankIds]), isNull(photo.archivedAt)))
    .as("newest");
  const rows = await q.select().from(newest).where(eq(newest.nth, 1));
  const byTank = groupBy(rows, (r) => r.tankId);
  return new Map(
    [...byTank].map(([tankId, of]) => [
      tankId,
      of.map(({ id, spot, spotId, on }) => ({ id, spot: { kind: spot, id: spotId }, on })),
    ]),
  );
}

/** A picture of a tank, with what it shows. */
export interface TankPhoto {
  readonly id: string;
  readonly onDate: string;
  readonly at: Date;
  readonly note: string;
  readonly width: number;
  readonly height: number;
  readonly by: string;
  readonly spot: PhotoSpot["kind"];
  readonly spotId: string;
  /** What a finding said, or the name of a group of animals; null where that is not kept any more. */
  readonly of: string | null;
  /** Who agreed that it is shown to others, and when. */
  readonly agreed: { readonly by: string; readonly on: string } | null;
}

const MOST_PHOTOS = 200;

/** The pictures of a tank, the newest first. */
export async function photosOf(scope: Scope, tankId: string): Promise<TankPhoto[]> {
  await requireTank(scope, tankId);
  const rows = await db()
    .select({
      ...{ id: photo.id, onDate: photo.onDate, at: photo.at, note: photo.note, width: photo.width },
      ...{ height: photo.height, by: person.name, spot: photo.spot, spotId: photo.spotId },
      ...{ finding: finding.text, animal: animal.name, agreedBy: photo.useAgreedBy, agreedOn: photo.useAgreedOn },
    })
    .from(photo)
    .innerJoin(person, and(eq(person.businessId, photo.businessId), eq(person.id, photo.personId)))
    .leftJoin(finding, and(eq(finding.businessId, photo.businessId), sql`${finding.id} = ${ofId("finding")}`))
    .leftJoin(animal, and(eq(animal.businessId, photo.businessId), sql`${animal.id} = ${ofId("animal")}`))
    .where(and(eq(photo.businessId, scope.businessId), eq(photo.tankId, tankId), isNull(photo.archivedAt)))
    .orderBy(desc(photo.onDate), desc(photo.at))
    .limit(MOST_PHOTOS);
  return rows.map(({ finding: text, animal: name, agreedBy, agreedOn, ...p }) => ({
    ...p,
    of: text ?? name,
    agreed: agreedBy && agreedOn ? { by: agreedBy, on: agreedOn } : null,
  }));
}

/** The id of what a picture of a kind shows: a step's is no id of a row. */
const ofId = (kind: PhotoSpot["kind"]) => sql`case when ${photo.spot} = ${kind} then cast(${photo.spotId} as uuid) end`;

/** How large a picture is asked for: as it is kept, as a list shows it, or as one of a strip on a phone. */
export type PhotoSize = "kept" | "small" | "strip";
const SIDE: Readonly<Record<Exclude<PhotoSize, "kept">, number>> = { small: SMALL_SIDE, strip: STRIP_SIDE };

/** The file of a picture of the scope, as large as it is asked for. */
export async function photoFile(scope: Scope, photoId: string, size: PhotoSize): Promise<Buffer> {
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
  if (size === "kept") return bytes;
  return sharp(bytes).resize(SIDE[size], SIDE[size], { fit: "inside" }).jpeg({ quality: QUALITY }).toBuffer();
}

/** Puts a picture into the archive, or brings it back. The file stays. */
export async function archivePhoto(scope: Scope, photoId: string, archived: boolean, now: Date): Promise<void> {
  await requirePhoto(scope, photoId);
  await db()
    .update(photo)
    .set({ archivedAt: archived ? now : null })
    .where(eq(photo.id, photoId));
}

/** What an owner said of a picture of their tank: that it may be shown to others, or that it may not any more. */
export const PhotoUseSchema = z.object({
  photoId: z.uuid("Reload the sheet and try again."),
  /** Who agreed; null takes it back. */
  by: z.string().trim().min(1, "Say who agreed.").max(120, "Enter at most 120 characters.").nullable(),
});

/** Keeps who agreed that a picture is shown to others, and on which day they were asked. */
export async function agreeToUse(
  scope: Scope,
  { photoId, by }: z.infer<typeof PhotoUseSchema>,
  today: string,
): Promise<void> {
  await requirePhoto(scope, photoId);
  await db()
    .update(photo)
    .set({ useAgreedBy: by, useAgreedOn: by === null ? null : today })
    .where(eq(photo.id, photoId));
}

/** A picture of a tank of the scope, for those who work there. */
async function requirePhoto(scope: Scope, photoId: string): Promise<void> {
  if (scope.role === "tankOwner") throw notFound("photo");
  const [row] = await db()
    .select({ tankId: photo.tankId })
    .from(photo)
    .where(and(eq(photo.businessId, scope.businessId), eq(photo.id, photoId)));
  if (!row) throw notFound("photo");
  await requireTank(scope, row.tankId);
}
